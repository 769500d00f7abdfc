"""A picture carries its points and nothing else, whichever way it came.

Outside: Pillow writes and reads the pictures; what it finds beside the points says whether they are bare.
"""

from __future__ import annotations

import hashlib
import io
import zipfile
from importlib import import_module
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from django.apps import apps
from django.utils import timezone
from PIL import Image, PngImagePlugin

from halfthou.exchange import read_zip, write_zip
from halfthou.jobs import JobFile, Picture, PictureKind
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import Refusal
from workshop.record import pictures
from workshop.record.bare import NotWhole, bare
from workshop.record.models import JobRecord, PictureRenamed
from workshop.record.pictures import upright
from workshop.record.translate import job_file_of

POINTS = np.random.default_rng(5).integers(0, 255, (60, 80, 3), dtype=np.uint8)
SECRET = b"51.5 north"


def jpeg(*, progressive: bool = False) -> bytes:
    """With a place, a comment, words of a program, and a tail."""
    exif = Image.Exif()
    exif[0x010E] = SECRET.decode()
    exif.get_ifd(0x8825)[1] = "N"
    out = io.BytesIO()
    Image.fromarray(POINTS).save(
        out, "JPEG", exif=exif, comment=SECRET, progressive=progressive, restart_marker_rows=1
    )
    xmp = b"http://ns.adobe.com/xap/1.0/\x00" + SECRET
    segment = b"\xff\xe1" + (len(xmp) + 2).to_bytes(2, "big") + xmp
    written = out.getvalue()
    return written[:2] + segment + written[2:] + SECRET


def with_picture(
    job: JobRecord, content: bytes, size: tuple[int, int], kind: PictureKind = PictureKind.JPEG
) -> tuple[JobFile, dict[str, bytes]]:
    """A job as another shop would send it, with one picture."""
    name = hashlib.sha256(content).hexdigest()
    of = {"sha256": name, "kind": kind, "width": size[0], "height": size[1], "size": len(content)}
    picture = Picture(id="p1", on="engine", by="somebody", at=timezone.now(), **of)
    file = job_file_of(job)
    moved = file.job.model_copy(update={"number": "901", "pictures": (picture,)})
    return file.model_copy(update={"job": moved}), {name: content}


