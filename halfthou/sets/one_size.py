"""The one size of a set: the smallest step that can be bought and that every part of it cleans up at."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import NamedTuple

from halfthou.lengths import ZERO, Length
from halfthou.verdicts import CleanUp


@dataclass(frozen=True, slots=True)
class Rung:
    """One step of the ladder, and whether it can be used. `asked` says that only a rule of thumb forbids it."""

    step: Length
    sold: bool
    allowed: bool
    asked: bool = False

    @property
    def usable(self) -> bool:
        """Whether a part may be taken to it."""
        return self.sold and self.allowed


@dataclass(frozen=True, slots=True)
class Reach:
    """What one journal can be ground to: its clean-up interval with everything taken off, the undersize it stands
    at, whether it needs machining by itself, and whether a score is what decides its clean-up."""

    usable: CleanUp
    present: Length
    needs: bool
    by_score: bool = False

    def stands_at(self, step: Length) -> bool:
        """Whether it stands at this step already and needs nothing."""
        return self.present == step and not self.needs

    def past(self, step: Length) -> bool:
        """Whether it is smaller already than this step."""
        return self.present > step


@dataclass(frozen=True, slots=True)
class StepOutlook:
    """How a set stands at one step: its worst journal, what that has to spare (negative: misses), who misses
    surely, who only may, and who is left with a band narrower than can be worked to."""

    rung: Rung
    worst: str
    to_spare: Length
    misses: tuple[str, ...]
    surely_misses: tuple[str, ...]
    tight: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class SizeChoice:
    """The step that is sure, the smaller one that is possible, and what each step would mean.

    `tight` is a smaller step at which every journal cleans up but leaves the grinder less than a workable band: for
    a person to choose. `sets_it` is the worst journal that needs machining, `limits_it` the one that decides the
    step. `without_worst` is the step that would do if the journal that sets the size were left out.
    """

    sure: Length | None
    tight: Length | None
    possible: Length | None
    sets_it: str
    limits_it: str
    without_worst: Length | None
    outlooks: tuple[StepOutlook, ...]

    def at(self, undersize: Length) -> StepOutlook | None:
        """The outlook at one step; None where the sheet has no such step."""
        return next((o for o in self.outlooks if o.rung.step == undersize), None)

    @property
    def next_after(self) -> StepOutlook | None:
        """The next usable step after the sure one."""
        if self.sure is None:
            return None
        further = (o for o in self.outlooks if o.rung.usable and o.rung.step > self.sure)
        return min(further, key=lambda o: o.rung.step.nm, default=None)

    @property
    def profile_of(self) -> tuple[str, ...]:
        """The journals whose radial profile could show that the possible step is enough."""
        if self.possible is None or self.possible == self.sure:
            return ()
        outlook = self.at(self.possible)
        return outlook.misses if outlook else ()


class SizeBand(NamedTuple):
    """The narrowest band that can be worked to, and whether reaching a step exactly is enough."""

    workable: Length
    exactly: bool

    def missed(self, to_spare: Length) -> bool:
        """Whether a step is missed with so much to spare."""
        return to_spare < ZERO if self.exactly else to_spare <= ZERO


def choose_one_size(
    reaches: Mapping[str, Reach],
    steps: tuple[Rung, ...],
    size_least: Length,
    workable: Length = ZERO,
    *,
    exactly: bool = False,
) -> SizeChoice:
    """Choose the size that a whole set is ground to.

    Takes:   what every journal read can be ground to (at least one); the steps, smallest first; the least size when
             new; the narrowest band that can be worked to. `exactly` says that a part which just reaches a step
             has reached it: the stock to finish is taken off already. Lengths of holes stand with the sign
             turned round.
    Gives:   the smallest usable step at which the sure end of every journal leaves a workable band above the least
             size of that step, or stands there already; None where there is none. A size that leaves a band of
             nothing is none. The possible end is chosen the same way and only named.
    Rule:    sets.regrind.common-size, sets.regrind.sure-size.   Source: docs/trade: Choosing the size;
             checked by brute force.
    """
    needing = {name: reach for name, reach in reaches.items() if reach.needs} or dict(reaches)
    worst = min(needing, key=lambda name: needing[name].usable.sure.nm)
    outlooks = tuple(_outlook(rung, reaches, size_least, SizeBand(workable, exactly)) for rung in steps)
    others = {name: reach for name, reach in reaches.items() if name != worst}
    usable = [o for o in outlooks if o.rung.usable]
    sure = next((o.rung.step for o in usable if not o.misses and not o.tight), None)
    tight = next((o.rung.step for o in usable if not o.misses and o.tight), None)
    if sure is not None and tight is not None and tight > sure:
        tight = None
    possible = next((o.rung.step for o in usable if not o.surely_misses), None)
    decided = next((o for o in outlooks if o.rung.step == sure), outlooks[-1] if outlooks else None)
    return SizeChoice(
        sure,
        tight,
        possible,
        worst,
        decided.worst if decided else worst,
        _without(others, steps, size_least, SizeBand(workable, exactly)),
        outlooks,
    )


def _without(
    others: Mapping[str, Reach], steps: tuple[Rung, ...], size_least: Length, band: SizeBand
) -> Length | None:
    """The step that would do for the rest; standard counts as none."""
    if not any(reach.needs for reach in others.values()):
        return None
    found = (_outlook(rung, others, size_least, band) for rung in steps if rung.usable)
    return next((o.rung.step for o in found if not o.misses and not o.tight), None)


def _outlook(rung: Rung, reaches: Mapping[str, Reach], size_least: Length, band: SizeBand) -> StepOutlook:
    least = size_least - rung.step
    at = rung.step
    ground = {name: reach for name, reach in reaches.items() if not reach.stands_at(at)}
    asked = ground or reaches
    worst = min(asked, key=lambda name: (not asked[name].past(at), asked[name].usable.sure.nm))
    misses = tuple(n for n, r in ground.items() if r.past(at) or band.missed(r.usable.sure - least))
    return StepOutlook(
        rung,
        worst,
        asked[worst].usable.sure - least,
        misses,
        tuple(n for n, r in ground.items() if r.past(at) or band.missed(r.usable.possible - least)),
        tuple(n for n, r in ground.items() if n not in misses and r.usable.sure - least < band.workable),
    )
