"""Pistons, judged: each by itself where it lies, then all of them paired with the bores."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import replace
from typing import cast

from halfthou.engines import Engine
from halfthou.jobs import Decision, Job, SetName, Waived
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.bores import BoreSet
from halfthou.parts.fit import Fit, clearance_limits, fit_in
from halfthou.parts.pieces import PieceCase, PieceVerdict, cases_of, verdict_of
from halfthou.parts.pistons.alike import with_uneven
from halfthou.parts.pistons.kind import PISTON, SET, steps_of
from halfthou.parts.pistons.looks import STAMPED
from halfthou.parts.pistons.report import piston_report, pistons_headline, pistons_report
from halfthou.parts.pistons.together import PistonSet, notes_of, paired_pistons
from halfthou.parts.pistons.verdict import PistonSays, judge_piston, step_of
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import PartReport, SetReport
from halfthou.verdicts import Action, Finding, Open

_BORES = SetName.BORES.value
_NO_FIT = Fit(None, None, None)


class Pistons:
    """The pistons of an engine."""

    kind = PISTON

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        """The pistons, where they are in scope."""
        if SET not in given.job.sets:
            return {}
        cases = cases_of(given, PISTON, SET)
        bores = cast(BoreSet | None, given.before.get(_BORES))
        steps, verdicts = {}, {}
        for name, case in cases.items():
            stamped = case.seen.get(STAMPED)
            size = step_of(
                case, steps_of(given.job.limits), stamped.amount if stamped else None, _stands_at(case, bores)
            )
            steps[name] = size.step
            says = PistonSays(case, size.step, _fit(given, case, bores), None if case.new else size.unlikely)
            verdicts[name] = given.memo.of(("verdict", name), _verdict, says, _must_fit(case, bores))
        house, sheet = given.job.house_rules, given.job.limits
        limits = clearance_limits(sheet.sets[SET], sheet.sets.get(_BORES))
        found = PistonSet(
            verdicts=verdicts, steps=steps, bores=bores, house=house, limits=limits, decision=given.overruling(SET)
        )
        return {SET: given.memo.of(("set", SET), _together, found, given.engine)}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one piston."""
        found = cast(PistonSet, decided)
        return given.memo.of(("part", part), piston_report, found, part, given.engine, given.say)

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of the pistons."""
        found = cast(PistonSet, decided)
        return given.memo.of(("told", one), pistons_report, found, given.say, accepted)

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on the pistons in a few words."""
        return pistons_headline(cast(PistonSet, decided), say)

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about the pistons is open.

        Rule:    assess.whole. A piston to be moved is open until it is; one that is replaced is dealt with.
        """
        found = cast(PistonSet, decided)
        if found.so_far or found.action in (Action.MEASURE, Action.REFER):
            return False
        for verdict in found.placed.values():
            action = found.action_of(verdict.case.piece.part.id)
            if action is Action.REPLACE:
                continue
            if action is Action.MOVE or verdict.opens or (verdict.scrap and action not in (Action.REPLACE,)):
                return False
        return True

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """Pistons are typed whole: no step is assumed."""
        return ZERO

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged length of one piston."""
        return cast(PistonSet, decided).verdicts[part].findings


def _stands_at(case: PieceCase, bores: BoreSet | None) -> Length | None:
    """The size that the bore a piece lies in stands at, or is taken to; None where that is not known."""
    bore = bores.verdicts.get(case.place.replace("piston-", "bore-")) if bores is not None and case.placed else None
    if bores is None or bore is None or not bore.case.survey.sizes:
        return None
    return (bores.oversize if _machined(bores, case.place) else None) or bore.case.present


def _fit(given: Given, case: PieceCase, bores: BoreSet | None) -> Fit:
    """The fit of a piece in the bore it lies in; none where it lies in none, or the bore is machined first."""
    if not case.placed:
        return _NO_FIT
    found = fit_in(given, case.place) or _NO_FIT
    if bores is not None and _machined(bores, case.place):
        return replace(found, bore=None)
    return found


def _machined(bores: BoreSet, place: str) -> bool:
    action = bores.action_of(place.replace("piston-", "bore-"))
    return action in (Action.REBORE, Action.SLEEVE, Action.REPLACE)


def _must_fit(case: PieceCase, bores: BoreSet | None) -> bool:
    """Whether the clearance must be known before the piston is good: not where its bore is machined first."""
    if not case.placed or Waived.CLEARANCE in case.waived:
        return False
    return bores is None or not _machined(bores, case.place)


def _verdict(says: PistonSays, must_fit: bool) -> PieceVerdict:
    judged = judge_piston(says)
    known = any(one.key.startswith("piston clearance") for one in judged.findings)
    if must_fit and not known:
        judged = replace(judged, opens=judged.opens | {Open.PISTON})
    return verdict_of(says.case, judged)


def _together(found: PistonSet, engine: Engine) -> PistonSet:
    paired, failed = paired_pistons(found, engine)
    whole = replace(found, paired=paired, paired_failed=failed, verdicts=with_uneven(found.verdicts))
    return replace(whole, notes=notes_of(whole))
