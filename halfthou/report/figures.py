"""Figures as they are shown, and what warmth did to the reading that one of them rests on."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.amounts import notation_for
from halfthou.lengths import Notation, Shown
from halfthou.report.documents import FigureShown
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import QUESTIONS, Called, FigureKey, Finding
from halfthou.words import Reason, warmth_reasons


def figures_shown(findings: Iterable[Finding], say: Notation) -> tuple[FigureShown, ...]:
    """The figures of a part, lengths in the unit of the job."""
    return tuple(_figure(finding, say) for finding in findings)


def _figure(finding: Finding, lengths: Notation) -> FigureShown:
    say = notation_for(finding.quantity, lengths)
    limit = say.at_least(finding.limit) if finding.limit_is_least else say.at_most(finding.limit)
    past = finding.called is Called.BEYOND or finding.key in QUESTIONS
    guard = finding.beyond_guard if past else finding.guard
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
