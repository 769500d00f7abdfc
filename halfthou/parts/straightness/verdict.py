"""A crank against its run-out limits, place by place."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace
from datetime import datetime, timedelta
from itertools import pairwise

from halfthou.jobs import Figure
from halfthou.lengths import Length
from halfthou.looks import Does
from halfthou.parts.pieces import Note, PieceCase, PieceJudged, PieceVerdict, verdict_of
from halfthou.parts.straightness.kind import (
    ADJACENT,
    AS_BEND,
    AS_TOTAL,
    AT_FLANGE,
    AT_NOSE,
    FLANGE,
    NOSE,
    OVER_ALL,
    RUN_OUT,
    TOTAL,
    main_of,
)
from halfthou.parts.straightness.looks import BLOCKS, SUPPORTS
from halfthou.parts.straightness.shaft import Shaft, Sum, bound_swing, measured_swing
from halfthou.verdicts import Action, Called, FigureKind, Finding, Open, judge, most

#: A crank that was pressed creeps back: it is indicated again once it stood so long.
#: Source: common practice, no source: it stands overnight.
STANDS = timedelta(hours=8)
#: An end main that swings in its own blocks by more than this share of the limit carries the shaft untrue.
#: Source: common practice, no source.
SUPPORT_SHARE = 0.25
_LIMIT_OF = {NOSE: AT_NOSE, FLANGE: AT_FLANGE}
#: What becomes of a place whose figure is beyond: what is done with the crank, its set says.
_BENT = {"run-out": Action.STRAIGHTEN, "adjacent": Action.STRAIGHTEN}


@dataclass(frozen=True)
class Indicated:
    """Everything that was indicated of one crank: its places, the shaft they make, whether it lay on its end mains,
    and when it was last pressed straight."""

    cases: Mapping[str, PieceCase]
    shaft: Shaft
    in_blocks: bool
    pressed: datetime | None

    def near(self, part: str) -> Indicated:
        """What one place is judged by and no more: itself, the main before it, the end mains."""
        before = next((one for one, other in pairwise(self.mains) if other == part), part)
        cases = {one: self.cases[one] for one in dict.fromkeys((before, part))}
        middles = self.shaft.middles
        kept = {one: middles[one] for one in (*cases, *self.shaft.ends) if one in middles}
        return replace(self, cases=cases, shaft=replace(self.shaft, middles=kept))

    @property
    def mains(self) -> tuple[str, ...]:
        """The places of its mains, from the front."""
        return tuple(part for part in self.cases if main_of(part))

    def carries(self, part: str) -> bool:
        """Whether the shaft rested at a place: then that lies on the line."""
        return self.in_blocks and part in self.shaft.ends

    @property
    def line_known(self) -> bool:
        """Whether it is known how the line of the end mains lies: they carried the shaft, or were read."""
        return all(end in self.shaft.middles or self.carries(end) for end in self.shaft.ends)


def in_blocks(case: PieceCase) -> bool:
    """Whether the crank lay on its end mains while it was indicated."""
    return case.answer(SUPPORTS) == BLOCKS


def judge_place(found: Indicated, part: str) -> PieceVerdict:
    """The verdict on one place of a crank."""
    return verdict_of(found.cases[part], _Place(found, part).judged())


class _Place:
    """Judges one place: what is said and what stays open is gathered on the way."""

    def __init__(self, found: Indicated, part: str) -> None:
        self.found, self.part, self.shaft = found, part, found.shaft
        self.case = found.cases[part]
        self.middle = found.shaft.middles.get(part)
        self.notes: list[Note] = []
        self.opens: set[Open] = set()

    def judged(self) -> PieceJudged:
        """What is made of it before it is known what is missing."""
        findings = (*self._over_all(), *self._adjacent())
        if self.case.eye.does(Does.REFERS):
            self.opens.add(Open.REFERRED)
        self._say_of_reading()
        return PieceJudged(
            findings=findings,
            notes=tuple(self.notes),
            remedies=_BENT,
            by_eye=Action.REPLACE if self.case.eye.does(Does.REJECTS) else None,
            by_look=Action.REFER if self.case.eye.does(Does.REFERS) else None,
            wanted=tuple(self._wanted()),
            opens=frozenset(self.opens),
            # Nothing is said of a place that nobody indicated and that carried nothing.
            kept=Action.REUSE if self.middle is not None or self.found.carries(self.part) else Action.MEASURE,
        )

    def _wanted(self) -> Iterator[str]:
        """What is still to be read. A total reading serves; an end main that carries the shaft needs none, and nose
        and flange are read where the sheet has a limit for them."""
        limit = _LIMIT_OF.get(self.part, OVER_ALL)
        begun = self.case.read(RUN_OUT) is not None
        given = self.case.read(TOTAL) is not None
        if begun or not (given or self.found.carries(self.part) or limit not in self.case.limits.figures):
            yield RUN_OUT

    def _over_all(self) -> Iterator[Finding]:
        """How it swings about the line of the end mains, which themselves stand on it."""
        if self.middle is None or not self.found.line_known or self.part in self.shaft.ends:
            return
        limit = self.case.limits.figure(_LIMIT_OF.get(self.part, OVER_ALL))
        if limit is None:
            self.notes.append(Note("no limit"))
            self.opens.add(Open.NO_LIMIT)
            return
        kind = FigureKind("run-out", "straightness.over-all", "run-out")
        yield from self._against(self.shaft.about_the_line(self.part), kind, limit)

    def _adjacent(self) -> Iterator[Finding]:
        """How a main swings against the one before it, as vectors."""
        limit = self.case.limits.figure(ADJACENT)
        before = next((one for one, other in pairwise(self.found.mains) if other == self.part), None)
        if limit is None or before is None or not self.found.line_known:
            return
        pair, middles = (self.part, before), self.shaft.middles
        known = all(part in middles or self.found.carries(part) for part in pair)
        if not known or middles.keys().isdisjoint(pair):
            return
        kind = FigureKind("adjacent", "straightness.adjacent", f"run-out against main {main_of(before)[1:]}")
        yield from self._against(self.shaft.between(self.part, before), kind, limit)

    def _against(self, of: Sum, kind: FigureKind, limit: Figure) -> Iterator[Finding]:
        """A sum against its limit. Where the sheet does not say how that is given, it is judged where both ways
        come to the same.

        Rule:    straightness.given-as.
        """
        said = self.case.limits.made.get("given as")
        whole = self._judge(of, kind, limit, 1.0)
        if said == AS_TOTAL or (said is None and whole.called is Called.WITHIN):
            yield whole
            return
        half = self._judge(of, replace(kind, name=f"{kind.name}, as the bend"), limit, 0.5)
        if said == AS_BEND or half.called is Called.BEYOND:
            yield half
            return
        self.notes.append(Note("given as", (whole.value, limit.value)))
        self.opens.add(Open.NO_LIMIT)

    def _judge(self, of: Sum, kind: FigureKind, limit: Figure, share: float) -> Finding:
        """A sum as it is known, or by the ends between which it lies: within by the most, beyond by the least.

        Rule:    straightness.high-side.
        """
        guard = self.case.house.guard
        measured = measured_swing(self.shaft, of, kind, guard, share)
        if measured is not None:
            return judge(measured, most(limit))
        low, high = (share * end for end in self.shaft.bounds(of))
        at_most = replace(kind, name=f"{kind.name}, at most")
        top = judge(bound_swing(self.shaft, of, high, at_most, guard), most(limit))
        if top.called is Called.WITHIN or high == low:
            return top
        at_least = replace(kind, name=f"{kind.name}, at least")
        floor = judge(bound_swing(self.shaft, of, low, at_least, guard), most(limit))
        if floor.called is Called.BEYOND:
            return floor
        self.notes.append(Note("high side", (floor.value, top.value)))
        self.opens.add(Open.HIGH_SIDE)
        return replace(top, called=Called.TOO_CLOSE)

    def _say_of_reading(self) -> None:
        """What the readings say beside their figures: ovality, too few angles, a side not read, supports that
        swing, a press too fresh."""
        middle = self.middle
        if middle is None:
            if self.found.carries(self.part):
                self.notes.append(Note("carries"))
            if self.case.read(RUN_OUT) is not None:
                self.notes.append(Note("too few"))
                self.opens.add(Open.FOUR_ANGLES)
            return
        swing = middle.swing
        if swing is not None and swing.oval_nm is not None:
            bend = Length(round(2 * swing.offset.length))
            said = (Length(swing.total_nm), bend, swing.offset.side, Length(round(swing.oval_nm)))
            self.notes.append(Note("as read", said))
        elif swing is not None:
            self.notes.append(Note("oval hidden", (Length(swing.total_nm),)))
        elif middle.offset is None:
            self.notes.append(Note("no side"))
        else:
            self.notes.append(Note("side by eye", (middle.offset.side,)))
        limit = self.case.limits.figure(ADJACENT) or self.case.limits.figure(OVER_ALL)
        untrue = limit is not None and middle.total_nm > SUPPORT_SHARE * limit.value.nm
        if self.found.carries(self.part) and untrue:
            self.notes.append(Note("support", (Length(round(middle.total_nm)),)))
            self.opens.add(Open.SUPPORT)
        self._say_of_press(middle.survey.taken[0].reading.at if middle.survey.taken else None)

    def _say_of_press(self, read: datetime | None) -> None:
        """Whether it has stood since it was pressed straight.

        Rule:    straightness.stand.
        """
        pressed = self.found.pressed
        if pressed is not None and read is not None and read < pressed + STANDS:
            self.notes.append(Note("stand", (f"{pressed + STANDS:%d %B %H:%M}",)))
            self.opens.add(Open.STAND)
