"""Job files of older versions brought to the present one, step by step: plain data in, plain data out."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

from halfthou.jobs import ANGLE_LETTERS, VERSION

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


_STEPS: tuple[Callable[[Data], Data], ...] = (_v1_to_v2, _v2_to_v3)
READABLE = tuple(range(1, VERSION + 1))
