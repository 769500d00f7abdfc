"""Cylinder bores, judged: each by itself, then all of them to one size."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace
from typing import cast

from halfthou.engines import Engine
from halfthou.gauges import expanded, size_doubt, standard_doubt
from halfthou.jobs import (
    DIAMETER,
    Decision,
    DecisionKind,
    Feature,
    Job,
    Look,
    Operation,
    OperationKind,
    Seen,
    SetName,
)
from halfthou.lengths import ZERO, Length, Notation
from halfthou.operations import ground_to
from halfthou.parts.bores.case import BoreCase, RingAtTop
from halfthou.parts.bores.kind import BORE
from halfthou.parts.bores.limits import COATED, PLAIN, WEAR, BoreLimits
from halfthou.parts.bores.oversize import BoreSet, decide_bores
from halfthou.parts.bores.report import bore_report, bores_report
from halfthou.parts.bores.set_words import bores_headline
from halfthou.parts.bores.verdict import judge_bore, keeps
from halfthou.parts.fit import PISTONS, RINGS, fit_in
from halfthou.parts.trade import Given, SetDecided
from halfthou.report import PartReport, SetReport
from halfthou.sets import typical_gap
from halfthou.surveys import (
    PartSurvey,
    PresentSize,
    SizeEvidence,
    SizeLadder,
    agreed_size,
    present_sizes,
    present_undersize,
    reading_order,
    seen_on,
)
from halfthou.verdicts import Action, Finding, Open

_SET = SetName.BORES.value


class Bores:
    """The bores of a block."""

    kind = BORE

    def decide(self, given: Given) -> Mapping[str, BoreSet]:
        """The bores, where they are in scope."""
        if _SET not in given.job.sets:
            return {}
        limits = BoreLimits(given.job.limits.sets[_SET])
        names = given.engine.of_set(_SET)
        stands = present_of_bores(given, limits, names)
        cases = {name: _case(given, limits, name, stands[name]) for name in names}
        verdicts = {name: given.memo.of(("verdict", name), judge_bore, case) for name, case in cases.items()}
        read = [v.case.present for v in verdicts.values() if v.case.survey.form is not None]
        present = agreed_size(read or [one.undersize for one in stands.values()]) or ZERO
        house = given.job.house_rules
        decided = given.memo.of(("set", _SET), decide_bores, limits, house, verdicts, present)
        return {_SET: _overruled(decided, given.overruling(_SET))}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one bore."""
        verdict = cast(BoreSet, decided)
        return given.memo.of(("part", part), bore_report, verdict, part, given.engine, given.say, given.memo)

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of the bores."""
        order = reading_order(given.job, given.engine, one)
        return given.memo.of(("told", one), bores_report, cast(BoreSet, decided), order, given.say, accepted)

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on the bores in a few words."""
        return bores_headline(cast(BoreSet, decided), say)

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about the bores is open: until the clearance to its piston is read or waived, none is.

        Rule:    assess.whole, bores.piston.
        """
        found = cast(BoreSet, decided)
        if found.action in (Action.MEASURE, Action.REFER) or found.so_far:
            return False
        if found.action is Action.REPLACE:
            return True
        if found.action is Action.REBORE:
            sold = next((step.sold for step in found.limits.steps if step.size == found.oversize), False)
            if not sold or found.wanted:
                return False
        return all(_bore_settled(found, name) for name in found.verdicts)

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """The oversize the bores stand at, for what a reading can be: by their readings, by boring, by a claim."""
        limits = BoreLimits(job.limits.sets[one])
        if not sizes:
            work = [ground_to(job.standing_operations, name, engine) for name in engine.of_set(one)]
            said = agreed_size(done.step for done in work if done is not None and done.step is not None)
            claim = seen_on(job, engine).get((one, Look.CLAIMED_OVERSIZE))
            return said or (claim.amount if claim and claim.amount is not None else ZERO)
        used = (gauge for gauge in job.gauges if gauge.id in job.gauges_used)
        doubt = max((expanded(size_doubt(gauge)) for gauge in used), default=ZERO)
        return present_undersize(_ladder(limits), [-min(sizes)], doubt)

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged figure of one bore."""
        return cast(BoreSet, decided).verdicts[part].findings


def _ladder(limits: BoreLimits) -> SizeLadder:
    """The ladder of bores, with the sign of lengths turned round: a hole is a shaft turned inside out."""
    return SizeLadder(-limits.size.most, -limits.size.least, limits.ladder)


def present_of_bores(given: Given, limits: BoreLimits, names: tuple[str, ...]) -> dict[str, PresentSize]:
    """The oversize that every bore stands at: by what is read below ring travel, else by its least reading; boring
    on record and crown stamps are evidence.

    Rule:    bores.present.
    """
    job = given.job
    read: dict[str, tuple[Length, ...]] = {}
    slack: dict[str, Length] = {}
    evidence: dict[str, SizeEvidence] = {}
    for name in names:
        survey = given.surveys[name]
        read[name] = _unworn(survey)
        if read[name]:
            feature = survey[DIAMETER] if survey[DIAMETER].sizes else survey[Feature.BELOW_TRAVEL.value]
            slack[name] = expanded(standard_doubt(feature.budget(next(iter(feature.sizes)))))
        bored = ground_to(job.standing_operations, name, given.engine)
        claim = given.seen.get((name, Look.CLAIMED_OVERSIZE)) or given.seen.get((_SET, Look.CLAIMED_OVERSIZE))
        evidence[name] = SizeEvidence(bored.step if bored else None, claim.amount if claim else None)
    return present_sizes(_ladder(limits), read, evidence, slack)


