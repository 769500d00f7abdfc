"""What was made in a browser is never lost: one queue over all tabs, with the server away, over reloads, over plain
http, and with a session that ended. Debian's Chromium, the real server, killed outright.

Outside: the browser's own database and locks; the rows that the server's database holds at the end.
"""

from __future__ import annotations

import re
import sqlite3
import time
from collections import Counter
from collections.abc import Callable, Iterator
from contextlib import closing
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, BrowserContext, BrowserType, Page, expect

from tests.conftest import copied
from tests.serving import CHROMIUM_FLAGS, Server

JOB = "Gang trolley 7"
#: A name that is nobody's (RFC 6761 keeps `.test` for this), so that the page is no secure context.
NAME = "bench.test"


@pytest.fixture
def shop(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    server = Server(copied(furnished, tmp_path_factory), served_as=NAME)
    server.start()
    yield server
    server.kill()


def facts_of(server: Server) -> list[tuple[str, str, str]]:
    """The facts that were not furnished, as they landed: their names, kinds and parts."""
    with closing(sqlite3.connect(server.folder / "halfthou.sqlite3")) as live:
        rows = live.execute("select key, kind, part from jobs_factrecord order by id")
        return [(key, kind, part) for key, kind, part in rows if len(key) == 24 and not key.startswith("demo")]


def sign_in(context: BrowserContext, url: str, name: str = "machinist") -> Page:
    page = context.new_page()
    page.goto(url)
    page.get_by_role("button", name=re.compile(rf"^{name}")).click()
    page.get_by_role("heading", name="The rack").wait_for()
    return page


def open_tabs(context: BrowserContext, url: str) -> dict[str, Page]:
    """Four tabs of one browser on one job: two benches, the strip, the bearing map."""
    rack = sign_in(context, url)
    address = rack.get_by_role("link", name=re.compile(JOB)).get_attribute("href") or ""
    ends = {"bench": "?part=bore-1", "pistons": "?part=piston-1", "strip": "/strip", "map": "/evidence"}
    tabs = {}
    for name, end in ends.items():
        tabs[name] = context.new_page()
        tabs[name].goto(url + address + end)
    tabs["bench"].get_by_test_id("verdict").wait_for()
    tabs["pistons"].get_by_test_id("verdict").wait_for()
    tabs["strip"].get_by_role("region", name="The step in hand").wait_for()
    tabs["map"].get_by_role("group", name="Grade").wait_for()
    rack.close()
    return tabs


PICTURE = Path(__file__).parents[2] / "docs" / "screenshots" / "rack.png"


def work_on(tabs: dict[str, Page]) -> None:
    """A reading in each bench, a piece, a step, a picture, a grade."""
    for name, typed in (("bench", "3.5629"), ("pistons", "3.5603")):
        page = tabs[name]
        page.bring_to_front()
        page.locator("table button").first.click()
        page.locator("[data-entry]").fill(typed)
        page.keyboard.press("Enter")
    tabs["pistons"].get_by_role("button", name="Pieces").click()
    tabs["pistons"].get_by_role("button", name="Bring in one piston").click()
    tabs["pistons"].get_by_role("button", name="Close").click()
    strip = tabs["strip"]
    strip.bring_to_front()
    hand = strip.get_by_role("region", name="The step in hand")
    before = hand.get_by_role("heading").inner_text()
    hand.get_by_role("button", name=re.compile("^Done")).click()
    expect(hand.get_by_role("heading")).not_to_have_text(before)
    strip.get_by_label(re.compile("^Add a picture of")).first.set_input_files(PICTURE)
    tabs["map"].bring_to_front()
    tabs["map"].keyboard.press("c")


def expect_waiting(tabs: dict[str, Page]) -> None:
    """Each is seen where it was made, and says that it waits."""
    expect(tabs["bench"].get_by_role("button", name=re.compile("3.5629, waiting"))).to_be_visible(timeout=15_000)
    expect(tabs["pistons"].get_by_role("button", name=re.compile("3.5603, waiting"))).to_be_visible(timeout=15_000)
    tabs["pistons"].get_by_role("button", name="Pieces").click()
    expect(tabs["pistons"].get_by_role("dialog")).to_contain_text(re.compile("brought in new\\s*waits"))
    tabs["pistons"].get_by_role("button", name="Close").click()
    expect(tabs["strip"].get_by_role("region", name="Strip list")).to_contain_text("waits", timeout=15_000)
    expect(tabs["strip"].get_by_text(re.compile("6 entries wait here \\(job 53: 6\\)"))).to_be_visible(
        timeout=15_000
    )
    halves = tabs["map"].get_by_role("group", name="Half bearings, from the front")
    expect(halves.get_by_role("button", name=re.compile("copper through, waits"))).to_be_visible(timeout=15_000)


def expect_landed_once(server: Server, tabs: dict[str, Page]) -> None:
    for page in tabs.values():
        expect(page.get_by_text(re.compile("entr(y|ies) waits? here"))).to_have_count(0, timeout=30_000)
    # The line is gone before a page has begun to send: what counts is what the database holds.
    until = time.monotonic() + 30
    while len(facts_of(server)) < 6 and time.monotonic() < until:
        tabs["bench"].wait_for_timeout(250)
    found = facts_of(server)
    assert Counter(kind for _, kind, _ in found) == Counter(
        {"reading": 2, "piece": 1, "step": 1, "picture": 1, "seen": 1}
    )
    assert len({key for key, _, _ in found}) == 6
    assert [part for _, kind, part in found if kind == "reading"] == ["bore-1", "piston-1"]


def test_what_four_tabs_made_is_all_there_once_and_in_order(shop: Server, browser: Browser) -> None:
    context = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB")
    tabs = open_tabs(context, shop.url)
    for page in tabs.values():
        page.evaluate("navigator.serviceWorker.ready.then(() => true)")
        page.reload()
    for page in tabs.values():
        page.wait_for_timeout(1_500)
    shop.kill()
    work_on(tabs)
    expect_waiting(tabs)
    for page in tabs.values():
        page.reload()
    expect_waiting(tabs)
    shop.start()
    shop.kill()
    shop.start()
    expect_landed_once(shop, tabs)
    context.close()


def test_the_same_over_plain_http_beyond_this_machine(
    shop: Server, browser_type: BrowserType, browser_type_launch_args: dict[str, Any]
) -> None:
    """There a browser gives neither locks nor a service worker: the page itself is kept open, or loaded again once
    the server is back."""
    flags = [*CHROMIUM_FLAGS, f"--host-resolver-rules=MAP {NAME} 127.0.0.1"]
    browser = browser_type.launch(**{**browser_type_launch_args, "args": flags})
    context = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB")
    tabs = open_tabs(context, f"http://{NAME}:{shop.port}")
    assert tabs["bench"].evaluate("[isSecureContext, 'locks' in navigator, 'serviceWorker' in navigator]") == [
        False, False, False,
    ]  # fmt: skip
    shop.kill()
    work_on(tabs)
    expect_waiting(tabs)
    shop.start()
    shop.kill()
    shop.start()
    for page in tabs.values():
        page.reload()
    expect_landed_once(shop, tabs)
    browser.close()


def end_session(server: Server) -> None:
    """What happens at night: the server knows the session no more."""
    with closing(sqlite3.connect(server.folder / "halfthou.sqlite3")) as live:
        live.execute("delete from django_session")
        live.commit()
    # Sessions are read from the server's memory first.
    server.kill()
    server.start()


def test_a_session_that_ended_while_typing_loses_nothing(shop: Server, browser: Browser) -> None:
    context = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB")
    page = sign_in(context, shop.url)
    page.get_by_role("link", name=re.compile("Sprayer pump")).click()
    page.get_by_test_id("verdict").wait_for()
    page.keyboard.type("73.651")
    end_session(shop)
    page.keyboard.press("Enter")
    ended = page.get_by_role("alert").filter(has_text="Your session has ended")
    expect(ended).to_contain_text("1 entry waits here (job 42: 1)")
    page.keyboard.type("73.650")
    page.keyboard.press("Enter")
    expect(ended).to_contain_text("2 entries wait here")
    asked: list[str] = []
    page.on("request", lambda request: asked.append(request.method) if request.url.endswith("/facts") else None)
    page.wait_for_timeout(2_500)
    assert asked == []
    page.keyboard.type("73.6")
    ended.get_by_role("button", name="Sign in").click()
    page.get_by_role("dialog").get_by_label("Password").fill("machinist-half-thou")
    page.get_by_role("button", name="Sign in as machinist").click()
    expect(ended).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile(r"^1b: \d"))).not_to_have_accessible_name(
        re.compile("waiting"), timeout=15_000
    )
    expect(page.locator("[data-entry]")).to_have_value("73.6")
    assert [kind for _, kind, _ in facts_of(shop)] == ["reading", "reading"]
    context.close()


