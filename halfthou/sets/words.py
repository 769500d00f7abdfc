"""What is decided for a set, in short sentences: the headline, the reasons, what would change it."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import short_name
from halfthou.gauges import TURN
from halfthou.jobs import THIMBLES, JournalSet, Look
from halfthou.lengths import ZERO, Length, Notation
from halfthou.sets.clearance import grinder_band
from halfthou.sets.decide import SetVerdict
from halfthou.sets.undersize import StepOutlook
from halfthou.verdicts import Action, JournalVerdict, Reason, State, settling_words, settlings


def undersize_words(undersize: Length, say: Notation) -> str:
    """0.020 under, or standard."""
    return "standard" if undersize == ZERO else f"{say.undersize(undersize)} under"


def headline(decided: SetVerdict, say: Notation) -> str:
    """The decision in a few words, such as "at least 0.020 under so far"."""
    action, so_far = decided.action, decided.so_far
    tail = " so far" if so_far else ""
    if action is Action.REGRIND and decided.undersize is not None:
        size = undersize_words(decided.undersize, say)
        return f"at least {size} so far" if so_far else f"regrind, {size}"
    if action is Action.MEASURE:
        return "not read" if not _any_read(decided) else "too close to call" if not so_far else "measure on"
    if action is Action.FIT_UNDERSIZE:
        names = _names(n for n, v in decided.case.verdicts.items() if v.action is Action.FIT_UNDERSIZE)
        return f"fit undersize shells at {names}{tail}"
    at = f" at {undersize_words(decided.case.present, say)}" if decided.case.present > ZERO else ""
    plain = action in (Action.REUSE, Action.POLISH)
    return f"{action.value}{at if plain else ''}{tail}"


def set_reasons(decided: SetVerdict, say: Notation) -> tuple[Reason, ...]:
    """The reasons for the decision on a set."""
    return (
        *_size(decided, say),
        *_kept(decided, say),
        *_singled_out(decided),
        *_await(decided),
        *_present(decided, say),
    )


def would_change(decided: SetVerdict, say: Notation) -> tuple[str, ...]:
    """What would change the decision."""
    choice = decided.choice
    found: list[str] = []
    if choice is not None and decided.action in (Action.REGRIND, Action.REFER):
        if choice.possible is not None and choice.possible != choice.sure:
            size = undersize_words(choice.possible, say)
            found.append(f"A radial profile of {short_name(choice.sets_it)} that shows even wear: {size}.")
        if choice.without_worst is not None and choice.without_worst != choice.sure:
            size = undersize_words(choice.without_worst, say)
            found.append(f"{short_name(choice.sets_it)} alone drives it: without it the rest go at {size}.")
    if choice is None:
        for name, verdict in decided.case.verdicts.items():
            open_figures = verdict.findings if verdict.action is Action.MEASURE else ()
            ways = [way for finding in open_figures for way in settlings(verdict.case, finding)]
            found += [f"{short_name(name)}: {text}" for text in settling_words(ways, say)]
    return tuple(found)


def _any_read(decided: SetVerdict) -> bool:
    return any(verdict.case.survey.form for verdict in decided.case.verdicts.values())


def _kept(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """Why a set goes back without grinding: who needs what, and which journal is nearest to its limit."""
    kept = {name: v for name, v in decided.case.verdicts.items() if v.findings and v.state is State.WITHIN}
    if decided.action not in (Action.REUSE, Action.POLISH, Action.FIT_UNDERSIZE) or not kept:
        return
    polished = [name for name, verdict in kept.items() if verdict.action is Action.POLISH]
    if polished:
        text = f"{_names(iter(polished))}: light marks, a polish takes them out."
        yield Reason(rule="verdicts.journal.surface", text=text)
    nearest = min(kept, key=lambda name: kept[name].findings[0].to_spare)
    spare = say.text(kept[nearest].findings[0].to_spare)
    text = f"Within every limit. {short_name(nearest)} is nearest to the least size, {spare} inside."
    yield Reason(rule="surveys.size.least", text=text)


def _names(journals: Iterator[str]) -> str:
    names = [short_name(journal) for journal in journals]
    return names[0] if len(names) == 1 else ", ".join(names[:-1]) + " and " + names[-1]


def _present(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    present = decided.case.present
    if present > ZERO:
        text = f"Measures {undersize_words(present, say)} already: limits and steps count from there."
        yield Reason(rule="surveys.present-undersize", text=text)
    yield from _like_a_turn(decided, say)
    claimed = decided.case.claimed
    if claimed is None or claimed.depth is None or not _any_read(decided):
        return
    said = f"{claimed.answer.capitalize()} says {undersize_words(claimed.depth, say)}"
    if claimed.depth == present:
        text = f"{said}, and it measures so."
    else:
        text = f"{said}; it measures {undersize_words(present, say)}. The gauge is believed."
    yield Reason(rule="verdicts.journal.claimed-size", text=text)


def _like_a_turn(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """An undersize that a turn of the thimble throughout would look like, where nothing but the gauge says so."""
    present, claimed = decided.case.present, decided.case.claimed
    if present == ZERO or (claimed is not None and claimed.depth == present):
        return
    gauges = (t.setup.gauge for v in decided.case.verdicts.values() for t in v.case.survey.taken)
    if any(gauge.kind in THIMBLES and present.nm % TURN[gauge.unit].nm == 0 for gauge in gauges):
        size = undersize_words(present, say)
        text = f"A turn of the thimble throughout would look like {size}: look at the back of the shell."
        yield Reason(rule="surveys.slip-or-undersize", text=text)


def _size(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    choice = decided.choice
    if choice is None:
        return
    worst = short_name(choice.sets_it)
    if choice.sure is None:
        yield from _no_size(decided, say)
        return
    if decided.hardening is not None:
        yield decided.hardening
    if decided.action is not Action.REGRIND:
        text = f"{worst} is past its limits; by size it would clean up at {undersize_words(choice.sure, say)}."
        yield Reason(rule="sets.regrind.common-size", text=text)
        return
    outlook = choice.at(choice.sure)
    size = undersize_words(choice.sure, say)
    text = f"{worst} sets the size. At {size} it has {say.text(outlook.to_spare)} to spare."
    yield Reason(rule="sets.regrind.common-size", text=text)
    smaller = [o for o in choice.outlooks if o.step.undersize < choice.sure]
    for missed in smaller[-1:]:
        size = undersize_words(missed.step.undersize, say)
        if missed.misses:
            text = f"At {size} {worst} misses by {say.text(-missed.to_spare)}."
            yield Reason(rule="sets.regrind.sure-size", text=text)
        else:
            yield Reason(rule=_bar(missed.step.can_be_bought), text=f"{size} would do, but {_why_not(missed)}.")
    yield from _next_size(decided, say)
    band = grinder_band(decided)
    if band is not None:
        tight = band[1] < decided.case.limits.size.most - choice.sure
        tail = f": tight, {worst} makes only the lower part of the band." if tight else "."
        text = f"Grind to {say.at_least(band[0])} to {say.at_most(band[1])}{tail}"
        yield Reason(rule="sets.regrind.grinder-band", text=text)


def _next_size(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    further = decided.choice.next_after if decided.choice else None
    if further is None:
        text = "It is the last size: after it the crank is at the end of its road."
        yield Reason(rule="sets.regrind.last-size", text=text)
    elif decided.choice is not None and decided.choice.sure is not None:
        size = undersize_words(further.step.undersize, say)
        more = say.text(further.step.undersize - decided.choice.sure)
        text = f"Next size down, {size}, would take {more} more and one step of the crank's life."
        yield Reason(rule="sets.regrind.last-size", text=text)


def _no_size(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    choice = decided.choice
    if choice is None:
        return
    worst = short_name(choice.sets_it)
    if not choice.outlooks:
        text = "The limits sheet lists no undersize shells below the present size: find out what can be bought."
        yield Reason(rule="sets.regrind.shells-exist", text=text)
        return
    barred = next((o for o in choice.outlooks if not o.misses and not o.step.usable), None)
    last = choice.outlooks[-1]
    if barred is not None:
        size = undersize_words(barred.step.undersize, say)
        text = f"{worst} would clean up at {size}, but {_why_not(barred)}."
        yield Reason(rule=_bar(barred.step.can_be_bought), text=text)
    else:
        size = undersize_words(last.step.undersize, say)
        text = f"Past the last size: at {size} {worst} misses by {say.text(-last.to_spare)}."
        yield Reason(rule="sets.regrind.last-size", text=text)
    if choice.possible is not None:
        size = undersize_words(choice.possible, say)
        text = f"Even wear could save it at {size}: take a radial profile of {worst} before it is scrapped."
        yield Reason(rule="sets.regrind.sure-size", text=text)


def _bar(can_be_bought: bool) -> str:
    return "sets.regrind.smallest-allowed" if can_be_bought else "sets.regrind.shells-exist"


def _why_not(outlook: StepOutlook) -> str:
    return "the maker does not allow it" if outlook.step.can_be_bought else "no shells can be bought for it"


def _singled_out(decided: SetVerdict) -> Iterator[Reason]:
    verdicts = decided.case.verdicts
    groups = (
        (_cracked, "verdicts.journal.crack", "cracked: the crank is not used again"),
        (_referred, "verdicts.journal.heat", "to be referred before any work"),
        (_too_close, "verdicts.guard-band", "too close to call with this gauge"),
    )
    for belongs, rule, tail in groups:
        named = [name for name, verdict in verdicts.items() if belongs(verdict)]
        if named and not (belongs is _too_close and decided.action is Action.REGRIND):
            yield Reason(rule=rule, text=f"{_names(iter(named))}: {tail}.")


def _cracked(verdict: JournalVerdict) -> bool:
    return verdict.case.answer(Look.CRACK_TEST) == "crack found"


def _referred(verdict: JournalVerdict) -> bool:
    return verdict.action is Action.REFER


def _too_close(verdict: JournalVerdict) -> bool:
    return verdict.action is Action.MEASURE and verdict.state is State.TOO_CLOSE


def _await(decided: SetVerdict) -> Iterator[Reason]:
    if decided.awaiting and len(decided.awaiting) < len(decided.case.verdicts):
        text = f"{_names(iter(decided.awaiting))} not read yet."
        yield Reason(rule="sets.not-all-read", text=text)
    elif decided.awaiting:
        what = "main" if decided.case.journal_set is JournalSet.MAINS else "rod"
        yield Reason(rule="sets.not-all-read", text=f"No {what} journal is read whole yet.")
