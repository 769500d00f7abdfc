"""Pictures for the demo shop, drawn by script: no photograph of a real engine is among them."""

from __future__ import annotations

import io
import random
from collections.abc import Callable

from PIL import Image, ImageDraw, ImageFilter, ImageFont

WIDE = (960, 720)
STEEL, DARK, OIL, COPPER, BRASS = (120, 124, 128), (52, 54, 58), (46, 36, 22), (176, 100, 62), (196, 168, 96)
#: EXIF: the camera was held on its side. Source: EXIF 2.3, tag 0x0112.
ORIENTATION, ON_ITS_SIDE = 0x0112, 6

Draw = Callable[[ImageDraw.ImageDraw, random.Random], None]


def drawn(draw: Draw, seed: int, *, on_its_side: bool = False) -> bytes:
    """A picture as a camera would send it: with noise, a little out of focus, perhaps on its side."""
    chance = random.Random(seed)
    picture = Image.new("RGB", WIDE, (96, 92, 84))
    pen = ImageDraw.Draw(picture)
    for y in range(0, WIDE[1], 6):
        shade = 78 + y // 24 + chance.randrange(6)
        pen.rectangle((0, y, WIDE[0], y + 6), fill=(shade, shade - 4, shade - 12))
    draw(pen, chance)
    picture = picture.filter(ImageFilter.GaussianBlur(1.1))
    out = io.BytesIO()
    if on_its_side:
        exif = Image.Exif()
        exif[ORIENTATION] = ON_ITS_SIDE
        picture.rotate(90, expand=True).save(out, "JPEG", quality=80, exif=exif)
    else:
        picture.save(out, "JPEG", quality=80)
    return out.getvalue()


def _specks(
    pen: ImageDraw.ImageDraw, chance: random.Random, box: tuple[int, int, int, int], colour: object
) -> None:
    left, top, right, bottom = box
    for _ in range(160):
        x, y, size = chance.randrange(left, right), chance.randrange(top, bottom), chance.randrange(2, 8)
        pen.ellipse((x, y, x + size, y + size // 2 + 1), fill=colour)  # type: ignore[arg-type]


def screen(pen: ImageDraw.ImageDraw, chance: random.Random) -> None:
    """A pickup screen half closed by carbon."""
    pen.ellipse((230, 110, 730, 610), fill=STEEL, outline=DARK, width=16)
    for n in range(250, 720, 22):
        pen.line((n, 150, n, 570), fill=DARK, width=4)
        pen.line((270, n - 110, 690, n - 110), fill=DARK, width=4)
    _specks(pen, chance, (260, 330, 700, 580), (18, 16, 14))
    pen.pieslice((240, 120, 720, 600), 20, 165, fill=(22, 20, 18))


def filter_pleats(pen: ImageDraw.ImageDraw, chance: random.Random) -> None:
    """Filter pleats on white paper, copper flakes in them."""
    pen.rectangle((80, 90, 880, 640), fill=(226, 222, 208))
    for n in range(120, 850, 46):
        pen.polygon([(n, 130), (n + 30, 150), (n + 30, 590), (n, 610)], fill=(150, 132, 96), outline=(96, 80, 52))
    _specks(pen, chance, (110, 150, 850, 600), COPPER)


def shell(pen: ImageDraw.ImageDraw, chance: random.Random) -> None:
    """A half bearing worn to its copper."""
    pen.chord((160, 80, 800, 900), 180, 360, fill=BRASS, outline=DARK, width=6)
    pen.chord((240, 180, 720, 880), 180, 360, fill=(90, 86, 80))
    pen.arc((180, 100, 780, 880), 225, 310, fill=COPPER, width=70)
    _specks(pen, chance, (250, 120, 720, 300), (70, 52, 40))


def sound_shell(pen: ImageDraw.ImageDraw, _chance: random.Random) -> None:
    """A half bearing as new."""
    pen.chord((160, 80, 800, 900), 180, 360, fill=(176, 178, 180), outline=DARK, width=6)
    pen.chord((240, 180, 720, 880), 180, 360, fill=(90, 86, 80))
    pen.arc((190, 110, 770, 870), 190, 350, fill=(196, 198, 200), width=30)


def rod_and_cap(pen: ImageDraw.ImageDraw, _chance: random.Random) -> None:
    """A big end whose halves bear unlike numbers."""
    pen.rounded_rectangle((300, 60, 660, 350), 40, fill=STEEL, outline=DARK, width=6)
    pen.rounded_rectangle((300, 362, 660, 660), 60, fill=(132, 134, 138), outline=DARK, width=6)
    pen.ellipse((370, 240, 590, 470), fill=(70, 68, 64), outline=DARK, width=5)
    face = ImageFont.load_default(92)
    pen.text((325, 130), "3", fill=DARK, font=face)
    pen.text((325, 500), "7", fill=DARK, font=face)


def empty_hole(pen: ImageDraw.ImageDraw, _chance: random.Random) -> None:
    """A bell housing with one bolt missing."""
    pen.arc((120, 80, 840, 1000), 180, 360, fill=STEEL, width=120)
    for n, (x, y) in enumerate(((210, 420), (340, 210), (480, 140), (620, 210), (750, 420))):
        if n == 1:
            pen.ellipse((x - 26, y - 26, x + 26, y + 26), fill=(16, 14, 12), outline=DARK, width=4)
        else:
            pen.regular_polygon((x, y, 36), 6, fill=(92, 94, 98), outline=DARK)


def engine(pen: ImageDraw.ImageDraw, chance: random.Random) -> None:
    """An engine on its pallet as it came."""
    pen.rectangle((90, 560, 870, 640), fill=(150, 122, 82), outline=DARK, width=4)
    pen.rectangle((190, 240, 770, 560), fill=(82, 96, 84), outline=DARK, width=6)
    pen.rectangle((230, 160, 730, 240), fill=(70, 82, 74), outline=DARK, width=6)
    pen.ellipse((120, 380, 260, 520), fill=STEEL, outline=DARK, width=6)
    for n in range(260, 720, 120):
        pen.rectangle((n, 290, n + 70, 360), fill=DARK)
    _specks(pen, chance, (200, 430, 760, 560), OIL)


def mark() -> bytes:
    """The shop's mark: a journal between the faces of a micrometer, dark on white."""
    picture = Image.new("RGB", (440, 220), "white")
    pen = ImageDraw.Draw(picture)
    ink = (22, 38, 58)
    pen.arc((40, 20, 260, 240), 180, 360, fill=ink, width=22)
    pen.rectangle((40, 120, 62, 180), fill=ink)
    pen.rectangle((238, 120, 260, 180), fill=ink)
    pen.rectangle((62, 140, 96, 160), fill=ink)
    pen.rectangle((204, 140, 420, 160), fill=ink)
    for x in range(284, 410, 14):
        pen.line((x, 124, x, 139), fill=ink, width=4)
    pen.ellipse((98, 98, 202, 202), outline=ink, width=10)
    out = io.BytesIO()
    picture.save(out, "PNG")
    return out.getvalue()
