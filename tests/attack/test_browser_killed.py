"""Browser and server are killed in turn, with facts of every kind on the way: what was shown as kept lands once.

Outside: SIGKILL, which no process sees coming; SQLite and the browser's own database on the disk; the rows found at
the end.
"""

from __future__ import annotations

import contextlib
import random
import re
import sqlite3
import time
from collections import Counter
from collections.abc import Callable
from contextlib import closing
from pathlib import Path
from typing import Any

import psutil
import pytest
from playwright.sync_api import BrowserContext, Error, Page, Playwright

from tests.conftest import copied
from tests.reported import EVERY_KIND, TAKEN
from tests.serving import CHROMIUM_FLAGS, Server

KILLS = 50
JOB = "Sprayer pump"
#: Facts are put into the queue's own store as the page does it, written through; the page is told as by
#: another tab. What the browser has confirmed is what a page shows as kept.
KEEP = """
async ({facts, jobId}) => {
  const base = await new Promise((done, fail) => {
    const opening = indexedDB.open('half-thou.queue');
    opening.onsuccess = () => done(opening.result);
    opening.onerror = fail;
  });
  for (const fact of facts) {
    const writing = base.transaction('queue', 'readwrite', {durability: 'strict'});
    writing.objectStore('queue').add({
      n: 0, jobId, job: '42', by: 'machinist', state: 'waiting', sent: false, question: null, message: '', code: '',
      faults: [], fact,
    });
    await new Promise((done, fail) => { writing.oncomplete = done; writing.onabort = fail; });
    await window.kept(fact.id);
  }
  base.close();
  new BroadcastChannel('half-thou.queue').postMessage({landed: []});
}
"""
WAITING = """
async () => {
  const base = await new Promise((done) => {
    const opening = indexedDB.open('half-thou.queue');
    opening.onsuccess = () => done(opening.result);
  });
  const all = await new Promise((done) => {
    const asked = base.transaction('queue').objectStore('queue').getAll();
    asked.onsuccess = () => done(asked.result);
  });
  base.close();
  return all.map((one) => [one.fact.id, one.fact.fact, one.state]);
}
"""


class Browser:
    """A browser with a profile on the disk, that can be killed and started again."""

    def __init__(self, play: Playwright, folder: Path, server: Server, kept: Callable[[str], None]) -> None:
        self.play, self.folder, self.server, self.kept = play, folder, server, kept
        self.context: BrowserContext
        self.page: Page

    def start(self) -> None:
        self.context = self.play.chromium.launch_persistent_context(
            self.folder, executable_path="/usr/bin/chromium", args=CHROMIUM_FLAGS, locale="en-GB"
        )
        self.page = self.context.pages[0]
        self.page.expose_function("kept", lambda name: self.kept(name))

    def open(self, address: str) -> None:
        """Open the job; signed in where nobody is."""
        self.page.goto(self.server.url + address)
        sign_in = self.page.get_by_role("button", name=re.compile("^machinist")).first
        verdict = self.page.get_by_test_id("verdict")
        sign_in.or_(verdict).first.wait_for(timeout=20_000)
        if not verdict.is_visible() and self.page.get_by_label("Password").is_visible():
            sign_in.click()
            verdict.wait_for(timeout=20_000)

    def kill(self) -> None:
        """Kill every process of it outright."""
        for process in psutil.process_iter(["cmdline"]):
            if f"--user-data-dir={self.folder}" in " ".join(process.info["cmdline"] or []):
                with contextlib.suppress(psutil.NoSuchProcess):
                    process.kill()
        with contextlib.suppress(Error):
            self.context.close()
        for lock in self.folder.glob("Singleton*"):
            lock.unlink(missing_ok=True)


def facts(chance: random.Random, gauge: str, nth: int, once: set[str]) -> list[dict[str, Any]]:
    """A handful of facts of any kind, each with a name of its own.

    The engine is handed over near the end only: what comes after that is refused. Its scope is extended `once`: to
    extend it by what it has already is answered, and adds no fact.
    """
    made, late = [], nth > 2 * KILLS - 4
    for n in range(chance.randrange(3, 12)):
        any_kind = [one for one in EVERY_KIND if one[0] not in once and (late or one[0] != "hand over")]
        kind, said = chance.choice(any_kind)
        once |= {kind} & {"extension"}
        name = f"kill{nth}.{n}.{kind.replace(' ', '-')}.{chance.randrange(10**6)}"
        body = {"fact": kind, "id": name, "at": "2031-05-04T12:00:00Z", **said}
        made.append(body | {"gauge": gauge} if kind == "reading" else body)
    return made


@pytest.mark.attack
def test_killed_a_hundred_times_nothing_shown_as_kept_is_lost_or_doubled(
    furnished: Path, tmp_path_factory: pytest.TempPathFactory, playwright: Playwright, tmp_path: Path
) -> None:
    assert {kind for kind, _ in EVERY_KIND} == TAKEN
    chance = random.Random(11)
    kept: list[str] = []
    once: set[str] = set()
    server = Server(copied(furnished, tmp_path_factory))
    server.start()
    with closing(sqlite3.connect(server.folder / "halfthou.sqlite3")) as live:
        (job,) = live.execute("select id from jobs_jobrecord where title = ?", [JOB]).fetchone()
        rows = live.execute("select key, json_extract(document, '$.name') from gauges_gaugerecord").fetchall()
    gauge = next(key for key, name in rows if name.startswith("50–75 mm digital"))
    browser = Browser(playwright, tmp_path / "profile", server, kept.append)
    browser.start()
    browser.open(f"/jobs/{job}")
    for nth in range(2 * KILLS):
        given = {"facts": facts(chance, gauge, nth, once), "jobId": job}
        # Not waited for: killed in the middle of it.
        browser.page.evaluate(f"given => void ({KEEP})(given)", given)
        browser.page.wait_for_timeout(chance.uniform(5, 400))
        if nth % 2 == 0:
            server.kill()
            browser.page.wait_for_timeout(chance.uniform(5, 200))
            server.start()
        else:
            browser.kill()
            browser.start()
            browser.open(f"/jobs/{job}")
    _wait_until_nothing_moves(browser)
    left = {name: state for name, _, state in browser.page.evaluate(WAITING)}
    browser.kill()
    server.kill()
    with closing(sqlite3.connect(server.folder / "halfthou.sqlite3")) as live:
        landed = Counter(row[0] for row in live.execute("select key from jobs_factrecord where key like 'kill%'"))
        assert live.execute("pragma integrity_check").fetchone() == ("ok",)
    refused = sum(state == "refused" for state in left.values())
    print(
        f"{2 * KILLS} kills: {len(kept)} shown as kept, {len(landed)} landed, {refused} refused with their reason"
    )
    assert [name for name in kept if landed[name] == 0 and name not in left] == []
    assert [name for name, times in landed.items() if times > 1] == []
    assert len(kept) > KILLS
    assert len(landed) > len(kept) / 2


def _wait_until_nothing_moves(browser: Browser) -> None:
    """Until nothing has landed for 45 seconds, longer than a page waits before it tries again.

    What still waits then waits behind what was refused.
    """
    before, since = -1, time.monotonic()
    while time.monotonic() < since + 45:
        now = sum(state != "refused" for _, _, state in browser.page.evaluate(WAITING))
        if now != before:
            before, since = now, time.monotonic()
        browser.page.wait_for_timeout(500)
