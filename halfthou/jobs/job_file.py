"""The job file: the job, and beside it the sheets that were signed."""

from typing import Annotated, Any, Literal

from pydantic import Field

from halfthou.jobs.document import Document, Moment, Note, Words
from halfthou.jobs.job import Job

FORMAT = "halfthou-job"
VERSION = 12


class Signature(Document):
    """A signed decision sheet. `sheet` holds what was signed, as it stood; it is never worked out again."""

    revision: Annotated[int, Field(ge=1, le=100_000)]
    by: Words
    at: Moment
    withdrawn_by: Note = ""
    withdrawn_at: Moment | None = None
    withdrawn_because: Note = ""
    made_elsewhere: bool = False
    sheet: dict[str, Any] = Field(default_factory=dict)


class JobFile(Document):
    """A whole job, to carry from one machine to another."""

    format: Literal["halfthou-job"] = "halfthou-job"
    version: Literal[12] = 12
    job: Job
    signatures: Annotated[tuple[Signature, ...], Field(max_length=1_000)] = ()
