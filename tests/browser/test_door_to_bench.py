"""One new engine from the door to the bench: booked in, looked at in the program's order, stripped with its parts
marked, labels printed, pictures added from a phone, and handed over only when nothing bars it."""

from __future__ import annotations

import io
import re
from collections.abc import Callable
from pathlib import Path

import pypdfium2
import zxingcpp
from PIL import Image
from playwright.sync_api import Browser, Page, ViewportSize, expect

from halfthou.exchange import read_zip, write_zip
from tests.serving import Server

PHONE: ViewportSize = {"width": 390, "height": 844}


def group(page: Page, name: str) -> Page:
    """The part of a page that is of one question."""
    return page.get_by_role("group", name=name, exact=True)  # type: ignore[return-value]


def book_in(page: Page) -> None:
    page.get_by_role("link", name="Book in an engine").click()
    page.get_by_label("Engine or machine").fill("Ferry capstan")
    page.get_by_label("Complaint in the customer's words").fill("Knocks when it is warm.")
    group(page, "The complaint falls under").get_by_role("button", name="knock").click()
    hours = group(page, "Hours or distance")
    for answer, source in (("6,210 h", "hour meter"), ("about 4,000 h", "the mate")):
        hours.get_by_label("Hours or distance, in words").fill(answer)
        hours.get_by_label("Hours or distance, who says so").fill(source)
        hours.get_by_role("button", name="Write down: Hours or distance").click()
    group(page, "Turns by hand").get_by_role("button", name="free").click()
    group(page, "Oil sample").get_by_role("button", name="drawn now").click()
    page.get_by_label("Stop before a look").select_option(label="Heads off and turned by hand")
    page.get_by_role("button", name="Agree a stop point").click()
    page.get_by_label("Limits sheet").select_option(index=1)
    page.get_by_role("button", name="Book in and look").click()
    expect(page.get_by_role("heading", name="Which look first")).to_be_visible()


#: Of looks that have answers of their own: what is pressed for nothing and for something found.
OWN = {
    "Pan off: screen and pickup, before cleaning": {"looked, nothing": "clear", "found": "part blocked"},
    "Filter cut open": {"looked, nothing": "clean", "found": "copper or bronze"},
    "Oil drained, seen and smelt": {"looked, nothing": "clean", "found": "milky"},
    "Cooling pressed": {"looked, nothing": "holds cold", "found": "leaks"},
    "Deck and heads, straight and sound": {"looked, nothing": "flat", "found": "out of flat"},
    "Turned by hand": {"looked, nothing": "free", "found": "locked"},
    "Crank out and run on its ends": {"looked, nothing": "run-out", "found": "bent"},
    "Crack test of the crank": {"looked, nothing": "passed", "found": "crack found"},
}


def answer_look(page: Page, found: str, words: str = "") -> str:
    """Answer the look in hand, in general or by the answer of its own that comes to the same; gives its name."""
    hand = page.get_by_role("region", name="The look in hand")
    name = hand.get_by_role("heading").inner_text()
    hand.get_by_role("button", name=re.compile(rf"{OWN.get(name, {}).get(found, found)}$")).click()
    if words:
        hand.get_by_label("What was found").fill(words)
    hand.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("region", name="Looks taken")).to_contain_text(name)
    expect(hand.get_by_role("heading")).not_to_have_text(name)
    return name


