"""The plain check that a list holds: walked step by step, whoever wrote it. It knows nothing of how a list is
made."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field

from halfthou.engines import MARKED_FIRST, Description
from halfthou.strip.places import places_off
from halfthou.strip.rules import TIES, TURNING_RULE
from halfthou.strip.step import StripStep
from halfthou.strip.turning import valve_in_the_way


@dataclass
class _Walk:
    """What is off, marked and done so far, and where the crank stands."""

    families: dict[str, int] = field(default_factory=dict)
    taken: dict[str, str] = field(default_factory=dict)
    marked: set[str] = field(default_factory=set)
    stands: int | None = None


def breaks(steps: Sequence[StripStep], engine: Description) -> Iterator[str]:
    """What a list breaks, in words; nothing where it holds.

    Rule:    strip.order, strip.marks, strip.places, strip.turning, strip.turns.
    """
    yield from _ties_broken(steps, engine)
    walk, places = _Walk(), places_off(engine.layout)
    for step in steps:
        if step.turns:
            yield from _turned(step, walk, engine)
        if step.at is not None and walk.stands != step.at:
            yield f"{step.text}: the crank does not stand where it is done"
        walk.marked |= set(step.marks)
        for place in step.takes:
            if place in walk.taken:
                yield f"{places[place].name} is taken twice: {walk.taken[place]}, {step.id}"
            if place not in places:
                yield f"{step.id} takes {place}, which this engine does not have"
            elif places[place].kind in MARKED_FIRST and place not in walk.marked:
                yield f"{places[place].name} leaves its place without its mark"
            walk.taken[place] = step.id
        walk.families[step.family] = walk.families.get(step.family, 0) + 1
    yield from (f"{place.name} is never taken" for key, place in places.items() if key not in walk.taken)


def _ties_broken(steps: Sequence[StripStep], engine: Description) -> Iterator[str]:
    """Every pair that the table binds, looked up by itself."""
    place = {step.id: n for n, step in enumerate(steps)}
    for tie in TIES:
        if not tie.when(engine):
            continue
        firsts = [one for one in steps if one.family == tie.before]
        for other in (one for one in steps if one.family == tie.after):
            for one in firsts:
                agree = all(
                    key in one.of and one.of[key] == other.of.get(later)
                    for key, later in zip(tie.by, tie.by_after, strict=True)
                )
                if agree and place[one.id] > place[other.id]:
                    yield f"{other.text}: {one.text} comes first, {tie.why} ({tie.id})"


def _turned(step: StripStep, walk: _Walk, engine: Description) -> Iterator[str]:
    """Whether the crank may turn now.

    Rule:    strip.turning.
    """
    if valve_in_the_way(walk.families, engine):
        yield f"{step.text}: the drive is off and valves are in place ({TURNING_RULE})"
    loose = (
        walk.families.get("head.off", 0) > 0 and "stand.read" in walk.families
    ) or "barrel.off" in walk.families
    if loose and "held.down" not in walk.families and engine.heads:
        yield f"{step.text}: a liner or barrel stands loose ({TURNING_RULE})"
    if step.family == "turn":
        walk.stands = int(step.id.split("-")[1])
