"""Looks at bearings, crank, drive, pistons and head. Source: docs/trade: Evidence and cause, common practice;
minutes are judgement."""

from __future__ import annotations

from halfthou.jobs import AMOUNT_ONLY
from halfthou.looks.look import Answer, Asks, LookKind, Where, kept

_BEARINGS, _DRIVE, _TOP = Where.BEARINGS, Where.DRIVE, Where.TOP
_A = Answer

BEARING_LOOKS = (
    LookKind(
        "rod and cap", name="Rods and caps by eye", where=_BEARINGS, minutes=5,
        opened_by="cap-rod-*.off", on=("rod",), several=True,
        how="Sides, small end, bolt seats, and a nail over the joint.",
        answers=(_A("sound"), _A("nicked"), _A("bolt seat damaged"), _A("bent to the eye"),
                 _A("cap steps", ("cap.step",))),
    ),
    LookKind(
        "shell kind", name="Kind of the main half bearings", where=_BEARINGS, minutes=3, opened_by="half-*.out",
        how="Edge filed or numbers on the back; the parts list.",
        answers=(_A("two-layer soft"), _A("three-layer with overlay"), _A("coated"), _A("not known")),
    ),
    LookKind(
        "rod shell kind", name="Kind of the rod half bearings", where=_BEARINGS, minutes=3, opened_by="half-*.out",
        how="Edge filed or numbers on the back; the parts list.",
        answers=(_A("two-layer soft"), _A("three-layer with overlay"), _A("coated"), _A("not known")),
    ),
    LookKind(
        "bearings", name="Every half bearing graded", where=_BEARINGS, minutes=20,
        opened_by="cap-*.off", lost_by="wash.shells",
        how="On the map, by keys, before they are wiped.",
        reads=("rods.all", "rods.one", "fatigue", "wiped.crown", "edges.opposite", "bands.middle", "back.polished",
               "shell.turned", "dirt.bedded", "scratches.sharp", "wear.by-form", "pits.acid", "uppers.fatigued",
               "mains.edge-alike", "bearings.even", "back.clean", "bearings.polished", "shells.two-layer"),
    ),
    LookKind(
        "mains seen", name="Every main seen", where=_BEARINGS, minutes=25, opened_by="cap-main-*.off",
        how="Every cap off, both halves graded.", reads=("sheds",),
    ),
    LookKind(
        "steel", name="Steel of the rods", where=_BEARINGS, minutes=3, how="By a spark, a file, or the parts list.",
        answers=(_A("plain steel"), _A("alloy steel"), _A("cast or nodular iron"), _A("not known")),
    ),
    LookKind(
        "oil hole", name="Oil hole over its drilling", where=_BEARINGS, minutes=3,
        opened_by="half-*.out", on=("half bearing",),
        answers=(_A("in line", ("hole.in-line",)), _A("not over the drilling", ("hole.covered",))),
    ),
    LookKind(
        "bands", name="Bands on the mains", where=_BEARINGS, minutes=10,
        opened_by="cap-main-*.off", lost_by="wash.shells", several=True,
        answers=(_A("bands or scallops in several", ("bands.scallops",)),
                 _A("growing towards the middle", ("bands.middle",)),
                 _A("one end of a main shiny", ("main.shiny-end",)), _A("a cap shifted", ("cap.shifted",)),
                 _A("even", ("bearings.even",), ("bands.scallops", "bands.middle", "main.shiny-end"))),
    ),
    LookKind(
        "shell marks", name="Numbers on the backs", where=_BEARINGS, minutes=10, opened_by="half-*.out",
        answers=(_A("right for their place", ("marks.right",), ("marks.wrong",)), _A("wrong", ("marks.wrong",))),
    ),
    LookKind(
        "torque found", name="Torque the bolts were found at", where=_BEARINGS, minutes=10,
        answers=(_A("right", ("torque.right",), ("bolts.loose",)), _A("loose", ("bolts.loose",)),
                 _A("stretched", ("bolts.stretched",))),
    ),
    LookKind(
        "break", name="Where the break starts", where=_BEARINGS, minutes=10, opened_by="crank.out",
        how="The crank's, by its beach marks and a lens.",
        answers=(_A("at a fillet", ("break.fillet",)), _A("somewhere else", (), ("break.fillet",))),
    ),
    LookKind(
        "every pair", name="Every rod with its cap: numbers, joint, size", where=_BEARINGS, minutes=40,
        opened_by="cap-rod-*.off",
        how="Numbers read, a nail over the joint, then the housing measured.",
        answers=(_A("agree, no step at any", ("caps.agree",), ("numbers.disagree", "cap.step")),
                 _A("numbers disagree", ("numbers.disagree",)), _A("a step at a joint", ("cap.step",))),
    ),
    LookKind(
        "heat tests", name="What got hot: hardness, crack test, size", where=_BEARINGS, minutes=60,
        opened_by="rod-*.out",
        how="By a certified inspector; then the size. New half bearings clear nothing.",
        answers=(_A("hard, no crack, to size", ("rods.tested",)), _A("soft or cracked")),
    ),
    LookKind(
        "tunnel", name="Tunnel, caps torqued", where=_BEARINGS, minutes=40,
        opened_by="crank.out", how="Bar, or bore sizes at every main.",
        answers=(_A("in line", ("line.good",), ("line.out",)), _A("out of line", ("line.out",))),
    ),
    LookKind(
        "rod straight", name="Rods on the fixture", where=_BEARINGS, minutes=40, opened_by="rod-*.out", on=("rod",),
        answers=(_A("straight", ("rod.straight",), ("rod.bent",)), _A("bent or twisted", ("rod.bent",))),
    ),
    LookKind(
        "clearance seen", name="Oil clearance as built", where=_BEARINGS, minutes=30, opened_by="cap-*.off",
        how="At the bench by size of both; or said so on the build sheet.",
        answers=(_A("too small", ("clearance.small",)),
                 _A("within", ("clearance.within",), ("clearance.small", "clearance.large"))),
        reads=("clearance.large",),
    ),
    LookKind(
        "sizes", name="Journals and housings measured", where=_BEARINGS, minutes=60,
        opened_by="cap-*.off", how="At the bench.",
        reads=("form.beyond", "form.within", "housing.beyond", "housing.within"),
    ),
)  # fmt: skip

