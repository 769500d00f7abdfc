"""What is decided together: the size of a set, its shells, the clearance each journal will have."""

from halfthou.sets.clearance import (
    Clearance,
    clearance_is_settled,
    clearance_to_be,
    finished_band,
    ground_band,
    housing_is_read,
    missing_shells,
    oil_clearance,
    shells_of,
    sizes_to_be,
)
from halfthou.sets.crank import as_one_crank, overruled, standing_decisions, waived_of
from halfthou.sets.decide import End, SetCase, SetVerdict, decide_set
from halfthou.sets.hardening import HardeningCase, HardeningSays, case_left, hardening_says
from halfthou.sets.one_size import (
    Reach,
    Rung,
    SizeChoice,
    StepOutlook,
    choose_one_size,
    regrind_steps,
    workable_band,
)

__all__ = [
    "Clearance",
    "End",
    "HardeningCase",
    "HardeningSays",
    "Reach",
    "Rung",
    "SetCase",
    "SetVerdict",
    "SizeChoice",
    "StepOutlook",
    "as_one_crank",
    "case_left",
    "choose_one_size",
    "clearance_is_settled",
    "clearance_to_be",
    "decide_set",
    "finished_band",
    "ground_band",
    "hardening_says",
    "housing_is_read",
    "missing_shells",
    "oil_clearance",
    "overruled",
    "regrind_steps",
    "shells_of",
    "sizes_to_be",
    "standing_decisions",
    "waived_of",
    "workable_band",
]
