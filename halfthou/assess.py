"""The one function that walks through the rooms in the order of the work."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass, replace

from halfthou.amounts import Quantity
from halfthou.door import faults_at_the_door
from halfthou.engines import Engine, described
from halfthou.engines import not_judged as not_judged_of
from halfthou.evidence import EvidenceStanding, FigureCalled, Sightings, faults_of_evidence
from halfthou.first_look import faults_of_looks
from halfthou.jobs import FACT_KINDS, Chapter, Decision, DecisionKind, Job, Waived
from halfthou.lengths import Length, Notation, Unit
from halfthou.memo import Memo
from halfthou.narrowed import found_out_of_scope, narrowed_notices
from halfthou.parts import CATALOGUE, Catalogue, Given, SetDecided, Trade, faults_of_job
from halfthou.report import (
    DECISION,
    NO_CAUSE,
    Assessment,
    BudgetShown,
    CauseBrief,
    OpenAtGate,
    PartReport,
    SetReport,
    budgets_shown,
    doubts_of,
    stations_of,
    work_first,
)
from halfthou.sets import Reopened, waived_of, words_of
from halfthou.strip import BeforeBench, before_bench, caps_seen, faults_of_strip
from halfthou.surveys import SeenBy, found_before_work, seen_on, survey_parts
from halfthou.verdicts import USED_AGAIN, Action, Called, twice
from halfthou.words import Reason, not_judged

HALF_TENTH = Length(1_270)


@dataclass(frozen=True, slots=True)
class JudgedJob:
    """A job judged, before it is put into words: what it was judged by, and what each set came to."""

    given: Given
    catalogue: Catalogue
    decided: Mapping[str, SetDecided]

    @property
    def job(self) -> Job:
        """The job."""
        return self.given.job

    @property
    def engine(self) -> Engine:
        """Its engine's parts."""
        return self.given.engine

    def trade(self, one: str) -> Trade:
        """The judgement that decided a set."""
        return self.catalogue.trade_of_set(one, self.engine)

    def headline(self, one: str, unit: Unit) -> str:
        """The decision on a set in a few words, in any unit."""
        return self.trade(one).headline(self.decided[one], Notation.usual(unit))

    def accepted(self, one: str) -> Decision | None:
        """A person's acceptance of a set, where it is still what the verdict says."""
        decision = self.given.overruling(one)
        return decision if decision is not None and still_fits(decision, self.decided[one]) else None


def still_fits(decision: Decision, decided: SetDecided) -> bool:
    """Whether a decision is still about what the verdict says: an accepted one only while that is unchanged."""
    if decision.kind is not DecisionKind.ACCEPTED:
        return decision.kind is DecisionKind.OVERRIDDEN
    return decision.action == decided.action.value and decision.step == decided.step


def judge(job: Job, memo: Memo | None = None, catalogue: Catalogue = CATALOGUE) -> JudgedJob:
    """Walk through the rooms up to the decisions: each kind of part after those it rests on."""
    engine = catalogue.engine_of(job)
    memo = memo or Memo()
    seen = _seen(job, engine)
    words = words_of(job, engine, seen)
    given = Given(
        job=job,
        engine=engine,
        say=notation_of(job),
        surveys=survey_parts(job, engine, memo),
        seen=seen,
        overtaken=found_before_work(job, engine),
        standing=words.standing,
        reopened=words.reopened,
        waived=waived_of(words.standing),
        before={},
        memo=memo,
    )
    judged = _decided(given, catalogue)
    late = tuple(_read_since(judged))
    if not late:
        return judged
    opened = {one.decision.id for one in late}
    standing = {key: word for key, word in given.standing.items() if word.id not in opened}
    return _decided(replace(given, standing=standing, reopened=(*given.reopened, *late)), catalogue)


def _decided(given: Given, catalogue: Catalogue) -> JudgedJob:
    decided: dict[str, SetDecided] = {}
    for trade in catalogue.trades:
        decided.update(trade.decide(replace(given, before=decided)))
    return JudgedJob(replace(given, before=decided), catalogue, decided)


