"""Serve the workshop: server, gauge bridge and, for the demo, the simulated gauges. Ctrl+C stops all."""

from __future__ import annotations

import os
import signal
import subprocess
import sys
from pathlib import Path

ROOT = Path(__file__).parents[1]
#: Where the demo's gauges speak, and their panel. Beside the usual ports of a development machine.
PANEL_PORT, GAUGES = 8710, ("mm:8711", "in:8712")


def main() -> int:
    """Start all, wait for the server, stop all."""
    host, port, data = os.environ["HOST"], os.environ["PORT"], os.environ["DATA_DIR"]
    server = [sys.executable, "-m", "uvicorn", "workshop.config.asgi:application", "--host", host, "--port", port,
              "--lifespan", "off", "--timeout-graceful-shutdown", "3", "--no-access-log"]  # fmt: skip
    near = "127.0.0.1" if host == "0.0.0.0" else host
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
