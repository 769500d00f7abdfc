"""Piston rings, judged: each in its own bore, then what is filed from each."""

from __future__ import annotations

from collections.abc import Mapping
from typing import cast

from halfthou.engines import Engine
from halfthou.jobs import DIAMETER, Decision, Job
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.bores import PLAN, BoreSet, depths_of_planes
from halfthou.parts.fit import BORES
from halfthou.parts.pieces import PieceCase, PieceVerdict, cases_of, verdict_of
from halfthou.parts.rings.kind import AT_DEPTH, RING, SET, TOP, ring_of
from halfthou.parts.rings.report import ring_report, rings_headline, rings_report
from halfthou.parts.rings.together import RingSet, goes_new
from halfthou.parts.rings.travel import Travel
from halfthou.parts.rings.verdict import RingSays, filing_of, judge_ring, number_of, target_of
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import PartReport, SetReport
from halfthou.sets import FileToFit
from halfthou.verdicts import Action, Finding


class Rings:
    """The rings of an engine."""

    kind = RING

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        """The rings, where they are in scope: the top ring of each cylinder before its second."""
        if SET not in given.job.sets:
            return {}
        bores = cast(BoreSet | None, given.before.get(BORES))
        verdicts: dict[str, PieceVerdict] = {}
        filing: dict[str, FileToFit] = {}
        tops: dict[str, Length] = {}
        for name, case in cases_of(given, RING, SET).items():
            says = _says(given, case, bores, tops)
            verdicts[name] = given.memo.of(("verdict", name), _verdict, says)
            found = filing_of(says, verdicts[name].finding("closed gap least"))
            if found is not None:
                filing[name] = found
            if number_of(case) == TOP and case.placed:
                target = target_of(says)
                aimed = [one for one in (found.gap if found else None, target.least if target else None) if one]
                if aimed:
                    tops[ring_of(case.place)[0]] = max(aimed)
        decision = given.overruling(SET)
        return {SET: RingSet(verdicts=verdicts, filing=filing, bores=bores, use=given.job.use, decision=decision)}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one ring."""
        found = cast(RingSet, decided)
        verdict, filing = found.verdicts[part], found.filing.get(part)
        action = found.action_of(part)
        return given.memo.of(("part", part), ring_report, (verdict, action, filing), given.engine, given.say)

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of the rings."""
        return given.memo.of(("told", one), rings_report, cast(RingSet, decided), given.say, accepted)

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on the rings in a few words."""
        return rings_headline(cast(RingSet, decided))

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about the rings is open: what is to be filed is open until its gap is read again.

        Rule:    assess.whole.
        """
        found = cast(RingSet, decided)
        if found.so_far or found.action in (Action.MEASURE, Action.FILE):
            return False
        return all(
            not verdict.opens or found.action_of(name) is Action.REPLACE
            for name, verdict in found.verdicts.items()
            if verdict.case.placed
        )

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """Rings are typed as their gap: they stand at no step."""
        return ZERO

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged length of one ring."""
        return cast(RingSet, decided).verdicts[part].findings


def _says(given: Given, case: PieceCase, bores: BoreSet | None, tops: Mapping[str, Length]) -> RingSays:
    number = number_of(case)
    if not case.placed:
        return RingSays(case, number, Travel(read_at=_depth_read(case)), None, given.job.use)
    cylinder = ring_of(case.place)[0]
    bore = given.surveys.get(f"bore-{cylinder}")
    read = bore.features.get(DIAMETER) if bore is not None else None
    new = goes_new(bores, cylinder)
    whole = read if read is not None and read.whole and not new else None
    sheet = given.job.limits.sets.get(BORES)
    planes = given.job.plans.get(BORES, PLAN).planes
    size = sheet.band("size") if sheet is not None else None
    depths = depths_of_planes(sheet, planes) if sheet is not None else {}
    travel = Travel(whole, depths, depths.get(str(planes)), _depth_read(case))
    least = size.least if size is not None else None
    return RingSays(case, number, travel, least, given.job.use, tops.get(cylinder), new)


def _depth_read(case: PieceCase) -> Length | None:
    """How deep below the deck its gap was read; None where nobody says."""
    found = case.read(AT_DEPTH)
    return next(iter(found.sizes.values())) if found is not None else None


def _verdict(says: RingSays) -> PieceVerdict:
    return verdict_of(says.case, judge_ring(says))
