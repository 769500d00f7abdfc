"""One engine through bores, pistons, rings and pump: a piston read at the wrong place and mended, a ring filed, a
pump rejected by eye and a new one measured, to one signed sheet with its pairing and its ring list."""

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.at_the_bench import looks_sound
from tests.serving import Server

BORE = ("3.5630", "3.5627", "3.5628", "3.5626", "3.5626", "3.5625", "3.5624")
#: Spot by spot as the bench leads: pin bore, pin, two grooves, weight.
REST = (*["0.9151"] * 4, *["0.9148"] * 3, "2", "2.5", "1.5", "2", "512.4")


def book_in(page: Page) -> None:
    page.get_by_role("link", name="Book in an engine").click()
    page.get_by_label("Engine or machine").fill("Ballast plough 2")
    page.get_by_label("Limits sheet").select_option(label="Tolby 4/142, petrol four, revision 1")
    page.get_by_label("What the engine is used for").select_option("stationary")
    for crank in ("main journals", "rod journals"):
        page.get_by_role("checkbox", name=crank, exact=True).uncheck()
    page.get_by_role("button", name="Book in and measure").click()
    page.get_by_test_id("verdict").wait_for()


def type_all(page: Page, texts: tuple[str, ...]) -> None:
    """Type what the gauges say, Enter by Enter, as the bench leads; each is shown before the next is typed."""
    page.locator("[data-entry]").click()
    for text in texts:
        entry = page.locator("[data-entry]")
        expect(entry).to_be_focused()
        expect(entry).to_have_value("")
        page.keyboard.type(text)
        page.keyboard.press("Enter")


def pick(page: Page, name: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{name}[,:]")).click()
    expect(page.get_by_role("heading", name=re.compile(f"^{name}"), level=2)).to_be_visible()


def look(page: Page, answers: dict[str, str]) -> None:
    for what, answer in answers.items():
        choice = page.get_by_role("combobox", name=what, exact=True)
        choice.select_option(answer)
        expect(choice).to_have_value(answer)


def read_bores(page: Page) -> None:
    for number in range(1, 5):
        pick(page, f"Bore {number}")
        type_all(page, BORE)
        look(page, {"bore wall": "cross-hatch seen"})


def read_pistons(page: Page) -> None:
    page.get_by_role("button", name=re.compile("^Pistons and rings")).click()
    for number in range(1, 5):
        pick(page, f"Piston {number}")
        look(page, {"skirts": "clean", "lands": "sound", "crown": "evenly sooted"})
        if number == 2:
            type_all(page, ("3.5321",))
            asked = page.get_by_role("group", name="A question about the reading")
            expect(asked).to_contain_text("square to the pin")
            page.get_by_role("button", name="F4 Type it again").click()
            page.locator("[data-entry]").fill("3.5605")
            page.keyboard.press("Enter")
        else:
            type_all(page, ("3.5604",))
        type_all(page, REST)
        expect(page.get_by_test_id("verdict")).to_have_text("Reuse")


def read_rings(page: Page) -> None:
    for cylinder in range(1, 5):
        for ring, gap in (("Top ring", "12" if cylinder == 3 else "19"), ("Second ring", "21"), ("Oil ring", "17")):
            pick(page, f"{ring}, cylinder {cylinder}")
            type_all(page, (gap,))
            looks_sound(page)
    pick(page, "Top ring, cylinder 3")
    expect(page.get_by_label("Verdict")).to_contain_text("file 0.0020 off, to 0.0140")
    page.get_by_role("button", name="Work done").click()
    expect(page.get_by_label("What was done")).to_have_value("ring gap filed")
    page.get_by_label("Done to").select_option("Top 3 alone")
    page.get_by_role("button", name="Write it down").click()
    page.get_by_role("button", name="Yes, write it down").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    type_all(page, ("0.010+0.005",))
    expect(page.get_by_test_id("verdict")).to_have_text("Reuse")


def change_the_pump(page: Page) -> None:
    page.get_by_role("button", name=re.compile("^Oil pump")).first.click()
    look(page, {"pump housing": "scored, nail catches"})
    expect(page.get_by_test_id("verdict")).to_have_text("Replace")
    expect(page.get_by_label("Verdict")).to_contain_text("rejected by eye")
    page.get_by_role("button", name="Pieces").click()
    page.get_by_label("part number, where from").fill("TB-142-OP")
    page.get_by_role("button", name="Bring in one oil pump").click()
    page.get_by_label("Pump S1 lies as").select_option("pump")
    expect(page.get_by_label("Pump lies as", exact=True)).to_have_value("")
    page.get_by_role("button", name="Close").click()
    page.get_by_role("button", name=re.compile("^Oil pump S1")).click()
    expect(page.get_by_role("heading", name="Oil pump S1", level=2)).to_be_visible()
    good = {
        "pump housing": "smooth", "gears or rotors": "sound", "drive": "sound",
        "relief valve": "falls by its own weight",
    }  # fmt: skip
    look(page, good)
    page.get_by_role("button", name=re.compile(r"more looks?")).click()
    look(page, {"metal": "none found", "which pump": "its own"})
    type_all(page, ("2", "2", "2", "2.5", "8", "0", "0.4990", "0.4990", "0.5005", "0.5005", "1.752", "45"))
    expect(page.get_by_test_id("verdict")).to_have_text("Reuse")


def test_pistons_rings_and_pump_to_one_signed_sheet(enter: Callable[..., Page], server: Server) -> None:
    """Common practice, no source: the eye rejects, figures accept; a gap is filed and read again; a new pump is
    measured before it counts."""
    page = enter("machinist")
    book_in(page)
    read_bores(page)
    read_pistons(page)
    read_rings(page)
    change_the_pump(page)

    page.get_by_role("link", name="Sheet").click()
    card = page.get_by_role("region", name="Pistons", exact=True)
    expect(card.get_by_role("table", name="Piston map")).to_contain_text("3.5605")
    expect(page.get_by_role("table", name="Ring gaps")).to_contain_text("0.0150")
    expect(page.get_by_role("table", name="Figures of Oil pump S1")).to_contain_text("45.0 N")
    for name in ("Cylinder bores", "Pistons", "Piston rings", "Oil pump"):
        region = page.get_by_role("region", name=name, exact=True)
        region.get_by_role("button", name=re.compile("^Accept for")).click()
        expect(region).to_contain_text("Accepted by machinist")
    page.get_by_role("button", name="Sign the sheet").click()
    expect(page.get_by_role("dialog")).not_to_contain_text("Not everything on it is settled")
    page.get_by_role("button", name="Yes, sign it").click()
    page.get_by_role("heading", name="Decision sheet, revision 1, signed").wait_for()
    address = page.get_by_role("link", name="Print").first.get_attribute("href")
    printed = page.request.get(f"{server.url}{address}").text()
    assert "Piston map" in printed and "Ring gaps" in printed and "Pump S1" in printed
