"""What a strip report tells of what was found: every look, figure, fastener and piece, from whichever page."""

from __future__ import annotations

import re
from collections.abc import Iterator

from halfthou.evidence.standing import EvidenceStanding
from halfthou.evidence.wrong import is_wrong
from halfthou.first_look import Found
from halfthou.jobs import Document, FastenerState, Seen
from halfthou.looks import OVERLAY
from halfthou.report import Assessment, PartReport
from halfthou.strip import Strip, disagreements, places_off, stepped
from halfthou.verdicts import Called


class ReportFinding(Document):
    """One finding: of which part, what was seen or measured, its pictures, and those of a sound part beside
    them."""

    part: str
    words: str
    figures: tuple[str, ...] = ()
    pictures: tuple[str, ...] = ()
    sound: str = ""
    sound_pictures: tuple[str, ...] = ()


def plain_name(name: str) -> str:
    """A part as a customer reads it: without the shop's "No." and its short names.

    >>> plain_name("Rod journal No. 2"), plain_name("Half 3 upper: wiped"), plain_name("R3, measured")
    ('Rod journal 2', 'upper half of rod 3: wiped', 'rod journal 3, measured')
    """
    name = re.sub(r"\bNo\. ?(\d)", r"\1", name)
    name = re.sub(r"\bHalf M(\d+) (upper|lower)\b", r"\2 half of main \1", name)
    name = re.sub(r"\bHalf (\d+) (upper|lower)\b", r"\2 half of rod \1", name)
    return re.sub(r"\bM(\d+)\b", r"main \1", re.sub(r"\bR(\d+)\b", r"rod journal \1", name))


def findings_of(standing: EvidenceStanding, assessment: Assessment) -> Iterator[ReportFinding]:
    """Everything that was found, the bearings first.

    Rule:    evidence.report.
    """
    yield from _of_bearings(standing, assessment)
    yield from _of_looks(standing)
    yield from _in_general(standing)
    yield from _of_marks(standing)
    yield from _of_fasteners(standing)
    told = {
        place.beside for place in places_off(standing.job.limits.layout).values() if place.kind == "half bearing"
    }
    for part in assessment.parts:
        figures = () if part.id in told else tuple(_beyond(part))
        seen = [text for text in part.found if not _told_by_look(standing, part.id, text)]
        if figures or seen:
            yield ReportFinding(
                part=plain_name(part.name),
                words="; ".join((*seen, *(("measured beyond its limit",) if figures else ()))),
                figures=figures,
                pictures=pictures_of(standing, (part.id,)),
            )


def _told_by_look(standing: EvidenceStanding, part: str, text: str) -> bool:
    """Whether what keeps a part back stands in the report already under the look that found it: of the part itself,
    of what lies with it or of what it is a part of; or whether another answer says it, and nobody saw it here.

    Takes:   the look and its answer as the part tells them, with what was measured behind a comma.
    """
    look, _, answer = text.partition(": ")
    if not any(one.answer == answer for one in standing.job.seen):
        answer = answer.rpartition(", ")[0] or answer
    known, engine = standing.sightings.looks.get(look), standing.engine
    if known is None or not is_wrong(known, answer):
        return False
    if not any(one.look == look and one.answer == answer for one in standing.job.seen):
        return True
    return any(
        key == look
        and any(one.answer == answer for one in said)
        and (on == part or engine.lies_with(on) == part or part in engine.touched(on))
        for (on, key), said in standing.sightings.by_place.items()
    )


def _beyond(part: PartReport) -> Iterator[str]:
    for figure in part.figures:
        if figure.called is Called.BEYOND:
            yield f"{figure.name} {figure.value.text}, limit {figure.limit}"