def _read_since(judged: JudgedJob) -> Iterator[Reopened]:
    """The decisions to use parts again that a figure beyond its limit, or a reading that contradicts another, taken
    after them, opens again.

    Rule:    sets.word-covers.
    """
    job, engine = judged.job, judged.engine
    for (one, part, _), word in judged.given.standing.items():
        uses = word.kind is DecisionKind.OVERRIDDEN and word.action in USED_AGAIN
        if part or not uses or one not in judged.decided:
            continue
        for member in engine.of_set(one):
            read = (r.at for r in job.readings if r.part == member and r.id not in job.taken_back)
            if max(read, default=word.at) > word.at:
                found = judged.trade(one).findings(judged.decided[one], member)
                beyond = [f.name for f in found if f.called is Called.BEYOND]
                features = judged.given.surveys[member].features
                if beyond:
                    yield Reopened(word, f"{', '.join(beyond)} beyond", member)
                elif any(
                    max(one.at for one in clash.readings) > word.at
                    for name, survey in features.items()
                    for clash in twice(name, survey)
                ):
                    yield Reopened(word, "readings contradict", member)


def _seen(job: Job, engine: Engine) -> SeenBy:
    """What was seen, by part and look; what marks and joints say stands until the mark is taken back."""
    return {**seen_on(job, engine), **caps_seen(job)}


def assess(job: Job, memo: Memo | None = None, catalogue: Catalogue = CATALOGUE) -> Assessment:
    """Say everything the trade can say about a job so far.

    Takes:   the job as one document, with what people decided; nothing else is looked at. A memo of the same job
             spares what has not changed since: what comes out is the same without it.
    Gives:   the findings, actions, sizes, what to order, clearances, reasons and doubts, in the job's unit.
    """
    return put_in_words(judge(job, memo, catalogue))


def _set_report(judged: JudgedJob, one: str) -> SetReport:
    """Everything said of a set: what its kind says, and once what could be read and has no limit.

    Rule:    verdicts.no-limit.
    """
    given, trade = judged.given, judged.trade(one)
    found = trade.set_report(judged.decided[one], one, given, judged.accepted(one))
    names = tuple(feature.name for feature in trade.kind.not_judged(given.job.limits.sets[one]))
    return found.model_copy(update={"not_judged": not_judged(names)})


def put_in_words(judged: JudgedJob) -> Assessment:
    """The assessment of a job that is judged."""
    given, decided, say = judged.given, judged.decided, judged.given.say
    parts = _part_reports(judged)
    sets = tuple(_set_report(judged, one) for one in decided)
    taken, planned = _readings(parts)
    before = _before_bench(given)
    waits_for = before.first or _waits_for(parts, decided)
    wide = parts_with_narrowed(judged, parts)
    evidence = evidence_of(judged, wide)
    told = None if evidence is None else evidence.told()
    notices = () if told is None else told.notices
    outside = found_out_of_scope(given.job, wide)
    return Assessment(
        unit=say.unit,
        decimals=say.decimals,
        stations=stations_of(parts, sets, judged.catalogue),
        sets=sets,
        parts=parts,
        readings_taken=taken,
        readings_planned=planned,
        doubts=tuple(doubt for part in parts for doubt in given.memo.of(("doubts", part.id), doubts_of, part)),
        waits_for=before.last or waits_for if waits_for == DECISION else waits_for,
        cause=_with(NO_CAUSE if told is None else told.brief, outside),
        whole=is_whole(judged) and not outside,
        decided=all(one.decided for one in sets),
        work=tuple(work_first(sets)),
        notices=(
            *before.notices,
            *_not_judged_yet(given.job),
            *_reopened(given),
            *notices,
            *narrowed_notices(given.job, outside),
        ),
    )


def parts_with_narrowed(judged: JudgedJob, parts: tuple[PartReport, ...]) -> tuple[PartReport, ...]:
    """The parts as reported, with those the scope was narrowed by: what was found of them is evidence still."""
    if not judged.job.narrowed_by:
        return parts
    return _part_reports(judge(judged.job.model_copy(update={"narrowings": ()}), None, judged.catalogue))


