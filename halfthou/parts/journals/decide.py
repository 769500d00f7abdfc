"""What is decided together: one action and one size for all mains, and one for all rods."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import StrEnum

from halfthou.jobs import Decision, HouseRules, JournalSet, Seen, SourceKind, Waived
from halfthou.lengths import ZERO, Length
from halfthou.parts.journals.hardening import HardeningSays, hardening_says
from halfthou.parts.journals.limits import JournalLimits, sheet_steps
from halfthou.parts.journals.verdict import JournalVerdict, keeps
from halfthou.sets import Reach, Rung, SizeChoice, choose_one_size
from halfthou.surveys import POLISH_SHELL
from halfthou.verdicts import SIZE_OPEN, TO_SEE, Action, Called, MarkCode, Open


def regrind_steps(limits: JournalLimits, present: Length) -> tuple[Rung, ...]:
    """The undersizes on the sheet that lie below a present size, smallest first; polish shells left out.

    Rule:    sets.regrind.shells-exist, sets.regrind.smallest-allowed. A rule of thumb forbids nothing, it asks.
    """
    smallest = limits.smallest_allowed
    thumb = smallest is not None and smallest.source.kind is SourceKind.RULE_OF_THUMB
    steps = []
    for shell in sorted(limits.shells, key=lambda shell: shell.size.nm):
        below = smallest is not None and limits.size.least - shell.size < smallest.value
        if shell.size - present > POLISH_SHELL:
            steps.append(Rung(shell.size, shell.can_be_bought, not below or thumb, below and thumb))
    return tuple(steps)


def workable_band(limits: JournalLimits, house: HouseRules) -> Length:
    """The narrowest band a grinder is asked to hold: the house's, or half the maker's where that is smaller.

    Rule:    sets.regrind.tight.   Source: docs/trade: Choosing the size.
    """
    return min(house.least_band, Length((limits.size.most - limits.size.least).nm // 2))


@dataclass(frozen=True, slots=True)
class SetCase:
    """A set to decide: which, by what limits and rules, with whose verdicts.

    `present` is the undersize its journals agree on, or that most of them stand at. `claimed` is what paint, stamp
    or paper says of its size, if anything does.
    """

    journal_set: JournalSet
    limits: JournalLimits
    house: HouseRules
    present: Length
    verdicts: dict[str, JournalVerdict]
    claimed: Seen | None = None

    @property
    def standing(self) -> dict[Length, tuple[str, ...]]:
        """Which journals stand at which undersize, of those that are read."""
        found: dict[Length, list[str]] = {}
        for name, verdict in self.verdicts.items():
            if verdict.case.survey.form is not None:
                found.setdefault(verdict.case.present, []).append(name)
        return {size: tuple(names) for size, names in sorted(found.items(), key=lambda pair: pair[0].nm)}

    @property
    def axis_shift(self) -> Length:
        """How far a bend moves the axis of the journal where that is most: so much of the case goes on one side.

        Rule:    straightness.taken-off.
        """
        bend = max((verdict.case.bend for verdict in self.verdicts.values()), default=ZERO)
        return Length(-(-bend.nm // 2))

    @property
    def mixed(self) -> bool:
        """Whether its journals stand at different undersizes."""
        return len(self.standing) > 1


class End(StrEnum):
    """What ended the crank for a set."""

    CRACK = "a crack"
    OTHER_SET = "the other set is past its last size"
    BENT = "a bend that is not straightened"


@dataclass(frozen=True, slots=True)
class SetVerdict:
    """The decision on a set.

    `undersize` is the size it goes to (its present size where nothing is ground; None where no size serves, or
    where each journal keeps its own). `awaiting` names the journals whose plan is not read whole, nor waived.
    `ended` says that the crank has come to its end elsewhere. `decision` is a person's, where one stands against
    the verdict; `others` are the journals that go to another size by it.
    """

    case: SetCase
    action: Action
    undersize: Length | None
    choice: SizeChoice | None
    hardening: HardeningSays | None
    awaiting: tuple[str, ...]
    ended: End | None = None
    decision: Decision | None = None
    others: Mapping[str, Length] = field(default_factory=dict)

    def called(self, journal: str) -> str:
        """A journal of the set by its short name. Raises KeyError where it is none of the set."""
        return self.case.verdicts[journal].case.survey.part.short

    @property
    def step(self) -> Length | None:
        """The undersize it goes to."""
        return self.undersize

    @property
    def follows(self) -> bool:
        """Whether its journals are ground about the axis on which a bend left them.

        Rule:    sets.follow-the-pin.
        """
        return self.decision is not None and self.decision.follows

    def size_of(self, journal: str) -> Length | None:
        """The undersize a journal goes to: that of its set, or its own where a person decided so."""
        return self.others.get(journal, self.undersize)

    @property
    def not_dealt_with(self) -> tuple[str, ...]:
        """The journals that a size a person decided on does not deal with: they need machining although they stand
        at it, or they are smaller already.

        Rule:    sets.decided-otherwise.
        """
        if self.decision is None or self.action is not Action.REGRIND:
            return ()
        return tuple(
            name
            for name, verdict in self.case.verdicts.items()
            if (size := self.size_of(name)) is not None
            and (size < verdict.case.present or (verdict.needs_machining and size == verdict.case.present))
        )

    @property
    def ground(self) -> dict[Length, tuple[str, ...]]:
        """Which journals are ground to which undersize, the largest journals first."""
        found: dict[Length, list[str]] = {}
        for name in self.case.verdicts:
            size = self.size_of(name)
            if size is not None and self.action_of(name) is Action.REGRIND:
                found.setdefault(size, []).append(name)
        return {size: tuple(found[size]) for size in sorted(found, key=lambda one: one.nm)}

    @property
    def ends(self) -> bool:
        """Whether the crank is at its end."""
        return self.ended is not None or self.action is Action.REPLACE

    @property
    def so_far(self) -> bool:
        """Whether readings are still missing, or the size of a member is open: then every size is "at least"."""
        return bool(self.awaiting) or any(self.opens_of(name) & SIZE_OPEN for name in self.case.verdicts)

    def opens_of(self, journal: str) -> frozenset[Open]:
        """What stays open of one journal once its set is decided."""
        return self.case.verdicts[journal].open_where(self.action_of(journal))

    @property
    def finished(self) -> bool:
        """Whether shells can be ordered and a grinder be sent to work: every size is known."""
        return (
            not self.so_far and not self.held and self.action not in (Action.MEASURE, Action.REFER, Action.REPLACE)
        )

    @property
    def held(self) -> bool:
        """Whether the crank waits to be indicated and crack-tested: the size is said, and nothing is ordered or
        accepted.

        Rule:    sets.one-crank.
        """
        return any(Open.CRANK in self.opens_of(name) for name in self.case.verdicts)

    @property
    def to_see(self) -> bool:
        """Whether all is read, and nothing is open but what the eye has still to say."""
        opens = frozenset[Open]().union(*(self.opens_of(name) for name in self.case.verdicts))
        return bool(opens) and opens <= TO_SEE

    def waived(self, journal: str) -> bool:
        """Whether a person waived that this journal is read."""
        return Waived.READINGS in self.case.verdicts[journal].case.waived

    def action_of(self, journal: str) -> Action:
        """What happens to one journal once its set is decided."""
        verdict = self.case.verdicts[journal]
        own = verdict.action
        if self.action is Action.REPLACE:
            return self.action
        if self.action is Action.REGRIND:
            if journal in self.not_dealt_with:
                return Action.REFER
            stays = verdict.case.present == self.size_of(journal) and keeps(own)
            return own if stays else Action.REGRIND
        if self.decision is not None or (self.waived(journal) and own is Action.MEASURE and keeps(self.action)):
            return self.action
        return Action.REFER if self.action is Action.REFER and own is Action.REGRIND else own

    def mark_of(self, journal: str) -> MarkCode:
        """The mark of one journal: its own, or that it goes with its set."""
        verdict = self.case.verdicts[journal]
        own = verdict.action
        together = self.action in (Action.REGRIND, Action.REPLACE)
        if own is Action.MEASURE and self.action_of(journal) in (own, Action.REGRIND, Action.REPLACE):
            if verdict.called is Called.NOT_READ:
                return MarkCode.NOT_READ
            if Open.CRANK in verdict.opens and not together:
                return MarkCode.REFER
            if not together and verdict.called is not Called.TOO_CLOSE and verdict.opens & TO_SEE:
                return MarkCode.LOOK
            return MarkCode.WITH_SET if together else MarkCode.TOO_CLOSE
        if together and self.action_of(journal) is self.action and own not in (Action.REGRIND, Action.REPLACE):
            return MarkCode.WITH_SET
        return _MARK[self.action_of(journal)]

    @property
    def mark(self) -> MarkCode:
        """The mark of the set."""
        if self.action is Action.MEASURE:
            if self.awaiting:
                return MarkCode.NOT_READ
            if self.held:
                return MarkCode.REFER
            return MarkCode.LOOK if self.to_see else MarkCode.TOO_CLOSE
        return _MARK[self.action]


_MARK = {
    Action.REUSE: MarkCode.REUSE,
    Action.POLISH: MarkCode.POLISH,
    Action.FIT_UNDERSIZE: MarkCode.FIT_UNDERSIZE,
    Action.REGRIND: MarkCode.REGRIND,
    Action.REFER: MarkCode.REFER,
    Action.REPLACE: MarkCode.REPLACE,
    Action.MEASURE: MarkCode.TOO_CLOSE,
}
#: The stronger action wins for the set. Source: common practice, no source.
_ORDER = (Action.FIT_UNDERSIZE, Action.POLISH, Action.REUSE)


def decide_set(case: SetCase) -> SetVerdict:
    """Decide a set from the verdicts on its journals.

    Gives:   the action and the size. While a journal is not read whole, or its size is open, nothing is passed:
             grinding is "at least", all else is to be measured.
    Rule:    sets.*; a crack ends it, a referral comes before grinding, the worst journal sets the size.
    """
    awaiting = tuple(name for name, verdict in case.verdicts.items() if Open.UNREAD in verdict.opens)
    actions = {v.action for v in case.verdicts.values() if not _only_waived(v)}
    choice = _choice(case)
    hardening: HardeningSays | None = None
    undersize: Length | None = case.present
    action = _without_grinding(actions)
    if choice is not None:
        undersize = choice.sure
        action = _grinding(case, choice)
        if choice.sure is not None and action is Action.REGRIND:
            hardening = hardening_says(case.limits, case.house, choice.sure, case.axis_shift)
            action = action if hardening is None else hardening.action
        if Action.REFER in actions and action is Action.REGRIND:
            action = Action.REFER
    elif case.mixed:
        undersize = None
        if not case.house.mixed_sizes and action is not Action.MEASURE:
            # Nothing needs grinding by itself: one size for all is the house's school, and a person's to choose.
            action = Action.REFER
    if (
        action is Action.REGRIND
        and Action.MEASURE in actions
        and not any(v.action in (Action.REGRIND, Action.REPLACE) for v in case.verdicts.values())
    ):
        action = Action.MEASURE
    if Action.REPLACE in actions:
        action = Action.REPLACE
    if action is Action.REPLACE:
        undersize = None
    return SetVerdict(case, action, undersize, choice, hardening, awaiting)


def _only_waived(verdict: JournalVerdict) -> bool:
    """Whether a journal was waived unread: it then goes the way of its set and decides nothing."""
    return verdict.action is Action.MEASURE and Waived.READINGS in verdict.case.waived and not verdict.opens


def _without_grinding(actions: set[Action]) -> Action:
    if Action.REFER in actions:
        return Action.REFER
    if Action.MEASURE in actions:
        return Action.MEASURE
    return next((action for action in _ORDER if action in actions), Action.MEASURE)


def _choice(case: SetCase) -> SizeChoice | None:
    """The regrind size, where at least one journal needs machining."""
    if not any(verdict.needs_machining for verdict in case.verdicts.values()):
        return None
    reaches = ground_reaches(case)
    if not reaches:
        return None
    least_present = min(reach.present for reach in reaches.values())
    steps = regrind_steps(case.limits, least_present)
    return choose_one_size(reaches, steps, case.limits.size.least, workable_band(case.limits, case.house))


def ground_reaches(case: SetCase) -> dict[str, Reach]:
    """What every journal that is read can be ground to."""
    return {
        name: Reach(v.usable, v.case.present, v.needs_machining, v.by_score)
        for name, v in case.verdicts.items()
        if v.usable is not None
    }


def _grinding(case: SetCase, choice: SizeChoice) -> Action:
    """Regrind where a size is sure, refer where only a person can say, replace at the end of the road."""
    if choice.sure is not None:
        outlook = choice.at(choice.sure)
        return Action.REFER if outlook is not None and outlook.rung.asked else Action.REGRIND
    if len(sheet_steps(case.limits)) < 2 or choice.tight is not None:
        return Action.REFER
    if case.limits.size.source.kind is SourceKind.RULE_OF_THUMB:
        return Action.REFER
    if choice.possible is not None:
        by_score = all(case.verdicts[name].by_score for name in choice.profile_of)
        return Action.REPLACE if by_score and case.house.keep_axis and case.house.confirmed else Action.REFER
    return Action.REPLACE
