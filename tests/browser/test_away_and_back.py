"""The app when the server is away, when a page fails, and when somebody goes. Debian's Chromium, the real
server."""

from __future__ import annotations

import re
import threading
from collections.abc import Callable
from http.server import ThreadingHTTPServer

from playwright.sync_api import Browser, Page, expect

from demo.simulated_gauge import SimulatedGauge, panel_of
from tests.at_the_bench import choose_gauge
from tests.serving import Server, free_port


def ready_to_be_away(page: Page) -> None:
    """Wait until the service worker has the shell."""
    page.evaluate("navigator.serviceWorker.ready.then(() => true)")
    page.reload()
    page.get_by_test_id("verdict").wait_for()
    page.wait_for_timeout(1_500)


def test_the_bench_opens_and_reads_on_while_the_server_is_away(enter: Callable[..., Page], server: Server) -> None:
    page = enter("bench", "Sprayer pump")
    page.get_by_role("button", name=re.compile("^Main journal M2:")).click()
    choose_gauge(page).select_option(label="50–75 mm digital micrometer")
    ready_to_be_away(page)
    expect(page.get_by_role("heading", name="Main journal M2")).to_be_visible()
    server.kill()
    page.reload()
    expect(page.get_by_role("heading", name="Main journal M2")).to_be_visible(timeout=15_000)
    expect(page.get_by_role("button", name=re.compile("^50–75 mm digital micrometer"))).to_be_visible()
    expect(page.get_by_text(re.compile("as last known|as it was last known", re.IGNORECASE)).first).to_be_visible()
    page.keyboard.type("73.651")
    page.keyboard.press("Enter")
    expect(page.get_by_text(re.compile("1 entry waits here"))).to_be_visible()
    server.start()
    expect(page.get_by_role("button", name=re.compile(r"^1a: 2\.8996$|^1a: 73\.651$"))).to_be_visible(
        timeout=20_000
    )


def test_signing_out_leads_to_the_door(enter: Callable[..., Page], server: Server) -> None:
    page = enter("bench", "Sprayer pump")
    page.get_by_role("button", name=re.compile("^bench")).click()
    page.get_by_role("menuitem", name="Sign out").click()
    expect(page.get_by_role("button", name=re.compile("^machinist"))).to_be_visible()
    page.goto(server.url + "/jobs/1")
    expect(page.get_by_role("button", name=re.compile("^machinist"))).to_be_visible()


def test_a_page_that_fails_says_so_and_shows_the_way_back(browser: Browser, server: Server) -> None:
    """The service worker is left out, so that the page's own words are seen."""
    context = browser.new_context(service_workers="block", locale="en-GB")
    page = context.new_page()
    page.route("**/api/session", lambda route: route.abort())
    page.goto(server.url)
    expect(page.get_by_role("button", name="Try again")).to_be_visible()
    page.unroute("**/api/session")
    page.get_by_role("button", name="Try again").click()
    expect(page.get_by_role("button", name=re.compile("^machinist"))).to_be_visible()
    context.close()


def test_a_column_is_pasted_after_one_look(enter: Callable[..., Page]) -> None:
    page = enter("bench", "Sprayer pump")
    page.get_by_role("button", name=re.compile("^Main journal M3:")).click()
    expect(page.get_by_label("Reading at 1a")).to_be_focused()
    page.evaluate(
        """() => {
        const data = new DataTransfer();
        data.setData("text", "73.650\\n73.651\\n73.652");
        document.activeElement.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true,
    cancelable: true })); }"""
    )
    expect(page.get_by_role("dialog")).to_contain_text("3 readings pasted")
    page.get_by_role("button", name="Land 3 readings").click()
    expect(page.get_by_role("button", name=re.compile(r"^1c: "))).not_to_have_text("")
    expect(page.get_by_label("Reading at 1d")).to_be_focused()


def test_a_reading_taken_back_comes_back_by_one_key(enter: Callable[..., Page]) -> None:
    page = enter("bench", "Sprayer pump")
    page.get_by_role("button", name=re.compile("^Main journal M4:")).click()
    expect(page.get_by_label("Reading at 1a")).to_be_focused()
    page.keyboard.type("73.650")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Reading at 1b")).to_be_focused()
    expect(page.get_by_role("button", name=re.compile(r"^1a: \d"))).to_be_visible()
    page.keyboard.press("Backspace")
    expect(page.get_by_role("button", name="1a: not read")).to_be_visible()
    page.keyboard.press("Alt+Shift+Z")
    expect(page.get_by_role("button", name=re.compile(r"^1a: \d"))).to_be_visible()


def test_the_panel_loses_one_line_when_asked_to_lose_one(page: Page) -> None:
    """The demo's panel, with a gauge that nobody listens to."""
    gauge = SimulatedGauge("g", "mm", free_port(), 61.383, 0.0)
    port = free_port()
    panel = ThreadingHTTPServer(("127.0.0.1", port), panel_of([gauge]))
    threading.Thread(target=panel.serve_forever, daemon=True).start()
    page.goto(f"http://127.0.0.1:{port}/")
    page.get_by_label("Lose the next line").check()
    pull = page.get_by_role("button", name="Pull the trigger")
    for _ in range(3):
        with page.expect_response(lambda answer: answer.request.method == "POST"):
            pull.click()
        page.wait_for_timeout(50)
    assert len(gauge.sent) == 2
    expect(page.get_by_label("Lose the next line")).not_to_be_checked()
    panel.shutdown()
