"""A thousand readings typed while the server was away: how long until all have landed and the browser is empty.

The figure: seconds from loading the page with a thousand readings in its outbox to the last of them landed, through
the real browser, server and database, on one machine.
"""

import json
import sys
import time
from pathlib import Path

from playwright.sync_api import sync_playwright

sys.path.insert(0, str(Path(__file__).parents[1]))
from bench.furnished import demo_shop, manage, open_job
from bench.told import told
from tests.at_the_bench import choose_gauge
from tests.serving import CHROMIUM_FLAGS, serving

KEPT = 1000
#: Kept as an older version of the page did: taken up into the queue, which is then empty.
EMPTY = """
() => localStorage.getItem('half-thou.outbox') === null && new Promise((done) => {
  const opening = indexedDB.open('half-thou.queue');
  opening.onsuccess = () => {
    const asked = opening.result.transaction('queue').objectStore('queue').count();
    asked.onsuccess = () => { opening.result.close(); done(asked.result === 0); };
  };
})
"""
COUNT = """
from workshop.record.models import JobRecord
rows = JobRecord.objects.get(number="44").facts.filter(key__startswith="kept.").order_by("pk")
keys = list(rows.values_list("key", flat=True))
print(len(keys), keys == [f"kept.{n}" for n in range(len(keys))])
"""


def parcels(gauge: str) -> str:
    """The outbox as the browser keeps it."""
    spots = [f"{plane}{angle}" for plane in "12" for angle in "abcd"]
    return json.dumps([
        {
            "jobId": 6, "by": "machinist", "state": "waiting", "question": None, "message": "",
            "landing": {
                "id": f"kept.{n}", "part": f"R{n % 4 + 1}", "feature": "diameter", "spot": spots[n // 4 % 8],
                "typed": "2.2614", "unit": "in", "gauge": gauge, "by_button": False, "chosen_nm": None,
                "at": f"2026-01-05T10:{n // 60 % 60:02d}:{n % 60:02d}Z",
            },
        }
        for n in range(KEPT)
    ])  # fmt: skip


with demo_shop() as folder:
    with serving(folder) as server, sync_playwright() as play:
        browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=CHROMIUM_FLAGS)
        page = open_job(browser, server.url, "Mobile crane")
        address, gauge = page.url, choose_gauge(page).input_value()
        # No page of the app: it would take up at once what is kept here for the one that is measured.
        page.goto(server.url + "/api/session")
        job_id = address.split("/jobs/")[1].split("?")[0]
        text = parcels(gauge).replace('"jobId": 6', f'"jobId": {job_id}')
        page.evaluate("text => localStorage.setItem('half-thou.outbox', text)", text)
        start = time.perf_counter()
        page.goto(address)
        while not page.evaluate(EMPTY):
            page.wait_for_timeout(20)
        taken = time.perf_counter() - start
        browser.close()
    landed, in_order = manage(folder, "shell", "-c", COUNT).split()
    print(f"kept readings: {landed} landed once, in order {in_order}")
    told("1,000 kept readings landed, from loading the page", taken, "s", 2)
