"""The grinder's card as a document, and as rows of a table."""

from __future__ import annotations

from halfthou.jobs import Document
from halfthou.lengths import Unit
from halfthou.verdicts import Called, Mark
from halfthou.words import Caution


class CardStep(Document):
    """One step of the work on a crank, in its order; whether the record says that it was done."""

    words: str
    done: bool


class CardKeep(Document):
    """What a grinder keeps to besides the sizes: what it is about, and what is asked."""

    what: str
    words: str


class CardLine(Document):
    """One journal on the card: what it is now, what to take off, what to grind and finish it to, what came of it.

    `finish_to` is after the polish; `aim` is the size its own housing and half bearings ask for, "" where they are
    not in hand. `hit` is how it came out, `now` what to do where it missed.
    """

    journal: str
    mark: Mark
    work: str
    present: str
    stock: str
    grind_to: str
    finish_to: str
    aim: str
    width: str
    fillets: str
    throw: str
    hit: str
    called: Called | None
    now: str


class GrindingCard(Document):
    """The grinder's card: journal by journal, then the work in its order.

    `settled` says that every size on it stands; `first` what has to be done before, in words. Stock is on diameter.
    `asked` is what is still to be looked at, tested or indicated once it is back.
    """

    headline: str
    unit: Unit
    settled: bool
    first: tuple[str, ...]
    lines: tuple[CardLine, ...]
    order: tuple[CardStep, ...]
    keep: tuple[CardKeep, ...]
    asked: tuple[str, ...]
    shells: tuple[str, ...]
    cautions: tuple[Caution, ...]

    @property
    def rows(self) -> tuple[list[str], list[list[str]]]:
        """The journals as rows of a table under their header, the unit in it."""
        unit = self.unit.value
        head = [
            "journal", "work", f"present [{unit}]", f"stock on diameter [{unit}]", f"grind to [{unit}]",
            f"finish to [{unit}]", f"aim [{unit}]", f"width [{unit}]", f"fillets [{unit}]",
            "throw", "came out", "what now",
        ]  # fmt: skip
        cells = [
            [
                one.journal, one.work, one.present, one.stock, one.grind_to, one.finish_to, one.aim, one.width,
                one.fillets, one.throw, one.hit, one.now,
            ]
            for one in self.lines
        ]  # fmt: skip
        return head, cells