def test_a_lost_cookie_is_mended_without_loss(shop: Server, browser: Browser) -> None:
    context = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB")
    page = sign_in(context, shop.url)
    page.get_by_role("link", name=re.compile("Sprayer pump")).click()
    page.get_by_test_id("verdict").wait_for()
    context.clear_cookies(name="csrftoken")
    page.keyboard.type("73.651")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile(r"^1a: \d\.\d+$"))).to_be_visible()
    assert len(facts_of(shop)) == 1
    context.close()


def test_signing_out_with_some_waiting_asks_and_they_wait_for_their_maker(shop: Server, browser: Browser) -> None:
    context = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB")
    page = sign_in(context, shop.url, "bench")
    page.get_by_role("link", name=re.compile("Sprayer pump")).click()
    page.get_by_test_id("verdict").wait_for()
    # The server answers all but what brings facts.
    page.route("**/facts", lambda route: route.abort())
    page.keyboard.type("73.651")
    page.keyboard.press("Enter")
    expect(page.get_by_text("1 entry waits here (job 42: 1)")).to_be_visible()
    page.get_by_role("button", name=re.compile("^bench")).click()
    page.get_by_role("menuitem", name="Sign out").click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("One entry waits here")
    dialog.get_by_role("button", name="Sign out and keep them").click()
    expect(page.get_by_text("1 entry of bench waits in this browser (job 42: 1)")).to_be_visible()
    expect(page.get_by_text("73.651")).to_have_count(0)
    page.get_by_role("button", name=re.compile("^machinist")).click()
    expect(page.get_by_text("1 entry of bench waits in this browser (job 42: 1)")).to_be_visible()
    page.unroute("**/facts")
    page.wait_for_timeout(2_000)
    assert facts_of(shop) == []
    page.get_by_role("button", name=re.compile("^machinist")).click()
    page.get_by_role("menuitem", name="Change person").click()
    page.get_by_role("dialog").get_by_role("button", name="bench").click()
    page.get_by_role("dialog").get_by_label("Password").fill("bench-half-thou")
    page.get_by_role("button", name="Change to bench").click()
    expect(page.get_by_text(re.compile("entry of bench"))).to_have_count(0)
    until = time.monotonic() + 20
    while not facts_of(shop) and time.monotonic() < until:
        page.wait_for_timeout(200)
    with closing(sqlite3.connect(shop.folder / "halfthou.sqlite3")) as live:
        newest = "select json_extract(document, '$.by') from jobs_factrecord order by id desc limit 1"
        by = [row[0] for row in live.execute(newest)]
    assert by == ["bench"]
    context.close()


