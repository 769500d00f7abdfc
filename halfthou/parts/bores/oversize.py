"""What the bores are decided together: one oversize for all, who sets it, or another way on."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property

from halfthou.jobs import Decision, HouseRules, SourceKind, Waived, WornBore
from halfthou.lengths import ZERO, Length
from halfthou.parts.bores.before_boring import sleeve_wanted, wanted_before_boring
from halfthou.parts.bores.limits import BoreLimits
from halfthou.parts.bores.verdict import BoreVerdict, keeps
from halfthou.parts.bores.walls import WallSays, wall_at, wall_for_sleeve
from halfthou.sets import Reach, Rung, SizeChoice, choose_one_size
from halfthou.verdicts import SIZE_OPEN, TO_SEE, Action, Called, MarkCode, Open

_ORDER = (Action.HONE, Action.REUSE)


class BoreWay(StrEnum):
    """Another way on than the one proposed."""

    SLEEVE_WORST = "sleeve the one that sets the size"
    THIN_SLEEVES = "thin sleeves all round"
    NEXT_SIZE = "the next size"
    AXIS_MOVED = "the axis moved"


@dataclass(frozen=True)
class BoreSet:
    """The decision on the bores.

    `oversize` is the size they go to (their present one where nothing is bored; None where none serves). `choice`
    stands with the sign of lengths turned round, as of a shaft. `ways` are the other ways on, each with the bores
    it is about and the size it leaves the rest at.
    """

    limits: BoreLimits
    house: HouseRules
    verdicts: Mapping[str, BoreVerdict]
    action: Action
    oversize: Length | None
    present: Length
    choice: SizeChoice | None
    awaiting: tuple[str, ...]
    ways: tuple[tuple[BoreWay, tuple[str, ...], Length | None], ...] = ()
    decision: Decision | None = None

    @property
    def step(self) -> Length | None:
        """The oversize they go to."""
        return self.oversize

    @property
    def ends(self) -> bool:
        """Whether the block is at its end."""
        return self.action is Action.REPLACE

    @cached_property
    def so_far(self) -> bool:
        """Whether readings are missing, or the size of a bore is open: then every size is "at least"."""
        return bool(self.awaiting) or any(self.opens_of(name) & SIZE_OPEN for name in self.verdicts)

    @property
    def mixed(self) -> bool:
        """Whether its bores stand at different sizes."""
        return len({v.case.present for v in self.verdicts.values() if v.case.survey.form is not None}) > 1

    @cached_property
    def finished(self) -> bool:
        """Whether pistons can be ordered and a machinist be sent to work: every size is known, nothing is wanted
        first."""
        stopped = self.action in (Action.MEASURE, Action.REFER, Action.REPLACE)
        return not (self.so_far or stopped or (self.action is Action.REBORE and self.wanted))

    @cached_property
    def wanted(self) -> tuple[str, ...]:
        """The looks still wanted before money goes into boring."""
        first = next(iter(self.verdicts.values())).case
        sleeved = any(sleeve_wanted(verdict.case) for verdict in self.verdicts.values())
        return (*wanted_before_boring(first), *(("the wall of the sleeve that is fitted",) if sleeved else ()))

    def waived(self, bore: str) -> bool:
        """Whether a person waived that this bore is read."""
        return Waived.READINGS in self.verdicts[bore].case.waived

    def opens_of(self, bore: str) -> frozenset[Open]:
        """What stays open of one bore once its set is decided."""
        action = self.action_of(bore)
        opens = self.verdicts[bore].open_where(action)
        return opens | {Open.BEFORE_BORING} if action is Action.REBORE and self.wanted else opens

    def action_of(self, bore: str) -> Action:
        """What happens to one bore once its set is decided."""
        verdict = self.verdicts[bore]
        own = verdict.action
        if self.action is Action.REPLACE:
            return self.action
        if self.action is Action.REBORE:
            stays = verdict.case.present == self.oversize and keeps(own)
            return own if stays else Action.REBORE
        if self.action is Action.SLEEVE:
            return Action.SLEEVE if verdict.needs_machining else own
        if self.decision is not None or (self.waived(bore) and own is Action.MEASURE and keeps(self.action)):
            return self.action
        return Action.REFER if self.action is Action.REFER and own is Action.REBORE else own

    def mark_of(self, bore: str) -> MarkCode:
        """The mark of one bore: its own, or that it goes with its set."""
        verdict = self.verdicts[bore]
        own, action = verdict.action, self.action_of(bore)
        together = self.action in (Action.REBORE, Action.REPLACE)
        if own is Action.MEASURE and action in (own, Action.REBORE, Action.REPLACE):
            if verdict.called is Called.NOT_READ:
                return MarkCode.NOT_READ
            if not together and verdict.called is not Called.TOO_CLOSE and verdict.opens & TO_SEE:
                return MarkCode.LOOK
            return MarkCode.WITH_SET if together else MarkCode.TOO_CLOSE
        if together and action is self.action and own not in (Action.REBORE, Action.REPLACE):
            return MarkCode.WITH_SET
        return MARK[action]

    @property
    def mark(self) -> MarkCode:
        """The mark of the set."""
        if self.action is Action.MEASURE:
            if self.awaiting:
                return MarkCode.NOT_READ
            return MarkCode.LOOK if self.to_see else MarkCode.TOO_CLOSE
        return MARK[self.action]

    @cached_property
    def to_see(self) -> bool:
        """Whether all is read, and nothing is open but the pistons and what the eye has still to say."""
        opens = frozenset[Open]().union(*(self.opens_of(name) for name in self.verdicts)) - {Open.PISTON}
        return bool(opens) and opens <= TO_SEE

    @property
    def finished_band(self) -> tuple[Length, Length] | None:
        """The sizes a bore must have when it is honed, plate on; None where nothing is bored."""
        if self.action is not Action.REBORE or self.oversize is None:
            return None
        size = self.limits.size
        return size.least + self.oversize, size.most + self.oversize

    @property
    def bored_band(self) -> tuple[Length, Length] | None:
        """What to bore to, so that the hone brings it to its finished band."""
        band, stock = self.finished_band, self.limits.hone_stock(self.house)
        return None if band is None else (band[0] - stock, band[1] - stock)


MARK = {
    Action.REUSE: MarkCode.REUSE,
    Action.HONE: MarkCode.HONE,
    Action.REBORE: MarkCode.REBORE,
    Action.SLEEVE: MarkCode.SLEEVE,
    Action.REFER: MarkCode.REFER,
    Action.REPLACE: MarkCode.REPLACE,
    Action.MEASURE: MarkCode.TOO_CLOSE,
}


def oversize_rungs(limits: BoreLimits, verdicts: Mapping[str, BoreVerdict], present: Length) -> tuple[Rung, ...]:
    """The oversizes on the sheet beyond a present one, smallest first, and whether each may be used.

    Rule:    bores.sold, bores.largest, bores.wall. A rule of thumb forbids nothing, it asks; a wall nobody has read
             does not forbid what the maker lists.
    """
    largest = limits.figure("largest_allowed")
    thumb = largest is not None and largest.source.kind is SourceKind.RULE_OF_THUMB
    rungs = []
    for step in sorted(limits.steps, key=lambda step: step.size.nm):
        if step.size <= present:
            continue
        finished = limits.size.most + step.size
        past = largest is not None and limits.size.least + step.size > largest.value
        thin = any(wall_at(v.case, finished).says is WallSays.TOO_THIN for v in verdicts.values())
        rungs.append(Rung(step.size, step.sold, (not past or thumb) and not thin, past and thumb))
    return tuple(rungs)


def decide_bores(
    limits: BoreLimits, house: HouseRules, verdicts: Mapping[str, BoreVerdict], present: Length
) -> BoreSet:
    """Decide the bores from the verdicts on each.

    Gives:   one oversize for all: the smallest that pistons and rings are sold for, that is allowed, that leaves
             hone stock and wall, and that every bore surely cleans up at. While a bore is not read whole, or its
             size is open, nothing is passed: boring is "at least", all else is to be measured.
    Rule:    bores.one-size, bores.sure-size.   Source: docs/trade: Clean-up of a bore; checked by brute force.
    """
    awaiting = tuple(name for name, verdict in verdicts.items() if Open.UNREAD in verdict.opens)
    actions = {v.action for v in verdicts.values() if not _only_waived(v)}
    choice = _choice(limits, verdicts)
    oversize: Length | None = present
    action = _without_boring(actions)
    if choice is not None:
        oversize, action = choice.sure, _boring(limits, choice, verdicts, house)
        if Action.REFER in actions and action is Action.REBORE:
            action = Action.REFER
    if action in (Action.REPLACE, Action.SLEEVE):
        oversize = None if action is Action.REPLACE else present
    found = BoreSet(limits, house, verdicts, action, oversize, present, choice, awaiting)
    return BoreSet(limits, house, verdicts, action, oversize, present, choice, awaiting, _ways(found, house))


def _only_waived(verdict: BoreVerdict) -> bool:
    """Whether a bore was waived unread: it then goes the way of its set and decides nothing. What was read
    or seen of it is not waived.

    Rule:    sets.waived.
    """
    waived = verdict.action is Action.MEASURE and Waived.READINGS in verdict.case.waived
    return waived and not verdict.opens - {Open.PISTON}


def _without_boring(actions: set[Action]) -> Action:
    for first in (Action.REFER, Action.MEASURE):
        if first in actions:
            return first
    return next((action for action in _ORDER if action in actions), Action.MEASURE)


def reaches_of(verdicts: Mapping[str, BoreVerdict]) -> dict[str, Reach]:
    """What every bore read can be bored to."""
    return {
        name: Reach(v.usable, v.case.present, v.needs_machining, v.by_score)
        for name, v in verdicts.items()
        if v.usable is not None
    }


def _choice(limits: BoreLimits, verdicts: Mapping[str, BoreVerdict]) -> SizeChoice | None:
    """The oversize, where at least one bore needs machining."""
    if not any(verdict.needs_machining for verdict in verdicts.values()):
        return None
    reaches = reaches_of(verdicts)
    if not reaches:
        return None
    least = min(reach.present for reach in reaches.values())
    rungs = oversize_rungs(limits, verdicts, least)
    return choose_one_size(reaches, rungs, -limits.size.least, exactly=True)


def _boring(
    limits: BoreLimits, choice: SizeChoice, verdicts: Mapping[str, BoreVerdict], house: HouseRules
) -> Action:
    """Bore where a size is sure; refer where only a person can say; sleeve or replace at the end of the road.

    Rule:    bores.last-size, bores.sleeve.
    """
    if choice.sure is not None:
        outlook = choice.at(choice.sure)
        return Action.REFER if outlook is not None and outlook.rung.asked else Action.REBORE
    if not choice.outlooks and not past_the_largest(limits, verdicts):
        return Action.REFER
    if choice.possible is not None and not (house.keep_bore_axis and house.confirmed):
        return Action.REFER
    past = [v for v in verdicts.values() if v.needs_machining]
    behind = {wall_for_sleeve(v.case).says for v in past}
    if behind == {WallSays.ENOUGH}:
        return Action.SLEEVE
    return Action.REPLACE if behind == {WallSays.TOO_THIN} else Action.REFER


def past_the_largest(limits: BoreLimits, verdicts: Mapping[str, BoreVerdict]) -> bool:
    """Whether a bore that needs machining comes out larger than the sheet allows at all, the axis moved or not.

    Rule:    bores.largest. A rule of thumb forbids nothing.
    """
    largest = limits.figure("largest_allowed")
    if largest is None or largest.source.kind is SourceKind.RULE_OF_THUMB:
        return False
    needing = (v for v in verdicts.values() if v.needs_machining and v.usable is not None)
    return any(-v.usable.possible > largest.value for v in needing if v.usable is not None)


def _ways(found: BoreSet, house: HouseRules) -> tuple[tuple[BoreWay, tuple[str, ...], Length | None], ...]:
    """The other ways on, beside the one proposed; what the house does with good pistons stands first.

    Rule:    bores.ways.   Source: docs/trade: Bores, schools: both are shown, a person chooses.
    """
    choice = found.choice
    if choice is None:
        return ()
    ways: list[tuple[BoreWay, tuple[str, ...], Length | None]] = []
    worst = choice.sets_it
    rest = {name: v for name, v in found.verdicts.items() if name != worst}
    if rest and found.action is Action.REBORE:
        left = found.present if not any(v.needs_machining for v in rest.values()) else choice.without_worst
        if left is not None and left != choice.sure:
            ways.append((BoreWay.SLEEVE_WORST, (worst,), left))
    if found.action in (Action.REBORE, Action.REFER, Action.REPLACE):
        at = 0 if house.confirmed and house.worn_bore is WornBore.THIN_SLEEVE else len(ways)
        ways.insert(at, (BoreWay.THIN_SLEEVES, tuple(found.verdicts), ZERO))
    further = choice.next_after
    if further is not None:
        ways.append((BoreWay.NEXT_SIZE, (), further.rung.step))
    if choice.possible is not None and choice.possible != choice.sure:
        ways.append((BoreWay.AXIS_MOVED, choice.profile_of, choice.possible))
    return tuple(ways)
