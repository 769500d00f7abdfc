"""The smallest undersize that can be bought and that every journal of a set cleans up at."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.jobs import JournalLimits
from halfthou.lengths import Length
from halfthou.surveys import POLISH_SHELL
from halfthou.verdicts import CleanUp


@dataclass(frozen=True, slots=True)
class Step:
    """One undersize on the sheet, and whether it can be used."""

    undersize: Length
    can_be_bought: bool
    allowed: bool

    @property
    def usable(self) -> bool:
        """Whether a journal may be ground to it."""
        return self.can_be_bought and self.allowed


@dataclass(frozen=True, slots=True)
class StepOutlook:
    """How a set stands at one step: its worst journal, what that has to spare (negative: misses), who misses."""

    step: Step
    worst: str
    to_spare: Length
    misses: tuple[str, ...]
    surely_misses: tuple[str, ...]


@dataclass(frozen=True, slots=True)
class SizeChoice:
    """The step that is sure, the smaller one that is possible, and what each step would mean.

    `without_worst` is the step that would do if the journal that sets the size were left out.
    """

    sure: Length | None
    possible: Length | None
    sets_it: str
    without_worst: Length | None
    outlooks: tuple[StepOutlook, ...]

    def at(self, undersize: Length) -> StepOutlook:
        """The outlook at one step."""
        return next(o for o in self.outlooks if o.step.undersize == undersize)

    @property
    def next_after(self) -> StepOutlook | None:
        """The next usable step after the sure one."""
        if self.sure is None:
            return None
        further = (o for o in self.outlooks if o.step.usable and o.step.undersize > self.sure)
        return min(further, key=lambda o: o.step.undersize, default=None)


def regrind_steps(limits: JournalLimits, present: Length) -> tuple[Step, ...]:
    """The undersizes on the sheet that lie below the present size, smallest first; polish shells left out.

    Rule:    sets.regrind.shells-exist, sets.regrind.smallest-allowed.
    """
    smallest = limits.smallest_allowed
    return tuple(
        Step(
            shell.undersize,
            shell.can_be_bought,
            smallest is None or limits.size.least - shell.undersize >= smallest.value,
        )
        for shell in sorted(limits.shells, key=lambda shell: shell.undersize)
        if shell.undersize - present > POLISH_SHELL
    )


def choose_regrind_size(usable: dict[str, CleanUp], steps: tuple[Step, ...], size_least: Length) -> SizeChoice:
    """Choose the size that a whole set is ground to.

    Takes:   the usable clean-up interval of every journal read (at least one); the steps, smallest first;
             the least size when new.
    Gives:   the smallest usable step at which the sure end of every journal reaches the least size of that
             step; None where there is none. The possible end is chosen the same way and only named.
    Rule:    sets.regrind.common-size, sets.regrind.sure-size.   Source: handbook D8; checked by brute force.
    """
    worst = min(usable, key=lambda journal: usable[journal].sure)
    outlooks = tuple(_outlook(step, usable, size_least, worst) for step in steps)
    others = {journal: interval for journal, interval in usable.items() if journal != worst}
    sure = next((o.step.undersize for o in outlooks if o.step.usable and not o.misses), None)
    possible = next((o.step.undersize for o in outlooks if o.step.usable and not o.surely_misses), None)
    rest = (
        s.undersize for s in steps if s.usable and all(i.sure >= size_least - s.undersize for i in others.values())
    )
    return SizeChoice(sure, possible, worst, next(rest, None) if others else None, outlooks)


def _outlook(step: Step, usable: dict[str, CleanUp], size_least: Length, worst: str) -> StepOutlook:
    least = size_least - step.undersize
    return StepOutlook(
        step,
        worst,
        usable[worst].sure - least,
        tuple(journal for journal, interval in usable.items() if interval.sure < least),
        tuple(journal for journal, interval in usable.items() if interval.possible < least),
    )
