"""What stands on a fact: what others of the job were built on, so that it cannot be taken back under them."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import Extension, Fact, Job, Piece, StepDone, Withdrawal
from halfthou.parts import CATALOGUE
from halfthou.strip import Strip

#: Where facts say what they are of.
_SUBJECTS = ("part", "piece", "on", "of")


def subject_of(fact: Fact) -> str:
    """The part, piece, step or place that a fact is of; "" where it is of none."""
    if isinstance(fact, StepDone):
        return f"step:{fact.step}"
    return next((str(getattr(fact, name)) for name in _SUBJECTS if getattr(fact, name, None)), "")


def stands_on(job: Job, fact: Fact) -> tuple[str, ...]:
    """What stands on a fact, in words; nothing where it can be taken back.

    Rule:    facts are only added; one that others were built on stays as it is.
    """
    return tuple(dict.fromkeys(_words(job, fact)))[:5]


def _words(job: Job, fact: Fact) -> Iterator[str]:
    if isinstance(fact, StepDone):
        strip = Strip(job)
        if strip.done.get(fact.step) == fact:
            yield from (
                f"{strip.by_id[name].text}: done since"
                for name in strip.done
                if name in strip.by_id and fact.step in strip.by_id[name].before
            )
    elif isinstance(fact, Piece):
        count = sum(subject_of(one) == fact.part and one.id != fact.id for _, one in job.facts)
        if count:
            yield f"{count} {'entry is' if count == 1 else 'entries are'} on record of {fact.part}"
    elif isinstance(fact, Extension):
        yield from _on_sets(job, fact)


def _on_sets(job: Job, fact: Extension) -> Iterator[str]:
    """What was read, seen, done or decided of the sets that came in scope by it alone."""
    without = job.model_copy(update={"extensions": tuple(one for one in job.extensions if one.id != fact.id)})
    if not without.sets:
        yield "nothing else is judged"
    engine = CATALOGUE.engine_of(job)
    for one in (one for one in job.sets if one not in without.sets):
        parts = {part.id for part in engine.parts.values() if part.set == one} | {one}
        count = sum(subject_of(other) in parts for _, other in job.facts if not isinstance(other, Withdrawal))
        if count:
            yield f"{count} {'entry is' if count == 1 else 'entries are'} on record of the {one}"
        if any(decision.set == one for decision in job.decisions):
            yield f"something was decided of the {one}"
