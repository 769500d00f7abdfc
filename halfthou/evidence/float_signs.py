"""The end float held against what the engine was built with, as evidence."""

from __future__ import annotations

from collections.abc import Iterable, Iterator

from halfthou.causes import SignSeen
from halfthou.evidence.figure_signs import FigureCalled
from halfthou.evidence.known import Known
from halfthou.evidence.sighted import Sightings
from halfthou.parts import AS_BUILT, BLUE, END_FLOAT, FACES, ON_RECORD, is_as_built

#: Looks of the strip at the thrust, by which a face got hot.
_BLUED = ("one face blued", "both blued")


def float_signs(sightings: Sightings, figures: Iterable[FigureCalled]) -> Iterator[Known]:
    """An end float that is as it was built speaks against a load on the thrust: outright where this shop has it on
    record, less where somebody only says so. A blued face is beyond all the same.

    Rule:    end-float.as-built.
    """
    blued = tuple(_blued(sightings))
    if blued:
        yield "float.beyond", True, SignSeen(tuple(words for words, _ in blued), tuple(fact for _, fact in blued))
        return
    claim = sightings.last(END_FLOAT, AS_BUILT)
    read = next((one for one in figures if one.part == END_FLOAT and one.key == "end float most"), None)
    if claim is None or claim.amount is None or read is None or not is_as_built(claim.amount.nm, read.value_nm):
        return
    sign = "float.as-built" if claim.answer == ON_RECORD else "float.as-claimed"
    yield sign, True, SignSeen((f"{claim.answer}, by {claim.by}",), (claim.id,))
    yield "float.nil", False, SignSeen(("measured",))


def that_count(sightings: Sightings, figures: Iterable[FigureCalled]) -> Iterator[FigureCalled]:
    """The figures that count as evidence: of a thrust with a blued face the float says nothing."""
    hot = any(True for _ in _blued(sightings))
    yield from (one for one in figures if not (hot and one.part == END_FLOAT))


def _blued(sightings: Sightings) -> Iterator[tuple[str, str]]:
    faces = sightings.last(END_FLOAT, FACES)
    if faces is not None and faces.answer == BLUE:
        yield f"thrust faces: {faces.answer}", faces.id
    for on, look in sightings.by_place:
        found = sightings.last(on, look) if look == "thrust" else None
        if found is not None and found.answer in _BLUED:
            yield f"{sightings.name_of(on)}: {found.answer}", found.id
