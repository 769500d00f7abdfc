"""Looks at bearings, crank, drive, pistons and head. Source: docs/trade: Evidence and cause, common practice;
minutes are judgement."""

from __future__ import annotations

from halfthou.causes.look import Answer, EvidenceLook
from halfthou.causes.sign import Where

_BEARINGS, _DRIVE, _TOP = Where.BEARINGS, Where.DRIVE, Where.TOP
_A = Answer

BEARING_LOOKS = (
    EvidenceLook(
        "shell kind", "Kind of half bearing", _BEARINGS, 3,
        how="Edge filed or numbers on the back; the parts list.",
        answers=(_A("two-layer soft"), _A("three-layer with overlay"), _A("coated"), _A("not known")),
    ),
    EvidenceLook(
        "bearings", "Every half bearing graded", _BEARINGS, 20, lost_by="wash.shells",
        how="On the map, by keys, before they are wiped.",
        reads=("rods.all", "rods.one", "fatigue", "wiped.crown", "edges.opposite", "bands.middle", "back.polished",
               "shell.turned", "dirt.bedded", "scratches.sharp", "wear.by-form", "pits.acid", "uppers.fatigued",
               "mains.edge-alike", "bearings.even", "back.clean", "bearings.polished", "shells.two-layer"),
    ),
    EvidenceLook(
        "mains seen", "Every main seen", _BEARINGS, 25, how="Every cap off, both halves graded.", reads=("sheds",),
    ),
    EvidenceLook(
        "steel", "Steel of the rods", _BEARINGS, 3, how="By a spark, a file, or the parts list.",
        answers=(_A("plain steel"), _A("alloy steel"), _A("cast or nodular iron"), _A("not known")),
    ),
    EvidenceLook(
        "rod heat", "Colour of rods and caps", _BEARINGS, 5, places=("rod",),
        how="Plain steel: straw about 230 °C, brown 260, purple 280, blue 295, grey above 340. Alloy, time and oil "
        "shift it by tens of degrees.",
        answers=(_A("none"), _A("straw"), _A("brown or purple", ("journal.hot", "rods.tight-blue")),
                 _A("blue", ("journal.hot", "rods.tight-blue")), _A("grey", ("journal.hot", "rods.tight-blue")),
                 _A("tight on its pin", ("rods.tight-blue",))),
    ),
    EvidenceLook(
        "oil hole", "Oil hole over its drilling", _BEARINGS, 3, places=("half bearing",),
        answers=(_A("in line", ("hole.in-line",)), _A("not over the drilling", ("hole.covered",))),
    ),
    EvidenceLook(
        "bands", "Bands on the mains", _BEARINGS, 10, lost_by="wash.shells", several=True,
        answers=(_A("bands or scallops in several", ("bands.scallops",)),
                 _A("growing towards the middle", ("bands.middle",)),
                 _A("one end of a main shiny", ("main.shiny-end",)), _A("a cap shifted", ("cap.shifted",)),
                 _A("even", ("bearings.even",), ("bands.scallops", "bands.middle", "main.shiny-end"))),
    ),
    EvidenceLook(
        "shell marks", "Numbers on the backs", _BEARINGS, 10,
        answers=(_A("right for their place", ("marks.right",), ("marks.wrong",)), _A("wrong", ("marks.wrong",))),
    ),
    EvidenceLook(
        "torque found", "Torque the bolts were found at", _BEARINGS, 10,
        answers=(_A("right", ("torque.right",), ("bolts.loose",)), _A("loose", ("bolts.loose",))),
    ),
    EvidenceLook(
        "every pair", "Every rod with its cap: numbers, joint, size", _BEARINGS, 40,
        how="Numbers read, a nail over the joint, then the housing measured.",
        answers=(_A("agree, no step at any", ("caps.agree",), ("numbers.disagree", "cap.step")),
                 _A("numbers disagree", ("numbers.disagree",)), _A("a step at a joint", ("cap.step",))),
    ),
    EvidenceLook(
        "heat tests", "What got hot: hardness, crack test, size", _BEARINGS, 60,
        how="By a certified inspector; then the size. New half bearings clear nothing.",
        answers=(_A("hard, no crack, to size"), _A("soft or cracked")),
    ),
    EvidenceLook(
        "run-out", "Crank indicated at every main", _BEARINGS, 30,
        answers=(_A("within the maker's run-out", ("runout.within",), ("runout.beyond",)),
                 _A("beyond", ("runout.beyond",))),
    ),
    EvidenceLook(
        "tunnel", "Tunnel, caps torqued", _BEARINGS, 40, how="Bar, or bore sizes at every main.",
        answers=(_A("in line", ("line.good",), ("line.out",)), _A("out of line", ("line.out",))),
    ),
    EvidenceLook(
        "rod straight", "Rods on the fixture", _BEARINGS, 40, places=("rod",),
        answers=(_A("straight", ("rod.straight",), ("rod.bent",)), _A("bent or twisted", ("rod.bent",))),
    ),
    EvidenceLook(
        "clearance seen", "Oil clearance as built", _BEARINGS, 30,
        how="At the bench by size of both; or said so on the build sheet.",
        answers=(_A("too small", ("clearance.small",)),
                 _A("within", ("clearance.within",), ("clearance.small", "clearance.large"))),
        reads=("clearance.large",),
    ),
    EvidenceLook(
        "sizes", "Journals and housings measured", _BEARINGS, 60, how="At the bench.",
        reads=("form.beyond", "form.within", "housing.beyond", "housing.within"),
    ),
)  # fmt: skip

