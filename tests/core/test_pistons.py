"""Pistons: the place that counts, clearance, pin, grooves, the eye; bore and piston together; pairing by facts."""

from __future__ import annotations

from typing import Any

import pytest
from uncertainties import ufloat

from halfthou.assess import assess, is_whole, judge
from halfthou.engines import usual_layouts
from halfthou.jobs import HouseRules
from halfthou.lengths import Asked, Notation, Unit
from halfthou.parts import CATALOGUE
from halfthou.parts.fit import typical_clearance
from halfthou.surveys import ReadBy, read_spot, window_for
from halfthou.verdicts import Called, Open
from tests.boring import NEW
from tests.loosen import MIC, SOUND, THOU_MIC, at, brought, fitted, grams, loose, piston_limits, saw, skirts
from tests.making import CASES, band, figure, inches

GOOD = ("3.9978", "3.9978", "3.9979", "3.9978")


def only(*args: Any, **more: Any) -> Any:
    return loose(*args, scope=("bores", "pistons"), **more)


def part(job: Any, name: str = "piston-1") -> Any:
    return assess(job).part(name)


def test_four_sound_pistons_in_their_bores_go_back() -> None:
    found = assess(only(skirts(*GOOD), seen=SOUND))
    assert [one.action for one in found.parts if one.kind == "piston"] == ["reuse"] * 4
    assert found.of("pistons").action == "reuse"
    clearance = part(only(skirts(*GOOD), seen=SOUND)).clearance.words
    assert clearance == "0.0025 to 0.0025", "4.0003 less 3.9978, by hand"


def test_without_the_height_of_the_gauge_point_there_is_no_verdict() -> None:
    """Source: docs/trade: Measuring a piston: only at the maker's height."""
    job = only(skirts(*GOOD), seen=SOUND, on={"pistons": piston_limits(figures={"gauge_height": None})})
    report = part(job)
    assert (report.action, report.headline) == ("measure", "Find the height")
    assert Open.PLACE in report.opens
    assert not [one for one in report.figures if "clearance" in one.key or one.key == "collapse"]
    assert not is_whole(judge(job))


@pytest.mark.parametrize("under", ["0.0150", "0.0280", "0.0400"])
def test_a_skirt_that_reads_like_a_land_is_asked_about_and_never_judged(under: str) -> None:
    """Common practice, from memory: a ring land is 0.015 to 0.040 in smaller than the skirt."""
    read = f"{3.9975 - float(under):.4f}"
    report = part(only(skirts(read, *GOOD[1:]), seen=SOUND))
    assert (report.action, report.headline) == ("measure", "Wrong place?")
    assert any("ring land" in reason.text for reason in report.reasons)


def test_28_thou_under_is_asked_about_before_it_lands() -> None:
    """Trade case, common practice: bore 3.500, piston read 3.469 at the skirt point."""
    limits = piston_limits(figures={"size": band("3.4970", "3.4976")})
    job = only(on={"pistons": limits})
    feature = CATALOGUE["piston"].by_key["skirt"]
    window = window_for(job.limits, "pistons", feature, inches("0"), ())
    found = read_spot("3.469", Unit.INCH, feature, window, ReadBy(MIC))
    assert isinstance(found, Asked)
    assert "On a land" in found.question
    assert "digit missing" in found.question
    assert not isinstance(read_spot("3.4969", Unit.INCH, feature, window, ReadBy(MIC)), Asked)


def test_a_collapsed_skirt_is_replaced_and_an_oval_one_is_design() -> None:
    """Common practice, no source: collapse past 0.001 to 0.002 in; the foot of a skirt is made wider."""
    assert part(only(skirts("3.9955", *GOOD[1:]), seen=SOUND)).action == "replace"
    foot = at("piston-1", "skirt foot", "3.9990")
    report = part(only((*skirts(*GOOD), *foot), seen=SOUND))
    assert report.action == "reuse"
    assert any("made so, not damage" in reason.text for reason in report.reasons)


