"""What contradicts itself in the evidence, pointed out: never silently settled.

Rule:    evidence.contradiction.
"""

from __future__ import annotations

import re
from collections.abc import Iterable, Iterator

from halfthou.causes import CAUSES, SIGNS, Weighed, Word, both_ways
from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.debris import against_the_magnet
from halfthou.evidence.figure_signs import FigureCalled
from halfthou.evidence.oil_report import FIGURES, oil_findings
from halfthou.evidence.sighted import Sightings
from halfthou.jobs import Job, Stand
from halfthou.looks import AS_NEW, GONE, IN_PLACE, POLISHED, SEAT, TURNED
from halfthou.strip import places_off
from halfthou.verdicts import Called, FigureKey
from halfthou.words import Reason

_RULE = "evidence.contradiction"
_NUMBERS = {"one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6}
_RODS = re.compile(
    r"\b(?:only|just)?\s*(\d|one|two|three|four|five|six)\s+(?:rods?|big ends?|rod bearings?)\b", re.I
)
_DRY = re.compile(r"\b(?:ran|run|running) dry\b|\bno oil\b|\bout of oil\b", re.I)


def contradictions_of(
    sightings: Sightings, figures: Iterable[FigureCalled], signs: frozenset[str]
) -> tuple[Reason, ...]:
    """What in the evidence cannot all be true.

    Takes:   what was seen, judged figures, and the signs that are there.
    """
    return (
        *_two_people(sightings),
        *_both(signs),
        *_seats(sightings),
        *_complaint(sightings, signs),
        *_grade_and_gauge(sightings, figures),
        *oil_findings(sightings.job),
        *_magnet(sightings),
        *_strange(sightings),
    )


def _two_people(sightings: Sightings) -> Iterator[Reason]:
    for counts, other in sightings.disagreeing():
        look = sightings.looks[counts.look]
        where = sightings.name_of(counts.on) or look.called
        which = "worse" if look.harm_of(counts.answer) != look.harm_of(other.answer) else "later"
        text = (
            f"{where}: {counts.by} says {counts.answer}, {other.by} says {other.answer}. "
            f"The {which} counts. Look again together; one takes theirs back."
        )
        yield Reason(rule=_RULE, text=text, spots=(counts.on,))


def _both(signs: frozenset[str]) -> Iterator[Reason]:
    """A look that proves a cause, and one that rules it out, both written down."""
    for _, out, proof in both_ways(signs):
        text = f"“{SIGNS[proof].words}” and “{SIGNS[out].words}” cannot both be so. Take one back, or mistrust it."
        yield Reason(rule=_RULE, text=text)


def _seats(sightings: Sightings) -> Iterator[Reason]:
    for half, place in places_off(sightings.job.limits.layout).items():
        if place.kind != "half bearing":
            continue
        if sightings.answer(half, SEAT) == TURNED and sightings.answer(place.beside, SEAT) == IN_PLACE:
            text = f"{place.short}: turned on the map, “in place” at the bench. It counts as turned."
            yield Reason(rule=_RULE, text=text, spots=(half,))


def _complaint(sightings: Sightings, signs: frozenset[str]) -> Iterator[Reason]:
    job, bearings = sightings.job, BearingMap(sightings)
    told = _RODS.search(job.complaint)
    gone = [bearing for bearing in bearings.gone if bearing.startswith("rod")]
    if told is not None:
        number = _NUMBERS.get(told[1].lower()) or int(told[1])
        if gone and number < len(gone):
            text = f"The complaint says “{told[0].strip()}”; the map shows {len(gone)} gone."
            yield Reason(rule=_RULE, text=text)
    if "level.right" in signs and (_DRY.search(job.complaint) or "level.low" in signs):
        text = "It is said to have run dry, and the level was right on arrival. Was it filled since? Ask."
        yield Reason(rule=_RULE, text=text)


def _grade_and_gauge(sightings: Sightings, figures: Iterable[FigureCalled]) -> Iterator[Reason]:
    bearings, places = BearingMap(sightings), places_off(sightings.job.limits.layout)
    beyond = {one.part for one in figures if one.key == FigureKey.CLEARANCE_MOST and one.called is Called.BEYOND}
    within = {one.part for one in figures if one.key == FigureKey.CLEARANCE_MOST and one.called is Called.WITHIN}
    for half, grade in bearings.grades.items():
        journal = places[half].beside
        if grade.answer in (AS_NEW, POLISHED) and journal in beyond:
            text = f"{places[half].short}: graded {grade.answer}, yet its oil clearance is beyond. Look again."
            yield Reason(rule=_RULE, text=text, spots=(half,))
        if grade.answer == GONE and journal in within:
            text = f"{places[half].short}: graded gone, yet its oil clearance is within. Look and read again."
            yield Reason(rule=_RULE, text=text, spots=(half,))


def _magnet(sightings: Sightings) -> Iterator[Reason]:
    for one in against_the_magnet(sightings):
        said = one.debris.words if one.debris is not None else ""
        text = f"{sightings.looks[one.look].name}: {one.answer}, and {said}. Hold the magnet to it again."
        yield Reason(rule=_RULE, text=text)


def _strange(sightings: Sightings) -> Iterator[Reason]:
    for one in sightings.strange:
        text = f"{one.on}: {one.look}, {one.answer}. Not known to this program: kept, not weighed."
        yield Reason(rule="evidence.unknown", text=text)
    for report in sightings.job.standing(sightings.job.oil_reports):
        for figure in report.figures:
            if figure.key not in FIGURES or figure.unit not in FIGURES[figure.key].units:
                text = f"Oil report {report.sample}: {figure.key} in {figure.unit}. Not known: kept, not weighed."
                yield Reason(rule="evidence.unknown", text=text)


def against_the_settled(job: Job, weighed: Weighed) -> tuple[Reason, ...]:
    """What has come in against a cause that a person settled on: said, and nothing re-opened.

    Rule:    causes.gate.
    """
    said = job.standing(job.causes_said)
    if not said or said[-1].stand is not Stand.SETTLED:
        return ()
    last, cause = said[-1], CAUSES.get(said[-1].cause)
    if cause is None:
        text = f"{last.by} settled on “{last.cause}”, a cause this program does not know. It stands as said."
        return (Reason(rule="evidence.unknown", text=text),)
    word = weighed.words[cause.key]
    if word in (Word.RULED_OUT, Word.UNLIKELY):
        text = f"{last.by} settled on “{cause.name}”; what was seen makes it {word.value}. It stays as settled."
        return (Reason(rule="causes.gate", text=text),)
    return ()
