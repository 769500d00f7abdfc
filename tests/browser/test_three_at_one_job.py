"""Three people at one job: each hears of the others, nobody overwrites, and what is decided holds.

Source: common practice, no source: one reads the crank, another takes over, a third decides and signs.
"""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import ExitStack
from typing import Any

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.serving import Server

#: A journal of a metric engine of the demo's, by its last digits.
FIRST, SECOND, THIRD = "61.383", "61.384", "61.382"


@pytest.fixture
def three(browser: Browser, server: Server) -> Iterator[dict[str, Page]]:
    """Bench, machinist and owner, each with a browser of their own, on one job."""
    pages: dict[str, Page] = {}
    complaints: list[str] = []
    with ExitStack() as open_:
        for name in ("bench", "machinist", "owner"):
            context = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB")
            open_.callback(context.close)
            page = pages[name] = context.new_page()
            page.on(
                "console",
                lambda line: complaints.append(f"{line.text} {line.location}") if line.type == "error" else None,
            )
            page.goto(server.url)
            page.get_by_role("button", name=re.compile(rf"^{name}")).click()
            page.get_by_role("link", name=re.compile("Sprayer pump")).click()
            page.get_by_test_id("verdict").wait_for()
        yield pages
    # A refusal that was asked for stands in the console; nothing else does.
    assert [one for one in complaints if "/undo" not in one] == []


def part(page: Page, name: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{name}:")).click()
    expect(page.get_by_role("heading", name=name)).to_be_visible()


def read(page: Page, digits: str) -> None:
    page.keyboard.type(digits)
    page.keyboard.press("Enter")


def spot(page: Page, name: str) -> Any:
    return page.get_by_role("button", name=re.compile(f"^{name}:"))


def test_three_people_at_one_job(three: dict[str, Page]) -> None:
    bench, machinist, owner = three["bench"], three["machinist"], three["owner"]
    for page in three.values():
        part(page, "Rod journal No. 3")
    # One reads: the others see it and who is where.
    read(bench, FIRST)
    for page in (machinist, owner):
        expect(spot(page, "1a")).to_have_text(re.compile("2\\.4167|61\\.383"))
        expect(page.get_by_text(re.compile("bench")).first).to_be_visible()
    # The same spot, read by two: both stand, the newer counts.
    spot(machinist, "1a").click()
    read(machinist, SECOND)
    expect(spot(owner, "1a").locator("sup")).to_have_text("2")
    # What somebody else went on from is not taken back under them.
    bench.keyboard.press("Alt+z")
    expect(bench.get_by_role("alert").get_by_text("machinist went on from it")).to_be_visible()
    machinist.keyboard.press("Alt+z")
    expect(machinist.get_by_test_id("announced")).to_have_text(re.compile("^Took back"))
    for page in three.values():
        expect(spot(page, "1a").locator("sup")).to_have_count(0)
    machinist.keyboard.press("Alt+Shift+Z")
    expect(spot(bench, "1a").locator("sup")).to_have_text("2")
    # A decides while B still reads: B's next reading is refused in words, and stays to be seen.
    owner.get_by_role("link", name="Sheet", exact=True).click()
    for name in ("Main journals", "Rod journals"):
        region = owner.get_by_role("region", name=name)
        region.get_by_role("button", name="Decide otherwise").click()
        owner.get_by_label("What is done instead").select_option("replace")
        owner.get_by_label("Why").fill("Another crank is fitted.")
        owner.get_by_role("button", name="Write it down").click()
        expect(region).to_contain_text("Decided: replace")
    owner.get_by_role("button", name="Sign the sheet").click()
    owner.get_by_role("button", name="Yes, sign it").click()
    owner.get_by_role("heading", name="Decision sheet, revision 1, signed").wait_for()
    expect(bench.get_by_text(re.compile("signed", re.I)).first).to_be_visible()
