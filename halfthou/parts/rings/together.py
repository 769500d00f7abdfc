"""The rings together: which go new with their bores, what is filed from each, two kinds in one engine."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from halfthou.jobs import Use
from halfthou.lengths import ZERO, Length
from halfthou.parts.bores import BoreSet
from halfthou.parts.pieces import WORST_FIRST, PiecesTogether
from halfthou.parts.rings.kind import FACING, NAMES, ring_of
from halfthou.sets import FileToFit
from halfthou.verdicts import Action

#: What is done to a bore that its used rings do not survive: new rings go with it.
_NEW_RINGS = (Action.HONE, Action.REBORE, Action.SLEEVE, Action.REPLACE)


def goes_new(bores: BoreSet | None, cylinder: str) -> bool:
    """Whether a cylinder gets new rings whatever its old ones are like: its bore is honed or bored.

    Rule:    rings.with-bore.
    """
    return bores is not None and bores.action_of(f"bore-{cylinder}") in _NEW_RINGS


@dataclass(frozen=True, kw_only=True)
class RingSet(PiecesTogether):
    """The decision on the rings. `filing` says of each ring read how its gap stands to what is aimed at."""

    filing: Mapping[str, FileToFit]
    bores: BoreSet | None
    use: Use | None

    @property
    def step(self) -> Length | None:
        """The size of the rings: that of their bores."""
        return self.bores.oversize if self.bores is not None else ZERO

    def action_of(self, piece: str) -> Action:
        """What becomes of one ring once the set is decided."""
        verdict = self.verdicts[piece]
        if not verdict.case.placed:
            return verdict.action
        if self.overruled is not None:
            return self.overruled
        if not verdict.case.piece.part.spare and goes_new(self.bores, ring_of(verdict.case.place)[0]):
            return Action.REPLACE
        return verdict.action

    @property
    def own(self) -> Action:
        """What the set comes to: the worst of those in the engine."""
        actions = {self.action_of(one.case.piece.part.id) for one in self.placed.values()}
        if len(self.placed) < self.places:
            actions.add(Action.MEASURE)
        return Action.MEASURE if Action.MEASURE in actions else min(actions, key=WORST_FIRST.index)

    @property
    def action(self) -> Action:
        """What is done with the rings."""
        return self.overruled or self.own

    @property
    def awaiting(self) -> tuple[str, ...]:
        """The rings in the engine that are still to be read."""
        return tuple(
            name
            for one in self.placed.values()
            if one.to_read and self.action_of(name := one.case.piece.part.id) is not Action.REPLACE
        )

    @property
    def so_far(self) -> bool:
        """Whether readings are missing, or a groove is empty."""
        return bool(self.awaiting) or len(self.placed) < self.places

    @property
    def new(self) -> tuple[str, ...]:
        """The rings in the engine that are replaced."""
        names = (one.case.piece.part.id for one in self.placed.values())
        return tuple(name for name in names if self.action_of(name) is Action.REPLACE)

    @property
    def two_kinds(self) -> tuple[tuple[int, tuple[str, ...]], ...]:
        """The ring numbers of which two facings were seen in one engine, with what was seen.

        Rule:    rings.two-kinds.
        """
        seen: dict[int, set[str]] = {number: set() for number in NAMES}
        for verdict in self.placed.values():
            facing = verdict.case.answer(FACING)
            if facing is not None:
                seen[ring_of(verdict.case.place)[1]].add(facing)
        return tuple((number, tuple(sorted(kinds))) for number, kinds in seen.items() if len(kinds) > 1)
