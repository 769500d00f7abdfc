"""One bent, scored V8 crank from its first indication to a signed sheet: pressed, indicated again, ground by its
card, read back, with its tunnel and its float."""

from __future__ import annotations

import math
import re
from collections.abc import Callable, Iterator, Mapping
from datetime import UTC, datetime, timedelta
from io import BytesIO
from pathlib import Path

from playwright.sync_api import Page, expect
from pypdf import PdfReader

from tests.serving import Server

Rows = Iterator[tuple[str, str, str, str]]
MAINS, RODS = [f"M{n}" for n in range(1, 6)], [f"R{n}" for n in range(1, 5)]
ANGLES = [f"{plane}{angle}" for plane in "12" for angle in "abcd"]
BORES = [f"{plane}{angle}" for plane in "12" for angle in "abc"]


def indicated(swings: Mapping[str, tuple[float, float]]) -> Rows:
    """Every place all the way round, simulated: its swing and its high side."""
    for place, (swing, high) in swings.items():
        for deg in range(0, 360, 45):
            yield f"run-out-{place}", "run-out", str(deg), f"{swing / 2 * math.cos(math.radians(deg - high)):.4f}"


def sized(sizes: dict[str, str]) -> Rows:
    for part, size in sizes.items():
        yield from ((part, "diameter", spot, size) for spot in ANGLES)


def tunnel() -> Rows:
    for main in MAINS:
        yield from ((f"housing-{main}", "housing bore", spot, "2.8991") for spot in BORES)


def line() -> Rows:
    for main in MAINS[1:-1]:
        yield f"housing-{main}", "line by indicator", "1a", "0.0001"


class Bench:
    """A job in the browser: files of readings in, work written down, the sheet decided."""

    def __init__(self, page: Page, folder: Path, gauges: dict[str, str]) -> None:
        self.page, self.folder, self.gauges, self.files = page, folder, gauges, 0

    def stop(self, name: str) -> None:
        self.page.get_by_role("link", name=name, exact=True).first.click()

    def take_in(self, rows: Rows, gauge: str, at: datetime) -> None:
        """Readings from a file, a thousandth of a second apart."""
        self.files += 1
        lines = ["part,feature,spot,size [in],gauge,at,caps torqued"]
        for nth, (part, feature, spot, size) in enumerate(rows):
            when = (at + timedelta(milliseconds=nth)).isoformat()
            caps = "yes" if part.startswith("housing") else ""
            lines.append(f"{part},{feature},{spot},{size},{self.gauges[gauge]},{when},{caps}")
        file = self.folder / f"{self.files}.csv"
        file.write_text("\n".join(lines) + "\n", encoding="utf-8")
        self.stop("Sheet")
        self.page.get_by_label("Readings file").set_input_files(file)
        take = self.page.get_by_role("button", name=re.compile(f"^Take {len(lines) - 1} in"))
        take.click()
        expect(take).to_have_count(0)

    def done(self, what: str, to: str, *, at: str = "", undersize: str = "") -> None:
        self.stop("Bench")
        self.page.get_by_role("button", name="Work done").click()
        self.page.get_by_label("What was done").select_option(what)
        self.page.get_by_label("Done to").select_option(to)
        if undersize:
            self.page.get_by_label("Ground to, under standard").fill(undersize)
        if at:
            self.page.get_by_label("When it was done").fill(at)
        self.page.get_by_role("button", name="Write it down").click()
        sure = self.page.get_by_role("button", name="Yes, write it down")
        expect(sure.or_(self.page.get_by_role("button", name="Work done"))).to_be_visible()
        if sure.is_visible():
            sure.click()
        expect(self.page.get_by_role("dialog")).to_have_count(0)

    def sound(self, names: list[str]) -> None:
        for name in names:
            self.page.get_by_role("button", name=re.compile(f"^{name}[,:]")).click()
            button = self.page.get_by_role("button", name="Looks sound")
            expect(button).to_be_visible()
            self.page.keyboard.press("Alt+s")
            expect(button).to_have_count(0)

    def look(self, part: str, what: str, answer: str, depth: str = "") -> None:
        self.page.get_by_role("button", name=re.compile(f"^{part}[,:]")).click()
        self.page.get_by_label(what).select_option(answer)
        if depth:
            self.page.get_by_label("Depth").fill(depth)
            self.page.get_by_role("button", name="Write it down").click()
            expect(self.page.get_by_role("dialog")).to_have_count(0)

    def station(self, name: str) -> None:
        stations = self.page.get_by_role("navigation", name="Stations")
        stations.get_by_role("button", name=re.compile(f"^{name}")).click()


