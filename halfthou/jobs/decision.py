"""What people decided: a set's verdict accepted or overridden, something waived. Part of what `assess` takes."""

from enum import StrEnum

from pydantic import model_validator

from halfthou.jobs.document import Document, FactId, Moment, Note, Words
from halfthou.jobs.facts import PartName
from halfthou.jobs.set_limits import Key
from halfthou.lengths import Length


class DecisionKind(StrEnum):
    """What a person may do with a verdict."""

    ACCEPTED = "accepted"
    OVERRIDDEN = "overridden"
    WAIVED = "waived"
    TAKEN_BACK = "taken back"


class Waived(StrEnum):
    """What of a part is waived: its readings, the housing of a shell that turned, the clearance of a piston not
    read."""

    READINGS = "readings"
    HOUSING = "housing"
    CLEARANCE = "piston clearance"


class OtherSize(Document):
    """A part of a set that goes to another size than its set, so far from standard."""

    part: PartName
    step: Length


class Decision(Document):
    """A person's decision about a set, or about one part of it.

    The last of one set, part and `about` counts. `step` is the size decided on, so far from standard; `others` are
    the parts that go to another. `follows` says that a rod journal is ground about the axis on which a bend left
    it, not that of its throw. `words` are the verdict's as they stood. One that was `made_elsewhere` is shown and
    decides nothing here."""

    id: FactId
    kind: DecisionKind
    set: Key
    part: PartName | None = None
    about: Waived | None = None
    action: Note = ""
    step: Length | None = None
    others: tuple[OtherSize, ...] = ()
    follows: bool = False
    words: Note = ""
    reason: Note = ""
    made_elsewhere: bool = False
    by: Words
    at: Moment

    @model_validator(mode="after")
    def _hangs_together(self) -> "Decision":
        if self.kind is DecisionKind.WAIVED and (self.part is None or not self.reason.strip()):
            raise ValueError("what is waived is a part's, and has a reason")
        if self.kind is DecisionKind.OVERRIDDEN and not (self.action and self.reason.strip()):
            raise ValueError("what is decided otherwise has an action and a reason")
        names = [one.part for one in self.others]
        if len(names) != len(set(names)):
            raise ValueError("a part goes to one size only")
        if (self.others or self.follows) and (self.kind is not DecisionKind.OVERRIDDEN or self.step is None):
            raise ValueError("sizes of single parts, and an axis, belong to a size decided otherwise")
        return self
