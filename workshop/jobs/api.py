"""Jobs over HTTP: the rack, the bench, facts, decisions, files."""

from dataclasses import asdict

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import BaseModel, Field

from halfthou.exchange import pasted_table, write_job, write_readings
from halfthou.jobs import DIAMETER, Moment, Plan, Use, Waived
from halfthou.lengths import Asked, Notation, Unit
from halfthou.report import BudgetShown, StoryLine
from workshop.bench.changes import ChangedOut, pieces_of
from workshop.bench.shapes import BenchOut, DraftOut, LandedOut, SittingOut, asked_out, bench_out, landed_out
from workshop.jobs import actions
from workshop.jobs.rack import RackOrder, RackOut, read_rack
from workshop.people.api import signed_in
from workshop.record.kept import kept
from workshop.record.ledger import Ledger
from workshop.record.translate import is_identified, job_file_of

router = Router(tags=["jobs"])


class DraftIn(Schema):
    """Typed text to interpret without landing it."""

    part: str = Field(max_length=40)
    feature: str = Field(default=DIAMETER, max_length=40)
    spot: str = Field(max_length=8)
    typed: str = Field(max_length=200)
    unit: Unit
    gauge: str = Field(max_length=64)


class FactsIn(Schema):
    """Facts a bench has kept, in the order they were reported; what its clock said when it sent them, and the state
    of the job that it knows."""

    sent_at: Moment | None = None
    have: str = Field(default="", max_length=40)
    facts: list[actions.OneOfSeveral] = Field(max_length=2000)


class FactsOut(BaseModel):
    """What became of each fact, and what changed of the bench since the state it knew."""

    results: list[LandedOut]
    changed: ChangedOut


class PlanIn(Schema):
    """A measuring plan for one set."""

    set: str = Field(max_length=40)
    plan: Plan


class LimitsIn(Schema):
    """Another revision of the limits."""

    limits_id: int


class ArchiveIn(Schema):
    """Off the rack, or back on it."""

    archived: bool


class PastedIn(Schema):
    """Text as it was pasted."""

    text: str


class PastedAt(Schema):
    """A value of a pasted table at its spot; its unit where the table says it."""

    part: str
    feature: str
    spot: str
    typed: str
    unit: Unit | None


class PastedOut(Schema):
    """What a pasted table holds: readings at their spots, what has no spot, and how it was understood."""

    table: bool
    how: str
    readings: list[PastedAt]
    over: list[str]


class PutAwayIn(Schema):
    """Why a job is put away for good."""

    reason: str = Field(max_length=2000)


class StartOut(Schema):
    """What of a job another one like it starts with."""

    title: str
    customer: str
    limits_id: int | None
    entry_unit: Unit
    use: Use | None
    scope: list[str]


class TakeBackIn(Schema):
    """A decision to take back."""

    set: str = Field(max_length=40)
    part: str = Field(default="", max_length=40)
    about: Waived = Waived.READINGS


class TakeUpIn(Schema):
    """A decision made elsewhere, to take up as one's own."""

    id: str = Field(max_length=64)


class WithdrawSignatureIn(Schema):
    """Why a signature is withdrawn."""

    reason: str = Field(max_length=2000)


class ComparedOut(Schema):
    """What taking a readings file in would do."""

    known: int
    new: int
    differs: list[str]
    words: str


class JobFileIn(Schema):
    """The text of a job file, and the number it is to have here where its own is taken."""

    text: str
    number: str = Field(default="", max_length=40)


class ReadingsFileIn(Schema):
    """The text of a readings file, and the gauge where the file names none."""

    text: str
    gauge: str = ""


def _json(body: BaseModel) -> HttpResponse:
    """The body as it is: already checked, so not checked again on its way out."""
    return HttpResponse(body.model_dump_json(), content_type="application/json")


def bench_answer(opened: actions.Opened) -> HttpResponse:
    """The whole bench."""
    return HttpResponse(_told(opened).whole(), content_type="application/json")


def _told(opened: actions.Opened) -> Ledger:
    """What is told of a job, brought up to how it stands."""
    known = kept(opened.record.pk, opened.job.shown_in)
    known.told.write(opened.record.version, pieces_of(bench_out(opened), known.memo))
    return known.told


@router.get("/rack", response=RackOut)
def get_rack(
    request: HttpRequest,
    search: str = "",
    order: RackOrder = RackOrder.DUE,
    archived: bool = False,
    page: int = 1,
) -> RackOut:
    """The engines in the shop."""
    return read_rack(search, order, archived=archived, page=page)


@router.post("/jobs", response=BenchOut)
def book_in(request: HttpRequest, given: actions.BookIn) -> HttpResponse:
    """Book an engine in."""
    return bench_answer(actions.book_in(signed_in(request), given))


@router.post("/jobs/import", response=BenchOut)
def import_job(request: HttpRequest, given: JobFileIn) -> HttpResponse:
    """Take in a job file."""
    return bench_answer(actions.take_in_job(signed_in(request), given.text, given.number))


