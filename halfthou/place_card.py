"""The card of a place: what is known of the part that lies there, from bench, strip and evidence alike."""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Iterator, Sequence
from datetime import datetime

from halfthou.assess import JudgedJob
from halfthou.engines import MARKED_FIRST, Place
from halfthou.evidence import Sightings
from halfthou.jobs import BARE, Document, Fact, Fitting, Job, Picture, Reading, Seen, StepDone, Withdrawal
from halfthou.looks import BY_ANSWER, OVERLAY
from halfthou.operations import last_work, stale_by
from halfthou.report import Assessment, PartReport
from halfthou.story import NamesOfJob
from halfthou.strip import Strip, lies_in, lies_there
from halfthou.verdicts import Called, Mark


class UnknownPlace(KeyError):
    """The engine has no such place."""


class MarkOnCard(Document):
    """The mark of a part: what it ought to be, what was found and given; how and with what it is made."""

    ought: str
    found: str
    given: str
    how: str


class FigureOnCard(Document):
    """A judged figure of the part: what was found, against which limit, and what it is called."""

    name: str
    said: str
    limit: str
    called: Called


class SizeOnCard(Document):
    """A size that was read of the part: what and where, when, how far up a drawing places it in the smallest units
    of what is read; or work that was done to it since, in words. A size that work has overtaken is `stale`."""

    at: datetime
    words: str
    count: int | None
    stale: bool = False


class SaidOnCard(Document):
    """Something that was seen, done or said of the part: by whom and when. It may be `taken_back`; `aside`
    says why it counts less, or not at all."""

    fact: str
    words: str
    by: str
    at: datetime
    taken_back: bool = False
    aside: str = ""


class BesideOnCard(Document):
    """A part that lies with this one, and how it stands in a few words."""

    id: str
    name: str
    stands: str


class PlaceCard(Document):
    """All that is known of one place. `piece` is the part that lies there now, by the place it came in or by its
    own name; "" where none does. `lies` says in words where it lies. `waits` is what is still wanted of it;
    `figures_of` names the part that the figures are of: its own, else that of the part it lies with. `sizes` are
    what was read of it first over time: its own diameter, gap or height."""

    id: str
    kind: str
    name: str
    short: str
    set: str
    piece: str
    piece_name: str
    lies: str
    mark: MarkOnCard | None
    verdict: Mark | None
    headline: str
    readings: str
    figures: tuple[FigureOnCard, ...]
    figures_of: str
    sizes: tuple[SizeOnCard, ...]
    seen: tuple[SaidOnCard, ...]
    beside: tuple[BesideOnCard, ...]
    waits: tuple[str, ...]
    told: tuple[SaidOnCard, ...]


def place_card(judged: JudgedJob, shown: Assessment, place: str) -> PlaceCard:
    """The card of a place of the engine, or of a piece that was brought in.

    Takes:   the job judged, and its assessment in words.
    Raises:  UnknownPlace.
    Rule:    strip.places, pieces.places: facts belong to the piece; a place shows those of what lies there now.
    """
    return _Card(judged, shown).of(place)


#: What stands under a heading of its own on the card, or is told with what it takes back.
_TOLD_ELSEWHERE = (Seen, Reading, Picture, Withdrawal)


