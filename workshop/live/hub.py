"""Who listens, which bench has claimed which gauge, and what the gauges said last. Lives in the server's memory.

Readings are facts and go to the database; lines are not: one that no bench took is only shown.
"""

from __future__ import annotations

import asyncio
import json
import threading
import time
from collections import deque
from collections.abc import Callable
from dataclasses import dataclass, field
from enum import StrEnum
from typing import Any

#: A bench that went away keeps its gauge for so long: a reload is no reason to lose it.
GRACE_S = 5.0
#: A line this soon after the one before is the gauge's doing. Nobody measures twice so fast.
STUTTER_S = 0.3
#: A line this old when it reaches the server belongs to a spot that may have been left.
LATE_S = 2.0
KEPT_LINES = 30


class LineState(StrEnum):
    """What became of a line."""

    SENT = "sent to the bench"
    DUPLICATE = "duplicate"
    LATE = "late"
    MALFORMED = "no reading"
    NO_BENCH = "no bench has this gauge"
    FLOOD = "flood"


@dataclass(frozen=True)
class Line:
    """A line as it is shown."""

    state: LineState
    text: str
    words: str


@dataclass(frozen=True)
class Claim:
    """A bench that has a gauge: its tab's own name, who stands at it, and which job lies on it."""

    bench: str
    person: str
    where: str


@dataclass
class Port:
    """A gauge's data port: whether it is connected, and the last lines."""

    connected: bool = False
    address: str = ""
    words: str = "not connected"
    lines: deque[Line] = field(default_factory=lambda: deque(maxlen=KEPT_LINES))
    last_raw: bytes = b""
    last_at: float = float("-inf")


@dataclass(eq=False)
class Listener:
    """One open page: the queue of its browser's stream, and the loop it is read in."""

    bench: str
    job: int
    loop: asyncio.AbstractEventLoop
    queue: asyncio.Queue[str | None]
    person: int = 0
    name: str = ""
    #: The part and spot in hand there; empty where none is.
    part: str = ""
    spot: str = ""
    #: Who else has the job open, as this page was told last.
    beside: list[dict[str, str]] = field(default_factory=list)