@pytest.mark.usefixtures("shop")
def test_digits_answer_no_question(enter: Callable[..., Page]) -> None:
    """Text begun before the question was seen goes to the next spot; text begun after it to the doubted one."""
    page = enter("bench", "Sprayer pump")
    page.get_by_role("button", name=re.compile("^Main journal M4:")).click()
    expect(page.get_by_label("Reading at 1a")).to_be_focused()
    with page.expect_response(lambda answer: answer.url.endswith("/facts")):
        page.keyboard.type("7")
        page.keyboard.press("Enter")
        page.keyboard.type("73.6")
    question = page.get_by_role("group", name="A question about the reading")
    expect(question).to_be_visible()
    page.keyboard.type("52")
    expect(page.get_by_label("Reading at 1b")).to_have_value("73.652")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name=re.compile(r"^1b: \d"))).not_to_have_accessible_name(
        re.compile("waiting")
    )
    expect(question).to_be_visible()
    page.wait_for_timeout(500)
    page.keyboard.type("1")
    expect(question).to_be_visible()
    expect(page.get_by_text("M4 1a, again")).to_be_visible()
    page.keyboard.press("Backspace")
    expect(page.get_by_text("M4 1a, again")).to_have_count(0)
    page.keyboard.type("73.651")
    page.keyboard.press("Enter")
    expect(question).to_have_count(0)
    expect(page.get_by_role("button", name=re.compile(r"^1a: (2\.89|73\.651)"))).to_be_visible()
    expect(page.get_by_label("Reading at 1c")).to_be_focused()


