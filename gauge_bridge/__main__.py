"""Listen to every gauge of the cabinet that has a data port.

python -m gauge_bridge --server http://127.0.0.1:8000 --key-file data/bridge-key
"""

from __future__ import annotations

import argparse
import contextlib
import os
import time
from pathlib import Path

from gauge_bridge.port import PortReader
from gauge_bridge.server import Server, ServerAway

LOOK_AGAIN_S = 3.0


def main() -> None:
    """Ask the server which ports there are, listen to each, look again for changes."""
    parser = argparse.ArgumentParser(prog="gauge_bridge", description="Hand the lines of gauges to the server.")
    parser.add_argument("--server", default="http://127.0.0.1:8000")
    parser.add_argument("--key-file", required=True, type=Path)
    asked = parser.parse_args()
    readers: dict[tuple[str, str], PortReader] = {}
    while True:
        with contextlib.suppress(ServerAway):
            _look(asked.server, asked.key_file, readers)
        time.sleep(LOOK_AGAIN_S if readers else 0.5)


def gauge_hosts() -> frozenset[str]:
    """Hosts other than this machine that gauges may speak from."""
    return frozenset(os.environ.get("GAUGE_HOSTS", "").replace(",", " ").lower().split())


def _look(url: str, key_file: Path, readers: dict[tuple[str, str], PortReader]) -> None:
    if not key_file.exists():
        return
    key = key_file.read_text().strip()
    server = Server(url, key)
    try:
        wanted = {(found["gauge"], found["port"]) for found in server.ports()}
    finally:
        server.close()
    for gone in readers.keys() - wanted:
        readers.pop(gone).stopped.set()
    for gauge, port in wanted - readers.keys():
        readers[gauge, port] = PortReader(gauge, port, Server(url, key), gauge_hosts())
        readers[gauge, port].start()


if __name__ == "__main__":
    main()
