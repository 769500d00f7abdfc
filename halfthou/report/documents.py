"""What an assessment says, as documents: the same for the screen, the printed sheet and the command line.

A signed sheet keeps the shape it was stored in; `signed` reads every shape there ever was. A change here is a new
shape, and a step there.

Every length stands as text in the job's unit; where a drawing must place it, its exact nanometres stand beside.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from datetime import datetime

from halfthou.engines import StationDrawing
from halfthou.jobs import Document, Seen, StoryKind, Waived
from halfthou.lengths import AmountUnit, Length, Shown, Unit
from halfthou.report.cause import NO_CAUSE, CauseBrief
from halfthou.report.shaft import ShaftPlace
from halfthou.verdicts import Action, Called, Mark, Open
from halfthou.words import Caution, DoubtShown, Reason


@dataclass(frozen=True, slots=True)
class ShownReading:
    """A reading: what was typed, and its size in the unit shown. A plain dataclass, as there are hundreds.

    `size` is what it comes to; `read` is what the gauge said, where zero error, warmth or a slip changed that.
    """

    id: str
    size: Shown
    typed: str
    unit: Unit | AmountUnit
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
class FeatureReport:
    """One feature that is read of a part or of what lies beside it: whose, what it is called, spot by spot.

    `planned` says that its spots are part of what must be read; `outside` are those read outside the plan.
    """

    part: str
    feature: str
    name: str
    planned: bool
    spots: tuple[Spot, ...]
    outside: tuple[Spot, ...] = ()


@dataclass(frozen=True, slots=True)
class SpotAsked:
    """A spot to read: of which part and feature, and how many times more."""

    part: str
    feature: str
    spot: str
    times: int = 1


@dataclass(frozen=True, slots=True)
class FigureShown:
    """One judged figure, known by its key. `limit_is_least` says which way its limit works; `conforms` is the
    probability that it truly lies within it. `limit_nm` places the limit in a drawing, in the smallest units of
    what is judged. `words` say it where the value alone would say too much: at most so large. `of_size` is the size
    of the part itself, as a drawing places it."""

    key: str
    rule: str
    name: str
    called: Called
    value: Shown
    limit: str
    limit_is_least: bool
    guard: Shown
    conforms: float
    spots: tuple[str, ...]
    note: str
    limit_nm: int = 0
    words: str = ""
    of_size: bool = False

    @property
    def said(self) -> str:
        """What was found, as a person reads it."""
        return self.words or self.value.text


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


class SeenHere(Document):
    """What was seen of a part and counts: the look, its answer, and what was measured beside it."""

    id: str
    by: str
    at: datetime
    on: str
    look: str
    answer: str
    amount: Length | None = None
    typed: str = ""
    spot: str | None = None

    @classmethod
    def of(cls, seen: Iterable[Seen]) -> tuple[SeenHere, ...]:
        """What counts of a part, as it is shown."""
        return tuple(cls.model_validate({name: getattr(one, name) for name in cls.model_fields}) for one in seen)


class PartReport(Document):
    """Everything said of one part, the same for every kind.

    `features` are what is read of it and of what lies beside it, its own first. `waits` is what else than
    readings a person may waive of it; `looks` what is to be looked for; `unseen` those of them without which it
    does not go back; `found` what was seen that keeps it back, in a few words. `size` is the size found: the
    least of a shaft, the greatest of a hole. `place` is where it lies now where pieces are moved, `lies` says so;
    a `spare` did not come in the engine, what is `out` lies in no place of it."""

    id: str
    kind: str
    station: str
    set: str
    name: str
    short_name: str
    mark: Mark
    own_action: Action
    action: Action
    called: Called
    headline: str
    under_headline: str = ""
    present_words: str = ""
    opens: tuple[Open, ...] = ()
    waived: tuple[Waived, ...] = ()
    waits: tuple[Waived, ...] = ()
    features: tuple[FeatureReport, ...]
    to_read: tuple[SpotAsked, ...]
    to_repeat: tuple[SpotAsked, ...] = ()
    left: int = 0
    contradictions: tuple[Reason, ...] = ()
    figures: tuple[FigureShown, ...]
    size: Shown | None = None
    size_words: str = ""
    two_point: str | None = None
    fitted: str | None = None
    clean_up: CleanUpShown | None = None
    clearance: ClearanceShown
    reasons: tuple[Reason, ...] = ()
    would_change: tuple[str, ...] = ()
    still_to_do: tuple[str, ...] = ()
    seen: tuple[SeenHere, ...] = ()
    looks: tuple[str, ...] = ()
    unseen: tuple[str, ...] = ()
    found: tuple[str, ...] = ()
    cautions: tuple[Caution, ...] = ()
    place: str = ""
    spare: bool = False
    out: bool = False
    lies: str = ""

    @property
    def spots(self) -> tuple[Spot, ...]:
        """The spots of what is read of it first: its own diameter, gap or height."""
        return self.features[0].spots


class StepShown(Document):
    """One step: its size band and how the set stands to it."""

    step: Shown
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


class Scale(Document):
    """The vertical scale around a set's size: undersizes stand below new, oversizes above."""

    top_nm: int
    bottom_nm: int
    graduations: tuple[Graduation, ...]
    new_least: Shown
    new_most: Shown
    limit: Shown
    limit_words: str
    steps: tuple[StepShown, ...]


