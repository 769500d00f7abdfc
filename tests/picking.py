"""Cranks and the ways on with them, for tests, in few words. Engines and sizes are invented."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from halfthou.assess import judge
from halfthou.jobs import (
    Decision,
    DecisionKind,
    HouseRules,
    Job,
)
from halfthou.parts import SetVerdict, ways_shown
from halfthou.report import WayOnShown, WaysShown
from tests.making import (
    NOON,
    PERFECT,
    job,
)

HOUSE = HouseRules(spread_k=0)
SOUND = {**{f"M{n}": ["2.4140"] * 8 for n in range(1, 6)}, **{f"R{n}": ["2.0376"] * 8 for n in range(1, 5)}}


def ways(one: Job, which: str) -> WaysShown:
    """The ways on for a set of a job."""
    judged = judge(one)
    decided = judged.decided[which]
    assert isinstance(decided, SetVerdict)
    return ways_shown(judged.given, decided, judged.accepted(which))


def way(found: WaysShown, words: str) -> WayOnShown:
    """The way that begins with these words."""
    return next(one for one in found.ways if one.words.startswith(words))


def worn(sizes: dict[str, list[str]], **more: Any) -> Job:
    """A crank with a gauge that has no doubt, of a house without spread."""
    return job({**SOUND, **sizes}, gauge=PERFECT, house_rules=more.pop("house_rules", HOUSE), **more)


def mixed_house(one: Job) -> Job:
    """The same job in a house that lets journals of one set differ."""
    return one.model_copy(update={"house_rules": one.house_rules.model_copy(update={"mixed_sizes": True})})


def decided_so(one: Job, **more: Any) -> Job:
    """The job with a person's decision to grind its rods."""
    decision = Decision(
        id="d1", kind=DecisionKind.OVERRIDDEN, set="rods", action="regrind", reason="as the owner asked",
        by="owner", at=NOON + timedelta(hours=1), **more,
    )  # fmt: skip
    return one.model_copy(update={"decisions": (decision,)})
