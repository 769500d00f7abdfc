"""A figure in words: its value, how it stands to its limit, and readings that cannot all be true."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.amounts import AmountNotation, Quantity, notation_for
from halfthou.gauges import REPEATS, noise_floor
from halfthou.lengths import ZERO, Length, Notation
from halfthou.verdicts import QUESTIONS, Called, Clashing, Contradiction, FigureKey, Finding, parts_of
from halfthou.words.reason import Reason
from halfthou.words.steps import step_words

_DIFFERENCES = (FigureKey.OUT_OF_ROUND, FigureKey.TAPER)


def sentence(finding: Finding, lengths: Notation) -> str:
    """One finding in words: the value, how it stands to its limit and, if too close, by how much.

    >>> from halfthou.lengths import Length, Unit
    >>> limit = Length(12_700)
    >>> found = Finding(FigureKey.TAPER, "r", "taper", Called.WITHIN, Length(5_080), limit, False, Length(0), 0, ())
    >>> sentence(found, Notation.usual(Unit.INCH))
    'Taper 0.0002, limit 0.0005: 0.0003 inside.'
    """
    say = notation_for(finding.quantity, lengths)
    value = say.text(finding.value)
    name = f"{finding.name.capitalize()} {'at most ' if finding.at_most else ''}{value}"
    limit = say.at_least(finding.limit) if finding.limit_is_least else say.at_most(finding.limit)
    if finding.key == FigureKey.LARGER:
        return _larger(finding, say)
    if finding.rule == "pieces.more-than-nothing":
        return _against_nothing(finding, name, say)
    if finding.by_rule_of_thumb:
        return f"{name}, rule of thumb {limit}. Find the maker's limit: a rule of thumb settles nothing."
    if finding.cannot_accept and finding.to_spare >= finding.guard:
        return f"{name}, limit {limit}. Two angles can miss it: read a third to accept it."
    if finding.waits_warm:
        return f"{name}, limit {limit}: not rested, and {_cools(finding, say)} when cool. The verdict waits."
    if finding.by_fit_alone:
        return f"{name}, limit {limit}: only the fit is past it, no reading is. Too close to call."
    if finding.called is Called.TOO_CLOSE:
        return f"{name}, limit {limit}: {_too_close(finding, say)}."
    stands = _stands(finding, say)
    if finding.limit_is_least and finding.quantity is Quantity.LENGTH and finding.to_spare != ZERO:
        return f"{name}: {stands} the limit {limit}."
    return f"{name}, limit {limit}: {stands}."


def _stands(finding: Finding, say: Notation | AmountNotation) -> str:
    """How far inside its limit, over it or under it."""
    if finding.to_spare == ZERO:
        return "just at it"
    way = "inside" if finding.to_spare > ZERO else "under" if finding.limit_is_least else "over"
    return f"{say.text(abs(finding.to_spare))} {way}"


def _too_close(finding: Finding, say: Notation | AmountNotation) -> str:
    """Why it is too close: the gauge, or how it was read with it."""
    guard = finding.guard if finding.to_spare >= ZERO else finding.beyond_guard
    scale, repeat, rest = parts_of(finding)
    why = "gauge" if scale >= max(repeat, rest) else "readings"
    return f"too close to call, the {why} tell{'s' if why == 'gauge' else ''} it to ±{say.doubt(guard)}"


def _cools(finding: Finding, say: Notation | AmountNotation) -> str:
    if finding.may_fall > ZERO:
        return f"up to {say.text(finding.may_fall)} smaller"
    return f"up to {say.text(finding.may_rise)} larger"


def _against_nothing(finding: Finding, name: str, say: Notation | AmountNotation) -> str:
    """A clearance where there is none, or less than there has to be; one where the parts are to be pressed."""
    if not finding.limit_is_least:
        return f"{name}: pressed together by the sheet, and it reads loose. Read both again, or refit it."
    if finding.limit > Length(1):
        found = (
            _too_close(finding, say)
            if finding.called is Called.TOO_CLOSE
            else "too tight. Read it again, gasket and all"
        )
        return f"{name}, new at least {say.at_least(finding.limit)}: {found}."
    less = "less than nothing: one of the readings is wrong" if finding.value < ZERO else "nothing, or hardly more"
    return f"{name}: {less}. Read it again: it has to move freely."


def _larger(finding: Finding, say: Notation | AmountNotation) -> str:
    over = say.text(-finding.to_spare)
    return (
        f"Greatest size {say.text(finding.value)}: {over} larger than new, and tight. "
        "A zero, a slip, sprayed metal, a short grind, or another crank."
    )


def figure_reasons(findings: tuple[Finding, ...], say: Notation) -> Iterator[Reason]:
    """Every figure in a sentence, by the rule that decided how it is called."""
    for finding in findings:
        rule = finding.rule
        if finding.by_rule_of_thumb:
            rule = "verdicts.rule-of-thumb"
        elif finding.cannot_accept and finding.to_spare >= finding.guard:
            rule = "verdicts.two-angles"
        elif finding.waits_warm:
            rule = "gauges.temperature"
        elif finding.called is Called.TOO_CLOSE and finding.key not in QUESTIONS:
            rule = "verdicts.guard-band"
        text = sentence(finding, say)
        if finding.called is Called.WITHIN and only_scatter(finding):
            rule, text = "gauges.noise-floor", f"{text} No more than the scatter of reading."
        yield Reason(rule=rule, text=text, spots=finding.spots)


def only_scatter(finding: Finding) -> bool:
    """Whether an out-of-round or taper is no more than so many readings of a perfect journal show."""
    if finding.key not in _DIFFERENCES or len(finding.spots) < 2 or finding.value == ZERO:
        return False
    repeat = sum(term.nm**2 for term in finding.budget if term.kind in REPEATS)
    return finding.value <= noise_floor(len(finding.spots), (repeat / 2) ** 0.5)


def contradiction_words(found: Contradiction, say: Notation) -> Reason:
    """A contradiction in words: what clashes, and what to do."""
    first, second = map(notation_for(found.quantity, say).text, found.sizes)
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
        said, stands = (step_words(size, say) for size in found.sizes)
        text = f"On record it was ground to {said}; it measures {stands}. One of them is wrong."
    return Reason(rule="verdicts.contradiction", text=text)
