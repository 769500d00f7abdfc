"""How the strip of a job stands: which steps are done, what lies where, what was destroyed unseen."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from halfthou.engines import MARKED_FIRST, Place
from halfthou.first_look import Looks
from halfthou.jobs import Job, OperationKind, StepDone
from halfthou.strip.destroyed import unseen_before
from halfthou.strip.marks import Marks, marks_of
from halfthou.strip.places import places_off
from halfthou.strip.step import WASH, StripStep
from halfthou.strip.steps import steps_by_id, strip_list


@dataclass(frozen=True)
class Strip:
    """The strip of one job."""

    job: Job

    @cached_property
    def steps(self) -> tuple[StripStep, ...]:
        """The list for its layout."""
        return strip_list(self.job.limits.layout)

    @cached_property
    def by_id(self) -> Mapping[str, StripStep]:
        """The same steps, by name."""
        return steps_by_id(self.job.limits.layout)

    @cached_property
    def places(self) -> dict[str, Place]:
        """The positions of its layout."""
        return places_off(self.job.limits.layout)

    @cached_property
    def done(self) -> dict[str, StepDone]:
        """The steps that are done, or that this engine does not have, by name."""
        return {one.step: one for one in self.job.standing(self.job.steps_done)}

    @cached_property
    def marks(self) -> Marks:
        """What each part bears."""
        return marks_of(self.job)

    @cached_property
    def destroyed(self) -> Mapping[str, datetime]:
        """When work first destroyed what a look is of, by the key of the look.

        Rule:    looks.destroyed.
        """
        found: dict[str, datetime] = {}
        for name, done in self.done.items():
            for look in self.by_id[name].destroys if done.there and name in self.by_id else ():
                found[look] = min(found.get(look, done.at), done.at)
        for work in self.job.standing_operations:
            if work.kind is OperationKind.FINAL_WASH:
                for look in (key for step in self.steps for key in step.destroys):
                    found[look] = min(found.get(look, work.at), work.at)
        return found

    @cached_property
    def looks(self) -> Looks:
        """The looks of the job, with what the strip destroyed of them."""
        return Looks(self.job, self.destroyed, self._gone)

    @property
    def _gone(self) -> Mapping[str, str]:
        """The looks that a step done has made impossible, with that step. Washing only makes them weaker."""
        return {
            look: step.text
            for step in self.steps
            if step.id in self.done and self.done[step.id].there and step.section != WASH
            for look in step.destroys
        }

    def unmarked(self, step: StripStep) -> tuple[Place, ...]:
        """The parts that a step takes off and that bear no mark yet, though they must.

        Rule:    strip.marks.
        """
        own = set(step.marks)
        return tuple(
            self.places[key]
            for key in step.takes
            if self.places[key].kind in MARKED_FIRST and not self.marks.bears(key) and key not in own
        )

    def unseen(self, step: StripStep) -> tuple[str, ...]:
        """The looks, by name, that a step destroys and that are to be taken before it.

        Rule:    looks.destroyed.
        """
        return unseen_before(self.job, self.looks, step)

    def held_by(self, step: StripStep) -> tuple[StripStep, ...]:
        """The steps that hold this one and are not done: a cover still on, a rod still in.

        Rule:    strip.held.
        """
        return tuple(self.by_id[name] for name in step.before if name not in self.done)

    @cached_property
    def lies_in(self) -> dict[str, str]:
        """Where each part lies that was taken off: in the pocket it was put in, else in the one of its own name.

        Rule:    strip.places.
        """
        found = {
            key: self.places[key].short
            for name, done in self.done.items()
            if done.there and name in self.by_id
            for key in self.by_id[name].takes
        }
        for laid in self.job.standing(self.job.layings):
            found[laid.part] = laid.pocket
        return found

    @cached_property
    def minutes(self) -> tuple[int, int]:
        """Minutes of the steps that are done, and of those that are left."""
        done = sum(step.minutes for step in self.steps if (one := self.done.get(step.id)) and one.worked)
        left = sum(step.minutes for step in self.steps if step.id not in self.done)
        return done, left
