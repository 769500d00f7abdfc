"""The doubts of a job: what stands open about each part, as one list."""

from __future__ import annotations

from halfthou.report.documents import PartReport
from halfthou.words import Reason


def doubts_of(report: PartReport) -> tuple[Reason, ...]:
    """The reasons of a part that are open doubts: a question, a contradiction, too close, a referral."""
    every = (spot for feature in report.features for spot in (*feature.spots, *feature.outside))
    asked = [spot.doubt for spot in every if spot.doubt is not None]
    open_ends = (
        *(Reason(rule=doubt.rule, text=f"{doubt.spot}: {doubt.question}", spots=(doubt.spot,)) for doubt in asked),
        *report.contradictions,
        *(_open_reasons(report)),
    )
    return tuple(
        Reason(rule=reason.rule, text=f"{report.short_name}: {reason.text}", spots=reason.spots)
        for reason in open_ends
    )


_DOUBTFUL = (
    "verdicts.guard-band",
    "verdicts.rule-of-thumb",
    "verdicts.two-angles",
    "verdicts.journal.heat",
    "verdicts.journal.fillet",
    "verdicts.journal.larger",
    "verdicts.journal.straightness",
    "verdicts.journal.treatment",
    "verdicts.journal.blue-rod",
    "verdicts.journal.turned-shell",
    "verdicts.journal.caps",
    "surveys.plan.outside",
    "gauges.temperature",
)


def _open_reasons(report: PartReport) -> tuple[Reason, ...]:
    if not report.opens:
        return ()
    return tuple(reason for reason in report.reasons if reason.rule in _DOUBTFUL)
