"""The work on a crank in its order, and how much of it the record says was done."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime
from typing import NamedTuple

from halfthou.jobs import Chamfers, Job, Look, OperationKind
from halfthou.looks import PASSED
from halfthou.parts.straightness import RUN_OUT, TOTAL
from halfthou.report import CardStep


class Work(NamedTuple):
    """Which work a crank needs: pressed straight, ground, polished, hardened again."""

    straighten: bool
    grind: bool
    polish: bool
    harden: bool


CRACK, INDICATE, EDGES, SIZES = "crack test", "indicated", "edges", "sizes"
_METAL = (
    OperationKind.STRAIGHTEN,
    OperationKind.GRIND,
    OperationKind.HEAT_TREAT,
    OperationKind.POLISH,
    OperationKind.FINAL_WASH,
)
_CRACK_TEST = "crack test, demagnetise"


def _steps(work: Work, chamfers: Chamfers) -> Iterator[tuple[str, str]]:
    """Each step in words, with what on record says that it was done; "" where nothing does.

    Source:  docs/trade: The order of the work: straight before it is ground, a crack test after
             each work that can crack it, chamfers before the polish, swarf out last.
    """
    yield _CRACK_TEST, CRACK
    if work.straighten:
        yield "straighten cold, by somebody trained", OperationKind.STRAIGHTEN
        yield "indicate at every main; stood overnight, indicate again", INDICATE
        yield _CRACK_TEST, CRACK
    if work.grind:
        yield "grind", OperationKind.GRIND
        yield _CRACK_TEST, CRACK
    if work.harden:
        yield "harden again, then indicate: it grows and may bend", OperationKind.HEAT_TREAT
    if work.grind:
        if chamfers is Chamfers.EVERY:
            yield "chamfer every oil hole again and round its edge", EDGES
        else:
            yield "look at every oil hole; chamfer where an edge is sharp", EDGES
    if work.polish or work.grind:
        yield "polish", OperationKind.POLISH
    if work.grind:
        yield "indicate at every main", INDICATE
    yield "balance, after all that takes metal off", ""
    yield "plugs out, wash every oilway, new plugs", OperationKind.FINAL_WASH
    yield "measure at 20 °C", SIZES


def card_steps(job: Job, work: Work) -> tuple[CardStep, ...]:
    """The steps of the card, each with whether it was done.

    Rule:    crank.card.   Work counts from the work before it on; a test or a look counts between the work it
             follows and the next, and none after work that is not done.
    """
    events, steps = sorted(_events(job)), tuple(_steps(work, job.house_rules.chamfers))
    ended = _work_ended(events, steps)
    found = []
    for nth, (words, by) in enumerate(steps):
        if nth in ended:
            done = ended[nth] is not None
        else:
            before = max((one for one in ended if one < nth), default=None)
            behind = min((one for one in ended if one > nth), default=None)
            start = None if before is None else ended[before]
            end = None if behind is None else ended[behind]
            waits = before is not None and start is None
            done = not waits and any(
                what == by and (start is None or at > start) and (end is None or at < end) for at, what in events
            )
        found.append(CardStep(words=words, done=done))
    return tuple(found)


def _work_ended(
    events: list[tuple[datetime, str]], steps: tuple[tuple[str, str], ...]
) -> dict[int, datetime | None]:
    """When each step that is work was done, by its place among the steps; None where it was not, or not after the
    work before it."""
    ended: dict[int, datetime | None] = {}
    since: datetime | None = None
    waits = False
    for nth, (_, by) in enumerate(steps):
        if by in _METAL:
            after = (at for at, what in events if what == by and (since is None or at > since))
            ended[nth] = None if waits else next(after, None)
            since, waits = ended[nth] or since, waits or ended[nth] is None
    return ended


def _events(job: Job) -> Iterator[tuple[datetime, str]]:
    """What on record ends a step: work, a passed crack test, edges looked at, a run-out or a size read."""
    gone = job.taken_back
    yield from ((done.at, done.kind.value) for done in job.standing_operations)
    for seen in job.seen:
        if seen.id not in gone and seen.look == Look.CRACK_TEST and seen.answer == PASSED:
            yield seen.at, CRACK
        if seen.id not in gone and seen.look == Look.EDGE:
            yield seen.at, EDGES
    washes = [done.at for done in job.standing_operations if done.kind is OperationKind.FINAL_WASH]
    for reading in job.readings:
        if reading.id in gone:
            continue
        if reading.feature in (RUN_OUT, TOTAL):
            yield reading.at, INDICATE
        elif washes and reading.at > washes[-1]:
            yield reading.at, SIZES
