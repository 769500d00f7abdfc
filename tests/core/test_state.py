"""Called of readings: setting checks, work done, repeats, contradictions, the order of spots, the story."""

from datetime import timedelta

import pytest

from halfthou.assess import assess
from halfthou.gauges import Standing, in_force, settings_of, standing_of
from halfthou.jobs import (
    DIAMETER,
    Feature,
    Gauge,
    GaugeKind,
    Job,
    Look,
    Operation,
    OperationKind,
    Plan,
    Purpose,
    Reading,
    ReadingOrder,
    SettingCheck,
    StoryKind,
    Withdrawal,
)
from halfthou.lengths import Length, Unit
from halfthou.operations import last_work, makes_stale, stale_by
from halfthou.parts import CATALOGUE, faults_of_job
from halfthou.story import story
from halfthou.surveys import reading_order
from halfthou.verdicts import Action, Called
from tests.looked_at import looked_at
from tests.loosen import THOU_MIC
from tests.making import GOOD_ENGINE, MICROMETER, NOON, engine_of, inches, job, look, readings

HOUR = timedelta(hours=1)


def check(name: str, read: str, *, hours: float = -1, standard: str = "2.0000", **more: object) -> SettingCheck:
    values: dict[str, object] = {
        "id": name, "gauge": "mic", "standard": inches(standard), "read": tuple(inches(r) for r in read.split()),
        "unit": Unit.INCH, "by": "bench", "at": NOON + hours * HOUR,
    }  # fmt: skip
    return SettingCheck.model_validate({**values, **more})


def test_the_zero_error_is_taken_off_every_reading_after_it() -> None:
    """A micrometer that shows 2.0001 on a 2 in standard reads every journal 0.0001 large. Arithmetic."""
    answer = assess(job({"R1": ["2.0376"] * 8}, checks=(check("c", "2.0001"),))).part("R1")
    assert answer.size is not None
    assert answer.size.text == "2.0375"
    assert answer.spots[0].current is not None
    assert answer.spots[0].current.read == "2.0376"


def test_drift_is_the_change_since_the_check_before() -> None:
    first, second = settings_of((check("b", "2.0003", hours=5), check("a", "2.0001 2.0001 2.0001")))["mic"]
    assert (first.zero, first.drift) == (inches("0.0001"), None)
    assert second.drift == inches("0.0002")


def test_the_check_that_counts_is_the_last_before_or_the_first_after_on_the_same_day() -> None:
    """Common practice, no source."""
    old, new, after = (
        check("old", "2.0000", hours=-100),
        check("new", "2.0001", hours=-2),
        check("after", "2.0002", hours=3),
    )
    known = settings_of((old, new, after))["mic"]
    assert in_force(known, NOON) is known[1]
    assert in_force(settings_of((old, after))["mic"], NOON).check.id == "after"  # type: ignore[union-attr]
    assert in_force(settings_of((old,))["mic"], NOON) is None
    near = check("near", "1.0000", standard="1.0000", hours=-1)
    both = settings_of((new, near))["mic"]
    assert in_force(both, NOON, inches("2.0375")).check.id == "new"  # type: ignore[union-attr]


def test_a_check_on_a_standard_near_the_size_settles_what_the_gauge_alone_could_not() -> None:
    """Source: docs/trade: A micrometer's budget: checking on a block is worth more than more readings. What it asks
    for settles it."""
    one = job({"R1": ["2.0371"] * 8})
    before = assess(one).part("R1")
    assert before.called is Called.TOO_CLOSE
    assert before.would_change == ("Check 2-3 in micrometer on a 2 in standard, for least size.",)
    done = one.model_copy(update={"checks": (check("c", "2.0000 2.0000 2.0000"),)})
    assert assess(done).part("R1").called is Called.TOO_CLOSE
    again = assess(done).part("R1").to_repeat
    assert [asked.spot for asked in again] == ["1a"]
    assert repeated(done, "1a", again[0].times) is Called.WITHIN


def repeated(one: Job, spot: str, times: int) -> Called:
    """How R1 stands once a spot is read so often again, alike."""
    first = next(r for r in one.readings if r.spot == spot)
    more = tuple(first.model_copy(update={"id": f"again{n}", "repeats": first.id}) for n in range(times))
    return assess(one.model_copy(update={"readings": (*one.readings, *more)})).part("R1").called