DRIVE_LOOKS = (
    LookKind(
        "bell housing", name="Bell housing, flywheel, damper", where=_DRIVE, minutes=15,
        opened_by="gearbox.off", several=True,
        answers=(_A("bolts loose or a hole empty", ("bell.loose",)), _A("dowel missing", ("dowel.missing",)),
                 _A("damper rubber moved", ("bell.loose",)), _A("pilot worn"), _A("ring gear chipped"),
        _A("all tight", (), ("bell.loose", "dowel.missing"))),
    ),
    LookKind(
        "thrust", name="Thrust halves and faces", where=_DRIVE, minutes=5,
        opened_by="cap-main-*.off", lost_by="wash.shells",
        on=("main cap",), at_thrust=True,
        how="At the main that carries them. Front is the end away from the flywheel.",
        answers=(_A("even", (), ("thrust.one-face", "thrust.both-blued")),
                 _A("front face only", ("thrust.one-face",)),
                 _A("rear face only", ("thrust.one-face",)),
                 _A("grooved"), _A("one face blued"),
                 _A("through its layer, one face", ("thrust.one-face", "bearings.gone")),
                 _A("both blued", ("thrust.both-blued",)), _A("cracked", ()),
                 _A("oil groove gone", ("groove.gone",)), _A("oil groove closed", ("groove.closed",))),
    ),
    LookKind(
        "float", name="End float", where=_DRIVE, minutes=10, how="Indicator on the crank's end, levered both ways.",
        answers=(_A("as built, on record", ("float.as-built",), ("float.beyond", "float.nil")),
                 _A("as built", ("float.as-claimed",), ("float.beyond", "float.nil")),
                 _A("within", ("float.within",), ("float.beyond", "float.nil")), _A("beyond", ("float.beyond",)),
                 _A("none", ("float.nil",))),
    ),
    *(
        LookKind(key, name=name, where=_DRIVE, minutes=5, how=how, amount=name,
                 answers=(_A(AMOUNT_ONLY, asks=Asks.HEIGHT),))
        for key, name, how in (
            ("float read", "End float as it came", "Indicator on the crank's end, levered both ways, caps on."),
            ("run-out read", "Run-out as it came", "Indicator at the middle main, turned once, end caps on."),
            ("chain slack", "Slack of the chain, stand of its tensioner", "Rule, before it is slackened."),
            ("valve to piston", "Valve to piston near dead centre", "Valve pushed down to the piston, indicator."),
            ("liner stand", "Least stand of a liner over the deck", "Four places each, before it is clamped."),
        )
    ),
    LookKind(
        "cam timing", name="Cam timing as it came", where=_DRIVE, minutes=15,
        how="Degree disc and indicator; degrees in the note.",
        answers=kept("as its marks say", "late", "early"),
    ),
    LookKind(
        "clutch", name="Clutch or converter", where=_DRIVE, minutes=15, opened_by="gearbox.off",
        answers=(_A("a fault found", ("clutch.fault",)), _A("good", (), ("clutch.fault",))),
    ),
    LookKind(
        "timing drive", name="Chain, belt, wheels, guides", where=_DRIVE, minutes=15,
        opened_by="front-cover.off", several=True,
        answers=(_A("whole and in time", ("timing.whole",), ("timing.broken", "links.marked")),
                 _A("broken or jumped", ("timing.broken",)),
                 _A("links marked all along", ("links.marked",)), _A("guides worn", ("chain.worn",)),
                 _A("a guide missing", ("chain.worn",)), _A("play"), _A("rollers marked", ("chain.worn",)),
                 _A("a wheel marked", ("chain.worn",))),
    ),
    LookKind(
        "shaking", name="When it shakes", where=_DRIVE, minutes=5,
        answers=(_A("at all speeds", ("vibration",)), _A("at one speed"),
        _A("never", (), ("vibration",))),
    ),
)  # fmt: skip

