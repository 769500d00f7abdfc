"""The tunnel: housings within their band, no cap stretched, in one line; what a line hone takes."""

from __future__ import annotations

import random
from datetime import timedelta
from itertools import pairwise

import numpy
import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.assess import assess
from halfthou.jobs import Operation, OperationKind, Reading, Seen
from halfthou.report import Assessment, PartReport
from halfthou.verdicts import Action, Called
from tests.making import CASES, GOOD_ENGINE, NOON, inches
from tests.tunnelled import GOOD, LEAF, MAINS, all_good, allowed, bores, line, tunnel


def housing(found: Assessment, main: str) -> PartReport:
    return found.part(f"housing-{main}")


def called(found: Assessment, main: str) -> dict[str, Called]:
    return {one.key: one.called for one in housing(found, main).figures}


def test_a_sound_tunnel_is_reused_and_one_not_all_read_never() -> None:
    whole = assess(tunnel(*all_good()))
    assert whole.of("tunnel").action is Action.REUSE
    assert whole.whole
    for left in range(5):
        some = assess(tunnel(*(one for n, one in enumerate(all_good()) if n != left)))
        assert some.of("tunnel").action is Action.MEASURE
        assert not some.of("tunnel").can_be_accepted


def test_a_housing_past_its_band_is_line_honed_with_what_that_moves() -> None:
    """Worked example G09: 0.004 in off the caps lets the crank rise by 0 to 0.002."""
    big = ("2.6056", "2.6051", "2.6051") * 2
    found = assess(tunnel(*all_good(M3=big), of=allowed(most_cut="0.0060"))).of("tunnel")
    assert found.action is Action.LINE_HONE
    to_least, to_most = found.ways
    rises = f"0 to {CASES['G09']['expected']:.4f}"
    # 2.6056 and half a thou to clean up, less 2.6021: 0.0040 off the caps, the crank rises by up to 0.0020.
    assert "2.6021" in to_least.words and "0.0040 off" in to_least.words
    assert rises in to_least.costs
    assert "0.0034 off" in to_most.words
    assert "chain" in to_least.costs


def test_more_than_may_be_cut_is_referred() -> None:
    big = ("2.6056", "2.6051", "2.6051") * 2
    assert assess(tunnel(*all_good(M3=big), of=allowed(most_cut="0.0020"))).of("tunnel").action is Action.REFER


@pytest.mark.parametrize(
    ("sizes", "good"),
    [
        (("2.6022", "2.6026", "2.6026"), True),
        (("2.6026", "2.6021", "2.6021"), False),
        (("2.6024", "2.6023", "2.6023"), True),
    ],
    ids=["vertical smaller", "vertical larger", "round to a tenth"],
)
def test_only_a_vertical_that_is_the_smaller_is_normal(sizes: tuple[str, ...], good: bool) -> None:
    """From memory, bearing-maker guides: a stretched or foreign cap stands tall."""
    found = assess(tunnel(*all_good(M2=sizes * 2)))
    assert (found.of("tunnel").action is Action.REUSE) is good
    assert (found.of("tunnel").action is Action.LINE_HONE) is not good


def test_read_with_the_caps_loose_it_is_not_read() -> None:
    loose = [bores(main, GOOD, caps=main != "M3") for main in MAINS]
    found = assess(tunnel(*loose))
    assert found.of("tunnel").action is Action.MEASURE
    assert found.of("tunnel").awaiting == ("housing-M3",)


def test_housings_out_of_line_are_found_by_leaf_or_indicator() -> None:
    """Geometry: 0.0015 up beside 0.0015 down is 0.003 against its neighbour."""
    of = allowed(line_adjacent="0.0010", line_over_all="0.0020")
    off = {"M2": "0.0015", "M3": "-0.0015", "M4": "0"}
    found = assess(tunnel(*all_good(), *(line(main, text) for main, text in off.items()), of=of))
    assert called(found, "M3")["line"] is Called.WITHIN
    assert called(found, "M3")["line adjacent"] is Called.BEYOND
    assert found.of("tunnel").action is Action.LINE_HONE
    leaves = {"M2": "0.0004", "M3": "0.0006", "M4": "0"}
    straight = assess(tunnel(*all_good(), *(line(main, text, LEAF) for main, text in leaves.items()), of=of))
    assert straight.of("tunnel").action is Action.REUSE
    unread = assess(tunnel(*all_good(), of=of))
    assert unread.of("tunnel").action is Action.MEASURE
    assert set(unread.of("tunnel").awaiting) == {"housing-M2", "housing-M3", "housing-M4"}


@given(st.integers(0, 10_000))
def test_a_simulated_tunnel_is_found_as_it_stands(seed: int) -> None:
    """Simulated: every housing off a bar that itself lies crooked; about its end housings by numpy.interp."""
    chance = random.Random(seed)
    heights = [round(chance.uniform(-0.003, 0.003), 5) for _ in MAINS]
    of = allowed(line_adjacent="0.0010", line_over_all="0.0020")
    read = [line(main, f"{height:.5f}") for main, height in zip(MAINS, heights, strict=True)]
    found = assess(tunnel(*all_good(), *read, of=of))
    off = numpy.array(heights) - numpy.interp(range(5), [0, 4], [heights[0], heights[-1]])

    def shown(main: str, key: str) -> float:
        return next(one.value.nm for one in housing(found, main).figures if one.key == key) / 25_400_000

    for n in (1, 2, 3):
        assert shown(MAINS[n], "line") == pytest.approx(abs(off[n]), abs=1e-7)
    for n in range(1, 5):
        assert shown(MAINS[n], "line adjacent") == pytest.approx(abs(off[n] - off[n - 1]), abs=1e-7)