@pytest.mark.parametrize(
    ("look", "answer", "action"),
    [
        ("skirts", "scuffed on one skirt", "replace"),
        ("skirts", "scuffed at four corners", "replace"),
        ("skirts", "light marks", "reuse"),
        ("lands", "land broken", "replace"),
        ("crown", "holed", "replace"),
        ("crown", "washed clean", "reuse"),
        ("pin bores", "scored", "replace"),
        ("pin", "loose at one boss", "replace"),
        ("pin", "stiff", "re-pin or bush"),
        ("pin", "blued", "refer"),
        ("grooves", "stepped", "regroove"),
        ("crack test", "crack found", "replace"),
    ],
)
def test_the_eye_may_reject_and_never_accepts(look: str, answer: str, action: str) -> None:
    """Common practice, no source."""
    seen = (*SOUND, saw("piston-1", look, answer))
    assert part(only(skirts(*GOOD), seen=seen)).action == action
    unread = part(only(seen=seen))
    assert unread.action != "reuse"
    if action == "replace":
        assert unread.to_read == (), "rejected by eye: measuring is not asked for"


def test_a_piston_nobody_looked_at_is_not_reused() -> None:
    report = part(only(skirts(*GOOD), looked=False))
    assert report.action == "measure"
    assert Open.UNSEEN in report.opens


def test_play_with_a_good_pin_scraps_the_piston_and_with_a_worn_one_a_pin_mends_it() -> None:
    """Common practice, no source: a pin may be good and its piston scrap; play at one boss is enough."""
    limits = {
        "pistons": piston_limits(
            figures={"pin": band("0.8746", "0.8749"), "pin_clearance": figure(inches("0.0008"))}
        )
    }
    good_bore = at("piston-1", "pin bore", "0.8752", "0.8752", "0.8752", "0.8752")
    one_boss = at("piston-1", "pin bore", "0.8752", "0.8752", "0.8757", "0.8758")
    pin = at("piston-1", "pin", "0.8747", "0.8747", "0.8747")
    worn = at("piston-1", "pin", "0.8747", "0.8738", "0.8747")
    read = skirts(*GOOD)
    assert part(only((*read, *good_bore, *pin), seen=SOUND, on=limits)).action == "reuse"
    assert part(only((*read, *one_boss, *pin), seen=SOUND, on=limits)).action == "replace"
    assert part(only((*read, *good_bore, *worn), seen=SOUND, on=limits)).action == "re-pin or bush"


def test_a_pin_of_three_tenths_cannot_be_accepted_by_a_thou_micrometer() -> None:
    """Trade case, common practice: pin 0.8746 to 0.8749 judged with a micrometer read to a thou: too coarse."""
    limits = {"pistons": piston_limits(figures={"pin": band("0.8746", "0.8749")})}
    for size in ("0.8746", "0.8747", "0.8749"):
        pin = at("piston-1", "pin", size, size, size, gauge=THOU_MIC)
        report = part(only((*skirts(*GOOD), *pin), seen=SOUND, on=limits))
        assert next(one.called for one in report.figures if one.key == "pin") is Called.TOO_CLOSE, size
        assert any("can reject the pin, not accept it" in one.text for one in report.reasons)
    far = at("piston-1", "pin", "0.8710", "0.8746", "0.8746", gauge=THOU_MIC)
    assert part(only((*skirts(*GOOD), *far), seen=SOUND, on=limits)).action == "re-pin or bush", "it still rejects"


def test_a_snap_at_the_least_size_proves_one_thing_only() -> None:
    """Trade case, common practice: a pin that passes is at or below its least size and is rejected; one that does
    not is above it, and nothing more: it is not accepted by that."""
    figures = {"pin": band("0.8746", "0.8749"), "pin_clearance": figure(inches("0.0008"))}
    limits = {"pistons": piston_limits(figures=figures)}
    passes = saw("piston-1", "pin in a snap set at its least size", "passes")
    held = saw("piston-1", "pin in a snap set at its least size", "does not pass")
    assert part(only(skirts(*GOOD), seen=(*SOUND, passes), on=limits)).own_action == "re-pin or bush"
    report = part(only(skirts(*GOOD), seen=(*SOUND, held), on=limits))
    assert report.action == "measure"
    assert {asked.feature for asked in report.to_read} == {"pin", "pin bore"}


