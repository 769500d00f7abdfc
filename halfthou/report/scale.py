"""A scale that holds the new size, the limit, every step that can be bought, and the readings."""

from __future__ import annotations

from halfthou.lengths import Length, Notation, Unit
from halfthou.report.documents import Graduation

#: Graduations to choose from, in nm: as on steel rules. Every fifth or tenth carries a figure.
_SCALES = {
    Unit.INCH: (2_540, 5_080, 12_700, 25_400, 50_800, 127_000, 254_000, 508_000),
    Unit.MM: (2_000, 5_000, 10_000, 20_000, 50_000, 100_000, 200_000, 500_000),
}
MOST_GRADUATIONS = 50


def graduations(top: int, bottom: int, say: Notation) -> tuple[Graduation, ...]:
    """The lines of a scale between two sizes in nm, as close as can be read; every fifth or tenth has its size."""
    scales = _SCALES[say.unit]
    step = next((s for s in scales if (top - bottom) // s <= MOST_GRADUATIONS), scales[-1])
    first = -(-bottom // step)
    figured = step * (10 if step * 10 * 3 <= top - bottom else 5)
    return tuple(
        Graduation(nm=nm, text=_figure(nm, figured, say))
        for nm in (n * step for n in range(first, top // step + 1))
    )


def _figure(nm: int, figured: int, say: Notation) -> str:
    return say.text(Length(nm)) if nm % figured == 0 else ""
