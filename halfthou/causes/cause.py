"""What a cause is: what it leaves, what speaks against it, what it makes of the rest, and what removes it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from enum import Enum

from halfthou.causes.sign import Against, SignKind, Strength
from halfthou.causes.signs import SIGNS
from halfthou.jobs import ComplaintKind


class Often(Enum):
    """How often a cause is behind such a complaint, before anything is looked at. Source: judgement."""

    USUAL = 0.10
    SOMETIMES = 0.03
    RARE = 0.01


#: Complaints of which the usual causes are named one by one: after these alone, what is not named is rare.
_BY_NAME = frozenset(
    {
        ComplaintKind.OVERHEATED,
        ComplaintKind.LOW_COMPRESSION,
        ComplaintKind.LOSES_COOLANT,
        ComplaintKind.SMOKES,
        ComplaintKind.LEAKS,
        ComplaintKind.HIGH_PRESSURE,
        ComplaintKind.NOISE_ABOVE,
        ComplaintKind.WILL_NOT_START,
    }
)


@dataclass(frozen=True, slots=True)
class Cause:
    """A cause by its lasting id.

    `leaves` are its own signs, `makes` what it does to other parts: an effect that is no cause. `against` are signs
    that speak against it. `brings` are causes that it makes, each with its chance. `usual` and `sometimes` are the
    complaints after which it is so; after others it is as `often` says. `settled` says in words what settles it,
    `remedy` what removes it. `follow` are the looks at what it may have done, `made_by` those at what may have made
    it and is no cause by itself; `explained_by` are signs that say what made it. `checked_by` are the signs of a
    check that clears it, where one does. `harmless` says that nothing is to be removed. `question` says that it is
    asked of the customer and never a verdict.
    """

    key: str
    name: str
    leaves: Mapping[str, Strength]
    settled: str
    remedy: str
    makes: Mapping[str, Strength] = field(default_factory=dict)
    against: Mapping[str, Against] = field(default_factory=dict)
    brings: Mapping[str, float] = field(default_factory=dict)
    often: Often = Often.RARE
    usual: tuple[ComplaintKind, ...] = ()
    sometimes: tuple[ComplaintKind, ...] = ()
    follow: tuple[str, ...] = ()
    made_by: tuple[str, ...] = ()
    explained_by: tuple[str, ...] = ()
    checked_by: tuple[str, ...] = ()
    harmless: bool = False
    question: bool = False

    @property
    def edges(self) -> dict[str, Strength]:
        """Every sign that it leaves or makes."""
        return {**self.makes, **self.leaves}

    @property
    def proofs(self) -> tuple[str, ...]:
        """The signs that nearly prove it and that a settling look shows."""
        settling = SignKind.SETTLING
        return tuple(s for s, how in self.leaves.items() if how is Strength.PROVES and SIGNS[s].kind is settling)

    @property
    def vetoes(self) -> tuple[str, ...]:
        """The signs that rule it out."""
        return tuple(sign for sign, how in self.against.items() if how is Against.RULES_OUT)

    def chance(self, complaint: frozenset[ComplaintKind]) -> float:
        """Its chance before anything is looked at: of several complaints the highest class.

        Source: docs/trade: How causes are weighed, judgement.
        """
        known = complaint - {ComplaintKind.NONE}
        if known & set(self.usual):
            return Often.USUAL.value
        if known & set(self.sometimes):
            return Often.SOMETIMES.value
        if not known:
            return self.often.value
        if known <= _BY_NAME:
            return Often.RARE.value
        return Often.SOMETIMES.value if self.often is Often.USUAL else self.often.value
