"""Jobs a machinist meets, and what he is to be told. Sources: the headings of docs/trade named beside each."""

from __future__ import annotations

import pytest

from halfthou.assess import assess
from halfthou.lengths import Length
from halfthou.report import Assessment
from halfthou.verdicts import FigureKey
from tests.golden.crank import again, with_more
from tests.golden.crank_jobs import mends
from tests.making import CASES, inches


def told(name: str) -> Assessment:
    return assess(mends()[name]())


def words_of(found: Assessment) -> str:
    """Everything that is said of both sets and their journals."""
    sets = [r.text for s in (found.of("rods"), found.of("mains")) for r in s.reasons]
    journals = [r.text for j in found.parts for r in j.reasons]
    return " ".join([*sets, *journals, *(d.text for d in found.doubts), *(j.clearance.words for j in found.parts)])


#: Kind: the headline of the rods, of the mains, whether it is whole, and a few words that must be said.
EXPECTED = {
    # docs/trade: Present size; a reading above its band asks, it does not move the set to another size.
    "one-above-its-band": ("larger than new: find out why", "reuse", False, "Measures 0.010 under already"),
    "one-above-its-band-ground": ("larger than new: find out why", "reuse", False, "Measures 0.010 under already"),
    "one-above-its-band-stamped": ("larger than new: find out why", "reuse", False, "it measures so"),
    "warm-from-the-hand": ("reuse at 0.010 under", "reuse", True, "Measures 0.010 under already"),
    "one-main-ground-singly": ("reuse", "regrind, 0.010 under", True, "A mixed crank: M1, M2, M4 and M5 standard"),
    "mixed-where-allowed": ("reuse", "reuse", True, "No. 3 0.010 under"),
    "ground-in-millimetres": ("no shells for its size", "reuse", False, "0.50 mm"),
    "metric-by-the-stamp": ("no shells for its size", "reuse", False, "0.25 mm"),
    # docs/trade: Shells to order.
    "eight-with-shared-pins": ("regrind, 0.010 under", "reuse", True, "not known per rod"),
    "waived-and-it-stays": ("regrind, 0.010 under", "reuse", True, ""),
    "not-all-read": ("measure on; good so far", "not read", False, "not read yet"),
    # docs/trade: Larger than new.
    "larger-than-new": ("larger than new: find out why", "reuse", False, "0.0040 larger than new, and tight"),
    # docs/trade: One crank.
    "cracked": ("replace", "replace", False, "no shells are ordered"),
    "crack-then-ground": ("replace", "replace", False, "no shells are ordered"),
    "past-the-last-size": ("replace", "replace: the crank is one part", True, "the end of the crank's road"),
    "worn-at-the-last-size": ("replace", "replace: the crank is one part", True, "the end of the crank's road"),
    "no-undersize-on-the-sheet": ("refer", "reuse", False, "lists no undersize shells"),
    "blue-but-passed": ("refer", "indicate the crank", False, "Hardness, straightness"),
    "turned-in-its-housing": ("measure the bearing", "indicate the crank", False, "the housing is not settled"),
    # docs/trade: Whole.
    "nail-catches": ("at least 0.010 under so far", "reuse", False, "the depth of the score is not known"),
    "light-marks-near-the-limit": ("too close to call", "reuse", False, "olish"),
    "question-held": ("answer first", "reuse", False, "waits for its answer"),
    "outside-the-plan": ("answer first", "reuse", False, "outside the plan"),
    "spot-contradicts-itself": ("at least 0.010 under so far", "reuse", False, "1a stands twice"),
    "clearance-beyond-the-sheet": ("measure the bearing", "reuse", False, "learance"),
    "clearance-by-the-sheet": ("reuse", "reuse", True, "0.0030"),
    # docs/trade: Choosing the size.
    "tight-band": ("regrind, 0.010 under", "reuse", True, "Only the lower"),
    # docs/trade: Sizes at 20 degrees.
    "fresh-from-the-wash": ("regrind, 0.010 under", "too close to call", False, "smaller when cool"),
    # docs/trade: Setting checks; docs/trade: Limits of gauges.
    "check-grown-old": ("reuse", "reuse", True, ""),
    "gauge-that-is-out": ("not read", "not read", False, "waits for its answer"),
    "caliper": ("not read", "not read", False, "waits for its answer"),
    "out-of-range": ("not read", "not read", False, "waits for its answer"),
    # docs/trade: Form of a journal.
    "two-angles": ("too close to call", "not read", False, "two angles only"),
    # docs/trade: Authority of a limit.
    "rule-of-thumb-alone": ("refer", "reuse", False, "rule of thumb"),
    # docs/trade: Hardness and fillets.
    "nitrided-at-an-undersize": ("refer", "reuse", False, "hardened again"),
    "nitrided-and-worn": ("replace", "replace: the crank is one part", True, "never ground"),
    "induction-and-worn": ("regrind, 0.010 under", "reuse", True, "of case left after grinding"),
    "case-ground-through": ("replace", "replace: the crank is one part", True, "0.0177 is the least"),
    # docs/trade: Actions.
    "decided-otherwise": ("decided: regrind, 0.015 under", "reuse", True, "Decided otherwise by owner"),
    "decided-elsewhere": ("regrind, 0.010 under", "reuse", True, ""),
}


