"""Readings of worn journals, with real scatter: an oval, a taper, one-sided wear and the gauge's own noise."""

from __future__ import annotations

import math
import random
from dataclasses import dataclass

from halfthou.jobs import Plan


@dataclass(frozen=True)
class Worn:
    """How a journal is worn, in the unit of the gauge: size where it is largest, and what is missing from it."""

    size: float
    oval: float = 0.0
    towards_deg: float = 20.0
    taper: float = 0.0


@dataclass(frozen=True)
class Hand:
    """A gauge in somebody's hand: its graduation, its scatter and the decimals it is read to."""

    step: float
    scatter: float
    decimals: int


INCH_HAND = Hand(0.0001, 0.00004, 4)
METRIC_HAND = Hand(0.001, 0.0008, 3)


def read_worn(worn: Worn, plan: Plan, hand: Hand, chance: random.Random) -> dict[str, str]:
    """The text that would be written down at each spot."""
    found = {}
    for spot in plan.spots:
        turn = math.radians(plan.angle_of(spot) - worn.towards_deg)
        along = (int(spot[0]) - 1) / (plan.planes - 1)
        true = worn.size - worn.oval * math.cos(turn) ** 2 - worn.taper * along
        read = round((true + chance.gauss(0, hand.scatter)) / hand.step) * hand.step
        found[spot] = f"{read:.{hand.decimals}f}"
    return found


def readings_csv(journals: dict[str, Worn], plan: Plan, hand: Hand, chance: random.Random) -> str:
    """The readings of several journals as a readings file."""
    unit = "in" if hand.decimals == 4 else "mm"
    lines = [f"part,spot,size [{unit}]"]
    for journal, worn in journals.items():
        lines += [f"{journal},{spot},{text}" for spot, text in read_worn(worn, plan, hand, chance).items()]
    return "\n".join(lines) + "\n"
