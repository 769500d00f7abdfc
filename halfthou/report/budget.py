"""The uncertainty budget of each figure, laid open: every source, its share, and what cancelled."""

from __future__ import annotations

import math
from collections.abc import Iterable

from halfthou.amounts import notation_for
from halfthou.gauges import SCALES, BudgetTerm, TermKind, effective_freedom, expanded
from halfthou.jobs import Guard
from halfthou.lengths import Length, Notation
from halfthou.report.budget_shown import BudgetLine, BudgetShown
from halfthou.surveys import Taken
from halfthou.verdicts import Finding

RULE_WORDS = {
    Guard.ONE_SIDED_95: "Within or beyond is said where the figure clears its limit by 1.645 u, one-sided 95 %.",
    Guard.TWO_U: "Within or beyond is said where the figure clears its limit by 2 u, by the house rule.",
}


def budgets_shown(
    findings: Iterable[Finding], taken: Iterable[Taken], guard: Guard, say: Notation
) -> tuple[BudgetShown, ...]:
    """The budgets of a part's figures, the largest share first.

    Rule:    gauges.budget.
    """
    rule = RULE_WORDS[guard]
    repeats = [one.setup.repeat for one in taken]
    freedom = min((repeat.freedom for repeat in repeats if repeat.kind is TermKind.REPEAT), default=0)
    return tuple(_shown(finding, rule, freedom, say) for finding in findings)


def _shown(finding: Finding, rule: str, freedom: int, lengths: Notation) -> BudgetShown:
    say = notation_for(finding.quantity, lengths)
    total = sum(term.nm**2 for term in finding.budget) or 1.0
    by_kind: dict[TermKind, float] = {}
    for term in finding.budget:
        by_kind[term.kind] = by_kind.get(term.kind, 0.0) + term.nm**2
    lines = tuple(
        BudgetLine(
            source=kind.value,
            u=say.doubt(Length(round(square**0.5))),
            share_percent=round(100 * square / total),
            shared=kind in SCALES or kind in (TermKind.WARMTH, TermKind.COEFFICIENT),
        )
        for kind, square in sorted(by_kind.items(), key=lambda pair: -pair[1])
    )
    return BudgetShown(
        key=finding.key,
        figure=finding.name,
        value=say.text(finding.value),
        limit=say.at_least(finding.limit) if finding.limit_is_least else say.at_most(finding.limit),
        called=finding.called,
        u=say.doubt(Length(round(finding.doubt_nm))),
        expanded=say.doubt(expanded(finding.doubt_nm)),
        guard=say.doubt(finding.guard),
        beyond_guard=say.doubt(finding.beyond_guard),
        freedom=_freedom(finding, freedom),
        chance=_chance(finding.probability),
        rule=rule,
        lines=lines,
        cancelled=_cancelled(finding.budget),
    )


def _freedom(finding: Finding, repeats: int) -> str:
    """Effective degrees of freedom: repeats count with theirs, all else is taken to be known."""
    if not repeats:
        return ""
    found = effective_freedom(
        (term.nm, repeats if term.kind is TermKind.REPEAT else math.inf) for term in finding.budget
    )
    return "over 1000" if found > 1000 else str(math.floor(found))


def _chance(probability: float) -> str:
    """A probability in three decimals, never as certainty."""
    if probability > 0.999:
        return "more than 0.999"
    return "less than 0.001" if probability < 0.001 else f"{probability:.3f}"


def _cancelled(budget: tuple[BudgetTerm, ...]) -> str:
    kinds = {term.kind for term in budget}
    if kinds & set(SCALES):
        return ""
    return (
        "The scale of the gauge and the warmth of the part are common to its readings: in a difference they cancel."
    )
