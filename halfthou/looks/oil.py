"""Looks along the oil's way: history, oil, pickup, pump, filter, debris. Source: docs/trade: Evidence and cause,
common practice; minutes are judgement."""

from __future__ import annotations

from halfthou.looks.look import Answer, Asks, LookKind, Where, plain

_OIL, _SUPPLY, _FILTER = Where.OIL, Where.SUPPLY, Where.FILTER
_A = Answer

OIL_LOOKS = (
    LookKind(
        "turn", plain("free", "tight all round", "tight at one place", "locked"), name="Turned by hand",
        worse=("free", "tight all round", "tight at one place", "locked"),
    ),
    LookKind(
        "level", name="Oil level on arrival", where=_OIL, minutes=3, lost_by="oil.drained",
        how="By the stick, level, after standing.",
        answers=(_A("low or none", ("level.low",)), _A("right", ("level.right",), ("level.low",)),
                 _A("over", ("level.right", "level.over"), ("level.low",)),
                 _A("said to be right", ("level.said-right",))),
    ),
    LookKind(
        "leak", name="Where oil was lost", where=_OIL, minutes=15, lost_by="stand.washed",
        how="Drain plug, filter seat, seals, lines, before it is washed outside.",
        answers=(_A("a leak found", ("leak.found",)), _A("none", (), ("leak.found",))),
    ),
    LookKind(
        "oil seen", name="Oil as it looks and smells", where=_OIL, minutes=3, lost_by="oil.drained", several=True,
        answers=(_A("black, varnish inside", ("oil.black",)),
                 _A("clean", ("inside.clean",), ("oil.black", "oil.milky")),
                 _A("milky", ("oil.milky",)), _A("smells of fuel", ("fuel.smell",)), _A("foaming", ("foaming",)),
                 _A("thick", ("oil.thick",)), _A("glitter in it", ("bearings.gone",)),
                 _A("water under it", ("oil.milky",)),
                 _A("the wrong kind", ("oil.can-wrong",))),
    ),
    LookKind(
        "sludge", name="Small oil ways, for sludge", where=_OIL, minutes=30,
        opened_by="pan.off", lost_by="wash.block",
        how="Screen, drains, rocker shaft, relief: what blocks a way, and what it is.",
        answers=(_A("sludge or varnish blocks a way", ("sludge.blocks", "oil.black")),
                 _A("ways open", (), ("sludge.blocks",))),
    ),
    LookKind(
        "grade", name="Grade of the oil", where=_OIL, minutes=10,
        how="What the engine's maker asks for, against the can and the report.",
        answers=(_A("wrong, by the report", ("oil.grade-wrong",)), _A("wrong, by the can", ("oil.can-wrong",)),
                 _A("right, by the report", ("oil.grade-right",), ("oil.grade-wrong", "oil.can-wrong"))),
    ),
    LookKind(
        "overrun", name="Missed gear or runaway", where=_OIL, minutes=5,
        answers=(_A("told so", ("speed.told",)), _A("no", (), ("speed.told",))),
    ),
    LookKind(
        "earlier hands", name="Earlier hands", where=_OIL, minutes=5, several=True, lost_by="stand.washed",
        how="All round, before it is washed.",
        answers=(_A("foreign sealant", ("sealant.foreign",)),
                 _A("shreds of silicone", ("debris.carbon", "sealant.foreign")), _A("torque paint"),
                 _A("a repaired thread"), _A("a part from another maker"), _A("a part missing"),
                 _A("mixed bolts", ("bolts.mixed",)),
                 _A("fresh paint"), _A("nobody was in it")),
    ),
    LookKind(
        "oil hours", name="Hours on the oil", where=_OIL, minutes=5,
        how="By the book or the label; say who says so.",
        answers=(_A("past its time", ("oil.overdue",)), _A("in time", (), ("oil.overdue",))),
    ),
    LookKind(
        "since opened", name="Hours since it was last opened", where=_OIL, minutes=5,
        answers=(_A("first start", ("opened.lately", "hours.few")), _A("few hours", ("opened.lately", "hours.few")),
                 _A("many hours", ("hours.many",), ("opened.lately", "hours.few"))),
    ),
    LookKind(
        "failed before", name="Failed like this before", where=_OIL, minutes=5,
        answers=(_A("yes, the same", ("failed.twice",)), _A("no", (), ("failed.twice",))),
    ),
    LookKind(
        "broke before", name="A part that broke before", where=_OIL, minutes=5,
        answers=(_A("yes, on record", ("broken.before",)), _A("none", (), ("broken.before",))),
    ),
    LookKind(
        "pump history", name="A fresh pump before", where=_OIL, minutes=5,
        answers=(_A("fitted, nothing changed", ("pump.fresh",)), _A("none fitted", (), ("pump.fresh",))),
    ),
    LookKind(
        "carried over", name="Parts carried over", where=_OIL, minutes=10, several=True,
        how="Cooler, lines, pump, tank, turbo, injectors: from which engine, how cleaned.",
        answers=(_A("cooler, lines, pump or tank", ("carried.over",)),
                 _A("injectors", ("injector.carried", "carried.over")),
                 _A("none: all renewed and washed", ("all.renewed",), ("carried.over", "injector.carried"))),
    ),
    LookKind(
        "dry starts", name="Starts", where=_OIL, minutes=5,
        answers=(_A("lamp long after starting", ("starts.dry",)), _A("lamp out at once", (), ("starts.dry",))),
    ),
    LookKind(
        "stood", name="How it stood", where=_OIL, minutes=5,
        answers=(_A("ran daily", ("ran.daily",)), _A("stood long", ()),
                 _A("a water line and pits, level as it stood", ("stood.proved", "rust.line"))),
    ),
    LookKind(
        "sample again", name="A second sample", where=_OIL, minutes=20,
        how="Hot and running, mid-stream, another bottle.",
        answers=(_A("clean", ("sample.second-clean",)), _A("says the same", ("sample.second-same",)),
                 _A("water or wash got into the first", ("sample.got-in",))),
    ),
    LookKind(
        "oil report", name="Oil report", where=_OIL, minutes=15,
        how="Written down under Oil report, with how it was drawn.",
        reads=("dilution.high", "dilution.nil"),
    ),
    LookKind(
        "breather", name="Breather and injector seats", where=_OIL, minutes=20, lost_by="wash.heads",
        how="Deposit and blow-by at each seat; breather blown through.",
        answers=(_A("a seat or the breather leaks", ("seat.leaks",)),
                 _A("tight", ("seat.tight",), ("seat.leaks",))),
    ),
)  # fmt: skip