DRIVE_LOOKS = (
    EvidenceLook(
        "bell housing", "Bell housing, flywheel, damper", _DRIVE, 15, several=True,
        answers=(_A("bolts loose or a hole empty", ("bell.loose",)), _A("dowel missing", ("dowel.missing",)),
                 _A("damper rubber moved", ("bell.loose",)), _A("all tight", (), ("bell.loose", "dowel.missing"))),
    ),
    EvidenceLook(
        "thrust", "Thrust halves and faces", _DRIVE, 5, lost_by="wash.shells", places=("main cap",), at_thrust=True,
        how="At the main that carries them. Front is the end away from the flywheel.",
        answers=(_A("even", (), ("thrust.one-face", "thrust.both-blued")),
                 _A("front face only", ("thrust.one-face",)),
                 _A("rear face only", ("thrust.one-face",)),
                 _A("through its layer, one face", ("thrust.one-face", "bearings.gone")),
                 _A("both blued", ("thrust.both-blued",)), _A("cracked", ()),
                 _A("oil groove gone", ("thrust.both-blued",))),
    ),
    EvidenceLook(
        "float", "End float", _DRIVE, 10, how="Indicator on the crank's end, levered both ways.",
        answers=(_A("as built", ("float.as-built",), ("float.beyond", "float.nil")),
                 _A("within", ("float.within",), ("float.beyond", "float.nil")), _A("beyond", ("float.beyond",)),
                 _A("none", ("float.nil",))),
    ),
    EvidenceLook(
        "clutch", "Clutch or converter", _DRIVE, 15,
        answers=(_A("a fault found", ("clutch.fault",)), _A("good", (), ("clutch.fault",))),
    ),
    EvidenceLook(
        "timing drive", "Chain, belt, wheels, guides", _DRIVE, 15, several=True,
        answers=(_A("whole and in time", ("timing.whole",), ("timing.broken", "links.marked")),
                 _A("broken or jumped", ("timing.broken",)),
                 _A("links marked all along", ("links.marked",)), _A("guides worn", ("chain.worn",))),
    ),
    EvidenceLook(
        "shaking", "When it shakes", _DRIVE, 5, answers=(_A("at all speeds", ("vibration",)), _A("at one speed"),
        _A("never", (), ("vibration",))),
    ),
)  # fmt: skip

