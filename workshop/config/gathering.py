"""A request's body, gathered whole within a size and a time before a thread is asked.

A small body is taken from anybody: a sign-in is one. A larger one is read only from who is signed in, and lies on
disk beyond the first part. Together bodies and answers have a bound, and those of one address a share of it.
"""

from __future__ import annotations

import asyncio
from collections import Counter
from collections.abc import Iterator
from tempfile import SpooledTemporaryFile
from typing import Any

from workshop.config.connections import address_of, by_number_only
from workshop.config.senders import BRIDGE, is_bridge, is_phone, sender_of

#: What a body may be, at the most: a whole job with 20,000 readings is under 15 MB.
MOST_BODY = 20_000_000
#: What one bridge parcel may be, at the most.
MOST_LINES = 2_000_000
#: A whole job with its pictures is larger than anything else, and takes longer to come.
MOST_PACKED, PACKED, PACKED_S = 310_000_000, "/api/jobs/import.zip", 180.0
BODY_S = 20.0
#: What is read of anybody.
SMALL = 64_000
#: What all bodies and answers have together, and those of one address of it.
MOST_TOGETHER, SHARE = 1_000_000_000, 400_000_000
#: So much of one body stays in memory; the rest of it lies on disk.
IN_MEMORY, PIECE = 1_000_000, 256_000


class TooMuch(Exception):
    """The body is larger than it may be, did not come in time, or its sender may not send it."""

    def __init__(self, status: int, code: str, words: str) -> None:
        super().__init__(words)
        self.status, self.code, self.words = status, code, words


class Room:
    """What all requests hold together, in bytes."""

    def __init__(self, most: int = MOST_TOGETHER, share: int = SHARE) -> None:
        self._most, self._share = most, share
        self._held: Counter[str] = Counter()

    @property
    def held(self) -> int:
        """How much is held now."""
        return self._held.total()

    def take(self, address: str, size: int) -> None:
        """Hold so much more for an address. Refuses: TooMuch where there is no room for it."""
        theirs = self._held[address] + size
        if self.held + size > self._most or (theirs > self._share and not by_number_only(address)):
            raise TooMuch(503, "busy", "The server holds too much at once just now. Send it again in a minute.")
        self._held[address] = theirs

    def give_back(self, address: str, size: int) -> None:
        """Let go of it."""
        self._held[address] -= size
        if self._held[address] <= 0:
            del self._held[address]


class Body:
    """A body as it is gathered: in memory while it is small, else on disk."""

    def __init__(self, room: Room, address: str) -> None:
        self._room, self._address = room, address
        self._file = SpooledTemporaryFile(max_size=IN_MEMORY)  # noqa: SIM115 - closed with the request
        self.length = 0

    def add(self, part: bytes) -> None:
        """Add what came. Refuses: TooMuch."""
        self._room.take(self._address, len(part))
        self.length += len(part)
        self._file.write(part)

    def pieces(self) -> Iterator[tuple[bytes, bool]]:
        """The body piece by piece, each with whether more follows."""
        self._file.seek(0)
        left = self.length
        while True:
            piece = self._file.read(PIECE)
            left -= len(piece)
            yield piece, left > 0
            if left <= 0:
                return

    def close(self) -> None:
        """Let go of it."""
        self._room.give_back(self._address, self.length)
        self.length = 0
        self._file.close()


def _most_of(path: str) -> int:
    if path.startswith(BRIDGE):
        return MOST_LINES
    return MOST_PACKED if path == PACKED else MOST_BODY


async def _must_be_known(scope: Any) -> None:
    if scope["path"].startswith(BRIDGE):
        if not is_bridge(scope):
            raise TooMuch(401, "signed-out", "Only the gauge bridge may send this.")
    elif await sender_of(scope) is None and not is_phone(scope["path"]):
        raise TooMuch(401, "signed-out", "Sign in first: so much is read of nobody else.")


async def gathered(scope: Any, receive: Any, room: Room) -> Body | None:
    """The whole body; None where the client went away. Refuses: TooMuch."""
    most = _most_of(scope["path"])
    told = dict(scope["headers"]).get(b"content-length", b"0")
    length = int(told) if told.isdigit() and len(told) < 20 else 0
    too_large = TooMuch(413, "too-large", f"That is more than {most // 1_000_000} MB: it was not taken in.")
    if length > most:
        raise too_large
    known = length > SMALL
    if known:
        await _must_be_known(scope)
    body = Body(room, address_of(scope))
    try:
        async with asyncio.timeout(PACKED_S if scope["path"] == PACKED else BODY_S):
            while True:
                message = await receive()
                if message["type"] == "http.disconnect":
                    body.close()
                    return None
                body.add(message.get("body", b""))
                if body.length > most:
                    raise too_large
                if body.length > SMALL and not known:
                    await _must_be_known(scope)
                    known = True
                if not message.get("more_body"):
                    return body
    except TimeoutError:
        body.close()
        raise TooMuch(408, "too-slow", "The request did not come whole in time. Send it again.") from None
    except OSError:
        body.close()
        raise TooMuch(503, "no-disk", "The server has no room for it just now. It was not taken in.") from None
    except BaseException:
        body.close()
        raise
