"""One oil pump against its limits: the eye may reject it at once, only figures accept it."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime

from halfthou.amounts import Force, Pressure
from halfthou.jobs import PumpAfterMetal
from halfthou.lengths import ZERO
from halfthou.looks import Does
from halfthou.parts.pieces import Figures, Note, PieceCase, PieceJudged, PieceVerdict, eye_says, remedy_of
from halfthou.parts.pump import kind as pump
from halfthou.parts.pump.kind import pump_kind
from halfthou.parts.pump.leak import leak_litres, leak_ratio, opening_pressure, spur_displacement_mm3
from halfthou.parts.pump.seal import NEAR, series_of, squeeze
from halfthou.verdicts import Action, Called, FigureKind, Finding, Open, Term

_CLEARANCE, _SIZE = "pump.clearance", "pump.size"
_RELIEF_KEYS = ("plunger", "spring", "load", "opens")

REGARDLESS = "new regardless"


def by_house_rule(verdict: PieceVerdict) -> bool:
    """Whether a pump that looked sound is replaced because metal went through it, by the rule of the house."""
    return any(note.key == REGARDLESS for note in verdict.judged.notes)


def judge_pump(case: PieceCase, failed: datetime | None, opened: datetime | None) -> PieceJudged:
    """Judge one pump.

    Takes:   when it was found, last, that a bearing failed: then the pump that fed it is suspect; when the pump was
             last opened and washed.
    Rule:    pump.*   Source: docs/trade: Measuring an oil pump.
    """
    by_eye, notes = eye_says(case), tuple[Note, ...]()
    since = _suspect_since(case, failed)
    if by_eye is None and since is not None and case.house.pump_after_metal is PumpAfterMetal.NEW:
        by_eye, notes = Action.REPLACE, (Note(REGARDLESS),)
    figures, gone = Figures(case), gears_go(case)
    findings = (*_lengths(case, figures), *_amounts(figures))
    if gone:
        findings = tuple(one for one in findings if not one.key.startswith(_OF_GEARS))
    notes = (*notes, *_advice(case, figures, findings))
    opens = set()
    cleared = since is not None and opened is not None and opened > since and _proven(case, findings)
    if since is not None and by_eye is None:
        notes = (*notes, Note("cleared" if cleared else "suspect"))
        opens |= set() if cleared else {Open.SUSPECT}
    for note in _unsaid(case, figures, findings):
        notes, opens = (*notes, note), {*opens, Open.NO_LIMIT}
    return PieceJudged(
        findings=findings,
        notes=notes,
        by_eye=by_eye,
        by_look=remedy_of(case),
        remedies={one.key: remedy(one.key) for one in findings},
        wanted=(pump.DEPTH,) if gone else tuple(_wanted(case)),
        opens=frozenset(opens),
    )


#: What is read of the gears or rotors themselves: gone with them.
_OF_GEARS = (pump.END, pump.TIP, pump.BACKLASH, pump.ROTOR_TIP, pump.ROTOR_BODY, pump.VANE_SLOT)


def gears_go(case: PieceCase) -> bool:
    """Whether its gears are renewed and the rest of it is kept.

    Rule:    pump.new-gears.
    """
    return "pump.new-gears" in case.eye.rules(Does.REMEDY)


def _suspect_since(case: PieceCase, failed: datetime | None) -> datetime | None:
    """When what makes a pump suspect was found, last; None where nothing does. What a spare fed before tells its
    own looks.

    Rule:    pump.suspect.
    """
    found = [one.seen.at for one in case.eye.that(Does.SUSPECTS)]
    if failed is not None and case.placed and not case.piece.part.spare:
        found.append(failed)
    return max(found, default=None)


def _proven(case: PieceCase, findings: tuple[Finding, ...]) -> bool:
    """Whether everything that every such pump is judged by is read and within."""
    within = all(one.called is Called.WITHIN for one in findings)
    needed = pump.NEEDED.get(pump_kind(case.limits), ())
    return within and all(any(one.key.startswith(key) for one in findings) for key in needed)


def remedy(key: str) -> Action:
    """What becomes of a pump of which one figure is beyond: a cover is lapped, relief parts are renewed."""
    if key in ("cover wear", "cover flatness"):
        return Action.LAP
    if key.startswith(_RELIEF_KEYS):
        return Action.NEW_PARTS
    return Action.REPLACE


def features_of(case: PieceCase) -> tuple[str, ...]:
    """What is read of this kind of pump, in the order of its kind; what belongs to another kind is left out."""
    return tuple(key for key in case.kind.by_key if case.kind.has(case.limits, key))


#: Read for the end clearance, one way or the other; a new seal is read where one is at hand.
_ONE_WAY = (pump.END, pump.DEPTH, pump.HEIGHT, pump.NEW_SEAL)


def _wanted(case: PieceCase) -> Iterator[str]:
    """The features that have a limit on the sheet, and those that every such pump is judged by; end clearance by
    feeler, or by depth and height."""
    by_depth = case.read(pump.DEPTH) is not None or case.read(pump.HEIGHT) is not None
    yield from (pump.DEPTH, pump.HEIGHT) if by_depth and case.read(pump.END) is None else (pump.END,)
    for key in features_of(case):
        if key not in _ONE_WAY and pump.LIMIT_OF[key] in case.limits.figures:
            yield key


def _clear(key: str) -> FigureKind:
    return FigureKind(key, _CLEARANCE, key, difference=False)


#: Clearances that are judged as they are read, and what each is called.
_AS_READ = {
    pump.TIP: "gear tips to body",
    pump.BACKLASH: pump.BACKLASH,
    pump.ROTOR_TIP: "rotor tip",
    pump.VANE_SLOT: pump.VANE_SLOT,
    pump.COVER: pump.COVER,
    pump.FLATNESS: "cover flatness",
}


def _lengths(case: PieceCase, figures: Figures) -> Iterator[Finding]:
    most, least = figures.most, figures.least
    ours = features_of(case)
    yield from _end(case, figures)
    for key, name in _AS_READ.items():
        if key in ours:
            kind = FigureKind(key, _CLEARANCE, name, difference=False)
            yield from figures.against(kind, pump.LIMIT_OF[key], (most(key),))
            if key not in (pump.COVER, pump.FLATNESS):
                yield from figures.clear(kind, (least(key),))
    if pump.ROTOR_BODY in ours:
        yield from _floating(case, figures)
    shaft = _clear("shaft in its bore")
    yield from figures.against(shaft, "shaft_clearance", (most(pump.SHAFT_BORE), least(pump.SHAFT, -1)))
    yield from figures.clear(shaft, (least(pump.SHAFT_BORE), most(pump.SHAFT, -1)))
    plunger = FigureKind("plunger in its bore", _CLEARANCE, "relief plunger in its bore", difference=False)
    yield from figures.against(plunger, "plunger_clearance", (most(pump.PLUNGER_BORE), least(pump.PLUNGER, -1)))
    yield from figures.clear(plunger, (least(pump.PLUNGER_BORE), most(pump.PLUNGER, -1)))
    spring = FigureKind("spring length", _SIZE, "spring, free length", difference=False)
    yield from figures.against(spring, "spring_length", (most(pump.SPRING),))
    yield from figures.against(
        FigureKind(pump.PICKUP, _SIZE, pump.PICKUP, difference=False), "pickup_depth", (most(pump.PICKUP),)
    )
    seal = pump.NEW_SEAL if case.read(pump.NEW_SEAL) is not None else pump.SEAL
    yield from figures.against(
        FigureKind(pump.SEAL, "pump.seal", seal, difference=False), "seal_section", (most(seal),)
    )


def _floating(case: PieceCase, figures: Figures) -> Iterator[Finding]:
    """The outer rotor in its body. Pushed over, one side shows all of its play; radially it has half. Where the
    sheet does not say which of the two it limits, it is judged where both come to the same, else not at all.

    Rule:    pump.floating.   Source: docs/trade: Measuring an oil pump; geometry.
    """
    key, said = pump.ROTOR_BODY, case.limits.made.get("rotor limit")
    play, radial = (
        tuple(figures.against(kind, pump.LIMIT_OF[key], (figures.most(key, factor),)))
        for factor, kind in (
            (1.0, FigureKind(key, "pump.floating", "outer rotor to body, at one side", difference=False)),
            (0.5, FigureKind(key, "pump.floating", "outer rotor to body, radial", difference=False)),
        )
    )
    if said == pump.RADIAL or _is(Called.BEYOND, radial):
        yield from radial
    elif said == pump.AT_ONE_SIDE or _is(Called.WITHIN, play):
        yield from play
    yield from figures.clear(FigureKind(key, "pump.floating", key, difference=False), (figures.least(key),))


def _unsaid(case: PieceCase, figures: Figures, findings: tuple[Finding, ...]) -> Iterator[Note]:
    """The outer rotor's limit, where how it is given would decide and the sheet does not say."""
    key = pump.ROTOR_BODY
    read, limit = figures.most(key), case.limits.figure(pump.LIMIT_OF[key])
    if (
        key in features_of(case)
        and read is not None
        and limit is not None
        and not any(f.key == key for f in findings)
    ):
        yield Note("rotor limit", (read.survey.sizes[read.spot], limit.value))


