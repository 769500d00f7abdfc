"""Pictures: turned upright, without their place, kept by hash; one zip with the job, checked on the way in."""

from __future__ import annotations

import hashlib
import io
import json
import struct
import zipfile
import zlib
from collections.abc import Callable
from datetime import date
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client
from django.utils import timezone
from PIL import Image, ImageCms

from halfthou.exchange import BadFile, read_zip, write_zip
from halfthou.jobs import PictureKind
from halfthou.lengths import Unit
from tests.making import layout
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.pictures import MOST_PIXELS, SMALL_SIDE, content_of, upright
from workshop.record.translate import job_file_of

ORIENTATION, GPS = 0x0112, 0x8825
#: How the stored rows and columns of each orientation lie: numpy's own turns undo it.
#: Source: EXIF 2.3 (JEITA CP-3451), tag 0x0112: the side that the zeroth row and the zeroth column are at.
UNDONE: dict[int, Any] = {
    1: lambda a: a, 2: np.fliplr, 3: lambda a: np.rot90(a, 2), 4: np.flipud,
    5: lambda a: np.transpose(a, (1, 0, 2)), 6: lambda a: np.rot90(a, -1),
    7: lambda a: np.rot90(np.transpose(a, (1, 0, 2)), 2), 8: np.rot90,
}  # fmt: skip


@pytest.fixture(autouse=True)
def _own_folder(settings: Any, tmp_path: Path) -> None:
    settings.DATA_DIR = tmp_path


def corners() -> Any:
    """A wide picture with a colour of its own in each corner."""
    points = np.zeros((120, 200, 3), dtype=np.uint8)
    points[:60, :100], points[:60, 100:] = (220, 30, 30), (30, 200, 30)
    points[60:, :100], points[60:, 100:] = (30, 30, 220), (230, 220, 40)
    return points


def noise() -> Any:
    """A picture of which every part takes its room in the file."""
    return np.random.default_rng(3).integers(0, 255, (240, 320, 3), dtype=np.uint8)


def jpeg(points: Any, *, orientation: int = 1, gps: bool = False) -> bytes:
    exif, out = Image.Exif(), io.BytesIO()
    exif[ORIENTATION] = orientation
    if gps:
        exif.get_ifd(GPS)[2] = (53.0, 30.0, 0.0)
        exif[GPS] = {1: "N", 2: (53.0, 30.0, 0.0)}
    Image.fromarray(points).save(out, "JPEG", quality=95, exif=exif)
    return out.getvalue()


@pytest.mark.parametrize("orientation", UNDONE)
def test_a_picture_is_turned_upright_whichever_way_the_camera_was_held(orientation: int) -> None:
    """Outside: the eight orientations of EXIF, undone by numpy; read back by Pillow."""
    kept = upright(jpeg(corners(), orientation=orientation))
    found = np.asarray(Image.open(io.BytesIO(kept.content)).convert("RGB")).astype(int)
    wanted = np.asarray(UNDONE[orientation](corners())).astype(int)
    assert found.shape == wanted.shape == (kept.height, kept.width, 3)
    assert np.abs(found - wanted).mean() < 4


def test_where_it_was_taken_and_what_the_camera_wrote_are_removed() -> None:
    sent = jpeg(corners(), orientation=6, gps=True)
    assert GPS in Image.open(io.BytesIO(sent)).getexif()
    kept = upright(sent)
    assert len(Image.open(io.BytesIO(kept.content)).getexif()) == 0
    assert len(Image.open(io.BytesIO(kept.small)).getexif()) == 0


def test_the_small_copy_is_small_and_the_full_one_keeps_its_size() -> None:
    wide = np.zeros((1200, 1600, 3), dtype=np.uint8)
    kept = upright(jpeg(wide))
    assert (kept.width, kept.height) == (1600, 1200)
    assert max(Image.open(io.BytesIO(kept.small)).size) == SMALL_SIDE


def test_colours_keep_their_meaning_and_ink_becomes_light() -> None:
    """Outside: Pillow's own sRGB profile, and a picture in four inks."""
    profile = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
    out, ink = io.BytesIO(), io.BytesIO()
    Image.fromarray(corners()).save(out, "JPEG", icc_profile=profile)
    assert Image.open(io.BytesIO(upright(out.getvalue()).content)).info["icc_profile"] == profile
    Image.fromarray(corners()).convert("CMYK").save(ink, "JPEG", icc_profile=profile)
    kept = Image.open(io.BytesIO(upright(ink.getvalue()).content))
    assert (kept.mode, "icc_profile" in kept.info) == ("RGB", False)


@pytest.mark.parametrize("mode", ["L", "LA", "P", "RGBA", "1"])
def test_a_picture_of_any_sort_of_points_is_kept_as_it_looks(mode: str) -> None:
    """Screenshots and scans come so; lossless ones stay lossless."""
    out = io.BytesIO()
    Image.fromarray(corners()).convert(mode).save(out, "PNG")
    kept = upright(out.getvalue())
    found = Image.open(io.BytesIO(kept.content))
    assert (found.format, found.size) == ("PNG", (200, 120))
    assert found.mode in ("L", "RGB")
    wanted = np.asarray(Image.open(out).convert("RGB")).astype(int)
    assert np.abs(np.asarray(found.convert("RGB")).astype(int) - wanted).max() == 0


