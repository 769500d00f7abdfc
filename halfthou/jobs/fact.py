"""What a fact is, and the entry of a kind of fact: what it is called, who reports it, how long it lands."""

from __future__ import annotations

from abc import abstractmethod
from collections.abc import Callable, Iterator
from dataclasses import dataclass
from enum import IntEnum, StrEnum
from typing import TYPE_CHECKING, Any, NamedTuple, Protocol

from annotated_types import GroupedMetadata, MaxLen

from halfthou.jobs.document import Document, FactId, Moment, Words

if TYPE_CHECKING:
    from halfthou.jobs.facts import Reading
    from halfthou.lengths import Length


class StoryKind(StrEnum):
    """What a line of a job's story is about."""

    READ = "read"
    CORRECTED = "corrected"
    WITHDRAWN = "withdrawn"
    QUESTION = "question"
    WORK = "work"
    CHECK = "setting check"
    WARMTH = "temperature"
    SEEN = "seen"
    DECIDED = "decided"
    DOOR = "door"
    STRIP = "strip"
    PICTURE = "picture"
    EVIDENCE = "evidence"


class Names(Protocol):
    """How a job's parts, causes and sizes are called where a fact is told in words."""

    def called(self, part: str) -> str:
        """A part by its short name."""

    def look(self, key: str) -> str:
        """A look by its name."""

    def step(self, name: str) -> str:
        """A step of the strip by what it says is to be done."""

    def cause(self, name: str) -> str:
        """A cause by its name."""

    def read(self, reading: Reading) -> str:
        """What a reading said, with its unit."""

    def reading(self, name: str) -> Reading:
        """A reading of the job by the name of its fact."""

    def sized(self, on: str, step: Length) -> str:
        """How far from standard a part was brought, and which way: 0.010 in undersize."""


class Fact(Document):
    """What a person or a gauge reported: under a name that it keeps, by whom, and when it was."""

    id: FactId
    by: Words
    at: Moment

    @abstractmethod
    def said(self, names: Names) -> str:
        """The fact in a few words, without who and when."""

    def more(self, names: Names) -> str:
        """What else the story tells of it; "" for nothing."""
        return ""


class Who(StrEnum):
    """Who reports facts of a kind, and who takes them back."""

    BENCH = "whoever reads and looks"
    DESK = "whoever books engines in"
    DECIDES = "whoever decides and signs"


class Until(IntEnum):
    """How long facts of a kind land. What changes no verdict lands longer."""

    SIGNED = 1
    HANDED_OVER = 2
    EVER = 3


class Chapter(StrEnum):
    """The chapter of a job that a kind of fact belongs to."""

    BENCH = "bench"
    DOOR = "door and strip"
    EVIDENCE = "evidence"


class OlderKind(NamedTuple):
    """A kind that facts were of before: its name, the field of the job that held them, and what reads a document of
    it as one of the present kind."""

    name: str
    field: str
    read: Callable[[dict[str, Any]], dict[str, Any]]


@dataclass(frozen=True)
class FactKind(GroupedMetadata):
    """The entry of one kind of fact. It stands on the field of the job that holds them: document, field and entry
    are declared in one line, and all else follows.

    `most` of them a job holds. `told` is the heading its lines of the story stand under; None where the story tells
    them in its own way. `who` reports them; None where one comes along with another. `back` says who may take one
    back, besides that it is one's own or one may correct others; None where it stays. What `proves` something may
    be mistrusted. `older` are the kinds that they were of before.
    """

    name: str
    most: int
    told: StoryKind | None = None
    chapter: Chapter = Chapter.BENCH
    who: Who | None = Who.BENCH
    back: Who | None = None
    until: Until = Until.SIGNED
    proves: bool = False
    older: tuple[OlderKind, ...] = ()

    def __iter__(self) -> Iterator[object]:
        """What the field's type has to know of it: no job holds more."""
        yield MaxLen(self.most)


class HeldFacts(NamedTuple):
    """A kind of fact in the job: its entry, the field that holds them, the document each is."""

    kind: FactKind
    field: str
    document: type[Fact]

    def present(self, name: str, document: dict[str, Any]) -> dict[str, Any]:
        """A document of this kind, or of one that its facts were of before, as this kind has it."""
        return next((older.read(document) for older in self.kind.older if older.name == name), document)

    def of(self, job: Document) -> tuple[Fact, ...]:
        """The facts of this kind that a job holds, as they landed."""
        found: tuple[Fact, ...] = getattr(job, self.field)
        return found


#: Every kind of fact by its name. The fields of the job declare them; a module of later may add its own.
FACT_KINDS: dict[str, HeldFacts] = {}


def kind_called(name: str) -> HeldFacts | None:
    """A kind of fact by its name, or by one that it had; None where there is none."""
    found = (
        held for held in FACT_KINDS.values() if name in (held.kind.name, *(one.name for one in held.kind.older))
    )
    return FACT_KINDS.get(name) or next(found, None)


def held_as(document: type[Fact]) -> HeldFacts:
    """The kind of a fact, by its document. Raises KeyError where no job holds such facts."""
    for one in FACT_KINDS.values():
        if one.document is document:
            return one
    raise KeyError(f"{document.__name__} is no kind of fact that a job holds")


def kinds_declared(document: type[Document]) -> Iterator[HeldFacts]:
    """The kinds of fact that the fields of a document declare."""
    for name, field in document.model_fields.items():
        for kind in field.metadata:
            if isinstance(kind, FactKind):
                yield HeldFacts(kind, name, field.annotation.__args__[0])  # type: ignore[union-attr]