def test_a_clearance_in_thou_where_tenths_are_usual_is_asked_about() -> None:
    """Trade case, common practice: bore 3.500, limit typed as 7 to 13 thou where 7 to 13 tenths are usual."""
    questions, say = CATALOGUE["piston"].questions, Notation.usual(Unit.INCH)
    typed = piston_limits(figures={"size": band("3.4970", "3.4976"), "clearance": band("0.007", "0.013")})
    assert [where for where, _ in questions(typed, say)] == ["clearance"]
    meant = piston_limits(figures={"size": band("3.4970", "3.4976"), "clearance": band("0.0007", "0.0013")})
    assert questions(meant, say) == ()


def test_a_worn_groove_is_regrooved_only_where_that_is_done() -> None:
    at_limit = figure(inches("0.0050"))
    groove = at("piston-1", "groove 1", "0.0040", "0.0070")
    other = at("piston-1", "groove 2", "0.0020", "0.0020")
    for where, action in (("here", "regroove"), ("not done", "replace")):
        limits = piston_limits(figures={"groove_clearance": at_limit}, made={"regrooved": where})
        assert part(only((*skirts(*GOOD), *groove, *other), seen=SOUND, on={"pistons": limits})).action == action


@pytest.mark.parametrize(
    ("alloy", "least", "most"),
    [
        ("cast", "0.0020", "0.0030"),
        ("hypereutectic", "0.0016", "0.0024"),
        ("forged 4032", "0.0024", "0.0036"),
        ("forged 2618", "0.0036", "0.0048"),
    ],
)
def test_the_typical_clearance_is_told_and_accepts_nothing(alloy: str, least: str, most: str) -> None:
    """Common practice, no source: per inch of bore 0.0005 to 0.00075 cast, 0.0004 to 0.0006 hypereutectic, 0.0006
    to 0.0009 and 0.0009 to 0.0012 forged; here of four inches."""
    found = typical_clearance(inches("4"), alloy)
    assert found is not None
    assert (found.least, found.most) == (inches(least), inches(most))
    limits = piston_limits(figures={"clearance": None, "clearance_worn": None}, made={"alloy": alloy})
    job = only(skirts(*GOOD), seen=SOUND, on={"pistons": limits})
    assert {one.called for one in part(job).figures if "clearance" in one.key} == {Called.TOO_CLOSE}
    assert part(job).action == "measure"


def test_the_clearance_of_a_worked_example() -> None:
    """Worked example I01: bore 4.0300, skirt 4.0275."""
    expected = CASES["I01"]["expected"]
    bores = {n: ["4.0300"] * 6 for n in range(1, 5)}
    wide = {
        "pistons": piston_limits(
            figures={"size": band("4.0272", "4.0278"), "clearance_worn": figure(inches("0.0060"))}
        )
    }
    report = part(only(skirts(*["4.0275"] * 4), seen=SOUND, bores=bores, on=wide))
    tight = next(one for one in report.figures if one.key == "piston clearance least")
    assert tight.value.nm / 25_400_000 == pytest.approx(expected, abs=1e-9)


def test_a_shared_setting_cancels_in_the_clearance() -> None:
    """Library: uncertainties. The bore gauge was set in the micrometer that read the piston: the micrometer's own
    error is in both and cancels; each reading's step and the comparator's stroke stay."""
    own, scale = 0.0005 / 3**0.5, ufloat(0, 0.005 / 3**0.5)
    bore = 101.6076 + scale + ufloat(0, own)
    piston = 101.5441 + scale + ufloat(0, own)
    together, apart = (bore - piston).s, (own**2 * 2 + 2 * (0.005 / 3**0.5) ** 2) ** 0.5
    assert together == pytest.approx(own * 2**0.5)
    assert together < apart / 5


def test_a_piston_larger_than_its_bore_is_a_contradiction_not_a_verdict() -> None:
    report = part(only(skirts("4.0010", *GOOD[1:]), seen=SOUND))
    assert report.action == "measure"
    assert Open.CONTRADICTED in report.opens
    assert any("larger than its bore" in reason.text for reason in report.reasons)


