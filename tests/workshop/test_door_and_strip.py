"""From the door to the strip through the workshop: one door for every fact, refusals in words, the hand-over."""

from __future__ import annotations

from collections.abc import Callable
from datetime import date
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from halfthou.exchange import read_job, write_job
from halfthou.jobs import Gauge
from halfthou.lengths import Unit
from workshop.house.actions import HouseRulesForm, keep_rules
from workshop.house.looks import LookTableForm, keep_looks, look_table_in_force
from workshop.jobs import actions
from workshop.jobs.rack import RackOrder, read_rack
from workshop.limits.models import SheetRevision
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotAllowed, Refusal
from workshop.record.models import JobRecord, Stage
from workshop.record.translate import job_file_of

READ: dict[str, Any] = {
    "statement": actions.Telling, "seen": actions.Seeing, "stop point": actions.SettingStop,
    "way on": actions.ChoosingWay, "step": actions.DoingStep, "mark": actions.MarkingPart,
    "laying": actions.LayingPart, "removal": actions.TakingOut, "fastener": actions.SeeingFastener,
    "fragment": actions.FindingFragment, "closing": actions.ClosingEnd, "hand over": actions.HandingOver,
    "withdrawal": actions.TakingBack,
}  # fmt: skip
Told = Callable[..., actions.Landed]


@pytest.fixture
def tell(bench: Person, job: JobRecord) -> Told:
    """Report one fact as a page does; what became of it."""
    count = iter(range(1, 1000))

    def one(fact: str, by: Person = bench, **said: Any) -> actions.Landed:
        of = said.pop("job", job.pk)
        given = READ[fact].model_validate({"id": f"t{next(count)}", "at": timezone.now(), **said})
        _, (landed,) = actions.land_facts(by, of, [given])
        return landed

    return one


def refusal(landed: actions.Landed) -> str:
    assert landed.refused is not None
    return landed.refused.code


def test_only_a_name_is_needed_to_book_in(bench: Person) -> None:
    given = actions.BookIn(title="Engine in a crate", entry_unit=Unit.MM, booked_in=date(2031, 5, 4))
    opened = actions.book_in(bench, given)
    assert opened.record.waits_for == "which engine it is, and its limits"
    assert not opened.assessment.whole
    assert read_rack("crate", RackOrder.DUE, archived=False, page=1).total == 1
    file = job_file_of(opened.record)
    assert read_job(write_job(file)) == file


def test_an_engine_named_later_is_judged_by_its_limits(
    bench: Person, machinist: Person, limits: SheetRevision, tell: Told
) -> None:
    given = actions.BookIn(title="Engine in a crate", entry_unit=Unit.INCH, booked_in=date(2031, 5, 4))
    crate = actions.book_in(bench, given).record
    step = actions.DoingStep(id="s1", step="oil.drained", at=timezone.now())
    _, (landed,) = actions.land_facts(bench, crate.pk, [step])
    assert refusal(landed) == "no-engine"
    opened = actions.take_up_limits(machinist, crate.pk, limits.pk)
    assert [one.set for one in opened.assessment.sets] == ["mains", "rods"]


def test_what_was_said_at_booking_lands_with_it(bench: Person, limits: SheetRevision) -> None:
    now = timezone.now()
    given = actions.BookIn(
        title="Ferry", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4),
        told=[actions.Telling(id="a", topic="hours", answer="6,210 h", source="meter", at=now),
              actions.Telling(id="b", topic="hours", answer="4,500 h", source="foreman", at=now)],
        stops=[actions.SettingStop(id="c", name="at 600", spend="600", at=now)],
    )  # fmt: skip
    job = actions.book_in(bench, given).job
    assert [one.answer for one in job.statements] == ["6,210 h", "4,500 h"]
    assert [one.spend for one in job.stop_points] == [60_000]


