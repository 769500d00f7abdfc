"""How a journal that came back from the grinder stands to its card."""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from halfthou.jobs import OperationKind, SourceKind
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.journals.verdict import JournalVerdict
from halfthou.verdicts import Called, FigureKey, FigureKind, Finding, Limit, judge, measured, size_found

_LEAST = FigureKind(FigureKey.FINISHED_LEAST, "crank.came-back", "least size, as it came back", difference=False)
_MOST = FigureKind(FigureKey.FINISHED_MOST, "crank.came-back", "greatest size, as it came back", difference=False)


class CameBack(NamedTuple):
    """How a journal came back: how it is called against its card, by how much the worse end missed, which end."""

    called: Called
    missed: Length
    small: bool


def came_back(verdict: JournalVerdict, band: tuple[Length, Length]) -> CameBack | None:
    """How a journal that was ground stands to its band; None where it is not read whole since.

    Rule:    crank.came-back: its least and its greatest size against both ends of the card's band, with the guard
             of any figure.
    """
    found = tuple(_findings(verdict, band))
    if not found or not verdict.case.survey.whole:
        return None
    worst = min(found, key=lambda one: one.to_spare.nm)
    states = {one.called for one in found}
    called = next(one for one in (Called.BEYOND, Called.TOO_CLOSE, Called.WITHIN) if one in states)
    return CameBack(called, max(ZERO, -worst.to_spare), worst.limit_is_least)


def _findings(verdict: JournalVerdict, band: tuple[Length, Length]) -> Iterator[Finding]:
    case, form = verdict.case, verdict.case.survey.form
    if form is None:
        return
    guard = case.house.guard
    least = size_found(case.survey, _LEAST, form.least, form, guard)
    yield judge(least, Limit(band[0], True, SourceKind.MAKER))
    yield judge(measured(case.survey, _MOST, form.greatest, guard), Limit(band[1], False, SourceKind.MAKER))


def came_back_words(found: CameBack, say: Notation) -> tuple[str, str]:
    """How it came out, and what to do now."""
    if found.called is Called.WITHIN:
        return "hit", ""
    if found.called is Called.TOO_CLOSE:
        return "too close to call", "Read it again with a finer gauge, or in more places."
    by = say.text(found.missed)
    if found.small:
        return (
            f"missed, {by} small",
            "The clearance grows by as much: the next undersize, or a person decides to use it.",
        )
    return f"missed, {by} large", f"{by} more to come off; the clearance is less by as much till then."


def polished_after(kinds: tuple[OperationKind, ...]) -> bool:
    """Whether a journal was polished since it was last ground.

    Takes:   the work on it, oldest first.
    """
    last = max((n for n, kind in enumerate(kinds) if kind is OperationKind.GRIND), default=-1)
    return any(kind is OperationKind.POLISH for kind in kinds[last + 1 :])
