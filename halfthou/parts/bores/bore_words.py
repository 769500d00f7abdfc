"""Everything said of one bore, in short sentences."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import bore_name
from halfthou.jobs import DIAMETER, Look
from halfthou.lengths import ZERO, Length, Notation
from halfthou.looks import Does
from halfthou.parts.bores.form import Unlike, UnlikeWear
from halfthou.parts.bores.limits import WEAR
from halfthou.parts.bores.looks import RIDGE_FELT, SCORED
from halfthou.parts.bores.oversize import BoreSet
from halfthou.parts.bores.verdict import BoreVerdict, depth_of_score, keeps, machined, worn_unjudged
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import Action, Called, FigureKey, Open, Settling, settlings
from halfthou.words import (
    Reason,
    figure_reasons,
    limit_wanted,
    look_first,
    outside_plan,
    said_by_eye,
    set_aside,
    step_words,
)


def over(step: Length, say: Notation) -> str:
    """0.030 over, or standard."""
    return step_words(step, say, "over")


def bore_headline(decided: BoreSet, bore: str, say: Notation) -> str:
    """The verdict on one bore in a few words."""
    verdict, action = decided.verdicts[bore], decided.action_of(bore)
    if action is Action.MEASURE:
        return _measure_headline(verdict)
    if action is Action.REBORE and decided.oversize is not None:
        size = over(decided.oversize, say)
        return f"At least {size}" if decided.so_far else f"Bore and hone, {size}"
    if action is Action.HONE:
        return "Light hone, new rings"
    if action is Action.REUSE:
        return "Leave alone"
    return action.value.capitalize()


def _measure_headline(verdict: BoreVerdict) -> str:
    survey = verdict.case.survey
    if survey.form is None:
        if survey.held:
            return "Answer first"
        # Nothing of it counts: read in the wrong state it is not "not read".
        wrong = any(one.operation is None for state in survey.spots for one in state.aside)
        return "Read it again" if wrong else "Not read yet"
    for one, words in (
        (Open.HELD, "Answer first"),
        (Open.CONTRADICTED, "Readings contradict"),
        (Open.LARGER, "Smaller than new"),
        (Open.FORM, "Not worn like that"),
        (Open.OUTSIDE, "Read outside the plan"),
        (Open.UNREAD, "Measure on"),
        (Open.STATE, "Caps torqued, plate on"),
        (Open.FOUR_ANGLES, "Read four angles"),
        (Open.TOO_CLOSE, "Too close to call"),
        (Open.NO_LIMIT, "A limit is wanted"),
        (Open.SEEN, "Settle what was seen"),
        (Open.UNSEEN, "Look at it first"),
    ):
        if one in verdict.opens:
            return words
    return "Hone, then read again"


def under_headline(decided: BoreSet, bore: str) -> str:
    """What is said under the headline: who sets the size, what is still to go."""
    verdict, choice = decided.verdicts[bore], decided.choice
    if decided.decision is not None:
        return f"decided by {decided.decision.by}"
    if decided.action is Action.REBORE and choice is not None:
        if bore == choice.sets_it:
            return "this bore sets the size for all"
        if not verdict.needs_machining:
            return f"does not need it alone; {bore_name(choice.sets_it)} sets the size"
        return f"{bore_name(choice.sets_it)} sets the size"
    survey = verdict.case.survey
    if survey.held:
        where = " ".join(state.spot for state in survey.held)
        return f"{where} {'waits' if len(survey.held) == 1 else 'wait'} for your answer"
    if keeps(decided.action_of(bore)) and Open.PISTON in verdict.opens:
        return "bore sound; piston clearance not known"
    left = len(survey.unread)
    if left and survey.form is not None:
        return f"{left} {'reading' if left == 1 else 'readings'} to go"
    return ""


def bore_reasons(verdict: BoreVerdict, action: Action, say: Notation) -> tuple[Reason, ...]:
    """The reasons for one bore by itself: what the eye saw, what has to be read again, every figure."""
    return (
        *_seen(verdict, say),
        *outside_plan(verdict.case.survey),
        *set_aside(_groups(verdict)),
        *(_unlike(found, say) for found in verdict.unlike),
        *_state(verdict),
        *_four(verdict),
        *_figures(verdict, say),
        *_clean_up(verdict, say),
        *_piston(verdict, action),
    )


def _groups(verdict: BoreVerdict) -> list[tuple[str, FeatureSurvey]]:
    """Each feature with what it is called before its spots; the bore itself with nothing."""
    return [("" if name == DIAMETER else f"{name} ", survey) for name, survey in verdict.case.bore.features.items()]


def _seen(verdict: BoreVerdict, say: Notation) -> Iterator[Reason]:
    case = verdict.case
    yield from said_by_eye(case.eye.that(Does.REFERS))
    if case.coated:
        text = "Coated or sprayed: not bored here. A specialist's word comes first."
        yield Reason(rule="bores.coated", text=text)
    yield from said_by_eye(case.eye.that(Does.HOLDS))
    surface = case.answer(Look.BORE_WALL)
    if machined(case):
        depth = depth_of_score(case)
        spot = case.seen[Look.BORE_WALL].spot
        deep = f" {say.text(depth)} deep" if depth > ZERO else ""
        text = f"{str(surface).capitalize()}{deep}{f' at {spot}' if spot else ''}: machining."
        yield Reason(rule="bores.surface", text=text, spots=(spot,) if spot else ())
        if surface == SCORED and depth == ZERO:
            text = "How deep the score is decides the size: measure it."
            yield Reason(rule="bores.surface", text=text)
    stays = verdict.action in (Action.HONE, Action.REUSE)
    said = case.eye.that(Does.REMEDY, Does.HARMLESS, Does.ADVISES)
    yield from said_by_eye(one for one in said if stays or one.effect.rule != "bores.glazed")


def _unlike(found: UnlikeWear, say: Notation) -> Reason:
    by = say.text(found.by)
    text = {
        Unlike.MIDDLE: f"Largest in the middle, by {by}: wear is at the top of ring travel.",
        Unlike.BOTTOM: f"Largest at the bottom, by {by}: wear is at the top of ring travel.",
        Unlike.WRONG_WAY: f"Oval along the pin, by {by}: wear is across the crank.",
        Unlike.NO_STEP: f"Below ring travel it is {by} larger than new at any size on the sheet.",
        Unlike.BELOW: f"Below ring travel it is larger, by {by}, and nothing wears there.",
    }[found.how]
    ask = "A reading at the wrong place, a bore pulled out of shape, or earlier work? Read it again at four angles."
    return Reason(rule="bores.unlike-wear", text=f"{text} {ask}", spots=found.spots)


def _state(verdict: BoreVerdict) -> Iterator[Reason]:
    if verdict.case.loose:
        text = "Main caps not torqued: so it may be rejected, never accepted. Torque them and read it again."
        yield Reason(rule="bores.state", text=text)
    if verdict.case.plate_unsaid:
        text = "Bored, and nobody says whether the plate was on when it was measured: read it again, plate on."
        yield Reason(rule="bores.state", text=text)


def _four(verdict: BoreVerdict) -> Iterator[Reason]:
    if Open.FOUR_ANGLES in verdict.opens and not verdict.unlike:
        why = "a plate is fitted" if verdict.case.plate else "the deck was worked on"
        text = f"Four angles are wanted, as {why}: thrust and pin alone can miss how it is pulled."
        yield Reason(rule="bores.angles", text=text)


def _figures(verdict: BoreVerdict, say: Notation) -> Iterator[Reason]:
    for finding, reason in zip(verdict.findings, figure_reasons(verdict.findings, say), strict=True):
        if finding.key == FigureKey.SMALLER:
            by = say.text(-finding.to_spare)
            text = (
                f"Least size {say.text(finding.value)}: {by} smaller than new. A zero, a slip, a sleeve, another "
                "block: find out."
            )
            yield Reason(rule=finding.rule, text=text, spots=finding.spots)
        elif finding.key in (FigureKey.FINISHED_LEAST, FigureKey.FINISHED_MOST):
            yield _hit(finding.key, finding.called, reason, say.text(abs(finding.to_spare)))
        else:
            yield reason


def _hit(key: str, called: Called, reason: Reason, by: str) -> Reason:
    end = "least" if key == FigureKey.FINISHED_LEAST else "greatest"
    told = {
        Called.WITHIN: f"Against the boring card: hit at its {end} size, {by} inside.",
        Called.BEYOND: f"Against the boring card: missed at its {end} size, by {by}.",
    }.get(called, f"Against the boring card: too close to call at its {end} size.")
    return Reason(rule="bores.finished", text=told, spots=reason.spots)


def _clean_up(verdict: BoreVerdict, say: Notation) -> Iterator[Reason]:
    if verdict.clean_up is None or not verdict.needs_machining:
        return
    low, high = -verdict.clean_up.possible, -verdict.clean_up.sure
    ends = ("even wear", "all wear on one side") if not verdict.by_score else ("the axis moved", "the axis kept")
    text = f"Cleans up between {say.text(low)}, {ends[0]}, and {say.text(high)}, {ends[1]}, before the hone."
    yield Reason(rule="bores.clean-up", text=text)


def _piston(verdict: BoreVerdict, action: Action) -> Iterator[Reason]:
    if keeps(action) and Open.PISTON in verdict.opens:
        text = "Bore sound; piston clearance not known: measure its piston, or waive it with a reason."
        yield Reason(rule="bores.piston", text=text)


def still_to_do(decided: BoreSet, bore: str) -> Iterator[str]:
    """What is still wanted of one bore."""
    verdict = decided.verdicts[bore]
    case = verdict.case
    if Open.UNREAD in verdict.opens and case.survey.form is not None:
        if case.survey.unread:
            yield f"Read {', '.join(case.survey.unread)}."
        if case.below is None:
            yield "Read it once below ring travel: near its old size."
        if case.above is None and case.answer(Look.RIDGE) == RIDGE_FELT:
            yield "Read it once above ring travel, over the ridge."
    if decided.action_of(bore) is not Action.REPLACE:
        yield from look_first(case.unseen)
        yield from limit_wanted(tuple(name for name in case.without_limit if name != WEAR))
        if WEAR in case.without_limit or worn_unjudged(case, verdict.findings):
            way = ", or read its piston" if case.worn_clearance else ""
            yield f"How far a bore may wear is not on the sheet: find its service limit{way}."
    if case.answer(Look.RIDGE) is None:
        yield "Advice: draw a nail up to the top. Is a ridge felt? No ridge proves nothing."
    if Open.SCORE_DEPTH in verdict.opens:
        yield "Measure how deep the score is."
    if decided.action_of(bore) is Action.REBORE and decided.wanted:
        yield f"Before money goes into boring: {', '.join(decided.wanted)}."


def ways_to_settle_bore(verdict: BoreVerdict) -> tuple[Settling, ...]:
    """What would settle the open figures of a bore; of one that is judged, nothing."""
    if verdict.action is not Action.MEASURE:
        return ()
    return tuple(way for finding in verdict.findings for way in settlings(verdict.case, finding))