def _not_judged_yet(job: Job) -> Iterator[Reason]:
    """What of the engine is described and not judged yet, and who judges it."""
    for text in not_judged_of(described(job.limits.layout)):
        yield Reason(rule="engine.not-judged", text=text)


def _with(brief: CauseBrief, outside: tuple[OpenAtGate, ...]) -> CauseBrief:
    """The cause in a few words, with what else signing wants words for."""
    if not outside:
        return brief
    words = " ".join((brief.words, *(one.words for one in outside))).strip()
    return brief.model_copy(update={"open": True, "items": (*brief.items, *outside), "words": words})


def _reopened(given: Given) -> Iterator[Reason]:
    """What people decided before something was found that they did not know."""
    for decision, found, on in given.reopened:
        about, where = (given.engine.named(one) for one in (decision.part or decision.set, on))
        what = "waived" if decision.kind is DecisionKind.WAIVED else "decided"
        text = f"{about}: {what} by {decision.by} before “{found}” was found at {where}. Decide again."
        yield Reason(rule="sets.word-covers", text=text)


def evidence_of(judged: JudgedJob, parts: tuple[PartReport, ...]) -> EvidenceStanding | None:
    """How the evidence of a job stands; None where nothing was said or seen that a cause could rest on.

    Takes:   the job judged, and its parts as reported: what the gauge found on the engine as it came is evidence.
    """
    job = judged.job
    of_evidence = (held.of(job) for held in FACT_KINDS.values() if held.kind.chapter is Chapter.EVIDENCE)
    sightings = Sightings(job, judged.engine)
    if not job.statements and not any(of_evidence) and not sightings.begun:
        return None
    if not sightings.worked:
        return EvidenceStanding(job, judged.engine, _figures(parts), judged.given.memo)
    as_it_came = job.model_copy(
        update={
            "readings": tuple(one for one in job.readings if sightings.as_it_came(one.part, one.at)),
            "seen": tuple(one for one in job.seen if sightings.as_it_came(one.on, one.at)),
            "operations": (),
            "fittings": (),
            "pieces": (),
            "decisions": (),
            "narrowings": (),
        }
    )
    figures = judged.given.memo.of_what_is_read("as it came", _figures_before, as_it_came, judged.catalogue)
    return EvidenceStanding(job, judged.engine, figures, judged.given.memo)


def _figures_before(job: Job, catalogue: Catalogue) -> tuple[FigureCalled, ...]:
    """What was measured before any work was done: work does not change what failed."""
    return _figures(_part_reports(judge(job, None, catalogue)))


def _figures(parts: tuple[PartReport, ...]) -> tuple[FigureCalled, ...]:
    """The judged figures of what came in the engine; of a part still to be read, that none is known."""
    return tuple(one for part in parts if not part.spare for one in _figures_of(part))


def _figures_of(part: PartReport) -> Iterator[FigureCalled]:
    whole = not part.to_read and not part.left
    if not part.figures and not whole:
        yield FigureCalled(part.id, part.kind, "", None, False)
    for figure in part.figures:
        past = (figure.limit_nm - figure.value.nm) * (1 if figure.limit_is_least else -1)
        yield FigureCalled(part.id, part.kind, figure.key, figure.called, whole, past, figure.value.nm)


def evidence_standing(job: Job, memo: Memo | None = None, catalogue: Catalogue = CATALOGUE) -> EvidenceStanding:
    """The evidence of a job as a whole, for the board and the report, also where nothing was said yet."""
    judged = judge(job, memo, catalogue)
    found = evidence_of(judged, parts_with_narrowed(judged, _part_reports(judged)))
    return found or EvidenceStanding(job, judged.engine, (), judged.given.memo)


