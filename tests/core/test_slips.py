"""Slips of reading. Outside checks: docs/trade: Slips of reading; cases A11 to A26; facts of the trade;
simulation."""

import random

import pytest

from halfthou.assess import assess
from halfthou.gauges import ReadText, SlipKind, slips_of
from halfthou.jobs import Gauge, Job, SettingCheck, SlipAnswer, Step
from halfthou.lengths import Asked, Length, Typed, Unit, Window
from halfthou.surveys import read_at
from halfthou.verdicts import Action, Called
from halfthou.words import DoubtShown
from tests.making import CASES, GOOD_MAIN, MICROMETER, NOON, inches, job, limits, mm, readings, survey_journals
from tests.simulated import TENTH, TrueGauge, bench_job, micrometer, readings_of, worn

#: The window and the neighbours of cases A20 to A26.
WINDOW = Window(inches("2.2493"), inches("2.20"), inches("2.26"), near=inches("2.2485"))
RODS = limits("2.2480", "2.2488")


def doubt_at(texts: list[str], spot: str, **others: list[str]) -> DoubtShown | None:
    """What is asked about one reading of R1 among these."""
    found = assess(job({"R1": texts, **others}, rods=RODS)).part("R1")
    return next(s.doubt for s in found.spots if s.name == spot)


@pytest.mark.parametrize(
    ("text", "means", "slip"),
    [
        ("2.2235", "2.2485", SlipKind.TURN),
        ("2.2845", "2.2485", SlipKind.SWAPPED),
    ],
)
def test_did_you_mean_beside_the_neighbours(text: str, means: str, slip: SlipKind) -> None:
    """Source: cases A11, A12, A20, A21."""
    doubt = doubt_at(["2.2485", "2.2484", text, "2.2486"], "1c")
    assert doubt is not None
    assert doubt.holds
    assert (doubt.offers[0].meant.nm, doubt.offers[0].slip) == (inches(means).nm, slip.value)
    assert f"Did you mean {means}?" in doubt.question


@pytest.mark.parametrize(
    ("text", "means"),
    [("57.113", "2.2485"), ("1.2486", "2.2486"), ("22.484", "2.2484"), ("2.2845", "2.2485")],
)
def test_what_cannot_be_a_size_here_is_asked_at_once(text: str, means: str) -> None:
    """Source: cases A22, A23, A24, A21: unit, frame, decimal point, two digits swapped."""
    found = read_at(text, Unit.INCH, WINDOW, MICROMETER)
    assert isinstance(found, Asked)
    assert any(abs(choice.length - inches(means)) <= Length(1_300) for choice in found.choices)


def test_a_sound_reading_is_not_asked_about() -> None:
    """Source: case A25."""
    assert doubt_at(["2.2485", "2.2484", "2.2485", "2.2486"], "1c") is None


def test_one_that_no_slip_explains_is_to_be_read_again() -> None:
    """Source: case A26: 2.2395 among 2.2485: do not guess."""
    doubt = doubt_at(["2.2485", "2.2484", "2.2395", "2.2486", "2.2485"], "1c")
    assert doubt is not None
    assert doubt.offers == ()
    assert "Read it again, or keep it" in doubt.question


