"""What is said of a part whatever its set decides: what was read, what it comes to, what speaks for and against."""

from __future__ import annotations

from collections.abc import Iterable
from typing import TypedDict

from halfthou.lengths import Notation
from halfthou.report.documents import FigureShown, SpotAsked
from halfthou.report.figures import figures_shown
from halfthou.report.spots import spots_to_repeat
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import Contradiction, Finding, Settling
from halfthou.words import Reason, contradiction_words, settling_words


class Told(TypedDict):
    """The fields of a part's report that rest on its own verdict alone, the same for every kind."""

    to_repeat: tuple[SpotAsked, ...]
    contradictions: tuple[Reason, ...]
    figures: tuple[FigureShown, ...]
    two_point: str | None
    fitted: str | None
    would_change: tuple[str, ...]


def told(
    survey: FeatureSurvey,
    findings: Iterable[Finding],
    contradictions: Iterable[Contradiction],
    ways: tuple[Settling, ...],
    say: Notation,
) -> Told:
    """What is said of a part by its own verdict.

    Takes:   the survey of what it is judged by first; every finding; what contradicts; what would settle it.
    """
    form = survey.form
    return Told(
        to_repeat=spots_to_repeat(survey, ways),
        contradictions=tuple(contradiction_words(found, say) for found in contradictions),
        figures=figures_shown(findings, say),
        two_point=say.text(form.two_point.value) if form and form.two_point else None,
        fitted=say.text(form.fitted.value) if form and form.fitted else None,
        would_change=tuple(settling_words(ways, say)),
    )
