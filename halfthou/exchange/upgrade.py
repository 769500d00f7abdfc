"""Job files of older versions brought to the present one, step by step: plain data in, plain data out."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from halfthou.jobs import ANGLE_LETTERS, OLDER_SEEN, VERSION

Data = dict[str, Any]


def upgrade(data: Data) -> Data:
    """A job file of any version this program reads, as one of the present version.

    Takes:   the file as parsed; its `version` between 1 and the present one. What does not have the form of a job
             is left as it is: reading it says what is wrong.
    """
    for step in _STEPS[data["version"] - 1 :]:
        data = step(data)
    return data


def _v1_to_v2(data: Data) -> Data:
    """Version 1 has none of what a reading's state consists of: all of that has a meaning when left out."""
    return {**data, "version": 2}


def _v2_to_v3(data: Data) -> Data:
    """Decisions move into the job, withdrawals name any fact, readings keep the angle they were taken at."""
    moved = {name: value for name, value in data.items() if name != "decisions"}
    job = data.get("job")
    if not isinstance(job, dict):
        return {**moved, "version": 3}
    job = dict(job)
    if "decisions" in data:
        job["decisions"] = data["decisions"]
    job["withdrawals"] = [_renamed(one, "reading", "fact") for one in _list(job, "withdrawals")]
    job["readings"] = [_placed(one, job) for one in _list(job, "readings")]
    for name in ("withdrawals", "readings"):
        if not job[name]:
            del job[name]
    return {**moved, "version": 3, "job": job}


def _list(job: Data, name: str) -> list[Any]:
    found = job.get(name, [])
    return found if isinstance(found, list) else [found]


def _renamed(one: Any, old: str, new: str) -> Any:
    if not isinstance(one, dict) or old not in one:
        return one
    return {new if name == old else name: value for name, value in one.items()}


def _placed(reading: Any, job: Data) -> Any:
    """A reading with the angle and the number of planes it was taken by, where its plan has the spot."""
    if not isinstance(reading, dict) or reading.get("feature", "journal") != "journal":
        return reading
    spot, journal = reading.get("spot"), reading.get("journal")
    if not (isinstance(spot, str) and isinstance(journal, str) and len(spot) == 2 and journal):
        return reading
    plan = job.get("mains_plan" if journal[0] == "M" else "rods_plan", {})
    plan = plan if isinstance(plan, dict) else {}
    angles, planes = plan.get("angles_deg", [0, 45, 90, 135]), plan.get("planes", 2)
    at = ANGLE_LETTERS.find(spot[1])
    if not isinstance(angles, list) or not isinstance(planes, int) or not 0 <= at < len(angles):
        return reading
    if not spot[0].isdigit() or int(spot[0]) > planes:
        return reading
    return {**reading, "angle_deg": angles[at], "planes": planes}


def _v3_to_v4(data: Data) -> Data:
    """A reading names a part and a feature, limits stand by their keys, plans by their sets, and a job has a
    scope."""
    job = data.get("job")
    if not isinstance(job, dict):
        return {**data, "version": 4}
    job = dict(job)
    if "limits" in job:
        job["limits"] = limits_to_v4(job["limits"])
    plans = {one: job.pop(f"{one}_plan") for one in ("mains", "rods") if f"{one}_plan" in job}
    job = {**job, "scope": ["mains", "rods"], "plans": plans}
    pins = _pins(job)
    if "readings" in job:
        job["readings"] = [_of_a_part(one, pins) for one in _list(job, "readings")]
    if "operations" in job:
        job["operations"] = [_renamed(one, "undersize", "step") for one in _list(job, "operations")]
    if "decisions" in job:
        job["decisions"] = [
            _renamed(_renamed(one, "journal", "part"), "undersize", "step") for one in _list(job, "decisions")
        ]
    return {**data, "version": 4, "job": job}


def _pins(job: Data) -> list[Any]:
    """The cylinders of each pin, as far as the file has the form of one."""
    found: Any = job
    for name in ("limits", "layout", "pins"):
        found = found.get(name) if isinstance(found, dict) else None
    return [pin.get("cylinders", []) if isinstance(pin, dict) else [] for pin in found or []]


def part_of_v3(journal: str, feature: str, pins: list[Any]) -> tuple[str, str]:
    """The part and feature that a journal and a feature of version 3 stand for.

    What was read of a bearing on a pin that two rods share does not say whose it was: it stays the pin's.
    """
    if feature == "journal":
        return journal, "diameter"
    number = int(journal[1:]) if journal[1:].isdigit() else 0
    if journal[:1] == "R" and 0 < number <= len(pins) and len(pins[number - 1]) == 1:
        return f"bearing-rod-{pins[number - 1][0]}", feature
    return f"bearing-{journal}", feature


