"""What the server keeps in its memory of the jobs it served last. It is a help: without it the same comes out.

Facts are never changed or taken away, so those read once need not be read again: only what landed since is. Nothing
is kept that a transaction may still take back.
"""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from datetime import datetime
from threading import Lock, local
from typing import Any, NamedTuple, TypeVar, cast

from django.db import connection

from halfthou.jobs import FastenerSeen, Job, Reading, held_as
from halfthou.lengths import Unit
from halfthou.memo import Memo
from workshop.record.ledger import Ledger

Loaded = TypeVar("Loaded")
#: So many jobs, and facts of them, are kept at the most; what was served longest ago is let go. A job of 1,500
#: facts takes about 10 MB.
MOST_KEPT, MOST_FACTS = 64, 20_000


@dataclass(frozen=True)
class KeptFacts:
    """The facts of a job by kind, up to the last one read; the gauges its readings were taken with, and when the
    first and the last of them were."""

    last: int = 0
    by_kind: Mapping[str, tuple[Any, ...]] = field(default_factory=dict)
    gauges: frozenset[str] = frozenset()
    read_between: tuple[datetime, datetime] | None = None

    def with_more(self, last: int, new: Mapping[str, tuple[Any, ...]]) -> KeptFacts:
        """These facts and those that landed after them."""
        readings, fasteners = (new.get(held_as(kind).kind.name, ()) for kind in (Reading, FastenerSeen))
        times = [*(self.read_between or ()), *(reading.at for reading in readings)]
        return KeptFacts(
            last,
            {kind: (*self.by_kind.get(kind, ()), *facts) for kind, facts in new.items()},
            self.gauges | {one.gauge for one in (*readings, *fasteners) if one.gauge},
            (min(times), max(times)) if times else None,
        )


def may_be_taken_back() -> bool:
    """Whether what is read now may hold what a transaction of ours still takes back."""
    return bool(connection.in_atomic_block)


class Stamp(NamedTuple):
    """How often the database was changed, by others and by this connection, as that connection counts. While it is
    the same, nothing was. A connection opened anew counts from the beginning: so the connection itself belongs to
    it."""

    connection: object
    by_others: int
    by_us: int


def stamp_now() -> Stamp | None:
    """The stamp of this thread's connection; None while a transaction is open."""
    if may_be_taken_back():
        return None
    with connection.cursor() as cursor:
        (by_others,) = cursor.execute("PRAGMA data_version").fetchone()
    ours = connection.connection
    return Stamp(ours, by_others, ours.total_changes)


class _OfThread(local):
    """What this thread loaded last: the stamp it was loaded at, which job in which unit, and what was loaded."""

    def __init__(self) -> None:
        self.last: tuple[Stamp | None, tuple[int, Unit], Any] = (None, (0, Unit.MM), None)


_of_thread = _OfThread()


def loaded(job_id: int, shown_in: Unit, load: Callable[[], Loaded]) -> Loaded:
    """A job as loaded, anew only where anything in the database has changed since this thread loaded it."""
    key, stamp = (job_id, shown_in), stamp_now()
    before, of, found = _of_thread.last
    if stamp is None or before != stamp or of != key:
        found = load()
        _of_thread.last = stamp, key, found
    return cast(Loaded, found)


def grown(job_id: int, shown_in: Unit, now: object) -> None:
    """What this thread loaded has grown by its own hand: it is now this, unless somebody else changed anything."""
    before, of, _ = _of_thread.last
    stamp = stamp_now()
    if before is None or stamp is None or of != (job_id, shown_in):
        return
    if (before.connection, before.by_others) == (stamp.connection, stamp.by_others):
        _of_thread.last = stamp, of, now


class KeptJob:
    """What is kept of one job as it is shown in one unit."""

    def __init__(self) -> None:
        self.memo = Memo()
        self.facts = KeptFacts()
        self.job: Job | None = None
        self.told = Ledger()
        self.strip_told = Ledger()

    @property
    def size(self) -> int:
        """How many facts of the job are kept."""
        return sum(len(facts) for facts in self.facts.by_kind.values())

    def keep_facts(self, facts: KeptFacts) -> None:
        """Keep facts that were read, where nothing can take them back any more."""
        if not may_be_taken_back() and facts.last >= self.facts.last:
            self.facts = facts

    def keep_job(self, job: Job) -> None:
        """Keep the job as it was put together from them."""
        if not may_be_taken_back():
            self.job = job


_kept: OrderedDict[tuple[int, Unit], KeptJob] = OrderedDict()
_lock = Lock()


def kept(job_id: int, shown_in: Unit) -> KeptJob:
    """What is kept of a job in one unit; empty where it was not served lately."""
    key = job_id, shown_in
    with _lock:
        found = _kept.get(key)
        if found is None:
            found = _kept[key] = KeptJob()
        _kept.move_to_end(key)
        while len(_kept) > MOST_KEPT or (len(_kept) > 1 and sum(one.size for one in _kept.values()) > MOST_FACTS):
            _kept.popitem(last=False)
    return found


def forget_all() -> None:
    """Keep nothing any more: for tests, which begin their data anew."""
    _of_thread.last = (None, (0, Unit.MM), None)
    with _lock:
        _kept.clear()
