"""Uncertainty budgets. Outside checks: the uncertainties library, GUM annex H.1 (recalled), the AIAG data set."""

import math
import random
from datetime import timedelta

import numpy as np
import pytest
from scipy import stats
from uncertainties import UFloat, ufloat

from halfthou.assess import assess, open_budgets
from halfthou.gauges import (
    Budget,
    BudgetTerm,
    Cabinet,
    Setup,
    SpotRead,
    TermKind,
    Warmth,
    combine,
    effective_freedom,
    few_repeats,
    fitness,
    noise_floor,
    own_terms,
    pooled,
    repeatability,
    settings_of,
    shared_terms,
    standard_doubt,
)
from halfthou.jobs import DIAMETER, Feature, Gauge, Guard, HouseRules, Job, Material, Purpose, Reading, SettingCheck
from halfthou.lengths import Length, Unit
from halfthou.memo import Memo
from halfthou.parts.journals.case import JournalCase
from halfthou.parts.journals.limits import limits_of
from halfthou.parts.journals.verdict import judge_journal
from halfthou.surveys import survey_parts
from halfthou.verdicts import Finding
from tests.making import (
    CASES,
    MICROMETER,
    NOON,
    band,
    engine_of,
    figure,
    inches,
    job,
    limits,
    mm,
    readings,
    relimited,
    survey_journals,
)

FINE = Gauge(
    id="fine", name="fine", kind="digital micrometer", unit=Unit.MM, resolution=Length(1_000),
    permissible_error=Length(5_000), repeatability=Length(500), fit_for=tuple(Purpose),
)  # fmt: skip
BORE = Gauge(
    id="bore", name="bore", kind="dial bore gauge", unit=Unit.MM, resolution=Length(1_000),
    permissible_error=Length(2_000), repeatability=Length(700),
)  # fmt: skip


def test_gum_h1_combined_uncertainty_and_degrees_of_freedom() -> None:
    """Source: JCGM 100 annex H.1, recalled: u_c 32 nm, ν_eff 16, U99 93 nm. cases C20 to C22."""
    warmth = 50.000623e6 * 11.5e-6 * 0.029
    terms = ((25.0, 18.0), (9.7, 25.6), (2.9, 50.0), (warmth, 2.0))
    budget = tuple(BudgetTerm(TermKind.SCALE, str(n), nm) for n, (nm, _) in enumerate(terms))
    assert round(standard_doubt(budget)) == 32
    freedom = effective_freedom(terms)
    assert math.floor(freedom) == 16
    assert freedom == pytest.approx(CASES["C21"]["expected"], abs=CASES["C21"]["tol"])
    assert round(stats.t.ppf(0.995, 16) * CASES["C20"]["expected"]) == CASES["C22"]["expected"].__round__() == 93


def test_the_worked_micrometer_budget() -> None:
    """Source: docs/trade: A micrometer's budget; docs/trade: What cancels: five readings of a 57 mm journal,
    permissible error 5 µm, ±1 K, ±1e-6 over 5 K.

    Library value there: uncertainties, 2.9543 µm. The case takes s/√n of the very readings.
    """
    read = [57_112_000, 57_113_000, 57_111_000, 57_112_000, 57_113_000]
    deviation, freedom = pooled([read])
    assert freedom == 4
    assert deviation / math.sqrt(5) / 1000 == pytest.approx(CASES["C03"]["expected"], abs=CASES["C03"]["tol"])
    gauge = FINE.model_copy(update={"repeatability": Length(round(deviation / math.sqrt(5)))})
    part = Warmth(Material.GAUGE_STEEL, 25.0)
    setup = Setup(gauge, None, repeatability(gauge), part, part, 1.0, 0, "s")
    shared = shared_terms(setup, mm("57.11"), "R1", Cabinet({"fine": gauge}, {}))
    found = standard_doubt((*shared, *own_terms(setup, SpotRead("r", "R1", "1a"))))
    assert found / 1000 == pytest.approx(CASES["C04"]["expected"], abs=CASES["C04"]["tol"])
    assert 2 * found / 1000 == pytest.approx(CASES["C05"]["expected"], abs=CASES["C05"]["tol"])


