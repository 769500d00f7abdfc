"""What was found of parts that the scope was narrowed by since: it stays, found and out of scope."""

from __future__ import annotations

from collections.abc import Collection, Iterable, Iterator

from halfthou.engines import Kinds
from halfthou.jobs import Job
from halfthou.report import OpenAtGate, OpenKind, PartReport
from halfthou.verdicts import Called
from halfthou.words import Reason


def found_out_of_scope(job: Job, parts: Iterable[PartReport]) -> tuple[OpenAtGate, ...]:
    """What was found, of the sets that the scope was narrowed by, that would have kept a part back.

    Takes:   the parts as they are judged with those sets in scope.
    Rule:    assess.narrowed. Signing wants words for each.
    """
    return tuple(
        OpenAtGate(
            key=f"scope.{part.id}",
            kind=OpenKind.OUT_OF_SCOPE,
            words=f"Found, out of scope: {part.name}: {'; '.join(found)}.",
            part=part.name,
        )
        for part in parts
        if part.set in job.narrowed_by and (found := tuple(_found(part)))
    )


def _found(part: PartReport) -> Iterator[str]:
    for figure in part.figures:
        if figure.called is Called.BEYOND:
            yield f"{figure.name} {figure.said}, beyond {figure.limit}"
    yield from part.found
    if part.contradictions:
        yield "readings contradict"


def narrowed_notices(job: Job, found: Iterable[OpenAtGate]) -> Iterator[Reason]:
    """What bench and sheet are told: what is out of scope since when, by whom and why; what was found of it."""
    for one, word in job.narrowed_by.items():
        text = f"Out of scope: {one}. {word.by}: {word.reason}"
        yield Reason(rule="assess.narrowed", text=text)
    yield from (Reason(rule="assess.narrowed", text=one.words) for one in found)


def one_piece_with(one: str, sets: Collection[str], kinds: Kinds) -> tuple[str, ...]:
    """Those of the sets that are worked on one piece with a set: the mains and the rods of one crank.

    Rule:    sets.one-crank: what one journal says decides the piece, so they are judged together or not at all.
    """
    wholes = {other: set(kind.wholes) for kind in kinds.all for other in kind.sets}
    return tuple(other for other in sets if other != one and wholes.get(one, set()) & wholes.get(other, set()))