def _is(called: Called, findings: tuple[Finding, ...]) -> bool:
    return any(one.called is called for one in findings)


def _end(case: PieceCase, figures: Figures) -> Iterator[Finding]:
    """End clearance: by straightedge and feeler, or depth less height; the gasket added where one is fitted.

    Rule:    pump.end.   Source: docs/trade: Measuring an oil pump.
    """
    sheet, by_feeler = case.limits.figure("gasket"), case.read(pump.END) is not None
    gasket = sheet.value if sheet is not None else ZERO
    high: tuple[Term | None, ...] = (figures.most(pump.DEPTH), figures.least(pump.HEIGHT, -1))
    low: tuple[Term | None, ...] = (figures.least(pump.DEPTH), figures.most(pump.HEIGHT, -1))
    if by_feeler:
        high, low = (figures.most(pump.END),), (figures.least(pump.END),)
    kind = FigureKind(pump.END, "pump.end", pump.END, difference=False)
    yield from figures.against(kind, "end_clearance", high, more=gasket)
    yield from figures.clear(kind, low, gasket, case.limits.band("end_new"))


def _amounts(figures: Figures) -> Iterator[Finding]:
    for key, rule, name, feature, limit in (
        ("load", "pump.relief", "spring load", pump.LOAD, "spring_load"),
        ("opens", "pump.relief", "opens at", pump.OPENS_AT, "opening_pressure"),
        ("drive play", "pump.drive", "drive play", pump.PLAY, "drive_play"),
    ):
        kind = FigureKind(key, rule, name, difference=False)
        yield from figures.against(kind, limit, (figures.most(feature),), (figures.least(feature),))


