"""The strip report for the customer: what was found, in plain words, and what it means.

Rule:    evidence.report.
"""

from __future__ import annotations

from collections.abc import Iterator
from datetime import date
from typing import Any, NamedTuple

from halfthou.causes import CAUSES, SIGNS, Word, in_words, next_looks
from halfthou.door import HOURS, SIGNED_FOR, door_findings, said_of
from halfthou.evidence.report_findings import ReportFinding, findings_of, is_bad, plain_name
from halfthou.evidence.standing import EvidenceStanding
from halfthou.first_look import LooksReport
from halfthou.jobs import Document, Job, Stand
from halfthou.report import DECISION, NO_LETTERHEAD, Assessment, Letterhead, OpenKind
from halfthou.strip import looks_of
from halfthou.verdicts import Action


class CustomerReport(Document):
    """A strip report. `came` is how the engine came; `known`, `likely` and `open` are of the cause, `not_looked`
    what nobody has looked at yet; `means` what becomes of the engine, `cost` what it has cost and what each way on
    would, `asks` what the customer is asked, `next` what comes then; `new` what was not in the report before.
    `looked_by` are those who looked or measured, `answer_by` the day an answer is wanted by, `shop` whose paper it
    is. `nothing_bad` says that nothing found keeps anything back; `to_wash` stands in older reports. `pictures` are
    the hashes of the files by the fact that brought each."""

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
    came: tuple[str, ...] = ()
    not_looked: tuple[str, ...] = ()
    cost: tuple[str, ...] = ()
    asks: tuple[str, ...] = ()
    next: tuple[str, ...] = ()
    nothing_bad: bool = True
    new: tuple[str, ...] = ()
    gone: tuple[str, ...] = ()
    looked_by: tuple[str, ...] = ()
    answer_by: str = ""
    shop: Letterhead = NO_LETTERHEAD
    pictures: dict[str, str] = {}


class Sent(NamedTuple):
    """What goes along with a report: words of one's own, the day an answer is wanted by, whose paper it is."""

    words: str = ""
    answer_by: date | None = None
    shop: Letterhead = NO_LETTERHEAD


NOT_SENT = Sent()


