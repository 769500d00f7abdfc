"""Loose pieces decided together: which lie in the engine, which are still to be read, what a person decided."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property

from halfthou.jobs import Decision, DecisionKind
from halfthou.parts.pieces.verdict import PieceVerdict
from halfthou.verdicts import Action


@dataclass(frozen=True, kw_only=True)
class PiecesTogether:
    """Every piece of a set by its own name, and a person's decision against the verdict, where one stands."""

    verdicts: Mapping[str, PieceVerdict]
    decision: Decision | None = None

    @cached_property
    def placed(self) -> dict[str, PieceVerdict]:
        """The pieces that lie in the engine, by their place."""
        return {one.case.place: one for one in self.verdicts.values() if one.case.placed}

    @cached_property
    def places(self) -> int:
        """So many places the engine has for them."""
        return sum(not one.case.piece.part.spare for one in self.verdicts.values())

    @property
    def overruled(self) -> Action | None:
        """What a person decided otherwise; None where nobody did."""
        decision = self.decision
        return Action(decision.action) if decision and decision.kind is DecisionKind.OVERRIDDEN else None

    @property
    def ends(self) -> bool:
        """Loose pieces end no engine: others are bought."""
        return False
