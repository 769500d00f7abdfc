"""How the strip of a job stands: which steps are done, what lies where, what was destroyed unseen."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property

from halfthou.engines import MARKED_FIRST, Place, described
from halfthou.first_look import Looks
from halfthou.jobs import Job, OperationKind, StepDone
from halfthou.strip.destroyed import unseen_before
from halfthou.strip.marks import Marks, marks_of
from halfthou.strip.off_already import off_at_the_door
from halfthou.strip.places import places_off
from halfthou.strip.rules import TURNING_RULE
from halfthou.strip.step import WASH, Held, StripStep
from halfthou.strip.steps import steps_of
from halfthou.strip.tie import Binds
from halfthou.strip.turning import valve_in_the_way


@dataclass(frozen=True)
class Strip:
    """The strip of one job."""

    job: Job

    @cached_property
    def steps(self) -> tuple[StripStep, ...]:
        """The list for its engine, as the house edits it."""
        return steps_of(self.job)

    @cached_property
    def by_id(self) -> Mapping[str, StripStep]:
        """The same steps, by name."""
        return {step.id: step for step in self.steps}

    @cached_property
    def places(self) -> dict[str, Place]:
        """The positions of its layout."""
        return places_off(self.job.limits.layout)

    @cached_property
    def done(self) -> dict[str, StepDone]:
        """The steps that are written down as done, or as not on this engine, by name; those that its list does not
        have any more, too."""
        return {one.step: one for one in self.job.standing(self.job.steps_done)}

    @cached_property
    def stray(self) -> tuple[StepDone, ...]:
        """What was written down as done and is on the list no more: an older list's, or another description's."""
        return tuple(one for name, one in self.done.items() if name not in self.by_id)

    @cached_property
    def came_off(self) -> Mapping[str, datetime]:
        """The steps nobody here did because the engine came so, by what was said at the door, with when that was
        said.

        Rule:    strip.off-already.
        """
        return {name: at for name, at in off_at_the_door(self.job).items() if name not in self.done}

    @cached_property
    def behind(self) -> frozenset[str]:
        """The turns of the crank that are behind: all that was to be done at that stand is off."""
        found, turn, open_yet = set[str](), "", True
        for step in self.steps:
            if step.family == "turn":
                if turn and not open_yet:
                    found.add(turn)
                turn, open_yet = step.id, False
            elif step.at is not None:
                open_yet = open_yet or not (step.id in self.done or step.id in self.came_off)
        if turn and not open_yet:
            found.add(turn)
        return frozenset(found - self.done.keys())

    @cached_property
    def too_late(self) -> frozenset[str]:
        """What could be done only while something was on that is off now, and was not done: cam timing, slack, a
        dead centre.

        Rule:    strip.off-already.
        """
        late: set[str] = set()
        for step in reversed(self.steps):
            done = self.done.get(step.id)
            if step.id in late or step.id in self.came_off or (done is not None and done.there):
                late |= {
                    one.step
                    for one in step.held
                    if one.binds is Binds.FIRST and one.step not in self.done and self.by_id[one.step].while_on
                }
        return frozenset(late)

    def is_behind(self, name: str) -> bool:
        """Whether a step has not to be done any more."""
        return name in self.done or name in self.came_off or name in self.behind or name in self.too_late

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
        for name, at in self.came_off.items():
            for look in self.by_id[name].destroys:
                found[look] = min(found.get(look, at), at)
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
            if (step.id in self.came_off or (step.id in self.done and self.done[step.id].there))
            and step.section != WASH
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

    def holding(self, step: StripStep) -> tuple[Held, ...]:
        """The steps that hold this one and are not behind: a cover still on, a rod still in; each with why.

        Rule:    strip.held; strip.turning: with the drive off nothing turns into a valve, whatever else was done.
        """
        held = tuple(one for one in step.held if one.refuses and not self.is_behind(one.step))
        return held if held or not step.turns else (*held, *self._in_the_way())

    def _in_the_way(self) -> Iterator[Held]:
        """What has to come off before the crank turns, where a valve may stand in a piston's way."""
        off = Counter(step.family for step in self.steps if self.is_behind(step.id))
        if valve_in_the_way(off, described(self.job.limits.layout)):
            for step in self.steps:
                if step.family in ("head.off", "pushrod.out") and not self.is_behind(step.id):
                    yield Held(
                        step.id, "the drive is off and a valve may meet its piston", TURNING_RULE, Binds.HOLDS
                    )

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
        left = sum(step.minutes for step in self.steps if not self.is_behind(step.id))
        return done, left
