"""The work on a crank in its order, and how much of it the record says was done."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime
from typing import NamedTuple

from halfthou.engines import Engine
from halfthou.jobs import DIAMETER, Chamfers, Job, Look, OperationKind
from halfthou.looks import PASSED
from halfthou.parts.journals import ROUNDED
from halfthou.parts.straightness import RUN_OUT, STANDS, TOTAL, main_of
from halfthou.report import CardStep


class Work(NamedTuple):
    """Which work a crank needs, or had: whether it is pressed straight and hardened again, which journals are
    ground and which polished, and of each those that still are to be."""

    straighten: bool
    harden: bool
    ground: frozenset[str]
    polished: frozenset[str]
    to_grind: frozenset[str]
    to_polish: frozenset[str]

    @property
    def any(self) -> bool:
        """Whether there is any."""
        return self.straighten or bool(self.ground or self.polished)


class _Step(NamedTuple):
    """One step: in words, what on record ends it, and of what all that has to be on record."""

    words: str
    by: str
    of: frozenset[str]


class _Event(NamedTuple):
    """Something on record that ends a step, or part of one: when, what, and of what."""

    at: datetime
    by: str
    of: frozenset[str]


CRACK, INDICATE, EDGES, SIZES = "crack test", "indicated", "edges", "sizes"
#: Indicated after the press: before it could creep back, and once it had stood.
FRESH, STOOD = "indicated fresh", "indicated once it stood"
_METAL = (
    OperationKind.STRAIGHTEN,
    OperationKind.GRIND,
    OperationKind.HEAT_TREAT,
    OperationKind.POLISH,
    OperationKind.FINAL_WASH,
)
_CRANK = frozenset({"crank"})
_CRACK_TEST = "crack test, demagnetise"


def _steps(job: Job, work: Work, journals: frozenset[str]) -> Iterator[_Step]:
    """Each step with what on record ends it; "" where nothing does.

    Source:  docs/trade: The order of the work: straight before it is ground, a crack test after each work that can
             crack it, chamfers before the polish, swarf out last.
    """
    between = frozenset(job.limits.layout.mains[1:-1])
    crack = _Step(_CRACK_TEST, CRACK, journals)
    yield crack
    if work.straighten:
        yield _Step("straighten cold, by somebody trained", OperationKind.STRAIGHTEN, _CRANK)
        yield _Step("indicate at every main, fresh from the press", FRESH, between)
        yield _Step("stood overnight, indicate at every main again", STOOD, between)
        yield crack
    if work.ground:
        yield _Step("grind", OperationKind.GRIND, work.ground)
        yield crack
    if work.harden:
        yield _Step("harden again, then indicate: it grows and may bend", OperationKind.HEAT_TREAT, _CRANK)
    if work.ground:
        every = job.house_rules.chamfers is Chamfers.EVERY
        chamfer = "chamfer every oil hole again and round its edge"
        looked = "look at every oil hole; chamfer where an edge is sharp"
        yield _Step(chamfer if every else looked, EDGES, work.ground)
    if work.polished:
        yield _Step("polish", OperationKind.POLISH, work.polished)
    if work.ground:
        yield _Step("indicate at every main", INDICATE, between)
    yield _Step("balance, after all that takes metal off", "", _CRANK)
    yield _Step("plugs out, wash every oilway, new plugs", OperationKind.FINAL_WASH, _CRANK)
    yield _Step("measure at 20 °C", SIZES, journals)


def card_steps(job: Job, work: Work, engine: Engine, journals: frozenset[str]) -> tuple[CardStep, ...]:
    """The steps of the card, each with whether it was done.

    Takes:   the journals on the card.
    Rule:    crank.card.   A step is done when all it is of is on record: work after the work before it, a test or a
             look between the work it follows and the next, and nothing after work that is not done.
    """
    events = sorted(_events(job, work, engine, journals), key=lambda event: event.at)
    steps = tuple(_steps(job, work, journals))
    ended: dict[int, datetime | None] = {}
    since: datetime | None = None
    waits = False
    for nth, step in enumerate(steps):
        if step.by in _METAL:
            ended[nth] = None if waits else _complete(events, step, since, None)
            since, waits = ended[nth] or since, waits or ended[nth] is None
    found, since, waits = [], None, False
    for nth, step in enumerate(steps):
        if nth in ended:
            since, waits = ended[nth], ended[nth] is None
            found.append(CardStep(words=step.words, done=not waits))
        else:
            until = next((at for later, at in ended.items() if later > nth), None)
            done = not waits and _complete(events, step, since, until) is not None
            found.append(CardStep(words=step.words, done=done))
    return tuple(found)


def _complete(events: list[_Event], step: _Step, since: datetime | None, until: datetime | None) -> datetime | None:
    """When all that a step is of was on record, after one time and before another; None where it is not."""
    left = set(step.of)
    for event in events:
        if event.by == step.by and (since is None or event.at > since) and (until is None or event.at < until):
            left -= event.of
            if not left:
                return event.at
    return None


def _events(job: Job, work: Work, engine: Engine, journals: frozenset[str]) -> Iterator[_Event]:
    """What on record ends a step: work, a passed crack test, a rounded edge, a run-out or a size read.

    What is still to be ground, or polished alone, was not by any work on record.
    """
    gone, washed, pressed = job.taken_back, None, None
    left = {OperationKind.GRIND: work.to_grind, OperationKind.POLISH: work.to_grind | work.to_polish}
    for done in job.standing_operations:
        on = engine.touched(done.on) - left.get(done.kind, frozenset())
        yield _Event(done.at, done.kind.value, on | ({done.on} & _CRANK))
        washed = done.at if done.kind is OperationKind.FINAL_WASH else washed
        pressed = done.at if done.kind is OperationKind.STRAIGHTEN else pressed
    for seen in job.seen:
        on = journals if seen.on in _CRANK else frozenset({seen.on})
        if seen.id not in gone and seen.look == Look.CRACK_TEST and seen.answer == PASSED:
            yield _Event(seen.at, CRACK, on)
        elif seen.id not in gone and seen.look == Look.EDGE and seen.answer == ROUNDED:
            yield _Event(seen.at, EDGES, on)
    for reading in job.readings:
        if reading.id in gone:
            continue
        if reading.feature in (RUN_OUT, TOTAL):
            on = frozenset({main_of(reading.part)})
            yield _Event(reading.at, INDICATE, on)
            if pressed is not None and reading.at > pressed:
                yield _Event(reading.at, FRESH if reading.at < pressed + STANDS else STOOD, on)
        elif reading.feature == DIAMETER and washed is not None and reading.at > washed:
            yield _Event(reading.at, SIZES, frozenset({reading.part}))
