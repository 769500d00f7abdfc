"""The documents of the trade: what a job, a limits sheet, a gauge and a fact consist of. No rules here."""

from halfthou.jobs.decision import Decision, DecisionKind, Waived
from halfthou.jobs.document import Document, FactId, Moment, Note, Words
from halfthou.jobs.facts import (
    DIAMETER,
    NOT_LOOKED,
    Extension,
    Feature,
    Look,
    Observation,
    Reading,
    SlipAnswer,
    Withdrawal,
)
from halfthou.jobs.figures import Band, Figure, Source, SourceKind
from halfthou.jobs.gauge import (
    COMPARATORS,
    THIMBLES,
    USUAL_PURPOSES,
    WITHOUT_ZERO,
    Gauge,
    GaugeKind,
    Purpose,
    Weighing,
)
from halfthou.jobs.house_rules import GlazedBore, Guard, HardenedCrank, HouseRules, WornBore
from halfthou.jobs.job import CRANK_ONLY, Job
from halfthou.jobs.job_file import FORMAT, VERSION, JobFile, Signature
from halfthou.jobs.journal_limits import BANDS, SINGLES, Hardening, JournalLimits, JournalSet
from halfthou.jobs.layout import Arrangement, Layout, Pin, Rotation, Side
from halfthou.jobs.limits_sheet import LimitsSheet, SheetState, set_of
from halfthou.jobs.material import Material
from halfthou.jobs.operation import Operation, OperationKind
from halfthou.jobs.plan import ANGLE_LETTERS, Plan, ReadingOrder, along
from halfthou.jobs.set_limits import BAND, FIGURE, Key, SetLimits, SetName, Step
from halfthou.jobs.setting_check import SettingCheck
from halfthou.jobs.temperatures import Celsius, Condition, Sitting

__all__ = [
    "ANGLE_LETTERS",
    "BAND",
    "BANDS",
    "COMPARATORS",
    "CRANK_ONLY",
    "DIAMETER",
    "FIGURE",
    "FORMAT",
    "NOT_LOOKED",
    "SINGLES",
    "THIMBLES",
    "USUAL_PURPOSES",
    "VERSION",
    "WITHOUT_ZERO",
    "Arrangement",
    "Band",
    "Celsius",
    "Condition",
    "Decision",
    "DecisionKind",
    "Document",
    "Extension",
    "FactId",
    "Feature",
    "Figure",
    "Gauge",
    "GaugeKind",
    "GlazedBore",
    "Guard",
    "HardenedCrank",
    "Hardening",
    "HouseRules",
    "Job",
    "JobFile",
    "JournalLimits",
    "JournalSet",
    "Key",
    "Layout",
    "LimitsSheet",
    "Look",
    "Material",
    "Moment",
    "Note",
    "Observation",
    "Operation",
    "OperationKind",
    "Pin",
    "Plan",
    "Purpose",
    "Reading",
    "ReadingOrder",
    "Rotation",
    "SetLimits",
    "SetName",
    "SettingCheck",
    "SheetState",
    "Side",
    "Signature",
    "Sitting",
    "SlipAnswer",
    "Source",
    "SourceKind",
    "Step",
    "Waived",
    "Weighing",
    "Withdrawal",
    "Words",
    "WornBore",
    "along",
    "set_of",
]