def test_a_booking_with_a_bad_answer_is_refused_whole(bench: Person, limits: SheetRevision) -> None:
    given = actions.BookIn(
        title="Ferry", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4),
        told=[actions.Telling(id="a", topic="turns by hand", answer="sideways", at=timezone.now())],
    )  # fmt: skip
    with pytest.raises(Refusal, match="sideways"):
        actions.book_in(bench, given)
    assert not JobRecord.objects.exists()


def test_sent_twice_a_fact_lands_once_and_its_name_is_its_own(bench: Person, job: JobRecord, tell: Told) -> None:
    said = {"id": "x", "topic": "turns by hand", "answer": "locked"}
    assert tell("statement", **said).refused is None
    assert tell("statement", **said).refused is None
    assert actions.open_job(job.pk, bench).job.statements[0].answer == "locked"
    assert len(actions.open_job(job.pk, bench).job.statements) == 1
    assert refusal(tell("fragment", id="x", place="pan", what="chip")) == "name-taken"


@pytest.mark.parametrize(
    ("fact", "said", "code"),
    [
        ("statement", {"topic": "turns by hand", "answer": "sideways"}, "bad-answer"),
        ("statement", {"topic": "hours", "answer": "  "}, "bad-answer"),
        ("seen", {"look": "tea leaves", "answer": "looked, nothing"}, "no-look"),
        ("seen", {"look": "screen", "answer": "found", "note": " "}, "bad-look"),
        ("stop point", {"name": "nowhere"}, "bad-stop"),
        ("stop point", {"name": "both", "spend": "600", "before": "heads"}, "bad-stop"),
        ("stop point", {"name": "at", "spend": "six hundred"}, "bad-stop"),
        ("step", {"step": "rod-9.out"}, "no-step"),
        ("step", {"step": "cap-rod-1.off"}, "held"),
        ("step", {"step": "cap-rod-1.off", "covers": "off already"}, "mark-first"),
        ("mark", {"part": "cap-rod-9", "mark": "9", "found": True}, "no-place"),
        ("mark", {"part": "cap-rod-1", "mark": " ", "found": True}, "bad-mark"),
        ("laying", {"part": "rod-1", "pocket": "  "}, "bad-pocket"),
        ("removal", {"what": "", "place": "block"}, "bad-fact"),
        ("fastener", {"place": "head", "new_length": "2.25"}, "bad-fastener"),
        ("fastener", {"place": "head", "new_length": "2.25", "length": "long"}, "bad-fastener"),
        ("fastener", {"place": "head", "gauge": "none-such"}, "bad-fastener"),
        ("closing", {"of": "nothing", "how": "renewed"}, "no-end"),
        ("withdrawal", {"of": "nothing"}, "no-fact"),
    ],
)  # fmt: skip
def test_what_does_not_fit_is_refused_in_words(tell: Told, fact: str, said: dict[str, Any], code: str) -> None:
    landed = tell(fact, **said)
    assert refusal(landed) == code
    assert str(landed.refused).strip().endswith((".", "?"))


def test_a_cap_leaves_its_place_only_with_its_mark(bench: Person, job: JobRecord, tell: Told) -> None:
    """Common practice, no source."""
    assert refusal(tell("step", step="cap-rod-1.off")) == "held"
    assert refusal(tell("step", step="cap-rod-1.off", covers="off already")) == "mark-first"
    landed = tell("step", step="cap-rod-1.off", covers="off already", mark=True, felt=["force needed"])
    assert landed.refused is None
    known = actions.open_job(job.pk, bench).job
    assert [(one.part, one.mark, one.found) for one in known.markings] == [("cap-rod-1", "1", False)]
    done = {one.step: one for one in known.steps_done}
    assert done["cap-rod-1.off"].felt[0].value == "force needed"
    assert done["pan.off"].off_already
    assert refusal(tell("step", step="cap-rod-1.off")) == "done-already"


