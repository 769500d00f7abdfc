"""Judgements that would wreck an engine if they went wrong, each by hand with its rule. Where no source is named:
common practice, no source."""

from __future__ import annotations

import math
from datetime import timedelta
from typing import Any

import pytest

from halfthou.assess import assess
from halfthou.jobs import Figure, HardenedCrank, Hardening, HouseRules, Job, Look, Operation, OperationKind, Piece
from halfthou.lengths import Length, Notation, Unit
from halfthou.parts import CATALOGUE
from halfthou.parts.bores import depths_of_planes
from halfthou.parts.journals.hardening import HardeningCase, hardening_says
from halfthou.report import PartReport
from halfthou.verdicts import Action, Open
from tests.boring import block, bore_limits
from tests.core.test_every_answer import as_new
from tests.loosen import DEPTH, SOUND, at, grams, loose, piston_limits, ring_limits, skirts
from tests.making import MAKER, NOON, as_set, figure, inches, limits, look, mm


def goes_back(one: Job, part: str) -> bool:
    found = assess(one).part(part)
    return found.action is Action.REUSE and not found.opens


@pytest.mark.parametrize(("under", "action"), [("0.254", Action.REGRIND), ("0.2541", Action.REFER)])
def test_a_nitrided_crank_loses_ten_thou_at_most(under: str, action: Action) -> None:
    """Rule: sets.regrind.hardened. 0.010 in and 0.25 mm are one figure."""
    house = HouseRules(hardened_crank=HardenedCrank.WITHIN_CASE)
    on = limits(hardening=Hardening.NITRIDED, case_depth=figure(mm("0.5")))
    found = hardening_says(on, house, mm(under))
    assert found is not None
    assert found.action is action


@pytest.mark.parametrize("kind", [Hardening.INDUCTION, Hardening.NITRIDED])
def test_the_makers_least_case_holds_for_every_hardening(kind: Hardening) -> None:
    """Rule: sets.regrind.hardened. A case of 0.30 mm, 0.20 mm of it ground off each side: 0.20 left."""
    house = HouseRules(hardened_crank=HardenedCrank.WITHIN_CASE)
    on = limits(hardening=kind, case_depth=figure(mm("0.30")), least_case=figure(mm("0.25")))
    found = hardening_says(on, house, mm("0.20"))
    assert found is not None
    assert (found.action, found.case) == (Action.REPLACE, HardeningCase.THROUGH)


def test_a_sheet_whose_smallest_size_lies_inside_a_steps_band_is_asked_about() -> None:
    """Rule: sets.sheet-questions. New 2.0370 to 2.0378: 0.030 under is 2.0070 to 2.0078."""
    say = Notation.usual(Unit.INCH)
    ask = CATALOGUE["journal"].questions
    inside = as_set(limits(smallest_allowed=figure(inches("2.0074"))))
    below = as_set(limits(smallest_allowed=figure(inches("2.0070"))))
    assert "smallest_allowed" in dict(ask(inside, say))
    assert "smallest_allowed" not in dict(ask(below, say))


@pytest.mark.parametrize("answer", ["scuffed", "seized metal", "rust or pitted", "scored, nail catches"])
def test_what_is_bored_out_has_no_sure_size_without_its_depth(answer: str) -> None:
    """Rule: bores.surface: pits, rust and a scuff go as deep as they go."""
    shallow = assess(block(seen=(look("bore-2", Look.BORE_WALL, answer),)))
    assert Open.SCORE_DEPTH in shallow.part("bore-2").opens
    assert shallow.of("bores").to_order == ()
    deep = assess(block(seen=(look("bore-2", Look.BORE_WALL, answer, "0.004"),)))
    assert Open.SCORE_DEPTH not in deep.part("bore-2").opens


@pytest.mark.parametrize(("coating", "waits"), [("unknown", True), ("plasma", True), ("none", False), ("", False)])
def test_a_bore_whose_coating_nobody_knows_waits_for_it(coating: str, waits: bool) -> None:
    """Rule: bores.coated. Blank on plain iron is plain."""
    on = bore_limits()
    made = {key: value for key, value in {**on.made, "coating": coating}.items() if value}
    one = block(on=on.model_copy(update={"made": made}))
    assert (Look.COATING.value in assess(one).part("bore-1").unseen) is waits
    said = tuple(look(f"bore-{n}", Look.COATING, "plain") for n in range(1, 5))
    told = block(on=on.model_copy(update={"made": made}), seen=said)
    assert assess(told).part("bore-1").unseen == ()


