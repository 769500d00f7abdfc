"""The grinder's card, put together from what was decided of the crank."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Container, Iterator, Mapping
from typing import cast

from halfthou.jobs import Hardening, JournalSet, OperationKind, SetLimits
from halfthou.lengths import ZERO, Length, Notation
from halfthou.operations import ground_to
from halfthou.parts.grinding.aim import aim_of
from halfthou.parts.grinding.came_back import came_back, came_back_words, polished_after
from halfthou.parts.grinding.keep import kept
from halfthou.parts.grinding.order import Work, card_steps
from halfthou.parts.journals import SetVerdict, finished_band
from halfthou.parts.straightness import Straight, straight_headline
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import CardKeep, CardLine, GrindingCard
from halfthou.verdicts import MARKS, WORKED, Action, Called
from halfthou.words import Caution, cautions_for, names_of, step_words

_SETS = tuple(JournalSet)
_HARD_SKIN = (Hardening.NITRIDED, Hardening.NITROCARBURISED)
STRAIGHTNESS = "straightness"


def grinding_card(given: Given, decided: Mapping[str, SetDecided], agreed: Container[str]) -> GrindingCard | None:
    """The card for a crank; None where nothing of it is to be machined and nothing was.

    Takes:   what every set came to, and the sets on which a person has decided.
    Rule:    crank.card.   Source: docs/trade: The order of the work.
    """
    sets = {one: cast(SetVerdict, decided[one]) for one in _SETS if one in decided}
    shaft = cast(Straight | None, decided.get(STRAIGHTNESS))
    work = _work(given, sets, shaft)
    if not work.any or _ends(sets, shaft):
        return None
    say = given.say
    journals = frozenset(name for one in sets.values() for name in one.case.verdicts)
    first = (*_first(given, sets, shaft), *_to_accept(given, sets, shaft, agreed))
    return GrindingCard(
        headline=_headline(work),
        unit=say.unit,
        settled=not first,
        first=first,
        lines=tuple(line for one in sets.values() for line in _lines(given, one)),
        order=card_steps(given.job, work, given.engine, journals),
        keep=tuple(CardKeep(what=what, words=words) for what, words in kept(given, sets, say)),
        asked=tuple(_asked(given, sets, shaft)),
        shells=tuple(_shells(sets, say)),
        cautions=_cautions(work),
    )


def _to_accept(
    given: Given, sets: Mapping[JournalSet, SetVerdict], shaft: Straight | None, agreed: Container[str]
) -> Iterator[str]:
    """The sets with work on the card on which nobody has decided yet: what is accepted starts the work.

    Rule:    sets.work-first.
    """
    working = [one.value for one, verdict in sets.items() if verdict.action in WORKED]
    if shaft is not None and shaft.action in WORKED:
        working.insert(0, STRAIGHTNESS)
    names = [given.engine.kinds.set_name(one) for one in working if one not in agreed]
    if names:
        who = names_of(names, str)
        yield f"{who}: not accepted yet. Accept on the sheet, or pick a way, before the work starts."


def _ends(sets: Mapping[JournalSet, SetVerdict], shaft: Straight | None) -> bool:
    """Whether the crank goes no further: there is nothing to work to."""
    return any(one.ends for one in sets.values()) or (shaft is not None and shaft.ends)


def _work(given: Given, sets: Mapping[JournalSet, SetVerdict], shaft: Straight | None) -> Work:
    """Which work it needs, or had: a card stays the card it was once the work is done."""
    actions = {name: one.action_of(name) for one in sets.values() for name in one.case.verdicts}
    done = {name: _work_on(given, name) for name in actions}
    to_grind = frozenset(name for name, action in actions.items() if action is Action.REGRIND)
    to_polish = frozenset(
        name for name, action in actions.items() if action in (Action.POLISH, Action.FIT_UNDERSIZE)
    )
    ground = to_grind | {name for name, kinds in done.items() if OperationKind.GRIND in kinds}
    polished = ground | to_polish | {name for name, kinds in done.items() if OperationKind.POLISH in kinds}
    pressed = any(one.kind is OperationKind.STRAIGHTEN for one in given.job.standing_operations)
    return Work(
        straighten=pressed or (shaft is not None and shaft.action is Action.STRAIGHTEN),
        harden=bool(ground) and any(one.case.limits.hardening in _HARD_SKIN for one in sets.values()),
        ground=ground,
        polished=polished,
        to_grind=to_grind,
        to_polish=to_polish,
    )


def _headline(work: Work) -> str:
    parts = [
        words
        for words, wanted in (
            ("straighten", work.straighten),
            ("grind", bool(work.ground)),
            ("polish", bool(work.polished) and not work.ground),
        )
        if wanted
    ]
    return ", then ".join(parts).capitalize()


def _first(given: Given, sets: Mapping[JournalSet, SetVerdict], shaft: Straight | None) -> Iterator[str]:
    """What has to be done or known before the sizes on the card stand."""
    if shaft is not None and shaft.action is Action.STRAIGHTEN:
        yield "Straighten first. What the bend takes off is in the sizes; read every journal again after it."
    elif shaft is not None and not shaft.straight:
        yield f"Straightness: {straight_headline(shaft)}. Nothing is ground before that is settled."
    for decided in sets.values():
        if decided.action is Action.REGRIND and decided.so_far:
            names = [name for name in decided.case.verdicts if name in decided.awaiting]
            who = names_of(names, decided.called) if names else given.engine.named(decided.case.journal_set)
            yield f"{who}: not all read. The size is the least it can be."
        elif decided.action is Action.REFER:
            yield f"{given.engine.named(decided.case.journal_set)}: to be referred before any work."


def _lines(given: Given, decided: SetVerdict) -> Iterator[CardLine]:
    for name in decided.case.verdicts:
        yield _line(given, decided, name)


def _line(given: Given, decided: SetVerdict, name: str) -> CardLine:
    say, verdict = given.say, decided.case.verdicts[name]
    case, form = verdict.case, verdict.case.survey.form
    action, limits = decided.action_of(name), given.job.limits.sets[decided.case.journal_set]
    before = ground_to(given.job.standing_operations, name, given.engine)
    was = None if before is None else before.step
    size = decided.size_of(name)
    further = action is Action.REGRIND and size is not None and size != was
    step, ground = (size, False) if further else (was, was is not None)
    finished = None if step is None else _band(decided, name, step, ground=ground)
    allowance = case.house.polish_allowance
    rough = None if finished is None else (finished[0] + allowance, finished[1] + allowance)
    hit, called, now = _came_back(given, decided, name, was)
    aim = None if finished is None else aim_of(verdict, finished)
    return CardLine(
        journal=given.engine.named(name),
        mark=MARKS[decided.mark_of(name)],
        work=_does(decided, action, step, given) if not ground else f"ground, {step_words(step or ZERO, say)}",
        present="" if form is None else say.text(form.size_found),
        stock="" if form is None or rough is None or ground else _stock(form.greatest.value, rough, say),
        grind_to="" if rough is None else f"{say.at_least(rough[0])} to {say.at_most(rough[1])}",
        finish_to=_finish_to(decided, name, finished, say),
        aim="" if aim is None else say.text(aim),
        width=_width(limits, say),
        fillets=_band_words(limits, "fillet", say),
        throw="" if name in given.engine.layout.mains else _throw(limits, say),
        hit=hit,
        called=called,
        now=now,
    )


def _finish_to(decided: SetVerdict, name: str, finished: tuple[Length, Length] | None, say: Notation) -> str:
    if finished is not None:
        return f"{say.at_least(finished[0])} to {say.at_most(finished[1])}"
    if decided.action_of(name) is Action.POLISH:
        return f"not below {say.at_least(decided.case.verdicts[name].case.size_limit.value)}"
    return ""


def _stock(greatest: Length, rough: tuple[Length, Length], say: Notation) -> str:
    """What the wheel takes off the diameter, from the greatest reading to the top of the band and to its bottom."""
    return f"{say.text(max(ZERO, greatest - rough[1]))} to {say.text(max(ZERO, greatest - rough[0]))}"


def _came_back(given: Given, decided: SetVerdict, name: str, was: Length | None) -> tuple[str, Called | None, str]:
    """How a journal that was ground came out, how that is called, and what now."""
    if was is None:
        return "", None, ""
    verdict = decided.case.verdicts[name]
    least, most = _band(decided, name, was, ground=True) or (ZERO, ZERO)
    off = ZERO if polished_after(_work_on(given, name)) else verdict.case.house.polish_allowance
    back = came_back(verdict, (least + off, most + off))
    if back is None:
        return "", None, ""
    hit, now = came_back_words(back, given.say)
    return hit, back.called, now


def _work_on(given: Given, name: str) -> tuple[OperationKind, ...]:
    done = given.job.standing_operations
    return tuple(one.kind for one in done if name in given.engine.touched(one.on))


def _band(decided: SetVerdict, name: str, step: Length, *, ground: bool) -> tuple[Length, Length] | None:
    """The finished band of a journal at a step: capped where the worst that goes there cleans up, as long as
    nothing is ground. None while the size may still go further."""
    size = decided.case.limits.size
    if ground:
        return size.least - step, size.most - step
    if decided.held and not decided.so_far:
        return size.least - step, size.most - step
    return finished_band(decided, name)


def _does(decided: SetVerdict, action: Action, step: Length | None, given: Given) -> str:
    if action is Action.REGRIND and step is not None:
        return f"grind, {step_words(step, given.say)}"
    if action is Action.MEASURE and decided.held:
        return "read again once it is straight"
    if action is Action.MEASURE and decided.to_see:
        return "looked at first"
    words = {
        Action.POLISH: "polish only",
        Action.FIT_UNDERSIZE: "polish only",
        Action.REUSE: "leave as it is",
        Action.MEASURE: "not settled",
        Action.REFER: "refer first",
    }
    return words.get(action, action.value)


def _band_words(limits: SetLimits, key: str, say: Notation) -> str:
    band = limits.band(key)
    return "" if band is None else f"{say.at_least(band.least)} to {say.at_most(band.most)}"


def _width(limits: SetLimits, say: Notation) -> str:
    width = limits.figure("width")
    return "" if width is None else say.text(width.value)


def _throw(limits: SetLimits, say: Notation) -> str:
    band = limits.band("half_stroke")
    return "" if band is None else f"half the stroke {say.at_least(band.least)} to {say.at_most(band.most)}"


def _asked(given: Given, sets: Mapping[JournalSet, SetVerdict], shaft: Straight | None) -> Iterator[str]:
    """What is still asked of a crank that came back: looks and tests by journal, and whether it runs true."""
    if not any(done.kind in (OperationKind.GRIND, OperationKind.POLISH) for done in given.job.standing_operations):
        return
    by_look: dict[str, list[str]] = defaultdict(list)
    for decided in sets.values():
        for name, verdict in decided.case.verdicts.items():
            for look in verdict.case.unseen:
                by_look[look].append(name)
    looks = given.engine.kinds.looks
    for key, names in by_look.items():
        known = looks.get(key)
        what = known.name or key if known is not None else key
        yield f"{what[:1].upper()}{what[1:]}: {names_of(names, given.engine.short)}"
    if shaft is not None and not shaft.straight:
        yield "Run-out at every main"


def _shells(sets: Mapping[JournalSet, SetVerdict], say: Notation) -> Iterator[str]:
    """Whether the half bearings can be had, asked before the crank goes out; ordered when the ground size is known.

    Rule:    sets.shells-to-order.
    """
    for decided in sets.values():
        ground = decided.ground
        for step, names in ground.items():
            found = decided.case.limits.shell(step)
            which = "mains" if decided.case.journal_set is JournalSet.MAINS else "rods"
            who = f"the {which}" if len(ground) == 1 and not decided.others else names_of(names, decided.called)
            size = step_words(step, say)
            if found is None or not found.can_be_bought:
                yield f"{size} for {who}: none on the sheet to be had. Ask before the crank goes out."
            else:
                number = f", {found.part_number}" if found.part_number else ""
                yield f"{size} for {who}{number}: ask now if they can be had; order when it is ground and read."


def _cautions(work: Work) -> tuple[Caution, ...]:
    wanted = (
        (Action.STRAIGHTEN, work.straighten),
        (Action.REGRIND, bool(work.ground)),
        (Action.POLISH, bool(work.polished)),
    )
    found = (caution for action, one in wanted if one for caution in cautions_for(action))
    return tuple({caution.work: caution for caution in found}.values())
