"""Causes that are dirt, old metal, or a sample that lies. Source: docs/trade: Evidence and cause, common
practice."""

from __future__ import annotations

from halfthou.causes.cause import Cause, Often
from halfthou.causes.sign import Against, Strength
from halfthou.jobs import ComplaintKind as Kind

F, S, P = Strength.FITS, Strength.SPEAKS, Strength.PROVES
HARDLY, SPEAKS, OUT = Against.HARDLY, Against.SPEAKS, Against.RULES_OUT

DIRT = (
    Cause(
        "dirt.assembly",
        "Dirt left at a build",
        leaves={
            "chips.behind-plug": P,
            "scratches.sharp": S,
            "dirt.bedded": S,
            "curls": F,
            "hours.few": S,
            "metal.found": F,
        },
        makes={"pump.scored": S, "bearings.gone": F, "dirt.in-oil": S, "skirts.all": F},
        brings={"supply.relief": 0.1},
        against={"hours.many": SPEAKS, "metal.none": HARDLY},
        settled="Chips or grit behind a plug",
        remedy="Galleries brushed with the plugs out, all washed twice",
        often=Often.SOMETIMES,
        usual=(Kind.METAL,),
    ),
    Cause(
        "dirt.carried",
        "Dirt from an earlier failure",
        leaves={"carried.metal": P, "carried.over": S, "dirt.bedded": S, "failed.twice": S, "copper.flakes": F},
        makes={"pump.scored": S, "bearings.gone": F, "dirt.in-oil": S, "rods.one": F},
        brings={"supply.relief": 0.1},
        against={"all.renewed": SPEAKS, "metal.none": HARDLY},
        settled="What was carried over, cut or flushed",
        remedy="What was carried over renewed, or washed and proved",
        often=Often.SOMETIMES,
        sometimes=(Kind.METAL, Kind.KNOCK),
    ),
    Cause(
        "dirt.upstream",
        "A part above it sheds",
        leaves={
            "upstream.matched": P,
            "debris.matches": S,
            "part.worn": F,
            "metal.found": S,
            "metal.iron": F,
            "metal.needles": S,
        },
        makes={"pump.scored": S, "dirt.in-oil": S, "bearings.gone": F},
        against={"part.none-worn": SPEAKS, "metal.none": SPEAKS},
        brings={"supply.relief": 0.2},
        settled="The worn part found, its metal matched",
        remedy="The part that sheds renewed",
        sometimes=(Kind.METAL,),
    ),
    Cause(
        "stood.water",
        "Water stood in it",
        leaves={"stood.proved": P, "rust.line": S},
        makes={"oil.milky": F},
        against={"ran.daily": SPEAKS},
        settled="Water line and pits, level as it stood",
        remedy="Rust taken off by machining",
        sometimes=(Kind.MILKY, Kind.SEIZED),
    ),
    Cause(
        "innocent.polish",
        "Nothing wrong: soft half bearings shine",
        leaves={"shells.two-layer": P, "bearings.polished": S},
        against={"copper.through": OUT, "shells.not-soft": OUT},
        settled="Kind of half bearing, clearance",
        remedy="",
        usual=(Kind.SHINY,),
        harmless=True,
    ),
    Cause(
        "innocent.old-metal",
        "Metal from an earlier repair",
        leaves={
            "fragment.matches-old": P,
            "nothing.sheds": P,
            "broken.before": S,
            "metal.found": S,
            "metal.none": F,
        },
        against={"fragment.no-match": OUT, "sheds": SPEAKS},
        settled="Match the fragment",
        remedy="Pan, galleries and filter washed out",
        sometimes=(Kind.METAL,),
        follow=("mains seen",),
        harmless=True,
    ),
    Cause(
        "sample.spoilt",
        "The sample lies",
        leaves={"sample.got-in": P, "sample.second-clean": P, "sample.late": S, "oil.milky": F},
        against={"sample.second-same": OUT},
        settled="Draw it again",
        remedy="",
        sometimes=(Kind.MILKY,),
        harmless=True,
    ),
)
