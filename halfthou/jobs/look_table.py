"""The house's table of looks: what each takes, what it spoils, and how often it ends the job."""

from collections.abc import Iterator
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.door_facts import Coins, ComplaintKind
from halfthou.jobs.set_limits import Key

Minutes = Annotated[int, Field(strict=True, ge=0, le=3_000)]
#: A chance in whole per cent. Nothing is certain: 99 at the most.
Percent = Annotated[int, Field(strict=True, ge=0, le=99)]


class LookRow(Document):
    """One look. `after` is the look that must come before it. It takes `minutes` on an engine in line and
    `minutes_vee` on one with two banks; `harm_minutes` is what it spoils, counted as work. `usual` is its chance to
    end the job after any complaint, `chance` that after certain ones. `how` says how it is taken, `spoils` what it
    costs, `tells` which kind of complaint is added where it finds something. `not_when` names answers at the door
    after which it is never done."""

    key: Key
    name: Words
    how: Note = ""
    after: Key | None = None
    minutes: Minutes
    minutes_vee: Minutes
    spoils: Note = ""
    harm_minutes: Minutes = 0
    usual: Percent = 0
    chance: dict[ComplaintKind, Percent] = {}
    tells: ComplaintKind | None = None
    not_when: dict[Key, tuple[Words, ...]] = {}


class LookTable(Document):
    """The looks of the house in the order of a plain strip, and what an hour costs, in the smallest coin.

    `confirmed` says that an owner has looked at it."""

    confirmed: bool = False
    currency: Annotated[str, Field(min_length=1, max_length=8)] = "EUR"
    coins: Annotated[int, Field(ge=1, le=1_000)] = 100
    hour: Coins = 8_500
    looks: Annotated[tuple[LookRow, ...], Field(min_length=1, max_length=60)]

    @model_validator(mode="after")
    def _hangs_together(self) -> "LookTable":
        faults = list(self._faults())
        if faults:
            raise ValueError("; ".join(faults))
        return self

    def _faults(self) -> Iterator[str]:
        seen: set[str] = set()
        for row in self.looks:
            if row.key in seen:
                yield f"the look {row.key} stands twice"
            if row.after is not None and row.after not in seen:
                yield f"{row.name} comes after {row.after}, which does not stand before it"
            if row.minutes == 0 or row.minutes_vee == 0:
                yield f"{row.name} takes at least a minute"
            seen.add(row.key)
