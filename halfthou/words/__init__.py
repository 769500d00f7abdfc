"""Every sentence: what was found, put into words in the unit of the person."""

from halfthou.words.cautions import (
    CRACK_TEST,
    ENGINE_LIFTING,
    HOT_OIL,
    LIFTING,
    OLD_GASKETS,
    PUMP_OPEN,
    SPRINGS,
    TURNING,
    WASHING,
    Caution,
    cautions_for,
    cautions_of_look,
    cautions_of_piece,
    cautions_of_work,
)
from halfthou.words.doubts import DoubtShown, Offer, doubt_shown, settling_words, warmth_reasons
from halfthou.words.figures import amount_sentence, contradiction_words, figure_reasons, sentence
from halfthou.words.reading_again import outside_plan, set_aside
from halfthou.words.reason import Reason, said_by_eye
from halfthou.words.schools import SCHOOLS, About, School, Way
from halfthou.words.sheet_questions import SheetQuestion, questions_of_sheet, unsourced
from halfthou.words.steps import names_of, step_words

__all__ = [
    "CRACK_TEST",
    "ENGINE_LIFTING",
    "HOT_OIL",
    "LIFTING",
    "OLD_GASKETS",
    "PUMP_OPEN",
    "SCHOOLS",
    "SPRINGS",
    "TURNING",
    "WASHING",
    "About",
    "Caution",
    "DoubtShown",
    "Offer",
    "Reason",
    "School",
    "SheetQuestion",
    "Way",
    "amount_sentence",
    "cautions_for",
    "cautions_of_look",
    "cautions_of_piece",
    "cautions_of_work",
    "contradiction_words",
    "doubt_shown",
    "figure_reasons",
    "names_of",
    "outside_plan",
    "questions_of_sheet",
    "said_by_eye",
    "sentence",
    "set_aside",
    "settling_words",
    "step_words",
    "unsourced",
    "warmth_reasons",
]
