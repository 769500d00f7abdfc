"""What the screen is told of the evidence: the bearing map, the oil's way, looks, causes, what metal went
through."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime

from halfthou.causes import CAUSES, SIGNS, CauseWeighed, NextLook, in_words, next_looks
from halfthou.engines import described
from halfthou.evidence.contaminated import Contaminated, metal_in
from halfthou.evidence.gate import Gate
from halfthou.evidence.gathering import deposits
from halfthou.evidence.oil_shown import OIL_KNOWN, OilKnown, OilReportShown, oil_shown
from halfthou.evidence.oil_way import EXTRAS, oil_way_of
from halfthou.evidence.reading_the_way import StationShown, readings_of_the_way, stations_shown
from halfthou.evidence.standing import EvidenceStanding
from halfthou.jobs import (
    ENGINE,
    IN_GENERAL,
    CarriedPart,
    CauseSaid,
    Debris,
    Document,
    Grain,
    Job,
    Look,
    Mistrust,
    Much,
    Remedy,
    Seen,
    Stand,
    Tint,
)
from halfthou.lengths import Notation
from halfthou.looks import (
    BACK,
    GRADES,
    KIND,
    NORMAL,
    OF_HALVES,
    OVERLAY,
    ROD_KIND,
    SEAT,
    UNKNOWN,
    WEAR,
    Asks,
    Grade,
    LookKind,
)
from halfthou.strip import places_off
from halfthou.words import Caution, Reason


class HalfShown(Document):
    """A half bearing where it sat: its grade, where it is worn, its back and its seat."""

    id: str
    bearing: str
    journal: str
    upper: bool
    name: str
    grade: Grade | None
    fact: str
    wear: str
    arc: tuple[int, int] | None
    back: str
    seat: str
    weak: bool
    by: str


class ShellKindShown(Document):
    """Which kind the half bearings of the mains or of the rods are, by which look, and what is normal for it."""

    of: str
    look: str
    kind: str
    normal: str


class AskedOfDebris(Document):
    """What is asked of debris, beside the magnet."""

    much: tuple[Much, ...]
    grain: tuple[Grain, ...]
    tint: tuple[Tint, ...]


class BearingShown(Document):
    """A bearing along the shaft: what its rod shows of heat, what its thrust faces show where it carries them; and
    the place whose card its name opens. `bank` is that of its rod, "" where there is one bank; `sideways` says that
    its halves lie left and right, in a split case."""

    id: str
    name: str
    main: bool
    heat: str
    thrust: str
    place: str
    bank: str
    sideways: bool


class SaidShown(Document):
    """An answer to a look: where, by whom, and whether it counts in full."""

    fact: str
    on: str
    place: str
    answer: str
    by: str
    at: datetime
    weak: bool
    mistrusted: bool
    debris: Debris | None
    described: str


class PlaceShown(Document):
    """A place that a look is taken on."""

    id: str
    name: str


class LookOnBoard(Document):
    """A look: its answers, where it is taken, what was said, and what destroys it. `of_debris` are the answers
    beside which it is said what the debris is like."""

    key: str
    name: str
    where: str
    minutes: int
    how: str
    answers: tuple[str, ...]
    of_debris: tuple[str, ...]
    several: bool
    places: tuple[PlaceShown, ...]
    said: tuple[SaidShown, ...]
    lost: str
    gone: bool
    at_bench: bool
    measured: bool


class DepositShown(Document):
    """The height of a deposit line, from the deck."""

    on: str
    name: str
    height: str
    height_nm: int


class OilWayShown(Document):
    """The oil's way: its stations, what it says, and how it is known to run."""

    stations: tuple[StationShown, ...]
    readings: tuple[Reason, ...]
    source: str
    from_rear: bool
    feeds: dict[str, tuple[str, ...]]
    extras: tuple[str, ...]
    known_extras: dict[str, str]


class SaidOfCause(Document):
    """What a person made of the cause."""

    fact: str
    stand: Stand
    name: str
    reason: str
    by: str
    at: datetime


class IssuedShown(Document):
    """A report that was sent."""

    fact: str
    number: int
    by: str
    at: datetime


