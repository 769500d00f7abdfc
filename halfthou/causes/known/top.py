"""Causes at pistons, rings, head and timing. Source: docs/trade: Evidence and cause, common practice."""

from __future__ import annotations

from halfthou.causes.cause import Cause, Often
from halfthou.causes.sign import Against, Strength
from halfthou.jobs import ComplaintKind as Kind

F, S, P = Strength.FITS, Strength.SPEAKS, Strength.PROVES
SPEAKS, OUT = Against.SPEAKS, Against.RULES_OUT

TOP = (
    Cause(
        "load.combustion",
        "Detonation, overload or boost",
        leaves={"tune.wrong": P, "uppers.fatigued": S, "lands.broken": S},
        makes={"bearings.gone": F, "fatigue": S},
        against={"tune.right": SPEAKS, "uppers.sound": SPEAKS},
        settled="Timing, fuel, boost, plugs",
        remedy="Timing, fuel or boost put right",
        sometimes=(Kind.KNOCK,),
    ),
    Cause(
        "load.injector",
        "One cylinder's injector",
        leaves={"nozzle.bad": P, "skirt.one": S, "rods.one": S, "injector.carried": S},
        makes={"dilution.high": F, "bore.washed": S, "bearings.gone": F},
        against={"nozzle.good": OUT, "skirts.alike": SPEAKS},
        brings={"oil.fuel": 0.4},
        settled="Flow and pattern test",
        remedy="Nozzles tested and set, or renewed",
        sometimes=(Kind.KNOCK,),
    ),
    Cause(
        "piston.tight",
        "Piston too tight",
        leaves={"skirt.all-round": S, "piston.tight": S, "hours.few": F},
        against={"piston.within": SPEAKS},
        settled="Size at the right place",
        remedy="Bore or piston to the right size",
        sometimes=(Kind.SEIZED,),
    ),
    Cause(
        "ring.closed",
        "Ring gap closed",
        leaves={"gap.small": P, "gap.ends": S},
        makes={"lands.broken": F},
        against={"gap.within": OUT},
        settled="Gap in its bore",
        remedy="Gaps filed",
        sometimes=(Kind.SEIZED,),
    ),
    Cause(
        "bore.distorted",
        "Bores not round after deck or stud work",
        leaves={"bore.beyond": P, "bore.wet": S, "deck.work": S, "gasket.good": F},
        against={"bore.within": OUT},
        settled="Bore gauge, plate on",
        remedy="Honed with the plate on",
        usual=(Kind.BURNS_OIL,),
    ),
    Cause(
        "rings.stuck",
        "Oil rings stuck, or of poor drain",
        leaves={"rings.stuck": S, "ring.one-piece": F},
        makes={"bore.wet": F},
        against={"rings.free": SPEAKS},
        settled="Look",
        remedy="New rings, grooves clean",
        usual=(Kind.BURNS_OIL,),
    ),
    Cause(
        "guides.worn",
        "Guides and seals worn",
        leaves={"guides.beyond": P, "ports.wet": S},
        against={"guides.within": OUT},
        settled="Rock the valve, measure",
        remedy="New guides and seals",
        usual=(Kind.BURNS_OIL,),
    ),
    Cause(
        "gasket.leak",
        "Head gasket",
        leaves={"burn.track": P, "coolant.leaks": P, "oil.milky": S, "crown.washed": S},
        against={"deck.sound": OUT},
        brings={"oil.coolant": 0.7},
        settled="Straightedge, pressure test",
        remedy="Deck and head flat, new gasket",
        usual=(Kind.MILKY,),
        sometimes=(Kind.SEIZED,),
        follow=("deck flat",),
    ),
    Cause(
        "mixed.parts",
        "Wrong rod, piston or crank in one cylinder",
        leaves={"lengths.differ": P, "deposit.differs": S, "casting.differs": S, "vibration": F},
        against={"lengths.equal": OUT},
        settled="Rod lengths, pin heights",
        remedy="Like parts in every cylinder",
        usual=(Kind.SHAKING,),
        follow=("rod lengths",),
    ),
    Cause(
        "timing.drive",
        "Chain, belt or guide failed first",
        leaves={"timing.broken": P, "links.marked": S, "chain.worn": F, "valve.marks": F},
        makes={"debris.matches": F},
        against={"timing.whole": OUT},
        settled="Sprockets, guides",
        remedy="New drive, wheels and guides",
        often=Often.RARE,
        sometimes=(Kind.SEIZED,),
    ),
)
