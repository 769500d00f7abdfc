"""The demo shop in a folder of its own, for a bench that needs a whole one."""

import os
import re
import shutil
import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from playwright.sync_api import Browser, Page

from tests.serving import manage


@contextmanager
def demo_shop() -> Iterator[Path]:
    """The folder of a demo shop, furnished and gone afterwards."""
    with tempfile.TemporaryDirectory() as name:
        folder = Path(name) / "shop"
        # Where several benches run after each other the shop is furnished once.
        if "BENCH_SHOP" in os.environ:
            shutil.copytree(os.environ["BENCH_SHOP"], folder)
        else:
            folder.mkdir()
            manage(folder, "furnish_demo")
        yield folder


def open_job(browser: Browser, url: str, name: str) -> Page:
    """The machinist's bench with the job of this name on it."""
    page = browser.new_page(viewport={"width": 1280, "height": 800})
    page.goto(url)
    page.get_by_role("button", name=re.compile("^machinist")).click()
    page.get_by_role("link", name=re.compile(name)).click()
    page.get_by_test_id("verdict").wait_for()
    return page
