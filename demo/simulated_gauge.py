"""Simulated gauges: each speaks plain text lines over a local socket, as a gauge on a serial line would.

    python -m demo.simulated_gauge --panel 8710 mm:8711 in:8712

The panel is a small page to pull their triggers and to give them faults.
"""

from __future__ import annotations

import argparse
import json
import random
import socket
import sys
import threading
import time
from dataclasses import dataclass, field
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from pathlib import Path
from typing import Any

PANEL = Path(__file__).parent / "panel.html"
DECIMALS = {"mm": 3, "in": 5}
NOISE = {"mm": 0.0007, "in": 0.00003}


@dataclass
class SimulatedGauge:
    """A gauge on a socket: what lies between its anvils, and its faults."""

    name: str
    unit: str
    port: int
    size: float
    noise: float
    zero_error: float = 0.0
    speaks_unit: bool = True
    wrong_unit: bool = False
    lose_next: bool = False
    double: bool = False
    slow_s: float = 0.0
    sent: list[str] = field(default_factory=list)
    _clients: list[socket.socket] = field(default_factory=list)
    _chance: random.Random = field(default_factory=lambda: random.Random(7))

    def listen(self) -> None:
        """Open the socket and take in whoever connects."""
        door = socket.create_server(("127.0.0.1", self.port))
        threading.Thread(target=self._welcome, args=(door,), daemon=True).start()

    def _welcome(self, door: socket.socket) -> None:
        while True:
            client, _ = door.accept()
            client.setsockopt(socket.IPPROTO_TCP, socket.TCP_NODELAY, 1)
            self._clients.append(client)

    @property
    def plugged_in(self) -> bool:
        """Whether somebody listens."""
        return bool(self._clients)

    def line(self) -> str:
        """What the gauge would say now."""
        read = self.size + self._chance.gauss(0, self.noise) + self.zero_error
        unit = self.unit
        if self.wrong_unit:
            unit = "in" if unit == "mm" else "mm"
            read = read / 25.4 if unit == "in" else read * 25.4
        return f"{read:+.{DECIMALS[unit]}f}" + (f" {unit}" if self.speaks_unit else "")

    def pull(self, size: float | None = None) -> None:
        """Pull the trigger: one line, with the faults that are set."""
        if size is not None:
            self.size = size
        if self.slow_s:
            time.sleep(self.slow_s)
        if self.lose_next:
            self.lose_next = False
            return
        text = self.line()
        self.send(text.encode() + b"\r\n")
        self.sent.append(text)
        if self.double:
            self.send(text.encode() + b"\r\n")

    def send(self, raw: bytes) -> None:
        """Send bytes as they are to whoever listens."""
        for client in list(self._clients):
            try:
                client.sendall(raw)
            except OSError:
                self._clients.remove(client)

    def fault(self, kind: str) -> None:
        """A fault at once: garbage, flood, half a line and the plug pulled."""
        if kind == "garbage":
            self.send(bytes([0xFF, 0x00, 0x9C, 0x41, 0xFE]) + b"\r\n")
        elif kind == "flood":
            self.send(b"".join(f"{self.size + n * 1e-4:.4f}\r\n".encode() for n in range(1000)))
        elif kind == "half":
            self.send(self.line().encode()[:4])
            time.sleep(0.3)
            self.unplug()
        elif kind == "unplug":
            self.unplug()

    def unplug(self) -> None:
        """Close every connection, as a pulled plug would."""
        for client in self._clients:
            client.close()
        self._clients.clear()


def panel_of(gauges: list[SimulatedGauge]) -> type[BaseHTTPRequestHandler]:
    """The panel's page and its orders."""

    class Panel(BaseHTTPRequestHandler):
        def do_GET(self) -> None:
            if self.path == "/state":
                return self._answer(_state(gauges))
            return self._send(PANEL.read_bytes(), "text/html; charset=utf-8")

        def do_POST(self) -> None:
            order = json.loads(self.rfile.read(int(self.headers.get("Content-Length", 0))) or b"{}")
            obey(gauges[int(order.get("gauge", 0))], order)
            self._answer(_state(gauges))

        def _answer(self, body: Any) -> None:
            self._send(json.dumps(body).encode(), "application/json")

        def _send(self, body: bytes, kind: str) -> None:
            self.send_response(200)
            self.send_header("Content-Type", kind)
            self.send_header("Content-Length", str(len(body)))
            self.end_headers()
            self.wfile.write(body)

        def log_message(self, *_: Any) -> None:
            """Say nothing."""

    return Panel


def obey(gauge: SimulatedGauge, order: dict[str, Any]) -> None:
    """Do what the panel asks: set something, pull the trigger, or make a fault."""
    for name in ("size", "noise", "zero_error", "slow_s"):
        if name in order:
            setattr(gauge, name, float(order[name]))
    for name in ("wrong_unit", "lose_next", "double", "speaks_unit"):
        if name in order:
            setattr(gauge, name, bool(order[name]))
    if order.get("do") == "pull":
        gauge.pull()
    elif order.get("do"):
        gauge.fault(str(order["do"]))


def _state(gauges: list[SimulatedGauge]) -> list[dict[str, Any]]:
    return [
        {
            "name": gauge.name,
            "unit": gauge.unit,
            "size": gauge.size,
            "noise": gauge.noise,
            "zero_error": gauge.zero_error,
            "wrong_unit": gauge.wrong_unit,
            "lose_next": gauge.lose_next,
            "double": gauge.double,
            "slow_s": gauge.slow_s,
            "last": gauge.sent[-1] if gauge.sent else "",
        }
        for gauge in gauges
    ]


def main() -> None:
    """Open the gauges and the panel."""
    parser = argparse.ArgumentParser(prog="simulated_gauge")
    parser.add_argument("--panel", type=int, required=True, help="the panel's port")
    parser.add_argument("gauges", nargs="+", metavar="UNIT:PORT", help="a gauge's unit and its socket's port")
    asked = parser.parse_args()
    try:
        serve(asked.panel, asked.gauges)
    except OSError as error:
        sys.exit(f"The simulated gauges are not started, a port is taken: {error}")


def serve(panel: int, gauges: list[str]) -> None:
    """Open the gauges, given as UNIT:PORT, and the panel. Refuses: OSError where a port is taken."""
    sizes = {"mm": 61.3830, "in": 2.03740}
    opened = []
    for text in gauges:
        unit, _, port = text.partition(":")
        gauge = SimulatedGauge(f"Simulated gauge, {unit}", unit, int(port), sizes[unit], NOISE[unit])
        gauge.listen()
        opened.append(gauge)
    ThreadingHTTPServer(("127.0.0.1", panel), panel_of(opened)).serve_forever()


if __name__ == "__main__":
    main()
