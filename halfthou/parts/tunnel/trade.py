"""The tunnel, judged: every housing by itself, then all of them in one line."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import cast

from halfthou.engines import Engine
from halfthou.jobs import Decision, Job
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.pieces import PieceCase, PieceVerdict, cases_of, headline_of
from halfthou.parts.trade import Given, SetDecided
from halfthou.parts.tunnel.housed import as_housing
from halfthou.parts.tunnel.kind import HOUSING, SET, band_of, main_of
from halfthou.parts.tunnel.together import Housings
from halfthou.parts.tunnel.verdict import TunnelRead, height_nm, judge_housings
from halfthou.parts.tunnel.words import housing_report, tunnel_report
from halfthou.report import PartReport, SetReport
from halfthou.verdicts import Action, Finding


class Tunnel:
    """The housings of the mains and the line they stand in."""

    kind = HOUSING

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        """The tunnel, where it is in scope."""
        if SET not in given.job.sets:
            return {}
        order = {name: float(n) for n, name in enumerate(given.engine.layout.shaft)}
        cases = {part: _with_bore(given, case) for part, case in cases_of(given, HOUSING, SET).items()}
        band = band_of(given.job.limits)
        read = TunnelRead(cases, band, {part: order[main_of(part)] for part in cases})
        verdicts = given.memo.of(("housings", SET), judge_housings, read)
        heights = {part: height_nm(read, part) for part in cases}
        return {SET: Housings(verdicts=verdicts, decision=given.overruling(SET), band=band, heights=heights)}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one housing."""
        found = cast(Housings, decided)
        verdict = found.verdicts[part]
        action = _action_of(found, verdict)
        return given.memo.of(("part", part), housing_report, verdict, action, given.engine, given.say)

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of the tunnel."""
        return given.memo.of(("told", one), tunnel_report, cast(Housings, decided), given.say, accepted)

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on the tunnel in a few words."""
        return headline_of(cast(Housings, decided))

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about the tunnel is open: what is to be honed is open until it was read again.

        Rule:    assess.whole.
        """
        found = cast(Housings, decided)
        if found.action is Action.REPLACE:
            return True
        return found.action is Action.REUSE and all(found.settled(one) for one in found.verdicts.values())

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """A tunnel stands at no step."""
        return ZERO

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged figure of one housing."""
        return cast(Housings, decided).verdicts[part].findings


def _with_bore(given: Given, case: PieceCase) -> PieceCase:
    """A housing with the bore that an older record has of its bearing."""
    bearing = given.surveys.get(f"bearing-{main_of(case.place)}")
    if bearing is None:
        return case
    piece = given.memo.of(("as housing", case.place), as_housing, case.piece, bearing)
    return case if piece is case.piece else replace(case, piece=piece)


def _action_of(found: Housings, verdict: PieceVerdict) -> Action:
    """What is done about one housing: a tunnel is honed in one go."""
    return found.action if found.action in (Action.REPLACE, Action.REFER, Action.LINE_HONE) else verdict.action
