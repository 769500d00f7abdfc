"""One journal against its limits: its findings, what it cleans up at, and what it would need by itself."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.gauges import Budget, combine, expanded, guard_band, standard_doubt
from halfthou.jobs import Look
from halfthou.lengths import ZERO, Length
from halfthou.surveys import POLISH_SHELL, Form
from halfthou.verdicts.actions import Action
from halfthou.verdicts.case import JournalCase
from halfthou.verdicts.clean_up import CleanUp, Score, clean_up_size
from halfthou.verdicts.figures import journal_findings, measured_clearance
from halfthou.verdicts.finding import Finding, State

#: Temper colours from which a journal counts as overheated. Source: handbook M; common practice.
HOT = ("brown or purple", "blue", "grey")


@dataclass(frozen=True, slots=True)
class JournalVerdict:
    """The verdict on one journal by itself, before its set is decided.

    `usable` is the clean-up interval with polish and doubt taken off. `polish_shell` is the undersize of a
    polish shell that would do by itself, where one would. `clearance` holds the findings on a measured oil
    clearance, which change no action of the journal: it is tuned by its shells.
    """

    case: JournalCase
    action: Action
    state: State
    findings: tuple[Finding, ...]
    doubt: Length
    clean_up: CleanUp | None
    usable: CleanUp | None
    polish_shell: Length | None
    clearance: tuple[Finding, ...] = ()

    @property
    def needs_machining(self) -> bool:
        """Whether the journal cannot go back by itself without grinding."""
        return self.action is Action.REGRIND


def judge_journal(case: JournalCase) -> JournalVerdict:
    """Judge one journal by itself.

    Gives:   findings on every figure that can be worked out, the clean-up interval and the action.
    Rule:    surveys.plan.whole, verdicts.journal.*; a crack or a sharp fillet comes before any figure.
    """
    survey = case.survey
    form = survey.form
    if form is None:
        action = _action_by_eye(case) or Action.MEASURE
        return JournalVerdict(case, action, State.NOT_READ, (), ZERO, None, None, None, measured_clearance(case))
    findings = journal_findings(case, form)
    one = findings[0].doubt_nm
    clean_up = clean_up_size(form.size_found, _ground_size(case, form), _score(case))
    sure_doubt = expanded(standard_doubt(_sure_budget(case, form)))
    shell = _polish_shell(case, form, findings, guard_band(one, case.house.guard))
    state = _worst(findings)
    return JournalVerdict(
        case=case,
        action=_action_by_eye(case) or _action_by_gauge(case, state, shell, findings),
        state=state if survey.whole or state is State.BEYOND else State.NOT_READ,
        findings=findings,
        doubt=expanded(one),
        clean_up=clean_up,
        usable=clean_up.allowing_for(case.house.polish_allowance, sure_doubt, expanded(one)),
        polish_shell=shell,
        clearance=measured_clearance(case),
    )


def _sure_budget(case: JournalCase, form: Form) -> Budget:
    """The budget of the sure end: twice the least size, less the greatest where that is what it counts from."""
    parts = [(2.0, case.survey.budget(form.least.spots[0]))]
    if _ground_size(case, form) == form.greatest.value:
        parts.append((-1.0, case.survey.budget(form.greatest.spots[0])))
    return combine(parts)


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
    there = case.survey.sizes.get(seen.spot) if seen.spot else None
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
