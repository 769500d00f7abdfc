"""What is said of bores as documents: each bore, and all of them together."""

from __future__ import annotations

from halfthou.engines import Engine, bore_name
from halfthou.jobs import DIAMETER, Decision, Feature, Look, Waived
from halfthou.lengths import Length, Notation, Shown
from halfthou.memo import Memo
from halfthou.parts.bores.bore_words import (
    bore_headline,
    bore_reasons,
    over,
    still_to_do,
    under_headline,
    ways_to_settle_bore,
)
from halfthou.parts.bores.kind import BORE
from halfthou.parts.bores.looks import RIDGE_FELT
from halfthou.parts.bores.oversize import BoreSet, oversize_rungs
from halfthou.parts.bores.set_words import bores_headline, bores_reasons, ways_on
from halfthou.parts.bores.verdict import BoreVerdict, clearance_read, keeps
from halfthou.report import (
    CleanUpShown,
    ClearanceShown,
    FeatureReport,
    PartReport,
    Scale,
    SeenHere,
    SetReport,
    SpotAsked,
    StepShown,
    Told,
    ToOrder,
    feature_report,
    graduations,
    spots_asked,
    told,
    warmth_of,
)
from halfthou.verdicts import MARKS, Action, Open
from halfthou.words import Reason, cautions_for, of_so_many, settling_words

BELOW, ABOVE = Feature.BELOW_TRAVEL.value, Feature.ABOVE_TRAVEL.value


class _BoreAlone(Told):
    """What is said of a bore by its own verdict."""

    features: tuple[FeatureReport, ...]
    size: Shown | None
    size_words: str


def _alone(verdict: BoreVerdict, say: Notation) -> _BoreAlone:
    case, form = verdict.case, verdict.case.survey.form
    return _BoreAlone(
        **told(case.survey, verdict.findings, verdict.contradictions, ways_to_settle_bore(verdict), say),
        features=tuple(feature_report(survey, survey.feature.name, say) for survey in case.bore.features.values()),
        size=say.shown(form.size_found) if form else None,
        size_words=say.text(form.size_found) if form else "",
    )


def bore_report(decided: BoreSet, bore: str, engine: Engine, say: Notation, memo: Memo) -> PartReport:
    """Everything said of one bore, in the unit of the job."""
    verdict, part = decided.verdicts[bore], engine.parts[bore]
    case, alone = verdict.case, memo.of(("alone", bore), _alone, verdict, say)
    action, opens = decided.action_of(bore), decided.opens_of(bore)
    to_read = () if decided.waived(bore) else _to_read(verdict)
    return PartReport(
        **alone,
        id=bore,
        kind=BORE.key,
        station=BORE.station,
        name=part.name,
        short_name=part.short,
        set=part.set,
        mark=MARKS[decided.mark_of(bore)],
        own_action=verdict.action,
        action=action,
        called=verdict.called,
        headline=bore_headline(decided, bore, say),
        under_headline=under_headline(decided, bore),
        present_words=over(case.present, say),
        opens=tuple(one for one in Open if one in opens),
        waived=tuple(sorted(case.waived)),
        waits=(Waived.CLEARANCE,) if keeps(action) and Open.PISTON in opens and not clearance_read(case) else (),
        to_read=to_read,
        left=len(to_read) + sum(asked.times for asked in alone["to_repeat"]),
        clean_up=_clean_up(decided, verdict, say),
        clearance=_clearance(verdict, action),
        reasons=memo.of(("reasons", bore), _reasons, verdict, action, say),
        still_to_do=tuple(still_to_do(decided, bore)),
        seen=SeenHere.of(case.seen.values()),
        looks=_looks(decided, bore),
        unseen=verdict.case.unseen,
        found=verdict.case.eye.found,
        cautions=cautions_for(action, block=True),
    )


def _reasons(verdict: BoreVerdict, action: Action, say: Notation) -> tuple[Reason, ...]:
    return (*bore_reasons(verdict, action, say), *warmth_of(verdict.case.survey, verdict.size, say))


def _looks(decided: BoreSet, bore: str) -> tuple[str, ...]:
    """What is to be looked for: of the block only where boring is at hand."""
    case = decided.verdicts[bore].case
    found = [Look.BORE_WALL, Look.RIDGE, Look.WET, Look.COATING, Look.CRACK_TEST]
    if decided.mixed or case.answer(Look.SLEEVE) is not None:
        found.append(Look.SLEEVE)
    before = (Look.PRESSURE, Look.DECK, Look.SQUARE)
    if decided.action_of(bore) in (Action.REBORE, Action.SLEEVE, Action.REFER):
        found += before
    return tuple(found)


