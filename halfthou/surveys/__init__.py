"""Surveys: what was read where, what form it shows, what looks like a slip, and what is still to read."""

from halfthou.surveys.current import (
    ALIKE,
    Aside,
    JournalSurvey,
    SpotState,
    seen_on,
    standing_readings,
    standing_sizes,
    survey_journals,
)
from halfthou.surveys.entry import read_at, window_for, window_of_feature
from halfthou.surveys.form import Form, Ovality, fit_ovality, form_of
from halfthou.surveys.order import reading_order
from halfthou.surveys.present_size import POLISH_SHELL, present_undersize
from halfthou.surveys.suspicion import Doubtful, Expected, Suspicion, expected_of, find_suspects
from halfthou.surveys.taken import Bench, Taken, lay_out

__all__ = [
    "ALIKE",
    "POLISH_SHELL",
    "Aside",
    "Bench",
    "Doubtful",
    "Expected",
    "Form",
    "JournalSurvey",
    "Ovality",
    "SpotState",
    "Suspicion",
    "Taken",
    "expected_of",
    "find_suspects",
    "fit_ovality",
    "form_of",
    "lay_out",
    "present_undersize",
    "read_at",
    "reading_order",
    "seen_on",
    "standing_readings",
    "standing_sizes",
    "survey_journals",
    "window_for",
    "window_of_feature",
]