def test_what_a_step_destroys_is_asked_for_first(bench: Person, job: JobRecord, tell: Told) -> None:
    """Common practice, no source: look and photograph before you clean."""
    tell("statement", topic="complaint kind", answer="low pressure")
    landed = tell("step", step="wash.pan")
    assert refusal(landed) == "look-first"
    assert any("screen" in fault.what for fault in landed.refused.faults)  # type: ignore[union-attr]
    tell("seen", look="screen", answer="found", note="half closed by carbon")
    tell("seen", look="oil drained", answer="looked, nothing")
    left = {fault.what for fault in tell("step", step="wash.pan").refused.faults}  # type: ignore[union-attr]
    assert left == {
        "Not looked at yet: What lay in screen and pan.",
        "Not looked at yet: Pickup seal beside a new one.",
    }
    tell("seen", look="in the screen", answer="carbon")
    assert refusal(tell("step", step="wash.pan", unseen=True)) == "say-why"
    assert tell("step", step="wash.pan", unseen=True, because="the seal was thrown away").refused is None
    assert any("the seal was thrown away" in line.words for line in actions.story_of(bench, job.pk))


def test_the_table_is_asked_by_the_complaint(tell: Told) -> None:
    """Level and sample before draining, where the complaint makes them tell; nothing of an engine that has none.
    Common practice, no source."""
    tell("step", step="stand.photographed")
    assert tell("step", step="stand.washed").refused is None
    tell("statement", topic="complaint kind", answer="metal found")
    asked = {fault.what for fault in tell("step", step="oil.drained").refused.faults}  # type: ignore[union-attr]
    assert "Not looked at yet: Oil sample: say at the Door whether it is drawn." in asked
    tell("statement", topic="complaint kind", answer="low pressure")
    asked = {fault.what for fault in tell("step", step="oil.drained").refused.faults}  # type: ignore[union-attr]
    assert {"Not looked at yet: Oil level on arrival.", "Not looked at yet: Oil as it looks and smells."} <= asked
    tell("statement", topic="oil on arrival", answer="level right")
    asked = {fault.what for fault in tell("step", step="oil.drained").refused.faults}  # type: ignore[union-attr]
    assert "Not looked at yet: Oil level on arrival." not in asked


def test_what_holds_a_step_is_off_first(bench: Person, job: JobRecord, tell: Told) -> None:
    """An upper half leaves after its rod; what came off before is said. Common practice, no source."""
    assert refusal(tell("step", step="half-rod-1-upper.out", mark=True)) == "held"
    assert refusal(tell("step", step="rod-1.out", mark=True)) == "held"
    assert refusal(tell("step", step="rod-1.out", mark=True, covers="all the same")) == "say-why"
    assert refusal(tell("step", step="rod-1.out", mark=True, covers="off already")) == "do-first"
    why = "no ridge: seen with the lamp"
    assert tell("step", step="rod-1.out", mark=True, covers="off already", because=why).refused is None
    assert tell("step", step="half-rod-1-upper.out").refused is None
    known = {one.step: one for one in actions.open_job(job.pk, bench).job.steps_done}
    assert known["cap-rod-1.off"].off_already
    assert not known["rod-1.out"].off_already
    assert any("it was off already" in line.words for line in actions.story_of(bench, job.pk))


def test_two_people_who_mark_one_cap_are_told(machinist: Person, tell: Told) -> None:
    tell("mark", part="cap-rod-2", mark="2", found=False)
    landed = tell("mark", by=machinist, part="cap-rod-2", mark="7", found=False)
    assert refusal(landed) == "mark-taken"
    assert "by bench already" in str(landed.refused)
    assert refusal(tell("mark", part="cap-rod-3", mark="2", found=False)) == "mark-taken"


