"""Surveys: what was read where, what form it shows, and what is still to read."""

from halfthou.surveys.current import JournalSurvey, SpotState, seen_on, standing_sizes, survey_journals
from halfthou.surveys.entry import window_for
from halfthou.surveys.form import Form, Ovality, fit_ovality, form_of
from halfthou.surveys.present_size import POLISH_SHELL, present_undersize

__all__ = [
    "POLISH_SHELL",
    "Form",
    "JournalSurvey",
    "Ovality",
    "SpotState",
    "fit_ovality",
    "form_of",
    "present_undersize",
    "seen_on",
    "standing_sizes",
    "survey_journals",
    "window_for",
]
