"""Figures as they are shown, and what warmth did to the reading that one of them rests on."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.amounts import amount_text
from halfthou.lengths import Notation, Shown
from halfthou.report.documents import FigureShown
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import AmountFinding, Called, FigureKey, Finding, count_of
from halfthou.words import Reason, warmth_reasons


def figures_shown(findings: Iterable[Finding], say: Notation) -> tuple[FigureShown, ...]:
    """The figures of a part, in the unit of the job."""
    return tuple(_figure(finding, say) for finding in findings)


def amounts_shown(findings: Iterable[AmountFinding]) -> tuple[FigureShown, ...]:
    """Weights, forces, angles and pressures as figures of a part, each in its own unit."""
    return tuple(_amount(finding) for finding in findings)


def _amount(finding: AmountFinding) -> FigureShown:
    value, quantity = count_of(finding.value), finding.quantity
    return FigureShown(
        key=finding.key,
        rule=finding.rule,
        name=finding.name,
        called=finding.called,
        value=Shown(amount_text(quantity, value), value),
        limit=amount_text(quantity, finding.limit),
        limit_is_least=finding.limit_is_least,
        guard=Shown(amount_text(quantity, finding.guard, finer=1), finding.guard),
        conforms=finding.probability,
        spots=finding.spots,
        note="rule of thumb" if finding.by_rule_of_thumb else "",
        limit_nm=finding.limit,
    )


def _figure(finding: Finding, say: Notation) -> FigureShown:
    limit = say.at_least(finding.limit) if finding.limit_is_least else say.at_most(finding.limit)
    guard = finding.beyond_guard if finding.called is Called.BEYOND else finding.guard
    return FigureShown(
        key=finding.key,
        rule=finding.rule,
        name=finding.name,
        called=finding.called,
        value=say.shown(finding.value),
        limit=limit,
        limit_is_least=finding.limit_is_least,
        guard=Shown(say.doubt(guard), guard.nm),
        conforms=finding.probability,
        spots=finding.spots,
        note="rule of thumb" if finding.by_rule_of_thumb else "two angles only" if finding.cannot_accept else "",
        limit_nm=finding.limit.nm,
        words=f"at most {say.text(finding.value)}" if finding.at_most else "",
        of_size=finding.key == FigureKey.SIZE,
    )


def warmth_of(survey: FeatureSurvey, size: Finding | None, say: Notation) -> Iterator[Reason]:
    """What warmth and zero error did, said once for the spot of the size."""
    if size is not None and not size.waits_warm:
        yield from warmth_reasons(survey.state(size.spots[0]), say)
