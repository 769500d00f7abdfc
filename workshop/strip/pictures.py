"""A picture lands on a part, a look or a step."""

import re
from typing import NamedTuple

from django.db.models import Q
from ninja import Schema
from pydantic import Field

from halfthou.exchange import MOST_ZIP, Fault
from halfthou.jobs import ENGINE, Fact, FactId, Job, JobFile, Moment, Picture, held_as
from halfthou.parts import CATALOGUE
from halfthou.strip import Strip
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import FactRecord, JobRecord
from workshop.record.one_fact import fact_from, land_one
from workshop.record.opened import Opened, job_record, looked_at, must_be_open
from workshop.record.pictures import content_of, keep_file, kept_as, upright
from workshop.record.translate import fact_of


class TakingPicture(Schema):
    """What a picture shows: a part or position, `look:` and its key, `step:` and its name, or the engine."""

    id: FactId
    on: str = Field(max_length=70)
    words: str = Field(default="", max_length=2000)
    cleaned: bool = False
    at: Moment


class PictureKnown(NamedTuple):
    """A picture as it is known again: its name, what it is of, and its file."""

    id: str
    on: str
    sha256: str
    fact: str = held_as(Picture).kind.name


def names_of(job: Job) -> dict[str, str]:
    """Everything a picture may be of, by its key, in words."""
    strip = Strip(job)
    return {
        ENGINE: "The engine",
        **{part.id: part.name for part in CATALOGUE.engine_of(job).parts.values()},
        **{key: place.name for key, place in strip.places.items()},
        **{f"look:{key}": look.called for key, look in CATALOGUE.looks.items()},
        **{f"look:{key}": row.name for key, row in strip.looks.rows.items()},
        **{f"step:{step.id}": step.text for step in strip.steps},
    }


def add_picture(person: Person, job_id: int, given: TakingPicture, data: bytes) -> Opened:
    """Keep a picture: turned upright, without its place data. Sent twice it is kept once. Refuses: Refusal."""
    must(person, Act.READ)
    must_be_open(job_record(job_id), held_as(Picture).kind)
    # Before anything is locked: this takes longer than all the rest.
    found = upright(data)
    keep_file(found)

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        if given.on not in names_of(job):
            raise NotThere("no-part", f"This engine has no {given.on} to take a picture of.")
        if any(one.sha256 == found.sha256 and one.on == given.on for one in job.standing(job.pictures)):
            words = "This very picture is there already."
            raise Clash("picture-there", words, [Fault("file", words)])
        picture = fact_from(
            Picture,
            person,
            given,
            sha256=found.sha256,
            kind=found.kind,
            width=found.width,
            height=found.height,
            size=len(found.content),
        )
        return [picture]

    return land_one(person, job_id, PictureKnown(given.id, given.on, found.sha256), ("sha256", "on"), make)


def picture_of(job_id: int, fact: str, *, small: bool) -> tuple[Picture, bytes]:
    """A picture of a job by its name, and its bytes. Refuses: NotThere, also where its file is not here."""
    record = job_record(job_id)
    row = record.facts.filter(key=fact, kind=held_as(Picture).kind.name).first()
    if row is None:
        raise NotThere("no-picture", "There is no such picture.")
    picture: Picture = fact_of(row)
    content = content_of(picture.sha256, picture.kind, small=small)
    if content is None:
        raise NotThere("no-file", "The picture's file is not here: the job came without it.")
    return picture, content


def as_kept(file: JobFile) -> JobFile:
    """A job file whose pictures go by the hashes of their files now: what goes out names what goes along."""
    pictures = tuple(one.model_copy(update={"sha256": kept_as(one.sha256)}) for one in file.job.pictures)
    return file.model_copy(update={"job": file.job.model_copy(update={"pictures": pictures})})


def files_of(job: Job) -> dict[str, bytes]:
    """The files of a job's pictures by their hash, as far as they are here. Refuses: Refusal where together they
    are too large for one file."""
    if sum(picture.size for picture in job.pictures) > MOST_ZIP:
        raise Refusal("zip-too-large", f"The pictures have more than {MOST_ZIP // 1_000_000} MB together.")
    found = {kept_as(one.sha256): content_of(one.sha256, one.kind) for one in job.pictures}
    return {name: content for name, content in found.items() if content is not None}


def alike(one: str, other: str) -> bool:
    """Whether two pictures show the same kind of thing: a rod and a rod, one look and the same look.

    >>> alike("rod-3", "rod-1"), alike("look:screen", "look:heads")
    (True, False)
    """
    return _kind(one) == _kind(other)


def _kind(on: str) -> str:
    return on if ":" in on else re.sub(r"[0-9.]+", "", on)


#: So many jobs are looked through for pictures to lie beside one, the newest first.
MOST_LOOKED_THROUGH = 40


def jobs_with_pictures(person: Person, job_id: int, on: str, search: str) -> list[tuple[JobRecord, Job]]:
    """Other jobs that hold pictures of the same kind of thing, newest first."""
    rows = FactRecord.objects.filter(kind=held_as(Picture).kind.name).exclude(job_id=job_id)
    if search.strip():
        word = search.strip()[:100]
        rows = rows.filter(Q(job__number__icontains=word) | Q(job__title__icontains=word))
    found: dict[int, None] = {}
    for pk, document in rows.order_by("-pk").values_list("job_id", "document").iterator(chunk_size=500):
        if alike(document["on"], on):
            found[pk] = None
        if len(found) >= MOST_LOOKED_THROUGH:
            break
    return [looked_at(pk, person) for pk in found]