class EvidenceBoard(Document):
    """The evidence of a job, and what it comes to."""

    grades: tuple[Grade, ...]
    wears: tuple[str, ...]
    backs: tuple[str, ...]
    seats: tuple[str, ...]
    halves: tuple[HalfShown, ...]
    bearings: tuple[BearingShown, ...]
    to_grade: int
    kinds: tuple[ShellKindShown, ...]
    asked_of_debris: AskedOfDebris
    way: OilWayShown
    looks: tuple[LookOnBoard, ...]
    deposits: tuple[DepositShown, ...]
    oil_reports: tuple[OilReportShown, ...]
    oil_known: tuple[OilKnown, ...]
    causes: tuple[CauseWeighed, ...]
    unexplained: tuple[str, ...]
    next: tuple[NextLook, ...]
    contradictions: tuple[Reason, ...]
    reminders: tuple[str, ...]
    said: tuple[SaidOfCause, ...]
    remedies: tuple[Remedy, ...]
    mistrusts: tuple[Mistrust, ...]
    gate: Gate
    metal: tuple[str, ...]
    contaminated: tuple[Contaminated, ...]
    carried: tuple[CarriedPart, ...]
    reports: tuple[IssuedShown, ...]
    cautions: tuple[Caution, ...]


def evidence_board(standing: EvidenceStanding, cautions: tuple[Caution, ...]) -> EvidenceBoard:
    """Everything the board shows of a job.

    Rule:    evidence.map, evidence.oil-way, causes.weigh, causes.next, evidence.contaminated, causes.gate.
    """
    job, sightings, bearings = standing.job, standing.sightings, standing.bearings
    weighed = standing.weighed
    return EvidenceBoard(
        grades=GRADES,
        wears=OF_HALVES[WEAR].texts,
        backs=OF_HALVES[BACK].texts,
        seats=OF_HALVES[SEAT].texts,
        halves=tuple(_halves(standing)),
        bearings=tuple(_bearings(standing)),
        to_grade=len(bearings.halves) - len(bearings.grades),
        kinds=tuple(_kinds(standing)),
        asked_of_debris=AskedOfDebris(much=tuple(Much), grain=tuple(Grain), tint=tuple(Tint)),
        way=_oil_way(standing),
        looks=tuple(_look(look, standing) for look in sightings.looks.on_the_board),
        deposits=tuple(_deposits(standing)),
        oil_reports=tuple(oil_shown(job, sightings.mistrusted)),
        oil_known=OIL_KNOWN,
        causes=in_words(weighed),
        unexplained=tuple(SIGNS[sign].words for sign in weighed.unexplained),
        next=next_looks(weighed, standing.still),
        contradictions=standing.contradictions,
        reminders=_reminders(job),
        said=tuple(_said_of_cause(one) for one in job.standing(job.causes_said)),
        remedies=job.standing(job.remedies),
        mistrusts=job.standing(job.mistrusts),
        gate=standing.gate,
        metal=metal_in(sightings, standing.signs),
        contaminated=standing.contaminated,
        carried=job.standing(job.carried_parts),
        reports=tuple(IssuedShown(fact=r.id, number=r.number, by=r.by, at=r.at) for r in job.reports),
        cautions=cautions,
    )


def _kinds(standing: EvidenceStanding) -> Iterator[ShellKindShown]:
    for of, look in (("main", KIND), ("rod", ROD_KIND)):
        said = standing.bearings.kind_of(of)
        kind = said.answer if said is not None else UNKNOWN
        yield ShellKindShown(of=of, look=look, kind=kind, normal=NORMAL[kind])


def _oil_way(standing: EvidenceStanding) -> OilWayShown:
    bearings, way = standing.bearings, oil_way_of(standing.job)
    return OilWayShown(
        stations=stations_shown(way, standing.sightings, bearings),
        readings=readings_of_the_way(way, bearings),
        source=way.source,
        from_rear=way.said is not None and way.said.from_rear,
        feeds={pin: way.feeds(pin) for pin in standing.job.limits.layout.rods},
        extras=way.extras,
        known_extras=EXTRAS,
    )