#: How a filter was cut, and the way that makes metal of its own: what is found in it then counts less.
FILTER_CUT, ABRASIVE = "filter cut", "with a saw or disc"
#: What lies in pan and valleys beside carbon and sealant: how much, how large and of which colour is asked.
_DEBRIS = (
    _A("copper or bronze flakes", ("bearings.gone",), asks=Asks.DEBRIS, magnetic=False),
    _A("bright flakes, not magnetic", ("metal.found",), asks=Asks.DEBRIS, magnetic=False),
    _A("grey paste", ("bearings.gone",), asks=Asks.DEBRIS),
    _A("steel curls or abrasive", ("curls",), asks=Asks.DEBRIS),
    _A("needles", ("metal.found", "metal.needles"), asks=Asks.DEBRIS),
    _A("chips", ("metal.found",), asks=Asks.DEBRIS),
    _A("a fragment nobody knows", ("metal.found",), asks=Asks.DEBRIS),
)

SUPPLY_LOOKS = (
    LookKind(
        "dry beyond", name="Dry places beyond the pump", where=_SUPPLY, minutes=10,
        opened_by="covers.off", lost_by="wash.block",
        how="Cam, mains and rods, seen or told, within the first minutes after it was opened.",
        answers=(_A("pump and ways dry since it was opened", ("dry.first-start", "pump.dry")),
                 _A("oil everywhere", (), ("dry.first-start", "cam.dry"))),
    ),
    LookKind(
        "in the screen", name="What lay in screen and pan", where=_SUPPLY, minutes=10, opened_by="pan.off",
        lost_by="wash.pan", several=True,
        how="Strained through white cloth, sorted, a magnet over it.",
        answers=(_A("carbon", ("debris.carbon",)), _A("sealant", ("debris.carbon", "sealant.foreign")),
                 *_DEBRIS, _A("fibres", ("fibres",)),
                 _A("needles or chips", ("metal.found",), former=True),
                 _A("nothing", (), ("debris.carbon", "curls", "bearings.gone", "fibres"))),
    ),
    LookKind(
        "in the valleys", name="What lay in valleys and drains", where=_SUPPLY, minutes=10,
        opened_by="covers.off", lost_by="wash.block", several=True,
        how="Wiped out on white cloth, sorted, a magnet over it.",
        answers=(*_DEBRIS, _A("nothing", (), ("curls",))),
    ),
    LookKind(
        "push rod tips", name="Push rod tips", where=_SUPPLY, minutes=5,
        opened_by="covers.off", lost_by="wash.heads",
        answers=(_A("some dull", ("tips.some",)), _A("all bright", (), ("tips.some",)),
                 _A("all dull", ("cam.dry",)), _A("bent"), _A("out of order")),
    ),
    LookKind(
        "insert", name="Filter, insert and bypass", where=_SUPPLY, minutes=5,
        opened_by="filter.off", lost_by="wash.filter",
        answers=(_A("right", ("insert.right",), ("insert.missing",)), _A("insert missing", ("insert.missing",)),
                 _A("out of place", ("insert.missing",)), _A("wrong filter", ("insert.missing",))),
    ),
    LookKind(
        "drilling", name="Oil drillings, before they are flushed", where=_SUPPLY, minutes=20,
        opened_by="cap-rod-*.off", lost_by="wash.block",
        on=("rod",), how="Air, then wire, then light, pin by pin.",
        answers=(_A("air passes freely", ("drilling.clear",), ("drilling.blocked",)),
                 _A("blocked", ("drilling.blocked",))),
    ),
    LookKind(
        "cam and followers", name="Cam lobes and followers", where=_SUPPLY, minutes=10,
        opened_by="follower-*.out", several=True,
        answers=(_A("sound", ("cam.sound",), ("cam.bad",)),
                 *(_A(text, ("cam.bad",)) for text in ("a lobe flat", "pitted", "a nail catches"))),
    ),
    LookKind(
        "cam dry", name="Cam, rockers, turbo", where=_SUPPLY, minutes=10, opened_by="covers.off",
        answers=(_A("ran dry", ("cam.dry",)), _A("oiled", (), ("cam.dry",))),
    ),
)  # fmt: skip

