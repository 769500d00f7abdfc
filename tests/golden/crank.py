"""The parts that the golden jobs of a crank are made of."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from halfthou.jobs import Decision, DecisionKind, Job, JournalSet, Operation, OperationKind, Reading  # fmt: skip
from halfthou.lengths import Unit
from tests.making import GOOD_ENGINE, MICROMETER, NOON, inches  # fmt: skip

Sizes = dict[str, list[str]]


def engine(**changed: list[str]) -> Sizes:
    """The whole engine as new, but for these journals."""
    return {**GOOD_ENGINE, **changed}


def at(size: str, times: int = 8) -> list[str]:
    return [size] * times


def rods_at(size: str, **changed: list[str]) -> Sizes:
    return engine(**{f"R{n}": changed.get(f"R{n}", at(size)) for n in range(1, 5)})


def ground(on: str, under: str | None = "0.010", name: str = "ground") -> Operation:
    """A grind a day before the readings."""
    return Operation(
        id=name, kind=OperationKind.GRIND, on=on, step=None if under is None else inches(under),
        by="bench", at=NOON - timedelta(days=1),
    )  # fmt: skip


def decided(kind: DecisionKind, **more: Any) -> Decision:
    values: dict[str, Any] = {
        "id": "decided", "set": JournalSet.RODS, "words": "", "reason": "so it is", "by": "owner",
        "at": NOON + timedelta(hours=2),
    }  # fmt: skip
    return Decision(kind=kind, **{**values, **more})


def with_more(one: Job, *more: Reading) -> Job:
    return one.model_copy(update={"readings": (*one.readings, *more)})


def again(on: str, spot: str, size: str, **more: Any) -> Reading:
    """One more reading at a spot, a while later."""
    values: dict[str, Any] = {
        "id": f"{on}.{spot}.again", "part": on, "spot": spot, "count": inches(size).nm, "typed": size,
        "unit": Unit.INCH, "gauge": MICROMETER.id, "by": "bench", "at": NOON + timedelta(minutes=30),
    }  # fmt: skip
    return Reading(**{**values, **more})