def test_one_pocket_holds_one_part(tell: Told) -> None:
    tell("step", step="rod-1.marked", covers="off already")
    tell("step", step="cap-rod-1.off")
    tell("laying", part="cap-rod-1", pocket="Tray 2, pocket 4")
    landed = tell("laying", part="rod-2", pocket="tray 2,  pocket 4")
    assert refusal(landed) == "pocket-taken"
    assert "Cap of rod 1 lies in" in str(landed.refused)


def test_stopping_is_a_machinists_decision_on_record(
    bench: Person, machinist: Person, job: JobRecord, tell: Told
) -> None:
    tell("seen", id="found", look="heads", answer="found", ends=True, note="block split")
    record = JobRecord.objects.get(pk=job.pk)
    assert record.waits_for.startswith("the customer")
    assert record.stage == Stage.STRIPPING
    said = {"point": "found", "on": False, "reason": "customer told by telephone"}
    assert refusal(tell("way on", **said)) == "not-allowed"
    assert tell("way on", by=machinist, **said).refused is None
    assert JobRecord.objects.get(pk=job.pk).waits_for == "the hand-over: it was stopped"
    assert any("customer told" in line.words for line in actions.story_of(bench, job.pk))


def test_the_engine_leaves_only_when_nothing_bars_it(machinist: Person, job: JobRecord, tell: Told) -> None:
    tell("removal", id="tube", what="dip tube", place="block")
    tell("fastener", id="hole", place="bell housing", state="hole found empty")
    tell("fragment", id="chip", place="pan", what="grey chip")
    landed = tell("hand over", by=machinist, to="the driver")
    assert refusal(landed) == "still-open"
    assert len(landed.refused.faults) == 2  # type: ignore[union-attr]
    assert refusal(tell("closing", of="chip", how="back in its place")) == "bad-closing"
    assert refusal(tell("closing", of="tube", how="goes along loose")) == "no-words"
    tell("closing", of="tube", how="back in its place")
    assert refusal(tell("closing", of="tube", how="renewed")) == "closed-already"
    tell("closing", of="hole", how="renewed")
    assert refusal(tell("hand over", by=machinist, to="the driver")) == "no-words"
    assert tell("hand over", id="gone", by=machinist, to="the driver", words="chip not known").refused is None
    assert JobRecord.objects.get(pk=job.pk).stage == Stage.HANDED_OVER
    assert refusal(tell("statement", topic="turns by hand", answer="free")) == "handed-over"


def test_a_hand_over_taken_back_opens_the_job_again(machinist: Person, job: JobRecord, tell: Told) -> None:
    tell("hand over", id="gone", by=machinist, to="the driver")
    landed = tell("withdrawal", by=machinist, of="gone")
    assert landed.refused is None
    assert JobRecord.objects.get(pk=job.pk).stage != Stage.HANDED_OVER
    assert tell("statement", topic="turns by hand", answer="free").refused is None


def test_caps_that_are_no_pair_reach_rack_sheet_and_bench(
    bench: Person, job: JobRecord, tell: Told, read_all: Callable[..., None], client_of: Callable[[Person], Client]
) -> None:
    """Common practice, no source."""
    read_all()
    tell("mark", part="rod-3", mark="3", found=True)
    tell("mark", part="cap-rod-3", mark="1", found=True)
    opened = actions.open_job(job.pk, bench)
    assert opened.assessment.part("R3").mark.code.value != "reuse"
    assert opened.record.doubts > 0
    page = client_of(bench).get(f"/api/jobs/{job.pk}/sheet.html").content.decode()
    assert "they are no pair" in page


