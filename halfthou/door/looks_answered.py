"""Which looks the answers at the door have answered already: nothing is asked twice."""

from __future__ import annotations

from halfthou.door.findings import said_of
from halfthou.door.topics import CARRIED, EARLIER, RENEWED, SINCE_BUILT
from halfthou.jobs import Job

#: By topic: the looks that ask the same again, and the answers that answer them; any answer where none is named.
_ANSWERS: dict[str, tuple[tuple[str, tuple[str, ...]], ...]] = {
    "oil on arrival": (
        ("level", ("level right", "over", "under", "none")),
        ("oil seen", ("milky", "smells of fuel", "thick", "glitter", "water under it", "wrong kind")),
    ),
    CARRIED: (("carried over", ("cooler", "turbo", "injectors", "oil pump", "tank and lines", "none")),),
    EARLIER: (("earlier hands", ()),),
    SINCE_BUILT: (("since opened", ("first start", "few hours", "many hours")),),
    RENEWED: (("pump history", ("oil pump", "nothing")),),
    "service before": (("deck work", ("head work", "none")),),
}


def answered_at_the_door(job: Job) -> frozenset[str]:
    """The looks whose question the door has answered: they are not asked again.

    Rule:    looks.once.
    """
    found = set()
    for topic, looks in _ANSWERS.items():
        said = {one.answer for one in said_of(job, topic)}
        found |= {look for look, answers in looks if said and (not answers or said & set(answers))}
    return frozenset(found)
