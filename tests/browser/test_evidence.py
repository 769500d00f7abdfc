"""Engines whose evidence is read in the browser: one with an ugly story to its signed sheet, one signed with its
cause open, one that a contaminated part comes to."""

from __future__ import annotations

import io
import re
from collections.abc import Callable

import pypdfium2
from PIL import Image
from playwright.sync_api import Locator, Page, expect

from tests.serving import Server

#: Both halves of each bearing along the shaft of a three: mains have fine lines, rods are gone.
LETTERS = "LLCMLLCCLLCCLL"


def region(page: Page, name: str) -> Locator:
    return page.get_by_role("region", name=name, exact=True)


def standing(page: Page) -> list[str]:
    """The causes that the panel shows, best first."""
    panel = region(page, "What did this")
    return panel.get_by_role("listitem").get_by_role("strong").all_inner_texts()


def complain(page: Page, kind: str) -> None:
    page.get_by_role("link", name="Door", exact=True).click()
    page.get_by_role("group", name="The complaint falls under", exact=True).get_by_role("button", name=kind).click()
    page.get_by_role("link", name="Evidence", exact=True).click()


def take_look(page: Page, name: str, answer: str) -> None:
    """A look of the list, answered by the key beside its answer."""
    page.get_by_role("navigation", name="Evidence").get_by_role("link", name=re.compile("^Looks")).click()
    page.get_by_role("navigation", name="Looks").get_by_role("button", name=re.compile(f"^{name}")).click()
    hand = region(page, "The look in hand")
    shown = hand.get_by_role("button", name=re.compile(f"^\\d {answer}$"))
    key = shown.inner_text()[0]
    hand.get_by_role("heading").click()
    page.keyboard.press(key)
    expect(shown).to_have_attribute("aria-pressed", "true")
    expect(hand.get_by_role("list", name="What was said")).to_contain_text(answer)


def to(page: Page, tab: str) -> None:
    page.get_by_role("navigation", name="Evidence").get_by_role("link", name=re.compile(f"^{tab}")).click()


def drawn() -> bytes:
    out = io.BytesIO()
    Image.effect_noise((320, 240), 60).convert("RGB").save(out, "JPEG")
    return out.getvalue()


def test_an_engine_is_read_from_its_bearings_to_its_signed_sheet(
    enter: Callable[..., Page], server: Server
) -> None:
    """Common practice, no source: all rods gone and the mains fair is a matter of supply; the screen is looked at
    before it is cleaned, and ends the doubt; what metal went through is on a list; the gate opens on a remedy."""
    page = enter("machinist", "Harbour launch Dunlin")
    complain(page, "low pressure")

    # The map, by keyboard alone: a letter a grade, the arrow moves on.
    expect(page.get_by_role("group", name="Half bearings, from the front")).to_be_visible()
    for letter in LETTERS:
        page.keyboard.press(letter)
        page.keyboard.press("ArrowDown")
    page.keyboard.press("1")  # where the last one is worn
    expect(page.get_by_role("link", name=re.compile("^Bearings and oil"))).to_contain_text("all graded")
    expect(region(page, "The oil's way")).to_contain_text("short of oil")
    half = page.get_by_role("button", name=re.compile("^Half bearing of rod 1, lower: melted"))
    half.click()
    page.get_by_role("group", name="Pictures of Half bearing of rod 1, lower").locator(
        "input[type=file]"
    ).first.set_input_files({"name": "shell.jpg", "mimeType": "image/jpeg", "buffer": drawn()})

    # From several to one by the look that comes next.
    expect(region(page, "What did this").get_by_role("listitem")).to_have_count(3)
    assert "Pickup blocked" in standing(page)
    expect(region(page, "Look next")).to_contain_text("Screen, before it is cleaned")
    expect(region(page, "Look next")).to_contain_text("It goes with it")
    region(page, "Look next").get_by_role("link", name="Take it").click()
    expect(region(page, "The look in hand").get_by_role("heading")).to_have_text("Screen, before it is cleaned")
    page.keyboard.press("5")  # blocked
    expect(region(page, "What did this").get_by_role("listitem").first).to_contain_text("proved")
    assert standing(page)[0] == "Pickup blocked"
    assert "Relief valve stuck" not in standing(page)

    # What no cause explains stands by itself.
    take_look(page, "Ports", "wet")
    expect(region(page, "What did this")).to_contain_text("ports wet, crowns dry elsewhere")

    # What metal went through; and a cooler that goes to another engine takes it along.
    to(page, "Metal")
    expect(page.get_by_role("heading", name=re.compile("^Metal of Rod 1, Rod 2, Rod 3"))).to_be_visible()
    page.get_by_role("button", name="Pan: washed").click()
    expect(page.get_by_role("listitem").filter(has_text="Wash pan and baffles")).to_contain_text(
        "washed (machinist)"
    )
    page.get_by_role("button", name="A used part leaves or came").click()
    page.get_by_label("Which part").fill("Oil cooler")
    page.get_by_label("For which job").fill("42")
    page.get_by_role("button", name="Write it down").click()
    expect(region(page, "Parts between engines")).to_contain_text("Oil cooler left for job 42")

    # A report, and a second one that says what is new.
    to(page, "Report")
    page.get_by_label("Words to the customer").fill("First look.")
    page.get_by_role("button", name="Send report 1").click()
    expect(page.get_by_role("button", name=re.compile("^Report 1, machinist"))).to_be_visible()
    take_look(page, "What lay in screen and pan", "carbon")
    to(page, "Report")
    page.get_by_role("button", name="Send report 2").click()
    page.get_by_role("button", name=re.compile("^Report 2, machinist")).click()
    sheet = page.get_by_role("article", name="Report 2")
    expect(sheet.get_by_role("heading", name="New since the report before")).to_be_visible()
    expect(sheet).to_contain_text("What lay in screen and pan: carbon")
    pdf = page.request.get(f"{server.url}{page.get_by_role('link', name='PDF').get_attribute('href')}")
    document = pypdfium2.PdfDocument(pdf.body())
    text = "".join(document[n].get_textpage().get_text_range() for n in range(len(document)))
    assert "Strip report 2" in text
    assert "Pickup blocked" in text
    objects = [one for n in range(len(document)) for one in document[n].get_objects()]
    assert any(one.type == pypdfium2.raw.FPDF_PAGEOBJ_IMAGE for one in objects)

    # The gate: found, not yet removed; then removed.
    to(page, "Cause")
    expect(region(page, "The gate")).to_contain_text("Found and not yet removed: Pickup blocked")
    region(page, "Pickup blocked").get_by_role("button", name="What removes it").click()
    page.get_by_role("button", name="a new part").click()
    page.get_by_label("Which part").fill("new pickup, breather made tight")
    page.get_by_role("button", name="Keep it").click()
    expect(region(page, "The gate")).to_contain_text("Removed: Pickup blocked: new pickup")
    expect(region(page, "The gate")).to_contain_text("what made it is not known yet")

    # One crank: indicated and crack-tested before any of it is accepted.
    page.get_by_role("link", name="Bench", exact=True).click()
    page.get_by_label(re.compile("^straightness")).select_option("within the maker's run-out")
    page.get_by_label(re.compile("^crack test")).select_option("passed")
    expect(page.get_by_label("Verdict")).not_to_contain_text("Nothing of this crank goes back")
    page.get_by_role("link", name="Sheet", exact=True).click()
    page.get_by_role("button", name="Accept for rods").click()
    page.get_by_role("button", name="Sign the sheet").click()
    # Metal still lies in the oil's way: somebody answers for that by name.
    expect(page.get_by_role("button", name="Yes, sign it")).to_be_disabled()
    page.get_by_role("dialog").get_by_role("textbox").first.fill("The rest is washed with the block on Monday.")
    expect(page.get_by_role("button", name="Yes, sign it")).to_be_disabled()
    page.get_by_role("button", name=re.compile("^The same for the")).click()
    page.get_by_role("button", name="Yes, sign it").click()
    expect(page.get_by_role("heading", name=re.compile("signed$"))).to_be_visible()
    expect(page.get_by_text("Removed: Pickup blocked: new pickup, breather made tight (machinist)")).to_be_visible()