def png_that_says(width: int, height: int) -> bytes:
    """A PNG whose head promises so many points: it must be refused before any is made."""

    def chunk(kind: bytes, body: bytes) -> bytes:
        return struct.pack(">I", len(body)) + kind + body + struct.pack(">I", zlib.crc32(kind + body))

    head = struct.pack(">IIBBBBB", width, height, 8, 2, 0, 0, 0)
    return (
        b"\x89PNG\r\n\x1a\n"
        + chunk(b"IHDR", head)
        + chunk(b"IDAT", zlib.compress(b"\0" * 100))
        + chunk(b"IEND", b"")
    )


@pytest.mark.parametrize(
    ("data", "words"),
    [
        (b"hello, this is no picture", "no picture"),
        (b"", "no picture"),
        (b"%PDF-1.7 " + b"x" * 50, "PDF"),
        (b"\0\0\0\x18ftypheic" + b"\0" * 40, "HEIC"),
        (b"GIF89a" + b"\0" * 40, "GIF"),
        (png_that_says(10_000, 8_000), "80 megapixels"),
        (png_that_says(8, 8), "show nothing"),
        (jpeg(noise())[:9_000], "cut short"),
        (b"\xff" * 16_000_000, "16 MB"),
    ],
)  # fmt: skip
def test_what_is_no_picture_is_refused_in_words(data: bytes, words: str) -> None:
    with pytest.raises(Refusal, match=words):
        upright(data)


def taking(on: str, key: str = "p1") -> actions.TakingPicture:
    return actions.TakingPicture(id=key, on=on, words="as it lay", at=timezone.now())


def test_a_picture_lands_once_and_is_kept_by_its_hash(bench: Person, job: JobRecord) -> None:
    sent = jpeg(corners(), orientation=6)
    for _ in range(2):
        opened = actions.add_picture(bench, job.pk, taking("look:screen"), sent)
    (picture,) = opened.job.pictures
    content = content_of(picture.sha256, picture.kind)
    assert content is not None
    assert hashlib.sha256(content).hexdigest() == picture.sha256
    with pytest.raises(Clash, match="there already"):
        actions.add_picture(bench, job.pk, taking("look:screen", "p2"), sent)
    with pytest.raises(NotThere):
        actions.add_picture(bench, job.pk, taking("rod-9", "p3"), jpeg(np.rot90(corners())))


@pytest.mark.parametrize("on", ["engine", "rod-1", "R1", "look:heads", "step:crank.out"])
def test_a_picture_is_of_a_part_a_look_or_a_step(bench: Person, job: JobRecord, on: str) -> None:
    assert actions.add_picture(bench, job.pk, taking(on), jpeg(corners())).job.pictures[0].on == on


def test_a_path_in_its_name_goes_nowhere(
    bench: Person, job: JobRecord, client_of: Callable[[Person], Client], tmp_path: Path
) -> None:
    client = client_of(bench)
    file = SimpleUploadedFile("../../../etc/passwd.jpg", jpeg(corners()), "image/jpeg")
    body = {"id": "p1", "on": "engine", "at": timezone.now().isoformat(), "file": file}
    answer = client.post(f"/api/jobs/{job.pk}/pictures", body)
    assert answer.status_code == 200, answer.content
    kept = [path for path in tmp_path.rglob("*") if path.is_file()]
    assert len(kept) == 2
    assert all(path.is_relative_to(tmp_path / "pictures") for path in kept)
    (picture,) = answer.json()["pictures"]
    small = client.get(picture["small"])
    assert small["Content-Type"] == "image/jpeg"
    assert small["Cache-Control"] == "private, no-cache"
    again = client.get(picture["small"], headers={"If-None-Match": small["ETag"]})
    assert again.status_code == 304
    assert Client().get(picture["full"]).status_code == 401


def test_a_signed_and_even_a_handed_over_engine_takes_pictures(
    bench: Person, machinist: Person, job: JobRecord
) -> None:
    gone = actions.HandingOver(id="h", to="the driver", at=timezone.now())
    actions.land_facts(machinist, job.pk, [gone])
    assert len(actions.add_picture(bench, job.pk, taking("engine"), jpeg(corners())).job.pictures) == 1


def test_a_part_lies_beside_one_of_another_job(
    bench: Person, job: JobRecord, limits: Any, client_of: Callable[[Person], Client]
) -> None:
    other = actions.book_in(
        bench,
        actions.BookIn(title="Sound one", limits_id=limits.pk, entry_unit=Unit.INCH, booked_in=date(2031, 1, 1)),
    ).record
    actions.add_picture(bench, job.pk, taking("half-rod-3-upper"), jpeg(corners()))
    actions.add_picture(bench, other.pk, taking("half-rod-1-upper"), jpeg(np.fliplr(corners())))
    actions.add_picture(bench, other.pk, taking("look:heads", "p2"), jpeg(np.flipud(corners())))
    found = client_of(bench).get(f"/api/jobs/{job.pk}/pictures/like?on=half-rod-3-upper").json()
    assert [one["title"] for one in found] == ["Sound one"]


