"""Rows of the database to the core's documents, and back."""

from __future__ import annotations

import json
from datetime import datetime, timedelta
from functools import cache
from typing import Any, NamedTuple

from django.db.models import TextField
from django.db.models.functions import Cast
from pydantic import TypeAdapter

from halfthou.first_look import USUAL_LOOKS
from halfthou.gauges import SAME_DAY
from halfthou.jobs import (
    FACT_KINDS,
    NOT_IDENTIFIED,
    Decision,
    DecisionKind,
    Fact,
    Gauge,
    HeldFacts,
    HouseRules,
    Job,
    JobFile,
    LimitsSheet,
    LookTable,
    OtherSize,
    Plan,
    SettingCheck,
    Signature,
    StripEdits,
    Waived,
    held_as,
    kind_called,
    merged_edits,
)
from halfthou.lengths import Length, Unit
from halfthou.memo import Memo
from workshop.gauges.actions import cabinet_documents, checks_since, documents_by_key, last_check_made
from workshop.house.actions import rules_in_force
from workshop.house.looks import look_table_in_force
from workshop.house.strip import strip_edits_in_force
from workshop.limits.models import DescriptionRevision
from workshop.record.kept import KeptFacts, KeptJob, kept
from workshop.record.models import DecisionRecord, FactRecord, JobRecord, SignatureRecord


def sheet_of_job(record: JobRecord) -> LimitsSheet:
    """The limits a job is judged by: frozen at its signing or import, else its revision as it stands."""
    return LimitsSheet.model_validate(_limits_stored(record))


def is_identified(record: JobRecord) -> bool:
    """Whether it is said which engine the job is of: whether it has limits of its own."""
    return record.limits is not None or sheet_of_job(record).engine != NOT_IDENTIFIED


def _limits_stored(record: JobRecord) -> Any:
    """The limits of a job as stored, with the engine as it is described for this job."""
    stored = record.frozen_limits
    if stored is None:
        if record.limits is None:
            raise ValueError(f"job {record.number} has no limits")
        stored = record.limits.document
    return stored if record.description is None else {**stored, "layout": record.description.document}


def description_of(record: JobRecord) -> DescriptionRevision | None:
    """The description a job stands on: its own, else that of its limits sheet; None where nobody described it."""
    return record.description or (record.limits.description if record.limits is not None else None)


def strip_edits_of(record: JobRecord) -> StripEdits | None:
    """What the house changes in the strip list of a job: for all, for its description, for this engine; None where
    nothing is changed."""
    description = description_of(record)
    levels = (
        strip_edits_in_force(),
        _edits(None if description is None else description.description.strip_edits),
        _edits(record.strip_edits),
    )
    merged = merged_edits(*levels)
    return None if merged.empty else merged


def _edits(stored: Any) -> StripEdits | None:
    return None if stored is None else StripEdits.model_validate(stored)


def _plans(stored: dict[str, Any]) -> dict[str, Plan]:
    return {one: Plan.model_validate(plan) for one, plan in stored.items()}


#: So many gauges of the cabinet, and setting checks of them, travel with a job at the most.
MOST_OF_CABINET, MOST_CHECKS = 1_000, 10_000

Checks = tuple[SettingCheck, ...]


class UnknownKind(ValueError):
    """A job holds facts of a kind that this version does not know: one of a later version wrote them."""

    def __init__(self, number: str, kind: str) -> None:
        super().__init__(f"job {number} holds facts of the kind “{kind}”, which this version does not know")


@cache
def _reader(document: type[Fact]) -> TypeAdapter[tuple[Any, ...]]:
    return TypeAdapter(tuple[document, ...])  # type: ignore[valid-type]


def fact_row(record: JobRecord, fact: Fact) -> FactRecord:
    """The row of a fact of any kind."""
    on = str(getattr(fact, "part", "") or getattr(fact, "on", ""))
    return FactRecord(
        job=record,
        key=fact.id,
        kind=held_as(type(fact)).kind.name,
        part=on,
        document=fact.model_dump(mode="json"),
        by=fact.by,
        at=fact.at,
    )


def fact_of(row: FactRecord) -> Any:
    """The document of a fact from its row."""
    held = kind_called(row.kind)
    if held is None:
        raise UnknownKind(str(row.job_id), row.kind)
    return held.document.model_validate_json(_present(row.kind, json.dumps(row.document), held))


