"""Readings that look like a slip: held against their neighbours, with what they may have been meant to be."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from statistics import median

from halfthou.engines import ABOVE_NM, WEAR_NM, Expected
from halfthou.gauges import THROUGHOUT, WEIGHT, GaugeQuestion, ReadText, Slip, SlipKind, slips_of
from halfthou.lengths import Length
from halfthou.surveys.taken import Taken

#: Two tenths: readings of one part are never expected to agree better. Source: docs/trade: Slips of reading.
FLOOR_NM = 5_080
#: Median absolute deviation to standard deviation. Source: the normal distribution.
MAD_TO_SIGMA = 1.4826
#: Up to so far from the rest a reading is borne out by a neighbour that agrees: 14 thou, well under a turn.
#: Source: common practice, no source.
BORNE_OUT_NM = 355_600
#: From so many readings on a part is looked at as a whole.
ENOUGH = 4


class Doubtful(StrEnum):
    """Why a reading is doubted."""

    MEANT = "did you mean"
    THROUGHOUT = "one slip throughout"
    LIKE_UNDERSIZE = "a slip or an undersize"
    NEIGHBOUR = "fits another part"
    ODD = "stands out"
    GAUGE = "the gauge"


@dataclass(frozen=True, slots=True)
class Suspicion:
    """A doubt about one reading. `holds` says that it is not judged until somebody has answered.

    `offers` are the sizes it may have meant, as the gauge would have said them; `neighbour` the part it fits;
    `away` how far it lies from where its neighbours put it; `throughout` that the
    whole part is off by the same; `gauge` what is asked about the gauge it was read with.
    """

    reading: str
    why: Doubtful
    holds: bool
    away: Length
    offers: tuple[Slip, ...] = ()
    neighbour: str = ""
    throughout: bool = False
    gauge: GaugeQuestion | None = None


def find_suspects(read: Mapping[str, tuple[Taken, ...]], expected: Expected) -> dict[str, Suspicion]:
    """The doubtful readings of one feature of a set, by reading.

    Takes:   the current readings of every part of the set; what they can be.
    Gives:   a suspicion for each reading that lies outside its neighbours, or whose whole part does.
    Rule:    surveys.slips.   Source: docs/trade: Slips of reading. Nothing is corrected here: a person takes or
             keeps.
    """
    medians = {journal: float(median(t.size.nm for t in taken)) for journal, taken in read.items() if taken}
    found: dict[str, Suspicion] = {}
    for journal, taken in read.items():
        if not taken:
            continue
        family = [m for other, m in medians.items() if other != journal and len(read[other]) >= 2]
        whole = _throughout(taken, medians[journal], family, expected)
        if whole:
            found.update(whole)
            continue
        near = abs(medians[journal] - _reference(medians[journal], family, expected)) <= WEAR_NM
        sizes = [t.size.nm for t in taken]
        if near and max(sizes) - min(sizes) <= 2 * _wide(expected):
            continue
        others = {other: m for other, m in medians.items() if other != journal}
        for at, one in enumerate(taken):
            rest = sizes[:at] + sizes[at + 1 :]
            doubt = _one(one, rest, family, others, expected)
            if doubt is not None:
                found[one.reading.id] = doubt
    return found


def _wide(expected: Expected) -> float:
    return max(FLOOR_NM, expected.tolerance_nm / 4, expected.apart_nm)


def _reference(at: float, family: list[float], expected: Expected) -> float:
    return float(median(family)) if family else float(expected.nearest(at))


def _throughout(
    taken: tuple[Taken, ...], middle: float, family: list[float], expected: Expected
) -> dict[str, Suspicion]:
    """Whether a whole part carries one slip: far from the rest of its set, or from every step of its size."""
    if len(taken) < ENOUGH:
        return {}
    stands = expected.holds(middle)
    centre = float(median(family)) if family else None
    apart = centre is not None and abs(middle - centre) > WEAR_NM
    if (stands and not apart) or (apart and not stands and centre is not None and not expected.holds(centre)):
        return {}
    for kind, step in _steps(taken[0], expected):
        # Without a family to compare with, a part past its step may as well be worn: only a slip that takes it back
        # against the wear is asked about.
        if not apart and (step > 0 if expected.hole else step < 0):
            continue
        moved = middle + step
        fits = abs(moved - centre) <= ABOVE_NM if apart and centre is not None else expected.holds(moved)
        if not fits:
            continue
        why = Doubtful.LIKE_UNDERSIZE if stands else Doubtful.THROUGHOUT
        return {
            one.reading.id: Suspicion(
                one.reading.id,
                why,
                True,
                Length(-step),
                (Slip(kind, one.said + Length(step)),),
                throughout=True,
            )
            for one in taken
        }
    return {}


def _steps(one: Taken, expected: Expected) -> Iterable[tuple[SlipKind, int]]:
    slips = [slip for slip in slips_of(_text(one, expected)) if slip.kind in THROUGHOUT]
    slips.sort(key=lambda slip: WEIGHT[slip.kind], reverse=True)
    return [(slip.kind, slip.meant.nm - one.said.nm) for slip in slips]


def _text(one: Taken, expected: Expected) -> ReadText:
    setting = one.setup.setting.standard if one.setup.setting else None
    reading = one.reading
    return ReadText(one.said, reading.typed, reading.length_unit, one.setup.gauge, expected.nominal, setting)


def _one(
    one: Taken, rest: list[int], family: list[float], others: Mapping[str, float], expected: Expected
) -> Suspicion | None:
    wide, fine = _wide(expected), max(FLOOR_NM, expected.tolerance_nm / 4)
    if len(rest) >= 2:
        centre = float(median(rest))
        spread = MAD_TO_SIGMA * float(median(abs(value - centre) for value in rest))
        wide, fine = max(wide, spread), max(fine, spread)
    else:
        if not family and expected.holds(one.size.nm):
            return None
        centre = _reference(one.size.nm, family, expected)
        wide *= 1.5
    away = one.size.nm - centre
    if abs(away) <= 4 * wide:
        return None
    # An oval journal has its readings in two groups: one that its own group bears out is believed, up to what
    # wear can do and a turn of the thimble cannot.
    if abs(away) < BORNE_OUT_NM and any(abs(value - one.size.nm) <= wide for value in rest):
        return None
    offers = meant_here(one, centre, fine, expected)
    if offers:
        alike = any(abs(abs(away) - abs(low - expected.bands[0][0])) <= 4 * fine for low, _ in expected.bands[1:])
        turn = offers[0].kind is SlipKind.TURN and alike
        why = Doubtful.LIKE_UNDERSIZE if turn else Doubtful.MEANT
        return Suspicion(one.reading.id, why, True, Length(round(away)), offers)
    fits = [j for j, m in others.items() if abs(one.size.nm - m) <= 4 * fine and abs(m - centre) > 4 * wide]
    if fits:
        return Suspicion(
            one.reading.id, Doubtful.NEIGHBOUR, True, Length(round(away)), neighbour=min(fits, key=lambda j: j)
        )
    if len(rest) >= 3:
        return Suspicion(one.reading.id, Doubtful.ODD, True, Length(round(away)))
    return None


def meant_here(one: Taken, centre: float, spread: float, expected: Expected) -> tuple[Slip, ...]:
    """The best two slips that would bring a reading to where its neighbours are.

    Source: docs/trade: Slips of reading: ln(weight) - ((c - m)/s)²/2, kept within 4 s.
    """
    shift = one.size.nm - one.said.nm
    best: dict[int, tuple[float, Slip]] = {}
    for slip in slips_of(_text(one, expected)):
        away = (slip.meant.nm + shift - centre) / spread
        if abs(away) > 4 or slip.meant == one.said:
            continue
        score = math.log(WEIGHT[slip.kind]) - away * away / 2
        if slip.meant.nm not in best or score > best[slip.meant.nm][0]:
            best[slip.meant.nm] = (score, slip)
    ranked = sorted(best.values(), key=lambda pair: pair[0], reverse=True)
    return tuple(slip for _, slip in ranked[:2])