class _Card:
    """Cards of one job."""

    def __init__(self, judged: JudgedJob, shown: Assessment) -> None:
        self.job: Job = judged.job
        self.engine = judged.engine
        self.names = NamesOfJob(self.job, self.engine)
        self.strip = Strip(self.job)
        self.sightings = Sightings(self.job, self.engine)
        self.places = self.engine.places
        self.parts = {part.id: part for part in shown.parts}
        #: How often what lies beside a part was read: it is reported with that part.
        self.read = Counter(one.part for one in self.job.standing_readings if one.part not in self.parts)

    def of(self, key: str) -> PlaceCard:
        """The card of one place."""
        place = self.places.get(key)
        if place is None:
            raise UnknownPlace(key)
        piece = key if place.spare else lies_there(self.job, key, self.engine)
        about = piece or key
        part = self.parts.get(about)
        judged_with = part or self.parts.get(place.beside)
        facts = [fact for _, fact in self.job.facts if about in self._of_what(fact) or _moves(fact, key)]
        seen = [fact for fact in facts if isinstance(fact, Seen)]
        told = [fact for fact in facts if not isinstance(fact, _TOLD_ELSEWHERE)]
        return PlaceCard(
            id=key,
            kind=place.kind,
            name=place.name,
            short=place.short,
            set=place.set,
            piece=piece,
            piece_name=self.places[piece].name if piece in self.places and piece != key else "",
            lies=self._lies(about, seen=bool(seen)),
            mark=self._mark(self.places.get(about, place)),
            verdict=part.mark if part is not None else None,
            headline=part.headline if part is not None else "",
            readings=_readings(part),
            figures=tuple(_figures(judged_with)),
            figures_of=self.places[judged_with.id].name if judged_with is not None else "",
            sizes=self._sizes(about, part),
            seen=self._said(seen, about),
            beside=tuple(self._beside(place)),
            waits=tuple(self._waits(about, part)),
            told=self._said(told, about),
        )

    def _of_what(self, fact: Fact) -> set[str]:
        """The pieces that a fact is of; of a step those it takes out or marks."""
        step = self.strip.by_id.get(fact.step) if isinstance(fact, StepDone) else None
        own = {str(getattr(fact, name)) for name in ("part", "on", "piece") if getattr(fact, name, None)}
        return own if step is None else {*own, *step.takes, *step.marks}

    def _lies(self, piece: str, *, seen: bool) -> str:
        lies, place = lies_in(self.job, piece, self.engine), self.places.get(piece)
        if lies.pocket:
            return f"in {lies.pocket}"
        if not lies.place:
            return "in no place of the engine"
        if lies.place != piece:
            return f"fitted as {self.names.called(lies.place)}"
        if place is None or not place.how:
            return ""
        return "nobody wrote down where it lies" if seen else "in its place: nobody said otherwise"

    def _mark(self, place: Place) -> MarkOnCard | None:
        if not place.how:
            return None
        found, given = self.strip.marks.found.get(place.id), self.strip.marks.given.get(place.id)
        return MarkOnCard(
            ought=place.mark,
            found="" if found is None else "no mark" if found.mark == BARE else found.mark,
            given="" if given is None else given.mark,
            how=place.how,
        )

    def _said(self, facts: Sequence[Fact], about: str) -> tuple[SaidOnCard, ...]:
        back = self.job.taken_back
        newest = sorted(facts, key=lambda fact: (fact.at, fact.id), reverse=True)
        return tuple(
            SaidOnCard(
                fact=one.id,
                words=self._words(one, about),
                by=one.by,
                at=one.at,
                taken_back=one.id in back,
                aside=self._aside(one),
            )
            for one in newest
        )

    def _sizes(self, piece: str, part: PartReport | None) -> tuple[SizeOnCard, ...]:
        """What was read of a part over time, with the work between that made it stale; nothing of one that is read
        at no place."""
        if part is None or not part.features:
            return ()
        feature, worked = part.features[0].feature, last_work(self.job, self.engine)
        read = [one for one in self.job.standing_by_part.get(piece, ()) if one.feature == feature]
        touching = (one for one in self.job.standing_operations if piece in self.engine.touched(one.on))
        lines = [SizeOnCard(at=one.at, words=one.kind.value, count=None) for one in touching]
        for one in read:
            words, stale = f"{self.names.read(one)} at {one.spot}", stale_by(one, worked) is not None
            lines.append(SizeOnCard(at=one.at, words=words, count=one.count, stale=stale))
        return tuple(sorted(lines, key=lambda line: line.at)) if read else ()

    def _aside(self, fact: Fact) -> str:
        """Why something that was seen counts less. Rule: looks.destroyed."""
        if fact.id in self.job.taken_back:
            return "taken back"
        if fact.id in self.sightings.mistrusted:
            return "mistrusted"
        weak = isinstance(fact, Seen) and self.sightings.weak(fact)
        return "seen after a wash: counts less" if weak else ""

    def _words(self, fact: Fact, about: str) -> str:
        """A fact in words, without the name that stands over the card."""
        words = fact.said(self.names)
        own = re.sub(rf"^{re.escape(self.names.called(about))},? ", "", words)
        return own[:1].upper() + own[1:]

    def _beside(self, place: Place) -> Iterator[BesideOnCard]:
        """What lies with a part: its pair, its journal, what hangs on it; its cylinder's piston, bore and rings."""
        for key, other in self.places.items():
            if key != place.id and not other.spare and _together(place, other):
                yield BesideOnCard(id=key, name=other.name, stands=self._stands(key))

    def _stands(self, key: str) -> str:
        part = self.parts.get(key)
        if part is not None and not part.to_read and part.headline:
            return part.headline
        if read := self.read.get(key):
            return f"{read} {'reading' if read == 1 else 'readings'}"
        grade = BY_ANSWER.get(self.sightings.answer(key, OVERLAY))
        if grade is not None:
            return f"{grade.key}: {grade.answer}"
        bears = self.strip.marks.bears(key)
        return f"marked {bears}" if bears else part.headline if part is not None else ""

    def _waits(self, piece: str, part: PartReport | None) -> Iterator[str]:
        place = self.places.get(piece)
        begun = bool(self.strip.done)
        if place is not None and place.kind in MARKED_FIRST and begun and not self.strip.marks.bears(piece):
            yield f"its mark, {place.mark}"
        if place is not None and place.kind == "half bearing" and not self.sightings.answer(piece, OVERLAY):
            yield "its grade"
        if part is None:
            return
        if part.left:
            yield f"{part.left} {'reading' if part.left == 1 else 'readings'}"
        if part.unseen:
            yield f"a look: {', '.join(part.unseen)}"
        if part.to_repeat:
            yield f"a second reading at {', '.join(one.spot for one in part.to_repeat)}"
        questions = sum(spot.doubt is not None for feature in part.features for spot in feature.spots)
        if questions:
            yield f"{questions} {'answer' if questions == 1 else 'answers'} to what was asked"


def _moves(fact: Fact, place: str) -> bool:
    """Whether a fact tells of what lay in a place: it is the place's history, whichever piece it is of."""
    return isinstance(fact, Fitting) and place in (fact.piece, fact.place)


def _together(place: Place, other: Place) -> bool:
    if other.id in (place.pair, place.beside) or place.id in (other.pair, other.beside):
        return True
    if place.beside and place.beside == other.beside:
        return place.cylinder == other.cylinder
    below = {"rod", "rod cap", "piston", "bore", "ring"}
    return bool(place.cylinder) and place.cylinder == other.cylinder and {place.kind, other.kind} <= below


def _readings(part: PartReport | None) -> str:
    if part is None:
        return ""
    spots = [spot for feature in part.features for spot in feature.spots]
    taken = sum(spot.current is not None for spot in spots)
    return f"{taken} of {taken + part.left} readings" if spots else ""


def _figures(part: PartReport | None) -> Iterator[FigureOnCard]:
    for figure in part.figures if part is not None else ():
        yield FigureOnCard(name=figure.name, said=figure.said, limit=figure.limit, called=figure.called)