def test_the_job_a_contaminated_part_comes_to_says_so(enter: Callable[..., Page]) -> None:
    page = enter("bench", "Sprayer pump")
    expect(page.get_by_text(re.compile("Oil cooler came out of job 43: metal of Rod 1"))).to_be_visible()
    page.get_by_role("link", name="Evidence", exact=True).click()
    to(page, "Metal")
    item = page.get_by_role("listitem").filter(has_text="Renew it, or wash it through")
    item.get_by_role("button", name="Oil cooler: renewed").click()
    expect(item).to_contain_text("renewed (bench)")
    page.get_by_role("link", name="Bench", exact=True).click()
    expect(page.get_by_text(re.compile("Oil cooler came out of job 43"))).to_have_count(0)


def test_an_engine_whose_cause_stays_open_is_signed_with_words_for_it(
    enter: Callable[..., Page], server: Server
) -> None:
    """Common practice, no source: no engine is closed up with its cause inside unless somebody signs for that."""
    page = enter("machinist", "Quarry water pump, set 2")
    complain(page, "knock")
    take_look(page, "Screen, before it is cleaned", "clear")
    to(page, "Cause")
    page.get_by_role("button", name="Leave it open").click()
    page.get_by_label("Why").fill("Nothing is left to look at.")
    page.get_by_role("button", name="Keep it").click()
    expect(region(page, "The gate")).to_contain_text("Left open by machinist: Nothing is left to look at.")
    page.get_by_role("link", name="Sheet", exact=True).click()
    page.get_by_role("button", name="Accept for mains").click()
    page.get_by_role("button", name="Sign the sheet").click()
    sign = page.get_by_role("button", name="Yes, sign it")
    expect(sign).to_be_disabled()
    answer = page.get_by_label("Left open by machinist: Nothing is left to look at.")
    answer.fill("Quarry told in writing; ten hours on the gauge.")
    sign.click()
    expect(page.get_by_text(re.compile("Nothing is left to look at. Quarry told in writing"))).to_be_visible()
    paper = page.request.get(f"{server.url}{page.get_by_role('link', name='PDF').first.get_attribute('href')}")
    document = pypdfium2.PdfDocument(paper.body())
    text = "".join(document[n].get_textpage().get_text_range() for n in range(len(document)))
    assert "Quarry told in writing; ten hours on the gauge." in " ".join(text.split())
