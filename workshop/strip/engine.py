"""The engine of a job as it is described: another description taken up, and the house's changes in its strip
list."""

from enum import StrEnum

from django.db import transaction
from ninja import Schema

from halfthou.engines import described
from halfthou.exchange import Fault
from halfthou.jobs import NOT_IDENTIFIED, Job, Layout, Picture, StripEdits, merged_edits
from halfthou.lengths import Unit
from halfthou.parts import CATALOGUE
from halfthou.stands_on import subject_of
from halfthou.strip import StripCircle, StripStep, ordered, strip_list
from workshop.house.strip import keep_strip_edits, strip_edits_in_force
from workshop.limits.describing import description_revision, layout_of
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal
from workshop.record.models import JobRecord
from workshop.record.opened import Opened, settled, sound_job, to_change, write_history
from workshop.record.translate import description_of, sheet_of_job


class ForWhom(StrEnum):
    """How far a change in the strip list goes."""

    ENGINE = "this engine"
    DESCRIPTION = "every engine of this description"
    ALL = "every engine"


class EditingStrip(Schema):
    """What is to be changed in the strip list, and for whom. `sure` says that what it costs was read."""

    reach: ForWhom = ForWhom.ENGINE
    edits: StripEdits
    sure: bool = False


class TakingDescription(Schema):
    """A description to take up for a job. `sure` says that what falls away or comes was read."""

    description: int
    sure: bool = False


@transaction.atomic
def take_up_description(person: Person, job_id: int, given: TakingDescription) -> Opened:
    """Let a job stand on another description of its engine. What was done stays; what falls away or comes is said.

    Refuses: Clash where something is on record of a part that the engine would not have; Refusal, once, with what
    changes in the strip.
    """
    must(person, Act.DRAFT_LIMITS)
    record = to_change(job_id)
    revision = description_revision(given.description)
    layout, before = layout_of(revision), sheet_of_job(record).layout
    job = sound_job(record, Unit(person.shown_unit))
    must_lose_nothing(job, layout)
    changes = _what_changes(job, before, layout)
    if changes and not given.sure:
        message = "The strip list changes. Look at what falls away and what comes, then take it up."
        raise Refusal("list-changes", message, changes)
    record.description = revision
    write_history(record, person.username, f"took up the description {revision}")
    record.save()
    return settled(record, person)


def must_lose_nothing(job: Job, layout: Layout) -> None:
    """Refuses: Clash where anything is on record of a place that the engine has and would not have. A picture is no
    reason: it is shown whatever the engine has."""
    engine, here = CATALOGUE.engine(layout, job.pieces_here), CATALOGUE.engine_of(job)
    known = {*engine.places, *engine.spoken_of}
    lost = {
        subject
        for _, fact in job.facts
        if not isinstance(fact, Picture)
        and (subject := subject_of(fact))
        and subject not in known
        and subject in {*here.places, *here.spoken_of}
    }
    gone = [one for one in job.sets if job.limits.engine != NOT_IDENTIFIED and one not in CATALOGUE.sets(layout)]
    faults = [Fault(one, f"{_called(job, one)}: something is on record of it.") for one in sorted(lost)]
    faults += [Fault(one, f"The job judges the {one}, which this engine would not have.") for one in gone]
    if faults:
        message = "That engine has no such parts. Take back what is on record of them, or describe them too."
        raise Clash("parts-lost", message, faults)


def _called(job: Job, place: str) -> str:
    known = CATALOGUE.engine_of(job).places.get(place)
    return place if known is None else known.name


def _what_changes(job: Job, before: Layout, after: Layout) -> list[Fault]:
    """Which steps fall away and which come, where the strip is begun: those done first."""
    done = {one.step for one in job.standing(job.steps_done)}
    if not done:
        return []
    old, new = ({one.id: one for one in strip_list(one, job.strip_edits)} for one in (before, after))
    fallen = [step for step in done if step in old and step not in new]
    faults = [
        Fault("done", f"{old[step].text}: it is done and stays so; the new list does not have it.")
        for step in fallen
    ]
    away = [one.text for key, one in old.items() if key not in new and key not in done]
    came = [one.text for key, one in new.items() if key not in old]
    if away:
        faults.append(Fault("away", f"{len(away)} steps fall away: {_some(away)}."))
    if came:
        faults.append(Fault("come", f"{len(came)} steps come: {_some(came)}."))
    return faults


def _some(texts: list[str]) -> str:
    return "; ".join(texts[:4]) + (f"; and {len(texts) - 4} more" if len(texts) > 4 else "")


