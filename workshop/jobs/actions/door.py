"""The one door for facts: of every kind, in the order they were reported. What is wrong with one is its refusal;
the queue behind it goes on."""

import logging
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from datetime import timedelta
from functools import partial
from itertools import groupby
from typing import TYPE_CHECKING, Annotated, Any, NamedTuple, Union

from pydantic import Field, ValidationError, ValidatorFunctionWrapHandler, WrapValidator

from halfthou.exchange import Fault, faults_of
from halfthou.jobs import FACT_KINDS, kind_called
from workshop.bench import landing, pieces, seeing, work
from workshop.bench.landing import Landed, Landing, land_readings, not_worked_out
from workshop.evidence import cause, reported
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal
from workshop.record import facts
from workshop.record.one_fact import Ways
from workshop.record.opened import Opened, open_job
from workshop.record.plain import land_plain, reported_as
from workshop.strip import at_the_door, open_ends, steps

log = logging.getLogger(__name__)


@dataclass(frozen=True)
class IllFormed:
    """A fact that says not what facts of its kind say: its own refusal, by the name it gave itself."""

    id: str
    refused: Refusal


class FactWay(NamedTuple):
    """What is reported of one kind of fact, and how it lands."""

    reported: type[Any]
    land: Callable[[Person, int, Any], Any]


#: Where the kinds that have a way of their own land: each module says what is reported to it, and how it lands.
_OWN = (at_the_door, cause, facts, landing, open_ends, pieces, reported, seeing, steps, work)
_WAYS: Ways = {form: land for module in _OWN for form, land in module.WAYS.items()}
#: The same by the name of the kind.
OWN_WAYS: dict[str, FactWay] = {
    given.model_fields["fact"].default: FactWay(given, land) for given, land in _WAYS.items()
}


def way_of(kind: str) -> FactWay | None:
    """How facts of a kind land: their own way, else as their entry says; None where they are not reported alone."""
    held = FACT_KINDS.get(kind)
    if kind in OWN_WAYS or held is None or held.kind.who is None:
        return OWN_WAYS.get(kind)
    return FactWay(reported_as(held), partial(land_plain, held=held))


def reported_fact(kind: str) -> type[Any]:
    """What is reported of a kind of fact. Raises KeyError where it is not reported alone."""
    way = way_of(kind)
    if way is None:
        raise KeyError(kind)
    return way.reported


def _of_the_present_kind(given: Any) -> Any:
    held = kind_called(given["fact"]) if isinstance(given, dict) and isinstance(given.get("fact"), str) else None
    if held is None or held.kind.name == given["fact"]:
        return given
    return {**held.present(given["fact"], given), "fact": held.kind.name}


def _read(given: Any, _read_as_any: ValidatorFunctionWrapHandler) -> Any:
    """What was reported, read by its kind; else its refusal. A bench that was away may report of an older kind."""
    given = _of_the_present_kind(given)
    kind, name = (given.get("fact"), given.get("id")) if isinstance(given, dict) else (None, None)
    way = way_of(kind) if isinstance(kind, str) else None
    if way is None:
        faults = [Fault("fact", f"“{kind}” is no kind of fact")]
    else:
        try:
            return way.reported.model_validate(given)
        except ValidationError as error:
            faults = list(faults_of(error))
    words = "This entry cannot be understood, and was not kept."
    return IllFormed(name[:64] if isinstance(name, str) else "", Refusal("not-understood", words, faults))


if TYPE_CHECKING:
    Reported = Any
else:
    #: A fact as a bench reports it; `fact` says of which kind it is.
    Reported = Annotated[
        Union[tuple(way.reported for way in map(way_of, FACT_KINDS) if way is not None)],  # noqa: UP007
        Field(discriminator="fact"),
    ]
#: One fact of a letter: an ill-formed one does not spoil the rest.
OneOfSeveral = Annotated[Reported, WrapValidator(_read)]


def _land(person: Person, job_id: int, given: Any) -> Opened:
    way = way_of(given.fact)
    if way is None:
        raise ValueError(f"“{given.fact}” is no kind of fact")
    opened: Opened = way.land(person, job_id, given)
    return opened


def land_facts(
    person: Person, job_id: int, given: Iterable[Reported | IllFormed], off: timedelta = timedelta(0)
) -> tuple[Opened, list[Landed]]:
    """Land facts in their order, readings that follow each other in one bulk. Sent twice, each lands once.

    Takes:   how far the bench's clock is behind.
    Gives:   the job after them, and what became of each: landed, asked about, or refused.
    Refuses: Refusal where the job is not there, or the person may not.
    """
    must(person, Act.READ)
    opened: Opened | None = None
    results: list[Landed] = []
    for kind, run in groupby(given, key=type):
        if kind is Landing:
            readings = [one for one in run if isinstance(one, Landing)]
            opened, landed = land_readings(person, job_id, readings, off)
            results += landed
            continue
        for one in run:
            if isinstance(one, IllFormed):
                results.append(Landed(one.id, refused=one.refused))
                continue
            try:
                opened = _land(person, job_id, one)
                results.append(Landed(one.id))
            except NotThere as missing:
                if missing.code == "no-job":
                    raise
                results.append(Landed(one.id, refused=missing))
            except Refusal as refusal:
                results.append(Landed(one.id, refused=refusal))
            except (ValidationError, ValueError, ArithmeticError) as error:
                log.exception("a fact could not be worked out")
                results.append(Landed(one.id, refused=not_worked_out(error)))
    return opened or open_job(job_id, person), results
