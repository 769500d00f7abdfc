"""The base of every document: frozen, strict about its fields, the same in files, in the API and in memory."""

from collections.abc import Mapping
from datetime import datetime
from typing import Annotated, Any, Self

from pydantic import AfterValidator, BaseModel, ConfigDict, Field


class Document(BaseModel):
    """A plain frozen value. Every length in it is a whole number of nanometres."""

    model_config = ConfigDict(
        frozen=True, extra="forbid", allow_inf_nan=False, json_schema_serialization_defaults_required=True
    )

    def model_copy(self, *, update: Mapping[str, Any] | None = None, deep: bool = False) -> Self:
        """A copy with some fields changed. What was worked out of this one and kept with it stays behind."""
        copied = super().model_copy(update=update, deep=deep)
        for name in copied.__dict__.keys() - type(self).model_fields.keys():
            del copied.__dict__[name]
        return copied


EARLIEST_YEAR, LATEST_YEAR = 1950, 2200


def _a_moment(at: datetime) -> datetime:
    if at.tzinfo is None:
        raise ValueError(f"{at.isoformat()} has no time zone: end it with Z or +00:00")
    if not EARLIEST_YEAR <= at.year <= LATEST_YEAR:
        raise ValueError(f"the year {at.year} is no year anything was done here: {EARLIEST_YEAR} to {LATEST_YEAR}")
    return at


#: When something was done: with its time zone, so that any two can be put in order.
Moment = Annotated[datetime, AfterValidator(_a_moment)]
#: A short text that must say something.
Words = Annotated[str, Field(min_length=1, max_length=200)]
#: A note of any kind; may be empty.
Note = Annotated[str, Field(max_length=2000)]
#: The name of one fact, made by whoever reported it, so that a fact sent twice lands once.
FactId = Annotated[str, Field(min_length=1, max_length=64, pattern=r"^[A-Za-z0-9._:-]+$")]
