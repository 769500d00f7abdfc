"""Readings that can be trusted, through the real interface, bridge and a simulated gauge on a socket."""

from __future__ import annotations

import re
import subprocess
import sys
from collections.abc import Callable, Iterator

import pytest
from playwright.sync_api import Browser, Page, expect

from demo.simulated_gauge import SimulatedGauge
from tests.at_the_bench import choose_gauge, looks_sound
from tests.serving import ROOT, Server, free_port


def on(page: Page, journal: str) -> None:
    page.get_by_role("button", name=re.compile(f"^{journal}[:,]")).click()


def type_in(page: Page, *texts: str) -> None:
    for text in texts:
        page.keyboard.type(text)
        page.keyboard.press("Enter")


@pytest.fixture(scope="module")
def metric() -> SimulatedGauge:
    gauge = SimulatedGauge("g", "mm", free_port(), 61.383, 0.0)
    gauge.listen()
    return gauge


@pytest.fixture(scope="module")
def inch() -> SimulatedGauge:
    gauge = SimulatedGauge("g", "in", free_port(), 2.0374, 0.0)
    gauge.listen()
    return gauge


@pytest.fixture(scope="module")
def bridge(server: Server) -> Iterator[None]:
    command = [sys.executable, "-m", "gauge_bridge", "--server", server.url]
    process = subprocess.Popen([*command, "--key-file", str(server.folder / "bridge-key")], cwd=ROOT)
    yield
    process.kill()
    process.wait(timeout=5)


def plug_in(page: Page, server: Server, name: str, gauge: SimulatedGauge) -> None:
    """Enter where a gauge's button speaks, in the cabinet."""
    page.goto(f"{server.url}/gauges")
    page.get_by_role("link", name=re.compile(name)).click()
    page.get_by_role("button", name="Change").click()
    page.get_by_label("Data port").fill(f"socket://127.0.0.1:{gauge.port}")
    page.get_by_role("button", name="Keep it").click()
    expect(page.get_by_role("dialog")).to_have_count(0)


def sit_down(page: Page, server: Server, title: str) -> None:
    page.goto(server.url)
    page.get_by_role("link", name=re.compile(title)).click()
    page.get_by_test_id("verdict").wait_for()


@pytest.mark.usefixtures("bridge")
def test_a_journal_is_measured_with_a_gauge_that_speaks(
    enter: Callable[..., Page], server: Server, metric: SimulatedGauge
) -> None:
    """Eight pulls of the trigger read a journal; a doubled line, garbage and the wrong unit become no reading."""
    page = enter("owner")
    plug_in(page, server, "50–75 mm digital", metric)
    sit_down(page, server, "Sprayer pump")
    on(page, "Rod journal No. 2")
    expect(page.get_by_text("its button enters readings here")).to_be_visible(timeout=15_000)
    page.wait_for_timeout(700)  # a line just after the spot was changed may belong to the spot before
    for n, spot in enumerate(("1a", "1b", "1c", "1d", "2a", "2b", "2c")):
        metric.pull(61.380 + 0.001 * (n % 3))
        expect(page.get_by_role("button", name=re.compile(f"^{spot}: 2.41"))).to_be_visible()
        page.wait_for_timeout(320)  # nobody measures twice within three tenths of a second
    metric.fault("garbage")
    expect(page.get_by_test_id("gauge-line")).to_contain_text("no reading")
    page.wait_for_timeout(350)
    metric.double = True
    metric.pull(61.381)
    metric.double = False
    expect(page.get_by_test_id("gauge-line")).to_contain_text("taken once")
    looks_sound(page)
    expect(page.get_by_test_id("verdict")).to_have_text("Reuse")
    page.wait_for_timeout(350)
    metric.pull(61.381)
    expect(page.get_by_test_id("gauge-line")).to_contain_text("No spot in hand")
    on(page, "Rod journal No. 3")
    page.wait_for_timeout(700)
    metric.wrong_unit = True
    metric.pull(61.381)
    metric.wrong_unit = False
    expect(page.get_by_role("button", name=re.compile("^1a: 2.4166"))).to_be_visible()
    metric.fault("half")
    expect(page.get_by_test_id("gauge-line")).to_contain_text("pulled in the middle")


