"""Schools: where good shops disagree, the ways there are, and the argument for each.

Source: docs/trade, common practice, no source; the argument is each school's own.
"""

from __future__ import annotations

from enum import StrEnum
from typing import NamedTuple

from halfthou.jobs import (
    BentCrank,
    BlueRod,
    Chamfers,
    CrackTest,
    GlazedBore,
    Guard,
    HardenedCrank,
    PumpAfterMetal,
    StretchBolts,
    StripFar,
    UsedShells,
    WornBore,
)


class About(StrEnum):
    """What a school is about."""

    CRANK = "crank"
    BLOCK = "block"
    STRIP = "strip"


class Way(NamedTuple):
    """One way a shop may keep: its value in the house rules, what it is called, why."""

    value: str | bool
    title: str
    why: str


class School(NamedTuple):
    """A house rule that is a choice: its name in the house rules, what it is about, its ways."""

    rule: str
    about: About
    title: str
    ways: tuple[Way, ...]


#: Every choice of the house rules, in the order of the page.
SCHOOLS: tuple[School, ...] = (
    School("guard", About.CRANK, "How sure before a value is called within or beyond", (
        Way(Guard.ONE_SIDED_95, "95 % sure",
            "A value must clear its limit by 1.645 times the gauge's standard uncertainty. Fewer readings end "
            "in doubt."),
        Way(Guard.TWO_U, "Twice the uncertainty",
            "Stricter: about 98 % sure. More readings end in doubt and want a finer gauge."),
    )),
    School("hardened_crank", About.CRANK, "A hardened crank that needs grinding", (
        Way(HardenedCrank.NEVER, "Never ground",
            "The case may be gone after a grind and nobody sees it. A hardened crank that is worn out is "
            "replaced."),
        Way(HardenedCrank.WITHIN_CASE, "Ground within the case",
            "Where the maker's case depth is on the sheet and enough is left, it is ground and its hardness "
            "checked after."),
    )),
    School("keep_axis", About.CRANK, "Where a score decides", (
        Way(True, "Keep the axis",
            "Ground about the axis it has: throw and index stay as they are."),
        Way(False, "Move it where it saves the crank",
            "A grinder who can set the axis anew may save a scored journal. Stroke and index move with it."),
    )),
    School("mixed_sizes", About.CRANK, "A journal that was ground singly", (
        Way(False, "One size for a set",
            "All mains alike, all rods alike: no shell goes to the wrong place."),
        Way(True, "Mixed shells allowed",
            "A journal ground singly keeps its own shells; every place is marked on the sheet."),
    )),
    School("pistons_keep", About.BLOCK, "A piston that is used again", (
        Way(True, "Back into its own bore",
            "A used piston and its bore have worn to each other. Only what is new goes where it fits best."),
        Way(False, "Where it fits best",
            "Sound pistons are paired with the bores over the whole set, nearest to the clearance aimed at."),
    )),
    School("pump_after_metal", About.BLOCK, "A pump that metal went through", (
        Way(PumpAfterMetal.MEASURE, "Flush it, measure it, reuse it if within",
            "A pump within every figure pumps. It still goes back only on a person's word, with the reason."),
        Way(PumpAfterMetal.NEW, "New regardless",
            "Metal that went through it may lie in it, and what it scored shows later. A pump costs less than "
            "a crank."),
    )),
    School("glazed_bore", About.BLOCK, "A bore that is glazed and still round", (
        Way(GlazedBore.LIGHT_HONE, "Light hone",
            "The glaze is broken so that new rings seat. What it takes off must leave the bore within its "
            "limit."),
        Way(GlazedBore.LEAVE, "Leave it alone",
            "A round bore that sealed goes on sealing with the rings it has; a hone only wears it."),
        Way(GlazedBore.FULL_HONE, "Always a full hone",
            "A glaze hides the shape: the bore is honed whole and measured again, to the next size if it "
            "asks."),
    )),
    School("worn_bore", About.BLOCK, "Worn bores whose pistons are good", (
        Way(WornBore.OVERSIZE, "First oversize, new pistons",
            "Bore, hone and piston are new together. Every wall gets thinner by it."),
        Way(WornBore.THIN_SLEEVE, "Thin sleeves, keep the pistons",
            "Good pistons of a rare engine stay, and no oversize is used up. Every sleeve is a press fit to "
            "answer for."),
    )),
    School("crack_test", About.CRANK, "Crack test after grinding", (
        Way(CrackTest.EVERY, "After every grind",
            "Grinding can crack any crank. A test costs little beside an engine."),
        Way(CrackTest.HARDENED, "Hardened, hot or straightened cranks only",
            "A soft crank ground cool hardly cracks. Where it is hard, was hot or was pressed, it is tested."),
    )),
    School("bent_crank", About.CRANK, "A bent crank", (
        Way(BentCrank.STRAIGHTEN, "Straightened cold, then ground",
            "Pressed at the fillet by somebody trained, indicated, left overnight, indicated again, crack-tested. "
            "Never cast iron, rolled fillets or a hard skin."),
        Way(BentCrank.REPLACE, "Replaced",
            "What was pressed can creep back or hold a crack that no test shows. Another crank is found."),
    )),
    School("chamfers", About.CRANK, "Oil holes of a ground crank", (
        Way(Chamfers.EVERY, "Chamfered again after every grind",
            "Grinding shrinks the chamfer and sharpens its edge. All of them are cut again and rounded."),
        Way(Chamfers.SHARP, "Chamfered where an edge is sharp",
            "Each one is felt after grinding, and what is still round is left as it is."),
    )),
    School("keep_bore_axis", About.BLOCK, "The axis of a worn bore", (
        Way(True, "Bored about the axis it has",
            "The bore stays where it stands, and the worst side of its wear decides the size."),
        Way(False, "Axis moved where it saves a size",
            "A radial profile shows how far the bore may be moved. It then no longer stands where it did."),
    )),
    School("torque_plate", About.BLOCK, "The block under load", (
        Way(False, "Bored and measured free",
            "As most makers' limits are given. The head pulls the bore out of round when it is bolted down."),
        Way(True, "With the torque plate fitted",
            "The block stands as it will run. A bore read free does not count against one finished under the "
            "plate."),
    )),
    School("strip_far", About.STRIP, "How far an engine is stripped where a fault can end the job", (
        Way(StripFar.EVERYTHING, "Everything",
            "What is not looked at is not found. Where a fault can end the job the customer is asked, and the "
            "strip goes on."),
        Way(StripFar.FIRST_FATAL, "To the first fatal fault",
            "Every hour after it is the customer's. Work stops, and the ways on are put before them."),
    )),
    School("stretch_bolts", About.STRIP, "Stretch bolts", (
        Way(StretchBolts.NEW, "Always new",
            "A stretch bolt costs less than doubt about it."),
        Way(StretchBolts.MEASURED, "By measured stretch",
            "Used again within its growth over the new free length. Not measured, or too close to call: "
            "renewed."),
    )),
    School("keep_shells", About.STRIP, "Old half bearings", (
        Way(True, "Kept until the hand-over",
            "Old half bearings are evidence; they stay in their bags."),
        Way(False, "Not kept",
            "Graded and photographed, then thrown away."),
    )),
    School("used_shells", About.STRIP, "Used half bearings", (
        Way(UsedShells.NEW, "Always new when open",
            "Half bearings cost little beside the labour. What lies open gets new ones."),
        Way(UsedShells.REFIT, "Refit within limits",
            "Sound by eye on every half, the journal reused, oil clearance measured within. The eye alone "
            "accepts none."),
    )),
    School("blue_rod", About.STRIP, "A rod that went blue", (
        Way(BlueRod.SCRAP, "Scrapped",
            "A rod that was blue has lost what it was made with. It is replaced."),
        Way(BlueRod.TEST, "Resized after hardness and crack test",
            "Hard and whole by test, it is resized and measured. Until then it is open."),
    )),
)  # fmt: skip
