"""The evidence through the workshop: refusals in words, the gate at the signature, parts between engines,
reports."""

from __future__ import annotations

import io
from collections.abc import Callable
from datetime import date
from typing import Any

import pypdfium2
import pytest
from django.test import Client
from django.utils import timezone
from PIL import Image

from halfthou.evidence import EvidenceBoard, halves_of
from halfthou.exchange import read_job, write_job
from halfthou.jobs import DecisionKind, JournalSet
from halfthou.lengths import Unit
from halfthou.looks import GRADES
from halfthou.report import read_signed
from workshop.jobs import actions
from workshop.limits.models import SheetRevision
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord
from workshop.record.translate import job_file_of

READ: dict[str, Any] = {
    "seen": actions.Seeing, "oil report": actions.Reporting, "oil way": actions.SayingWay,
    "mistrust": actions.Mistrusting, "cause": actions.SayingCause, "remedy": actions.Removing,
    "dealt": actions.DealingWith, "carried part": actions.CarryingPart, "report": actions.SendingReport,
    "statement": actions.Telling, "withdrawal": actions.TakingBack, "step": actions.DoingStep,
}  # fmt: skip
ANSWERS = {grade.key: grade.answer for grade in GRADES}
Told = Callable[..., actions.Landed]


@pytest.fixture
def tell(bench: Person, job: JobRecord) -> Told:
    """Report one fact as a page does; what became of it."""
    count = iter(range(1, 1000))

    def one(fact: str, by: Person = bench, **said: Any) -> actions.Landed:
        of = said.pop("job", job.pk)
        given = READ[fact].model_validate({"id": f"e{next(count)}", "at": timezone.now(), **said})
        _, (landed,) = actions.land_facts(by, of, [given])
        return landed

    return one


@pytest.fixture
def saw(tell: Told) -> Told:
    """Write something seen down: of the engine where no place is given."""

    def one(look: str, answer: str, on: str = "engine", **more: Any) -> actions.Landed:
        landed = tell("seen", on=on, look=look, answer=answer, **more)
        assert landed.refused is None, landed.refused
        return landed

    return one


@pytest.fixture
def board(job: JobRecord, bench: Person, client_of: Callable[[Person], Client]) -> Callable[[], EvidenceBoard]:
    """The board as the screen is told it."""

    def ask() -> EvidenceBoard:
        answer = client_of(bench).get(f"/api/jobs/{job.pk}/evidence")
        assert answer.status_code == 200
        return EvidenceBoard.model_validate_json(answer.content)

    return ask


def refused(landed: actions.Landed) -> Refusal:
    assert landed.refused is not None
    return landed.refused


def grade_all(saw: Told, job: JobRecord, letter: str, **others: str) -> None:
    """Every half bearing by one letter, some by another."""
    for half in halves_of(actions.looked_at(job.pk, Person.objects.first())[1].limits.layout):  # type: ignore[arg-type]
        saw("overlay", ANSWERS[others.get(half.replace("-", "_"), letter)], half)


def test_what_the_engine_does_not_have_or_nobody_looks_for_is_refused_in_words(tell: Told) -> None:
    for said, words in (
        ({"on": "half-rod-9-upper", "look": "overlay", "answer": "as new"}, "This engine has no half-rod-9-upper"),
        ({"on": "engine", "look": "overlay", "answer": "as new"}, "Nobody looks for “overlay” on Engine"),
        ({"on": "rod-1", "look": "colour of the rod", "answer": "warm"}, "is no answer to colour of the rod"),
        (
            {"on": "piston-1", "look": "deposit line", "answer": "measured", "amount": "a lot"},
            "Mend what is marked",
        ),
        ({"on": "piston-1", "look": "deposit line", "answer": "measured", "amount": ""}, "Mend what is marked"),
    ):
        assert words in refused(tell("seen", **said)).message


