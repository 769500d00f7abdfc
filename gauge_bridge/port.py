"""One gauge's data port: opened, read line by line, opened again when it was pulled."""

from __future__ import annotations

import contextlib
import threading
import time
from collections import deque

import serial

from gauge_bridge.address import check_address, check_device
from gauge_bridge.lines import Cutter, Dam
from gauge_bridge.server import Server, ServerAway

AGAIN_S = 1.0
#: Lines kept while the server is away. They arrive late and are shown, never entered.
KEPT = 50


class PortReader(threading.Thread):
    """Reads one port until it is told to stop."""

    def __init__(self, gauge: str, port: str, server: Server, hosts: frozenset[str] = frozenset()) -> None:
        super().__init__(daemon=True, name=f"port {port}")
        self._hosts = hosts
        self.gauge, self.port, self.server = gauge, port, server
        self.stopped = threading.Event()
        self._waiting: deque[tuple[bytes, float]] = deque(maxlen=KEPT)
        self._words = ""

    def run(self) -> None:
        """Open, read, and open again."""
        while not self.stopped.is_set():
            try:
                check_address(self.port, self._hosts)
                check_device(self.port)
                with serial.serial_for_url(self.port, baudrate=9600, timeout=0.2) as line:
                    self._state(f"connected to {self.port}", connected=True)
                    self._read(line)
            except (serial.SerialException, OSError, ValueError) as error:
                self._state(f"not connected: {self.port}: {_plain(error)}", connected=False)
            self.stopped.wait(AGAIN_S)

    def _read(self, line: serial.SerialBase) -> None:
        cutter, dam = Cutter(), Dam()
        try:
            while not self.stopped.is_set():
                for raw in cutter.feed(line.read(1) + self._more(line)):
                    if dam.passes():
                        self._waiting.append((raw, time.monotonic()))
                self._send(dam.take_held())
        except (serial.SerialException, OSError):
            self._send(0)
            if cutter.rest:
                with contextlib.suppress(ServerAway):
                    self.server.lines(self.gauge, [(cutter.rest, 0)], 0, broken=True)
            raise

    @staticmethod
    def _more(line: serial.SerialBase) -> bytes:
        waiting = line.in_waiting
        return line.read(waiting) if waiting else b""

    def _send(self, held: int) -> None:
        if not self._waiting and not held:
            return
        now = time.monotonic()
        lines = [(raw, round(1000 * (now - at))) for raw, at in self._waiting]
        try:
            self.server.lines(self.gauge, lines, held)
            self._waiting.clear()
        except ServerAway:
            time.sleep(0.2)

    def _state(self, words: str, *, connected: bool) -> None:
        if words == self._words:
            return
        try:
            self.server.state(self.gauge, self.port, words, connected=connected)
            self._words = words
        except ServerAway:
            self._words = ""


def _plain(error: Exception) -> str:
    return str(error).split(": ", 1)[-1][:120] or type(error).__name__
