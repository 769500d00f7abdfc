"""Two engines from the door to the report: a starved four and a V8 with mixed caps. No question is asked twice, and
both reports are read to their end, on the page and as PDF. Common practice, no source."""

from __future__ import annotations

import re
from collections.abc import Callable

import pypdfium2
from playwright.sync_api import Locator, Page, expect

from tests.browser.test_evidence import region, to
from tests.serving import Server


def say(page: Page, topic: str, *answers: str) -> None:
    """One question at the door, answered by its keys."""
    group = page.get_by_role("group", name=topic, exact=True)
    for answer in answers:
        group.get_by_role("button", name=answer, exact=True).click()


def book_in(page: Page, title: str, sheet: str, door: dict[str, tuple[str, ...]]) -> None:
    page.get_by_role("link", name="Book in an engine").click()
    page.get_by_label("Engine or machine").fill(title)
    for topic, answers in door.items():
        say(page, topic, *answers)
    options = page.get_by_label("Limits sheet").get_by_role("option").all_inner_texts()
    page.get_by_label("Limits sheet").select_option(label=next(one for one in options if sheet in one))
    page.get_by_role("button", name="Book in and look").click()
    page.get_by_role("heading", name="Which look first").wait_for()


def grade(page: Page, letters: str) -> None:
    """The bearing map by keyboard: a letter a half, the arrow moves on."""
    page.get_by_role("link", name="Evidence", exact=True).click()
    expect(page.get_by_role("group", name="Half bearings, from the front")).to_be_visible()
    for letter in letters:
        page.keyboard.press(letter)
        page.keyboard.press("ArrowDown")
    expect(page.get_by_role("link", name=re.compile("^Bearings and oil"))).to_contain_text("all graded")


def next_name(page: Page) -> str:
    """The look that is offered next; "" where none is."""
    panel = region(page, "Look next")
    return panel.get_by_role("heading").inner_text().removeprefix("Look next: ") if panel.count() else ""


def answer_all(page: Page, answers: dict[str, str], most: int) -> list[str]:
    """Take the look that is offered next, again and again; gives the looks in the order they were asked."""
    asked: list[str] = []
    for _ in range(most):
        name = next_name(page)
        if not name:
            break
        assert name not in asked, f"{name} is asked twice"
        assert name in answers, f"no answer to {name}"
        asked.append(name)
        region(page, "Look next").get_by_role("link", name="Take it").click()
        hand = region(page, "The look in hand")
        expect(hand.get_by_role("heading").first).to_have_text(name)
        hand.get_by_role("button", name=re.compile(rf"^(\d )?{re.escape(answers[name])}$")).first.click()
        expect(hand.get_by_role("list", name="What was said")).to_contain_text(answers[name])
        expect(page.get_by_role("heading", name=f"Look next: {name}", exact=True)).to_have_count(0)
    return asked


def words_of_pdf(page: Page, server: Server) -> str:
    address = page.get_by_role("link", name="PDF").get_attribute("href")
    document = pypdfium2.PdfDocument(page.request.get(f"{server.url}{address}").body())
    text = " ".join(document[n].get_textpage().get_text_range() for n in range(len(document)))
    return " ".join(text.split())


def read_to_the_end(sheet: Locator, paper: str, sections: tuple[str, ...]) -> None:
    """Each section stands on the page and on paper, in that order."""
    headings = [one.split(", by")[0] for one in sheet.get_by_role("heading").all_inner_texts()]
    assert [one for one in headings if one in sections] == list(sections)
    # On paper what is known, likely and open stands under the cause.
    on_paper = [paper.find(one) for one in sections if one not in ("Known", "Likely or possible", "Open")]
    assert -1 not in on_paper
    assert on_paper == sorted(on_paper)


