"""An assessment as plain text, for a terminal."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import JobFile
from halfthou.report import Assessment, SetReport


def assessment_text(file: JobFile, found: Assessment) -> str:
    """The assessment for a person at a terminal."""
    return "\n".join(_lines(file, found)) + "\n"


def _lines(file: JobFile, found: Assessment) -> Iterator[str]:
    job = file.job
    yield f"Job {job.number}: {job.title}"
    yield f"{job.limits.engine}, limits sheet revision {job.limits.revision}. Sizes in {found.unit.value}."
    yield f"{found.readings_taken} of {found.readings_planned} readings taken. Waits for {found.waits_for}."
    for part in found.sets:
        yield ""
        yield from _set(part)
        for answer in found.parts:
            if answer.set == part.set:
                size = answer.size_words or "-"
                yield f"  [{answer.mark.letter}] {answer.short_name:<6} {size:>9}  {answer.headline}"
                yield from (f"         {reason.text}" for reason in answer.reasons)
    if found.doubts:
        yield ""
        yield "Open doubts:"
        yield from (f"  {doubt.text}" for doubt in found.doubts)
    for decision in job.decisions:
        tail = f", because {decision.reason}" if decision.reason else ""
        elsewhere = ", made elsewhere" if decision.made_elsewhere else ""
        yield f"{decision.kind.value.capitalize()}: {decision.words} ({decision.by}{elsewhere}){tail}"
    for signature in file.signatures:
        state = "withdrawn" if signature.withdrawn_at else "signed"
        elsewhere = ", made elsewhere" if signature.made_elsewhere else ""
        yield f"Revision {signature.revision} {state} by {signature.by}, {signature.at:%Y-%m-%d}{elsewhere}"


def _set(part: SetReport) -> Iterator[str]:
    yield f"{part.name}: {part.headline}"
    yield from (f"  {reason.text}" for reason in part.reasons)
    for wanted in part.to_order:
        stock = "" if wanted.can_be_bought else ", cannot be bought by the sheet"
        number = f", {wanted.part_number}" if wanted.part_number else ""
        size = f", {wanted.words}" if wanted.words else ""
        yield f"  To order{size}: {wanted.count} {wanted.what}{number}{stock}, for {', '.join(wanted.parts)}"
    yield from (f"  Another way: {way.words} {way.costs}".rstrip() for way in part.ways)
    yield from (f"  Would change it: {text}" for text in part.would_change)
    yield from (f"  Caution, {c.work.lower()}: {c.say} {c.defer_to}" for c in part.cautions)
