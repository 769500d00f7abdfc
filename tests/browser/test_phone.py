"""The camera page as a phone opens it: without an account, on a page of its own."""

from __future__ import annotations

import json
from collections.abc import Iterator
from pathlib import Path
from urllib.parse import urlsplit

import pytest
from playwright.sync_api import Browser, expect

from tests.browser.test_bench import AXE, complaints
from tests.conftest import copied
from tests.serving import Server
from tests.visiting import Visitor

PICTURE = Path(__file__).parents[2] / "docs" / "screenshots" / "rack.png"


@pytest.fixture
def in_the_net(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    """A server that answers to a name of the shop's net."""
    server = Server(copied(furnished, tmp_path_factory), served_as="bench-pc.test")
    server.start()
    yield server
    server.kill()


def test_a_phone_takes_a_picture_that_lands_on_the_job(browser: Browser, in_the_net: Server) -> None:
    bench = Visitor(in_the_net, "bench")
    asked = bench.ask("POST", "/api/jobs/3/phone", {"on": "R3"}, host="bench-pc.test")
    assert asked["address"].startswith("http://bench-pc.test/phone/")
    page = browser.new_context(viewport={"width": 390, "height": 844}, has_touch=True, is_mobile=True).new_page()
    faults: list[str] = []
    page.on("console", lambda line: faults.append(line.text) if line.type == "error" else None)
    page.goto(in_the_net.url + urlsplit(asked["address"]).path)
    expect(page.get_by_role("heading")).to_have_text("41 Rod journal No. 3")
    button = page.get_by_role("button", name="Send it to the job")
    box = button.bounding_box()
    assert box is not None
    assert box["height"] >= 60
    page.evaluate(AXE.read_text(encoding="utf-8"))
    assert complaints(page) == []
    page.get_by_label("Picture").set_input_files(PICTURE)
    button.tap()
    expect(page.get_by_role("status")).to_have_text("1 picture taken.")
    assert faults == []
    held = bench.ask("GET", "/api/jobs/3/pictures")["pictures"]
    assert [(one["on"], one["by"]) for one in held] == [("R3", "bench")], json.dumps(held)
    page.context.close()
