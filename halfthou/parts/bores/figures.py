"""The figures of a bore: greatest size, wear, out-of-round, taper, barrel, ridge, and what it was finished to."""

from __future__ import annotations

import math
from collections.abc import Iterator

from halfthou.gauges import Budget, beyond_guard_of_difference, combine, guard_band, standard_doubt
from halfthou.jobs import Figure
from halfthou.lengths import Length
from halfthou.parts.bores.case import FOUR_ANGLES, TWO_ANGLES, BoreCase
from halfthou.parts.fit import MOST
from halfthou.surveys import Form
from halfthou.verdicts import (
    TAPER,
    Called,
    FigureKey,
    FigureKind,
    Finding,
    Limit,
    Measured,
    as_question,
    bulge,
    greatest,
    judge,
    least,
    measured,
    most,
    roundness,
    size_found,
    summed,
)

SIZE = FigureKind(FigureKey.SIZE, "bores.size.greatest", "greatest size", difference=False)
SMALLER = FigureKind(FigureKey.SMALLER, "bores.smaller", "least size", difference=False)
LEAST = FigureKind(FigureKey.FINISHED_LEAST, "bores.finished", "least size as finished", difference=False)
GREATEST = FigureKind(FigureKey.FINISHED_MOST, "bores.finished", "greatest size as finished", difference=False)
AT_TOP = FigureKind("ring gap at the top", "rings.at-top", "gap of a new ring at the top", difference=False)
WEAR, RIDGE = "bores.wear", "bores.ridge"
BARREL, HOURGLASS = "barrel", "hourglass"


def bore_findings(case: BoreCase, form: Form) -> tuple[Finding, ...]:
    """The findings on every figure of a bore, as far as it is read.

    Rule:    bores.*   Source: docs/trade: Measuring a bore; worked examples H01 to H03.
    """
    return tuple(_findings(case, form))


def greatest_size(case: BoreCase, form: Form) -> Measured:
    """The greatest size of a bore, by its readings or by the form that they show."""
    return size_found(case.survey, SIZE, form.greatest, form, case.house.guard)


def angles_needed(case: BoreCase) -> int:
    """How many angles the plan needs so that it may accept.

    Rule:    bores.angles.
    """
    return FOUR_ANGLES if case.plate or case.deck_work else TWO_ANGLES


def _findings(case: BoreCase, form: Form) -> Iterator[Finding]:
    few, survey, guard, limits = form.angles < angles_needed(case), case.survey, case.house.guard, case.limits
    size = judge(greatest_size(case, form), case.size_limit, cannot_accept=few)
    # Held to its size when new it can be accepted; past that it has worn, and what rejects it is another limit.
    if case.limits.wears or size.called is Called.WITHIN:
        yield size
    smaller = _smaller(case, form)
    if smaller is not None:
        yield smaller
    wear = limits.figure("wear")
    if wear is not None and case.below is not None:
        yield judge(_wear(case, form), most(wear))
    oval, round_limit = roundness(survey, form, guard), limits.figure("out_of_round")
    if oval is not None and round_limit is not None:
        yield judge(oval, most(round_limit), cannot_accept=few)
    taper = limits.figure("taper")
    if form.taper is not None and taper is not None:
        yield judge(measured(survey, TAPER, form.taper, guard), most(taper))
    barrel, barrel_limit = bulge(survey, form, guard, (BARREL, HOURGLASS)), limits.figure("barrel") or taper
    if barrel is not None and barrel_limit is not None:
        yield judge(barrel, most(barrel_limit))
    yield from _ridge(case)
    yield from _last_word(case)
    yield from _finished(case, form)


def _last_word(case: BoreCase) -> Iterator[Finding]:
    """What bore, piston and ring say together: where a new piston would be too loose, or a new ring open too far at
    the top of its travel, honing does not mend it.

    Rule:    bores.last-word, rings.at-top.   Source: docs/trade: Bore, piston and ring together.
    """
    worn = next((one for one in case.fit.findings(case.house) if one.key == MOST.key), None) if case.fit else None
    if case.fit is not None and worn is not None and worn.called is not Called.WITHIN:
        found = case.fit.with_new(case.house, case.present)
        if found is not None:
            yield found
    ring = case.ring_at_top
    if ring is not None and case.survey.whole:
        terms = (greatest(case.survey, math.pi), least(case.survey, -math.pi))
        figure = summed(AT_TOP, terms, case.house.guard, ring.gap)
        if figure is not None:
            yield judge(figure, most(ring.most))


def _smaller(case: BoreCase, form: Form) -> Finding | None:
    """The least size, where it is smaller than new by more than doubt: a question, never a pass.

    Rule:    bores.smaller.
    """
    figure = measured(case.survey, SMALLER, form.least, case.house.guard)
    limit = Limit(case.new_least, True, case.limits.size.source.kind)
    if limit.value - figure.value < (figure.beyond or figure.guard):
        return None
    return as_question(judge(figure, limit))


def _wear(case: BoreCase, form: Form) -> Measured:
    """The greatest size less what was read below ring travel. Source: worked example H03."""
    below = case.near_original
    if below is None or case.below is None:
        raise ValueError("nothing was read below ring travel")
    budget = combine(
        (
            (1.0, case.survey.budget(form.greatest.spots[0])),
            (-1.0, case.below.budget(below[1])),
        )
    )
    spots = (form.greatest.spots[0], "below ring travel")
    return _difference(case, (FigureKey.WEAR, WEAR, "wear"), form.size_found - below[0], (budget, spots))


def _difference(
    case: BoreCase, what: tuple[str, str, str], value: Length, read: tuple[Budget, tuple[str, ...]]
) -> Measured:
    """A difference of two features of one bore as a figure to judge."""
    (key, rule, name), (budget, spots) = what, read
    doubt, guard = standard_doubt(budget), case.house.guard
    return Measured(
        key=key,
        rule=rule,
        name=name,
        value=value,
        spots=spots,
        doubt_nm=doubt,
        guard=guard_band(doubt, guard),
        budget=budget,
        beyond=beyond_guard_of_difference(1, doubt, guard),
    )


def _ridge(case: BoreCase) -> Iterator[Finding]:
    """How far the top of ring travel stands back behind the bore above it, on diameter."""
    limit: Figure | None = case.limits.figure("ridge")
    if limit is None or case.above is None:
        return
    top = [(size, spot) for spot, size in case.survey.sizes.items() if spot.startswith("1")]
    if not top:
        return
    size, spot = max(top, key=lambda pair: pair[0].nm)
    its_spot, above = next(iter(case.above.sizes.items()))
    budget = combine(((1.0, case.survey.budget(spot)), (-1.0, case.above.budget(its_spot))))
    figure = _difference(
        case, (FigureKey.RIDGE, RIDGE, "ridge"), size - above, (budget, (spot, "above ring travel"))
    )
    yield judge(figure, most(limit))


def _finished(case: BoreCase, form: Form) -> Iterator[Finding]:
    """What a bore that was bored and honed came to, against the size it was to have.

    Rule:    bores.finished: hit within the band, missed by how much.
    """
    bored = case.bored
    if bored is None or bored.step is None:
        return
    guard, size = case.house.guard, case.limits.size
    kind = size.source.kind
    yield judge(measured(case.survey, LEAST, form.least, guard), Limit(size.least + bored.step, True, kind))
    yield judge(measured(case.survey, GREATEST, form.greatest, guard), Limit(size.most + bored.step, False, kind))