def test_all_of_it_goes_round_in_a_file_and_comes_in_elsewhere(
    bench: Person, machinist: Person, job: JobRecord, gauge: Gauge, tell: Told
) -> None:
    tell("statement", topic="hours", answer="6,210 h", source="meter")
    tell("seen", look="filter", answer="found", note="copper")
    tell("stop point", id="stop", name="at 1", spend="1")
    tell("way on", by=machinist, point="stop", on=True, reason="agreed")
    tell("step", step="rod-1.marked", covers="off already")
    tell("step", step="cap-rod-1.off", felt=["step at the joint"])
    tell("laying", part="cap-rod-1", pocket="tray 1")
    tell("removal", id="tube", what="dip tube", place="block")
    tell("closing", of="tube", how="back in its place")
    tell("fastener", place="rod 1", kind="stretch bolt", new_length="2.2500", length="2.2501", gauge=gauge.id)
    tell("fragment", place="pan", what="chip", magnetic=True)
    file = job_file_of(JobRecord.objects.get(pk=job.pk))
    text = write_job(file)
    assert read_job(text) == file
    came = actions.take_in_job(machinist, text.replace('"number": "1"', '"number": "901"'))
    here, there = file.job, came.job
    for field in ("statements", "seen", "stop_points", "ways_on", "steps_done", "markings", "layings",
                  "removals", "closings", "fasteners", "fragments"):  # fmt: skip
        assert len(getattr(there, field)) == len(getattr(here, field)) > 0, field
        assert all(one.by.endswith("(elsewhere)") for one in getattr(there, field))


def test_the_owner_keeps_the_table_of_looks(
    owner: Person, machinist: Person, job: JobRecord, bench: Person
) -> None:
    table = look_table_in_force()
    dear = table.model_copy(update={"hour": 12_000, "currency": "CHF"})
    with pytest.raises(NotAllowed):
        keep_looks(machinist, LookTableForm(table=dear))
    assert keep_looks(owner, LookTableForm(table=dear)).confirmed
    with pytest.raises(Clash, match="meanwhile"):
        keep_looks(owner, LookTableForm(table=dear))
    assert actions.open_job(job.pk, bench).job.look_table is not None
    without = table.model_copy(update={"looks": table.looks[:-1]})
    with pytest.raises(Refusal, match="only their figures"):
        keep_looks(owner, LookTableForm(version=1, table=without))


def test_an_hour_for_a_fortune_is_asked_about(owner: Person) -> None:
    table = look_table_in_force().model_copy(update={"hour": 8_500_000})
    with pytest.raises(Refusal):
        keep_looks(owner, LookTableForm(table=table))


def test_the_schools_of_the_strip_are_house_rules(owner: Person, client_of: Callable[[Person], Client]) -> None:
    form = client_of(owner).get("/api/house-rules").json()
    assert (form["strip_far"], form["stretch_bolts"], form["keep_shells"]) == ("everything", "always new", True)
    given = HouseRulesForm(**{**form, "stretch_bolts": "by measured stretch", "bolt_growth": "0.02 mm"})
    rules = keep_rules(owner, given)
    assert rules.bolt_growth.nm == 20_000
    assert client_of(owner).get("/api/house-rules").json()["bolt_growth"] == "0.02 mm"


@pytest.mark.parametrize("view", ["door", "looks", "strip", "pictures"])
def test_every_view_before_the_bench_opens(
    job: JobRecord, bench: Person, tell: Told, client_of: Callable[[Person], Client], view: str
) -> None:
    tell("statement", topic="complaint kind", answer="knock")
    answer = client_of(bench).get(f"/api/jobs/{job.pk}/{view}")
    assert answer.status_code == 200
    assert Client().get(f"/api/jobs/{job.pk}/{view}").status_code == 401


def test_the_rack_stands_in_the_order_of_the_work(
    bench: Person, machinist: Person, job: JobRecord, limits: SheetRevision, tell: Told
) -> None:
    booked = actions.BookIn(title="Next", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4))
    gone = actions.book_in(bench, booked).record
    tell("hand over", by=machinist, job=gone.pk, to="the driver")
    actions.book_in(bench, booked)
    tell("step", step="stand.photographed")
    stages = [line.stage for line in read_rack("", RackOrder.STAGE, archived=False, page=1).jobs]
    assert stages == [Stage.BOOKED_IN, Stage.STRIPPING, Stage.HANDED_OVER]
