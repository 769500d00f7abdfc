"""Every dialog for every eye. Outside: axe-core's rules for WCAG 2 A and AA, in each dialog as it opens."""

from __future__ import annotations

import re
from collections.abc import Callable

import pytest
from playwright.sync_api import Page, expect

from tests.browser.test_bench import AXE, complaints

#: Where a dialog is opened, and by what is pressed.
DIALOGS = {
    "/jobs/3": (
        "Scope", "Plan", "Work done", "Cautions", "Keys", "Decide otherwise", "What that consists of",
        "Take a picture of .* with a phone",
    ),
    "/jobs/15": ("Pieces",),
    "/jobs/23/evidence": ("Open the picture",),
    "/jobs/3?place=R3": ("",),
    "/jobs/3/sheet": ("Waive M5", "Booked by mistake"),
    "/jobs/23/evidence/cause": ("Settle on this", "What removes it", "Leave it open",),
    "/people": ("Set a password",),
    "/gauges": ("Enter a gauge",),
    "/": ("Change person", "Change password"),
}  # fmt: skip


@pytest.mark.parametrize("address", DIALOGS)
def test_every_dialog_can_be_used_by_everyone(look_at: Callable[..., Page], address: str) -> None:
    page = look_at("owner", address)
    page.wait_for_timeout(700)
    page.evaluate(AXE.read_text(encoding="utf-8"))
    for pressed in DIALOGS[address]:
        if pressed.startswith("Change p"):
            page.get_by_role("button", name=re.compile("^owner")).click()
            page.get_by_role("menuitem", name=pressed).click()
        elif pressed:
            page.get_by_role("button", name=re.compile(f"^{pressed}")).first.click()
        dialog = page.get_by_role("dialog")
        expect(dialog).to_be_visible()
        page.wait_for_timeout(300)  # what is asked for comes, colours change
        assert complaints(page, "document.querySelector('[role=dialog]')") == [], pressed
        # The keyboard is in it, and comes back to what opened it.
        assert page.evaluate("document.querySelector('[role=dialog]').contains(document.activeElement)"), pressed
        page.keyboard.press("Escape")
        expect(dialog).to_have_count(0)
