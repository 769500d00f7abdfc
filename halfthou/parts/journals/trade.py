"""Crank journals, judged: each by itself, then all mains and all rods, then the crank as one part."""

from __future__ import annotations

from collections.abc import Mapping
from typing import cast

from halfthou.engines import Engine
from halfthou.gauges import expanded, size_doubt, standard_doubt
from halfthou.jobs import DIAMETER, Decision, Job, JournalSet, Look, OperationKind, Seen
from halfthou.lengths import ZERO, Length, Notation
from halfthou.looks import Does
from halfthou.operations import ground_to
from halfthou.parts.journals.after_work import still_unseen
from halfthou.parts.journals.bearing_kind import BEARING
from halfthou.parts.journals.beside_size import LIMIT_OF, THROW, beside_findings, read_beside
from halfthou.parts.journals.case import JournalCase
from halfthou.parts.journals.clearance import clearance_is_settled, missing_shells
from halfthou.parts.journals.crank import (
    WholeCrank,
    about_journal,
    as_one_crank,
    bend_at,
    overruled,
    tilt_at,
    whole_crank,
)
from halfthou.parts.journals.decide import SetCase, SetVerdict, decide_set
from halfthou.parts.journals.kind import JOURNAL
from halfthou.parts.journals.limits import ladder_of, limits_of
from halfthou.parts.journals.profiled import profiled
from halfthou.parts.journals.report import journal_report
from halfthou.parts.journals.set_report import journal_set_report
from halfthou.parts.journals.set_words import headline
from halfthou.parts.journals.verdict import judge_journal
from halfthou.parts.straightness import straight_of
from halfthou.parts.trade import Given, SetDecided
from halfthou.parts.tunnel import housing_of, in_housing
from halfthou.report import PartReport, SetReport
from halfthou.surveys import (
    FeatureSurvey,
    PartSurvey,
    PresentSize,
    SeenBy,
    SizeEvidence,
    agreed_size,
    present_sizes,
    present_undersize,
    reading_order,
    seen_on,
)
from halfthou.verdicts import Action, Finding


class Journals:
    """The journals of a crank. What ends it for one set ends it for both."""

    kind = JOURNAL

    def decide(self, given: Given) -> Mapping[str, SetVerdict]:
        """The mains and the rods, as far as they are in scope."""
        sizes, crank = present_of_journals(given), whole_crank(given)
        decided: dict[JournalSet, SetVerdict] = {}
        for one in JournalSet:
            if one in given.job.sets:
                cases = {name: _case(given, name, sizes[name], crank) for name in given.engine.of_set(one)}
                decided[one] = overruled(_decide(given, one, cases), given.overruling(one))
        return {one.value: verdict for one, verdict in as_one_crank(decided, straight_of(given)).items()}

    def part_report(self, decided: SetDecided, part: str, given: Given) -> PartReport:
        """Everything said of one journal."""
        verdict, layout = cast(SetVerdict, decided), given.engine.layout
        return given.memo.of(("part", part), journal_report, verdict, part, layout, given.say, given.memo)

    def set_report(self, decided: SetDecided, one: str, given: Given, accepted: Decision | None) -> SetReport:
        """Everything said of the mains, or of the rods."""
        order = reading_order(given.job, given.engine, one)
        return given.memo.of(
            ("told", one), journal_set_report, cast(SetVerdict, decided), order, given.say, accepted
        )

    def headline(self, decided: SetDecided, say: Notation) -> str:
        """The decision on a set in a few words."""
        return headline(cast(SetVerdict, decided), say)

    def settled(self, decided: SetDecided) -> bool:
        """Whether nothing about a set of journals is open.

        Rule:    assess.whole: every figure is settled or waived, each that is beyond has an action that deals with
                 it; nothing is unread, held, contradicted, outside the plan or waiting for somebody's word; the
                 shells it needs can be bought.
        """
        return _settled(cast(SetVerdict, decided))

    def stands_at(self, job: Job, engine: Engine, one: str, sizes: tuple[Length, ...]) -> Length:
        """The undersize a set stands at, for what a reading can be: by its readings, by its last grind, by a
        claim."""
        if not sizes:
            grinds = [ground_to(job.standing_operations, name, engine) for name in engine.of_set(one)]
            said = agreed_size(g.step for g in grinds if g is not None and g.step is not None)
            claim = _claim(seen_on(job, engine), one)
            return said or (claim.amount if claim and claim.amount is not None else ZERO)
        used = (gauge for gauge in job.gauges if gauge.id in job.gauges_used)
        doubt = max((expanded(size_doubt(gauge)) for gauge in used), default=ZERO)
        return present_undersize(ladder_of(limits_of(job.limits, one)), sizes, doubt)

    def findings(self, decided: SetDecided, part: str) -> tuple[Finding, ...]:
        """Every judged figure of one journal and its bearing."""
        return cast(SetVerdict, decided).case.verdicts[part].every