def test_looks_come_in_the_programs_order_and_a_stop_point_is_passed(enter: Callable[..., Page]) -> None:
    """Common practice, no source: two sources that disagree both stay; a knock is looked for from below; the
    customer is asked at the stop point, and the reason stays."""
    page = enter("machinist")
    book_in(page)
    page.get_by_role("link", name="Door").click()
    said = page.get_by_role("list", name="What has to be said")
    expect(said).to_contain_text("hour meter says 6,210 h; the mate says about 4,000 h. Both stay.")
    page.get_by_role("link", name="Door", exact=True).click()
    page.get_by_role("link", name=re.compile("^Looks")).click()
    order = page.get_by_role("region", name="The order of looks")
    first = order.get_by_role("listitem").first.inner_text()
    expect(order).to_contain_text("in the order of a plain strip after")
    assert answer_look(page, "found", "grey paste, one bright chip") in first

    for _ in range(20):
        stop = page.get_by_role("group", name=re.compile("^Stop point: before"))
        if "Stop point reached" in stop.inner_text():
            break
        answer_look(page, "looked, nothing")
    expect(stop).to_contain_text("Stop point reached")
    stop.get_by_label(re.compile("^Why")).fill("Skipper on the telephone: go on")
    stop.get_by_role("button", name="Go on").click()
    expect(stop).to_contain_text("Gone on: Skipper on the telephone: go on (machinist)")
    page.get_by_role("link", name="Half Thou").click()
    expect(page.get_by_role("row", name=re.compile("Ferry capstan"))).to_contain_text("waits for the look")


def next_step(page: Page, text: str) -> None:
    page.get_by_role("region", name="Strip list").get_by_role("button", name=re.compile(f"^{text}")).click()
    hand = page.get_by_role("region", name="The step in hand")
    expect(hand.get_by_role("heading")).to_have_text(re.compile(f"^{text}"))


def test_caps_and_shells_are_marked_and_two_that_are_no_pair_are_said_at_once(enter: Callable[..., Page]) -> None:
    """Common practice, no source."""
    page = enter("machinist", "Ferry capstan")
    page.get_by_role("link", name="Strip").click()
    hand = page.get_by_role("region", name="The step in hand")
    next_step(page, "Cap of rod 2 off")
    hand.get_by_role("button", name="Done").click()
    expect(hand).to_contain_text("Not done yet: Pan off: the pan covers it")
    hand.get_by_role("button", name="It was off already").click()
    expect(hand).to_contain_text("It leaves its place only with its mark")
    next_step(page, "Rod 2, its cap and piston 2 marked")
    hand.get_by_label("found on rod 2").fill("2")
    hand.get_by_label("found on cap 2").fill("4")
    hand.get_by_role("button", name="Done").click()
    hand.get_by_role("button", name="It was off already").click()
    listed = page.get_by_role("region", name="Strip list").get_by_role("button", name=re.compile("done$"))
    expect(listed.filter(has_text="Rod 2, its cap and piston 2 marked")).to_be_visible()
    expect(page.get_by_role("alert", name="Said at once")).to_contain_text(
        "Rod 2 bears 2, its cap 4: they are no pair"
    )
    next_step(page, "Cap of rod 2 off")
    hand.get_by_role("heading").click()
    page.keyboard.press("f")
    expect(hand.get_by_role("button", name="force needed")).to_have_attribute("aria-pressed", "true")
    page.keyboard.press("Enter")
    done = page.get_by_role("region", name="Strip list").get_by_role("button", name=re.compile("done$"))
    expect(done.filter(has_text="Cap of rod 2 off")).to_contain_text("force needed")
    expect(hand.get_by_role("heading")).to_contain_text("Half bearing lower of rod 2 out")
    page.keyboard.press("Enter")
    expect(done.filter(has_text="lower of rod 2 out")).to_be_visible()
    page.get_by_role("link", name="Marks and places").click()
    group(page, "Kind of part").get_by_role("button", name="half bearing").click()
    line = page.get_by_role("row", name="Half bearing of rod 2, lower")
    expect(line.get_by_role("img", name="marked: 2L")).to_be_visible()
    expect(line.get_by_label("Where Half bearing of rod 2, lower lies")).not_to_have_value("")

    page.get_by_role("link", name="Bench").click()
    expect(page.get_by_label("Verdict")).to_contain_text("they are no pair")