@router.get("/jobs/{int:job_id}", response=BenchOut)
def get_bench(request: HttpRequest, job_id: int) -> HttpResponse:
    """The bench of one job."""
    return bench_answer(actions.open_job(job_id, signed_in(request)))


@router.get("/jobs/{int:job_id}/changes", response=ChangedOut)
def get_changes(request: HttpRequest, job_id: int, since: str = "") -> HttpResponse:
    """What changed of the bench since a state it was told in."""
    told = _told(actions.open_job(job_id, signed_in(request))).since(since)
    return HttpResponse(told, content_type="application/json")


@router.put("/jobs/{int:job_id}", response=BenchOut)
def change_header(request: HttpRequest, job_id: int, given: actions.Header) -> HttpResponse:
    """Change the card."""
    return bench_answer(actions.change_header(signed_in(request), job_id, given))


@router.put("/jobs/{int:job_id}/plan", response=BenchOut)
def change_plan(request: HttpRequest, job_id: int, given: PlanIn) -> HttpResponse:
    """Change a measuring plan."""
    return bench_answer(actions.change_plan(signed_in(request), job_id, given.set, given.plan))


@router.put("/jobs/{int:job_id}/limits", response=BenchOut)
def take_up_limits(request: HttpRequest, job_id: int, given: LimitsIn) -> HttpResponse:
    """Judge by another revision of the limits."""
    return bench_answer(actions.take_up_limits(signed_in(request), job_id, given.limits_id))


@router.put("/jobs/{int:job_id}/archived", response=ArchiveIn)
def archive_job(request: HttpRequest, job_id: int, given: ArchiveIn) -> ArchiveIn:
    """Archive a job, or bring it back."""
    actions.archive_job(signed_in(request), job_id, archived=given.archived)
    return given


@router.put("/jobs/{int:job_id}/put-away", response=PutAwayIn)
def put_away(request: HttpRequest, job_id: int, given: PutAwayIn) -> PutAwayIn:
    """Put a job away for good that was booked by mistake."""
    actions.put_away(signed_in(request), job_id, given.reason)
    return given


@router.get("/jobs/{int:job_id}/start", response=StartOut)
def get_start(request: HttpRequest, job_id: int) -> StartOut:
    """What of a job another one like it starts with."""
    record, job = actions.looked_at(job_id, signed_in(request))
    return StartOut(
        title=record.title,
        customer=record.customer,
        limits_id=record.limits_id if is_identified(record) else None,
        entry_unit=Unit(record.entry_unit),
        use=job.use,
        scope=list(job.sets),
    )


@router.get("/customers", response=list[actions.CustomerOut])
def list_customers(request: HttpRequest, search: str = "") -> list[actions.CustomerOut]:
    """The customers, by what is typed."""
    signed_in(request)
    return actions.customers_like(search[:200])


@router.put("/customers/{int:customer_id}", response=actions.CustomerOut)
def change_customer(request: HttpRequest, customer_id: int, given: actions.CustomerReach) -> actions.CustomerOut:
    """Keep how a customer is reached."""
    return actions.keep_reach(signed_in(request), customer_id, given)


@router.post("/jobs/{int:job_id}/draft", response=DraftOut)
def draft_reading(request: HttpRequest, job_id: int, given: DraftIn) -> DraftOut:
    """What typed text would mean at a spot."""
    record, job = actions.looked_at(job_id, signed_in(request))
    ref, gauge = actions.SpotRef(given.part, given.feature, given.spot), actions.gauge_of(job, given.gauge)
    meant = actions.interpret(actions.Desk(record, job), ref, given.typed, given.unit, gauge)
    if isinstance(meant, Asked):
        return DraftOut(text="", nm=None, asked=asked_out(meant))
    text = Notation.usual(given.unit).with_unit(meant.length)
    return DraftOut(text=text, nm=meant.length.nm, asked=None)


@router.post("/jobs/{int:job_id}/facts", response=FactsOut)
def land_facts(request: HttpRequest, job_id: int, given: FactsIn) -> HttpResponse:
    """Land facts of any kind in their order; each answer says what became of it."""
    off = actions.clock_off(given.sent_at)
    opened, results = actions.land_facts(signed_in(request), job_id, given.facts, off)
    became = b",".join(landed_out(one).model_dump_json().encode() for one in results)
    body = b'{"results":[%s],"changed":%s}' % (became, _told(opened).since(given.have))
    return HttpResponse(body, content_type="application/json")


@router.post("/jobs/{int:job_id}/undo", response=actions.Undone)
def undo(request: HttpRequest, job_id: int, given: actions.Undoing) -> actions.Undone:
    """Take back the last thing this person did on this job."""
    return actions.take_back_last(signed_in(request), job_id, given)


