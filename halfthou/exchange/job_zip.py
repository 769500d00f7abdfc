"""The job with its pictures as one zip file: `job.json` and `pictures/<hash>.jpg`, checked whole on the way in."""

from __future__ import annotations

import hashlib
import io
import lzma
import re
import struct
import zipfile
import zlib
from collections.abc import Iterator, Mapping

from halfthou.exchange.faults import BadFile, Fault
from halfthou.exchange.job_json import read_job, write_job
from halfthou.jobs import JobFile, Picture, PictureKind

JOB = "job.json"
ENDINGS = {PictureKind.JPEG: "jpg", PictureKind.PNG: "png"}
_PICTURE = re.compile(r"^pictures/([0-9a-f]{64})\.(jpg|png)$")
#: A job file with 20,000 readings is under 15 MB; no picture is kept that is larger; nor a zip that holds more.
MOST_JOB, MOST_PICTURE, MOST_ZIP, MOST_FILES = 40_000_000, 40_000_000, 300_000_000, 2_001
#: A large file that unpacks to more than so many times its packed size is no picture and no job. Source: common
#: practice. A small one costs nothing: a picture of one flat colour packs far better.
MOST_TIMES, SMALL = 200, 2_000_000
#: What the list of files in a zip may be, at the most: it is read before anything can be counted.
MOST_LIST = MOST_FILES * 200
_END = b"PK\x05\x06"


def picture_name(picture: Picture) -> str:
    """Where a picture lies in the zip."""
    return f"pictures/{picture.sha256}.{ENDINGS[picture.kind]}"


def write_zip(file: JobFile, pictures: Mapping[str, bytes]) -> bytes:
    """The job and its pictures as one zip; the same job gives the same bytes on every machine.

    Takes:   the pictures' bytes by their hash. One that is not there is left out: the job still says that it was.
    """
    packed = io.BytesIO()
    at = file.job.booked_in.timetuple()[:3]
    stamp = (max(at[0], 1980), at[1], at[2], 0, 0, 0)
    with zipfile.ZipFile(packed, "w") as out:
        out.writestr(_entry(JOB, stamp, zipfile.ZIP_DEFLATED), write_job(file).encode())
        names = {picture_name(one): one.sha256 for one in file.job.pictures if one.sha256 in pictures}
        for name in sorted(names):
            out.writestr(_entry(name, stamp, zipfile.ZIP_STORED), pictures[names[name]])
    return packed.getvalue()


def _entry(name: str, stamp: tuple[int, ...], packing: int) -> zipfile.ZipInfo:
    entry = zipfile.ZipInfo(name, date_time=stamp)  # type: ignore[arg-type]
    entry.compress_type = packing
    entry.external_attr = 0o600 << 16
    entry.create_system = 3
    return entry


def read_zip(data: bytes) -> tuple[JobFile, dict[str, bytes]]:
    """A job and its pictures from a zip.

    Gives:   the job file, and the pictures' bytes by their hash.
    Refuses: BadFile, listing every fault; nothing is unpacked that is larger than it may be, or lies elsewhere.
    """
    if list_of(data) > MOST_LIST:
        raise BadFile([Fault("the file", f"holds too many files; {MOST_FILES:,} at the most")])
    try:
        with zipfile.ZipFile(io.BytesIO(data)) as packed:
            faults = list(_faults(packed))
            if faults:
                raise BadFile(faults[:500])
            held = {entry.filename: packed.read(entry) for entry in packed.infolist()}
    except (*DAMAGED, NotImplementedError, RuntimeError) as error:
        raise BadFile([Fault("the file", f"is no zip that can be read: {error}")]) from None
    try:
        text = held[JOB].decode("utf-8")
    except UnicodeDecodeError:
        raise BadFile([Fault(JOB, "is not text in UTF-8")]) from None
    file = read_job(text)
    pictures = {name[9:73]: content for name, content in held.items() if name != JOB}
    wrong = [*_altered(pictures), *_unlisted(file, held)]
    if wrong:
        raise BadFile(wrong[:500])
    return file, pictures


#: What the packings say of a damaged file: zlib's, bzip2's and lzma's words among them.
DAMAGED = (zipfile.BadZipFile, EOFError, OSError, ValueError, zlib.error, lzma.LZMAError, struct.error)


def list_of(data: bytes) -> int:
    """How many bytes the list of a zip's files has, as its end says. Nothing where it has no end: no zip."""
    at = data.rfind(_END, max(0, len(data) - 66_000))
    if at < 0 or at + 16 > len(data):
        return 0
    return int(struct.unpack_from("<I", data, at + 12)[0])


def _faults(packed: zipfile.ZipFile) -> Iterator[Fault]:
    """What is wrong with the list of files in a zip, before anything of it is unpacked."""
    entries = packed.infolist()
    names = [entry.filename for entry in entries]
    if JOB not in names:
        yield Fault("the file", f"holds no {JOB}: it is no Half Thou job with pictures")
    if len(entries) > MOST_FILES:
        yield Fault("the file", f"holds {len(entries):,} files; {MOST_FILES:,} at the most")
        return
    for entry in entries:
        most = MOST_JOB if entry.filename == JOB else MOST_PICTURE
        if entry.filename != JOB and not _PICTURE.match(entry.filename):
            yield Fault(
                entry.filename[:80], "does not belong in a job: only job.json and pictures by their hash do"
            )
        elif names.count(entry.filename) > 1:
            yield Fault(entry.filename, "stands twice")
        elif entry.file_size > most or entry.file_size > max(SMALL, MOST_TIMES * entry.compress_size):
            yield Fault(entry.filename, f"unpacks to {entry.file_size / 1e6:,.0f} MB: it was not unpacked")
    if sum(entry.file_size for entry in entries) > MOST_ZIP:
        yield Fault("the file", f"unpacks to more than {MOST_ZIP // 1_000_000} MB: it was not unpacked")


def _altered(pictures: Mapping[str, bytes]) -> Iterator[Fault]:
    for name, content in pictures.items():
        if hashlib.sha256(content).hexdigest() != name:
            yield Fault(f"picture {name[:12]}", "is not the picture that its hash says: it was changed on the way")


def _unlisted(file: JobFile, held: Mapping[str, bytes]) -> Iterator[Fault]:
    listed = {picture_name(one) for one in file.job.pictures}
    for name in held:
        if name != JOB and name not in listed:
            yield Fault(name, "is a picture that the job does not name")
