"""Jobs whose evidence is read, for tests, in few words. What is in them is invented."""

from __future__ import annotations

from typing import Any

from halfthou.assess import evidence_standing
from halfthou.causes import NextLook, Word, next_looks
from halfthou.evidence import EvidenceStanding, halves_of
from halfthou.jobs import ENGINE, Fact, Job, Seen
from halfthou.looks import GRADES
from tests.making import layout
from tests.stripping import at_the_door, fact, said


def seen(look: str, answer: str, on: str = ENGINE, minute: int = 0, **more: Any) -> Seen:
    """Something seen: of the engine where no place is given."""
    found: Seen = fact(Seen, minute, on=on, look=look, answer=answer, **more)
    return found


def graded(engine: str, rods: str, mains: str) -> tuple[Seen, ...]:
    """Every half bearing of an engine graded: both halves of each rod and main by one letter, from the front."""
    answers = {grade.key: grade.answer for grade in GRADES}
    found = []
    for half in halves_of(layout(engine)):
        _, kind, number, _ = half.split("-")
        letters = rods if kind == "rod" else mains
        letter = letters[(int(number) - 1) % len(letters)]
        if letter != "-":
            found.append(seen("overlay", answers[letter], half))
    return tuple(found)


def complains(*kinds: str) -> tuple[Any, ...]:
    """What the complaint falls under."""
    return tuple(said("complaint kind", kind) for kind in kinds)


def read(*facts: Fact, engine: str = "Inline four", **more: Any) -> EvidenceStanding:
    """How the evidence of such a job stands, by the real path: a job, judged, gathered and weighed."""
    made: Job = at_the_door(*facts, engine=engine, **more)
    return evidence_standing(made)


def words_of(standing: EvidenceStanding) -> dict[str, Word]:
    """The word of every cause."""
    return dict(standing.weighed.words)


def leaders(standing: EvidenceStanding) -> list[str]:
    """The causes that are at least possible, best first."""
    return list(standing.weighed.standing)


def ruled_out(standing: EvidenceStanding) -> set[str]:
    """The causes that are ruled out."""
    return {key for key, word in standing.weighed.words.items() if word is Word.RULED_OUT}


def next_of(standing: EvidenceStanding) -> list[NextLook]:
    """The looks worth taking next."""
    return list(next_looks(standing.weighed, standing.still))
