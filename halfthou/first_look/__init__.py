"""Looks: which one first, what each costs and can end, and where to stop."""

from halfthou.first_look.faults import faults_of_looks
from halfthou.first_look.order import WeighedLook, expected_cost, order_looks
from halfthou.first_look.report import LooksReport, looks_report
from halfthou.first_look.standing import Looks
from halfthou.first_look.taken import Found, answered_in_general
from halfthou.first_look.usual import ANSWERED_BY, ASKED_AS, DEPOSITS, FILTER, SAMPLE, SCREEN, SHELLS, USUAL_LOOKS