def edits_of(record: JobRecord) -> dict[ForWhom, StripEdits]:
    """What is changed in the strip list at each reach."""
    description = description_of(record)
    stored = description.description.strip_edits if description is not None else None
    return {
        ForWhom.ENGINE: StripEdits.model_validate(record.strip_edits or {}),
        ForWhom.DESCRIPTION: StripEdits.model_validate(stored or {}),
        ForWhom.ALL: strip_edits_in_force() or StripEdits(),
    }


@transaction.atomic
def edit_strip(person: Person, job_id: int, given: EditingStrip) -> Opened:
    """Change the strip list, for one engine, for its description, or for all.

    Refuses: Refusal where the rules forbid the order, with what waits for what; and once, with what it would spoil.
    """
    must(person, Act.KEEP_HOUSE_RULES if given.reach is ForWhom.ALL else Act.DRAFT_LIMITS)
    record = to_change(job_id)
    layout, levels = sheet_of_job(record).layout, edits_of(record)
    before = _edited(levels)
    after = _edited({**levels, given.reach: given.edits})
    _must_hold(layout, after)
    spoiled = spoils(layout, before, after)
    if spoiled and not given.sure:
        faults = [Fault("edits", words) for words in spoiled]
        raise Refusal("would-spoil", "The order can be, and costs something. Keep it all the same?", faults)
    _keep(person, record, given)
    write_history(record, person.username, f"changed the strip list for {given.reach.value}")
    record.save()
    return settled(record, person)


def _edited(levels: dict[ForWhom, StripEdits]) -> StripEdits:
    return merged_edits(levels[ForWhom.ALL], levels[ForWhom.DESCRIPTION], levels[ForWhom.ENGINE])


def _keep(person: Person, record: JobRecord, given: EditingStrip) -> None:
    document = None if given.edits.empty else given.edits.model_dump(mode="json")
    if given.reach is ForWhom.ALL:
        keep_strip_edits(person, given.edits)
    elif given.reach is ForWhom.ENGINE:
        record.strip_edits = document
    else:
        description = description_of(record)
        if description is None:
            raise Clash(
                "no-description", "This engine stands on no description: describe it, or change its own list."
            )
        description.description.strip_edits = document
        description.description.save(update_fields=["strip_edits"])


def _must_hold(layout: Layout, edits: StripEdits) -> None:
    """Refuses: Refusal where steps would wait for each other, or one is named that the list does not have."""
    plain = {step.id: step for step in strip_list(layout)}
    known = {*plain, *(own.id for own in edits.own)}
    try:
        ordered(described(layout), edits)
    except StripCircle as ring:
        faults = [Fault(one, _waits(plain, edits, one, other)) for one, other in _pairs(ring.steps)]
        message = "That order cannot be: these steps would wait for each other. Nothing was changed."
        raise Refusal("circle", message, faults) from None
    lost = [own for own in edits.own if own.after not in known]
    if lost and described(layout).described:
        faults = [Fault(own.id, f"“{own.text}” comes after a step that this list does not have.") for own in lost]
        raise Refusal("no-such-step", "Choose a step of the list that it comes after.", faults)


def _pairs(steps: tuple[str, ...]) -> list[tuple[str, str]]:
    return [*zip(steps, (*steps[1:], steps[0]), strict=True)]


def _waits(plain: dict[str, StripStep], edits: StripEdits, one: str, other: str) -> str:
    texts = {**{key: step.text for key, step in plain.items()}, **{own.id: own.text for own in edits.own}}
    why = next((held.why for held in plain[one].held if held.step == other), "") if one in plain else ""
    reason = why or "that is your own order"
    return f"{texts.get(one, one)} comes after {texts.get(other, other)}: {reason}."


def spoils(layout: Layout, before: StripEdits, after: StripEdits) -> list[str]:
    """What a change in the list costs, in words: turns of the crank, groups torn apart."""
    old, new = strip_list(layout, before), strip_list(layout, after)
    said = []
    more = sum(step.family == "turn" for step in new) - sum(step.family == "turn" for step in old)
    if more > 0:
        said.append(f"The crank is turned {more} {'time' if more == 1 else 'times'} more.")
    torn = _runs(new) - _runs(old)
    if torn > 1:
        said.append("A group is left and taken up again later.")
    return said


def _runs(steps: tuple[StripStep, ...]) -> int:
    return sum(n == 0 or step.section != steps[n - 1].section for n, step in enumerate(steps))
