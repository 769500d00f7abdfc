"""What people decided, as it stands: of each set, part and matter the last. A word covers what it knew."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import NamedTuple

from halfthou.engines import Engine
from halfthou.jobs import Decision, DecisionKind, Job, Seen, Waived
from halfthou.surveys import SeenBy
from halfthou.verdicts import Action

#: A set, a part ("" for the set as a whole) and what was waived of it.
Key = tuple[str, str, Waived | None]
Standing = Mapping[Key, Decision]


class Reopened(NamedTuple):
    """A decision or a waiver, what was found after it, and on which part, set or whole."""

    decision: Decision
    found: str
    on: str


class Words(NamedTuple):
    """What people decided: what stands, and what something found since has opened again."""

    standing: Standing
    reopened: tuple[Reopened, ...]


def standing_decisions(job: Job) -> dict[Key, Decision]:
    """The last decision of each set, part and matter that was made here and not taken back."""
    last: dict[Key, Decision] = {}
    for decision in sorted(job.decisions, key=lambda d: (d.at, d.id)):
        if not decision.made_elsewhere:
            last[decision.set, decision.part or "", decision.about] = decision
    return {key: one for key, one in last.items() if one.kind is not DecisionKind.TAKEN_BACK}


def words_of(job: Job, engine: Engine, seen: SeenBy) -> Words:
    """What people decided, and which of it a fault found since has opened again: nobody answered for what nobody
    knew.

    Rule:    sets.word-covers.
    """
    said = standing_decisions(job)
    faults = tuple(_faults(seen, engine)) if said else ()
    since = {key: _since(decision, key, faults, engine) for key, decision in said.items()}
    return Words(
        {key: decision for key, decision in said.items() if since[key] is None},
        tuple(Reopened(said[key], one.answer, one.on) for key, one in since.items() if one is not None),
    )


def _since(decision: Decision, key: Key, faults: tuple[tuple[str, Seen], ...], engine: Engine) -> Seen | None:
    """What was found after a decision of what it is about; of one that ends the part nothing more is asked."""
    if decision.action == Action.REPLACE:
        return None
    return next((one for on, one in faults if one.at > decision.at and _is_of(on, key, engine)), None)


def _faults(seen: SeenBy, engine: Engine) -> Iterator[tuple[str, Seen]]:
    for (on, key), one in seen.items():
        look = engine.kinds.looks.get(key)
        answer = None if look is None else look.answer(one.answer)
        if answer is not None and answer.fault:
            yield on, one


def _is_of(on: str, key: Key, engine: Engine) -> bool:
    """Whether something on a part, a set or a whole is about what a decision is of."""
    one, part, _ = key
    return on == one or bool(engine.touched(on) & ({part} if part else set(engine.of_set(one))))


def waived_of(standing: Standing) -> dict[str, frozenset[Waived]]:
    """What is waived of each part."""
    found: dict[str, frozenset[Waived]] = {}
    for (_, part, about), decision in standing.items():
        if decision.kind is DecisionKind.WAIVED and part:
            found[part] = found.get(part, frozenset()) | {about or Waived.READINGS}
    return found
