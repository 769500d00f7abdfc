"""What counts of all that was seen: of each look on each part, and what it says of the part it lies with."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime

from halfthou.engines import Engine
from halfthou.jobs import IN_GENERAL, NOT_LOOKED, Fact, Job, Look, Operation, Seen
from halfthou.looks import CRACK_FOUND, Answer, Echo
from halfthou.operations import looked_away

#: What counts, by the part, set or whole it is on, and by look.
SeenBy = dict[tuple[str, str], Seen]


def seen_on(job: Job, engine: Engine) -> SeenBy:
    """What counts of each look on each part, on whatever page it was written down.

    Of one person's answers the last counts, and "not looked at" takes it back; of two people's the worse, until one
    is taken back or an answer that ends the fault comes after both. Work makes a good answer stale; a fault stands
    until the part is looked at again. A crack found stays found until a crack test passes: no work heals it, nor is
    it taken back. What is seen of a half bearing or a rod
    counts for the journal it lies with; where nothing is wrong with it, once all that lie there were looked at.

    Rule:    looks.which-counts, looks.after-work, verdicts.journal.crack.
    """
    if not job.seen:
        return {}
    found: SeenBy = {}
    for one in _ended(_still_true(job, engine, tuple(_standing(job, engine))), engine):
        _take(found, one, engine)
    for one in (*_of_what_lies_there(found, engine), *_echoed(found, job, engine)):
        _take(found, one, engine)
    return found


def found_before_work(job: Job, engine: Engine) -> dict[str, Operation]:
    """The facts seen that work has overtaken, each with the work: of these only the faults still count.

    Rule:    looks.after-work.
    """
    if not job.operations:
        return {}
    return {one.id: work for one in job.seen if (work := looked_away(one, job, engine)) is not None}


def is_crack(one: Fact) -> bool:
    """Whether a fact says that a crack was found: it stands until a test is passed, and is never taken back.

    Rule:    verdicts.journal.crack.
    """
    return isinstance(one, Seen) and one.look == Look.CRACK_TEST and one.answer == CRACK_FOUND


def harm_of(one: Seen, engine: Engine) -> int:
    """How bad an answer is among those of its look; -1 where the look is not known."""
    look = engine.kinds.looks.get(one.look)
    return -1 if look is None else look.harm_of(one.answer)


def _answer(one: Seen, engine: Engine) -> Answer | None:
    look = engine.kinds.looks.get(one.look)
    return None if look is None else look.answer(one.answer)


def _take(found: SeenBy, one: Seen, engine: Engine) -> None:
    """Take an answer in where it counts more than what is there."""
    known = found.get((one.on, one.look))
    if known is None or (harm_of(one, engine), one.at, one.id) > (harm_of(known, engine), known.at, known.id):
        found[one.on, one.look] = one


def _standing(job: Job, engine: Engine) -> Iterator[Seen]:
    """The last answer of each person to each look; a crack that was found stands although it was taken back."""
    back, last = job.taken_back, dict[tuple[str, str, str], Seen]()

    def when(one: Seen) -> tuple[datetime, int, str]:
        """By time; of two at the same moment the worse answer stands."""
        return one.at, harm_of(one, engine), one.id

    for one in sorted(job.seen, key=when):
        if (one.id in back and not is_crack(one)) or one.answer in IN_GENERAL:
            continue
        key = (one.on, one.look, one.by)
        known = last.get(key)
        if known is not None and known.answer == CRACK_FOUND and one.answer == NOT_LOOKED:
            continue
        last[key] = one
    yield from (one for one in last.values() if one.answer != NOT_LOOKED)


def _still_true(job: Job, engine: Engine, of: tuple[Seen, ...]) -> tuple[Seen, ...]:
    """What no work has overtaken, and the faults that it has: unless the part was looked at again since."""
    by_work = {one.id: looked_away(one, job, engine) for one in of} if job.operations else {}
    current = tuple(one for one in of if by_work.get(one.id) is None)
    overtaken = ((one, work) for one in of if (work := by_work.get(one.id)) is not None)
    return (
        *current,
        *(
            one
            for one, work in overtaken
            if (answer := _answer(one, engine)) is not None
            and answer.outlasts(work.kind)
            and not any(_speaks_for(later, one, engine) for later in current)
        ),
    )


def _ended(of: tuple[Seen, ...], engine: Engine) -> Iterator[Seen]:
    """Those that no later answer ended: a passed test of the whole crank speaks for every journal."""
    ends = [one for one in of if (answer := _answer(one, engine)) is not None and answer.ends]
    for one in of:
        if not any(_speaks_for(end, one, engine) for end in ends):
            yield one


def _speaks_for(end: Seen, one: Seen, engine: Engine) -> bool:
    """Whether an answer that ends a fault came after another, on the same part or on what that is a part of."""
    if end.look != one.look or end is one or (end.at, end.id) <= (one.at, one.id):
        return False
    with_it = engine.lies_with(one.on)
    wide = end.on not in engine.parts and with_it in engine.touched(end.on)
    return end.on in (one.on, with_it) or wide


def _of_what_lies_there(found: SeenBy, engine: Engine) -> Iterator[Seen]:
    """What was seen of half bearings and rods, as of the journal they lie with."""
    for (on, key), one in tuple(found.items()):
        there, look = engine.lies_with(on), engine.kinds.looks.get(key)
        if there == on or look is None or engine.places[there].kind not in look.on:
            continue
        if look.harm_of(one.answer) > 0 or all((other, key) in found for other in engine.lying_alike(on)):
            yield one.model_copy(update={"on": there})


def _echoed(found: SeenBy, job: Job, engine: Engine) -> Iterator[Seen]:
    """What answers say of other parts at once, where no work has ended that since."""
    told = (
        one.model_copy(update={"on": there, "look": echo.look, "answer": echo.answer})
        for one in tuple(found.values())
        if (answer := _answer(one, engine)) is not None
        for echo in answer.echoes
        if (there := _heard_by(echo, one, engine)) and not (echo.all and _missing(one, echo, found, engine))
    )
    yield from _still_true(job, engine, tuple(told))


def _heard_by(echo: Echo, one: Seen, engine: Engine) -> str:
    """The part that an echo is of; "" where there is none, or where the answer is of that part itself."""
    there = engine.lies_with(one.on)
    if there in engine.parts and engine.parts[there].kind == echo.kind:
        return there if there != one.on else ""
    only = [part.id for part in engine.parts.values() if part.kind == echo.kind and not part.spare]
    return only[0] if len(only) == 1 else ""


def _missing(one: Seen, echo: Echo, found: SeenBy, engine: Engine) -> bool:
    """Whether what lies with it was not looked at, or says otherwise."""
    return not all(
        (other := found.get((on, one.look))) is not None
        and (answer := _answer(other, engine)) is not None
        and echo in answer.echoes
        for on in engine.lying_alike(one.on)
    )