def test_labels_are_printed_and_their_codes_can_be_read(enter: Callable[..., Page], server: Server) -> None:
    """Outside: zxing-cpp reads the PDF as pypdfium2 draws it."""
    page = enter("machinist", "Ferry capstan")
    page.get_by_role("link", name="Strip").click()
    page.get_by_role("link", name="Labels").click()
    parts = page.get_by_role("region", name="Which parts")
    for kind in ("half bearing", "piston", "main cap"):
        parts.get_by_role("button", name=kind, exact=True).click()
    page.get_by_role("button", name="Roll, 57 by 32 mm").click()
    link = page.get_by_role("link", name=re.compile("^Print [0-9]+ labels"))
    expect(link).to_be_visible()
    page.get_by_label("width, mm").fill("12")
    expect(page.get_by_role("alert")).to_contain_text("12 mm: a label is 20 to 200 mm here")
    page.get_by_label("width, mm").fill("50")
    expect(link).to_be_visible()
    answer = page.request.get(f"{server.url}{link.get_attribute('href')}")
    document = pypdfium2.PdfDocument(answer.body())
    said = [code.text for one in document for code in zxingcpp.read_barcodes(one.render(scale=3).to_pil())]
    assert len(said) == len(document)
    assert any(text.endswith("cap-rod-2") for text in said)


def photograph(folder: Path) -> Path:
    out = folder / "IMG_0001.jpg"
    exif = Image.Exif()
    exif[0x0112] = 6
    Image.linear_gradient("L").resize((640, 480)).convert("RGB").save(out, "JPEG", exif=exif)
    return out


def test_pictures_come_from_a_phone_and_wait_while_the_server_is_away(
    enter: Callable[..., Page], browser: Browser, server: Server, tmp_path: Path
) -> None:
    page = enter("machinist", "Ferry capstan")
    address = re.sub(r"(/jobs/\d+).*", r"\1", page.url)
    phone = browser.new_context(
        viewport=PHONE, has_touch=True, locale="en-GB", storage_state=page.context.storage_state()
    )
    hand = phone.new_page()
    hand.goto(f"{address}/looks")
    add = hand.get_by_label(re.compile("^Add a picture of")).first
    add.set_input_files(photograph(tmp_path))
    expect(hand.get_by_role("button", name=re.compile("^Open the picture of")).first).to_be_visible()
    hand.goto(f"{address}/strip/pictures")
    expect(hand.get_by_role("button", name=re.compile("^Open the picture of")).first).to_be_visible()
    source = hand.locator("main li img").first.get_attribute("src") or ""
    small = Image.open(io.BytesIO(phone.request.get(f"{server.url}{source}").body()))
    assert small.height > small.width, "turned upright: the camera was held on its side"
    assert hand.evaluate("document.documentElement.scrollWidth <= innerWidth")

    hand.route("**/pictures", lambda route: route.abort() if route.request.method == "POST" else route.continue_())
    hand.get_by_label("Add a picture of the engine").set_input_files(photograph(tmp_path))
    expect(hand.get_by_text("1 picture waits in this browser.")).to_be_visible()
    hand.reload()
    expect(hand.get_by_text("1 picture waits in this browser.")).to_be_visible()
    hand.unroute("**/pictures")
    expect(hand.get_by_text("1 picture waits in this browser.")).to_have_count(0, timeout=15_000)
    of_engine = hand.get_by_role("listitem").get_by_role(
        "button", name=re.compile("^Open the picture of The engine")
    )
    expect(of_engine).to_have_count(1)
    phone.close()


def test_a_job_with_its_pictures_goes_out_and_comes_in(
    enter: Callable[..., Page], server: Server, tmp_path: Path
) -> None:
    page = enter("machinist", "Ferry capstan")
    address = re.sub(r".*(/jobs/\d+).*", r"\1", page.url)
    file, pictures = read_zip(page.request.get(f"{server.url}/api{address}/job.zip").body())
    assert (len(file.job.pictures), len(pictures)) == (2, 1), "two of the same points are one file"
    renamed = file.job.model_copy(update={"number": "770", "title": "Capstan, from the other shop"})
    elsewhere = tmp_path / "job-770.zip"
    elsewhere.write_bytes(write_zip(file.model_copy(update={"job": renamed}), pictures))
    page.get_by_role("link", name="Half Thou").click()
    page.get_by_label("Job file").set_input_files(elsewhere)
    expect(page.get_by_role("heading", name="Capstan, from the other shop")).to_be_visible()
    page.get_by_role("link", name="Strip").click()
    page.get_by_role("link", name="Pictures").click()
    expect(page.get_by_role("listitem").get_by_role("button", name=re.compile("^Open the picture"))).to_have_count(
        2
    )