def _advice(case: PieceCase, figures: Figures, findings: tuple[Finding, ...]) -> Iterator[Note]:
    end = next((one for one in findings if one.key == pump.END), None)
    new = case.limits.band("end_new")
    if end is not None and new is not None and end.value > new.most:
        yield Note("leak", (end.value, new.most, f"{leak_ratio(end.value, new.most):.1f}"))
        yield from _litres(case, end)
    load, plunger = case.read(pump.LOAD), figures.most(pump.PLUNGER)
    if load is not None and plunger is not None:
        force = next(iter(load.amounts.values()))
        if isinstance(force, Force):
            opens = opening_pressure(force, plunger.survey.sizes[plunger.spot])
            yield Note("opens", (f"{opens.count / 1e5:.2f} bar",))
    yield from _seals(case, figures)
    yield from _displaced(case)
    tip, shaft = figures.most(pump.TIP), figures.most(pump.SHAFT_BORE)
    if tip is not None and shaft is not None and figures.least(pump.SHAFT) is not None:
        yield Note("as read")


def _seals(case: PieceCase, figures: Figures) -> Iterator[Note]:
    """The seal that came off held against the one to be fitted, and the groove it goes into.

    Rule:    pump.seal.
    """
    old, new = figures.most(pump.SEAL), figures.most(pump.NEW_SEAL)
    if old is not None and new is not None:
        was, will = old.survey.sizes[old.spot], new.survey.sizes[new.spot]
        if abs(was - will) > NEAR:
            yield Note("seals differ", (was, will, f", series {series_of(will)}" if series_of(will) else ""))
    groove = case.limits.figure("seal_groove")
    if new is not None and groove is not None:
        share = squeeze(new.survey.sizes[new.spot], groove.value)
        yield Note("squeeze", (f"{share:.0%}",))


def _displaced(case: PieceCase) -> Iterator[Note]:
    """What the gears move at each turn, where the sheet tells their module, breadth and teeth."""
    module, breadth = case.limits.figure("gear_module"), case.limits.figure("gear_breadth")
    teeth = case.limits.made.get("teeth", "")
    if module is not None and breadth is not None and teeth.isdecimal() and pump_kind(case.limits) == pump.SPUR:
        moved = spur_displacement_mm3(module.value, int(teeth), breadth.value) / 1000
        yield Note("displaces", (f"{moved:.1f}",))


def _litres(case: PieceCase, end: Finding) -> Iterator[Note]:
    breadth, length = case.limits.figure("leak_breadth"), case.limits.figure("leak_length")
    band, said = case.limits.amount("opening_pressure"), case.limits.made.get("viscosity", "")
    pressure = (band.most or band.least) if band is not None else None
    try:
        viscosity = float(said)
    except ValueError:
        return
    if breadth is None or length is None or pressure is None or viscosity <= 0:
        return
    litres = leak_litres(end.value, breadth.value, length.value, Pressure(pressure), viscosity)
    yield Note("litres", (f"{litres:.2f}", f"{pressure / 1e5:.1f} bar"))
