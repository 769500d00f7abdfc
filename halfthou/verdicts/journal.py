"""One journal against its limits: its findings, what it cleans up at, and what it would need by itself."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from halfthou.gauges import difference_doubt, expanded, fitted_ovality_doubt, guard_band, size_doubt
from halfthou.jobs import Figure, HouseRules, JournalLimits, Look, Observation
from halfthou.lengths import ZERO, Length
from halfthou.surveys import POLISH_SHELL, Form, JournalSurvey
from halfthou.verdicts.actions import Action
from halfthou.verdicts.clean_up import CleanUp, Score, clean_up_size
from halfthou.verdicts.finding import Finding, Judged, Limit, State, judge

#: Temper colours from which a journal counts as overheated. Source: handbook M; common practice.
HOT = ("brown or purple", "blue", "grey")


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


@dataclass(frozen=True, slots=True)
class JournalVerdict:
    """The verdict on one journal by itself, before its set is decided.

    `usable` is the clean-up interval with polish and doubt taken off. `polish_shell` is the undersize of a
    polish shell that would do by itself, where one would.
    """

    case: JournalCase
    action: Action
    state: State
    findings: tuple[Finding, ...]
    doubt: Length
    clean_up: CleanUp | None
    usable: CleanUp | None
    polish_shell: Length | None

    @property
    def needs_machining(self) -> bool:
        """Whether the journal cannot go back by itself without grinding."""
        return self.action is Action.REGRIND


def judge_journal(case: JournalCase) -> JournalVerdict:
    """Judge one journal by itself.

    Gives:   findings on every figure that can be worked out, the clean-up interval and the action.
    Rule:    surveys.plan.whole, verdicts.journal.*; a crack or a sharp fillet comes before any figure.
    """
    form = case.survey.form
    if form is None:
        action = _action_by_eye(case) or Action.MEASURE
        return JournalVerdict(case, action, State.NOT_READ, (), ZERO, None, None, None)
    one = max(size_doubt(gauge) for gauge in case.survey.gauges)
    doubt = expanded(one)
    findings = _findings(case, form, one)
    clean_up = clean_up_size(form.size_found, _ground_size(case, form), _score(case))
    shell = _polish_shell(case, form, findings, guard_band(one, case.house.guard))
    state = _worst(findings)
    return JournalVerdict(
        case=case,
        action=_action_by_eye(case) or _action_by_gauge(case, state, shell, findings),
        state=state if case.survey.whole or state is State.BEYOND else State.NOT_READ,
        findings=findings,
        doubt=doubt,
        clean_up=clean_up,
        usable=clean_up.allowing_for(case.house.polish_allowance, doubt),
        polish_shell=shell,
    )


def size_limit(case: JournalCase) -> Limit:
    """The least size allowed now: the service limit, else the new minimum, less the present undersize."""
    limits = case.limits
    figure = limits.service_least
    if figure is not None:
        return Limit(figure.value - case.present, True, figure.source.kind)
    return Limit(limits.size.least - case.present, True, limits.size.source.kind)


def _findings(case: JournalCase, form: Form, one: float) -> tuple[Finding, ...]:
    guard = case.house.guard
    limits = case.limits
    difference = difference_doubt(case.survey.gauges)
    size = Judged(
        "surveys.size.least", "least size", form.size_found, form.least.spots, one, guard_band(one, guard)
    )
    found = [judge(size, size_limit(case))]
    if form.out_of_round is not None:
        spread = difference
        if form.out_of_round_by_fit:
            spread = fitted_ovality_doubt(difference, len(form.out_of_round.spots))
        rule = "surveys.form.out-of-round"
        value = form.out_of_round
        oval = Judged(rule, "out-of-round", value.value, value.spots, spread, guard_band(spread, guard))
        found.append(judge(oval, _most(limits.out_of_round), cannot_accept=form.angles < 3))
    if form.taper is not None:
        value = form.taper
        taper = Judged(
            "surveys.form.taper", "taper", value.value, value.spots, difference, guard_band(difference, guard)
        )
        found.append(judge(taper, _most(limits.taper)))
    if form.barrel is not None:
        value = form.barrel
        # Middle less the mean of the ends: u² = s² (1 + 1/4 + 1/4), and a difference has u² = 2 s².
        spread = difference * (0.75**0.5)
        name = "barrel" if value.value >= ZERO else "hourglass"
        bulge = Judged(
            "surveys.form.barrel", name, abs(value.value), value.spots, spread, guard_band(spread, guard)
        )
        found.append(judge(bulge, _most(limits.barrel or limits.taper)))
    return tuple(found)


def _most(figure: Figure) -> Limit:
    return Limit(figure.value, False, figure.source.kind)


def _worst(findings: tuple[Finding, ...]) -> State:
    states = {finding.state for finding in findings}
    return next(s for s in (State.BEYOND, State.TOO_CLOSE, State.WITHIN) if s in states)


def _ground_size(case: JournalCase, form: Form) -> Length:
    """The size it was last ground to at most: top of its present band, or the largest reading if larger."""
    return max(case.limits.size.most - case.present, form.greatest.value)


def _score(case: JournalCase) -> Score | None:
    seen = case.seen.get(Look.SURFACE)
    if seen is None or seen.answer != "nail catches" or seen.depth is None:
        return None
    there = next((r.size for r in case.survey.readings if r.spot == seen.spot), None)
    return Score(seen.depth, there)


def _polish_shell(case: JournalCase, form: Form, findings: tuple[Finding, ...], guard: Length) -> Length | None:
    """The smallest polish shell that suits a journal which is only a little small.

    Rule:    verdicts.journal.polish-shell.   Source: handbook D8: short by less than 0.002 in, form sound.
    """
    size, *forms = findings
    short = -size.to_spare
    if size.state is not State.BEYOND or not ZERO < short < POLISH_SHELL:
        return None
    if any(finding.state is not State.WITHIN for finding in forms) or not case.survey.whole:
        return None
    if case.answer(Look.SURFACE) == "nail catches":
        return None
    after = form.size_found - case.house.polish_allowance - guard
    steps = sorted(s.undersize - case.present for s in case.limits.shells if s.can_be_bought)
    least = case.limits.size.least - case.present
    return next((k for k in steps if ZERO < k <= POLISH_SHELL and after >= least - k), None)


def _action_by_eye(case: JournalCase) -> Action | None:
    """What eye and crack test decide before any figure. The eye may reject; only a gauge may accept."""
    if case.answer(Look.CRACK_TEST) == "crack found":
        return Action.REPLACE
    if case.answer(Look.FILLET) == "sharp, notched or undercut":
        return Action.REFER
    if case.answer(Look.HEAT) in HOT and case.answer(Look.CRACK_TEST) != "passed":
        return Action.REFER
    return None


def _action_by_gauge(
    case: JournalCase, state: State, shell: Length | None, findings: tuple[Finding, ...]
) -> Action:
    surface = case.answer(Look.SURFACE)
    if surface == "nail catches":
        return Action.REGRIND
    if state is State.BEYOND:
        return Action.FIT_UNDERSIZE if shell is not None else Action.REGRIND
    if state is State.TOO_CLOSE or not case.survey.whole:
        return Action.MEASURE
    if surface == "light marks":
        size = findings[0]
        return Action.POLISH if size.to_spare - case.house.polish_allowance >= size.guard else Action.MEASURE
    return Action.REUSE
