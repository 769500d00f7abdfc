"""A person decides; a signature freezes. Source: docs/trade: Facts are only added, 8.3, 8.6 and 8.12."""

from collections.abc import Callable
from typing import Any

import pytest
from django.utils import timezone

from halfthou.exchange import BadFile, read_job, write_job
from halfthou.jobs import DecisionKind, JournalSet, Reading
from halfthou.report import Assessment
from halfthou.verdicts import Action
from tests.making import inches
from tests.workshop.conftest import as_here, kept
from workshop.house.actions import keep_rules
from workshop.jobs import actions
from workshop.limits.actions import change_sheet, copy_sheet
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotAllowed, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.translate import job_file_of

from .conftest import counted, form_of, sheet_form
from .test_shop import rules

WORN = ["2.0330", "2.0353", "2.0376", "2.0353"] * 2


def deciding(kind: DecisionKind, journal_set: JournalSet = JournalSet.RODS, **more: Any) -> actions.Deciding:
    return actions.Deciding(id=f"d{next(counted)}", kind=kind, set=journal_set, at=timezone.now(), **more)


def accept(who: Person, job: JobRecord, *sets: JournalSet) -> None:
    for journal_set in sets or tuple(JournalSet):
        actions.decide(who, job.pk, deciding(DecisionKind.ACCEPTED, journal_set))


def test_only_a_machinist_or_the_owner_decides(job: JobRecord, read_all: Any, bench: Person) -> None:
    read_all()
    with pytest.raises(NotAllowed):
        accept(bench, job)


def test_an_accepted_verdict_keeps_its_words(job: JobRecord, read_all: Any, machinist: Person) -> None:
    read_all(R3=WORN)
    accept(machinist, job)
    row = job.decisions.get(set="rods")
    assert (row.action, row.step_nm, row.by) == ("regrind", inches("0.010").nm, "machinist")
    assert "No. 3 sets the size" in row.words


def test_a_set_not_all_read_is_accepted_only_with_waivers(job: JobRecord, read_all: Any, machinist: Person) -> None:
    """Source: docs/trade: A set not all read."""
    read_all(R4=[])
    with pytest.raises(Refusal, match=r"No\. 4 must be read first"):
        accept(machinist, job, JournalSet.RODS)
    with pytest.raises(Refusal, match="why"):
        actions.decide(machinist, job.pk, deciding(DecisionKind.WAIVED, part="R4"))
    with pytest.raises(Refusal, match="not read whole"):
        actions.decide(machinist, job.pk, deciding(DecisionKind.WAIVED, part="R1", reason="no time"))
    actions.decide(machinist, job.pk, deciding(DecisionKind.WAIVED, part="R4", reason="pin seized in its rod"))
    accept(machinist, job, JournalSet.RODS)
    assert job.decisions.filter(kind="accepted").exists()


def test_what_is_too_close_to_call_cannot_be_accepted(job: JobRecord, read_all: Any, machinist: Person) -> None:
    read_all(R4=["2.0371"] * 8)
    with pytest.raises(Refusal, match="Settle the doubt"):
        accept(machinist, job, JournalSet.RODS)


def test_an_override_needs_an_action_a_size_and_a_reason(job: JobRecord, read_all: Any, machinist: Person) -> None:
    read_all()
    with pytest.raises(Refusal) as refused:
        actions.decide(machinist, job.pk, deciding(DecisionKind.OVERRIDDEN))
    assert {fault.where for fault in refused.value.faults} == {"reason", "action"}
    with pytest.raises(Refusal) as refused:
        actions.decide(
            machinist,
            job.pk,
            deciding(DecisionKind.OVERRIDDEN, action=Action.REGRIND, reason="matched to its twin"),
        )
    assert refused.value.faults[0].where == "step"
    given = deciding(DecisionKind.OVERRIDDEN, action=Action.REGRIND, step="10", reason="matched to its twin")
    actions.decide(machinist, job.pk, given)
    row = job.decisions.get()
    assert row.step_nm == inches("0.010").nm
    assert "instead of reuse" in row.words


