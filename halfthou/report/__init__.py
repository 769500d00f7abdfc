"""The assessment as documents: what was found and decided, ready to be shown, printed or read by a program."""

from halfthou.report.budget import budgets_shown
from halfthou.report.budget_shown import BudgetShown
from halfthou.report.cause import NO_CAUSE, CauseBrief, OpenAtGate, OpenKind
from halfthou.report.documents import (
    Assessment,
    CleanUpShown,
    ClearanceShown,
    FeatureReport,
    FigureShown,
    OtherWay,
    PartReport,
    Scale,
    SeenHere,
    SetReport,
    SpotAsked,
    StepShown,
    StoryLine,
    TableShown,
    ToOrder,
)
from halfthou.report.doubts import doubts_of
from halfthou.report.figures import figures_shown, warmth_of
from halfthou.report.grinding import CardKeep, CardLine, CardStep, GrindingCard
from halfthou.report.letterhead import NO_LETTERHEAD, Letterhead
from halfthou.report.part import Told, told
from halfthou.report.scale import graduations
from halfthou.report.shaft import ShaftPlace
from halfthou.report.signed import SHAPE, read_signed, shape_of
from halfthou.report.spots import feature_report, spots_asked
from halfthou.report.stations import stations_of
from halfthou.report.waits import DECISION, work_first
from halfthou.report.ways import ProfileCircle, ProfilePoint, ProfileShown, WayOnShown, WaysShown