def test_too_loose_in_a_sound_bore_is_the_piston_and_in_a_worn_one_the_bore() -> None:
    """Geometry: what the largest new piston would have there says which is to blame."""
    slack = {"pistons": piston_limits(figures={"collapse": None, "clearance_worn": figure(inches("0.0040"))})}
    small = assess(only(skirts("3.9960", *GOOD[1:]), seen=SOUND, on=slack))
    assert small.part("piston-1").action == "replace"
    assert small.part("bore-1").own_action == "reuse"
    worn = {1: ["4.0045", "4.0040", "4.0035", "4.0032", "4.0025", "4.0024"], 2: NEW, 3: NEW, 4: NEW}
    wide = assess(only(skirts(*GOOD), seen=SOUND, bores=worn, on=slack))
    assert wide.part("bore-1").own_action == "rebore", "within its own wear of 0.0050, and still too wide"
    assert any(one.key == "clearance of a new piston" for one in wide.part("bore-1").figures)


def test_pistons_settle_what_the_bores_leave_open() -> None:
    alone = assess(loose(scope=("bores",)))
    assert Open.PISTON in alone.part("bore-1").opens
    together = assess(only(skirts(*GOOD), seen=SOUND))
    assert Open.PISTON not in together.part("bore-1").opens


def test_pistons_go_with_bores_that_are_bored() -> None:
    scored = {1: ["4.0080", "4.0060", "4.0050", "4.0040", "4.0030", "4.0020"], 2: NEW, 3: NEW, 4: NEW}
    found = assess(only(skirts(*GOOD), seen=SOUND, bores=scored))
    assert found.of("bores").action == "rebore"
    assert found.of("pistons").headline.startswith("New set, 0.0")
    assert {one.action for one in found.parts if one.kind == "piston"} == {"replace"}
    assert all(one.left == 0 for one in found.parts if one.kind == "piston")


def spare_job(house: HouseRules | None = None, **more: Any) -> Any:
    """Piston 3 is scuffed; a used one off the shelf is sound."""
    seen = (
        *SOUND,
        saw("piston-3", "skirts", "scuffed on one skirt"),
        *(saw("piston-s1", one.look, one.answer) for one in SOUND),
    )
    read = (*skirts("3.9978", "3.9978", "3.9978", "3.9978"), *at("piston-s1", "skirt", "3.9979"))
    changes = {"house_rules": house} if house is not None else {}
    return only(read, seen=seen, pieces=(brought("piston-s1", "piston", new=False),), **changes, **more)


def test_a_spare_saves_the_set() -> None:
    found = assess(spare_job())
    pistons = found.of("pistons")
    rows = next(table for table in pistons.tables if table.key == "piston-map").rows
    assert [row[2] for row in rows] == ["Piston 1", "Piston 2", "Piston S1", "Piston 4"]
    assert pistons.to_order == (), "nothing is bought where a spare fits"
    assert any("particular to cylinder 3" in reason.text for reason in pistons.reasons)
    placed = assess(spare_job(fittings=(fitted("piston-s1", "piston-3"),)))
    assert placed.part("piston-s1").place == "piston-3"
    assert placed.part("piston-3").out
    assert placed.of("pistons").action == "reuse"


def test_all_bad_points_to_the_supply() -> None:
    seen = tuple(saw(f"piston-{n}", "skirts", "scuffed on both skirts") for n in range(1, 5))
    found = assess(only(seen=seen)).of("pistons")
    assert found.headline == "Replace the set"
    assert any("what they share" in reason.text for reason in found.reasons)
    assert [(one.count, one.what) for one in found.to_order] == [(4, "pistons")]


def test_a_used_piston_moves_only_where_the_house_allows_it() -> None:
    """House rule: back into its own bore, or where it fits best."""
    bores = {1: ["4.0000"] * 6, 2: ["4.0006"] * 6, 3: NEW, 4: NEW}
    read = skirts("3.9981", "3.9975", "3.9978", "3.9978")
    near = {1: "4.0000", 2: "4.0005", 3: "4.0002", 4: "4.0002"}
    stays = assess(only(read, seen=SOUND, bores=bores, below=near, house_rules=HouseRules(spread_k=0)))
    assert stays.part("piston-1").action == "reuse"
    free = HouseRules(spread_k=0, pistons_keep=False)
    moves = assess(only(read, seen=SOUND, bores=bores, below=near, house_rules=free))
    assert (moves.part("piston-1").action, moves.part("piston-2").action) == ("fit to another bore",) * 2


