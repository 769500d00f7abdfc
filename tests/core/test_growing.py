"""What is told of a job from what is known of it, against telling it afresh; and staleness by feature against
staleness by reading. The plain way is what the short one is held against; nothing outside can be asked."""

from __future__ import annotations

from datetime import timedelta

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from pydantic import ValidationError

from halfthou.jobs import Job, Operation, OperationKind, Reading, Sitting
from halfthou.lengths import Unit
from halfthou.operations import made_stale, makes_stale
from tests.boring import bore_limits, bore_readings
from tests.conftest import examples
from tests.making import GOOD_ENGINE, MICROMETER, NOON, engine_of, inches, job, readings, sheet

PARTS = ("R1", "R2", "M1")
SPOTS = ("1a", "1b", "2c")
WORK = (
    (OperationKind.GRIND, "rods"), (OperationKind.POLISH, "R1"), (OperationKind.STRAIGHTEN, "crank"),
    (OperationKind.BORE, "bores"), (OperationKind.DECK, "block"), (OperationKind.LIGHT_HONE, "bore-2"),
    (OperationKind.NEW_SHELLS, "mains"), (OperationKind.FINAL_WASH, "block"),
)  # fmt: skip
minutes = st.integers(0, 120)


def reading(name: str, part: str, spot: str, at: int, **more: object) -> Reading:
    values = {
        "id": name, "part": part, "spot": spot, "count": inches("2.0375").nm, "typed": "2.0375", "unit": Unit.INCH,
        "gauge": MICROMETER.id, "by": "bench", "at": NOON + timedelta(minutes=at), **more,
    }  # fmt: skip
    return Reading.model_validate(values)


taken = st.tuples(
    st.sampled_from(PARTS), st.sampled_from(SPOTS), minutes, st.sampled_from(["", "corrects", "repeats"])
)


@settings(max_examples=examples(80), deadline=None)
@given(st.lists(st.lists(taken, min_size=1, max_size=4), min_size=1, max_size=6))
def test_a_job_that_grew_is_the_job_put_together_anew(letters: list[list[tuple[str, str, int, str]]]) -> None:
    grown = job({"R1": GOOD_ENGINE["R1"]})
    count = 0
    for letter in letters:
        new: list[Reading] = []
        for part, spot, at, link in letter:
            count += 1
            before = [r for r in (*grown.readings, *new) if (r.part, r.spot) == (part, spot)]
            links = {link: before[-1].id} if link and before else {}
            new.append(reading(f"n{count}", part, spot, at, **links))
        grown = grown.with_more(tuple(new), (), ())
    anew = Job.model_validate_json(grown.model_dump_json())
    assert grown == anew
    assert grown.standing_by_part == anew.standing_by_part
    assert grown.standing_readings == anew.standing_readings
    assert grown.gauges_used == anew.gauges_used
    assert grown.read_between == anew.read_between


@pytest.mark.parametrize(
    ("new", "what"),
    [
        (reading("x", "R1", "1a", 1, gauge="gone"), "which is not listed"),
        (reading("x", "R1", "1a", 1, corrects="gone"), "which is not there"),
        (reading("x", "R1", "1a", 1, repeats="x"), "which is not there"),
        (reading("x", "R2", "1a", 1, corrects="R1.1a"), "which was taken elsewhere"),
        (reading("x", "R1", "1a", 1, sitting="gone"), "which is not there"),
        (reading("x", "R1", "1a", 1, setting="gone"), "which is not there"),
    ],
)
def test_what_does_not_hang_together_is_refused_as_it_is_of_a_whole_job(new: Reading, what: str) -> None:
    one = job({"R1": GOOD_ENGINE["R1"]})
    with pytest.raises(ValidationError, match=what):
        one.with_more((new,), (), ())
    with pytest.raises(ValidationError, match=what):
        Job.model_validate(one.model_copy(update={"readings": (*one.readings, new)}).model_dump())


def test_a_sitting_comes_with_its_reading() -> None:
    warm = Sitting(id="s", part_c=30.0, by="bench", at=NOON)
    one = job({"R1": GOOD_ENGINE["R1"]}).with_more((reading("x", "R1", "1a", 1, sitting="s"),), (warm,), ())
    assert (one.sittings, one.readings[-1].sitting) == ((warm,), "s")


@settings(max_examples=examples(60), deadline=None)
@given(
    st.lists(st.tuples(st.sampled_from(WORK), minutes), min_size=1, max_size=5),
    st.lists(minutes, min_size=1, max_size=40),
)
def test_staleness_by_feature_is_staleness_reading_by_reading(
    works: list[tuple[tuple[OperationKind, str], int]], times: list[int]
) -> None:
    limits = sheet()
    limits = limits.model_copy(update={"sets": {**limits.sets, "bores": bore_limits()}})
    crank, block = readings(GOOD_ENGINE), bore_readings(dict.fromkeys(range(1, 5), ["4.0003"] * 6))
    read = tuple(
        one.model_copy(update={"at": NOON + timedelta(minutes=times[n % len(times)])})
        for n, one in enumerate((*crank, *block))
    )
    engine = engine_of(job(limits=limits, scope=("mains", "rods", "bores")))
    done = [
        Operation(id=f"o{n}", kind=kind, on=on, by="bench", at=NOON + timedelta(minutes=at))
        for n, ((kind, on), at) in enumerate(works)
    ]
    plain = {one.id: sum(makes_stale(one, each, engine) for each in read) for one in done}
    assert made_stale(done, read, engine) == plain
