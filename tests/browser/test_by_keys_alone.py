"""A stranger's way by keys alone: from an empty real shop to a signed sheet. Every key is counted and printed.

Outside: WCAG 2.1, 2.1.1 (recalled): all that can be done can be done from a keyboard.
"""

from __future__ import annotations

import os
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.keys import Hand
from tests.serving import ROOT, SETTINGS, Server

OWNER, PASSWORD = "keeper", "plumb bob and shim"
OPEN = f"""
import django; django.setup()
from workshop.people.models import Person, Role
one = Person(username={OWNER!r}, role=Role.OWNER); one.set_password({PASSWORD!r}); one.save()
"""
#: An engine of one's own: a single with two mains and a pin, all as new. Common practice, no source.
FIGURES = {"Rod journals": ("1.5000", "1.5008"), "Main journals": ("1.7500", "1.7508")}


@pytest.fixture
def empty_shop(tmp_path: Path) -> Iterator[Server]:
    """A real shop with its first owner and nothing else."""
    env = {**os.environ, "DATA_DIR": str(tmp_path), "DEMO": "0", "DJANGO_SETTINGS_MODULE": SETTINGS}
    for command in (["manage.py", "migrate", "-v0"], ["-c", OPEN]):
        subprocess.run([sys.executable, *command], cwd=ROOT, env=env, check=True)
    server = Server(tmp_path, demo=False)
    server.start()
    yield server
    server.kill()


def sign_in(hand: Hand, server: Server) -> None:
    hand.page.goto(server.url)
    expect(hand.page.get_by_label("Name")).to_be_focused()
    hand.type(OWNER)
    hand.fill("Password", PASSWORD)
    hand.press("Enter")
    hand.page.get_by_role("heading", name="What comes first").wait_for()
    hand.ends("sign in")


def gauge(hand: Hand) -> None:
    """The first run leads to each page that is wanted."""
    page = hand.page
    page.goto(page.url.rstrip("/") + "/gauges")
    page.get_by_role("heading", name="Gauge cabinet").wait_for()
    hand.to("^Enter a gauge")
    hand.press("Enter")
    hand.fill("Name and number", "1-2 in micrometer, No. 1")
    hand.fill("^Reads to", ".0001")
    hand.fill("Permissible error", ".0001")
    hand.fill("^Range from", "1")
    hand.fill("^Range to", "2")
    hand.to("^Keep it")
    hand.press("Enter")
    page.get_by_role("link", name="1-2 in micrometer, No. 1").wait_for()
    hand.ends("a gauge")


def limits(hand: Hand, server: Server) -> None:
    page = hand.page
    page.goto(server.url + "/limits/new")
    page.get_by_label("Engine: make and model").wait_for()
    hand.fill("Engine: make and model", "Ostrel Lighting Single")
    hand.choose("Usual layouts", "Inline one")
    hand.to("^crank", back=True)
    hand.press("Enter")
    for part, (least, most) in FIGURES.items():
        hand.fill(f"{part}, Journal size, new, least", least)
        hand.fill(f"{part}, Journal size, new, most", most)
        hand.fill(f"{part}, Journal size, new, book and page", "maker's book, page 12")
        hand.fill(f"^{part}, Out-of-round, most$", ".0008")
        hand.fill(f"^{part}, Taper, most$", ".0006")
        hand.choose("Hardening", "none")
    hand.to("^Keep the sheet")
    hand.press("Enter")
    page.get_by_role("heading", name="Ostrel Lighting Single, revision 1").wait_for()
    hand.to("^Confirm against")
    hand.press("Enter")
    hand.to("^I have checked them")
    hand.press("Enter")
    page.get_by_text("confirmed", exact=True).wait_for()
    hand.ends("a limits sheet")


def book(hand: Hand, server: Server) -> None:
    page = hand.page
    page.goto(server.url + "/book-in")
    expect(page.get_by_label("Engine or machine")).to_be_focused()
    hand.type("Lighting set")
    before = hand.keys
    hand.to("^Limits sheet")
    hand.type("Os")
    hand.press("Control+Enter")
    page.get_by_role("heading", name="Which look first").wait_for(state="attached")
    assert hand.keys - before <= 25, "from the name to Book in"
    hand.to("^Bench")
    hand.press("Enter")
    page.get_by_test_id("verdict").wait_for()
    hand.ends("book in")


def measure(hand: Hand) -> None:
    page = hand.page
    for name, size in (("Main journal M1", "1.7504"), ("Rod journal", "1.5004"), ("Main journal M2", "1.7504")):
        expect(page.get_by_role("heading", level=2, name=name)).to_be_visible()
        reading = page.get_by_label("Reading at")
        while page.get_by_label("Reading at no spot").count() == 0:
            spot = reading.get_attribute("aria-label")
            hand.type(size)
            hand.press("Enter")
            expect(reading).not_to_have_attribute("aria-label", spot or "")
        hand.press("Alt+s")
        expect(page.get_by_role("button", name="Looks sound")).to_have_count(0)
        reading.focus()
        hand.press("ArrowDown")
    hand.ends("measure")


def decide(hand: Hand) -> None:
    page = hand.page
    hand.to("^Sheet", back=True)
    hand.press("Enter")
    page.get_by_role("heading", name="Decision sheet").first.wait_for()
    for _ in range(2):
        left = page.get_by_role("button", name="Accept", exact=False).count()
        hand.to("^Accept")
        hand.press("Enter")
        expect(page.get_by_role("button", name="Accept", exact=False)).to_have_count(left - 1)
    hand.to("^Sign the sheet")
    hand.press("Enter")
    hand.to("^Yes, sign it")
    hand.press("Enter")
    page.get_by_role("heading", name="Decision sheet, revision 1, signed").wait_for()
    hand.ends("decide and sign")


def test_from_an_empty_shop_to_a_signed_sheet_by_keys_alone(empty_shop: Server, page: Page) -> None:
    hand = Hand(page)
    sign_in(hand, empty_shop)
    gauge(hand)
    limits(hand, empty_shop)
    book(hand, empty_shop)
    measure(hand)
    decide(hand)
    print("\nkeys, from an empty shop to a signed sheet:", hand.keys, hand.chapters)
