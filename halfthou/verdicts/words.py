"""The reasons for a journal's verdict, in short sentences with the readings behind them."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.gauges import REPEATS, noise_floor
from halfthou.jobs import Document, Look
from halfthou.lengths import ZERO, Notation
from halfthou.verdicts.actions import Action
from halfthou.verdicts.finding import Finding, State
from halfthou.verdicts.journal import HOT, JournalVerdict


class Reason(Document):
    """One sentence, the rule it rests on, and the spots it was read at."""

    rule: str
    text: str
    spots: tuple[str, ...] = ()


def sentence(finding: Finding, say: Notation) -> str:
    """One finding in words: the value, how it stands to its limit and, if too close, by how much.

    >>> from halfthou.lengths import Length, Unit
    >>> found = Finding("r", "taper", State.WITHIN, Length(5_080), Length(12_700), False, Length(0), 0, ())
    >>> sentence(found, Notation.usual(Unit.INCH))
    'Taper 0.0002, limit 0.0005.'
    """
    name, value = finding.name.capitalize(), say.text(finding.value)
    limit = say.at_least(finding.limit) if finding.limit_is_least else say.at_most(finding.limit)
    if finding.by_rule_of_thumb:
        return f"{name} {value}, rule of thumb {limit}. Find the maker's limit: a rule of thumb settles nothing."
    if finding.cannot_accept and finding.to_spare >= finding.guard:
        return f"{name} {value}, limit {limit}. Two angles can miss it: read a third to accept it."
    if finding.waits_warm:
        less = say.text(finding.may_be_less)
        return f"{name} {value}, limit {limit}: not rested, and up to {less} smaller when cool. The verdict waits."
    if finding.state is State.TOO_CLOSE:
        return f"{name} {value}, limit {limit}: too close to call within ±{say.doubt(finding.guard)}."
    if finding.limit_is_least:
        away = say.text(abs(finding.to_spare))
        return f"{name} {value}: {away} {'inside' if finding.to_spare >= ZERO else 'under'} the limit {limit}."
    return f"{name} {value}, limit {limit}."


def journal_reasons(verdict: JournalVerdict, say: Notation) -> tuple[Reason, ...]:
    """The reasons for one journal by itself: what the eye saw first, what has to be read again, every figure."""
    return (
        *_seen(verdict, say),
        *_set_aside(verdict),
        *_figures(verdict, say),
        *_clean_up(verdict, say),
    )


def _seen(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    case = verdict.case
    crack = case.answer(Look.CRACK_TEST)
    heat = case.answer(Look.HEAT)
    if crack == "crack found":
        yield Reason(rule="verdicts.journal.crack", text="Crack found. The crank is not used again.")
    if case.answer(Look.FILLET) == "sharp, notched or undercut":
        yield Reason(
            rule="verdicts.journal.fillet",
            text="Fillet sharp, notched or undercut: a crack starts there. Refer it before any work.",
        )
    if heat in HOT and crack != "passed":
        yield Reason(
            rule="verdicts.journal.heat",
            text=f"Heat colour {heat}: hardness and crack test first, and indicate the crank for bend.",
        )
    elif heat in HOT:
        yield Reason(
            rule="verdicts.journal.heat",
            text=f"Heat colour {heat}, crack test passed. Check hardness and indicate the crank before grinding.",
        )
    if case.answer(Look.SHELL) == "turned in its housing":
        yield Reason(
            rule="verdicts.journal.turned-shell",
            text="The shell turned: measure its housing before anything else about it, and indicate the crank.",
        )
    yield from _surface(verdict, say)


def _surface(verdict: JournalVerdict, say: Notation) -> Iterator[Reason]:
    seen = verdict.case.seen.get(Look.SURFACE)
    rule = "verdicts.journal.surface"
    if seen is None or seen.answer == "nail runs clear":
        return
    if seen.answer == "light marks":
        spare = verdict.action is Action.POLISH
        allowance = say.text(verdict.case.house.polish_allowance)
        tail = f"a polish takes {allowance}" + ("." if spare else ", and that comes too close to the limit.")
        if spare or (verdict.action is Action.MEASURE and verdict.state is State.WITHIN):
            yield Reason(rule=rule, text=f"Light marks, the nail runs clear: {tail}")
    elif seen.depth is None:
        yield Reason(rule=rule, text="A nail catches: machining. Depth of the score not given, so not counted.")
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
    for finding in (*verdict.findings, *verdict.clearance):
        rule = finding.rule
        if finding.by_rule_of_thumb:
            rule = "verdicts.rule-of-thumb"
        elif finding.cannot_accept and finding.to_spare >= finding.guard:
            rule = "verdicts.two-angles"
        elif finding.waits_warm:
            rule = "gauges.temperature"
        elif finding.state is State.TOO_CLOSE:
            rule = "verdicts.guard-band"
        text = sentence(finding, say)
        if finding.state is State.WITHIN and only_scatter(finding):
            rule, text = "gauges.noise-floor", f"{text} No more than the scatter of reading."
        yield Reason(rule=rule, text=text, spots=finding.spots)


def only_scatter(finding: Finding) -> bool:
    """Whether an out-of-round or taper is no more than so many readings of a perfect journal show."""
    if finding.limit_is_least or len(finding.spots) < 2 or finding.value == ZERO:
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
    yield Reason(
        rule="verdicts.clean-up",
        text=f"Cleans up between {say.text(low)}, all wear on one side, and {say.text(high)}, even wear.",
    )
