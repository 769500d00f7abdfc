"""Figures across features and parts, of any quantity: a clearance is a hole less what runs in it, an end clearance
a depth less a height, a spread the heaviest less the lightest.
Every such figure is a weighted sum of spots, so its doubt, and what cancels in it, follow from its terms.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from halfthou.gauges import Budget, beyond_guard, combine, guard_band, standard_doubt
from halfthou.jobs import Guard
from halfthou.lengths import ZERO, Length
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts.figures import FigureKind, own_and_common
from halfthou.verdicts.finding import Measured


@dataclass(frozen=True)
class Term:
    """A spot of a feature with its factor; `out_of` says from how many readings it was picked as an extreme."""

    factor: float
    survey: FeatureSurvey
    spot: str
    out_of: int = 1

    @property
    def count(self) -> float:
        """What it adds to the sum, in smallest units of its quantity."""
        return self.factor * self.survey.counts[self.spot]

    @property
    def budget(self) -> Budget:
        """The budget of the reading there."""
        return self.survey.budget(self.spot)

    @property
    def where(self) -> str:
        """Where it was read, as a sentence names it."""
        only = len(self.survey.spots) == 1
        return self.survey.feature.name if only else f"{self.survey.feature.name} {self.spot}"


def greatest(survey: FeatureSurvey, factor: float = 1.0) -> Term | None:
    """The greatest reading of a feature as a term; None where nothing of it is read."""
    read = survey.counts
    return Term(factor, survey, max(read, key=lambda spot: read[spot]), len(read)) if read else None


def least(survey: FeatureSurvey, factor: float = 1.0) -> Term | None:
    """The least reading of a feature as a term; None where nothing of it is read."""
    read = survey.counts
    return Term(factor, survey, min(read, key=lambda spot: read[spot]), len(read)) if read else None


def summed(kind: FigureKind, terms: Iterable[Term | None], guard: Guard, more: Length = ZERO) -> Measured | None:
    """A sum of spots as a figure to judge, of any quantity; None where one of them is not read.

    Refuses: ValueError for spots of two quantities: a weight is never added to a length.
    Takes:   `more`, what is known and added whole, as the thickness of a gasket.
    Rule:    gauges.budget: what two spots share (one micrometer, one setting, one warmth) cancels or doubles;
             gauges.picked: an extreme picked from several needs more before it is called beyond.
    """
    known = tuple(terms)
    found = [term for term in known if term is not None]
    if not found or len(found) < len(known):
        return None
    quantity, *others = {term.survey.feature.quantity for term in found}
    if others:
        raise ValueError(f"{kind.name}: a {quantity.name.lower()} is not added to another quantity")
    budget = combine([(term.factor, term.budget) for term in found])
    doubt, picked = standard_doubt(budget), max(term.out_of for term in found)
    falls = sum(max(ZERO.nm, round(term.factor * term.survey.rise(term.spot).nm)) for term in found)
    rises = sum(max(ZERO.nm, round(-term.factor * term.survey.rise(term.spot).nm)) for term in found)
    return Measured(
        key=kind.key,
        rule=kind.rule,
        name=kind.name,
        value=Length(round(sum(term.count for term in found))) + more,
        spots=tuple(term.spot if len(found) == 1 else term.where for term in found),
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard(picked, *own_and_common(budget), guard),
        out_of=picked,
        may_fall=Length(falls),
        may_rise=Length(rises),
        quantity=quantity,
    )
