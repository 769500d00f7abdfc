"""The evidence: the bearing map, the oil's way, what contradicts itself, what figures say."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import networkx as nx
import pint
import pytest

from halfthou.assess import assess, evidence_standing
from halfthou.causes import Word
from halfthou.engines import usual_layouts
from halfthou.evidence import (
    OilWay,
    evidence_board,
    faults_of_evidence,
    halves_of,
    oil_way_of,
    readings_of_the_way,
)
from halfthou.evidence.figure_signs import FIGURE_SIGNS, WEARS
from halfthou.jobs import (
    Dealt,
    DealtHow,
    Decision,
    Drawn,
    Layout,
    Look,
    Mistrust,
    OilFigure,
    OilReport,
    OilWaySaid,
    Operation,
    OperationKind,
    Seen,
    StepDone,
)
from halfthou.looks import GRADES
from halfthou.memo import Memo
from halfthou.parts import CATALOGUE, faults_of_seen
from halfthou.verdicts import FigureKey
from tests.core.test_every_answer import TRIED, as_new
from tests.making import CASES, GOOD_ENGINE, PERFECT, layout, readings
from tests.reading import complains, graded, read, seen
from tests.stripping import at_the_door, fact, said

LAYOUTS = {one.name: one for one in usual_layouts()}


# The oil's way.


@pytest.mark.parametrize("name", sorted(LAYOUTS))
def test_what_lies_below_a_station_is_what_a_graph_library_says(name: str) -> None:
    """Source: networkx, descendants of a node in a directed graph."""
    way = OilWay(LAYOUTS[name], fact(OilWaySaid, extras=("cooler", "turbo", "tank", "tensioner", "phasers")))
    graph: nx.DiGraph[str] = nx.DiGraph()
    for station in way.stations.values():
        graph.add_node(station.key)
        graph.add_edges_from((above, station.key) for above in station.fed_by)
    assert nx.is_directed_acyclic_graph(graph)
    for key in way.stations:
        assert way.below[key] == nx.descendants(graph, key)
    rods = {f"rod-{n}" for n in range(1, LAYOUTS[name].cylinders + 1)}
    assert rods <= way.below["pan"]
    assert nx.ancestors(graph, "rod-1") >= {"pan", "screen", "pickup", "pump", "filter", "gallery", "M1"}


def test_each_main_feeds_the_pin_behind_it_until_somebody_says_otherwise() -> None:
    """Source: common practice, no source; the maker's drawing comes first."""
    four = layout("Inline four")
    assert [OilWay(four).feeds(f"R{n}") for n in range(1, 5)] == [("M1",), ("M2",), ("M3",), ("M4",)]
    said_so = fact(OilWaySaid, feeds={"R1": ("M2",)}, from_rear=True)
    assert OilWay(four, said_so).feeds("R1") == ("M2",)
    assert OilWay(four, said_so).mains == ("M5", "M4", "M3", "M2", "M1")


def texts(story: Any) -> str:
    return " ".join(one.text for one in readings_of_the_way(oil_way_of(story.job), story.bearings))


def test_damage_is_read_along_the_way() -> None:
    """Source: common practice, no source: all rods, one rod, one branch, nearest or farthest."""
    assert "short of oil" in texts(read(*graded("Inline four", rods="C", mains="L")))
    assert "Rod 3 alone" in texts(read(*graded("Inline four", rods="OOMO", mains="L")))
    vee = read(*graded("V eight, cross plane", rods="COOOCOOO", mains="L"), engine="V eight, cross plane")
    assert "Everything below main 1 is gone" in texts(vee)
    assert "contamination" in texts(read(*graded("Inline four", rods="O", mains="EDLLL")))
    assert "pressure lost" in texts(read(*graded("Inline four", rods="O", mains="OOLLW")))


# The map.


