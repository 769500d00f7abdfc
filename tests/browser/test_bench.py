"""The bench by keyboard, with a server that goes away, with two people, and for every eye."""

import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.serving import ROOT, Server

#: The views of a job before its bench, and the bench of an engine nobody has named.
BEFORE_THE_BENCH = (
    "/jobs/18/door", "/jobs/18/looks", "/jobs/19/strip", "/jobs/19/strip/open", "/jobs/19/strip/marks",
    "/jobs/19/strip/labels", "/jobs/18/strip/pictures", "/jobs/20", "/jobs/23/evidence", "/jobs/22/evidence",
    "/jobs/23/evidence/looks", "/jobs/23/evidence/cause", "/jobs/23/evidence/metal", "/jobs/23/evidence/report",
)  # fmt: skip
GLOVED = (*BEFORE_THE_BENCH, "/book-in")
AXE = ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js"


def cell(page: Page, spot: str) -> str:
    return page.get_by_role("button", name=re.compile(f"^{spot}:")).inner_text()


def test_a_journal_by_keyboard_alone(enter: Callable[..., Page]) -> None:
    """Four keystrokes a spot, no mouse; a question answered by a key; a reading taken back by a key."""
    page = enter("bench", "Sprayer pump")
    page.keyboard.press("ArrowDown")
    expect(page.get_by_role("heading", name="Rod journal No. 1")).to_be_visible()
    page.keyboard.type("61.383")
    expect(page.get_by_text("Enter lands 61.383 mm")).to_be_visible()
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="1a: 2.4167", exact=True)).to_be_visible()
    page.keyboard.type("384")
    page.keyboard.press("Enter")
    expect(page.get_by_label("Reading at 1c")).to_be_focused()
    page.keyboard.type("2.4167")
    page.keyboard.press("Enter")
    expect(page.get_by_text("fits only as inches. Is it?")).to_be_visible()
    page.keyboard.press("F2")
    expect(page.get_by_role("button", name="1c: 2.4167", exact=True)).to_be_visible()
    expect(page.get_by_label("Reading at 1d")).to_be_focused()
    page.keyboard.press("Backspace")
    expect(page.get_by_role("button", name="1c: not read")).to_be_visible()
    page.keyboard.type("abc")
    page.keyboard.press("Enter")
    expect(page.get_by_text("a word that is no unit")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_label("Reading at 1c")).to_have_value("abc")


def test_the_unit_shown_switches_and_what_was_typed_stays(enter: Callable[..., Page]) -> None:
    page = enter("bench", "Harbour launch")
    first = page.get_by_role("button", name=re.compile("^1a:"))
    inch = first.inner_text()
    assert inch.startswith("2.")
    page.keyboard.press("Alt+u")
    expect(first).to_have_text(re.compile(r"^[67]\d\.\d{3}$"))
    assert re.search(r"typed [67]\d\.\d{3} mm", first.get_attribute("title") or "")
    page.keyboard.press("Alt+u")
    expect(first).to_have_text(inch)


def test_readings_typed_while_the_server_is_down_land_once_when_it_is_back(
    enter: Callable[..., Page], server: Server
) -> None:
    page = enter("bench", "Locomotive 3")
    page.get_by_role("button", name=re.compile("^Rod journal No. 4:")).click()
    page.keyboard.type("2.0375")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="1a: 2.0375", exact=True)).to_be_visible()
    server.kill()
    for text in ("374", "373"):
        page.keyboard.type(text)
        page.keyboard.press("Enter")
    expect(page.get_by_text("2 entries wait here")).to_be_visible()
    expect(page.get_by_role("button", name="1b: 374, waiting")).to_be_visible()
    server.start()
    expect(page.get_by_role("button", name="1c: 2.0373", exact=True)).to_be_visible(timeout=15_000)
    page.reload()
    expect(page.get_by_role("button", name="1b: 2.0374", exact=True)).to_be_visible()
    title = page.get_by_role("button", name="1b: 2.0374", exact=True).locator("sup")
    expect(title).to_have_count(0)


