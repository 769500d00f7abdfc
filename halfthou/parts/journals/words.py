"""The reasons for a journal's verdict, in short sentences with the readings behind them."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import BlueRod, Look
from halfthou.lengths import ZERO, Length, Notation, Unit
from halfthou.looks import CRACK_FOUND, HALVES_NOT
from halfthou.parts.journals.verdict import LIGHT, MOVED_SEAT, JournalVerdict, housing_awaited, no_pair
from halfthou.verdicts import Action, Open
from halfthou.words import Reason, figure_reasons, held_by_looks, outside_plan, set_aside, step_words


def journal_reasons(verdict: JournalVerdict, say: Notation) -> tuple[Reason, ...]:
    """The reasons for one journal by itself: what the eye saw first, what has to be read again, every figure."""
    return (
        *_seen(verdict, say),
        *_stands(verdict, say),
        *_read_again(verdict),
        *_figures(verdict, say),
        *_clean_up(verdict, say),
    )


def _seen(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    case = verdict.case
    if case.answer(Look.CRACK_TEST) == CRACK_FOUND:
        yield Reason(rule="verdicts.journal.crack", text="Crack found. The crank is not used again.")
    awaited = verdict.referred_for
    heat = case.answer(Look.HEAT)
    if "verdicts.journal.fillet" in awaited:
        yield Reason(
            rule="verdicts.journal.fillet",
            text="Fillet sharp, notched or undercut: a crack starts there. Refer it before any work.",
        )
    if "verdicts.journal.heat" in awaited:
        yield Reason(rule="verdicts.journal.heat", text=_hot(verdict, heat))
    if "verdicts.journal.straightness" in awaited:
        text = "The crank is bent: refer it before any other work. A part pressed straight can snap."
        yield Reason(rule="verdicts.journal.straightness", text=text)
    if "verdicts.journal.treatment" in awaited:
        kind, size = case.limits.hardening.value, say.undersize(case.present)
        text = f"It stands {size} under and was {kind}, so it was ground: was it hardened again? Find that out."
        yield Reason(rule="verdicts.journal.treatment", text=text)
    if case.answer(Look.SEAT) in MOVED_SEAT:
        tail = "" if housing_awaited(case) else " Its housing is dealt with."
        text = f"The shell turned: measure its housing before anything else about it, and indicate the crank.{tail}"
        yield Reason(rule="verdicts.journal.turned-shell", text=text)
    yield from held_by_looks(case.holds)
    if "verdicts.journal.blue-rod" in awaited:
        scrap = case.house.blue_rod is BlueRod.SCRAP
        wants = "Replace it, by the house rule" if scrap else "Wanted: hardness, crack test, then the size"
        text = f"Rod: {case.answer(Look.ROD)}. {wants}. New half bearings do not clear a hot rod."
        yield Reason(rule="verdicts.journal.blue-rod", text=text)
    if case.answer(Look.HALVES) == HALVES_NOT:
        text = "Its half bearings do not go back: rejected by eye."
        yield Reason(rule="evidence.used-shells", text=text)
    if no_pair(case):
        tail = "" if housing_awaited(case) else " Its housing is dealt with."
        text = f"Cap: {case.answer(Look.CAPS)}. Not a pair until its housing is measured, caps torqued.{tail}"
        yield Reason(rule="verdicts.journal.caps", text=text)
    yield from _surface(verdict, say)


def _hot(verdict: JournalVerdict, heat: str | None) -> str:
    case = verdict.case
    if case.answer(Look.HARDNESS) == "soft":
        return "Soft by the hardness test: refer it before any grinding."
    if case.answer(Look.STRAIGHTNESS) == "bent":
        return f"Heat colour {heat} and bent: refer the crank before any other work."
    wanted = [
        words
        for look, words in (
            (Look.CRACK_TEST, "crack test"),
            (Look.HARDNESS, "hardness"),
            (Look.STRAIGHTNESS, "straightness"),
        )
        if case.answer(look) is None
    ]
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
    if seen is None or seen.answer == "nail runs clear":
        return
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
    elif seen.amount is None:
        text = "A nail catches: machining. How deep the score is decides the size: measure it."
        yield Reason(rule=rule, text=text)
    else:
        place = f" at {seen.spot}" if seen.spot else ""
        text = f"A nail catches: score {say.text(seen.amount)} deep{place}. Machining."
        yield Reason(rule=rule, text=text, spots=(seen.spot,) if seen.spot else ())


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
    low, high = verdict.clean_up.sure, verdict.clean_up.possible
    ends = "all wear on one side", "even wear"
    if verdict.by_score:
        ends = "the axis kept", "the axis moved away from the score"
    yield Reason(
        rule="verdicts.clean-up",
        text=f"Cleans up between {say.text(low)}, {ends[0]}, and {say.text(high)}, {ends[1]}.",
    )
