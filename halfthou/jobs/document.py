"""The base of every document: frozen, strict about its fields, the same in files, in the API and in memory."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field


class Document(BaseModel):
    """A plain frozen value. Every length in it is a whole number of nanometres."""

    model_config = ConfigDict(frozen=True, extra="forbid", json_schema_serialization_defaults_required=True)


#: A short text that must say something.
Words = Annotated[str, Field(min_length=1, max_length=200)]
#: A note of any kind; may be empty.
Note = Annotated[str, Field(max_length=2000)]
#: The name of one fact, made by whoever reported it, so that a fact sent twice lands once.
FactId = Annotated[str, Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")]
