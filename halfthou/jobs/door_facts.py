"""Facts from the door: what was said and found out of an engine before it is opened, the looks taken, and which way
on was chosen."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator
from typing_extensions import override

from halfthou.jobs.document import FactId, Note, Words
from halfthou.jobs.fact import Fact, Names
from halfthou.jobs.set_limits import Key

#: An amount of money in the smallest coin of the shop's money.
Coins = Annotated[int, Field(strict=True, ge=0, le=1_000_000_000)]


class ComplaintKind(StrEnum):
    """The kinds a complaint falls under. They choose what is looked at first."""

    LOW_PRESSURE = "low pressure"
    KNOCK = "knock"
    METAL = "metal found"
    MILKY = "milky oil"
    SHAKING = "shaking"
    AFTER_SERVICE = "after a service"
    BURNS_OIL = "burns oil"
    SEIZED = "seized"
    SHINY = "shiny bearings"
    THRUST = "thrust or clutch"
    OVERHEATED = "overheated"
    LOW_COMPRESSION = "low or no compression"
    LOSES_COOLANT = "loses coolant"
    SMOKES = "smokes"
    LEAKS = "leaks"
    HIGH_PRESSURE = "pressure too high"
    NOISE_ABOVE = "noise above"
    WILL_NOT_START = "will not start"
    NONE = "none"


class Statement(Fact):
    """Something said or found out about the engine: `topic` is the question, `answer` what was said to it.

    `source` says who or what says so: two may disagree, and both stay. `verified` says that somebody here has seen
    or measured it; what is not verified is a claim.
    """

    topic: Key
    answer: Words
    source: Note = ""
    verified: bool = False
    note: Note = ""

    @override
    def said(self, names: Names) -> str:
        source = f", says {self.source}" if self.source else ""
        return f"{self.topic}: {self.answer}{source}{' (verified)' if self.verified else ''}"


class StopPoint(Fact):
    """A point agreed with the customer at which work stops and is talked over: once so much is spent, or before a
    look is begun."""

    name: Words
    spend: Coins | None = None
    before: Key | None = None

    @model_validator(mode="after")
    def _one_of_both(self) -> "StopPoint":
        if (self.spend is None) == (self.before is None):
            raise ValueError("a stop point is at a sum, or before a look: one of both")
        return self

    @override
    def said(self, names: Names) -> str:
        return f"stop point agreed: {self.name}"


class WayOn(Fact):
    """What was decided at a stop point, or where a look could end the job: to go on or to stop, and why.

    `point` is the stop point, or the look that could end it.
    """

    point: FactId
    on: bool
    reason: Words

    @override
    def said(self, names: Names) -> str:
        return f"{'went on' if self.on else 'stopped'}: {self.reason}"
