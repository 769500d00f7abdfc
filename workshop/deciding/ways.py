"""A way on that a person picked: what it decides."""

from typing import cast

from halfthou.assess import judge
from halfthou.exchange import Fault
from halfthou.jobs import DecisionKind, JournalSet
from halfthou.parts import SetVerdict, ways_on, ways_shown
from halfthou.report import WayOnShown
from workshop.people.refusals import NotThere, Refusal
from workshop.record.models import DecisionRecord
from workshop.record.opened import Opened


def pick_way(row: DecisionRecord, name: str, opened: Opened) -> None:
    """Write the way picked into a decision: its action, its size, the journals that go to another, its axis.

    Refuses: NotThere where the set has no such way; Refusal where it is not open.
    """
    if row.set not in set(JournalSet):
        raise NotThere("no-way", f"The {row.set} have no ways on to pick from.")
    judged = judge(opened.job)
    decided = cast(SetVerdict, judged.decided[row.set])
    shown = ways_shown(judged.given, decided, judged.accepted(row.set))
    way = next((one for one in ways_on(judged.given, decided) if one.name == name), None)
    words = next((one for one in shown.ways if one.key == name), None)
    if way is None or words is None:
        raise NotThere("no-way", "There is no such way on any more: the verdict has changed. Look again.")
    _must_be_open(words, shown.waits)
    row.kind = DecisionKind.OVERRIDDEN.value
    row.action = way.action.value
    row.step_nm = None if way.size is None else way.size.nm
    row.others = {part: step.nm for part, step in way.others.items()}
    row.follows = way.follows
    row.words = f"{shown.name}: {words.words[:1].lower()}{words.words[1:]}, instead of {shown.headline}."
    if words.moves:
        row.words += " " + "; ".join(words.moves) + "."


def _must_be_open(way: WayOnShown, waits: str) -> None:
    if waits or not way.possible:
        why = waits or "; ".join(way.why)
        raise Refusal("way-barred", f"{way.words} is not open: {why}", [Fault("action", why)])
