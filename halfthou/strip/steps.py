"""The strip list of an engine, kept while it is asked for."""

from __future__ import annotations

from functools import lru_cache

from halfthou.engines import described
from halfthou.jobs import Job, Layout, StripEdits
from halfthou.strip.order import ordered
from halfthou.strip.step import StripStep


def strip_list(layout: Layout, edits: StripEdits | None = None) -> tuple[StripStep, ...]:
    """The steps for one engine by its description, as the house edits them, in their order.

    Refuses: StripCircle where the house's own ties make a ring.
    Rule:    strip.order.
    """
    if edits is None or edits.empty:
        return _plain(layout)
    return _edited(layout, edits.model_dump_json())


@lru_cache(maxsize=64)
def _plain(layout: Layout) -> tuple[StripStep, ...]:
    return ordered(described(layout))


@lru_cache(maxsize=64)
def _edited(layout: Layout, edits: str) -> tuple[StripStep, ...]:
    return ordered(described(layout), StripEdits.model_validate_json(edits))


def steps_of(job: Job) -> tuple[StripStep, ...]:
    """The strip list of a job."""
    return strip_list(job.limits.layout, job.strip_edits)


@lru_cache(maxsize=64)
def steps_by_id(layout: Layout) -> dict[str, StripStep]:
    """The steps of an engine by their names, without what a house adds."""
    return {step.id: step for step in strip_list(layout)}
