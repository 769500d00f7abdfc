"""What a limits sheet is asked about before it is kept: figures that hardly any engine has, sums that cannot be."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.engines import Kinds
from halfthou.jobs import LimitsSheet, SourceKind
from halfthou.lengths import Notation

#: Who can be looked up: such a figure names its book and page.
_LOOKED_UP = (SourceKind.MAKER, SourceKind.PART_MAKER)


@dataclass(frozen=True, slots=True)
class SheetQuestion:
    """One thing to look at again: where it stands on the sheet, and what is odd about it."""

    where: str
    what: str


def questions_of_sheet(sheet: LimitsSheet, kinds: Kinds) -> tuple[SheetQuestion, ...]:
    """Everything about a sheet that is worth a second look before it is kept.

    Takes:   the kinds of part: each has questions of its own.
    Rule:    sets.sheet-questions.   Source: common practice, no source. Nothing here forbids: odd engines exist.
    """
    say, here = Notation.usual(sheet.unit), kinds.sets(sheet.layout)
    return (
        *(
            SheetQuestion(f"{one}.{where}", what)
            for one, limits in sheet.sets.items()
            if one in here
            for where, what in kinds.kind_of_set(one, sheet.layout).questions(limits, say)
        ),
        *_of_material(sheet),
    )


def _of_material(sheet: LimitsSheet) -> Iterator[SheetQuestion]:
    """A crank that is steel in one place of the sheet and iron in another: iron is not pressed, steel may be."""
    shaft = sheet.sets.get("straightness")
    said = (sheet.crank_material.value, "" if shaft is None else shaft.made.get("made of", ""))
    metals = {metal for metal in ("iron", "steel") for one in said if one.endswith(metal)}
    if len(metals) > 1:
        text = "The crank is called steel in one place of the sheet and iron in another. Which is it?"
        yield SheetQuestion("straightness.made of", text)


def unsourced(sheet: LimitsSheet) -> tuple[str, ...]:
    """The figures that say they are a maker's and name no book or page, as set and figure."""
    return tuple(
        f"{one}.{key}"
        for one, limits in sheet.sets.items()
        for key, figure in limits.figures.items()
        if figure.source.kind in _LOOKED_UP and not figure.source.place
    )
