"""The story of a job: who measured what with which gauge, what was corrected, what work made stale."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta

from halfthou.amounts import Quantity, amount_text
from halfthou.engines import Engine
from halfthou.jobs import DIAMETER, Job, Operation, Reading, SlipAnswer
from halfthou.lengths import Notation
from halfthou.operations import makes_stale
from halfthou.report.documents import StoryKind, StoryLine

#: Readings of one journal closer in time than this are told as one sitting.
TOGETHER = timedelta(minutes=30)


def story(job: Job, engine: Engine) -> tuple[StoryLine, ...]:
    """The facts of a job as a story, oldest first.

    Rule:    facts are only added: what was corrected, withdrawn or made stale is told, not erased.
    """
    lines = [
        *_readings(job, engine),
        *_corrections(job, engine),
        *_withdrawals(job, engine),
        *(_answer(job, answer, engine) for answer in job.slip_answers),
        *(_work(job, done, engine) for done in job.operations),
        *_checks(job),
        *_sittings(job),
        *_seen(job, engine),
        *_pieces(job, engine),
    ]
    return tuple(sorted(lines, key=lambda line: line.at))


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


def _text(reading: Reading, engine: Engine) -> str:
    quantity = engine.feature(reading.part, reading.feature).quantity
    if quantity is not Quantity.LENGTH:
        return amount_text(quantity, reading.count)
    return Notation.usual(reading.length_unit).with_unit(reading.size)


def _corrections(job: Job, engine: Engine) -> Iterator[StoryLine]:
    known = {reading.id: reading for reading in job.readings}
    for reading in job.readings:
        if reading.corrects is not None:
            before = known[reading.corrects]
            what, was = _text(reading, engine), _text(before, engine)
            words = f"corrected {_called(reading.part, engine)} {reading.spot}: {what}, was {was}"
            yield StoryLine(at=reading.at, by=reading.by, kind=StoryKind.CORRECTED, words=words)


def _withdrawals(job: Job, engine: Engine) -> Iterator[StoryLine]:
    known = {reading.id: reading for reading in job.readings}
    work = {operation.id: operation for operation in job.operations}
    for withdrawal in job.withdrawals:
        if withdrawal.fact in work:
            done = work[withdrawal.fact]
            words = f"took back: {done.kind.value} on {_called(done.on, engine)}. What it made stale counts again"
            yield StoryLine(at=withdrawal.at, by=withdrawal.by, kind=StoryKind.WITHDRAWN, words=words)
            continue
        reading = known.get(withdrawal.fact)
        if reading is None:
            continue
        words = f"took back {_called(reading.part, engine)} {reading.spot}, {_text(reading, engine)}"
        yield StoryLine(at=withdrawal.at, by=withdrawal.by, kind=StoryKind.WITHDRAWN, words=words)


def _answer(job: Job, answer: SlipAnswer, engine: Engine) -> StoryLine:
    reading = next(r for r in job.readings if r.id == answer.reading)
    where, say = f"{_called(reading.part, engine)} {reading.spot}", Notation.usual(reading.length_unit)
    offered = say.text(answer.offered) if answer.offered is not None else ""
    kept, took = f"kept {_text(reading, engine)} at {where}", f"took {offered} for {where}: {answer.slip}"
    words = took if answer.taken else kept
    more = f"It was read as {say.text(reading.size)}." if answer.taken else f"Asked: {answer.slip}."
    return StoryLine(at=answer.at, by=answer.by, kind=StoryKind.QUESTION, words=words, more=more)


def _work(job: Job, done: Operation, engine: Engine) -> StoryLine:
    stale = sum(makes_stale(done, reading, engine) for reading in job.readings)
    on = _called(done.on, engine)
    size = ""
    if done.step is not None:
        size = f" to {Notation.usual(job.shown_in).undersize(done.step)} {engine.way_of(done.on)}"
    more = f"{stale} {'reading' if stale == 1 else 'readings'} made stale." if stale else ""
    note = f" {done.note}." if done.note else ""
    words = f"{done.kind.value}: {on}{size}"
    return StoryLine(at=done.at, by=done.by, kind=StoryKind.WORK, words=words, more=more + note)


def _called(part: str, engine: Engine) -> str:
    """A part by its short name."""
    known = engine.parts.get(part)
    return known.short if known is not None else part


def _pieces(job: Job, engine: Engine) -> Iterator[StoryLine]:
    """Pieces brought in and moved, and what the engine is used for."""
    back = {withdrawal.fact for withdrawal in job.withdrawals}
    for piece in job.pieces:
        more = "; ".join(text for text in ("" if piece.new else "used", piece.note) if text)
        words = f"brought in {_called(piece.part, engine)}"
        yield StoryLine(at=piece.at, by=piece.by, kind=StoryKind.WORK, words=words, more=more)
    for fitting in job.fittings:
        where = f"fitted as {_called(fitting.place, engine)}" if fitting.place else "taken out"
        taken = "Taken back." if fitting.id in back else ""
        words = f"{_called(fitting.piece, engine)} {where}"
        yield StoryLine(at=fitting.at, by=fitting.by, kind=StoryKind.WORK, words=words, more=taken or fitting.note)
    for said in job.uses:
        yield StoryLine(at=said.at, by=said.by, kind=StoryKind.DECIDED, words=f"used for: {said.use.value}")


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


def _sittings(job: Job) -> Iterator[StoryLine]:
    for sitting in job.sittings:
        part = "the shop's" if sitting.part_c is None else f"{sitting.part_c:g} °C"
        words = f"part {part}, {sitting.condition.value}"
        yield StoryLine(at=sitting.at, by=sitting.by, kind=StoryKind.WARMTH, words=words)


def _seen(job: Job, engine: Engine) -> Iterator[StoryLine]:
    for seen in job.observations:
        on = _called(seen.on, engine)
        depth = f", {seen.typed}" if seen.typed else ""
        words = f"{on}, {seen.look}: {seen.answer}{depth}"
        yield StoryLine(at=seen.at, by=seen.by, kind=StoryKind.SEEN, words=words)
