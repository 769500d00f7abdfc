"""The reasons for a journal's verdict, in short sentences with the readings behind them."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import Look
from halfthou.lengths import ZERO, Length, Notation, Unit
from halfthou.looks import HOUSING, Does
from halfthou.parts.journals.looks import BENT, DEEP, LIGHT, SMEARED, SOFT
from halfthou.parts.journals.profiled import Profiled
from halfthou.parts.journals.verdict import JournalVerdict, housing_awaited
from halfthou.surveys import Axis
from halfthou.verdicts import Action, Open
from halfthou.words import Reason, figure_reasons, outside_plan, said_by_eye, set_aside, step_words


def journal_reasons(verdict: JournalVerdict, say: Notation) -> tuple[Reason, ...]:
    """The reasons for one journal by itself: what the eye saw first, what has to be read again, every figure."""
    return (
        *_seen(verdict, say),
        *_stands(verdict, say),
        *_read_again(verdict),
        *_figures(verdict, say),
        *figure_reasons(verdict.case.beside, say),
        *_clean_up(verdict, say),
    )


def _seen(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    case = verdict.case
    refers = case.eye.that(Does.REFERS)
    hot = next((one for one in refers if one.look == Look.HEAT), None)
    yield from said_by_eye(case.eye.that(Does.REJECTS))
    for one in refers:
        if one is hot:
            yield Reason(rule=one.effect.rule, text=_hot(verdict, one.seen.answer))
        elif hot is None or one.look not in (Look.HARDNESS, Look.STRAIGHTNESS):
            yield from said_by_eye((one,))
    if "verdicts.journal.treatment" in verdict.referred_for:
        kind, size = case.limits.hardening.value, say.undersize(case.present)
        text = f"It stands {size} under and was {kind}, so it was ground: was it hardened again? Find that out."
        yield Reason(rule="verdicts.journal.treatment", text=text)
    if case.crank:
        more = f", and {len(case.crank) - 1} more" if len(case.crank) > 1 else ""
        text = f"{case.crank[0]}{more}. Nothing of this crank goes back until it is indicated and crack-tested."
        yield Reason(rule="sets.one-crank", text=text)
    if case.straight_first:
        text = f"Straightness: {case.straight_first}. Until that is settled nothing is ground, polished or reused."
        yield Reason(rule="straightness.first", text=text)
    tail = "" if housing_awaited(case) else " Its housing is dealt with."
    for one in case.eye.that(Does.ASKS, Does.HOLDS, Does.REMEDY):
        for reason in said_by_eye((one,)):
            yield Reason(rule=reason.rule, text=reason.text + (tail if one.effect.on == HOUSING else ""))
    yield from said_by_eye(case.eye.that(Does.ADVISES, Does.HARMLESS))
    yield from _surface(verdict, say)


def _hot(verdict: JournalVerdict, heat: str) -> str:
    case = verdict.case
    if case.answer(Look.HARDNESS) == SOFT:
        return "Soft by the hardness test: refer it before any grinding."
    if case.answer(Look.STRAIGHTNESS) == BENT:
        return f"Heat colour {heat} and bent: refer the crank before any other work."
    words = ("crack test", "hardness", "straightness")
    looks = (Look.CRACK_TEST, Look.HARDNESS, Look.STRAIGHTNESS)
    wanted = [said for look, said in zip(looks, words, strict=True) if case.answer(look) is None]
    return f"Heat colour {heat}: it got hot. Wanted before any grinding: {', '.join(wanted)}."


def _stands(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    """A size that no shell on the sheet is made for, and how much tighter the nearest would run."""
    case = verdict.case
    if not case.foreign:
        return
    steps = [shell.size for shell in case.limits.shells]
    size = say.undersize(case.present)
    text = f"It stands at {size} under. No shell on the sheet is made for that."
    if steps:
        nearest = min(steps, key=lambda step: abs(step - case.present).nm)
        tighter = nearest - case.present
        way = "tighter" if tighter > ZERO else "looser"
        text += f" Shells {step_words(nearest, say)} would run {_fine(abs(tighter), say)} {way}."
    yield Reason(rule="surveys.present-undersize", text=text)


def _fine(length: Length, say: Notation) -> str:
    return Notation(say.unit, 5).text(length) if say.unit is Unit.INCH else Notation(say.unit, 3).text(length)


def _surface(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    seen = verdict.case.seen.get(Look.SURFACE)
    rule = "verdicts.journal.surface"
    if seen is None:
        return
    place = f" at {seen.spot}" if seen.spot else ""
    spots = (seen.spot,) if seen.spot else ()
    if seen.answer == LIGHT:
        allowance = say.text(verdict.case.house.polish_allowance)
        if verdict.action is Action.POLISH:
            text = f"Light marks, the nail runs clear: a polish takes {allowance}."
            yield Reason(rule=rule, text=text)
        elif verdict.action is Action.FIT_UNDERSIZE and verdict.polish_shell is not None:
            text = f"Light marks: a polish takes {allowance}, and polish shells make up for it."
            yield Reason(rule=rule, text=text)
        elif verdict.action is Action.MEASURE and not verdict.opens - {Open.TOO_CLOSE}:
            text = (
                f"Light marks: a polish takes {allowance}, too near the limit. "
                "Polish it and read it again, or fit a polish shell if one is sold."
            )
            yield Reason(rule=rule, text=text)
    elif seen.answer == SMEARED and (seen.spot or seen.amount is not None):
        high = f" {say.text(seen.amount)} proud" if seen.amount is not None else ""
        yield Reason(rule=rule, text=f"Metal smeared on{high}{place}.", spots=spots)
    elif seen.answer in DEEP:
        mark = DEEP[seen.answer]
        if seen.amount is None:
            text = f"{mark.said}: machining. How deep the {mark.name} {mark.is_} decides the size: measure it."
        else:
            text = f"{mark.said}: {mark.name} {say.text(seen.amount)} deep{place}. Machining."
        yield Reason(rule=rule, text=text, spots=spots)


def _figures(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    yield from figure_reasons(verdict.findings, say)
    for reason in figure_reasons(verdict.clearance, say):
        text = reason.text
        if not verdict.case.new_shells:
            text = f"As it lay in its old shells: {text[0].lower()}{text[1:]}"
        yield Reason(rule=reason.rule, text=text, spots=reason.spots)
    yield from figure_reasons(verdict.housing, say)


def _read_again(verdict: JournalVerdict) -> Iterator[Reason]:
    case = verdict.case
    yield from outside_plan(case.survey)
    groups = [("", case.survey)]
    for bearing in case.bearings:
        of = "" if case.rods == 1 else f"{bearing.part.short} "
        groups += [(f"{of}{name} ", survey) for name, survey in bearing.features.items()]
    yield from set_aside(groups)


def _clean_up(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    if verdict.action is Action.FIT_UNDERSIZE and verdict.polish_shell is not None:
        yield Reason(
            rule="verdicts.journal.polish-shell",
            text=f"Round and straight, only small: shells {say.text(verdict.polish_shell)} under suit it.",
        )
    if verdict.clean_up is None or not verdict.needs_machining:
        return
    profile = verdict.case.profile
    if profile is not None and not profile.hole:
        yield _by_profile(verdict, profile, say)
        return
    if profile is not None:
        yield Reason(
            rule="surveys.profile", text="Its profile has a hole: nothing follows. Read it all the way round."
        )
    low, high = verdict.clean_up.sure, verdict.clean_up.possible
    ends = "all wear on one side", "even wear"
    if verdict.by_score:
        ends = "the axis kept", "the axis moved away from the score"
    yield Reason(
        rule="verdicts.clean-up",
        text=f"Cleans up between {say.text(low)}, {ends[0]}, and {say.text(high)}, {ends[1]}.",
    )


def _by_profile(verdict: JournalVerdict, profile: Profiled, say: Notation) -> Reason:
    fixed, moved = profile.cleans_up(Axis.FIXED), profile.cleans_up(Axis.MOVED)
    shift = Length(round(profile.inside(Axis.MOVED).moved))
    text = f"By its profile it cleans up at {say.text(fixed)} about the axis it has"
    if moved - fixed > ZERO:
        text += f", at {say.text(moved)} with the axis moved by {say.text(shift)}"
    if verdict.by_score:
        text += ", less the score"
    return Reason(rule="surveys.profile", text=f"{text}.")