@pytest.mark.parametrize("size", ["2.03695", "2.03705", "2.0371", "2.0369", "2.03715"])
def test_as_many_readings_as_are_asked_for_settle_it_and_one_fewer_does_not(size: str) -> None:
    """The budget solved for the margin: u² = fixed² + s²/n. A steady gauge, so that repeats are what is left."""
    steady = MICROMETER.model_copy(update={"permissible_error": Length(500), "repeatability": Length(2_500)})
    one = job({"R1": [size] * 8}, gauge=steady, gauges=(steady,))
    asked = assess(one).part("R1").to_repeat
    if not asked:
        # Nor do as many more settle it as say nothing new of the hand (fewer than five repeats do not).
        assert assess(one).part("R1").called is not Called.TOO_CLOSE or repeated(one, "1a", 3) is Called.TOO_CLOSE
        return
    (only,) = asked
    assert repeated(one, only.spot, only.times) is not Called.TOO_CLOSE
    assert only.times == 1 or repeated(one, only.spot, only.times - 1) is Called.TOO_CLOSE


def test_repeats_are_not_asked_for_where_they_change_nothing() -> None:
    """Beyond on size: a taper that is too close to call is of no interest any more."""
    answer = assess(job({"R1": ["2.0300"] * 4 + ["2.0306"] * 4})).part("R1")
    assert answer.own_action is Action.REGRIND
    assert answer.to_repeat == ()
    assert answer.left == 0


def test_repeats_of_a_spot_count_as_their_mean() -> None:
    one = job({"R1": ["2.0375"] * 8})
    first = one.readings[0]
    again = first.model_copy(
        update={"id": "x", "repeats": first.id, "count": inches("2.0377").nm, "at": NOON + HOUR}
    )
    spot = assess(one.model_copy(update={"readings": (*one.readings, again)})).part("R1").spots[0]
    assert spot.size is not None
    assert (spot.size.text, spot.times) == ("2.0376", 2)
    third = again.model_copy(update={"id": "y", "repeats": "x", "count": inches("2.0376").nm})
    spot = assess(one.model_copy(update={"readings": (*one.readings, again, third)})).part("R1").spots[0]
    assert spot.times == 3


@pytest.mark.parametrize(
    ("gauge", "zero", "due", "standing"),
    [
        ("micrometer", "2.0001", 0, Standing.FIT),
        ("micrometer", "2.0002", 0, Standing.OUT),
        ("micrometer", "2.0000", -1, Standing.OVERDUE),
        ("micrometer", "", 0, Standing.NOT_CHECKED),
        ("setting ring", "", 0, Standing.FIT),
        ("dial bore gauge", "2.0002", 0, Standing.FIT),
    ],
)
def test_a_gauge_that_is_out_or_overdue_is_marked(gauge: str, zero: str, due: int, standing: Standing) -> None:
    """Common practice, no source. A comparator is set to its standard: its zero is no error."""
    one = MICROMETER.model_copy(update={"kind": GaugeKind(gauge), "due": NOON.date() + timedelta(days=due)})
    one = Gauge.model_validate(one.model_dump())
    last = settings_of((check("c", zero),))["mic"][0] if zero else None
    assert standing_of(one, last, NOON.date()) is standing


def done(kind: OperationKind, on: str, hours: float = 1, **more: object) -> Operation:
    values = {"id": f"{kind}.{on}".replace(" ", "-"), "kind": kind, "on": on, "by": "machinist"}
    return Operation.model_validate({**values, "at": NOON + hours * HOUR, **more})


@pytest.mark.parametrize(
    ("kind", "on", "feature", "part", "stale"),
    [
        (OperationKind.GRIND, "rods", DIAMETER, "R1", True),
        (OperationKind.GRIND, "rods", DIAMETER, "M1", False),
        (OperationKind.GRIND, "R2", DIAMETER, "R1", False),
        (OperationKind.GRIND, "rods", Feature.HOUSING_BORE, "bearing-rod-1", False),
        (OperationKind.STRAIGHTEN, "crank", DIAMETER, "M3", True),
        (OperationKind.LINE_HONE, "mains", Feature.HOUSING_BORE, "bearing-M1", True),
        (OperationKind.LINE_HONE, "mains", DIAMETER, "M1", False),
        (OperationKind.STUDS, "mains", Feature.BEARING_BORE, "bearing-M2", True),
        (OperationKind.RESIZE_RODS, "rods", Feature.HOUSING_BORE, "bearing-rod-1", True),
        (OperationKind.NEW_SHELLS, "rods", Feature.WALL, "bearing-rod-1", True),
        (OperationKind.POLISH, "mains", DIAMETER, "M1", True),
        (OperationKind.FINAL_WASH, "crank", DIAMETER, "R1", True),
    ],
)
def test_what_invalidates_what(kind: OperationKind, on: str, feature: str, part: str, *, stale: bool) -> None:
    """Source: docs/trade: What work makes stale, common practice."""
    reading = readings({part: ["2.0375"]})[0].model_copy(update={"feature": feature})
    assert makes_stale(done(kind, on), reading, engine_of(job())) is stale
    assert not makes_stale(done(kind, on, hours=-1), reading, engine_of(job()))