def _to_read(verdict: BoreVerdict) -> tuple[SpotAsked, ...]:
    """The spots still to read: the plan's, one below ring travel, and one above it where a ridge is felt."""
    case = verdict.case
    asked = list(spots_asked(case.survey, case.survey.unread))
    for name, survey in case.bore.features.items():
        if survey is not case.survey and (survey.feature.planned or name == ABOVE):
            asked += spots_asked(survey, survey.unread)
    if case.above is None and case.answer(Look.RIDGE) == RIDGE_FELT and ABOVE not in case.bore.features:
        asked.append(SpotAsked(case.bore.part.id, ABOVE, "1a"))
    return tuple(asked)


def _clean_up(decided: BoreSet, verdict: BoreVerdict, say: Notation) -> CleanUpShown | None:
    if verdict.clean_up is None or verdict.usable is None:
        return None
    spare = None
    if decided.action is Action.REBORE and decided.oversize is not None:
        spare = say.text(verdict.usable.sure + decided.limits.size.least + decided.oversize)
    return CleanUpShown(
        sure=say.shown(-verdict.clean_up.sure), possible=say.shown(-verdict.clean_up.possible), to_spare=spare
    )


def _clearance(verdict: BoreVerdict, action: Action) -> ClearanceShown:
    words = "piston clearance not known: measure its piston"
    if Waived.CLEARANCE in verdict.case.waived:
        words = "piston clearance waived"
    elif not keeps(action):
        words = "each bore is finished to its own piston"
    return ClearanceShown(least=None, most=None, called=None, words=words)


def bores_report(
    decided: BoreSet, order: tuple[tuple[str, str], ...], say: Notation, accepted: Decision | None
) -> SetReport:
    """Everything said of the bores together, in the unit of the job."""
    steps = _steps(decided, say)
    boring = decided.action is Action.REBORE
    band, rough = decided.finished_band, decided.bored_band
    decision = accepted or decided.decision
    return SetReport(
        set="bores",
        kind=BORE.key,
        station=BORE.station,
        name=BORE.sets["bores"],
        mark=MARKS[decided.mark],
        action=decided.action,
        headline=bores_headline(decided, say),
        step=None if decided.oversize is None else say.shown(decided.oversize),
        present=say.shown(decided.present),
        present_words=over(decided.present, say),
        mixed=decided.mixed,
        sets_it=bore_name(decided.choice.sets_it) if decided.choice and boring else None,
        complete=not decided.awaiting,
        finished=decided.finished,
        decided=decision is not None,
        ended=decided.ends,
        awaiting=decided.awaiting,
        can_be_accepted=decided.action is not Action.MEASURE
        and (not decided.so_far or decided.action is Action.REPLACE),
        reasons=bores_reasons(decided, say),
        would_change=_would_change(decided, say),
        ways=ways_on(decided, say),
        finished_band=f"{say.at_least(band[0])} to {say.at_most(band[1])}" if band else None,
        rough_band=f"{say.at_least(rough[0])} to {say.at_most(rough[1])}" if rough else None,
        to_order=_to_order(decided, say),
        steps=steps,
        scale=_scale(decided, steps, say),
        reading_order=tuple(_in_order(order)),
        cautions=cautions_for(decided.action, block=True),
    )


def _in_order(order: tuple[tuple[str, str], ...]) -> list[SpotAsked]:
    """The spots in the order of the plan; what is read of a bore beside its plan follows its own spots."""
    found: list[SpotAsked] = []
    for at, (bore, spot) in enumerate(order):
        found.append(SpotAsked(bore, DIAMETER, spot))
        last = at + 1 == len(order) or order[at + 1][0] != bore
        if last:
            found += [SpotAsked(bore, BELOW, "1a"), SpotAsked(bore, ABOVE, "1a")]
    return found


def _would_change(decided: BoreSet, say: Notation) -> tuple[str, ...]:
    if decided.choice is not None:
        return ()
    return tuple(
        f"{bore_name(name)}: {text}"
        for name, verdict in decided.verdicts.items()
        for text in settling_words(ways_to_settle_bore(verdict), say)
    )


