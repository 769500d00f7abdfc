"""Marks of parts: what each bears, which of them disagree, and what a mark may be given to."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.engines import Place
from halfthou.jobs import BARE, Felt, Job, Look, Marking, Seen, StepDone
from halfthou.parts.journals.looks import CAP_STEPS, CAPS_DISAGREE
from halfthou.strip.places import places_off
from halfthou.words import Reason


def same_mark(one: str, other: str) -> bool:
    """Whether two marks say the same: letters large or small, zeros in front and signs between do not count.

    >>> same_mark("M2", "m 02"), same_mark("3", "8")
    (True, False)
    """
    return _bare(one) == _bare(other)


def _bare(mark: str) -> str:
    return re.sub(
        r"\b0+(?=\d)", "", re.sub(r"([A-Za-z])0+(?=\d)", r"\1", re.sub(r"[^0-9A-Za-z]", "", mark))
    ).upper()


@dataclass(frozen=True, slots=True)
class Marks:
    """What each position's part bears: as found on it, and as given to it here."""

    found: dict[str, Marking]
    given: dict[str, Marking]

    def bears(self, position: str) -> str:
        """The mark by which its part is known: the one given here, else the one found; "" where neither."""
        given, found = self.given.get(position), self.found.get(position)
        if given is not None:
            return given.mark
        return found.mark if found is not None and found.mark != BARE else ""


def marks_of(job: Job) -> Marks:
    """The last mark found on each part, and the last given to it."""
    found: dict[str, Marking] = {}
    given: dict[str, Marking] = {}
    for one in job.standing(job.markings):
        (found if one.found else given)[one.part] = one
    return Marks(found, given)


def disagreements(job: Job) -> tuple[tuple[Place, Place, str], ...]:
    """Rods and caps whose numbers, as found, disagree: the rod, its cap, and what to say.

    Rule:    strip.caps.   Source: docs/trade: Caps and rods, common practice.
    """
    return tuple(_disagreeing(job))


def _disagreeing(job: Job) -> Iterator[tuple[Place, Place, str]]:
    places, marks = places_off(job.limits.layout), marks_of(job)
    for key, found in marks.found.items():
        place = places.get(key)
        if place is None or found.mark == BARE:
            continue
        if place.kind == "rod":
            cap = marks.found.get(place.pair)
            if cap is not None and cap.mark != BARE and not same_mark(found.mark, cap.mark):
                say = (
                    f"Rod {place.mark} bears {found.mark}, its cap {cap.mark}: they are no pair. Measure every rod."
                )
                yield place, places[place.pair], say
        elif (
            place.kind == "main cap"
            and not same_mark(found.mark, place.mark)
            and not same_mark(found.mark, place.mark[1:])
        ):
            say = f"The cap on main {place.mark[1:]} bears {found.mark}: it is another's. Measure the whole tunnel."
            yield place, place, say


def stepped(job: Job) -> tuple[tuple[Place, StepDone], ...]:
    """The caps at whose joint a step was felt."""
    places = places_off(job.limits.layout)
    found = []
    for done in job.standing(job.steps_done):
        if Felt.STEPPED in done.felt:
            place = places.get(done.step.removesuffix(".off"))
            if place is not None:
                found.append((place, done))
    return tuple(found)


def mark_findings(job: Job) -> tuple[Reason, ...]:
    """What has to be said at once of marks: pairs that disagree, a step at the joint, a pair from another place.

    Rule:    strip.caps.
    """
    return tuple(_findings(job))


def _findings(job: Job) -> Iterator[Reason]:
    places, marks = places_off(job.limits.layout), marks_of(job)
    for place, _, say in disagreements(job):
        yield Reason(rule="strip.caps", text=say, spots=(place.id,))
    for place, _ in stepped(job):
        text = f"{place.name}: a step at the joint. It is not that one's cap, or it was shifted. Measure the pair."
        yield Reason(rule="strip.caps", text=text, spots=(place.id,))
    for key, found in marks.found.items():
        rod = places.get(key)
        if rod is None or rod.kind != "rod" or found.mark == BARE or same_mark(found.mark, rod.mark):
            continue
        cap = marks.found.get(rod.pair)
        if cap is not None and same_mark(found.mark, cap.mark):
            text = f"The rod of cylinder {rod.mark} bears {found.mark} on both halves: a pair, in another place."
            yield Reason(rule="strip.caps", text=text, spots=(rod.id,))


def caps_seen(job: Job) -> dict[tuple[str, str], Seen]:
    """What marks and joints say of journals: as looks at cap and rod, so that the bench judges by them.

    Rule:    strip.caps: whatever else was seen, numbers that disagree stand until the mark is taken back.
    """
    seen: dict[tuple[str, str], Seen] = {}
    if not job.markings and not job.steps_done:
        return seen
    marks = marks_of(job)
    for place, done in stepped(job):
        seen[place.beside, Look.CAPS] = Seen(
            id=done.id, on=place.beside, look=Look.CAPS, answer=CAP_STEPS, by=done.by, at=done.at
        )
    for place, _, _ in disagreements(job):
        found = marks.found[place.id]
        seen[place.beside, Look.CAPS] = Seen(
            id=found.id, on=place.beside, look=Look.CAPS, answer=CAPS_DISAGREE, by=found.by, at=found.at
        )
    return seen


def fault_of_mark(job: Job, given: Marking) -> str:
    """What is wrong with a mark that is about to be written down; nothing where nothing is.

    Rule:    strip.marks: a mark given here is one part's; a part that bears one given here gets no other.
    """
    places, marks = places_off(job.limits.layout), marks_of(job)
    place = places[given.part]
    if given.found:
        return ""
    if given.mark == BARE:
        return "A mark that is given says something."
    before = marks.given.get(given.part)
    if before is not None and not same_mark(before.mark, given.mark):
        return f"{place.name} was marked {before.mark} by {before.by} already. Take that back first, or keep it."
    for key, other in marks.given.items():
        if key != given.part and places[key].kind == place.kind and same_mark(other.mark, given.mark):
            return f"{given.mark} was given to {places[key].name} by {other.by} already. No two bear the same."
    return ""
