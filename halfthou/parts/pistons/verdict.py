"""One piston by itself: what the eye says, its skirt, pin, grooves and weight, and its clearance where it lies."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from halfthou.jobs import SourceKind
from halfthou.lengths import ZERO, Length
from halfthou.parts.fit import LEAST, NOT_THE_SKIRT, SKIRT, Fit
from halfthou.parts.pieces import Figures, Note, PieceCase, PieceJudged, eye_says, remedy_of
from halfthou.parts.pistons import kind as of
from halfthou.verdicts import Action, Called, FigureKind, Finding, Limit, Open, Term, judge, summed

_PIN, _SMALL = "pistons.pin", "pin in the small end"
SMALL = FigureKind("new skirt least", "pistons.new", "skirt of a new piston, least", difference=False)
LARGE = FigureKind("new skirt most", "pistons.new", "skirt of a new piston, most", difference=False)
COLLAPSE = FigureKind("collapse", "pistons.collapse", "skirt collapse", difference=False)
#: So much larger than new a skirt may read and still be of its step: 0.001 in. Source: common practice, no source.
MORE_THAN_NEW = Length(25_400)


@dataclass(frozen=True)
class PistonSays:
    """A piston's case with what it lies in: the step it is of, and its fit. `unlikely` is how much larger than new
    its skirt reads, where nothing but the skirt says that it is of a larger size."""

    case: PieceCase
    step: Length
    fit: Fit
    unlikely: Length | None = None


@dataclass(frozen=True, slots=True)
class StepSaid:
    """The oversize a piston is of; by how much it reads larger than new where its skirt alone says so."""

    step: Length
    unlikely: Length | None = None


def step_of(case: PieceCase, steps: tuple[Length, ...], stamped: Length | None, bore: Length | None) -> StepSaid:
    """The oversize a piston is of: by its skirt with the size of its bore, or with its stamp.

    Takes:   the oversizes sold; what is stamped on it; the size its bore stands at, None where that is not read.
    Rule:    pistons.present. A stamp is a claim: it decides only between sizes that the skirt leaves open. A size
             further up is believed with the bore's or the stamp's: a skirt read hot is larger, too.
    """
    skirt, size = case.read(SKIRT), case.limits.band("size")
    if skirt is None or size is None or not skirt.sizes:
        return StepSaid(stamped or ZERO)
    read = next(iter(skirt.sizes.values()))

    def holds(step: Length) -> bool:
        """Whether a piston of a step can read so: worn, and larger than new by no more than a slip of the hand."""
        return size.least + step - NOT_THE_SKIRT <= read <= size.most + step + MORE_THAN_NEW

    for known in (stamped, bore):
        if known is not None and holds(known):
            return StepSaid(known)
    found = next((step for step in steps if holds(step)), stamped or ZERO)
    stands = bore or ZERO
    larger = read - size.most - stands
    return StepSaid(found, larger if found > stands and stamped != found and larger > ZERO else None)


def judge_piston(says: PistonSays) -> PieceJudged:
    """Judge one piston.

    Rule:    pistons.*   Source: docs/trade: Measuring a piston.
    """
    case, figures = says.case, Figures(says.case)
    opens = set(_opens(says))
    findings = tuple(_findings(says, figures, opens))
    notes = (*_notes(says, opens), *_coarse(case, findings))
    return PieceJudged(
        findings=findings,
        notes=notes,
        by_eye=eye_says(case),
        by_look=remedy_of(case),
        remedies=_remedies(case, findings),
        wanted=tuple(_wanted(case)),
        opens=frozenset(opens),
    )


def _coarse(case: PieceCase, findings: tuple[Finding, ...]) -> Iterator[Note]:
    """Bands narrower than what the gauge can tell: said plainly, so that nobody reads on and on.

    Rule:    gauges.cannot-accept.
    """
    for key, name, limit in (("pin", "the pin", "pin"), (LEAST.key, "the clearance", "clearance")):
        band, found = case.limits.band(limit), next((one for one in findings if one.key == key), None)
        if band is not None and found is not None and band.most - band.least < found.guard:
            yield Note("coarse", (name,))


def _opens(says: PistonSays) -> Iterator[Open]:
    case = says.case
    if case.limits.figure("gauge_height") is None:
        yield Open.PLACE
    elif _unlikely(says) or _at_a_land(says):
        yield Open.FORM
    if _larger(says):
        yield Open.CONTRADICTED


def _larger(says: PistonSays) -> bool:
    """Whether it reads larger than the bore it lies in."""
    tight = says.fit.least
    return tight is not None and tight < ZERO


def _unlikely(says: PistonSays) -> Length | None:
    """By how much it reads larger than new for its bore; what is larger than the bore itself is said as that."""
    return None if _larger(says) else says.unlikely


def _at_a_land(says: PistonSays) -> Length | None:
    """By how much the skirt reads below new, where that looks like the land; None where it does not."""
    skirt, size = says.case.read(SKIRT), says.case.limits.band("size")
    if skirt is None or size is None or not skirt.sizes:
        return None
    under = size.least + says.step - next(iter(skirt.sizes.values()))
    return under if under >= NOT_THE_SKIRT else None


def _findings(says: PistonSays, figures: Figures, opens: set[Open]) -> Iterator[Finding]:
    case, limits = says.case, says.case.limits
    # Without the height, read on a land, or larger than its bore, its size says nothing: no figure of it is given.
    if not opens & {Open.PLACE, Open.FORM, Open.CONTRADICTED}:
        yield from _collapse(says, figures)
        yield from _as_new(says, figures)
        yield from figures.against(
            FigureKind("skirt taper", "pistons.design", "skirt, foot over gauge point", difference=False),
            "skirt_taper",
            (figures.most(of.FOOT), figures.least(SKIRT, -1)),
        )
        yield from says.fit.findings(case.house)
    pin = limits.band("pin")
    if pin is not None:
        worn = summed(
            FigureKind("pin", _PIN, "pin, least", difference=False), (figures.least(of.PIN),), case.house.guard
        )
        if worn is not None:
            yield judge(worn, Limit(pin.least, True, pin.source.kind))
    holes = (("pin_clearance", of.PIN_BORE, "pin in the piston"), ("small_end_clearance", of.SMALL_END, _SMALL))
    for key, hole, name in holes:
        kind = FigureKind(name, _PIN, name, difference=False)
        high, low = (figures.most(hole), figures.least(of.PIN, -1)), (figures.least(hole), figures.most(of.PIN, -1))
        pressed = hole == of.SMALL_END and limits.made.get("pin fit") == of.PRESSED
        if not pressed:
            yield from figures.against(kind, key, high)
        yield from figures.clear(kind, high if pressed else low, pressed=pressed)
    for groove in of.GROOVES:
        kind = FigureKind(groove, "pistons.groove", f"ring in {groove}", difference=False)
        yield from figures.against(kind, "groove_clearance", (figures.most(groove),))
        yield from figures.clear(kind, (figures.least(groove),))


def _collapse(says: PistonSays, figures: Figures) -> Iterator[Finding]:
    """How much smaller the skirt is than the least when new."""
    size, limit = says.case.limits.band("size"), says.case.limits.figure("collapse")
    skirt: Term | None = figures.most(SKIRT, -1)
    if size is None or limit is None or skirt is None:
        return
    figure = summed(COLLAPSE, (skirt,), says.case.house.guard, size.least + says.step)
    # Not smaller than the least when new: no collapse to speak of.
    if figure is not None and figure.value > ZERO:
        yield judge(figure, Limit(limit.value, False, limit.source.kind))


def _as_new(says: PistonSays, figures: Figures) -> Iterator[Finding]:
    """A piston bought new, against the size it is to have: nothing where it may have it. At the end of its band no
    gauge can tell, and its clearance is judged all the same.

    Rule:    pistons.new.
    """
    size = says.case.limits.band("size")
    if size is None or not says.case.new:
        return
    for kind, limit in (
        (SMALL, Limit(size.least + says.step, True, size.source.kind)),
        (LARGE, Limit(size.most + says.step, False, size.source.kind)),
    ):
        figure = summed(kind, (figures.most(SKIRT),), says.case.house.guard)
        found = None if figure is None else judge(figure, limit)
        if found is not None and found.called is Called.BEYOND:
            yield found


def _remedies(case: PieceCase, findings: tuple[Finding, ...]) -> dict[str, Action]:
    """What mends what is beyond: a worn pin is changed; play with a good pin scraps the piston; one that is tight
    where it lies may fit another bore.

    Rule:    pistons.pin, sets.pairing.   Source: docs/trade: Measuring a piston.
    """
    pin = next((one for one in findings if one.key == "pin"), None)
    worn = pin is not None and pin.called is Called.BEYOND
    groove = Action.REGROOVE if case.limits.made.get("regrooved") == "here" else Action.REPLACE
    return {
        LEAST.key: Action.MOVE,
        "pin": Action.REPIN,
        "pin in the piston": Action.REPIN if worn else Action.REPLACE,
        "pin in the small end": Action.REPIN,
        **dict.fromkeys(of.GROOVES, groove),
    }


def _notes(says: PistonSays, opens: set[Open]) -> Iterator[Note]:
    case = says.case
    if Open.PLACE in opens:
        yield Note("height")
    under, larger = _at_a_land(says), _unlikely(says)
    if larger is not None:
        yield Note("unlikely", (larger,))
    elif under is not None and Open.PLACE not in opens:
        yield Note("land read", (under,))
    tight = says.fit.least
    if tight is not None and tight < ZERO:
        yield Note("larger", (-tight,))
    limits = says.fit.limits
    if limits is not None and limits.band.source.kind is SourceKind.RULE_OF_THUMB:
        yield Note("typical")
    if case.read(of.FOOT) is not None and Open.PLACE not in opens:
        yield Note("design")
    if case.limits.made.get("coating", "").startswith("coated"):
        yield Note("coated", (case.limits.made["coating"],))


def _wanted(case: PieceCase) -> Iterator[str]:
    """What has to be read: the skirt always; what else the sheet has a limit for."""
    yield SKIRT
    for key, features in (
        ("pin_clearance", (of.PIN_BORE, of.PIN)),
        ("small_end_clearance", (of.SMALL_END, of.PIN)),
        ("groove_clearance", of.GROOVES[:2]),
        ("skirt_taper", (of.FOOT,)),
        ("weight_spread", (of.WEIGHT,)),
    ):
        if key in case.limits.figures:
            yield from features
