"""One journal against its limits: its findings, what it cleans up at, and what it would need by itself."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.gauges import Budget, combine, expanded, guard_band, standard_doubt
from halfthou.jobs import Hardening, Look, SourceKind, Waived
from halfthou.lengths import ZERO, Length
from halfthou.looks import HOUSING, Does
from halfthou.parts.journals.bearing import housing_findings, housing_read, measured_clearance
from halfthou.parts.journals.beside_size import refers_beside, too_rough
from halfthou.parts.journals.case import JournalCase
from halfthou.parts.journals.contradictions import contradictions
from halfthou.parts.journals.figures import LEAST_ANGLES, journal_findings
from halfthou.parts.journals.looks import TREATED
from halfthou.surveys import POLISH_SHELL, Axis, Form
from halfthou.verdicts import (
    QUESTIONS,
    SIZE_OPEN,
    TO_SEE,
    Action,
    Called,
    CleanUp,
    Contradiction,
    FigureKey,
    Finding,
    Open,
    Score,
    clean_up_size,
    worst_state,
)

_KEPT = (Action.REUSE, Action.POLISH, Action.FIT_UNDERSIZE)


#: What stays open also where the journal is ground: grinding deals with all the rest.
_OPEN_ANYWAY = SIZE_OPEN | {Open.REFERRED, Open.HOUSING, Open.CRANK, Open.UNSEEN}


@dataclass(frozen=True, slots=True)
class JournalVerdict:
    """The verdict on one journal by itself, before its set is decided.

    `usable` is the clean-up interval with polish, doubt and warmth taken off. `polish_shell` is the undersize of a
    polish shell that would do by itself, where one would. `clearance` and `housing` hold the findings on its
    bearing. `opens` is what keeps it from being settled.
    """

    case: JournalCase
    action: Action
    called: Called
    findings: tuple[Finding, ...]
    doubt: Length
    clean_up: CleanUp | None
    usable: CleanUp | None
    polish_shell: Length | None
    clearance: tuple[Finding, ...] = ()
    housing: tuple[Finding, ...] = ()
    contradictions: tuple[Contradiction, ...] = ()
    opens: frozenset[Open] = frozenset()
    by_score: bool = False

    @property
    def needs_machining(self) -> bool:
        """Whether the journal cannot go back by itself without grinding."""
        return self.action is Action.REGRIND

    @property
    def referred_for(self) -> tuple[str, ...]:
        """The rules by which it waits for somebody else's word."""
        return tuple(words_awaited(self.case))

    @property
    def every(self) -> tuple[Finding, ...]:
        """All its figures: its own, those of its bearing, and what was read beside its size."""
        return (*self.findings, *self.clearance, *self.housing, *self.case.beside)

    def finding(self, key: FigureKey) -> Finding | None:
        """One figure by its key; None where it could not be worked out."""
        return next((finding for finding in self.every if finding.key == key), None)

    @property
    def size(self) -> Finding | None:
        """The finding on the least size."""
        return self.finding(FigureKey.SIZE)

    def open_where(self, action: Action) -> frozenset[Open]:
        """What stays open once this is done to the journal: grinding deals with all that is not about its size."""
        if action is Action.REGRIND:
            return self.opens & _OPEN_ANYWAY
        return frozenset({Open.UNREAD}) & self.opens if action is Action.REPLACE else self.opens


def judge_journal(case: JournalCase) -> JournalVerdict:
    """Judge one journal by itself.

    Gives:   findings on every figure that can be worked out, the clean-up interval and the action.
    Rule:    surveys.plan.whole, verdicts.journal.*; a crack or a sharp fillet comes before any figure.
    """
    form = case.survey.form
    clearance, housing, clashing = measured_clearance(case), housing_findings(case), contradictions(case)
    findings = () if form is None else journal_findings(case, form)
    opens = frozenset(_opens(case, form, findings, (*clearance, *housing), clashing))
    if form is None:
        action = _action_by_eye(case) or (Action.REGRIND if _catches(case) else Action.MEASURE)
        return JournalVerdict(
            case, action, Called.NOT_READ, (), ZERO, None, None, None, clearance, housing, clashing, opens
        )
    one = findings[0].doubt_nm
    score = _score(case)
    clean_up, sure_doubt, possible_doubt = _cleans_up(case, form, score, one)
    usable = clean_up.allowing_for(
        case.house.polish_allowance, sure_doubt, possible_doubt, case.survey.rise(form.least.spots[0])
    )
    shell = _polish_shell(case, form, findings, opens, guard_band(one, case.house.guard))
    state = worst_state(findings)
    return JournalVerdict(
        case=case,
        action=_action_by_eye(case) or _action_by_gauge(case, findings, shell, opens),
        called=state if case.survey.whole or state is Called.BEYOND else Called.NOT_READ,
        findings=findings,
        doubt=expanded(one),
        clean_up=clean_up,
        usable=usable,
        polish_shell=shell,
        clearance=clearance,
        housing=housing,
        contradictions=clashing,
        opens=opens,
        by_score=score is not None and clean_up != _cleans_up(case, form, None, one)[0],
    )


