"""The assessment as documents: what was found and decided, ready to be shown, printed or read by a program."""

from halfthou.report.budget import budgets_shown
from halfthou.report.documents import (
    AsideShown,
    Assessment,
    BearingShown,
    BudgetLine,
    BudgetShown,
    ClearanceShown,
    FigureShown,
    Ladder,
    PartReport,
    RepeatAsked,
    SetReport,
    ShellsToOrder,
    ShownReading,
    Spot,
    StepShown,
    StoryKind,
    StoryLine,
)
from halfthou.report.part import doubts_of, part_report
from halfthou.report.set import set_report
from halfthou.report.signed import SHAPE, read_signed, shape_of
from halfthou.report.spots import blank_spots
from halfthou.report.story import story

__all__ = [
    "SHAPE",
    "AsideShown",
    "Assessment",
    "BearingShown",
    "BudgetLine",
    "BudgetShown",
    "ClearanceShown",
    "FigureShown",
    "Ladder",
    "PartReport",
    "RepeatAsked",
    "SetReport",
    "ShellsToOrder",
    "ShownReading",
    "Spot",
    "StepShown",
    "StoryKind",
    "StoryLine",
    "blank_spots",
    "budgets_shown",
    "doubts_of",
    "part_report",
    "read_signed",
    "set_report",
    "shape_of",
    "story",
]
