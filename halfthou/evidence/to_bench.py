"""What evidence says to the verdicts of the parts: the eye may reject; it never accepts.

Rule:    evidence.to-bench.
"""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Engine
from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.grades import EXCHANGED, IN_PLACE, OVERLAY, SEAT, SHEARED, TURNED
from halfthou.evidence.sighted import Sightings
from halfthou.jobs import ENGINE, Job, Look, Observation, Sighting
from halfthou.operations import stale_looks
from halfthou.strip import places_off
from halfthou.surveys import Seen
from halfthou.verdicts import HALVES_NOT, HALVES_SOUND

#: By look and answer of the board: what the bench is told, on the pump.
_PUMP = {
    ("screen", "blocked"): ("screen", "blocked"),
    ("screen", "part blocked"): ("screen", "blocked"),
    ("screen", "torn"): ("screen", "torn"),
    ("in the screen", "copper or bronze flakes"): ("metal", "metal found"),
    ("filter", "copper or bronze"): ("metal", "metal found"),
    ("pickup seal", "thin"): ("seal at the pickup", "too thin"),
    ("pickup seal", "doubled"): ("seal at the pickup", "doubled"),
    ("pickup seal", "wrong section"): ("seal at the pickup", "wrong kind"),
    ("pickup seal", "missing"): ("seal at the pickup", "missing"),
    ("pump inside", "dry inside"): ("inside", "dry"),
    ("pump body", "scored"): ("pump housing", "scored, nail runs clear"),
    ("pump body", "cracked"): ("pump housing", "cracked"),
    ("pump gears", "blued"): ("gears or rotors", "blued"),
    ("pump gears", "chipped"): ("gears or rotors", "chipped"),
    ("pump gears", "scored"): ("gears or rotors", "scored"),
    ("drive", "broken or rounded off"): ("drive", "tang broken"),
    ("relief", "stuck open"): ("relief valve", "plunger stuck"),
    ("relief", "stuck shut"): ("relief valve", "plunger stuck"),
    ("relief", "chip under it"): ("relief valve", "chip in it"),
}
#: By look and answer of the board: what the bench is told, on the piston or bore of the same cylinder.
_CYLINDER = {
    ("skirt", "scuffed on one side"): ("piston", "skirts", "scuffed on one skirt"),
    ("skirt", "scuffed on both sides"): ("piston", "skirts", "scuffed on both skirts"),
    ("skirt", "at four points or all round"): ("piston", "skirts", "scuffed at four corners"),
    ("crown", "washed clean"): ("piston", "crown", "washed clean"),
    ("crown", "melted"): ("piston", "crown", "burnt"),
    ("lands", "cracked"): ("piston", "lands", "land broken"),
    ("lands", "lifted"): ("piston", "lands", "land broken"),
    ("lands", "gone"): ("piston", "lands", "land broken"),
    ("bore wall", "glazed"): ("bore", Look.SURFACE.value, "glazed"),
    ("bore wall", "seized metal"): ("bore", Look.SURFACE.value, "scuffed"),
    ("bore wall", "rust or water line"): ("bore", Look.SURFACE.value, "rust or pitted"),
    ("bore wall", "wet with oil"): ("bore", Look.WET.value, "wet with oil"),
}  # fmt: skip
_RODS = {"straw": "straw", "brown or purple": "brown or purple", "blue": "blue", "grey": "grey"}


def evidence_seen(job: Job, engine: Engine, seen: Seen) -> Seen:
    """What the evidence makes the bench see, beside what was looked at there.

    Takes:   what was seen at the bench. Of two answers to one look the worse counts, whoever gave it: a pump
             cracked at the bench is not merely scored, a pin's blue rod is not hidden by its straw one. Only a
             rod's colour follows a later look at the bench: there it was tested or renewed.
    Gives:   looks that reject; what was put right by work since is left out.
    """
    if not job.sightings:
        return {}
    told = tuple(_told(job, engine))
    stale = stale_looks(job, engine, told)
    found: Seen = {}
    for one in told:
        key, at_bench = (one.on, one.look), seen.get((one.on, one.look))
        if one.id in stale:
            continue
        if at_bench is not None:
            later = at_bench.at >= one.at
            if later if one.look == Look.ROD else _harm(at_bench, engine) >= _harm(one, engine):
                continue
        if key not in found or _harm(one, engine) > _harm(found[key], engine):
            found[key] = one
    return found


def _harm(one: Observation, engine: Engine) -> int:
    """How bad an answer is: a look lists its answers from good to bad."""
    look = engine.look(one.look, one.on)
    return look.answers.index(one.answer) if look is not None and one.answer in look.answers else -1


def _told(job: Job, engine: Engine) -> Iterator[Observation]:
    sightings = Sightings(job, mistrusted_too=True)
    yield from _of_halves(sightings)
    yield from _of_engine(sightings, engine)
    places = places_off(job.limits.layout)
    for (on, look), said in sightings.by_place.items():
        for one in said:
            if look == "rod heat" and one.answer in _RODS:
                yield _observation(one, places[on].beside, Look.ROD, _RODS[one.answer])
            told = _CYLINDER.get((look, one.answer))
            if told is not None:
                kind, bench_look, answer = told
                part = on.replace("piston", kind)
                known = engine.look(bench_look, part) if part in engine.parts else None
                if known is not None and answer in known.answers:
                    yield _observation(one, part, bench_look, answer)


def _observation(one: Sighting, on: str, look: str, answer: str) -> Observation:
    return Observation(id=one.id, on=on, look=look, answer=answer, by=one.by, at=one.at)


def _of_engine(sightings: Sightings, engine: Engine) -> Iterator[Observation]:
    metal = BearingMap(sightings).gone
    if "pump" not in engine.parts:
        return
    for (on, look), said in sightings.by_place.items():
        for one in said if on == ENGINE else ():
            told = _PUMP.get((look, one.answer))
            if told is not None:
                yield _observation(one, "pump", *told)
    shed = [
        grade
        for bearing in metal
        for half in ("upper", "lower")
        if (grade := sightings.last(f"half-{bearing}-{half}", OVERLAY)) is not None
    ]
    if shed:
        yield _observation(max(shed, key=lambda one: one.at), "pump", "metal", "metal found")


def _of_halves(sightings: Sightings) -> Iterator[Observation]:
    """Half bearings that turned, and those that never go back."""
    places, bearings = places_off(sightings.job.limits.layout), BearingMap(sightings)
    by_journal: dict[str, list[str]] = {}
    for half in bearings.halves:
        by_journal.setdefault(places[half].beside, []).append(half)
    for journal, halves in by_journal.items():
        seats = [seat for half in halves if (seat := sightings.last(half, SEAT)) is not None]
        turned = [seat for seat in seats if seat.answer in (TURNED, SHEARED)]
        if turned:
            yield _observation(turned[-1], journal, Look.SHELL, "turned in its housing")
        graded = [grade for half in halves if (grade := sightings.last(half, OVERLAY)) is not None]
        rejected = [grade for grade in graded if bearings.grades[grade.on].rejected]
        rejected += [seat for seat in seats if seat.answer not in (IN_PLACE, EXCHANGED)]
        if rejected:
            yield _observation(rejected[-1], journal, Look.HALVES, HALVES_NOT)
        elif len(graded) == len(halves):
            yield _observation(graded[-1], journal, Look.HALVES, HALVES_SOUND)
