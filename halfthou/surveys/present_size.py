"""At which size a journal stands now: standard, or already ground under. It belongs to the journal."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass
from enum import StrEnum
from statistics import median_low
from typing import NamedTuple

from halfthou.lengths import ZERO, Length

#: Shells up to 0.002 in under are for a polish, not for a grind. Source: common practice, no source.
POLISH_SHELL = Length(50_800)
#: A size so little above a step stands at that step and is asked about: nobody wears a journal evenly down to just
#: above the next one. 0.001 in. Source: common practice, no source.
HIGH = Length(25_400)
#: How far a journal may be worn below its step and still bear out what a stamp or a grind says. 0.004 in.
#: Source: common practice, no source.
WORN = Length(101_600)
#: The steps that each unit's shops grind to. Source: common practice, no source.
_USUAL_STEPS = (
    *(Length(254_000 * n) for n in range(1, 7)),
    *(Length(250_000 * n) for n in range(1, 5)),
)


class Rests(StrEnum):
    """What a present size rests on."""

    READINGS = "readings"
    BORNE_OUT = "readings and record"
    ITS_SET = "the rest of its set"
    RECORD = "record alone"


@dataclass(frozen=True, slots=True)
class PresentSize:
    """The undersize a journal stands at, and what that rests on.

    `for_sale` is the step of the sheet, `foreign` says that no shell on the sheet is made for it. `denied` is a
    grind on record that the readings contradict.
    """

    undersize: Length
    rests: Rests
    foreign: bool = False
    denied: Length | None = None


@dataclass(frozen=True, slots=True)
class SizeEvidence:
    """What is said of a journal's size: the last grind on record, and what a stamp or paper says."""

    ground: Length | None = None
    claimed: Length | None = None

    @property
    def said(self) -> tuple[Length, ...]:
        """The undersizes said, the grind first."""
        return tuple(one for one in (self.ground, self.claimed) if one is not None)


class SizeLadder(NamedTuple):
    """A set's size when new and the steps it can stand at, for shafts. A hole is a shaft turned inside out: its
    lengths stand here with the sign turned round, so that wear makes both less."""

    least: Length
    most: Length
    steps: tuple[Length, ...]


def _nm(length: Length) -> int:
    return length.nm


def present_undersize(ladder: SizeLadder, sizes: Sequence[Length], slack: Length = ZERO) -> Length:
    """The undersize that readings alone speak for.

    Takes:   the ladder; readings of one journal; how much larger than true they may read.
    Gives:   0 for standard, else the largest step on the sheet to whose band the middle reading still belongs. One
             reading does not decide it: the greatest counts only where it lies far above that step, as no journal
             could that was ground to it.
    Rule:    surveys.present-undersize.   Source: common practice, no source. Assumes wear less than a step.
    """
    if not sizes:
        return ZERO
    steps = ladder.steps
    by_middle = _step_of(steps, ladder, median_low(size.nm for size in sizes) - slack.nm - HIGH.nm)
    greatest = max(sizes, key=_nm) - slack
    if greatest - (ladder.most - by_middle) <= HIGH:
        return by_middle
    return _step_of(steps, ladder, greatest.nm)


def _step_of(steps: Sequence[Length], ladder: SizeLadder, nm: int) -> Length:
    return max((step for step in steps if ladder.most.nm - step.nm >= nm), default=ZERO, key=_nm)


def _borne_out(ladder: SizeLadder, said: Length, sizes: Sequence[Length], slack: Length) -> bool:
    """Whether the readings can be of a journal ground to this size and worn since."""
    middle = median_low(size.nm for size in sizes)
    top = ladder.most.nm - said.nm
    low = ladder.least.nm - said.nm - WORN.nm
    return low <= middle <= top + HIGH.nm + slack.nm


def present_sizes(
    ladder: SizeLadder,
    read: Mapping[str, Sequence[Length]],
    evidence: Mapping[str, SizeEvidence],
    slack: Mapping[str, Length],
) -> dict[str, PresentSize]:
    """The present size of every journal of a set.

    Takes:   the ladder; the sizes of each journal that is read; what is said of each journal; how much larger than
             true the readings of each may be (doubt and warmth).
    Gives:   a size for every journal that has evidence named; journals not read stand where the record says, else
             where the rest of the set does.
    Rule:    surveys.present-undersize.
    """
    found: dict[str, PresentSize] = {}
    foreign = _foreign_step(ladder, read)
    for journal, sizes in read.items():
        if sizes:
            found[journal] = _of_one(ladder, sizes, evidence[journal], slack.get(journal, ZERO), foreign)
    agreed = agreed_size(one.undersize for one in found.values())
    for journal, says in evidence.items():
        if journal in found:
            continue
        if says.ground is not None:
            found[journal] = PresentSize(says.ground, Rests.RECORD, _is_foreign(ladder, says.ground))
        elif agreed is not None:
            found[journal] = PresentSize(agreed, Rests.ITS_SET, _is_foreign(ladder, agreed))
        else:
            size = says.claimed if says.claimed is not None else ZERO
            found[journal] = PresentSize(size, Rests.RECORD, _is_foreign(ladder, size))
    return found


def agreed_size(sizes: Iterable[Length]) -> Length | None:
    """The undersize that most journals stand at; the larger of two that stand alike; None where there is none."""
    counted = Counter(size.nm for size in sizes)
    if not counted:
        return None
    return Length(max(counted, key=lambda nm: (counted[nm], nm)))


def _of_one(
    ladder: SizeLadder, sizes: Sequence[Length], says: SizeEvidence, slack: Length, foreign: Length | None
) -> PresentSize:
    for said in says.said:
        if _borne_out(ladder, said, sizes, slack):
            denied = says.ground if says.ground is not None and says.ground != said else None
            return PresentSize(said, Rests.BORNE_OUT, _is_foreign(ladder, said), denied)
    if foreign is not None:
        return PresentSize(foreign, Rests.READINGS, True, says.ground)
    return PresentSize(present_undersize(ladder, sizes, slack), Rests.READINGS, False, says.ground)


def _is_foreign(ladder: SizeLadder, undersize: Length) -> bool:
    return undersize > POLISH_SHELL and undersize not in ladder.steps


def _foreign_step(ladder: SizeLadder, read: Mapping[str, Sequence[Length]]) -> Length | None:
    """A step of the other unit, where every journal read lies outside every band of the sheet and in its."""
    middles = [median_low(size.nm for size in sizes) for sizes in read.values() if sizes]
    if len(middles) < 2:
        return None
    low, high = ladder.least.nm, ladder.most.nm
    steps = ladder.steps
    if any(low - step.nm <= middle <= high - step.nm for middle in middles for step in steps):
        return None
    for step in _USUAL_STEPS:
        if step not in steps and all(low - step.nm <= middle <= high - step.nm for middle in middles):
            return step
    return None
