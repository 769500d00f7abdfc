"""Said before measuring: a gauge too coarse for a limit, and a limit that no gauge in the cabinet can judge."""

from __future__ import annotations

import math
from collections.abc import Iterator

from halfthou.gauges import Fitness, difference_doubt, fitness, repeat_doubt
from halfthou.jobs import THIMBLES, Figure, Gauge
from halfthou.lengths import Length, Notation
from halfthou.parts.journals.case import JournalCase
from halfthou.verdicts import gauges_for, scale_now
from halfthou.words import Reason


def fitness_of(case: JournalCase, gauge: Gauge) -> dict[str, Fitness]:
    """How one gauge stands to each limit of a set: size, out-of-round, taper."""
    limits, guard = case.limits, case.house.guard
    size = limits.size.most - case.present
    one = math.hypot(scale_now(case, gauge, size), repeat_doubt(gauge))
    found = {"size": fitness(size - case.size_limit.value, one, guard)}
    figures: tuple[tuple[str, Figure], ...] = (("out-of-round", limits.out_of_round), ("taper", limits.taper))
    for name, figure in figures:
        found[name] = fitness(figure.value, difference_doubt(gauge), guard)
    return found


def limit_of(case: JournalCase, name: str) -> Length:
    """The limit that a name stands for."""
    limits = {"out-of-round": case.limits.out_of_round.value, "taper": case.limits.taper.value}
    return limits.get(name) or case.size_limit.value


def fitness_notes(case: JournalCase, in_use: frozenset[str], say: Notation) -> Iterator[Reason]:
    """The notes for one set, each once for its class and not at every spot.

    Takes:   a journal of the set; the gauges in use on it. Before the first reading the finest of the cabinet
             stands for them.
    Rule:    gauges.ratio, gauges.cannot-accept.
    """
    size = case.limits.size.most - case.present
    cabinet = [gauge for gauge in gauges_for(case) if gauge.reaches(size)]
    if not cabinet:
        text = "No gauge in the cabinet reaches this size: enter one before measuring."
        yield Reason(rule="gauges.ratio", text=text)
        return
    fits = {gauge.id: fitness_of(case, gauge) for gauge in cabinet}
    for name in ("size", "out-of-round", "taper"):
        if not any(found[name].can_accept for found in fits.values()):
            limit = say.at_least(limit_of(case, name)) if name == "size" else say.at_most(limit_of(case, name))
            text = f"No gauge in the cabinet can judge {name} to {limit}: it can be rejected but not accepted."
            yield Reason(rule="gauges.cannot-accept", text=text)
    finest = max(cabinet, key=lambda gauge: fits[gauge.id]["size"].ratio)
    for gauge in cabinet:
        if gauge.id in (in_use or {finest.id}):
            yield from _of_gauge(gauge, fits)


def blind_to_a_turn(case: JournalCase, in_use: frozenset[str], read: int) -> Iterator[Reason]:
    """What the program cannot tell: a turn of the thimble while there is nothing to hold a reading against.

    Takes:   the gauges in use on the set (before the first reading: those of the cabinet); so many journals read.
    Rule:    surveys.slips.   Source: docs/trade: Slips of reading, edge case (c).
    """
    gauges = [gauge for gauge in gauges_for(case) if gauge.id in in_use or not in_use]
    if read < 2 and any(gauge.kind in THIMBLES for gauge in gauges):
        text = "One turn of the thimble cannot be seen until a second journal is read: look at the sleeve twice."
        yield Reason(rule="surveys.slips", text=text)


def _of_gauge(gauge: Gauge, fits: dict[str, dict[str, Fitness]]) -> Iterator[Reason]:
    found = fits[gauge.id]
    coarse = [name for name, fit in found.items() if fit.coarse and fit.can_accept]
    if coarse:
        ratios = ", ".join(f"{name} {found[name].ratio:.1f} to 1" for name in coarse)
        text = f"{gauge.name} is coarse for {ratios}; 4 to 1 is wanted. Expect close calls."
        yield Reason(rule="gauges.ratio", text=text)
    hopeless = [name for name, fit in found.items() if not fit.can_accept]
    if hopeless and any(all(other[name].can_accept for name in hopeless) for other in fits.values()):
        names = " and ".join(hopeless)
        text = f"{gauge.name} can reject {names} but not accept: a finer gauge is in the cabinet."
        yield Reason(rule="gauges.cannot-accept", text=text)