def test_a_grind_makes_readings_stale_and_they_are_taken_again() -> None:
    """Stale readings stay in the record, are named as to be read again, and are never judged as current."""
    one = job(
        GOOD_ENGINE, seen=(look("R1", Look.SURFACE, "nail runs clear"), look("crank", Look.CRACK_TEST, "passed"))
    )
    ground = one.model_copy(update={"operations": (done(OperationKind.GRIND, "rods", step=inches("0.010")),)})
    worked = last_work(ground, engine_of(ground))
    assert sum(stale_by(reading, worked) is not None for reading in ground.readings) == 4 * 8
    answer = assess(ground).part("R1")
    assert tuple(asked.spot for asked in answer.to_read) == Plan().spots
    assert answer.spots[0].current is None
    assert [aside.size.text for aside in answer.spots[0].aside] == ["2.0375"]
    assert "grind" in answer.spots[0].aside[0].why
    assert any(reason.rule == "operations.stale" for reason in answer.reasons)
    assert [one.look for one in answer.seen] == [Look.HEAT], "the surface is another one now; hot stays hot"
    assert answer.unseen == ("surface", "fillet", "oil-hole edge", "crack test")
    assert assess(ground).of("rods").present_words == "0.010 under"
    assert assess(ground).of("mains").action is Action.REUSE
    anew = tuple(
        r.model_copy(update={"id": f"n{r.id}", "at": NOON + 2 * HOUR}) for r in readings({"R1": ["2.0275"] * 8})
    )
    read = ground.model_copy(update={"readings": (*ground.readings, *anew)})
    assert assess(read).part("R1").action is Action.MEASURE, "nobody has looked at it since the grind"
    again = assess(looked_at(read, at=NOON)).part("R1")
    assert (again.action, again.to_read) == (Action.REUSE, ())


def test_a_bore_read_with_loose_caps_or_a_dirty_journal_is_not_judged() -> None:
    """common practice, no source: housing bores with caps torqued; a journal after the last wash, not before."""
    one = job({"R1": ["2.0375"] * 8})
    dirty = tuple(r.model_copy(update={"cleaned": False}) for r in one.readings)
    answer = assess(one.model_copy(update={"readings": dirty})).part("R1")
    assert tuple(asked.spot for asked in answer.to_read) == Plan().spots
    assert "before it was clean" in answer.spots[0].aside[0].why
    loose = Reading(
        id="b", part="bearing-rod-1", feature=Feature.BEARING_BORE, spot="1a", count=inches("2.0396").nm,
        typed="2.0396",
        unit=Unit.INCH, gauge="mic", by="bench", at=NOON, caps_torqued=False,
    )  # fmt: skip
    (bore,) = assess(one.model_copy(update={"readings": (*one.readings, loose)})).part("R1").features[1:]
    assert bore.spots[0].size is None
    assert bore.spots[0].aside[0].why == "read with the caps not torqued"


def test_two_people_who_differ_at_one_spot_are_pointed_out() -> None:
    one = job({"R1": ["2.0375"] * 8})
    other = one.readings[0].model_copy(
        update={"id": "o", "by": "machinist", "count": inches("2.0369").nm, "at": NOON + HOUR}
    )
    found = assess(one.model_copy(update={"readings": (*one.readings, other)}))
    (reason,) = found.part("R1").contradictions
    assert reason.text.startswith("1a stands twice: 2.0369 by machinist, 2.0375 by bench.")
    assert any("stands twice" in doubt.text for doubt in found.doubts)


def test_a_taper_that_runs_both_ways_is_pointed_out() -> None:
    answer = assess(job({"R1": ["2.0375", "2.0369", "2.0375", "2.0375", "2.0369", "2.0375", "2.0375", "2.0375"]}))
    (reason,) = answer.part("R1").contradictions
    assert reason.text.startswith(
        "Front against rear: at a the front is 0.0006 larger, at b the rear is by 0.0006."
    )


def bearing(feature: Feature, **sizes: str) -> tuple[Reading, ...]:
    return tuple(
        Reading(
            id=f"{feature.name}.{spot[1:]}", part="bearing-rod-1", feature=feature, spot=spot[1:],
            count=inches(text).nm, typed=text, unit=Unit.INCH, gauge="bench-mic", by="bench", at=NOON,
            caps_torqued=True,
        )
        for spot, text in sizes.items()
    )  # fmt: skip


