"""One part against its limits: findings, what to do, and the reasons in words."""

from halfthou.verdicts.actions import MARKS, Action, Mark, MarkCode
from halfthou.verdicts.before_measuring import blind_to_a_turn, fitness_notes
from halfthou.verdicts.case import JournalCase
from halfthou.verdicts.cautions import Caution, cautions_for, cautions_of_work
from halfthou.verdicts.clean_up import CleanUp, Score, clean_up_size
from halfthou.verdicts.contradictions import contradictions
from halfthou.verdicts.doubt_words import DoubtShown, Offer, doubt_shown, settling_words, warmth_reasons
from halfthou.verdicts.figures import bore_sizes
from halfthou.verdicts.finding import Finding, Judged, Limit, State, call, conformance, judge
from halfthou.verdicts.journal import HOT, JournalVerdict, judge_journal
from halfthou.verdicts.settling import Settling, Way, settlings
from halfthou.verdicts.words import Reason, journal_reasons, sentence

__all__ = [
    "HOT",
    "MARKS",
    "Action",
    "Caution",
    "CleanUp",
    "DoubtShown",
    "Finding",
    "JournalCase",
    "JournalVerdict",
    "Judged",
    "Limit",
    "Mark",
    "MarkCode",
    "Offer",
    "Reason",
    "Score",
    "Settling",
    "State",
    "Way",
    "blind_to_a_turn",
    "bore_sizes",
    "call",
    "cautions_for",
    "cautions_of_work",
    "clean_up_size",
    "conformance",
    "contradictions",
    "doubt_shown",
    "fitness_notes",
    "journal_reasons",
    "judge",
    "judge_journal",
    "sentence",
    "settling_words",
    "settlings",
    "warmth_reasons",
]
