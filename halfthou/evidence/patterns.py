"""What all half bearings show together: which are gone, which half is tired, how dirt and damage lie.

A pattern that holds in part speaks for less; that it is not exact speaks against nothing.
Rule:    evidence.patterns.   Source: docs/trade: Evidence and cause, common practice.
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import replace
from itertools import pairwise

from halfthou.causes import SignSeen
from halfthou.evidence.bearing_map import BearingMap, Sign
from halfthou.looks import Grade
from halfthou.looks import half_bearings as of

#: A half is tired from this harm on: a nail catches in it, or worse.
TIRED = 2


def patterns(bearings: BearingMap) -> tuple[tuple[Sign, ...], tuple[str, ...]]:
    """The patterns of a map, and those that it was looked at for and of which nothing is there."""
    seen = tuple(_seen(bearings))
    return seen, tuple(_nothing_of(bearings)) if bearings.all_graded else ()


def _seen(bearings: BearingMap) -> Iterator[Sign]:
    yield from _gone(bearings)
    yield from _tired(bearings)
    yield from _dirt(bearings)
    mains = _along_the_mains(bearings)
    halves = tuple(half for half in bearings.halves if half.startswith("half-main") and half in bearings.grades)
    if _rises(mains):
        yield "mains.rising", bearings.said(halves)
    if _swells(mains):
        # Worn most in the middle, less to both ends: by its share, since no band was named.
        yield "bands.middle", _in_part(bearings.said(halves), whole=False)


def _in_part(how: SignSeen, whole: bool) -> SignSeen:
    """A pattern as it counts: less where it holds in part."""
    return how if whole else replace(how, weak=True)


def _gone(bearings: BearingMap) -> Iterator[Sign]:
    """Rods and mains that gave off metal: all rods of several, most of them, one alone."""
    rods, mains = bearings.bearings_of("rod"), bearings.bearings_of("main")
    gone = [rod for rod in rods if rod in bearings.gone]
    main_gone = [main for main in mains if main in bearings.gone]
    if not gone or any(bearings.worst(rod) is None for rod in rods):
        return
    how = bearings.said(tuple(half for rod in gone for half in bearings.bearings[rod]))
    if len(gone) > 1 and len(gone) * 2 >= len(rods):
        yield "rods.all", _in_part(how, len(gone) == len(rods))
    if len(gone) == 1 < len(rods):
        others = [grade for rod in rods if rod not in gone and (grade := bearings.worst(rod)) is not None]
        yield "rods.one", _in_part(how, not main_gone and all(grade.harm < TIRED for grade in others))
    if len(gone) > 1 and len(gone) * len(mains) > len(main_gone) * len(rods):
        yield "rods.worse", how


def _tired(bearings: BearingMap) -> Iterator[Sign]:
    """One half tired and the other not: rod uppers and main lowers take the load, rod lowers the speed."""
    cracked = tuple(half for half in _halves(bearings, "rod", "upper") if _answer(bearings, half) == of.CRACKED)
    for kind, which, sign in (
        ("rod", "upper", "uppers.fatigued"),
        ("rod", "lower", "rods.lowers"),
        ("main", "lower", "mains.lowers"),
    ):
        other = "lower" if which == "upper" else "upper"
        tired = _alone(bearings, kind, which)
        if sign == "uppers.fatigued" and cracked:
            yield sign, bearings.said(cracked)
        elif tired and not _alone(bearings, kind, other):
            yield sign, _in_part(bearings.said(tired), len(tired) * 2 >= len(bearings.bearings_of(kind)))
    for which, sign in (("upper", "uppers.sound"), ("lower", "lowers.sound")):
        halves = _halves(bearings, "rod", which)
        if halves and all(half in bearings.grades and bearings.grades[half].harm == 0 for half in halves):
            yield sign, SignSeen()


def _halves(bearings: BearingMap, kind: str, which: str) -> tuple[str, ...]:
    return tuple(half for half in bearings.halves if half.startswith(f"half-{kind}") and half.endswith(which))


def _answer(bearings: BearingMap, half: str) -> str:
    found = bearings.grades.get(half)
    return found.answer if found is not None else ""


def _alone(bearings: BearingMap, kind: str, which: str) -> tuple[str, ...]:
    """The halves that are tired while the other half of their bearing is not."""
    other = "lower" if which == "upper" else "upper"
    pairs = ((half, half.removesuffix(which) + other) for half in _halves(bearings, kind, which))
    known = ((half, bearings.grades.get(half), bearings.grades.get(beside)) for half, beside in pairs)
    return tuple(
        half
        for half, grade, beside in known
        if grade is not None and beside is not None and grade.harm >= TIRED > beside.harm
    )


def _dirt(bearings: BearingMap) -> Iterator[Sign]:
    """Deep lines and bedded dirt, each by its share of all halves."""
    if not bearings.all_graded:
        return
    count = len(bearings.halves)
    bedded = tuple(half for half in bearings.halves if _answer(bearings, half) == of.BEDDED)
    deep = tuple(half for half in bearings.halves if _answer(bearings, half) == of.DEEP)
    shed = any(grade.sheds for grade in bearings.grades.values())
    if len(bedded) * 4 >= count and not shed:
        yield "dirt.bedded", _in_part(bearings.said(bedded), len(bedded) * 2 > count)
    if len(deep) * 3 >= count:
        yield "scratches.sharp", _in_part(bearings.said(deep), len(deep) * 3 >= count * 2)


def _along_the_mains(bearings: BearingMap) -> list[int]:
    """The harm of each main that is graded, along the shaft."""
    worst = [bearings.worst(main) for main in bearings.bearings_of("main")]
    return [grade.harm for grade in worst if grade is not None]


def _rises(harms: list[int]) -> bool:
    """Whether damage rises from main to main towards one end: the next is the seizure.

    >>> _rises([0, 1, 3]), _rises([0, 3, 0])
    (True, False)
    """
    if len(harms) < 3:
        return False
    steps = [after - before for before, after in pairwise(harms)]
    one_way = all(step >= 0 for step in steps) or all(step <= 0 for step in steps)
    return one_way and sum(step != 0 for step in steps) >= 2 and abs(harms[-1] - harms[0]) >= TIRED


def _swells(harms: list[int]) -> bool:
    """Whether damage grows from both ends towards the middle: crank or tunnel.

    >>> _swells([0, 1, 3, 1, 0]), _swells([0, 1, 3, 3])
    (True, False)
    """
    if len(harms) < 3:
        return False
    most = max(harms)
    at = harms.index(most)
    up, down = harms[: at + 1], harms[at:]
    inside = 0 < at < len(harms) - 1 and up == sorted(up) and down == sorted(down, reverse=True)
    return inside and most - max(harms[0], harms[-1]) >= TIRED


#: What a whole map was looked at for: the sign, and the half that would show it.
_SHOWN_BY: tuple[tuple[str, Callable[[Grade], bool]], ...] = (
    ("fatigue", lambda grade: grade.answer == of.CRACKED),
    ("bearings.gone", lambda grade: grade.sheds),
    ("copper.through", lambda grade: grade.answer in (of.COPPER, of.GONE, of.MELTED)),
    ("bearings.polished", lambda grade: grade.answer == of.POLISHED),
    ("dirt.bedded", lambda grade: grade.answer == of.BEDDED),
    ("scratches.sharp", lambda grade: grade.answer == of.DEEP),
    ("pits.acid", lambda grade: grade.answer == of.ACID),
    ("wiped.crown", lambda grade: grade.answer == of.WIPED),
)


def _nothing_of(bearings: BearingMap) -> Iterator[str]:
    """The patterns of which not even a part is there."""
    grades = bearings.grades.values()
    yield from (sign for sign, shows in _SHOWN_BY if not any(shows(grade) for grade in grades))
    gone = sum(rod in bearings.gone for rod in bearings.bearings_of("rod"))
    if gone < 2:
        yield "rods.all"
    if gone != 1:
        yield "rods.one"
    for kind, which, sign in (
        ("rod", "upper", "uppers.fatigued"),
        ("rod", "lower", "rods.lowers"),
        ("main", "lower", "mains.lowers"),
    ):
        if not any(bearings.grades[half].harm >= TIRED for half in _halves(bearings, kind, which)):
            yield sign
