"""Gauges that speak: what becomes of a line. A duplicate, a late or a malformed one is shown and never entered."""

import asyncio
import json
import threading
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from django.conf import settings
from django.test import Client

from halfthou.jobs import Gauge
from workshop.gauges.actions import GaugeForm, keep_gauge
from workshop.live import actions as live
from workshop.live.hub import GRACE_S, Claim, Hub, Line, LineState, Listener
from workshop.people.models import Person


class Clock:
    """A clock that the test turns."""

    def __init__(self) -> None:
        self.now = 1000.0

    def __call__(self) -> float:
        return self.now


@pytest.fixture
def clock() -> Clock:
    return Clock()


@pytest.fixture
def hub(clock: Clock, monkeypatch: pytest.MonkeyPatch) -> Hub:
    made = Hub(clock)
    monkeypatch.setattr(live, "hub", made)
    return made


@pytest.fixture
def speaking(owner: Person) -> Gauge:
    typed = {
        "name": "digital", "kind": "digital micrometer", "unit": "mm", "resolution": "0.001",
        "permissible_error": "0.003", "port": "socket://127.0.0.1:1",
    }  # fmt: skip
    return keep_gauge(owner, None, GaugeForm.model_validate(typed))


class Bench:
    """An open page: what it was told."""

    def __init__(self, hub: Hub, name: str, person: str = "") -> None:
        self.loop = asyncio.new_event_loop()
        self.listener = Listener(name, 1, self.loop, asyncio.Queue(), name=person)
        self.hub = hub
        hub.join(self.listener)

    def turn(self) -> None:
        """Let what was handed over arrive; off this thread, where a browser test's loop may still be running."""
        thread = threading.Thread(target=lambda: self.loop.run_until_complete(asyncio.sleep(0)))
        thread.start()
        thread.join()

    def told(self) -> list[dict[str, Any]]:
        """What came, but for who else is there."""
        return [one for one in self.all_told() if one["event"] != "beside"]

    def all_told(self) -> list[dict[str, Any]]:
        self.turn()
        found = []
        while not self.listener.queue.empty():
            event, data = (self.listener.queue.get_nowait() or "").splitlines()[:2]
            found.append({"event": event[7:], **json.loads(data[6:])})
        return found


@pytest.fixture
def bench_at(hub: Hub) -> Iterator[Callable[..., Bench]]:
    made: list[Bench] = []

    def sit(name: str, person: str = "") -> Bench:
        made.append(Bench(hub, name, person))
        return made[-1]

    yield sit
    for one in made:
        one.loop.close()


def test_each_bench_sees_where_the_other_is(hub: Hub, bench_at: Callable[..., Bench]) -> None:
    mine, theirs = bench_at("a", "bench"), bench_at("b", "machinist")
    hub.stands("b", 0, "R2", "1c")
    hub.stands("a", 0, "R2", "1c")
    assert [told["benches"] for told in mine.all_told()] == [
        [{"bench": "b", "person": "machinist", "part": part, "spot": spot}]
        for part, spot in (("", ""), ("R2", "1c"))
    ]
    assert theirs.all_told()[-1]["benches"][0] | {"bench": "a"} == {
        "bench": "a", "person": "bench", "part": "R2", "spot": "1c",
    }  # fmt: skip
    hub.leave(theirs.listener)
    assert [told["benches"] for told in mine.all_told()] == [[]]


def test_nobody_says_for_another_where_he_stands(hub: Hub, bench_at: Callable[..., Bench]) -> None:
    mine, theirs = bench_at("a", "bench"), bench_at("b", "machinist")
    theirs.listener.person = 7
    mine.all_told()
    hub.stands("b", 8, "R2", "1c")
    assert mine.all_told() == []


def lines(gauge: Gauge, *raw: bytes, age_ms: int = 0, broken: bool = False) -> list[LineState]:
    given = [live.RawLine(raw=one.hex(), age_ms=age_ms, broken=broken) for one in raw]
    return [line.state for line in live.take_lines(live.Lines(gauge=gauge.id, lines=given))]


def claim(hub: Hub, gauge: Gauge, bench: str, *, take_over: bool = False) -> Claim | None:
    return hub.claim(gauge.id, Claim(bench, "bench", "job 7"), take_over=take_over)


def test_a_line_goes_to_the_bench_that_has_the_gauge_and_to_no_other(
    hub: Hub, speaking: Gauge, bench_at: Callable[..., Bench]
) -> None:
    mine, other = bench_at("a"), bench_at("b")
    claim(hub, speaking, "a")
    assert lines(speaking, b"+57.112 mm") == [LineState.SENT]
    (told,) = mine.told()
    assert told["entry"] == {"typed": "57.112", "unit": "mm"}
    assert other.told() == []


def test_a_line_that_no_bench_takes_is_kept_in_view(hub: Hub, speaking: Gauge) -> None:
    assert lines(speaking, b"57.112") == [LineState.NO_BENCH]
    assert hub.port(speaking.id).lines[-1].text == "57.112"


