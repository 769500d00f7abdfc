"""The looks a shop starts with: minutes, harm and chances are judgement, to be tuned by the house.

Source: docs/trade: The order of looks, common practice, no source.
"""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple

from halfthou.jobs import ENGINE, LookRow, LookTable
from halfthou.jobs import ComplaintKind as Kind

#: Answers at the door after which no starter is given to the engine.
_NO_STARTER = {"turns by hand": ("locked", "tight at one place", "not tried")}

SCREEN, SAMPLE, FILTER, SHELLS, DEPOSITS = "screen", "oil drained", "filter", "one rod", "heads"

USUAL_LOOKS = LookTable(
    looks=(
        LookRow(
            key="turn",
            name="Turned by hand",
            minutes=5,
            minutes_vee=5,
            usual=2,
            how="Bar on the crank nose, plugs in, two whole turns: free, tight all round, tight at one place.",
            chance={Kind.SEIZED: 30, Kind.WILL_NOT_START: 20, Kind.SHAKING: 5, Kind.KNOCK: 5},
        ),
        LookRow(
            key=SAMPLE,
            name="Oil drained, seen and smelt",
            minutes=15,
            minutes_vee=15,
            usual=1,
            how="Sample first, mid-stream and hot where it runs. Through a clean strainer.",
            chance={Kind.LOSES_COOLANT: 10, Kind.MILKY: 8, Kind.METAL: 6, Kind.OVERHEATED: 5, Kind.LOW_PRESSURE: 5},
        ),
        LookRow(
            key=FILTER,
            name="Filter cut open",
            minutes=20,
            minutes_vee=20,
            usual=3,
            spoils="the filter",
            harm_minutes=2,
            tells=Kind.METAL,
            how="Cut without making swarf; pleats pressed on white paper; a magnet over it.",
            chance={Kind.METAL: 25, Kind.KNOCK: 15, Kind.LOW_PRESSURE: 12, Kind.AFTER_SERVICE: 15},
        ),
        LookRow(
            key="starter pressure",
            name="Oil pressure on the starter",
            minutes=25,
            minutes_vee=25,
            usual=2,
            how="Gauge screwed in at the gallery, plugs out.",
            not_when=_NO_STARTER,
            chance={Kind.LOW_PRESSURE: 15, Kind.HIGH_PRESSURE: 15, Kind.AFTER_SERVICE: 12},
        ),
        LookRow(
            key="plug holes",
            name="Bores through the plug holes",
            minutes=30,
            minutes_vee=50,
            usual=3,
            how="Plugs or injectors out and laid in order; a light, a scope.",
            chance={
                Kind.WILL_NOT_START: 25,
                Kind.SEIZED: 20,
                Kind.LOW_COMPRESSION: 15,
                Kind.LOSES_COOLANT: 12,
                Kind.BURNS_OIL: 10,
                Kind.SMOKES: 10,
                Kind.OVERHEATED: 10,
                Kind.MILKY: 10,
                Kind.SHAKING: 8,
            },
        ),
        LookRow(
            key="leak-down",
            name="Leak-down of each cylinder",
            after="plug holes",
            minutes=40,
            minutes_vee=70,
            usual=3,
            how="Piston held at the top. It can throw the crank round.",
            not_when=_NO_STARTER,
            chance={Kind.BURNS_OIL: 15, Kind.SHAKING: 12, Kind.MILKY: 12},
        ),
        LookRow(
            key="coolant test",
            name="Cooling pressed",
            minutes=30,
            minutes_vee=30,
            usual=1,
            tells=Kind.MILKY,
            how="Held a quarter of an hour, cold; then warm where it runs.",
            chance={Kind.MILKY: 30, Kind.SEIZED: 5},
        ),
        LookRow(
            key="valve covers",
            name="Valve covers off",
            minutes=15,
            minutes_vee=25,
            usual=2,
            harm_minutes=2,
            spoils="cover gaskets",
            how="Rockers, springs, tips, sludge, water beads.",
            chance={Kind.KNOCK: 6, Kind.SHAKING: 6, Kind.MILKY: 4},
        ),
        LookRow(
            key=DEPOSITS,
            name="Heads off and turned by hand",
            after="valve covers",
            minutes=90,
            minutes_vee=170,
            usual=6,
            harm_minutes=20,
            spoils="head gaskets, one-use bolts",
            how="Crowns, bores, deposit line, deck; then turned by hand without compression.",
            chance={
                Kind.SEIZED: 45,
                Kind.MILKY: 35,
                Kind.BURNS_OIL: 25,
                Kind.SHAKING: 20,
                Kind.KNOCK: 12,
                Kind.METAL: 8,
                Kind.LOW_PRESSURE: 4,
            },
        ),
        LookRow(
            key="deck",
            name="Deck and heads, straight and sound",
            after=DEPOSITS,
            minutes=25,
            minutes_vee=40,
            usual=2,
            how="Straightedge and feelers; fire rings, cracks between the valves.",
            chance={Kind.MILKY: 20, Kind.SEIZED: 6},
        ),
        LookRow(
            key="rough bores",
            name="Bores, a rough size",
            after=DEPOSITS,
            minutes=20,
            minutes_vee=35,
            usual=3,
            how="Greatest and least of each, before anything is agreed.",
            chance={Kind.BURNS_OIL: 25, Kind.SEIZED: 15},
        ),
        LookRow(
            key=SCREEN,
            name="Pan off: screen and pickup, before cleaning",
            minutes=40,
            minutes_vee=45,
            usual=4,
            harm_minutes=5,
            spoils="pan gasket",
            how="Photographed where it lies, then strained and sorted.",
            chance={Kind.LOW_PRESSURE: 25, Kind.KNOCK: 30, Kind.METAL: 30, Kind.AFTER_SERVICE: 12, Kind.SEIZED: 8},
        ),
        LookRow(
            key=SHELLS,
            name="One rod cap off: the one farthest from the pump",
            after=SCREEN,
            minutes=20,
            minutes_vee=20,
            usual=5,
            harm_minutes=2,
            spoils="one-use rod bolts",
            how="Marked first. Both halves, the pin, the cap's back.",
            chance={Kind.LOW_PRESSURE: 30, Kind.KNOCK: 40, Kind.METAL: 35, Kind.SEIZED: 12},
        ),
        LookRow(
            key="one main",
            name="One main cap off",
            after=SCREEN,
            minutes=25,
            minutes_vee=25,
            usual=3,
            how="Marked first. Lower half and journal; crank held.",
            chance={Kind.LOW_PRESSURE: 15, Kind.METAL: 15, Kind.KNOCK: 10, Kind.SEIZED: 8},
        ),
        LookRow(
            key="pump open",
            name="Pump off and opened",
            after=SCREEN,
            minutes=30,
            minutes_vee=30,
            usual=2,
            how="Cover off; relief valve moved only after it was seen where it stood.",
            chance={Kind.LOW_PRESSURE: 8, Kind.AFTER_SERVICE: 6},
        ),
        LookRow(
            key="all rods",
            name="Every rod cap off",
            after=SHELLS,
            minutes=50,
            minutes_vee=90,
            usual=4,
            how="One at a time, marked, the crank turned to each.",
            chance={Kind.LOW_PRESSURE: 15, Kind.KNOCK: 20, Kind.METAL: 15},
        ),
        LookRow(
            key="pistons",
            name="Pistons and rods out",
            after=DEPOSITS,
            minutes=70,
            minutes_vee=130,
            usual=4,
            how="Ridge looked at first; each with its cap, to its own tray.",
            chance={Kind.BURNS_OIL: 15, Kind.SEIZED: 15, Kind.SHAKING: 10},
        ),
        LookRow(
            key="crank",
            name="Crank out and run on its ends",
            after="one main",
            minutes=80,
            minutes_vee=110,
            usual=6,
            how="Lifted by a rated sling; run-out at every main.",
            chance={Kind.LOW_PRESSURE: 15, Kind.KNOCK: 15, Kind.METAL: 15, Kind.SEIZED: 15, Kind.SHAKING: 12},
        ),
        LookRow(
            key="crack test",
            name="Crack test of the crank",
            after="crank",
            minutes=60,
            minutes_vee=75,
            usual=4,
            how="Cleaned, by a certified inspector.",
            chance={Kind.KNOCK: 8, Kind.SEIZED: 8},
        ),
    )
)


