"""Who holds connections, bodies and open pages: bounded, each by its own, and nothing large is read of strangers.

Outside: sockets and clocks of the operating system, `/proc` for what a process holds.
"""

from __future__ import annotations

import http.client
import json
import socket
import threading
import time
from collections.abc import Iterator
from contextlib import closing, suppress
from pathlib import Path

import psutil
import pytest

from tests.conftest import copied
from tests.serving import Server, serving
from tests.visiting import Visitor
from workshop.config.connections import MOST_HEAD, SILENT_S, Shares, by_number_only
from workshop.config.gathering import Body, Room, TooMuch


@pytest.fixture(scope="module")
def server(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    with serving(copied(furnished, tmp_path_factory)) as running:
        yield running


def head_of(path: str, length: int, visitor: Visitor | None = None) -> bytes:
    """The head of an upload."""
    named = {} if visitor is None else visitor.headers()
    lines = [f"POST {path} HTTP/1.1", "Host: 127.0.0.1", f"Content-Length: {length}"]
    return "\r\n".join([*lines, *(f"{name}: {value}" for name, value in named.items()), "\r\n"]).encode()


def test_no_upload_of_a_stranger_is_read(server: Server) -> None:
    """A head that announces a whole job with its pictures is answered before a byte of it came."""
    for path in ("/api/jobs/import.zip", "/api/jobs/1/pictures", "/api/jobs/import", "/api/live/bridge/lines"):
        with closing(socket.create_connection(("127.0.0.1", server.port), timeout=10)) as line:
            line.sendall(head_of(path, 1_500_000))
            assert line.recv(4000).startswith(b"HTTP/1.1 401"), path


def test_a_body_that_is_too_large_hears_why_though_it_goes_on_sending(server: Server) -> None:
    """RFC 9110, 15.5.14 (from memory): 413 is an answer. A line closed under its sender would take it along."""
    visitor = Visitor(server, "bench")
    with closing(http.client.HTTPConnection("127.0.0.1", server.port, timeout=20)) as line:
        line.request("POST", "/api/jobs/import", b"x" * 30_000_000, visitor.headers())
        answer = line.getresponse()
        assert answer.status == 413
        assert "more than 20 MB" in json.loads(answer.read())["message"]


def test_a_head_that_goes_on_and_on_is_heard_no_further(server: Server) -> None:
    with closing(socket.create_connection(("127.0.0.1", server.port), timeout=10)) as line:
        line.sendall(b"GET /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
        assert line.recv(4000).startswith(b"HTTP/1.1 200")
        try:
            for _ in range(MOST_HEAD // 1000 + 50):
                line.sendall(b"X-More: " + b"a" * 1000 + b"\r\n")
                time.sleep(0.002)
            heard = line.recv(100)
        except ConnectionError:
            heard = b""
        assert heard == b""


def test_a_share_counts_by_address_but_not_here_and_not_the_proxys(monkeypatch: pytest.MonkeyPatch) -> None:
    """Behind this machine's own addresses, and behind a trusted proxy, stand many."""
    monkeypatch.setenv("TRUSTED_PROXY", "192.0.2.1")
    assert [by_number_only(one) for one in ("127.0.0.5", "::1", "192.0.2.1", "192.0.2.7")] == [
        True,
        True,
        True,
        False,
    ]
    shares = Shares(2)
    far, near = {"client": ("192.0.2.7", 1)}, {"client": ("127.0.0.1", 1)}
    with shares.of(far) as one, shares.of(far) as two, shares.of(far) as three, shares.of(near) as here:
        assert (one, two, three, here) == (True, True, False, True)
    with shares.of(far) as again:
        assert again


def test_bodies_together_have_a_bound_and_give_their_room_back() -> None:
    room = Room(most=1_000, share=600)
    one = Body(room, "192.0.2.7")
    one.add(b"x" * 500)
    with pytest.raises(TooMuch, match="too much at once"):
        room.take("192.0.2.7", 200)
    with pytest.raises(TooMuch):
        room.take("192.0.2.8", 501)
    assert list(one.pieces()) == [(b"x" * 500, False)]
    one.close()
    assert room.held == 0


def test_signing_out_ends_what_that_person_has_open(server: Server) -> None:
    """The stream ends at once; the browser comes back by itself and is told to sign in."""
    person = Visitor(server, "machinist")
    events = person.listen("bench-out", 4)
    assert next(events)["event"] == "hello"
    person.ask("DELETE", "/api/session")
    with closing(http.client.HTTPConnection("127.0.0.1", server.port, timeout=5)) as line:
        line.request("GET", "/api/live/events?open=bench-out~4", headers=person.headers())
        assert line.getresponse().status == 401


@pytest.mark.attack
def test_heads_left_half_on_kept_connections_are_closed(server: Server) -> None:
    """500 connections that asked once and then left a head half: closed within their clock; others are served."""
    lines = []
    for n in range(500):
        line = socket.create_connection(
            ("127.0.0.1", server.port), timeout=10, source_address=(f"127.0.0.{2 + n % 6}", 0)
        )
        line.sendall(b"GET /api/session HTTP/1.1\r\nHost: 127.0.0.1\r\n\r\n")
        line.recv(4000)
        line.sendall(b"GET /api/ra")
        lines.append(line)
    Visitor(server, "bench").ask("GET", "/api/rack")
    time.sleep(SILENT_S + 2)
    closed = 0
    for line in lines:
        line.settimeout(2)
        with suppress(TimeoutError):
            while line.recv(4000):
                pass
            closed += 1
    print(f"500 half heads on kept connections: {closed} closed after {SILENT_S:.0f} s")
    assert closed == 500


@pytest.mark.attack
def test_two_thousand_open_pages_are_held_while_readings_land(server: Server) -> None:
    """From several addresses of this machine: no thread and no file of the database each, and landings go on."""
    assert server.process is not None
    process = psutil.Process(server.process.pid)
    person, writer = Visitor(server, "machinist"), Visitor(server, "bench")
    gauge = next(one["id"] for one in writer.ask("GET", "/api/gauges") if one["name"].startswith("50–75"))
    before = process.num_threads(), process.num_fds(), process.memory_info().rss
    cookie = person.headers()["Cookie"]
    lines = []
    for n in range(2_000):
        line = socket.create_connection(
            ("127.0.0.1", server.port), timeout=30, source_address=(f"127.0.0.{2 + n % 6}", 0)
        )
        asked = f"GET /api/live/events?open=page{n}~{n % 30 + 1} HTTP/1.1\r\nHost: 127.0.0.1"
        line.sendall(f"{asked}\r\nCookie: {cookie}\r\n\r\n".encode())
        assert line.recv(1000).startswith(b"HTTP/1.1 200")
        lines.append(line)
    took = []
    for n in range(40):
        reading = {
            "fact": "reading", "id": f"o{n}", "part": f"M{n % 4 + 1}", "spot": "1a", "typed": "73.650",
            "unit": "mm", "gauge": gauge, "at": "2031-05-04T12:00:00Z",
        }  # fmt: skip
        start = time.monotonic()
        assert writer.ask("POST", "/api/jobs/4/facts", {"facts": [reading]})["results"][0]["refused"] == ""
        took.append(time.monotonic() - start)
    after = process.num_threads(), process.num_fds(), process.memory_info().rss
    print(
        f"2,000 open pages: {after[0] - before[0]} more threads, {after[1] - before[1]} more files, "
        f"{(after[2] - before[2]) / 1e6:.0f} MB more; 40 landings meanwhile, longest {max(took):.2f} s"
    )
    assert after[0] - before[0] < 20
    assert after[1] - before[1] < 2_200
    for line in lines:
        line.close()


@pytest.mark.attack
def test_four_uploads_without_signing_in_take_no_memory(
    furnished: Path, tmp_path_factory: pytest.TempPathFactory
) -> None:
    """Four of 300 MB at once, unsigned: each is refused at its head. On a server that did nothing else: what others
    left in its memory is not theirs."""
    with serving(copied(furnished, tmp_path_factory)) as server:
        four_uploads(server)


def four_uploads(server: Server) -> None:
    assert server.process is not None
    process = psutil.Process(server.process.pid)
    before, most = process.memory_info().rss, 0

    def send() -> None:
        with closing(socket.create_connection(("127.0.0.1", server.port), timeout=30)) as line:
            line.sendall(head_of("/api/jobs/import.zip", 300_000_000))
            try:
                for _ in range(300):
                    line.sendall(b"x" * 1_000_000)
            except OSError:
                return

    senders = [threading.Thread(target=send) for _ in range(4)]
    for one in senders:
        one.start()
    while any(one.is_alive() for one in senders):
        most = max(most, process.memory_info().rss)
        time.sleep(0.05)
    print(f"four uploads of 300 MB without signing in: {(most - before) / 1e6:.0f} MB more at the most")
    assert most - before < 100_000_000
