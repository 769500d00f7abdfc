"""What is asked about the limits of journals before they are kept: figures that hardly any engine has."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import SetLimits
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.journals.clearance import oil_clearance
from halfthou.parts.journals.limits import JournalLimits
from halfthou.surveys import POLISH_SHELL

#: All of these: common practice, no source.
WIDEST_BAND = Length(101_600)
FURTHEST_SERVICE = Length(254_000)
MOST_FORM = Length(127_000)
THINNEST_WALL, THICKEST_WALL = Length(500_000), Length(12_000_000)
MOST_CLEARANCE = Length(254_000)
LAST_STEP = Length(1_600_000)
_STEPS = (254_000, 250_000)


def questions_of_journals(limits: SetLimits, say: Notation) -> tuple[tuple[str, str], ...]:
    """What is odd in the limits of journals and worth a second look, by the figure it is about.

    Rule:    sets.sheet-questions.   Source: common practice, no source.
    """
    return tuple(_questions(JournalLimits.of(limits), say))


def _questions(limits: JournalLimits, say: Notation) -> Iterator[tuple[str, str]]:
    band = limits.size.most - limits.size.least
    if band > WIDEST_BAND:
        yield "size", f"The band is {say.with_unit(band)} wide. Is a decimal point wrong?"
    yield from _service(limits, say)
    for name, figure in (("out_of_round", limits.out_of_round), ("taper", limits.taper), ("barrel", limits.barrel)):
        if figure is not None and figure.value > MOST_FORM:
            yield name, f"{say.with_unit(figure.value)} is more than any journal is allowed. Look again."
    yield from _shells(limits, say)
    if limits.wall is not None and not THINNEST_WALL <= limits.wall.least <= limits.wall.most <= THICKEST_WALL:
        yield "wall", f"A wall of {say.with_unit(limits.wall.least)} is no half bearing's. Look again."
    if limits.smallest_allowed is not None and limits.smallest_allowed.value > limits.size.least:
        yield "smallest_allowed", "The smallest size allowed is larger than the journal when new."
    yield from _smallest(limits, say)
    yield from _clearance(limits, say)


def _smallest(limits: JournalLimits, say: Notation) -> Iterator[tuple[str, str]]:
    """The smallest size allowed inside the band of a step: that step is sold, and half of it forbidden."""
    smallest = limits.smallest_allowed
    for step in [shell.size for shell in limits.shells] if smallest is not None else ():
        least, most = limits.size.least - step, limits.size.most - step
        if smallest is not None and least < smallest.value <= most:
            words = (
                f"The smallest size allowed lies inside the band {say.undersize(step)} under. May it be ground so?"
            )
            yield "smallest_allowed", words


def _service(limits: JournalLimits, say: Notation) -> Iterator[tuple[str, str]]:
    service = limits.service_least
    if service is None:
        return
    below = limits.size.least - service.value
    if below > FURTHEST_SERVICE:
        yield "service_least", f"The service limit lies {say.with_unit(below)} below new. Look again."
    elif below < ZERO:
        yield "service_least", "The service limit is stricter than the size when new. Look again."


def _shells(limits: JournalLimits, say: Notation) -> Iterator[tuple[str, str]]:
    steps = [shell.size for shell in limits.shells]
    for step in steps:
        usual = any(step.nm % whole == 0 for whole in _STEPS)
        if step > LAST_STEP or (step > POLISH_SHELL and not usual):
            yield "shells", f"Shells {say.undersize(step)} under are no usual step. Look again."
    inch = [step for step in steps if step > POLISH_SHELL and step.nm % _STEPS[0] == 0]
    metric = [step for step in steps if step > POLISH_SHELL and step.nm % _STEPS[1] == 0]
    if inch and metric:
        yield "shells", "Inch and metric shells stand side by side: nearly the same sizes, and not the same."
    if steps and ZERO not in steps:
        yield "shells", "Standard shells are not listed."


def _clearance(limits: JournalLimits, say: Notation) -> Iterator[tuple[str, str]]:
    band = limits.clearance
    if band is not None and band.most > MOST_CLEARANCE:
        yield "clearance", f"An oil clearance of {say.with_unit(band.most)} is no engine bearing's. Look again."
    found = oil_clearance(limits, (limits.size.least, limits.size.most), ZERO)
    if found is None:
        return
    if found.most <= ZERO:
        yield "housing_bore", "By housing and walls no journal goes in. One of the three is wrong."
    elif band is not None and (found.most < band.least or found.least > band.most):
        gives = f"{say.text(found.least)} to {say.text(found.most)}"
        yield "clearance", f"Housing less walls less journal gives {gives}, nowhere the clearance asked for."
