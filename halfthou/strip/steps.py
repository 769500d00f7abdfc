"""The strip list of an engine, kept while it is asked for."""

from __future__ import annotations

from functools import lru_cache

from halfthou.engines import described
from halfthou.jobs import Job, Layout, StripEdits
from halfthou.strip.order import StripCircle, ordered
from halfthou.strip.step import StripStep


def strip_list(layout: Layout, edits: StripEdits | None = None) -> tuple[StripStep, ...]:
    """The steps for one engine by its description, as the house edits them, in their order.

    A change that fits other engines and would make steps of this one wait for each other is left out here.

    Rule:    strip.order, strip.house.
    """
    if edits is None or edits.empty:
        return _plain(layout)
    return _edited(layout, edits.model_dump_json())[0]


def left_out(layout: Layout, edits: StripEdits | None) -> tuple[str, ...]:
    """The house's own steps and moved steps that are left out of an engine's list, by their names: it has no such
    step, or the rules do not allow them here.

    Rule:    strip.house.
    """
    if edits is None or edits.empty:
        return ()
    fitting, here = _edited(layout, edits.model_dump_json())[1], {one.id for one in strip_list(layout, edits)}
    asked = (*(one.id for one in edits.own), *(one.step for one in edits.moved))
    kept = {*(one.id for one in fitting.own if one.id in here), *(one.step for one in fitting.moved)}
    return tuple(one for one in dict.fromkeys(asked) if one not in kept)


@lru_cache(maxsize=64)
def _plain(layout: Layout) -> tuple[StripStep, ...]:
    return ordered(described(layout))


@lru_cache(maxsize=64)
def _edited(layout: Layout, edits: str) -> tuple[tuple[StripStep, ...], StripEdits]:
    """The list, and as much of the changes as this engine's rules allow: of those that make a ring the first that
    were made stay."""
    engine, wanted = described(layout), StripEdits.model_validate_json(edits)
    try:
        return ordered(engine, wanted), wanted
    except StripCircle:
        fitting = wanted.model_copy(update={"own": (), "moved": ()})
    steps = ordered(engine, fitting)
    for name in ("moved", "own"):
        for one in getattr(wanted, name):
            tried = fitting.model_copy(update={name: (*getattr(fitting, name), one)})
            try:
                steps, fitting = ordered(engine, tried), tried
            except StripCircle:
                continue
    return steps, fitting


def steps_of(job: Job) -> tuple[StripStep, ...]:
    """The strip list of a job."""
    return strip_list(job.limits.layout, job.strip_edits)


@lru_cache(maxsize=64)
def steps_by_id(layout: Layout) -> dict[str, StripStep]:
    """The steps of an engine by their names, without what a house adds."""
    return {step.id: step for step in strip_list(layout)}