def test_a_reading_kept_over_a_reload_is_sent(enter: Callable[..., Page], server: Server) -> None:
    page = enter("bench", "Locomotive 3")
    page.get_by_role("button", name=re.compile("^Main journal M5:")).click()
    page.route("**/api/jobs/*/facts", lambda route: route.abort())
    page.keyboard.type("2.4138")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="1a: 2.4138, waiting")).to_be_visible()
    page.unroute("**/api/jobs/*/facts")
    page.reload()
    page.get_by_role("button", name=re.compile("^Main journal M5:")).click()
    expect(page.get_by_role("button", name="1a: 2.4138", exact=True)).to_be_visible(timeout=10_000)


def test_two_people_on_one_job_see_each_others_readings(
    enter: Callable[..., Page], browser: Browser, server: Server
) -> None:
    page = enter("bench", "Sprayer pump")
    page.get_by_role("button", name=re.compile("^Rod journal No. 3:")).click()
    other = browser.new_context(viewport={"width": 1280, "height": 800}).new_page()
    other.goto(server.url)
    other.get_by_role("button", name=re.compile("^machinist")).click()
    other.get_by_role("link", name=re.compile("Sprayer pump")).click()
    other.get_by_role("button", name=re.compile("^Rod journal No. 3:")).click()
    for who, digits in ((page, "61.381"), (other, "61.382")):
        who.keyboard.type(digits)
        who.keyboard.press("Enter")
    # Both read spot 1a: both readings are kept, the newer stands, the older is beside it.
    expect(page.get_by_role("button", name=re.compile("^1a:")).locator("sup")).to_have_text("2", timeout=10_000)
    other.context.close()


def test_change_of_person_stays_on_the_page(enter: Callable[..., Page]) -> None:
    page = enter("bench", "Harbour launch")
    expect(page.get_by_role("button", name="Accept for rods")).to_be_disabled()
    page.get_by_role("button", name=re.compile("^bench")).click()
    page.get_by_role("menuitem", name="Change person").click()
    page.get_by_role("button", name="machinist").click()
    page.get_by_label("Password").fill("wrong")
    page.get_by_role("button", name="Change to machinist").click()
    expect(page.get_by_role("alert")).to_contain_text("do not go together")
    page.get_by_label("Password").fill("machinist-half-thou")
    page.get_by_role("button", name="Change to machinist").click()
    expect(page.get_by_role("button", name="Accept for rods")).to_be_enabled()


def test_a_readings_file_with_faults_is_refused_by_line(enter: Callable[..., Page], tmp_path: Path) -> None:
    page = enter("bench", "Sprayer pump")
    page.get_by_role("link", name="Sheet").click()
    bad = tmp_path / "bad.csv"
    bad.write_text("journal,spot,size [mm]\nM1,1a,73.650\nM1,1b,7O.65\nM9,1a,73.650\n", encoding="utf-8")
    page.get_by_label("Readings file").set_input_files(bad)
    alert = page.get_by_role("alert")
    expect(alert).to_contain_text("Nothing of it was taken")
    expect(alert).to_contain_text("line 3")
    expect(alert).to_contain_text("line 4")