FILTER_LOOKS = (
    LookKind(
        "filter", name="Filter cut open", where=_FILTER, minutes=20,
        opened_by="filter.off", harm=2, lost_by="wash.filter", several=True,
        how="Cut without making swarf; pleats pressed on white paper; a magnet over it.",
        answers=(_A("clean", (), ("bearings.gone",)),
                 _A("copper or bronze", ("bearings.gone",), asks=Asks.DEBRIS, magnetic=False),
                 _A("steel or iron", ("metal.found", "metal.iron"), asks=Asks.DEBRIS, magnetic=True),
                 _A("bright flakes, not magnetic", ("metal.found",), asks=Asks.DEBRIS, magnetic=False),
                 _A("needles", ("metal.found", "metal.needles"), asks=Asks.DEBRIS),
                 _A("carbon", ("debris.carbon",)), _A("coated"), _A("pleats full"),
                 _A("cut with an abrasive", former=True),
                 _A("collapsed", ("insert.missing",))),
    ),
    LookKind(
        FILTER_CUT, name="How the filter was cut", where=_FILTER, minutes=2, opened_by="filter.off",
        how="A saw or a disc makes metal of its own.",
        answers=(_A("with a cutter, no swarf"), _A(ABRASIVE)),
    ),
    LookKind(
        "dirt", name="Dirt past the filter", where=_FILTER, minutes=10,
        opened_by="gallery-plugs.out", lost_by="wash.block",
        answers=(_A("found in the gallery", ("dirt.in-oil",)), _A("none", (), ("dirt.in-oil",))),
    ),
    LookKind(
        "behind plugs", name="Galleries, plugs out", where=_FILTER, minutes=20,
        opened_by="gallery-plugs.out", lost_by="wash.block",
        how="What lies behind a plug that only a build opens.",
        answers=(_A("chips or blasting grit", ("chips.behind-plug", "dirt.in-oil")),
                 _A("clean", (), ("chips.behind-plug",))),
    ),
    LookKind(
        "carried opened", name="What was carried over, cut or flushed", where=_FILTER, minutes=30,
        how="Cut open, or flushed both ways through white cloth.",
        answers=(_A("metal of the earlier failure in it", ("carried.metal",)),
                 _A("clean", (), ("carried.metal",))),
    ),
    LookKind(
        "metal of", name="What the metal matches", where=_FILTER, minutes=15,
        how="Colour, magnet, file; the lab where it matters.",
        answers=(_A("a part above, worn", ("debris.matches", "part.worn", "upstream.matched")),
                 _A("no part of that metal is worn", ("part.none-worn",)),
                 _A("a part that broke before", ("fragment.matches-old",)),
                 _A("no part that broke before", ("fragment.no-match",), ("fragment.matches-old",))),
    ),
    LookKind(
        "sheds", name="Does anything shed metal now", where=_FILTER, minutes=15, opened_by="cap-*.off",
        how="Every half bearing, thrust face and follower seen.",
        answers=(_A("nothing, all seen", ("nothing.sheds",)),
                 _A("a bearing sheds", ("sheds",), ("nothing.sheds",))),
    ),
)  # fmt: skip
