"""Looks: which one first, what each costs and can end, and where to stop."""

from halfthou.first_look.faults import faults_of_looks
from halfthou.first_look.order import WeighedLook, expected_cost, order_looks
from halfthou.first_look.report import LooksReport, coins_of, looks_report, minutes_words, money_words
from halfthou.first_look.standing import Looks
from halfthou.first_look.taken import Found
from halfthou.first_look.usual import ANSWERED_BY, ASKED_AS, DEPOSITS, FILTER, SAMPLE, SCREEN, SHELLS, USUAL_LOOKS

__all__ = [
    "ANSWERED_BY",
    "ASKED_AS",
    "DEPOSITS",
    "FILTER",
    "SAMPLE",
    "SCREEN",
    "SHELLS",
    "USUAL_LOOKS",
    "Found",
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
