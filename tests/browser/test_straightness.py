"""Straight first: a bare crank to a signed sheet; a tunnel that is line-honed; an end float and its washers."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

Enter = Callable[..., Page]
SPOTS = ("1a", "1b", "1c", "2a", "2b", "2c")


def at_place(page: Page, place: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{place}:")).click()
    expect(page.get_by_role("heading", name=place, level=2)).to_be_visible()


def test_a_bare_crank_at_a_grinders_goes_to_a_signed_sheet(enter: Enter) -> None:
    """By total readings with their high sides, in its centres: the end mains' own run-out is taken off."""
    page = enter("owner", "Bark mill crank")
    at_place(page, "Crank at main 3")
    expect(page.get_by_label("Verdict")).to_contain_text("Runs true")
    page.get_by_role("link", name="Sheet", exact=True).first.click()
    table = page.get_by_role("table").filter(has_text="against the one before")
    expect(table.get_by_role("row").filter(has_text="At M3")).to_contain_text("85°")
    for one in ("straightness", "mains", "rods"):
        page.get_by_role("button", name=f"Accept for {one}").click()
        expect(page.get_by_role("button", name=f"Accept for {one}")).to_have_count(0)
    page.get_by_role("button", name="Sign the sheet").click()
    page.get_by_role("button", name="Yes, sign it").click()
    expect(page.get_by_text(re.compile("^Signed")).first).to_be_visible()


def test_a_tunnel_is_line_honed_and_read_again(enter: Enter) -> None:
    """A bearing turned in its third housing: honed, with what that moves said first; read again, within."""
    page = enter("machinist", "Harbour crane 4, block")
    at_place(page, "Housing of main 3")
    verdict = page.get_by_label("Verdict")
    expect(verdict).to_contain_text("Line hone")
    expect(verdict).to_contain_text("Its vertical is the larger")
    page.get_by_role("link", name="Sheet", exact=True).first.click()
    expect(page.get_by_text("The crank rises by 0 to 0.0016", exact=False)).to_be_visible()
    page.get_by_role("link", name="Bench", exact=True).first.click()
    page.get_by_role("button", name="Work done").click()
    page.get_by_label("What was done").select_option("line hone")
    page.get_by_role("button", name="Write it down").click()
    page.get_by_role("button", name="Yes, write it down").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    for main in range(1, 6):
        at_place(page, f"Housing of main {main}")
        for spot, typed in zip(
            ("1a", "1b", "1c", "2a", "2b", "2c"), ("2.6023", "2.6024", "2.6024") * 2, strict=True
        ):
            entry = page.get_by_role("textbox", name=re.compile(f"^Reading at {spot}"))
            entry.fill(typed)
            page.keyboard.press("Enter")
    page.get_by_label("what is read").select_option("line by indicator")
    for main in (2, 3, 4):
        at_place(page, f"Housing of main {main}")
        page.get_by_role("textbox", name=re.compile("^Reading at 1a")).fill("0.0001")
        page.keyboard.press("Enter")
        expect(page.get_by_role("row").filter(has_text="line by indicator")).to_contain_text("0.0001")
    at_place(page, "Housing of main 3")
    expect(verdict).to_contain_text("Reuse")
    page.get_by_role("link", name="Sheet", exact=True).first.click()
    expect(page.get_by_role("heading", name="Tunnel: reuse")).to_be_visible()


def test_the_end_float_names_its_washers(enter: Enter) -> None:
    """Past its limit by indicator; a blued face is not cleared by a float within."""
    page = enter("machinist", "Dredger Grebe")
    stations = page.get_by_role("navigation", name="Stations")
    stations.get_by_role("button", name=re.compile("^End float")).click()
    verdict = page.get_by_label("Verdict")
    expect(verdict).to_contain_text("Fit thrust washers")
    expect(verdict).to_contain_text("Washers 0.0100 thicker together bring it to 0.0038")
    page.get_by_role("button", name="Work done").click()
    page.get_by_label("What was done").select_option("other shells fitted")
    page.get_by_label("Done to").select_option("thrust")
    page.get_by_role("button", name="Write it down").click()
    page.get_by_role("button", name="Yes, write it down").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(verdict).to_contain_text("Not read yet")
    page.get_by_role("textbox", name=re.compile("^Reading at 1a")).fill("0.0045")
    page.keyboard.press("Enter")
    expect(verdict).to_contain_text("Reuse")
    page.get_by_label("thrust faces").select_option("blue or torn")
    expect(verdict).to_contain_text("Refer")
    expect(verdict).to_contain_text("it got hot")
