"""The answer for one journal, put together from its verdict and its set's decision."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.answer.documents import (
    BearingShown,
    CleanUpShown,
    ClearanceShown,
    FigureShown,
    JournalAnswer,
    RepeatAsked,
)
from halfthou.answer.spot_part import bearing_spots, journal_spots
from halfthou.engines import journal_name, short_name
from halfthou.jobs import JournalSet, Layout, Look, Plan
from halfthou.lengths import Notation, Shown
from halfthou.sets import SetVerdict, oil_clearance, shells_of, sizes_to_be, undersize_words
from halfthou.verdicts import (
    MARKS,
    Action,
    Finding,
    JournalVerdict,
    Reason,
    Settling,
    State,
    Way,
    cautions_for,
    contradictions,
    journal_reasons,
    settling_words,
    settlings,
    warmth_reasons,
)


def journal_answer(decided: SetVerdict, journal: str, layout: Layout, plan: Plan, say: Notation) -> JournalAnswer:
    """Everything said of one journal, in the unit of the job."""
    verdict = decided.case.verdicts[journal]
    form = verdict.case.survey.form
    action = decided.action_of(journal)
    survey = verdict.case.survey
    ways = ways_to_settle(verdict)
    to_repeat = _to_repeat(verdict, ways)
    return JournalAnswer(
        id=journal,
        name=journal_name(journal, layout),
        short_name=short_name(journal),
        set=decided.case.journal_set,
        mark=MARKS[decided.mark_of(journal)],
        own_action=verdict.action,
        action=action,
        state=verdict.state,
        headline=_headline(decided, journal, say),
        under_headline=_under_headline(decided, journal, say),
        spots=journal_spots(survey, plan, say),
        to_read=survey.unread,
        to_repeat=to_repeat,
        left=len(survey.unread) + sum(asked.more for asked in to_repeat),
        bearing=tuple(
            BearingShown(feature, bearing_spots(feature, spots, say)) for feature, spots in survey.bearing.items()
        ),
        contradictions=tuple(contradictions(verdict.case, say)) if form else (),
        figures=tuple(_figure(finding, say) for finding in (*verdict.findings, *verdict.clearance)),
        least=say.shown(form.size_found) if form else None,
        two_point=say.text(form.two_point.value) if form and form.two_point else None,
        fitted=say.text(form.fitted.value) if form and form.fitted else None,
        clean_up=_clean_up(decided, verdict, say),
        clearance=_clearance(decided, journal, say),
        reasons=(*journal_reasons(verdict, say), *_warmth(verdict, say)),
        would_change=tuple(settling_words(ways, say)),
        still_to_do=_still_to_do(verdict, action),
        seen=tuple(verdict.case.seen.values()),
        cautions=cautions_for(action),
    )


def ways_to_settle(verdict: JournalVerdict) -> tuple[Settling, ...]:
    """What would settle the open figures of a journal; nothing where they would not change its action."""
    if verdict.action is not Action.MEASURE:
        return ()
    return tuple(way for finding in verdict.findings for way in settlings(verdict.case, finding))


def _to_repeat(verdict: JournalVerdict, ways: tuple[Settling, ...]) -> tuple[RepeatAsked, ...]:
    """The spots to read again once the plan is read, each as often as the figure that needs most."""
    more: dict[str, int] = {}
    if verdict.case.survey.whole:
        for way in ways:
            if way.way is Way.READ_AGAIN:
                more.update({spot: max(way.more, more.get(spot, 0)) for spot in way.spots})
    return tuple(RepeatAsked(spot, count) for spot, count in more.items())


def _warmth(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    """What warmth and zero error did, said once for the spot of the least size."""
    if verdict.findings and not verdict.findings[0].waits_warm:
        least = verdict.findings[0].spots[0]
        state = next(state for state in verdict.case.survey.spots if state.spot == least)
        yield from warmth_reasons(state, say)


def _headline(decided: SetVerdict, journal: str, say: Notation) -> str:
    verdict = decided.case.verdicts[journal]
    action = decided.action_of(journal)
    if verdict.case.survey.form is None and verdict.action is Action.MEASURE:
        return "Read it again" if _all_aside(verdict) else "Not read yet"
    if verdict.case.survey.held and action is Action.MEASURE:
        return "Answer first"
    if action is Action.MEASURE and verdict.findings and verdict.findings[0].waits_warm:
        return "Let it cool"
    if action is Action.MEASURE:
        return "Too close to call" if verdict.state is State.TOO_CLOSE else "Measure on"
    if action is Action.REGRIND:
        return f"Regrind, {undersize_words(decided.undersize, say)}" if decided.undersize else "Regrind"
    if action is Action.FIT_UNDERSIZE and verdict.polish_shell is not None:
        return f"Fit shells {say.text(decided.case.present + verdict.polish_shell)} under"
    return action.value.capitalize()


def _all_aside(verdict: JournalVerdict) -> bool:
    """Whether it was read whole before, and nothing of that counts any more."""
    return all(state.aside and not state.counted for state in verdict.case.survey.spots)


def _under_headline(decided: SetVerdict, journal: str, say: Notation) -> str:
    verdict = decided.case.verdicts[journal]
    choice = decided.choice
    rods = decided.case.journal_set is JournalSet.RODS
    which = "rod journals" if rods else "mains"
    if decided.action is Action.REGRIND and choice is not None:
        if journal == choice.sets_it:
            return f"this journal sets the size for all {which}"
        if not verdict.needs_machining:
            return f"does not need it alone; {short_name(choice.sets_it)} sets the size"
        alone = next((o.step for o in choice.outlooks if o.step.usable and journal not in o.misses), None)
        if alone is not None and alone.undersize != decided.undersize:
            return f"{undersize_words(alone.undersize, say)} alone; {short_name(choice.sets_it)} sets the size"
        return f"{short_name(choice.sets_it)} sets the size"
    if decided.hardening is not None and verdict.needs_machining:
        return decided.hardening.text
    if _all_aside(verdict):
        return "what was read before no longer counts"
    held = verdict.case.survey.held
    if held:
        where = " ".join(state.spot for state in held)
        return f"{where} {'waits' if len(held) == 1 else 'wait'} for your answer"
    if verdict.findings and verdict.findings[0].waits_warm:
        return "the verdict waits until it has rested"
    left = len(verdict.case.survey.unread)
    if left and verdict.case.survey.form is not None:
        return f"{left} {'reading' if left == 1 else 'readings'} to go"
    return ""


def _figure(finding: Finding, say: Notation) -> FigureShown:
    limit = say.at_least(finding.limit) if finding.limit_is_least else say.at_most(finding.limit)
    return FigureShown(
        rule=finding.rule,
        name=finding.name,
        state=finding.state,
        value=say.shown(finding.value),
        limit=limit,
        guard=Shown(say.doubt(finding.guard), finding.guard.nm),
        conforms=finding.probability,
        spots=finding.spots,
        note="rule of thumb" if finding.by_rule_of_thumb else "two angles only" if finding.cannot_accept else "",
    )


def _clean_up(decided: SetVerdict, verdict: JournalVerdict, say: Notation) -> CleanUpShown | None:
    if verdict.clean_up is None or verdict.usable is None:
        return None
    spare = None
    if decided.action is Action.REGRIND and decided.undersize is not None:
        spare = say.text(verdict.usable.sure - (decided.case.limits.size.least - decided.undersize))
    return CleanUpShown(
        sure=say.shown(verdict.clean_up.sure), possible=say.shown(verdict.clean_up.possible), to_spare=spare
    )


def _clearance(decided: SetVerdict, journal: str, say: Notation) -> ClearanceShown:
    limits = decided.case.limits
    verdict = decided.case.verdicts[journal]
    if verdict.case.answer(Look.SHELL) == "turned in its housing":
        return _no_clearance("not known: the shell turned, measure the housing")
    if limits.housing_bore is None or limits.wall is None:
        return _no_clearance("not known: add housing bore and wall")
    sizes, shells = sizes_to_be(decided, journal), shells_of(decided, journal)
    if sizes is None or shells is None:
        return _no_clearance("not known until it is decided")
    found = oil_clearance(limits, sizes, shells)
    if found is None:
        return _no_clearance("not known: add housing bore and wall")
    if verdict.clearance and action_keeps(decided.action_of(journal)):
        return _measured(verdict, say)
    words = f"{say.text(found.least)} to {say.text(found.most)}"
    if found.state is State.TOO_CLOSE:
        words += ": measure housing and shells"
    elif found.state is State.BEYOND:
        words += ": outside what is allowed"
    return ClearanceShown(least=say.text(found.least), most=say.text(found.most), state=found.state, words=words)


def action_keeps(action: Action) -> bool:
    """Whether a journal goes back at the size it has."""
    return action in (Action.REUSE, Action.POLISH, Action.FIT_UNDERSIZE, Action.MEASURE)


def _measured(verdict: JournalVerdict, say: Notation) -> ClearanceShown:
    least, most = (finding for finding in verdict.clearance)
    states = {least.state, most.state}
    state = next(s for s in (State.BEYOND, State.TOO_CLOSE, State.WITHIN) if s in states)
    guard = max(least.guard, most.guard)
    tail = {State.BEYOND: ": outside what is allowed", State.TOO_CLOSE: ": too close to call"}.get(state, "")
    words = f"{say.text(least.value)} to {say.text(most.value)} as measured, ±{say.doubt(guard)}{tail}"
    return ClearanceShown(least=say.text(least.value), most=say.text(most.value), state=state, words=words)


def _no_clearance(words: str) -> ClearanceShown:
    return ClearanceShown(least=None, most=None, state=None, words=words)


def _still_to_do(verdict: JournalVerdict, action: Action) -> tuple[str, ...]:
    case = verdict.case
    found = []
    if case.survey.unread and case.survey.form is not None:
        found.append(f"Read {', '.join(case.survey.unread)}.")
    if case.answer(Look.SURFACE) is None:
        found.append("Draw a nail across it and say what it finds.")
    seen = case.seen.get(Look.SURFACE)
    if seen is not None and seen.answer == "nail catches" and seen.depth is None:
        found.append("Measure how deep the score is.")
    if case.answer(Look.SHELL) == "turned in its housing":
        found.append("Measure its housing bore with the cap torqued.")
    if action is Action.REGRIND and case.answer(Look.CRACK_TEST) is None:
        found.append("Crack test before it is ground.")
    return tuple(found)


def doubts_of(answer: JournalAnswer) -> tuple[Reason, ...]:
    """The reasons of a journal that are open doubts: a question, a contradiction, too close, a referral."""
    asked = [spot.doubt for spot in answer.spots if spot.doubt is not None]
    open_ends = (
        *(Reason(rule=doubt.rule, text=f"{doubt.spot}: {doubt.question}", spots=(doubt.spot,)) for doubt in asked),
        *answer.contradictions,
        *(_open_reasons(answer)),
    )
    return tuple(
        Reason(rule=reason.rule, text=f"{answer.short_name}: {reason.text}", spots=reason.spots)
        for reason in open_ends
    )


def _open_reasons(answer: JournalAnswer) -> tuple[Reason, ...]:
    if answer.own_action not in (Action.MEASURE, Action.REFER):
        return ()
    doubtful = ("verdicts.guard-band", "verdicts.rule-of-thumb", "verdicts.two-angles", "verdicts.journal.heat",
                "verdicts.journal.fillet", "gauges.temperature")  # fmt: skip
    return tuple(reason for reason in answer.reasons if reason.rule in doubtful)