class Hub:
    """The meeting place of bridge and benches. Safe to call from any thread."""

    def __init__(self, clock: Callable[[], float] = time.monotonic) -> None:
        self._clock = clock
        self._lock = threading.RLock()
        self._listeners: list[Listener] = []
        self._left: dict[str, float] = {}
        self.claims: dict[str, Claim] = {}
        self.ports: dict[str, Port] = {}

    def join(self, listener: Listener) -> None:
        """A page opens."""
        with self._lock:
            self._listeners.append(listener)
            self._left.pop(listener.bench, None)
        self._tell_who_is_beside(listener.job)

    def leave(self, listener: Listener) -> None:
        """A page closes."""
        with self._lock:
            self._listeners = [one for one in self._listeners if one is not listener]
            if not self._present(listener.bench):
                self._left[listener.bench] = self._clock()
        self._tell_who_is_beside(listener.job)

    def stands(self, bench: str, person: int, part: str, spot: str) -> None:
        """A bench has another spot in hand: whoever has the same job open sees it."""
        with self._lock:
            here = [one for one in self._listeners if (one.bench, one.person) == (bench, person)]
            for one in here:
                one.part, one.spot = part, spot
        for job in {one.job for one in here}:
            self._tell_who_is_beside(job)

    def _tell_who_is_beside(self, job: int) -> None:
        """Tell each bench of a job who else has it open, and where, if that is not what it was told last."""
        with self._lock:
            here = [one for one in self._listeners if one.job == job] if job else []
            for told in here:
                beside = [
                    {"bench": one.bench, "person": one.name, "part": one.part, "spot": one.spot}
                    for one in here
                    if one.bench != told.bench
                ]
                if beside != told.beside:
                    told.beside = beside
                    self._tell(lambda one, told=told: one is told, "beside", {"benches": beside})  # type: ignore[misc]

    def differs(self, job: int, person: str, words: str) -> None:
        """Somebody else read a spot that this person had read: he is told too, wherever he has the job open."""
        self._tell(lambda one: (one.job, one.name) == (job, person), "differs", {"words": words})

    def _present(self, bench: str) -> bool:
        return any(one.bench == bench for one in self._listeners)

    def _holds(self, claim: Claim) -> bool:
        if self._present(claim.bench):
            return True
        left = self._left.get(claim.bench)
        return left is not None and self._clock() - left < GRACE_S

    def claim(self, gauge: str, claim: Claim, *, take_over: bool) -> Claim | None:
        """Claim a gauge for a bench. Gives the other bench's claim where it stands in the way, else None."""
        with self._lock:
            stands = self.claims.get(gauge)
            if stands and stands.bench != claim.bench and self._holds(stands) and not take_over:
                return stands
            for other, held in list(self.claims.items()):
                if held.bench == claim.bench and other != gauge:
                    del self.claims[other]
            self.claims[gauge] = claim
        if stands and stands.bench != claim.bench:
            self._tell(lambda one: one.bench == stands.bench, "lost", {"gauge": gauge, "to": claim.where})
        return None

    def release(self, bench: str, gauge: str, person: str, *, owner: bool = False) -> bool:
        """Let go of a gauge: the bench that has it, in the hands of who took it, or an owner. Gives whether."""
        with self._lock:
            held = self.claims.get(gauge)
            if held is None or not (owner or (held.bench == bench and held.person == person)):
                return False
            del self.claims[gauge]
            return True

    def close_person(self, person: int) -> None:
        """End every stream of a person who signed out, got a new password or another role, or left."""
        with self._lock:
            theirs = [one for one in self._listeners if one.person == person]
        for one in theirs:
            one.loop.call_soon_threadsafe(_put, one.queue, None)

    def port(self, gauge: str) -> Port:
        """The port of a gauge."""
        with self._lock:
            return self.ports.setdefault(gauge, Port())

    def too_soon(self, gauge: str, raw: bytes, age_s: float) -> LineState | None:
        """Whether a line came faster after the one before than a hand can measure: doubled, or a flood."""
        with self._lock:
            port, came = self.port(gauge), self._clock() - age_s
            soon, same = came - port.last_at < STUTTER_S, raw == port.last_raw
            port.last_raw, port.last_at = raw, came
            if not soon:
                return None
            return LineState.DUPLICATE if same else LineState.FLOOD

    def hand_over(self, gauge: str, line: Line, entry: dict[str, Any] | None) -> Line:
        """Hand a line to the bench that has the gauge, as a reading to enter or only to be shown."""
        with self._lock:
            claim = self.claims.get(gauge)
            if entry is not None and (claim is None or not self._holds(claim)):
                line = Line(LineState.NO_BENCH, line.text, "No bench has this gauge. Choose it on a bench first.")
                entry = None
            self.port(gauge).lines.append(line)
            bench = claim.bench if claim else ""
        body = {"gauge": gauge, "state": line.state.value, "text": line.text, "words": line.words, "entry": entry}
        self._tell(lambda one: one.bench == bench, "line", body)
        return line

    def port_changed(self, gauge: str, address: str, words: str, *, connected: bool) -> None:
        """A port was plugged in or pulled."""
        with self._lock:
            port = self.port(gauge)
            port.connected, port.address, port.words = connected, address, words
        self._tell(lambda _: True, "port", {"gauge": gauge, "connected": connected, "words": words})

    def job_changed(self, job: int) -> None:
        """Something landed on a job: every page that shows it looks again."""
        self._tell(lambda one: one.job == job, "job", {"job": job})

    def _tell(self, whom: Callable[[Listener], bool], event: str, body: dict[str, Any]) -> None:
        with self._lock:
            told = [one for one in self._listeners if whom(one)]
        for one in told:
            # One stream serves all tabs of a browser: each event says which bench it is for.
            text = f"event: {event}\ndata: {json.dumps({'for': one.bench, **body})}\n\n"
            one.loop.call_soon_threadsafe(_put, one.queue, text)


def _put(queue: asyncio.Queue[str | None], text: str | None) -> None:
    """Put what is told in a stream's queue. Where its reader does not take it, the stream ends: it comes back and
    looks again."""
    if queue.full():
        while not queue.empty():
            queue.get_nowait()
        text = None
    queue.put_nowait(text)


hub = Hub()
