"""Everything that counts as evidence of one job, gathered into signs: what was seen, the bearing map, figures of
the bench, marks and caps, the door, oil reports."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from statistics import median

from halfthou.causes import SIGNS, Evidence, SignSeen
from halfthou.evidence.at_the_door import of_the_door
from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.debris import no_metal, of_debris, own_metal
from halfthou.evidence.figure_signs import FigureCalled, figure_signs
from halfthou.evidence.float_signs import float_signs, that_count
from halfthou.evidence.known import Known
from halfthou.evidence.oil_report import oil_signs
from halfthou.evidence.patterns import patterns
from halfthou.evidence.places import DEPOSIT, DEPOSIT_DOUBT_NM
from halfthou.evidence.sighted import Sightings
from halfthou.jobs import ENGINE, ComplaintKind, Job, Look, Seen
from halfthou.lengths import Length, Notation
from halfthou.looks import AS_NEW, PASSED
from halfthou.strip import Strip, disagreements, stepped


def gather(sightings: Sightings, figures: Iterable[FigureCalled]) -> Evidence:
    """The evidence of a job.

    Takes:   what was seen of it, on whatever page, and its judged figures: what the gauge says is evidence too.
    Rule:    causes.weigh: what says one thing twice counts once; what was not looked at is left out.
    """
    there: dict[str, SignSeen] = {}
    absent: dict[str, SignSeen] = {}
    for sign, is_there, how in _all(sightings, figures):
        if sign not in SIGNS or (how.facts and all(fact in sightings.mistrusted for fact in how.facts)):
            continue
        into = there if is_there else absent
        into[sign] = _merged(into.get(sign), how)
    return Evidence(there, absent, complaint_of(sightings.job))


def complaint_of(job: Job) -> frozenset[ComplaintKind]:
    """The kinds of the complaint, with those that looks have added."""
    return Strip(job).looks.kinds


def _merged(before: SignSeen | None, how: SignSeen) -> SignSeen:
    """The same sign known in two ways: once. It counts in full where one of them does."""
    if before is None:
        return how
    words = tuple(dict.fromkeys((*before.words, *how.words)))
    facts = tuple(dict.fromkeys((*before.facts, *how.facts)))
    return SignSeen(words, facts, before.weak and how.weak)


def _all(sightings: Sightings, figures: Iterable[FigureCalled]) -> Iterator[Known]:
    job = sightings.job
    yield from _of_sightings(sightings)
    yield from of_debris(sightings)
    bearings = BearingMap(sightings)
    yield from no_metal(bearings)
    shown, not_shown = bearings.signs()
    together, nothing = patterns(bearings)
    yield from ((sign, True, how) for sign, how in (*shown, *together))
    looked = SignSeen(words=("every half graded",))
    yield from ((sign, False, how) for sign, how in (*not_shown, *((sign, looked) for sign in nothing)))
    yield from _earlier(bearings)
    yield from _of_the_crank(sightings)
    yield from _of_skirts(sightings)
    yield from _of_deposits(sightings)
    figures = tuple(figures)
    yield from figure_signs(that_count(sightings, figures))
    yield from float_signs(sightings, figures)
    yield from _of_caps(job)
    yield from of_the_door(job, complaint_of(job))
    reported, not_reported = oil_signs(job, sightings.mistrusted)
    yield from ((sign, True, how) for sign, how in reported)
    yield from ((sign, False, how) for sign, how in not_reported)
    if ComplaintKind.AFTER_SERVICE in complaint_of(job):
        yield "lamp.after-service", True, SignSeen(words=("by the complaint",))


def _of_sightings(sightings: Sightings) -> Iterator[Known]:
    """What the answers to looks say, place by place."""
    clear: dict[str, list[tuple[Seen, str]]] = {}
    for (on, look), said in sightings.by_place.items():
        known = sightings.looks.get(look)
        last = sightings.last(on, look)
        counted = said if known is None or known.several or last is None else (last,)
        for one in counted:
            answer = known.answer(one.answer) if known is not None else None
            if answer is None:
                continue
            name = sightings.name_of(on)
            where = f"{name}: {one.answer}" if name else one.answer
            weak = sightings.weak(one) or _shifted(sightings, look) or own_metal(sightings, look)
            how = SignSeen((where,), (one.id,), weak)
            yield from ((sign, True, how) for sign in answer.shows if not _of_every(on, sign))
            for sign in answer.clears:
                yield sign, False, how
            for sign in answer.shows:
                if _of_every(on, sign):
                    clear.setdefault(look, []).append((one, sign))
    for look, found in clear.items():
        yield from _every(sightings, look, found)


#: Steels whose heat colours lie tens of degrees off those of plain steel. Source: from memory.
_SHIFT_COLOURS = ("alloy steel", "cast or nodular iron")


def _shifted(sightings: Sightings, look: str) -> bool:
    """Whether a heat colour counts less, because the steel is not plain. The part is rejected all the same."""
    return look == Look.ROD and sightings.answer(ENGINE, "steel") in _SHIFT_COLOURS


#: Signs that speak against a cause only once every place was looked at: one drilling that is clear clears no other.
_ONLY_OF_EVERY = frozenset({"drilling.clear", "hole.in-line", "rod.straight", "rings.free"})


def _of_every(on: str, sign: str) -> bool:
    return on != ENGINE and sign in _ONLY_OF_EVERY


def _every(sightings: Sightings, look: str, found: list[tuple[Seen, str]]) -> Iterator[Known]:
    there = {place.id for place in sightings.places_of(sightings.looks[look])}
    if there <= {one.on for one, _ in found}:
        for sign in {sign for _, sign in found}:
            of_it = [one for one, own in found if own == sign]
            if len({one.on for one in of_it}) == len(there):
                weak = any(sightings.weak(one) for one in of_it)
                yield sign, True, SignSeen(("every one",), tuple(one.id for one in of_it), weak)


#: Skirts scuffed where they bear, and such as are scuffed at four points or all round.
_SCUFFED, _CORNERS = ("scuffed on one skirt", "scuffed on both skirts"), "scuffed at four corners"


def _of_skirts(sightings: Sightings) -> Iterator[Known]:
    """Skirts by comparison: one scuffed among clean ones, or all alike; a crown washed clean among sooted ones."""
    layout = sightings.job.limits.layout
    skirts = {f"piston-{n}": sightings.last(f"piston-{n}", "skirts") for n in range(1, layout.cylinders + 1)}
    looked = {on: one for on, one in skirts.items() if one is not None}
    scuffed = [one for one in looked.values() if one.answer in _SCUFFED]
    if len(looked) == layout.cylinders:
        facts = tuple(one.id for one in looked.values())
        alike = len({one.answer for one in looked.values()}) == 1
        if alike and layout.cylinders > 1:
            yield "skirts.alike", True, SignSeen(facts=facts)
        # Two of four is not one of four: it speaks for less, and against nothing.
        some = bool(scuffed) and len(scuffed) * 2 <= layout.cylinders
        if some or not scuffed or len(scuffed) == layout.cylinders:
            yield "skirt.one", some, SignSeen(_words(sightings, scuffed), facts, len(scuffed) > 1)
        yield "skirts.all", len(scuffed) == layout.cylinders > 1, SignSeen(facts=facts)
        if not any(one.answer == _CORNERS for one in looked.values()):
            yield "skirt.all-round", False, SignSeen(facts=facts)
    crowns = [sightings.last(f"piston-{n}", "crown") for n in range(1, layout.cylinders + 1)]
    seen = [one for one in crowns if one is not None]
    washed = [one for one in seen if one.answer == "washed clean"]
    if seen and len(seen) == layout.cylinders > 1:
        yield "crown.washed", len(washed) == 1, SignSeen(_words(sightings, washed), tuple(one.id for one in seen))


#: A rod that got hot, by its colour.
_BLUE_ROD = ("brown or purple", "blue", "grey")


def _earlier(bearings: BearingMap) -> Iterator[Known]:
    """A blue rod whose half bearings are as new: they came after what made it blue."""
    sightings = bearings.sightings
    for rod in bearings.bearings_of("rod"):
        colour = sightings.last(rod, Look.ROD)
        halves = bearings.bearings[rod]
        fresh = all(half in bearings.grades and bearings.grades[half].answer == AS_NEW for half in halves)
        if colour is not None and colour.answer in _BLUE_ROD and fresh:
            words = f"{bearings.called(rod)}: {colour.answer}, half bearings as new"
            yield "blue.under-new", True, SignSeen((words,), (colour.id,), sightings.weak(colour))


def _of_the_crank(sightings: Sightings) -> Iterator[Known]:
    """A crank that was crack-tested whole: a test of one journal clears no fillet of another."""
    tested = sightings.last("crank", Look.CRACK_TEST)
    if tested is not None and tested.answer == PASSED:
        yield "crack.passed", True, SignSeen(("the whole crank",), (tested.id,))


def _words(sightings: Sightings, found: list[Seen]) -> tuple[str, ...]:
    return tuple(f"{sightings.name_of(one.on)}: {one.answer}" for one in found)


def deposits(sightings: Sightings) -> dict[str, Length]:
    """The height of the deposit line in each bore that was measured, by piston."""
    found = {}
    for (on, look), said in sightings.by_place.items():
        if look == DEPOSIT:
            amount = max(said, key=lambda one: one.at).amount
            if amount is not None:
                found[on] = amount
    return found


def _of_deposits(sightings: Sightings) -> Iterator[Known]:
    """A deposit line off the others by more than both lines are in doubt. Source: judgement."""
    heights = deposits(sightings)
    if len(heights) < 3:
        return
    middle = median(height.nm for height in heights.values())
    off = {
        on: height.nm - middle for on, height in heights.items() if abs(height.nm - middle) > 2 * DEPOSIT_DOUBT_NM
    }
    facts = tuple(said[-1].id for (on, look), said in sightings.by_place.items() if look == DEPOSIT)
    say = Notation.usual(sightings.job.shown_in)
    words = tuple(
        f"{sightings.name_of(on)}: {say.with_unit(Length(round(abs(by))))} {'lower' if by > 0 else 'higher'}"
        for on, by in off.items()
    )
    if off or len(heights) == sightings.job.limits.layout.cylinders:
        yield "deposit.differs", bool(off), SignSeen(words, facts)


def _of_caps(job: Job) -> Iterator[Known]:
    """Marks found on rods and caps, and steps felt at the joint."""
    for rod, _, _ in disagreements(job):
        yield "numbers.disagree", True, SignSeen((rod.short,))
    for place, done in stepped(job):
        yield "cap.step", True, SignSeen((place.short,), (done.id,))