def test_what_a_line_hone_moves_is_stale_whichever_name_it_is_written_under() -> None:
    """The bore read at its bearing is the housing's, and as stale."""
    honed = Operation(id="op", kind=OperationKind.LINE_HONE, on="tunnel", by="bench", at=NOON.replace(hour=13))
    older = [bores(main, GOOD, on="bearing") for main in MAINS]
    found = assess(tunnel(*older, operations=(honed,), scope=("tunnel", "mains"), sizes=GOOD_ENGINE))
    assert len(found.of("tunnel").awaiting) == 5
    assert not any(one.key.startswith("housing") for one in found.part("M1").figures)


@pytest.mark.parametrize("on", ["mains", "tunnel"])
def test_after_the_hone_it_is_read_again(on: str) -> None:
    honed = Operation(id="op", kind=OperationKind.LINE_HONE, on=on, by="bench", at=NOON.replace(hour=13))
    found = assess(tunnel(*all_good(), operations=(honed,)))
    assert found.of("tunnel").action is Action.MEASURE
    assert len(found.of("tunnel").awaiting) == 5


def test_what_an_older_record_has_of_a_bearing_is_its_housings() -> None:
    """One bore, whichever name it was read under; the other way round the clearance takes the housing's."""
    older = assess(
        tunnel(*(bores(main, GOOD, on="bearing") for main in MAINS), scope=("tunnel", "mains"), sizes=GOOD_ENGINE)
    )
    assert older.of("tunnel").action is Action.REUSE
    newer = tunnel(*all_good(), scope=("tunnel", "mains"), sizes=GOOD_ENGINE)
    figures = {one.key for one in assess(newer).part("M1").figures}
    assert {"housing least", "housing most"} <= figures


def test_without_a_band_a_limit_is_wanted() -> None:
    bare = tunnel(*all_good())
    sets = {**bare.limits.sets}
    mains = sets["mains"]
    kept = {key: one for key, one in mains.figures.items() if key != "housing_bore"}
    sets["mains"] = mains.model_copy(update={"figures": kept})
    found = assess(bare.model_copy(update={"limits": bare.limits.model_copy(update={"sets": sets})}))
    assert found.of("tunnel").action is Action.MEASURE


LINED = {"line_adjacent": "0.0010", "line_over_all": "0.0020"}


def by_bar(answer: str, amount: str) -> Seen:
    return Seen(
        id="bar", on="tunnel", look="line by bar", answer=answer, amount=inches(amount) if amount else None,
        by="bench", at=NOON,
    )  # fmt: skip


def barred(answer: str, amount: str = "", *more: list[Reading]) -> Assessment:
    """A sound tunnel whose line was tried with a bar."""
    seen = (by_bar(answer, amount),)
    return assess(tunnel(*all_good(), *more, of=allowed(**LINED), seen=seen))


def test_a_bar_that_turns_freely_stands_for_the_line_where_it_is_close_enough() -> None:
    """Geometry: no housing lies further off the line of the ends than the bar is smaller than the greatest bore."""
    assert assess(tunnel(*all_good(), of=allowed(**LINED))).of("tunnel").action is Action.MEASURE
    assert barred("turns freely", "0.0007").of("tunnel").action is Action.REUSE
    # A bar 0.0010 smaller may leave 0.00125 between neighbours, of five evenly along the line: more than 0.0010.
    none = barred("turns freely", "0")
    assert none.of("tunnel").action is Action.MEASURE
    assert any("say by how much it is smaller" in reason.text for reason in housing(none, "M3").reasons)
    thin = barred("turns freely", "0.0010")
    assert thin.of("tunnel").action is Action.MEASURE
    assert {one.feature for one in housing(thin, "M3").to_read} == {"line by leaf"}
    binds = barred("binds")
    assert binds.of("tunnel").action is Action.MEASURE
    assert not binds.of("tunnel").can_be_accepted
    # What is read beyond stands, whatever a bar did.
    assert barred("turns freely", "0.0007", line("M3", "0.0030")).of("tunnel").action is Action.LINE_HONE


@given(
    st.lists(st.floats(-1, 1), min_size=5, max_size=9),
    st.floats(0, 1),
)
def test_what_a_bar_leaves_of_the_line_by_simulation(off: list[float], clear: float) -> None:
    """Geometry, simulated: middles that a bar of so much less goes through, held against the line of the ends."""
    middles = [one * clear / 2 for one in off]
    last = len(middles) - 1
    about = [y - middles[0] - (middles[-1] - middles[0]) * n / last for n, y in enumerate(middles)]
    assert max(map(abs, about)) <= clear + 1e-9
    assert max(abs(b - a) for a, b in pairwise(about)) <= clear * (1 + 1 / last) + 1e-9


def test_a_bar_tried_before_the_hone_says_nothing_after_it() -> None:
    before = tunnel(*all_good(), of=allowed(**LINED), seen=(by_bar("turns freely", "0.0007"),))
    honed = Operation(id="h1", kind=OperationKind.LINE_HONE, on="tunnel", by="bench", at=NOON + timedelta(hours=2))
    again = tuple(
        one.model_copy(update={"id": f"{one.id}.2", "at": NOON + timedelta(hours=3)}) for one in before.readings
    )
    after = before.model_copy(update={"operations": (honed,), "readings": (*before.readings, *again)})
    assert assess(after).of("tunnel").action is Action.MEASURE
