"""What the answers at the door say together: sources that disagree, a mix inside, limits of another engine."""

from __future__ import annotations

import re
from collections.abc import Iterator

from halfthou.door.topics import AVAILABLE, BLOCK, BY_KEY, COMPLAINT, HOURS, INSIDE, SAMPLE, TURNS
from halfthou.jobs import ComplaintKind, Job, Statement
from halfthou.words import Reason

_NUMBER = re.compile(r"(\d[\d\s.,']*)\s*([a-zA-Z]*)")


def said_of(job: Job, topic: str) -> tuple[Statement, ...]:
    """What stands said to one question, oldest first. Where one answer stands at a time, the last."""
    found = tuple(one for one in job.standing(job.statements) if one.topic == topic)
    known = BY_KEY.get(topic)
    return found if known is None or known.several else found[-1:]


def complaint_kinds(job: Job) -> frozenset[ComplaintKind]:
    """The kinds the complaint falls under; a look that found metal adds its own (looks.order)."""
    known = {kind.value: kind for kind in ComplaintKind}
    return frozenset({known[one.answer] for one in said_of(job, COMPLAINT) if one.answer in known})


def turns(job: Job) -> str:
    """Whether it turns by hand, as last said; "not tried" where nobody has said."""
    said = said_of(job, TURNS)
    return said[-1].answer if said else "not tried"


def run_of(text: str) -> tuple[int, str] | None:
    """Hours or distance as a number and the first letter of its unit; None where there is no number.

    >>> run_of("6,200 hours"), run_of("about 6200 h"), run_of("not known")
    ((6200, 'h'), (6200, 'h'), None)
    """
    found = _NUMBER.search(text)
    if found is None:
        return None
    whole = re.split(r"[.,](?=\d{1,2}\s*$)", found[1].strip())[0]
    return int(re.sub(r"\D", "", whole)), found[2][:1].lower() or "h"


def door_findings(job: Job) -> tuple[Reason, ...]:
    """What has to be said of the answers at the door, each with its rule.

    Rule:    door.two-sources, door.mix, door.limits, door.locked, door.early.
    """
    return (*_sources(job), *_identity(job), *_turning(job), *_early(job))


def _sources(job: Job) -> Iterator[Reason]:
    told = said_of(job, HOURS)
    runs = {run_of(one.answer) for one in told} - {None}
    if len(runs) > 1:
        each = "; ".join(f"{one.source or one.by} says {one.answer}" for one in told)
        yield Reason(rule="door.two-sources", text=f"Sources disagree on hours or distance: {each}. Both stay.")


def _name(text: str) -> str:
    return re.sub(r"[^a-z0-9]", "", text.lower())


def _identity(job: Job) -> Iterator[Reason]:
    block, inside = said_of(job, BLOCK), said_of(job, INSIDE)
    names = {_name(one.answer) for one in (*block, *inside)}
    if len(names) > 1:
        each = "; ".join(
            f"{where} {one.answer}{f' by {one.source}' if one.source else ''}"
            for where, found in (("block", block), ("inside", inside))
            for one in found
        )
        text = f"A mix: {each}. Choose limits for what was verified, part by part."
        yield Reason(rule="door.mix", text=text)
    verified = [one for one in (*inside, *block) if one.verified]
    limits = _name(job.limits.engine)
    for one in verified[:1]:
        if _name(one.answer) not in limits and limits not in _name(one.answer):
            text = (
                f"Verified as {one.answer}, judged by the limits of {job.limits.engine}: take up the right sheet."
            )
            yield Reason(rule="door.limits", text=text)


def _turning(job: Job) -> Iterator[Reason]:
    said = turns(job)
    if said in ("locked", "tight at one place"):
        text = f"It came {said}: no starter is given to it, and no pressure is read by cranking."
        yield Reason(rule="door.locked", text=text)
    elif not said_of(job, TURNS):
        yield Reason(rule="door.locked", text="Not turned by hand yet: do it before a starter is tried.")


def _early(job: Job) -> Iterator[Reason]:
    if not said_of(job, SAMPLE):
        yield Reason(
            rule="door.early", text="No oil sample yet: draw it before coolant or wash gets in, or say why not."
        )
    if not said_of(job, AVAILABLE):
        yield Reason(
            rule="door.early", text="Nobody has asked yet whether shells, pistons and a crank are to be had."
        )
