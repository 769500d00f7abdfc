"""A part's name pressed on any page opens its one card."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect


def test_a_rod_is_pressed_on_the_map_in_the_tray_and_on_the_bench(enter: Callable[..., Page]) -> None:
    page = enter("machinist")
    page.get_by_role("link", name=re.compile("Tide gate winch engine")).click()
    page.get_by_role("link", name="Evidence", exact=True).click()
    page.get_by_role("group", name="Half bearings, from the front").get_by_role("link", name="Rod 3").click()
    card = page.get_by_role("dialog", name="Rod of cylinder 3")
    beside = card.get_by_role("region", name="Lies with")
    expect(beside.get_by_text("C: copper through").first).to_be_visible()
    page.keyboard.press("G")
    beside.get_by_role("link", name="Half bearing of rod 3, upper").click()
    expect(page.get_by_role("dialog", name="Half bearing of rod 3, upper")).to_be_visible()
    page.keyboard.press("Escape")
    in_hand = page.get_by_role("group", name="Grade", exact=True).get_by_role("button", pressed=True)
    expect(in_hand).to_have_text(re.compile("as new"))  # A letter on the open card grades nothing behind it.

    page.get_by_role("group", name="Half bearings, from the front").get_by_role("link", name="Rod 3").click()
    beside.get_by_role("link", name="Half bearing of rod 3, upper").click()
    half = page.get_by_role("dialog", name="Half bearing of rod 3, upper")
    expect(half.get_by_role("region", name="Seen")).to_contain_text("Overlay: copper through")
    half.get_by_role("link", name="Rod journal No. 3").click()
    pin = page.get_by_role("dialog", name="Rod journal No. 3")
    expect(pin.get_by_role("region", name="Waits for")).to_contain_text("8 readings")
    pin.get_by_role("button", name="Measure").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.get_by_role("heading", name="Rod journal No. 3")).to_be_visible()

    page.get_by_role("heading", name="Rod journal No. 3").get_by_role("link").click()
    expect(page.get_by_role("dialog", name="Rod journal No. 3")).to_be_visible()
    page.keyboard.press("Escape")
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page).to_have_url(re.compile(r"/jobs/\d+(\?part=R3)?$"))

    page.get_by_role("link", name="Strip", exact=True).click()
    page.get_by_role("link", name="Marks and places").click()
    page.get_by_label("Found on Rod of cylinder 1").focus()
    for key in ("ArrowDown", "ArrowDown", "3", "Enter"):
        page.keyboard.press(key)
    expect(page.get_by_label("Found on Rod of cylinder 4")).to_be_focused()
    line = page.get_by_role("row", name="Rod of cylinder 3")
    line.get_by_role("link", name="Rod of cylinder 3").click()
    expect(page.get_by_role("dialog").get_by_role("region", name="Mark")).to_contain_text("found 3")


def test_a_pin_that_rods_share_is_called_a_pin(enter: Callable[..., Page]) -> None:
    """Source: common practice, no source: its number is no cylinder's."""
    page = enter("machinist", "port engine")
    page.get_by_role("button", name=re.compile("^Crank")).click()
    page.get_by_role("button", name=re.compile("^Pin 1, cylinders 1 and 5[:,]")).click()
    expect(page.get_by_role("heading", name="Pin 1, cylinders 1 and 5")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile(r"^(Rod journal )?No\. [1-9]"))).to_have_count(0)
