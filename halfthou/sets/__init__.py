"""What is decided together: the size of a set, its shells, the clearance each journal will have."""

from halfthou.sets.clearance import (
    Clearance,
    clearance_is_settled,
    clearance_to_be,
    finished_band,
    ground_band,
    housing_is_read,
    oil_clearance,
    shells_of,
    sizes_to_be,
)
from halfthou.sets.crank import as_one_crank, overruled, standing_decisions, waived_of
from halfthou.sets.decide import End, SetCase, SetVerdict, decide_set
from halfthou.sets.hardening import Case, HardeningSays, case_left, hardening_says
from halfthou.sets.sheet_questions import SheetQuestion, questions_of_sheet, unsourced
from halfthou.sets.size_words import hardening_words, undersize_words
from halfthou.sets.undersize import (
    Reach,
    SizeChoice,
    Step,
    StepOutlook,
    choose_regrind_size,
    regrind_steps,
    workable_band,
)
from halfthou.sets.words import headline, missing_shells, set_reasons, would_change

__all__ = [
    "Case",
    "Clearance",
    "End",
    "HardeningSays",
    "Reach",
    "SetCase",
    "SetVerdict",
    "SheetQuestion",
    "SizeChoice",
    "Step",
    "StepOutlook",
    "as_one_crank",
    "case_left",
    "choose_regrind_size",
    "clearance_is_settled",
    "clearance_to_be",
    "decide_set",
    "finished_band",
    "ground_band",
    "hardening_says",
    "hardening_words",
    "headline",
    "housing_is_read",
    "missing_shells",
    "oil_clearance",
    "overruled",
    "questions_of_sheet",
    "regrind_steps",
    "set_reasons",
    "shells_of",
    "sizes_to_be",
    "standing_decisions",
    "undersize_words",
    "unsourced",
    "waived_of",
    "workable_band",
    "would_change",
]