def test_a_clearance_with_a_shared_micrometer() -> None:
    """Source: cases C09, C10; library there: one shared ufloat."""
    mic = BudgetTerm(TermKind.SCALE, "mic", 2.9)
    bore: Budget = (mic, BudgetTerm(TermKind.SETTING, "set", 1.0), BudgetTerm(TermKind.DIAL, "dial", 1.15))
    journal: Budget = (mic, BudgetTerm(TermKind.REPEAT, "j", 0.5))
    shared = standard_doubt(combine(((1.0, bore), (-1.0, journal))))
    assert shared == pytest.approx(CASES["C09"]["expected"], abs=CASES["C09"]["tol"])
    wall: Budget = (BudgetTerm(TermKind.SCALE, "wall mic", 1.5),)
    parts = (
        (1.0, (BudgetTerm(TermKind.SCALE, "h", 3.0),)),
        (-1.0, (BudgetTerm(TermKind.SCALE, "j", 3.0),)),
        (-1.0, wall),
        (-1.0, wall),
    )
    assert standard_doubt(combine(parts)) == pytest.approx(CASES["C10"]["expected"], abs=CASES["C10"]["tol"])


def test_the_aiag_gauge_study_repeatability() -> None:
    """Source: AIAG MSA data set, 10 parts, 3 appraisers, 3 trials, recalled; its first five parts are
    those that the package GageRnR 0.8.0 carries in its tests (plus 3). Error mean square by that package:
    case C18."""
    rows = (
        ".29 -.56 1.34 .47 -.80 .02 .59 -.31 2.26 -1.36", ".41 -.68 1.17 .50 -.92 -.11 .75 -.20 1.99 -1.25",
        ".64 -.58 1.27 .64 -.84 -.21 .66 -.17 2.01 -1.31", ".08 -.47 1.19 .01 -.56 -.20 .47 -.63 1.80 -1.68",
        ".25 -1.22 .94 1.03 -1.20 .22 .55 .08 2.12 -1.62", ".07 -.68 1.34 .20 -1.28 .06 .83 -.34 2.19 -1.50",
        ".04 -1.38 .88 .14 -1.46 -.29 .02 -.46 1.77 -1.49", "-.11 -1.13 1.09 .20 -1.07 -.67 .01 -.56 1.45 -1.77",
        "-.15 -.96 .67 .11 -1.45 -.49 .21 -.49 1.87 -2.16",
    )  # fmt: skip
    table = np.array([[float(value) for value in row.split()] for row in rows]).reshape(3, 3, 10)
    groups = [[round(1e6 * v) for v in table[who, :, part]] for who in range(3) for part in range(10)]
    deviation, freedom = pooled(groups)
    assert freedom == 60
    assert (deviation / 1e6) ** 2 == pytest.approx(CASES["C18"]["expected"], abs=CASES["C18"]["tol"])


@pytest.mark.parametrize("freedom", [4, 5, 9, 15, 29, 30, 31, 200])
def test_few_repeats_are_widened_by_students_t(freedom: int) -> None:
    """Library: scipy.stats.t over the normal, one-sided 95 %; beyond 30 the normal is taken, 3 % less at most."""
    wanted = stats.t.ppf(0.95, freedom) / 1.645
    assert few_repeats(freedom) == pytest.approx(wanted, rel=1e-3 if freedom <= 30 else 0.035)


def test_repeats_are_believed_from_four_degrees_of_freedom_on() -> None:
    """Common practice, no source."""
    few, enough = [(0, 1000, 2000, 1000)], [(0, 1000, 2000, 1000, 1000)]
    assert repeatability(MICROMETER, few).kind is TermKind.REPEAT_TAKEN
    found = repeatability(MICROMETER, enough)
    assert found.kind is TermKind.REPEAT
    assert found.nm == pytest.approx(np.std(enough[0], ddof=1) * stats.t.ppf(0.95, 4) / 1.645, rel=1e-3)


def test_the_noise_floor_is_d2_sigma() -> None:
    """Source: control-chart constant d2 for four, recalled; library: numpy, a hundred thousand samples."""
    floor = noise_floor(4, inches("0.0001").nm)
    assert floor.nm / 25.4e6 == pytest.approx(CASES["C11"]["expected"], abs=CASES["C11"]["tol"])
    chance = np.random.default_rng(3)
    assert floor.nm / inches("0.0001").nm == pytest.approx(
        np.ptp(chance.normal(size=(100_000, 4)), axis=1).mean(), abs=0.01
    )


def test_the_gauge_ratio() -> None:
    """Source: case C15: ±0.0005 in over U 0.000233 in."""
    found = fitness(inches("0.001"), 0.000233 * 25.4e6 / 2, Guard.ONE_SIDED_95)
    assert found.ratio == pytest.approx(CASES["C15"]["expected"], abs=CASES["C15"]["tol"])
    assert found.coarse