def test_a_swap_is_a_multiple_of_nine_in_the_last_digit() -> None:
    """Source: case A12; arithmetic."""
    read = ReadText(inches("2.2458"), "2.2458", Unit.INCH, None, inches("2.2493"))
    swaps = [slip.meant for slip in slips_of(read) if slip.kind is SlipKind.SWAPPED]
    assert inches("2.2485") in swaps
    assert all((size - read.size).nm // 2_540 % 9 == 0 for size in swaps)


def test_a_held_reading_is_not_judged_until_it_is_answered() -> None:
    """One turn low would scrap a sound crank: it waits, and the rest goes on."""
    held = job({"R1": ["2.0375", "2.0375", "2.0125", *["2.0375"] * 5]})
    answer = assess(held).part("R1")
    assert (answer.action, answer.headline) == (Action.MEASURE, "Answer first")
    assert answer.size is not None
    assert answer.size.nm == inches("2.0375").nm
    assert not assess(held).whole


def answered(one: Job, spot: str, taken: str | None) -> Job:
    """The question at a spot of R1 answered."""
    offered = inches(taken) if taken else None
    said = SlipAnswer(
        id="a", reading=f"R1.{spot}", slip="x", offered=offered, taken=taken is not None, by="bench", at=NOON
    )
    return one.model_copy(update={"slip_answers": (said,)})


def test_what_is_taken_counts_and_what_was_read_stays() -> None:
    one = answered(job({"R1": ["2.0375", "2.0375", "2.0125", *["2.0375"] * 5]}), "1c", "2.0375")
    spot = assess(one).part("R1").spots[2]
    assert spot.size is not None
    assert spot.current is not None
    assert (spot.size.text, spot.current.read, spot.doubt) == ("2.0375", "2.0125", None)
    assert assess(one).part("R1").action is Action.REUSE


def test_what_is_kept_is_judged_as_read() -> None:
    one = answered(job({"R1": ["2.0375", "2.0375", "2.0125", *["2.0375"] * 5]}), "1c", None)
    assert assess(one).part("R1").called is Called.BEYOND


def test_read_twice_alike_it_is_believed() -> None:
    """Source: common practice, no source: a surprising reading is taken again before it is believed."""
    one = job({"R1": ["2.0375", "2.0375", "2.0125", *["2.0375"] * 5]})
    again = one.readings[2].model_copy(update={"id": "again", "at": NOON.replace(hour=13)})
    assert assess(one.model_copy(update={"readings": (*one.readings, again)})).part("R1").spots[2].doubt is None


METRIC = limits("2.2480", "2.2488", shells=tuple(Step(size=mm(step)) for step in ("0", "0.25", "0.50")))
MM_MIC = Gauge(
    id="mm", name="mm", kind="micrometer", unit=Unit.MM, resolution=Length(1_000), permissible_error=Length(2_000)
)


def metric_job(**sizes: list[str]) -> Job:
    taken = tuple(
        r.model_copy(update={"count": mm(r.typed).nm, "unit": Unit.MM, "gauge": "mm"})
        for name, texts in sizes.items()
        for r in [
            reading.model_copy(update={"typed": text})
            for reading, text in zip(readings({name: ["1"] * len(texts)}), texts, strict=True)
        ]
    )
    return job(rods=METRIC, readings=taken, gauges=(MM_MIC,))


def test_a_half_millimetre_turn_is_never_offered_as_if_it_could_not_be_an_undersize() -> None:
    """Source: case A18, edge case (a): 56.612 among 57.112 is a turn, or 0.50 under."""
    found = assess(metric_job(R1=["57.112", "57.111", "56.612", "57.112"])).part("R1")
    doubt = found.spots[2].doubt
    assert doubt is not None
    assert "ground under" in doubt.question
    assert "back of the shell" in doubt.question
    assert doubt.offers[0].meant.nm == mm("57.112").nm


def test_a_whole_journal_half_a_millimetre_down_is_asked_as_either() -> None:
    """Source: docs/trade: Slips of reading, edge cases (a) and (b)."""
    found = assess(metric_job(R1=["57.112"] * 8, R2=["56.612"] * 8, R3=["57.111"] * 8))
    doubts = [spot.doubt for spot in found.part("R2").spots]
    assert all(doubt is not None and doubt.throughout for doubt in doubts)
    assert found.part("R1").action is Action.REUSE


def test_a_whole_set_half_a_millimetre_down_cannot_be_told_from_an_undersize_and_that_is_said() -> None:
    """Source: docs/trade: Slips of reading, edge case (a). 0.25 under is no turn."""
    words = "look at the back of the shell"
    down = assess(metric_job(**{f"R{n}": ["56.612"] * 8 for n in range(1, 5)}))
    assert any(words in reason.text for reason in down.of("rods").reasons)
    less = assess(metric_job(**{f"R{n}": ["56.862"] * 8 for n in range(1, 5)}))
    assert not any(words in reason.text for reason in less.of("rods").reasons)


def test_one_slip_throughout_a_journal_is_seen_against_the_rest() -> None:
    """Source: docs/trade: Slips of reading, edge case (b); 0.025 in is no undersize."""
    found = assess(job({"R1": ["2.0375"] * 8, "R2": ["2.0125"] * 8, "R3": ["2.0374"] * 8}))
    doubt = found.part("R2").spots[0].doubt
    assert doubt is not None
    assert doubt.throughout
    assert doubt.offers[0].slip == SlipKind.TURN.value
    assert "Did you mean 2.0375, and so on?" in doubt.question
    assert found.part("R1").spots[0].doubt is None


def test_one_slip_throughout_the_set_is_seen_against_the_sizes_that_exist() -> None:
    """Every rod a turn low: 2.0125 lies 5 thou below 0.020 under, where no journal stands."""
    found = assess(job({f"R{n}": ["2.0125"] * 8 for n in range(1, 5)}))
    assert all(answer.spots[0].doubt is not None for answer in found.parts if answer.id.startswith("R"))
    assert found.of("rods").action is Action.MEASURE


def test_ground_journals_are_no_slip() -> None:
    """0.010 and 0.020 under are sizes that exist."""
    for size in ("2.0275", "2.0175"):
        found = assess(job({f"R{n}": [size] * 8 for n in range(1, 5)}))
        assert not any(spot.doubt for answer in found.parts for spot in answer.spots)


def test_a_reading_that_fits_its_neighbour_says_which() -> None:
    """common practice, no source: the wrong cylinder's number."""
    found = assess(job({"R1": ["2.0375", "2.0375", "2.0274", "2.0375", "2.0375"], "R2": ["2.0275"] * 8}))
    doubt = found.part("R1").spots[2].doubt
    assert doubt is not None
    assert "fits No. 2" in doubt.question


def test_the_sign_of_a_comparator() -> None:
    """Source: docs/trade: Slips of reading: 2·setting - reading, for a gauge set at 2.0350."""
    snap = Gauge(
        id="snap", name="snap", kind="comparator snap gauge", unit=Unit.INCH, resolution=inches("0.0001"),
        permissible_error=inches("0.0001"), revolution=inches("0.010"),
    )  # fmt: skip
    check = SettingCheck(
        id="c",
        gauge="snap",
        standard=inches("2.0350"),
        read=(inches("2.0350"),),
        unit=Unit.INCH,
        by="bench",
        at=NOON,
    )
    one = job(
        {"R1": ["2.0375", "2.0375", "2.0325", "2.0375", "2.0374"]}, gauge=snap, gauges=(snap,), checks=(check,)
    )
    doubt = assess(one).part("R1").spots[2].doubt
    assert doubt is not None
    assert doubt.offers[0].slip == SlipKind.SIGN.value
    turned = job(
        {"R1": ["2.0375", "2.0375", "2.0275", "2.0375", "2.0374"]}, gauge=snap, gauges=(snap,), checks=(check,)
    )
    doubt = assess(turned).part("R1").spots[2].doubt
    assert doubt is not None
    assert doubt.offers[0].slip == SlipKind.REVOLUTION.value


def test_tenths_typed_for_thou() -> None:
    """Source: docs/trade: Slips of reading: -5 typed where five tenths were meant, 2.0373."""
    window = Window(inches("2.0378"), inches("1.99"), inches("2.04"), near=inches("2.0375"))
    found = read_at("-5", Unit.INCH, window, MICROMETER)
    assert isinstance(found, Typed)
    one = job({"R1": ["2.0373", "2.0373", "2.0328", "2.0373", "2.0374"]})
    typed = tuple(r.model_copy(update={"typed": "-5"}) if r.spot == "1c" else r for r in one.readings)
    doubt = assess(one.model_copy(update={"readings": typed})).part("R1").spots[2].doubt
    assert doubt is not None
    assert (doubt.offers[0].slip, doubt.offers[0].meant.text) == (SlipKind.TENTHS.value, "2.0373")


def test_the_odd_value_of_a_row() -> None:
    """A swap of the last digits, too small for the neighbours to tell, does not fit the form of the others."""
    found = assess(job({"R1": ["2.0379", "2.0375", "2.0371", "2.0375", "2.0379", "2.0375", "2.0371", "2.0357"]}))
    doubt = found.part("R1").spots[7].doubt
    assert doubt is not None
    assert (doubt.offers[0].meant.text, doubt.offers[0].slip) == ("2.0375", SlipKind.SWAPPED.value)


def test_a_worn_oval_journal_is_no_slip() -> None:
    """However oval, its readings bear one another out."""
    oval = ["2.0378", "2.0323", "2.0268", "2.0323"] * 2
    found = assess(job({"R1": oval, "M1": GOOD_MAIN})).part("R1")
    assert not any(spot.doubt for spot in found.spots)


def test_sound_readings_of_worn_journals_are_left_alone() -> None:
    """Wanted: under 0.5 % (the issue's own figure); simulated journals whose true form is known. 4,800 readings."""
    chance, asked, read = random.Random(40), 0, 0
    for _ in range(150):
        gauge = TrueGauge(micrometer(TENTH, TENTH, TENTH // 2), chance.uniform(-TENTH, TENTH), TENTH / 2)
        taken = [r for n in range(1, 5) for r in readings_of(f"R{n}", worn(chance, 20_378 * TENTH), gauge, chance)]
        survey = survey_journals(bench_job(taken, gauge.gauge))
        asked += sum(state.doubt is not None for one in survey.values() for state in one.spots)
        read += len(taken)
    assert asked < 0.005 * read


def test_a_slip_of_the_frame_lands_half_a_scatter_from_its_neighbours() -> None:
    """Source: case A19: 1.2486 among 2.2485 with a scatter of 0.0002."""
    read = ReadText(inches("1.2486"), "1.2486", Unit.INCH, MICROMETER, inches("2.2485"))
    framed = [slip.meant for slip in slips_of(read) if slip.kind is SlipKind.FRAME]
    near = min(abs((size - inches("2.2485")).nm) for size in framed)
    assert near / inches("0.0002").nm == pytest.approx(CASES["A19"]["expected"], abs=CASES["A19"]["tol"])