def book_in(page: Page) -> None:
    page.get_by_role("link", name="Book in an engine").click()
    page.get_by_label("Engine or machine").fill("Lighter Teal")
    page.get_by_label("Limits sheet").select_option(label="Orrin V8-48, revision 1")
    page.get_by_role("button", name="crank only").click()
    for more in ("tunnel", "end float"):
        page.get_by_role("checkbox", name=more, exact=True).check()
    page.get_by_role("button", name="Book in and measure").click()
    page.get_by_test_id("verdict").wait_for()


PIN = [f"Pin {n}" for n in range(1, 5)]
MAIN = [f"Main journal M{n}" for n in range(1, 6)]
HOUSING = [f"Housing of main {n}" for n in range(1, 6)]


def test_a_bent_scored_crank_to_a_signed_sheet(enter: Callable[..., Page], server: Server, tmp_path: Path) -> None:
    """Common practice, no source: crack test, straighten, stand, crack test, grind, crack test, polish."""
    page = enter("owner")
    now = datetime.now(UTC)
    yesterday = now - timedelta(hours=30)
    # The bench's clock stands at yesterday while the engine is booked in.
    page.clock.install(time=yesterday)
    book_in(page)
    bench = Bench(
        page, tmp_path, {one["name"]: one["id"] for one in page.request.get(f"{server.url}/api/gauges").json()}
    )
    dial, mic, bore = "Test indicator, tenths", "2–3 in micrometer, No. 7", "2–3 in dial bore gauge, No. 5"

    # Indicated, and every journal read: bent between its second and third main, a pin scored.
    bent = {
        "M2": (0.009, 100),
        "M3": (0.010, 110),
        "M4": (0.0042, 105),
        "nose": (0.0021, 285),
        "flange": (0.0012, 300),
    }
    bench.take_in(indicated(bent), dial, yesterday + timedelta(minutes=5))
    sizes = {**dict.fromkeys(MAINS, "2.7045"), **dict.fromkeys(RODS, "2.2615")}
    bench.take_in(sized(sizes), mic, yesterday + timedelta(minutes=20))
    bench.stop("Bench")
    bench.station("Straightness")
    bench.look("Crank at main 3", "supports", "end mains")
    expect(page.get_by_label("Verdict")).to_contain_text("Bent")
    bench.station("Crank")
    bench.look("Pin 3", "surface", "nail catches", ".0055")
    bench.stop("Sheet")
    expect(page.get_by_role("heading", name="Straightness: straighten first")).to_be_visible()
    page.get_by_role("button", name="Accept for straightness").click()
    page.get_by_role("link", name="Ways on", exact=True).click()
    expect(page.get_by_text("Indicate the crank and crack-test it").first).to_be_visible()
    expect(page.get_by_role("button", name="Accept Grind", exact=False)).to_have_count(0)
    page.get_by_role("link", name="Grinder’s card").click()
    expect(page.get_by_role("heading", name="Straighten, then grind")).to_be_visible()
    order = page.get_by_role("listitem")
    expect(order.filter(has_text="crack test, demagnetise")).to_have_count(3)

    # Pressed yesterday, stood overnight, indicated and read again this morning.
    bench.done("straighten", "crank", at=f"{yesterday + timedelta(hours=2):%Y-%m-%dT%H:%M}")
    page.clock.set_system_time(datetime.now(UTC))
    morning = now - timedelta(minutes=30)
    lies = {
        "M2": (0.0004, 90),
        "M3": (0.0006, 110),
        "M4": (0.0003, 70),
        "nose": (0.0008, 280),
        "flange": (0.0006, 300),
    }
    bench.take_in(indicated(lies), dial, morning)
    bench.take_in(sized(sizes), mic, morning + timedelta(minutes=5))
    bench.stop("Bench")
    bench.station("Crank")
    bench.sound([*MAIN, "Pin 1", "Pin 2", "Pin 4"])
    bench.look("Pin 3", "crack test", "passed")
    bench.look("Pin 3", "fillet", "sound")
    bench.look("Pin 3", "heat colour", "none")
    bench.stop("Sheet")
    page.get_by_role("button", name="Accept for straightness").click()
    page.get_by_role("link", name="Ways on", exact=True).click()
    rods = page.get_by_role("region", name="Rod journals")
    ten = rods.get_by_role("row").filter(has_text="Grind, 0.010 under")
    expect(ten).to_contain_text("Not open: Pin 3 misses by")
    rods.get_by_role("button", name="Accept Grind, 0.020 under").click()
    expect(rods).to_contain_text("It is decided")
    page.get_by_role("region", name="Main journals").get_by_role("button", name="Accept Leave as they are").click()

    # The card, on screen, on paper and as a table; what came back is held against it.
    page.get_by_role("link", name="Grinder’s card").click()
    third = page.get_by_role("row").filter(has_text="Pin 3")
    expect(third).to_contain_text("2.2413 to 2.2421")
    expect(third).to_contain_text("2.2410 to 2.2418")
    address = page.get_by_role("link", name="Print").get_attribute("href")
    assert address is not None
    paper = PdfReader(BytesIO(page.request.get(server.url + address.replace(".html", ".pdf")).body()))
    assert "Pin 3" in paper.pages[0].extract_text()
    table = page.request.get(server.url + address.replace(".html", ".csv")).text()
    assert "2.2413 to 2.2421" in table
    bench.done("grind", "rods", undersize=".020")
    bench.take_in(sized(dict.fromkeys(RODS, "2.2417")), mic, datetime.now(UTC))
    page.get_by_role("link", name="Grinder’s card").click()
    expect(page.get_by_role("row").filter(has_text="hit")).to_have_count(4)
    expect(page.get_by_text(re.compile("^Crack test: M1"))).to_be_visible()
    bench.done("polish", "rods")
    bench.take_in(sized(dict.fromkeys(RODS, "2.2414")), mic, datetime.now(UTC))
    bench.stop("Bench")
    bench.station("Crank")
    bench.look("Pin 3", "surface", "nail runs clear")
    bench.sound(PIN)
    bench.look("Pin 3", "crack test", "passed")

    # Its tunnel, its float, and the sheet.
    bench.take_in(tunnel(), bore, datetime.now(UTC))
    bench.take_in(line(), dial, datetime.now(UTC))
    bench.stop("Bench")
    bench.station("End float")
    page.get_by_role("textbox", name=re.compile("^Reading at 1a")).fill("0.0045")
    page.keyboard.press("Enter")
    page.get_by_label("thrust faces").select_option("smooth")
    bench.stop("Sheet")
    for one in ("rods", "end float", "tunnel"):
        accept = page.get_by_role("button", name=f"Accept for {one}")
        accept.click()
        expect(accept).to_have_count(0)
    page.get_by_role("button", name="Sign the sheet").click()
    page.get_by_role("button", name="Yes, sign it").click()
    expect(page.get_by_text(re.compile("^Signed by owner")).first).to_be_visible()
