"""Whether a crank may be ground at all: its hardening and the house rule about it."""

from __future__ import annotations

from halfthou.jobs import HardenedCrank, Hardening, HouseRules, JournalLimits, SourceKind
from halfthou.lengths import ZERO, Length, Notation
from halfthou.verdicts import Action, Reason

RULE = "sets.regrind.hardened"


def case_left(case_depth: Length, undersize: Length) -> Length:
    """The radial case left after grinding so far under standard, on the kept axis. Source: handbook D4.

    >>> case_left(Length(400_000), Length(250_000))
    Length(nm=275000)
    """
    return Length(case_depth.nm - -(-undersize.nm // 2))


def hardening_says(
    limits: JournalLimits, house: HouseRules, undersize: Length, say: Notation
) -> tuple[Action, Reason | None]:
    """What the hardening makes of a proposed regrind.

    Gives:   regrind, refer or replace, and the reason; no reason where nothing is hardened.
    Rule:    sets.regrind.hardened.   Source: the trade, rule 6; both schools in docs/rules.
    """
    kind = limits.hardening
    if kind is Hardening.NONE:
        return Action.REGRIND, None
    if kind is Hardening.UNKNOWN:
        text = "Hardening not known: ask the maker before it is ground, and put it on the limits sheet."
        return Action.REFER, Reason(rule=RULE, text=text)
    if house.hardened_crank is HardenedCrank.NEVER:
        text = f"Journals {kind.value}: by the house rule a hardened crank is never ground."
        return Action.REPLACE, Reason(rule=RULE, text=text)
    if kind is Hardening.NITROCARBURISED:
        text = "Nitrocarburised: any grind takes the hard skin. Refer it for hardening again after grinding."
        return Action.REFER, Reason(rule=RULE, text=text)
    return _within_case(limits, undersize, say)


def _within_case(limits: JournalLimits, undersize: Length, say: Notation) -> tuple[Action, Reason]:
    kind = limits.hardening.value.capitalize()
    if limits.case_depth is None or limits.case_depth.source.kind is SourceKind.RULE_OF_THUMB:
        text = f"{kind}, and the maker's case depth is not on the sheet: find it before grinding."
        return Action.REFER, Reason(rule=RULE, text=text)
    left = case_left(limits.case_depth.value, undersize)
    if left <= ZERO:
        text = f"{kind}: at this size no case would be left."
        return Action.REPLACE, Reason(rule=RULE, text=text)
    text = f"{kind}: {say.text(left)} of case left after grinding. Check hardness after."
    return Action.REGRIND, Reason(rule=RULE, text=text)
