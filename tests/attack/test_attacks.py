"""What tries to stop, rob or forge the server. The short ones run always; those marked `attack` by make attack.

Outside: sockets, signals and clocks of the operating system. Times are asserted only in the marked ones.
"""

from __future__ import annotations

import random
import socket
import sqlite3
import threading
import time
from collections import Counter
from collections.abc import Iterator
from contextlib import closing
from pathlib import Path

import pytest

from tests.conftest import copied
from tests.serving import Server, serving
from tests.visiting import Visitor


@pytest.fixture(scope="module")
def server(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    with serving(copied(furnished, tmp_path_factory)) as running:
        yield running


def sent(server: Server, text: bytes) -> socket.socket:
    """A connection on which something was sent, and nothing is read."""
    line = socket.create_connection(("127.0.0.1", server.port), timeout=10)
    line.setsockopt(socket.SOL_SOCKET, socket.SO_RCVBUF, 2048)
    line.sendall(text)
    return line


HALF = b"POST /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 500\r\n\r\n{"
UNREAD = b"".join(b"GET /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n" for _ in range(200))


@pytest.mark.parametrize(
    ("text", "many"),
    [(HALF, 16), (HALF[:40], 16), (b"", 16), (UNREAD, 16)],
    ids=["half a body", "half a head", "silent", "does not read"],
)
def test_clients_that_hang_do_not_hang_the_server(server: Server, text: bytes, many: int) -> None:
    """Sixteen of a kind, without signing in; somebody else is served meanwhile (his own timeout is ten seconds)."""
    hanging = [sent(server, text) for _ in range(many)]
    try:
        time.sleep(0.3)
        visitor = Visitor(server, "bench")
        assert visitor.ask("GET", "/api/rack")["total"] > 0
        visitor.ask("DELETE", "/api/session")
    finally:
        for line in hanging:
            line.close()


def test_a_body_that_is_too_large_is_refused_before_it_is_stored(server: Server) -> None:
    head = b"POST /api/jobs/import HTTP/1.1\r\nHost: 127.0.0.1\r\nContent-Length: 900000000\r\n\r\n"
    with closing(sent(server, head)) as line:
        assert line.recv(200).startswith(b"HTTP/1.1 413")


PORTS = [
    "spy:///dev/null?file={db}",
    "spy://{db}",
    "loop://?logging=debug",
    "file://{db}",
    "/etc/passwd",
    "{db}",
    "socket://192.0.2.7:80",
    "socket://example.invalid:22",
    "rfc2217://127.0.0.1:23",
    "hwgrep://.*",
    "socket://",
    "alt://{db}?class=Serial",
    "../../{db}",
    "/dev/mem",
    "cp2110://x",
    "socket://127.0.0.1:99999",
]


@pytest.mark.parametrize("port", PORTS)
def test_no_port_opens_what_is_no_gauge(server: Server, port: str) -> None:
    """Common practice, no source: only real serial devices and sockets of this machine are gauge ports."""
    data = server.folder / "halfthou.sqlite3"
    owner, machinist = Visitor(server, "owner"), Visitor(server, "machinist")
    one = owner.ask("GET", "/api/gauges")[0]
    names = ("name", "kind", "unit", "resolution", "permissible_error", "least", "most", "version")
    form = {name: one[name] for name in names}
    text = port.format(db=data)
    for who in (owner, machinist):
        with pytest.raises(AssertionError) as refused:
            who.ask("PUT", f"/api/gauges/{one['id']}", {**form, "port": text})
        assert "port" in str(refused.value)
    with closing(sqlite3.connect(data)) as live:
        assert live.execute("pragma integrity_check").fetchone() == ("ok",)


@pytest.mark.attack
def test_two_hundred_kills_lose_and_double_nothing(server: Server) -> None:
    """Killed in mid-write, 200 times: what was answered with 200 is there once, the database is sound."""
    chance = random.Random(7)
    server.kill()
    server.start()
    visitor = Visitor(server, "bench")
    gauge = next(one["id"] for one in visitor.ask("GET", "/api/gauges") if one["name"].startswith("50–75"))
    answered: list[str] = []
    for kill in range(200):
        stop = threading.Event()

        def write(kill: int = kill, stop: threading.Event = stop) -> None:
            for n in range(1000):
                if stop.is_set():
                    return
                reading = {
                    "fact": "reading",
 "id": f"k{kill}.{n}", "part": f"M{n % 4 + 1}", "spot": "1a", "typed": "73.650", "unit": "mm",
                    "gauge": gauge, "at": "2031-05-04T12:00:00Z",
                }  # fmt: skip
                try:
                    landed = visitor.ask("POST", "/api/jobs/4/facts", {"facts": [reading]})
                except Exception:
                    return
                if landed["results"][0]["refused"] == "":
                    answered.append(reading["id"])

        writer = threading.Thread(target=write)
        writer.start()
        time.sleep(chance.uniform(0.02, 0.25))
        server.kill()
        stop.set()
        writer.join()
        server.start()
    with closing(sqlite3.connect(server.folder / "halfthou.sqlite3")) as live:
        kept = Counter(row[0] for row in live.execute("select key from jobs_factrecord where key like 'k%'"))
        assert live.execute("pragma integrity_check").fetchone() == ("ok",)
    print(f"200 kills: {len(answered)} readings answered, {len(kept)} kept")
    assert [name for name in answered if kept[name] != 1] == []
    assert set(kept.values()) <= {1}
    assert Visitor(server, "bench").ask("GET", "/api/jobs/4")["card"]["id"] == 4


@pytest.mark.attack
def test_nobody_waits_for_a_great_import(server: Server) -> None:
    """4,000 rows taken in while somebody else lands readings one by one; and 100,000 refused in words."""
    importer, writer = Visitor(server, "machinist"), Visitor(server, "bench")
    gauge = next(one["id"] for one in writer.ask("GET", "/api/gauges") if one["name"].startswith("50–75"))
    rows = [f"M{n % 4 + 1},1a,73.{600 + n % 60}" for n in range(100_000)]
    head = "journal,spot,size [mm]\n"
    with pytest.raises(AssertionError, match="split the file"):
        importer.ask("POST", "/api/jobs/4/readings.csv", {"text": head + "\n".join(rows), "gauge": gauge})
    text = head + "\n".join(rows[:4_000])
    took: list[float] = []
    refused: list[str] = []
    done = threading.Event()

    def take_in() -> None:
        try:
            importer.ask("POST", "/api/jobs/4/readings.csv", {"text": text, "gauge": gauge})
        except (AssertionError, TimeoutError) as said:
            refused.append(str(said)[:200])
        done.set()

    thread = threading.Thread(target=take_in)
    start = time.monotonic()
    thread.start()
    n = 0
    while not done.is_set():
        n += 1
        reading = {
            "fact": "reading",
 "id": f"i{n}", "part": "M1", "spot": "1a", "typed": "61.383", "unit": "mm", "gauge": gauge,
            "at": "2031-05-04T12:00:00Z",
        }  # fmt: skip
        before = time.monotonic()
        writer.ask("POST", "/api/jobs/10/facts", {"facts": [reading]})
        took.append(time.monotonic() - before)
    thread.join()
    print(f"import: {time.monotonic() - start:.1f} s; {len(took)} landings meanwhile, longest {max(took):.2f} s")
    assert refused == []
    assert max(took) < 1.0
