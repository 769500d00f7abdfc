"""Places that stay where they are and are judged together: those of a shaft, of a tunnel. What is beyond, what is
still to be read, and what is said of them as a set."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Iterable, Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple, TypedDict

from halfthou.engines import PartKind, SheetFigure
from halfthou.jobs import Decision, SetLimits
from halfthou.lengths import ZERO, Length, Notation, Shown
from halfthou.parts.pieces.report import MARK_OF
from halfthou.parts.pieces.together import PiecesTogether
from halfthou.parts.pieces.verdict import PieceVerdict
from halfthou.report import SpotAsked
from halfthou.verdicts import MARKS, Action, Called, Finding, Mark, MarkCode, Open
from halfthou.words import Reason, names_of


@dataclass(frozen=True, kw_only=True)
class PlacesTogether(PiecesTogether):
    """Every place of a set with its verdict. What a set is taken to has no step."""

    step: Length | None = ZERO

    @property
    @abstractmethod
    def own(self) -> Action:
        """What its verdict says, before a person decides otherwise."""

    @property
    def action(self) -> Action:
        """What is done with it."""
        return self.overruled or self.own

    @cached_property
    def beyond(self) -> Mapping[str, tuple[Finding, ...]]:
        """The figures that are beyond, by place; no place without."""
        found = {
            part: tuple(one for one in verdict.findings if one.called is Called.BEYOND)
            for part, verdict in self.verdicts.items()
        }
        return {part: figures for part, figures in found.items() if figures}

    @cached_property
    def awaiting(self) -> tuple[str, ...]:
        """The places still to be read."""
        return tuple(part for part, verdict in self.verdicts.items() if verdict.to_read)

    @property
    def so_far(self) -> bool:
        """Whether places are still to be read."""
        return bool(self.awaiting)

    def called(self, part: str) -> str:
        """A place by its short name. Raises KeyError where it is none of the set."""
        return self.verdicts[part].case.piece.part.short

    def open_at(self, what: Open) -> tuple[str, ...]:
        """The places at which something stands open."""
        return tuple(part for part, verdict in self.verdicts.items() if what in verdict.opens)


class SetTold(TypedDict):
    """The fields of a set's report that rest on its decision alone, the same for every such kind."""

    kind: str
    station: str
    name: str
    mark: Mark
    action: Action
    step: Shown
    present: Shown
    complete: bool
    finished: bool
    decided: bool
    awaiting: tuple[str, ...]
    can_be_accepted: bool
    reading_order: tuple[SpotAsked, ...]


def set_told(found: PlacesTogether, one: str, kind: PartKind, say: Notation, accepted: Decision | None) -> SetTold:
    """What is said of a set of places by its decision."""
    action = found.action
    done = not found.so_far and action is not Action.MEASURE
    waits = action is Action.MEASURE and not found.awaiting
    first = kind.features[0]
    return SetTold(
        kind=kind.key,
        station=kind.station,
        name=kind.sets[one],
        mark=MARKS[MarkCode.TOO_CLOSE if waits else MARK_OF[action]],
        action=action,
        step=say.shown(ZERO),
        present=say.shown(ZERO),
        complete=not found.so_far,
        finished=done and action is not Action.REFER,
        decided=(accepted or found.decision) is not None,
        awaiting=found.awaiting,
        can_be_accepted=done and action is not Action.REFER,
        reading_order=tuple(SpotAsked(part, first.key, spot) for part in found.verdicts for spot in first.spots),
    )


def headline_of(found: PlacesTogether, words: Mapping[Action, str] | None = None) -> str:
    """The decision on a set of places in a few words; `words` where an action alone does not say it."""
    action = found.action
    if action is Action.MEASURE:
        return "measure" if found.awaiting else "not settled"
    return (words or {}).get(action, action.value)


class Still(NamedTuple):
    """What is said while something stands open: of what, by which rule, and what to do. It names its places, unless
    it is `of_all`."""

    what: Open
    rule: str
    words: str
    of_all: bool = False


#: What every such set says.
STILL = (
    Still(Open.HELD, "surveys.slips", "a question about a reading waits for its answer."),
    Still(Open.CONTRADICTED, "verdicts.contradiction", "readings contradict each other."),
    Still(Open.NO_LIMIT, "verdicts.no-limit", "a limit is wanted."),
    Still(Open.TOO_CLOSE, "verdicts.guard-band", "too close to call with this gauge."),
)


def beyond_reasons(found: PlacesTogether, say: Notation) -> Iterator[Reason]:
    """What is beyond, place by place."""
    for part, figures in found.beyond.items():
        said = "; ".join(_said(one, say) for one in figures)
        yield Reason(rule=figures[0].rule, text=f"{found.called(part)}: {said}.")


def _said(one: Finding, say: Notation) -> str:
    end = "least" if one.limit_is_least else "most"
    return f"{one.name.removesuffix(f', {end}')} {say.text(one.value)}, {end} {say.text(one.limit)}"


def still_reasons(found: PlacesTogether, rows: Iterable[Still]) -> Iterator[Reason]:
    """What stands open, each with its places."""
    for row in rows:
        places = found.open_at(row.what)
        if places:
            text = row.words if row.of_all else f"{names_of(places, found.called)}: {row.words}"
            yield Reason(rule=row.rule, text=text)


def stands_of(verdict: PieceVerdict) -> str:
    """How the worst figure of a place is called; "" where it has none."""
    found = {one.called for one in verdict.findings}
    return next((one.value for one in (Called.BEYOND, Called.TOO_CLOSE, Called.WITHIN) if one in found), "")


def faults_of_figures(
    limits: SetLimits, figures: Iterable[SheetFigure], most: tuple[Length, str], of: str
) -> Iterator[str]:
    """What cannot be in the limits of such a set, in words: a limit of nothing or too much, one that is needed and
    missing, one that it has not.

    Takes:   the most that a limit can be, and that in words.
    """
    known = tuple(figures)
    for figure in known:
        limit = limits.figure(figure.key)
        if limit is not None and not ZERO < limit.value <= most[0]:
            yield f"{figure.label.lower()}: it must lie between nothing and {most[1]}: check the decimal point"
        if figure.needed and figure.key not in limits.figures:
            yield f"{figure.label.lower()}: it is needed"
    if unknown := sorted(limits.figures.keys() - {figure.key for figure in known}):
        yield f"{of} has no figure {', '.join(unknown)}"
