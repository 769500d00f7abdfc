"""The one function: pure, whole, and the same in every unit."""

import random

from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.assess import assess
from halfthou.engines import usual_layouts
from halfthou.exchange import read_job, write_job
from halfthou.jobs import Job, JobFile, Look, Reading, Withdrawal
from halfthou.lengths import Length, Unit
from tests.making import GOOD_ENGINE, NOON, inches, job, layout, look, readings

journal_sizes = st.lists(st.integers(20_150, 20_379), min_size=0, max_size=8)


@st.composite
def jobs(draw: st.DrawFn) -> Job:
    sizes = {}
    for name in layout().shaft:
        ticks = draw(journal_sizes)
        lift = 3765 if name.startswith("M") else 0
        sizes[name] = [f"{(t + lift) // 10_000}.{(t + lift) % 10_000:04d}" for t in ticks]
    return job(sizes)


@settings(max_examples=40, deadline=None)
@given(jobs())
def test_the_unit_shown_changes_no_judgement(one: Job) -> None:
    inch, metric = assess(one), assess(one.model_copy(update={"shown_in": Unit.MM}))
    assert [(a.action, a.called, a.mark.code) for a in inch.parts] == [
        (a.action, a.called, a.mark.code) for a in metric.parts
    ]
    for ours, theirs in ((inch.of("rods"), metric.of("rods")), (inch.of("mains"), metric.of("mains"))):
        assert (ours.action, ours.step and ours.step.nm) == (
            theirs.action,
            theirs.step and theirs.step.nm,
        )


@settings(max_examples=40, deadline=None)
@given(jobs(), st.randoms())
def test_the_order_in_which_readings_land_changes_nothing(one: Job, chance: random.Random) -> None:
    shuffled = list(one.readings)
    chance.shuffle(shuffled)
    assert assess(one.model_copy(update={"readings": tuple(shuffled)})) == assess(one)


@settings(max_examples=25, deadline=None)
@given(jobs())
def test_a_file_gives_the_same_assessment_to_the_letter(one: Job) -> None:
    again = read_job(write_job(JobFile(job=one)))
    assert again.job == one
    assert assess(again.job).model_dump_json() == assess(one).model_dump_json()


@settings(max_examples=40, deadline=None)
@given(jobs())
def test_nothing_is_reused_by_a_missing_reading(one: Job) -> None:
    """Source: docs/trade: Authority of a limit: a missing reading is never zero and never passes."""
    for answer in assess(one).parts:
        if answer.to_read:
            assert answer.own_action.value not in ("reuse", "polish", "fit undersize")


def test_the_newest_reading_of_a_spot_counts_and_the_other_is_kept() -> None:
    """Source: docs/trade: Facts are only added."""
    one = job(GOOD_ENGINE)
    again = Reading(
        id="again", part="R1", spot="1a", count=inches("2.0300").nm, typed="2.0300", unit=Unit.INCH, gauge="mic",
        by="bench", at=NOON.replace(hour=13),
    )  # fmt: skip
    spot = assess(one.model_copy(update={"readings": (again, *one.readings)})).part("R1").spots[0]
    assert spot.current is not None
    assert spot.current.id == "again"
    assert [other.id for other in spot.others] == ["R1.1a"]


def test_a_withdrawn_or_corrected_reading_counts_no_more() -> None:
    one = job({"R1": ["2.0300", "2.0375"]})
    taken_back = Withdrawal(id="w", fact="R1.1a", by="bench", at=NOON)
    assert assess(one.model_copy(update={"withdrawals": (taken_back,)})).part("R1").spots[0].current is None
    mended = one.readings[0].model_copy(update={"id": "c", "count": inches("2.0375").nm, "corrects": "R1.1a"})
    corrected = one.model_copy(update={"readings": (*one.readings, mended)})
    spot = assess(corrected).part("R1").spots[0]
    assert (spot.current and spot.current.id, spot.others) == ("c", ())
    undone = corrected.model_copy(update={"withdrawals": (Withdrawal(id="u", fact="c", by="b", at=NOON),)})
    back = assess(undone).part("R1").spots[0].current
    assert back is not None
    assert back.id == "R1.1a"


def test_a_look_taken_back_is_not_seen() -> None:
    blue = look("R1", Look.HEAT, "blue")
    undone = look("R1", Look.HEAT, "not looked at").model_copy(update={"at": NOON.replace(hour=14)})
    found = assess(job(GOOD_ENGINE, seen=(blue, undone))).of("rods")
    assert found.action.value == "measure", "blue no more, and nobody has looked"
    assert assess(job(GOOD_ENGINE)).of("rods").action.value == "reuse"


def test_half_tenths_show_five_decimals_only_where_the_gauge_gives_them() -> None:
    """Source: docs/trade: Showing sizes."""
    one = job(GOOD_ENGINE)
    fine = one.gauges[0].model_copy(update={"resolution": Length(1270)})
    assert assess(one).decimals == 4
    assert assess(one.model_copy(update={"gauges": (fine,)})).decimals == 5


def test_every_usual_layout_can_be_judged() -> None:
    for known in usual_layouts():
        one = job()
        sheet = one.limits.model_copy(update={"layout": known})
        found = assess(one.model_copy(update={"limits": sheet}))
        assert [a.id for a in found.parts] == list(known.shaft)
        assert found.waits_for == "the first reading"


def test_a_v12_has_seven_mains_and_six_pins() -> None:
    """Source: docs/trade: Shared pins; common practice, no source."""
    twelve = layout("V twelve")
    assert (len(twelve.mains), len(twelve.rods), twelve.cylinders) == (7, 6, 12)


def test_whole_is_said_only_when_nothing_is_open() -> None:
    assert assess(job(GOOD_ENGINE)).whole
    assert not assess(job({**GOOD_ENGINE, "R4": []})).whole
    assert not assess(job({**GOOD_ENGINE, "R4": ["2.0371"] * 8})).whole
    assert len(readings({"R1": ["2.0375"]})) == 1
