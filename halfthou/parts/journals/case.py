"""What a journal is judged by."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from halfthou.jobs import HouseRules, Seen, Waived
from halfthou.lengths import ZERO, Length
from halfthou.looks import UNSEEN, Eye
from halfthou.parts.journals.limits import JournalLimits
from halfthou.parts.journals.profiled import Profiled
from halfthou.surveys import FeatureSurvey, PartSurvey, PresentSize, Rests, SpotState
from halfthou.verdicts import Finding, Limit


@dataclass(frozen=True, slots=True)
class JournalCase:
    """What a journal is judged by: limits, house rules, its own present undersize, and what was seen.

    `eye` is what all that was seen of it does to it. `stands` says what the present size rests
    on. `rods` is how many rods hang on it (1 for a main): each needs its own pair of shells. `bearings` are those
    it lies in, one a rod, and what older records say of a shared pin's. `waived` is what a person has waived of
    it. `new_shells` says that the shells now in the bearing are those that will be fitted; `hardened_again` that
    a heat treatment followed the last grind. `crank` is from what the whole crank may be bent or cracked;
    `unseen` are the looks without which it does not go back and that nobody has taken, `without_limit` what is read
    of its bearing and has no limit. `bend` is what the crank's bend takes off the size it cleans up
    at, `straight_first` how its straightness stands while that is not settled. `beside` are the
    findings on what was read beside its size, of `beside_surveys`; `throw_wanted` what of its throw has to be read
    because a journal got hot; `profile` its radial profile, where one was taken."""

    survey: FeatureSurvey
    limits: JournalLimits
    house: HouseRules
    present: Length
    seen: Mapping[str, Seen]
    eye: Eye = UNSEEN
    stands: PresentSize | None = None
    rods: int = 1
    bearings: tuple[PartSurvey, ...] = ()
    waived: frozenset[Waived] = frozenset()
    new_shells: bool = False
    hardened_again: bool = False
    crank: tuple[str, ...] = ()
    unseen: tuple[str, ...] = ()
    without_limit: tuple[str, ...] = ()
    bend: Length = ZERO
    straight_first: str = ""
    beside: tuple[Finding, ...] = ()
    beside_surveys: tuple[FeatureSurvey, ...] = ()
    throw_wanted: tuple[str, ...] = ()
    profile: Profiled | None = None

    def answer(self, look: str) -> str | None:
        """What was seen, or None where nobody has looked."""
        found = self.seen.get(look)
        return found.answer if found else None

    @property
    def own_bearings(self) -> tuple[PartSurvey, ...]:
        """The bearings of which it is known whose they are; not what an older record says of a shared pin."""
        return tuple(one for one in self.bearings if self.rods == 1 or one.part.id != f"bearing-{one.part.beside}")

    def bearing_spots(self) -> Iterator[tuple[PartSurvey, FeatureSurvey, SpotState]]:
        """Every spot of every feature read of its bearings."""
        for bearing in self.bearings:
            for feature in bearing.features.values():
                for state in feature.spots:
                    yield bearing, feature, state

    @property
    def foreign(self) -> bool:
        """Whether it stands at a size that no shell on the sheet is made for."""
        return self.stands is not None and self.stands.foreign

    @property
    def denied(self) -> Length | None:
        """A grind on record that the readings contradict."""
        return self.stands.denied if self.stands is not None and self.stands.rests is not Rests.RECORD else None

    @property
    def size_limit(self) -> Limit:
        """The least size allowed now: the service limit, else the new minimum, less the present undersize."""
        figure = self.limits.service_least
        if figure is not None:
            return Limit(figure.value - self.present, True, figure.source.kind)
        return Limit(self.limits.size.least - self.present, True, self.limits.size.source.kind)
