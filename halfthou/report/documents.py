"""What an assessment says, as documents: the same for the screen, the printed sheet and the command line.

A signed sheet keeps the shape it was stored in; `signed` reads every shape there ever was. A change here is a new
shape, and a step there.

Every length stands as text in the job's unit; where a drawing must place it, its exact nanometres stand beside.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import datetime
from enum import StrEnum

from halfthou.jobs import Document, Feature, Hardening, JournalSet, Observation, Waived
from halfthou.lengths import Shown, Unit
from halfthou.verdicts import Action, Called, Caution, DoubtShown, FigureKey, Mark, Open, Reason


@dataclass(frozen=True, slots=True)
class ShownReading:
    """A reading: what was typed, and its size in the unit shown. A plain dataclass, as there are hundreds.

    `size` is what it comes to; `read` is what the gauge said, where zero error, warmth or a slip changed that.
    """

    id: str
    size: Shown
    typed: str
    unit: Unit
    gauge: str
    by: str
    at: datetime
    read: str = ""


@dataclass(frozen=True, slots=True)
class AsideShown:
    """A reading that is kept and no longer judged, and why."""

    id: str
    size: Shown
    by: str
    why: str


@dataclass(frozen=True, slots=True)
class Spot:
    """One spot of the plan: the current reading and those kept beside it.

    `size` is what counts, the mean where the spot was read so many `times`; None while it waits for an answer.
    """

    name: str
    plane: int
    angle: str
    angle_deg: int
    current: ShownReading | None
    others: tuple[ShownReading, ...]
    size: Shown | None = None
    times: int = 0
    aside: tuple[AsideShown, ...] = ()
    doubt: DoubtShown | None = None


@dataclass(frozen=True, slots=True)
class RepeatAsked:
    """A spot to read again, so many times more, as it would change the verdict."""

    spot: str
    more: int


@dataclass(frozen=True, slots=True)
class BearingShown:
    """What was read of a journal's bearing: one feature, spot by spot."""

    feature: Feature
    spots: tuple[Spot, ...]


@dataclass(frozen=True, slots=True)
class FigureShown:
    """One judged figure, known by its key. `conforms` is the probability that it truly lies within the limit."""

    key: FigureKey
    rule: str
    name: str
    called: Called
    value: Shown
    limit: str
    guard: Shown
    conforms: float
    spots: tuple[str, ...]
    note: str


class CleanUpShown(Document):
    """The clean-up interval, before polish and doubt, and what the set's size leaves to spare."""

    sure: Shown
    possible: Shown
    to_spare: str | None


class ClearanceShown(Document):
    """Oil clearance as it will be; `words` says so, or what is missing."""

    least: str | None
    most: str | None
    called: Called | None
    words: str


class PartReport(Document):
    """Everything said of one journal."""

    id: str
    name: str
    short_name: str
    set: JournalSet
    mark: Mark
    own_action: Action
    action: Action
    called: Called
    headline: str
    under_headline: str
    present_words: str
    opens: tuple[Open, ...]
    waived: tuple[Waived, ...]
    housing_waits: bool
    spots: tuple[Spot, ...]
    outside: tuple[Spot, ...]
    to_read: tuple[str, ...]
    to_repeat: tuple[RepeatAsked, ...] = ()
    left: int = 0
    bearing: tuple[BearingShown, ...] = ()
    contradictions: tuple[Reason, ...] = ()
    figures: tuple[FigureShown, ...]
    least: Shown | None
    least_words: str
    two_point: str | None
    fitted: str | None
    clean_up: CleanUpShown | None
    clearance: ClearanceShown
    reasons: tuple[Reason, ...]
    would_change: tuple[str, ...]
    still_to_do: tuple[str, ...]
    seen: tuple[Observation, ...]
    cautions: tuple[Caution, ...]


class StepShown(Document):
    """One undersize: its size band and how the set stands to it."""

    undersize: Shown
    words: str
    least: Shown
    most: Shown
    can_be_bought: bool
    allowed: bool
    part_number: str
    chosen: bool
    outlook: str


class Graduation(Document):
    """One line of the ladder's scale; longer ones carry a figure."""

    nm: int
    text: str


class Ladder(Document):
    """The vertical scale around a set's size."""

    top_nm: int
    bottom_nm: int
    graduations: tuple[Graduation, ...]
    new_least: Shown
    new_most: Shown
    limit: Shown
    limit_words: str
    steps: tuple[StepShown, ...]


class ShellsToOrder(Document):
    """Half bearings to order: a pair to each main, a pair to each rod."""

    words: str
    undersize: Shown
    part_number: str
    pairs: int
    journals: tuple[str, ...]
    can_be_bought: bool


class SetReport(Document):
    """Everything said of one set."""

    set: JournalSet
    name: str
    mark: Mark
    action: Action
    headline: str
    undersize: Shown | None
    present: Shown
    present_words: str
    mixed: bool
    sets_it: str | None
    complete: bool
    finished: bool
    decided: bool
    ended: bool
    awaiting: tuple[str, ...]
    can_be_accepted: bool
    reasons: tuple[Reason, ...]
    would_change: tuple[str, ...]
    finished_band: str | None
    ground_band: str | None
    shells: tuple[ShellsToOrder, ...]
    steps: tuple[StepShown, ...]
    hardening: Hardening
    ladder: Ladder
    order: tuple[str, ...] = ()
    notes: tuple[Reason, ...] = ()
    cautions: tuple[Caution, ...]


class BudgetLine(Document):
    """One source of doubt: its standard uncertainty, and its share of the whole variance. `shared` says that other
    readings have it in common."""

    source: str
    u: str
    share_percent: int
    shared: bool


class BudgetShown(Document):
    """The uncertainty budget of one figure, and the decision rule it is called by. `beyond_guard` is how far past
    its limit it must lie to be called beyond: more than `guard` where it was picked out of several. `freedom` are
    its effective degrees of freedom, empty where nothing in it rests on repeats."""

    key: FigureKey
    figure: str
    value: str
    limit: str
    called: Called
    u: str
    expanded: str
    guard: str
    beyond_guard: str
    freedom: str
    chance: str
    rule: str
    lines: tuple[BudgetLine, ...]
    cancelled: str


class StoryKind(StrEnum):
    """What a line of a job's story is about."""

    READ = "read"
    CORRECTED = "corrected"
    WITHDRAWN = "withdrawn"
    QUESTION = "question"
    WORK = "work"
    CHECK = "setting check"
    WARMTH = "temperature"
    SEEN = "seen"
    DECIDED = "decided"


class StoryLine(Document):
    """One line of a job's story: when, who, what, and what came of it."""

    at: datetime
    by: str
    kind: StoryKind
    words: str
    more: str = ""


class Assessment(Document):
    """Everything the trade can say about a job so far.

    `whole` is true where every figure in scope is settled or waived, each that is beyond has an action that deals
    with it, and nothing is unread, held, contradicted, outside the plan or waiting for somebody's word. `decided`
    is another mark: a person has accepted or overridden both sets.
    """

    unit: Unit
    decimals: int
    mains: SetReport
    rods: SetReport
    journals: tuple[PartReport, ...]
    readings_taken: int
    readings_planned: int
    doubts: tuple[Reason, ...]
    waits_for: str
    whole: bool
    decided: bool

    def journal(self, name: str) -> PartReport:
        """The answer for one journal by its id."""
        return next(answer for answer in self.journals if answer.id == name)

    def of(self, journal_set: JournalSet) -> SetReport:
        """The answer for one set."""
        return self.mains if journal_set is JournalSet.MAINS else self.rods
