"""Which readings an operation makes stale. Stale readings stay in the record and are not judged as current."""

from __future__ import annotations

from collections.abc import Iterable

from halfthou.jobs import ANSWERS, Feature, Job, Look, Operation, OperationKind, Reading, set_of

_JOURNAL = (Feature.JOURNAL,)
_BORES = (Feature.BEARING_BORE, Feature.HOUSING_BORE)

#: What has to be measured again after each operation. Source: docs/trade: What work makes stale, common practice.
INVALIDATES: dict[OperationKind, tuple[Feature, ...]] = {
    OperationKind.GRIND: _JOURNAL,
    OperationKind.POLISH: _JOURNAL,
    OperationKind.STRAIGHTEN: _JOURNAL,
    OperationKind.HEAT_TREAT: _JOURNAL,
    OperationKind.LINE_HONE: _BORES,
    OperationKind.STUDS: _BORES,
    OperationKind.TORQUE_CHANGED: _BORES,
    OperationKind.RESIZE_RODS: _BORES,
    OperationKind.NEW_SHELLS: (Feature.BEARING_BORE, Feature.WALL),
    OperationKind.FINAL_WASH: _JOURNAL,
}

#: What has to be looked at again. Source: docs/trade: What work makes stale: grinding can crack, so can
#: straightening.
LOOK_AGAIN: dict[OperationKind, tuple[Look, ...]] = {
    OperationKind.GRIND: (Look.SURFACE, Look.CRACK_TEST, Look.FILLET, Look.HARDNESS, Look.TREATMENT),
    OperationKind.POLISH: (Look.SURFACE,),
    OperationKind.STRAIGHTEN: (Look.CRACK_TEST, Look.STRAIGHTNESS),
    OperationKind.HEAT_TREAT: (Look.HARDNESS, Look.STRAIGHTNESS),
    OperationKind.NEW_SHELLS: (Look.SHELL,),
}

#: What each operation is done to, where a choice is offered: a set, or the whole crank.
RUNS_ON: dict[OperationKind, tuple[str, ...]] = {
    OperationKind.GRIND: ("mains", "rods"),
    OperationKind.POLISH: ("mains", "rods"),
    OperationKind.STRAIGHTEN: ("crank",),
    OperationKind.HEAT_TREAT: ("crank",),
    OperationKind.LINE_HONE: ("mains",),
    OperationKind.STUDS: ("mains",),
    OperationKind.TORQUE_CHANGED: ("mains", "rods"),
    OperationKind.RESIZE_RODS: ("rods",),
    OperationKind.NEW_SHELLS: ("mains", "rods"),
    OperationKind.FINAL_WASH: ("crank",),
}


def touches(operation: Operation, journal: str) -> bool:
    """Whether the operation was done to this journal."""
    return operation.on in (journal, "crank", set_of(journal).value)


def makes_stale(operation: Operation, reading: Reading) -> bool:
    """Whether the operation makes the reading stale.

    Rule:    operations.stale.   Source: docs/trade: What work makes stale. A reading taken at the same moment is
             taken to be before.
    """
    return (
        reading.at <= operation.at
        and reading.feature in INVALIDATES[operation.kind]
        and touches(operation, reading.journal)
    )


def stale_readings(job: Job) -> dict[str, Operation]:
    """The stale readings by id, each with the last operation that made it so; one taken back makes none."""
    done = job.standing_operations if job.operations else ()
    return {
        reading.id: operation for operation in done for reading in job.readings if makes_stale(operation, reading)
    }


def stale_looks(job: Job) -> frozenset[str]:
    """The observations by id that an operation has since made worthless. A crack found is not among them."""
    return frozenset(
        seen.id
        for operation in (job.standing_operations if job.operations else ())
        for seen in job.observations
        if seen.at <= operation.at
        and seen.look in LOOK_AGAIN.get(operation.kind, ())
        and not (seen.look is Look.CRACK_TEST and seen.answer == ANSWERS[Look.CRACK_TEST][-1])
        and (seen.on == "crank" or seen.on in ("mains", "rods") or touches(operation, seen.on))
    )


def ground_to(operations: Iterable[Operation], journal: str) -> Operation | None:
    """The last grind that touched a journal, alone or with its set, and says which undersize it went to.

    Takes:   the operations that stand, oldest first.
    """
    grinds = [
        done
        for done in operations
        if done.kind is OperationKind.GRIND and done.undersize is not None and touches(done, journal)
    ]
    return grinds[-1] if grinds else None
