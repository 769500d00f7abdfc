"""The answer for one journal, put together from its verdict and its set's decision."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import journal_name
from halfthou.jobs import Feature, JournalSet, Layout, Look, Waived
from halfthou.lengths import Notation, Shown
from halfthou.memo import Memo
from halfthou.parts.journals.bearing import clearance_known
from halfthou.parts.journals.case import JournalCase
from halfthou.parts.journals.clearance import clearance_to_be, housing_is_read, shells_of, sizes_to_be
from halfthou.parts.journals.decide import End, SetVerdict
from halfthou.parts.journals.looks import DEEP, HOT
from halfthou.parts.journals.size_words import hardening_words
from halfthou.parts.journals.verdict import JournalVerdict, housing_awaited, keeps
from halfthou.parts.journals.words import journal_reasons
from halfthou.report import (
    CleanUpShown,
    ClearanceShown,
    FeatureReport,
    PartReport,
    SeenHere,
    SpotAsked,
    Told,
    feature_report,
    spots_asked,
    told,
    warmth_of,
)
from halfthou.verdicts import MARKS, TO_SEE, Action, Called, FigureKey, Open, Settling, settlings
from halfthou.words import Reason, cautions_for, limit_wanted, look_first, step_words


class _Alone(Told):
    """What is said of a journal by its own verdict."""

    features: tuple[FeatureReport, ...]
    size: Shown | None
    size_words: str
    reasons: tuple[Reason, ...]
    looks: tuple[Look, ...]
    unseen: tuple[str, ...]
    found: tuple[str, ...]


def _alone(verdict: JournalVerdict, say: Notation) -> _Alone:
    case, form = verdict.case, verdict.case.survey.form
    return _Alone(
        **told(case.survey, verdict.every, verdict.contradictions, ways_to_settle(verdict), say),
        features=(
            feature_report(case.survey, "journal", say),
            *(feature_report(one, one.feature.name, say) for one in case.beside_surveys),
            *_beside(case, say),
        ),
        size=say.shown(form.size_found) if form else None,
        size_words=_size_words(verdict, say),
        reasons=(*journal_reasons(verdict, say), *warmth_of(case.survey, verdict.size, say)),
        looks=tuple(_looks(verdict)),
        unseen=case.unseen,
        found=case.eye.found,
    )


def journal_report(decided: SetVerdict, journal: str, layout: Layout, say: Notation, memo: Memo) -> PartReport:
    """Everything said of one journal, in the unit of the job."""
    verdict = decided.case.verdicts[journal]
    survey, alone = verdict.case.survey, memo.of(("alone", journal), _alone, verdict, say)
    action, opens = decided.action_of(journal), decided.opens_of(journal)
    waived = decided.waived(journal)
    to_read = () if waived else (*spots_asked(survey, survey.unread), *_throw_wanted(verdict))
    return PartReport(
        **alone,
        id=journal,
        kind="journal",
        station="crank",
        name=journal_name(journal, layout),
        short_name=decided.called(journal),
        set=decided.case.journal_set.value,
        mark=MARKS[decided.mark_of(journal)],
        own_action=verdict.action,
        action=action,
        called=verdict.called,
        headline=_headline(decided, journal, say),
        under_headline=_under_headline(decided, journal, say),
        present_words=step_words(verdict.case.present, say),
        opens=tuple(one for one in Open if one in opens),
        waived=tuple(sorted(verdict.case.waived)),
        waits=(Waived.HOUSING,) if housing_awaited(verdict.case) else (),
        to_read=to_read,
        left=len(to_read) + sum(asked.times for asked in alone["to_repeat"]),
        clean_up=_clean_up(decided, verdict, say),
        clearance=_clearance(decided, journal, say),
        still_to_do=tuple(_still_to_do(verdict, action)),
        seen=SeenHere.of(verdict.case.seen.values()),
        cautions=cautions_for(action),
    )


def _throw_wanted(verdict: JournalVerdict) -> tuple[SpotAsked, ...]:
    """Where its throw stands, of a crank of which a journal got hot."""
    part = verdict.case.survey.part.id
    return tuple(SpotAsked(part, feature, "1a") for feature in verdict.case.throw_wanted)


_ALWAYS = (Look.SURFACE, Look.HEAT, Look.SEAT, Look.FILLET, Look.CRACK_TEST)


def _looks(verdict: JournalVerdict) -> Iterator[Look]:
    """What is to be looked for: some only where they matter, on a crank that got hot, or whose hard skin was
    ground."""
    case = verdict.case
    yield from _ALWAYS
    hot = case.answer(Look.HEAT) not in (None, "none")
    for look in (Look.HARDNESS, Look.STRAIGHTNESS):
        waits = look in case.unseen or (case.crank and look is Look.STRAIGHTNESS)
        if hot or waits or case.answer(look) is not None:
            yield look
    if Look.EDGE in case.unseen or case.answer(Look.EDGE) is not None:
        yield Look.EDGE
    if "verdicts.journal.treatment" in verdict.referred_for or case.answer(Look.TREATMENT) is not None:
        yield Look.TREATMENT
    for look in (Look.CAPS, Look.ROD, Look.HALVES):
        if case.answer(look) is not None:
            yield look


def _beside(case: JournalCase, say: Notation) -> tuple[FeatureReport, ...]:
    """What was read of its bearings."""
    return tuple(
        feature_report(survey, name if case.rods == 1 else f"{bearing.part.short} {name}", say)
        for bearing in case.bearings
        for name, survey in bearing.features.items()
    )


def _size_words(verdict: JournalVerdict, say: Notation) -> str:
    """The least size; of two angles it is a bound."""
    form = verdict.case.survey.form
    if form is None:
        return ""
    bound = "at most " if verdict.size is not None and verdict.size.at_most else ""
    return f"{bound}{say.text(form.size_found)}"


def ways_to_settle(verdict: JournalVerdict) -> tuple[Settling, ...]:
    """What would settle the open figures of a journal; nothing where they would not change its action."""
    if verdict.action is not Action.MEASURE:
        return ()
    return tuple(way for finding in verdict.findings for way in settlings(verdict.case, finding))


def _headline(decided: SetVerdict, journal: str, say: Notation) -> str:
    verdict = decided.case.verdicts[journal]
    action = decided.action_of(journal)
    if action is Action.MEASURE:
        return _measure_headline(verdict)
    if action is Action.REGRIND:
        step = decided.size_of(journal)
        if step is None:
            return "Regrind"
        size = step_words(step, say)
        tail = ", if it runs true" if decided.held else ""
        return f"At least {size}" if decided.so_far else f"Regrind, {size}{tail}"
    if action is Action.FIT_UNDERSIZE and (shells := shells_of(decided, journal)) is not None:
        return f"Fit shells {say.text(shells)} under"
    return action.value.capitalize()


def _measure_headline(verdict: JournalVerdict) -> str:
    if verdict.case.survey.form is None:
        return (
            "Answer first"
            if verdict.case.survey.held
            else "Read it again"
            if _all_aside(verdict)
            else "Not read yet"
        )
    opens = verdict.opens
    if Open.HELD in opens:
        return "Answer first"
    if Open.CONTRADICTED in opens:
        return "Readings contradict"
    if Open.LARGER in opens:
        return "Larger than new"
    if verdict.size is not None and verdict.size.waits_warm:
        return "Let it cool"
    if Open.OUTSIDE in opens:
        return "Read outside the plan"
    if Open.FOREIGN in opens:
        return "No shell for its size"
    if verdict.called is Called.TOO_CLOSE:
        return "Too close to call"
    if opens & {Open.CLEARANCE, Open.HOUSING}:
        return "Measure the bearing"
    if Open.CRANK in opens:
        return "Straightness first" if verdict.case.straight_first else "Indicate the crank"
    if not opens:
        return "Polish, then read again"
    if Open.NO_LIMIT in opens:
        return "A limit is wanted"
    if opens <= TO_SEE:
        return "Look at it first" if Open.UNSEEN in opens else "Settle what was seen"
    return "Measure on"


def _all_aside(verdict: JournalVerdict) -> bool:
    """Whether it was read whole before, and nothing of that counts any more."""
    return all(state.aside and not state.counted for state in verdict.case.survey.spots)


def _under_headline(decided: SetVerdict, journal: str, say: Notation) -> str:
    verdict = decided.case.verdicts[journal]
    choice = decided.choice
    rods = decided.case.journal_set is JournalSet.RODS
    which = "rod journals" if rods else "mains"
    if decided.decision is not None:
        return f"decided by {decided.decision.by}"
    if decided.ended is End.BENT:
        return "the crank is bent and goes"
    if decided.ended is End.OTHER_SET:
        return "the crank is one part, and it ends with the other set"
    if decided.action is Action.REGRIND and choice is not None:
        if journal == choice.sets_it:
            return f"this journal sets the size for all {which}"
        if decided.action_of(journal) is not Action.REGRIND:
            return f"stands at {step_words(verdict.case.present, say)} already"
        if not verdict.needs_machining:
            return f"does not need it alone; {decided.called(choice.sets_it)} sets the size"
        alone = next((o.rung for o in choice.outlooks if o.rung.usable and journal not in o.misses), None)
        if alone is not None and alone.step != decided.size_of(journal):
            return f"{step_words(alone.step, say)} alone; {decided.called(choice.sets_it)} sets the size"
        return f"{decided.called(choice.sets_it)} sets the size"
    if verdict.needs_machining:
        for reason in hardening_words(decided, say):
            return reason.text
    if decided.case.mixed and decided.decision is None and _is_read(verdict):
        return f"stands at {step_words(verdict.case.present, say)}; the set is mixed"
    if _all_aside(verdict):
        return "what was read before no longer counts"
    held = verdict.case.survey.held
    if held:
        where = " ".join(state.spot for state in held)
        return f"{where} {'waits' if len(held) == 1 else 'wait'} for your answer"
    if verdict.size is not None and verdict.size.waits_warm:
        return "the verdict waits until it has rested"
    if decided.waived(journal):
        return "not read: waived, it goes the way of its set"
    left = len(verdict.case.survey.unread)
    if left and verdict.case.survey.form is not None:
        return f"{left} {'reading' if left == 1 else 'readings'} to go"
    return ""


def _is_read(verdict: JournalVerdict) -> bool:
    """Whether anything of the journal was read."""
    return verdict.case.survey.form is not None


def _clean_up(decided: SetVerdict, verdict: JournalVerdict, say: Notation) -> CleanUpShown | None:
    if verdict.clean_up is None or verdict.usable is None:
        return None
    spare = None
    step = decided.size_of(verdict.case.survey.part.id)
    if decided.action is Action.REGRIND and step is not None:
        spare = say.text(verdict.usable.sure - (decided.case.limits.size.least - step))
    return CleanUpShown(
        sure=say.shown(verdict.clean_up.sure), possible=say.shown(verdict.clean_up.possible), to_spare=spare
    )


def _clearance(decided: SetVerdict, journal: str, say: Notation) -> ClearanceShown:
    limits = decided.case.limits
    verdict = decided.case.verdicts[journal]
    case = verdict.case
    if case.rods > 1 and not (clearance_known(case) or housing_is_read(verdict)):
        return _no_clearance("not known per rod: two rods share this pin")
    if housing_awaited(case):
        return _no_clearance("not known: the shell turned, measure the housing")
    kept = keeps(decided.action_of(journal)) or decided.action_of(journal) is Action.MEASURE
    if verdict.clearance and case.new_shells and kept:
        return _measured(verdict, say)
    if sizes_to_be(decided, journal) is None or shells_of(decided, journal) is None:
        return _no_clearance("not known until it is decided")
    found = clearance_to_be(decided, journal)
    if found is None:
        housing = any(one.spots(Feature.HOUSING_BORE) for one in case.bearings) or limits.housing_bore is not None
        return _no_clearance(f"not known: add {'the wall of the shells' if housing else 'housing bore and wall'}")
    words = f"{say.text(found.least)} to {say.text(found.most)}"
    if found.measured:
        words += " by the housing as measured"
    if found.called is Called.TOO_CLOSE:
        words += ": measure the shells" if found.measured else ": measure housing and shells"
    elif found.called is Called.BEYOND:
        words += ": outside what is allowed"
    return ClearanceShown(least=say.text(found.least), most=say.text(found.most), called=found.called, words=words)


def _measured(verdict: JournalVerdict, say: Notation) -> ClearanceShown:
    least, most = verdict.finding(FigureKey.CLEARANCE_LEAST), verdict.finding(FigureKey.CLEARANCE_MOST)
    if least is None or most is None:
        return _no_clearance("not known until it is read")
    states = {least.called, most.called}
    state = next(s for s in (Called.BEYOND, Called.TOO_CLOSE, Called.WITHIN) if s in states)
    guard = max(least.guard, most.guard)
    tail = {Called.BEYOND: ": outside what is allowed", Called.TOO_CLOSE: ": too close to call"}.get(state, "")
    words = f"{say.text(least.value)} to {say.text(most.value)} as measured, ±{say.doubt(guard)}{tail}"
    return ClearanceShown(least=say.text(least.value), most=say.text(most.value), called=state, words=words)


def _no_clearance(words: str) -> ClearanceShown:
    return ClearanceShown(least=None, most=None, called=None, words=words)


def _still_to_do(verdict: JournalVerdict, action: Action) -> Iterator[str]:
    case = verdict.case
    if Open.UNREAD in verdict.opens and case.survey.unread and case.survey.form is not None:
        yield f"Read {', '.join(case.survey.unread)}."
    if action is not Action.REPLACE:
        yield from look_first(case.unseen)
        yield from limit_wanted(case.without_limit)
    if Open.SCORE_DEPTH in verdict.opens:
        mark = DEEP[case.seen[Look.SURFACE].answer]
        yield f"Measure how deep the {mark.name} {mark.is_}."
    if housing_awaited(case):
        yield "Measure its housing bore with the cap torqued."
    if case.answer(Look.HEAT) in HOT:
        for look, words in (
            (Look.HARDNESS, "Test the hardness of the hot journal."),
            (Look.STRAIGHTNESS, "Indicate the crank: see that it runs true."),
        ):
            if case.answer(look) is None:
                yield words
    if case.crank:
        yield "Indicate the crank at every main, and crack-test it."
    elif case.straight_first:
        yield "See first that the crank is straight."
    elif action is Action.REGRIND and case.answer(Look.CRACK_TEST) is None:
        yield "Advice: crack-test it before it is ground."
