"""The list of one engine's strip, worked out from what holds what: an order that keeps the crank turning as long as
it can, turned as seldom as it can be, groups together, ties by position."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import replace

from halfthou.engines import Description
from halfthou.jobs import StripEdits
from halfthou.strip.all_work import all_work
from halfthou.strip.edits import NO_EDITS, bind, in_own_order, in_own_words, with_own
from halfthou.strip.step import RODS, Held, StripStep
from halfthou.strip.tie import Binds, Tie
from halfthou.strip.tied import tied
from halfthou.strip.turns import Turn, fewest_turns
from halfthou.words import TURNING

#: The crank stands where it was turned for what comes next.
TURNS = "strip.turns"
_STANDS = Tie(TURNS, Binds.ORDER, "turn", "", "the crank is turned for it")
_TURNED_ON = Tie(TURNS, Binds.ORDER, "", "turn", "done before the crank is turned on")
Before = dict[str, dict[str, Tie]]


class StripCircle(ValueError):
    """Steps that wait for each other in a ring; `steps` are they, in turn."""

    def __init__(self, steps: tuple[str, ...]) -> None:
        self.steps = steps
        super().__init__(f"these steps wait for each other: {', '.join(steps)}")


def ordered(engine: Description, edits: StripEdits = NO_EDITS) -> tuple[StripStep, ...]:
    """The steps of an engine in their order, each with what holds it.

    Gives:   every place taken once, marked before it is taken where it must be; after all it needs.
    Refuses: StripCircle where the house's own ties make a ring.
    Rule:    strip.order, strip.turns.
    """
    works = with_own(tuple(all_work(engine)), edits)
    before = tied(works, engine)
    bind(before, edits)
    turns = fewest_turns(*_stands(works, before))
    groups = _groups(works)
    turn_steps = [_turn(turn, nth, turns, groups) for nth, turn in enumerate(turns)]
    steps = in_own_words(turn_steps, edits)
    asked = in_own_order(_asked(works, list(zip(steps, turns, strict=True)), groups), edits)
    after = tied(asked, engine)
    bind(after, edits)
    _bind_turns(turns, steps, groups, after)
    return _held(emitted(asked, after), after)


def _groups(works: Sequence[StripStep]) -> dict[str, list[StripStep]]:
    """What is done of one cylinder at one stand of the crank, by a name for both."""
    found: dict[str, list[StripStep]] = {}
    for work in works:
        if work.at is not None:
            found.setdefault(f"{work.of['cylinder']} at {work.at}", []).append(work)
    return found


def _stands(
    works: Sequence[StripStep], before: Mapping[str, Mapping[str, Tie]]
) -> tuple[dict[str, int], dict[str, frozenset[str]]]:
    """By group the stand it wants, and the other groups that come before any of its steps."""
    groups = _groups(works)
    group_of = {work.id: name for name, own in groups.items() for work in own}
    reached: dict[str, frozenset[str]] = {}
    for step in emitted([work.id for work in works], before):
        found = {group_of[step]} if step in group_of else set()
        reached[step] = frozenset(found.union(*(reached[one] for one in before[step])))
    after = {name: frozenset().union(*(reached[work.id] for work in own)) - {name} for name, own in groups.items()}
    return {name: own[0].at or 0 for name, own in groups.items()}, after


def _turn(turn: Turn, nth: int, turns: Sequence[Turn], groups: Mapping[str, Sequence[StripStep]]) -> StripStep:
    """The step that turns the crank for a group. One that comes again bears its number."""
    again = sum(one.at == turn.at for one in turns[:nth])
    works = [groups[task][0] for task in turn.tasks]
    return StripStep(
        family="turn",
        id=f"turn-{turn.at}" + (f"-{again + 1}" if again else ""),
        section=works[0].section,
        text=f"Turn the crank: {_named(works)}",
        minutes=2,
        cautions=(TURNING,),
        at=None,
        turns=True,
        fit=f"Turn the crank: {_named(works)}",
    )


def _named(works: Sequence[StripStep]) -> str:
    rods = [work.of["cylinder"] for work in works if work.section == RODS]
    barrels = [work.of["cylinder"] for work in works if work.section != RODS]
    said = []
    if rods:
        said.append(f"rod{'s' if len(rods) > 1 else ''} {_and(rods)} at the bottom")
    if barrels:
        said.append(f"piston{'s' if len(barrels) > 1 else ''} {_and(barrels)} at the top")
    return ", ".join(said)


def _and(names: Iterable[str]) -> str:
    return " and ".join(names)


def _bind_turns(
    turns: Sequence[Turn], steps: Sequence[StripStep], groups: Mapping[str, Sequence[StripStep]], before: Before
) -> None:
    for nth, (turn, step) in enumerate(zip(turns, steps, strict=True)):
        for work in (work for task in turn.tasks for work in groups[task]):
            before[work.id].setdefault(step.id, _STANDS)
            if nth + 1 < len(steps):
                before[steps[nth + 1].id].setdefault(work.id, _TURNED_ON)


def _asked(
    works: Sequence[StripStep],
    turns: Sequence[tuple[StripStep, Turn]],
    groups: Mapping[str, Sequence[StripStep]],
) -> list[StripStep]:
    """The steps in the order they are looked for: as listed, what wants the crank to stand somewhere in turn."""
    at_a_stand = [one for step, turn in turns for one in (step, *(w for task in turn.tasks for w in groups[task]))]
    found, begun = [], False
    for work in works:
        if work.at is None:
            found.append(work)
        elif not begun:
            begun = True
            found += at_a_stand
    return found


def emitted(asked: Sequence[StripStep] | Sequence[str], before: Mapping[str, Mapping[str, Tie]]) -> tuple:  # type: ignore[type-arg]
    """What is asked for, each after all that must come before it: that is fetched first, in the same order.

    Refuses: StripCircle.
    """
    names = [one if isinstance(one, str) else one.id for one in asked]
    by_name = dict(zip(names, asked, strict=True))
    place = {name: n for n, name in enumerate(names)}
    done: dict[str, None] = {}
    for name in names:
        for step in _fetched(name, place, before, done):
            done[step] = None
    return tuple(by_name[name] for name in done)


def _fetched(
    name: str, place: Mapping[str, int], before: Mapping[str, Mapping[str, Tie]], done: Mapping[str, None]
) -> Iterator[str]:
    """A step and what it waits for, deepest first."""
    path: list[str] = []
    open_yet: list[tuple[str, Iterator[str]]] = []

    def waits_for(one: str) -> Iterator[str]:
        """What a step waits for, in the order of the list."""
        return iter(sorted((key for key in before.get(one, ()) if key in place), key=place.__getitem__))

    if name in done:
        return
    path.append(name)
    open_yet.append((name, waits_for(name)))
    while open_yet:
        step, waits = open_yet[-1]
        following = next((one for one in waits if one not in done), None)
        if following is None:
            open_yet.pop()
            path.pop()
            if step not in done:
                yield step
            continue
        if following in path:
            raise StripCircle(tuple(path[path.index(following) :]))
        path.append(following)
        open_yet.append((following, waits_for(following)))


def _held(steps: Sequence[StripStep], before: Mapping[str, Mapping[str, Tie]]) -> tuple[StripStep, ...]:
    here = {step.id for step in steps}
    return tuple(
        replace(
            step,
            held=tuple(
                Held(key, tie.why, tie.id, tie.binds) for key, tie in before.get(step.id, {}).items() if key in here
            ),
        )
        for step in steps
    )
