"""What was seen lands: one way, from whichever page it was written down on."""

from typing import Literal

from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.engines import Engine
from halfthou.exchange import Fault, faults_of
from halfthou.first_look import USUAL_LOOKS
from halfthou.jobs import ENGINE, FOUND, IN_GENERAL, NOT_LOOKED, Debris, Fact, FactId, Job, Moment, Seen
from halfthou.lengths import Asked, Length, Unreadable, read_length, read_undersize
from halfthou.looks import Asks
from halfthou.parts import CATALOGUE, faults_of_seen
from halfthou.surveys import plan_of, seen_on
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal
from workshop.record.models import JobRecord
from workshop.record.one_fact import Ways, fact_from, land_one
from workshop.record.opened import Opened


class Seeing(Schema):
    """Something seen of a part, a set, a whole or of the engine: the look and its answer. `amount` is a depth, a
    step, a height or how far it was out, as typed."""

    fact: Literal["seen"] = "seen"
    id: FactId
    on: str = Field(default=ENGINE, max_length=40)
    look: str = Field(max_length=60)
    answer: str = Field(max_length=100)
    amount: str = Field(default="", max_length=200)
    spot: str = Field(default="", max_length=12)
    arc: tuple[int, int] | None = None
    cleaned: bool = False
    minutes: int | None = Field(default=None, ge=0, le=10_000)
    debris: Debris | None = None
    ends: bool = False
    note: str = Field(default="", max_length=2000)
    by_one_key: bool = False
    at: Moment


def see(person: Person, job_id: int, given: Seeing) -> Opened:
    """Write down what was seen. What was seen after cleaning is kept, and counts less."""

    def make(_record: JobRecord, job: Job) -> list[Fact]:
        engine = CATALOGUE.engine_of(job)
        _must_be_asked(given, job, engine)
        return [_seen(person, given, job, engine)]

    return land_one(person, job_id, given, ("on", "look", "answer"), make)


def must_be_known(job: Job, look: str) -> None:
    """Refuse a look that neither the house's order nor the table of looks has. Refuses: NotThere."""
    if look not in {row.key for row in (job.look_table or USUAL_LOOKS).looks} | {*CATALOGUE.looks}:
        raise NotThere("no-look", f"The table of looks has no “{look}”.")


def _must_be_asked(given: Seeing, job: Job, engine: Engine) -> None:
    """Refuse what the engine does not have, a look that nobody takes there, and what says nothing. Refuses:
    Refusal."""
    if not engine.may_be_seen(given.on):
        raise NotThere("no-part", f"This engine has no {given.on}.")
    if given.on == ENGINE and given.answer in (*IN_GENERAL, NOT_LOOKED):
        must_be_known(job, given.look)
    elif engine.look(given.look, given.on) is None:
        words = f"Nobody looks for “{given.look}” on {engine.called(given.on)}."
        raise Refusal("no-look", words, [Fault("look", "not looked for")])
    elif given.answer in IN_GENERAL:
        raise Refusal("bad-look", "Say what was seen of it.", [Fault("answer", "Choose one of its answers.")])
    if (given.answer == FOUND or given.ends) and not given.note.strip():
        fault = Fault("note", "Say what was found, in a few words.")
        raise Refusal("bad-look", "The look was not written down.", [fault])


def _seen(person: Person, given: Seeing, job: Job, engine: Engine) -> Seen:
    """What was seen, as a fact. Refuses: Refusal."""
    amount = _amount(given, job, engine)
    try:
        seen = fact_from(
            Seen, person, given, amount=amount, typed=given.amount.strip(), spot=given.spot.strip() or None
        )
    except ValidationError as error:
        raise Refusal("bad-look", "That was not written down. Mend what is marked.", faults_of(error)) from None
    wrong = list(faults_of_seen(seen, engine))
    if wrong:
        said = ". ".join(fault[0].upper() + fault[1:] for fault in wrong)
        raise Refusal("bad-look", f"That was not written down. {said}.", [Fault("answer", one) for one in wrong])
    part = engine.parts.get(given.on)
    known = seen_on(job, engine).get((seen.on, seen.look)) if seen.by_one_key else None
    if known is not None and known.answer != seen.answer:
        words = f"Somebody has said what {seen.look} is like on {engine.called(seen.on)}: say it by itself."
        raise Refusal("seen-already", words, [Fault("answer", "said already")])
    if seen.spot and part is not None:
        first = engine.kind(part.id).features[0]
        if seen.spot not in first.spots_of(plan_of(job, part.set, first)):
            raise Refusal("no-spot", f"{seen.spot} is no spot of the plan.", [Fault("spot", "not in the plan")])
    return seen


#: No score or claim is deeper than this: 0.2 in. No line lies deeper below the deck: a bore is not so long.
#: Source: common practice, no source.
DEEPEST, DEEPEST_LINE = Length(5_080_000), Length(250_000_000)


def _amount(given: Seeing, job: Job, engine: Engine) -> Length | None:
    """What was measured beside the answer; None where nothing was typed. Refuses: Refusal."""
    text, look = given.amount.strip(), engine.look(given.look, given.on)
    answer = look.answer(given.answer) if look is not None else None
    asks = answer.asks if answer is not None else None
    if not text and asks is not Asks.HEIGHT:
        return None
    try:
        if asks is Asks.STEP:
            limits = job.limits.sets.get(given.on)
            found = read_undersize(text, job.shown_in, tuple(step.size for step in limits.steps) if limits else ())
        else:
            found = read_length(text, job.shown_in)
    except Unreadable as error:
        words = f"That was not written down. Mend what is marked. {error.message}"
        raise Refusal(error.code, words, [Fault("amount", error.message)]) from None
    if isinstance(found, Asked):
        words = found.in_words
        raise Refusal("two-ways", words, [Fault("amount", words)])
    if not 0 <= found.length.nm <= (DEEPEST_LINE if asks is Asks.HEIGHT else DEEPEST).nm:
        words = (
            f"“{text}” is no {'height below a deck' if asks is Asks.HEIGHT else 'depth'}: check the decimal point."
        )
        raise Refusal("too-deep", words, [Fault("amount", words)])
    return found.length


#: What is reported here, and how it lands.
WAYS: Ways = {Seeing: see}
