"""Take the pictures in docs/screenshots again, from the demo data. Run by: make screenshots.

A picture is written only where its view changed: one in which little more than times and dates is other stays as it
is, so that the repository does not grow by it. `--all` writes every one.
"""

from __future__ import annotations

import io
import re
import sys
import tempfile
from collections.abc import Callable
from pathlib import Path

import numpy as np
from PIL import Image
from playwright.sync_api import Page, sync_playwright

sys.path.insert(0, str(Path(__file__).parents[1]))
from tests.serving import CHROMIUM_FLAGS, ROOT, Server, manage, serving

SHOTS = ROOT / "docs" / "screenshots"
#: A picture has at the most so many bytes, and as many of these colours as fit.
MOST_BYTES, COLOURS = 60_000, (32, 24, 16, 12, 8)
#: A view has changed where more than this share of its points is other than before, by more than so much of 255.
OTHER_POINTS, OTHER_BY = 0.004, 48


def open_job(page: Page, server: Server, title: str, journal: str) -> None:
    page.goto(server.url)
    page.get_by_role("link", name=re.compile(title)).click()
    named = journal.replace("Rod journal No.", r"(Rod journal No\.|Pin)")
    page.get_by_role("button", name=re.compile(f"^{named}[:,]")).click()
    page.get_by_test_id("verdict").wait_for()


def in_doubt(page: Page, server: Server) -> None:
    open_job(page, server, "Locomotive 3", "Rod journal No. 3")
    page.keyboard.type("373")
    page.get_by_text("Enter lands").wait_for()


def dark(page: Page, server: Server) -> None:
    open_job(page, server, "Dredger Grebe", "Crank at main 3")
    page.get_by_role("button", name="owner").click()
    page.get_by_role("menuitem", name="Light or dark").click()


def light_again(page: Page, server: Server) -> None:
    page.goto(server.url)
    page.get_by_role("button", name="owner").click()
    page.get_by_role("menuitem", name="Light or dark").click()


def engine(page: Page, server: Server) -> None:
    view_of(page, server, "Hay tower blower", "Strip")
    page.get_by_role("link", name="The engine").click()
    page.get_by_role("img", name=re.compile("Section from the front")).wait_for()


def sheet(page: Page, server: Server) -> None:
    open_job(page, server, "Drainage pump 2", "Rod journal No. 2")
    page.get_by_role("link", name="Sheet").click()
    page.get_by_role("heading", name="Decision sheet").first.wait_for()


def pistons(page: Page, server: Server) -> None:
    open_job(page, server, "Gang trolley 7", "Piston 3")
    page.get_by_role("button", name=re.compile("^Piston 1:")).click()


def pump(page: Page, server: Server) -> None:
    page.goto(server.url)
    page.get_by_role("link", name=re.compile("Gang trolley 7")).click()
    page.get_by_test_id("verdict").wait_for()
    page.get_by_role("button", name=re.compile("^Oil pump")).first.click()
    page.get_by_role("heading", name="Oil pump", level=2).wait_for()


def bores(page: Page, server: Server) -> None:
    open_job(page, server, "Pilot boat Grey Heron, port", "Bore 7, right bank")


def described(page: Page, server: Server) -> None:
    page.goto(f"{server.url}/limits/engines/new")
    page.get_by_label("Begin with the nearest").select_option("Four, two overhead cams, chain")
    page.get_by_text(re.compile("steps of the strip")).wait_for()


def at(address: str) -> Callable[[Page, Server], None]:
    def go(page: Page, server: Server) -> None:
        page.goto(server.url + address)
        page.locator("h1").first.wait_for()
        page.wait_for_timeout(1_200)

    return go


def view_of(page: Page, server: Server, title: str, *links: str) -> None:
    """A view of a job before its bench."""
    page.goto(server.url)
    page.get_by_role("link", name=re.compile(title)).click()
    for link in links:
        page.get_by_role("link", name=link, exact=True).click()
    page.locator("h1").last.wait_for()
    page.wait_for_timeout(1_200)


def looks(page: Page, server: Server) -> None:
    view_of(page, server, "Ice plant compressor", "Door")
    page.get_by_role("link", name=re.compile("^Looks")).click()
    page.get_by_role("region", name="The look in hand").wait_for()


