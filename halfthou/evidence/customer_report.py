"""The strip report for the customer: what was found, in plain words, and what it means.

Rule:    evidence.report.
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from halfthou.causes import CAUSES, LEFT_BY_CAUSES, SIGNS, Word, in_words
from halfthou.evidence.standing import EvidenceStanding
from halfthou.jobs import Document, Stand
from halfthou.looks import OVERLAY, LookKind
from halfthou.report import Assessment, PartReport
from halfthou.strip import places_off
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


class CustomerReport(Document):
    """A strip report. `known`, `likely` and `open` are of the cause; `means` what becomes of the engine; `new` what
    was not in the report before. `pictures` are the hashes of the files by the fact that brought each."""

    number: int
    job: str
    title: str
    customer: str
    complaint: str
    unit: str
    words: str = ""
    findings: tuple[ReportFinding, ...] = ()
    sound: tuple[str, ...] = ()
    known: tuple[str, ...] = ()
    likely: tuple[str, ...] = ()
    open: tuple[str, ...] = ()
    means: tuple[str, ...] = ()
    to_wash: tuple[str, ...] = ()
    new: tuple[str, ...] = ()
    gone: tuple[str, ...] = ()
    pictures: dict[str, str] = {}


def customer_report(standing: EvidenceStanding, assessment: Assessment, words: str = "") -> CustomerReport:
    """The report as it would be sent now: its number is the next; what is new is held against the last.

    Takes:   the evidence, the assessment in the customer's unit, and words of one's own for the customer.
    """
    job = standing.job
    findings = tuple(_findings(standing, assessment))
    before = job.reports[-1] if job.reports else None
    report = CustomerReport(
        number=1 if before is None else before.number + 1,
        job=job.number,
        title=job.title,
        customer=job.customer,
        complaint=job.complaint,
        unit=assessment.unit.value,
        words=words.strip(),
        findings=findings,
        sound=tuple(_sound(standing)),
        known=tuple(_known(standing)),
        likely=tuple(_likely(standing)),
        open=tuple(_open(standing)),
        means=tuple(_means(assessment)),
        to_wash=tuple(f"{one.name}: {one.operation}" for one in standing.contaminated if one.open),
        pictures=_pictures(standing, findings),
    )
    if before is None:
        return report
    last = _lines(CustomerReport.model_validate(before.content))
    now = _lines(report)
    return report.model_copy(
        update={
            "new": tuple(line for line in now if line not in last),
            "gone": tuple(line for line in last if line not in now),
        }
    )


def read_report(content: dict[str, Any]) -> CustomerReport:
    """A report as it was sent. Refuses: ValidationError where it is none."""
    return CustomerReport.model_validate(content)


def _lines(report: CustomerReport) -> list[str]:
    """The sentences of a report that a later one is held against."""
    found = [f"{one.part}: {one.words}" for one in report.findings]
    found += [f"{one.part}: {figure}" for one in report.findings for figure in one.figures]
    return [*found, *report.known, *report.likely, *report.open, *report.means]


def _findings(standing: EvidenceStanding, assessment: Assessment) -> Iterator[ReportFinding]:
    yield from _of_bearings(standing, assessment)
    yield from _of_looks(standing)
    told = {
        place.beside for place in places_off(standing.job.limits.layout).values() if place.kind == "half bearing"
    }
    for part in assessment.parts:
        figures = () if part.id in told else tuple(_beyond(part))
        seen = [text for text in part.found if not _told_by_look(standing, part.id, text)]
        if figures or seen:
            yield ReportFinding(
                part=part.name,
                words="; ".join((*seen, *(("measured beyond its limit",) if figures else ()))),
                figures=figures,
                pictures=_pictures_of(standing, (part.id,)),
            )


def _told_by_look(standing: EvidenceStanding, part: str, text: str) -> bool:
    """Whether what keeps a part back stands in the report already, under its look."""
    look, _, answer = text.partition(": ")
    known = standing.sightings.looks.get(look)
    said = standing.sightings.by_place.get((part, look), ())
    return known is not None and any(one.answer == answer and _shows(known, answer) for one in said)


def _beyond(part: PartReport) -> Iterator[str]:
    for figure in part.figures:
        if figure.called is Called.BEYOND:
            yield f"{figure.name} {figure.value.text}, limit {figure.limit}"


def _of_bearings(standing: EvidenceStanding, assessment: Assessment) -> Iterator[ReportFinding]:
    """Every bearing that is bad, worst first, beside a sound one of the engine."""
    bearings, places = standing.bearings, places_off(standing.job.limits.layout)
    sound = _sound_half(standing)
    parts = {part.id: part for part in assessment.parts}
    bad = [one for one in bearings.bearings if _is_bad(standing, one)]
    for bearing in sorted(bad, key=lambda one: -_harm(standing, one)):
        halves = bearings.bearings[bearing]
        said = []
        for half in halves:
            words = [standing.sightings.answer(half, look) for look in (OVERLAY, "wear", "back", "seat")]
            kept = [word for word in words if word and word not in ("in place", "clean")]
            if kept:
                said.append(f"{'upper' if half.endswith('upper') else 'lower'} half {', '.join(kept)}")
        journal = parts.get(places[halves[0]].beside)
        pictures = _pictures_of(standing, (*halves, places[halves[0]].beside))
        beside = sound if sound is not None and pictures else None
        yield ReportFinding(
            part=f"Bearing of {'rod' if bearing[0] == 'r' else 'main'} {bearing.partition('-')[2]}",
            words="; ".join(said),
            figures=tuple(_beyond(journal)) if journal is not None else (),
            pictures=pictures,
            sound="" if beside is None else beside[0],
            sound_pictures=() if beside is None else beside[1],
        )


def _pictures_of(standing: EvidenceStanding, on: tuple[str, ...]) -> tuple[str, ...]:
    """The pictures that stand of any of these."""
    return tuple(one.id for one in standing.job.standing(standing.job.pictures) if one.on in on)


def _harm(standing: EvidenceStanding, bearing: str) -> int:
    worst = standing.bearings.worst(bearing)
    return 0 if worst is None else worst.harm


def _is_bad(standing: EvidenceStanding, bearing: str) -> bool:
    worst = standing.bearings.worst(bearing)
    seats = [standing.sightings.answer(half, "seat") for half in standing.bearings.bearings[bearing]]
    return (worst is not None and worst.rejected) or any(seat not in ("", "in place") for seat in seats)


def _sound_half(standing: EvidenceStanding) -> tuple[str, tuple[str, ...]] | None:
    """A sound half bearing of this engine with a picture of it."""
    places = places_off(standing.job.limits.layout)
    for half, grade in standing.bearings.grades.items():
        if grade.harm <= 1:
            pictures = _pictures_of(standing, (half,))
            if pictures:
                return f"{places[half].short}, {grade.answer}", pictures
    return None


def _of_looks(standing: EvidenceStanding) -> Iterator[ReportFinding]:
    """What the looks of the board found, by look and place."""
    for (on, look), said in standing.sightings.by_place.items():
        known = standing.sightings.looks.get(look)
        bad = [one for one in said if known is not None and _shows(known, one.answer)]
        if known is None or not bad:
            continue
        pictures = _pictures_of(standing, (f"look:{look}", *((on,) if on != "engine" else ())))
        where = "" if on == "engine" else f"{standing.engine.named(on)}: "
        yield ReportFinding(
            part=f"{where}{known.called}", words=", ".join(one.answer for one in bad), pictures=pictures
        )


def _shows(look: LookKind, text: str) -> bool:
    answer = look.answer(text)
    return answer is not None and bool(LEFT_BY_CAUSES.intersection(answer.shows))


def _sound(standing: EvidenceStanding) -> Iterator[str]:
    sound = [
        standing.bearings.called(bearing)
        for bearing in standing.bearings.bearings
        if (worst := standing.bearings.worst(bearing)) is not None
        and not worst.rejected
        and not _is_bad(standing, bearing)
    ]
    if sound:
        yield f"Bearings sound by eye: {', '.join(sound)}. Only measuring accepts them."


def _known(standing: EvidenceStanding) -> Iterator[str]:
    for one in in_words(standing.weighed):
        if one.word is Word.PROVED:
            yield f"{one.name}: proved by {'; '.join(one.proof)}."
    said = standing.job.standing(standing.job.causes_said)
    if said and said[-1].stand is not Stand.OPEN and standing.gate.found:
        last = said[-1]
        name = CAUSES[last.cause].name if last.cause in CAUSES else last.words or last.cause
        yield f"The shop settles on: {name}. {last.reason}"
    yield from (f"Removed: {words}" for words in standing.gate.removed)


def _likely(standing: EvidenceStanding) -> Iterator[str]:
    for one in in_words(standing.weighed):
        if one.word in (Word.LIKELY, Word.POSSIBLE):
            yield f"{one.name}: {one.word.value}, for {'; '.join(one.speaks_for)}."


def _open(standing: EvidenceStanding) -> Iterator[str]:
    for sign in standing.weighed.unexplained:
        yield f"Nothing explains: {SIGNS[sign].words}."
    if standing.gate.asked and standing.gate.open:
        yield f"Open: {standing.gate.words}"


def _means(assessment: Assessment) -> Iterator[str]:
    for one in assessment.sets:
        yield f"{one.name}: {one.headline}"


def _pictures(standing: EvidenceStanding, findings: tuple[ReportFinding, ...]) -> dict[str, str]:
    wanted = {one for finding in findings for one in (*finding.pictures, *finding.sound_pictures)}
    return {one.id: one.sha256 for one in standing.job.pictures if one.id in wanted}
