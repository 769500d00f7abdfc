"""An uncertainty budget as a document."""

from __future__ import annotations

from halfthou.jobs import Document
from halfthou.verdicts import Called


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

    key: str
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
