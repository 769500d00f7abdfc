"""The documents of the trade: what a job, a limits sheet, a gauge and a fact consist of. No rules here."""

from halfthou.jobs.arrangement import Arrangement
from halfthou.jobs.built import (
    OVERHEAD,
    Built,
    CooledBy,
    CrankMade,
    CylindersIn,
    DrivenBy,
    EngineEnd,
    Firing,
    Heads,
    Liners,
    MadeFor,
    MainsIn,
    PumpAt,
    RingDuty,
    RodsOnPin,
    ValveGear,
)
from halfthou.jobs.decision import Decision, DecisionKind, OtherSize, Waived
from halfthou.jobs.document import Document, FactId, Moment, Words
from halfthou.jobs.door_facts import ComplaintKind, Statement, StopPoint, WayOn
from halfthou.jobs.evidence_facts import (
    CarriedPart,
    CauseSaid,
    Dealt,
    DealtHow,
    Drawn,
    Mistrust,
    OilFigure,
    OilReport,
    OilWaySaid,
    Remedy,
    RemedyHow,
    ReportIssued,
    Stand,
)
from halfthou.jobs.fact import (
    FACT_KINDS,
    Chapter,
    Fact,
    FactKind,
    HeldFacts,
    Names,
    StoryKind,
    Until,
    Who,
    held_as,
    kind_called,
    kinds_declared,
)
from halfthou.jobs.facts import (
    DIAMETER,
    Extension,
    Feature,
    Fitting,
    Narrowing,
    Piece,
    Reading,
    SlipAnswer,
    Use,
    UseSaid,
    Withdrawal,
)
from halfthou.jobs.figures import AmountBand, Band, Figure, Source, SourceKind
from halfthou.jobs.gauge import (
    COMPARATORS,
    READS,
    THIMBLES,
    USUAL_PURPOSES,
    WITHOUT_ZERO,
    CountScale,
    Gauge,
    GaugeKind,
    Purpose,
)
from halfthou.jobs.house_rules import (
    BentCrank,
    BlueRod,
    Chamfers,
    CrackTest,
    GlazedBore,
    Guard,
    HardenedCrank,
    HouseRules,
    PumpAfterMetal,
    StretchBolts,
    StripFar,
    UsedShells,
    WornBore,
)
from halfthou.jobs.job import CRANK_ONLY, Job
from halfthou.jobs.job_file import FORMAT, VERSION, JobFile, Signature
from halfthou.jobs.journal_set import Hardening, JournalSet
from halfthou.jobs.layout import Layout, Pin, Rotation, Side, ThrustBy
from halfthou.jobs.limits_sheet import NOT_IDENTIFIED, LimitsSheet, SheetState, set_of, unidentified_sheet
from halfthou.jobs.look_table import LookRow, LookTable
from halfthou.jobs.material import KNOWN_MATERIALS, Material
from halfthou.jobs.older_seen import OLDER_SEEN
from halfthou.jobs.operation import Operation, OperationKind
from halfthou.jobs.picture import Picture, PictureKind
from halfthou.jobs.plan import ANGLE_LETTERS, Plan, ReadingOrder, along, plane_and_angle
from halfthou.jobs.rules_read import noted
from halfthou.jobs.seen import (
    AMOUNT_ONLY,
    CANNOT,
    ENGINE,
    FOUND,
    IN_GENERAL,
    NOT_LOOKED,
    NOTHING,
    Debris,
    Grain,
    Look,
    Much,
    Seen,
    Tint,
)
from halfthou.jobs.set_limits import BAND, FIGURE, Key, SetLimits, SetName, Step
from halfthou.jobs.setting_check import SettingCheck
from halfthou.jobs.strip_edits import MovedStep, OwnStep, StripEdits, merged_edits
from halfthou.jobs.strip_facts import (
    BARE,
    Closed,
    Closing,
    FastenerKind,
    FastenerSeen,
    FastenerState,
    Felt,
    Fragment,
    HandOver,
    Laying,
    Marking,
    Removal,
    StepDone,
)
from halfthou.jobs.temperatures import Condition, Sitting
