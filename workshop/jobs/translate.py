"""Rows of the database to the core's documents, and back."""

import json
from typing import Any

from django.db.models import TextField
from django.db.models.functions import Cast
from pydantic import TypeAdapter

from halfthou.gauges import SAME_DAY
from halfthou.jobs import (
    Decision,
    DecisionKind,
    Extension,
    Gauge,
    HouseRules,
    Job,
    JobFile,
    LimitsSheet,
    Observation,
    Operation,
    Plan,
    Reading,
    SettingCheck,
    Signature,
    Sitting,
    SlipAnswer,
    Waived,
    Withdrawal,
)
from halfthou.lengths import Length, Unit
from workshop.gauges.actions import cabinet, checks_since, gauges_by_key
from workshop.house.actions import rules_in_force
from workshop.jobs.models import DecisionRecord, FactKind, FactRecord, JobRecord, SignatureRecord


def sheet_of_job(record: JobRecord) -> LimitsSheet:
    """The limits a job is judged by: frozen at its signing or import, else its revision as it stands."""
    if record.frozen_limits is not None:
        return LimitsSheet.model_validate(record.frozen_limits)
    if record.limits is None:
        raise ValueError(f"job {record.number} has no limits")
    return LimitsSheet.model_validate(record.limits.document)


#: So many gauges of the cabinet, and setting checks of them, travel with a job at the most.
MOST_OF_CABINET, MOST_CHECKS = 1_000, 10_000

Fact = Reading | Withdrawal | Observation | Sitting | Operation | SlipAnswer | Extension
_KINDS: dict[str, type[Fact]] = {
    FactKind.READING: Reading,
    FactKind.WITHDRAWAL: Withdrawal,
    FactKind.OBSERVATION: Observation,
    FactKind.SITTING: Sitting,
    FactKind.OPERATION: Operation,
    FactKind.SLIP_ANSWER: SlipAnswer,
    FactKind.EXTENSION: Extension,
}
_KIND_OF = {document: kind for kind, document in _KINDS.items()}
_READERS: dict[str, TypeAdapter[tuple[Any, ...]]] = {
    kind: TypeAdapter(tuple[document, ...])  # type: ignore[valid-type]
    for kind, document in _KINDS.items()
}


def fact_row(record: JobRecord, fact: Fact) -> FactRecord:
    """The row of a fact of any kind."""
    on = str(getattr(fact, "part", "") or getattr(fact, "on", ""))
    return FactRecord(
        job=record,
        key=fact.id,
        kind=_KIND_OF[type(fact)],
        part=on,
        document=fact.model_dump(mode="json"),
        by=fact.by,
        at=fact.at,
    )


def fact_of(row: FactRecord) -> Any:
    """The document of a fact from its row."""
    return _KINDS[row.kind].model_validate_json(json.dumps(row.document))


def known_fact(record: JobRecord, key: str) -> Any:
    """The fact of a job that has this name already; None where none has."""
    row = record.facts.filter(key=key).first()
    return None if row is None else fact_of(row)


def facts_of(record: JobRecord) -> dict[str, tuple[Any, ...]]:
    """Every fact of a job by its kind, as they landed: one query, read in bulk."""
    found: dict[str, list[str]] = {kind: [] for kind in _KINDS}
    rows = record.facts.order_by("pk").annotate(text=Cast("document", TextField())).values_list("kind", "text")
    for kind, text in rows.iterator(chunk_size=5_000):
        found[kind].append(text)
    return {kind: _READERS[kind].validate_json(f"[{','.join(texts)}]") for kind, texts in found.items()}


def gauges_of(record: JobRecord, used: set[str]) -> tuple[Gauge, ...]:
    """The gauges a job can be read with: those in use, those its readings name, those it came with.

    A cabinet of any size: a job takes no more of it than a document holds.
    """
    found = {gauge.id: gauge for gauge in cabinet()[:MOST_OF_CABINET]}
    own = {gauge.id: gauge for gauge in (Gauge.model_validate(document) for document in record.own_gauges)}
    missing = used - found.keys() - own.keys()
    if missing:
        found.update({gauge.id: gauge for gauge in gauges_by_key(missing)})
    return tuple({**found, **own}.values())


def checks_of_job(
    record: JobRecord, gauges: tuple[Gauge, ...], readings: tuple[Reading, ...]
) -> tuple[SettingCheck, ...]:
    """The setting checks a job is judged with: of the gauges it was read with and of their standards, and those it
    came with."""
    shop: tuple[SettingCheck, ...] = ()
    if readings:
        used = {reading.gauge for reading in readings}
        first = min(reading.at for reading in readings)
        last = max(reading.at for reading in readings) + SAME_DAY
        shop = checks_since(used, first, last)
        masters = {check.against for check in shop if check.against} - used
        shop = (*shop, *(checks_since(masters, first, last) if masters else ()))[-MOST_CHECKS:]
    own = [SettingCheck.model_validate(document) for document in record.own_checks]
    known = {gauge.id for gauge in gauges}
    found = {check.id: check for check in (*own, *shop)}
    return tuple(c for c in found.values() if c.gauge in known and (c.against is None or c.against in known))


def job_of(record: JobRecord, shown_in: Unit) -> Job:
    """The whole job as the core's document, to be spoken of in one unit.

    Refuses: ValidationError where what is stored does not hang together.
    """
    facts = facts_of(record)
    readings = facts[FactKind.READING]
    rules = record.frozen_house_rules
    gauges = gauges_of(record, {reading.gauge for reading in readings})
    return Job(
        number=record.number,
        title=record.title,
        customer=record.customer,
        complaint=record.complaint,
        booked_in=record.booked_in,
        due=record.due,
        shown_in=shown_in,
        limits=sheet_of_job(record),
        house_rules=HouseRules.model_validate(rules) if rules else rules_in_force(),
        gauges=gauges,
        scope=tuple(record.scope),
        plans={one: Plan.model_validate(plan) for one, plan in record.plans.items()},
        readings=readings,
        withdrawals=facts[FactKind.WITHDRAWAL],
        observations=facts[FactKind.OBSERVATION],
        sittings=facts[FactKind.SITTING],
        operations=facts[FactKind.OPERATION],
        slip_answers=facts[FactKind.SLIP_ANSWER],
        checks=checks_of_job(record, gauges, readings),
        decisions=tuple(decision_of(row) for row in record.decisions.order_by("pk")),
        extensions=facts[FactKind.EXTENSION],
    )


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
