"""What is decided for a set, in short sentences: the headline, the reasons, what would change it."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from halfthou.gauges import TURN
from halfthou.jobs import THIMBLES, JournalSet, Look
from halfthou.lengths import ZERO, Length, Notation
from halfthou.looks import Does
from halfthou.parts.journals.clearance import missing_shells
from halfthou.parts.journals.decide import End, SetVerdict
from halfthou.parts.journals.looks import DEEP
from halfthou.parts.journals.size_words import size_reasons
from halfthou.parts.journals.verdict import JournalVerdict, keeps
from halfthou.sets import SizeChoice
from halfthou.surveys import Rests
from halfthou.verdicts import Action, Called, Open, settlings
from halfthou.words import Reason, names_of, settling_words, step_words


def headline(decided: SetVerdict, say: Notation) -> str:
    """The decision in a few words, such as "at least 0.020 under so far"."""
    if decided.decision is not None:
        return f"decided: {_plain_headline(decided, say)}"
    return _plain_headline(decided, say)


def _plain_headline(decided: SetVerdict, say: Notation) -> str:
    action, so_far = decided.action, decided.so_far
    if decided.ended in (End.OTHER_SET, End.BENT):
        return "replace: the crank is one part"
    if action is Action.REGRIND and decided.undersize is not None:
        size = sizes_words(decided, decided.undersize, decided.others, say)
        tail = ", following the pins" if decided.follows else ""
        tail += ", if it runs true" if decided.held else ""
        return f"at least {size} so far" if so_far else f"regrind, {size}{tail}"
    if action is Action.MEASURE:
        return _measure_headline(decided)
    if action is Action.REFER and decided.choice is None and decided.case.mixed:
        return "mixed crank: choose"
    choice = decided.choice
    if action is Action.REFER and choice is not None and choice.sure is None and choice.tight is not None:
        return f"refer: only a tight band, {step_words(choice.tight, say)}"
    if action is Action.FIT_UNDERSIZE:
        names = [n for n in decided.case.verdicts if decided.action_of(n) is Action.FIT_UNDERSIZE]
        return f"fit undersize shells at {names_of(names, decided.called)}"
    present = decided.undersize if decided.undersize is not None else decided.case.present
    at = f" at {step_words(present, say)}" if present > ZERO else ""
    return f"{action.value}{at if keeps(action) and not decided.case.mixed else ''}"


def sizes_words(decided: SetVerdict, step: Length, others: Mapping[str, Length], say: Notation) -> str:
    """The size of a set in words, and those of its journals that go to another: Pin 3 alone 0.020 under, the rest
    as they are."""
    rest = "as they are" if step == decided.case.present else step_words(step, say)
    if not others:
        return step_words(step, say)
    by_size: dict[Length, list[str]] = {}
    for name, size in others.items():
        by_size.setdefault(size, []).append(name)
    parts = [f"{names_of(names, decided.called)} alone {step_words(size, say)}" for size, names in by_size.items()]
    return f"{', '.join(parts)}, the rest {rest}"


def _measure_headline(decided: SetVerdict) -> str:
    if not _any_read(decided):
        return "not read"
    opens = {one for name in decided.case.verdicts for one in decided.opens_of(name)}
    if opens - {Open.UNREAD}:
        if Open.HELD in opens:
            return "answer first"
        if Open.CONTRADICTED in opens:
            return "readings contradict"
        if Open.LARGER in opens:
            return "larger than new: find out why"
        if Open.OUTSIDE in opens:
            return "a reading outside the plan"
        if Open.FOREIGN in opens:
            return "no shells for its size"
        if Open.TOO_CLOSE in opens:
            return "too close to call" if not decided.awaiting else "measure on"
        if opens & {Open.CLEARANCE, Open.HOUSING}:
            return "measure the bearing"
        if Open.CRANK in opens:
            waits = any(verdict.case.straight_first for verdict in decided.case.verdicts.values())
            return "straightness first" if waits else "indicate the crank"
    if decided.to_see:
        return "settle what was seen" if Open.SEEN in opens else "look first"
    return "measure on; good so far" if decided.awaiting else "measure on"


def set_reasons(decided: SetVerdict, say: Notation) -> tuple[Reason, ...]:
    """The reasons for the decision on a set."""
    return (
        *_decided(decided, say),
        *_ended(decided),
        *_mixed(decided, say),
        *size_reasons(decided, say),
        *_kept(decided, say),
        *_singled_out(decided),
        *_await(decided),
        *_no_shells(decided, say),
        *_present(decided, say),
    )


def would_change(decided: SetVerdict, say: Notation) -> tuple[str, ...]:
    """What would change the decision."""
    choice = decided.choice
    found: list[str] = []
    if choice is not None and decided.action in (Action.REGRIND, Action.REFER):
        found += _smaller_sizes(decided, choice, say)
        if choice.without_worst is not None and choice.without_worst != choice.sure:
            size = step_words(choice.without_worst, say)
            found.append(f"{decided.called(choice.sets_it)} alone drives it: without it the rest go at {size}.")
    if decided.case.mixed and decided.decision is None:
        found += _ways_of_mixed(decided, say)
    if choice is None:
        for name, verdict in decided.case.verdicts.items():
            open_figures = verdict.findings if verdict.action is Action.MEASURE else ()
            ways = [way for finding in open_figures for way in settlings(verdict.case, finding)]
            found += [f"{decided.called(name)}: {text}" for text in settling_words(ways, say)]
    return tuple(found)


def _smaller_sizes(decided: SetVerdict, choice: SizeChoice, say: Notation) -> Iterator[str]:
    if choice.tight is not None:
        outlook = choice.at(choice.tight)
        who = names_of(outlook.tight if outlook else (choice.sets_it,), decided.called)
        size = step_words(choice.tight, say)
        yield f"{size} is tight: {who} leaves less than a workable band. A person may choose it."
    needing = choice.profile_of
    if choice.possible is None or choice.possible == choice.sure or choice.possible == choice.tight:
        return
    size = step_words(choice.possible, say)
    by_score = [name for name in needing if decided.case.verdicts[name].by_score]
    by_wear = [name for name in needing if name not in by_score]
    if by_score:
        keep = ", and the house keeps the axis" if decided.case.house.keep_axis else ""
        who = names_of(by_score, decided.called)
        yield f"{who}: the score decides. Only the axis moved away from it could give {size}{keep}."
    elif by_wear:
        yield f"A radial profile of {names_of(by_wear, decided.called)} that shows even wear: {size}."


def _ways_of_mixed(decided: SetVerdict, say: Notation) -> Iterator[str]:
    standing = decided.case.standing
    largest = max(standing, key=lambda size: size.nm)
    rest = [name for size, names in standing.items() if size != largest for name in names]
    cleans = all(
        (usable := decided.case.verdicts[name].usable) is not None
        and usable.sure > decided.case.limits.size.least - largest
        for name in rest
    )
    size = step_words(largest, say)
    who = names_of(rest, decided.called)
    if cleans:
        yield f"Grind {who} to {size}, then all stand alike."
    else:
        yield f"{who} would not surely clean up at {size}: all would go to a further step."
    if decided.case.house.mixed_sizes:
        yield "Mixed shells: the house allows a pair to suit each journal."
    else:
        yield "Mixed shells, a pair to suit each journal, where the house allows them: it does not now."
    yield f"{names_of(standing[largest], decided.called)} to its own next step, where it needs grinding by itself."


def _any_read(decided: SetVerdict) -> bool:
    return any(verdict.case.survey.form for verdict in decided.case.verdicts.values())


def _decided(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    decision = decided.decision
    if decision is None:
        return
    text = f"Decided otherwise by {decision.by}: {_plain_headline(decided, say)}, because {decision.reason}"
    yield Reason(rule="sets.decided-otherwise", text=text if text.endswith(".") else f"{text}.")
    if decided.not_dealt_with:
        who = names_of(decided.not_dealt_with, decided.called)
        text = f"{who}: the size decided on does not mend it, for it is no larger already. Decide again."
        yield Reason(rule="sets.decided-otherwise", text=text)


def _ended(decided: SetVerdict) -> Iterator[Reason]:
    which = "rods" if decided.case.journal_set is JournalSet.MAINS else "mains"
    if decided.ended is End.CRACK:
        text = "A crack was found. The crank is one part: nothing is ground and no shells are ordered."
        yield Reason(rule="sets.one-crank", text=text)
    elif decided.ended is End.OTHER_SET:
        text = f"The {which} end the crank, and it is one part: nothing is ground and no shells are ordered."
        yield Reason(rule="sets.one-crank", text=text)
    elif decided.ended is End.BENT:
        text = "The crank is bent and goes: nothing is ground and no shells are ordered."
        yield Reason(rule="sets.one-crank", text=text)


def _mixed(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """Which journal stands where, on a crank whose journals were not all ground alike."""
    if not decided.case.mixed:
        return
    where = "; ".join(
        f"{names_of(names, decided.called)} {step_words(size, say)}"
        for size, names in decided.case.standing.items()
    )
    yield Reason(rule="sets.mixed", text=f"A mixed crank: {where}.")


def _kept(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """Why a set goes back without grinding: who needs what, and which journal is nearest to its limit."""
    kept = {n: v for n, v in decided.case.verdicts.items() if v.size is not None and v.called is Called.WITHIN}
    if not keeps(decided.action) or not kept or decided.decision is not None:
        return
    polished = [name for name, verdict in kept.items() if verdict.action is Action.POLISH]
    if polished:
        text = f"{names_of(polished, decided.called)}: light marks, a polish takes them out."
        yield Reason(rule="verdicts.journal.surface", text=text)
    nearest = min(kept, key=lambda name: _spare(kept[name]).nm)
    spare = say.text(_spare(kept[nearest]))
    text = f"Within every limit. {decided.called(nearest)} is nearest to the least size, {spare} inside."
    yield Reason(rule="surveys.size.least", text=text)


def _spare(verdict: JournalVerdict) -> Length:
    return verdict.size.to_spare if verdict.size is not None else ZERO


def _present(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    present, case = decided.case.present, decided.case
    if case.mixed:
        return
    stands = [v.case.stands for v in case.verdicts.values() if v.case.stands is not None]
    read = [one for one in stands if one.rests in (Rests.READINGS, Rests.BORNE_OUT)]
    if present > ZERO and read:
        text = f"Measures {step_words(present, say)} already: limits and steps count from there."
        yield Reason(rule="surveys.present-undersize", text=text)
    elif present > ZERO and stands:
        text = f"Stands at {step_words(present, say)} by the record, until it is read."
        yield Reason(rule="surveys.present-undersize", text=text)
    yield from _like_a_turn(decided, say)
    claimed = case.claimed
    if claimed is None or claimed.amount is None or not read:
        return
    said = f"{claimed.answer.capitalize()} says {step_words(claimed.amount, say)}"
    if claimed.amount == present:
        text = f"{said}, and it measures so."
    else:
        text = f"{said}; it measures {step_words(present, say)}. The gauge is believed."
    yield Reason(rule="verdicts.journal.claimed-size", text=text)


def _like_a_turn(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """An undersize that a turn of the thimble throughout would look like, where nothing but the gauge says so."""
    present, claimed = decided.case.present, decided.case.claimed
    if present == ZERO or (claimed is not None and claimed.amount == present):
        return
    gauges = (t.setup.gauge for v in decided.case.verdicts.values() for t in v.case.survey.taken)
    if any(gauge.kind in THIMBLES and present.nm % TURN[gauge.unit].nm == 0 for gauge in gauges):
        size = step_words(present, say)
        text = f"A turn of the thimble throughout would look like {size}: look at the back of the shell."
        yield Reason(rule="surveys.slip-or-undersize", text=text)


def _singled_out(decided: SetVerdict) -> Iterator[Reason]:
    verdicts = decided.case.verdicts
    cracked = [n for n, v in verdicts.items() if v.case.eye.does(Does.REJECTS)]
    if cracked:
        text = f"{names_of(cracked, decided.called)}: cracked: the crank is not used again."
        yield Reason(rule="verdicts.journal.crack", text=text)
    by_rule: dict[str, list[str]] = {}
    for name, verdict in verdicts.items():
        for rule in verdict.referred_for:
            by_rule.setdefault(rule, []).append(name)
    for rule, names in by_rule.items():
        yield Reason(rule=rule, text=f"{names_of(names, decided.called)}: {_REFERRED.get(rule, _ANOTHER)}")
    if decided.action is Action.REGRIND:
        return
    for what, rule, tail in _OPEN_WORDS:
        named = [n for n in verdicts if what in decided.opens_of(n)]
        if what is Open.CRANK and not any(verdicts[n].case.crank for n in named):
            rule, tail = "straightness.first", "the crank is to be straight first."
        if named:
            yield Reason(rule=rule, text=f"{names_of(named, decided.called)}: {tail}")


_REFERRED = {
    "verdicts.journal.fillet": "the fillet is to be referred before any work.",
    "verdicts.journal.fillet-band": "a fillet is out of its band: to be referred before any work.",
    "verdicts.journal.hardness": "not as hard as the sheet asks: to be referred before any work.",
    "verdicts.journal.throw": "the throw is not where it belongs: twisted or ground off its place; refer it.",
    "verdicts.journal.heat": "got hot. Hardness, straightness and crack test come before any work.",
    "verdicts.journal.blue-rod": "the rod went blue: tested or replaced before anything is fitted.",
    "verdicts.journal.straightness": "the crank is bent: to be referred before any work.",
    "verdicts.journal.treatment": "ground before; whether it was hardened again has to be found out.",
}
_ANOTHER = "somebody else's word comes before any work."
_OPEN_WORDS = (
    (Open.CRANK, "sets.one-crank", "indicate the crank at every main and crack-test it first."),
    (Open.TOO_CLOSE, "verdicts.guard-band", "too close to call with this gauge."),
    (Open.HELD, "surveys.slips", "a question about a reading waits for its answer."),
    (Open.CONTRADICTED, "verdicts.contradiction", "readings contradict each other."),
    (Open.LARGER, "verdicts.journal.larger", "larger than new. Find out why before anything is fitted."),
    (
        Open.CLEARANCE,
        "verdicts.clearance",
        "oil clearance is not settled: read it again in the shells to be fitted.",
    ),
    (Open.HOUSING, "verdicts.housing", "the housing is not settled: measure it, or see that it is made right."),
    (Open.FOREIGN, "sets.regrind.shells-exist", "no shell on the sheet is made for its size."),
    (Open.NO_LIMIT, "verdicts.no-limit", "a limit is wanted for what was read of its bearing."),
    (Open.SEEN, "looks.holds", "what was seen is to be settled before going back."),
    (Open.UNSEEN, "looks.first", "to be looked at before going back."),
)


def _await(decided: SetVerdict) -> Iterator[Reason]:
    if decided.awaiting and len(decided.awaiting) < len(decided.case.verdicts):
        text = f"{names_of(decided.awaiting, decided.called)} not read yet."
        yield Reason(rule="sets.not-all-read", text=text)
    elif decided.awaiting:
        what = "main" if decided.case.journal_set is JournalSet.MAINS else "rod"
        yield Reason(rule="sets.not-all-read", text=f"No {what} journal is read whole yet.")
    for answer, mark in DEEP.items():
        deep = [n for n in decided.case.verdicts if Open.SCORE_DEPTH in decided.opens_of(n)]
        named = [n for n in deep if decided.case.verdicts[n].case.answer(Look.SURFACE) == answer]
        if named:
            who = names_of(named, decided.called)
            text = f"{who}: the depth of the {mark.name} is not known, so no size is sure."
            yield Reason(rule="verdicts.journal.surface", text=text)
    for what, rule, tail in (
        (Open.TWO_ANGLES, "verdicts.two-angles", "two angles only: every size is a bound until a third is read."),
        (Open.OUTSIDE, "surveys.plan.outside", "a reading stands outside the plan."),
        (Open.THUMB, "verdicts.rule-of-thumb", "sized by a rule of thumb: find the maker's size."),
    ):
        named = [n for n in decided.case.verdicts if what in decided.opens_of(n)]
        if named:
            yield Reason(rule=rule, text=f"{names_of(named, decided.called)}: {tail}")


def _no_shells(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """Shells that are needed and cannot be bought, in words.

    Rule:    sets.regrind.shells-exist.
    """
    if not decided.finished:
        return
    on_sheet = {shell.size: shell.can_be_bought for shell in decided.case.limits.shells}
    for size in missing_shells(decided):
        words = step_words(size, say)
        why = "cannot be bought by the sheet" if size in on_sheet else "are not on the limits sheet"
        text = f"Shells {words} {why}: find some before anything is done."
        yield Reason(rule="sets.regrind.shells-exist", text=text)
