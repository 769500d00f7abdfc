"""What is decided together: the size of a set, its shells, the clearance each journal will have."""

from halfthou.sets.clearance import Clearance, grinder_band, oil_clearance, shells_of, sizes_to_be
from halfthou.sets.decide import SetCase, SetVerdict, decide_set
from halfthou.sets.hardening import case_left
from halfthou.sets.undersize import SizeChoice, Step, StepOutlook, choose_regrind_size, regrind_steps
from halfthou.sets.words import headline, set_reasons, undersize_words, would_change

__all__ = [
    "Clearance",
    "SetCase",
    "SetVerdict",
    "SizeChoice",
    "Step",
    "StepOutlook",
    "case_left",
    "choose_regrind_size",
    "decide_set",
    "grinder_band",
    "headline",
    "oil_clearance",
    "regrind_steps",
    "set_reasons",
    "shells_of",
    "sizes_to_be",
    "undersize_words",
    "would_change",
]