def test_a_sleeve_is_measured_before_it_is_bored() -> None:
    """Rule: bores.before-boring: not every sleeve may be bored."""
    worn = {n: ["4.0080"] * 6 if n == 3 else ["4.0002"] * 6 for n in range(1, 5)}
    sleeved = assess(block(worn, seen=(look("bore-1", Look.SLEEVE, "sleeve fitted"),)))
    assert sleeved.of("bores").action is Action.REBORE
    assert any("wall of the sleeve" in reason.text for reason in sleeved.of("bores").reasons)
    assert sleeved.of("bores").to_order == ()


def bored(one: Job) -> Job:
    done = Operation(
        id="b", kind=OperationKind.BORE, on="bores", step=Length(0), by="bench", at=NOON - timedelta(hours=3)
    )
    return one.model_copy(update={"operations": (done,)})


def test_a_bore_bored_on_record_is_held_to_the_new_clearance() -> None:
    """Rule: pistons.clearance: the worn clearance is for a worn bore, whatever piston lies in it."""
    new = as_new("piston")
    sheet = new.limits.sets["pistons"]
    clearance, worn = sheet.band("clearance"), sheet.figure("clearance_worn")
    assert clearance is not None and worn is not None and worn.value > clearance.most
    between = Length((clearance.most.nm + worn.value.nm) // 2)
    bore = min(r.count for r in new.readings if r.part == "bore-2" and r.feature == "diameter")
    skirt = next(r for r in new.readings if r.part == "piston-2" and r.feature == "skirt")
    small = skirt.model_copy(update={"count": bore - between.nm})
    collapse = {**sheet.figures, "collapse": Figure(value=worn.value, source=MAKER)}
    sets = {**new.limits.sets, "pistons": sheet.model_copy(update={"figures": collapse})}
    loose_one = new.model_copy(
        update={
            "readings": (*(r for r in new.readings if r.id != skirt.id), small),
            "limits": new.limits.model_copy(update={"sets": sets}),
        }
    )
    most = next(f for f in assess(loose_one).part("piston-2").figures if f.key == "piston clearance most")
    after = next(f for f in assess(bored(loose_one)).part("piston-2").figures if f.key == "piston clearance most")
    assert (most.limit_nm, after.limit_nm) == (worn.value.nm, clearance.most.nm)
    assert not goes_back(bored(loose_one), "piston-2")


def four(**more: Any) -> Job:
    return loose((*skirts(*["3.9978"] * 4), *more.pop("readings", ())), scope=("pistons",), **more)


@pytest.mark.parametrize(("last", "odd"), [("512000", None), ("520000", "piston-4")])
def test_a_piston_too_heavy_for_its_set_does_not_go_back(last: str, odd: str | None) -> None:
    """Rule: pistons.weight: 512 g each and 4 g allowed."""
    weights = ["512000", "512500", "511800", last]
    read = tuple(r for n, text in enumerate(weights, start=1) for r in at(f"piston-{n}", "weight", text))
    found = assess(four(readings=read, on={"pistons": piston_limits(figures={"weight_spread": grams(most=4000)})}))
    assert [part.id for part in found.parts if Open.UNEVEN in part.opens] == ([odd] if odd else [])
    assert all(found.part(f"piston-{n}").action is not Action.REUSE for n in (4,) if odd)
    told = [reason.text for reason in found.part("piston-4").reasons if reason.rule == "pistons.weight"]
    assert bool(told) is bool(odd), "it is said what to do with it"


def test_a_crown_off_the_others_does_not_go_back() -> None:
    """Rule: pistons.crown: 0.010 in apart allowed, one stands 0.020 lower: another rod, piston or throw."""
    read = tuple(
        r for n, text in enumerate(("0.0050", "0.0060", "0.0050", "-0.0150"), start=1)
        for r in at(f"piston-{n}", "crown height", text)
    )  # fmt: skip
    on = {"pistons": piston_limits(figures={"crown_spread": figure(inches("0.010"))})}
    found = assess(four(readings=read, on=on))
    assert [part.id for part in found.parts if Open.UNEVEN in part.opens] == ["piston-4"]


@pytest.mark.parametrize(("skirt", "good"), [("3.9978", True), ("3.9950", False), ("3.9995", False)])
def test_a_new_piston_has_its_size_when_it_comes_in(skirt: str, good: bool) -> None:
    """Rule: pistons.new."""
    spare = Piece(id="in", part="piston-s1", kind="piston", new=True, by="bench", at=NOON)
    found = assess(four(readings=at("piston-s1", "skirt", skirt), pieces=(spare,))).part("piston-s1")
    assert (not any(reason.rule == "pistons.new" for reason in found.reasons)) is good
    assert good or found.action is not Action.REUSE


def test_metal_as_fine_as_flour_is_no_failure() -> None:
    """An engine running in leaves as much: said, and the pump goes back by its figures."""
    one = as_new("oil pump")
    others = tuple(seen for seen in one.seen if not (seen.on == "pump" and seen.look == "metal"))
    for answer, back in (("a trace, fine as flour", True), ("metal found", False)):
        told = next(seen for seen in one.seen if seen.on == "pump" and seen.look == "metal")
        found = one.model_copy(update={"seen": (*others, told.model_copy(update={"answer": answer}))})
        assert goes_back(found, "pump") is back


def test_a_bore_finished_past_its_card_goes_to_the_next_size() -> None:
    """Rule: bores.finished: 4.0000 to 4.0007 bored 0.020 over; 4.0219 is 0.0012 past, and no piston fits it."""
    sizes = {n: ["4.0219" if n == 3 else "4.0203"] * 6 for n in range(1, 5)}
    done = Operation(
        id="b", kind=OperationKind.BORE, on="bores", step=inches("0.020"), by="bench", at=NOON - timedelta(hours=3)
    )
    found = assess(block(sizes, operations=(done,), below="4.0204"))
    assert found.part("bore-3").own_action is Action.REBORE
    assert found.of("bores").headline == "bore and hone, 0.030 over"
    good = assess(block({**sizes, 3: ["4.0203"] * 6}, operations=(done,), below="4.0204"))
    assert good.part("bore-3").own_action is not Action.REBORE


def test_a_used_ring_waits_for_its_bore() -> None:
    """Rule: rings.growth: read at the foot its gap proves the least; how far it opens higher up, its bore says."""
    read = tuple(r for n in range(1, 5) for r in at(f"ring-{n}.1", "closed gap", "0.0200"))
    alone = assess(loose(read, scope=("rings",), bores={})).part("ring-1.1")
    assert Open.BORE in alone.opens
    assert alone.action is Action.MEASURE
    assert Open.BORE not in assess(loose(read, scope=("bores", "rings"))).part("ring-1.1").opens


@pytest.mark.parametrize(
    ("depth", "least", "most"),
    [
        (None, 0.0320, 0.0320 + math.pi * 0.004),
        ("5.25", 0.0320, 0.0320 + math.pi * 0.004),
        ("1.00", 0.0320 - math.pi * 0.004, 0.0320),
        ("3.20", 0.0320 - math.pi * 0.001, 0.0320 + math.pi * 0.003),
        ("4.30", 0.0320 - math.pi * 0.0005, 0.0320 + math.pi * 0.0035),
    ],
)
def test_a_gap_read_elsewhere_counts_by_its_depth(depth: str | None, least: float, most: float) -> None:
    """Rule: rings.at-depth. Geometry: a bore 4.004, 4.001 and 4.000 at 1.0, 3.2 and 5.4 in; a gap of 0.032 read
    halfway between the last two lies 0.0005 above the foot, π times that more than there."""
    found = gap_at(depth)
    by_key = {one.key: one.value.nm / 25_400_000 for one in found.figures}
    assert by_key["closed gap least"] == pytest.approx(least, abs=1e-7)
    assert by_key["gap at the top"] == pytest.approx(most, abs=1e-7)
    assert not found.opens


@pytest.mark.parametrize(
    ("depth", "sheet", "read", "waits"),
    [
        ("0.60", True, True, Open.PLACE),
        ("6.00", True, True, Open.PLACE),
        ("3.20", False, True, Open.PLACE),
        ("3.20", True, False, Open.BORE),
    ],
)
def test_a_gap_read_nobody_can_say_where_proves_nothing(depth: str, sheet: bool, read: bool, waits: Open) -> None:
    """Rule: rings.at-depth: above the first plane, below the last, no depths on the sheet, a bore not read."""
    found = gap_at(depth, sheet=sheet, read=read)
    assert waits in found.opens
    assert found.action is Action.MEASURE
    assert not found.figures


def gap_at(depth: str | None, *, sheet: bool = True, read: bool = True) -> PartReport:
    """The top ring of a worn bore, its gap 0.032 in at some depth below the deck."""
    depths = {
        f"depth_{name}": figure(inches(at)) for name, at in (("top", "1"), ("middle", "3.2"), ("bottom", "5.4"))
    }
    rings = tuple(one for n in range(1, 5) for one in at(f"ring-{n}.1", "closed gap", "0.0320"))
    down = at("ring-1.1", "depth of the gap", depth, gauge=DEPTH) if depth is not None else ()
    worn = {n: ["4.004"] * 2 + ["4.001"] * 2 + ["4.000"] * 2 for n in range(1, 5)}
    bores = {
        "bores": bore_limits(figures=depths if sheet else {}),
        "rings": ring_limits(figures={"worn_gap": figure(inches("0.060"))}),
    }
    return assess(loose((*rings, *down), scope=("bores", "rings"), bores=worn if read else {}, on=bores)).part(
        "ring-1.1"
    )


@pytest.mark.parametrize(
    ("worn", "read", "action", "asked"),
    [
        (None, False, Action.MEASURE, True),
        ("0.0060", False, Action.MEASURE, True),
        ("0.0060", True, Action.REUSE, False),
    ],
)
def test_a_bore_past_new_on_a_sheet_that_does_not_say_how_far_it_may_wear(
    worn: str | None, read: bool, action: Action, asked: bool
) -> None:
    """Rule: verdicts.no-limit. Larger than new is worn, not scrap: 4.0017 for 4.0007 with a piston of 3.9978 has
    0.0039, within the 0.0060 a worn bore may have."""
    on = {
        "bores": bore_limits(figures={"wear": None}),
        "pistons": piston_limits(figures={"clearance_worn": None if worn is None else figure(inches(worn))}),
    }
    sizes = {n: ["4.0017", "4.0016", "4.0012", "4.0012", "4.0008", "4.0008"] for n in range(1, 5)}
    pistons = skirts(*["3.9978"] * 4) if read else ()
    found = assess(loose(pistons, scope=("bores", "pistons"), bores=sizes, on=on, seen=SOUND)).part("bore-1")
    assert found.action is action
    assert any("How far a bore may wear is not on the sheet" in text for text in found.still_to_do) is asked


def test_a_bore_of_no_size_on_the_sheet_is_said_to_be() -> None:
    """Rule: bores.unlike-wear, bores.present. By hand: 4.0155 below ring travel, where nothing wears, is 0.0048
    past 4.0107, the greatest of 0.010 over. 4.0200 less 0.0003 is 0.50 mm over 4.0000: another unit's size."""
    odd = assess(block({n: ["4.0155"] * 6 for n in range(1, 5)}, below="4.0155")).part("bore-1")
    assert odd.action is Action.MEASURE
    assert any("0.00480 larger than new at any size on the sheet" in one.text for one in odd.reasons), odd.reasons
    metric = assess(block({n: ["4.0197"] * 6 for n in range(1, 5)}, below="4.0197")).of("bores")
    assert any("No piston on the sheet is of 0.50 mm over" in one.text for one in metric.reasons)


def test_planes_that_the_sheet_does_not_name_lie_evenly_between() -> None:
    """Geometry: five planes from 1.0 to 5.0 in lie an inch apart; the middle one of three where the sheet says."""
    told = {f"depth_{name}": figure(inches(at)) for name, at in (("top", "1"), ("middle", "2.6"), ("bottom", "5"))}
    five, three = (depths_of_planes(bore_limits(figures=told), n) for n in (5, 3))
    assert [five[str(n)] for n in range(1, 6)] == [inches(str(n)) for n in range(1, 6)]
    assert [three[str(n)] for n in range(1, 4)] == [inches("1"), inches("2.6"), inches("5")]
    assert depths_of_planes(bore_limits(figures={"depth_top": told["depth_top"]}), 3) == {}