TOP_LOOKS = (
    LookKind(
        "tune", name="Timing, fuel, boost", where=_TOP, minutes=20,
        answers=(_A("wrong", ("tune.wrong",)), _A("right", ("tune.right",), ("tune.wrong",))),
    ),
    LookKind(
        "nozzles", name="Nozzles: flow and pattern", where=_TOP, minutes=30,
        answers=(_A("good", ("nozzle.good",), ("nozzle.bad",)), _A("one bad", ("nozzle.bad",))),
    ),
    LookKind(
        "rings", name="Rings", where=_TOP, minutes=5, opened_by="rod-*.out", on=("piston",), several=True,
        answers=(_A("free", ("rings.free",), ("rings.stuck", "rings.packed")),
                 _A("oil ring stuck", ("rings.stuck",)),
                 _A("packed fast with carbon", ("rings.packed", "rings.stuck")),
                 _A("gap ends polished or broken", ("gap.ends",)),
                 _A("one-piece oil ring", ("ring.one-piece",)),
                 *kept("gaps in line", "kinds mixed", "wrong way up", "worn sharp")),
    ),
    LookKind(
        "deposit line", name="Deposit line of each bore", where=_TOP, minutes=5,
        opened_by="head*.off", on=("piston",),
        lost_by="wash.heads",
        how="From the deck down to the line, before it is wiped.", answers=(_A(AMOUNT_ONLY, asks=Asks.HEIGHT),),
    ),
    LookKind(
        "gaps", name="Ring gaps measured", where=_TOP, minutes=30, opened_by="rod-*.out", how="At the bench.",
        reads=("gap.small", "gap.within")),
    LookKind(
        "bore form", name="Bores gauged, plate on", where=_TOP, minutes=40,
        opened_by="rod-*.out", how="At the bench.",
    reads=("bore.beyond", "bore.within")),
    LookKind(
        "piston size", name="Pistons measured", where=_TOP, minutes=30, opened_by="rod-*.out", how="At the bench.",
    reads=("piston.tight", "piston.within")),
    LookKind(
        "guides", name="Valve guides", where=_TOP, minutes=30, opened_by="valve-*.out",
        answers=(_A("within", ("guides.within",), ("guides.beyond",)),
        _A("beyond", ("guides.beyond",))),
    ),
    LookKind(
        "ports", name="Ports", where=_TOP, minutes=5,
        opened_by="head*.off", lost_by="wash.heads", answers=(_A("wet", ("ports.wet",)),
        _A("dry", (), ("ports.wet",))),
    ),
    LookKind(
        "gasket", name="Head gasket, before it is thrown away", where=_TOP, minutes=5,
        opened_by="head*.off", lost_by="wash.heads",
        answers=(_A("burn track between bores", ("burn.track",)), _A("burn track to water", ("burn.track",)),
                 _A("burn track to an oil way", ("burn.track",)),
                 _A("fire ring squashed", ("ring.squashed",)), _A("corroded"),
                 _A("an insert of the deck loose"), _A("fret marks"),
                 _A("good", ("gasket.good",), ("burn.track",))),
    ),
    LookKind(
        "deck flat", name="Deck and head: straightedge, then pressed", where=_TOP, minutes=30,
        opened_by="head*.off",
        answers=(_A("flat, no track, test holds", ("deck.sound",), ("burn.track",)), _A("flat", (), ("deck.out",)),
                 _A("out of flat", ("deck.out",))),
    ),
    LookKind(
        "coolant test", name="Pressure test of the water side", where=_TOP, minutes=40,
        how="Say where: at the gasket's edge, in a bore or port, at a liner's foot, at the cooler.",
        answers=(_A("leaks", ("coolant.leaks",)), _A("leaks at the gasket", ("coolant.leaks", "leak.gasket")),
                 _A("leaks in block or head", ("coolant.leaks", "leak.block")),
                 _A("leaks at a liner", ("coolant.leaks", "leak.block", "liner.bad")),
                 _A("leaks at the cooler", ("coolant.leaks", "leak.cooler")),
                 _A("block, head and liners hold by themselves", ("block.holds",), ("leak.block",)),
                 _A("holds hot and cold, cooler too", ("coolant.holds",), ("coolant.leaks", "leak.block")),
                 _A("holds cold", ("coolant.holds-cold",))),
    ),
    LookKind(
        "deck work", name="Deck work or studs lately", where=_TOP, minutes=5, answers=(_A("yes", ("deck.work",)),
        _A("no", (), ("deck.work",))),
    ),
    LookKind(
        "rod lengths", name="Rod lengths and pin heights", where=_TOP, minutes=40, opened_by="rod-*.out",
        answers=(_A("all equal", ("lengths.equal",), ("lengths.differ",)), _A("one differs", ("lengths.differ",))),
    ),
    LookKind(
        "castings", name="Casting numbers", where=_TOP, minutes=5,
        opened_by="rod-*.out", answers=(_A("one differs", ("casting.differs",)),
        _A("all alike", (), ("casting.differs",))),
    ),
    LookKind(
        "liners", name="Liners and their seals", where=_TOP, minutes=15,
        opened_by="rod-*.out", lost_by="wash.block",
        answers=(_A("dropped, corroded or a seal pitted", ("liner.bad",)), _A("sound", (), ("liner.bad",))),
    ),
    LookKind(
        "valves whole", name="Every valve, keeper and spring", where=_TOP, minutes=10, opened_by="head*.off",
        answers=(_A("all whole, in their places", ("valves.whole",), ("valve.dropped", "keeper.broken")),
                 _A("a head or stem in a cylinder", ("valve.dropped",)),
                 _A("a keeper, spring or guide broken", ("keeper.broken",))),
    ),
    LookKind(
        "plugs out", name="Plugs or injectors out, then turned", where=_TOP, minutes=20,
        how="Stand clear of the holes: what was locked in comes out hard.",
        answers=(_A("liquid came out, then it turned", ("liquid.out",)),
                 _A("nothing came out", (), ("liquid.out",))),
    ),
    LookKind(
        "crowns at top", name="Crowns at the top, their heights", where=_TOP, minutes=20, opened_by="head*.off",
        answers=(_A("one lower", ("crown.lower",)), _A("all alike", ("crowns.alike",), ("crown.lower",))),
    ),
    LookKind(
        "locked", name="Taken in water or fuel", where=_TOP, minutes=5, answers=(_A("yes", ("lock.hydraulic",)),
        _A("no", (), ("lock.hydraulic",))),
    ),
)  # fmt: skip
