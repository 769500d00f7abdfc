"""What a bench was told of a job, piece by piece, and when each piece last changed."""

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
        with self._lock:
            told = {piece: text for piece, (_, text) in self._pieces.items()}
            state = self._state()
        lines = [(name, text) for (where, name), text in told.items() if where == "assessment"]
        assessment = _object([*lines, ("parts", _of(told, "parts")), ("sets", _of(told, "sets"))])
        bench = [(name, text) for (where, name), text in told.items() if where == "bench"]
        return _object([*bench, ("assessment", assessment), ("state", b'"%s"' % state)])

    def since(self, state: str) -> bytes:
        """What changed since a state that was told, as JSON; all of it where that is not known."""
        beginning, _, count = state.partition(".")
        with self._lock:
            known = int(count) if beginning == self._beginning and count.isdecimal() else 0
            told = {piece: text for piece, (changed, text) in self._pieces.items() if changed > known}
            now = self._state()
        lines = {
            where: _object((name, text) for (of, name), text in told.items() if of == where)
            for where in ("bench", "assessment")
        }
        return _object(
            [
                ("state", b'"%s"' % now),
                ("whole", b"false" if known else b"true"),
                *lines.items(),
                ("parts", _of(told, "parts")),
                ("sets", _of(told, "sets")),
            ]
        )

    def told_since(self, state: str, lists: tuple[str, ...]) -> bytes:
        """The same of anything told piece by piece: `lines` by name, and lists of pieces, each with what
        changed."""
        beginning, _, count = state.partition(".")
        with self._lock:
            known = int(count) if beginning == self._beginning and count.isdecimal() else 0
            told = {piece: text for piece, (changed, text) in self._pieces.items() if changed > known}
            now = self._state()
        lines = _object((name, text) for (of, name), text in told.items() if of == "lines")
        whole = b"false" if known else b"true"
        return _object(
            [
                ("state", b'"%s"' % now),
                ("whole", whole),
                ("lines", lines),
                *((name, _of(told, name)) for name in lists),
            ]
        )

    def told_whole(self, lists: tuple[str, ...]) -> bytes:
        """All of it: its lines by name, its lists, and the state."""
        with self._lock:
            told = {piece: text for piece, (_, text) in self._pieces.items()}
            now = self._state()
        lines = [(name, text) for (of, name), text in told.items() if of == "lines"]
        return _object([*lines, *((name, _of(told, name)) for name in lists), ("state", b'"%s"' % now)])

    def _state(self) -> bytes:
        return f"{self._beginning}.{self._count}".encode()


def _of(told: Mapping[Piece, bytes], where: str) -> bytes:
    return b"[" + b",".join(text for (of, _), text in told.items() if of == where) + b"]"


def _object(pairs: Iterable[tuple[str, bytes]]) -> bytes:
    return b"{" + b",".join(b'"%s":%s' % (name.encode(), text) for name, text in pairs) + b"}"
