"""Readings land in their state: batches, sittings, conflicts, work, answers to slips. Source: docs/trade: Facts are
only added, 8.13."""

from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from halfthou.jobs import Condition, Feature, Gauge, Operation, OperationKind, Reading, Sitting, SlipAnswer
from halfthou.lengths import Asked, Unit
from halfthou.verdicts import Action
from tests.making import inches
from tests.workshop.conftest import as_here, back, kept
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotAllowed, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.translate import job_file_of


def landing(gauge: Gauge, name: str, journal: str, spot: str, typed: str, **more: Any) -> actions.Landing:
    values: dict[str, Any] = {"unit": Unit.INCH, "gauge": gauge.id, "at": timezone.now()}
    return actions.Landing(**{"id": name, "part": journal, "spot": spot, "typed": typed, **values, **more})


@pytest.fixture
def batch(job: JobRecord, bench: Person, gauge: Gauge) -> Callable[..., list[actions.Landed]]:
    """Land readings together: (name, spot, text) each, of R1."""

    def land(*given: tuple[str, str, str], by: Person = bench, **more: Any) -> list[actions.Landed]:
        forms = [landing(gauge, name, "R1", spot, text, **more) for name, spot, text in given]
        return actions.land_readings(by, job.pk, forms)[1]

    return land


def test_a_thousand_kept_readings_land_once_in_order_with_their_own_time(
    job: JobRecord, bench: Person, gauge: Gauge
) -> None:
    """Sent twice, half of them twice in one letter: each lands once."""
    start = timezone.now() - timedelta(hours=2)
    spots = [f"{plane}{angle}" for plane in "12" for angle in "abcd"]
    forms = [
        landing(gauge, f"k{n}", f"R{n % 4 + 1}", spots[n % 8], "2.0375", at=start + timedelta(seconds=n))
        for n in range(1000)
    ]
    actions.land_readings(bench, job.pk, [*forms, *forms[:500]])
    actions.land_readings(bench, job.pk, forms)
    rows = [(one.id, one.at) for one in kept(job, Reading)]
    assert [key for key, _ in rows] == [form.id for form in forms]
    assert [at for _, at in rows] == [form.at for form in forms]


def test_one_that_is_asked_about_or_refused_holds_up_no_other(batch: Any, job: JobRecord) -> None:
    asked, refused, landed = batch(("a", "1a", "57.113"), ("b", "1b", "nonsense"), ("c", "1c", "2.0375"))
    assert isinstance(asked.asked, Asked)
    assert refused.refused is not None
    assert (landed.asked, landed.refused) == (None, None)
    assert [one.id for one in kept(job, Reading)] == ["c"]


def test_last_digits_in_a_batch_follow_the_readings_before_them(batch: Any, job: JobRecord) -> None:
    batch(("a", "1a", "2.0375"), ("b", "1b", "374"))
    assert [one.count for one in kept(job, Reading)] == [
        inches("2.0375").nm, inches("2.0374").nm,
    ]  # fmt: skip


def test_what_was_asked_and_chosen_stays_on_record(batch: Any, job: JobRecord) -> None:
    (first,) = batch(("a", "1a", "1.0375"))
    offered = first.asked.choices[0]
    assert offered.words == "2.0375 in: the frame or rod"
    batch(("a", "1a", "1.0375"), chosen_nm=offered.length.nm)
    row = kept(job, Reading)[-1]
    assert (row.typed, row.count, row.meant) == ("1.0375", inches("2.0375").nm, "2.0375 in: the frame or rod")


def test_a_conflict_is_shown_not_settled(batch: Any, job: JobRecord, machinist: Person, bench: Person) -> None:
    """A reading typed offline lands where somebody read meanwhile: both are kept, and that is said."""
    batch(("a", "1a", "2.0375"), by=machinist)
    (late,) = batch(("b", "1a", "2.0369"), seen=None)
    assert "was read by machinist meanwhile" in late.conflict
    found = actions.open_job(job.pk, bench).assessment.part("R1")
    assert any("stands twice" in reason.text for reason in found.contradictions)
    (knowing,) = batch(("c", "1a", "2.0369"), seen="b")
    assert knowing.conflict == ""


