"""The job file: the job, and beside it what people decided about it."""

from datetime import datetime
from enum import StrEnum
from typing import Annotated, Any, Literal

from pydantic import Field

from halfthou.jobs.document import Document, FactId, Note, Words
from halfthou.jobs.facts import JournalName
from halfthou.jobs.job import Job
from halfthou.jobs.limits_sheet import JournalSet
from halfthou.lengths import Length

FORMAT = "halfthou-job"
VERSION = 2


class DecisionKind(StrEnum):
    """What a person may do with a verdict. Source: design 8.3."""

    ACCEPTED = "accepted"
    OVERRIDDEN = "overridden"
    WAIVED = "waived"


class Decision(Document):
    """A person's decision about a set, or a journal waived. `words` are the verdict's as they stood."""

    id: FactId
    kind: DecisionKind
    set: JournalSet
    journal: JournalName | None = None
    action: Note = ""
    undersize: Length | None = None
    words: Note = ""
    reason: Note = ""
    by: Words
    at: datetime


class Signature(Document):
    """A signed decision sheet. `sheet` holds what was signed, as it stood; it is never worked out again."""

    revision: Annotated[int, Field(ge=1)]
    by: Words
    at: datetime
    withdrawn_by: Note = ""
    withdrawn_at: datetime | None = None
    made_elsewhere: bool = False
    sheet: dict[str, Any] = Field(default_factory=dict)


class JobFile(Document):
    """A whole job, to carry from one machine to another."""

    format: Literal["halfthou-job"] = "halfthou-job"
    version: Literal[2] = 2
    job: Job
    decisions: tuple[Decision, ...] = ()
    signatures: tuple[Signature, ...] = ()
