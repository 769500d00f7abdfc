"""Jobs at the door and in the strip, for tests, in few words. What is in them is invented."""

from __future__ import annotations

import itertools
from datetime import datetime, timedelta
from typing import Any

from halfthou.jobs import Fact, Job, Statement, held_as
from tests.making import NOON, job, layout

counted = itertools.count(1)


def fact(document: type[Any], minute: int = 0, /, **said: Any) -> Any:
    """A fact of a kind, so many minutes after noon."""
    at: datetime = NOON + timedelta(minutes=minute)
    return document(**{"id": f"f{next(counted)}", "by": "bench", "at": at, **said})


def at_the_door(*facts: Fact, engine: str = "Inline four", **more: Any) -> Job:
    """A job of nothing but these facts."""
    fields: dict[str, Any] = {}
    for one in facts:
        fields[held_as(type(one)).field] = (*fields.get(held_as(type(one)).field, ()), one)
    made = job(**{**fields, **more, "looked": False})
    sheet = made.limits.model_copy(update={"layout": layout(engine)})
    return made.model_copy(update={"limits": sheet})


def said(topic: str, answer: str, source: str = "", *, verified: bool = False) -> Statement:
    """Something said at the door."""
    found: Statement = fact(Statement, topic=topic, answer=answer, source=source, verified=verified)
    return found