class Errors:
    """Every source of error as one ufloat, shared by all that share it."""

    def __init__(self) -> None:
        self.known: dict[str, UFloat] = {}

    def of(self, name: str, nm: float) -> UFloat:
        return self.known.setdefault(name, ufloat(0, nm))


def mixed_job(seed: int) -> tuple[Job, dict[str, UFloat]]:
    """R1 read at random with two micrometers; and every reading as its true value plus shared errors."""
    chance, errors = random.Random(seed), Errors()
    taken, truth = [], {}
    for reading in readings({"R1": ["2.0375"] * 8}):
        gauge = chance.choice((MICROMETER, FINE))
        size = inches("2.0376") - Length(chance.randrange(0, 6) * 2_540)
        taken.append(reading.model_copy(update={"gauge": gauge.id, "count": size.nm}))
        repeat = gauge.repeatability.nm if gauge.repeatability else gauge.resolution.nm / 2
        truth[reading.spot] = (
            size.nm
            + errors.of(f"scale {gauge.id}", gauge.permissible_error.nm / math.sqrt(3))
            + errors.of("warmth", size.nm * 11.7e-6 / math.sqrt(3))
            + errors.of(f"step {reading.spot}", gauge.resolution.nm / math.sqrt(12))
            + errors.of(f"repeat {reading.spot}", repeat)
        )
    one = job(readings=tuple(taken), gauges=(MICROMETER, FINE), house_rules=HouseRules())
    return one, truth


def case_of(one: Job) -> JournalCase:
    """R1 with its bearing, as far as that is read."""
    surveys = survey_parts(one, engine_of(one), Memo())
    bearing = surveys["bearing-rod-1"]
    return JournalCase(
        surveys["R1"][DIAMETER], limits_of(one.limits, "rods"), one.house_rules, Length(0), {},
        bearings=(bearing,) if bearing.features else (),
    )  # fmt: skip


def finding(one: Job, name: str) -> Finding:
    verdict = judge_journal(case_of(one))
    return next(found for found in (*verdict.findings, *verdict.clearance) if found.name == name)


@pytest.mark.parametrize("seed", range(25))
def test_size_and_taper_are_doubted_as_the_library_propagates_them(seed: int) -> None:
    """Library: uncertainties, each shared error one variable. Warmth is nearly the same at both."""
    one, truth = mixed_job(seed)
    size, taper = finding(one, "least size"), finding(one, "taper")
    assert size.doubt_nm == pytest.approx(truth[size.spots[0]].s, rel=1e-3)
    says = truth[taper.spots[0]] - truth[taper.spots[1]]
    assert taper.doubt_nm == pytest.approx(says.s, rel=1e-3)


@pytest.mark.parametrize("seed", range(25))
def test_clean_up_doubles_its_doubt_but_not_what_it_shares(seed: int) -> None:
    """Library: uncertainties, of 2·D_min - D_ref with D_ref a reading. Source of the rule: docs/trade: Choosing the
    size."""
    one, truth = mixed_job(seed)
    one = relimited(one, rods=limits("2.0360", "2.0368"))
    survey = survey_journals(one)["R1"]
    verdict = judge_journal(JournalCase(survey, limits_of(one.limits, "rods"), one.house_rules, Length(0), {}))
    form = survey.form
    assert form is not None
    assert verdict.clean_up is not None
    assert verdict.usable is not None
    says = 2 * truth[form.least.spots[0]] - truth[form.greatest.spots[0]]
    taken_off = verdict.clean_up.sure - verdict.usable.sure - one.house_rules.polish_allowance
    assert taken_off.nm == pytest.approx(2 * says.s, rel=2e-3)


def bearing(one: Job, sizes: dict[str, str], feature: Feature, gauge: Gauge) -> tuple[Reading, ...]:
    return tuple(
        Reading(
            id=f"{feature.name}.{spot}", part="bearing-rod-1", feature=feature, spot=spot,
            count=inches(text).nm, typed=text, unit=Unit.INCH, gauge=gauge.id, by="bench",
            at=NOON + timedelta(hours=1),
            caps_torqued=True,
        )
        for spot, text in sizes.items()
    )  # fmt: skip


