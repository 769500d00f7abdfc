"""Straight first: a bent, worn V8 crank held back, pressed and indicated again; a bare crank to a signed sheet."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

Enter = Callable[..., Page]


def at_place(page: Page, place: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{place}:")).click()
    expect(page.get_by_role("heading", name=place, level=2)).to_be_visible()


def test_a_bent_crank_is_straightened_before_it_is_ground(enter: Enter) -> None:
    """Common practice, no source: straighten, indicate, let it stand, indicate again; then grind."""
    page = enter("machinist", "Dredger Grebe")
    at_place(page, "Crank at main 3")
    verdict = page.get_by_label("Verdict")
    expect(verdict).to_contain_text("Bent")
    expect(verdict).to_contain_text("high at 110°")
    page.get_by_role("link", name="Sheet", exact=True).first.click()
    expect(page.get_by_role("heading", name="Straightness: straighten first")).to_be_visible()
    expect(page.get_by_role("button", name="Accept for rods")).to_be_disabled()
    expect(page.get_by_role("button", name="Accept for straightness")).to_be_enabled()
    page.get_by_role("link", name="Bench", exact=True).first.click()
    page.get_by_role("button", name="Work done").click()
    page.get_by_label("What was done").select_option("straighten")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("dialog")).to_contain_text("snap")
    page.get_by_role("button", name="Yes, write it down").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    at_place(page, "Crank at main 2")
    for main, typed in (("2", "4 @ 100"), ("3", "5 @ 110"), ("4", "3 @ 95")):
        at_place(page, f"Crank at main {main}")
        page.get_by_label("what is read").select_option("total reading")
        page.get_by_role("textbox", name=re.compile("^Reading at")).fill(f"0.000{typed}")
        page.keyboard.press("Enter")
        expect(page.get_by_role("row").filter(has_text="total reading")).to_contain_text(f"0.000{typed[0]}")
    expect(verdict).to_contain_text("Let it stand")
    expect(verdict).to_contain_text("a crank creeps back")


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