def customer_report(standing: EvidenceStanding, assessment: Assessment, sent: Sent = NOT_SENT) -> CustomerReport:
    """The report as it would be sent now: its number is the next; what is new is held against the last.

    Takes:   the evidence, the assessment in the customer's unit, and what goes along with it.
    """
    job = standing.job
    findings = tuple(findings_of(standing, assessment))
    spent = looks_of(job)
    before = job.reports[-1] if job.reports else None
    report = CustomerReport(
        number=1 if before is None else before.number + 1,
        job=job.number,
        title=job.title,
        customer=job.customer,
        complaint=job.complaint,
        unit=assessment.unit.value,
        words=sent.words.strip(),
        looked_by=_looked_by(job),
        answer_by="" if sent.answer_by is None else f"{sent.answer_by:%d %B %Y}".lstrip("0"),
        shop=sent.shop,
        findings=findings,
        sound=tuple(_sound(standing)),
        known=tuple(_known(standing)),
        likely=tuple(_likely(standing)),
        open=tuple(_open(standing)),
        means=(*_means(assessment), *_metal(standing)),
        came=tuple(_came(standing)),
        not_looked=tuple(_not_looked(standing)),
        cost=tuple(_cost(spent)),
        asks=tuple(_asks(standing, spent)),
        next=tuple(_next(assessment)),
        nothing_bad=not (findings or _refuses(assessment) or any(one.open for one in standing.contaminated)),
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


def _sound(standing: EvidenceStanding) -> Iterator[str]:
    sound = [
        standing.bearings.called(bearing)
        for bearing in standing.bearings.bearings
        if (worst := standing.bearings.worst(bearing)) is not None
        and worst.harm <= 1
        and not is_bad(standing, bearing)
        and all(half in standing.bearings.grades for half in standing.bearings.bearings[bearing])
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
    yield from (one.text for one in standing.contradictions)
    for sign in standing.weighed.unexplained:
        yield f"Nothing explains: {SIGNS[sign].words}."
    # What is likely too, and where metal lies, stand in the report by themselves.
    told = (OpenKind.LIKELY_TOO, OpenKind.METAL)
    yield from (item.words for item in standing.gate.items if item.kind not in told)


#: What is done, as a customer reads it.
PLAIN = {
    Action.REUSE: "good, to be used again",
    Action.POLISH: "good once polished",
    Action.FIT_UNDERSIZE: "good with thicker bearings",
    Action.REGRIND: "to be ground, with bearings of that size",
    Action.STRAIGHTEN: "bent, to be straightened before anything else",
    Action.FIT_WASHERS: "good with thicker thrust washers",
    Action.LINE_HONE: "to be line-honed, so that all bearings stand in one line",
    Action.HONE: "to be lightly honed, with new rings",
    Action.REBORE: "to be bored, with new pistons and rings",
    Action.SLEEVE: "to be sleeved",
    Action.REPLACE: "not fit to be used again",
    Action.NEW_PARTS: "good with new parts in it",
    Action.LAP: "good once its cover is lapped",
    Action.REPIN: "good with new pins",
    Action.REGROOVE: "good once the grooves are machined",
    Action.FILE: "good once the gaps are filed",
    Action.MOVE: "good, some of them in another bore",
    Action.REFER: "waiting for a specialist's word",
    Action.MEASURE: "still being looked at and measured",
}
_SIZED = (Action.REGRIND, Action.REBORE)


def _means(assessment: Assessment) -> Iterator[str]:
    """What becomes of the engine, set by set, and of which parts of it; what was found and is judged no more."""
    yield from _out_of_scope(assessment)
    for one in assessment.sets:
        size = f", {one.step.text} {'over' if one.action is Action.REBORE else 'under'} size" if one.step else ""
        # Nothing is promised of a set that is still being read.
        so_far = "" if one.finished or one.action in (Action.MEASURE, Action.REFER, Action.REPLACE) else "so far "
        yield f"{one.name}: {so_far}{PLAIN[one.action]}{size if one.action in _SIZED else ''}."
        gone = [
            plain_name(part.short_name)
            for part in assessment.parts
            if part.set == one.set and part.own_action is Action.REPLACE and not part.out
        ]
        if gone and one.action is not Action.REPLACE:
            yield f"{one.name}, not to be used again: {', '.join(gone)}."


def _out_of_scope(assessment: Assessment) -> list[str]:
    return [item.words for item in assessment.cause.items if item.kind is OpenKind.OUT_OF_SCOPE]


def _refuses(assessment: Assessment) -> bool:
    """Whether any set waits for somebody else's word, does not go back, or is judged no more though beyond."""
    return bool(_out_of_scope(assessment)) or any(
        one.action in (Action.REFER, Action.REPLACE) for one in assessment.sets
    )


def _metal(standing: EvidenceStanding) -> Iterator[str]:
    """That metal went round, without the shop's washing list."""
    left = [one for one in standing.contaminated if one.open]
    if any(not one.from_job for one in left):
        yield "Metal went round with the oil: what it reached has to be washed out, proved clean or renewed."
    for one in left:
        if one.from_job:
            yield f"{one.name}, out of another engine: not fitted before it is proved clean, or renewed."


def _came(standing: EvidenceStanding) -> Iterator[str]:
    job = standing.job
    yield f"{job.limits.engine}, booked in {job.booked_in:%d %B %Y}."
    for said in said_of(job, HOURS):
        yield f"Hours: {said.answer}{', seen here' if said.verified else ', as told'}."


def _not_looked(standing: EvidenceStanding) -> Iterator[str]:
    """What is worth looking at and nobody has looked at yet."""
    for one in next_looks(standing.weighed, standing.still):
        yield one.name


def _cost(spent: LooksReport) -> Iterator[str]:
    yield f"Spent so far: {spent.spent_time}, {spent.spent_money}."
    for way in spent.ways:
        yield f"{way.name}: {way.time}, {way.money}."


def _asks(standing: EvidenceStanding, spent: LooksReport) -> Iterator[str]:
    """What the customer is asked: to decide at the stop points that are reached, how it was used where that is a
    question, and what only they can tell."""
    for stop in spent.stops:
        if stop.lit and stop.on is None:
            yield f"Go on, or stop? {stop.name}{f': {stop.words}' if stop.words else ''}."
    for one in in_words(standing.weighed):
        if one.question and one.word in (Word.LIKELY, Word.POSSIBLE):
            yield "How is it used: driven hard while cold, left idling for long?"
    told = said_of(standing.job, HOURS)
    if not told:
        yield "Its hours or miles, and who knows them."
    yield from (one.text for one in door_findings(standing.job) if one.rule == "door.two-sources")
    if not any(one.answer not in ("nothing yet", "not known") for one in said_of(standing.job, SIGNED_FOR)):
        yield "Your signature for the work: strip and report only, an estimate, or the whole of it."


def _looked_by(job: Job) -> tuple[str, ...]:
    """Who looked or measured, in the order they first did."""
    facts = sorted((*job.standing(job.seen), *job.standing_readings), key=lambda one: one.at)
    return tuple(dict.fromkeys(one.by for one in facts))


def _next(assessment: Assessment) -> Iterator[str]:
    """What comes next, by the program's one queue."""
    what, _, name = assessment.waits_for.partition(": ")
    if what == "the look":
        yield f"Next we look at this: {name}."
    elif what == "the customer":
        yield f"We wait for your word: {name}."
    elif what == "the strip":
        yield f"Next we take the rest of it apart: {name}."
    elif "reading" in what or what.endswith("to be measured"):
        yield "Next we measure."
    elif what == DECISION:
        yield "Next the shop decides, set by set, what is done."
    elif what:
        yield f"It waits for {assessment.waits_for}."


def _pictures(standing: EvidenceStanding, findings: tuple[ReportFinding, ...]) -> dict[str, str]:
    wanted = {one for finding in findings for one in (*finding.pictures, *finding.sound_pictures)}
    return {one.id: one.sha256 for one in standing.job.pictures if one.id in wanted}