def test_temperatures_are_kept_with_the_readings_taken_at_them(batch: Any, job: JobRecord, bench: Person) -> None:
    warm = actions.SittingForm(id="s", part="95 F", gauge="20", condition=Condition.RESTED, at=timezone.now())
    batch(("a", "1a", "2.0375"), ("b", "1b", "2.0375"), sitting=warm)
    assert kept(job, Sitting)[-1].part_c == pytest.approx(35)
    assert actions.open_job(job.pk, bench).assessment.part("R1").spots[0].current.read == "2.0375"  # type: ignore[union-attr]


@pytest.mark.parametrize(("part", "words"), [("200", "no temperature to measure at"), ("hot", "is no temperature")])
def test_a_temperature_that_cannot_be_is_refused_and_nothing_lands(
    batch: Any, job: JobRecord, part: str, words: str
) -> None:
    (refused,) = batch(("a", "1a", "2.0375"), sitting=actions.SittingForm(id="s", part=part, at=timezone.now()))
    assert words in refused.refused.faults[0].what
    assert len(kept(job, Reading)) == len(kept(job, Sitting)) == 0


def test_a_repeat_must_be_of_the_same_spot(batch: Any) -> None:
    batch(("a", "1a", "2.0375"))
    (wrong,) = batch(("b", "1b", "2.0375"), repeats="a")
    assert isinstance(wrong.refused, NotThere)
    (good,) = batch(("c", "1a", "2.0377"), repeats="a")
    assert good.refused is None


def test_a_clock_that_runs_ahead_is_not_believed(batch: Any, job: JobRecord) -> None:
    batch(("a", "1a", "2.0375"), at=timezone.now() + timedelta(days=400))
    assert kept(job, Reading)[-1].at <= timezone.now()


@pytest.mark.parametrize("wrong", [timedelta(days=-30), timedelta(days=2), timedelta(seconds=-40)])
def test_a_bench_whose_clock_is_wrong_keeps_the_times_between_its_readings(
    job: JobRecord, bench: Person, gauge: Gauge, wrong: timedelta
) -> None:
    """Typed a minute apart and sent after another: they land two and one minutes ago by the server's clock."""
    now = timezone.now()
    forms = [
        landing(gauge, name, "R1", spot, "2.0375", at=now + wrong - timedelta(minutes=ago))
        for name, spot, ago in (("a", "1a", 2), ("b", "1b", 1))
    ]
    actions.land_readings(bench, job.pk, forms, actions.clock_off(now + wrong))
    first, second = (one.at for one in kept(job, Reading))
    assert second - first == timedelta(minutes=1)
    assert abs(now - timedelta(minutes=2) - first) < timedelta(seconds=2)


def test_a_slip_is_taken_or_kept_by_a_person_and_stays_on_record(
    batch: Any, job: JobRecord, bench: Person, machinist: Person
) -> None:
    batch(("a", "1a", "2.0375"), ("b", "1b", "2.0375"), ("c", "1c", "2.0125"), ("d", "1d", "2.0375"))
    doubt = actions.open_job(job.pk, bench).assessment.part("R1").spots[2].doubt
    assert doubt is not None
    reply = actions.SlipReply(id="s", reading="c", taken_nm=doubt.offers[0].meant.nm)
    found = actions.answer_slip(bench, job.pk, reply).assessment.part("R1").spots[2]
    assert found.size is not None
    assert (found.size.text, found.doubt) == ("2.0375", None)
    assert next(one for one in kept(job, Reading) if one.id == "c").count == inches("2.0125").nm
    assert kept(job, SlipAnswer)[-1].by == "bench"
    actions.answer_slip(bench, job.pk, reply)
    assert len(kept(job, SlipAnswer)) == 1
    told = [line.words for line in actions.story_of(machinist, job.pk)]
    assert "took 2.0375 for No. 1 1c: one turn of the thimble" in told


def test_only_what_was_offered_can_be_taken(batch: Any, job: JobRecord, bench: Person) -> None:
    batch(("a", "1a", "2.0375"), ("b", "1b", "2.0375"), ("c", "1c", "2.0125"), ("d", "1d", "2.0375"))
    with pytest.raises(Refusal, match="not offered"):
        actions.answer_slip(bench, job.pk, actions.SlipReply(id="s", reading="c", taken_nm=5))
    with pytest.raises(NotThere, match="any more"):
        actions.answer_slip(bench, job.pk, actions.SlipReply(id="s", reading="a"))


