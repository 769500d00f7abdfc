"""Facts of the strip land: steps, marks, where parts lie; each is asked for what must come before it."""

from typing import Literal

from ninja import Schema
from pydantic import Field

from halfthou.engines import Place
from halfthou.exchange import Fault
from halfthou.jobs import Fact, FactId, Felt, Job, Laying, Marking, Moment, StepDone
from halfthou.strip import Strip, StripStep, fault_of_mark, places_off, with_what_stood_before
from workshop.people.models import Person
from workshop.people.refusals import Clash, NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, fact_from, land_one, time_of
from workshop.record.opened import Opened
from workshop.record.translate import is_identified


class DoingStep(Schema):
    """A step done; `there` false where the engine has no such thing. `mark` gives the parts their marks as listed,
    with the step; `unseen` says that it is done although a look it destroys was not taken, `covers` what is to
    become of what still holds it: it was off already, or done all the same. `because` is why, for both."""

    fact: Literal["step"] = "step"
    id: FactId
    step: str = Field(max_length=60)
    there: bool = True
    felt: list[Felt] = Field(default=[], max_length=3)
    mark: bool = False
    unseen: bool = False
    covers: Literal["", "off already", "all the same"] = ""
    because: str = Field(default="", max_length=2000)
    note: str = Field(default="", max_length=2000)
    at: Moment


class MarkingPart(Schema):
    """A mark found on a part, or given to it."""

    fact: Literal["mark"] = "mark"
    id: FactId
    part: str = Field(max_length=40)
    mark: str = Field(max_length=24)
    found: bool
    side: str = Field(default="", max_length=200)
    at: Moment


class LayingPart(Schema):
    """A part put in a pocket of a tray or in a bag."""

    fact: Literal["laying"] = "laying"
    id: FactId
    part: str = Field(max_length=40)
    pocket: str = Field(max_length=60)
    at: Moment


def _must_be_identified(record: JobRecord) -> None:
    if not is_identified(record) and record.description is None:
        raise Refusal(
            "no-engine",
            "Say which engine it is first: choose its limits at the door, or describe it. The list follows.",
        )


def _position(job: Job, part: str) -> Place:
    place = places_off(job.limits.layout).get(part)
    if place is None:
        raise NotThere("no-place", f"This engine has no {part}.")
    return place


def do_step(person: Person, job_id: int, given: DoingStep) -> Opened:
    """Write a step of the strip down. Refuses: Refusal where a part would leave its place unmarked, or where it
    destroys what was not looked at."""

    def make(record: JobRecord, job: Job) -> list[Fact]:
        _must_be_identified(record)
        strip = Strip(job)
        step = strip.by_id.get(given.step)
        if step is None:
            raise NotThere("no-step", f"The list for “{job.limits.layout.name}” has no such step: {given.step}.")
        if step.id in strip.done:
            done = strip.done[step.id]
            raise Clash("done-already", f"{done.by} wrote that down already: {step.text}.")
        marks = _marks(person, strip, step, given)
        if given.there:
            _must_be_ready(strip, step, given)
        done = fact_from(StepDone, person, given, step=step.id, felt=tuple(dict.fromkeys(given.felt)))
        return [*marks, *_off_already(person, strip, step, given), done]

    return land_one(person, job_id, given, ("step",), make)


def _marks(person: Person, strip: Strip, step: StripStep, given: DoingStep) -> list[Marking]:
    """The marks a step gives: of those parts it marks, or was told to mark, that bear none yet."""
    wanted = step.marks if not given.mark else (*step.marks, *(place.id for place in strip.unmarked(step)))
    bare = [key for key in dict.fromkeys(wanted) if given.there and not strip.marks.bears(key)]
    found = []
    for nth, key in enumerate(bare):
        mark = Marking(
            id=f"{given.id[:58]}.m{nth}",
            part=key,
            mark=strip.places[key].mark,
            found=False,
            by=person.username,
            at=time_of(given.at),
        )
        fault = fault_of_mark(strip.job, mark)
        if fault:
            raise Clash("mark-taken", fault, [Fault("mark", fault)])
        found.append(mark)
    return found