def clearance_job(against: str | None) -> Job:
    """Journal by micrometer, bearing bore by a bore gauge set in that micrometer, or on a standard of its own."""
    one = job({"R1": ["2.0375"] * 8}, rods=limits(clearance=band(".0012", ".0032")))
    bores = bearing(one, dict.fromkeys(("1a", "1b", "1c", "2a", "2b", "2c"), "2.0396"), Feature.BEARING_BORE, BORE)
    check = SettingCheck(
        id="c", gauge="bore", against=against, standard=inches("2.0375"), standard_error=Length(5_000),
        read=(inches("2.0375"),) * 3, unit=Unit.INCH, by="bench", at=NOON,
    )  # fmt: skip
    return one.model_copy(
        update={"gauges": (*one.gauges, BORE), "readings": (*one.readings, *bores), "checks": (check,)}
    )


def test_a_bore_gauge_set_in_the_micrometer_shares_its_error_and_a_clearance_does_not_have_it() -> None:
    """Library: uncertainties with the micrometer as one shared variable. Source: docs/trade: What cancels."""
    mic = ufloat(0, MICROMETER.permissible_error.nm / math.sqrt(3))
    step, hand = MICROMETER.resolution.nm / math.sqrt(12), MICROMETER.resolution.nm / 2
    journal = mic + ufloat(0, step) + ufloat(0, hand)
    setting = ufloat(0, math.hypot(700 / math.sqrt(3), 1_000 / math.sqrt(12)))
    own = setting + ufloat(0, 2_000 / math.sqrt(3)) + ufloat(0, 1_000 / math.sqrt(12)) + ufloat(0, 700)
    linked = finding(clearance_job("mic"), "oil clearance, least")
    assert linked.value == inches("0.0021")
    assert linked.doubt_nm == pytest.approx((mic + own - journal).s, rel=1e-6)
    standard = ufloat(0, 5_000 / math.sqrt(3))
    apart = finding(clearance_job(None), "oil clearance, least")
    assert apart.doubt_nm == pytest.approx((standard + own - journal).s, rel=1e-6)
    assert linked.doubt_nm < apart.doubt_nm


def test_a_clearance_from_housing_and_walls_counts_the_wall_micrometer_once_for_both() -> None:
    """Source: docs/trade: Measuring a bearing, C10; library: uncertainties, the wall micrometer's scale shared by
    both halves."""
    one = job({"R1": ["2.0375"] * 8}, rods=limits(clearance=band(".0012", ".0032")), gauges=(MICROMETER, FINE))
    housing = bearing(
        one, dict.fromkeys(("1a", "1b", "1c", "2a", "2b", "2c"), "2.1642"), Feature.HOUSING_BORE, FINE
    )
    walls = bearing(one, {"1a": "0.0623", "1b": "0.0623"}, Feature.WALL, FINE)
    found = finding(one.model_copy(update={"readings": (*one.readings, *housing, *walls)}), "oil clearance, least")
    assert found.value == inches("0.0021")
    fine = ufloat(0, 5_000 / math.sqrt(3))
    noise = math.hypot(1_000 / math.sqrt(12), 500)
    mic = ufloat(0, MICROMETER.permissible_error.nm / math.sqrt(3))
    journal = mic + ufloat(0, MICROMETER.resolution.nm / math.sqrt(12)) + ufloat(0, MICROMETER.resolution.nm / 2)
    says = (fine + ufloat(0, noise)) - 2 * fine - ufloat(0, noise) - ufloat(0, noise) - journal
    assert found.doubt_nm == pytest.approx(says.s, rel=1e-6)


def test_the_budget_opens_with_every_source_and_its_share() -> None:
    shown = {budget.figure: budget for budget in open_budgets(clearance_job("mic"), "R1")}
    assert {"least size", "out-of-round", "taper", "oil clearance, least", "oil clearance, most"} == set(shown)
    for budget in shown.values():
        assert 97 <= sum(line.share_percent for line in budget.lines) <= 103
        assert "1.645" in budget.rule
    sources = {line.source for line in shown["oil clearance, least"].lines}
    assert TermKind.SCALE.value not in sources
    assert shown["taper"].freedom == ""
    assert shown["taper"].cancelled.startswith("The scale of the gauge")