def test_what_stands_open_bars_the_hand_over_until_it_is_closed(enter: Callable[..., Page]) -> None:
    """Common practice, no source: every hole has its bolt, what was removed is back; a fragment is answered for."""
    page = enter("machinist", "Ferry capstan")
    page.get_by_role("link", name="Strip").click()
    page.get_by_role("link", name="Fasteners and removed").click()
    write = page.get_by_role("region", name="Write down")
    write.get_by_label("What was taken out").fill("dip tube")
    write.get_by_label("Where it belongs").fill("block, left side")
    write.get_by_role("button", name="Write it down").click()
    open_ = page.get_by_role("region", name="Stands open")
    expect(open_).to_contain_text("dip tube, block, left side")
    write.get_by_role("button", name="fastener or hole").click()
    write.get_by_label("Place").fill("bell housing, upper left")
    write.get_by_label("How it was found").select_option("hole found empty")
    write.get_by_role("button", name="Write it down").click()
    expect(page.get_by_role("region", name="Fasteners", exact=True)).to_contain_text("gets its bolt")
    write.get_by_role("button", name="fragment").click()
    write.get_by_label("What was found").fill("grey chip")
    write.get_by_label("Where it lay").fill("pan")
    write.get_by_role("button", name="Write it down").click()
    expect(open_.get_by_role("heading")).to_have_text("3 stand open before it leaves")

    page.get_by_role("link", name="Leave", exact=True).click()
    page.get_by_role("button", name="Hand over").click()
    leave = page.get_by_role("dialog")
    leave.get_by_label("To whom").fill("the skipper")
    leave.get_by_role("button", name="Handed over").click()
    expect(leave).to_contain_text("dip tube, block, left side")
    expect(leave).to_contain_text("hole found empty")
    leave.get_by_role("button", name="Close").click()
    page.get_by_role("link", name="Fasteners and removed").click()
    open_.get_by_role("listitem", name="dip tube, block, left side").get_by_role(
        "button", name="back in its place"
    ).click()
    open_.get_by_role("listitem", name=re.compile("bell housing")).get_by_role("button", name="renewed").click()
    expect(open_.get_by_role("heading")).to_have_text("1 stand open before it leaves")
    page.get_by_role("link", name="Leave", exact=True).click()
    page.get_by_role("button", name="Hand over").click()
    leave.get_by_label("To whom").fill("the skipper")
    leave.get_by_role("button", name="Handed over").click()
    expect(leave).to_contain_text("Nobody knows where this came from: grey chip")
    leave.get_by_label(re.compile("^Words for what")).fill(
        "Shown to the skipper; no part of ours is missing metal."
    )
    leave.get_by_role("button", name="Handed over").click()
    expect(page.get_by_role("heading", name="Handed over to the skipper")).to_be_visible()
    page.get_by_role("link", name="Story").click()
    expect(page.get_by_role("main")).to_contain_text("handed over to the skipper")


def test_an_entry_waits_while_the_server_is_away_and_lands_once(enter: Callable[..., Page]) -> None:
    page = enter("machinist")
    page.get_by_role("link", name=re.compile("Engine in a crate")).click()
    page.get_by_role("main").get_by_role("link", name="To the door").click()
    page.route("**/facts", lambda route: route.abort())
    group(page, "Oil sample").get_by_role("button", name="no oil in it").click()
    expect(page.get_by_role("alert")).to_contain_text("1 entry waits here")
    page.unroute("**/facts")
    expect(page.get_by_text("1 entry waits here")).to_have_count(0, timeout=15_000)
    chosen = group(page, "Oil sample").get_by_role("button", name="no oil in it")
    expect(chosen).to_have_attribute("aria-pressed", "true")
