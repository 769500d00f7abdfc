"""Oil clearance of each journal as it will be, in the shells that will be fitted."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.gauges import expanded, standard_doubt
from halfthou.jobs import Feature, Look, SourceKind, UsedShells
from halfthou.lengths import Length
from halfthou.looks import HALVES_SOUND
from halfthou.parts.journals.bearing import CROWN
from halfthou.parts.journals.decide import SetVerdict
from halfthou.parts.journals.limits import JournalLimits
from halfthou.parts.journals.verdict import JournalVerdict, keeps
from halfthou.surveys import PartSurvey
from halfthou.verdicts import Action, Called, FigureKey


@dataclass(frozen=True, slots=True)
class Clearance:
    """Diametral clearance, least and most, and how it stands to the sheet; None where the sheet gives no limit.

    `measured` says that the bearing it is taken from was read; `missing` what is not known, where nothing can be
    said.
    """

    least: Length
    most: Length
    called: Called | None
    measured: bool = False


def oil_clearance(limits: JournalLimits, journal: tuple[Length, Length], undersize: Length) -> Clearance | None:
    """The clearance of a journal in shells for an undersize, by the sheet: C = H - w_upper - w_lower - J.

    Takes:   limits whose housing bore and wall bands are for standard shells; the least and the greatest size
             the journal has or will have; the undersize of the shells, each wall of which is half of it thicker.
    Gives:   the least and the most clearance, or None where the sheet has no housing bore or wall.
    Rule:    sets.clearance.   Source: docs/trade: Measuring a bearing. Assumes caps torqued, crush not counted.
    """
    housing, wall = limits.housing_bore, limits.wall
    if housing is None or wall is None:
        return None
    return _between(
        limits, journal, (housing.least, housing.most), (wall.least * 2 + undersize, wall.most * 2 + undersize)
    )


def _between(
    limits: JournalLimits,
    journal: tuple[Length, Length],
    housing: tuple[Length, Length],
    walls: tuple[Length, Length],
    *,
    measured: bool = False,
) -> Clearance:
    least = housing[0] - walls[1] - journal[1]
    most = housing[1] - walls[0] - journal[0]
    return Clearance(least, most, _state(limits, least, most), measured)


def _state(limits: JournalLimits, least: Length, most: Length) -> Called | None:
    band = limits.clearance
    if band is None:
        return None
    service = limits.clearance_service
    upper = service.value if service else band.most
    thumbs = {band.source.kind, service.source.kind if service else band.source.kind}
    if SourceKind.RULE_OF_THUMB in thumbs:
        return Called.TOO_CLOSE
    if least >= band.least and most <= upper:
        return Called.WITHIN
    if most < band.least or least > upper:
        return Called.BEYOND
    return Called.TOO_CLOSE


def clearance_to_be(decided: SetVerdict, journal: str) -> Clearance | None:
    """The clearance a journal will have once the decision is carried out.

    By what was measured where it was: the housing at the crown where it is read, both walls where the shells now in
    it are those that will be fitted; the sheet's bands for the rest.
    Gives:   None where the sheet and the readings leave housing, walls, size or shells unknown, or two rods share
             the pin.
    Rule:    sets.clearance.
    """
    verdict = decided.case.verdicts[journal]
    sizes, shells = sizes_to_be(decided, journal), shells_of(decided, journal)
    if sizes is None or shells is None or (verdict.case.rods > 1 and not housing_is_read(verdict)):
        return None
    limits = decided.case.limits
    housing, walls = _housing(verdict), _walls(decided, journal, shells)
    if housing is None or walls is None:
        return None
    return _between(limits, sizes, housing, walls, measured=housing_is_read(verdict))


def housing_is_read(verdict: JournalVerdict) -> bool:
    """Whether every housing of the journal is read at the crown, each rod's of a shared pin."""
    case = verdict.case
    own = [
        one for one in case.own_bearings if any(s.size and s.spot in CROWN for s in one.spots(Feature.HOUSING_BORE))
    ]
    return bool(own) and (case.rods == 1 or len(own) == case.rods)


def _crown(verdict: JournalVerdict) -> list[tuple[Length, Length]]:
    """The housing at the crown as read: its least and most with doubt and warmth allowed for."""
    taken_with = verdict.case.survey.taken_with
    found = []
    states = [state for one in verdict.case.own_bearings for state in one.spots(Feature.HOUSING_BORE)]
    for state in states:
        size = state.size
        if state.spot in CROWN and size is not None:
            doubt = expanded(standard_doubt(taken_with.budget(state.counted)))
            rise = max(taken.setup.may_be_less(taken.size) for taken in state.counted)
            found.append((size - doubt - rise, size + doubt))
    return found


def _housing(verdict: JournalVerdict) -> tuple[Length, Length] | None:
    read = _crown(verdict)
    if housing_is_read(verdict):
        return min(low for low, _ in read), max(high for _, high in read)
    band = verdict.case.limits.housing_bore
    return None if band is None else (band.least, band.most)


def _walls(decided: SetVerdict, journal: str, shells: Length) -> tuple[Length, Length] | None:
    """Both walls together, of the shells that will be fitted."""
    verdict = decided.case.verdicts[journal]
    if verdict.case.new_shells and keeps(decided.action_of(journal)):
        pairs = [found for one in verdict.case.own_bearings if (found := _pair(verdict, one)) is not None]
        if len(pairs) == verdict.case.rods:
            return min(low for low, _ in pairs), max(high for _, high in pairs)
    wall = decided.case.limits.wall
    return None if wall is None else (wall.least * 2 + shells, wall.most * 2 + shells)


