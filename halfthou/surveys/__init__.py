"""Surveys: what was read where, what form it shows, what looks like a slip, and what is still to read."""

from halfthou.surveys.doubting import ALIKE
from halfthou.surveys.entry import ReadBy, read_at, read_spot, window_for
from halfthou.surveys.forms import REAR, Form, Measure, MeasuredWhere, Ovality, fit_ovality, form_of, places_of
from halfthou.surveys.order import reading_order
from halfthou.surveys.present_size import (
    HIGH,
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
from halfthou.surveys.seen import SeenBy, is_crack, seen_on
from halfthou.surveys.spots import Aside, SpotState
from halfthou.surveys.survey import FeatureSurvey, PartSurvey, every_spot, standing_sizes, survey_parts
from halfthou.surveys.suspicion import Doubtful, Suspicion, find_suspects
from halfthou.surveys.taken import Taken, TakenWith, lay_out

__all__ = [
    "ALIKE",
    "HIGH",
    "POLISH_SHELL",
    "REAR",
    "Aside",
    "Doubtful",
    "FeatureSurvey",
    "Form",
    "Measure",
    "MeasuredWhere",
    "Ovality",
    "PartSurvey",
    "PresentSize",
    "ReadBy",
    "Rests",
    "SeenBy",
    "SizeEvidence",
    "SizeLadder",
    "SpotState",
    "Suspicion",
    "Taken",
    "TakenWith",
    "agreed_size",
    "every_spot",
    "find_suspects",
    "fit_ovality",
    "form_of",
    "is_crack",
    "lay_out",
    "places_of",
    "plan_of",
    "present_sizes",
    "present_undersize",
    "read_at",
    "read_spot",
    "reading_order",
    "seen_on",
    "standing_sizes",
    "survey_parts",
    "window_for",
]
