"""The gauge bridge by itself: bytes into lines, a dam against floods, a real socket. Facts of serial lines."""

from __future__ import annotations

import time

from hypothesis import given
from hypothesis import strategies as st

from demo.simulated_gauge import SimulatedGauge
from gauge_bridge.lines import LONGEST, MOST_A_SECOND, Cutter, Dam
from gauge_bridge.port import PortReader
from gauge_bridge.server import Server, ServerAway
from tests.serving import free_port


@given(st.lists(st.binary(min_size=1, max_size=20).filter(lambda b: b"\r" not in b and b"\n" not in b)), st.data())
def test_lines_come_out_as_they_went_in_however_the_bytes_arrive(lines: list[bytes], data: st.DataObject) -> None:
    stream = b"".join(line + data.draw(st.sampled_from((b"\r\n", b"\n", b"\r"))) for line in lines)
    cutter, found = Cutter(), []
    while stream:
        size = data.draw(st.integers(1, 7))
        found += cutter.feed(stream[:size])
        stream = stream[size:]
    assert found == lines
    assert cutter.rest == b""


def test_a_line_without_an_end_is_cut() -> None:
    assert [len(line) for line in Cutter().feed(b"1" * 300)] == [LONGEST, LONGEST]


def test_the_dam_lets_a_hand_through_and_counts_a_flood() -> None:
    now = [0.0]
    dam = Dam(lambda: now[0])
    passed = sum(dam.passes() for _ in range(1000))
    assert passed == MOST_A_SECOND
    now[0] += 2
    assert dam.take_held() == 1000 - MOST_A_SECOND
    assert dam.take_held() == 0
    assert dam.passes()


class Noted(Server):
    """A server that only writes down what it is told; it can be away."""

    def __init__(self) -> None:
        self.away = False
        self.told: list[tuple[object, ...]] = []

    def lines(self, gauge: str, lines: list[tuple[bytes, int]], dropped: int, *, broken: bool = False) -> None:
        if self.away:
            raise ServerAway("away")
        self.told += [(raw, broken) for raw, _ in lines]
        self.ages = [age for _, age in lines]
        if dropped:
            self.told.append(("dropped", dropped))

    def state(self, gauge: str, port: str, words: str, *, connected: bool) -> None:
        self.told.append(("state", connected))


def wait_for(condition: object, seconds: float = 5) -> None:
    end = time.monotonic() + seconds
    while not condition() and time.monotonic() < end:  # type: ignore[operator]
        time.sleep(0.02)
    assert condition()  # type: ignore[operator]


def test_a_real_socket_read_pulled_and_plugged_in_again() -> None:
    """The simulated gauge through pyserial: a line, half a line and the plug pulled, a line after that."""
    gauge = SimulatedGauge("g", "mm", free_port(), 57.112, 0.0)
    gauge.listen()
    server = Noted()
    reader = PortReader("g", f"socket://127.0.0.1:{gauge.port}", server)
    reader.start()
    try:
        wait_for(lambda: ("state", True) in server.told and gauge.plugged_in)
        gauge.pull()
        wait_for(lambda: (b"+57.112 mm", False) in server.told)
        gauge.fault("half")
        wait_for(lambda: (b"+57.", True) in server.told)
        wait_for(lambda: ("state", False) in server.told and server.told[-1] == ("state", True))
        wait_for(lambda: gauge.plugged_in)
        gauge.pull(57.113)
        wait_for(lambda: (b"+57.113 mm", False) in server.told)
        gauge.fault("flood")
        wait_for(lambda: any(told[0] == "dropped" for told in server.told), 10)
    finally:
        reader.stopped.set()


def test_lines_wait_while_the_server_is_away_and_say_how_old_they_are() -> None:
    gauge = SimulatedGauge("g", "mm", free_port(), 57.112, 0.0)
    gauge.listen()
    server = Noted()
    reader = PortReader("g", f"socket://127.0.0.1:{gauge.port}", server)
    reader.start()
    try:
        wait_for(lambda: ("state", True) in server.told and gauge.plugged_in)
        server.away = True
        gauge.pull()
        time.sleep(0.6)
        server.away = False
        wait_for(lambda: (b"+57.112 mm", False) in server.told)
        assert server.ages[0] >= 500
    finally:
        reader.stopped.set()


def test_a_port_that_is_not_there_is_told_once() -> None:
    server = Noted()
    reader = PortReader("g", f"socket://127.0.0.1:{free_port()}", server)
    reader.start()
    try:
        wait_for(lambda: ("state", False) in server.told)
        time.sleep(1.5)
        assert server.told.count(("state", False)) == 1
    finally:
        reader.stopped.set()
