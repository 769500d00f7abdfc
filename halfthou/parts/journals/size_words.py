"""The size a set is ground to, in short sentences: what sets it, its band, the next one, why there is none."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import Hardening
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.journals.clearance import finished_band, ground_band
from halfthou.parts.journals.decide import SetVerdict
from halfthou.parts.journals.hardening import HardeningCase, HardeningSays
from halfthou.parts.journals.limits import sheet_steps
from halfthou.sets import SizeChoice, StepOutlook
from halfthou.verdicts import Action
from halfthou.words import Reason, names_of, step_words


def size_reasons(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """Why this size, or why none; and what the grinder is to hit."""
    choice = decided.choice
    if choice is None or decided.decision is not None or decided.ended is not None:
        yield from _band(decided, say)
        return
    worst = decided.called(choice.sets_it)
    if choice.sure is None:
        yield from _no_size(decided, say)
        return
    yield from hardening_words(decided, say)
    outlook = choice.at(choice.sure)
    if outlook is None:
        return
    size = step_words(choice.sure, say)
    if decided.action is not Action.REGRIND:
        text = f"{worst} is past its limits; by size it would clean up at {size}."
        yield Reason(rule="sets.regrind.common-size", text=text)
        if outlook.rung.asked:
            text = f"A rule of thumb allows nothing so small as {size}: find the maker's smallest size."
            yield Reason(rule="sets.regrind.smallest-allowed", text=text)
        return
    yield Reason(rule="sets.regrind.common-size", text=_sets_it(decided, choice, outlook, say))
    for missed in [o for o in choice.outlooks if o.rung.step < choice.sure][-1:]:
        yield _missed(decided, missed, say)
    if decided.so_far:
        return
    yield from _next_size(decided, say)
    yield from _band(decided, say)


def _sets_it(decided: SetVerdict, choice: SizeChoice, outlook: StepOutlook, say: Notation) -> str:
    size = step_words(outlook.rung.step, say)
    worst, spare = decided.called(choice.sets_it), say.text(outlook.to_spare)
    if choice.limits_it == choice.sets_it or outlook.worst == choice.sets_it:
        return f"{worst} sets the size. At {size} it has {spare} to spare."
    other = decided.called(outlook.worst)
    return (
        f"{worst} needs it and sets the size. At {size} {other}, ground with it, has the least to spare: {spare}."
    )


def _missed(decided: SetVerdict, missed: StepOutlook, say: Notation) -> Reason:
    size = step_words(missed.rung.step, say)
    if missed.misses:
        who = decided.called(missed.worst)
        if missed.to_spare >= ZERO:
            text = f"At {size} it leaves {who} a band of nothing."
        else:
            text = f"At {size} {who} misses by {say.text(-missed.to_spare)}."
        return Reason(rule="sets.regrind.sure-size", text=text)
    if missed.tight and missed.rung.usable:
        who = names_of(missed.tight, decided.called)
        text = f"At {size} {who} leaves {say.text(missed.to_spare)}: less than a workable band."
        return Reason(rule="sets.regrind.tight", text=text)
    return Reason(rule=_bar(missed.rung.sold), text=f"{size} would do, but {_why_not(missed)}.")


def _band(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    if decided.action is not Action.REGRIND or decided.undersize is None:
        return
    for step, names in (decided.ground or {decided.undersize: tuple(decided.case.verdicts)}).items():
        who = f"{names_of(names, decided.called)}: " if decided.others else ""
        text = _band_of(decided, names[0], step, say)
        if text:
            yield Reason(
                rule="sets.regrind.grinder-band", text=f"{who}{text[:1].lower() if who else text[:1]}{text[1:]}"
            )


def _band_of(decided: SetVerdict, journal: str, step: Length, say: Notation) -> str:
    """What the journals that go to one size are finished and ground to; nothing while that is open."""
    finished, ground = finished_band(decided, journal), ground_band(decided, journal)
    if finished is None or ground is None:
        size = step_words(step, say)
        nothing = f"By the readings nothing is left to grind to at {size}: not every journal surely cleans up."
        return nothing if decided.finished else ""
    short = finished[1] < decided.case.limits.size.most - step
    tail = " Only the lower part of the band is sure." if short else ""
    return (
        f"Finish, after polish, to {say.at_least(finished[0])} to {say.at_most(finished[1])}; "
        f"grind to {say.at_least(ground[0])} to {say.at_most(ground[1])}.{tail}"
    )


def _next_size(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    further = decided.choice.next_after if decided.choice else None
    if further is None:
        text = "It is the last size: after it the crank is at the end of its road."
        yield Reason(rule="sets.regrind.last-size", text=text)
    elif decided.choice is not None and decided.choice.sure is not None:
        size = step_words(further.rung.step, say)
        more = say.text(further.rung.step - decided.choice.sure)
        text = f"Next size down, {size}, would take {more} more and one step of the crank's life."
        yield Reason(rule="sets.regrind.last-size", text=text)


def _no_size(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    choice = decided.choice
    if choice is None:
        return
    worst = decided.called(choice.sets_it)
    if len(sheet_steps(decided.case.limits)) < 2:
        text = "The limits sheet lists no undersize shells: find out what can be bought."
        yield Reason(rule="sets.regrind.shells-exist", text=text)
        return
    if not choice.outlooks:
        text = f"{worst} is worn past its limits at the last size on the sheet: the end of the crank's road."
        yield Reason(rule="sets.regrind.last-size", text=text)
        return
    if choice.tight is not None:
        outlook = choice.at(choice.tight)
        size = step_words(choice.tight, say)
        spare = say.text(outlook.to_spare) if outlook else ""
        text = f"At {size} {worst} leaves {spare}, less than a workable band, and no further size is sure."
        yield Reason(rule="sets.regrind.tight", text=text)
        return
    barred = next((o for o in choice.outlooks if not o.misses and not o.rung.usable), None)
    last = choice.outlooks[-1]
    if barred is not None:
        size = step_words(barred.rung.step, say)
        text = f"{worst} would clean up at {size}, but {_why_not(barred)}."
        yield Reason(rule=_bar(barred.rung.sold), text=text)
    else:
        size = step_words(last.rung.step, say)
        by = "leaves a band of nothing" if last.to_spare == ZERO else f"misses by {say.text(-last.to_spare)}"
        text = f"Past the last size: at {size} {decided.called(last.worst)} {by}."
        yield Reason(rule="sets.regrind.last-size", text=text)
    yield from _could_be_saved(decided, choice, say)


def _could_be_saved(decided: SetVerdict, choice: SizeChoice, say: Notation) -> Iterator[Reason]:
    if choice.possible is None:
        return
    size = step_words(choice.possible, say)
    who = names_of(choice.profile_of, decided.called)
    if any(decided.case.verdicts[name].by_score for name in choice.profile_of):
        text = f"The score decides: only the axis moved away from it could save {who} at {size}."
    else:
        text = f"Even wear could save it at {size}: take a radial profile of {who} before it is scrapped."
    yield Reason(rule="sets.regrind.sure-size", text=text)


def _bar(can_be_bought: bool) -> str:
    return "sets.regrind.smallest-allowed" if can_be_bought else "sets.regrind.shells-exist"


def _why_not(outlook: StepOutlook) -> str:
    return "the maker does not allow it" if outlook.rung.sold else "no shells can be bought for it"


_HARDENING = {
    HardeningCase.UNKNOWN: (
        "Hardening not known: ask the maker before it is ground, and put it on the limits sheet."
    ),
    HardeningCase.HOUSE_NEVER: "Journals {kind}: by the house rule a hardened crank is never ground.",
    HardeningCase.HOUSE_NOT_CHOSEN: (
        "Journals {kind}, and no owner has chosen yet whether a hardened crank is ground here."
    ),
    HardeningCase.SKIN: (
        "Nitrocarburised: any grind takes the hard skin. Refer it for hardening again after grinding."
    ),
    HardeningCase.TOO_DEEP: (
        "Nitrided, and more than 0.25 mm off in all: refer it for hardening again after grinding."
    ),
    HardeningCase.DEPTH_NOT_KNOWN: (
        "{Kind}, and the maker's case depth is not on the sheet: find it before grinding."
    ),
    HardeningCase.LEAST_NOT_KNOWN: (
        "{Kind}: {left} of case would be left. Find the least the maker allows before grinding."
    ),
    HardeningCase.GONE: "{Kind}: at this size no case is left.",
    HardeningCase.THROUGH: "{Kind}: {left} of case would be left, {least} is the least.",
    HardeningCase.LEFT: "{Kind}: {left} of case left after grinding. Check hardness after.",
}


def hardening_words(decided: SetVerdict, say: Notation) -> Iterator[Reason]:
    """What the hardening says of the proposed regrind, in words; nothing where nothing is hardened."""
    if decided.hardening is not None:
        yield Reason(rule="sets.regrind.hardened", text=said_of_hardening(decided.hardening, say))


def said_of_hardening(says: HardeningSays, say: Notation) -> str:
    """What the hardening says of a regrind, as a sentence."""
    kind = says.hardening.value if says.hardening is not Hardening.UNKNOWN else ""
    left = say.text(says.left) if says.left is not None else ""
    least = say.text(says.least) if says.least is not None else ""
    return _HARDENING[says.case].format(kind=kind, Kind=kind.capitalize(), left=left, least=least)
