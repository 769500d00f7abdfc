"""Looks along the oil's way: history, oil, pickup, pump, filter, debris. Source: docs/trade: Evidence and cause,
common practice; minutes are judgement."""

from __future__ import annotations

from halfthou.causes.look import Answer, EvidenceLook
from halfthou.causes.sign import Where

_OIL, _SUPPLY, _FILTER = Where.OIL, Where.SUPPLY, Where.FILTER
_A = Answer

OIL_LOOKS = (
    EvidenceLook(
        "level", "Oil level on arrival", _OIL, 3, lost_by="oil.drained", how="By the stick, level, after standing.",
        answers=(_A("low or none", ("level.low",)), _A("right", ("level.right",), ("level.low",)),
                 _A("over", ("foaming", "level.right"), ("level.low",)),
                 _A("said to be right", ("level.said-right",))),
    ),
    EvidenceLook(
        "leak", "Where oil was lost", _OIL, 15, lost_by="stand.washed",
        how="Drain plug, filter seat, seals, lines, before it is washed outside.",
        answers=(_A("a leak found", ("leak.found",)), _A("none", (), ("leak.found",))),
    ),
    EvidenceLook(
        "oil seen", "Oil as it looks and smells", _OIL, 3, lost_by="oil.drained", several=True,
        answers=(_A("black, varnish inside", ("oil.black",)),
                 _A("clean", ("inside.clean",), ("oil.black", "oil.milky")),
                 _A("milky", ("oil.milky",)), _A("smells of fuel", ("fuel.smell",)), _A("foaming", ("foaming",))),
    ),
    EvidenceLook(
        "oil hours", "Hours on the oil", _OIL, 5, how="By the book or the label; say who says so.",
        answers=(_A("past its time", ("oil.overdue",)), _A("in time", (), ("oil.overdue",))),
    ),
    EvidenceLook(
        "since opened", "Hours since it was last opened", _OIL, 5,
        answers=(_A("first start", ("opened.lately", "hours.few")), _A("few hours", ("opened.lately", "hours.few")),
                 _A("many hours", ("hours.many",), ("opened.lately", "hours.few"))),
    ),
    EvidenceLook(
        "failed before", "Failed like this before", _OIL, 5,
        answers=(_A("yes, the same", ("failed.twice",)), _A("no", (), ("failed.twice",))),
    ),
    EvidenceLook(
        "broke before", "A part that broke before", _OIL, 5,
        answers=(_A("yes, on record", ("broken.before",)), _A("none", (), ("broken.before",))),
    ),
    EvidenceLook(
        "pump history", "A fresh pump before", _OIL, 5,
        answers=(_A("fitted, nothing changed", ("pump.fresh",)), _A("none fitted", (), ("pump.fresh",))),
    ),
    EvidenceLook(
        "carried over", "Parts carried over", _OIL, 10, several=True,
        how="Cooler, lines, pump, tank, turbo, injectors: from which engine, how cleaned.",
        answers=(_A("cooler, lines, pump or tank", ("carried.over",)),
                 _A("injectors", ("injector.carried", "carried.over")),
                 _A("none: all renewed and washed", ("all.renewed",), ("carried.over", "injector.carried"))),
    ),
    EvidenceLook(
        "dry starts", "Starts", _OIL, 5,
        answers=(_A("lamp long after starting", ("starts.dry",)), _A("lamp out at once", (), ("starts.dry",))),
    ),
    EvidenceLook(
        "stood", "How it stood", _OIL, 5,
        answers=(_A("ran daily", ("ran.daily",)), _A("stood long", ())),
    ),
    EvidenceLook(
        "sample again", "A second sample", _OIL, 20, how="Hot and running, mid-stream, another bottle.",
        answers=(_A("clean", ("sample.second-clean",)), _A("says the same", ("sample.second-same",)),
                 _A("water or wash got into the first", ("sample.got-in",))),
    ),
    EvidenceLook(
        "oil report", "Oil report", _OIL, 15, how="Written down under Oil report, with how it was drawn.",
        reads=("dilution.high", "dilution.nil"),
    ),
    EvidenceLook(
        "breather", "Breather and injector seats", _OIL, 20, lost_by="wash.heads",
        how="Deposit and blow-by at each seat; breather blown through.",
        answers=(_A("a seat or the breather leaks", ("seat.leaks",)),
                 _A("tight", ("seat.tight",), ("seat.leaks",))),
    ),
)  # fmt: skip