def test_another_persons_slip_is_not_answered_from_the_bench(
    batch: Any, job: JobRecord, bench: Person, machinist: Person
) -> None:
    readings = (("a", "1a", "2.0375"), ("b", "1b", "2.0375"), ("c", "1c", "2.0125"), ("d", "1d", "2.0375"))
    batch(*readings, by=machinist)
    reply = actions.SlipReply(id="s", reading="c")
    with pytest.raises(NotAllowed):
        actions.answer_slip(bench, job.pk, reply)


def test_one_answer_serves_a_whole_journal(job: JobRecord, bench: Person, gauge: Gauge, read_all: Any) -> None:
    read_all(R2=["2.0125"] * 8)
    doubt = actions.open_job(job.pk, bench).assessment.part("R2").spots[0].doubt
    assert doubt is not None
    assert doubt.throughout
    reply = actions.SlipReply(id="s", reading=doubt.reading, taken_nm=doubt.offers[0].meant.nm)
    found = actions.answer_slip(bench, job.pk, reply).assessment
    assert found.part("R2").action is Action.REUSE
    assert len(kept(job, SlipAnswer)) == 8


def test_a_grind_makes_what_it_touches_stale_once(job: JobRecord, bench: Person, read_all: Any) -> None:
    read_all()
    doing = actions.Doing(id="g", kind=OperationKind.GRIND, on="rods", step="10")
    with pytest.raises(Clash, match="32 readings are stale"):
        actions.do_operation(bench, job.pk, doing)
    doing = doing.model_copy(update={"sure": True})
    found = actions.do_operation(bench, job.pk, doing).assessment
    assert (len(found.part("R1").to_read), len(found.part("M1").to_read)) == (8, 0)
    assert found.of("rods").present_words == "0.010 under"
    actions.do_operation(bench, job.pk, doing)
    assert len(kept(job, Operation)) == 1
    assert len(kept(job, Reading)) == 72
    after = actions.take_back(bench, job.pk, back("back", "g")).assessment
    assert after.part("R1").to_read == ()
    assert after.of("rods").present_words == "standard"


@pytest.mark.parametrize(
    ("kind", "on", "undersize"),
    [
        (OperationKind.LINE_HONE, "rods", ""),
        (OperationKind.GRIND, "crank", ""),
        (OperationKind.GRIND, "rods", "much"),
    ],
)
def test_work_that_cannot_be_is_refused(
    job: JobRecord, bench: Person, kind: OperationKind, on: str, undersize: str
) -> None:
    doing = actions.Doing(id="g", kind=kind, on=on, step=undersize)
    with pytest.raises(Refusal) as refused:
        actions.do_operation(bench, job.pk, doing)
    assert refused.value.faults
    assert len(kept(job, Operation)) == 0


def test_a_bearing_bore_gives_a_measured_clearance_and_travels_in_the_file(
    batch: Any, job: JobRecord, bench: Person, client_of: Callable[[Person], Client]
) -> None:
    batch(*((f"j{n}", f"{n // 4 + 1}{'abcd'[n % 4]}", "2.0375") for n in range(8)))
    batch(("b", "1a", "2.0396"), part="bearing-rod-1", feature=Feature.BEARING_BORE, caps_torqued=True)
    file = job_file_of(JobRecord.objects.get(pk=job.pk))
    bore = file.job.readings[-1]
    assert (bore.feature, bore.caps_torqued) == (Feature.BEARING_BORE, True)
    csv = client_of(bench).get(f"/api/jobs/{job.pk}/readings.csv").content.decode()
    assert "bearing-rod-1,bearing bore,1a,51.80584,2.0396,in," in csv


def test_state_survives_the_job_file(batch: Any, job: JobRecord, bench: Person, machinist: Person) -> None:
    """Whole job in and out: sittings, work, answers and checks with it, and judged the same."""
    warm = actions.SittingForm(id="s", part="25", gauge="25", at=timezone.now())
    batch(("a", "1a", "2.0375"), ("b", "1b", "2.0375"), ("c", "1c", "2.0125"), ("d", "1d", "2.0375"), sitting=warm)
    actions.answer_slip(bench, job.pk, actions.SlipReply(id="k", reading="c"))
    doing = actions.Doing(id="g", kind=OperationKind.POLISH, on="mains", sure=True)
    before = actions.do_operation(bench, job.pk, doing).assessment
    text = job_file_of(JobRecord.objects.get(pk=job.pk)).model_dump_json()
    JobRecord.objects.filter(pk=job.pk).update(number="put aside")
    taken = actions.take_in_job(machinist, text)
    assert as_here(taken.assessment) == as_here(before)
