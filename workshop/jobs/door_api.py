"""Door, looks, strip and pictures over HTTP. Their facts land by the one door, with all others."""

from datetime import datetime
from urllib.parse import quote

from django.http import HttpRequest, HttpResponse, HttpResponseNotModified
from ninja import File, Form, Router, Schema, UploadedFile

from halfthou.door import TOPICS, Topic, door_findings
from halfthou.exchange import MOST_ZIP, table_of_workbook, write_zip
from halfthou.first_look import LooksReport
from halfthou.jobs import ComplaintKind, Job, Statement
from halfthou.lengths import Unit
from halfthou.strip import looks_of
from halfthou.words import Reason
from workshop.bench.shapes import BenchOut
from workshop.jobs import actions
from workshop.jobs.api import bench_answer
from workshop.limits.models import SheetRevision
from workshop.people.api import signed_in
from workshop.people.refusals import Refusal
from workshop.record.models import JobRecord
from workshop.record.pictures import MOST_BYTES, place_of
from workshop.record.translate import is_identified, job_file_of

router = Router(tags=["door"])


class LookName(Schema):
    """A look of the table by its key and name."""

    key: str
    name: str


class AskedAtDoor(Schema):
    """What is asked at the door, and the looks a stop point can stand before."""

    topics: list[Topic]
    kinds: list[ComplaintKind]
    looks: list[LookName]
    currency: str


class SheetChoice(Schema):
    """A limits sheet that may be taken up."""

    id: int
    name: str


class DoorOut(Schema):
    """What was said at the door of one job, and what it says together."""

    said: list[Statement]
    findings: list[Reason]
    identified: bool
    sheets: list[SheetChoice]


class PictureOut(Schema):
    """A picture: what it is of, its addresses, and whether its file is here."""

    id: str
    on: str
    name: str
    small: str
    full: str
    width: int
    height: int
    words: str
    cleaned: bool
    by: str
    at: datetime
    here: bool


class PicturesOut(Schema):
    """The pictures of a job, newest first."""

    pictures: list[PictureOut]


class TableOut(Schema):
    """A spreadsheet's table as CSV text."""

    text: str


class SoundOut(Schema):
    """A picture of a like part from another job, to lie beside one of this."""

    job: str
    title: str
    picture: PictureOut


@router.get("/door", response=AskedAtDoor)
def get_topics(request: HttpRequest) -> AskedAtDoor:
    """What is asked at the door."""
    table = actions.look_table()
    return AskedAtDoor(
        topics=list(TOPICS),
        kinds=list(ComplaintKind),
        looks=[LookName(key=row.key, name=row.name) for row in table.looks],
        currency=table.currency,
    )


def _job(request: HttpRequest, job_id: int) -> tuple[JobRecord, Job]:
    return actions.looked_at(job_id, signed_in(request))


@router.get("/jobs/{int:job_id}/door", response=DoorOut)
def get_door(request: HttpRequest, job_id: int) -> DoorOut:
    """What was said at the door."""
    record, job = _job(request, job_id)
    return DoorOut(
        said=list(job.standing(job.statements)),
        findings=list(door_findings(job)),
        identified=is_identified(record),
        sheets=[
            SheetChoice(id=one.pk, name=f"{one.document['engine']}, revision {one.number}")
            for one in SheetRevision.objects.order_by("sheet_id", "-number")
        ],
    )


@router.get("/jobs/{int:job_id}/looks", response=LooksReport)
def get_looks(request: HttpRequest, job_id: int) -> LooksReport:
    """How the looks stand: the order, what was spent, the stop points."""
    return looks_of(_job(request, job_id)[1])


@router.get("/jobs/{int:job_id}/pictures", response=PicturesOut)
def get_pictures(request: HttpRequest, job_id: int) -> PicturesOut:
    """The pictures of a job."""
    return PicturesOut(pictures=_pictures(job_id, _job(request, job_id)[1]))