def test_a_half_not_graded_says_nothing() -> None:
    story = read(*complains("knock"), *graded("Inline four", rods="CCC-", mains="L"))
    assert "rods.all" not in story.signs
    assert "rods.all" not in story.evidence.not_there


def test_what_a_whole_map_does_not_show_speaks_against_it() -> None:
    story = read(*complains("knock"), *graded("Inline four", rods="O", mains="O"))
    assert {"rods.all", "copper.through", "fatigue"} <= set(story.evidence.not_there)


def test_soft_halves_that_shine_are_no_sign_and_copper_in_one_ends_that() -> None:
    """Source: common practice, no source: two-layer halves polish in normal life."""
    soft = (*complains("shiny bearings"), seen("shell kind", "two-layer soft"))
    assert read(*soft, *graded("Inline four", rods="P", mains="P")).weighed.words["innocent.polish"] is Word.PROVED
    worn = read(*soft, *graded("Inline four", rods="PPCP", mains="P"))
    assert worn.weighed.words["innocent.polish"] is Word.RULED_OUT


def test_opposite_edges_point_to_crank_or_tunnel() -> None:
    """Source: common practice, no source; bearing makers' failure guides, from memory."""
    wears = (seen("wear", "front edge", "half-main-3-upper"), seen("wear", "rear edge", "half-main-3-lower"))
    story = read(*complains("knock"), *graded("Inline four", rods="O", mains="OOLOO"), *wears)
    assert "edges.opposite" in story.signs
    assert {"crank.bent", "tunnel.line"} & set(story.weighed.standing)


# Contradictions.


def test_what_cannot_all_be_true_is_pointed_out() -> None:
    story = read(
        *complains("knock"), *graded("Inline four", rods="CCCO", mains="L"), seen("level", "right"),
        complaint="Ran dry on the hill, only two rods knocked.",
    )  # fmt: skip
    told = " ".join(one.text for one in story.contradictions)
    assert "the map shows 3 gone" in told
    assert "the level was right on arrival" in told


def test_sightings_that_do_not_fit_are_named() -> None:
    four = layout("Inline four")
    for one, words in (
        (seen("overlay", "as new", "half-rod-9-upper"), "this engine has no"),
        (seen("overlay", "shiny", "half-rod-1-upper"), "is no answer"),
        (seen("juju", "bad"), "nobody looks for"),
        (seen("deposit line", "measured", "piston-1"), "give the height"),
        (seen("screen", "clear", "pump", arc=(10, 50)), "half bearing only"),
    ):
        assert any(words in fault for fault in faults_of_seen(one, CATALOGUE.engine(four)))


BEARING_KEYS = (
    FigureKey.HOUSING_LEAST, FigureKey.HOUSING_MOST, FigureKey.CLEARANCE_LEAST, FigureKey.CLEARANCE_MOST,
)  # fmt: skip


# The board.


def test_the_board_tells_all_of_it_and_every_grade_has_its_own_letter() -> None:
    assert len({grade.key for grade in GRADES}) == len(GRADES)
    story = read(
        *complains("low pressure"), *graded("Inline four", rods="C", mains="L"), seen("screen", "blocked", "pump")
    )
    board = evidence_board(story, ())
    assert (len(board.halves), board.to_grade) == (18, 0)
    assert board.causes[0].key == "supply.screen"
    assert board.next


def test_the_same_comes_out_with_a_memo_and_the_cause_is_weighed_once() -> None:
    story = read(*complains("low pressure"), *graded("Inline four", rods="C", mains="L"))
    memo = Memo()
    first, again = assess(story.job, memo), assess(story.job, memo)
    assert first == again == assess(story.job)
    one = evidence_standing(story.job, memo).weighed
    assert evidence_standing(story.job.model_copy(update={"title": "Another"}), memo).weighed is one