TOP_LOOKS = (
    EvidenceLook(
        "tune", "Timing, fuel, boost", _TOP, 20,
        answers=(_A("wrong", ("tune.wrong",)), _A("right", ("tune.right",), ("tune.wrong",))),
    ),
    EvidenceLook(
        "nozzles", "Nozzles: flow and pattern", _TOP, 30,
        answers=(_A("good", ("nozzle.good",), ("nozzle.bad",)), _A("one bad", ("nozzle.bad",))),
    ),
    EvidenceLook(
        "skirt", "Skirts", _TOP, 5, places=("piston",),
        answers=(_A("clean"), _A("polished centre"), _A("scuffed on one side"), _A("scuffed on both sides"),
                 _A("at four points or all round", ("skirt.all-round",)), _A("diagonal", ("wear.diagonal",)),
                 _A("coating worn")),
    ),
    EvidenceLook(
        "crown", "Crowns, before they are cleaned", _TOP, 5, places=("piston",), lost_by="wash.heads",
        answers=(_A("dry carbon"), _A("wet"), _A("washed clean"), _A("hammered", ("lands.broken",)),
                 _A("melted", ("lands.broken",)),
                 _A("valve mark", ("valve.marks",))),
    ),
    EvidenceLook(
        "lands", "Ring lands", _TOP, 5, places=("piston",),
        answers=(_A("whole", (), ("lands.broken",)), _A("cracked", ("lands.broken",)),
                 _A("lifted", ("gap.ends",)), _A("gone", ("lands.broken",))),
    ),
    EvidenceLook(
        "rings", "Rings", _TOP, 5, places=("piston",), several=True,
        answers=(_A("free", ("rings.free",), ("rings.stuck",)), _A("oil ring stuck", ("rings.stuck",)),
                 _A("gap ends polished or broken", ("gap.ends",)),
                 _A("one-piece oil ring", ("ring.one-piece",)), _A("gaps in line"), _A("kinds mixed"),
                 _A("wrong way up")),
    ),
    EvidenceLook(
        "bore wall", "Bores", _TOP, 5, places=("piston",), lost_by="wash.heads",
        answers=(_A("hatch seen"), _A("glazed"), _A("lines"), _A("wet with oil", ("bore.wet",)),
                 _A("washed by fuel", ("bore.washed",)),
                 _A("rust or water line", ("rust.line",)), _A("seized metal", ("skirt.all-round",))),
    ),
    EvidenceLook("gaps", "Ring gaps measured", _TOP, 30, how="At the bench.", reads=("gap.small", "gap.within")),
    EvidenceLook("bore form", "Bores gauged, plate on", _TOP, 40, how="At the bench.",
    reads=("bore.beyond", "bore.within")),
    EvidenceLook("piston size", "Pistons measured", _TOP, 30, how="At the bench.",
    reads=("piston.tight", "piston.within")),
    EvidenceLook(
        "guides", "Valve guides", _TOP, 30, answers=(_A("within", ("guides.within",), ("guides.beyond",)),
        _A("beyond", ("guides.beyond",))),
    ),
    EvidenceLook(
        "ports", "Ports", _TOP, 5, lost_by="wash.heads", answers=(_A("wet", ("ports.wet",)),
        _A("dry", (), ("ports.wet",))),
    ),
    EvidenceLook(
        "gasket", "Head gasket, before it is thrown away", _TOP, 5, lost_by="wash.heads",
        answers=(_A("burn track between bores", ("burn.track",)), _A("burn track to water", ("burn.track",)),
                 _A("burn track to an oil way", ("burn.track",)),
                 _A("fire ring squashed"), _A("good", ("gasket.good",), ("burn.track",))),
    ),
    EvidenceLook(
        "deck flat", "Deck and head: straightedge, then pressed", _TOP, 30,
        answers=(_A("flat, no track, test holds", ("deck.sound",), ("burn.track",)), _A("flat"), _A("out of flat")),
    ),
    EvidenceLook(
        "pressure test", "Pressure test of the water side", _TOP, 40,
        answers=(_A("leaks", ("coolant.leaks",)),
                 _A("holds hot and cold, cooler too", ("coolant.holds",), ("coolant.leaks",)),
                 _A("holds cold", ("coolant.holds-cold",))),
    ),
    EvidenceLook(
        "deck work", "Deck work or studs lately", _TOP, 5, answers=(_A("yes", ("deck.work",)),
        _A("no", (), ("deck.work",))),
    ),
    EvidenceLook(
        "rod lengths", "Rod lengths and pin heights", _TOP, 40,
        answers=(_A("all equal", ("lengths.equal",), ("lengths.differ",)), _A("one differs", ("lengths.differ",))),
    ),
    EvidenceLook(
        "castings", "Casting numbers", _TOP, 5, answers=(_A("one differs", ("casting.differs",)),
        _A("all alike", (), ("casting.differs",))),
    ),
    EvidenceLook(
        "locked", "Taken in water or fuel", _TOP, 5, answers=(_A("yes", ("lock.hydraulic",)),
        _A("no", (), ("lock.hydraulic",))),
    ),
)  # fmt: skip
