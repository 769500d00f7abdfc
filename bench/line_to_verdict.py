"""From a gauge's line on its socket to the judged reading painted, in headless Chromium, over a whole engine.

The whole real path: simulated gauge, socket, bridge, server, event stream, browser, landing, assessment, painting.
The figures: milliseconds on one machine's clock, from the bytes going into the socket to the painting of the frame
in which the reading stands in the table with its assessment. All of it shares
two cores, and a shared machine swings by a factor of two: run it more than once, and beside key_to_verdict.py.
"""

import re
import statistics
import subprocess
import sys
import time
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

sys.path.insert(0, str(Path(__file__).parents[1]))
from bench.furnished import demo_shop, manage, open_job
from bench.told import told
from demo.simulated_gauge import SimulatedGauge
from tests.serving import CHROMIUM_FLAGS, ROOT, free_port, serving

WATCH = """
(spot) => {
  window.__painted = new Promise((done) => {
    const table = document.querySelector('main table');
    const seen = new MutationObserver(() => {
      const cell = table.querySelector(`button[aria-label^="${spot}:"]`);
      const label = cell ? cell.getAttribute('aria-label') : 'waiting';
      if (label.includes('waiting') || label.includes('not read')) return;
      seen.disconnect();
      requestAnimationFrame(() => {
        const painted = new MessageChannel();
        painted.port1.onmessage = () => done(performance.timeOrigin + performance.now());
        painted.port2.postMessage(0);
      });
    });
    seen.observe(document.body, { subtree: true, childList: true, attributes: true, characterData: true });
  });
}
"""
PORT = """
from workshop.gauges.models import GaugeRecord
row = next(r for r in GaugeRecord.objects.all() if r.document["name"].startswith("50–75"))
row.document["port"] = "socket://127.0.0.1:{port}"
row.save()
"""
JOURNALS = {
    **{f"Main journal M{n}": 73.650 for n in range(1, 5)},
    **{f"Rod journal No. {n}": 61.382 for n in range(1, 4)},
}


def measure(page: Page, gauge: SimulatedGauge) -> list[float]:
    """Read every spot of the engine by the gauge's button."""
    times = []
    for name, size in JOURNALS.items():
        page.get_by_role("button", name=re.compile(f"^{name}[:,]")).click()
        page.get_by_text("its button enters readings here").wait_for()
        page.wait_for_timeout(700)
        for n in range(8):
            page.evaluate(WATCH, f"{n // 4 + 1}{'abcd'[n % 4]}")
            start = time.time() * 1000
            gauge.pull(size + 0.001 * (n % 2))
            times.append(page.evaluate("() => window.__painted") - start)
            page.wait_for_timeout(400)
    return times


with demo_shop() as folder:
    gauge = SimulatedGauge("g", "mm", free_port(), 73.65, 0.0)
    gauge.listen()
    manage(folder, "shell", "-c", PORT.format(port=gauge.port))
    with serving(folder) as server, sync_playwright() as play:
        bridge = subprocess.Popen([sys.executable, "-m", "gauge_bridge", "--server", server.url, "--key-file",
                                   str(folder / "bridge-key")], cwd=ROOT)  # fmt: skip
        browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=CHROMIUM_FLAGS)
        page = open_job(browser, server.url, "Sprayer pump")
        found = sorted(measure(page, gauge)[5:])
        browser.close()
        bridge.kill()
    told("a gauge's line to the painted verdict, median", statistics.median(found), "ms")
    told("a gauge's line to the painted verdict, 95th percentile", found[int(len(found) * 0.95)], "ms", 80)