def _cleans_up(case: JournalCase, form: Form, score: Score | None, one: float) -> tuple[CleanUp, Length, Length]:
    """What a journal cleans up at, and the doubt of its sure and of its possible end.

    By its radial profile where one goes all the way round: about the axis it is ground about, with its bend in it;
    the possible end with the axis moved and tilted. Else between the ends that diameters leave.
    Rule:    verdicts.clean-up, surveys.profile.
    """
    profile = case.profile
    if profile is None or profile.hole:
        clean_up = clean_up_size(form.size_found, _ground_size(case, form), score).less(case.bend)
        return clean_up, expanded(standard_doubt(_sure_budget(case, form))), expanded(one)
    depth = score.depth if score is not None else ZERO
    sure = profile.cleans_up(Axis.FIXED if case.house.keep_axis else Axis.MOVED) - depth * 2
    possible = profile.cleans_up(Axis.TILTED) - depth
    return CleanUp(min(sure, possible), possible), profile.doubt, profile.doubt


def words_awaited(case: JournalCase) -> Iterator[str]:
    """The rules by which a journal waits for somebody else's word.

    Those that were seen come first. A nitrided journal that stands at an undersize was ground: was it hardened
    again?
    """
    yield from case.eye.rules(Does.REFERS)
    yield from refers_beside(case.beside)
    treated = case.hardened_again or case.answer(Look.TREATMENT) == TREATED
    skin = case.limits.hardening in (Hardening.NITRIDED, Hardening.NITROCARBURISED)
    if skin and case.present > ZERO and not treated and (case.survey.form is not None or case.stands is not None):
        yield "verdicts.journal.treatment"


def housing_awaited(case: JournalCase) -> bool:
    """Whether a shell turned, a rod went blue, or cap and rod are no pair, and nobody has measured the housing, or
    waived that.

    Rule:    verdicts.journal.turned-shell, verdicts.journal.caps, verdicts.journal.blue-rod.
    """
    return case.eye.does(Does.ASKS, HOUSING) and not housing_read(case) and Waived.HOUSING not in case.waived


def _opens(
    case: JournalCase,
    form: Form | None,
    findings: tuple[Finding, ...],
    bearing: tuple[Finding, ...],
    clashing: tuple[Contradiction, ...],
) -> Iterator[Open]:
    survey = case.survey
    if (not survey.whole or case.throw_wanted) and Waived.READINGS not in case.waived:
        yield Open.UNREAD
    beside = any(one.held for one in case.beside_surveys)
    if survey.held or beside or any(state.held for _, _, state in case.bearing_spots()):
        yield Open.HELD
    if survey.outside:
        yield Open.OUTSIDE
    if clashing:
        yield Open.CONTRADICTED
    if _catches(case) and case.seen[Look.SURFACE].amount is None:
        yield Open.SCORE_DEPTH
    if form is not None and form.angles < LEAST_ANGLES and survey.whole:
        yield Open.TWO_ANGLES
    if case.foreign:
        yield Open.FOREIGN
    if case.limits.size.source.kind is SourceKind.RULE_OF_THUMB:
        yield Open.THUMB
    if any(f.key == FigureKey.LARGER for f in findings):
        yield Open.LARGER
    if any(f.called is Called.TOO_CLOSE and f.key not in QUESTIONS for f in (*findings, *case.beside)):
        yield Open.TOO_CLOSE
    clearance = [f for f in bearing if f.key in (FigureKey.CLEARANCE_LEAST, FigureKey.CLEARANCE_MOST)]
    if any(f.called is not Called.WITHIN for f in clearance):
        yield Open.CLEARANCE
    if housing_awaited(case) or any(f.called is not Called.WITHIN for f in bearing if f not in clearance):
        yield Open.HOUSING
    if any(words_awaited(case)):
        yield Open.REFERRED
    if case.crank or case.straight_first:
        yield Open.CRANK
    if case.eye.does(Does.HOLDS):
        yield Open.SEEN
    if case.unseen:
        yield Open.UNSEEN
    if case.without_limit:
        yield Open.NO_LIMIT


