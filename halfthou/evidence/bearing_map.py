"""The bearing map: every half bearing where it sat, and what all of them together show."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from functools import cached_property

from halfthou.causes import SignSeen
from halfthou.evidence.at_the_door import MANY_HOURS, since_opened
from halfthou.evidence.places import halves_of
from halfthou.evidence.sighted import Sightings
from halfthou.jobs import ENGINE, Seen
from halfthou.looks import Grade
from halfthou.looks import half_bearings as of
from halfthou.strip import places_off

#: A sign, and how it is known.
Sign = tuple[str, SignSeen]


@dataclass(frozen=True)
class BearingMap:
    """The half bearings of one engine as they were graded."""

    sightings: Sightings

    @cached_property
    def halves(self) -> tuple[str, ...]:
        """Every half, along the shaft."""
        return halves_of(self.sightings.job.limits.layout)

    @cached_property
    def grades(self) -> Mapping[str, Grade]:
        """The grade of every half that has one."""
        found = {half: self.sightings.answer(half, of.OVERLAY) for half in self.halves}
        return {half: of.BY_ANSWER[answer] for half, answer in found.items() if answer in of.BY_ANSWER}

    @cached_property
    def bearings(self) -> dict[str, tuple[str, ...]]:
        """The halves of each bearing: main-2, rod-3."""
        found: dict[str, list[str]] = {}
        for half in self.halves:
            found.setdefault(half.removeprefix("half-").rpartition("-")[0], []).append(half)
        return {bearing: tuple(halves) for bearing, halves in found.items()}

    def worst(self, bearing: str) -> Grade | None:
        """The worse grade of a bearing's halves; None where neither is graded."""
        found = [self.grades[half] for half in self.bearings[bearing] if half in self.grades]
        return max(found, key=lambda grade: grade.harm, default=None)

    @cached_property
    def gone(self) -> tuple[str, ...]:
        """The bearings that gave off metal."""
        return tuple(b for b in self.bearings if (worst := self.worst(b)) is not None and worst.sheds)

    def bearings_of(self, kind: str) -> tuple[str, ...]:
        """The bearings of a kind, rod or main, along the shaft."""
        return tuple(bearing for bearing in self.bearings if bearing.startswith(kind))

    @cached_property
    def all_graded(self) -> bool:
        """Whether every half has its grade."""
        return len(self.grades) == len(self.halves)

    def called(self, bearing: str) -> str:
        """A bearing as the shop calls it."""
        kind, _, number = bearing.partition("-")
        return f"Rod {number}" if kind == "rod" else f"M{number}"

    def signs(self) -> tuple[tuple[Sign, ...], tuple[Sign, ...]]:
        """What the map shows, and what it was looked at for and does not show.

        Rule:    evidence.map.
        """
        if not self.grades and not any(
            self.sightings.answer(h, look) for h in self.halves for look in (of.SEAT, of.BACK, of.WEAR)
        ):
            return (), ()
        return tuple(self._seen()), tuple(self._absent())

    def said(self, halves: Iterator[str] | tuple[str, ...], look: str = of.OVERLAY) -> SignSeen:
        """How it is known, from those halves."""
        places = places_off(self.sightings.job.limits.layout)
        found = [(half, one) for half in halves if (one := self.sightings.last(half, look)) is not None]
        return SignSeen(
            words=tuple(f"{places[half].short}: {one.answer}" for half, one in found),
            facts=tuple(one.id for _, one in found),
            weak=bool(found) and all(self.sightings.weak(one) for _, one in found),
        )

    def _with(self, look: str, *answers: str) -> tuple[str, ...]:
        return tuple(half for half in self.halves if self.sightings.answer(half, look) in answers)

    def _seen(self) -> Iterator[Sign]:
        for sign, look, answers in _DIRECT:
            found = self._with(look, *answers)
            if found:
                yield sign, self.said(found, look)
        yield from self._of_all()
        yield from self._of_wear()

    def _of_all(self) -> Iterator[Sign]:
        grades = list(self.grades.values())
        shed = tuple(half for half, grade in self.grades.items() if grade.sheds)
        if shed:
            yield "bearings.gone", self.said(shed)
            yield "sheds", self.said(shed)
        if not self.all_graded:
            return
        if not shed:
            yield from self._copper_from_elsewhere()
        if all(grade.harm <= 1 for grade in grades):
            yield "bearings.even", SignSeen()
            opened = since_opened(self.sightings)
            if any(grade.harm for grade in grades) and opened is not None and opened.answer == MANY_HOURS:
                yield "wear.mild", SignSeen(("every half worn a little, many hours",), (opened.id,))
            shiny = tuple(half for half in self.halves if self.grades[half].answer == of.POLISHED)
            if len(shiny) * 2 >= len(grades):
                yield "bearings.polished", self.said(shiny)
                yield from self._of_their_kind(shiny)

    def kind_of(self, kind: str) -> Seen | None:
        """Which kind the half bearings of the rods or of the mains are; None where nobody has said."""
        last = self.sightings.last(ENGINE, of.ROD_KIND if kind == "rod" else of.KIND)
        return last or (self.sightings.last(ENGINE, of.KIND) if kind == "rod" else None)

    def _of_their_kind(self, shiny: tuple[str, ...]) -> Iterator[Sign]:
        """Whether the halves that shine are such as shine in normal life: all of them, or none."""
        kinds = [self.kind_of(kind) for kind in ("rod", "main") if any(f"half-{kind}" in half for half in shiny)]
        known = [one for one in kinds if one is not None and one.answer != of.UNKNOWN]
        facts = tuple(one.id for one in known)
        if len(known) == len(kinds) and all(one.answer == of.TWO_LAYER for one in known):
            yield "shells.two-layer", SignSeen(facts=facts)
        if known and not any(one.answer == of.TWO_LAYER for one in known):
            words = tuple(dict.fromkeys(one.answer for one in known))
            yield "shells.not-soft", SignSeen(words, facts)

    def _copper_from_elsewhere(self) -> Iterator[Sign]:
        """Copper in screen, pan or filter although every half was seen and none gave it off."""
        for look in ("in the screen", "filter"):
            for one in self.sightings.by_place.get((ENGINE, look), ()):
                if one.answer.startswith("copper or bronze"):
                    yield "copper.flakes", SignSeen((one.answer,), (one.id,))

    def _of_wear(self) -> Iterator[Sign]:
        where = {half: self.sightings.answer(half, of.WEAR) for half in self.halves}
        opposite = [
            pair for pair in self.bearings.values() if {where[pair[0]], where[pair[1]]} == {of.FRONT, of.REAR}
        ]
        if opposite:
            yield "edges.opposite", self.said(tuple(half for pair in opposite for half in pair), of.WEAR)
        for edge in (of.FRONT, of.REAR):
            mains = [half for half in self.halves if half.startswith("half-main")]
            if mains and all(where[half] == edge for half in mains):
                yield "mains.edge-alike", self.said(tuple(mains), of.WEAR)
        for pair in self.bearings.values():
            if where[pair[0]] == where[pair[1]] and where[pair[0]] in (of.FRONT, of.REAR, of.BOTH, of.CENTRE):
                yield "wear.by-form", self.said(pair, of.WEAR)
                break
        banded = self._with(of.WEAR, of.BANDS)
        if len({half.rpartition("-")[0] for half in banded if half.startswith("half-main")}) >= 3:
            yield "bands.scallops", self.said(banded, of.WEAR)
        wiped = tuple(half for half in self._with(of.OVERLAY, of.WIPED) if where[half] == of.CROWN)
        if wiped:
            yield "wiped.crown", self.said(wiped)
        backs = {self.sightings.answer(half, of.BACK) for half in self.halves}
        if backs == {of.CLEAN}:
            yield "back.clean", SignSeen()

    def _absent(self) -> Iterator[Sign]:
        """What a whole map speaks against: only where every half was looked at."""
        if not self.all_graded:
            return
        looked = SignSeen(words=("every half graded",))
        if all(self.sightings.answer(half, of.SEAT) for half in self.halves):
            yield "shell.turned", looked
        if all(self.sightings.answer(half, of.BACK) for half in self.halves):
            yield "back.polished", looked


#: Signs that one answer to one half shows by itself.
_DIRECT = (
    ("copper.through", of.OVERLAY, (of.COPPER, of.GONE, of.MELTED)),
    ("fatigue", of.OVERLAY, (of.CRACKED,)),
    ("pits.acid", of.OVERLAY, (of.ACID,)),
    ("shell.turned", of.SEAT, (of.TURNED, of.SHEARED)),
    ("journal.hot", of.SEAT, (of.STUCK,)),
    ("journal.hot", of.BACK, (of.HEATED,)),
    ("hole.covered", of.SEAT, (of.HOLE,)),
    ("marks.wrong", of.SEAT, (of.EXCHANGED,)),
    ("back.polished", of.BACK, (of.MOVED,)),
    ("back.polished", of.SEAT, (of.LOOSE,)),
)