def _pair(verdict: JournalVerdict, bearing: PartSurvey) -> tuple[Length, Length] | None:
    """Both walls of one bearing together as read, with their doubt; None where one is not read."""
    taken_with = verdict.case.survey.taken_with
    read = [(s.size, s.counted) for s in bearing.spots(Feature.WALL) if s.size is not None]
    if len(read) != 2:
        return None
    doubt = expanded(sum(standard_doubt(taken_with.budget(counted)) for _, counted in read))
    both = read[0][0] + read[1][0]
    return both - doubt, both + doubt


def sizes_to_be(decided: SetVerdict, journal: str) -> tuple[Length, Length] | None:
    """The least and the greatest size a journal will have once the decision is carried out; None if unknown.

    What was read warm may yet shrink; that makes its least smaller. Nothing is clipped: a journal larger than new
    is as large as it was read.
    """
    action = decided.action_of(journal)
    if action is Action.REGRIND and decided.size_of(journal) is not None:
        return finished_band(decided, journal)
    survey = decided.case.verdicts[journal].case.survey
    if not keeps(action) or survey.form is None:
        return None
    form, allowance = survey.form, decided.case.house.polish_allowance
    least = form.size_found - survey.rise(form.least.spots[0])
    return (least - allowance if action is Action.POLISH else least), form.greatest.value


def shells_of(decided: SetVerdict, journal: str) -> Length | None:
    """The undersize of the shells a journal will get; None where that is not decided."""
    action = decided.action_of(journal)
    verdict = decided.case.verdicts[journal]
    if action is Action.REGRIND:
        return decided.size_of(journal)
    if not keeps(action):
        return None
    # What is used again takes the shells of the size it has, whatever size stands beside a person's word.
    if action is Action.FIT_UNDERSIZE and decided.decision is not None and decided.decision.step is not None:
        return decided.decision.step
    if action is Action.FIT_UNDERSIZE and verdict.polish_shell is not None:
        return verdict.case.present + verdict.polish_shell
    return verdict.case.present


def refits_shells(decided: SetVerdict, journal: str) -> bool:
    """Whether a journal's own half bearings go back: where the house refits, every half is sound by eye, the
    journal is reused, and the oil clearance is measured within. The eye alone accepts nothing.

    Rule:    evidence.used-shells.
    """
    verdict = decided.case.verdicts[journal]
    if decided.case.house.used_shells is not UsedShells.REFIT or decided.action_of(journal) is not Action.REUSE:
        return False
    measured = [verdict.finding(key) for key in (FigureKey.CLEARANCE_LEAST, FigureKey.CLEARANCE_MOST)]
    within = all(found is not None and found.called is Called.WITHIN for found in measured)
    return within and verdict.case.answer(Look.HALVES) == HALVES_SOUND


def finished_band(decided: SetVerdict, journal: str | None = None) -> tuple[Length, Length] | None:
    """The sizes a journal must have when it is finished, after polish: the new band less the undersize, capped
    where the worst that goes there cleans up. None while a size is open, or where the band would be of nothing.

    Takes:   a journal; without one, the size of the set, or that of the one journal that is ground.
    Rule:    sets.regrind.grinder-band.   Source: docs/trade: Choosing the size.
    """
    ground = decided.ground
    step = decided.undersize if journal is None else decided.size_of(journal)
    if journal is None and len(ground) == 1:
        step = next(iter(ground))
    if step is None or not decided.finished:
        return None
    size = decided.case.limits.size
    least, most = size.least - step, size.most - step
    usable = (decided.case.verdicts[name].usable for name in ground.get(step, ()))
    top = min((one.sure for one in usable if one is not None), default=most)
    top = min(most, top)
    return None if top <= least else (least, top)


def ground_band(decided: SetVerdict, journal: str | None = None) -> tuple[Length, Length] | None:
    """What to grind to, so that the polish brings it to its finished band."""
    band = finished_band(decided, journal)
    allowance = decided.case.house.polish_allowance
    return None if band is None else (band[0] + allowance, band[1] + allowance)


def clearance_is_settled(decided: SetVerdict, journal: str) -> bool:
    """Whether nothing speaks against the clearance a journal will have: what lies wholly outside the sheet does."""
    found = clearance_to_be(decided, journal)
    if found is not None and found.called is Called.BEYOND:
        return False
    verdict = decided.case.verdicts[journal]
    measured = (verdict.finding(FigureKey.CLEARANCE_LEAST), verdict.finding(FigureKey.CLEARANCE_MOST))
    kept = keeps(decided.action_of(journal))
    return not (kept and any(f is not None and f.called is not Called.WITHIN for f in measured))


def missing_shells(decided: SetVerdict) -> tuple[Length, ...]:
    """The undersizes of shells that the decision needs and that cannot be bought."""
    can = {shell.size for shell in decided.case.limits.shells if shell.can_be_bought}
    needed = {size for name in decided.case.verdicts if (size := shells_of(decided, name)) is not None}
    return tuple(sorted(needed - can, key=lambda size: size.nm))
