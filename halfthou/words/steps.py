"""A step in words, and parts by their names in a row."""

from __future__ import annotations

from collections.abc import Callable, Iterable

from halfthou.lengths import ZERO, Length, Notation


def step_words(step: Length, say: Notation, way: str = "under") -> str:
    """0.020 under, 0.030 over, or standard."""
    return "standard" if step == ZERO else f"{say.undersize(step)} {way}"


def names_of(parts: Iterable[str], called: Callable[[str], str]) -> str:
    """Parts by their short names, as they are called: No. 1, No. 2 and No. 4."""
    names = [called(part) for part in parts]
    return "".join(names[:1]) if len(names) < 2 else ", ".join(names[:-1]) + " and " + names[-1]


def of_so_many(count: int, one: str, many: str) -> str:
    """What is bought, in the number it is bought in.

    >>> of_so_many(1, "pair of shells", "pairs of shells"), of_so_many(4, "piston", "pistons")
    ('pair of shells', 'pistons')
    """
    return one if count == 1 else many
