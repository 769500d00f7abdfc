"""What a sign is: one thing that may be seen, said or measured, and that causes leave behind."""

from __future__ import annotations

from dataclasses import dataclass
from enum import Enum, IntEnum


class Strength(IntEnum):
    """How strongly a cause leaves a sign, or how strongly a sign speaks against a cause."""

    FITS = 1
    SPEAKS = 2
    PROVES = 3


#: The chance that a cause leaves a sign, by its strength. Source: docs/trade: How causes are weighed, judgement.
CHANCE = {Strength.FITS: 0.25, Strength.SPEAKS: 0.60, Strength.PROVES: 0.90}


class Against(IntEnum):
    """How strongly a seen sign speaks against a cause. The last rules it out."""

    HARDLY = 1
    SPEAKS = 2
    RULES_OUT = 3


#: By how much, as a natural logarithm, a cause falls where a sign speaks against it. Source: judgement.
FALLS = {Against.HARDLY: -0.7, Against.SPEAKS: -1.6}


class SignKind(Enum):
    """How often a sign is there although none of the causes left it. Source: judgement, to be tuned."""

    DAMAGE = 0.03
    SETTLING = 0.0004
    HISTORY = 0.20


@dataclass(frozen=True, slots=True)
class Sign:
    """A sign by its lasting id. `words` follow "seen:"; `kind` tells how often chance alone shows it."""

    key: str
    words: str
    kind: SignKind = SignKind.DAMAGE
