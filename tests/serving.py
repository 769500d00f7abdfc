"""The real server, in a process of its own, for tests that need one."""

from __future__ import annotations

import os
import socket
import subprocess
import sys
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

ROOT = Path(__file__).parents[1]
SETTINGS = "tests.served_settings"
#: Chromium draws the lists of its own address bar as pages: two more to load for every window a test opens, though
#: nobody sees them. The last list of features counts, so those that Playwright turns off are named again.
FEATURES_OFF = (
    "WebUIOmniboxPopup", "WebUIOmniboxAimPopup",
    "AvoidUnnecessaryBeforeUnloadCheckSync", "DestroyProfileOnBrowserClose", "HttpsUpgrades",
    "HttpsFirstBalancedModeAutoEnable", "LensOverlay", "MediaRouter", "PaintHolding",
    "ThirdPartyStoragePartitioning", "OptimizationHints", "AimEnabled",
)  # fmt: skip
CHROMIUM_FLAGS = [
    f"--disable-features={','.join(FEATURES_OFF)}",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
]


def manage(folder: Path, *command: str) -> str:
    """Run a command of `manage.py` on the shop in `folder`, and give back what it printed."""
    env = {**os.environ, "DATA_DIR": str(folder), "DEMO": "1", "DJANGO_SETTINGS_MODULE": SETTINGS}
    told = subprocess.run(
        [sys.executable, "manage.py", *command, "-v0"],
        cwd=ROOT,
        env=env,
        check=True,
        stdout=subprocess.PIPE,
        text=True,
    )
    return told.stdout


def free_port() -> int:
    with socket.socket() as found:
        found.bind(("127.0.0.1", 0))
        return int(found.getsockname()[1])


@dataclass
class Server:
    """A server on a folder of data; it can be killed and started again on the same port."""

    folder: Path
    port: int = field(default_factory=free_port)
    process: subprocess.Popen[bytes] | None = None
    #: The cookies of people who signed in already, by their names: a browser test need not sign in anew.
    sessions: dict[str, list[Any]] = field(default_factory=dict)
    #: A name it answers to besides its address.
    served_as: str = ""
    #: Whether it is the demo; a real shop shows no hints.
    demo: bool = True

    @property
    def url(self) -> str:
        return f"http://127.0.0.1:{self.port}"

    def start(self) -> None:
        env = {
            **os.environ,
            "DATA_DIR": str(self.folder),
            "DEMO": str(int(self.demo)),
            "DJANGO_SETTINGS_MODULE": SETTINGS,
            "SERVED_AS": self.served_as,
        }
        command = [sys.executable, "-m", "workshop.serve", "--port", str(self.port)]
        self.process = subprocess.Popen(command, cwd=ROOT, env=env)
        for _ in range(900):
            try:
                urllib.request.urlopen(self.url + "/api/session", timeout=2).close()
                return
            except OSError:
                time.sleep(0.1)
        raise RuntimeError("the server did not come up in 90 seconds")

    def come_back(self) -> None:
        """Start it where it was killed."""
        if self.process is None or self.process.poll() is not None:
            self.start()

    def kill(self) -> None:
        """Kill it outright, as a power cut would."""
        if self.process is not None:
            self.process.kill()
            self.process.wait(timeout=10)


@contextmanager
def serving(folder: Path) -> Iterator[Server]:
    server = Server(folder)
    server.start()
    try:
        yield server
    finally:
        server.kill()