def _present(kind: str, text: str, held: HeldFacts) -> str:
    """The document of a fact as its kind has it now, where its row is of an older kind."""
    return text if kind == held.kind.name else json.dumps(held.present(kind, json.loads(text)))


def known_fact(record: JobRecord, key: str) -> Any:
    """The fact of a job that has this name already; None where none has."""
    row = record.facts.filter(key=key).first()
    return None if row is None else fact_of(row)


def facts_of(record: JobRecord, known: KeptFacts | None = None) -> KeptFacts:
    """Every fact of a job by its kind, as they landed: one query, read in bulk. What is known is not read again.

    Refuses: UnknownKind.
    """
    known = known or KeptFacts()
    last, found = known.last, dict[str, list[str]]()
    rows = record.facts.filter(pk__gt=known.last).order_by("pk").annotate(text=Cast("document", TextField()))
    for pk, kind, text in rows.values_list("pk", "kind", "text").iterator(chunk_size=5_000):
        last, held = pk, kind_called(kind)
        if held is None:
            raise UnknownKind(record.number, kind)
        found.setdefault(held.kind.name, []).append(_present(kind, text, held))
    if not found and known.by_kind:
        return known
    return known.with_more(
        last,
        {
            kind: _reader(held.document).validate_json(f"[{','.join(found.get(kind, ()))}]")
            for kind, held in FACT_KINDS.items()
        },
    )


def gauges_of(record: JobRecord, used: set[str], memo: Memo) -> tuple[Gauge, ...]:
    """The gauges a job can be read with: those in use, those its readings name, those it came with.

    A cabinet of any size: a job takes no more of it than a document holds.
    """
    in_use = cabinet_documents()[:MOST_OF_CABINET]
    here = {document["id"] for document in (*in_use, *record.own_gauges)}
    missing = documents_by_key(used - here) if used - here else []
    return memo.of("gauges", _gauges, in_use, missing, record.own_gauges)


def _gauges(in_use: list[Any], missing: list[Any], own: list[Any]) -> tuple[Gauge, ...]:
    documents = {document["id"]: document for document in (*in_use, *missing, *own)}
    return tuple(Gauge.model_validate(document) for document in documents.values())


class ReadWith(NamedTuple):
    """The gauges a job was read with, and when the first and the last reading were taken."""

    gauges: frozenset[str]
    between: tuple[datetime, datetime] | None

    @property
    def by_the_hour(self) -> ReadWith:
        """The same, the last moment up to the whole hour: readings close together ask for the same checks."""
        if self.between is None:
            return self
        first, last = self.between
        hour = last.replace(minute=0, second=0, microsecond=0)
        return ReadWith(self.gauges, (first, hour + timedelta(hours=1)))


def checks_of_job(record: JobRecord, gauges: tuple[Gauge, ...], read_with: ReadWith, memo: Memo) -> Checks:
    """The setting checks a job is judged with: of the gauges it was read with and of their standards, and those it
    came with."""
    listed = frozenset(gauge.id for gauge in gauges)
    return memo.of("checks", _checks, read_with.by_the_hour, record.own_checks, listed, last_check_made())


def _checks(read_with: ReadWith, own: list[Any], listed: frozenset[str], _last_made: int) -> Checks:
    shop: Checks = ()
    if read_with.between is not None:
        first, last = read_with.between[0], read_with.between[1] + SAME_DAY
        shop = checks_since(set(read_with.gauges), first, last)
        masters = {check.against for check in shop if check.against} - read_with.gauges
        shop = (*shop, *(checks_since(masters, first, last) if masters else ()))[-MOST_CHECKS:]
    came = (SettingCheck.model_validate(document) for document in own)
    found = {check.id: check for check in (*came, *shop)}
    return tuple(c for c in found.values() if c.gauge in listed and (c.against is None or c.against in listed))


def job_of(record: JobRecord, shown_in: Unit) -> Job:
    """The whole job as the core's document, to be spoken of in one unit.

    Refuses: ValidationError where what is stored does not hang together.
    """
    known = kept(record.pk, shown_in)
    fields = _fields_of(record, shown_in, known)
    before = known.job
    job = Job(**fields) if before is None else _grown(before, fields)
    known.keep_job(job)
    return job


#: What grows as readings land.
_GROWS = ("readings", "sittings", "checks")