def test_repeats_travel_inside_the_job() -> None:
    """The same job is judged the same elsewhere: a hand's repeats lie in its checks."""
    steady = SettingCheck(
        id="c", gauge="mic", standard=inches("2.0000"), read=(inches("2.0000"),) * 6, unit=Unit.INCH, by="bench",
        at=NOON - timedelta(hours=1),
    )  # fmt: skip
    one = job({"R1": ["2.0371"] * 8}, checks=(steady,))
    plain = job({"R1": ["2.0371"] * 8})
    assert finding(one, "taper").doubt_nm < finding(plain, "taper").doubt_nm
    assert assess(Job.model_validate_json(one.model_dump_json())) == assess(one)
    assert settings_of(one.checks)["mic"][0].zero == Length(0)


def test_a_limit_no_gauge_can_accept_is_said_before_measuring() -> None:
    tight = limits(taper=figure(inches("0.00005")))
    notes = [note.text for note in assess(job(rods=tight, gauges=(MICROMETER,))).of("rods").notes]
    assert any("can be rejected but not accepted" in text and "taper" in text for text in notes)


def test_a_coarse_gauge_is_told_once_for_the_set() -> None:
    """Source: docs/trade: Gauge ratio: under 4 to 1."""
    notes = assess(job({"R1": ["2.0375"] * 8, "R2": ["2.0375"] * 8}, gauges=(MICROMETER,))).of("rods").notes
    assert [note.rule for note in notes] == ["gauges.ratio"]
    alone = assess(job({"R1": ["2.0375"] * 8}, gauges=(MICROMETER,))).of("rods").notes
    assert "cannot be seen until a second journal is read" in alone[-1].text
    assert "taper" in notes[0].text


def test_a_pair_of_unlike_halves() -> None:
    """Source: case E02: housing 2.3750, walls 0.0620 and 0.0625, journal 2.2480."""
    rods = limits("2.2478", "2.2486", clearance=band(".0010", ".0040"))
    one = job({"R1": ["2.2480"] * 8}, rods=rods, gauges=(MICROMETER, FINE))
    spots = ("1a", "1b", "1c", "2a", "2b", "2c")
    housing = bearing(one, dict.fromkeys(spots, "2.3750"), Feature.HOUSING_BORE, FINE)
    walls = bearing(one, {"1a": "0.0620", "1b": "0.0625"}, Feature.WALL, FINE)
    found = finding(one.model_copy(update={"readings": (*one.readings, *housing, *walls)}), "oil clearance, least")
    assert found.value == inches(str(CASES["E02"]["expected"]))


#: Ten parts, three appraisers, three trials each: the automotive industry's published example, recalled.
STUDY = """
0.29 -0.56 1.34 0.47 -0.80 0.02 0.59 -0.31 2.26 -1.36
0.41 -0.68 1.17 0.50 -0.92 -0.11 0.75 -0.20 1.99 -1.25
0.64 -0.58 1.27 0.64 -0.84 -0.21 0.66 -0.17 2.01 -1.31
0.08 -0.47 1.19 0.01 -0.56 -0.20 0.47 -0.63 1.80 -1.68
0.25 -1.22 0.94 1.03 -1.20 0.22 0.55 0.08 2.12 -1.62
0.07 -0.68 1.34 0.20 -1.28 0.06 0.83 -0.34 2.19 -1.50
0.04 -1.38 0.88 0.14 -1.46 -0.29 0.02 -0.46 1.77 -1.49
-0.11 -1.13 1.09 0.20 -1.07 -0.67 0.01 -0.56 1.45 -1.77
-0.15 -0.96 0.67 0.11 -1.45 -0.49 0.21 -0.49 1.87 -2.16
"""


def test_repeatability_of_the_published_gauge_study() -> None:
    """Source: case C17 tells that the recalled data are the published ones (26.68 % by average and range); the
    mean square of the equipment in its published analysis of variance is 0.04598, recalled."""
    data = np.array([line.split() for line in STUDY.strip().splitlines()], dtype=float).reshape(3, 3, 10)
    repeat = np.ptp(data, axis=1).mean() * 0.5908
    people = math.sqrt((np.ptp(data.mean(axis=(1, 2))) * 0.5231) ** 2 - repeat**2 / 30)
    parts = np.ptp(data.mean(axis=(0, 1))) * 0.3146
    gauge = math.hypot(repeat, people)
    share = 100 * gauge / math.hypot(gauge, parts)
    assert share == pytest.approx(CASES["C17"]["expected"], abs=CASES["C17"]["tol"])
    cells = [[round(x * 1e6) for x in data[who, :, part]] for who in range(3) for part in range(10)]
    deviation, freedom = pooled(cells)
    assert (deviation / 1e6) ** 2 == pytest.approx(0.04598, abs=5e-6)
    assert freedom == 60
