"""What an evidence look is: where it is taken, what it may answer, and which signs each answer shows or clears."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.causes.sign import Where


@dataclass(frozen=True, slots=True)
class Answer:
    """One answer to a look: the signs it shows, and those that were looked for and are not there."""

    text: str
    shows: tuple[str, ...] = ()
    clears: tuple[str, ...] = ()


@dataclass(frozen=True, slots=True)
class EvidenceLook:
    """A look by its lasting id.

    `minutes` is what it takes, `harm` what it spoils, as minutes of work. `lost_by` is the step of the strip that
    destroys what it is of. `how` says how it is taken, `tells` what its answer decides. `places` are the kinds of
    position it is taken on, where it is taken on each of several. `reads` are signs that the bench's readings
    answer and no key here does. `several` says that more than one answer may stand,
    `at_thrust` that it is taken only where the crank's thrust is taken.
    """

    key: str
    name: str
    where: Where
    minutes: int
    answers: tuple[Answer, ...] = ()
    harm: int = 0
    lost_by: str = ""
    how: str = ""
    places: tuple[str, ...] = ()
    reads: tuple[str, ...] = ()
    several: bool = False
    at_thrust: bool = False

    @property
    def signs(self) -> tuple[str, ...]:
        """Every sign that it can show or clear."""
        found = [sign for answer in self.answers for sign in (*answer.shows, *answer.clears)]
        return tuple(dict.fromkeys((*found, *self.reads)))

    def answer(self, text: str) -> Answer | None:
        """One of its answers; None where it has no such answer."""
        return next((one for one in self.answers if one.text == text), None)
