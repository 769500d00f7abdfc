"""The end float against its sheet, and which washers would mend it."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import NOT_LOOKED, Step
from halfthou.lengths import ZERO, Length
from halfthou.parts.end_float.kind import BEARING, DIAL, JOURNAL, LEAF, NEW, SERVICE
from halfthou.parts.end_float.looks import AS_BUILT, BLUE, FACES
from halfthou.parts.pieces import Note, PieceCase, PieceJudged, PieceVerdict, eye_says, remedy_of, verdict_of
from halfthou.verdicts import Action, Called, FigureKind, Finding, Limit, Term, greatest, judge, least, summed

_LEAST = FigureKind("end float least", "end-float.float", "end float, least", difference=False)
_MOST = FigureKind("end float most", "end-float.float", "end float, most", difference=False)


def judge_float(case: PieceCase) -> PieceVerdict:
    """The verdict on the end float."""
    findings = tuple(_findings(case))
    low, high = (next((one for one in findings if one.key == kind.key), None) for kind in (_LEAST, _MOST))
    notes, remedy = list[Note](), Action.FIT_WASHERS
    if high is not None and high.called is Called.BEYOND:
        step = washers_for(case, high.value)
        if step is None:
            notes.append(Note("none sold" if case.limits.steps else "no washers", (high.value,)))
            remedy = Action.REFER
        else:
            notes.append(Note("washers", (step.size, high.value - step.size)))
    if low is not None and low.called is Called.BEYOND:
        notes.append(Note("tight"))
    notes.extend(_since_built(case, high))
    return verdict_of(
        case,
        PieceJudged(
            findings=findings,
            notes=tuple(notes),
            by_eye=eye_says(case),
            by_look=remedy_of(case),
            remedies={_MOST.key: remedy, _LEAST.key: Action.REFER},
            wanted=tuple(_wanted(case)),
        ),
    )


#: A float that has grown by no more than this since it was built has not worn: what a dial in tenths and a hand
#: with a lever leave. 0.001 in. Source: judgement.
AS_BUILT_WITHIN_NM = 25_400


def is_as_built(built_nm: int, read_nm: int) -> bool:
    """Whether a float as read is what the engine was built with.

    Rule:    end-float.as-built.
    >>> is_as_built(101_600, 114_300), is_as_built(101_600, 177_800)
    (True, False)
    """
    return abs(read_nm - built_nm) <= AS_BUILT_WITHIN_NM


def washers_for(case: PieceCase, read: Length) -> Step | None:
    """The thinnest washers sold that bring a float as read to what it is when new; None where none does.

    Takes:   washers by how much thicker they are together than those that lie in it.
    Rule:    end-float.washers.
    """
    new = case.limits.band(NEW)
    if new is None:
        return None
    sold = sorted(
        (step for step in case.limits.steps if step.sold and step.size > ZERO), key=lambda one: one.size.nm
    )
    return next((step for step in sold if new.least <= read - step.size <= new.most), None)


def _since_built(case: PieceCase, high: Finding | None) -> Iterator[Note]:
    """How a float stands to what the engine was built with, and whose word that is.

    Rule:    end-float.as-built.
    """
    claim = case.seen.get(AS_BUILT)
    if claim is None or claim.amount is None or high is None or claim.answer == NOT_LOOKED:
        return
    more = high.value - claim.amount
    if is_as_built(claim.amount.nm, high.value.nm):
        hot = case.answer(FACES) == BLUE
        yield Note("blued as built" if hot else "as built", (claim.amount, claim.answer, claim.by, high.value))
    elif more > ZERO:
        yield Note("grown", (claim.amount, claim.answer, claim.by, more))
    else:
        yield Note("less than built", (claim.amount, claim.answer, claim.by, -more))


def _wanted(case: PieceCase) -> Iterator[str]:
    """The float itself, one way or another; both widths where one of them is begun."""
    if case.read(DIAL) is not None or case.read(LEAF) is not None:
        return
    begun = [key for key in (JOURNAL, BEARING) if case.read(key) is not None]
    yield from (JOURNAL, BEARING) if begun else (DIAL,)


def _findings(case: PieceCase) -> Iterator[Finding]:
    """The float against both ends: as read by indicator, by leaf, or the width of the journal less what lies in it.

    Rule:    end-float.float.
    """
    new, service = case.limits.band(NEW), case.limits.figure(SERVICE)
    if new is None:
        return
    most = Limit(new.most, False, new.source.kind)
    if service is not None:
        most = Limit(service.value, False, service.source.kind)
    guard = case.house.guard
    low, high = summed(_LEAST, _terms(case, most=False), guard), summed(_MOST, _terms(case, most=True), guard)
    if low is not None and high is not None:
        yield judge(low, Limit(new.least, True, new.source.kind))
        yield judge(high, most)


def _terms(case: PieceCase, *, most: bool) -> list[Term | None]:
    pick, other = (greatest, least) if most else (least, greatest)
    for key in (DIAL, LEAF):
        read = case.read(key)
        if read is not None:
            return [pick(read)]
    journal, bearing = case.read(JOURNAL), case.read(BEARING)
    if journal is None or bearing is None:
        return [None]
    return [pick(journal), other(bearing, -1.0)]