def strip(page: Page, server: Server) -> None:
    view_of(page, server, "Dockside grab", "Strip")


def evidence(page: Page, server: Server) -> None:
    view_of(page, server, "Tide gate winch", "Evidence")


def cause(page: Page, server: Server) -> None:
    evidence(page, server)
    page.get_by_role("navigation", name="Evidence").get_by_role("link", name=re.compile("^Cause")).click()
    page.get_by_role("region", name="The gate").wait_for()


def report(page: Page, server: Server) -> None:
    evidence(page, server)
    page.get_by_role("navigation", name="Evidence").get_by_role("link", name=re.compile("^Report")).click()
    page.get_by_role("article").wait_for()
    page.wait_for_timeout(1_200)


def place_card(page: Page, server: Server) -> None:
    view_of(page, server, "Pilot boat Grey Heron, port", "Evidence")
    page.goto(f"{page.url}?place=bore-7")
    page.get_by_role("region", name="Lies with").wait_for()
    page.wait_for_timeout(1_200)


def ways(page: Page, server: Server) -> None:
    view_of(page, server, "Dredger Grebe", "Sheet", "Ways on")
    page.get_by_role("img", name=re.compile("^Pin 3")).scroll_into_view_if_needed()


def grinding(page: Page, server: Server) -> None:
    view_of(page, server, "Sluice 9 standby set", "Sheet", "Grinder’s card")


VIEWS: dict[str, Callable[[Page, Server], None]] = {
    "rack": at("/"),
    "book-in": at("/book-in"),
    "looks": looks,
    "strip": strip,
    "bearing-map": evidence,
    "cause": cause,
    "place-card": place_card,
    "report": report,
    "bench-reading": in_doubt,
    "ways-on": ways,
    "bench-pistons": pistons,
    "bench-pump": pump,
    "bench-bores": bores,
    "grinding-card": grinding,
    "engine": engine,
    "bench-dark": dark,
    "decision-sheet": sheet,
    "engine-described": described,
    "house-rules": at("/house-rules"),
}


def few_colours(shot: bytes) -> bytes:
    """A picture of a page in so few colours that it is small; flat paper and ink lose nothing by it."""
    page = Image.open(io.BytesIO(shot)).convert("RGB")
    for colours in COLOURS:
        out = io.BytesIO()
        page.quantize(colours, Image.Quantize.MEDIANCUT, 2, dither=Image.Dither.NONE).save(
            out, "PNG", optimize=True
        )
        if len(out.getvalue()) <= MOST_BYTES:
            break
    return out.getvalue()


def has_changed(before: Path, now: bytes) -> bool:
    """Whether a view shows something else than its picture, but for what is small, as times are."""
    if not before.exists():
        return True
    was, is_ = (np.asarray(Image.open(one).convert("L"), dtype=int) for one in (before, io.BytesIO(now)))
    return was.shape != is_.shape or float(np.mean(np.abs(was - is_) > OTHER_BY)) > OTHER_POINTS


def keep(page: Page, name: str) -> None:
    """Take a view's picture, and write it where the view changed."""
    place, now = SHOTS / f"{name}.png", few_colours(page.screenshot())
    if "--all" in sys.argv or has_changed(place, now):
        place.write_bytes(now)
        print(f"{name}: {len(now):,} bytes")


def take(folder: Path) -> None:
    """Every view once at 1280 by 800."""
    with serving(folder) as server, sync_playwright() as play:
        browser = play.chromium.launch(executable_path="/usr/bin/chromium", args=CHROMIUM_FLAGS)
        context = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB")
        page = context.new_page()
        page.goto(server.url)
        page.get_by_role("button", name="machinist").wait_for()
        page.get_by_role("button", name=re.compile("^owner")).click()
        page.get_by_role("heading", name="The rack").wait_for()
        for name, show in VIEWS.items():
            show(page, server)
            page.wait_for_timeout(500)
            keep(page, name)
            if name == "bench-dark":
                light_again(page, server)
        browser.close()


if __name__ == "__main__":
    SHOTS.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory() as data:
        manage(Path(data), "furnish_demo")
        take(Path(data))
