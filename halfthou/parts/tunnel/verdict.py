"""One main housing against its band, its form and its place in the line."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, replace
from itertools import pairwise

from halfthou.jobs import Band, SourceKind
from halfthou.lengths import ZERO, Length
from halfthou.looks import Does
from halfthou.parts.pieces import Note, PieceCase, PieceJudged, PieceVerdict, verdict_of
from halfthou.parts.tunnel.kind import ADJACENT, ANGLES_DEG, BORE, DIAL, LEAF, OUT_OF_ROUND, OVER_ALL, SPOTS, TAPER
from halfthou.parts.tunnel.looks import BAR, FREE, bar_within
from halfthou.surveys import REAR, FeatureSurvey, Form, MeasuredWhere, form_of
from halfthou.verdicts import TAPER as TAPER_KIND
from halfthou.verdicts import (
    Action,
    Called,
    FigureKind,
    Finding,
    Limit,
    Open,
    Term,
    judge,
    measured,
    most,
    roundness,
    summed,
)

_PLACES = {spot: MeasuredWhere(0 if spot[0] == "1" else REAR, ANGLES_DEG[spot[1]]) for spot in SPOTS}
#: A vertical that is larger by no more than this is round: two tenths. Source: common practice, no source.
ROUND_NM = 5_080
_SIZES = (
    (FigureKind("size least", "tunnel.size", "housing bore, least", difference=False), True),
    (FigureKind("size most", "tunnel.size", "housing bore, most", difference=False), False),
)
_UPRIGHT = FigureKind("upright", "tunnel.upright", "out-of-round, tall")


@dataclass(frozen=True)
class TunnelRead:
    """Every housing of a tunnel, the band of its bores, and where each stands along it."""

    cases: Mapping[str, PieceCase]
    band: Band | None
    along: Mapping[str, float]


def judge_housings(read: TunnelRead) -> dict[str, PieceVerdict]:
    """The verdict on every housing."""
    return {part: verdict_of(case, _judge(read, part, case)) for part, case in read.cases.items()}


def _judge(read: TunnelRead, part: str, case: PieceCase) -> PieceJudged:
    survey = case.read(BORE)
    findings, opens = list[Finding](), set[Open]()
    if survey is not None and survey.sizes:
        form = form_of(survey.sizes, _PLACES, hole=True)
        findings += [*_size(read.band, case, survey, form), *_form(case, survey, form)]
    if read.band is None:
        opens.add(Open.NO_LIMIT)
    line = list(_line(read, part, case))
    if case.eye.does(Does.REFERS):
        opens.add(Open.REFERRED)
    findings += line
    return PieceJudged(
        findings=tuple(findings),
        notes=tuple(_notes(read, case, findings)),
        by_eye=Action.REPLACE if case.eye.does(Does.REJECTS) else None,
        by_look=Action.REFER if case.eye.does(Does.REFERS) else None,
        remedies={one.key: Action.LINE_HONE for one in findings},
        wanted=tuple(_wanted(read, part, case)),
        opens=frozenset(opens),
    )


def _notes(read: TunnelRead, case: PieceCase, findings: Iterable[Finding]) -> Iterator[Note]:
    bar = bar_within(case.seen)
    if bar is None and case.answer(BAR) == FREE:
        yield Note("no bar")
    if bar is not None:
        yield Note("bar" if _by_bar(read, case) else "thin bar", (bar,))
    if read.band is None:
        yield Note("no band")
    if any(one.key == _UPRIGHT.key and one.called is Called.BEYOND for one in findings):
        yield Note("tall")


def _wanted(read: TunnelRead, part: str, case: PieceCase) -> Iterator[str]:
    yield BORE
    ends = _ends(read)
    limited = any(key in case.limits.figures for key in (ADJACENT, OVER_ALL))
    unread = part not in ends and case.read(LEAF) is None and case.read(DIAL) is None
    if limited and unread and not _by_bar(read, case):
        yield LEAF


def _by_bar(read: TunnelRead, case: PieceCase) -> bool:
    """Whether a bar says enough of the line for every limit the sheet has: over all no more than it is smaller,
    against a neighbour that and its share of how the line of the ends may lie in the bar's.

    Rule:    tunnel.bar.
    """
    bar = bar_within(case.seen)
    if bar is None:
        return False
    places = tuple(read.along.values())
    share = max(later - earlier for earlier, later in pairwise(places)) / (places[-1] - places[0])
    most = {OVER_ALL: float(bar.nm), ADJACENT: bar.nm * (1 + share)}
    limits = {key: limit.value.nm for key in most if (limit := case.limits.figure(key)) is not None}
    return all(most[key] <= limit for key, limit in limits.items())


def _size(band: Band | None, case: PieceCase, survey: FeatureSurvey, form: Form) -> Iterator[Finding]:
    if band is None:
        return
    for (kind, is_least), measure in zip(_SIZES, (form.least, form.greatest), strict=True):
        limit = Limit(band.least if is_least else band.most, is_least, band.source.kind)
        yield judge(measured(survey, kind, measure, case.house.guard), limit)


def _form(case: PieceCase, survey: FeatureSurvey, form: Form) -> Iterator[Finding]:
    """Out-of-round and taper. Only a housing whose vertical is the smaller is as it should be; the other way round
    its cap stretched, or is another's.

    Rule:    tunnel.upright.   Source: docs/trade: The tunnel, from memory, bearing-maker guides.
    """
    oval = roundness(survey, form, case.house.guard)
    limit = case.limits.figure(OUT_OF_ROUND)
    if oval is not None and limit is not None:
        if _upright(survey) > ROUND_NM:
            wrong = replace(oval, key=_UPRIGHT.key, rule=_UPRIGHT.rule, name=_UPRIGHT.name)
            yield judge(wrong, Limit(Length(ROUND_NM), False, limit.source.kind))
        else:
            yield judge(oval, most(limit))
    taper = case.limits.figure(TAPER)
    if taper is not None and form.taper is not None:
        yield judge(measured(survey, TAPER_KIND, form.taper, case.house.guard), most(taper))


def _upright(survey: FeatureSurvey) -> float:
    """By how much the vertical is larger than the rest, in nm, in the plane where it is most; 0 where not read."""
    found = 0.0
    for plane in "12":
        sizes = [survey.sizes.get(f"{plane}{angle}") for angle in "abc"]
        up, one, other = sizes
        if up is not None and one is not None and other is not None:
            found = max(found, up.nm - (one.nm + other.nm) / 2)
    return found


def _ends(read: TunnelRead) -> tuple[str, str]:
    parts = tuple(read.cases)
    return parts[0], parts[-1]


def _line(read: TunnelRead, part: str, case: PieceCase) -> Iterator[Finding]:
    """How far a housing lies off the line of the end ones, and off its neighbour.

    Rule:    tunnel.line.   Source: docs/trade: The tunnel.
    """
    terms = _off_the_line(read, part)
    over = case.limits.figure(OVER_ALL)
    if terms and over is not None and part not in _ends(read):
        yield _far(case, FigureKind("line", "tunnel.line", "line, over all"), terms, over.value, over.source.kind)
    before = next((one for one, other in pairwise(read.cases) if other == part), None)
    near = case.limits.figure(ADJACENT)
    if before is None or near is None or not (_placed(read, part) and _placed(read, before)):
        return
    both = [*terms, *(replace(one, factor=-one.factor) for one in _off_the_line(read, before))]
    if both:
        called = read.cases[before].piece.part.short.lower()
        kind = FigureKind("line adjacent", "tunnel.line", f"line against {called}")
        yield _far(case, kind, both, near.value, near.source.kind)


def _placed(read: TunnelRead, part: str) -> bool:
    """Whether it is known where a housing lies in the line: it was read, or it carries the straightedge or bar."""
    return part in _ends(read) or _line_of(read, part) is not None


def _line_of(read: TunnelRead, part: str) -> FeatureSurvey | None:
    return read.cases[part].read(LEAF) or read.cases[part].read(DIAL)


def _off_the_line(read: TunnelRead, part: str) -> list[Term]:
    """Where a housing lies beside the line of the end ones, as a sum of what was read."""
    front, rear = _ends(read)
    share = (read.along[part] - read.along[front]) / (read.along[rear] - read.along[front])
    weights: dict[str, float] = {part: 1.0}
    for end, weight in ((front, share - 1), (rear, -share)):
        weights[end] = weights.get(end, 0.0) + weight
    found = []
    for one, weight in weights.items():
        survey = _line_of(read, one)
        if survey is not None and abs(weight) > 1e-12:
            found += [Term(weight, survey, spot) for spot in survey.counts]
    return found


def height_nm(read: TunnelRead, part: str) -> float | None:
    """How high a housing stands above the line of the end ones, in nm; None where nobody read it."""
    terms = _off_the_line(read, part)
    if not _placed(read, part):
        return None
    return sum(-term.count if term.survey.feature.key == LEAF else term.count for term in terms)


def _far(case: PieceCase, kind: FigureKind, terms: list[Term], limit: Length, source: SourceKind) -> Finding:
    """A sum that may lie on either side, by how far it lies."""
    total = sum(term.count for term in terms)
    turned = [replace(term, factor=-term.factor) for term in terms] if total < 0 else terms
    figure = summed(kind, turned, case.house.guard)
    if figure is None:
        raise ValueError(f"{kind.name}: nothing of it is read")
    return judge(replace(figure, value=max(figure.value, ZERO), spots=()), Limit(limit, False, source))
