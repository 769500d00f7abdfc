"""Many facts at once by one hand, as where a shop is furnished: each is checked and kept as always, its job is read
and judged once, at the end."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from threading import local

from halfthou.jobs import Fact, Job, held_as
from workshop.record.models import JobRecord


class Together(local):
    """The jobs that this thread judges later, each as it stands with what has landed on it so far."""

    def __init__(self) -> None:
        self.open = False
        self._touched: dict[int, None] = {}
        self._jobs: dict[int, tuple[JobRecord, Job]] = {}

    def changed(self, job_id: int) -> None:
        """A job changed: it is judged at the end, and what was known of it is not believed any more."""
        self._touched[job_id] = None
        self._jobs.pop(job_id, None)

    def with_facts(self, record: JobRecord, job: Job, facts: Sequence[Fact]) -> Job | None:
        """A job with facts that landed on it, where it is judged later; else None."""
        if not self.open:
            return None
        grown: dict[str, tuple[Fact, ...]] = {}
        for fact in facts:
            field = held_as(type(fact)).field
            grown[field] = (*grown.get(field, getattr(job, field)), fact)
        found = job.model_copy(update=grown)
        self._touched[record.pk] = None
        self._jobs[record.pk] = record, found
        return found

    def known(self, job_id: int) -> tuple[JobRecord, Job] | None:
        """A job as it stands with what has landed on it so far, where only facts have since it was read."""
        return self._jobs.get(job_id)

    @contextmanager
    def judged_at_the_end(self) -> Iterator[list[int]]:
        """While this is open, jobs that change are not judged. Gives the list that their numbers are put in when it
        closes."""
        touched: list[int] = []
        self.open = True
        try:
            yield touched
        finally:
            touched.extend(self._touched)
            self.open, self._touched, self._jobs = False, {}, {}


together = Together()
