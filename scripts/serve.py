"""Serve the workshop: server, gauge bridge and, for the demo, the simulated gauges. Ctrl+C stops all.

HOST   the address to serve on, this machine alone unless set
TLS=1  a proxy that speaks TLS stands before it; SERVED_AS names what it is asked for under, TRUSTED_PROXY the
       proxy's address: of nobody else is a forwarded address believed
"""

from __future__ import annotations

import os
import signal
import subprocess
import sys
from pathlib import Path

ROOT = Path(__file__).parents[1]
#: Where the demo's gauges speak, and their panel. Beside the usual ports of a development machine.
PANEL_PORT, GAUGES = 8710, ("mm:8711", "in:8712")
HERE = ("127.0.0.1", "localhost", "::1")
OPEN = (
    "Serving {host}: everybody on that net can reach the sign-in page. Without TLS passwords travel as plain text: "
    "use it on a net you trust, or put a TLS proxy before it and set TLS=1, SERVED_AS and TRUSTED_PROXY."
)


def main() -> int:
    """Start all, wait for the server, stop all."""
    host, port, data = os.environ["HOST"], os.environ["PORT"], os.environ["DATA_DIR"]
    if host not in HERE and not os.environ.get("TLS"):
        print(OPEN.format(host=host), flush=True)
    server = [sys.executable, "-m", "workshop.serve", "--host", host, "--port", port]
    near = "127.0.0.1" if host in ("0.0.0.0", "::") else host
    bridge = [sys.executable, "-m", "gauge_bridge", "--server", f"http://{near}:{port}",
              "--key-file", f"{data}/bridge-key"]  # fmt: skip
    beside = [bridge]
    if os.environ.get("DEMO"):
        beside.append([sys.executable, "-m", "demo.simulated_gauge", "--panel", str(PANEL_PORT), *GAUGES])
        print(f"Simulated gauges: http://127.0.0.1:{PANEL_PORT}/", flush=True)
    started = [subprocess.Popen(command, cwd=ROOT) for command in beside]
    signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
    try:
        return subprocess.call(server, cwd=ROOT)
    except KeyboardInterrupt:
        return 0
    finally:
        for process in started:
            process.terminate()


if __name__ == "__main__":
    sys.exit(main())
