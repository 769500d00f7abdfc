"""Whether a crank may be ground at all: its hardening and the house rule about it."""

from __future__ import annotations

from dataclasses import dataclass
from enum import StrEnum

from halfthou.jobs import HardenedCrank, Hardening, HouseRules, SourceKind
from halfthou.lengths import ZERO, Length
from halfthou.parts.journals.limits import JournalLimits
from halfthou.verdicts import Action

RULE = "sets.regrind.hardened"
#: What a nitrided journal may lose off its diameter in all before it has to be treated again: 0.010 in; 0.25 mm
#: is the same figure. Source: from memory, general heat-treatment literature.
NITRIDED_MOST = Length(254_000)


class HardeningCase(StrEnum):
    """What the hardening says of a proposed regrind."""

    UNKNOWN = "hardening not known"
    HOUSE_NEVER = "house never grinds it"
    HOUSE_NOT_CHOSEN = "house rule not confirmed"
    SKIN = "any grind takes the hard skin"
    TOO_DEEP = "nitrided, too much off"
    DEPTH_NOT_KNOWN = "case depth not known"
    LEAST_NOT_KNOWN = "least case not known"
    GONE = "no case left"
    THROUGH = "too little case left"
    LEFT = "case left"


@dataclass(frozen=True, slots=True)
class HardeningSays:
    """The action that follows, why, and the radial case that is left where that is known."""

    action: Action
    case: HardeningCase
    hardening: Hardening
    left: Length | None = None
    least: Length | None = None


def case_left(case_depth: Length, undersize: Length, axis_shift: Length = ZERO) -> Length:
    """The radial case left after grinding so far under standard, the axis moved by so much (kept: by nothing).

    >>> case_left(Length(400_000), Length(250_000))
    Length(nm=275000)
    """
    return Length(case_depth.nm - -(-undersize.nm // 2) - axis_shift.nm)


def hardening_says(
    limits: JournalLimits, house: HouseRules, undersize: Length, axis_shift: Length = ZERO
) -> HardeningSays | None:
    """What the hardening makes of a proposed regrind.

    Takes:   how far the axis is moved, as a bent crank's is that is ground true.

    Gives:   regrind, refer or replace, and why; None where nothing is hardened.
    Rule:    sets.regrind.hardened.   Source: docs/trade: Hardness and fillets; both schools in docs/rules. A house
             rule that no owner has confirmed asks, it does not reject; nor does a rule of thumb.
    """
    kind = limits.hardening
    if kind is Hardening.NONE:
        return None
    if kind is Hardening.UNKNOWN:
        return HardeningSays(Action.REFER, HardeningCase.UNKNOWN, kind)
    if house.hardened_crank is HardenedCrank.NEVER:
        if house.confirmed:
            return HardeningSays(Action.REPLACE, HardeningCase.HOUSE_NEVER, kind)
        return HardeningSays(Action.REFER, HardeningCase.HOUSE_NOT_CHOSEN, kind)
    if kind is Hardening.NITROCARBURISED:
        return HardeningSays(Action.REFER, HardeningCase.SKIN, kind)
    if kind is Hardening.NITRIDED and undersize > NITRIDED_MOST:
        return HardeningSays(Action.REFER, HardeningCase.TOO_DEEP, kind)
    return _within_case(limits, undersize, axis_shift)


def _within_case(limits: JournalLimits, undersize: Length, axis_shift: Length) -> HardeningSays:
    kind, depth, least = limits.hardening, limits.case_depth, limits.least_case
    if depth is None or depth.source.kind is SourceKind.RULE_OF_THUMB:
        return HardeningSays(Action.REFER, HardeningCase.DEPTH_NOT_KNOWN, kind)
    left = case_left(depth.value, undersize, axis_shift)
    if left <= ZERO:
        return HardeningSays(Action.REPLACE, HardeningCase.GONE, kind, left)
    known = least is not None and least.source.kind is not SourceKind.RULE_OF_THUMB
    if kind is Hardening.INDUCTION and not known:
        return HardeningSays(Action.REFER, HardeningCase.LEAST_NOT_KNOWN, kind, left)
    if least is not None and known and left < least.value:
        return HardeningSays(Action.REPLACE, HardeningCase.THROUGH, kind, left, least.value)
    return HardeningSays(Action.REGRIND, HardeningCase.LEFT, kind, left)