class AnsweredBy(NamedTuple):
    """A look of the table that answers one of the order, on places whose id begins so. `every` says that each half
    bearing of a rod must have been seen."""

    look: str
    on: str = ""
    every: bool = False


#: By the look of the order: what answers it, wherever it was written down. Where it is one look, that is asked.
ANSWERED_BY: Mapping[str, tuple[AnsweredBy, ...]] = {
    "turn": (AnsweredBy("turn"),),
    SAMPLE: (AnsweredBy("oil seen"),),
    FILTER: (AnsweredBy("filter"),),
    "coolant test": (AnsweredBy("coolant test"),),
    DEPOSITS: (AnsweredBy("crown"), AnsweredBy("gasket")),
    "deck": (AnsweredBy("deck flat"), AnsweredBy("deck", "block")),
    SCREEN: (AnsweredBy("screen"),),
    SHELLS: (AnsweredBy("overlay", "half-rod"),),
    "one main": (AnsweredBy("overlay", "half-main"),),
    "pump open": (
        AnsweredBy("inside"), AnsweredBy("relief valve"), AnsweredBy("gears or rotors"), AnsweredBy("pump housing"),
    ),
    "all rods": (AnsweredBy("overlay", "half-rod", every=True),),
    "pistons": (AnsweredBy("skirts", "piston-"),),
    "crank": (AnsweredBy("straightness", "crank"),),
    "crack test": (AnsweredBy("crack test", "crank"),),
}  # fmt: skip
#: Looks of the order that are one look of the table: that look is asked, on this.
ASKED_AS: Mapping[str, tuple[str, str]] = {
    "turn": ("turn", ENGINE),
    SAMPLE: ("oil seen", ENGINE),
    FILTER: ("filter", ENGINE),
    "coolant test": ("coolant test", ENGINE),
    "deck": ("deck flat", ENGINE),
    SCREEN: ("screen", "pump"),
    "crank": ("straightness", "crank"),
    "crack test": ("crack test", "crank"),
}
