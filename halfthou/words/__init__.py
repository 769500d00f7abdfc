"""Every sentence: what was found, put into words in the unit of the person."""

from halfthou.words.cautions import (
    CLAMPED,
    CRACK_TEST,
    ENGINE_LIFTING,
    FUEL,
    HEAVY,
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
from halfthou.words.doubts import DoubtShown, doubt_shown, settling_words, warmth_reasons
from halfthou.words.figures import contradiction_words, figure_reasons
from halfthou.words.looking import limit_wanted, look_first, not_judged
from halfthou.words.reading_again import outside_plan, set_aside
from halfthou.words.reason import Reason, said_by_eye
from halfthou.words.schools import SCHOOLS, About, School
from halfthou.words.sheet_questions import questions_of_sheet, unsourced
from halfthou.words.steps import names_of, of_so_many, step_words
