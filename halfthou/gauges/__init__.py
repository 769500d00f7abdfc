"""What a gauge can tell: its zero error, its doubt, what warmth does, and how a reading of it can slip."""

from halfthou.gauges.budget import (
    GUARD_FACTOR,
    RECTANGLE,
    REPEATS,
    SCALES,
    Budget,
    BudgetTerm,
    TermKind,
    combine,
    effective_freedom,
    expanded,
    fitted_ovality_factor,
    guard_band,
    standard_doubt,
)
from halfthou.gauges.extremes import beyond_guard, beyond_guard_of_difference
from halfthou.gauges.fitness import Fitness, difference_doubt, fitness, noise_floor, repeat_doubt, size_doubt
from halfthou.gauges.question import GaugeQuestion, counts_from_setting, question_of, reads_something_else, shifted
from halfthou.gauges.repeatability import ENOUGH_FREEDOM, Repeatability, few_repeats, pooled, repeatability
from halfthou.gauges.setting import SAME_DAY, Setting, Standing, check_stands, in_force, settings_of, standing_of
from halfthou.gauges.setup import (
    Cabinet,
    Setup,
    SpotRead,
    after_check,
    own_terms,
    scale_terms,
    shared_terms,
)
from halfthou.gauges.slips import THROUGHOUT, TURN, WEIGHT, ReadText, Slip, SlipKind, slips_of
from halfthou.gauges.temperature import (
    COEFFICIENTS,
    REFERENCE_C,
    RISE_K,
    Warmth,
    at_reference,
    growth_of,
    read_celsius,
)