def test_decisions_are_of_people_and_do_not_move_a_cause() -> None:
    story = read(*complains("low pressure"), seen("screen", "blocked", "pump"))
    decided = Decision(
        id="d", kind="waived", set="mains", part="M1", about="readings", reason="no time", by="bench",
        at=story.job.seen[0].at,
    )  # fmt: skip
    assert read(*story.job.statements, *story.job.seen, decisions=(decided,)).weighed.chance == story.weighed.chance


def test_a_washed_screen_is_weaker_than_one_seen_as_it_lay() -> None:
    """Source: common practice, no source: look before you clean."""
    washed = fact(StepDone, 0, step="wash.pan")
    late = read(*complains("low pressure"), washed, seen("screen", "blocked", "pump", minute=30))
    early = read(*complains("low pressure"), washed, seen("screen", "blocked", "pump", minute=-30))
    assert late.weighed.chance["supply.screen"] < early.weighed.chance["supply.screen"]
    assert late.weighed.words["supply.screen"] is not Word.PROVED


def test_every_layout_has_its_map() -> None:
    for one in LAYOUTS.values():
        halves = _halves(one)
        assert halves == 2 * (len(one.mains) + one.cylinders)


def _halves(one: Layout) -> int:
    return len(set(halves_of(one)))


def test_two_people_who_differ_on_a_look_are_told_and_the_worse_counts() -> None:
    blocked = seen("screen", "blocked", "pump", by="owner")
    clear = seen("screen", "clear", "pump", minute=5, by="bench")
    story = read(*complains("low pressure"), clear, blocked)
    assert "screen.blocked" in story.signs
    assert "screen.clear" not in story.signs
    assert any("The worse counts" in one.text for one in story.contradictions)


def test_a_proof_and_a_ruling_out_side_by_side_are_pointed_out() -> None:
    """A crank within its run-out on the board and one journal bent at the bench: one is wrong, and it is said."""
    straight = seen(Look.STRAIGHTNESS, "within the maker's run-out", "crank")
    story = read(*complains("knock"), straight, seen(Look.STRAIGHTNESS, "bent", "R3"))
    assert any("cannot both be so" in one.text for one in story.contradictions)
    assert story.weighed.words["crank.bent"] not in (Word.RULED_OUT, Word.PROVED)


def test_a_half_that_turned_is_rejected_though_somebody_mistrusts_it() -> None:
    """What is mistrusted proves no cause; a part stays rejected until the look is taken back."""
    turned = seen("seat", "turned in its housing", "half-rod-2-lower")
    doubt = fact(Mistrust, of=turned.id, reason="seen in a bad light")
    story = read(*complains("knock"), turned, doubt)
    assert "shell.turned" not in story.signs
    assert any(one.rule == "verdicts.journal.turned-shell" for one in assess(story.job).part("R2").reasons)


def test_what_is_measured_after_the_last_wash_is_evidence() -> None:
    """Source: common practice, no source: a journal is measured after the wash, not before."""
    washed = fact(Operation, 0, kind=OperationKind.FINAL_WASH, on="crank")
    bent = fact(Seen, 30, on="crank", look=Look.STRAIGHTNESS, answer="bent")
    assert "runout.beyond" in read(*complains("knock"), washed, bent).signs


@pytest.mark.parametrize(("on", "told"), [("R2", True), ("mains", False)])
def test_what_was_measured_is_of_the_engine_as_it_came_until_its_own_work(on: str, told: bool) -> None:
    """Source: common practice, no source: a rod journal ground first says nothing of how the mains were worn."""
    oval = ["2.4140", "2.4140", "2.4110", "2.4140"] * 2
    read_later = readings({**GOOD_ENGINE, "M3": oval}, gauge=PERFECT)
    ground = fact(Operation, -60, kind=OperationKind.GRIND, on=on)
    job = at_the_door(*complains("knock"), ground, readings=read_later)
    assert ("form.beyond" in evidence_standing(job).signs) is told