def test_signing_needs_both_sets_decided_as_they_stand(
    job: JobRecord, read_all: Any, land: Callable[..., Any], machinist: Person
) -> None:
    read_all()
    with pytest.raises(Clash, match="not decided yet"):
        actions.sign(machinist, job.pk)
    accept(machinist, job)
    for spot in ("1a", "2a"):
        land("R2", spot, "2.0340")
    with pytest.raises(Clash, match="Decide again"):
        actions.sign(machinist, job.pk)


def test_nothing_is_signed_on_a_word_that_did_not_know_what_was_found_since(
    job: JobRecord, read_all: Any, machinist: Person
) -> None:
    """The verdict is the same, and the word all the same is not about it. Rule: sets.word-covers."""
    read_all(R3=WORN)
    accept(machinist, job)
    found = actions.Seeing(id="s1", on="R1", look="half bearings", answer="not to go back", at=timezone.now())
    opened = actions.see(machinist, job.pk, found)
    assert opened.assessment.of("rods").headline == "regrind, 0.010 under"
    with pytest.raises(Clash, match="something was found since"):
        actions.sign(machinist, job.pk)
    accept(machinist, job, JournalSet.RODS)
    actions.sign(machinist, job.pk)


def test_a_signed_sheet_is_frozen(
    job: JobRecord, read_all: Any, land: Callable[..., Any], machinist: Person, owner: Person
) -> None:
    read_all()
    accept(machinist, job)
    opened = actions.sign(machinist, job.pk)
    assert opened.record.stage == "signed"
    words = opened.assessment.model_dump(mode="json")
    assert job.signatures.get().sheet["assessment"] == words
    with pytest.raises(Clash, match="withdraw the signature"):
        land("R2", "1a", "2.0340")
    with pytest.raises(Clash, match="Copy it"):
        change_sheet(machinist, opened.record.limits_id or 0, sheet_form())
    with pytest.raises(NotAllowed, match="owner"):
        actions.withdraw_signature(machinist, job.pk, "a slip")
    actions.withdraw_signature(owner, job.pk, "a slip")
    land("R2", "1a", "2.0340")
    assert job.signatures.get().sheet["assessment"] == words


def test_each_signature_is_a_new_revision(job: JobRecord, read_all: Any, machinist: Person, owner: Person) -> None:
    read_all()
    accept(machinist, job)
    actions.sign(machinist, job.pk)
    actions.withdraw_signature(owner, job.pk, "a slip")
    actions.sign(machinist, job.pk)
    assert [row.revision for row in job.signatures.order_by("revision")] == [1, 2]
    assert [bool(row.withdrawn_at) for row in job.signatures.order_by("revision")] == [True, False]


def test_a_decision_can_be_taken_back_and_stays_in_the_record(
    job: JobRecord, read_all: Any, machinist: Person
) -> None:
    read_all()
    accept(machinist, job)
    actions.take_back_decision(machinist, job.pk, JournalSet.RODS, "")
    with pytest.raises(Clash):
        actions.sign(machinist, job.pk)
    assert job.decisions.filter(set="rods").count() == 2


def test_a_job_may_take_up_a_newer_revision_of_its_limits(job: JobRecord, read_all: Any, machinist: Person) -> None:
    read_all(R1=["2.0366"] * 8)
    assert actions.open_job(job.pk, machinist).assessment.of("rods").action is Action.REGRIND
    newer = copy_sheet(machinist, job.limits_id or 0)
    form = sheet_form()
    form_of(form, "rods").figures[0].least = "2.0360"
    form.version = newer.version
    change_sheet(machinist, newer.pk, form)
    opened = actions.take_up_limits(machinist, job.pk, newer.pk)
    assert opened.assessment.of("rods").action is Action.REUSE
    assert opened.job.limits.revision == 2


def undecided(found: Assessment) -> Assessment:
    """The assessment as nobody here has decided on it."""
    sets = tuple(one.model_copy(update={"decided": False}) for one in found.sets)
    return found.model_copy(update={"sets": sets, "decided": False, "work": ()})