@router.post("/jobs/{int:job_id}/redo", response=actions.Undone)
def redo(request: HttpRequest, job_id: int, given: actions.Undoing) -> actions.Undone:
    """Bring again what this person took back last on this job."""
    return actions.bring_again(signed_in(request), job_id, given)


@router.post("/jobs/{int:job_id}/pasted", response=PastedOut)
def read_pasted(request: HttpRequest, job_id: int, given: PastedIn) -> PastedOut:
    """What a pasted table would put where. Nothing lands; where its first row says of no table, nothing is said."""
    _, job = actions.looked_at(job_id, signed_in(request))
    found = pasted_table(given.text, job)
    if found is None:
        return PastedOut(table=False, how="", readings=[], over=[])
    readings = [PastedAt(**asdict(one)) for one in found.readings]
    return PastedOut(table=True, how=found.how, readings=readings, over=list(found.over))


@router.post("/jobs/{int:job_id}/sittings/check", response=SittingOut)
def check_sitting(request: HttpRequest, job_id: int, given: actions.SittingForm) -> SittingOut:
    """What temperatures as typed come to. They are kept with the first reading taken at them."""
    actions.job_record(job_id)
    sitting = actions.sitting_from(signed_in(request), given)
    return SittingOut(part_c=sitting.part_c, gauge_c=sitting.gauge_c, condition=sitting.condition)


@router.get("/jobs/{int:job_id}/budgets/{part}", response=list[BudgetShown])
def get_budgets(request: HttpRequest, job_id: int, part: str) -> list[BudgetShown]:
    """The uncertainty budgets of one part."""
    return actions.budgets_of(signed_in(request), job_id, part)


@router.get("/jobs/{int:job_id}/story", response=list[StoryLine])
def get_story(request: HttpRequest, job_id: int) -> list[StoryLine]:
    """The job as a story, oldest first."""
    return actions.story_of(signed_in(request), job_id)


@router.post("/jobs/{int:job_id}/decisions", response=BenchOut)
def decide(request: HttpRequest, job_id: int, given: actions.Deciding) -> HttpResponse:
    """Accept, override or waive."""
    return bench_answer(actions.decide(signed_in(request), job_id, given))


@router.post("/jobs/{int:job_id}/decisions/take-back", response=BenchOut)
def take_back_decision(request: HttpRequest, job_id: int, given: TakeBackIn) -> HttpResponse:
    """Take a decision back."""
    person = signed_in(request)
    return bench_answer(actions.take_back_decision(person, job_id, given.set, given.part, given.about))


@router.post("/jobs/{int:job_id}/decisions/take-up", response=BenchOut)
def take_up_decision(request: HttpRequest, job_id: int, given: TakeUpIn) -> HttpResponse:
    """Take up what was decided elsewhere."""
    return bench_answer(actions.take_up_decision(signed_in(request), job_id, given.id))


@router.post("/jobs/{int:job_id}/signatures/withdraw", response=BenchOut)
def withdraw_signature(request: HttpRequest, job_id: int, given: WithdrawSignatureIn) -> HttpResponse:
    """Withdraw the signature."""
    return bench_answer(actions.withdraw_signature(signed_in(request), job_id, given.reason))


@router.post("/jobs/{int:job_id}/readings.csv", response=BenchOut)
def import_readings(request: HttpRequest, job_id: int, given: ReadingsFileIn) -> HttpResponse:
    """Take in a readings file."""
    return bench_answer(actions.take_in_readings(signed_in(request), job_id, given.text, given.gauge))


@router.post("/jobs/{int:job_id}/readings.csv/compare", response=ComparedOut)
def compare_readings(request: HttpRequest, job_id: int, given: ReadingsFileIn) -> ComparedOut:
    """What taking a readings file in would do, before it lands."""
    found = actions.compare_readings(signed_in(request), job_id, given.text, given.gauge)
    return ComparedOut(known=found.known, new=len(found.readings), differs=list(found.differs), words=found.words)


@router.get("/jobs/{int:job_id}/readings.csv", include_in_schema=False)
def export_readings(request: HttpRequest, job_id: int) -> HttpResponse:
    """The readings as CSV."""
    record = actions.job_record(job_id)
    text = write_readings(actions.sound_job(record, Unit(record.entry_unit)))
    return _file(text, "text/csv", f"readings-{record.number}.csv")


@router.get("/jobs/{int:job_id}/job.json", include_in_schema=False)
def export_job(request: HttpRequest, job_id: int) -> HttpResponse:
    """The whole job as a file."""
    record = actions.job_record(job_id)
    return _file(write_job(actions.as_kept(job_file_of(record))), "application/json", f"job-{record.number}.json")


def _file(text: str, kind: str, name: str) -> HttpResponse:
    response = HttpResponse(text, content_type=kind)
    safe = "".join(c if c.isalnum() or c in "-._" else "-" for c in name)
    response["Content-Disposition"] = f'attachment; filename="{safe}"'
    return response
