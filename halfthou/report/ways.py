"""The ways on for a set side by side, as documents."""

from __future__ import annotations

from halfthou.jobs import Document
from halfthou.lengths import Shown, Unit
from halfthou.verdicts import Action, Called, Mark
from halfthou.words import Caution, Reason


class WayOnShown(Document):
    """One way on: what it is, whether it is open, who sets it and what it leaves, and what it makes stale.

    `why` says what bars it, or whose word it needs; `step` is the undersize it leads to. `can_be_had` is about its
    half bearings: None where it needs none. `moves` say what becomes of each throw where
    it is ground as a bend left it.
    """

    key: str
    words: str
    mark: Mark
    action: Action
    step: Shown | None
    possible: bool
    by_word: bool
    why: tuple[str, ...]
    sets_it: str
    to_spare: str
    finish_to: str
    case_left: str
    shells: str
    can_be_had: bool | None
    clearance: str
    clearance_called: Called | None
    stale: str
    recommended: bool
    moves: tuple[str, ...] = ()


class ProfilePoint(Document):
    """One place of a profile as it is drawn: its plane, its angle, and how far from the mean it lies, in nm."""

    plane: int
    deg: float
    nm: float


class ProfileCircle(Document):
    """A circle of a profile's picture: what it is, its radius from the mean in nm, and where its middle lies."""

    words: str
    clean: bool
    nm: float
    x_nm: float = 0.0
    y_nm: float = 0.0
    case_left: str = ""


class ProfileShown(Document):
    """A radial profile as it is drawn: its worn form, the circles it cleans up at, the steps round it."""

    part: str
    name: str
    words: str
    points: tuple[ProfilePoint, ...]
    circles: tuple[ProfileCircle, ...]


class WaysShown(Document):
    """The ways on for one set: its decision as it stands, the reason for it, what every way waits for,
    and every way."""

    set: str
    name: str
    headline: str
    because: tuple[Reason, ...]
    unit: Unit
    decided: bool
    waits: str
    ways: tuple[WayOnShown, ...]
    profiles: tuple[ProfileShown, ...]
    cautions: tuple[Caution, ...]
