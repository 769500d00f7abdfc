"""The straightness of a crank, judged: every place by itself, then the shaft."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace
from datetime import datetime
from typing import cast

from halfthou.engines import Engine
from halfthou.jobs import Decision, Hardening, Job, Look, OperationKind, Reading
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.pieces import PieceVerdict, cases_of
from halfthou.parts.straightness.kind import FLANGE, KIND, NOSE, RUN_OUT, SET, TOTAL, at_main
from halfthou.parts.straightness.looks import TRUE
from halfthou.parts.straightness.shaft import Shaft, middle_of
from halfthou.parts.straightness.together import Straight, barred_by, unsaid_of
from halfthou.parts.straightness.verdict import STANDS, Indicated, in_blocks, judge_place
from halfthou.parts.straightness.words import place_report, straight_headline, straight_report
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import PartReport, SetReport
from halfthou.surveys import SeenBy
from halfthou.verdicts import Action, Finding


class Straightness:
    """Whether the crank is straight. Nothing is ground, polished or used again before it is."""

    kind = KIND

    def decide(self, given: Given) -> Mapping[str, SetDecided]:
        """The shaft, where it is in scope."""
        if SET not in given.job.sets:
            return {}
        cases = cases_of(replace(given, seen=without_old_words(given)), KIND, SET)
        layout = given.engine.layout
        mains = tuple(at_main(main) for main in layout.mains)
        known = {part: given.memo.of(("middle", part), middle_of, case.piece) for part, case in cases.items()}
        middles = {part: middle for part, middle in known.items() if middle is not None}
        shaft = Shaft(middles, along_the_shaft(layout.shaft), (mains[0], mains[-1]))
        lay = any(in_blocks(case) for case in cases.values())
        found = Indicated(cases, shaft, lay, _pressed(given))
        verdicts = {part: given.memo.of(("verdict", part), judge_place, found.near(part), part) for part in cases}
        made, hard = given.job.limits.sets[SET].made, _hardenings(given)
        return {
            SET: Straight(
                verdicts=verdicts,
                decision=given.overruling(SET),
                shaft=shaft,
                in_blocks=lay,
                house=given.job.house_rules,
                barred=tuple(barred_by(made, given.job.limits.crank_material, hard)),
                unsaid=tuple(unsaid_of(made, hard)),
                not_fresh=_not_fresh(given.job, found.pressed),
                one_sitting=_one_sitting(given.job, found.pressed),
            )
        }

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one place."""
        found = cast(Straight, decided)
        verdict = found.verdicts[part]
        return given.memo.of(
            ("part", part), place_report, verdict, _action_of(found, verdict), given.engine, given.say
        )

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of the shaft."""
        return given.memo.of(("told", one), straight_report, cast(Straight, decided), given.say, accepted)

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on the shaft in a few words."""
        return straight_headline(cast(Straight, decided))

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about the shaft is open: it is straight, its bend is accepted, or it goes.

        Rule:    assess.whole.
        """
        found = cast(Straight, decided)
        return (found.straight and not found.only_seen) or found.action is Action.REPLACE

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """A run-out stands at no step."""
        return ZERO

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged figure of one place."""
        return cast(Straight, decided).verdicts[part].findings


def without_old_words(given: Given) -> SeenBy:
    """What was seen, in a job that judges straightness: a word that the crank is true counts no more, since figures
    say that, nor does one that it is bent, once it was pressed.

    Rule:    straightness.first.
    """
    if SET not in given.job.sets:
        return given.seen
    return {
        of: one
        for of, one in given.seen.items()
        if of[1] != Look.STRAIGHTNESS or (one.answer != TRUE and one.id not in given.overtaken)
    }


def straight_of(given: Given) -> Straight | None:
    """What came of the shaft; None in a job that does not hold it."""
    return cast(Straight | None, given.before.get(SET))


def along_the_shaft(shaft: tuple[str, ...]) -> dict[str, float]:
    """Where each place stands along the shaft, in steps: its mains and pins are taken as evenly spaced."""
    found = {at_main(name): float(n) for n, name in enumerate(shaft) if name.startswith("M")}
    return {NOSE: -1.0, **found, FLANGE: float(len(shaft))}


def _action_of(found: Straight, verdict: PieceVerdict) -> Action:
    """What is done about one place: the shaft is one part."""
    if found.action in (Action.REPLACE, Action.REFER) or found.overruled is not None:
        return found.action
    return verdict.action


def _pressed(given: Given) -> datetime | None:
    """When the crank was last pressed straight; None where it was not."""
    done = [one.at for one in given.job.standing_operations if one.kind is OperationKind.STRAIGHTEN]
    return max(done, default=None)


def _not_fresh(job: Job, pressed: datetime | None) -> bool:
    """Whether it was indicated once it had stood after the press, and not before.

    Rule:    straightness.stand.
    """
    if pressed is None:
        return False
    after = [one.at for one in _indicated(job) if one.at > pressed]
    return bool(after) and min(after) >= pressed + STANDS


def _one_sitting(job: Job, pressed: datetime | None) -> bool:
    """Whether it was indicated before and after the press in one sitting: one of the two is written down wrong."""
    if pressed is None:
        return False
    before, after = (
        {one.sitting for one in _indicated(job) if one.sitting and (one.at > pressed) is later}
        for later in (False, True)
    )
    return not before.isdisjoint(after)


def _indicated(job: Job) -> Iterator[Reading]:
    return (one for one in job.standing_readings if one.feature in (RUN_OUT, TOTAL))


def _hardenings(given: Given) -> tuple[Hardening, ...]:
    """How the sheet says the journals are hardened, mains and rods."""
    sets = given.job.limits.sets
    said = [sets[one].made.get("hardening", Hardening.UNKNOWN.value) for one in ("mains", "rods") if one in sets]
    return tuple(Hardening(one) for one in said)
