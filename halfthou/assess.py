"""The one function that walks through the rooms in the order of the work."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from halfthou.gauges import expanded, size_doubt, standard_doubt
from halfthou.jobs import (
    Decision,
    DecisionKind,
    Job,
    JournalSet,
    Look,
    Observation,
    OperationKind,
    Waived,
    set_of,
)
from halfthou.lengths import ZERO, Length, Notation, Unit
from halfthou.operations import ground_to, touches
from halfthou.report import (
    Assessment,
    BudgetShown,
    PartReport,
    budgets_shown,
    doubts_of,
    part_report,
    set_report,
)
from halfthou.sets import (
    SetCase,
    SetVerdict,
    as_one_crank,
    clearance_is_settled,
    decide_set,
    headline,
    missing_shells,
    overruled,
    standing_decisions,
    waived_of,
)
from halfthou.surveys import (
    CRACK_FOUND,
    Evidence,
    JournalSurvey,
    PresentSize,
    agreed_size,
    present_sizes,
    present_undersize,
    reading_order,
    seen_on,
    survey_journals,
)
from halfthou.verdicts import Action, JournalCase, JournalVerdict, judge_journal

HALF_TENTH = Length(1_270)
Standing = dict[tuple[JournalSet, str, Waived | None], Decision]
Seen = dict[tuple[str, Look], Observation]


@dataclass(frozen=True, slots=True)
class JudgedJob:
    """A job judged, before it is put into words: the surveys, the decisions on its sets, and a person's."""

    job: Job
    say: Notation
    surveys: dict[str, JournalSurvey]
    decided: dict[JournalSet, SetVerdict]
    standing: Standing

    def headline(self, journal_set: JournalSet, unit: Unit) -> str:
        """The decision on a set in a few words, in any unit."""
        return headline(self.decided[journal_set], Notation.usual(unit))

    def accepted(self, journal_set: JournalSet) -> Decision | None:
        """A person's acceptance of a set, where it is still what the verdict says."""
        decision, verdict = self.standing.get((journal_set, "", None)), self.decided[journal_set]
        return decision if decision is not None and still_fits(decision, verdict) else None


def still_fits(decision: Decision, verdict: SetVerdict) -> bool:
    """Whether a decision is still about what the verdict says: an accepted one only while that is unchanged."""
    if decision.kind is not DecisionKind.ACCEPTED:
        return decision.kind is DecisionKind.OVERRIDDEN
    return decision.action == verdict.action.value and decision.undersize == verdict.undersize


def judge(job: Job) -> JudgedJob:
    """Walk through the rooms up to the decisions."""
    surveys = survey_journals(job)
    seen, standing, waived = seen_on(job), standing_decisions(job), waived_of(job)
    sizes = present_of_journals(job, surveys, seen)
    decided = {}
    for one in JournalSet:
        cases = {
            name: _case(job, surveys[name], sizes[name], seen, waived.get(name, frozenset()))
            for name in job.limits.journals(one)
        }
        decided[one] = overruled(_decide(job, one, cases, seen), standing.get((one, "", None)))
    return JudgedJob(job, notation_of(job), surveys, as_one_crank(decided), standing)


def assess(job: Job) -> Assessment:
    """Say everything the trade can say about a job so far.

    Takes:   the job as one document, with what people decided; nothing else is looked at.
    Gives:   the findings, actions, sizes, shells, clearances, reasons and doubts, in the job's unit.
    """
    return put_in_words(judge(job))


def put_in_words(judged: JudgedJob) -> Assessment:
    """The assessment of a job that is judged."""
    job, say, surveys, decided = judged.job, judged.say, judged.surveys, judged.decided
    layout = job.limits.layout
    journals = tuple(
        part_report(decided[set_of(name)], name, layout, job.plan_of(set_of(name)), say) for name in layout.shaft
    )
    doubts = tuple(doubt for answer in journals for doubt in doubts_of(answer))
    mains, rods = (
        set_report(decided[one], reading_order(job, one), say, judged.accepted(one)) for one in JournalSet
    )
    return Assessment(
        unit=say.unit,
        decimals=say.decimals,
        mains=mains,
        rods=rods,
        journals=journals,
        readings_taken=sum(len(survey.spots) - len(survey.unread) for survey in surveys.values()),
        readings_planned=sum(len(survey.spots) for survey in surveys.values()),
        doubts=doubts,
        waits_for=_waits_for(journals, decided),
        whole=is_whole(judged),
        decided=mains.decided and rods.decided,
    )


def open_budgets(job: Job, journal: str) -> tuple[BudgetShown, ...]:
    """The uncertainty budget of every figure of one journal, to be opened and read.

    Refuses: KeyError where the engine has no such journal.
    """
    judged = judge(job)
    return budgets_shown(judged.decided[set_of(journal)].case.verdicts[journal], judged.say)


def notation_of(job: Job) -> Notation:
    """The unit and decimals to show: no more than the gauges gave. Source: docs/trade: Showing sizes."""
    usual = Notation.usual(job.shown_in)
    used = {reading.gauge for reading in job.readings}
    fine = any(g.id in used and g.unit is Unit.INCH and g.resolution <= HALF_TENTH for g in job.gauges)
    return Notation(Unit.INCH, 5) if fine and job.shown_in is Unit.INCH else usual


