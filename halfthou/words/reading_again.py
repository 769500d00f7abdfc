"""What has to be read again, or put into the plan."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.surveys import FeatureSurvey
from halfthou.words.reason import Reason


def outside_plan(survey: FeatureSurvey) -> Iterator[Reason]:
    """Readings at places that are not in the plan."""
    if survey.outside:
        names = " and ".join(state.spot for state in survey.outside)
        text = f"{names}: read outside the plan, and judged. Put it into the plan, or take it back."
        yield Reason(rule="surveys.plan.outside", text=text, spots=tuple(state.spot for state in survey.outside))


def set_aside(groups: Iterable[tuple[str, FeatureSurvey]]) -> Iterator[Reason]:
    """Readings that are no longer judged, and why: a reason an operation, or a state.

    Takes:   each feature with what it is called before its spots; the part's own diameter with nothing.
    """
    named: dict[tuple[str, str], list[str]] = {}
    own = 0
    for what, survey in groups:
        own = own or len(survey.spots)
        for state in survey.spots:
            if state.counted or not state.aside:
                continue
            last = state.aside[0]
            done = last.operation
            why = f"{done.kind.value}, {done.at:%d %B}" if done else last.state
            named.setdefault((what, why), []).append(state.spot)
    for (what, why), spots in named.items():
        where = "" if len(spots) == own and not what else f"{what}{' '.join(spots)} "
        text = f"Read {where}again: {why}. What was read before is kept and not judged."
        yield Reason(rule="operations.stale", text=text, spots=() if what else tuple(spots))
