"""The figures of a journal: size, larger than new, out-of-round, taper, barrel or hourglass."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.parts.journals.case import JournalCase
from halfthou.surveys import Form
from halfthou.verdicts import (
    TAPER,
    FigureKey,
    FigureKind,
    Finding,
    Limit,
    as_bound,
    as_question,
    bulge,
    judge,
    measured,
    most,
    roundness,
    size_found,
)

#: Angles that a journal's plan needs so that it may accept. Two may reject, never accept. Source: geometry.
LEAST_ANGLES = 3
SIZE = FigureKind(FigureKey.SIZE, "surveys.size.least", "least size", difference=False)
LARGER = FigureKind(FigureKey.LARGER, "verdicts.journal.larger", "greatest size", difference=False)
BARREL, HOURGLASS = "barrel", "hourglass"


def journal_findings(case: JournalCase, form: Form) -> tuple[Finding, ...]:
    """The findings on size, out-of-round, taper and barrel, as far as they are read."""
    return tuple(_findings(case, form))


def _findings(case: JournalCase, form: Form) -> Iterator[Finding]:
    few, survey, guard, limits = form.angles < LEAST_ANGLES, case.survey, case.house.guard, case.limits
    figure = size_found(survey, SIZE, form.least, form, guard)
    size = judge(figure, case.size_limit, cannot_accept=few)
    yield as_bound(size) if few else size
    larger = _larger(case, form)
    if larger is not None:
        yield larger
    oval = roundness(survey, form, guard)
    if oval is not None:
        yield judge(oval, most(limits.out_of_round), cannot_accept=few)
    if form.taper is not None:
        yield judge(measured(survey, TAPER, form.taper, guard), most(limits.taper))
    barrel = bulge(survey, form, guard, (BARREL, HOURGLASS))
    if barrel is not None:
        yield judge(barrel, most(limits.barrel or limits.taper))


def _larger(case: JournalCase, form: Form) -> Finding | None:
    """The greatest size, where it is larger than new by more than doubt: a question, never a pass.

    Rule:    verdicts.journal.larger.
    """
    figure = measured(case.survey, LARGER, form.greatest, case.house.guard)
    band = case.limits.size
    limit = Limit(band.most - case.present, False, band.source.kind)
    if figure.value - limit.value < (figure.beyond or figure.guard):
        return None
    return as_question(judge(figure, limit))
