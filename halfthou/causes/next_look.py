"""Which look comes next: what would be lost, what proves the leader, what it may have done, what made it, and what
tells the possible causes apart."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, field

import numpy as np

from halfthou.causes.cause import Cause
from halfthou.causes.known import CAUSES
from halfthou.causes.network import information
from halfthou.causes.signs import SIGNS
from halfthou.causes.weighing import Weighed, Word
from halfthou.jobs import ComplaintKind, Document
from halfthou.looks import AllLooks, LookKind

#: A look's minutes with these added: walking, wiping, writing. Source: judgement.
EACH_LOOK = 3
#: A cause below this is not worth a look of its own before work destroys it. Source: judgement.
WORTH_A_LOOK = 0.05
#: What separates less than this, in bits, is not worth its minutes.
LEAST_BITS = 0.005


class NextLook(Document):
    """A look worth taking next: why, what it takes, and what is lost where work goes on without it."""

    key: str
    name: str
    where: str
    how: str
    minutes: int
    why: str
    lost: str


@dataclass(frozen=True)
class StillOpen:
    """What of a table of looks may still be looked at: those taken already, that cannot be taken any more, or whose
    way is not open yet (`shut`) are left out. `lost_by` are the steps of the strip not done yet that destroy
    something, with their words, `at_once` those that come next; where nobody writes the strip down (`unwritten`),
    washing may."""

    looks: AllLooks
    taken: frozenset[str] = frozenset()
    gone: frozenset[str] = frozenset()
    lost_by: Mapping[str, str] = field(default_factory=dict)
    at_once: frozenset[str] = frozenset()
    shut: frozenset[str] = frozenset()
    unwritten: bool = True

    def may(self, look: LookKind, weighed: Weighed) -> bool:
        """Whether a look is still worth naming: not taken, not gone, and its signs not all known."""
        return (
            look.key not in self.taken
            and look.key not in self.gone
            and look.key not in self.shut
            and not (look.signs and all(sign in weighed.evidence.answered for sign in look.signs))
        )


def next_looks(weighed: Weighed, still: StillOpen, most: int = 3) -> tuple[NextLook, ...]:
    """The looks worth taking next, the first first.

    Rule:    causes.next, in its order: lost otherwise, prove, follow heat, why, follow, separate.
    """
    found: dict[str, NextLook] = {}
    for look, why in _worth(weighed, still):
        if look.key not in found and still.may(look, weighed):
            lost = still.lost_by.get(look.lost_by, "") if look.lost_by else ""
            found[look.key] = NextLook(
                key=look.key,
                name=look.name,
                where=look.station,
                how=look.how,
                minutes=look.minutes,
                why=why,
                lost=f"Before: {lost}. It goes with it." if lost else "",
            )
        if len(found) == most:
            break
    return tuple(found.values())


Worth = Iterator[tuple[LookKind, str]]


def _worth(weighed: Weighed, still: StillOpen) -> Worth:
    if not weighed.evidence.seen and not weighed.evidence.complaint - {ComplaintKind.NONE}:
        return
    yield from _lost(weighed, still)
    yield from _prove(weighed, still)
    yield from _follow(weighed, still, hot=True)
    yield from _why(weighed, still)
    yield from _follow(weighed, still, hot=False)
    yield from _separate(weighed, still)


def _alive(weighed: Weighed, least: float) -> list[str]:
    """The causes not ruled out that are worth a look, the likeliest first."""
    alive = [
        key
        for key, chance in weighed.chance.items()
        if chance >= least and weighed.words[key] not in (Word.RULED_OUT, Word.PROVED, Word.UNLIKELY)
    ]
    return sorted(alive, key=lambda key: -weighed.chance[key])


def _lost(weighed: Weighed, still: StillOpen) -> Worth:
    """Looks that settle a cause which is still alive, and that the next step of work destroys."""
    if any(word is Word.PROVED for word in weighed.words.values()):
        return
    for key in _alive(weighed, WORTH_A_LOOK):
        for look in _settling(key, still.looks):
            if look.lost_by in still.at_once:
                when = "look before it is cleaned." if still.unwritten else "the next step destroys it."
                yield look, f"It settles “{CAUSES[key].name}”: {when}"


def _settling(key: str, looks: AllLooks) -> Iterator[LookKind]:
    """The looks that settle a cause: that can show a settling sign of it, or rule it out."""
    cause = CAUSES[key]
    for sign in cause.proofs or (*cause.leaves, *cause.against):
        yield from looks.at(sign)


def _prove(weighed: Weighed, still: StillOpen) -> Worth:
    """What would settle the leader, where nothing has yet."""
    leaders = [key for key in weighed.standing if weighed.words[key] is Word.LIKELY]
    if any(weighed.words[key] is Word.PROVED for key in weighed.standing):
        return
    for key in leaders[:1]:
        for look in _settling(key, still.looks):
            yield look, f"It proves “{CAUSES[key].name}”, or rules it out."


def _leaders(weighed: Weighed) -> list[str]:
    return [key for key in weighed.standing if weighed.words[key] in (Word.PROVED, Word.LIKELY)]


def _why(weighed: Weighed, still: StillOpen) -> Worth:
    """What makes a leader and was not looked at: where the carbon, the chip, the metal came from."""
    for key in _leaders(weighed):
        behind = [cause for cause in CAUSES.values() if key in cause.brings]
        if any(weighed.words[cause.key] is Word.PROVED for cause in behind):
            continue
        for name in CAUSES[key].made_by:
            yield still.looks[name], f"It may have made “{CAUSES[key].name}”: is it behind it?"
        for cause in sorted(behind, key=lambda one: (_least_minutes(one, still.looks), -weighed.chance[one.key])):
            begun = any(sign in weighed.evidence.seen for sign in cause.leaves)
            open_yet = cause.proofs if begun else tuple(cause.leaves)
            if weighed.words[cause.key] in (Word.PROVED, Word.RULED_OUT, Word.LIKELY):
                continue
            for sign in open_yet:
                for look in still.looks.at(sign):
                    yield look, f"“{cause.name}” makes “{CAUSES[key].name}”: is it behind it?"


def _least_minutes(cause: Cause, looks: AllLooks) -> int:
    """The minutes of the quickest look that settles a cause."""
    return min((look.minutes for look in _settling(cause.key, looks)), default=0)


def _follow(weighed: Weighed, still: StillOpen, *, hot: bool) -> Worth:
    """What a leader may have done: after heat first, as that ends in a broken part."""
    heat = bool({"journal.hot", "rods.tight-blue"} & set(weighed.evidence.seen))
    for key in _leaders(weighed):
        names = CAUSES[key].follow
        if (heat and HEAT_TESTS in names) is hot:
            for name in names if heat else [one for one in names if one != HEAT_TESTS]:
                yield still.looks[name], f"“{CAUSES[key].name}” may have done more: see it before it is trusted."


HEAT_TESTS = "heat tests"


def _separate(weighed: Weighed, still: StillOpen) -> Worth:
    """What tells the possible causes apart, most for its minutes."""
    proved = any(word is Word.PROVED for word in weighed.words.values())
    words = (Word.LIKELY, Word.POSSIBLE) if proved else (Word.LIKELY, Word.POSSIBLE, Word.NOT_LOOKED)
    alive = [(nth, weighed.chance[key]) for nth, key in enumerate(CAUSES) if weighed.words[key] in words]
    rows, least = [nth for nth, chance in alive if chance >= WORTH_A_LOOK], LEAST_BITS
    if not rows and not proved:
        # Nothing likely is left: what is rare after such a complaint is looked for too.
        rows, least = [nth for nth, _ in alive], 0.0
    signs = [key for key in SIGNS if key not in weighed.evidence.answered]
    if not rows or not signs:
        return
    columns = [nth for nth, key in enumerate(SIGNS) if key not in weighed.evidence.answered]
    bits = dict(
        zip(signs, information(weighed.posterior, np.array(columns, dtype=np.intp), tuple(rows)), strict=True)
    )
    worth = {}
    for look in still.looks.on_the_board:
        if still.may(look, weighed):
            told = max((bits.get(sign, 0.0) for sign in look.signs), default=0.0)
            if told > least:
                worth[look.key] = told / (look.minutes + look.harm + EACH_LOOK)
    for key in sorted(worth, key=lambda one: -worth[one]):
        yield still.looks[key], "It tells the possible causes apart, most for its minutes."
