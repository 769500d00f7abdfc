"""Decimal sign, date and time as each person reads them. Source: ISO 80000-1, 7.3.2, from memory: comma or point;
common practice, no source: a paper that goes out keeps one form."""

import re
from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.serving import Server


def test_somebody_reads_a_comma_and_files_keep_the_point(enter: Callable[..., Page], server: Server) -> None:
    page = enter("bench", "Locomotive 3")
    page.get_by_role("button", name=re.compile("^bench")).click()
    page.get_by_role("menuitem", name="Sizes, dates, times").click()
    page.get_by_label("Decimals").select_option("2,0312, a comma")
    page.get_by_label("Dates").select_option("04.05.2031")
    page.get_by_role("button", name="Show it so").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    expect(page.get_by_role("button", name="1a: 2,0312", exact=True)).to_be_visible()
    expect(page.get_by_text(re.compile(r"limit 0,0010: 0,0052 over"))).to_be_visible()
    # What is typed lands as it did; both signs are read.
    page.get_by_role("button", name=re.compile("^Rod journal No. 4:")).click()
    page.keyboard.type("2.0375")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="1a: 2,0375", exact=True)).to_be_visible()
    page.get_by_role("link", name="Story").click()
    expect(page.get_by_text(re.compile(r"\d\d\.\d\d\.20\d\d")).first).to_be_visible()
    # It is theirs: it stays over a reload, and papers and files do not change.
    page.reload()
    page.get_by_role("link", name="Bench", exact=True).click()
    expect(page.get_by_role("button", name="1a: 2,0375", exact=True)).to_be_visible()
    for paper in ("sheet.html", "job.json", "readings.csv"):
        text = page.request.get(f"{server.url}/api/jobs/3/{paper}").text()
        assert "2.0375" in text
        assert "2,0375" not in text
