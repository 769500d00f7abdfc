"""Bytes from a port, cut into lines; a flood is dammed."""

from __future__ import annotations

import re
import time
from collections import deque
from collections.abc import Callable

#: No line is longer. What comes without an end is cut here and shown.
LONGEST = 128
#: More lines than this in one second are no hand's work.
MOST_A_SECOND = 20
_ENDS = re.compile(rb"[\r\n]+")


class Cutter:
    """Cuts a stream of bytes into lines."""

    def __init__(self) -> None:
        self._rest = b""

    @property
    def rest(self) -> bytes:
        """What came after the last end of line."""
        return self._rest

    def feed(self, chunk: bytes) -> list[bytes]:
        """The lines that are complete with this chunk. A line without an end is cut at its longest."""
        *whole, self._rest = _ENDS.split(self._rest + chunk)
        lines = [line for line in whole if line]
        while len(self._rest) > LONGEST:
            lines.append(self._rest[:LONGEST])
            self._rest = self._rest[LONGEST:]
        return lines


class Dam:
    """Lets so many lines a second through and counts what it holds back."""

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock = clock
        self._passed: deque[float] = deque()
        self._held = 0

    def passes(self) -> bool:
        """Whether one more line may pass now."""
        now = self._clock()
        while self._passed and now - self._passed[0] > 1.0:
            self._passed.popleft()
        if len(self._passed) >= MOST_A_SECOND:
            self._held += 1
            return False
        self._passed.append(now)
        return True

    def take_held(self) -> int:
        """How many were held back since this was last asked, once the flood has ebbed."""
        if not self._held or (self._passed and self._clock() - self._passed[-1] < 0.5 and self._held < 1000):
            return 0
        held, self._held = self._held, 0
        return held