def test_what_was_carried_over_is_a_suspect_until_it_is_proved_clean() -> None:
    """Source: common practice, no source: if it failed twice, the cause is in what was carried over."""
    cooler = said("carried over", "cooler", "the invoice")
    story = read(*complains("knock"), cooler, said("carried over", "none"))
    (listed,) = story.contaminated
    assert (listed.name, listed.open, listed.from_job) == ("Cooler", True, "the invoice")
    assert not read(cooler, fact(Dealt, item=listed.key, how=DealtHow.CHECKED)).contaminated[0].open


def test_thrust_faces_stand_at_the_main_that_carries_them() -> None:
    story = read(*complains("thrust or clutch"), seen("thrust", "front face only", "cap-main-3"))
    board = evidence_board(story, ())
    assert {one.id: one.thrust for one in board.bearings if one.thrust} == {"main-3": "front face only"}
    assert "thrust.one-face" in story.signs


def test_what_a_newer_program_reports_of_oil_is_kept_said_and_not_weighed() -> None:
    newer = fact(OilReport, sample="1", drawn=Drawn.RUNNING, figures=(
        OilFigure(key="glycol", value=3, unit="%"), OilFigure(key="iron", value=1, unit="oz"),
    ))  # fmt: skip
    story = read(newer, fact(OilWaySaid, extras=("cooler", "heat pump")))
    assert not list(faults_of_evidence(story.job))
    assert sum(one.rule == "evidence.unknown" for one in story.contradictions) == 2
    assert not story.signs
    assert evidence_board(story, ()).oil_reports[0].figures[0].name == "glycol"


def test_a_map_that_is_whole_is_not_asked_for_again() -> None:
    story = read(*complains("low pressure"), *graded("Inline four", rods="C", mains="L"))
    assert "bearings" in story.still.taken
    half = read(*complains("low pressure"), *graded("Inline four", rods="C---", mains="L"))
    assert "bearings" not in half.still.taken


@pytest.mark.parametrize("case", ["M01", "M02", "M03", "M04", "M05"])
def test_temper_colours_agree_in_both_columns(case: str) -> None:
    """Source: temper-colour table, recalled: cases M01 to M05, Fahrenheit against Celsius by pint."""
    text = (Path(__file__).parents[2] / "docs" / "trade" / "evidence.md").read_text(encoding="utf-8")
    fahrenheit = float(CASES[case]["inputs"].split()[0])
    celsius = pint.UnitRegistry().Quantity(fahrenheit, "degF").to("degC").magnitude
    assert celsius == pytest.approx(CASES[case]["published"], abs=0.6)
    assert str(CASES[case]["published"]) in text


def test_a_colour_on_other_than_plain_steel_counts_less_and_rejects_all_the_same() -> None:
    """Source: from memory: alloy and iron shift the colours."""
    blue = seen("colour of the rod", "blue", "rod-2")
    plain, alloy = (read(*complains("knock"), blue, seen("steel", kind)) for kind in ("plain steel", "alloy steel"))
    assert not plain.evidence.seen["rods.tight-blue"].weak
    assert alloy.evidence.seen["rods.tight-blue"].weak
    assert any(one.rule == "verdicts.journal.blue-rod" for one in assess(alloy.job).part("R2").reasons)


# Figures.


def test_every_figure_that_is_evidence_is_one_that_parts_give() -> None:
    """A key that no part has would never speak: each is one of an engine that is read whole."""
    new = [as_new(kind) for kind in TRIED]
    given = {(part.kind, one.key) for job in new for part in assess(job).parts for one in part.figures}
    # These come with readings that a new engine does not have: of half bearings in their housings, of a worn skirt.
    beside = {("journal", key) for key in (*BEARING_KEYS, FigureKey.BARREL)} | {("piston", "collapse")}
    wanted = {(kind, key) for kind, keys, _, _ in FIGURE_SIGNS for key in keys} | set(WEARS.items())
    assert wanted - beside <= given, wanted - beside - given