@pytest.fixture(autouse=True)
def _own_folder(settings: Any, tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    settings.DATA_DIR = tmp_path
    monkeypatch.setattr(pictures, "_renamed", None)


def png() -> bytes:
    words = PngImagePlugin.PngInfo()
    words.add_text("Comment", SECRET.decode())
    words.add_itxt("Place", SECRET.decode())
    out = io.BytesIO()
    Image.fromarray(POINTS).save(out, "PNG", pnginfo=words)
    return out.getvalue() + SECRET


@pytest.mark.parametrize(
    ("content", "kind"),
    [(jpeg(), PictureKind.JPEG), (jpeg(progressive=True), PictureKind.JPEG), (png(), PictureKind.PNG)],
    ids=["jpeg", "progressive", "png"],
)
def test_what_stands_beside_the_points_goes_and_the_points_stay(content: bytes, kind: PictureKind) -> None:
    cleaned = bare(content, kind)
    assert SECRET in content
    assert SECRET not in cleaned
    before, after = Image.open(io.BytesIO(content)), Image.open(io.BytesIO(cleaned))
    assert np.array_equal(np.asarray(before.convert("RGB")), np.asarray(after.convert("RGB")))
    assert len(after.getexif()) == 0
    assert not {"comment", "exif", "xmp", "Comment", "Place"} & set(after.info)
    assert bare(cleaned, kind) == cleaned
    with pytest.raises(NotWhole):
        bare(cleaned[:-30], kind)


@pytest.mark.parametrize("content", [jpeg(), png()], ids=["jpeg", "png"])
def test_what_is_taken_in_here_is_bare_already(content: bytes) -> None:
    kept = upright(content)
    assert bare(kept.content, kept.kind) == kept.content


@pytest.mark.django_db
def test_a_zips_pictures_are_cleaned_and_facts_take_the_new_hash(machinist: Person, job: JobRecord) -> None:
    """The job's fact names what is kept here; what goes out again is read without a fault."""
    file, dirty = with_picture(job, jpeg(), (80, 60))
    opened = actions.take_in_zip(machinist, write_zip(file, dirty))
    picture = opened.job.pictures[0]
    _, content = actions.picture_of(opened.record.pk, picture.id, small=False)
    assert SECRET not in content
    assert picture.sha256 == hashlib.sha256(content).hexdigest() not in dirty
    assert picture.size == len(content)
    out = write_zip(actions.as_kept(job_file_of(opened.record)), actions.files_of(opened.job))
    assert list(read_zip(out)[1]) == [picture.sha256]


@pytest.mark.django_db
def test_what_is_stored_already_is_cleaned_once_and_its_old_name_answers(
    bench: Person, job: JobRecord, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    content = jpeg()
    old = hashlib.sha256(content).hexdigest()
    landed = actions.add_picture(
        bench, job.pk, actions.TakingPicture(id="p1", on="engine", at=timezone.now()), content
    ).job.pictures[0]
    # As an earlier version kept it: under the hash of all that came.
    place = pictures.place_of(landed.sha256, landed.kind)
    lies = tmp_path / "pictures" / old[:2] / f"{old}.jpg"
    lies.parent.mkdir(parents=True, exist_ok=True)
    lies.write_bytes(content)
    place.unlink()
    import_module("workshop.record.migrations.0009_pictures_bare").clean_what_is_stored(apps, None)
    monkeypatch.setattr(pictures, "_renamed", None)
    new = PictureRenamed.objects.get(old=old).new
    kept = pictures.content_of(old, PictureKind.JPEG)
    assert kept is not None
    assert SECRET not in kept
    assert hashlib.sha256(kept).hexdigest() == new


def packed(name: str, content: bytes, packing: int, *, broken: bool) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", packing) as file:
        file.writestr(name, content)
    data = bytearray(out.getvalue())
    if broken:
        data[len(name) + 45 : len(name) + 60] = b"\xff\x00\xff\x13\x37" * 3
    return bytes(data)


@pytest.mark.django_db
@pytest.mark.parametrize("packing", [zipfile.ZIP_DEFLATED, zipfile.ZIP_BZIP2, zipfile.ZIP_LZMA])
def test_a_damaged_zip_is_refused_in_words_whatever_its_packing(machinist: Person, packing: int) -> None:
    data = packed("job.json", b'{"format": "half-thou job"}' * 500, packing, broken=True)
    with pytest.raises(Exception, match=r"no zip that can be read|refused|Half Thou job"):
        actions.take_in_zip(machinist, data)


@pytest.mark.django_db
def test_a_flat_picture_comes_in_a_deflated_zip(machinist: Person, job: JobRecord) -> None:
    """A picture of one colour packs a thousand to one, and is a picture still."""
    flat = io.BytesIO()
    Image.new("RGB", (900, 700), "white").save(flat, "PNG", compress_level=0)
    file, dirty = with_picture(job, flat.getvalue(), (900, 700), PictureKind.PNG)
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(write_zip(file, dirty))) as was, zipfile.ZipFile(out, "w") as now:
        for one in was.infolist():
            now.writestr(one.filename, was.read(one), zipfile.ZIP_DEFLATED)
    assert len(actions.take_in_zip(machinist, out.getvalue()).job.pictures) == 1


def test_a_flat_picture_of_fifty_megapixels_is_refused_unread() -> None:
    flat = io.BytesIO()
    Image.new("L", (10_000, 5_000), 200).save(flat, "PNG")
    with pytest.raises(Refusal, match="one flat colour"):
        upright(flat.getvalue())


@pytest.mark.django_db
def test_a_zip_of_sixty_thousand_files_is_refused_by_its_list(machinist: Person) -> None:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w") as file:
        for n in range(60_000):
            file.writestr(f"{n}", b"")
    with pytest.raises(Exception, match=r"refused|too many"):
        actions.take_in_zip(machinist, out.getvalue())