@pytest.mark.usefixtures("bridge")
def test_two_benches_with_two_gauges_do_not_cross(
    enter: Callable[..., Page], server: Server, browser: Browser, metric: SimulatedGauge, inch: SimulatedGauge
) -> None:
    page = enter("owner")
    plug_in(page, server, "No. 12", inch)
    page.wait_for_timeout(6_000)  # a bench that went away lets go of its gauge after five seconds
    other = browser.new_context(viewport={"width": 1280, "height": 800}, locale="en-GB").new_page()
    other.goto(server.url)
    other.get_by_role("button", name=re.compile("^bench")).click()
    other.get_by_role("heading", name="The rack").wait_for()
    sit_down(other, server, "Sawmill")
    on(other, "Rod journal No. 3")
    sit_down(page, server, "Ballast winch")
    on(page, "Rod journal No. 4")
    choose_gauge(page).select_option(label="2–3 in digital micrometer, No. 12")
    for bench in (page, other):
        expect(bench.get_by_text("its button enters readings here")).to_be_visible(timeout=15_000)
    page.wait_for_timeout(700)  # a line just after the spot was changed may belong to the spot before
    inch.pull(2.0371)
    metric.pull(61.131)
    expect(page.get_by_role("button", name=re.compile("^1a: 2.0371"))).to_be_visible()
    expect(other.get_by_role("button", name=re.compile("^1a: 2.4067"))).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^1b: not read"))).to_be_visible()
    expect(other.get_by_role("button", name=re.compile("^1b: 2.4163, to read again"))).to_be_visible()
    # A gauge in hand elsewhere is not taken silently.
    choose_gauge(page).select_option(label="50–75 mm digital micrometer")
    expect(page.get_by_text("bench has this gauge in hand on job 48")).to_be_visible()
    page.get_by_role("button", name="Take it over").click()
    expect(other.get_by_text("The gauge was taken over")).to_be_visible()
    other.context.close()


def test_a_turn_of_the_thimble_is_asked_about_and_taken_by_one_key(enter: Callable[..., Page]) -> None:
    page = enter("machinist", "Ballast winch")
    on(page, "Rod journal No. 2")
    panel = page.get_by_label("Did you mean")
    expect(panel).to_contain_text("Did you mean 2.0374?")
    expect(page.get_by_role("button", name=re.compile("^1c: 2.0124.*asked about"))).to_be_visible()
    page.keyboard.press("F2")
    expect(page.get_by_role("button", name=re.compile("^1c: 2.0374"))).to_be_visible()
    expect(panel).to_have_count(0)
    type_in(page, "2.0373", "2.0124")
    expect(panel).to_contain_text("one turn of the thimble")
    page.keyboard.press("F4")
    expect(panel).to_have_count(0)
    expect(page.get_by_test_id("verdict")).to_contain_text("Refer")
    page.keyboard.press("Backspace")
    expect(page.get_by_role("button", name="2c: not read")).to_be_visible()


def test_a_part_from_the_wash_is_warned_about_and_its_verdict_waits(enter: Callable[..., Page]) -> None:
    page = enter("machinist", "Ballast winch")
    on(page, "Rod journal No. 3")
    expect(page.get_by_test_id("verdict")).to_have_text("Let it cool")
    expect(page.get_by_text("Let it cool beside the gauge and read")).to_be_visible()
    page.keyboard.press("F6")
    page.get_by_label("Part, °C").fill("200")
    page.get_by_role("button", name="Measure on").click()
    expect(page.get_by_text("is no temperature to measure at")).to_be_visible()
    page.get_by_label("Part, °C").fill("20")
    page.keyboard.press("Enter")
    expect(page.get_by_role("button", name="part 20 °C")).to_be_visible()
    for spot in ("1a", "1b", "1c", "1d", "2a", "2b", "2c", "2d"):
        page.get_by_role("button", name=re.compile(f"^{spot}:")).click()
        type_in(page, "2.0366")
        expect(page.get_by_role("button", name=re.compile(f"^{spot}: 2.0366"))).to_be_visible()
    looks_sound(page)
    expect(page.get_by_test_id("verdict")).to_have_text("Reuse")


