"""The odd value of a journal that is read whole: where it lies against the form that all the others show."""

from __future__ import annotations

import math
from functools import lru_cache
from typing import NamedTuple

from halfthou.engines import Expected
from halfthou.jobs import Plan
from halfthou.lengths import Length
from halfthou.surveys.suspicion import Doubtful, Suspicion, meant_here
from halfthou.surveys.taken import Taken

#: A reading stands out only by more than three tenths and a half, and by so many times the others' scatter.
#: Source: common practice, no source; the figures of bench/slips.py.
LEAST_NM, TIMES = 8_890, 7.0


class FormFit(NamedTuple):
    """The matrix that takes readings to residuals of the fitted form, and each reading's leverage."""

    residual: tuple[tuple[float, ...], ...]
    leverage: tuple[float, ...]
    freedom: int


@lru_cache(maxsize=32)
def fit_of(plan: Plan) -> FormFit | None:
    """The form fitted to a whole plan: mean, taper, two of ovality (and a bulge where there are three planes).

    None where the plan leaves fewer than three readings over to check with.
    """
    rows = []
    for spot in plan.spots:
        place = plan.along_of(spot) / 6 - 1
        turn = math.radians(2 * plan.angle_of(spot))
        row = [1.0, place, math.cos(turn), math.sin(turn)]
        rows.append(row if plan.planes < 3 else [*row, place * place])
    count, unknowns = len(rows), len(rows[0])
    if len(plan.angles_deg) < 3 or count - unknowns < 3:
        return None
    inverse = _inverse([[sum(r[i] * r[j] for r in rows) for j in range(unknowns)] for i in range(unknowns)])
    if inverse is None:
        return None
    hat = [
        [sum(a[i] * inverse[i][j] * b[j] for i in range(unknowns) for j in range(unknowns)) for b in rows]
        for a in rows
    ]
    residual = tuple(tuple((1.0 if i == j else 0.0) - hat[i][j] for j in range(count)) for i in range(count))
    return FormFit(residual, tuple(hat[i][i] for i in range(count)), count - unknowns - 1)


def _inverse(matrix: list[list[float]]) -> list[list[float]] | None:
    """Gauss and Jordan, with pivots. None where the angles do not determine the form."""
    size = len(matrix)
    work = [[*row, *(1.0 if i == j else 0.0 for j in range(size))] for i, row in enumerate(matrix)]
    for at in range(size):
        pivot = max(range(at, size), key=lambda row: abs(work[row][at]))
        if abs(work[pivot][at]) < 1e-9:
            return None
        work[at], work[pivot] = work[pivot], work[at]
        lead = work[at][at]
        work[at] = [value / lead for value in work[at]]
        for row in range(size):
            if row != at and (factor := work[row][at]):
                work[row] = [v - factor * p for v, p in zip(work[row], work[at], strict=True)]
    return [row[size:] for row in work]


def odd_one(taken: tuple[Taken, ...], plan: Plan, expected: Expected) -> Suspicion | None:
    """The one reading of a whole journal that does not fit the form of the others, if there is one.

    Takes:   a reading for every spot of the plan, in its order.
    Gives:   held with what it may have meant, where a slip would bring it into line; else only pointed out.
    Rule:    surveys.odd-value.   Source: the deleted residual of least squares; checked against numpy.
    """
    fit = fit_of(plan)
    if fit is None or len(taken) != len(fit.leverage):
        return None
    base = taken[0].size.nm
    sizes = [one.size.nm - base for one in taken]
    if max(sizes) - min(sizes) < LEAST_NM:
        return None
    left = [sum(w * s for w, s in zip(row, sizes, strict=True)) for row in fit.residual]
    squares = sum(e * e for e in left)
    worst = max(range(len(left)), key=lambda i: left[i] ** 2 / (1 - fit.leverage[i]))
    spare = 1 - fit.leverage[worst]
    away = left[worst] / spare
    scatter = math.sqrt(max(squares - left[worst] ** 2 / spare, 0.0) / fit.freedom)
    one = taken[worst]
    scatter = max(scatter, one.setup.gauge.resolution.nm / 2)
    if abs(away) < LEAST_NM or abs(away) < TIMES * scatter:
        return None
    offers = meant_here(one, one.size.nm - away, scatter, expected)
    why = Doubtful.MEANT if offers else Doubtful.ODD
    return Suspicion(one.reading.id, why, bool(offers), Length(round(away)), offers)
