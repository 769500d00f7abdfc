"""The real server, bridge and simulated gauge, without a browser: a line goes out over the event stream."""

from __future__ import annotations

import http.client
import subprocess
import sys
import time
from collections.abc import Iterator
from pathlib import Path

import pytest

from demo.simulated_gauge import SimulatedGauge
from tests.conftest import copied
from tests.serving import ROOT, Server, free_port, serving
from tests.visiting import Visitor


@pytest.fixture(scope="module")
def server(furnished: Path, tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    with serving(copied(furnished, tmp_path_factory)) as running:
        yield running


def test_the_event_stream_is_for_those_who_are_signed_in(server: Server) -> None:
    line = http.client.HTTPConnection("127.0.0.1", server.port, timeout=5)
    line.request("GET", "/api/live/events?open=a~1")
    assert line.getresponse().status == 401


def test_a_line_goes_from_the_socket_to_the_bench(server: Server) -> None:
    machinist, owner = Visitor(server, "machinist"), Visitor(server, "owner")
    gauge = SimulatedGauge("g", "mm", free_port(), 61.383, 0.0)
    gauge.listen()
    listed = next(one for one in machinist.ask("GET", "/api/gauges") if one["name"].startswith("50–75"))
    form = {
        name: listed[name]
        for name in ("name", "kind", "unit", "resolution", "permissible_error", "least", "most", "version")
    }
    owner.ask("PUT", f"/api/gauges/{listed['id']}", {**form, "port": f"socket://127.0.0.1:{gauge.port}"})
    command = [sys.executable, "-m", "gauge_bridge", "--server", server.url]
    bridge = subprocess.Popen([*command, "--key-file", str(server.folder / "bridge-key")], cwd=ROOT)
    try:
        events = machinist.listen("bench-a", 4)
        assert next(events)["event"] == "hello"
        machinist.ask("POST", "/api/live/claims", {"gauge": listed["id"], "bench": "bench-a", "where": "job 42"})
        while not gauge.plugged_in:
            time.sleep(0.05)
        gauge.pull()
        told = next(event for event in events if event["event"] == "line")
        assert told["entry"] == {"typed": "61.383", "unit": "mm"}
        assert (told["gauge"], told["state"]) == (listed["id"], "sent to the bench")
        live = next(one for one in machinist.ask("GET", "/api/live/gauges") if one["gauge"] == listed["id"])
        assert (live["connected"], live["person"], live["where"]) == (True, "machinist", "job 42")
    finally:
        bridge.kill()
        bridge.wait(timeout=5)


def test_another_bench_hears_that_a_job_has_changed(server: Server) -> None:
    machinist, bench = Visitor(server, "machinist"), Visitor(server, "bench")
    events = bench.listen("bench-b", 4)
    assert next(events)["event"] == "hello"
    gauge = next(one for one in machinist.ask("GET", "/api/gauges") if one["name"].startswith("50–75"))
    reading = {
        "fact": "reading",
 "id": "x1", "part": "M1", "spot": "1a", "typed": "73.650", "unit": "mm", "gauge": gauge["id"],
        "at": "2031-05-04T12:00:00Z",
    }  # fmt: skip
    landed = machinist.ask("POST", "/api/jobs/4/facts", {"facts": [reading]})
    assert landed["results"][0]["refused"] == ""
    assert next(event for event in events if event["event"] == "job") == {
        "event": "job",
        "for": "bench-b",
        "job": 4,
    }
