"""A picture's own points and nothing else: what a camera or a program wrote beside them is dropped, byte for byte.

Sources: ITU-T T.81, annex B (JPEG's segments), the PNG specification, third edition, section 5 (chunks);
from memory.
"""

from __future__ import annotations

import struct
from collections.abc import Iterator

from halfthou.jobs import PictureKind

#: The chunks of a PNG that say how its points look. Everything else may carry words, times, places.
_PNG_KEPT = frozenset(
    {b"IHDR", b"PLTE", b"IDAT", b"IEND", b"tRNS", b"gAMA", b"cHRM", b"sRGB", b"iCCP", b"sBIT", b"bKGD", b"pHYs"}
)
_PNG_BEGINS = b"\x89PNG\r\n\x1a\n"
_SOI, _EOI, _SOS, _COM = 0xD8, 0xD9, 0xDA, 0xFE
#: Segments of applications that say how a JPEG's colours are meant, by how they begin.
_APPS_KEPT = {0xE0: b"JFIF\x00", 0xE2: b"ICC_PROFILE\x00", 0xEE: b"Adobe"}
#: The head of a JFIF segment without the small picture that may follow it.
_JFIF = 16


class NotWhole(ValueError):
    """The picture's own build is broken: it is cut short, or no such picture."""


def bare(content: bytes, kind: PictureKind) -> bytes:
    """A picture without place, comment, text or tail; its points are not touched.

    Refuses: NotWhole.
    """
    try:
        parts = _png(content) if kind is PictureKind.PNG else _jpeg(content)
        return b"".join(parts)
    except (struct.error, IndexError):
        raise NotWhole("the picture is cut short") from None


def _png(content: bytes) -> Iterator[bytes]:
    if not content.startswith(_PNG_BEGINS):
        raise NotWhole("it does not begin as a PNG does")
    yield _PNG_BEGINS
    at = len(_PNG_BEGINS)
    while True:
        (length,) = struct.unpack_from(">I", content, at)
        name, end = content[at + 4 : at + 8], at + 12 + length
        if end > len(content):
            raise NotWhole("the picture is cut short")
        if name in _PNG_KEPT:
            yield content[at:end]
        if name == b"IEND":
            return
        at = end


def _jpeg(content: bytes) -> Iterator[bytes]:
    if content[:2] != b"\xff\xd8":
        raise NotWhole("it does not begin as a JPEG does")
    yield content[:2]
    at = 2
    while True:
        if content[at] != 0xFF:
            raise NotWhole("a segment does not begin where it should")
        marker = content[at + 1]
        if marker == 0xFF:
            at += 1
            continue
        if marker == _EOI:
            yield b"\xff\xd9"
            return
        (length,) = struct.unpack_from(">H", content, at + 2)
        end = at + 2 + length
        if length < 2 or end > len(content):
            raise NotWhole("the picture is cut short")
        yield from _segment(marker, content[at:end])
        if marker == _SOS:
            start, end = end, _after_points(content, end)
            yield content[start:end]
        at = end


def _segment(marker: int, segment: bytes) -> Iterator[bytes]:
    if marker == _COM:
        return
    if not 0xE0 <= marker <= 0xEF:
        yield segment
    elif marker in _APPS_KEPT and segment[4:].startswith(_APPS_KEPT[marker]):
        if marker != 0xE0:
            yield segment
        else:
            # A JFIF segment may carry a small picture of its own.
            yield b"\xff\xe0" + struct.pack(">H", _JFIF) + segment[4:16] + b"\x00\x00"


def _after_points(content: bytes, at: int) -> int:
    """Where the next segment begins after coded points: a marker that is neither stuffing nor a restart."""
    while True:
        at = content.find(b"\xff", at)
        if at < 0 or at + 1 >= len(content):
            raise NotWhole("the picture is cut short")
        follows = content[at + 1]
        if follows not in (0x00, 0xFF) and not 0xD0 <= follows <= 0xD7:
            return at
        at += 1 if follows == 0xFF else 2
