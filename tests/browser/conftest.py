"""Debian's Chromium against the real server on the demo shop."""

from __future__ import annotations

import os
import re
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.conftest import copied
from tests.serving import CHROMIUM_FLAGS, Server, serving

#: In milliseconds. Far more than any wait takes: a slow machine is no failure.
expect.set_options(timeout=float(os.environ.get("PATIENCE_MS", "30000")))


@pytest.fixture(scope="session")
def browser_type_launch_args(browser_type_launch_args: dict[str, Any]) -> dict[str, Any]:
    return {**browser_type_launch_args, "executable_path": "/usr/bin/chromium", "args": CHROMIUM_FLAGS}


@pytest.fixture(scope="session")
def browser_context_args(browser_context_args: dict[str, Any]) -> dict[str, Any]:
    return {**browser_context_args, "viewport": {"width": 1280, "height": 800}, "locale": "en-GB"}


@pytest.fixture(scope="module")
def server(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    """A fresh demo shop for every module of browser tests: a copy of the furnished one."""
    with serving(copied(furnished, tmp_path_factory)) as running:
        yield running


@pytest.fixture(autouse=True)
def _served(request: pytest.FixtureRequest) -> None:
    """A test that killed the server and failed leaves the next one a server that runs."""
    if "server" in request.fixturenames:
        request.getfixturevalue("server").come_back()


@pytest.fixture
def enter(page: Page, server: Server) -> Callable[..., Page]:
    """Sign in by the demo's hint, and open a job by its title where one is named."""
    complaints: list[str] = []
    page.on("pageerror", lambda error: complaints.append(str(error)))

    def go(name: str = "machinist", title: str | None = None) -> Page:
        rack = page.get_by_role("heading", name="The rack")
        page.context.add_cookies(server.sessions.get(name, []))
        page.goto(server.url)
        sign_in = page.get_by_role("button", name=re.compile(rf"^{name}"))
        rack.or_(sign_in).first.wait_for()
        if not rack.is_visible():
            sign_in.click()
            rack.wait_for()
            server.sessions[name] = page.context.cookies()
        if title is not None:
            page.get_by_role("link", name=re.compile(title)).click()
            page.get_by_test_id("verdict").wait_for()
        return page

    go.__dict__["complaints"] = complaints
    return go


@pytest.fixture
def look_at(enter: Callable[..., Page], page: Page, server: Server) -> Callable[[str, str], Page]:
    """A page as somebody sees it who signed in before."""

    def go(name: str, address: str) -> Page:
        if name not in server.sessions:
            enter(name)
        page.context.add_cookies(server.sessions[name])
        page.goto(server.url + address)
        page.locator("h1").first.wait_for()
        return page

    return go