def _part_reports(judged: JudgedJob) -> tuple[PartReport, ...]:
    decided, given = judged.decided, judged.given
    return tuple(
        judged.trade(part.set).part_report(decided[part.set], part.id, given)
        for part in given.engine.parts.values()
        if part.set in decided and not part.beside
    )


def _before_bench(given: Given) -> BeforeBench:
    """What door, looks and strip say; as before where none of what it is worked out from has changed."""
    return given.memo.of_what_is_read("before the bench", before_bench, given.job, given.say)


def faults_in(job: Job) -> tuple[str, ...]:
    """Everything in a job that its engine, its door or its strip list does not know; nothing where it hangs
    together."""
    return (
        *faults_of_job(job, CATALOGUE),
        *faults_at_the_door(job),
        *faults_of_looks(job),
        *faults_of_strip(job),
        *faults_of_evidence(job),
    )


def _readings(parts: tuple[PartReport, ...]) -> tuple[int, int]:
    """How many of the readings that are planned are taken, and how many are planned.

    Of a loose piece what is planned follows from its limits; one that lies in no place need not be read.
    """
    taken = planned = 0
    for part in parts:
        if part.out:
            continue
        loose = bool(part.place)
        spots = [spot for feature in part.features if feature.planned or loose for spot in feature.spots]
        read = sum(spot.current is not None for spot in spots)
        taken += read
        planned += read + len(part.to_read) if loose else len(spots)
    return taken, planned


def open_budgets(job: Job, part: str) -> tuple[BudgetShown, ...]:
    """The uncertainty budget of every figure of one part, to be opened and read.

    Refuses: KeyError where the job has no such part in scope.
    """
    judged = judge(job)
    known = judged.engine.parts[part]
    findings = judged.trade(known.set).findings(judged.decided[known.set], part)
    taken = [one for survey in judged.given.surveys[part].features.values() for one in survey.taken]
    return budgets_shown(findings, taken, job.house_rules.guard, judged.given.say)


def notation_of(job: Job) -> Notation:
    """The unit and decimals to show: no more than the gauges gave. Source: docs/trade: Showing sizes."""
    usual = Notation.usual(job.shown_in)
    lengths = (g for g in job.gauges if g.quantity is Quantity.LENGTH and g.id in job.gauges_used)
    fine = any(g.unit is Unit.INCH and g.resolution <= HALF_TENTH for g in lengths)
    return Notation(Unit.INCH, 5) if fine and job.shown_in is Unit.INCH else usual


def _waits_for(parts: tuple[PartReport, ...], decided: Mapping[str, SetDecided]) -> str:
    if any(one.ends for one in decided.values()):
        return DECISION
    to_read = sum(part.left for part in parts)
    spots = (spot for part in parts for feature in part.features for spot in (*feature.spots, *feature.outside))
    if any(spot.doubt is not None and spot.doubt.holds for spot in spots):
        return "an answer at the bench"
    if to_read and all(_untouched(part) for part in parts if not part.out):
        return "the first reading"
    if to_read:
        return f"{to_read} {'reading' if to_read == 1 else 'readings'}"
    if any(one.action is Action.REFER for one in decided.values()):
        return "somebody else's word"
    if any(one.action is Action.MEASURE or one.so_far for one in decided.values()):
        return "a closer look"
    for waits, words in _WAITS:
        if any(waits in part.waits for part in parts):
            return words
    return DECISION


def _untouched(part: PartReport) -> bool:
    """Whether nothing that is planned of a part is read."""
    if part.place:
        return all(spot.current is None for feature in part.features for spot in feature.spots)
    return len(part.to_read) == sum(len(feature.spots) for feature in part.features if feature.planned)


#: What a part waits for that a person may waive, in words.
_WAITS = (
    (Waived.HOUSING, "a housing to be measured"),
    (Waived.CLEARANCE, "pistons to be measured"),
)


def is_whole(judged: JudgedJob) -> bool:
    """Whether nothing about the job is open (the exit code 0).

    Rule:    assess.whole.
    """
    return all(judged.trade(one).settled(verdict) for one, verdict in judged.decided.items())
