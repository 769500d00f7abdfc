"""The assessment as documents: what was found and decided, ready to be shown, printed or read by a program."""

from halfthou.answer.budget_part import budgets_shown
from halfthou.answer.documents import (
    AsideShown,
    Assessment,
    BearingShown,
    BudgetLine,
    BudgetShown,
    ClearanceShown,
    FigureShown,
    JournalAnswer,
    Ladder,
    RepeatAsked,
    SetAnswer,
    ShellsToOrder,
    ShownReading,
    Spot,
    StepShown,
    StoryKind,
    StoryLine,
)
from halfthou.answer.journal_part import doubts_of, journal_answer
from halfthou.answer.set_part import set_answer
from halfthou.answer.signed import SHAPE, read_signed, shape_of
from halfthou.answer.spot_part import blank_spots
from halfthou.answer.story import story

__all__ = [
    "SHAPE",
    "AsideShown",
    "Assessment",
    "BearingShown",
    "BudgetLine",
    "BudgetShown",
    "ClearanceShown",
    "FigureShown",
    "JournalAnswer",
    "Ladder",
    "RepeatAsked",
    "SetAnswer",
    "ShellsToOrder",
    "ShownReading",
    "Spot",
    "StepShown",
    "StoryKind",
    "StoryLine",
    "blank_spots",
    "budgets_shown",
    "doubts_of",
    "journal_answer",
    "read_signed",
    "set_answer",
    "shape_of",
    "story",
]