class ToOrder(Document):
    """What a set needs of one step: so many of what, for which parts. `ask_first`: whether it can be had is asked
    now, and it is ordered when the size is ground and read."""

    words: str
    step: Shown
    part_number: str
    count: int
    what: str
    parts: tuple[str, ...]
    can_be_bought: bool
    ask_first: bool = False


class OtherWay(Document):
    """Another way on for a set than the one proposed: what it is, and what it costs."""

    words: str
    costs: str
    rule: str


class TableShown(Document):
    """A list that a set brings, to be shown and printed: the piston map, what to file from each ring, what is
    checked at assembly."""

    key: str
    title: str
    columns: tuple[str, ...]
    rows: tuple[tuple[str, ...], ...]
    note: str = ""


class SetReport(Document):
    """Everything said of one set, the same for every kind. `rough_band` is what to grind or bore to, before the
    polish or the hone brings it to its `finished_band`.
    `tables` are the lists it brings; `card` is what its card to hang is called, where it has one. `not_judged` says
    what could be read and has no limit. `shaft` is how the crank lies, where it was indicated."""

    set: str
    kind: str
    station: str
    name: str
    mark: Mark
    action: Action
    headline: str
    step: Shown | None = None
    present: Shown
    present_words: str = ""
    mixed: bool = False
    sets_it: str | None = None
    complete: bool
    finished: bool
    decided: bool
    ended: bool = False
    awaiting: tuple[str, ...]
    can_be_accepted: bool
    reasons: tuple[Reason, ...] = ()
    not_judged: str = ""
    would_change: tuple[str, ...] = ()
    ways: tuple[OtherWay, ...] = ()
    finished_band: str | None = None
    rough_band: str | None = None
    to_order: tuple[ToOrder, ...] = ()
    steps: tuple[StepShown, ...] = ()
    scale: Scale | None = None
    reading_order: tuple[SpotAsked, ...] = ()
    notes: tuple[Reason, ...] = ()
    cautions: tuple[Caution, ...] = ()
    tables: tuple[TableShown, ...] = ()
    card: str = ""
    shaft: tuple[ShaftPlace, ...] = ()


class StationReport(Document):
    """One station of the bench: a drawing of the engine with its parts, the worst mark and what is still wanted."""

    key: str
    name: str
    drawing: StationDrawing
    mark: Mark
    left: int
    parts: tuple[str, ...]


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
    is another mark: a person has accepted or overridden every set. `notices` are said of the job as a whole: caps
    that are no pair, a mix inside, what stands open until the engine leaves. `work` is what is decided and not
    done and measured yet: the sheet is signed after it.
    """

    unit: Unit
    decimals: int
    stations: tuple[StationReport, ...]
    sets: tuple[SetReport, ...]
    parts: tuple[PartReport, ...]
    readings_taken: int
    readings_planned: int
    doubts: tuple[Reason, ...]
    waits_for: str
    whole: bool
    decided: bool
    notices: tuple[Reason, ...] = ()
    work: tuple[Reason, ...] = ()
    cause: CauseBrief = NO_CAUSE

    def part(self, name: str) -> PartReport:
        """What is said of one part by its id. Refuses: StopIteration where it is not in scope."""
        return next(report for report in self.parts if report.id == name)

    def of(self, one: str) -> SetReport:
        """What is said of one set. Refuses: StopIteration where it is not in scope."""
        return next(report for report in self.sets if report.set == one)