def _off_already(person: Person, strip: Strip, step: StripStep, given: DoingStep) -> list[StepDone]:
    """The steps that hold a step, where somebody says that they were done before the engine came."""
    if not given.there or given.covers != "off already":
        return []
    when = time_of(given.at)
    return [
        StepDone(id=f"{given.id[:58]}.o{nth}", step=one, off_already=True, by=person.username, at=when)
        for nth, one in enumerate(_stood_before(strip, step))
    ]


def _stood_before(strip: Strip, step: StripStep) -> list[str]:
    """What holds a step, and all that stood before that, in the order of the list."""
    held = [one.step for one in strip.holding(step) if one.stands_before]
    off = with_what_stood_before(strip.job.limits.layout, held)
    return [one.id for one in strip.steps if one.id in off and not strip.is_behind(one.id)]


def _must_be_ready(strip: Strip, step: StripStep, given: DoingStep) -> None:
    """Nothing holds it; marked before it leaves its place; looked at before it is destroyed. Refuses: Refusal."""
    holding = strip.holding(step)
    held = [one for one in holding if one.stands_before]
    stands = [Fault(one.step, f"Not done yet: {strip.by_id[one.step].text}: {one.why}.") for one in held]
    first = [
        Fault(one.step, f"Comes first: {strip.by_id[one.step].text}: {one.why}.")
        for one in holding
        if not one.stands_before
    ]
    if held and not given.covers:
        # *All the same* goes for what comes first too, so that is said beside it; *off already* does not.
        raise Refusal("held", "Something still holds it.", [*stands, *first])
    if first and not given.because.strip() and given.covers != "all the same":
        raise Refusal("do-first", "Something comes first, while it can still be done.", first)
    unmarked = strip.unmarked(step)
    if unmarked and not given.mark:
        faults = [Fault(place.id, f"{place.name}: mark it {place.mark}. {place.how}") for place in unmarked]
        raise Refusal("mark-first", "It leaves its place only with its mark.", faults)
    unseen = strip.unseen(step)
    if unseen and not given.unseen:
        faults = [Fault("look", f"Not looked at yet: {name}.") for name in unseen]
        raise Refusal(
            "look-first", "This step destroys what has not been looked at. Look and photograph first.", faults
        )
    if ((unseen and given.unseen) or (holding and given.covers == "all the same")) and not given.because.strip():
        raise Refusal("say-why", "Say why it is done all the same.", [Fault("because", "Say why.")])


def mark_part(person: Person, job_id: int, given: MarkingPart) -> Opened:
    """Write a mark down: found on a part, or given to it. Refuses: Clash where it is another's."""

    def make(record: JobRecord, job: Job) -> list[Fact]:
        _must_be_identified(record)
        place = _position(job, given.part)
        if not given.mark.strip():
            raise Refusal("bad-mark", "Say what stands on it; none where nothing does.", [Fault("mark", "Empty.")])
        mark = fact_from(Marking, person, given, part=place.id)
        fault = fault_of_mark(job, mark)
        if fault:
            raise Clash("mark-taken", fault, [Fault("mark", fault)])
        return [mark]

    return land_one(person, job_id, given, ("part", "mark"), make)


def lay_part(person: Person, job_id: int, given: LayingPart) -> Opened:
    """Say where a part lies. Refuses: Clash where another lies there."""

    def make(record: JobRecord, job: Job) -> list[Fact]:
        _must_be_identified(record)
        place, pocket = _position(job, given.part), " ".join(given.pocket.split())
        if not pocket:
            raise Refusal("bad-pocket", "Say where it lies.", [Fault("pocket", "For example: tray 2, pocket 4.")])
        places = places_off(job.limits.layout)
        for other, there in Strip(job).lies_in.items():
            if other != place.id and there.casefold() == pocket.casefold():
                words = (
                    f"{places[other].name} lies in {there} already. Take it out first, or choose another pocket."
                )
                raise Clash("pocket-taken", words, [Fault("pocket", words)])
        laid = fact_from(Laying, person, given, part=place.id, pocket=pocket)
        return [laid]

    return land_one(person, job_id, given, ("part",), make)


#: What is reported here, and how it lands.
WAYS: Ways = {DoingStep: do_step, MarkingPart: mark_part, LayingPart: lay_part}
