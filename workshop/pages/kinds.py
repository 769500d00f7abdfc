"""The kinds of part as the API tells of them: labels, plans, looks and what a limits sheet asks."""

from collections.abc import Iterator
from dataclasses import asdict

from pydantic import BaseModel

from halfthou.amounts import QUANTITIES, Quantity
from halfthou.engines import Drawing, FeatureKind, PartKind, SheetFigure, SheetMade
from halfthou.jobs import OperationKind, Plan, Purpose
from halfthou.looks import Asks, LookKind
from halfthou.verdicts import MOST_PRESSING, SIZED, Action


class LiesOut(BaseModel):
    """Where a fixed spot stands in the table: its row, its column, and at which angle it is read."""

    row: int
    column: str
    angle_deg: int


class FeatureOut(BaseModel):
    """What of a part is measured. `plan` is the usual one where it can be chosen; else `spots` are fixed, and
    lie as `lies` says. `asks` is what state of the part is asked while it is read, and in which words; planes
    and angles (by their degrees) are called by name where they have one. `read_in` is the unit of what is no
    length; `small` a gap or a play, typed as it is; `signed` one that may lie below nothing; `high_side` a total
    reading, beside which the angle where it is highest may be typed; `of_sets` the sets that have it, each where
    none is named."""

    key: str
    name: str
    planned: bool
    purpose: Purpose
    hole: bool
    plan: Plan | None
    spots: list[str]
    lies: dict[str, LiesOut]
    asks: dict[str, str]
    drawing: Drawing
    hold: str
    plane_names: list[str]
    angle_names: dict[int, str]
    read_in: str
    small: bool
    signed: bool
    high_side: bool
    of_sets: list[str]


class LookOut(BaseModel):
    """A look and its answers; on what it is looked for, the usual first; which answers a depth, a size or what was
    measured belongs to; by which answer eye and nail find nothing."""

    look: str
    answers: list[str]
    on: list[str]
    depth_for: list[str]
    step_for: list[str]
    measured: list[str]
    amount: str
    how: str
    sound_by_eye: str


class SheetFigureOut(BaseModel):
    """A figure of the limits sheet: its key, label, whether it is a band and whether it is needed; the set it is
    asked of instead, where the sheet speaks of that; the one set it is of, where it is not of each."""

    name: str
    label: str
    is_band: bool
    needed: bool
    read_in: str
    asked_of: str
    of_set: str


class SheetMadeOut(BaseModel):
    """Something a set is made of: one of these answers, or an angle where there are none."""

    key: str
    label: str
    answers: list[str]
    free: bool


class PlanOut(BaseModel):
    """A measuring plan that is offered."""

    label: str
    plan: Plan


class SteppedOut(BaseModel):
    """How the parts of a kind are taken to another size, in the words of a screen."""

    work: OperationKind
    step: str
    reach: str
    taken_to: str
    bought: str
    card: str


#: So many looks of a loose piece stand open; the rest, as those at assembly, are folded.
OF_LOOSE = 6


class KindOut(BaseModel):
    """A kind of part. `steps` is what its sizes from standard are called, "" where it has none. Of its `actions`
    those that are `sized` may name a size; `pressing` is which verdict asks for a person first,
    `looks_open` how many looks stand open at the bench, all where 0."""

    kind: str
    name: str
    station: str
    sets: dict[str, str]
    wholes: list[str]
    features: list[FeatureOut]
    looks: list[LookOut]
    figures: list[SheetFigureOut]
    made: list[SheetMadeOut]
    steps: str
    stepped: SteppedOut | None
    step_rings: bool
    plans: list[PlanOut]
    plan_hint: str
    loose: bool
    looks_open: int
    actions: list[Action]
    sized: list[Action]
    pressing: list[Action]


def kind_out(kind: PartKind) -> KindOut:
    """A kind of part as the API tells of it."""
    return KindOut(
        kind=kind.key,
        name=kind.name,
        station=kind.station,
        sets=dict(kind.sets),
        wholes=list(kind.wholes),
        features=[_feature(feature) for feature in kind.features],
        looks=[_look(look, kind) for look in kind.looks if look.bench],
        figures=[_figure(figure) for figure in kind.figures],
        made=[_made(made) for made in kind.made],
        steps=kind.steps,
        stepped=None if kind.stepped is None else SteppedOut(**asdict(kind.stepped)),
        step_rings=kind.step_rings,
        plans=[PlanOut(label=label, plan=plan) for label, plan in kind.plans],
        plan_hint=kind.plan_hint,
        loose=kind.loose,
        looks_open=kind.looks_open or (OF_LOOSE if kind.loose else 0),
        actions=[Action(action) for action in kind.actions],
        sized=[action for action in SIZED if action in kind.actions],
        pressing=list(MOST_PRESSING),
    )


def _feature(feature: FeatureKind) -> FeatureOut:
    return FeatureOut(
        key=feature.key,
        name=feature.name,
        planned=feature.planned,
        purpose=feature.purpose,
        hole=feature.hole,
        plan=feature.plan,
        spots=list(feature.spots),
        lies={spot: LiesOut(**lies._asdict()) for spot, lies in feature.lies.items()},
        asks=dict(feature.asks),
        drawing=feature.drawing,
        hold=feature.hold,
        plane_names=list(feature.plane_names),
        angle_names=dict(feature.angle_names),
        read_in="" if feature.quantity is Quantity.LENGTH else QUANTITIES[feature.quantity].unit.value,
        small=feature.small,
        signed=feature.signed,
        high_side=feature.high_side,
        of_sets=list(feature.of_sets),
    )


def _look(look: LookKind, kind: PartKind) -> LookOut:
    return LookOut(
        look=look.key,
        answers=list(look.texts),
        on=list(_on(look, kind)),
        depth_for=list(look.asking(Asks.DEPTH)),
        step_for=list(look.asking(Asks.STEP)),
        measured=list(look.asking(Asks.MEASURED)),
        amount=look.amount,
        how=look.how,
        sound_by_eye=look.sound_by_eye,
    )


def _on(look: LookKind, kind: PartKind) -> Iterator[str]:
    """On what a kind's look is taken: the part itself, its set, or one of its wholes by name."""
    for on in look.on:
        if on in (kind.key, *kind.sets, *kind.wholes):
            yield "part" if on == kind.key else "set" if on in kind.sets else on


def _figure(figure: SheetFigure) -> SheetFigureOut:
    read_in = "" if figure.quantity is Quantity.LENGTH else QUANTITIES[figure.quantity].unit.value
    return SheetFigureOut(
        name=figure.key,
        label=figure.label,
        is_band=figure.is_band,
        needed=figure.needed,
        read_in=read_in,
        asked_of=figure.asked_of,
        of_set=figure.of_set,
    )


def _made(made: SheetMade) -> SheetMadeOut:
    return SheetMadeOut(key=made.key, label=made.label, answers=list(made.answers), free=made.free)
