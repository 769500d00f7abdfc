"""Whether the pistons of an engine are alike: how far apart their weights are, and their crowns above the deck."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from statistics import median

from halfthou.jobs import SourceKind
from halfthou.lengths import Length
from halfthou.parts.pieces import Note, PieceVerdict
from halfthou.parts.pistons.kind import CROWN_HEIGHT, WEIGHT
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import Action, Called, FigureKind, Finding, Limit, Open, greatest, judge, least, summed

_WEIGHTS = FigureKind("weights apart", "pistons.weight", "weights apart", difference=False)
_CROWNS = FigureKind("crowns apart", "pistons.crown", "crown heights apart", difference=False)


def with_uneven(verdicts: Mapping[str, PieceVerdict]) -> dict[str, PieceVerdict]:
    """The verdicts, with those open that keep the set from being alike: one that is too heavy, too light, or stands
    off the others is not used again beside them.

    Rule:    pistons.weight, pistons.crown.   Source: common practice, no source.
    """
    found = dict(verdicts)
    for feature, kind in ((WEIGHT, _WEIGHTS), (CROWN_HEIGHT, _CROWNS)):
        for name in _odd(verdicts, feature, kind):
            found[name] = _open(found[name], feature)
    return found


def _open(verdict: PieceVerdict, feature: str) -> PieceVerdict:
    action = Action.MEASURE if verdict.action is Action.REUSE else verdict.action
    judged = replace(verdict.judged, notes=(*verdict.judged.notes, Note(f"uneven {feature}")))
    return replace(verdict, judged=judged, opens=verdict.opens | {Open.UNEVEN}, action=action)


def _limit(verdict: PieceVerdict, feature: str) -> Limit | None:
    limits = verdict.case.limits
    if feature == WEIGHT:
        band = limits.amount("weight_spread")
        return None if band is None or band.most is None else Limit(Length(band.most), False, band.source.kind)
    figure = limits.figure("crown_spread")
    return None if figure is None else Limit(figure.value, False, figure.source.kind)


@dataclass(frozen=True, slots=True)
class Apart:
    """How far apart the pieces in the engine are: the least and the greatest of them, and how that is called; None
    where the sheet has no limit that settles it."""

    low: str
    high: str
    counts: Mapping[str, int]
    finding: Finding | None


def weights_apart(verdicts: Mapping[str, PieceVerdict]) -> Apart | None:
    """How far apart the weights are; None where fewer than two are read.

    Rule:    pistons.weight.
    """
    return _apart(verdicts, WEIGHT, _WEIGHTS)


def _apart(verdicts: Mapping[str, PieceVerdict], feature: str, kind: FigureKind) -> Apart | None:
    read: dict[str, FeatureSurvey] = {
        name: found
        for name, verdict in verdicts.items()
        if verdict.case.placed and (found := verdict.case.read(feature)) is not None
    }
    if len(read) < 2:
        return None
    counts = {name: next(iter(found.counts.values())) for name, found in read.items()}
    low, high = min(counts, key=lambda name: counts[name]), max(counts, key=lambda name: counts[name])
    apart = summed(kind, (greatest(read[high]), least(read[low], -1)), verdicts[high].case.house.guard)
    limit = _limit(verdicts[high], feature)
    settles = apart is not None and limit is not None and limit.source is not SourceKind.RULE_OF_THUMB
    return Apart(low, high, counts, judge(apart, limit) if settles and apart and limit else None)


def _odd(verdicts: Mapping[str, PieceVerdict], feature: str, kind: FigureKind) -> Iterator[str]:
    """The piece that stands furthest off the middle one, where the set is further apart than it may be."""
    apart = _apart(verdicts, feature, kind)
    if apart is None or apart.finding is None or apart.finding.called is Called.WITHIN:
        return
    counts, middle = apart.counts, median(apart.counts.values())
    furthest = max(counts[apart.high] - middle, middle - counts[apart.low])
    yield from (name for name in (apart.low, apart.high) if abs(counts[name] - middle) == furthest)
