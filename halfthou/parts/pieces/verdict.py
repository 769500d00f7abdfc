"""A loose piece against its limits: what the eye says first, then the figures, then what is missing."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass, field

from halfthou.jobs import AmountBand, Band, SourceKind, Waived
from halfthou.lengths import ZERO, Length
from halfthou.looks import Does
from halfthou.parts.pieces.case import PieceCase
from halfthou.verdicts import (
    Action,
    Called,
    Contradiction,
    FigureKind,
    Finding,
    Limit,
    Open,
    Term,
    greatest,
    judge,
    least,
    summed,
    twice,
)

#: What becomes of a piece, the worst first.
WORST_FIRST = (
    Action.REFER,
    Action.REPLACE,
    Action.STRAIGHTEN,
    Action.LINE_HONE,
    Action.FIT_WASHERS,
    Action.NEW_PARTS,
    Action.REPIN,
    Action.REGROOVE,
    Action.LAP,
    Action.MEASURE,
    Action.FILE,
    Action.MOVE,
    Action.REUSE,
)
_KEPT = (Action.REUSE, Action.FILE, Action.MOVE)


@dataclass(frozen=True, slots=True)
class Note:
    """Something to be said of a piece: which sentence, and the lengths or words that stand in it."""

    key: str
    with_: tuple[Length | str, ...] = ()


@dataclass(frozen=True)
class PieceJudged:
    """What a kind makes of a piece before it is known what is missing.

    `by_eye` is what the eye alone says; then measuring is not asked for. `by_look` is what the eye says of a part
    of it that can be renewed by itself: all else is still measured. `remedies` say what becomes of it where a
    figure is beyond, by the figure's key; else it is replaced. `wanted` are the features that have to be read, each
    with its spots. `unknown` are the figures that nothing can be said of for want of a limit.
    """

    findings: tuple[Finding, ...] = ()
    notes: tuple[Note, ...] = ()
    by_eye: Action | None = None
    remedies: Mapping[str, Action] = field(default_factory=dict)
    wanted: tuple[str, ...] = ()
    opens: frozenset[Open] = frozenset()
    kept: Action = Action.REUSE
    by_look: Action | None = None


@dataclass(frozen=True)
class PieceVerdict:
    """The verdict on one piece by itself. `to_read` are the spots still to read, by feature."""

    case: PieceCase
    action: Action
    called: Called
    judged: PieceJudged
    contradictions: tuple[Contradiction, ...]
    opens: frozenset[Open]
    to_read: tuple[tuple[str, str], ...]

    @property
    def findings(self) -> tuple[Finding, ...]:
        """Its figures."""
        return self.judged.findings

    @property
    def notes(self) -> tuple[Note, ...]:
        """What is to be said of it beside its figures."""
        return self.judged.notes

    @property
    def keeps(self) -> bool:
        """Whether it goes back."""
        return self.action in _KEPT

    @property
    def scrap(self) -> bool:
        """Whether it is of no further use as it is."""
        return self.action in (Action.REPLACE, Action.REFER)

    def finding(self, key: str) -> Finding | None:
        """One figure by its key; None where it could not be worked out."""
        return next((one for one in self.judged.findings if one.key == key), None)


def eye_says(case: PieceCase) -> Action | None:
    """What the eye alone says of a piece, whatever it reads; None where it says nothing.

    Rule:    pieces.eye-rejects.
    """
    if case.eye.does(Does.REFERS):
        return Action.REFER
    found = [Action(one.effect.on or Action.REPLACE) for one in case.eye.that(Does.REJECTS)]
    return min(found, key=WORST_FIRST.index, default=None)


def remedy_of(case: PieceCase) -> Action | None:
    """What the eye says of a part of it that can be renewed by itself; None where it says nothing."""
    return next((Action(one.effect.on) for one in case.eye.that(Does.REMEDY)), None)


def verdict_of(case: PieceCase, judged: PieceJudged) -> PieceVerdict:
    """The verdict on a piece from what its kind makes of it.

    Rule:    pieces.eye-rejects: the eye may reject, only figures accept; a figure beyond its limit rejects whatever
             else is missing; while anything is missing, held, contradicted or too close, it is never reused.
    """
    clashing = tuple(
        one for name, survey in case.piece.features.items() for one in twice(survey.feature.name, survey)
    )
    to_read = () if judged.by_eye is not None else tuple(_to_read(case, judged.wanted))
    opens = frozenset(_opens(case, judged, clashing, to_read))
    states = [one.called for one in judged.findings]
    called = next((s for s in (Called.BEYOND, Called.TOO_CLOSE) if s in states), Called.WITHIN)
    if called is Called.WITHIN and (to_read or not states):
        called = Called.NOT_READ
    return PieceVerdict(case, _action(judged, opens), called, judged, clashing, opens, to_read)


def _action(judged: PieceJudged, opens: frozenset[Open]) -> Action:
    found = [one for one in (judged.by_eye, judged.by_look) if one is not None]
    beyond = [one for one in judged.findings if one.called is Called.BEYOND]
    found += [
        Action.MEASURE if one.rule == MORE_THAN_NOTHING else judged.remedies.get(one.key, Action.REPLACE)
        for one in beyond
    ]
    if opens and judged.by_eye is None:
        found.append(Action.MEASURE)
    if not found:
        found = [judged.kept]
    return min(found, key=WORST_FIRST.index)


def _to_read(case: PieceCase, wanted: Iterable[str]) -> Iterator[tuple[str, str]]:
    if Waived.READINGS in case.waived:
        return
    for feature in dict.fromkeys(wanted):
        survey = case.piece.features.get(feature)
        spots = case.kind.by_key[feature].spots if survey is None else survey.unread
        for spot in spots:
            yield feature, spot


def _opens(
    case: PieceCase, judged: PieceJudged, clashing: tuple[Contradiction, ...], to_read: tuple[tuple[str, str], ...]
) -> Iterator[Open]:
    yield from judged.opens
    if judged.by_eye is Action.REFER:
        yield Open.REFERRED
    if case.eye.does(Does.HOLDS):
        yield Open.SEEN
    if judged.by_eye is None and case.unseen:
        yield Open.UNSEEN
    if judged.by_eye is None and case.without_limit:
        yield Open.NO_LIMIT
    if to_read:
        yield Open.UNREAD
    if any(survey.held for survey in case.piece.features.values()):
        yield Open.HELD
    if clashing or any(one.rule == MORE_THAN_NOTHING and one.called is Called.BEYOND for one in judged.findings):
        yield Open.CONTRADICTED
    if any(one.called is Called.TOO_CLOSE for one in judged.findings):
        yield Open.TOO_CLOSE


#: A clearance is more than nothing, and no less than when new where the sheet says so.
MORE_THAN_NOTHING = "pieces.more-than-nothing"
#: The least that is more than nothing.
_A_LITTLE = Length(1)


class Figures:
    """Works out the figures of one piece, each a sum of its readings, against the limits of its sheet."""

    def __init__(self, case: PieceCase) -> None:
        self.case = case

    def most(self, feature: str, factor: float = 1.0) -> Term | None:
        """The greatest reading of a feature as a term."""
        found = self.case.read(feature)
        return None if found is None else greatest(found, factor)

    def least(self, feature: str, factor: float = 1.0) -> Term | None:
        """The least reading of a feature as a term."""
        found = self.case.read(feature)
        return None if found is None else least(found, factor)

    def against(
        self,
        kind: FigureKind,
        limit: str,
        high: tuple[Term | None, ...],
        low: tuple[Term | None, ...] = (),
        more: Length = ZERO,
    ) -> Iterator[Finding]:
        """A figure against a limit of the sheet: `high` is what must not pass it upward, `low` not downward;
        `more` is known and added whole.

        Gives:   nothing where it is not read or the sheet has no such limit; both ends of a band.
        """
        found = self.case.limits.figures.get(limit)
        band, single = self.case.limits.band(limit), self.case.limits.figure(limit)
        if found is None:
            return
        if single is not None:
            yield from self._one(kind, high, more, Limit(single.value, False, single.source.kind))
        elif isinstance(found, AmountBand):
            yield from self._amount(kind, found, high, low or high)
        elif band is not None:
            low_kind = FigureKind(f"{kind.key} least", kind.rule, f"{kind.name}, least", difference=kind.difference)
            yield from self._one(low_kind, low or high, more, Limit(band.least, True, band.source.kind))
            high_kind = FigureKind(f"{kind.key} most", kind.rule, f"{kind.name}, most", difference=kind.difference)
            yield from self._one(high_kind, high, more, Limit(band.most, False, band.source.kind))

    def clear(
        self,
        kind: FigureKind,
        terms: tuple[Term | None, ...],
        more: Length = ZERO,
        new: Band | None = None,
        *,
        pressed: bool = False,
    ) -> Iterator[Finding]:
        """A clearance that is nothing or less, or less than when new; of what is `pressed` together one that is
        more than nothing. Gives nothing where it is as it should be.

        Takes:   the terms of the least clearance; of what is pressed, of the most.
        Rule:    pieces.more-than-nothing.   Source: common practice, no source.
        """
        name = f"{kind.name}, {'most' if pressed else 'least'}"
        tight = FigureKind(f"{kind.key} tight", MORE_THAN_NOTHING, name, difference=kind.difference)
        limit = Limit(_A_LITTLE, True, SourceKind.MAKER)
        if pressed:
            limit = Limit(ZERO, False, SourceKind.MAKER)
        elif new is not None and new.source.kind is not SourceKind.RULE_OF_THUMB:
            limit = Limit(max(new.least, _A_LITTLE), True, new.source.kind)
        for found in self._one(tight, terms, more, limit):
            if found.called is not Called.WITHIN:
                yield found

    def at_least(self, kind: FigureKind, limit: str, terms: tuple[Term | None, ...]) -> Iterator[Finding]:
        """A figure against a limit that it must not pass downward."""
        single = self.case.limits.figure(limit)
        if single is not None:
            yield from self._one(kind, terms, ZERO, Limit(single.value, True, single.source.kind))

    def _one(
        self, kind: FigureKind, terms: tuple[Term | None, ...], more: Length, limit: Limit
    ) -> Iterator[Finding]:
        figure = summed(kind, terms, self.case.house.guard, more)
        if figure is not None:
            yield judge(figure, limit)

    def _amount(
        self, kind: FigureKind, band: AmountBand, high: tuple[Term | None, ...], low: tuple[Term | None, ...]
    ) -> Iterator[Finding]:
        """What is no length, against each end of its band that is given."""
        if any(term is not None and term.survey.feature.quantity is not band.quantity for term in (*high, *low)):
            return
        for end, count, terms in (("least", band.least, low), ("most", band.most, high)):
            if count is not None:
                its = FigureKind(f"{kind.key} {end}", kind.rule, f"{kind.name}, {end}", difference=kind.difference)
                yield from self._one(its, terms, ZERO, Limit(Length(count), end == "least", band.source.kind))

    def thumb(self, limit: str) -> bool:
        """Whether a limit of the sheet is a rule of thumb alone."""
        found = self.case.limits.figures.get(limit)
        return found is not None and found.source.kind is SourceKind.RULE_OF_THUMB