@pytest.mark.parametrize("name", EXPECTED)
def test_what_is_told(name: str) -> None:
    found = told(name)
    rods, mains, whole, words = EXPECTED[name]
    assert (found.of("rods").headline, found.of("mains").headline, found.whole) == (rods, mains, whole)
    assert words in words_of(found)


def test_every_kind_is_told() -> None:
    assert set(mends()) - set(EXPECTED) == {"unequal-angles"}


def test_a_pin_with_two_rods_needs_two_pairs() -> None:
    """Common practice, no source: a V8's four pins carry eight rods."""
    assert [order.count for order in told("eight-with-shared-pins").of("rods").to_order] == [8]


def test_a_waived_journal_that_stays_is_counted() -> None:
    assert [order.count for order in told("waived-and-it-stays").of("rods").to_order] == [4]


@pytest.mark.parametrize(
    "name", ["cracked", "crack-then-ground", "past-the-last-size", "not-all-read", "question-held"]
)
def test_nothing_is_ordered_for_what_is_not_settled_or_ended(name: str) -> None:
    """Source: docs/trade: One crank; docs/trade: Whole."""
    found = told(name)
    assert not found.of("rods").to_order
    assert "Finish, after polish" not in words_of(found)


def test_mixed_shells_are_ordered_where_the_house_allows_them() -> None:
    ordered = {order.words: order.count for order in told("mixed-where-allowed").of("rods").to_order}
    assert ordered == {"standard": 3, "0.010 under": 1}


def test_the_persons_size_is_ordered_not_the_programs() -> None:
    assert [order.words for order in told("decided-otherwise").of("rods").to_order] == ["0.015 under"]
    assert [order.words for order in told("decided-elsewhere").of("rods").to_order] == ["0.010 under"]


def test_a_clearance_is_never_shown_upside_down() -> None:
    """Arithmetic: its least is not above its most."""
    shown = 0
    for name in mends():
        for journal in told(name).parts:
            if journal.clearance.least is not None and journal.clearance.most is not None:
                assert inches(journal.clearance.least) <= inches(journal.clearance.most)
                shown += 1
    assert shown > 0


def test_the_clearance_of_the_worked_bearing() -> None:
    """Source: case E01: housing 2.3750, walls 0.0620 each, journal 2.2480."""
    shown = told("clearance-by-the-sheet").part("R1").clearance
    assert shown.least == f"{CASES['E01']['expected']:.4f}"


def test_a_reading_outside_the_plan_is_judged_not_dropped() -> None:
    """Read twice alike it is believed, and 2.0305 is not within 2.0370."""
    one = with_more(mends()["outside-the-plan"](), again("R2", "3a", "2.0305", id="second", repeats="R2.3a.again"))
    found = assess(one).part("R2")
    assert found.size is not None
    assert (found.size.text, found.called.value) == ("2.0305", "beyond")


def test_two_angles_give_bounds() -> None:
    """Source: docs/trade: Form of a journal; case D07: an oval may hide between two angles."""
    size = next(f for f in told("two-angles").part("R1").figures if f.key is FigureKey.SIZE)
    assert size.called.value == "too close"


def test_three_angles_close_together_do_not_call_a_round_journal_oval() -> None:
    """Source: docs/trade: Form of a journal: the fit's factor is that of the angles read."""
    figures = told("unequal-angles").part("R1").figures
    oval = next(f for f in figures if f.key is FigureKey.OUT_OF_ROUND)
    assert oval.called.value != "beyond"


def test_the_least_workable_band_is_the_houses() -> None:
    """Source: docs/trade: Choosing the size: 2.0282 less doubt leaves 0.0006 of 0.0008."""
    choice = told("tight-band").of("rods")
    assert choice.step is not None
    assert choice.step.nm == inches("0.010").nm
    assert Length(choice.step.nm) == inches("0.010")