def packed(bench: Person, job: JobRecord) -> bytes:
    actions.add_picture(bench, job.pk, taking("look:screen"), jpeg(corners(), orientation=8))
    actions.add_picture(bench, job.pk, taking("engine", "p2"), jpeg(np.fliplr(corners())))
    opened = actions.open_job(job.pk, bench)
    return write_zip(job_file_of(opened.record), actions.files_of(opened.job))


def test_a_job_with_pictures_goes_round_byte_for_byte(bench: Person, machinist: Person, job: JobRecord) -> None:
    first = packed(bench, job)
    file, pictures = read_zip(first)
    assert len(pictures) == 2
    assert write_zip(file, pictures) == first
    moved = file.model_copy(update={"job": file.job.model_copy(update={"number": "901"})})
    came = actions.take_in_zip(machinist, write_zip(moved, pictures))
    assert [one.sha256 for one in came.job.pictures] == [one.sha256 for one in file.job.pictures]
    assert actions.files_of(came.job) == pictures


def zipped(**files: bytes) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as one:
        for name, content in files.items():
            one.writestr(name, content)
    return out.getvalue()


@pytest.mark.parametrize(
    ("files", "words"),
    [
        ({"job.txt": b"x"}, "holds no job.json"),
        ({"job.json": b"{}", "../../etc/passwd": b"x"}, "does not belong"),
        ({"job.json": b"{}", "pictures/../../x.jpg": b"x"}, "does not belong"),
        ({"job.json": b"\xff\xfe"}, "UTF-8"),
        ({"job.json": b"{" + b" " * 30_000_000}, "unpacks to"),
        ({"job.json": b"{}"}, "job file"),
    ],
)
def test_a_bad_zip_is_refused_before_it_is_unpacked(files: dict[str, bytes], words: str) -> None:
    with pytest.raises(BadFile) as refused:
        read_zip(zipped(**files))
    assert words in " ".join(f"{fault.where} {fault.what}" for fault in refused.value.faults)


def test_what_is_no_zip_is_no_job(machinist: Person) -> None:
    for data in (b"", b"PK\x03\x04 broken", b"hello"):
        with pytest.raises(BadFile):
            read_zip(data)


def test_a_picture_changed_on_the_way_is_found(bench: Person, job: JobRecord) -> None:
    file, pictures = read_zip(packed(bench, job))
    (name, content), *rest = pictures.items()
    for wrong in ({name: content + b"x", **dict(rest)}, {**pictures, "0" * 64: b"x"}):
        job_only = file.model_copy(update={"job": file.job.model_copy(update={"pictures": file.job.pictures})})
        out = io.BytesIO()
        with zipfile.ZipFile(out, "w") as one:
            one.writestr("job.json", job_only.model_dump_json())
            for key, value in wrong.items():
                one.writestr(f"pictures/{key}.jpg", value)
        with pytest.raises(BadFile):
            read_zip(out.getvalue())


def test_a_job_file_without_its_pictures_still_says_that_there_were_some(
    bench: Person,
    machinist: Person,
    job: JobRecord,
    client_of: Callable[[Person], Client],
    settings: Any,
    tmp_path: Path,
) -> None:
    file, _ = read_zip(packed(bench, job))
    settings.DATA_DIR = tmp_path / "another shop"
    data = json.loads(file.model_dump_json())
    data["job"]["number"] = "902"
    came = actions.take_in_job(machinist, json.dumps(data))
    listed = client_of(bench).get(f"/api/jobs/{came.record.pk}/pictures").json()["pictures"]
    assert [one["here"] for one in listed] == [False, False]
    assert client_of(bench).get(listed[0]["full"]).status_code == 404


def test_the_largest_phones_fit() -> None:
    """A phone's camera makes up to 50 megapixels: facts of the trade, from memory."""
    assert MOST_PIXELS == 50_000_000
    assert PictureKind.JPEG.value == "jpeg"


def test_a_picture_of_what_the_engine_turns_out_not_to_have_is_still_shown(
    bench: Person, machinist: Person, limits: Any, client_of: Callable[[Person], Client]
) -> None:
    """It was taken while nobody knew yet how many heads there are."""
    crate = actions.BookIn(title="Crate", entry_unit=Unit.INCH, booked_in=date(2031, 5, 4))
    record = actions.book_in(bench, crate).record
    actions.add_picture(bench, record.pk, taking("head"), jpeg(corners()))
    two_banks = limits.document | {"layout": vee_layout()}
    type(limits).objects.filter(pk=limits.pk).update(document=two_banks)
    actions.take_up_limits(machinist, record.pk, limits.pk)
    (shown,) = client_of(bench).get(f"/api/jobs/{record.pk}/pictures").json()["pictures"]
    assert (shown["on"], shown["name"]) == ("head", "head")


def vee_layout() -> Any:
    return layout("V four").model_dump(mode="json")