def test_an_oil_report_in_other_units_or_of_two_samples_is_refused_where_it_is_wrong(tell: Told) -> None:
    figure = {"key": "iron", "value": "12", "unit": "ppm"}
    wrong = refused(tell("oil report", sample="1", drawn="hot and running", figures=[{**figure, "unit": "oz/ton"}]))
    assert wrong.faults[0].where == "iron"
    assert "mg/kg or ppm" in wrong.faults[0].what
    mixed = refused(
        tell("oil report", sample="1", drawn="not said", figures=[figure, {**figure, "key": "lead", "sample": "2"}])
    )
    assert "Write each sample down by itself" in mixed.faults[0].what
    twice = refused(tell("oil report", sample="1", drawn="not said", figures=[figure, {**figure, "value": "80"}]))
    assert "are two samples mixed" in twice.faults[0].what
    assert refused(tell("oil report", sample="1", drawn="not said", figures=[])).code == "bad-report"
    assert tell("oil report", sample="1", drawn="hot and running", figures=[figure]).refused is None
    again = refused(tell("oil report", sample="1", drawn="not said", figures=[figure]))
    assert again.faults[0].where == "drawn"


def test_two_people_grade_one_half_the_worse_counts_until_one_takes_theirs_back(
    tell: Told, saw: Told, machinist: Person, board: Callable[[], EvidenceBoard]
) -> None:
    saw("overlay", "deep lines", "half-rod-1-upper")
    landed = saw("overlay", "as new", "half-rod-1-upper", by=machinist)
    half = next(one for one in board().halves if one.id == "half-rod-1-upper")
    assert half.grade is not None
    assert half.grade.answer == "deep lines"
    assert any("The worse counts" in one.text for one in board().contradictions)
    tell("withdrawal", by=machinist, of=landed.id)
    assert not board().contradictions


def test_one_person_grades_again_and_the_last_counts(saw: Told, board: Callable[[], EvidenceBoard]) -> None:
    saw("overlay", "deep lines", "half-rod-1-upper")
    saw("overlay", "fine lines", "half-rod-1-upper")
    half = next(one for one in board().halves if one.id == "half-rod-1-upper")
    assert half.grade is not None
    assert (half.grade.answer, board().contradictions) == ("fine lines", ())


def test_what_was_washed_before_it_was_seen_counts_less(
    tell: Told, saw: Told, board: Callable[[], EvidenceBoard]
) -> None:
    tell("step", step="wash.pan", unseen=True, because="it was in a hurry")
    saw("screen", "clear", "pump")
    look = next(one for one in board().looks if one.key == "screen")
    assert look.gone
    assert look.said[0].weak
    assert next(one for one in board().causes if one.key == "supply.screen").word != "ruled out"


def test_a_ruling_out_holds_until_a_person_mistrusts_that_look(
    tell: Told, saw: Told, machinist: Person, bench: Person, board: Callable[[], EvidenceBoard]
) -> None:
    landed = saw("screen", "clear", "pump")
    saw("in the screen", "carbon")

    def word() -> str:
        return next(one.word.value for one in board().causes if one.key == "supply.screen")

    assert word() == "ruled out"
    assert refused(tell("mistrust", of=landed.id, reason="hm")).code == "not-allowed"
    assert refused(tell("mistrust", by=machinist, of=landed.id, reason=" ")).faults[0].where == "reason"
    assert refused(tell("mistrust", by=machinist, of="nothing", reason="hm")).code == "no-fact"
    assert tell("mistrust", by=machinist, of=landed.id, reason="the screen had been changed").refused is None
    assert word() != "ruled out"
    assert refused(tell("mistrust", by=machinist, of=landed.id, reason="again")).code == "mistrusted"


def decide_all(machinist: Person, job: JobRecord) -> None:
    for one in JournalSet:
        given = actions.Deciding(id=f"d.{one}", kind=DecisionKind.ACCEPTED, set=one, at=timezone.now())
        actions.decide(machinist, job.pk, given)


