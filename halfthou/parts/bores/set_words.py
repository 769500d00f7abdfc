"""What is decided for the bores together, in short sentences."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import bore_name
from halfthou.jobs import Look
from halfthou.lengths import ZERO, Length, Notation
from halfthou.looks import Does
from halfthou.parts.bores.before_boring import DeckSays, deck_says
from halfthou.parts.bores.bore_words import over
from halfthou.parts.bores.looks import FEELERS, INDICATOR
from halfthou.parts.bores.oversize import BoreSet, BoreWay, past_the_largest
from halfthou.parts.bores.verdict import keeps
from halfthou.parts.bores.walls import WallSays, wall_at, wall_for_sleeve
from halfthou.report import OtherWay
from halfthou.verdicts import TO_SEE, Action, Called, Open
from halfthou.words import Reason, names_of


def bores_headline(decided: BoreSet, say: Notation) -> str:
    """The decision on the bores in a few words."""
    words = _plain(decided, say)
    return f"decided: {words}" if decided.decision is not None else words


def _plain(decided: BoreSet, say: Notation) -> str:
    action = decided.action
    if action is Action.REBORE and decided.oversize is not None:
        size = over(decided.oversize, say)
        return f"at least {size} so far" if decided.so_far else f"bore and hone, {size}"
    if action is Action.MEASURE:
        if not any(v.case.survey.form for v in decided.verdicts.values()):
            return "not read"
        opens = {one for name in decided.verdicts for one in decided.opens_of(name)}
        for one, words in (
            (Open.HELD, "answer first"),
            (Open.CONTRADICTED, "readings contradict"),
            (Open.LARGER, "smaller than new: find out why"),
            (Open.FORM, "not worn like that: read again"),
        ):
            if one in opens:
                return words
        if decided.awaiting:
            good = not opens - {Open.UNREAD, Open.PISTON, *TO_SEE}
            return "measure on; good so far" if good else "measure on"
        if decided.to_see:
            return "settle what was seen" if Open.SEEN in opens else "look first"
        return "read four angles" if Open.FOUR_ANGLES in opens else "too close to call"
    if action is Action.SLEEVE:
        return f"sleeve {names_of((n for n, v in decided.verdicts.items() if v.needs_machining), bore_name)}"
    at = f" at {over(decided.present, say)}" if decided.present > ZERO and not decided.mixed else ""
    words = {Action.HONE: "light hone, new rings", Action.REUSE: "leave alone"}.get(action, action.value)
    return f"{words}{at if keeps(action) else ''}"


def bores_reasons(decided: BoreSet, say: Notation) -> tuple[Reason, ...]:
    """The reasons for the decision on the bores."""
    return (
        *_decided(decided, say),
        *_size(decided, say),
        *_no_size(decided, say),
        *_kept(decided, say),
        *_singled_out(decided),
        *_await(decided),
        *_wanted(decided),
        *_deck(decided, say),
        *_not_sold(decided, say),
        *_present(decided, say),
    )


def _decided(decided: BoreSet, say: Notation) -> Iterator[Reason]:
    decision = decided.decision
    if decision is not None:
        text = f"Decided otherwise by {decision.by}: {_plain(decided, say)}, because {decision.reason}"
        yield Reason(rule="sets.decided-otherwise", text=text if text.endswith(".") else f"{text}.")


def _size(decided: BoreSet, say: Notation) -> Iterator[Reason]:
    choice = decided.choice
    if choice is None or choice.sure is None or decided.decision is not None:
        return
    outlook, size, worst = choice.at(choice.sure), over(choice.sure, say), bore_name(choice.sets_it)
    if outlook is None:
        return
    if decided.action is not Action.REBORE:
        yield Reason(
            rule="bores.one-size", text=f"{worst} is past its limits; by size it would clean up at {size}."
        )
        return
    text = f"{worst} sets the size for all. At {size} it has {say.text(outlook.to_spare)} to spare."
    if outlook.worst != choice.sets_it:
        other = bore_name(outlook.worst)
        spare = say.text(outlook.to_spare)
        text = f"{worst} sets the size for all. At {size} {other} has the least to spare: {spare}."
    yield Reason(rule="bores.one-size", text=text)
    for missed in [o for o in choice.outlooks if o.rung.step < choice.sure][-1:]:
        before = over(missed.rung.step, say)
        if missed.misses:
            text = f"At {before} {bore_name(missed.worst)} misses by {say.text(-missed.to_spare)}."
            yield Reason(rule="bores.sure-size", text=text)
        else:
            yield Reason(rule="bores.sold", text=f"{before} would do, but {_why_not(decided, missed.rung.step)}.")
    band, rough = decided.finished_band, decided.bored_band
    if band is not None and rough is not None and not decided.so_far:
        text = (
            f"Bore to {say.at_least(rough[0])} to {say.at_most(rough[1])}, hone to {say.at_least(band[0])} to "
            f"{say.at_most(band[1])}, each to its own piston when that is in hand."
        )
        yield Reason(rule="bores.card", text=text)


def _why_not(decided: BoreSet, step: Length) -> str:
    found = next((one for one in decided.limits.steps if one.size == step), None)
    if found is not None and not found.can_be_bought:
        return "its pistons cannot be bought"
    if found is not None and found.rings_can_be_bought is False:
        return "its rings cannot be bought"
    thin = [
        name
        for name, v in decided.verdicts.items()
        if wall_at(v.case, decided.limits.size.most + step).says is WallSays.TOO_THIN
    ]
    return f"it leaves {names_of(thin, bore_name)} too thin a wall" if thin else "the maker allows nothing so large"


def _no_size(decided: BoreSet, say: Notation) -> Iterator[Reason]:
    choice = decided.choice
    if choice is None or choice.sure is not None or decided.decision is not None:
        return
    worst = bore_name(choice.sets_it)
    if not choice.outlooks and past_the_largest(decided.limits, decided.verdicts):
        largest = decided.limits.figure("largest_allowed")
        most = say.text(largest.value) if largest is not None else ""
        yield Reason(
            rule="bores.largest", text=f"{worst} cleans up past {most}, the largest bore allowed: past boring."
        )
        yield _behind(decided)
        return
    if not choice.outlooks:
        text = f"{worst} is past its limits, and the sheet lists no further oversize: find out what can be bought."
        yield Reason(rule="bores.sold", text=text)
        return
    last = choice.outlooks[-1]
    barred = next((o for o in choice.outlooks if not o.misses and not o.rung.usable), None)
    if barred is not None:
        size = over(barred.rung.step, say)
        text = f"{worst} would clean up at {size}, but {_why_not(decided, barred.rung.step)}."
        yield Reason(rule="bores.sold", text=text)
    else:
        size = over(last.rung.step, say)
        text = f"{worst} misses {size}, the last oversize, by {say.text(-last.to_spare)}: past boring."
        yield Reason(rule="bores.last-size", text=text)
    yield _behind(decided)


_SLEEVE = {
    WallSays.TOO_THIN: "a sleeve would leave too thin a wall behind it",
    WallSays.UNREAD: "whether a sleeve goes in is not known until its wall is read by ultrasound, side by side",
    WallSays.ENOUGH: "a sleeve leaves wall enough behind it",
}


def _behind(decided: BoreSet) -> Reason:
    """What a sleeve would have behind it, in words."""
    by: dict[WallSays, list[str]] = {}
    for name, verdict in decided.verdicts.items():
        if verdict.needs_machining:
            by.setdefault(wall_for_sleeve(verdict.case).says, []).append(name)
    if WallSays.NO_LIMIT in by:
        text = "Whether it can be sleeved: the sheet has no sleeve or no least wall. Find them, or another block."
        return Reason(rule="bores.sleeve", text=text)
    told = " ".join(f"{names_of(by[says], bore_name)}: {_SLEEVE[says]}." for says in _SLEEVE if says in by)
    text = f"{told} Another block." if set(by) == {WallSays.TOO_THIN} else told
    return Reason(rule="bores.sleeve", text=text)


def _kept(decided: BoreSet, say: Notation) -> Iterator[Reason]:
    kept = {n: v for n, v in decided.verdicts.items() if v.size is not None and v.called is Called.WITHIN}
    if not keeps(decided.action) or not kept or decided.decision is not None:
        return
    spares = {name: v.size.to_spare for name, v in kept.items() if v.size is not None}
    nearest = min(spares, key=lambda name: spares[name].nm)
    spare = say.text(spares[nearest])
    text = f"Within every limit. {bore_name(nearest)} is nearest to the greatest size, {spare} inside."
    yield Reason(rule="bores.size.greatest", text=text)
    if any(Open.PISTON in decided.opens_of(name) for name in kept):
        text = "Bores sound; piston clearance not known: measure the pistons, or waive it with a reason."
        yield Reason(rule="bores.piston", text=text)


_SINGLED = (
    (Open.HELD, "surveys.slips", "a question about a reading waits for its answer."),
    (Open.CONTRADICTED, "verdicts.contradiction", "readings contradict each other."),
    (Open.TOO_CLOSE, "verdicts.guard-band", "too close to call with this gauge."),
    (Open.LARGER, "bores.smaller", "smaller than new. Find out why before anything is fitted."),
    (Open.FORM, "bores.unlike-wear", "does not look like wear."),
    (Open.STATE, "bores.state", "read again, main caps torqued, and as bored with the plate on."),
    (Open.FOUR_ANGLES, "bores.angles", "four angles are wanted."),
    (Open.SCORE_DEPTH, "bores.surface", "the depth of the score is not known, so no size is sure."),
    (Open.MISSED, "bores.finished", "not the size on the boring card."),
    (Open.NO_LIMIT, "verdicts.no-limit", "a limit is wanted for what was read."),
    (Open.SEEN, "looks.holds", "what was seen is to be settled before going back."),
    (Open.UNSEEN, "looks.first", "to be looked at before going back."),
)


def _singled_out(decided: BoreSet) -> Iterator[Reason]:
    by_rule: dict[str, list[str]] = {}
    for name, verdict in decided.verdicts.items():
        for rule in verdict.case.eye.rules(Does.REFERS):
            by_rule.setdefault(rule, []).append(name)
        if verdict.case.coated and verdict.action is Action.REFER:
            by_rule.setdefault("bores.coated", []).append(name)
    for rule, names in by_rule.items():
        said = {"bores.crack": "crack found", "bores.leaks": "the pressure test leaks"}
        text = f"{names_of(names, bore_name)}: {said.get(rule, 'coated or sprayed')}. Refer before any work."
        yield Reason(rule=rule, text=text)
    for what, rule, tail in _SINGLED:
        named = [name for name in decided.verdicts if what in decided.opens_of(name)]
        if named:
            yield Reason(rule=rule, text=f"{names_of(named, bore_name)}: {tail}")


def _await(decided: BoreSet) -> Iterator[Reason]:
    if decided.awaiting and len(decided.awaiting) < len(decided.verdicts):
        yield Reason(rule="sets.not-all-read", text=f"{names_of(decided.awaiting, bore_name)} not read yet.")
    elif decided.awaiting:
        yield Reason(rule="sets.not-all-read", text="No bore is read whole yet.")


def _wanted(decided: BoreSet) -> Iterator[Reason]:
    if decided.action is Action.REBORE and decided.wanted:
        text = f"Before money goes into boring: {', '.join(decided.wanted)}. Nothing is ordered until then."
        yield Reason(rule="bores.before-boring", text=text)


def _deck(decided: BoreSet, say: Notation) -> Iterator[Reason]:
    """The deck as measured, against its limit."""
    case = next(iter(decided.verdicts.values())).case
    seen, limit = case.seen.get(Look.DECK), decided.limits.figure("deck_flatness")
    if seen is None or seen.answer not in (FEELERS, INDICATOR):
        return
    most = f"at most {say.text(limit.value)} is allowed" if limit is not None else "the sheet has no limit for it"
    says = deck_says(seen, decided.limits)
    # Where boring is at hand, what comes first is said with all else that does.
    first = "" if says is DeckSays.FLAT or decided.action is Action.REBORE else f": {says.value}"
    text = f"Deck {say.text(seen.amount or ZERO)} out of flat by {seen.answer}; {most}{first}."
    yield Reason(rule="bores.deck", text=text)


def _not_sold(decided: BoreSet, say: Notation) -> Iterator[Reason]:
    oversize = decided.oversize
    if decided.action is not Action.REBORE or oversize is None or not decided.finished:
        return
    found = next((step for step in decided.limits.steps if step.size == oversize), None)
    if found is None or not found.sold:
        size = over(oversize, say)
        text = f"Pistons and rings {size} cannot be had by the sheet: find some before anything is bored."
        yield Reason(rule="bores.sold", text=text)


def _present(decided: BoreSet, say: Notation) -> Iterator[Reason]:
    read = {n: v for n, v in decided.verdicts.items() if v.case.survey.form is not None}
    if decided.mixed:
        at: dict[Length, list[str]] = {}
        for name, verdict in read.items():
            at.setdefault(verdict.case.present, []).append(name)
        where = "; ".join(
            f"{names_of(names, bore_name)} {over(size, say)}"
            for size, names in sorted(at.items(), key=lambda p: p[0].nm)
        )
        yield Reason(rule="bores.mixed", text=f"The bores stand at different sizes: {where}.")
    elif decided.present > ZERO and read:
        text = f"Measures {over(decided.present, say)} already: limits and steps count from there."
        yield Reason(rule="bores.present", text=text)
    strange = {v.case.present for v in read.values()} - set(decided.limits.ladder)
    for size in sorted(strange, key=lambda one: one.nm):
        text = f"No piston on the sheet is of {over(size, say)}. Advice: ask who made those that were in it."
        yield Reason(rule="bores.present", text=text)
    for name, verdict in decided.verdicts.items():
        claim = verdict.case.seen.get(Look.CLAIMED_OVERSIZE)
        if claim is None or claim.amount is None or verdict.case.survey.form is None:
            continue
        if claim.amount != verdict.case.present:
            text = (
                f"{bore_name(name)}: {claim.answer} says {over(claim.amount, say)}; it measures "
                f"{over(verdict.case.present, say)}. The gauge is believed."
            )
            yield Reason(rule="bores.claimed", text=text)


def ways_on(decided: BoreSet, say: Notation) -> tuple[OtherWay, ...]:
    """The other ways on, each with what it costs."""
    return tuple(_way(decided, *way, say) for way in decided.ways)


def _way(decided: BoreSet, way: BoreWay, bores: tuple[str, ...], size: Length | None, say: Notation) -> OtherWay:
    rest = over(size, say) if size is not None else ""
    if way is BoreWay.SLEEVE_WORST:
        keep = "the rest stay as they are" if size == decided.present else f"the rest go at {rest}"
        words = f"Sleeve {names_of(bores, bore_name)} alone: {keep}."
        costs = f"One sleeve fitted and bored to suit. {_sleeve_words(decided, bores, say)}"
    elif way is BoreWay.THIN_SLEEVES:
        words = "Thin sleeves all round, back to standard: good pistons are kept."
        behind = _sleeve_words(decided, bores, say)
        costs = f"{len(bores)} sleeves and their fitting; no step of the block's life. {behind}"
    elif way is BoreWay.NEXT_SIZE:
        words = f"The next size, {rest}: more to spare everywhere."
        more = say.text(size - decided.oversize) if size is not None and decided.oversize is not None else ""
        costs = f"{more} more off the wall, on diameter, and one step of the block's life."
    else:
        words = f"{names_of(bores, bore_name)} bored with the axis moved: {rest} could do."
        keep = (
            "The house keeps the axis." if decided.house.keep_bore_axis else "A radial profile must show it first."
        )
        costs = f"The bore no longer stands where it did. {keep}"
    rule = "bores.ways"
    return OtherWay(words=words, costs=costs, rule=rule)


def _sleeve_words(decided: BoreSet, bores: tuple[str, ...], say: Notation) -> str:
    found = [wall_for_sleeve(decided.verdicts[name].case) for name in bores]
    thinnest = min(
        (one for one in found if one.left is not None), key=lambda one: one.left.nm if one.left else 0, default=None
    )
    if any(one.says is WallSays.NO_LIMIT for one in found):
        return "The sheet has no sleeve or no least wall."
    if any(one.says is WallSays.UNREAD for one in found):
        return "The wall is not read: read it by ultrasound first."
    if thinnest is not None and thinnest.left is not None:
        return f"The thinnest wall left behind it is {say.text(thinnest.left)}."
    return ""
