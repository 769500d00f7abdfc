"""What a house changes in the strip list: steps of its own, its own order, words and minutes."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document, Note, Words
from halfthou.jobs.look_table import Minutes
from halfthou.jobs.strip_facts import StepName

OwnName = Annotated[str, Field(min_length=5, max_length=60, pattern=r"^own-[a-z0-9][a-z0-9-]*$")]


class OwnStep(Document):
    """A step of the house's own: it comes after one of the list, and before another where that is said."""

    id: OwnName
    text: Words
    minutes: Minutes = 5
    after: StepName
    before: StepName | None = None
    hint: Note = ""
    tools: Note = ""


class MovedStep(Document):
    """A step that the house does right after another."""

    step: StepName
    after: StepName


class StripEdits(Document):
    """What is changed in the list: for one engine, for a description, or for all."""

    own: Annotated[tuple[OwnStep, ...], Field(max_length=200)] = ()
    moved: Annotated[tuple[MovedStep, ...], Field(max_length=200)] = ()
    texts: Annotated[dict[StepName, Words], Field(max_length=500)] = {}
    minutes: Annotated[dict[StepName, Minutes], Field(max_length=500)] = {}

    @model_validator(mode="after")
    def _hangs_together(self) -> StripEdits:
        faults = list(self._faults())
        if faults:
            raise ValueError("; ".join(faults))
        return self

    def _faults(self) -> Iterator[str]:
        for names, what in (
            ([one.id for one in self.own], "own step"),
            ([one.step for one in self.moved], "moved step"),
        ):
            for twice in {name for name in names if names.count(name) > 1}:
                yield f"the {what} {twice} stands twice"
        for one in self.moved:
            if one.step == one.after:
                yield f"{one.step} cannot come after itself"

    @property
    def empty(self) -> bool:
        """Whether nothing is changed."""
        return not (self.own or self.moved or self.texts or self.minutes)


def merged_edits(*levels: StripEdits | None) -> StripEdits:
    """What holds for one engine: for all, then for its description, then its own; the nearer one counts."""
    own: dict[str, OwnStep] = {}
    moved: dict[str, MovedStep] = {}
    texts: dict[str, str] = {}
    minutes: dict[str, int] = {}
    for level in levels:
        if level is not None:
            own |= {one.id: one for one in level.own}
            moved |= {one.step: one for one in level.moved}
            texts |= level.texts
            minutes |= level.minutes
    return StripEdits(own=tuple(own.values()), moved=tuple(moved.values()), texts=texts, minutes=minutes)
