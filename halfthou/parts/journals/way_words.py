"""The ways on for a set of journals, in words."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.amounts import Quantity, amount_text
from halfthou.engines import set_name
from halfthou.jobs import Decision, Hardening
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.journals.decide import SetVerdict
from halfthou.parts.journals.profile_picture import profiles_shown
from halfthou.parts.journals.set_words import headline, set_reasons
from halfthou.parts.journals.size_words import said_of_hardening
from halfthou.parts.journals.ways import (
    ALONE,
    ANOTHER,
    BUILD_UP,
    FOLLOW,
    GRIND,
    LEAVE,
    POLISH,
    POLISH_SHELLS,
    Bar,
    JournalWay,
    shells_had,
    waits_of,
    ways_on,
    worst_called,
)
from halfthou.parts.trade import Given
from halfthou.report import WayOnShown, WaysShown
from halfthou.verdicts import MARKS, Action, Called, MarkCode
from halfthou.words import cautions_for, names_of, step_words

_MARK = {
    LEAVE: MarkCode.REUSE,
    POLISH: MarkCode.POLISH,
    POLISH_SHELLS: MarkCode.FIT_UNDERSIZE,
    GRIND: MarkCode.REGRIND,
    FOLLOW: MarkCode.REGRIND,
    ALONE: MarkCode.REGRIND,
    ANOTHER: MarkCode.REPLACE,
    BUILD_UP: MarkCode.REFER,
}
#: What has to be read or seen again. Source: docs/trade: What work makes stale, common practice.
_STALE = {
    Action.REUSE: "nothing",
    Action.POLISH: "size, finish",
    Action.FIT_UNDERSIZE: "size and finish where it is polished; oil clearance",
    Action.REGRIND: "size, finish, fillets, oil holes, case, throw, run-out, crack test, balance",
    Action.REPLACE: "all that was read of this crank",
    Action.REFER: "all that was read of this crank; hardness and crack test besides",
}
#: Why a way is not open. {who} are the journals, {by} how much.
_BARS = {
    "straight": "Indicate the crank and crack-test it, or straighten it, first. Then a way can be picked.",
    "unread": "{who} not read whole",
    "referred": "{who}: somebody else's word comes first",
    "needs more": "{who} needs more than that",
    "polished away": "{who} would be {by} under",
    "too near": "{who} would be nearer to the limit than the gauge can tell",
    "nothing small": "no journal is a little small with its form sound",
    "not sold": "no shells on the sheet to be had",
    "below smallest": "below the maker's smallest",
    "misses": "{who} misses",
    "cracked": "{who} cracked: nothing is built on a crack",
    "one size": "the house keeps one size for a set",
    "specialist": "by a specialist alone; refer it",
    "thumb": "the smallest allowed is a rule of thumb: ask the maker",
    "tight": "{who} leaves {by}, less than a workable band",
    "side": "which way the crank bends at {who} is not known: read the high side",
    "throw": "{who} would leave the sheet's stroke or index",
    "no throw": "the sheet says nothing of stroke and index: ask what may give",
    "axis": "the house keeps the axis of every throw",
    "clearance": "the oil clearance would be outside what is allowed: measure housings and shells",
}


def ways_shown(given: Given, decided: SetVerdict, accepted: Decision | None) -> WaysShown:
    """The ways on for a set of journals as a document, in the unit of the job."""
    say = given.say
    waits = waits_of(decided)
    return WaysShown(
        set=decided.case.journal_set.value,
        name=set_name(decided.case.journal_set),
        headline=headline(decided, say),
        because=set_reasons(decided, say)[:3],
        unit=say.unit,
        waits="" if waits is None else _why(decided, waits, say),
        decided=(accepted or decided.decision) is not None,
        ways=tuple(_shown(decided, way, say) for way in ways_on(given, decided)),
        profiles=tuple(profiles_shown(decided, say)),
        cautions=cautions_for(Action.REGRIND),
    )


def _shown(decided: SetVerdict, way: JournalWay, say: Notation) -> WayOnShown:
    ground = way.action is Action.REGRIND and way.step is not None
    size = decided.case.limits.size
    return WayOnShown(
        key=way.name,
        words=_words(decided, way, say),
        mark=MARKS[_MARK[way.key]],
        action=way.action,
        step=say.shown(way.step) if way.step is not None and ground else None,
        possible=not way.bars,
        by_word=bool(way.asks),
        why=tuple(_why(decided, bar, say) for bar in (*way.bars, *way.asks)),
        sets_it=decided.called(way.sets_it) if way.sets_it else "",
        to_spare="" if way.to_spare is None else _spare(way.to_spare, say),
        finish_to=""
        if not ground or way.step is None
        else f"{say.at_least(size.least - way.step)} to {say.at_most(size.most - way.step)}",
        case_left=_case(decided, way, say),
        shells=_shells(decided, way),
        can_be_had=shells_had(decided, way),
        clearance=_clearance(way, say),
        clearance_called=worst_called(way.clearances),
        stale=_STALE[way.action],
        recommended=way.recommended,
        moves=tuple(_moves(decided, way, say)),
    )


def _moves(decided: SetVerdict, way: JournalWay, say: Notation) -> Iterator[str]:
    """What becomes of each throw where it is ground as the bend left it."""
    for name, moved in way.moved.items():
        if moved is None or not (moved.half_stroke.nm or moved.index):
            continue
        longer = "longer" if moved.half_stroke >= ZERO else "shorter"
        parts = [f"stroke {say.text(Length(abs(moved.stroke.nm)))} {longer}"]
        turned = "" if moved.index is None else amount_text(Quantity.ANGLE, abs(moved.index), finer=1)
        if moved.index is not None and turned.strip("0.°"):
            parts.append(f"index {turned} {'ahead' if moved.index > 0 else 'behind'}")
        yield f"{decided.called(name)}: {', '.join(parts)}"


def _spare(spare: Length, say: Notation) -> str:
    return f"short by {say.text(-spare)}" if spare < ZERO else say.text(spare)


def _words(decided: SetVerdict, way: JournalWay, say: Notation) -> str:
    at = step_words(way.step, say) if way.step is not None else ""
    if way.key == ALONE:
        present = way.rest == decided.case.present
        rest = "the rest as they are" if present or way.rest is None else f"the rest {step_words(way.rest, say)}"
        return f"{decided.called(way.alone)} alone {at}, {rest}"
    if way.key == FOLLOW:
        return f"Grind, {at}, following the pins"
    return {
        LEAVE: "Leave as they are",
        POLISH: "Polish",
        POLISH_SHELLS: "Polish, shells a little under",
        GRIND: f"Grind, {at}",
        ANOTHER: "Another crank",
        BUILD_UP: "Build up and grind back",
    }[way.key]


def _why(decided: SetVerdict, bar: Bar, say: Notation) -> str:
    if bar.hardening is not None:
        return said_of_hardening(bar.hardening, say).removesuffix(".")
    every = set(bar.journals) == set(decided.case.verdicts)
    who = "every journal" if every else names_of(bar.journals, decided.called)
    by = say.text(bar.by) if bar.by is not None else ""
    words = _BARS[bar.key].format(who=who, by=by)
    if bar.key == "misses" and len(bar.journals) > 1 and not every:
        words = words.removesuffix("es")
    if bar.key == "needs more" and len(bar.journals) > 1 and not every:
        words = words.replace("needs", "need")
    return f"{words} by {by}" if bar.key == "misses" and by else words


def _case(decided: SetVerdict, way: JournalWay, say: Notation) -> str:
    if way.action is not Action.REGRIND:
        return ""
    if decided.case.limits.hardening is Hardening.NONE:
        return "not hardened"
    return say.text(way.case_left) if way.case_left is not None else "not known"


def _shells(decided: SetVerdict, way: JournalWay) -> str:
    """The half bearings a way needs: their part number by the sheet, or that there are none."""
    if way.action is not Action.REGRIND or way.step is None:
        return ""
    found = decided.case.limits.shell(way.step)
    if found is None or not found.can_be_bought:
        return "none to be had"
    return found.part_number or "can be had"


def _clearance(way: JournalWay, say: Notation) -> str:
    if not way.clearances:
        return ""
    least, most = min(one.least for one in way.clearances), max(one.most for one in way.clearances)
    tail = {Called.BEYOND: ": outside what is allowed", Called.TOO_CLOSE: ": measure housing and shells"}
    called = worst_called(way.clearances)
    return f"{say.text(least)} to {say.text(most)}{tail.get(called, '') if called is not None else ''}"
