"""The size a journal is ground to for the housing and half bearings that lie ready for it."""

from __future__ import annotations

from halfthou.jobs import Feature
from halfthou.lengths import Length
from halfthou.parts.journals import CROWN, JournalVerdict


def aim_size(housing: Length, walls: Length, target: Length) -> Length:
    """The journal that gives a clearance: J = H - w_upper - w_lower - C.

    Source:  docs/trade: Measuring a bearing.
    >>> aim_size(Length(63_500_000), Length(5_080_000), Length(50_800)).nm
    58369200
    """
    return housing - walls - target


def aim_of(verdict: JournalVerdict, band: tuple[Length, Length]) -> Length | None:
    """The size to finish a journal to, where its housing is read at the crown and both halves that will be fitted
    are read; the clearance aimed at is the middle of the sheet's. None where that lies outside the band.

    Rule:    crank.aim.
    """
    case = verdict.case
    clearance = case.limits.clearance
    if clearance is None or case.rods != 1 or not case.new_shells:
        return None
    for bearing in case.own_bearings:
        housing = [
            one.size for one in bearing.spots(Feature.HOUSING_BORE) if one.spot in CROWN and one.size is not None
        ]
        walls = [one.size for one in bearing.spots(Feature.WALL) if one.size is not None]
        if not housing or len(walls) != 2:
            continue
        target = Length((clearance.least + clearance.most).nm // 2)
        aim = aim_size(min(housing), walls[0] + walls[1], target)
        return aim if band[0] <= aim <= band[1] else None
    return None
