"""The strip of engines as they are: an overhead-cam four to the last place by keys; a boxer and a side-valve engine
from half stripped; an engine described from nothing; the house's list changed."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from tests.serving import Server

Enter = Callable[..., Page]
STEP = "The step in hand"


def strip(enter: Enter, title: str, who: str = "machinist", page_of: str = "") -> Page:
    """Open the strip of a job by its title."""
    page = enter(who, title)
    page.goto(re.sub(r"(/jobs/\d+).*", rf"\1/strip{page_of}", page.url))
    return page


def left(page: Page) -> int:
    """How many steps are left, as the tab says."""
    text = page.get_by_role("link", name=re.compile("^Steps")).inner_text()
    return int(found[1]) if (found := re.search(r"(\d+) left", text)) else 0


def go_on(page: Page, most: int) -> None:
    """Enter for each step; what is asked first is answered: marked as listed, or done all the same."""
    hand = page.get_by_role("region", name=STEP)
    for _ in range(most):
        if not hand.is_visible():
            return
        before = hand.get_by_role("heading").inner_text()
        # The page listens once it is drawn: a key struck before that is struck again.
        page.wait_for_timeout(30)
        page.keyboard.press("Enter")
        asked = page.get_by_label("All the same, because")
        marked = page.get_by_role("button", name="Marked as listed, and done")
        following = page.get_by_text("The list is done: the engine is apart.")
        changed = hand.get_by_role("heading").filter(has_not_text=re.compile(f"^{re.escape(before)}$"))
        changed.or_(asked).or_(marked).or_(following).first.wait_for()
        if marked.is_visible():
            marked.press("Enter")
        elif asked.is_visible():
            asked.fill("photographed, written down after")
            page.get_by_role("button", name=re.compile("all the same$")).press("Enter")
        if following.is_visible():
            return
        page.wait_for_function(
            "before => document.querySelector(\"section[aria-label='The step in hand'] h2\")?.innerText !== before",
            arg=before,
        )


def test_an_overhead_cam_four_is_stripped_to_the_last_place_by_keys(enter: Enter) -> None:
    """Common practice, no source: with the drive off and valves in place the crank is not turned: the list asks for
    the head first, and every part ends in a place of its own."""
    page = strip(enter, "Ferry Sandpiper")
    hand = page.get_by_role("region", name=STEP)
    expect(hand.get_by_role("heading")).to_have_text(re.compile("locked where they stand"))
    # Out of turn: what holds it is named, and why.
    page.get_by_role("button", name=re.compile("^Turn the crank: rods 1 and 4")).click()
    expect(hand.get_by_text(re.compile("First: Head off, gasket kept"))).to_be_visible()
    hand.get_by_role("heading").click()
    page.keyboard.press("Enter")
    expect(page.get_by_text("Something still holds it")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Crank and cams locked")).click()
    hand.get_by_role("heading").click()
    go_on(page, 160)
    expect(page.get_by_text("The list is done: the engine is apart.")).to_be_visible()
    assert left(page) == 0
    page.goto(page.url + "/marks")
    expect(page.get_by_text("not off yet")).to_have_count(0)


def test_a_boxer_from_half_stripped_ends_with_its_rods_on_the_bench(enter: Enter) -> None:
    """Common practice, no source: barrels, pins, case, crank with its rods, then the rods."""
    page = strip(enter, "Hay tower blower")
    hand = page.get_by_role("region", name=STEP)
    expect(hand.get_by_role("heading")).to_have_text("Barrel 3 and piston 3 marked")
    texts = page.get_by_role("region", name="Strip list").get_by_role("button").all_inner_texts()
    order = [next(n for n, text in enumerate(texts) if one in text) for one in (
        "Barrel 4 drawn off", "Piston pin 4 out", "Case bolts", "Case halves parted",
        "Crank lifted out with its rods", "Cap of rod 4 off")]  # fmt: skip
    assert order == sorted(order)
    assert not any("Cap of main" in text for text in texts)
    go_on(page, 90)
    expect(page.get_by_text("The list is done: the engine is apart.")).to_be_visible()


def test_a_side_valve_engine_described_from_nothing_is_stripped_from_half(enter: Enter, server: Server) -> None:
    """Described in the browser, taken up by a job, half apart as it came. Common practice, no source: springs
    compressed, valves, then the cam, then its tappets."""
    page = enter("machinist")
    page.goto(server.url + "/limits/engines/new")
    page.get_by_label("Begin with the nearest").select_option("Four, push rods")
    page.get_by_label("The engine's name").fill("Hobden 4 SV")
    page.get_by_role("button", name="radial", exact=True).click()
    expect(page.get_by_text(re.compile("Half Thou does not judge radial engines")).first).to_be_visible()
    page.get_by_role("button", name="inline", exact=True).click()
    page.get_by_role("button", name="side valves").click()
    page.get_by_role("button", name="aviation").click()
    page.get_by_role("button", name="Keep the description").click()
    expect(page.get_by_text(re.compile("licensed shop")).first).to_be_visible()
    page.get_by_role("button", name="land, boats and plant").click()
    page.get_by_role("button", name="Keep the description").click()
    page.wait_for_url(re.compile(r"/limits/engines/\d+$"))

    page = strip(enter, "Locomotive 3", page_of="/engine")
    page.get_by_label("Another").select_option(label="Hobden 4 SV, revision 1")
    page.get_by_role("button", name="Take it up").click()
    expect(page.get_by_text("Taken up.")).to_be_visible()
    page.get_by_role("link", name=re.compile("^Steps")).click()
    hand = page.get_by_role("region", name=STEP)
    rows = page.get_by_role("region", name="Strip list").get_by_role("button")
    rows.filter(has_text="Head off, gasket kept").click()
    hand.get_by_role("button", name=re.compile("^Done")).click()
    hand.get_by_role("button", name="It was off already").click()
    # The exhaust could still come off before it: that is asked by itself.
    expect(hand.get_by_text(re.compile("^Comes first: Exhaust and turbo off"))).to_be_visible()
    hand.get_by_label("All the same, because").fill("it came without its exhaust")
    hand.get_by_role("button", name="Done all the same").click()
    expect(rows.filter(has_text="Head: bolts let go")).to_have_accessible_name(re.compile("done$"))
    texts = rows.all_inner_texts()
    order = [next(n for n, text in enumerate(texts) if one in text) for one in (
        "Head off", "Valve out, cylinder 4 exhaust", "Camshaft out", "Tappet out, cylinder 1 inlet")]  # fmt: skip
    assert order == sorted(order)
    rows.filter(has_text="Photograph it all round").click()
    hand.get_by_role("heading").click()
    go_on(page, 160)
    expect(page.get_by_text("The list is done: the engine is apart.")).to_be_visible()


def test_the_house_edits_its_list(enter: Enter) -> None:
    """What the rules forbid is refused in words; a step of one's own stands in the list and goes again."""
    page = strip(enter, "Dragline 2")
    page.get_by_role("button", name=re.compile("^Pan off")).click()
    page.get_by_role("button", name="Change the list").click()
    sheet = page.get_by_role("dialog", name="Change the list")
    sheet.get_by_label("Do it right after").select_option(label="Cap of rod 1 off")
    sheet.get_by_role("button", name="Keep").click()
    expect(sheet.get_by_text("That order cannot be", exact=False)).to_be_visible()
    expect(sheet.get_by_text(re.compile("Cap of rod 1 off comes after Pan off: the pan covers it"))).to_be_visible()
    sheet.get_by_label("Do it right after").select_option("")
    sheet.get_by_label("A step of your own, right after this one").fill("Weigh what lies in the pan")
    sheet.get_by_role("button", name="Keep", exact=True).click()
    own = page.get_by_role("button", name=re.compile("^Weigh what lies in the pan"))
    expect(own).to_be_visible()
    own.click()
    page.get_by_role("button", name="Change the list").click()
    page.get_by_role("button", name="Take this step out").click()
    expect(own).to_have_count(0)


@pytest.mark.parametrize("width", [1280, 1024, 800, 390])
def test_no_page_of_the_engine_is_wider_than_its_window(enter: Enter, server: Server, width: int) -> None:
    page = enter("machinist")
    page.set_viewport_size({"width": width, "height": 800})
    page.goto(server.url + "/limits/engines/new")
    page.get_by_label("The engine's name").wait_for()
    assert page.evaluate("document.documentElement.scrollWidth") <= width
    page = strip(enter, "Dragline 2", page_of="/engine")
    page.get_by_role("heading", name="What is on and what is off").wait_for()
    assert page.evaluate("document.documentElement.scrollWidth") <= width
