"""What the screen is told of the strip: the list, the parts with their marks and places, what stands open."""

from __future__ import annotations

from datetime import datetime

from halfthou.engines import AskedOfEngine, asked_of, described, not_judged
from halfthou.first_look import LooksReport, looks_report
from halfthou.jobs import AMOUNT_ONLY, Closed, Document, FastenerKind, FastenerState, Felt, HandOver, Job
from halfthou.lengths import Notation
from halfthou.parts import CATALOGUE
from halfthou.strip.drawn import DrawnGroup, EngineShape, drawn_groups, shape_of
from halfthou.strip.edits import NO_EDITS
from halfthou.strip.fasteners import growth_of, renew_because
from halfthou.strip.marks import mark_findings
from halfthou.strip.open_ends import OpenEnd, open_ends, still_open
from halfthou.strip.standing import Strip
from halfthou.strip.step import StripStep
from halfthou.strip.steps import left_out, steps_of
from halfthou.words import Caution, Reason


class ReadShown(Document):
    """A look whose amount is read by a step: its key, what it is called, how it is read, and its answers in words
    where it is no amount."""

    look: str
    name: str
    how: str
    answers: tuple[str, ...]


class HeldShown(Document):
    """A step that has to be done before another, and why."""

    step: str
    why: str


class StripStepShown(Document):
    """One step: what it is, whether it is done and what was felt, and what has to come before it (`held`). `behind`
    says that it has not to be done any more; `came_off` that it was off already, by what was said at the door;
    `too_late` that what it needs is off; `own` that the house wrote it."""

    id: str
    section: str
    text: str
    hint: str
    tools: str
    minutes: int
    joint: bool
    goes_back: str
    cautions: tuple[Caution, ...]
    takes: tuple[str, ...]
    marks: tuple[str, ...]
    done: str
    behind: bool
    came_off: bool
    too_late: bool
    own: bool
    there: bool
    off_already: bool
    because: str
    felt: tuple[Felt, ...]
    by: str
    at: datetime | None
    unmarked: tuple[str, ...]
    unseen: tuple[str, ...]
    held: tuple[HeldShown, ...]
    reads: tuple[ReadShown, ...]


class PositionShown(Document):
    """A position: its part's mark as it ought to be, as found and as given, and where the part lies."""

    id: str
    kind: str
    name: str
    short: str
    mark: str
    how: str
    of: str
    found: str
    given: str
    lies: str


class FastenerShown(Document):
    """A fastener as it was seen, and what becomes of it."""

    id: str
    place: str
    kind: FastenerKind
    state: FastenerState
    count: int
    uses: int | None
    new_length: str
    length: str
    growth: str
    renew: str
    by: str
    at: datetime


class StripReport(Document):
    """How the strip of a job stands. `next` is the step in hand. `stray` are steps done that its list does not have
    any more, `left_out` what of the house's changes does not fit it; `asked` is what nobody has said of the engine
    and matters, `not_judged` what of it is not judged yet. Minutes are the house's."""

    steps: tuple[StripStepShown, ...]
    next: str
    done: int
    positions: tuple[PositionShown, ...]
    fasteners: tuple[FastenerShown, ...]
    ends: tuple[OpenEnd, ...]
    open: int
    barring: int
    findings: tuple[Reason, ...]
    closed_by: tuple[Closed, ...]
    keep_shells: bool
    handed_over: HandOver | None
    shape: EngineShape
    groups: tuple[DrawnGroup, ...]
    asked: tuple[AskedOfEngine, ...]
    not_judged: tuple[str, ...]
    stray: tuple[str, ...]
    left_out: tuple[str, ...]
    minutes_done: int
    minutes_left: int


