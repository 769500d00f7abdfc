"""The answer for one set, put together from its decision."""

from __future__ import annotations

from collections import defaultdict

from halfthou.engines import set_name
from halfthou.jobs import DIAMETER, Decision
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.journals.before_measuring import blind_to_a_turn, fitness_notes
from halfthou.parts.journals.clearance import finished_band, ground_band, refits_shells, shells_of
from halfthou.parts.journals.decide import SetVerdict
from halfthou.parts.journals.scale import scale_of, steps_shown
from halfthou.parts.journals.set_words import headline, set_reasons, would_change
from halfthou.report import SetReport, SpotAsked, ToOrder
from halfthou.verdicts import MARKS, Action
from halfthou.words import Reason, cautions_for, of_so_many, step_words


def journal_set_report(
    decided: SetVerdict, order: tuple[tuple[str, str], ...], say: Notation, accepted: Decision | None = None
) -> SetReport:
    """Everything said of one set, in the unit of the job.

    Takes:   the decision on it; the order of its spots; a person's acceptance that still fits it, if one stands.
    """
    steps = steps_shown(decided, say)
    grinding = decided.action is Action.REGRIND
    finished = finished_band(decided) if grinding else None
    ground = ground_band(decided) if grinding else None
    words = headline(decided, say)
    decision = accepted or decided.decision
    # Of a mixed crank nothing is referred for heat or cracks: what may come of it is grinding.
    mixed = decided.action is Action.REFER and decided.case.mixed and decided.choice is None
    return SetReport(
        set=decided.case.journal_set.value,
        kind="journal",
        station="crank",
        name=set_name(decided.case.journal_set),
        mark=MARKS[decided.mark],
        action=decided.action,
        headline=words,
        step=None if decided.undersize is None else say.shown(decided.undersize),
        present=say.shown(decided.case.present),
        present_words=step_words(decided.case.present, say),
        mixed=decided.case.mixed,
        sets_it=decided.called(decided.choice.sets_it) if decided.choice and grinding else None,
        complete=not decided.awaiting,
        finished=decided.finished,
        decided=decision is not None,
        ended=decided.ended is not None,
        awaiting=decided.awaiting,
        can_be_accepted=decided.action is not Action.MEASURE
        and not decided.held
        and (not decided.so_far or decided.action is Action.REPLACE),
        reasons=set_reasons(decided, say),
        would_change=would_change(decided, say),
        finished_band=f"{say.at_least(finished[0])} to {say.at_most(finished[1])}" if finished else None,
        rough_band=f"{say.at_least(ground[0])} to {say.at_most(ground[1])}" if ground else None,
        to_order=_shells(decided, say),
        steps=steps,
        scale=scale_of(decided, steps, say),
        reading_order=tuple(SpotAsked(journal, DIAMETER, spot) for journal, spot in order),
        notes=_notes(decided, say),
        cautions=cautions_for(Action.REGRIND if mixed else decided.action),
    )


def _notes(decided: SetVerdict, say: Notation) -> tuple[Reason, ...]:
    """What is said once for the set before measuring: how the gauges in use stand to its limits."""
    case = next(iter(decided.case.verdicts.values())).case
    used = {
        taken.setup.gauge.id for verdict in decided.case.verdicts.values() for taken in verdict.case.survey.taken
    }
    read = sum(bool(verdict.case.survey.taken) for verdict in decided.case.verdicts.values())
    return (*fitness_notes(case, frozenset(used), say), *blind_to_a_turn(case, frozenset(used), read))


def _shells(decided: SetVerdict, say: Notation) -> tuple[ToOrder, ...]:
    """Shells by undersize: a pair to each main, a pair to each rod, two on a pin that two rods share.

    Rule:    sets.shells-to-order, evidence.used-shells.   New shells for every journal that stays in the engine
             (common practice), those waived among them; nothing is ordered for a set that is not finished.
    """
    if not decided.finished:
        return ()
    journals: dict[Length, list[str]] = defaultdict(list)
    pairs: dict[Length, int] = defaultdict(int)
    for journal, verdict in decided.case.verdicts.items():
        undersize = shells_of(decided, journal)
        if undersize is not None and not refits_shells(decided, journal):
            journals[undersize].append(decided.called(journal))
            pairs[undersize] += verdict.case.rods
    found = []
    for undersize, names in sorted(journals.items(), key=lambda pair: pair[0].nm):
        shell = decided.case.limits.shell(undersize)
        found.append(
            ToOrder(
                words="standard" if undersize == ZERO else step_words(undersize, say),
                step=say.shown(undersize),
                part_number=shell.part_number if shell else "",
                count=pairs[undersize],
                what=of_so_many(pairs[undersize], "pair of shells", "pairs of shells"),
                parts=tuple(names),
                can_be_bought=shell is not None and shell.can_be_bought,
                ask_first=decided.action is Action.REGRIND,
            )
        )
    return tuple(found)