def test_a_whole_job_travels_and_its_signature_is_made_elsewhere(
    job: JobRecord, read_all: Any, machinist: Person
) -> None:
    """What a file says of people was made elsewhere and decides nothing here until it is taken up."""
    read_all(R3=WORN)
    accept(machinist, job)
    actions.sign(machinist, job.pk)
    text = write_job(job_file_of(JobRecord.objects.get(pk=job.pk)))
    with pytest.raises(Clash, match="already"):
        actions.take_in_job(machinist, text)
    there = actions.open_job(job.pk, machinist).assessment
    JobRecord.objects.filter(pk=job.pk).update(number="elsewhere")
    here = actions.take_in_job(machinist, text)
    assert as_here(here.assessment) == as_here(undecided(there))
    assert not here.assessment.decided
    assert {row.made_elsewhere for row in here.record.decisions.all()} == {True}
    assert all(reading.by == "bench (elsewhere)" for reading in here.job.readings)
    assert here.record.signatures.get().made_elsewhere
    assert here.record.stage != "signed"
    again = job_file_of(JobRecord.objects.get(pk=here.record.pk))
    assert [r.size for r in again.job.readings] == [r.size for r in read_job(text).job.readings]
    for row in here.record.decisions.all():
        taken_up = actions.take_up_decision(machinist, here.record.pk, row.key)
    assert taken_up.assessment.decided


def test_nothing_of_a_bad_file_is_taken(job: JobRecord, bench: Person) -> None:
    before = JobRecord.objects.count()
    with pytest.raises(BadFile):
        actions.take_in_job(bench, '{"format": "halfthou-job", "version": 1, "job": {}}')
    with pytest.raises(BadFile):
        actions.take_in_readings(bench, job.pk, "journal,spot,size [in]\nR1,1a,2.0371\nR1,1b,x\n", "")
    assert (JobRecord.objects.count(), len(kept(job, Reading))) == (before, 0)


def test_an_archived_job_rests_until_brought_back(
    job: JobRecord, land: Callable[..., Any], machinist: Person
) -> None:
    actions.archive_job(machinist, job.pk, archived=True)
    with pytest.raises(Clash, match="Bring it back"):
        land("R1", "1a", "371")
    actions.archive_job(machinist, job.pk, archived=False)
    land("R1", "1a", "371")
    assert len(kept(job, Reading)) == 1


def pick(who: Person, job: JobRecord, way: str, **more: Any) -> Any:
    return actions.decide(
        who, job.pk, deciding(DecisionKind.OVERRIDDEN, way=way, **{"reason": "owner asked", **more})
    )


def test_a_way_that_is_picked_decides_each_journal_and_goes_out_and_in_with_the_file(
    job: JobRecord, read_all: Any, machinist: Person, owner: Person
) -> None:
    """Common practice, no source: one pin alone a size down, where the house lets journals of a set differ."""
    read_all(R3=WORN)
    alone = f"alone {inches('0.010').nm}"
    with pytest.raises(Refusal, match="the house keeps one size for a set"):
        pick(machinist, job, alone)
    keep_rules(owner, rules(".0003").model_copy(update={"mixed_sizes": True}))
    with pytest.raises(Refusal, match="not written down yet"):
        pick(machinist, job, alone, reason=" ")
    with pytest.raises(NotThere, match="no such way on any more"):
        pick(machinist, job, f"alone {inches('0.015').nm}")
    found = pick(machinist, job, alone).assessment
    assert found.of("rods").headline == "decided: regrind, No. 3 alone 0.010 under, the rest as they are"
    row = job.decisions.get(set="rods")
    assert (row.others, row.step_nm) == ({"R3": inches("0.010").nm}, 0)
    job.refresh_from_db()
    again = read_job(write_job(job_file_of(job)))
    assert [one.others[0].part for one in again.job.decisions if one.others] == ["R3"]
    taken_back = actions.take_back_decision(machinist, job.pk, "rods", "").assessment
    assert not taken_back.of("rods").decided