def test_an_engine_with_its_cause_open_is_signed_only_with_words_for_it(
    job: JobRecord, tell: Told, saw: Told, read_all: Any, machinist: Person, client_of: Callable[[Person], Client]
) -> None:
    read_all()
    tell("statement", topic="complaint kind", answer="knock")
    saw("screen", "clear", "pump")
    decide_all(machinist, job)
    client = client_of(machinist)
    address = f"/api/jobs/{job.pk}/signatures"
    answer = client.post(address, {}, content_type="application/json")
    assert answer.status_code == 422
    assert answer.json()["faults"][0]["where"] == "cause"
    words = "Customer told in writing; first hours on the gauge."
    body = {"answers": {"cause": words}}
    assert client.post(address, body, content_type="application/json").status_code == 200
    kept = job.signatures.get().sheet
    assert read_signed(kept).cause.signed_for == f"The cause is not found. {words}"
    assert words in kept["page"]
    assert "Closed up with this open" in kept["page"]


def test_a_cause_found_and_removed_opens_the_gate(
    job: JobRecord, tell: Told, saw: Told, read_all: Any, machinist: Person, board: Callable[[], EvidenceBoard]
) -> None:
    read_all()
    tell("statement", topic="complaint kind", answer="low pressure")
    saw("relief valve", "chip in it", "pump")
    assert board().gate.words == "Found and not yet removed: Relief valve stuck."
    tell("remedy", by=machinist, cause="supply.relief", words="new valve, spring measured")
    assert (board().gate.open, board().gate.words) == (False, "Found and removed.")
    decide_all(machinist, job)
    assert actions.sign(machinist, job.pk).record.stage == "signed"


def test_a_job_with_nothing_to_explain_has_no_gate(job: JobRecord, read_all: Any, machinist: Person) -> None:
    read_all()
    decide_all(machinist, job)
    assert actions.sign(machinist, job.pk).record.stage == "signed"


def test_new_evidence_against_a_settled_cause_is_said_and_re_opens_nothing(
    tell: Told, saw: Told, machinist: Person, board: Callable[[], EvidenceBoard]
) -> None:
    tell("statement", topic="complaint kind", answer="low pressure")
    tell("cause", by=machinist, stand="settled on", cause="supply.screen", reason="carbon in the pan")
    saw("screen", "clear", "pump")
    assert any("It stays as settled" in one.text for one in board().contradictions)
    assert "without a proof: carbon in the pan" in board().gate.words
    assert board().gate.open
    assert refused(tell("cause", by=machinist, stand="settled on", cause="nonsense", reason="x")).code == "no-cause"
    assert refused(tell("cause", by=machinist, stand="left open", reason=" ")).faults[0].where == "reason"


@pytest.fixture
def other(bench: Person, limits: SheetRevision, job: JobRecord) -> JobRecord:
    given = actions.BookIn(
        number="91", title="Hop kiln fan", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 5, 4)
    )
    return actions.book_in(bench, given).record


def test_a_part_that_leaves_takes_its_metal_along_and_the_other_job_says_so(
    job: JobRecord, other: JobRecord, tell: Told, saw: Told, bench: Person, board: Callable[[], EvidenceBoard]
) -> None:
    saw("overlay", "copper through", "half-rod-1-upper")
    assert tell("carried part", what="Oil cooler", out=True, other="91").refused is None
    said = [one.text for one in actions.open_job(other.pk, bench).assessment.notices]
    assert any("Oil cooler came out of job" in text and "metal" in text for text in said)
    there = other.facts.get(kind="carried part")
    assert tell("dealt", job=other.pk, item=f"carried.{there.key}", how="renewed").refused is None
    assert not [one for one in actions.open_job(other.pk, bench).assessment.notices if "Oil cooler" in one.text]
    assert refused(tell("carried part", what="Oil cooler", out=True, other="none such")).faults[0].where == "other"
    assert refused(tell("carried part", what=" ", out=True, other="91")).faults[0].where == "what"
    assert any(one.out and one.with_metal for one in board().carried)


