"""A kind of fact that only the tests have: a part was tapped, and rang or was dull. It is one entry."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from typing import Annotated

from pydantic.fields import FieldInfo
from typing_extensions import override

from halfthou.jobs import FACT_KINDS, Fact, FactKind, Job, JobFile, Names, StoryKind, Who, kinds_declared
from halfthou.jobs.facts import PartName


class Tapping(Fact):
    """A part was tapped: it rang, or was dull."""

    on: PartName
    rang: bool = True

    @override
    def said(self, names: Names) -> str:
        return f"tapped {names.called(self.on)}: {'it rang' if self.rang else 'dull'}"


#: The one entry: what would be a line of the job.
ENTRY = Annotated[tuple[Tapping, ...], FactKind("tapping", 3, StoryKind.SEEN, back=Who.BENCH)]


@contextmanager
def a_kind_of_fact_more() -> Iterator[None]:
    """While this is open, jobs hold tappings; as it was afterwards."""
    Job.model_fields["tappings"] = FieldInfo.from_annotated_attribute(ENTRY, ())
    FACT_KINDS.update({held.kind.name: held for held in kinds_declared(Job)})
    _anew()
    try:
        yield
    finally:
        del FACT_KINDS["tapping"], Job.model_fields["tappings"]
        _anew()


def _anew() -> None:
    """The documents that a job stands in are put together anew."""
    Job.model_rebuild(force=True)
    JobFile.model_rebuild(force=True)