def _to_order(decided: BoreSet, say: Notation) -> tuple[ToOrder, ...]:
    """Pistons with rings of one oversize, one to each bore that is bored; where bores are honed rings alone, of the
    size each bore stands at.

    Rule:    bores.to-order. Nothing is ordered for a set that is not finished.
    """
    if not decided.finished:
        return ()
    bored = [name for name in decided.verdicts if decided.action_of(name) is Action.REBORE]
    honed: dict[Length, list[str]] = {}
    for name, verdict in decided.verdicts.items():
        if decided.action_of(name) is Action.HONE:
            honed.setdefault(verdict.case.present, []).append(name)
    found = []
    if bored and decided.oversize is not None:
        found.append(_order(decided, bored, decided.oversize, say))
    for size, names in sorted(honed.items(), key=lambda pair: pair[0].nm):
        found.append(_order(decided, names, size, say, rings=True))
    return tuple(found)


def _order(decided: BoreSet, bores: list[str], size: Length, say: Notation, *, rings: bool = False) -> ToOrder:
    step = next((one for one in decided.limits.steps if one.size == size), None)
    number = (step.rings_number if rings else step.part_number) if step is not None else ""
    bought = step is not None and (step.rings_can_be_bought is not False if rings else step.sold)
    return ToOrder(
        words=over(size, say),
        step=say.shown(size),
        part_number=number,
        count=len(bores),
        what=of_so_many(len(bores), "set of rings", "sets of rings")
        if rings
        else of_so_many(len(bores), "piston with rings", "pistons with rings"),
        parts=tuple(bore_name(name) for name in bores),
        can_be_bought=bought,
    )


def _steps(decided: BoreSet, say: Notation) -> tuple[StepShown, ...]:
    """Every oversize beyond the present one, and how the bores stand to it."""
    size, numbers = decided.limits.size, {step.size: step.part_number for step in decided.limits.steps}
    return tuple(
        StepShown(
            step=say.shown(rung.step),
            words=over(rung.step, say),
            least=say.shown(size.least + rung.step),
            most=say.shown(size.most + rung.step),
            can_be_bought=rung.sold,
            allowed=rung.allowed,
            part_number=numbers[rung.step],
            chosen=decided.action is Action.REBORE and decided.oversize == rung.step,
            outlook=_outlook(decided, rung.step, say),
        )
        for rung in oversize_rungs(decided.limits, decided.verdicts, decided.present)
    )


def _outlook(decided: BoreSet, step: Length, say: Notation) -> str:
    outlook = decided.choice.at(step) if decided.choice is not None else None
    if outlook is None:
        return ""
    if not outlook.rung.sold:
        return "no pistons or rings"
    if not outlook.rung.allowed:
        return "too large, or too thin a wall"
    if outlook.misses:
        return f"misses by {say.text(-outlook.to_spare)}"
    return f"{say.text(outlook.to_spare)} to spare"


def _scale(decided: BoreSet, steps: tuple[StepShown, ...], say: Notation) -> Scale:
    """The scale for the bores: from just below new to just above the size they go to, or the greatest reading."""
    size, present = decided.limits.size, decided.present
    limit = next(iter(decided.verdicts.values())).case.size_limit
    low, high = (size.least + present).nm, max((size.most + present).nm, limit.value.nm)
    chosen = [n for n, step in enumerate(steps) if step.chosen]
    highs = [high, *(step.most.nm for step in (steps[: chosen[0] + 2] if chosen else steps[:1]))]
    lows = [low]
    for verdict in decided.verdicts.values():
        form = verdict.case.survey.form
        if form is not None:
            highs.append(form.size_found.nm)
            lows.append(form.least.value.nm)
            if verdict.clean_up is not None and verdict.needs_machining:
                highs.append(-verdict.clean_up.sure.nm)
    margin = max((max(highs) - min(lows)) // 25, 10_000)
    top, bottom = max(highs) + margin, min(lows) - margin
    return Scale(
        top_nm=top,
        bottom_nm=bottom,
        graduations=graduations(top, bottom, say),
        new_least=say.shown(size.least + present),
        new_most=say.shown(size.most + present),
        limit=say.shown(limit.value),
        limit_words="service limit" if decided.limits.figure("service_most") else "most when worn",
        steps=steps,
    )
