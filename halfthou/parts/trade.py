"""How a kind of part is judged: what every kind has to bring, and what it is given."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from enum import StrEnum
from typing import Protocol

from halfthou.engines import Engine, Kinds, PartKind
from halfthou.jobs import Decision, HouseRules, Job, Operation, Seen, SetLimits, Waived
from halfthou.lengths import Length, Notation
from halfthou.looks import UNSEEN, Eye, eye_of
from halfthou.memo import Memo
from halfthou.report import PartReport, SetReport
from halfthou.sets import Reopened, Standing
from halfthou.surveys import PartSurvey, SeenBy
from halfthou.verdicts import Action, Finding


@dataclass(frozen=True)
class Given:
    """What a kind is judged by: the job and its engine, what was read and seen, which of that work has
    overtaken, what people decided and what of that is open again, what the
    kinds before it came to, and what was worked out of the job before."""

    job: Job
    engine: Engine
    say: Notation
    surveys: Mapping[str, PartSurvey]
    seen: SeenBy
    overtaken: Mapping[str, Operation]
    standing: Standing
    reopened: tuple[Reopened, ...]
    waived: Mapping[str, frozenset[Waived]]
    before: Mapping[str, SetDecided]
    memo: Memo

    def overruling(self, one: str) -> Decision | None:
        """A person's decision on a set, where one stands."""
        return self.standing.get((one, "", None))

    def eye(
        self, about: Mapping[str, Seen], kind: PartKind, limits: SetLimits, proven: frozenset[str] = frozenset()
    ) -> Eye:
        """What all that was seen of a part of a kind does to it, in the order of the kind's looks.

        Takes:   what figures have `proven`, as a look and its answer: "straightness: within the maker's run-out".
        """
        if not about:
            return UNSEEN
        looks = self.engine.kinds.looks
        others = (looks[key] for key in about if key in looks and looks[key] not in kind.looks)
        said = self.memo.of(("said of", kind.key), _said, self.job.house_rules, limits)
        return eye_of((*kind.looks, *others), about, kind.key, said | proven, self.overtaken)


def _said(house: HouseRules, limits: SetLimits) -> frozenset[str]:
    """What the house rules and the sheet say, as an effect names it."""
    rules = ((name, one.value) for name, one in house if isinstance(one, StrEnum))
    return frozenset(f"{what}: {words}" for what, words in (*rules, *limits.made.items()))


class SetDecided(Protocol):
    """What a set came to, as far as the rest of the program asks."""

    @property
    def action(self) -> Action:
        """What is to be done with the set."""

    @property
    def step(self) -> Length | None:
        """The size it goes to, so far from standard; None where none is decided."""

    @property
    def decision(self) -> Decision | None:
        """A person's decision against the verdict, where one stands."""

    @property
    def so_far(self) -> bool:
        """Whether readings are missing or a size is open: then every size is "at least"."""

    @property
    def ends(self) -> bool:
        """Whether the part has come to its end: nothing more is asked of it."""


class Trade(Protocol):
    """A kind of part with its judgement. One module of this room brings one, and a line of the catalogue names
    it. A kind that decides nothing by itself, as bearings, is listed without."""

    kind: PartKind

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        """Judge the parts of this kind and decide its sets in scope, each by its name."""

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one part."""

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of one set; `accepted` is a person's acceptance that still fits it."""

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on a set in a few words."""

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about a set is open.

        Rule:    assess.whole.
        """

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """The step a set stands at, so far as its sizes, records and claims tell: what a next reading can be."""

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged figure of one part."""


class Catalogue(Kinds):
    """The kinds of part there are, in the order of the work, each with its judgement where it has one."""

    def __init__(self, *listed: Trade | PartKind) -> None:
        super().__init__(tuple(one if isinstance(one, PartKind) else one.kind for one in listed))
        self.listed = listed
        self.trades = tuple(one for one in listed if not isinstance(one, PartKind))

    def trade_of_set(self, one: str, engine: Engine) -> Trade:
        """The judgement that decides a set."""
        kind = engine.kind_of_set[one]
        return next(trade for trade in self.trades if trade.kind is kind)
