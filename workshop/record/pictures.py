"""Picture files: turned upright, without place data, kept under the hash of what is kept, with a small copy.

They lie beside the database, each once however many jobs name it, and are never changed.
"""

from __future__ import annotations

import hashlib
import io
import os
import time
import warnings
from dataclasses import dataclass
from pathlib import Path

from django.conf import settings
from PIL import Image, ImageFile, ImageOps, UnidentifiedImageError

from halfthou.jobs import PictureKind
from workshop.people.refusals import Refusal
from workshop.record.bare import NotWhole, bare
from workshop.record.models import PictureRenamed

#: What a picture may be, at the most: a phone's largest are about 12 MB and 50 megapixels.
MOST_BYTES, MOST_PIXELS = 15_000_000, 50_000_000
#: A large picture that unpacks to so many times its size shows one flat colour: refused before it is unpacked.
LARGE, MOST_TIMES = 20_000_000, 200
LONGEST_SIDE, LEAST_SIDE = 20_000, 16
SMALL_SIDE, QUALITY, SMALL_QUALITY = 480, 90, 78
#: A file half written for so long is written by nobody any more, in seconds.
LEFT_S = 600.0
_READ = ("JPEG", "PNG", "WEBP")
_KEPT_AS = {PictureKind.JPEG: "jpg", PictureKind.PNG: "png"}
_HEIC = (
    "This phone saves its pictures as HEIC, which browsers do not show. Set its camera to JPEG (most compatible)."
)
_BY_FIRST_BYTES = {
    b"ftyphei": _HEIC,
    b"ftypmif1": _HEIC,
    b"ftypavif": "This is an AVIF picture. Save it as JPEG or PNG.",
    b"%PDF": "This is a PDF, not a picture. Take a picture of the page, or save it as one.",
    b"GIF8": "This is a GIF. Save it as JPEG or PNG.",
}


@dataclass(frozen=True, slots=True)
class Upright:
    """A picture as it is kept: its bytes, and its size in pixels."""

    content: bytes
    kind: PictureKind
    width: int
    height: int
    small: bytes

    @property
    def sha256(self) -> str:
        """Its name: the hash of what is kept."""
        return hashlib.sha256(self.content).hexdigest()


def upright(data: bytes) -> Upright:
    """A picture as it came, turned upright, without its place data, with a small copy.

    Refuses: Refusal, in words, where it is no picture, too large, or cut short.
    """
    if len(data) > MOST_BYTES:
        raise Refusal(
            "picture-too-large", f"The picture has {len(data) / 1e6:,.0f} MB; at most {MOST_BYTES // 1_000_000}."
        )
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore", Image.DecompressionBombWarning)
            picture = Image.open(io.BytesIO(data), formats=_READ)
    except (UnidentifiedImageError, OSError, ValueError, Image.DecompressionBombError):
        raise Refusal("no-picture", _what_else(data)) from None
    width, height = picture.size
    if width * height > MOST_PIXELS or max(width, height) > LONGEST_SIDE:
        words = (
            f"The picture has {width * height / 1e6:,.0f} megapixels; at most {MOST_PIXELS // 1_000_000} are kept."
        )
        raise Refusal("picture-too-large", f"{words} Take it with a smaller setting.")
    if min(width, height) < LEAST_SIDE:
        raise Refusal("no-picture", f"{width} by {height} points show nothing. Take another.")
    if width * height > LARGE and 3 * width * height > MOST_TIMES * len(data):
        raise Refusal("no-picture", "The picture is one flat colour, and very large. Take it again.")
    kind = PictureKind.PNG if picture.format == "PNG" else PictureKind.JPEG
    # What prints our pages has Pillow take pictures that are cut short; here one that is must be refused.
    ImageFile.LOAD_TRUNCATED_IMAGES = False
    try:
        turned = _on_white(ImageOps.exif_transpose(picture))
        full = turned.convert("RGB") if kind is PictureKind.JPEG or turned.mode not in ("L", "RGB") else turned
    except (OSError, ValueError, SyntaxError):
        raise Refusal("no-picture", "The picture is cut short: it did not come whole. Send it again.") from None
    # A profile belongs to the colours it was made for: ink's is not that of light.
    colours = picture.info.get("icc_profile") if full.mode == picture.mode else None
    content = _written(full, kind, QUALITY, colours)
    small = full.convert("RGB")
    small.thumbnail((SMALL_SIDE, SMALL_SIDE))
    return Upright(content, kind, *full.size, _written(small, PictureKind.JPEG, SMALL_QUALITY, None))


