"""The reasons for a journal's verdict, in short sentences with the readings behind them."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.gauges import REPEATS, noise_floor
from halfthou.jobs import Document, Look
from halfthou.lengths import ZERO, Length, Notation, Unit
from halfthou.surveys import CRACK_FOUND
from halfthou.verdicts.actions import Action
from halfthou.verdicts.contradictions import Clashing, Contradiction
from halfthou.verdicts.finding import Called, FigureKey, Finding
from halfthou.verdicts.journal import LIGHT, TURNED, JournalVerdict, Open, housing_awaited

_CLEARANCES = (FigureKey.CLEARANCE_LEAST, FigureKey.CLEARANCE_MOST)
_DIFFERENCES = (FigureKey.OUT_OF_ROUND, FigureKey.TAPER)


class Reason(Document):
    """One sentence, the rule it rests on, and the spots it was read at."""

    rule: str
    text: str
    spots: tuple[str, ...] = ()


def sentence(finding: Finding, say: Notation) -> str:
    """One finding in words: the value, how it stands to its limit and, if too close, by how much.

    >>> from halfthou.lengths import Length, Unit
    >>> limit = Length(12_700)
    >>> found = Finding(FigureKey.TAPER, "r", "taper", Called.WITHIN, Length(5_080), limit, False, Length(0), 0, ())
    >>> sentence(found, Notation.usual(Unit.INCH))
    'Taper 0.0002, limit 0.0005.'
    """
    value = say.text(finding.value)
    name = f"{finding.name.capitalize()} {'at most ' if finding.at_most else ''}{value}"
    limit = say.at_least(finding.limit) if finding.limit_is_least else say.at_most(finding.limit)
    if finding.key is FigureKey.LARGER:
        return _larger(finding, say)
    if finding.by_rule_of_thumb:
        return f"{name}, rule of thumb {limit}. Find the maker's limit: a rule of thumb settles nothing."
    if finding.cannot_accept and finding.to_spare >= finding.guard:
        return f"{name}, limit {limit}. Two angles can miss it: read a third to accept it."
    if finding.waits_warm:
        return f"{name}, limit {limit}: not rested, and {_cools(finding, say)} when cool. The verdict waits."
    if finding.by_fit_alone:
        return f"{name}, limit {limit}: only the fit is past it, no reading is. Too close to call."
    if finding.called is Called.TOO_CLOSE:
        guard = finding.guard if finding.to_spare >= ZERO else finding.beyond_guard
        return f"{name}, limit {limit}: too close to call within ±{say.doubt(guard)}."
    if finding.limit_is_least:
        away = say.text(abs(finding.to_spare))
        return f"{name}: {away} {'inside' if finding.to_spare >= ZERO else 'under'} the limit {limit}."
    return f"{name}, limit {limit}."


def _cools(finding: Finding, say: Notation) -> str:
    if finding.may_fall > ZERO:
        return f"up to {say.text(finding.may_fall)} smaller"
    return f"up to {say.text(finding.may_rise)} larger"


def _larger(finding: Finding, say: Notation) -> str:
    over = say.text(-finding.to_spare)
    return (
        f"Greatest size {say.text(finding.value)}: {over} larger than new, and tight. "
        "A zero, a slip, sprayed metal, a short grind, another crank: find out."
    )


def journal_reasons(verdict: JournalVerdict, say: Notation) -> tuple[Reason, ...]:
    """The reasons for one journal by itself: what the eye saw first, what has to be read again, every figure."""
    return (
        *_seen(verdict, say),
        *_stands(verdict, say),
        *_outside(verdict),
        *_set_aside(verdict),
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
    if case.answer(Look.SHELL) == TURNED:
        tail = "" if housing_awaited(case) else " Its housing is dealt with."
        text = f"The shell turned: measure its housing before anything else about it, and indicate the crank.{tail}"
        yield Reason(rule="verdicts.journal.turned-shell", text=text)
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
    steps = [shell.undersize for shell in case.limits.shells]
    size = say.undersize(case.present)
    text = f"It stands at {size} under. No shell on the sheet is made for that."
    if steps:
        nearest = min(steps, key=lambda step: abs(step - case.present).nm)
        tighter = nearest - case.present
        way = "tighter" if tighter > ZERO else "looser"
        text += f" Shells {_step(nearest, say)} would run {_fine(abs(tighter), say)} {way}."
    yield Reason(rule="surveys.present-undersize", text=text)


def _step(step: Length, say: Notation) -> str:
    return "standard" if step == ZERO else f"{say.undersize(step)} under"


def _fine(length: Length, say: Notation) -> str:
    return Notation(say.unit, 5).text(length) if say.unit is Unit.INCH else Notation(say.unit, 3).text(length)


def _outside(verdict: JournalVerdict) -> Iterator[Reason]:
    outside = verdict.case.survey.outside
    if outside:
        names = " and ".join(state.spot for state in outside)
        text = f"{names}: read outside the plan, and judged. Put it into the plan, or take it back."
        yield Reason(rule="surveys.plan.outside", text=text, spots=tuple(state.spot for state in outside))


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
    elif seen.depth is None:
        text = "A nail catches: machining. How deep the score is decides the size: measure it."
        yield Reason(rule=rule, text=text)
    else:
        place = f" at {seen.spot}" if seen.spot else ""
        text = f"A nail catches: score {say.text(seen.depth)} deep{place}. Machining."
        yield Reason(rule=rule, text=text, spots=(seen.spot,) if seen.spot else ())


def _set_aside(verdict: JournalVerdict) -> Iterator[Reason]:
    """Readings that are no longer judged, and why: a reason an operation, or a state."""
    named: dict[tuple[str, str], list[str]] = {}
    survey = verdict.case.survey
    groups = (("", survey.spots), *((f"{feature.value} ", spots) for feature, spots in survey.bearing.items()))
    for what, spots in groups:
        for state in spots:
            if state.counted or not state.aside:
                continue
            last = state.aside[0]
            done = last.operation
            why = f"{done.kind.value}, {done.at:%d %B}" if done else last.state
            named.setdefault((what, why), []).append(state.spot)
    for (what, why), spots_of in named.items():
        where = "" if len(spots_of) == len(survey.spots) and not what else f"{what}{' '.join(spots_of)} "
        text = f"Read {where}again: {why}. What was read before is kept and not judged."
        yield Reason(rule="operations.stale", text=text, spots=() if what else tuple(spots_of))


def _figures(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    for finding in (*verdict.findings, *verdict.clearance, *verdict.housing):
        rule = finding.rule
        if finding.by_rule_of_thumb:
            rule = "verdicts.rule-of-thumb"
        elif finding.cannot_accept and finding.to_spare >= finding.guard:
            rule = "verdicts.two-angles"
        elif finding.waits_warm:
            rule = "gauges.temperature"
        elif finding.called is Called.TOO_CLOSE:
            rule = "verdicts.guard-band"
        text = sentence(finding, say)
        if finding.key in _CLEARANCES and not verdict.case.new_shells:
            text = f"As it lay in its old shells: {text[0].lower()}{text[1:]}"
        if finding.called is Called.WITHIN and only_scatter(finding):
            rule, text = "gauges.noise-floor", f"{text} No more than the scatter of reading."
        yield Reason(rule=rule, text=text, spots=finding.spots)


def only_scatter(finding: Finding) -> bool:
    """Whether an out-of-round or taper is no more than so many readings of a perfect journal show."""
    if finding.key not in _DIFFERENCES or len(finding.spots) < 2 or finding.value == ZERO:
        return False
    repeat = sum(term.nm**2 for term in finding.budget if term.kind in REPEATS)
    return finding.value <= noise_floor(len(finding.spots), (repeat / 2) ** 0.5)


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


def contradiction_words(found: Contradiction, say: Notation) -> Reason:
    """A contradiction in words: what clashes, and what to do."""
    first, second = (say.text(size) for size in found.sizes)
    spots = found.spots
    if found.how is Clashing.TWICE:
        newest, other = found.readings
        what = f"{found.what} {spots[0]}".strip()
        text = (
            f"{what} stands twice: {first} by {newest.by}, {second} by {other.by}. Read it again, or take one back."
        )
        return Reason(rule="verdicts.contradiction", text=text, spots=() if found.what else spots)
    if found.how is Clashing.ENDS:
        text = (
            f"Front against rear: at {spots[1][1]} the front is {first} larger, at {spots[3][1]} the rear is by "
            f"{second}. Read both again."
        )
        return Reason(rule="verdicts.contradiction", text=text, spots=spots)
    if found.how is Clashing.NO_ROOM:
        text = f"The bearing reads {first} at {spots[0]}, the journal {second}: it cannot be in it."
    elif found.how is Clashing.SUM:
        text = f"Housing less both walls gives {first} at {spots[0]}, the bearing reads {second}: one is wrong."
    else:
        said, stands = (_step(size, say) for size in found.sizes)
        text = f"On record it was ground to {said}; it measures {stands}. One of them is wrong."
    return Reason(rule="verdicts.contradiction", text=text)
