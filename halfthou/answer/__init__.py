"""The assessment as documents: what was found and decided, ready to be shown, printed or read by a program."""

from halfthou.answer.documents import (
    Assessment,
    ClearanceShown,
    FigureShown,
    JournalAnswer,
    Ladder,
    SetAnswer,
    ShellsToOrder,
    ShownReading,
    Spot,
    StepShown,
)
from halfthou.answer.journal_part import doubts_of, journal_answer
from halfthou.answer.set_part import set_answer

__all__ = [
    "Assessment",
    "ClearanceShown",
    "FigureShown",
    "JournalAnswer",
    "Ladder",
    "SetAnswer",
    "ShellsToOrder",
    "ShownReading",
    "Spot",
    "StepShown",
    "doubts_of",
    "journal_answer",
    "set_answer",
]