def _on_white(picture: Image.Image) -> Image.Image:
    """What is see-through in a picture, white: paper is."""
    if "A" not in picture.getbands() and "transparency" not in picture.info:
        return picture
    clear = picture.convert("RGBA")
    return Image.alpha_composite(Image.new("RGBA", clear.size, "white"), clear).convert("RGB")


def _written(picture: Image.Image, kind: PictureKind, quality: int, colours: bytes | None) -> bytes:
    """The picture's own points and nothing else of what the camera wrote; its colours keep their meaning."""
    out = io.BytesIO()
    more = {"icc_profile": colours} if colours else {}
    bare = picture.copy()
    bare.info.clear()
    if kind is PictureKind.PNG:
        bare.save(out, "PNG", **more)
    else:
        bare.save(out, "JPEG", quality=quality, **more)
    return out.getvalue()


def _what_else(data: bytes) -> str:
    for first, words in _BY_FIRST_BYTES.items():
        if first in data[:16]:
            return words
    return "That is no picture that can be read here. JPEG, PNG and WebP are."


def kept_as(sha256: str) -> str:
    """The hash that a picture's file lies under: another than on record where it was cleaned since."""
    global _renamed
    if _renamed is None:
        _renamed = dict(PictureRenamed.objects.values_list("old", "new"))
    return _renamed.get(sha256, sha256)


#: Read once: nothing is renamed while the server runs.
_renamed: dict[str, str] | None = None


def place_of(sha256: str, kind: PictureKind, *, small: bool = False) -> Path:
    """Where a picture's file lies; its small copy beside it."""
    sha256 = kept_as(sha256)
    folder: Path = settings.DATA_DIR / "pictures" / sha256[:2]
    return folder / f"{sha256}.small.jpg" if small else folder / f"{sha256}.{_KEPT_AS[kind]}"


def files_under(sha256: str) -> list[Path]:
    """Every file that lies under a hash itself."""
    return list((settings.DATA_DIR / "pictures" / sha256[:2]).glob(f"{sha256}.*"))


def keep_file(picture: Upright) -> None:
    """Keep a picture's file and its small copy, each whole or not at all."""
    for small, content in ((False, picture.content), (True, picture.small)):
        _write(place_of(picture.sha256, picture.kind, small=small), content)


def _write(place: Path, content: bytes) -> None:
    if place.exists():
        return
    place.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
    part = place.with_name(f"{place.name}.{os.getpid()}.{id(content)}.part")
    try:
        with part.open("wb") as file:
            file.write(content)
            file.flush()
            os.fsync(file.fileno())
        part.replace(place)
    except OSError:
        # A full disk: what was begun takes room from what comes next.
        part.unlink(missing_ok=True)
        raise


def sweep_parts() -> int:
    """Remove what a server that was killed left half written, some time ago. Gives how many files."""
    old = time.time() - LEFT_S
    left = [part for part in (settings.DATA_DIR / "pictures").glob("??/*.part") if part.stat().st_mtime < old]
    for part in left:
        part.unlink(missing_ok=True)
    return len(left)


def take_in_file(content: bytes) -> Upright:
    """A picture from a job's zip: its points as they are, without what a camera or program wrote beside them, with
    a small copy made here.

    Refuses: Refusal where it is no picture, too large, or cut short.
    """
    found = upright(content)
    with Image.open(io.BytesIO(content), formats=_READ) as picture:
        size = picture.size
        if picture.format not in ("JPEG", "PNG"):
            raise Refusal("no-picture", "A picture of the file is neither JPEG nor PNG.")
    try:
        return Upright(bare(content, found.kind), found.kind, *size, found.small)
    except NotWhole as error:
        raise Refusal("no-picture", f"A picture of the file cannot be kept: {error}.") from None


def content_of(sha256: str, kind: PictureKind, *, small: bool = False) -> bytes | None:
    """The bytes of a kept picture; None where its file is not here."""
    place = place_of(sha256, kind, small=small)
    return place.read_bytes() if place.is_file() else None
