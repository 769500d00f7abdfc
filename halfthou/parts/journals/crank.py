"""The crank is one part: what ends it for one set ends it for both. And what a person decided otherwise."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from functools import lru_cache

from halfthou.jobs import Decision, DecisionKind, JournalSet, Layout, Look, Seen
from halfthou.lengths import ZERO, Length
from halfthou.looks import CRANK_SUSPECT, PASSED, Does
from halfthou.parts.journals.decide import End, SetVerdict
from halfthou.parts.journals.followed import ThrowMoved, moved_by_sheet
from halfthou.parts.journals.kind import JOURNAL
from halfthou.parts.journals.looks import HOT
from halfthou.parts.straightness import TRUE, Straight, straight_headline, straight_of, without_old_words
from halfthou.parts.trade import Given
from halfthou.surveys import SeenBy
from halfthou.verdicts import Action


def overruled(decided: SetVerdict, decision: Decision | None) -> SetVerdict:
    """The set as a person decided it: shells, band and headline follow the person.

    Rule:    sets.decided-otherwise.
    """
    if decision is None or decision.kind is not DecisionKind.OVERRIDDEN:
        return decided
    action = Action(decision.action)
    undersize = decision.step
    if undersize is None and action is not Action.REPLACE:
        undersize = None if decided.case.mixed else decided.case.present
    others = {one.part: one.step for one in decision.others if one.part in decided.case.verdicts}
    return replace(decided, action=action, undersize=undersize, decision=decision, others=others)


def crank_suspects(given: Given) -> tuple[str, ...]:
    """What was seen from which the crank may be bent or cracked, each with where; nothing once it was indicated at
    every main and passed a crack test. Of one main indicated nothing follows for the rest. Where its straightness
    is in scope, nothing but that says that it is straight.

    Rule:    sets.one-crank, straightness.first.
    """
    shaft = straight_of(given)
    looks, engine = given.engine.kinds.looks, given.engine
    # What is seen of a half bearing stands at its journal too: the first is where it was seen.
    found = {
        one.id: f"{engine.named(on)}: {one.answer}"
        for (on, key), one in reversed(given.seen.items())
        if (look := looks.get(key)) is not None
        and (answer := look.answer(one.answer)) is not None
        and CRANK_SUSPECT in answer.does
    }
    true = shaft.straight if shaft is not None else _whole(given, Look.STRAIGHTNESS, TRUE)
    if not found or (true and _whole(given, Look.CRACK_TEST, PASSED)):
        return ()
    return tuple(reversed(found.values()))


@dataclass(frozen=True)
class WholeCrank:
    """What is said of the crank as a whole, worked out once for all its journals.

    `seen` is what was seen, as far as it counts beside figures; `suspects` from what it may be bent or cracked;
    `proven` what its figures prove; `straight_first` how its straightness stands while that is not settled, ""
    where nothing waits for it; `hot` that a journal of it got hot.
    """

    seen: SeenBy
    suspects: tuple[str, ...]
    proven: frozenset[str]
    straight_first: str
    hot: bool = False


def whole_crank(given: Given) -> WholeCrank:
    """The crank of a job, as its journals are judged by it.

    Rule:    straightness.first: nothing is ground, polished or used again before the crank is straight, or its bend
             accepted.
    """
    shaft = straight_of(given)
    true = shaft is not None and shaft.straight
    seen = without_old_words(given)
    return WholeCrank(
        seen=seen,
        suspects=crank_suspects(given),
        proven=frozenset({f"{Look.STRAIGHTNESS}: {TRUE}"} if true else ()),
        straight_first="" if shaft is None or true else straight_headline(shaft),
        hot=any(look == Look.HEAT and one.answer in HOT for (_, look), one in seen.items()),
    )


def about_journal(seen: SeenBy, name: str) -> dict[str, Seen]:
    """What was seen of a journal and of its crank."""
    found = {look: one for (on, look), one in seen.items() if on in JOURNAL.wholes}
    found.update({look: one for (on, look), one in seen.items() if on == name})
    return found


def bend_at(given: Given, journal: str) -> Length:
    """What the bend of the crank takes off the size that a journal cleans up at, where that was indicated.

    Rule:    straightness.taken-off.
    """
    shaft = straight_of(given)
    if shaft is None:
        return ZERO
    if journal in given.engine.layout.mains:
        return shaft.takes_off((journal, journal))
    return shaft.takes_off(_beside(given.engine.layout, journal))


def tilt_at(given: Given, journal: str) -> Length:
    """What a rod journal loses that is ground about the axis on which the bend left it: it leans all the same.

    Rule:    sets.follow-the-pin.
    """
    shaft = straight_of(given)
    return ZERO if shaft is None else shaft.tilt_takes_off(_beside(given.engine.layout, journal))


def throw_at(given: Given, journal: str) -> ThrowMoved | None:
    """What becomes of a throw that is ground as the bend left it; None of a main, and where it is not known how the
    crank lies there.

    Rule:    sets.follow-the-pin.
    """
    layout, shaft = given.engine.layout, straight_of(given)
    if shaft is None or journal in layout.mains:
        return None
    lies = shaft.lies_between(_beside(layout, journal))
    if lies is None:
        return None
    throw = layout.pins[int(journal[1:]) - 1].throw_deg
    return moved_by_sheet(lies, throw, given.job.limits.sets[JournalSet.RODS], layout.rotation)


@lru_cache(maxsize=512)
def _beside(layout: Layout, journal: str) -> tuple[str, str]:
    """The mains before and behind a rod journal."""
    at, mains = layout.shaft.index(journal), layout.mains
    before = next((name for name in reversed(layout.shaft[:at]) if name in mains), mains[0])
    behind = next((name for name in layout.shaft[at:] if name in mains), mains[-1])
    return before, behind


def _whole(given: Given, look: Look, answer: str) -> bool:
    """Whether a look was answered so of the crank, or of every main."""

    def says(on: str) -> bool:
        """Whether that is what was seen there."""
        found = given.seen.get((on, look))
        return found is not None and found.answer == answer

    return says("crank") or all(map(says, given.engine.layout.mains))


def as_one_crank(decided: Mapping[JournalSet, SetVerdict], shaft: Straight | None) -> dict[JournalSet, SetVerdict]:
    """The sets once the crank is looked at as one part.

    A crack anywhere, one set past its last size, or a bend that is not straightened ends it for both: nothing is
    ground and no shells are ordered.
    Rule:    sets.one-crank.
    """
    bent = shaft is not None and shaft.ends
    journals = [verdict for one in decided.values() for verdict in one.case.verdicts.values()]
    cracked = any(verdict.case.eye.does(Does.REJECTS) for verdict in journals)
    found = {}
    for name, one in decided.items():
        others = [other for other_name, other in decided.items() if other_name is not name]
        if cracked and one.decision is None:
            found[name] = replace(one, action=Action.REPLACE, undersize=None, ended=End.CRACK)
        elif bent and one.decision is None:
            found[name] = replace(one, action=Action.REPLACE, undersize=None, ended=End.BENT)
        elif any(other.action is Action.REPLACE for other in others) and one.decision is None:
            if one.action is not Action.REPLACE:
                found[name] = replace(one, action=Action.REPLACE, undersize=None, ended=End.OTHER_SET)
            else:
                found[name] = one
        else:
            found[name] = one
    return found
