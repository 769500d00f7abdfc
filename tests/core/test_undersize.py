"""The size a set is ground to. Outside checks: the handbook's D23 to D25; brute force over every size."""

from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.lengths import Length
from halfthou.sets import Step, choose_regrind_size, regrind_steps
from halfthou.sets.hardening import case_left
from halfthou.surveys import present_undersize
from halfthou.verdicts import CleanUp, clean_up_size
from tests.making import CASES, figure, inches, limits, mm, shells

STEPS = tuple(Step(inches(step), True, True) for step in ("0.010", "0.020", "0.030", "0.040"))
LEAST = inches("2.2483")


def usable(text: str) -> CleanUp:
    """A clean-up size known exactly, less the handbook's polish of 0.0003 and doubt of 0.0002 in."""
    known = inches(text) - inches("0.0005")
    return CleanUp(known, known)


def test_a_journal_that_just_misses_goes_a_step_further() -> None:
    """Source: handbook D23."""
    choice = choose_regrind_size({"R1": usable("2.2386")}, STEPS, LEAST)
    assert choice.sure == inches(str(CASES["D23"]["expected"]))
    assert choice.at(inches("0.010")).misses == ("R1",)


def test_a_journal_that_just_makes_it() -> None:
    """Source: handbook D24."""
    choice = choose_regrind_size({"R1": usable("2.2390")}, STEPS, LEAST)
    assert choice.sure == inches(str(CASES["D24"]["expected"]))
    assert choice.at(inches("0.010")).to_spare == inches("0.0002")


def test_the_worst_journal_sets_the_size_for_all() -> None:
    """Source: handbook D25."""
    worn = {f"R{n}": usable(text) for n, text in enumerate(("2.2412", "2.2418", "2.2384", "2.2406"), start=1)}
    choice = choose_regrind_size(worn, STEPS, LEAST)
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
@given(cranks, ladders)
def test_the_choice_is_what_brute_force_finds(
    crank: list[tuple[int, int]], ladder: list[tuple[int, bool, bool]]
) -> None:
    """Every size is tried from the smallest; the first that serves every journal wins."""
    worn = {f"R{n}": CleanUp(Length(sure), Length(sure + more)) for n, (sure, more) in enumerate(crank, start=1)}
    steps = tuple(Step(Length(k), bought, allowed) for k, bought, allowed in sorted(ladder))
    choice = choose_regrind_size(worn, steps, LEAST)

    def first(end: int) -> int | None:
        for k, bought, allowed in sorted(ladder):
            cleans = all((sure + more * end) >= LEAST.nm - k for sure, more in crank)
            if bought and allowed and cleans:
                return k
        return None

    assert (choice.sure.nm if choice.sure else None) == first(0)
    assert (choice.possible.nm if choice.possible else None) == first(1)
    assert worn[choice.sets_it].sure.nm == min(sure for sure, _ in crank)


def test_steps_below_the_present_size_only_and_none_for_a_polish() -> None:
    """Source: the trade's rules 4 and 5: it starts from there; what nobody sells does not exist."""
    sheet = limits(
        shells=shells("0", "0.001", "0.010", "0.020", "0.030"), smallest_allowed=figure(inches("2.0170"))
    )
    steps = regrind_steps(sheet, inches("0.010"))
    assert [step.undersize for step in steps] == [inches("0.020"), inches("0.030")]
    assert [step.usable for step in steps] == [True, False]


def test_the_present_size_is_measured_not_claimed() -> None:
    """Source: the trade: a size painted on a crank is a claim until measured."""
    sheet = limits()
    assert present_undersize(sheet, [inches("2.0375"), inches("2.0300")]) == Length(0)
    assert present_undersize(sheet, [inches("2.0277"), inches("2.0250")]) == inches("0.010")
    assert present_undersize(sheet, [inches("2.0378") - inches("0.020")]) == inches("0.020")
    assert present_undersize(sheet, []) == Length(0)


def test_case_left_after_grinding() -> None:
    """Source: handbook D26 (less its axis shift of 0.05 mm, which the kept axis has not) and D27."""
    assert case_left(mm("2.5"), mm("0.75")).nm / 1e6 == CASES["D26"]["expected"] + 0.05
    assert case_left(mm("0.40"), mm("0.25")).nm / 1e6 == CASES["D27"]["expected"]


def test_a_size_already_under_counts_its_wear_from_there() -> None:
    worn = clean_up_size(inches("2.0270"), inches("2.0278"))
    assert worn.sure == inches("2.0262")
