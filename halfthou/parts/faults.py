"""What does not hang together in a job, by the parts its engine has: a part, feature, spot or look nobody knows."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.engines import Engine, Kinds
from halfthou.jobs import (
    IN_GENERAL,
    NOT_IDENTIFIED,
    NOT_LOOKED,
    Job,
    JournalSet,
    LimitsSheet,
    Reading,
    Seen,
    plane_and_angle,
)
from halfthou.looks import OF_HALVES, Asks
from halfthou.verdicts import Action

#: A diameter is the same from both sides.
HALF_TURN_DEG = 180


def faults_of_job(job: Job, kinds: Kinds) -> tuple[str, ...]:
    """Everything in a job that names what its engine does not have; nothing where it hangs together."""
    return tuple(_faults(job, kinds.engine_of(job)))


def _faults(job: Job, engine: Engine) -> Iterator[str]:
    for one in job.sets:
        if one not in engine.kinds.sets(engine.layout):
            yield f"the job is to judge the {one}, which this engine does not have"
    yield from faults_of_limits(job.limits, engine.kinds)
    yield from faults_of_readings(job.readings, engine)
    yield from _pieces(job, engine)
    spoken_of = engine.spoken_of
    yield from _faults_of_all_seen(job, engine)
    for done in job.operations:
        if done.on not in spoken_of:
            yield f"operation {done.id} is on {done.on}, which this engine does not have"
    for decision in job.decisions:
        if decision.part is not None and decision.part not in engine.of_set(decision.set):
            yield f"decision {decision.id} is about {decision.part}, which is none of the {decision.set}"
        if decision.follows and decision.set != JournalSet.RODS:
            yield f"decision {decision.id} follows the bend of the {decision.set}: only rod journals are ground so"
        if (decision.others or decision.follows) and decision.action != Action.REGRIND:
            yield f"decision {decision.id} says how journals are ground, and nothing is ground by it"
        for other in decision.others:
            if other.part not in engine.of_set(decision.set):
                yield f"decision {decision.id} gives a size to {other.part}, which is none of the {decision.set}"


def faults_of_limits(sheet: LimitsSheet, kinds: Kinds) -> tuple[str, ...]:
    """What does not hang together in the limits of an engine, by the kinds of its parts."""
    here = kinds.sets(sheet.layout) if sheet.engine != NOT_IDENTIFIED else ()
    return tuple(
        f"limits of the {one}: {fault}"
        for one, limits in sheet.sets.items()
        if one in here
        for fault in kinds.kind_of_set(one, sheet.layout).check(limits)
    )


def _pieces(job: Job, engine: Engine) -> Iterator[str]:
    """What is wrong with pieces brought in and fitted: of no kind that has any, twice, or where nothing can lie."""
    came = engine.kinds.parts(engine.layout)
    names = [piece.part for piece in job.pieces_here]
    for piece in job.pieces_here:
        if piece.part not in engine.parts or piece.part in came or engine.parts[piece.part].kind != piece.kind:
            yield f"piece {piece.id} is a {piece.kind} called {piece.part}, which is no name of one"
        elif names.count(piece.part) > 1:
            yield f"there are two pieces called {piece.part}"
    for fitting in job.fittings:
        moved, place = engine.parts.get(fitting.piece), came.get(fitting.place or "")
        if moved is None or not engine.kind(moved.id).loose:
            yield f"fitting {fitting.id} moves {fitting.piece}, which is not there to move"
        elif fitting.place is not None and (place is None or place.id not in engine.goes_into(moved.id)):
            yield f"fitting {fitting.id} puts {fitting.piece} where none of its kind can lie"


def faults_of_readings(readings: Iterable[Reading], engine: Engine) -> Iterator[str]:
    """What is wrong with readings: of a part, feature or spot that the engine does not have."""
    for reading in readings:
        if reading.part not in engine.parts:
            yield f"reading {reading.id} is of {reading.part}, which this engine does not have"
        elif reading.feature not in engine.kind(reading.part).by_key:
            yield f"reading {reading.id} is of the {reading.feature} of {reading.part}, which has none"
        else:
            feature = engine.feature(reading.part, reading.feature)
            # Of a plan that was changed, or a kind that was, older spots by plane and angle stand.
            if reading.spot not in feature.spots and plane_and_angle(reading.spot) is None:
                yield f"reading {reading.id} is at {reading.spot}, which is no spot of the {feature.name}"
                continue
            if reading.angle_deg is not None and reading.angle_deg >= HALF_TURN_DEG and not feature.high_side:
                at = f"{reading.angle_deg:g} degrees"
                yield f"reading {reading.id} is at {at}: from 180 on the gauge reads the same again"
            if reading.count < 0 and not feature.signed:
                yield f"reading {reading.id} is less than nothing, and the {feature.name} cannot be"
            elif reading.count == 0 and not (feature.signed or feature.may_be_nothing):
                yield f"reading {reading.id} is nothing: the {feature.name} is more than that"


def faults_of_seen(seen: Seen, engine: Engine) -> Iterator[str]:
    """What is wrong with something seen: on what the engine does not have, of a look that nobody takes there, or
    with an answer that is none."""
    if not engine.may_be_seen(seen.on):
        yield f"this engine has no {seen.on}"
        return
    if seen.answer in (NOT_LOOKED, *IN_GENERAL):
        return
    look = engine.look(seen.look, seen.on)
    if look is None:
        yield f"nobody looks for “{seen.look}” on {engine.called(seen.on)}"
        return
    answer = look.answer(seen.answer)
    if answer is None:
        yield f"“{seen.answer}” is no answer to {look.key}. Choose one of {', '.join(look.texts)}"
    elif answer.asks is Asks.STEP and seen.amount is None:
        yield "say which size is claimed"
    elif answer.asks is Asks.MEASURED and seen.amount is None:
        yield f"say how far it was out, or how much it was, by {seen.answer}; 0 where nothing was found"
    elif answer.asks is Asks.HEIGHT and seen.amount is None:
        yield "give the height of the deposit line, from the deck"
    if seen.by_one_key and not _by_one_key(seen, engine):
        yield "one key says that eye and nail find nothing, of one part: say by itself what else was seen"
    if seen.debris is not None and (answer is None or answer.asks is not Asks.DEBRIS):
        yield "how much, how large and of which colour is said of debris only"
    if seen.arc is not None and seen.look not in OF_HALVES:
        yield "a worn place is drawn into a half bearing only"


def _by_one_key(seen: Seen, engine: Engine) -> bool:
    """Whether one key may say so: of a part, of a look without which it does not go back, and never of a test.

    Rule:    looks.first.
    """
    kind = engine.kind(seen.on) if seen.on in engine.parts else None
    wanted = kind is not None and bool(kind.by_one_key((seen.look,)))
    return wanted and seen.answer == engine.kinds.looks[seen.look].sound_by_eye


def _unheard(seen: Seen, engine: Engine) -> bool:
    """Whether a look is of a newer program and at nothing that is judged here: it is kept, and not weighed."""
    judged = seen.on in engine.spoken_of
    return engine.may_be_seen(seen.on) and not judged and engine.look(seen.look, seen.on) is None


def _faults_of_all_seen(job: Job, engine: Engine) -> Iterator[str]:
    for seen in job.seen:
        if not _unheard(seen, engine):
            for fault in faults_of_seen(seen, engine):
                yield f"seen {seen.id}: {fault}"