def present_of_journals(job: Job, surveys: dict[str, JournalSurvey], seen: Seen) -> dict[str, PresentSize]:
    """The undersize that every journal stands at: by its readings, its grinds and what is claimed of its set."""
    found: dict[str, PresentSize] = {}
    operations = job.standing_operations
    for one in JournalSet:
        names = job.limits.journals(one)
        claim = _claim(seen, one)
        evidence = {}
        for name in names:
            ground = ground_to(operations, name)
            evidence[name] = Evidence(ground.undersize if ground else None, claim.depth if claim else None)
        read = {name: tuple(surveys[name].sizes.values()) for name in names}
        slack = {name: _slack(surveys[name]) for name in names if read[name]}
        found.update(present_sizes(job.limits.of(one), read, evidence, slack))
    return found


def _slack(survey: JournalSurvey) -> Length:
    """How much larger than true the readings of a journal may be: doubt, and warmth that nobody measured."""
    spot = next(iter(survey.sizes))
    return expanded(standard_doubt(survey.budget(spot))) + max(survey.rise(spot) for spot in survey.sizes)


def present_size(job: Job, journal_set: JournalSet, sizes: Sequence[Length]) -> Length:
    """The undersize a set stands at, for what a reading can be: by its readings, by its last grind, by a claim."""
    if not sizes:
        grinds = [ground_to(job.standing_operations, name) for name in job.limits.journals(journal_set)]
        said = agreed_size(g.undersize for g in grinds if g is not None and g.undersize is not None)
        claim = _claim(seen_on(job), journal_set)
        return said or (claim.depth if claim and claim.depth is not None else ZERO)
    used = {reading.gauge for reading in job.readings}
    doubt = max((expanded(size_doubt(gauge)) for gauge in job.gauges if gauge.id in used), default=ZERO)
    return present_undersize(job.limits.of(journal_set), sizes, doubt)


def _claim(seen: Seen, journal_set: JournalSet) -> Observation | None:
    return seen.get((journal_set.value, Look.CLAIMED_UNDERSIZE))


def _case(
    job: Job, survey: JournalSurvey, stands: PresentSize, seen: Seen, waived: frozenset[Waived]
) -> JournalCase:
    name = survey.journal
    about = {look: found for (on, look), found in seen.items() if on == "crank"}
    about.update({look: found for (on, look), found in seen.items() if on == name})
    shells = hardened = False
    for done in job.standing_operations if job.operations else ():
        if not touches(done, name):
            continue
        shells = shells or done.kind is OperationKind.NEW_SHELLS
        if done.kind in (OperationKind.GRIND, OperationKind.HEAT_TREAT):
            hardened = done.kind is OperationKind.HEAT_TREAT
    rods = 1 if name[0] == "M" else len(job.limits.layout.pins[int(name[1:]) - 1].cylinders)
    return JournalCase(
        survey=survey,
        limits=job.limits.of(survey.journal_set),
        house=job.house_rules,
        present=stands.undersize,
        seen=about,
        stands=stands,
        rods=rods,
        waived=waived,
        new_shells=shells,
        hardened_again=hardened,
    )


def _decide(job: Job, journal_set: JournalSet, cases: dict[str, JournalCase], seen: Seen) -> SetVerdict:
    verdicts: dict[str, JournalVerdict] = {name: judge_journal(case) for name, case in cases.items()}
    read = [case.present for case in cases.values() if case.survey.form is not None]
    present = agreed_size(read or [case.present for case in cases.values()]) or ZERO
    limits, house = job.limits.of(journal_set), job.house_rules
    return decide_set(SetCase(journal_set, limits, house, present, verdicts, _claim(seen, journal_set)))


def _waits_for(journals: tuple[PartReport, ...], decided: dict[JournalSet, SetVerdict]) -> str:
    if any(one.ended is not None or one.action is Action.REPLACE for one in decided.values()):
        return "a decision"
    to_read = sum(answer.left for answer in journals)
    spots = (s for a in journals for s in (*a.spots, *a.outside, *(s for part in a.bearing for s in part.spots)))
    if any(spot.doubt is not None and spot.doubt.holds for spot in spots):
        return "an answer at the bench"
    untouched = all(len(answer.to_read) == len(answer.spots) for answer in journals)
    if untouched:
        return "the first reading"
    if to_read:
        return f"{to_read} {'reading' if to_read == 1 else 'readings'}"
    if any(one.action is Action.REFER for one in decided.values()):
        return "somebody else's word"
    if any(one.action is Action.MEASURE or one.so_far for one in decided.values()):
        return "a closer look"
    if any(answer.housing_waits for answer in journals):
        return "a housing to be measured"
    return "a decision"


def is_whole(judged: JudgedJob) -> bool:
    """Whether nothing about the job is open (the exit code 0).

    Rule:    assess.whole: every figure is settled or waived, each that is beyond has an action that deals with it;
             nothing is unread, held, contradicted, outside the plan or waiting for somebody's word; the shells it
             needs can be bought.
    """
    return all(_settled(one) for one in judged.decided.values())


def _settled(decided: SetVerdict) -> bool:
    action = decided.action
    if action in (Action.MEASURE, Action.REFER) or decided.so_far:
        return False
    cracked = any(v.case.answer(Look.CRACK_TEST) == CRACK_FOUND for v in decided.case.verdicts.values())
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