def _of_a_part(one: Any, pins: list[Any]) -> Any:
    if not isinstance(one, dict):
        return one
    moved = {name: value for name, value in one.items() if name not in ("journal", "feature", "size")}
    if "size" in one:
        moved["count"] = one["size"]
    journal, feature = one.get("journal"), one.get("feature", "journal")
    if isinstance(journal, str) and isinstance(feature, str):
        moved["part"], moved["feature"] = part_of_v3(journal, feature, pins)
    return moved


_SET_FIGURES = (
    "size",
    "housing_bore",
    "wall",
    "clearance",
    "service_least",
    "out_of_round",
    "taper",
    "barrel",
    "width",
    "clearance_service",
    "smallest_allowed",
    "case_depth",
    "least_case",
)
_MADE = {"hardening": "hardening", "housing_material": "housing material", "oil_hole_deg": "oil hole"}


def limits_to_v4(sheet: Any) -> Any:
    """A limits sheet of an older version as one of version 4."""
    if not isinstance(sheet, dict) or "sets" in sheet:
        return sheet
    kept = {name: value for name, value in sheet.items() if name not in ("mains", "rods")}
    return {**kept, "sets": {one: _set_to_v4(sheet[one]) for one in ("mains", "rods") if one in sheet}}


def _set_to_v4(limits: Any) -> Any:
    if not isinstance(limits, dict):
        return limits
    known = {*_SET_FIGURES, *_MADE, "shells"}
    made = {}
    for old, new in _MADE.items():
        value = limits.get(old)
        if value is not None:
            made[new] = f"{value:g}" if isinstance(value, int | float) else value
    return {
        **{name: value for name, value in limits.items() if name not in known},
        "figures": {name: limits[name] for name in _SET_FIGURES if limits.get(name) is not None},
        "steps": [_renamed(shell, "undersize", "size") for shell in _list(limits, "shells")],
        "made": made,
    }


def _v4_to_v5(data: Data) -> Data:
    """Version 4 has no pieces, no fittings, no use and no limits that are no lengths: left out, there are none."""
    return {**data, "version": 5}


def _v5_to_v6(data: Data) -> Data:
    """Version 5 has nothing from the door and the strip, and no pictures: left out, there is none."""
    return {**data, "version": 6}


def _v6_to_v7(data: Data) -> Data:
    """Version 6 has no evidence beside what was seen at the bench: left out, there is none."""
    return {**data, "version": 7}


def _v7_to_v8(data: Data) -> Data:
    """Version 7 does not say which main takes the thrust: left out, nobody said."""
    return {**data, "version": 8}


def _v8_to_v9(data: Data) -> Data:
    """Version 8 keeps what was seen in three kinds of fact, by the page it was written down on."""
    job = data.get("job")
    if not isinstance(job, dict):
        return {**data, "version": 9}
    fields = {older.field: older.read for older in OLDER_SEEN}
    seen = [
        reader(one) if isinstance(one, dict) else one
        for field, reader in fields.items()
        for one in _list(job, field)
    ]
    kept = {name: value for name, value in job.items() if name not in fields}
    return {**data, "version": 9, "job": {**kept, "seen": seen} if seen else kept}


def _v9_to_v10(data: Data) -> Data:
    """Version 9 knows no reason for a step done all the same, nothing of what debris is like, and no work done
    elsewhere that removed a cause: left out, nobody said."""
    return {**data, "version": 10}


def _v10_to_v11(data: Data) -> Data:
    """Version 10 does not say how an engine is built, nor what a house changes in its strip list: nobody said."""
    return {**data, "version": 11}


def _v11_to_v12(data: Data) -> Data:
    """Version 11 has nothing of how the crank lies, of its tunnel and float, and no size of a single journal: left
    out, nobody said."""
    return {**data, "version": 12}


_STEPS: tuple[Callable[[Data], Data], ...] = (
    _v1_to_v2,
    _v2_to_v3,
    _v3_to_v4,
    _v4_to_v5,
    _v5_to_v6,
    _v6_to_v7,
    _v7_to_v8,
    _v8_to_v9,
    _v9_to_v10,
    _v10_to_v11,
    _v11_to_v12,
)
READABLE = tuple(range(1, VERSION + 1))