def present_of_journals(given: Given) -> dict[str, PresentSize]:
    """The undersize that every journal stands at: by its readings, its grinds and what is claimed of its set."""
    found: dict[str, PresentSize] = {}
    job, engine, operations = given.job, given.engine, given.job.standing_operations
    for one in JournalSet:
        if one not in job.sets:
            continue
        names = engine.of_set(one)
        claim = _claim(given.seen, one)
        evidence = {}
        for name in names:
            ground = ground_to(operations, name, engine)
            evidence[name] = SizeEvidence(ground.step if ground else None, claim.amount if claim else None)
        surveys = {name: given.surveys[name][DIAMETER] for name in names}
        read = {name: tuple(survey.sizes.values()) for name, survey in surveys.items()}
        slack = {name: _slack(surveys[name]) for name in names if read[name]}
        found.update(present_sizes(ladder_of(limits_of(job.limits, one)), read, evidence, slack))
    return found


def _slack(survey: FeatureSurvey) -> Length:
    """How much larger than true the readings of a journal may be: doubt, and warmth that nobody measured."""
    spot = next(iter(survey.sizes))
    return expanded(standard_doubt(survey.budget(spot))) + max(survey.rise(spot) for spot in survey.sizes)


def _claim(seen: SeenBy, one: str) -> Seen | None:
    return seen.get((one, Look.CLAIMED_UNDERSIZE))


def _case(given: Given, name: str, stands: PresentSize, crank: WholeCrank) -> JournalCase:
    job = given.job
    part = given.engine.parts[name]
    about, limits = about_journal(crank.seen, name), job.limits.sets[part.set]
    shells = hardened = False
    kinds = set[OperationKind]()
    for done in job.standing_operations if job.operations else ():
        if name not in given.engine.touched(done.on):
            continue
        kinds.add(done.kind)
        shells = shells or done.kind is OperationKind.NEW_SHELLS
        if done.kind in (OperationKind.GRIND, OperationKind.HEAT_TREAT):
            hardened = done.kind is OperationKind.HEAT_TREAT
    rods = 1 if name[0] == "M" else len(job.limits.layout.pins[int(name[1:]) - 1].cylinders)
    return JournalCase(
        survey=given.surveys[name][DIAMETER],
        limits=limits_of(job.limits, part.set),
        house=job.house_rules,
        present=stands.undersize,
        seen=about,
        eye=given.eye(about, JOURNAL, limits, crank.proven),
        stands=stands,
        rods=rods,
        bearings=_bearings(given, name),
        waived=given.waived.get(name, frozenset()),
        new_shells=shells,
        hardened_again=hardened,
        crank=crank.suspects,
        unseen=_unseen(given, about, kinds, part.set),
        without_limit=_without_limit(given, name, part.set),
        bend=tilt_at(given, name) if _followed(given, name) else bend_at(given, name),
        straight_first=crank.straight_first,
        beside=tuple(beside_findings(given.surveys[name], limits, job.house_rules)),
        beside_surveys=tuple(read_beside(given.surveys[name])),
        throw_wanted=_throw_wanted(given, name, hot=crank.hot or _followed(given, name, stands.undersize)),
        profile=profiled(given.surveys[name], given.surveys[name][DIAMETER]),
    )


