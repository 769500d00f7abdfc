"""Everything said of an oil pump, in short sentences."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.looks import Does
from halfthou.parts.pieces import PieceVerdict, Tell
from halfthou.parts.pump.kind import GEROTOR, SPUR, VANE, pump_kind
from halfthou.parts.pump.looks import ENGAGED, METAL, PICKUP_SEAL, PRIMED, SCREEN, SEAL_RIGHT, YES
from halfthou.parts.pump.verdict import REGARDLESS, by_house_rule, gears_go, remedy
from halfthou.verdicts import Action, Called, Open

TELLS = {
    REGARDLESS: Tell("pump.suspect", "Metal went through it: a new pump regardless, by the house rule."),
    "rotor limit": Tell(
        "pump.floating",
        "Outer rotor {0} at one side, limit {1}: too close, since the sheet does not say whether that is what the "
        "feeler shows or radial, half of it. Put it on the sheet.",
    ),
    "suspect": Tell(
        "pump.suspect",
        "It fed a failure. It goes back opened and washed, its relief valve seen, every figure within after that; "
        "or on a person's word, with the reason.",
    ),
    "cleared": Tell(
        "pump.suspect", "It fed a failure: opened and washed since, its relief valve seen, every figure within."
    ),
    "leak": Tell("pump.leak", "End clearance {0} against {1} when new: {2} times the leak."),
    "litres": Tell("pump.leak", "That is {0} litres a minute past the gear faces at {1}, hot."),
    "opens": Tell("pump.relief", "By its spring and plunger the relief valve opens at {0}."),
    "seals differ": Tell("pump.seal", "The seal that came off is {0}, the new one {1}{2}: not the same section."),
    "squeeze": Tell("pump.seal", "Its groove squeezes the new seal by {0}: 15 to 30 % is usual."),
    "displaces": Tell("pump.leak", "The gears move about {0} cm³ at each turn."),
    "as read": Tell("pump.floating", "Gears sit on their shafts: the tip clearance stands as read, never halved."),
}


def under_pump(verdict: PieceVerdict) -> str:
    """What is said under the headline of a pump."""
    if by_house_rule(verdict):
        return "metal went through it"
    if verdict.judged.by_eye is not None:
        return "rejected by eye" if verdict.judged.by_eye is not Action.REFER else "somebody else's word first"
    if Open.SUSPECT in verdict.opens and verdict.action is Action.REFER:
        return "every figure within, but it fed a failure"
    left = len(verdict.to_read)
    return f"{left} {'reading' if left == 1 else 'readings'} to go" if left else ""


#: What the gears of each kind of pump are called where they are bought.
_GEARS = {SPUR: "set of pump gears", GEROTOR: "pump rotors, inner and outer", VANE: "pump rotor and vanes"}


def renewed(verdict: PieceVerdict) -> tuple[str, ...]:
    """What of a pump is bought new while the rest is kept, each once.

    Rule:    pump.to-order.
    """
    case = verdict.case
    relief = "pump.relief" in case.eye.rules(Does.REMEDY) or any(
        one.called is Called.BEYOND and remedy(one.key) is Action.NEW_PARTS for one in verdict.findings
    )
    gears = (_GEARS[pump_kind(case.limits)],) if gears_go(case) else ()
    return (*gears, *(("relief plunger and spring",) if relief else ()))


def still_of_pump(verdict: PieceVerdict) -> Iterator[str]:
    """What is still wanted of a pump."""
    case = verdict.case
    if case.answer(SCREEN) is None:
        yield "Advice: look at the screen before it is washed."
    if case.answer(PICKUP_SEAL) is None:
        yield "Advice: hold the pickup seal against a new one."


def before_closing(verdict: PieceVerdict) -> tuple[tuple[str, str], ...]:
    """What of the pump is done before the engine is closed, each with how it stands.

    Rule:    pump.primed.   Source: docs/trade: Measuring an oil pump.
    """
    case = verdict.case
    done = {True: "done", False: "open"}
    return (
        ("Screen clean, pickup seal the right one", done[case.answer(PICKUP_SEAL) == SEAL_RIGHT]),
        ("Drive in mesh", done[case.answer(ENGAGED) == YES]),
        ("Packed with assembly grease that dissolves, or primed", done[case.answer(PRIMED) == YES]),
        ("Metal looked for", done[case.answer(METAL) is not None]),
    )
