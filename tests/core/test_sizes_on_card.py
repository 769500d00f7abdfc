"""Sizes of one place over time. Source: common practice, no source: a grind makes what was read before it stale."""

from datetime import timedelta

from halfthou.assess import judge, put_in_words
from halfthou.jobs import Operation, OperationKind
from halfthou.place_card import place_card
from tests.making import NOON, inches
from tests.making import job as job_of


def test_a_card_tells_what_was_read_before_and_after_a_grind() -> None:
    ground = Operation(id="w", kind=OperationKind.GRIND, on="rods", by="bench", at=NOON + timedelta(hours=1))
    job = job_of({"R1": ["2.0371"] * 8}, operations=(ground,))
    judged = judge(job)
    shown = put_in_words(judged)
    card = place_card(judged, shown, "R1")
    assert [one.count is None for one in card.sizes] == [False] * 8 + [True]
    assert all(one.stale for one in card.sizes if one.count is not None)
    assert card.sizes[-1].words == "grind"
    assert card.sizes[0].count == inches("2.0371").nm
    assert place_card(judged, shown, "R2").sizes == ()
