"""One ring by itself: what the eye says, the gap aimed at, what has to be filed, how far it opens at the top."""

from __future__ import annotations

import math
from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.jobs import Figure, Source, SourceKind, Use
from halfthou.lengths import Length
from halfthou.looks import Does
from halfthou.parts.pieces import Figures, Note, PieceCase, PieceJudged, eye_says
from halfthou.parts.rings import kind as ring
from halfthou.parts.rings.kind import factor_of, ring_of
from halfthou.parts.rings.travel import Travel
from halfthou.sets import OIL_LEAST, WARMER_K, FileToFit, file_to_fit, thermal_gap, typical_gap
from halfthou.verdicts import Action, Called, FigureKind, Finding, Limit, Open, Term, judge, summed

_GAP = FigureKind("closed gap least", "rings.gap", "closed gap, least", difference=False)
_WIDE = FigureKind("closed gap most", "rings.gap", "closed gap, most", difference=False)
_AT_TOP = FigureKind("gap at the top", "rings.at-top", "gap at the top of travel", difference=False)
#: A worn ring's gap where nobody gives a limit: about twice what is aimed at when new.
#: Source: docs/trade: Ring gaps, from memory; a rule of thumb, which settles nothing.
WORN_TIMES = 2


@dataclass(frozen=True)
class RingSays:
    """A ring's case with its bore and what the engine is used for.

    `travel` is the bore it was read in, and where. `top_gap` is the gap the top ring of the same cylinder has or is
    filed to: the second is at least as wide. `goes_new` says that its bore is machined first, and another ring goes
    into it.
    """

    case: PieceCase
    number: int
    travel: Travel
    new_size: Length | None
    use: Use | None
    top_gap: Length | None = None
    goes_new: bool = False


@dataclass(frozen=True, slots=True)
class Target:
    """What a gap is aimed at: at least so much, at most so much where that is known, and by whose word."""

    least: Length
    most: Length | None
    source: Source


def target_of(says: RingSays) -> Target | None:
    """The gap aimed at: the maker's band, else the maker's factor, else what is typical for the engine's use. Of an
    oil ring the maker's alone: without it its looks decide, and its gap is not judged.

    Rule:    rings.target: the second is at least as wide as the top, unless its maker says otherwise.
    Source:  docs/trade: Ring gaps.
    """
    found = _target(says)
    wider = says.number == ring.SECOND and says.case.limits.made.get("second may be tighter") != ring.TIGHTER
    # A used ring is not filed out to a top that is worn, or leaves with it.
    wider = wider and says.case.new
    if found is None or not wider or says.top_gap is None or says.top_gap <= found.least:
        return found
    most = None if found.most is None else max(found.most, says.top_gap)
    return Target(says.top_gap, most, found.source)


def _target(says: RingSays) -> Target | None:
    limits, number = says.case.limits, says.number
    if number == ring.OIL:
        least = limits.figure("oil_gap")
        return Target(least.value, None, least.source) if least is not None else None
    band = limits.band("top_gap" if number == ring.TOP else "second_gap")
    if band is not None:
        return Target(band.least, band.most, band.source)
    bore = _size(says)
    if bore is None:
        return None
    factor = factor_of(limits, number)
    if factor is not None:
        return Target(Length(math.ceil(bore.nm * factor)), None, Source(kind=SourceKind.PART_MAKER, place="factor"))
    if says.use is None:
        return None
    thumb = Source(kind=SourceKind.RULE_OF_THUMB, place=f"typical for {says.use.value}")
    return Target(typical_gap(bore, says.use, number), None, thumb)


def _size(says: RingSays) -> Length | None:
    """The bore a gap is worked out for: where it is least, as read; the new size where it is not read."""
    bore = says.travel.bore
    if bore is not None and bore.sizes:
        return min(bore.sizes.values())
    return says.new_size


