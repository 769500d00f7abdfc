"""What the answers at the door say of the cause: oil as it came, earlier hands, what was renewed, what was carried
over, how long it ran. What is told counts as told, what was seen here as seen."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.causes import SignSeen
from halfthou.door import CARRIED, EARLIER, HOURS, RENEWED, SINCE_BUILT, run_of, said_of
from halfthou.evidence.known import Known
from halfthou.evidence.sighted import Sightings
from halfthou.jobs import ENGINE, ComplaintKind, Job, Seen, Statement

MANY_HOURS = "many hours"
_CARRIED_OIL = frozenset({"cooler", "turbo", "oil pump", "tank and lines", "injectors"})
#: By topic and answer: the signs that it shows.
_SHOWS: dict[str, dict[str, tuple[str, ...]]] = {
    "oil on arrival": {
        "none": ("level.low",),
        "under": ("level.low",),
        "over": ("level.over",),
        "milky": ("oil.milky",),
        "smells of fuel": ("fuel.smell",),
        "thick": ("oil.thick",),
        "glitter": ("bearings.gone",),
        "water under it": ("oil.milky",),
        "wrong kind": ("oil.can-wrong",),
    },
    EARLIER: {"foreign sealant": ("sealant.foreign",), "mixed bolts": ("bolts.mixed",)},
    RENEWED: {"half bearings": ("shells.renewed",)},
    SINCE_BUILT: {
        "first start": ("opened.lately", "hours.few"),
        "few hours": ("opened.lately", "hours.few"),
        MANY_HOURS: ("hours.many",),
    },
    "service before": {"head work": ("deck.work",)},
}
#: By the letter of its unit: a run that is long, in hours, kilometres or miles. Source: judgement, no source.
_LONG_RUN = {"h": 8_000, "k": 250_000, "m": 150_000}


def since_opened(sightings: Sightings) -> Seen | Statement | None:
    """What was last said of how long it ran since it was opened, on the board or at the door, if anything was."""
    at_the_door = said_of(sightings.job, SINCE_BUILT)
    return sightings.last(ENGINE, "since opened") or (at_the_door[-1] if at_the_door else None)


def of_the_door(job: Job, complaint: frozenset[ComplaintKind]) -> Iterator[Known]:
    """The signs that the door shows.

    Rule:    looks.once: what the door has answered counts, and is not asked again.
    """
    for topic, answers in _SHOWS.items():
        for said in said_of(job, topic):
            for sign in answers.get(said.answer, ()):
                yield sign, True, _how(said, said.answer)
    for said in said_of(job, "oil on arrival"):
        if said.answer in ("level right", "over"):
            yield ("level.right" if said.verified else "level.said-right"), True, _how(said, said.answer)
    yield from _carried(job)
    yield from _run(job)
    yield from _fresh_pump(job, complaint)


def _how(said: Statement, words: str) -> SignSeen:
    return SignSeen((f"at the door: {words}",), (said.id,))


def _carried(job: Job) -> Iterator[Known]:
    for said in said_of(job, CARRIED):
        how = SignSeen((f"carried over: {said.answer}",), (said.id,))
        if said.answer in _CARRIED_OIL:
            yield "carried.over", True, how
        if said.answer == "injectors":
            yield "injector.carried", True, how
        if said.answer == "none":
            yield "carried.over", False, how
    for part in job.standing(job.carried_parts):
        if not part.out and part.with_metal:
            yield "carried.over", True, SignSeen((f"{part.what} out of job {part.other}",), (part.id,))


def _run(job: Job) -> Iterator[Known]:
    """A long run on record: where sources disagree the shortest counts."""
    told = [(run, said) for said in said_of(job, HOURS) if (run := run_of(said.answer)) is not None]
    if told and all(run[0] >= _LONG_RUN.get(run[1], run[0] + 1) for run, _ in told):
        words = tuple(said.answer for _, said in told)
        yield "hours.record", True, SignSeen(words, tuple(said.id for _, said in told))


def _fresh_pump(job: Job, complaint: frozenset[ComplaintKind]) -> Iterator[Known]:
    """A pump that was renewed, and the pressure is low all the same."""
    for said in said_of(job, RENEWED):
        if said.answer == "oil pump" and ComplaintKind.LOW_PRESSURE in complaint:
            yield "pump.fresh", True, _how(said, "oil pump renewed")
