"""What is decided together: one action and one size for all mains, and one for all rods."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.jobs import HouseRules, JournalLimits, JournalSet, Observation
from halfthou.lengths import Length, Notation
from halfthou.sets.hardening import hardening_says
from halfthou.sets.undersize import SizeChoice, choose_regrind_size, regrind_steps
from halfthou.verdicts import Action, JournalVerdict, MarkCode, Reason, State


@dataclass(frozen=True, slots=True)
class SetCase:
    """A set to decide: which, by what limits and rules, at what present undersize, with whose verdicts.

    `claimed` is what paint, stamp or paper says of its size, if anything does.
    """

    journal_set: JournalSet
    limits: JournalLimits
    house: HouseRules
    present: Length
    verdicts: dict[str, JournalVerdict]
    claimed: Observation | None = None


@dataclass(frozen=True, slots=True)
class SetVerdict:
    """The decision on a set.

    `undersize` is the size it goes to (its present size where nothing is ground; None where no size serves).
    `awaiting` names the journals whose plan is not read whole: until then every answer is "so far".
    """

    case: SetCase
    action: Action
    undersize: Length | None
    choice: SizeChoice | None
    hardening: Reason | None
    awaiting: tuple[str, ...]

    @property
    def so_far(self) -> bool:
        """Whether readings are still missing."""
        return bool(self.awaiting)

    def action_of(self, journal: str) -> Action:
        """What happens to one journal once its set is decided."""
        own = self.case.verdicts[journal].action
        if self.action in (Action.REGRIND, Action.REPLACE):
            return self.action
        return Action.REFER if self.action is Action.REFER and own is Action.REGRIND else own

    def mark_of(self, journal: str) -> MarkCode:
        """The mark of one journal: its own, or that it goes with its set."""
        verdict = self.case.verdicts[journal]
        own = verdict.action
        together = self.action in (Action.REGRIND, Action.REPLACE)
        if own is Action.MEASURE:
            if verdict.state is State.NOT_READ:
                return MarkCode.NOT_READ
            return MarkCode.WITH_SET if together else MarkCode.TOO_CLOSE
        if together and own not in (Action.REGRIND, Action.REPLACE):
            return MarkCode.WITH_SET
        return _MARK[self.action_of(journal)]

    @property
    def mark(self) -> MarkCode:
        """The mark of the set."""
        if self.action is Action.MEASURE:
            return MarkCode.NOT_READ if self.so_far else MarkCode.TOO_CLOSE
        return _MARK[self.action]


_MARK = {
    Action.REUSE: MarkCode.REUSE,
    Action.POLISH: MarkCode.POLISH,
    Action.FIT_UNDERSIZE: MarkCode.FIT_UNDERSIZE,
    Action.REGRIND: MarkCode.REGRIND,
    Action.REFER: MarkCode.REFER,
    Action.REPLACE: MarkCode.REPLACE,
}
#: The stronger action wins for the set. Source: the trade, rule 3.
_ORDER = (Action.FIT_UNDERSIZE, Action.POLISH, Action.REUSE)


def decide_set(case: SetCase, say: Notation) -> SetVerdict:
    """Decide a set from the verdicts on its journals.

    Gives:   the action and the size; "so far" while a journal is not read whole.
    Rule:    sets.*; a crack ends it, a referral comes before grinding, the worst journal sets the size.
    """
    awaiting = tuple(name for name, verdict in case.verdicts.items() if not verdict.case.survey.whole)
    actions = {verdict.action for verdict in case.verdicts.values()}
    choice = _choice(case)
    hardening: Reason | None = None
    undersize: Length | None = case.present
    action = _without_grinding(actions, bool(awaiting))
    if choice is not None:
        undersize = choice.sure
        action, hardening = _grinding(case, choice, say)
        if Action.REFER in actions and action is Action.REGRIND:
            action = Action.REFER
    if Action.REPLACE in actions:
        action = Action.REPLACE
    if action is Action.REPLACE:
        undersize = None
    return SetVerdict(case, action, undersize, choice, hardening, awaiting)


def _without_grinding(actions: set[Action], awaiting: bool) -> Action:
    if Action.REFER in actions:
        return Action.REFER
    if Action.MEASURE in actions and not awaiting:
        return Action.MEASURE
    return next((action for action in _ORDER if action in actions), Action.MEASURE)


def _choice(case: SetCase) -> SizeChoice | None:
    """The regrind size, where at least one journal needs machining."""
    if not any(verdict.needs_machining for verdict in case.verdicts.values()):
        return None
    usable = {name: v.usable for name, v in case.verdicts.items() if v.usable is not None}
    if not usable:
        return None
    return choose_regrind_size(usable, regrind_steps(case.limits, case.present), case.limits.size.least)


def _grinding(case: SetCase, choice: SizeChoice, say: Notation) -> tuple[Action, Reason | None]:
    if not choice.outlooks or (choice.sure is None and choice.possible is not None):
        return Action.REFER, None
    if choice.sure is None:
        return Action.REPLACE, None
    return hardening_says(case.limits, case.house, choice.sure, say)
