"""Loose pieces: what is the same for a piston, a ring and a pump, whether it came in the engine or was bought."""

from halfthou.parts.pieces.case import PieceCase
from halfthou.parts.pieces.cases import cases_of
from halfthou.parts.pieces.fixed import (
    STILL,
    PlacesTogether,
    Still,
    beyond_reasons,
    faults_of_figures,
    headline_of,
    set_told,
    stands_of,
    still_reasons,
)
from halfthou.parts.pieces.places import places_of
from halfthou.parts.pieces.report import MARK_OF, Said, Tell, mark_of, note_words, piece_report
from halfthou.parts.pieces.together import PiecesTogether
from halfthou.parts.pieces.verdict import (
    WORST_FIRST,
    Figures,
    Note,
    PieceJudged,
    PieceVerdict,
    eye_says,
    remedy_of,
    verdict_of,
)