def test_a_doubled_line_is_taken_once(
    hub: Hub, speaking: Gauge, clock: Clock, bench_at: Callable[..., Bench]
) -> None:
    mine = bench_at("a")
    claim(hub, speaking, "a")
    assert lines(speaking, b"57.112", b"57.112") == [LineState.SENT, LineState.DUPLICATE]
    assert [told["entry"] is not None for told in mine.told()] == [True, False]
    clock.now += 1
    assert lines(speaking, b"57.112") == [LineState.SENT]


def test_a_flood_is_no_row_of_readings(
    hub: Hub, speaking: Gauge, clock: Clock, bench_at: Callable[..., Bench]
) -> None:
    """A thousand lines a second: the first may be a hand's, none of the rest is."""
    mine = bench_at("a")
    claim(hub, speaking, "a")
    states = []
    for n in range(1000):
        clock.now += 0.001
        states += lines(speaking, f"57.{n:03d}".encode())
    assert states == [LineState.SENT, *[LineState.FLOOD] * 999]
    assert sum(told["entry"] is not None for told in mine.told()) == 1


@pytest.mark.parametrize(
    ("raw", "age_ms", "broken", "state"),
    [
        (b"\xff\x00\x9c", 0, False, LineState.MALFORMED),
        (b"Err", 0, False, LineState.MALFORMED),
        (b"+57.", 0, True, LineState.MALFORMED),
        (b"57.112", 2500, False, LineState.LATE),
    ],
)
def test_what_is_no_reading_is_shown_and_never_entered(
    hub: Hub,
    speaking: Gauge,
    bench_at: Callable[..., Bench],
    raw: bytes,
    age_ms: int,
    broken: bool,
    state: LineState,
) -> None:
    mine = bench_at("a")
    claim(hub, speaking, "a")
    assert lines(speaking, raw, age_ms=age_ms, broken=broken) == [state]
    (told,) = mine.told()
    assert told["entry"] is None
    assert told["words"]


def test_two_benches_cannot_claim_one_gauge(
    hub: Hub, speaking: Gauge, bench: Person, bench_at: Callable[..., Bench]
) -> None:
    first, second = bench_at("a"), bench_at("b")
    claim(hub, speaking, "a")
    elsewhere = live.claim_gauge(bench, live.ClaimForm(gauge=speaking.id, bench="b"))
    assert "has this gauge in hand on job 7" in elsewhere
    assert not live.claim_gauge(bench, live.ClaimForm(gauge=speaking.id, bench="b", where="job 8", take_over=True))
    assert [told["event"] for told in first.told()] == ["lost"]
    lines(speaking, b"57.112")
    assert first.told() == []
    assert second.told()[0]["entry"] is not None


def test_a_reload_keeps_the_gauge_and_a_bench_that_went_away_lets_go(
    hub: Hub, speaking: Gauge, clock: Clock, bench_at: Callable[..., Bench]
) -> None:
    gone = bench_at("a")
    bench_at("b")
    claim(hub, speaking, "a")
    hub.leave(gone.listener)
    assert claim(hub, speaking, "b") is not None
    clock.now += GRACE_S + 1
    assert claim(hub, speaking, "b") is None


def test_a_bench_has_one_gauge_in_hand(hub: Hub, speaking: Gauge, bench_at: Callable[..., Bench]) -> None:
    bench_at("a")
    claim(hub, speaking, "a")
    hub.claim("other", Claim("a", "bench", "job 7"), take_over=False)
    assert speaking.id not in hub.claims
    assert not hub.release("b", "other", "bench")
    assert not hub.release("a", "other", "machinist")
    assert hub.release("a", "other", "bench")
    assert hub.claims == {}
    claim(hub, speaking, "a")
    assert hub.release("", speaking.id, "owner", owner=True)


def test_a_closed_accounts_streams_end(hub: Hub, bench_at: Callable[..., Bench]) -> None:
    one = bench_at("a")
    hub.close_person(0)
    one.turn()
    assert one.listener.queue.get_nowait() is None


def test_a_port_pulled_is_told_to_every_bench(hub: Hub, speaking: Gauge, bench_at: Callable[..., Bench]) -> None:
    one = bench_at("a")
    hub.port_changed(speaking.id, speaking.port, "not connected", connected=False)
    assert one.told()[0]["connected"] is False
    hub.hand_over(speaking.id, Line(LineState.FLOOD, "", "dropped"), None)
    assert hub.port(speaking.id).lines[-1].words == "dropped"


def test_the_bridge_is_known_by_its_key(speaking: Gauge, bench: Person, client_of: Any) -> None:
    assert Client().get("/api/live/bridge/ports").status_code == 401
    answer = Client().get("/api/live/bridge/ports", headers={"X-Bridge-Key": settings.BRIDGE_KEY})
    assert [one["gauge"] for one in answer.json()] == [speaking.id]
    body = {"gauge": speaking.id, "lines": [{"raw": b"57.1".hex(), "age_ms": 0}], "dropped": 3}
    refused = client_of(bench).post("/api/live/bridge/lines", body, content_type="application/json")
    assert refused.status_code == 401
    taken = Client().post(
        "/api/live/bridge/lines",
        body,
        content_type="application/json",
        headers={"X-Bridge-Key": settings.BRIDGE_KEY},
    )
    assert [line["state"] for line in taken.json()][-1] == LineState.FLOOD.value
    assert client_of(bench).get("/api/live/gauges").json()[0]["lines"]
