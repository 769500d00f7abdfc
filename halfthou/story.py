"""The story of a job: who measured what with which gauge, what was corrected, what work made stale."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta

from halfthou.amounts import Quantity, amount_text
from halfthou.causes import CAUSES
from halfthou.engines import Engine
from halfthou.first_look import USUAL_LOOKS
from halfthou.jobs import DIAMETER, Fact, Job, Names, Operation, Reading, StoryKind
from halfthou.lengths import Length, Notation
from halfthou.operations import makes_stale
from halfthou.report import StoryLine
from halfthou.strip import steps_of

#: Readings of one journal closer in time than this are told as one sitting.
TOGETHER = timedelta(minutes=30)


class NamesOfJob:
    """How the parts, causes and sizes of one job are called where a fact is told."""

    def __init__(self, job: Job, engine: Engine) -> None:
        self._job, self._engine = job, engine

    def called(self, part: str) -> str:
        """A part by its short name."""
        return _called(part, self._engine)

    def cause(self, name: str) -> str:
        """A cause by its name; one's own by its words."""
        return CAUSES[name].name if name in CAUSES else name or "open"

    def look(self, key: str) -> str:
        """A look by its name in the house's table, else by its own."""
        rows = {row.key: row.name for row in (self._job.look_table or USUAL_LOOKS).looks}
        known = self._engine.kinds.looks.get(key)
        return rows.get(key) or (key if known is None else known.called)

    def step(self, name: str) -> str:
        """A step of the strip by what it says is to be done."""
        known = next((step.text for step in steps_of(self._job) if step.id == name), "")
        return known or f"a step this engine's list does not have: {name}"

    def read(self, reading: Reading) -> str:
        """What a reading said, with its unit."""
        quantity = self._engine.feature(reading.part, reading.feature).quantity
        if quantity is not Quantity.LENGTH:
            return amount_text(quantity, reading.count)
        return Notation.usual(reading.length_unit).with_unit(reading.size)

    def reading(self, name: str) -> Reading:
        """A reading of the job by its name."""
        return next(one for one in self._job.readings if one.id == name)

    def sized(self, on: str, step: Length) -> str:
        """How far from standard a part was brought, and which way."""
        return f"{Notation.usual(self._job.shown_in).undersize(step)} {self._engine.way_of(on)}"


def story(job: Job, engine: Engine) -> tuple[StoryLine, ...]:
    """The facts of a job as a story, oldest first.

    Rule:    facts are only added: what was corrected, withdrawn or made stale is told, not erased.
    """
    names = NamesOfJob(job, engine)
    lines = [*_readings(job, engine), *_corrections(job, names), *_facts(job, names, engine), *_checks(job)]
    return tuple(sorted(lines, key=lambda line: line.at))


def _facts(job: Job, names: Names, engine: Engine) -> Iterator[StoryLine]:
    """Facts as their entries have them told, and what was taken back of them."""
    known: dict[str, Fact] = {}
    for held, fact in job.facts:
        known[fact.id] = fact
        if held.kind.told is not None:
            yield _line(fact, held.kind.told, fact.said(names), _more(job, fact, names, engine))
    for back in job.withdrawals:
        taken = known[back.fact]
        more = "What it made stale counts again." if isinstance(taken, Operation) else ""
        yield _line(back, StoryKind.WITHDRAWN, f"took back: {taken.said(names)}", more)


def _line(fact: Fact, kind: StoryKind, words: str, more: str) -> StoryLine:
    return StoryLine(at=fact.at, by=fact.by, kind=kind, words=words, more=more)


def _more(job: Job, fact: Fact, names: Names, engine: Engine) -> str:
    """What is told beside a fact. Of work: how many readings it made stale."""
    stale = sum(makes_stale(fact, one, engine) for one in job.readings) if isinstance(fact, Operation) else 0
    made = f"{stale} {'reading' if stale == 1 else 'readings'} made stale." if stale else ""
    return " ".join(text for text in (made, fact.more(names)) if text)


def _readings(job: Job, engine: Engine) -> Iterator[StoryLine]:
    """Readings of one part by one person with one gauge, told together."""
    gauges = {gauge.id: gauge.name for gauge in job.gauges}
    open_lines: dict[tuple[str, str, str, str], list[Reading]] = {}
    for reading in sorted((r for r in job.readings if r.corrects is None), key=lambda r: r.at):
        key = (reading.part, reading.feature, reading.by, reading.gauge)
        group = open_lines.get(key)
        if group and (reading.at - group[-1].at > TOGETHER or _work_between(job, group[-1], reading)):
            yield _read_line(group, gauges, engine)
            group = None
        if group is None:
            open_lines[key] = [reading]
        else:
            group.append(reading)
    for group in open_lines.values():
        yield _read_line(group, gauges, engine)


def _work_between(job: Job, before: Reading, after: Reading) -> bool:
    return any(before.at <= done.at < after.at for done in job.standing_operations)


def _read_line(group: list[Reading], gauges: dict[str, str], engine: Engine) -> StoryLine:
    first = group[0]
    what = _called(first.part, engine) + ("" if first.feature == DIAMETER else f", {first.feature}")
    count = len(group)
    spots = " ".join(reading.spot for reading in group) if count <= 8 else f"{group[0].spot} to {group[-1].spot}"
    repeats = sum(reading.repeats is not None for reading in group)
    more = [f"{repeats} of them repeats" if repeats else "", "by its button" if first.by_button else ""]
    return StoryLine(
        at=first.at,
        by=first.by,
        kind=StoryKind.READ,
        words=f"read {what}: {count} {'reading' if count == 1 else 'readings'} at {spots}",
        more="; ".join(text for text in (f"with {gauges[first.gauge]}", *more) if text),
    )


def _corrections(job: Job, names: Names) -> Iterator[StoryLine]:
    known = {reading.id: reading for reading in job.readings}
    for reading in job.readings:
        if reading.corrects is not None:
            now, was = names.read(reading), names.read(known[reading.corrects])
            words = f"corrected {names.called(reading.part)} {reading.spot}: {now}, was {was}"
            yield _line(reading, StoryKind.CORRECTED, words, "")


def _called(part: str, engine: Engine) -> str:
    """A part by its short name."""
    known = engine.places.get(part)
    return known.short if known is not None else part


def _checks(job: Job) -> Iterator[StoryLine]:
    gauges = {gauge.id: gauge for gauge in job.gauges}
    used = {reading.gauge for reading in job.readings}
    since = min((reading.at for reading in job.readings), default=None)
    for check in job.checks:
        if check.gauge not in used or since is None or check.at < since - timedelta(days=1):
            continue
        gauge = gauges[check.gauge]
        standard = Notation.usual(check.unit).with_unit(check.standard)
        against = gauges[check.against].name if check.against else ""
        words = f"checked {gauge.name} on {standard}" + (f", {against}" if against else "")
        yield StoryLine(at=check.at, by=check.by, kind=StoryKind.CHECK, words=words)