def _unseen(given: Given, about: dict[str, Seen], done: set[OperationKind], one: str) -> tuple[str, ...]:
    """The looks still wanted of a journal; that the crank is true is no look where its straightness is in scope."""
    found = still_unseen(about, done, limits_of(given.job.limits, one), given.job.house_rules)
    return found if straight_of(given) is None else tuple(look for look in found if look != Look.STRAIGHTNESS)


def _without_limit(given: Given, journal: str, one: str) -> tuple[str, ...]:
    """What is read of the bearings of a journal and has no limit on the sheet of its set.

    Rule:    verdicts.no-limit.
    """
    bearings, limits = _bearings(given, journal), given.job.limits.sets[one]
    read = {key for bearing in bearings for key, feature in bearing.features.items() if feature.sizes}
    own = {one.feature.key for one in read_beside(given.surveys[journal])}
    return (
        *(kind.name for kind in BEARING.without_limit(limits, read)),
        *(kind.name for kind in JOURNAL.without_limit(limits, own)),
    )


def _followed(given: Given, name: str, at: Length | None = None) -> bool:
    """Whether a person decided that a rod journal is ground about the axis a bend left it, and, where a size is
    given, whether it stands at what was decided.

    Rule:    sets.follow-the-pin.
    """
    decision = given.overruling(given.engine.parts[name].set)
    if decision is None or not decision.follows or name in given.engine.layout.mains:
        return False
    return at is None or at == decision.step


def _throw_wanted(given: Given, name: str, *, hot: bool) -> tuple[str, ...]:
    """Index and half stroke of a throw, where a journal of the crank got hot, or it was ground as a bend left it,
    and the sheet has them: one that seized is twisted.

    Rule:    verdicts.journal.throw, sets.follow-the-pin.   Source: docs/trade: Run-out, common practice.
    """
    if name in given.engine.layout.mains or not hot:
        return ()
    limits, features = given.job.limits.sets[given.engine.parts[name].set], given.surveys[name].features
    wanted = (one for one in THROW if LIMIT_OF[one] in limits.figures)
    return tuple(one for one in wanted if one not in features or not features[one].counts)


def _bearings(given: Given, journal: str) -> tuple[PartSurvey, ...]:
    """The bearings a journal lies in, of which anything was read; a main's with its housing by the tunnel."""
    beside = [survey for survey in given.surveys.values() if survey.part.beside == journal]
    housing = given.surveys.get(housing_of(journal))
    if housing is not None:
        beside = [given.memo.of(("housed", one.part.id), in_housing, one, housing) for one in beside]
    return tuple(one for one in beside if one.features)


def _decide(given: Given, one: JournalSet, cases: dict[str, JournalCase]) -> SetVerdict:
    verdicts = {name: given.memo.of(("verdict", name), judge_journal, case) for name, case in cases.items()}
    read = [case.present for case in cases.values() if case.survey.form is not None]
    present = agreed_size(read or [case.present for case in cases.values()]) or ZERO
    limits, house = limits_of(given.job.limits, one), given.job.house_rules
    case = SetCase(one, limits, house, present, verdicts, _claim(given.seen, one))
    return given.memo.of(("set", one), decide_set, case)


def _settled(decided: SetVerdict) -> bool:
    action = decided.action
    if action in (Action.MEASURE, Action.REFER) or decided.so_far:
        return False
    cracked = any(v.case.eye.does(Does.REJECTS) for v in decided.case.verdicts.values())
    if cracked and action is not Action.REPLACE:
        return False
    if action is Action.REPLACE:
        return True
    if missing_shells(decided):
        return False
    return all(_journal_settled(decided, name) for name in decided.case.verdicts)


def _journal_settled(decided: SetVerdict, journal: str) -> bool:
    verdict = decided.case.verdicts[journal]
    action, own = decided.action_of(journal), verdict.action
    if decided.opens_of(journal):
        return False
    # A person may decide otherwise, but what is beyond its limit is not settled by keeping it.
    if own in (Action.REGRIND, Action.REPLACE, Action.REFER) and action is not Action.REGRIND:
        return False
    if own is Action.MEASURE and action not in (Action.REGRIND,) and not decided.waived(journal):
        return False
    return clearance_is_settled(decided, journal)
