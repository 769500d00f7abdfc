"""The one table of facts: a row is added and never changed, whatever is tried on it."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest
from django.db import DatabaseError, connection, transaction

from workshop.record.models import FactRecord, JobRecord, NoSuchKind


@pytest.mark.parametrize(
    "statement",
    [
        "UPDATE jobs_factrecord SET part = 'M9'",
        "UPDATE jobs_factrecord SET document = '{}'",
        "UPDATE jobs_factrecord SET key = 'another'",
        "DELETE FROM jobs_factrecord",
    ],
)
@pytest.mark.django_db
def test_a_fact_is_neither_changed_nor_removed(land: Callable[..., Any], job: JobRecord, statement: str) -> None:
    """SQLite: a trigger that raises undoes the statement (published: its documentation on CREATE TRIGGER)."""
    land("R1", "1a", "2.0371")
    before = list(FactRecord.objects.values_list("key", "part", "document"))
    with pytest.raises(DatabaseError), transaction.atomic(), connection.cursor() as cursor:
        cursor.execute(statement)
    assert list(FactRecord.objects.values_list("key", "part", "document")) == before
    assert job.facts.count() == 1


@pytest.mark.django_db
def test_a_name_is_one_facts_over_all_kinds(land: Callable[..., Any], job: JobRecord) -> None:
    """This program's own: sent twice it lands once, and no other fact takes its name."""
    land("R1", "1a", "2.0371", id="one")
    kept = job.facts.get()
    twin = FactRecord(job=job, key="one", kind="observation", document={}, by="bench", at=kept.at)
    with pytest.raises((DatabaseError, NoSuchKind)), transaction.atomic():
        twin.save()
    assert job.facts.count() == 1


@pytest.mark.parametrize("wrong", [{"kind": "rumour"}, {"document": None}])
@pytest.mark.django_db
def test_a_row_that_is_no_fact_is_refused(land: Callable[..., Any], job: JobRecord, wrong: dict[str, Any]) -> None:
    """This program's own: the table knows what a fact is, not only the code that writes it."""
    land("R1", "1a", "2.0371")
    kept = job.facts.get()
    values = {"key": "two", "kind": "reading", "document": kept.document, "by": "bench", "at": kept.at, **wrong}
    with pytest.raises((DatabaseError, NoSuchKind)), transaction.atomic():
        FactRecord(job=job, **values).save()
    assert job.facts.count() == 1


@pytest.mark.django_db
def test_a_job_with_facts_is_archived_and_never_removed(land: Callable[..., Any], job: JobRecord) -> None:
    """This program's own: nothing that was read is lost with its job."""
    land("R1", "1a", "2.0371")
    with pytest.raises((DatabaseError, NoSuchKind)), transaction.atomic():
        job.delete()
    assert JobRecord.objects.get().facts.count() == 1
