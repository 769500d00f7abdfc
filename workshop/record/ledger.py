"""What a page was told of a job, piece by piece, and when each piece last changed."""

from __future__ import annotations

import secrets
from collections.abc import Iterable, Mapping
from threading import Lock

#: A piece by where it stands (the bench's own lines, the assessment's, the parts, the sets) and its name there.
Piece = tuple[str, str]
_NOTHING = (0, b"")


class Ledger:
    """What was told of a job last, and at which count each piece last changed.

    Counts begin anew with the server and where the pieces are others than before: what a bench knows from another
    beginning is told whole.
    """

    def __init__(self) -> None:
        self._lock = Lock()
        self._begin()
        self._version = -1

    def _begin(self) -> None:
        self._beginning = secrets.token_hex(4)
        self._count = 0
        self._pieces: dict[Piece, tuple[int, bytes]] = {}

    def write(self, version: int, pieces: Mapping[Piece, bytes]) -> None:
        """Write down how the job stands. One that is older than what stands here is left out."""
        with self._lock:
            if version < self._version:
                return
            self._version = version
            if pieces.keys() != self._pieces.keys():
                self._begin()
            changed = [piece for piece, told in pieces.items() if self._pieces.get(piece, _NOTHING)[1] != told]
            if changed:
                self._count += 1
            for piece in changed:
                self._pieces[piece] = self._count, pieces[piece]

    def whole(self) -> bytes:
        """The whole bench as JSON."""
        told, now, _ = self._told("")
        parts = [("parts", _of(told, "parts")), ("sets", _of(told, "sets"))]
        assessment = _object([*_lines(told, "assessment"), *parts])
        return _object([*_lines(told, "bench"), ("assessment", assessment), ("state", now)])

    def since(self, state: str) -> bytes:
        """What changed since a state that was told, as JSON; all of it where that is not known."""
        return self._changed(state, ("bench", "assessment"), ("parts", "sets"))

    def whole_of(self, lists: tuple[str, ...]) -> bytes:
        """All of anything that is told by `lines` and lists, as JSON, and the state."""
        told, now, _ = self._told("")
        return _object([*_lines(told, "lines"), *((name, _of(told, name)) for name in lists), ("state", now)])

    def since_of(self, state: str, lists: tuple[str, ...]) -> bytes:
        """What changed of that since a state."""
        return self._changed(state, ("lines",), lists)

    def _changed(self, state: str, lines: tuple[str, ...], lists: tuple[str, ...]) -> bytes:
        told, now, whole = self._told(state)
        return _object(
            [
                ("state", now),
                ("whole", b"true" if whole else b"false"),
                *((where, _object(_lines(told, where))) for where in lines),
                *((name, _of(told, name)) for name in lists),
            ]
        )

    def _told(self, since: str) -> tuple[dict[Piece, bytes], bytes, bool]:
        """The pieces that changed since a state, the state now as JSON, and whether they are all."""
        beginning, _, count = since.partition(".")
        with self._lock:
            known = int(count) if beginning == self._beginning and count.isdecimal() else 0
            told = {piece: text for piece, (changed, text) in self._pieces.items() if changed > known}
            return told, b'"%s"' % self._state(), not known

    def _state(self) -> bytes:
        return f"{self._beginning}.{self._count}".encode()


def _lines(told: Mapping[Piece, bytes], where: str) -> list[tuple[str, bytes]]:
    return [(name, text) for (of, name), text in told.items() if of == where]


def _of(told: Mapping[Piece, bytes], where: str) -> bytes:
    return b"[" + b",".join(text for (of, _), text in told.items() if of == where) + b"]"


def _object(pairs: Iterable[tuple[str, bytes]]) -> bytes:
    return b"{" + b",".join(b'"%s":%s' % (name.encode(), text) for name, text in pairs) + b"}"