def _halves(standing: EvidenceStanding) -> Iterator[HalfShown]:
    places, sightings, bearings = places_off(standing.job.limits.layout), standing.sightings, standing.bearings
    for half in bearings.halves:
        one, wear = sightings.last(half, OVERLAY), sightings.last(half, WEAR)
        yield HalfShown(
            id=half,
            bearing=half.removeprefix("half-").rpartition("-")[0],
            journal=places[half].beside,
            upper=half.endswith("upper"),
            name=places[half].name,
            grade=bearings.grades.get(half),
            fact="" if one is None else one.id,
            wear="" if wear is None else wear.answer,
            arc=None if wear is None else wear.arc,
            back=sightings.answer(half, BACK),
            seat=sightings.answer(half, SEAT),
            weak=one is not None and sightings.weak(one),
            by="" if one is None else one.by,
        )


def _bearings(standing: EvidenceStanding) -> Iterator[BearingShown]:
    engine = described(standing.job.limits.layout)
    banks = {f"rod-{n}": bank for bank, cylinders in engine.staggered for n in cylinders}
    for bearing in standing.bearings.bearings:
        yield BearingShown(
            id=bearing,
            name=standing.bearings.called(bearing),
            main=bearing.startswith("main"),
            heat=standing.sightings.answer(bearing, Look.ROD),
            thrust=standing.sightings.answer(f"cap-{bearing}", "thrust"),
            place=f"M{bearing.removeprefix('main-')}" if bearing.startswith("main") else bearing,
            bank=banks.get(bearing, ""),
            sideways=bearing.startswith("main") and engine.case,
        )


def _look(look: LookKind, standing: EvidenceStanding) -> LookOnBoard:
    sightings = standing.sightings
    places = [(one.id, one.name) for one in sightings.places_of(look)] or [(ENGINE, "Engine")]
    said = [one for one in sightings.all if one.look == look.key and one.answer not in IN_GENERAL]
    return LookOnBoard(
        key=look.key,
        name=look.name,
        where=look.station,
        minutes=look.minutes,
        how=look.how,
        answers=look.offered,
        of_debris=look.asking(Asks.DEBRIS),
        several=look.several,
        places=tuple(PlaceShown(id=key, name=name) for key, name in places),
        said=tuple(_said(one, standing) for one in said if _stands(one, standing)),
        lost=standing.still.lost_by.get(look.lost_by, "") if look.lost_by else "",
        gone=look.key in standing.still.gone,
        at_bench=not look.answers,
        measured=bool(look.asking(Asks.HEIGHT)),
    )


def _stands(one: Seen, standing: EvidenceStanding) -> bool:
    """Whether an answer counts still, or is kept aside because somebody mistrusts it."""
    counted = standing.sightings.by_place.get((one.on, one.look), ())
    return one in counted or one.id in standing.sightings.mistrusted


def _said(one: Seen, standing: EvidenceStanding) -> SaidShown:
    place = "" if one.on == ENGINE else standing.engine.named(one.on)
    return SaidShown(
        fact=one.id,
        on=one.on,
        place=place,
        answer=one.answer,
        by=one.by,
        at=one.at,
        weak=standing.sightings.weak(one),
        mistrusted=one.id in standing.sightings.mistrusted,
        debris=one.debris,
        described="" if one.debris is None else one.debris.words,
    )


def _deposits(standing: EvidenceStanding) -> Iterator[DepositShown]:
    say = Notation.usual(standing.job.shown_in)
    for on, height in deposits(standing.sightings).items():
        yield DepositShown(on=on, name=standing.engine.named(on), height=say.with_unit(height), height_nm=height.nm)


def _said_of_cause(one: CauseSaid) -> SaidOfCause:
    name = CAUSES[one.cause].name if one.cause in CAUSES else one.cause or one.words
    return SaidOfCause(fact=one.id, stand=one.stand, name=name, reason=one.reason, by=one.by, at=one.at)


def _reminders(job: Job) -> tuple[str, ...]:
    """What a family of engines is known for: a reminder to look, without weight."""
    return tuple(one.answer for one in job.standing(job.statements) if one.topic == REPUTATION)


REPUTATION = "known for"