def test_a_filter_that_is_washed_is_not_dealt_with(
    tell: Told, saw: Told, board: Callable[[], EvidenceBoard]
) -> None:
    saw("overlay", "copper through", "half-rod-1-upper")
    assert "It is when it is renewed" in refused(tell("dealt", item="filter", how="washed")).message
    assert refused(tell("dealt", item="teapot", how="washed")).code == "no-item"
    assert tell("dealt", item="filter", how="renewed").refused is None
    listed = {one.key: one for one in board().contaminated}
    assert (listed["filter"].open, listed["pan"].open) == (False, True)


def picture() -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (64, 48), (180, 100, 60)).save(out, "JPEG")
    return out.getvalue()


def test_a_report_is_kept_as_sent_says_what_is_new_and_shows_a_picture_taken_back(
    job: JobRecord, tell: Told, saw: Told, machinist: Person, bench: Person,
    client_of: Callable[[Person], Client], settings: Any, tmp_path: Any,
) -> None:  # fmt: skip
    settings.DATA_DIR = tmp_path
    assert refused(tell("report", by=machinist)).code == "nothing-to-report"
    saw("overlay", "copper through", "half-rod-1-upper")
    taken = actions.TakingPicture(id="p1", on="half-rod-1-upper", at=timezone.now())
    actions.add_picture(bench, job.pk, taken, picture())
    assert tell("report", by=machinist, words="First look.").refused is None
    saw("screen", "blocked", "pump")
    assert tell("report", by=machinist).refused is None
    client = client_of(bench)
    told = client.get(f"/api/jobs/{job.pk}/report").json()
    first, second = told["sent"][1]["report"], told["sent"][0]["report"]
    assert (first["number"], second["number"], first["new"]) == (1, 2, [])
    assert any("Screen, before it is cleaned: blocked" in line for line in second["new"])
    page = client.get(f"/api/jobs/{job.pk}/report.html?number=1&save=true")
    assert b"data:image/jpeg;base64," in page.content
    assert "attachment" in page["Content-Disposition"]
    pdf = client.get(f"/api/jobs/{job.pk}/report.pdf?number=2")
    assert pdf["Content-Type"] == "application/pdf", pdf.content
    text = pypdfium2.PdfDocument(pdf.content)[0].get_textpage().get_text_range()
    assert "Strip report 2" in text
    assert "copper through" in text
    tell("withdrawal", of="p1")
    gone = client.get(f"/api/jobs/{job.pk}/report.html?number=1")
    assert b"data:image/jpeg" not in gone.content
    assert b"withdrawn since" in gone.content
    assert client.get(f"/api/jobs/{job.pk}/report.html?number=9").status_code == 404


def test_the_evidence_goes_round_as_a_file_and_what_a_newer_program_knows_is_kept_and_said(
    job: JobRecord, tell: Told, saw: Told, machinist: Person, bench: Person
) -> None:
    saw("overlay", "copper through", "half-rod-1-upper", arc=[40, 120])
    saw("deposit line", "measured", "piston-1", amount="6 mm")
    tell("oil way", from_rear=True, extras=["turbo"], source="drawing 12")
    tell("oil report", sample="1", drawn="hot and running", figures=[{"key": "fuel", "value": "0,4", "unit": "%"}])
    tell("cause", by=machinist, stand="a cause of their own", words="gremlins", reason="nothing else left")
    file = job_file_of(JobRecord.objects.get(pk=job.pk))
    assert read_job(write_job(file)) == file
    newer = write_job(file).replace('"look":"overlay","answer":"copper through"', '"look":"aura","answer":"violet"')
    newer = newer.replace('"look": "overlay"', '"look": "aura"').replace("copper through", "violet")
    newer = newer.replace('"number": "1"', '"number": "77"').replace('"number":"1"', '"number":"77"')
    opened = actions.take_in_job(bench, newer)
    assert any("aura" in one.text and "not weighed" in one.text for one in opened.assessment.notices)


def test_what_is_known_of_causes_can_be_read(bench: Person, client_of: Callable[[Person], Client]) -> None:
    known = client_of(bench).get("/api/causes").json()
    screen = next(one for one in known if one["key"] == "supply.screen")
    assert "screen blocked: nearly proves it" in screen["leaves"]
    assert screen["settled"] == "Look first, then clean"
