"""The one function that walks through the rooms in the order of the work."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from halfthou.answer import (
    Assessment,
    BudgetShown,
    JournalAnswer,
    budgets_shown,
    doubts_of,
    journal_answer,
    set_answer,
)
from halfthou.gauges import expanded, size_doubt
from halfthou.jobs import Job, JournalSet, Look, Observation, set_of
from halfthou.lengths import ZERO, Length, Notation, Unit
from halfthou.operations import ground_to
from halfthou.sets import SetCase, SetVerdict, decide_set, headline
from halfthou.surveys import JournalSurvey, present_undersize, reading_order, seen_on, survey_journals
from halfthou.verdicts import Action, JournalCase, State, judge_journal

HALF_TENTH = Length(1_270)


@dataclass(frozen=True, slots=True)
class Judged:
    """A job judged, before it is put into words: the surveys and the decisions on its sets."""

    job: Job
    say: Notation
    surveys: dict[str, JournalSurvey]
    decided: dict[JournalSet, SetVerdict]

    def headline(self, journal_set: JournalSet, unit: Unit) -> str:
        """The decision on a set in a few words, in any unit."""
        return headline(self.decided[journal_set], Notation.usual(unit))


def judge(job: Job) -> Judged:
    """Walk through the rooms up to the decisions."""
    say = notation_of(job)
    surveys = survey_journals(job)
    seen = seen_on(job)
    return Judged(job, say, surveys, {one: _decide(job, one, surveys, seen, say) for one in JournalSet})


def assess(job: Job) -> Assessment:
    """Say everything the trade can say about a job so far.

    Takes:   the job as one document; nothing else is looked at.
    Gives:   the findings, actions, sizes, shells, clearances, reasons and doubts, in the job's unit.
    """
    return put_in_words(judge(job))


def put_in_words(judged: Judged) -> Assessment:
    """The assessment of a job that is judged."""
    job, say, surveys, decided = judged.job, judged.say, judged.surveys, judged.decided
    layout = job.limits.layout
    journals = tuple(
        journal_answer(decided[set_of(name)], name, layout, job.plan_of(set_of(name)), say) for name in layout.shaft
    )
    doubts = tuple(doubt for answer in journals for doubt in doubts_of(answer))
    return Assessment(
        unit=say.unit,
        decimals=say.decimals,
        mains=set_answer(decided[JournalSet.MAINS], reading_order(job, JournalSet.MAINS), say),
        rods=set_answer(decided[JournalSet.RODS], reading_order(job, JournalSet.RODS), say),
        journals=journals,
        readings_taken=sum(len(survey.spots) - len(survey.unread) for survey in surveys.values()),
        readings_planned=sum(len(survey.spots) for survey in surveys.values()),
        doubts=doubts,
        waits_for=_waits_for(journals, decided),
        whole=_whole(journals, decided),
    )


def open_budgets(job: Job, journal: str) -> tuple[BudgetShown, ...]:
    """The uncertainty budget of every figure of one journal, to be opened and read.

    Refuses: KeyError where the engine has no such journal.
    """
    judged = judge(job)
    return budgets_shown(judged.decided[set_of(journal)].case.verdicts[journal], judged.say)


def notation_of(job: Job) -> Notation:
    """The unit and decimals to show: no more than the gauges gave. Source: handbook A4."""
    usual = Notation.usual(job.shown_in)
    used = {reading.gauge for reading in job.readings}
    fine = any(g.id in used and g.unit is Unit.INCH and g.resolution <= HALF_TENTH for g in job.gauges)
    return Notation(Unit.INCH, 5) if fine and job.shown_in is Unit.INCH else usual


def present_size(job: Job, journal_set: JournalSet, sizes: Iterable[Length]) -> Length:
    """The undersize a set stands at by its readings; before any, by its last grind, or by what is claimed."""
    read = tuple(sizes)
    if not read:
        ground = ground_to(job.operations, journal_set)
        if ground is not None and ground.undersize is not None:
            return ground.undersize
        claim = _claim(seen_on(job), journal_set)
        return claim.depth if claim and claim.depth is not None else ZERO
    used = {reading.gauge for reading in job.readings}
    doubt = max(expanded(size_doubt(gauge)) for gauge in job.gauges if gauge.id in used)
    return present_undersize(job.limits.of(journal_set), read, doubt)


def _claim(seen: dict[tuple[str, Look], Observation], journal_set: JournalSet) -> Observation | None:
    return seen.get((journal_set.value, Look.CLAIMED_UNDERSIZE))


def _decide(
    job: Job,
    journal_set: JournalSet,
    surveys: dict[str, JournalSurvey],
    seen: dict[tuple[str, Look], Observation],
    say: Notation,
) -> SetVerdict:
    limits, house = job.limits.of(journal_set), job.house_rules
    members = job.limits.journals(journal_set)
    present = present_size(job, journal_set, (size for name in members for size in surveys[name].sizes.values()))
    verdicts = {}
    for name in members:
        about = {look: found for (on, look), found in seen.items() if on in (name, "crank")}
        about.update({look: found for (on, look), found in seen.items() if on == name})
        verdicts[name] = judge_journal(JournalCase(surveys[name], limits, house, present, about))
    case = SetCase(journal_set, limits, house, present, verdicts, _claim(seen, journal_set))
    return decide_set(case, say)


def _waits_for(journals: tuple[JournalAnswer, ...], decided: dict[JournalSet, SetVerdict]) -> str:
    to_read = sum(answer.left for answer in journals)
    if any(spot.doubt is not None and spot.doubt.holds for answer in journals for spot in answer.spots):
        return "an answer at the bench"
    untouched = all(len(answer.to_read) == len(answer.spots) for answer in journals)
    if untouched:
        return "the first reading"
    if to_read:
        return f"{to_read} {'reading' if to_read == 1 else 'readings'}"
    if any(one.action is Action.REFER for one in decided.values()):
        return "somebody else's word"
    if any(one.action is Action.MEASURE for one in decided.values()):
        return "a closer look"
    return "a decision"


def _whole(journals: tuple[JournalAnswer, ...], decided: dict[JournalSet, SetVerdict]) -> bool:
    unread = any(answer.to_read for answer in journals)
    open_ends = any(one.action in (Action.MEASURE, Action.REFER) for one in decided.values())
    doubtful = any(answer.state is State.TOO_CLOSE and answer.action is not Action.REGRIND for answer in journals)
    return not (unread or open_ends or doubtful)
