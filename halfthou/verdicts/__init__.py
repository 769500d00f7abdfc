"""One part against its limits: findings, what to do, and the reasons in words."""

from halfthou.verdicts.actions import MARKS, MOST_PRESSING, SIZED, USED_AGAIN, WORKED, Action, Mark, MarkCode
from halfthou.verdicts.clean_up import CleanUp, Score, clean_up_size
from halfthou.verdicts.contradictions import (
    TIMES,
    Clashing,
    Contradiction,
    top_against_bottom,
    twice,
)
from halfthou.verdicts.figures import (
    OUT_OF_ROUND,
    TAPER,
    FigureKind,
    bulge,
    measured,
    most,
    own_and_common,
    roundness,
    size_found,
    worst_state,
)
from halfthou.verdicts.finding import (
    QUESTIONS,
    Called,
    FigureKey,
    Finding,
    Limit,
    Measured,
    as_bound,
    as_question,
    call,
    conformance,
    judge,
)
from halfthou.verdicts.opens import (
    SIZE_OPEN,
    TO_SEE,
    Open,
)
from halfthou.verdicts.settling import Settling, SettlingWay, gauges_for, parts_of, scale_now, settlings, sources_of
from halfthou.verdicts.sums import Term, greatest, least, summed
