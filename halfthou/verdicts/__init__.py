"""One part against its limits: findings, what to do, and the reasons in words."""

from halfthou.verdicts.actions import MARKS, Action, Mark, MarkCode
from halfthou.verdicts.bearing import (
    CROWN,
    Bore,
    From,
    bore_sizes,
    housing_findings,
    housing_read,
    measured_clearance,
)
from halfthou.verdicts.before_measuring import blind_to_a_turn, fitness_notes
from halfthou.verdicts.case import JournalCase
from halfthou.verdicts.cautions import Caution, cautions_for, cautions_of_work
from halfthou.verdicts.clean_up import CleanUp, Score, clean_up_size
from halfthou.verdicts.contradictions import Clashing, Contradiction, contradictions
from halfthou.verdicts.doubt_words import DoubtShown, Offer, doubt_shown, settling_words, warmth_reasons
from halfthou.verdicts.figures import worst_state
from halfthou.verdicts.finding import Called, FigureKey, Finding, Limit, Measured, call, conformance, judge
from halfthou.verdicts.journal import (
    HOT,
    SIZE_OPEN,
    JournalVerdict,
    Open,
    housing_awaited,
    judge_journal,
    keeps,
)
from halfthou.verdicts.settling import Settling, Way, settlings
from halfthou.verdicts.words import Reason, contradiction_words, journal_reasons, sentence

__all__ = [
    "CROWN",
    "HOT",
    "MARKS",
    "SIZE_OPEN",
    "Action",
    "Bore",
    "Called",
    "Caution",
    "Clashing",
    "CleanUp",
    "Contradiction",
    "DoubtShown",
    "FigureKey",
    "Finding",
    "From",
    "JournalCase",
    "JournalVerdict",
    "Limit",
    "Mark",
    "MarkCode",
    "Measured",
    "Offer",
    "Open",
    "Reason",
    "Score",
    "Settling",
    "Way",
    "blind_to_a_turn",
    "bore_sizes",
    "call",
    "cautions_for",
    "cautions_of_work",
    "clean_up_size",
    "conformance",
    "contradiction_words",
    "contradictions",
    "doubt_shown",
    "fitness_notes",
    "housing_awaited",
    "housing_findings",
    "housing_read",
    "journal_reasons",
    "judge",
    "judge_journal",
    "keeps",
    "measured_clearance",
    "sentence",
    "settling_words",
    "settlings",
    "warmth_reasons",
    "worst_state",
]
