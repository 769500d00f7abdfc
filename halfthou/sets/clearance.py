"""Oil clearance of each journal as it will be, by subtraction from the sheet's housing and wall bands."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.jobs import JournalLimits
from halfthou.lengths import Length
from halfthou.sets.decide import SetVerdict
from halfthou.verdicts import Action, State


@dataclass(frozen=True, slots=True)
class Clearance:
    """Diametral clearance, least and most, and how it stands to the sheet; None where the sheet gives no limit."""

    least: Length
    most: Length
    state: State | None


def oil_clearance(limits: JournalLimits, journal: tuple[Length, Length], undersize: Length) -> Clearance | None:
    """The clearance of a journal in shells for an undersize: C = H - w_upper - w_lower - J.

    Takes:   limits whose housing bore and wall bands are for standard shells; the least and the greatest size
             the journal has or will have; the undersize of the shells, each wall of which is half of it thicker.
    Gives:   the least and the most clearance, or None where the sheet has no housing bore or wall.
    Rule:    sets.clearance.   Source: handbook E1. Assumes caps torqued, crush not counted.
    """
    housing, wall = limits.housing_bore, limits.wall
    if housing is None or wall is None:
        return None
    least = housing.least - wall.most * 2 - undersize - journal[1]
    most = housing.most - wall.least * 2 - undersize - journal[0]
    return Clearance(least, most, _state(limits, least, most))


def _state(limits: JournalLimits, least: Length, most: Length) -> State | None:
    band = limits.clearance
    if band is None:
        return None
    upper = limits.clearance_service.value if limits.clearance_service else band.most
    if least >= band.least and most <= upper:
        return State.WITHIN
    if most < band.least or least > upper:
        return State.BEYOND
    return State.TOO_CLOSE


def sizes_to_be(decided: SetVerdict, journal: str) -> tuple[Length, Length] | None:
    """The least and the greatest size a journal will have once the decision is carried out; None if unknown."""
    limits = decided.case.limits
    action = decided.action_of(journal)
    if action is Action.REGRIND and decided.undersize is not None:
        return grinder_band(decided)
    survey = decided.case.verdicts[journal].case.survey
    if action not in (Action.REUSE, Action.POLISH, Action.FIT_UNDERSIZE) or survey.form is None:
        return None
    form, allowance = survey.form, decided.case.house.polish_allowance
    least = form.size_found - allowance if action is Action.POLISH else form.size_found
    return least, min(form.greatest.value, limits.size.most - decided.case.present + allowance)


def shells_of(decided: SetVerdict, journal: str) -> Length | None:
    """The undersize of the shells a journal will get; None where that is not decided."""
    action = decided.action_of(journal)
    if action is Action.REGRIND:
        return decided.undersize
    if action is Action.FIT_UNDERSIZE:
        shell = decided.case.verdicts[journal].polish_shell
        return None if shell is None else decided.case.present + shell
    return decided.case.present if action in (Action.REUSE, Action.POLISH) else None


def grinder_band(decided: SetVerdict) -> tuple[Length, Length] | None:
    """The sizes the grinder must hit: the new band less the undersize, capped where the worst cleans up.

    Rule:    sets.regrind.grinder-band.   Source: handbook D8 (a tight journal makes it only in the lower part).
    """
    if decided.undersize is None or decided.choice is None:
        return None
    size = decided.case.limits.size
    least, most = size.least - decided.undersize, size.most - decided.undersize
    sure = min(v.usable.sure for v in decided.case.verdicts.values() if v.usable is not None)
    return least, max(least, min(most, sure))
