"""What is decided together: the size of a set, its shells, the clearance each journal will have."""

from halfthou.sets.decisions import Reopened, Standing, waived_of, words_of
from halfthou.sets.filing import (
    OIL_LEAST,
    WARMER_K,
    FileToFit,
    Filing,
    file_to_fit,
    gap_growth,
    thermal_gap,
    typical_gap,
)
from halfthou.sets.one_size import (
    Reach,
    Rung,
    SizeChoice,
    StepOutlook,
    choose_one_size,
)
from halfthou.sets.pairing import Candidate, Clearances, Pair, Paired, PairingPlace, best_pairing, pair_pistons