def test_a_bearing_smaller_than_its_journal_and_parts_that_do_not_add_up_are_pointed_out() -> None:
    any_use = MICROMETER.model_copy(update={"fit_for": tuple(Purpose), "id": "bench-mic"})
    one = job({"R1": ["2.0375"] * 8}, gauges=(MICROMETER, any_use))
    small = one.model_copy(update={"readings": (*one.readings, *bearing(Feature.BEARING_BORE, _1a="2.0370"))})
    assert "it cannot be in it" in assess(small).part("R1").contradictions[0].text
    parts = (
        *bearing(Feature.BEARING_BORE, _1a="2.0396"),
        *bearing(Feature.HOUSING_BORE, _1a="2.1642"),
        *bearing(Feature.WALL, _1a="0.0603", _1b="0.0603"),
    )
    found = assess(one.model_copy(update={"readings": (*one.readings, *parts)})).part("R1").contradictions
    assert found[0].text.startswith("Housing less both walls gives 2.0436 at 1a, the bearing reads 2.0396")


def test_the_order_of_spots_suits_the_hand() -> None:
    one = job()
    rods, kind = engine_of(one).of_set("rods"), "rods"
    assert reading_order(one, engine_of(one), kind)[:9] == (
        *((rods[0], spot) for spot in Plan().spots),
        (rods[1], "1a"),
    )
    along = one.model_copy(update={"plans": {"rods": Plan(order=ReadingOrder.ALONG_THE_SHAFT)}})
    order = reading_order(along, engine_of(along), kind)
    assert order[:4] == (("R1", "1a"), ("R1", "2a"), ("R2", "1a"), ("R2", "2a"))
    assert sorted(order) == sorted(reading_order(one, engine_of(one), kind))


def test_the_story_tells_everything_and_erases_nothing() -> None:
    one = job({"R1": ["2.0375"] * 8}, looked=False)
    wrong = one.readings[0]
    mended = wrong.model_copy(
        update={"id": "m", "corrects": wrong.id, "count": inches("2.0374").nm, "at": NOON + HOUR}
    )
    told = story(
        one.model_copy(
            update={
                "readings": (*one.readings, mended),
                "withdrawals": (Withdrawal(id="w", fact="R1.2d", by="machinist", at=NOON + 2 * HOUR),),
                "operations": (done(OperationKind.GRIND, "rods", hours=3, step=inches("0.010")),),
                "checks": (check("c", "2.0000"),),
            }
        ),
        engine_of(one),
    )
    assert [line.kind for line in told] == [
        StoryKind.CHECK, StoryKind.READ, StoryKind.CORRECTED, StoryKind.WITHDRAWN, StoryKind.WORK,
    ]  # fmt: skip
    assert told[1].words == "read No. 1: 8 readings at 1a 1b 1c 1d 2a 2b 2c 2d"
    assert told[1].more == "with 2-3 in micrometer"
    assert told[2].words == "corrected No. 1 1a: 2.0374 in, was 2.0375 in"
    assert told[4].more == "9 readings made stale."


def test_what_does_not_hang_together_is_refused() -> None:
    """A repeat of nothing, a sitting that is not there, a check of an unknown gauge, a part this engine lacks."""
    one = job({"R1": ["2.0375"]}).model_dump()
    for change in (
        {"readings": [{**one["readings"][0], "repeats": "x"}]},
        {"readings": [{**one["readings"][0], "sitting": "x"}]},
        {"checks": [check("c", "2.0000", gauge="nobody").model_dump()]},
    ):
        with pytest.raises(ValueError, match=r"not there|not listed"):
            Job.model_validate({**one, **change})
    stray = Job.model_validate({**one, "operations": [done(OperationKind.GRIND, "R9").model_dump()]})
    assert "does not have" in faults_of_job(stray, CATALOGUE)[0]


@pytest.mark.parametrize(
    ("field", "value", "words"),
    [
        ("resolution", inches("2"), "between nothing and 1 mm"),
        ("most", inches("2.00005"), "larger than the whole range"),
        ("least", inches("3.5"), "ends before it begins"),
    ],
)
def test_a_cabinet_entry_that_cannot_be_is_refused(field: str, value: Length, words: str) -> None:
    good = {**MICROMETER.model_dump(), "least": inches("2"), "most": inches("3")}
    with pytest.raises(ValueError, match=words):
        Gauge.model_validate({**good, field: value})


def test_a_check_that_read_far_off_its_standard_is_refused() -> None:
    with pytest.raises(ValueError, match="more than 1 mm off"):
        check("c", "2.1000")


def test_a_finer_gauge_is_taken_for_what_it_brings() -> None:
    """By hand, GUM 4.3.7 recalled: 0.0004 in from its limit, a thou micrometer tells it to 1.645 × √(0.0005² / 3 +
    0.001² / 12), more than 0.0006; one to a tenth to 1.645 × √(0.0001² / 3 + 0.0001² / 12), a little over 0.0001.
    The step of the coarse one is gone with it."""
    close = job({**GOOD_ENGINE, "R2": ["2.0374"] * 8}, gauge=THOU_MIC, gauges=(THOU_MIC, MICROMETER))
    said = assess(close).part("R2").would_change
    assert any("Use a finer gauge, 2-3 in micrometer, for least size" in text for text in said), said