def _of_bearings(standing: EvidenceStanding, assessment: Assessment) -> Iterator[ReportFinding]:
    """Every bearing that is bad, worst first, beside a sound one of the engine."""
    bearings, places = standing.bearings, places_off(standing.job.limits.layout)
    sound = _sound_half(standing)
    parts = {part.id: part for part in assessment.parts}
    bad = [one for one in bearings.bearings if is_bad(standing, one)]
    for bearing in sorted(bad, key=lambda one: -_harm(standing, one)):
        halves = bearings.bearings[bearing]
        said = []
        for half in halves:
            words = [standing.sightings.answer(half, look) for look in (OVERLAY, "wear", "back", "seat")]
            kept = [word for word in words if word and word not in ("in place", "clean")]
            if kept:
                said.append(f"{'upper' if half.endswith('upper') else 'lower'} half {', '.join(kept)}")
        journal = parts.get(places[halves[0]].beside)
        pictures = pictures_of(standing, (*halves, places[halves[0]].beside))
        beside = sound if sound is not None and pictures else None
        yield ReportFinding(
            part=f"Bearing of {'rod' if bearing[0] == 'r' else 'main'} {bearing.partition('-')[2]}",
            words="; ".join(said),
            figures=tuple(_beyond(journal)) if journal is not None else (),
            pictures=pictures,
            sound="" if beside is None else beside[0],
            sound_pictures=() if beside is None else beside[1],
        )


def pictures_of(standing: EvidenceStanding, on: tuple[str, ...]) -> tuple[str, ...]:
    """The pictures that stand of any of these."""
    return tuple(one.id for one in standing.job.standing(standing.job.pictures) if one.on in on)


def _harm(standing: EvidenceStanding, bearing: str) -> int:
    worst = standing.bearings.worst(bearing)
    return 0 if worst is None else worst.harm


def is_bad(standing: EvidenceStanding, bearing: str) -> bool:
    """Whether a half of a bearing does not go back, or did not sit where it should."""
    worst = standing.bearings.worst(bearing)
    seats = [standing.sightings.answer(half, "seat") for half in standing.bearings.bearings[bearing]]
    return (worst is not None and worst.rejected) or any(seat not in ("", "in place") for seat in seats)


def _sound_half(standing: EvidenceStanding) -> tuple[str, tuple[str, ...]] | None:
    """A sound half bearing of this engine with a picture of it."""
    places = places_off(standing.job.limits.layout)
    for half, grade in standing.bearings.grades.items():
        if grade.harm <= 1:
            pictures = pictures_of(standing, (half,))
            if pictures:
                return f"{places[half].short}, {grade.answer}", pictures
    return None


def _of_looks(standing: EvidenceStanding) -> Iterator[ReportFinding]:
    """What the looks of the board found, by look and place."""
    for (on, look), said in standing.sightings.by_place.items():
        known = standing.sightings.looks.get(look)
        bad = [one for one in said if known is not None and is_wrong(known, one.answer)]
        if known is None or not bad or on in standing.bearings.halves:
            continue
        pictures = pictures_of(standing, (f"look:{look}", *((on,) if on != "engine" else ())))
        where = "" if on == "engine" else f"{standing.engine.named(on)}: "
        yield ReportFinding(
            part=plain_name(f"{where}{known.called}"), words=", ".join(map(_told, bad)), pictures=pictures
        )


def _told(one: Seen) -> str:
    """An answer with what was said and noted beside it."""
    beside = ", ".join(said for said in ("" if one.debris is None else one.debris.words, one.note) if said)
    return f"{one.answer} ({beside})" if beside else one.answer


def _in_general(standing: EvidenceStanding) -> Iterator[ReportFinding]:
    """What the looks of the order found, where it is said in words of one's own."""
    looks = Strip(standing.job).looks
    for key, one in looks.taken.items():
        if one.found in (Found.FOUND, Found.ENDS) and not one.answer:
            name = looks.rows[key].name if key in looks.rows else key
            yield ReportFinding(part=name, words=one.words, pictures=pictures_of(standing, (f"look:{key}",)))


def _of_marks(standing: EvidenceStanding) -> Iterator[ReportFinding]:
    """Rods and caps that are no pair, and joints that step."""
    for rod, _, said in disagreements(standing.job):
        words = said.partition(".")[0]
        yield ReportFinding(part=plain_name(rod.name), words=words, pictures=pictures_of(standing, (rod.id,)))
    for place, _ in stepped(standing.job):
        yield ReportFinding(part=plain_name(place.name), words="a step at the joint")


def _of_fasteners(standing: EvidenceStanding) -> Iterator[ReportFinding]:
    """Fasteners that were not as they should be."""
    for one in standing.job.standing(standing.job.fasteners):
        if one.state is not FastenerState.RIGHT:
            words = f"{one.state.value} ({one.note})" if one.note else one.state.value
            yield ReportFinding(part=f"Fastener, {one.place}", words=words)
