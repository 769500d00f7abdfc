"""What people decided: a set's verdict accepted or overridden, something waived. Part of what `assess` takes."""

from enum import StrEnum

from pydantic import model_validator

from halfthou.jobs.document import Document, FactId, Moment, Note, Words
from halfthou.jobs.facts import JournalName
from halfthou.jobs.limits_sheet import JournalSet
from halfthou.lengths import Length


class DecisionKind(StrEnum):
    """What a person may do with a verdict."""

    ACCEPTED = "accepted"
    OVERRIDDEN = "overridden"
    WAIVED = "waived"
    TAKEN_BACK = "taken back"


class Waived(StrEnum):
    """What of a journal is waived: its readings, or the housing of a shell that turned."""

    READINGS = "readings"
    HOUSING = "housing"


class Decision(Document):
    """A person's decision about a set, or about one journal of it.

    The last of one set, journal and `about` counts. `words` are the verdict's as they stood. One that was
    `made_elsewhere` is shown and decides nothing here.
    """

    id: FactId
    kind: DecisionKind
    set: JournalSet
    journal: JournalName | None = None
    about: Waived | None = None
    action: Note = ""
    undersize: Length | None = None
    words: Note = ""
    reason: Note = ""
    made_elsewhere: bool = False
    by: Words
    at: Moment

    @model_validator(mode="after")
    def _hangs_together(self) -> "Decision":
        if self.kind is DecisionKind.WAIVED and (self.journal is None or not self.reason.strip()):
            raise ValueError("what is waived is a journal's, and has a reason")
        if self.kind is DecisionKind.OVERRIDDEN and not (self.action and self.reason.strip()):
            raise ValueError("what is decided otherwise has an action and a reason")
        return self
