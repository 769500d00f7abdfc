"""The crank on paper and beside the sheet: the ways on for its journals, and the grinder's card."""

from typing import cast

from halfthou.assess import judge
from halfthou.jobs import JournalSet
from halfthou.lengths import UNIT_WORDS
from halfthou.parts import SetVerdict, grinding_card, ways_shown
from halfthou.report import GrindingCard, WaysShown
from workshop.jobs.actions import Opened
from workshop.pages.marks import mark_drawing
from workshop.pages.on_paper import on_paper
from workshop.people.refusals import NotThere


def ways_of(opened: Opened) -> list[WaysShown]:
    """The ways on for the mains and for the rod journals, as far as they are in scope."""
    judged = judge(opened.job)
    decided = [(one, judged.decided[one]) for one in JournalSet if one in judged.decided]
    return [ways_shown(judged.given, cast(SetVerdict, found), judged.accepted(one)) for one, found in decided]


def grinding_card_of(opened: Opened) -> GrindingCard:
    """The grinder's card of a job. Refuses: NotThere where nothing of its crank is machined."""
    judged = judge(opened.job)
    agreed = {one for one in judged.decided if judged.accepted(one) is not None}
    card = grinding_card(judged.given, judged.decided, agreed)
    if card is None:
        raise NotThere(
            "no-card",
            "There is no grinder's card: nothing of this crank is to be straightened, ground or polished.",
        )
    return card


def grinding_html(opened: Opened) -> str:
    """The grinder's card: for the machine, on paper."""
    card = grinding_card_of(opened)
    context = {
        "job": opened.record,
        "engine": opened.job.limits.engine,
        "card": card,
        "marks": [(line, mark_drawing(line.mark.code)) for line in card.lines],
        "back": any(line.hit for line in card.lines),
        "unit": UNIT_WORDS[opened.job.shown_in],
    }
    return on_paper("pages/grinding.html", context)