def judge_ring(says: RingSays) -> PieceJudged:
    """Judge one ring.

    Rule:    rings.*   Source: docs/trade: Ring gaps.
    """
    case, target = says.case, target_of(says)
    opens = set()
    if target is None and says.number != ring.OIL:
        opens.add(Open.NO_LIMIT)
    if case.eye.does(Does.ASKS, ring.GAP):
        opens.add(Open.FORM)
    asked = _asked(says)
    if asked is not None:
        opens.add(_WAITS_FOR[asked])
    unsure = asked is not None or Open.FORM in opens
    findings = tuple(_findings(says, target)) if target is not None and not unsure else ()
    unknown = says.travel.bore is None and not says.goes_new
    if unknown and any(one.key == _AT_TOP.key and one.called is not Called.BEYOND for one in findings):
        opens.add(Open.BORE)
    check_only = case.limits.made.get("gaps") == ring.CHECK_ONLY
    return PieceJudged(
        findings=findings,
        notes=tuple(_notes(says, target, opens, findings)),
        by_eye=eye_says(case),
        remedies={_GAP.key: Action.REPLACE if check_only else Action.FILE},
        wanted=(ring.GAP,) if says.number != ring.OIL or "oil_gap" in case.limits.figures else (),
        opens=frozenset(opens),
    )


#: What is asked where a gap was read elsewhere than at the foot, and what its ring then waits for.
_WAITS_FOR = {"depth, its bore": Open.BORE, "depth, the planes": Open.PLACE, "depth, outside": Open.PLACE}


def _asked(says: RingSays) -> str | None:
    """What has to be known before a gap that was read elsewhere counts; None where it counts.

    Rule:    rings.at-depth.
    """
    travel = says.travel
    if travel.at_foot or says.goes_new or says.case.read(ring.GAP) is None:
        return None
    if not travel.depths:
        return "depth, the planes"
    if travel.bore is None:
        return "depth, its bore"
    return "depth, outside" if travel.shares is None else None


def _findings(says: RingSays, target: Target) -> Iterator[Finding]:
    figures, guard = Figures(says.case), says.case.house.guard
    gap = figures.most(ring.GAP)
    if gap is None:
        return
    terms = (gap, *says.travel.closes())
    least = summed(_GAP, terms, guard)
    if least is None:
        return
    yield judge(least, Limit(target.least, True, target.source.kind))
    new = says.case.new
    if target.most is not None and new:
        wide = summed(_WIDE, terms, guard)
        if wide is not None:
            yield judge(wide, Limit(target.most, False, target.source.kind))
    if not new:
        yield from _worn(says, target, gap)


def _worn(says: RingSays, target: Target, gap: Term) -> Iterator[Finding]:
    """A used ring: its gap where its bore is widest, π times the growth of the bore more than where it was read."""
    worn = says.case.limits.figure("worn_gap")
    if worn is None:
        thumb = Source(kind=SourceKind.RULE_OF_THUMB)
        worn = Figure(value=target.least * WORN_TIMES, source=thumb)
    figure = summed(_AT_TOP, (gap, *says.travel.opens()), says.case.house.guard)
    if figure is not None:
        yield judge(figure, Limit(worn.value, False, worn.source.kind))


def filing_of(says: RingSays, finding: Finding | None) -> FileToFit | None:
    """How the gap of a ring stands to what is aimed at; None where one of the two is not known.

    Rule:    rings.file.
    """
    target = target_of(says)
    if finding is None or target is None:
        return None
    return file_to_fit(finding.value, target.least, target.most, finding.guard)


def _notes(
    says: RingSays, target: Target | None, opens: set[Open], findings: tuple[Finding, ...]
) -> Iterator[Note]:
    if Open.NO_LIMIT in opens:
        yield Note("use")
    asked, read_at = _asked(says), says.travel.read_at
    if asked is not None and read_at is not None:
        yield Note(asked, (read_at,))
    elif Open.BORE in opens:
        yield Note("bore")
    least = next((one for one in findings if one.key == _GAP.key), None)
    if least is not None and read_at is not None and not says.travel.at_foot:
        yield Note("depth", (read_at, least.value))
    if target is None and says.number == ring.OIL:
        yield Note("oil", (OIL_LEAST,))
    if target is not None and target.source.kind is SourceKind.RULE_OF_THUMB:
        yield Note("typical")
    bore = _size(says)
    if target is None or bore is None or says.use is None or says.number == ring.OIL:
        return
    closes = thermal_gap(bore, *WARMER_K[says.use])
    if closes.nm * 10 > target.least.nm * 11:
        yield Note("closes", (closes, target.least))
    elif closes >= target.least:
        yield Note("all", (closes, target.least))
    else:
        yield Note("leaves", (closes, target.least))


def number_of(case: PieceCase) -> int:
    """The number of a ring: 1 the top."""
    return ring_of(case.piece.part.id)[1]
