"""The documents of the trade: what a job, a limits sheet, a gauge and a fact consist of. No rules here."""

from halfthou.jobs.document import Document, FactId, Note, Words
from halfthou.jobs.facts import ANSWERS, Look, Observation, Reading, Withdrawal
from halfthou.jobs.figures import Band, Figure, Source, SourceKind
from halfthou.jobs.gauge import Gauge, GaugeKind
from halfthou.jobs.house_rules import Guard, HardenedCrank, HouseRules
from halfthou.jobs.job import Job
from halfthou.jobs.job_file import FORMAT, VERSION, Decision, DecisionKind, JobFile, Signature
from halfthou.jobs.layout import Arrangement, Layout, Pin
from halfthou.jobs.limits_sheet import (
    Hardening,
    JournalLimits,
    JournalSet,
    LimitsSheet,
    SheetState,
    ShellSize,
    set_of,
)
from halfthou.jobs.plan import ANGLE_LETTERS, Plan

__all__ = [
    "ANGLE_LETTERS",
    "ANSWERS",
    "FORMAT",
    "VERSION",
    "Arrangement",
    "Band",
    "Decision",
    "DecisionKind",
    "Document",
    "FactId",
    "Figure",
    "Gauge",
    "GaugeKind",
    "Guard",
    "HardenedCrank",
    "Hardening",
    "HouseRules",
    "Job",
    "JobFile",
    "JournalLimits",
    "JournalSet",
    "Layout",
    "LimitsSheet",
    "Look",
    "Note",
    "Observation",
    "Pin",
    "Plan",
    "Reading",
    "SheetState",
    "ShellSize",
    "Signature",
    "Source",
    "SourceKind",
    "Withdrawal",
    "Words",
    "set_of",
]
