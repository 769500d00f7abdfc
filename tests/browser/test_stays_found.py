"""What was found stays found: through a crank that waits, a word that did not know it, and work."""

from __future__ import annotations

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.at_the_bench import looks_sound

ENGINE = "Mobile crane 12"


def see(page: Page, look: str, answer: str) -> None:
    page.get_by_label(re.compile(f"^{look}")).select_option(answer)


def to_main(page: Page, number: int) -> None:
    page.get_by_role("button", name=re.compile(f"^Main journal M{number}")).first.click()
    expect(page.get_by_role("heading", name=f"Main journal M{number}", level=2)).to_be_visible()


def test_what_was_found_stays_found(enter: Callable[..., Page]) -> None:
    """Rules: sets.one-crank, sets.word-covers, looks.after-work. Source: common practice, no source."""
    page = enter("machinist", ENGINE)
    verdict, reasons = page.get_by_test_id("verdict"), page.get_by_label("Verdict")

    # A half bearing of a rod turned: the mains wait with it, and the size of the rods is said all the same.
    to_main(page, 3)
    expect(verdict).to_have_text("Indicate the crank")
    expect(reasons).to_contain_text("turned in its housing")
    expect(page.get_by_role("button", name="Accept for mains")).to_be_disabled()
    expect(page.get_by_text("regrind, 0.030 under, if it runs true")).to_be_visible()
    see(page, "straightness", "within the maker's run-out")
    expect(page.get_by_label(re.compile("^straightness"))).to_have_value("within the maker's run-out")
    expect(verdict).to_have_text("Indicate the crank")
    see(page, "crack test", "passed")
    expect(verdict).to_have_text("Polish")

    # A word for the mains; then a burr is felt on one of them.
    page.get_by_role("button", name="Decide otherwise").click()
    page.get_by_label("What is done instead").select_option("reuse")
    page.get_by_label("Why").fill("marks from the wash only")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_text("Decided: reuse", exact=True)).to_be_visible()
    see(page, "surface", "burr round a dent")
    expect(page.get_by_text("Something was found since: decide again.")).to_be_visible()

    # Polished over: it stays found until somebody draws a nail across it again.
    page.get_by_role("button", name="Work done").click()
    page.get_by_label("What was done").select_option("polish")
    page.get_by_label("Done to").select_option("mains")
    page.get_by_role("button", name="Write it down").click()
    page.get_by_role("button", name="Yes, write it down").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    again = "Found before the work on it: look at it again."
    expect(reasons).to_contain_text(again)
    see(page, "surface", "nail runs clear")
    expect(reasons).not_to_contain_text(again)

    # The others were good before the work, and nobody has looked since: one key says so of the one in hand.
    to_main(page, 1)
    expect(reasons).to_contain_text("Look first: surface.")
    looks_sound(page)
    expect(reasons).not_to_contain_text("Look first")
    page.get_by_role("link", name="Story").click()
    expect(page.get_by_text("surface: nail runs clear, all by one key").first).to_be_visible()
