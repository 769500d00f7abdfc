"""Connections: how many there may be, how many of one address, and the clocks that close those that ask nothing.

This machine itself and a trusted proxy are held to the number alone: behind them stand many.
"""

from __future__ import annotations

import ipaddress
import os
import resource
from collections import Counter
from collections.abc import Iterator
from contextlib import contextmanager
from typing import Any

from uvicorn.protocols.http.httptools_impl import HttpToolsProtocol

#: Connections at once, open pages among them, and of one address among them; more are told to come again.
MOST_CONNECTIONS, MOST_OF_ONE = 4_000, 400
#: Files this server may have open; the database, its copies and what is uploaded need some beside connections.
MOST_FILES, OTHER_FILES = 16_384, 512
#: In so many seconds a new connection must have asked something, and each head must have come whole.
SILENT_S = 20.0
#: What the head of one request may be, at the most, in bytes.
MOST_HEAD = 64_000
_BUSY = (
    b"HTTP/1.1 503 Service Unavailable\r\ncontent-type: text/plain; charset=utf-8\r\nconnection: close\r\n"
    b"retry-after: 5\r\n\r\nToo many pages are open at once. Close some, and try again.\n"
)


def raise_file_limit() -> int:
    """Raise the soft limit of open files as far as it may go. Gives how many connections fit in it."""
    soft, hard = resource.getrlimit(resource.RLIMIT_NOFILE)
    most = MOST_FILES if hard == resource.RLIM_INFINITY else min(hard, MOST_FILES)
    if soft != resource.RLIM_INFINITY and soft < most:
        resource.setrlimit(resource.RLIMIT_NOFILE, (most, hard))
    return min(MOST_CONNECTIONS, max(most - OTHER_FILES, 64))


def by_number_only(address: str) -> bool:
    """Whether many may stand behind an address: this machine's own, and the trusted proxy's.

    >>> by_number_only("127.0.0.9"), by_number_only("192.0.2.7")
    (True, False)
    """
    try:
        near = ipaddress.ip_address(address).is_loopback
    except ValueError:
        # A socket of the file system, or a name that a proxy gave: no address to share by.
        return True
    return near or address in os.environ.get("TRUSTED_PROXY", "").replace(",", " ").split()


class Shares:
    """How many requests and streams of each address are in hand, as a trusted proxy gives the address."""

    def __init__(self, most: int = MOST_OF_ONE) -> None:
        self._most = most
        self._in_hand: Counter[str] = Counter()

    @contextmanager
    def of(self, scope: Any) -> Iterator[bool]:
        """Hold one more for the address of a request. Gives whether its share has room for it."""
        address = address_of(scope)
        self._in_hand[address] += 1
        try:
            yield by_number_only(address) or self._in_hand[address] <= self._most
        finally:
            self._in_hand[address] -= 1
            if self._in_hand[address] <= 0:
                del self._in_hand[address]


def address_of(scope: Any) -> str:
    """The address a request comes from; where a trusted proxy stands before the server, as that gives it."""
    return str((scope.get("client") or ("",))[0])


#: Of this server.
shares = Shares()


class PromptProtocol(HttpToolsProtocol):
    """HTTP as uvicorn speaks it, with bounds: in number, in the length of a head, and in the time it takes."""

    most = MOST_CONNECTIONS
    _open: Counter[str] = Counter()

    def connection_made(self, transport: Any) -> None:
        """Start the clock with the connection, or turn it away where there are too many."""
        super().connection_made(transport)
        self._address = self.client[0] if self.client else ""
        self._open[self._address] += 1
        self._silent = self.loop.call_later(SILENT_S, self._close_silent)
        self._head = 0
        self._in_head = True
        share = not by_number_only(self._address) and self._open[self._address] > MOST_OF_ONE
        if len(self.connections) > self.most or share:
            transport.write(_BUSY)
            transport.close()

    def data_received(self, data: bytes) -> None:
        """Take what came; a head that goes on and on, or stands still, is heard no further."""
        if self.transport.is_closing():
            return
        waits = self._in_head or self.cycle is None or self.cycle.response_complete
        if waits and not self._in_head:
            # The head of the next request on a connection that was kept: it has its own clock.
            self._in_head, self._head = True, 0
            self._silent = self.loop.call_later(SILENT_S, self._close_silent)
        self._head += len(data)
        super().data_received(data)
        if self._in_head and self._head > MOST_HEAD:
            self._close_silent()

    def on_headers_complete(self) -> None:
        """A request's head has come whole: the clock stops."""
        self._silent.cancel()
        self._in_head, self._head = False, 0
        super().on_headers_complete()

    def connection_lost(self, exc: Exception | None) -> None:
        """The clock goes with the connection."""
        self._silent.cancel()
        self._open[self._address] -= 1
        if self._open[self._address] <= 0:
            del self._open[self._address]
        super().connection_lost(exc)

    def _close_silent(self) -> None:
        if not self.transport.is_closing():
            self.transport.close()
