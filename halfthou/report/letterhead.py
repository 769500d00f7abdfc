"""Whose paper it is: the shop's name, address and picture, as they stand on every print."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from halfthou.jobs import Document

#: A picture as data, so that paper made long ago still holds it.
PictureAsData = Annotated[
    str, Field(max_length=300_000, pattern=r"^(data:image/(jpeg|png);base64,[A-Za-z0-9+/=]+)?$")
]


class Letterhead(Document):
    """The shop as its paper names it; nothing of it where the shop has not said."""

    name: Annotated[str, Field(max_length=200)] = ""
    address: Annotated[str, Field(max_length=2000)] = ""
    picture: PictureAsData = ""


NO_LETTERHEAD = Letterhead()
