"""Wrong sign-ins of one address over many names: each name has its own lock, and so has who tries them all."""

from __future__ import annotations

import time
from collections import deque
from collections.abc import Callable

from workshop.config.connections import by_number_only
from workshop.people.refusals import Refusal

#: So many wrong sign-ins of one address within so many seconds, whatever the names; then it waits.
MOST_WRONG, WITHIN_S = 25, 900.0
#: So many addresses are remembered; the one that was quiet longest is forgotten first.
MOST_ADDRESSES = 10_000


class TooManyWrong(Refusal):
    """Too many wrong sign-ins came from one address."""

    status = 429


class WrongFrom:
    """The wrong sign-ins of each address, in the server's memory. This machine's own and a trusted proxy's are left
    out: behind them stand many, and each name has its own lock."""

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock = clock
        self._at: dict[str, deque[float]] = {}

    def must_have_room(self, address: str) -> None:
        """Refuse where this address tried too often. Refuses: TooManyWrong."""
        at = self._at.get(address)
        if at is None or by_number_only(address):
            return
        while at and self._clock() - at[0] > WITHIN_S:
            at.popleft()
        if len(at) >= MOST_WRONG:
            words = "Too many wrong sign-ins came from this address. It waits for a quarter of an hour."
            raise TooManyWrong("locked-out", words)

    def count(self, address: str) -> None:
        """One more wrong sign-in."""
        at = self._at.pop(address, deque(maxlen=MOST_WRONG))
        at.append(self._clock())
        self._at[address] = at
        if len(self._at) > MOST_ADDRESSES:
            del self._at[next(iter(self._at))]


#: Of this server.
wrong_from = WrongFrom()