def test_a_question_is_answered_by_its_key(enter: Callable[..., Page]) -> None:
    page = enter("bench", "Sprayer pump")
    page.get_by_role("button", name=re.compile("^Main journal M3:")).click()
    expect(page.get_by_label("Reading at 1a")).to_be_focused()
    page.keyboard.type("7")
    page.keyboard.press("Enter")
    question = page.get_by_role("group", name="A question about the reading")
    expect(question.get_by_role("button", name=re.compile("^F2 73.647 mm"))).to_be_visible()
    page.keyboard.press("F2")
    expect(page.get_by_role("button", name=re.compile(r"^1a: (2\.8995|73\.647)"))).to_be_visible(timeout=15_000)


def test_text_under_a_question_goes_along_with_the_booking(enter: Callable[..., Page]) -> None:
    page = enter("bench")
    page.get_by_role("link", name="Book in an engine").click()
    page.get_by_label("Engine or machine").fill("Weed cutter")
    page.get_by_label(re.compile("Hours.*in words|hours.*in words")).first.fill("4,500 h")
    page.get_by_role("button", name="Book in, engine not known yet").click()
    page.get_by_role("heading", name="At the door").wait_for()
    expect(page.get_by_text("4,500 h")).to_be_visible()
    # At the door it goes along with the way on, and is asked about on any other.
    typed = page.locator("input[aria-label$=', in words']").first
    label = typed.get_attribute("aria-label")
    typed.fill("as the driver says")
    page.once("dialog", lambda asked: asked.dismiss())
    page.get_by_role("link", name="Story").click()
    expect(page.get_by_label(label or "")).to_have_value("as the driver says")
    page.get_by_role("button", name="On to the looks").click()
    page.get_by_role("heading", name="Which look first").wait_for()
    page.get_by_role("link", name="Door").click()
    expect(page.get_by_text("as the driver says")).to_be_visible()


def test_two_people_at_one_spot_are_both_told(server: Server, browser: Browser) -> None:
    def bench_of(name: str) -> Page:
        page = sign_in(
            browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB"), server.url, name
        )
        page.get_by_role("link", name=re.compile("Harbour launch")).click()
        page.get_by_test_id("verdict").wait_for()
        page.get_by_role("button", name=re.compile("^Rod journal No. 2:")).click()
        page.locator("table button").first.click()
        return page

    one, other = bench_of("bench"), bench_of("machinist")
    expect(one.get_by_text("machinist has this spot in hand too.")).to_be_visible()
    expect(other.get_by_text("bench has this spot in hand too.")).to_be_visible()
    other.keyboard.press("ArrowRight")
    expect(one.get_by_text("machinist is at Rod journal No. 2, 1b.")).to_be_visible()
    other.keyboard.press("ArrowLeft")
    expect(one.get_by_text("machinist has this spot in hand too.")).to_be_visible()
    # Both read it before either has seen what the other read.
    other.route("**/changes**", lambda route: route.abort())
    one.keyboard.type("61.381")
    one.keyboard.press("Enter")
    expect(one.get_by_role("button", name=re.compile(r"^1a: 61\.381|^1a: 2\.4166"))).to_be_visible()
    other.keyboard.type("61.365")
    other.keyboard.press("Enter")
    expect(other.get_by_text(re.compile("was read by bench meanwhile"))).to_be_visible()
    expect(one.get_by_text(re.compile("was read by machinist after you"))).to_be_visible()
