"""Surveys: what was read where, what form it shows, what looks like a slip, and what is still to read."""

from halfthou.surveys.doubting import ALIKE
from halfthou.surveys.entry import ReadBy, high_side, read_at, read_spot, window_for
from halfthou.surveys.forms import (
    REAR,
    At,
    Axis,
    Form,
    Inscribed,
    Measure,
    MeasuredWhere,
    Offset,
    Swing,
    fit_ovality,
    fit_swing,
    form_of,
    has_hole,
    largest_inside,
    places_of,
)
from halfthou.surveys.order import reading_order
from halfthou.surveys.present_size import (
    POLISH_SHELL,
    PresentSize,
    Rests,
    SizeEvidence,
    SizeLadder,
    agreed_size,
    present_sizes,
    present_undersize,
)
from halfthou.surveys.read import plan_of
from halfthou.surveys.seen import SeenBy, found_before_work, is_crack, seen_on
from halfthou.surveys.spots import Aside, SpotState
from halfthou.surveys.survey import FeatureSurvey, PartSurvey, every_spot, standing_sizes, survey_parts
from halfthou.surveys.suspicion import Doubtful, Suspicion
from halfthou.surveys.taken import Taken, lay_out
