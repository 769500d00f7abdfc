"""Facts of what stands open land: taken out for access, fasteners, fragments; their closing; the hand-over."""

from typing import Literal

from ninja import Schema
from pydantic import Field

from halfthou.exchange import Fault
from halfthou.jobs import (
    Closed,
    Closing,
    Fact,
    FactId,
    FastenerKind,
    FastenerSeen,
    FastenerState,
    Fragment,
    HandOver,
    Job,
    Moment,
    Removal,
)
from halfthou.lengths import Asked, Length, Notation, Unreadable, read_length
from halfthou.strip import EndKind, open_ends, still_open
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, fact_from, land_one, must_say
from workshop.record.opened import Opened


class TakingOut(Schema):
    """Something taken out for access."""

    fact: Literal["removal"] = "removal"
    id: FactId
    what: str = Field(max_length=200)
    place: str = Field(max_length=200)
    at: Moment


class SeeingFastener(Schema):
    """A fastener, or a group alike, as it was found. Lengths as typed."""

    fact: Literal["fastener"] = "fastener"
    id: FactId
    place: str = Field(max_length=200)
    kind: FastenerKind = FastenerKind.REUSABLE
    state: FastenerState = FastenerState.RIGHT
    count: int = Field(default=1, ge=1, le=200)
    uses: int | None = Field(default=None, ge=0, le=100)
    new_length: str = Field(default="", max_length=60)
    length: str = Field(default="", max_length=60)
    gauge: str = Field(default="", max_length=64)
    note: str = Field(default="", max_length=2000)
    at: Moment


class FindingFragment(Schema):
    """A loose piece found in the engine."""

    fact: Literal["fragment"] = "fragment"
    id: FactId
    place: str = Field(max_length=200)
    what: str = Field(max_length=200)
    magnetic: bool | None = None
    at: Moment


class ClosingEnd(Schema):
    """Something that stood open is closed."""

    fact: Literal["closing"] = "closing"
    id: FactId
    of: str = Field(max_length=64)
    how: Closed
    words: str = Field(default="", max_length=2000)
    at: Moment


class HandingOver(Schema):
    """The engine is handed over; `words` answer for what leaves unsettled."""

    fact: Literal["hand over"] = "hand over"
    id: FactId
    to: str = Field(max_length=200)
    words: str = Field(default="", max_length=2000)
    at: Moment


def _say(text: str, field: str, example: str) -> str:
    """A text that must say something. Refuses: Refusal."""
    return must_say(text, field, f"For example: {example}.")


def take_out(person: Person, job_id: int, given: TakingOut) -> Opened:
    """Write down what was taken out for access. It stands open until it is back."""

    def make(_record: JobRecord, _job: Job) -> list[Fact]:
        what, place = _say(given.what, "what", "dip tube"), _say(given.place, "place", "block, left side")
        out = fact_from(Removal, person, given, what=what, place=place)
        return [out]

    return land_one(person, job_id, given, ("what",), make)


def see_fastener(person: Person, job_id: int, given: SeeingFastener) -> Opened:
    """Write down a fastener by its place. What has to be renewed, and a hole found empty, stand open."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        place, faults = _say(given.place, "place", "bell housing, lower left"), list[Fault]()
        new, now = (_length(getattr(given, field), field, job, faults) for field in ("new_length", "length"))
        gauge = given.gauge or None
        if gauge is not None and gauge not in {one.id for one in job.gauges}:
            faults.append(Fault("gauge", "There is no such gauge."))
        if (new is None) != (now is None) and not faults:
            missing = "new_length" if new is None else "length"
            faults.append(Fault(missing, "Both lengths, or none: growth is their difference."))
        if faults:
            raise Refusal("bad-fastener", "The fastener was not written down. Mend what is marked.", faults)
        seen = fact_from(FastenerSeen, person, given, place=place, new_length=new, length=now, gauge=gauge)
        return [seen]

    return land_one(person, job_id, given, ("place",), make)


def _length(text: str, field: str, job: Job, faults: list[Fault]) -> Length | None:
    if not text.strip():
        return None
    try:
        found = read_length(text, job.shown_in)
    except Unreadable as error:
        faults.append(Fault(field, error.message))
        return None
    if isinstance(found, Asked):
        faults.append(Fault(field, found.in_words))
        return None
    if found.length.nm <= 0:
        faults.append(Fault(field, "A bolt is longer than nothing."))
    return found.length


def find_fragment(person: Person, job_id: int, given: FindingFragment) -> Opened:
    """Write down a loose piece. It stands open until it is known where it came from."""

    def make(_record: JobRecord, _job: Job) -> list[Fact]:
        place, what = _say(given.place, "place", "pan, rear corner"), _say(given.what, "what", "grey chip, 6 mm")
        fragment = fact_from(Fragment, person, given, place=place, what=what)
        return [fragment]

    return land_one(person, job_id, given, ("what",), make)


def close_end(person: Person, job_id: int, given: ClosingEnd) -> Opened:
    """Close what stood open: back in, renewed, known."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        ends = {end.id: end for end in open_ends(job, Notation.usual(job.shown_in))}
        end = ends.get(given.of)
        if end is None:
            raise NotThere("no-end", "Nothing of that name stands open.")
        if end.closed is not None:
            raise Clash("closed-already", f"{end.what}: {end.closed.value} already, says {end.closed_by}.")
        if given.how not in end.may_close:
            ways = ", ".join(one.value for one in end.may_close)
            raise Refusal("bad-closing", f"{end.what} is closed by: {ways}.", [Fault("how", ways)])
        words = given.words.strip()
        if given.how in (Closed.KNOWN, Closed.LOOSE) and not words:
            ask = "Say where it came from." if given.how is Closed.KNOWN else "Say why it goes along loose."
            raise Refusal("no-words", ask, [Fault("words", ask)])
        closing = fact_from(Closing, person, given, of=end.id, words=words)
        return [closing]

    return land_one(person, job_id, given, ("of", "how"), make)


def hand_over(person: Person, job_id: int, given: HandingOver) -> Opened:
    """Hand the engine over. Refuses: Refusal while anything that bars it stands open; a fragment nobody could place
    is answered for in words."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        if job.standing(job.handovers):
            raise Clash("handed-over", f"It was handed over to {job.standing(job.handovers)[-1].to} already.")
        to = _say(given.to, "to", "the customer's driver")
        ends = open_ends(job, Notation.usual(job.shown_in))
        barring = still_open(ends, barring=True)
        if barring:
            faults = [
                Fault(end.kind.value, f"{end.what}, {end.place}{f': {end.why}' if end.why else ''}")
                for end in barring
            ]
            raise Refusal("still-open", "The engine does not leave yet: this stands open.", faults)
        loose = [end for end in still_open(ends) if end.kind is EndKind.FRAGMENT]
        if loose and not given.words.strip():
            named = ", ".join(end.what for end in loose)
            words = f"Nobody knows where this came from: {named}. Say in words that it leaves so."
            raise Refusal("no-words", words, [Fault("words", words)])
        handed = fact_from(HandOver, person, given, to=to)
        return [handed]

    return land_one(person, job_id, given, ("to",), make)


#: What is reported here, and how it lands.
WAYS: Ways = {
    TakingOut: take_out,
    SeeingFastener: see_fastener,
    FindingFragment: find_fragment,
    ClosingEnd: close_end,
    HandingOver: hand_over,
}
