"""What a loose piece is judged by: a piston, a ring, a pump, whether it came in the engine or was bought."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from halfthou.engines import FeatureKind, PartKind
from halfthou.jobs import HouseRules, Seen, SetLimits, Waived
from halfthou.looks import UNSEEN, Eye
from halfthou.surveys import FeatureSurvey, PartSurvey


@dataclass(frozen=True)
class PieceCase:
    """A piece with its readings, the limits of its set, the house rules, what was seen of it and what is waived.

    `eye` is what all that was seen of it does to it. `place` is where it lies now, "" where it
    lies in none: a spare, or one taken out. `new` says that it was bought new.
    """

    kind: PartKind
    piece: PartSurvey
    place: str
    limits: SetLimits
    house: HouseRules
    seen: Mapping[str, Seen]
    eye: Eye = UNSEEN
    waived: frozenset[Waived] = frozenset()
    new: bool = False

    @property
    def survey(self) -> FeatureSurvey:
        """What is read of it first."""
        return self.piece[self.kind.features[0].key]

    @property
    def placed(self) -> bool:
        """Whether it lies in the engine."""
        return bool(self.place)

    @cached_property
    def without_limit(self) -> tuple[FeatureKind, ...]:
        """What of it is read or has to be judged, and has no limit on the sheet."""
        read = {name for name in self.piece.features if self.read(name) is not None}
        return self.kind.without_limit(self.limits, read)

    @cached_property
    def unseen(self) -> tuple[str, ...]:
        """The looks without which it does not go back and that nobody has taken."""
        return self.kind.unseen(self.seen)

    def answer(self, look: str) -> str | None:
        """What was seen, or None where nobody has looked."""
        found = self.seen.get(look)
        return found.answer if found else None

    def read(self, feature: str) -> FeatureSurvey | None:
        """What was read of a feature; None where nothing of it stands."""
        found = self.piece.features.get(feature)
        return found if found is not None and any(state.size is not None for state in found.spots) else None

    def blank(self, feature: str) -> bool:
        """Whether anything of a feature is still to be read."""
        found = self.piece.features.get(feature)
        return found is None or not all(state.counted for state in found.spots)
