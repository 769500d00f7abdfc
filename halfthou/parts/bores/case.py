"""What a bore is judged by."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from halfthou.jobs import Feature, Figure, HouseRules, Look, Operation, Seen, Waived
from halfthou.lengths import Length
from halfthou.looks import UNSEEN, Eye
from halfthou.parts.bores.limits import BoreLimits
from halfthou.parts.bores.looks import COATED_BORE
from halfthou.parts.fit import MOST, Fit
from halfthou.surveys import FeatureSurvey, PartSurvey
from halfthou.verdicts import Limit

#: Angles that a bore's plan needs so that it may accept: thrust and pin. Four where a plate is fitted, deck work
#: was done or the form is in doubt. Source: docs/trade: Measuring a bore.
TWO_ANGLES, FOUR_ANGLES = 2, 4


@dataclass(frozen=True, slots=True)
class RingAtTop:
    """The gap a new top ring gets at the foot of its travel, and the most it may open to anywhere on it."""

    gap: Length
    most: Figure


@dataclass(frozen=True)
class BoreCase:
    """What a bore is judged by: its readings, limits, house rules, the oversize it stands at, and what was seen of
    it and of the whole block.

    `eye` is what that does to it. `bored` is the boring on record that its readings followed, `finished` that it
    was bored or sleeved; `plate` that it was read with a plate fitted; `deck_work` that deck or studs were worked
    on. `fit` is the piston in it, where pistons are in scope; `ring_at_top` what a new ring would be allowed
    there; `worn_clearance` says that the sheet of the pistons gives the clearance of a worn bore. `unseen` are the
    looks without which it does not go back and that nobody has taken, `without_limit` what is read or has to be
    judged and has no limit.
    """

    bore: PartSurvey
    survey: FeatureSurvey
    limits: BoreLimits
    house: HouseRules
    present: Length
    seen: Mapping[str, Seen]
    eye: Eye = UNSEEN
    waived: frozenset[Waived] = frozenset()
    bored: Operation | None = None
    finished: bool = False
    deck_work: bool = False
    fit: Fit | None = None
    ring_at_top: RingAtTop | None = None
    worn_clearance: bool = False
    unseen: tuple[str, ...] = ()
    without_limit: tuple[str, ...] = ()

    def answer(self, look: str) -> str | None:
        """What was seen, or None where nobody has looked."""
        found = self.seen.get(look)
        return found.answer if found else None

    @cached_property
    def below(self) -> FeatureSurvey | None:
        """What was read below ring travel, where nothing has worn; None where it was not."""
        return self._read(Feature.BELOW_TRAVEL)

    @cached_property
    def above(self) -> FeatureSurvey | None:
        """What was read above ring travel; None where it was not."""
        return self._read(Feature.ABOVE_TRAVEL)

    @cached_property
    def wall(self) -> FeatureSurvey | None:
        """The wall by ultrasound; None where it was not read."""
        return self._read(Feature.WALL)

    def _read(self, feature: Feature) -> FeatureSurvey | None:
        found = self.bore.features.get(feature)
        return found if found is not None and found.sizes else None

    @property
    def plate(self) -> bool:
        """Whether any of its readings was taken with a plate fitted."""
        return any(taken.reading.plate_fitted for taken in self.survey.taken)

    @property
    def wear_unknown(self) -> bool:
        """Whether nothing says if it is worn too far: no limit of its own, and no piston whose clearance is read
        against what a worn bore may have. A bore that was finished is held to its card.

        Rule:    verdicts.no-limit.
        """
        if self.limits.wears or self.bored is not None:
            return False
        fit = self.fit.findings(self.house) if self.fit is not None and self.worn_clearance else ()
        return not any(one.key == MOST.key for one in fit)

    @property
    def loose(self) -> bool:
        """Whether any of its readings was taken with the main caps not torqued: it may be pulled out of shape.

        Rule:    bores.state.
        """
        return any(taken.reading.caps_torqued is False for taken in self.survey.taken)

    @property
    def plate_unsaid(self) -> bool:
        """Whether it was finished under a plate by the house rule, and nobody says of its readings where that was.

        Rule:    bores.state.
        """
        finished = self.finished and self.house.torque_plate
        return finished and any(taken.reading.plate_fitted is None for taken in self.survey.taken)

    @property
    def coated(self) -> bool:
        """Whether it is coated or sprayed, by the sheet or by eye."""
        return self.limits.coated or self.answer(Look.COATING) == COATED_BORE

    @property
    def new_least(self) -> Length:
        """The least size when new, at the step it stands at."""
        return self.limits.size.least + self.present

    @property
    def new_most(self) -> Length:
        """The greatest size when new, at the step it stands at."""
        return self.limits.size.most + self.present

    @cached_property
    def near_original(self) -> tuple[Length, str] | None:
        """The size below ring travel and its spot; None where it is not read."""
        if self.below is None:
            return None
        spot, size = next(iter(self.below.sizes.items()))
        return size, spot

    @property
    def reference(self) -> Length:
        """What the clean-up counts from: the least of the lower limit of its step, the reading below ring travel
        and the least reading. A smaller reference asks for a bigger clean-up.

        Source:  docs/trade: Clean-up of a bore.
        """
        form = self.survey.form
        candidates = [self.new_least]
        if self.near_original is not None:
            candidates.append(self.near_original[0])
        if form is not None:
            candidates.append(form.least.value)
        return min(candidates)

    @property
    def size_limit(self) -> Limit:
        """The greatest size allowed now: the service limit, else the greatest when new and the wear allowed."""
        service, wear, size = self.limits.figure("service_most"), self.limits.figure("wear"), self.limits.size
        if service is not None:
            return Limit(service.value + self.present, False, service.source.kind)
        if wear is not None:
            return Limit(size.most + self.present + wear.value, False, wear.source.kind)
        return Limit(size.most + self.present, False, size.source.kind)
