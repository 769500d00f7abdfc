"""An engine that is not in the demo: booked in, measured, judged, signed, printed and taken away, all by hand
in the browser, and loaded again from its file."""

import json
import re
from collections.abc import Callable
from io import BytesIO
from pathlib import Path

from playwright.sync_api import Page, expect
from pypdf import PdfReader

from halfthou.cli import main
from halfthou.exchange import read_job
from tests.at_the_bench import choose_gauge, looks_sound
from tests.serving import Server

#: Readings by last digits. Rod 3 is worn to 2.0312 in one direction; the rest is as new.
ROD, MAIN = ["346"] * 8, ["647"] * 8
WORN = ["312", "329", "346", "329"] * 2


def fill_limits(page: Page) -> None:
    page.get_by_label("Engine: make and model").fill("Ostrel Marine 4-38")
    page.get_by_label("Usual layouts").select_option("Inline four, three mains")
    page.get_by_role("tab", name="crank").click()
    figures = {"Rod journals": ("2.0340", "2.0348"), "Main journals": ("2.1640", "2.1649")}
    for part, (least, most) in figures.items():
        page.get_by_label(f"{part}, Journal size, new, least").fill(least)
        page.get_by_label(f"{part}, Journal size, new, most").fill(most)
        page.get_by_label(f"{part}, Journal size, new, book and page").fill("maker's book, page 41")
        page.get_by_label(f"{part}, Out-of-round, most", exact=True).fill(".0008")
        page.get_by_label(f"{part}, Taper, most", exact=True).fill(".0006")
        section = page.locator("section", has=page.get_by_role("heading", name=part, exact=True))
        section.get_by_label("Hardening").select_option("none")
        for n, step in enumerate((".010", ".020"), start=2):
            section.get_by_role("button", name="Add a size").click()
            page.get_by_label(f"{part}, step {n}, size from standard").fill(step)


def type_journal(page: Page, name: str, digits: list[str]) -> int:
    """Type a journal by last digits; gives the number of keystrokes."""
    page.get_by_role("button", name=re.compile(f"^{name}:")).click()
    strokes = 0
    for spot, text in zip((f"{p}{a}" for p in "12" for a in "abcd"), digits, strict=True):
        expect(page.get_by_label(f"Reading at {spot}")).to_be_focused()
        for key in text:
            page.keyboard.press(key)
        page.keyboard.press("Enter")
        strokes += len(text) + 1
    looks_sound(page)
    return strokes + 1


def test_an_engine_of_ones_own(enter: Callable[..., Page], server: Server, tmp_path: Path) -> None:
    page = enter("machinist")
    page.get_by_role("link", name="Limits").click()
    page.get_by_role("link", name="New limits sheet").click()
    page.get_by_role("button", name="Keep the sheet").click()
    expect(page.get_by_text("Give the engine a name")).to_be_visible()
    fill_limits(page)
    page.get_by_role("button", name="Keep the sheet").click()
    page.get_by_role("heading", name="Ostrel Marine 4-38, revision 1").wait_for()

    page.get_by_role("link", name="Rack", exact=True).click()
    page.get_by_role("link", name="Book in an engine").click()
    page.get_by_label("Engine or machine").fill("Ferry winch")
    page.get_by_label("Customer", exact=True).fill("Sound Ferry Company")
    page.get_by_label("Limits sheet").select_option(label="Ostrel Marine 4-38, revision 1, draft")
    page.get_by_role("button", name="Book in and measure").click()
    page.get_by_test_id("verdict").wait_for()
    choose_gauge(page).select_option(label="2–3 in micrometer, No. 7")

    for journal in ("M1", "M2", "M3"):
        assert type_journal(page, f"Main journal {journal}", MAIN) <= 4 * 8 + 1
    for number in (1, 2, 4):
        type_journal(page, f"Rod journal No. {number}", ROD)
    type_journal(page, r"Rod journal No. 3", WORN)
    expect(page.get_by_test_id("verdict")).to_have_text("Regrind, 0.010 under")
    expect(page.get_by_label("Verdict")).to_contain_text("this journal sets the size")
    expect(page.get_by_label("Verdict")).to_contain_text("Cautions:")
    page.get_by_label("surface").select_option("nail catches")
    page.get_by_label("Depth").fill("half a thou")
    page.get_by_label("Spot", exact=True).fill("1a")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_label("Verdict")).to_contain_text("score 0.0005 deep at 1a")

    page.get_by_role("button", name="Accept for rods").click()
    expect(page.get_by_label("Verdict")).to_contain_text("Accepted by machinist")
    page.get_by_role("link", name="Sheet").click()
    page.get_by_role("region", name="Main journals").get_by_role("button", name="Decide otherwise").click()
    page.get_by_label("What is done instead").select_option("polish")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("dialog")).to_contain_text("Say why")
    page.get_by_label("Why").fill("Customer wants the mains bright.")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("region", name="Main journals")).to_contain_text("Decided: polish")
    page.get_by_role("button", name="Sign the sheet").click()
    page.get_by_role("button", name="Yes, sign it").click()
    page.get_by_role("heading", name="Decision sheet, revision 1, signed").wait_for()

    address = page.get_by_role("link", name="PDF", exact=True).get_attribute("href")
    pdf = PdfReader(BytesIO(page.request.get(f"{server.url}{address}").body()))
    paper = " ".join(" ".join(sheet.extract_text() for sheet in pdf.pages).split())
    assert "Rod journals: regrind, 0.010 under" in paper
    assert "Customer wants the mains bright." in paper
    printed = page.request.get(f"{server.url}{address}".replace(".pdf", ".html")).text()
    assert "revision 1, signed" in printed

    text = page.request.get(f"{server.url}{address}".replace("sheet.pdf", "job.json")).text()
    file = tmp_path / "ferry.json"
    file.write_text(text, encoding="utf-8")
    assert main(["assess", str(file)]) == 0
    assert len(read_job(text).job.readings) == 56
    take_in_elsewhere(page, text, tmp_path)


def take_in_elsewhere(page: Page, text: str, folder: Path) -> None:
    """The file is loaded where its number is free, and where it is not."""
    page.get_by_role("link", name="Half Thou, to the rack").click()
    twin, bad = folder / "twin.json", folder / "bad.json"
    data = json.loads(text)
    data["job"]["number"] = "900"
    twin.write_text(json.dumps(data), encoding="utf-8")
    data["job"]["readings"][5]["size"] = "2.0"
    bad.write_text(json.dumps(data), encoding="utf-8")
    page.get_by_label("Job file").set_input_files(bad)
    expect(page.get_by_role("alert")).to_contain_text("job.readings.5.size")
    page.get_by_label("Job file").set_input_files(twin)
    page.get_by_test_id("verdict").wait_for()
    page.get_by_role("link", name="Sheet").click()
    expect(page.get_by_text("made elsewhere")).to_be_visible()
    expect(page.get_by_role("region", name="Rod journals").get_by_role("heading").first).to_contain_text(
        "0.010 under"
    )
