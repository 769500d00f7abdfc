"""One bore against its limits: its findings, what it cleans up at, and what it would need by itself."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.gauges import Budget, combine, expanded, standard_doubt
from halfthou.jobs import Look, SourceKind, Waived
from halfthou.lengths import ZERO, Length
from halfthou.looks import Does
from halfthou.parts.bores.before_boring import DeckSays, deck_says
from halfthou.parts.bores.case import BoreCase
from halfthou.parts.bores.figures import angles_needed, bore_findings, greatest_size
from halfthou.parts.bores.form import UnlikeWear, unlike_wear
from halfthou.parts.bores.looks import RIDGE_FELT
from halfthou.parts.fit import MOST
from halfthou.surveys import Form
from halfthou.verdicts import (
    QUESTIONS,
    SIZE_OPEN,
    Action,
    Called,
    CleanUp,
    Contradiction,
    FigureKey,
    Finding,
    Open,
    Score,
    clean_up_size,
    twice,
    worst_state,
)

FINISHED = (FigureKey.FINISHED_LEAST, FigureKey.FINISHED_MOST)
#: What stays open also where a bore is bored: boring deals with all the rest.
OPEN_ANYWAY = SIZE_OPEN | {Open.REFERRED, Open.BEFORE_BORING, Open.UNSEEN}
_KEPT = (Action.REUSE, Action.HONE)


@dataclass(frozen=True, slots=True)
class BoreVerdict:
    """The verdict on one bore by itself, before its set is decided.

    `clean_up` and `usable` stand with the sign turned round, as of a shaft: `usable` has the hone stock and the
    doubt taken off. `unlike` is what does not look like wear.
    """

    case: BoreCase
    action: Action
    called: Called
    findings: tuple[Finding, ...]
    clean_up: CleanUp | None
    usable: CleanUp | None
    contradictions: tuple[Contradiction, ...]
    unlike: tuple[UnlikeWear, ...]
    opens: frozenset[Open]
    by_score: bool = False

    @property
    def needs_machining(self) -> bool:
        """Whether the bore cannot go back by itself without boring."""
        return self.action is Action.REBORE

    def finding(self, key: str) -> Finding | None:
        """One figure by its key; None where it could not be worked out."""
        return next((finding for finding in self.findings if finding.key == key), None)

    @property
    def size(self) -> Finding | None:
        """The finding on the greatest size."""
        return self.finding(FigureKey.SIZE)

    def open_where(self, action: Action) -> frozenset[Open]:
        """What stays open once this is done to the bore: boring deals with all that is not about its size."""
        if action in (Action.REBORE, Action.SLEEVE):
            return self.opens & OPEN_ANYWAY
        return frozenset({Open.UNREAD}) & self.opens if action is Action.REPLACE else self.opens


def keeps(action: Action) -> bool:
    """Whether a bore goes back at the size it has."""
    return action in _KEPT


def judge_bore(case: BoreCase) -> BoreVerdict:
    """Judge one bore by itself.

    Rule:    bores.*; a crack or a coating comes before any figure.
    """
    form = case.survey.form
    findings = () if form is None else bore_findings(case, form)
    clashing = tuple(c for name, survey in case.bore.features.items() for c in twice(_called(name), survey))
    unlike = unlike_wear(case)
    opens = frozenset(_opens(case, form, findings, clashing, unlike))
    if form is None:
        action = Action.REBORE if machined(case) else Action.MEASURE
        action = Action.REFER if case.eye.does(Does.REFERS) else action
        return BoreVerdict(case, action, Called.NOT_READ, (), None, None, clashing, unlike, opens)
    score = _score(case)
    clean_up = clean_up_size(-form.size_found, -case.reference, score)
    one, sure = expanded(greatest_size(case, form).doubt_nm), expanded(standard_doubt(_sure_budget(case, form)))
    usable = clean_up.allowing_for(case.limits.hone_stock(case.house), sure, one)
    called = worst_state(tuple(f for f in findings if f.key not in FINISHED))
    return BoreVerdict(
        case=case,
        action=_action(case, findings, opens),
        called=called if case.survey.whole or called is Called.BEYOND else Called.NOT_READ,
        findings=findings,
        clean_up=clean_up,
        usable=usable,
        contradictions=clashing,
        unlike=unlike,
        opens=opens,
        by_score=score is not None and clean_up != clean_up_size(-form.size_found, -case.reference),
    )


def _called(feature: str) -> str:
    return "" if feature == "diameter" else feature


def _sure_budget(case: BoreCase, form: Form) -> Budget:
    """The budget of the sure end: twice the greatest size, less the reading it counts from where it is one.

    Source:  docs/trade: Clean-up of a bore: the doubt counts the greatest twice.
    """
    parts = [(2.0, case.survey.budget(form.greatest.spots[0]))]
    below = case.near_original
    if below is not None and case.below is not None and case.reference == below[0]:
        parts.append((-1.0, case.below.budget(below[1])))
    elif case.reference == form.least.value:
        parts.append((-1.0, case.survey.budget(form.least.spots[0])))
    return combine(parts)


def _score(case: BoreCase) -> Score | None:
    seen = case.seen.get(Look.BORE_WALL)
    if seen is None or not machined(case) or seen.amount is None:
        return None
    there = case.survey.sizes.get(seen.spot) if seen.spot else None
    return Score(seen.amount, None if there is None else -there)


def machined(case: BoreCase) -> bool:
    """Whether a nail, rust or a scuff says of a bore that it is machined.

    Rule:    bores.surface.
    """
    return case.eye.does(Does.REMEDY, Action.REBORE)


def _opens(
    case: BoreCase,
    form: Form | None,
    findings: tuple[Finding, ...],
    clashing: tuple[Contradiction, ...],
    unlike: tuple[UnlikeWear, ...],
) -> Iterator[Open]:
    survey = case.survey
    if not (survey.whole and _below_read(case)) and Waived.READINGS not in case.waived:
        yield Open.UNREAD
    if any(found.held for found in case.bore.features.values()):
        yield Open.HELD
    if survey.outside:
        yield Open.OUTSIDE
    if clashing:
        yield Open.CONTRADICTED
    if machined(case) and case.seen[Look.BORE_WALL].amount is None:
        yield Open.SCORE_DEPTH
    if case.limits.size.source.kind is SourceKind.RULE_OF_THUMB:
        yield Open.THUMB
    if any(f.key == FigureKey.SMALLER for f in findings):
        yield Open.LARGER
    if unlike:
        yield Open.FORM
    if form is not None and survey.whole and form.angles < max(angles_needed(case), 4 if unlike else 0):
        yield Open.FOUR_ANGLES
    if case.loose or case.plate_unsaid:
        yield Open.STATE
    judged = [f for f in findings if f.key not in (*QUESTIONS, *FINISHED)]
    if any(f.called is Called.TOO_CLOSE for f in judged):
        yield Open.TOO_CLOSE
    if any(f.called is Called.BEYOND for f in findings if f.key in FINISHED):
        yield Open.MISSED
    yield from _opens_by_eye(case, findings)
    if clearance_read(case):
        found = case.fit.findings(case.house) if case.fit is not None else ()
        if any(one.called is Called.TOO_CLOSE for one in found):
            yield Open.PISTON
    elif Waived.CLEARANCE not in case.waived:
        yield Open.PISTON


def _opens_by_eye(case: BoreCase, findings: tuple[Finding, ...]) -> Iterator[Open]:
    """What is seen or to be seen, and what has no limit."""
    if case.eye.does(Does.REFERS) or (case.coated and machined(case)):
        yield Open.REFERRED
    deck = deck_says(case.seen.get(Look.DECK), case.limits)
    if case.eye.does(Does.HOLDS) or deck is DeckSays.OUT:
        yield Open.SEEN
    if case.unseen:
        yield Open.UNSEEN
    if case.without_limit or worn_unjudged(case, findings) or deck is DeckSays.NO_LIMIT:
        yield Open.NO_LIMIT


def worn_unjudged(case: BoreCase, findings: tuple[Finding, ...]) -> bool:
    """Whether it is larger than new and nothing says if it is worn too far.

    Rule:    verdicts.no-limit.
    """
    read = case.survey.form is not None
    return read and case.wear_unknown and not any(one.key == FigureKey.SIZE for one in findings)


def clearance_read(case: BoreCase) -> bool:
    """Whether the clearance of its own piston is measured: then it is judged, and no waiver covers it. A piston
    that is to blame is another's verdict.

    Rule:    sets.waived.
    """
    return case.fit is not None and len(case.fit.findings(case.house)) > 1


def _below_read(case: BoreCase) -> bool:
    """Whether it is read below ring travel, and above it where a ridge is felt."""
    ridge = case.answer(Look.RIDGE) == RIDGE_FELT
    return case.below is not None and (case.above is not None or not ridge)


#: What does not keep a bore from being called sound: its piston comes after it, and is never taken as known.
_BESIDE = frozenset({Open.PISTON, Open.UNREAD})


def _action(case: BoreCase, findings: tuple[Finding, ...], opens: frozenset[Open]) -> Action:
    if case.eye.does(Does.REFERS):
        return Action.REFER
    beyond = [f for f in findings if f.called is Called.BEYOND and f.key not in FINISHED]
    # Finished past the size on its card: no piston of that size fits it any more.
    past = any(f.key == FigureKey.FINISHED_MOST and f.called is Called.BEYOND for f in findings)
    if beyond or past or machined(case):
        return Action.REFER if case.coated else Action.REBORE
    if opens - _BESIDE or not case.survey.whole or Open.UNREAD in opens:
        return Action.MEASURE
    if case.eye.does(Does.REMEDY, Action.HONE) and not case.coated:
        return Action.HONE if hones_out(case, findings) else Action.MEASURE
    return Action.REUSE


def hones_out(case: BoreCase, findings: tuple[Finding, ...]) -> bool:
    """Whether the bore stays inside its limit by at least the guard band once a light hone is done: that of its
    size, else that of its piston's clearance."""
    of_piston = case.fit.findings(case.house) if case.fit is not None else ()
    size = next((one for one in (*findings, *of_piston) if one.key in (FigureKey.SIZE, MOST.key)), None)
    return size is not None and size.to_spare - case.house.light_hone >= size.guard


def depth_of_score(case: BoreCase) -> Length:
    """The radial depth of the deepest score that is written down; nothing where there is none."""
    seen = case.seen.get(Look.BORE_WALL)
    return seen.amount if seen is not None and seen.amount is not None else ZERO