def test_a_starved_four_from_the_door_to_the_report(enter: Callable[..., Page], server: Server) -> None:
    """Four of four rods melted, mains wiped: supply in front, the screen settles it, its carbon is asked for."""
    page = enter("machinist")
    book_in(page, "Pilot cutter Sanderling", "Tolby 4/142", {
        "The complaint falls under": ("low pressure",), "Turns by hand": ("free",),
        "Oil as it came": ("level right", "thick"), "Run since it was last opened": ("many hours",),
        "Carried over from an engine before": ("none",), "Signs of earlier hands": ("none seen",),
        "Oil sample": ("drawn now",),
    })  # fmt: skip
    grade(page, "WWMMWWMMWWMMWWMMWW")
    asked = answer_all(page, {
        "Screen, before it is cleaned": "blocked", "What lay in screen and pan": "carbon",
        "Breather and injector seats": "a seat or the breather leaks", "Small oil ways, for sludge": "ways open",
        "What got hot: hardness, crack test, size": "soft or cracked",
    }, 4)  # fmt: skip
    assert asked[0] == "Screen, before it is cleaned"
    assert "Breather and injector seats" in asked
    assert not {"Oil level on arrival", "Parts carried over", "Earlier hands", "Hours since it was last opened"} & {
        *asked
    }
    expect(region(page, "What did this").get_by_role("listitem").first).to_contain_text("proved")
    to(page, "Report")
    page.get_by_label("Answer wanted by").fill("2031-05-09")
    page.get_by_role("button", name="Send report 1").click()
    page.get_by_role("button", name=re.compile("^Report 1, machinist")).click()
    sheet, paper = page.get_by_role("article", name="Report 1"), words_of_pdf(page, server)
    read_to_the_end(sheet, paper, (
        "What came", "What we found", "Known", "Open", "What it means for the engine",
        "What it has cost, and what each way on would", "What we ask of you", "What happens next",
    ))  # fmt: skip
    for words in (
        "Alder Quay Engine Works", "Bearing of rod 1: upper half melted", "Screen, before it is cleaned: blocked",
        "Pickup blocked: proved by", "9 May 2031", "Looked at and measured by machinist",
    ):  # fmt: skip
        expect(sheet).to_contain_text(words)
        assert words in paper, words
    assert "Nothing bad was found" not in paper


def test_an_eight_with_mixed_caps_from_the_door_to_the_report(enter: Callable[..., Page], server: Server) -> None:
    """Caps 3 and 7 exchanged: the numbers disagree at the strip, every pair is suspect, and measured."""
    page = enter("machinist")
    book_in(page, "Breakwater crane", "Morrick V8", {
        "The complaint falls under": ("knock",), "Turns by hand": ("tight all round",),
        "Oil as it came": ("level right",), "Run since it was last opened": ("few hours",),
        "Carried over from an engine before": ("none",), "Signs of earlier hands": ("mixed bolts",),
        "Oil sample": ("drawn now",),
    })  # fmt: skip
    page.get_by_role("link", name="Strip", exact=True).click()
    for rod, cap in (("3", "7"), ("7", "3")):
        listed = region(page, "Strip list")
        listed.get_by_role("button", name=re.compile(f"^Rod {rod}, its cap and piston {rod} marked")).click()
        hand = region(page, "The step in hand")
        hand.get_by_label(f"found on rod {rod}").fill(rod)
        hand.get_by_label(f"found on cap {rod}").fill(cap)
        hand.get_by_role("button", name="Done").click()
    expect(page.get_by_role("alert", name="Said at once")).to_contain_text("Rod 7 bears 7, its cap 3")
    grade(page, "OO" * 5 + "LL" * 8)
    expect(region(page, "What did this").get_by_role("listitem").first).to_contain_text("Caps exchanged")
    asked = answer_all(page, {
        "Every rod with its cap: numbers, joint, size": "numbers disagree",
        "What got hot: hardness, crack test, size": "hard, no crack, to size",
        "Rods and caps by eye": "sound",
    }, 2)  # fmt: skip
    assert "Every rod with its cap: numbers, joint, size" in asked
    to(page, "Report")
    sheet, paper = page.get_by_role("article"), words_of_pdf(page, server)
    read_to_the_end(sheet, paper, (
        "What came", "What we found", "Known", "Open", "What it means for the engine",
        "What it has cost, and what each way on would", "What we ask of you", "What happens next",
    ))  # fmt: skip
    for words in ("Draft, not sent", "Caps exchanged: proved by"):
        expect(sheet).to_contain_text(words)
        assert words in paper, words
    assert "Nothing bad was found" not in paper
