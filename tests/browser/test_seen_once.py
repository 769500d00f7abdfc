"""What is seen is written down once: an answer given on any page is answered on all."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

ENGINE = "Tide gate winch engine"


def look_on_the_board(page: Page, name: str) -> None:
    page.get_by_role("link", name="Evidence", exact=True).click()
    page.get_by_role("navigation", name="Evidence").get_by_role("link", name=re.compile("^Looks")).click()
    page.get_by_role("navigation", name="Looks").get_by_role("button", name=re.compile(f"^{name}")).click()


def test_an_answer_on_any_page_is_answered_on_all(enter: Callable[..., Page]) -> None:
    """Rule: looks.once. Source: common practice, no source: who looked need not look again for another page."""
    page = enter("machinist", ENGINE)
    hand = page.get_by_role("region", name="The look in hand")

    # At the bench; then it stands on the board.
    page.get_by_role("link", name="Bench", exact=True).click()
    page.get_by_role("button", name=re.compile("^Oil pump")).first.click()
    page.get_by_label(re.compile("^inside")).select_option("dry")
    look_on_the_board(page, "Pump opened: wet or dry")
    expect(hand.get_by_role("button", name=re.compile(r"^\d dry$"))).to_have_attribute("aria-pressed", "true")
    expect(hand.get_by_role("list", name="What was said")).to_contain_text("machinist")

    # On the board; then the order asks it no more, and the bench judges by it.
    look_on_the_board(page, "Crank indicated at every main")
    hand.get_by_role("button", name=re.compile(r"^\d bent$")).click()
    expect(hand.get_by_role("list", name="What was said")).to_contain_text("bent")
    page.get_by_role("link", name="Door", exact=True).click()
    page.wait_for_url(re.compile("/door$"))
    page.get_by_role("link", name=re.compile("^Looks")).click()
    taken = page.get_by_role("region", name="Looks taken").get_by_role("listitem")
    indicated = taken.filter(has_text="Crank out and run on its ends")
    expect(indicated).to_contain_text("found: bent")
    expect(indicated).to_contain_text("on the board or the bench")
    order = page.get_by_role("region", name="The order of looks")
    expect(order).not_to_contain_text("Crank out and run on its ends")
    page.get_by_role("link", name="Bench", exact=True).click()
    page.get_by_role("button", name=re.compile("^Crank")).first.click()
    expect(page.get_by_label(re.compile("^straightness"))).to_have_value("bent")

    # In the order of looks; then it stands on the board.
    page.get_by_role("link", name="Door", exact=True).click()
    page.get_by_role("link", name=re.compile("^Looks")).click()
    for _ in range(15):
        name = hand.get_by_role("heading").inner_text()
        if name == "Oil drained, seen and smelt":
            break
        hand.get_by_role("button", name=re.compile("(looked, nothing|holds cold|passed)$")).click()
        hand.get_by_role("button", name="Write it down").click()
        expect(taken.filter(has_text=name)).to_be_visible()
        expect(hand.get_by_role("heading")).not_to_have_text(name)
    hand.get_by_role("button", name=re.compile(r"^\d milky$")).click()
    hand.get_by_role("button", name="Write it down").click()
    expect(taken.filter(has_text="Oil drained, seen and smelt")).to_contain_text("milky")
    look_on_the_board(page, "Oil as it looks and smells")
    expect(hand.get_by_role("button", name=re.compile(r"^\d milky$"))).to_have_attribute("aria-pressed", "true")
