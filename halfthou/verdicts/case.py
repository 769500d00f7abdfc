"""What a journal is judged by."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from halfthou.jobs import HouseRules, JournalLimits, Look, Observation
from halfthou.lengths import Length
from halfthou.surveys import JournalSurvey
from halfthou.verdicts.finding import Limit


@dataclass(frozen=True, slots=True)
class JournalCase:
    """What a journal is judged by: limits, house rules, present undersize of its set, and what was seen."""

    survey: JournalSurvey
    limits: JournalLimits
    house: HouseRules
    present: Length
    seen: Mapping[Look, Observation]

    def answer(self, look: Look) -> str | None:
        """What was seen, or None where nobody has looked."""
        found = self.seen.get(look)
        return found.answer if found else None

    @property
    def size_limit(self) -> Limit:
        """The least size allowed now: the service limit, else the new minimum, less the present undersize."""
        figure = self.limits.service_least
        if figure is not None:
            return Limit(figure.value - self.present, True, figure.source.kind)
        return Limit(self.limits.size.least - self.present, True, self.limits.size.source.kind)