def _catches(case: JournalCase) -> bool:
    return case.eye.does(Does.REMEDY, Action.REGRIND)


def _sure_budget(case: JournalCase, form: Form) -> Budget:
    """The budget of the sure end: twice the least size, less the greatest where that is what it counts from."""
    parts = [(2.0, case.survey.budget(form.least.spots[0]))]
    if _ground_size(case, form) == form.greatest.value:
        parts.append((-1.0, case.survey.budget(form.greatest.spots[0])))
    return combine(parts)


def _ground_size(case: JournalCase, form: Form) -> Length:
    """The size it was last ground to at most: top of its present band, or the largest reading if larger."""
    return max(case.limits.size.most - case.present, form.greatest.value)


def _score(case: JournalCase) -> Score | None:
    seen = case.seen.get(Look.SURFACE)
    if seen is None or not _catches(case) or seen.amount is None:
        return None
    there = case.survey.sizes.get(seen.spot) if seen.spot else None
    return Score(seen.amount, there)


def _polish_shell(
    case: JournalCase, form: Form, findings: tuple[Finding, ...], opens: frozenset[Open], guard: Length
) -> Length | None:
    """The smallest polish shell that suits a journal which is only a little small, or lightly marked at its limit.

    Rule:    verdicts.journal.polish-shell.   Source: docs/trade: Choosing the size: short by less than
             0.002 in, form sound.
    """
    size, *forms = findings
    marked = case.eye.does(Does.REMEDY, Action.POLISH) and not _polishes_out(case, size)
    if size.called is not Called.BEYOND and not marked:
        return None
    if -size.to_spare >= POLISH_SHELL or (opens & SIZE_OPEN) or any(f.called is not Called.WITHIN for f in forms):
        return None
    if _catches(case) or size.by_rule_of_thumb or case.foreign:
        return None
    after = form.size_found - case.house.polish_allowance - guard - size.may_fall
    steps = sorted(s.size - case.present for s in case.limits.shells if s.can_be_bought)
    least = case.limits.size.least - case.present
    return next((k for k in steps if ZERO < k <= POLISH_SHELL and after >= least - k), None)


def _polishes_out(case: JournalCase, size: Finding) -> bool:
    """Whether the journal stays inside its limit by at least the guard band once the polish is off."""
    return size.to_spare - case.house.polish_allowance - size.may_fall >= size.guard


def _action_by_eye(case: JournalCase) -> Action | None:
    """What eye and crack test decide before any figure. The eye may reject; only a gauge may accept."""
    if case.eye.does(Does.REJECTS):
        return Action.REPLACE
    return Action.REFER if any(words_awaited(case)) else None


def _action_by_gauge(
    case: JournalCase, findings: tuple[Finding, ...], shell: Length | None, opens: frozenset[Open]
) -> Action:
    marked, size = case.eye.does(Does.REMEDY, Action.POLISH) or too_rough(case.beside), findings[0]
    if _catches(case):
        return Action.REGRIND
    beyond = [f for f in findings if f.called is Called.BEYOND]
    if beyond:
        kept = Action.MEASURE if opens & TO_SEE else Action.FIT_UNDERSIZE
        return kept if shell is not None else Action.REGRIND
    if shell is not None and marked and not opens - {Open.TOO_CLOSE}:
        return Action.FIT_UNDERSIZE
    if opens - {Open.UNREAD} or not case.survey.whole:
        return Action.MEASURE
    if marked:
        return Action.POLISH if _polishes_out(case, size) else Action.MEASURE
    return Action.REUSE


def keeps(action: Action) -> bool:
    """Whether a journal goes back at the size it has."""
    return action in _KEPT