def strip_report(job: Job, say: Notation) -> StripReport:
    """How the strip stands: the list with what is done, marks, places, and what stands open.

    Rule:    strip.order, strip.marks, strip.places, strip.open-ends, strip.fasteners, strip.caps.
    """
    strip, ends = Strip(job), open_ends(job, say)
    steps = tuple(_step(strip, step) for step in strip.steps)
    left = [step.id for step in steps if not step.behind]
    handed = job.standing(job.handovers)
    engine, (minutes_done, minutes_left) = described(job.limits.layout), strip.minutes
    return StripReport(
        steps=steps,
        next=left[0] if left else "",
        done=len(steps) - len(left),
        positions=tuple(_positions(strip)),
        fasteners=tuple(_fasteners(job, say)),
        ends=ends,
        open=len(still_open(ends)),
        barring=len(still_open(ends, barring=True)),
        findings=mark_findings(job),
        closed_by=tuple(Closed),
        keep_shells=job.house_rules.keep_shells,
        handed_over=handed[-1] if handed else None,
        shape=shape_of(engine),
        groups=drawn_groups(strip),
        asked=asked_of(engine),
        not_judged=not_judged(engine),
        stray=tuple(f"{one.step}, {one.by}" for one in strip.stray),
        left_out=_left_out(job),
        minutes_done=minutes_done,
        minutes_left=minutes_left,
    )


def looks_of(job: Job) -> LooksReport:
    """How the looks stand, with what the strip has cost and destroyed."""
    strip = Strip(job)
    done, left = strip.minutes
    return looks_report(strip.looks, done, left)


def _step(strip: Strip, step: StripStep) -> StripStepShown:
    done = strip.done.get(step.id)
    return StripStepShown(
        id=step.id,
        section=step.section,
        text=step.text,
        hint=step.hint,
        tools=step.tools,
        minutes=step.minutes,
        joint=step.joint,
        goes_back=step.goes_back,
        cautions=step.cautions,
        takes=step.takes,
        marks=step.marks,
        done="" if done is None else done.id,
        behind=strip.is_behind(step.id),
        came_off=step.id in strip.came_off,
        too_late=step.id in strip.too_late,
        own=step.own,
        there=done is None or done.there,
        off_already=done is not None and done.off_already,
        because="" if done is None else done.because,
        felt=() if done is None else done.felt,
        by="" if done is None else done.by,
        at=None if done is None else done.at,
        unmarked=() if done is not None else tuple(place.id for place in strip.unmarked(step)),
        unseen=() if done is not None else strip.unseen(step),
        reads=tuple(_read(key) for key in step.reads),
        held=tuple(HeldShown(step=one.step, why=one.why) for one in step.held if one.refuses),
    )


def _left_out(job: Job) -> tuple[str, ...]:
    """What of the house's changes does not fit this engine, in its words."""
    texts = {one.id: one.text for one in (job.strip_edits or NO_EDITS).own}
    texts |= {step.id: step.text for step in steps_of(job)}
    return tuple(texts.get(name, name) for name in left_out(job.limits.layout, job.strip_edits))


def _read(key: str) -> ReadShown:
    look = CATALOGUE.looks[key]
    words = tuple(text for text in look.offered if text != AMOUNT_ONLY)
    return ReadShown(look=key, name=look.called, how=look.how, answers=words)


def _positions(strip: Strip) -> list[PositionShown]:
    marks = strip.marks
    return [
        PositionShown(
            id=key,
            kind=place.kind,
            name=place.name,
            short=place.short,
            mark=place.mark,
            how=place.how,
            of=place.beside or (key if place.set else ""),
            found=marks.found[key].mark if key in marks.found else "",
            given=marks.given[key].mark if key in marks.given else "",
            lies=strip.lies_in.get(key, ""),
        )
        for key, place in strip.places.items()
    ]


def _fasteners(job: Job, say: Notation) -> list[FastenerShown]:
    found = []
    for seen in job.standing(job.fasteners):
        growth = growth_of(seen)
        found.append(
            FastenerShown(
                id=seen.id,
                place=seen.place,
                kind=seen.kind,
                state=seen.state,
                count=seen.count,
                uses=seen.uses,
                new_length="" if seen.new_length is None else say.with_unit(seen.new_length),
                length="" if seen.length is None else say.with_unit(seen.length),
                growth="" if growth is None else say.with_unit(growth),
                renew=renew_because(seen, job, say),
                by=seen.by,
                at=seen.at,
            )
        )
    return found
