"""The size a set is ground to. Outside checks: the case D23 to D25; brute force over every size."""

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.lengths import Length
from halfthou.parts.journals.decide import regrind_steps
from halfthou.parts.journals.hardening import case_left
from halfthou.parts.journals.limits import ladder_of
from halfthou.sets import Reach, Rung, choose_one_size
from halfthou.surveys import present_undersize
from halfthou.verdicts import CleanUp, clean_up_size
from tests.making import CASES, figure, inches, limits, mm, shells

STEPS = tuple(Rung(inches(step), True, True) for step in ("0.010", "0.020", "0.030", "0.040"))
LEAST = inches("2.2483")


def reach(usable: CleanUp, needs: bool = True) -> Reach:
    return Reach(usable, Length(0), needs)


def usable(text: str) -> Reach:
    """A clean-up size known exactly, less the trade's polish of 0.0003 and doubt of 0.0002 in."""
    known = inches(text) - inches("0.0005")
    return reach(CleanUp(known, known))


def test_a_journal_that_just_misses_goes_a_step_further() -> None:
    """Source: case D23."""
    choice = choose_one_size({"R1": usable("2.2386")}, STEPS, LEAST)
    assert choice.sure == inches(str(CASES["D23"]["expected"]))
    assert (missed := choice.at(inches("0.010"))) is not None and missed.misses == ("R1",)


def test_a_journal_that_just_makes_it_is_tight_and_a_person_chooses() -> None:
    """Source: case D24: it makes the step, but only in the lower 0.0002 in of the band."""
    choice = choose_one_size({"R1": usable("2.2390")}, STEPS, LEAST)
    assert choice.sure == inches(str(CASES["D24"]["expected"]))
    assert (just := choice.at(inches("0.010"))) is not None and just.to_spare == inches("0.0002")
    asked = choose_one_size({"R1": usable("2.2390")}, STEPS, LEAST, inches("0.0005"))
    assert (asked.tight, asked.sure) == (inches(str(CASES["D24"]["expected"])), inches("0.020"))


def test_a_band_of_nothing_is_no_size() -> None:
    """Common practice, no source: nobody grinds to one size exactly."""
    just = LEAST - inches("0.010")
    choice = choose_one_size({"R1": reach(CleanUp(just, just))}, STEPS, LEAST)
    assert choice.sure == inches("0.020")
    above = reach(CleanUp(just + Length(1), just + Length(1)))
    assert choose_one_size({"R1": above}, STEPS, LEAST).sure == inches("0.010")


def test_the_worst_journal_sets_the_size_for_all() -> None:
    """Source: case D25."""
    worn = {f"R{n}": usable(text) for n, text in enumerate(("2.2412", "2.2418", "2.2384", "2.2406"), start=1)}
    choice = choose_one_size(worn, STEPS, LEAST)
    assert choice.sure == inches(str(CASES["D25"]["expected"]))
    assert choice.sets_it == "R3"
    assert choice.without_worst == inches("0.010")


cranks = st.lists(st.tuples(st.integers(56_000_000, 57_110_000), st.integers(0, 300_000)), min_size=1, max_size=8)
ladders = st.lists(
    st.tuples(st.integers(60_000, 1_600_000), st.booleans(), st.booleans()),
    max_size=6,
    unique_by=lambda step: step[0],
)


@settings(max_examples=300)
@given(cranks, ladders, st.integers(0, 12_700))
def test_the_choice_is_what_brute_force_finds(
    crank: list[tuple[int, int]], ladder: list[tuple[int, bool, bool]], workable: int
) -> None:
    """Every size is tried from the smallest; the first that serves every journal wins."""
    worn = {f"R{n}": CleanUp(Length(sure), Length(sure + more)) for n, (sure, more) in enumerate(crank, start=1)}
    steps = tuple(Rung(Length(k), bought, allowed) for k, bought, allowed in sorted(ladder))
    choice = choose_one_size({n: reach(w) for n, w in worn.items()}, steps, LEAST, Length(workable))

    def first(end: int, band: int) -> int | None:
        for k, bought, allowed in sorted(ladder):
            left = min(sure + more * end for sure, more in crank) - (LEAST.nm - k)
            if bought and allowed and left > 0 and left >= band:
                return k
        return None

    assert (choice.sure.nm if choice.sure else None) == first(0, workable)
    assert (choice.possible.nm if choice.possible else None) == first(1, 0)
    assert worn[choice.sets_it].sure.nm == min(sure for sure, _ in crank)


def test_the_journal_that_sets_the_size_is_one_that_needs_it() -> None:
    """Common practice, no source: a sound journal, ground along with its set, may limit the step but not set it."""
    bad, sound = reach(CleanUp(inches("2.2400"), inches("2.2400"))), CleanUp(inches("2.2384"), inches("2.2384"))
    choice = choose_one_size({"R1": bad, "R2": reach(sound, needs=False)}, STEPS, LEAST)
    assert (choice.sets_it, choice.limits_it, choice.sure) == ("R1", "R2", inches("0.010"))


def test_a_journal_that_stands_at_the_step_already_needs_nothing() -> None:
    """One main ground singly: the rest go to its size, it stays."""
    one = Reach(CleanUp(inches("2.2370"), inches("2.2370")), inches("0.010"), needs=False)
    bad = reach(CleanUp(inches("2.2400"), inches("2.2400")))
    assert choose_one_size({"M3": one, "M1": bad}, STEPS, LEAST).sure == inches("0.010")


def test_steps_below_the_present_size_only_and_none_for_a_polish() -> None:
    """Source: common practice, no source: it starts from there; what nobody sells does not exist."""
    sheet = limits(
        shells=shells("0", "0.001", "0.010", "0.020", "0.030"), smallest_allowed=figure(inches("2.0170"))
    )
    steps = regrind_steps(sheet, inches("0.010"))
    assert [rung.step for rung in steps] == [inches("0.020"), inches("0.030")]
    assert [step.usable for step in steps] == [True, False]


def test_the_present_size_is_measured_not_claimed() -> None:
    """Source: the trade: a size painted on a crank is a claim until measured."""
    sheet = ladder_of(limits())
    assert present_undersize(sheet, [inches("2.0375"), inches("2.0300")]) == Length(0)
    assert present_undersize(sheet, [inches("2.0277"), inches("2.0250")]) == inches("0.010")
    assert present_undersize(sheet, [inches("2.0378") - inches("0.020")]) == inches("0.020")
    assert present_undersize(sheet, []) == Length(0)


def test_case_left_after_grinding() -> None:
    """Source: case D26 (the axis moved by 0.05 mm) and D27."""
    axis_moved = case_left(mm("2.5"), mm("0.75"), mm("0.05"))
    assert axis_moved.nm / 1e6 == pytest.approx(CASES["D26"]["expected"], abs=CASES["D26"]["tol"])
    kept = case_left(mm("0.40"), mm("0.25"))
    assert kept.nm / 1e6 == pytest.approx(CASES["D27"]["expected"], abs=CASES["D27"]["tol"])


def test_a_size_already_under_counts_its_wear_from_there() -> None:
    worn = clean_up_size(inches("2.0270"), inches("2.0278"))
    assert worn.sure == inches("2.0262")