SUPPLY_LOOKS = (
    EvidenceLook(
        "screen", "Screen, before it is cleaned", _SUPPLY, 5, lost_by="wash.pan",
        how="Photograph it where it lies; hold it to the light.",
        answers=(_A("blocked", ("screen.blocked",)), _A("part blocked", ("screen.blocked",)),
                 _A("clear", ("screen.clear",), ("screen.blocked", "debris.carbon")), _A("torn", ("dirt.in-oil",))),
    ),
    EvidenceLook(
        "in the screen", "What lay in screen and pan", _SUPPLY, 10, lost_by="wash.pan", several=True,
        how="Strained through white cloth, sorted, a magnet over it.",
        answers=(_A("carbon", ("debris.carbon",)), _A("sealant", ("debris.carbon",)),
                 _A("copper or bronze flakes", ("bearings.gone",)),
                 _A("bright flakes, not magnetic", ("metal.found",)), _A("grey paste", ("bearings.gone",)),
                 _A("steel curls or abrasive", ("curls",)), _A("needles or chips", ("metal.found",)), _A("fibres"),
                 _A("nothing", (), ("debris.carbon", "curls", "bearings.gone"))),
    ),
    EvidenceLook(
        "pickup seal", "Pickup seal beside a new one", _SUPPLY, 10, lost_by="wash.pan",
        how="Section measured; does it go on without force? Tube pressed under water.",
        answers=(_A("fat and tight, tube sound", ("seal.sound",), ("seal.wrong",)), _A("thin", ("seal.wrong",)),
                 _A("doubled", ("seal.wrong",)), _A("wrong section", ("seal.wrong",)),
                 _A("missing", ("seal.wrong",)),
                 _A("tube cracked or loose", ("seal.wrong",))),
    ),
    EvidenceLook(
        "push rod tips", "Push rod tips", _SUPPLY, 5, lost_by="wash.heads",
        answers=(_A("some dull", ("tips.some",)), _A("all bright", (), ("tips.some",)),
                 _A("all dull", ("cam.dry",))),
    ),
    EvidenceLook(
        "pump inside", "Pump opened: wet or dry", _SUPPLY, 10, lost_by="wash.pump",
        answers=(_A("wet with oil", (), ("pump.dry",)), _A("dry inside", ("pump.dry",))),
    ),
    EvidenceLook(
        "pump body", "Pump body", _SUPPLY, 5,
        answers=(_A("smooth", (), ("pump.scored",)), _A("scored", ("pump.scored",)),
                 _A("cracked", ("pump.scored",))),
    ),
    EvidenceLook(
        "pump gears", "Pump gears or rotors", _SUPPLY, 5,
        answers=(_A("sound", (), ("pump.blued",)), _A("blued", ("pump.blued",)), _A("chipped", ("pump.jammed",)),
                 _A("scored", ("pump.scored",))),
    ),
    EvidenceLook(
        "pump turns", "Pump turned by hand", _SUPPLY, 3,
        answers=(_A("spins free", (), ("pump.jammed",)), _A("jammed", ("pump.jammed",))),
    ),
    EvidenceLook(
        "pump measured", "Pump measured", _SUPPLY, 30, how="At the bench: end, tip, backlash.",
        reads=("pump.beyond", "pump.within"),
    ),
    EvidenceLook(
        "drive", "Pump drive: tang, hex or chain", _SUPPLY, 5,
        answers=(_A("whole", ("drive.whole",), ("drive.broken",)), _A("broken or rounded off", ("drive.broken",)),
                 _A("loose", ("drive.broken",))),
    ),
    EvidenceLook(
        "relief", "Relief plunger, before it is moved", _SUPPLY, 5, lost_by="wash.pump",
        answers=(_A("free and clean", ("relief.free",), ("relief.stuck",)), _A("stuck open", ("relief.stuck",)),
                 _A("stuck shut", ()), _A("chip under it", ("relief.stuck",))),
    ),
    EvidenceLook(
        "insert", "Filter, insert and bypass", _SUPPLY, 5, lost_by="wash.filter",
        answers=(_A("right", ("insert.right",), ("insert.missing",)), _A("insert missing", ("insert.missing",)),
                 _A("out of place", ("insert.missing",)), _A("wrong filter", ("insert.missing",))),
    ),
    EvidenceLook(
        "drilling", "Oil drillings, before they are flushed", _SUPPLY, 20, lost_by="wash.block",
        places=("rod",), how="Air, then wire, then light, pin by pin.",
        answers=(_A("air passes freely", ("drilling.clear",), ("drilling.blocked",)),
                 _A("blocked", ("drilling.blocked",))),
    ),
    EvidenceLook(
        "cam dry", "Cam, rockers, turbo", _SUPPLY, 10,
        answers=(_A("ran dry", ("cam.dry",)), _A("oiled", (), ("cam.dry",))),
    ),
)  # fmt: skip

FILTER_LOOKS = (
    EvidenceLook(
        "filter", "Filter cut open", _FILTER, 20, harm=2, lost_by="wash.filter", several=True,
        how="Cut without making swarf; pleats pressed on white paper; a magnet over it.",
        answers=(_A("clean", (), ("bearings.gone",)), _A("copper or bronze", ("bearings.gone",)),
                 _A("steel or iron", ("metal.found",)), _A("bright flakes, not magnetic", ("metal.found",)),
                 _A("carbon", ("debris.carbon",)),
                 _A("collapsed", ("insert.missing",))),
    ),
    EvidenceLook(
        "dirt", "Dirt past the filter", _FILTER, 10, lost_by="wash.block",
        answers=(_A("found in the gallery", ("dirt.in-oil",)), _A("none", (), ("dirt.in-oil",))),
    ),
    EvidenceLook(
        "metal of", "What the metal matches", _FILTER, 15, how="Colour, magnet, file; the lab where it matters.",
        answers=(_A("a part above, worn", ("debris.matches", "part.worn")),
                 _A("no part of that metal is worn", ("part.none-worn",)),
                 _A("a part that broke before", ("fragment.matches-old",)),
                 _A("no part that broke before", ("fragment.no-match",), ("fragment.matches-old",))),
    ),
    EvidenceLook(
        "sheds", "Does anything shed metal now", _FILTER, 15,
        how="Every half bearing, thrust face and follower seen.",
        answers=(_A("nothing, all seen", ("nothing.sheds",)),
                 _A("a bearing sheds", ("sheds",), ("nothing.sheds",))),
    ),
)  # fmt: skip
