"""Looks: which one first, what each costs and can end, and where to stop."""

from halfthou.looks.faults import faults_of_looks
from halfthou.looks.order import WeighedLook, expected_cost, order_looks
from halfthou.looks.report import LooksReport, coins_of, looks_report, minutes_words, money_words
from halfthou.looks.standing import Looks
from halfthou.looks.usual import DEPOSITS, FILTER, SAMPLE, SCREEN, SHELLS, USUAL_LOOKS

__all__ = [
    "DEPOSITS",
    "FILTER",
    "SAMPLE",
    "SCREEN",
    "SHELLS",
    "USUAL_LOOKS",
    "Looks",
    "LooksReport",
    "WeighedLook",
    "coins_of",
    "expected_cost",
    "faults_of_looks",
    "looks_report",
    "minutes_words",
    "money_words",
    "order_looks",
]
