"""One part against its limits: findings, what to do, and the reasons in words."""

from halfthou.verdicts.actions import MARKS, Action, Mark, MarkCode
from halfthou.verdicts.cautions import Caution, cautions_for
from halfthou.verdicts.clean_up import CleanUp, Score, clean_up_size
from halfthou.verdicts.finding import Finding, Judged, Limit, State, call, conformance, judge
from halfthou.verdicts.journal import HOT, JournalCase, JournalVerdict, judge_journal, size_limit
from halfthou.verdicts.words import Reason, journal_reasons, sentence, settles

__all__ = [
    "HOT",
    "MARKS",
    "Action",
    "Caution",
    "CleanUp",
    "Finding",
    "JournalCase",
    "JournalVerdict",
    "Judged",
    "Limit",
    "Mark",
    "MarkCode",
    "Reason",
    "Score",
    "State",
    "call",
    "cautions_for",
    "clean_up_size",
    "conformance",
    "journal_reasons",
    "judge",
    "judge_journal",
    "sentence",
    "settles",
    "size_limit",
]