@pytest.mark.parametrize(
    ("made_for", "place", "may"),
    [("left bank", 1, True), ("left bank", 2, False), ("right bank", 2, True), ("any bore", 2, True)],
)
def test_a_piston_of_the_other_hand_is_never_paired(made_for: str, place: int, may: bool) -> None:
    """Common practice, no source: hand, bank, valve pockets and pin offset come before any clearance."""
    layout = next(one for one in usual_layouts() if one.name == "V eight, cross plane")
    left = layout.named_banks[0][1]
    where = left[0] if place == 1 else layout.named_banks[1][1][0]
    seen = (
        *SOUND,
        saw(f"piston-{where}", "skirts", "scuffed on one skirt"),
        *(saw("piston-s1", one.look, one.answer) for one in SOUND),
        saw("piston-s1", "made for", made_for),
    )
    read = (*skirts(*["3.9978"] * 8), *at("piston-s1", "skirt", "3.9978"))
    job = only(read, seen=seen, pieces=(brought("piston-s1", "piston"),), of=layout.name)
    rows = next(t for t in assess(job).of("pistons").tables if t.key == "piston-map").rows
    assert (rows[where - 1][2] == "Piston S1") == may


def test_new_pistons_in_hand_say_what_each_bore_is_honed_to() -> None:
    """Bores still to finish: each is honed to its own piston, never below what it cleans up at. By hand: piston
    4.0178 and 0.0022 make 4.0200."""
    scored = {n: ["4.0080", "4.0060", "4.0050", "4.0040", "4.0030", "4.0020"] for n in range(1, 5)}
    sizes = ("4.0178", "4.0180", "4.0179", "4.0181")
    pieces = tuple(brought(f"piston-s{n}", "piston") for n in range(1, 5))
    moved = tuple(fitted(f"piston-s{n}", f"piston-{n}") for n in range(1, 5))
    read = tuple(one for n, size in enumerate(sizes, 1) for one in at(f"piston-s{n}", "skirt", size))
    seen = tuple(saw(f"piston-s{n}", one.look, one.answer) for n in range(1, 5) for one in SOUND)
    found = assess(only(read, seen=seen, bores=scored, pieces=pieces, fittings=moved))
    step = found.of("bores").step
    assert step is not None
    assert step.text == "0.0200"
    rows = next(t for t in found.of("pistons").tables if t.key == "piston-map").rows
    assert sorted(row[1] for row in rows) == [
        "hone to 4.0200",
        "hone to 4.0201",
        "hone to 4.0202",
        "hone to 4.0203",
    ]


def test_a_crown_off_the_others_asks_about_its_cylinder() -> None:
    heights = tuple(
        one
        for n, height in enumerate(("-0.0100", "-0.0105", "-0.0420", "-0.0095"), 1)
        for one in at(f"piston-{n}", "crown height", height)
    )
    limits = {"pistons": piston_limits(figures={"crown_spread": figure(inches("0.008"))})}
    found = assess(only((*skirts(*GOOD), *heights), seen=SOUND, on=limits))
    asked = [one.id for one in found.parts if any("wrong rod" in reason.text for reason in one.reasons)]
    assert asked == ["piston-3"]


def test_weights_are_held_against_each_other_in_grams() -> None:
    weights = tuple(
        one
        for n, mg in enumerate((512_000, 512_500, 519_000, 512_100), 1)
        for one in at(f"piston-{n}", "weight", str(mg))
    )
    limits = {"pistons": piston_limits(figures={"weight_spread": grams(most=4_000)})}
    said = [
        one.text for one in assess(only((*skirts(*GOOD), *weights), seen=SOUND, on=limits)).of("pistons").reasons
    ]
    assert any("Weights 7.0 g apart" in text and "Past the 4.0 g" in text for text in said)


def test_limits_of_pistons_question_a_decimal_point_and_a_height_without_a_datum() -> None:
    check = CATALOGUE["piston"].check
    assert check(piston_limits()) == ()
    typed = piston_limits(figures={"clearance_worn": figure(inches("0.060"))})
    assert any("decimal point" in fault for fault in check(typed))
    bare = piston_limits().model_copy(update={"made": {"alloy": "cast"}})
    assert any("datum" in fault for fault in check(bare))