def test_a_figure_too_close_to_call_is_settled_by_the_readings_it_asks_for(enter: Callable[..., Page]) -> None:
    page = enter("owner", "Locomotive 3")
    on(page, "Main journal M5")
    type_in(page, "2.41282", *["2.4131"] * 7)
    expect(page.get_by_test_id("verdict")).to_have_text("Too close to call")
    expect(page.get_by_text(re.compile(r"Take \d more readings? at 1a: that settles least size"))).to_be_visible()
    page.get_by_role("button", name="What that consists of").click()
    dialog = page.get_by_role("dialog")
    expect(dialog).to_contain_text("one step of the scale")
    expect(dialog).to_contain_text("clears its limit by 1.645 u")
    page.keyboard.press("Escape")
    expect(page.get_by_text(re.compile(r"again, \d more"))).to_be_visible()
    for count in ("×2", "×3"):
        type_in(page, "2.41282")
        expect(page.get_by_role("button", name=re.compile("^1a:")).locator("sup")).to_have_text(count)
    looks_sound(page)
    expect(page.get_by_test_id("verdict")).to_have_text("Reuse")


def test_a_server_killed_in_mid_entry_loses_and_doubles_nothing(enter: Callable[..., Page], server: Server) -> None:
    page = enter("bench", "Sawmill")
    on(page, "Rod journal No. 2")
    type_in(page, "61.130")
    expect(page.get_by_role("button", name=re.compile("^1a: 2.40"))).to_be_visible()
    server.kill()
    type_in(page, "61.131", "61.132")
    expect(page.get_by_text("2 entries wait here")).to_be_visible()
    server.start()
    page.reload()
    expect(page.get_by_role("button", name=re.compile("^1c: 2.4068"))).to_be_visible(timeout=60_000)
    page.get_by_role("link", name="Story").click()
    expect(page.get_by_text("read No. 2: 3 readings at 1a 1b 1c")).to_be_visible()


def test_a_grind_makes_readings_stale_and_they_are_taken_again(enter: Callable[..., Page]) -> None:
    page = enter("machinist", "Ballast winch")
    on(page, "Main journal M1")
    page.get_by_role("button", name="Work done").click()
    page.get_by_label("What was done").select_option("grind")
    page.get_by_label("Done to").select_option("mains")
    page.get_by_label("Ground to").fill("10")
    page.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("dialog")).to_contain_text("40 readings")
    page.get_by_role("button", name="Yes, write it down").click()
    expect(page.get_by_role("button", name=re.compile("^1a: 2.41.*to read again"))).to_be_visible()
    expect(page.get_by_text("What was read before is kept and not judged")).to_be_visible()
    expect(page.get_by_label("Reading at 1a")).to_be_focused()
    type_in(page, "2.4038", *["2.4039"] * 7)
    expect(page.get_by_test_id("verdict")).to_have_text("Look at it first")
    looks_sound(page)
    expect(page.get_by_label("Verdict")).to_contain_text("Look first: crack test.")
    page.get_by_label(re.compile("^crack test")).select_option("passed")
    expect(page.get_by_test_id("verdict")).to_have_text("Reuse")
    page.get_by_role("link", name="Story").click()
    expect(page.get_by_text("40 readings made stale.")).to_be_visible()


def test_the_order_of_spots_can_suit_the_hand(enter: Callable[..., Page]) -> None:
    page = enter("machinist", "Sprayer pump")
    on(page, "Main journal M1")
    page.get_by_role("button", name="Plan", exact=True).click()
    page.get_by_label("In which order").select_option("all journals at one angle")
    page.get_by_role("button", name="Change the plan").click()
    expect(page.get_by_role("dialog")).to_have_count(0)
    type_in(page, "73.650")
    expect(page.get_by_label("Reading at 2a")).to_be_focused()
    type_in(page, "73.651")
    expect(page.get_by_role("heading", name="Main journal M2")).to_be_visible()
    expect(page.get_by_label("Reading at 1a")).to_be_focused()


def test_a_setting_check_is_read_and_its_zero_error_kept(enter: Callable[..., Page], server: Server) -> None:
    page = enter("bench")
    page.goto(f"{server.url}/gauges")
    page.get_by_role("link", name=re.compile("No. 3, the old one")).click()
    expect(page.get_by_text("Out: zero error")).to_be_visible()
    page.get_by_label("Its size, in").fill("2.0000")
    page.get_by_label("The gauge reads").fill("2.0000 2.0000 2.OOO1")
    page.get_by_role("button", name="Write the check down").click()
    expect(page.get_by_text("2.OOO1")).to_be_visible()
    page.get_by_label("The gauge reads").fill("2.0000 2.0000 2.0001")
    page.get_by_role("button", name="Write the check down").click()
    expect(page.get_by_text("It is taken off every reading from now on.")).to_be_visible()
    expect(page.get_by_text(re.compile("Fit. Checked on"))).to_be_visible()
    assert page.get_by_role("img", name=re.compile("Zero error over time")).count() == 1