@pytest.mark.parametrize(
    "address",
    [
        "/",
        "/jobs/3",
        "/jobs/9",
        "/jobs/3/sheet",
        "/jobs/10/story",
        *BEFORE_THE_BENCH,
        "/book-in",
        "/limits",
        "/limits/1",
        "/limits/new",
        "/people",
        "/nowhere",
        "/gauges",
        "a gauge",
        "/house-rules",
        "/house-rules/looks",
        "/key",
        "/key/causes",
    ],
)
def test_every_view_can_be_used_by_everyone(look_at: Callable[..., Page], address: str) -> None:
    """Outside: axe-core's rules for WCAG 2 A and AA, light and dark, on the screen and in print. No view is wider
    than the screen; and before the bench, where gloves are on, what has to be hit is 44 points high: WCAG 2.2,
    2.5.5 (AAA), recalled."""
    page = look_at("owner", "/gauges" if address == "a gauge" else address)
    if address == "a gauge":
        page.get_by_role("link", name=re.compile("No. 7")).click()
        page.get_by_role("img", name=re.compile("Zero error")).wait_for()
    if "/jobs/" in address:
        # The tabs' shared worker never counts as loaded: a bench is drawn when its words are there.
        page.get_by_role("navigation", name="Job").wait_for()
        page.wait_for_timeout(700)
    else:
        page.wait_for_load_state("networkidle")
    page.evaluate(AXE.read_text(encoding="utf-8"))
    for theme in ("light", "dark"):
        page.evaluate("theme => { document.documentElement.dataset.theme = theme; }", theme)
        page.emulate_media(media="screen")
        page.wait_for_timeout(250)  # colours change over a moment
        # A theme and paper change colours alone: the other rules are asked once.
        colours = "document, {runOnly: ['color-contrast']}"
        assert complaints(page, "" if theme == "light" else colours) == [], theme
    page.emulate_media(media="print")
    assert complaints(page, colours) == [], "in print, where the page is dark"
    page.emulate_media(media="screen")
    # The last but one is the first at 200 %: WCAG 2.1, 1.4.10 (recalled).
    for width, height in ((1280, 800), (1024, 768), (800, 1280), (640, 400), (390, 844)):
        page.set_viewport_size({"width": width, "height": height})
        page.wait_for_timeout(100)
        assert page.evaluate("document.documentElement.scrollWidth") <= width
        if "/jobs/" in address:
            assert page.locator("header h1").evaluate("one => one.clientWidth") >= 200, f"{width} wide"
        if address in GLOVED:
            assert page.locator("main").evaluate(LOW) == [], f"{width} wide"


def complaints(page: Page, rules: str = "") -> list[str]:
    """What axe finds on the page as it stands, by all of its rules or some."""
    found = page.evaluate(f"axe.run({rules})")
    return [f"{v['id']}: {v['nodes'][0]['html'][:120]}" for v in found["violations"]]


#: The buttons and boxes of a page's main part that are lower than a glove can hit.
LOW = """main => [...main.querySelectorAll("button, input:not([type=checkbox]):not(.sr-only), select, a")]
  .filter((one) => one.offsetParent && one.getBoundingClientRect().height < 39 && !one.closest("img"))
  .map((one) => one.outerHTML.slice(0, 90))"""


def test_the_printed_sheet_can_be_read_by_everyone(look_at: Callable[..., Page]) -> None:
    page = look_at("owner", "/api/jobs/3/sheet.html")
    page.evaluate(AXE.read_text(encoding="utf-8"))
    assert complaints(page) == []


def test_the_bench_needs_no_scrolling(look_at: Callable[..., Page]) -> None:
    """A crank, a V eight's block with nine looks, pistons and rings, a pump."""
    for job in (3, 6, 11, 12, 15, 16):
        page = look_at("machinist", f"/jobs/{job}")
        page.get_by_test_id("verdict").wait_for()
        page.wait_for_timeout(500)  # what is asked for beside the bench comes
        assert page.evaluate("document.documentElement.scrollHeight") <= 800, job


def test_empty_failed_and_lost_views_say_what_to_do(enter: Callable[..., Page], server: Server) -> None:
    page = enter("bench")
    page.get_by_label("Search").fill("no such engine")
    expect(page.get_by_text("Nothing matches")).to_be_visible()
    page.goto(server.url + "/jobs/999")
    expect(page.get_by_text("There is no such job.")).to_be_visible()
    page.goto(server.url + "/nowhere")
    expect(page.get_by_role("heading", name="There is no such page")).to_be_visible()
