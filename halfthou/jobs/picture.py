"""A picture of a part, a look or a step, as a fact: which file it is, by the hash of what is kept."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, field_validator
from typing_extensions import override

from halfthou.jobs.document import Note
from halfthou.jobs.fact import Fact, Names
from halfthou.jobs.older_seen import look_of

#: The hash of a kept picture: SHA-256, in small hexadecimal letters.
Sha256 = Annotated[str, Field(pattern=r"^[0-9a-f]{64}$")]
#: What a picture is of: a part or position, `look:` and its key, `step:` and its name, or the engine.
OnWhat = Annotated[str, Field(min_length=1, max_length=70, pattern=r"^(?:look:|step:)?[A-Za-z][A-Za-z0-9 ._-]*$")]


class PictureKind(StrEnum):
    """The kinds of picture file that are kept."""

    JPEG = "jpeg"
    PNG = "png"


class Picture(Fact):
    """One picture: turned upright, without place data. Its file lies beside the job under its hash; a job without
    the file still says that there was one. `cleaned` says that what it shows was clean already."""

    on: OnWhat
    sha256: Sha256
    kind: PictureKind = PictureKind.JPEG
    width: Annotated[int, Field(strict=True, ge=1, le=20_000)]
    height: Annotated[int, Field(strict=True, ge=1, le=20_000)]
    size: Annotated[int, Field(strict=True, ge=1, le=100_000_000)]
    words: Note = ""
    cleaned: bool = False

    @field_validator("on", mode="before")
    @classmethod
    def _by_the_present_name(cls, on: object) -> object:
        """A picture of a look that goes by another name now."""
        return f"look:{look_of(on[5:])}" if isinstance(on, str) and on.startswith("look:") else on

    @override
    def said(self, names: Names) -> str:
        kind, _, of = self.on.partition(":")
        on = names.look(of) if kind == "look" else names.step(of) if kind == "step" else names.called(self.on)
        return f"a picture of {on}{f': {self.words}' if self.words else ''}"
