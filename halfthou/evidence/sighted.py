"""What stands seen of the engine as it came: the last answer of each person to each look, and the worse where two
people differ."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from halfthou.engines import Engine, Place
from halfthou.jobs import ENGINE, IN_GENERAL, NOT_LOOKED, Job, OperationKind, Seen
from halfthou.looks import AllLooks, LookKind
from halfthou.strip import Strip

#: Work that changes no part: what is seen and measured after it still tells of what failed.
CHANGES_NOTHING = frozenset({OperationKind.FINAL_WASH, OperationKind.TORQUE_CHANGED})


@dataclass(frozen=True)
class Sightings:
    """What was seen of a job's engine that stands and is trusted. What is known by a newer program only is left
    aside, and so is what was seen of a part after work had been done to it, and of a piece that did not come in the
    engine."""

    job: Job
    engine: Engine

    @property
    def looks(self) -> AllLooks:
        """The table of looks."""
        return self.engine.kinds.looks

    @cached_property
    def mistrusted(self) -> frozenset[str]:
        """The facts that somebody mistrusts."""
        return frozenset(one.of for one in self.job.standing(self.job.mistrusts))

    @cached_property
    def all(self) -> tuple[Seen, ...]:
        """What was seen of the engine as it came, oldest first."""
        return tuple(one for one in self.job.standing(self.job.seen) if self.as_it_came(one.on, one.at))

    def as_it_came(self, on: str, at: datetime) -> bool:
        """Whether what was read or seen of a thing then is of what came in the engine, before any work on it."""
        place = self.engine.places.get(on)
        if place is not None and place.spare:
            return False
        first = self.worked.get(self.engine.lies_with(on), self.worked.get(on))
        return first is None or at <= first

    @cached_property
    def worked(self) -> dict[str, datetime]:
        """When work first changed each part, set or whole."""
        found: dict[str, datetime] = {}
        for work in self.job.standing_operations if self.job.operations else ():
            if work.kind not in CHANGES_NOTHING:
                for on in (work.on, *self.engine.touched(work.on)):
                    found[on] = min(found.get(on, work.at), work.at)
        return found

    @cached_property
    def strange(self) -> tuple[Seen, ...]:
        """Those of looks or answers that this program does not know: kept, and said."""
        return tuple(one for one in self.all if not self.known(one))

    @cached_property
    def by_place(self) -> dict[tuple[str, str], tuple[Seen, ...]]:
        """By place and look, what counts: the last of each person, several answers where a look takes several."""
        found: dict[tuple[str, str], dict[tuple[str, str], Seen]] = {}
        for one in self.all:
            if one.id in self.mistrusted or not self.known(one) or one.answer in IN_GENERAL:
                continue
            look = self.looks.get(one.look)
            several = look is not None and look.several
            said = found.setdefault((one.on, one.look), {})
            if one.answer == NOT_LOOKED:
                for key in [key for key in said if key[0] == one.by]:
                    del said[key]
                continue
            said[one.by, one.answer if several else ""] = one
        return {key: tuple(said.values()) for key, said in found.items() if said}

    def last(self, on: str, look: str) -> Seen | None:
        """What counts of one look: of two people's answers the worse, where one is worse; else the later."""
        said, known = self.by_place.get((on, look), ()), self.looks.get(look)
        return max(
            said, key=lambda one: (known.harm_of(one.answer) if known is not None else 0, one.at), default=None
        )

    def answer(self, on: str, look: str) -> str:
        """The answer that counts; "" where nobody looked."""
        found = self.last(on, look)
        return found.answer if found is not None else ""

    def disagreeing(self) -> Iterator[tuple[Seen, Seen]]:
        """Looks to which two people answer differently: the one that counts, and the other."""
        for (on, key), said in self.by_place.items():
            look = self.looks.get(key)
            if look is not None and not look.several and len({one.answer for one in said}) > 1:
                counts = self.last(on, key)
                for one in said:
                    if counts is not None and one.answer != counts.answer:
                        yield counts, one

    @cached_property
    def washed(self) -> dict[str, datetime]:
        """When each step that destroys evidence was done, by the step."""
        done = {step: one.at for step, one in Strip(self.job).done.items() if one.there}
        destroys = {look.lost_by for look in self.looks.values()}
        return {step: at for step, at in done.items() if step in destroys}

    def weak(self, one: Seen) -> bool:
        """Whether it was seen after cleaning: it counts less. Rule: looks.destroyed."""
        look = self.looks.get(one.look)
        gone = self.washed.get(look.lost_by) if look is not None else None
        return one.cleaned or (gone is not None and gone < one.at)

    def known(self, one: Seen) -> bool:
        """Whether this program knows what was seen: its look and its answer."""
        if one.answer == NOT_LOOKED or one.answer in IN_GENERAL:
            return True
        look = self.looks.get(one.look)
        return look is not None and look.answer(one.answer) is not None

    def name_of(self, on: str) -> str:
        """What a place is called in few words; "" for the engine."""
        return "" if on == ENGINE else self.engine.called(on)

    def places_of(self, look: LookKind) -> tuple[Place, ...]:
        """The places that the board asks a look of: those of the first kind that it is taken on."""
        here = [place for place in self.engine.places.values() if not place.spare]
        for kind in look.on:
            found = tuple(place for place in here if place.kind == kind)
            if found:
                main = self.job.limits.layout.thrust_main if look.at_thrust else None
                return tuple(place for place in found if main in (None, place.beside))
        return ()

    @property
    def begun(self) -> bool:
        """Whether anything was seen that only the board asks: the evidence is looked at."""
        return any(
            one.on not in self.engine.spoken_of or (look := self.looks.get(one.look)) is None or not look.bench
            for one in self.all
            if one.answer not in IN_GENERAL
        )
