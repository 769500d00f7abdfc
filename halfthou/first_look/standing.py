"""How the looks of a job stand: which were taken and what each is worth, which may not be taken, and how the rest
is weighed by complaint and layout."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from halfthou.door import COMPLAINT, TURNS, complaint_kinds, said_of, turns
from halfthou.first_look.order import WeighedLook
from halfthou.first_look.taken import Found, LookTaken, looks_taken
from halfthou.first_look.usual import USUAL_LOOKS
from halfthou.jobs import Arrangement, ComplaintKind, Job, LookRow, LookTable

#: The look that the answer to "turns by hand" is.
TURN = "turn"


@dataclass(frozen=True)
class Looks:
    """The looks of one job. `destroyed` says when work first destroyed what a look is of, by the key of the look;
    `gone` names the step after which a look cannot be taken at all."""

    job: Job
    destroyed: Mapping[str, datetime]
    gone: Mapping[str, str]

    @property
    def table(self) -> LookTable:
        """The house's table, or the one that a shop starts with."""
        return self.job.look_table or USUAL_LOOKS

    @cached_property
    def rows(self) -> dict[str, LookRow]:
        """The looks by key, in the order of a plain strip."""
        return {row.key: row for row in self.table.looks}

    @cached_property
    def taken(self) -> dict[str, LookTaken]:
        """What came of each look that was taken; that it turns by hand may have been said at the door."""
        found = looks_taken(self.job)
        said = said_of(self.job, TURNS)
        if TURN not in found and TURN in self.rows and said and turns(self.job) != "not tried":
            last, free = said[-1], said[-1].answer == "free"
            found[TURN] = LookTaken(
                id=last.id,
                answer=last.answer,
                found=Found.NOTHING if free else Found.FOUND,
                words=last.answer,
                by=last.by,
                at=last.at,
            )
        return found

    @property
    def turning(self) -> str:
        """Whether it turns by hand: as said at the door, else as the look found it. Found is not free: no starter.

        Rule:    door.locked.
        """
        said, look = turns(self.job), self.taken.get(TURN)
        if said != "not tried" or look is None or look.found is Found.CANNOT:
            return said
        if look.answer:
            return look.answer
        return "free" if look.found is Found.NOTHING else "tight at one place"

    @cached_property
    def kinds(self) -> frozenset[ComplaintKind]:
        """The kinds the complaint falls under, and those that looks have added since.

        Rule:    looks.order: the order is made anew as answers come.
        """
        told = (
            self.rows[key].tells
            for key, one in self.taken.items()
            if key in self.rows and one.found in (Found.FOUND, Found.ENDS)
        )
        locked = {ComplaintKind.SEIZED} if self.turning in ("locked", "tight at one place") else set()
        return complaint_kinds(self.job) | {kind for kind in told if kind is not None} | locked

    def weak(self, key: str, taken: LookTaken) -> bool:
        """Whether a look was taken after what it is of was cleaned or taken apart: it is kept, and counts less.

        Rule:    looks.destroyed.
        """
        gone = self.destroyed.get(key)
        return taken.cleaned or (gone is not None and gone < taken.at)

    def minutes(self, row: LookRow) -> int:
        """What a look takes on this engine."""
        inline = self.job.limits.layout.arrangement is Arrangement.INLINE
        return row.minutes if inline else row.minutes_vee

    def percent(self, row: LookRow) -> int:
        """The chance of a look to end the job after this complaint: the highest of its kinds, else the usual."""
        return max([row.usual, *(row.chance.get(kind, 0) for kind in self.kinds)])

    def barred(self, row: LookRow) -> str:
        """Why a look is not taken on this engine, in words; nothing where it may be.

        Rule:    door.locked: an engine that came locked is never given a starter.
        """
        if row.key in self.gone:
            return f"Too late for it: {self.gone[row.key]}."
        answer = self.turning
        if answer not in row.not_when.get(TURNS, ()):
            return ""
        return "Turn it by hand first." if answer == "not tried" else f"It is {answer}."

    @cached_property
    def left(self) -> tuple[LookRow, ...]:
        """The looks that are still to be taken, in the order of a plain strip."""
        return tuple(row for row in self.table.looks if row.key not in self.taken and not self.barred(row))

    def weighed(self) -> tuple[WeighedLook, ...]:
        """The looks still to be taken as the order sees them. One whose forerunner is done or barred waits for the
        next that is left, if any."""
        waiting = {row.key for row in self.left}
        return tuple(
            WeighedLook(
                key=row.key,
                cost=self.minutes(row) + row.harm_minutes,
                chance=self.percent(row) / 100,
                after=self._waits_for(row, waiting),
            )
            for row in self.left
        )

    def _waits_for(self, row: LookRow, left: set[str]) -> str | None:
        at = row.after
        while at is not None and at not in left:
            at = self.rows[at].after
        return at

    def minutes_taken(self, key: str, taken: LookTaken) -> int:
        """What a look took: as written down, else as the table has it. What was seen on the way, on another page,
        took the time of the steps that laid it bare."""
        row = self.rows.get(key)
        if taken.minutes is not None or row is None:
            return taken.minutes or 0
        return 0 if taken.elsewhere or taken.id in self._said_ids else self.minutes(row)

    @cached_property
    def _said_ids(self) -> frozenset[str]:
        return frozenset({one.id for one in self.job.statements})


def asked_of_kind(job: Job) -> bool:
    """Whether nobody has said yet which kinds the complaint falls under."""
    return not said_of(job, COMPLAINT)