def _grown(before: Job, fields: dict[str, Any]) -> Job:
    """The job as it was put together before, where nothing but its readings has changed since; else anew."""
    more = {name: fields[name][len(getattr(before, name)) :] for name in ("readings", "sittings")}
    same = all(getattr(before, name) == value for name, value in fields.items() if name not in _GROWS)
    if not same or any((*getattr(before, name), *new) != fields[name] for name, new in more.items()):
        return Job(**fields)
    if not any(more.values()) and before.checks == fields["checks"]:
        return before
    return before.with_more(more["readings"], more["sittings"], fields["checks"])


def _fields_of(record: JobRecord, shown_in: Unit, known: KeptJob) -> dict[str, Any]:
    """The fields of a job as they are stored. What is stored as it was is the document it was: not made anew."""
    found = facts_of(record, known.facts)
    known.keep_facts(found)
    facts, memo = found.by_kind, known.memo
    rules = record.frozen_house_rules
    gauges = gauges_of(record, set(found.gauges), memo)
    return {
        "number": record.number,
        "title": record.title,
        "customer": record.customer,
        "complaint": record.complaint,
        "booked_in": record.booked_in,
        "due": record.due,
        "shown_in": shown_in,
        "limits": memo.of("limits", LimitsSheet.model_validate, _limits_stored(record)),
        "house_rules": HouseRules.model_validate(rules) if rules else rules_in_force(),
        "gauges": gauges,
        "scope": tuple(record.scope),
        "plans": memo.of("plans", _plans, record.plans),
        **{held.field: facts[kind] for kind, held in FACT_KINDS.items()},
        "look_table": look_table_of(record),
        "strip_edits": strip_edits_of(record),
        "checks": checks_of_job(record, gauges, ReadWith(found.gauges, found.read_between), memo),
        "decisions": tuple(decision_of(row) for row in sorted(record.decisions.all(), key=lambda row: row.pk)),
    }


def look_table_of(record: JobRecord) -> LookTable | None:
    """The table of looks a job came with, else the house's; None where that is the one a shop starts with."""
    if record.frozen_look_table is not None:
        return LookTable.model_validate(record.frozen_look_table)
    table = look_table_in_force()
    return None if table is USUAL_LOOKS else table


def decision_of(row: DecisionRecord) -> Decision:
    """A decision from its row."""
    return Decision(
        id=row.key,
        kind=DecisionKind(row.kind),
        set=row.set,
        part=row.part or None,
        about=Waived(row.about) if row.about else None,
        action=row.action,
        step=None if row.step_nm is None else Length(row.step_nm),
        others=tuple(OtherSize(part=part, step=Length(nm)) for part, nm in row.others.items()),
        follows=row.follows,
        words=row.words,
        reason=row.reason,
        made_elsewhere=row.made_elsewhere,
        by=row.by,
        at=row.at,
    )


def decision_row(record: JobRecord, decision: Decision, *, elsewhere: bool = False) -> DecisionRecord:
    """The row of a decision."""
    return DecisionRecord(
        job=record,
        key=decision.id,
        kind=decision.kind.value,
        set=decision.set,
        part=decision.part or "",
        about=decision.about.value if decision.about else "",
        action=decision.action,
        step_nm=None if decision.step is None else decision.step.nm,
        others={one.part: one.step.nm for one in decision.others},
        follows=decision.follows,
        words=decision.words,
        reason=decision.reason,
        made_elsewhere=decision.made_elsewhere or elsewhere,
        by=decision.by,
        at=decision.at,
    )


def signature_of(row: SignatureRecord) -> Signature:
    """A signature from its row."""
    return Signature(
        revision=row.revision,
        by=row.by,
        at=row.at,
        withdrawn_by=row.withdrawn_by,
        withdrawn_at=row.withdrawn_at,
        withdrawn_because=row.withdrawn_because,
        made_elsewhere=row.made_elsewhere,
        sheet=row.sheet,
    )


def job_file_of(record: JobRecord) -> JobFile:
    """The whole job as a file, in its own entry unit, with every gauge at hand: what would settle a doubt, and what
    is too coarse before anything is read, is said of them too."""
    return JobFile(
        job=job_of(record, Unit(record.entry_unit)),
        signatures=tuple(signature_of(row) for row in record.signatures.order_by("revision")),
    )