def _pictures(job_id: int, job: Job) -> list[PictureOut]:
    address, names = f"/api/jobs/{job_id}/pictures/", actions.names_of(job)
    return [
        PictureOut(
            id=one.id,
            on=one.on,
            name=names.get(one.on, one.on),
            small=f"{address}{quote(one.id)}/small",
            full=f"{address}{quote(one.id)}/full",
            width=one.width,
            height=one.height,
            words=one.words,
            cleaned=one.cleaned,
            by=one.by,
            at=one.at,
            here=place_of(one.sha256, one.kind).is_file(),
        )
        for one in reversed(job.standing(job.pictures))
    ]


@router.post("/jobs/{int:job_id}/pictures", response=PicturesOut)
def add_picture(
    request: HttpRequest, job_id: int, given: Form[actions.TakingPicture], file: File[UploadedFile]
) -> PicturesOut:
    """Keep a picture. Sent twice under one name it is kept once."""
    if file.size is not None and file.size > MOST_BYTES:
        words = f"The picture has {file.size / 1e6:,.0f} MB; at most {MOST_BYTES // 1_000_000}."
        raise Refusal("picture-too-large", words)
    opened = actions.add_picture(signed_in(request), job_id, given, file.read())
    return PicturesOut(pictures=_pictures(job_id, opened.job))


@router.get("/jobs/{int:job_id}/pictures/{fact}/{size}", include_in_schema=False)
def get_picture(request: HttpRequest, job_id: int, fact: str, size: str) -> HttpResponse:
    """One picture, small or full. The browser asks each time whether it may still show it."""
    signed_in(request)
    picture, content = actions.picture_of(job_id, fact, small=size != "full")
    tag = f'"{picture.sha256}-{size}"'
    if request.headers.get("If-None-Match") == tag:
        return HttpResponseNotModified()
    kind = "image/png" if size == "full" and picture.kind == "png" else "image/jpeg"
    response = HttpResponse(content, content_type=kind)
    response["ETag"], response["Cache-Control"] = tag, "private, no-cache"
    return response


@router.get("/jobs/{int:job_id}/pictures/like", response=list[SoundOut])
def get_like(request: HttpRequest, job_id: int, on: str, search: str = "") -> list[SoundOut]:
    """Pictures of the same part or position in other jobs, to lie beside this one's."""
    actions.job_record(job_id)
    found = []
    for record, job in actions.jobs_with_pictures(signed_in(request), job_id, on, search):
        kept = [one for one in _pictures(record.pk, job) if actions.alike(one.on, on) and one.here]
        found += [SoundOut(job=record.number, title=record.title, picture=one) for one in kept]
    return found[:60]


@router.post("/spreadsheet", response=TableOut)
def read_spreadsheet(request: HttpRequest, file: File[UploadedFile]) -> TableOut:
    """The first sheet of an .xlsx file as CSV text: it is taken in as a CSV file is."""
    signed_in(request)
    return TableOut(text=table_of_workbook(file.read()))


@router.post("/jobs/import.zip", response=BenchOut)
def import_zip(request: HttpRequest, file: File[UploadedFile], number: Form[str] = "") -> HttpResponse:
    """Take in a job with its pictures."""
    if file.size is not None and file.size > MOST_ZIP:
        raise Refusal("zip-too-large", f"That is more than {MOST_ZIP // 1_000_000} MB: it was not taken in.")
    return bench_answer(actions.take_in_zip(signed_in(request), file.read(), number[:40]))


@router.get("/jobs/{int:job_id}/job.zip", include_in_schema=False)
def export_zip(request: HttpRequest, job_id: int) -> HttpResponse:
    """The whole job with its pictures as one file."""
    record = actions.job_record(job_id)
    job = actions.sound_job(record, Unit(record.entry_unit))
    response = HttpResponse(
        write_zip(actions.as_kept(job_file_of(record)), actions.files_of(job)), content_type="application/zip"
    )
    safe = "".join(c if c.isalnum() or c in "-._" else "-" for c in record.number)
    response["Content-Disposition"] = f'attachment; filename="job-{safe}.zip"'
    return response