def _unworn(survey: PartSurvey) -> tuple[Length, ...]:
    """What tells at which step a bore stands: below ring travel, else its least reading. Signs turned round."""
    below = survey.features.get(Feature.BELOW_TRAVEL.value)
    if below is not None and below.sizes:
        return tuple(-size for size in below.sizes.values())
    sizes = survey[DIAMETER].sizes
    return (-min(sizes.values()),) if sizes else ()


def _case(given: Given, limits: BoreLimits, name: str, stands: PresentSize) -> BoreCase:
    job, engine = given.job, given.engine
    about = {look: found for (on, look), found in given.seen.items() if on in (*BORE.wholes, _SET)}
    about.update({look: found for (on, look), found in given.seen.items() if on == name})
    done = [one for one in job.standing_operations if name in engine.touched(one.on)] if job.operations else []
    survey = given.surveys[name]
    return BoreCase(
        bore=survey,
        survey=survey[DIAMETER],
        limits=limits,
        house=job.house_rules,
        present=stands.undersize,
        seen=about,
        eye=given.eye(about, BORE, job.limits.sets[_SET]),
        waived=given.waived.get(name, frozenset()),
        bored=_last_sized(done),
        finished=any(one.kind in survey[DIAMETER].feature.as_finished for one in done),
        fit=fit_in(given, name.replace("bore-", "piston-")),
        ring_at_top=_ring_at_top(given, limits),
        unseen=(*BORE.unseen(about), *_coating(limits, about)),
        worn_clearance=_worn_clearance(given),
        without_limit=tuple(_without_limit(given, survey)),
        deck_work=any(one.kind in (OperationKind.DECK, OperationKind.BLOCK_STUDS) for one in done),
    )


def _coating(limits: BoreLimits, seen: Mapping[str, Seen]) -> Iterator[str]:
    """Whether it is coated, where the sheet does not know: a coated bore is not honed or bored like iron.

    Rule:    bores.coated.
    """
    if limits.limits.made.get("coating", PLAIN) not in (PLAIN, COATED) and Look.COATING not in seen:
        yield Look.COATING


def _without_limit(given: Given, bore: PartSurvey) -> Iterator[str]:
    """What of a bore waits for a limit: what is read of it; and how much it may wear, where nothing says so.

    Rule:    verdicts.no-limit.
    """
    sets, read = given.job.limits.sets, [key for key, one in bore.features.items() if one.sizes]
    yield from (one.name for one in BORE.without_limit(sets[_SET], read))
    if not BoreLimits(sets[_SET]).wears and not _worn_clearance(given):
        yield WEAR


def _worn_clearance(given: Given) -> bool:
    """Whether pistons are in scope and their sheet gives the clearance of a worn bore."""
    sets = given.job.limits.sets
    return PISTONS in given.job.sets and PISTONS in sets and "clearance_worn" in sets[PISTONS].figures


def _ring_at_top(given: Given, limits: BoreLimits) -> RingAtTop | None:
    """What a new top ring would be allowed, where rings are in scope and the sheet has how far one may open."""
    job = given.job
    worn = job.limits.sets[RINGS].figure("worn_gap") if RINGS in job.sets else None
    if worn is None or job.use is None:
        return None
    band = job.limits.sets[RINGS].band("top_gap")
    gap = band.least if band is not None else typical_gap(limits.size.least, job.use, 1)
    return RingAtTop(gap, worn)


def _last_sized(done: list[Operation]) -> Operation | None:
    """The last boring that says its size; a sleeve fitted after it does away with it."""
    found = [one for one in done if one.kind in (OperationKind.BORE, OperationKind.SLEEVE)]
    last = found[-1] if found else None
    return last if last is not None and last.kind is OperationKind.BORE and last.step is not None else None


def _overruled(decided: BoreSet, decision: Decision | None) -> BoreSet:
    """The bores as a person decided them.

    Rule:    sets.decided-otherwise.
    """
    if decision is None or decision.kind is not DecisionKind.OVERRIDDEN:
        return decided
    action, size = Action(decision.action), decision.step
    if size is None and action is not Action.REPLACE:
        size = None if decided.mixed else decided.present
    return replace(decided, action=action, oversize=size, decision=decision)


def _bore_settled(decided: BoreSet, bore: str) -> bool:
    own, action = decided.verdicts[bore].action, decided.action_of(bore)
    if decided.opens_of(bore) - {Open.BEFORE_BORING}:
        return False
    # A person may decide otherwise, but what is beyond its limit is not settled by keeping it.
    if own in (Action.REBORE, Action.REPLACE, Action.REFER) and keeps(action):
        return False
    return not (own is Action.MEASURE and keeps(action) and not decided.waived(bore))
