"""The kinds of fact: what each is called, and in which field of the job it stands.

The one list: the table of facts, the job file and the taking in of files follow it."""

from __future__ import annotations

from typing import TypeAlias

from halfthou.jobs.door_facts import LookTaken, Statement, StopPoint, WayOn
from halfthou.jobs.evidence_facts import (
    CarriedPart,
    CauseSaid,
    Dealt,
    Mistrust,
    OilReport,
    OilWaySaid,
    Remedy,
    ReportIssued,
    Sighting,
)
from halfthou.jobs.facts import (
    Extension,
    Fitting,
    Observation,
    Piece,
    Reading,
    SlipAnswer,
    UseSaid,
    Withdrawal,
)
from halfthou.jobs.operation import Operation
from halfthou.jobs.picture import Picture
from halfthou.jobs.strip_facts import (
    Closing,
    FastenerSeen,
    Fragment,
    HandOver,
    Laying,
    Marking,
    Removal,
    StepDone,
)
from halfthou.jobs.temperatures import Sitting

Fact: TypeAlias = (
    Reading | Withdrawal | Observation | Sitting | Operation | SlipAnswer | Extension | Piece | Fitting | UseSaid
    | Statement | LookTaken | StopPoint | WayOn | StepDone | Marking | Laying | Removal | FastenerSeen | Fragment
    | Closing | Picture | HandOver | Sighting | OilReport | OilWaySaid | Mistrust | CauseSaid | Remedy | Dealt
    | CarriedPart | ReportIssued
)  # fmt: skip

#: By kind: the field of the job that holds its facts, and the document each is.
FACT_KINDS: dict[str, tuple[str, type[Fact]]] = {
    "reading": ("readings", Reading),
    "withdrawal": ("withdrawals", Withdrawal),
    "observation": ("observations", Observation),
    "sitting": ("sittings", Sitting),
    "operation": ("operations", Operation),
    "slip answer": ("slip_answers", SlipAnswer),
    "extension": ("extensions", Extension),
    "piece": ("pieces", Piece),
    "fitting": ("fittings", Fitting),
    "use": ("uses", UseSaid),
    "statement": ("statements", Statement),
    "look": ("looks_taken", LookTaken),
    "stop point": ("stop_points", StopPoint),
    "way on": ("ways_on", WayOn),
    "step": ("steps_done", StepDone),
    "mark": ("markings", Marking),
    "laying": ("layings", Laying),
    "removal": ("removals", Removal),
    "fastener": ("fasteners", FastenerSeen),
    "fragment": ("fragments", Fragment),
    "closing": ("closings", Closing),
    "picture": ("pictures", Picture),
    "hand over": ("handovers", HandOver),
    "sighting": ("sightings", Sighting),
    "oil report": ("oil_reports", OilReport),
    "oil way": ("oil_ways", OilWaySaid),
    "mistrust": ("mistrusts", Mistrust),
    "cause": ("causes_said", CauseSaid),
    "remedy": ("remedies", Remedy),
    "dealt": ("dealt", Dealt),
    "carried part": ("carried_parts", CarriedPart),
    "report": ("reports", ReportIssued),
}

#: Facts that a withdrawal may take back, and those that may land once the sheet is signed: what is put back, who
#: took the engine, pictures. They change no verdict.
TAKEN_BACK = frozenset(
    {"reading", "operation", "fitting", "statement", "look", "stop point", "way on", "step", "mark", "laying",
     "removal", "fastener", "fragment", "closing", "picture", "hand over", "sighting", "oil report", "oil way",
     "mistrust", "cause", "remedy", "dealt", "carried part"}
)  # fmt: skip
AFTER_SIGNING = frozenset(
    {"closing", "picture", "hand over", "removal", "fragment", "laying", "dealt", "carried part", "report"}
)
#: Facts of the evidence, beside looks at the bench and figures.
OF_THE_EVIDENCE = (
    "sighting", "oil report", "oil way", "mistrust", "cause", "remedy", "dealt", "carried part", "report",
)  # fmt: skip
#: Facts of door and strip: what is worked out before the bench rests on them.
OF_THE_DOOR = (
    "statement", "look", "stop point", "way on", "step", "mark", "laying", "removal", "fastener", "fragment",
    "closing", "picture", "hand over", "withdrawal",
)  # fmt: skip
