"""A fact that needs nothing of its own to land: what is reported is its document without who, and the whole job is
checked with it."""

from __future__ import annotations

from functools import cache
from typing import Any, Literal

from ninja import Schema
from pydantic import Field, create_model

from halfthou.jobs import Fact, HeldFacts, Job
from workshop.people.models import Person
from workshop.record.models import JobRecord
from workshop.record.one_fact import fact_from, land_one
from workshop.record.opened import Opened, sound


@cache
def reported_as(held: HeldFacts) -> type[Schema]:
    """What is reported of a kind that has no form of its own: its document's fields, without who."""
    fields: dict[str, Any] = {
        name: (field.annotation, field) for name, field in held.document.model_fields.items() if name != "by"
    }
    kind: Any = Literal[held.kind.name]
    return create_model(
        f"Reported{held.document.__name__}",
        __base__=Schema,
        __doc__=held.document.__doc__,
        fact=(kind, Field(default=held.kind.name)),
        **fields,
    )


def land_plain(person: Person, job_id: int, given: Any, held: HeldFacts) -> Opened:
    """Land a fact as it was reported. Refuses: Refusal where the job does not hang together with it."""
    said = {name for name in held.document.model_fields if name not in ("id", "by", "at")}

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        fact = fact_from(held.document, person, given)
        sound(job.model_copy(update={held.field: (*held.of(job), fact)}))
        return [fact]

    return land_one(person, job_id, given, tuple(sorted(said)), make)
