"""What of a part is measured: where its spots lie, what it can be, how the gauge is held."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from enum import StrEnum
from functools import cached_property
from typing import NamedTuple

from halfthou.amounts import Quantity
from halfthou.engines.expected import Expected
from halfthou.jobs import LimitsSheet, Material, OperationKind, Plan, Purpose, plane_and_angle
from halfthou.lengths import Length


class Drawing(StrEnum):
    """The drawings of a part from which a screen shows where the gauge goes."""

    SHAFT = "shaft"
    HOUSING = "housing"
    SHELL = "shell"
    BORE = "bore"
    PISTON = "piston"
    RING = "ring"
    PUMP = "pump"
    PLAIN = "plain"
    ROUND = "round"
    FLOAT = "float"


class Lies(NamedTuple):
    """Where a fixed spot stands among those of its feature: its row, its column, and at which angle it is read."""

    row: int
    column: str
    angle_deg: int


#: So many spots that are named by no plane and angle stand in a row.
IN_A_ROW = 4


@dataclass(frozen=True, eq=False)
class FeatureKind:
    """What of a part is measured, and how.

    `plan` is the usual one where it can be chosen (planes by angles); else `spots` are fixed, as many as the kind
    lists and named as it likes, letters of angles in degrees beside them. `planned` says that its spots are part of
    what must be read. `hole` turns wear round: holes grow. `caps` says that it does not count with the caps loose;
    `asks` what state is asked of it (caps, plate) and in which words; after `as_finished` work it counts in that
    state alone. `drawing` shows where the gauge goes, `hold`
    says how it is held; planes and angles are called by name where they have one (planes where the plan has as
    many). `most` is more than it can be, whatever the sheet says. `expected` tells from the sheet what it can
    measure. `quantity` is what it is; `small` a gap, a play or a wear, typed as it is and not by last digits, which
    may be nothing where it `may_be_nothing` and below nothing where it is `signed`. `judged_by` are the figures
    of the sheet of which one judges it; none where its kind has a rule for it whatever the sheet says. `kept_as`
    says what it is kept for where nothing judges it: a reading of that asks for no limit. `of_sets` are the sets of
    its kind that have it; none where each has."""

    key: str
    name: str
    purpose: Purpose
    plan: Plan | None = None
    spots: tuple[str, ...] = ()
    angles_deg: Mapping[str, int] = field(default_factory=dict)
    planned: bool = True
    hole: bool = False
    caps: bool = False
    asks: Mapping[str, str] = field(default_factory=dict)
    as_finished: tuple[OperationKind, ...] = ()
    drawing: Drawing = Drawing.PLAIN
    hold: str = ""
    plane_names: tuple[str, ...] = ()
    angle_names: Mapping[int, str] = field(default_factory=dict)
    most: Length | None = None
    quantity: Quantity = Quantity.LENGTH
    small: bool = False
    may_be_nothing: bool = False
    signed: bool = False
    judged_by: tuple[str, ...] = ()
    #: Whether a reading may say at which angle it is highest.
    high_side: bool = False
    kept_as: str = ""
    of_sets: tuple[str, ...] = ()
    #: About how large it is of any engine, so that a gauge of that range is at hand; None where the sheet says.
    about: Length | None = None
    #: What to ask where a size lies far below all it can be: most likely the gauge stood somewhere else.
    mistaken: str = ""
    material: Callable[[LimitsSheet, str], Material] = lambda _sheet, _set: Material.STEEL
    expected: Callable[[LimitsSheet, str], Expected | None] = lambda _sheet, _set: None

    def spots_of(self, chosen: Plan | None) -> tuple[str, ...]:
        """The spots in the order they are read."""
        plan = chosen or self.plan
        return self.spots if self.plan is None or plan is None else plan.spots

    @cached_property
    def named(self) -> bool:
        """Whether its fixed spots go by names of their own, not all by plane and angle."""
        return any(plane_and_angle(spot) is None for spot in self.spots)

    @cached_property
    def lies(self) -> Mapping[str, Lies]:
        """Where each fixed spot stands: by plane and angle, or where they go by names row by row as listed."""
        if self.named:
            places = [(n // IN_A_ROW + 1, spot) for n, spot in enumerate(self.spots)]
        else:
            places = [place for spot in self.spots if (place := plane_and_angle(spot)) is not None]
        return {
            spot: Lies(row, column, self.angles_deg.get(column, 0))
            for spot, (row, column) in zip(self.spots, places, strict=True)
        }
