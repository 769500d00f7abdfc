"""What stands seen: the last answer of each person to each look, and the worse where two people differ."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from halfthou.causes import EVIDENCE_LOOKS
from halfthou.evidence.grades import ANSWERS, WORSE
from halfthou.jobs import NOT_LOOKED, Job, Sighting
from halfthou.strip import Strip


@dataclass(frozen=True)
class Sightings:
    """The sightings of a job that stand and are trusted. What is known by a newer program only is left aside.

    `mistrusted_too` takes in what somebody mistrusts: it proves nothing of a cause, and yet rejects a part until it
    is taken back."""

    job: Job
    mistrusted_too: bool = False

    @cached_property
    def mistrusted(self) -> frozenset[str]:
        """The facts that somebody mistrusts."""
        return frozenset(one.of for one in self.job.standing(self.job.mistrusts))

    @cached_property
    def all(self) -> tuple[Sighting, ...]:
        """Those that stand, oldest first."""
        return self.job.standing(self.job.sightings)

    @cached_property
    def strange(self) -> tuple[Sighting, ...]:
        """Those of looks or answers that this program does not know: kept, and said."""
        return tuple(one for one in self.all if not known(one))

    @cached_property
    def by_place(self) -> dict[tuple[str, str], tuple[Sighting, ...]]:
        """By place and look, what counts: the last of each person, several answers where a look takes several."""
        found: dict[tuple[str, str], dict[tuple[str, str], Sighting]] = {}
        for one in self.all:
            if (one.id in self.mistrusted and not self.mistrusted_too) or not known(one):
                continue
            several = one.look in EVIDENCE_LOOKS and EVIDENCE_LOOKS[one.look].several
            said = found.setdefault((one.on, one.look), {})
            if one.answer == NOT_LOOKED:
                for key in [key for key in said if key[0] == one.by]:
                    del said[key]
                continue
            said[one.by, one.answer if several else ""] = one
        return {key: tuple(said.values()) for key, said in found.items() if said}

    def last(self, on: str, look: str) -> Sighting | None:
        """What counts of one look: of two people's answers the worse, where one is worse; else the later."""
        said = self.by_place.get((on, look), ())
        ranks = WORSE.get(look, ())
        return max(
            said, key=lambda one: (ranks.index(one.answer) if one.answer in ranks else 0, one.at), default=None
        )

    def answer(self, on: str, look: str) -> str:
        """The answer that counts; "" where nobody looked."""
        found = self.last(on, look)
        return found.answer if found is not None else ""

    def disagreeing(self) -> Iterator[tuple[Sighting, Sighting]]:
        """Looks to which two people answer differently: the one that counts, and the other."""
        for (on, look), said in self.by_place.items():
            one_answer = look in ANSWERS or (look in EVIDENCE_LOOKS and not EVIDENCE_LOOKS[look].several)
            if one_answer and len({one.answer for one in said}) > 1:
                counts = self.last(on, look)
                for one in said:
                    if counts is not None and one.answer != counts.answer:
                        yield counts, one

    @cached_property
    def washed(self) -> dict[str, datetime]:
        """When each step that destroys evidence was done, by the step."""
        done = {step: one.at for step, one in Strip(self.job).done.items() if one.there}
        return {step: at for step, at in done.items() if step.startswith("wash.") or step == "oil.drained"}

    def weak(self, one: Sighting) -> bool:
        """Whether it was seen after cleaning: it counts less. Rule: looks.destroyed."""
        look = EVIDENCE_LOOKS.get(one.look)
        step = "wash.shells" if one.look in ANSWERS else look.lost_by if look is not None else ""
        gone = self.washed.get(step)
        return one.cleaned or (gone is not None and gone < one.at)


def known(one: Sighting) -> bool:
    """Whether this program knows a sighting's look and answer."""
    if one.answer == NOT_LOOKED or one.amount is not None:
        return True
    if one.look in ANSWERS:
        return one.answer in ANSWERS[one.look]
    look = EVIDENCE_LOOKS.get(one.look)
    return look is not None and look.answer(one.answer) is not None
