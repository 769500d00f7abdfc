"""Fourteen stories a good shop would tell, through the real path: the leading cause, what is ruled out, what next.

Source of every answer: common practice, no source. The stories are for tests only.
"""

from __future__ import annotations

from typing import Any

from halfthou.assess import evidence_standing
from halfthou.causes import Word
from halfthou.evidence import EvidenceStanding, oil_way_of, readings_of_the_way
from halfthou.jobs import BARE, Drawn, Marking, OilFigure, OilReport, StepDone, held_as
from halfthou.lengths import Length
from halfthou.words import Reason
from tests.loosen import at, loose
from tests.reading import complains, graded, leaders, next_of, read, ruled_out, seen, words_of
from tests.stripping import fact, said

#: A strip that is in use: its next step is no washing.
IN_USE = fact(StepDone, step="stand.photographed")
STARVED = (
    *complains("low pressure"),
    *graded("Inline three", rods="CCM", mains="LPLP"),
    seen("screen", "part blocked", "pump"),
    seen("in the screen", "carbon"),
    seen("gears or rotors", "blued", "pump"),
    seen("oil hours", "past its time"),
    IN_USE,
)


def test_1_three_rods_gone_under_a_screen_of_carbon() -> None:
    story = read(*STARVED, engine="Inline three")
    assert leaders(story)[:2] == ["supply.screen", "oil.old"]
    assert words_of(story)["supply.screen"] is Word.PROVED
    assert "supply.pump" not in leaders(story)  # the pump is an effect
    assert next_of(story)[0].key == "breather"  # where the carbon comes from


def _scuffed_fourth() -> EvidenceStanding:
    report = fact(
        OilReport, sample="1", drawn=Drawn.LEFT_OVER,
        figures=(
            OilFigure(key="fuel", value=0.2, unit="%"),
            OilFigure(key="viscosity 100", value=14.0, unit="mm²/s", usual=14.2),
            OilFigure(key="silicon", value=60, unit="ppm", usual=10),
            OilFigure(key="sodium", value=300, unit="ppm", usual=20),
            OilFigure(key="potassium", value=80, unit="ppm", usual=5),
        ),
    )  # fmt: skip
    skirts = [seen("skirts", "scuffed on one skirt" if n == 4 else "clean", f"piston-{n}") for n in range(1, 7)]
    return read(
        *complains("knock"), *graded("Inline six", rods="OOOMOO", mains="O"), report, *skirts,
        said("carried over", "injectors"), seen("failed before", "yes, the same"), IN_USE, engine="Inline six",
    )  # fmt: skip


def test_2_one_rod_ruined_under_injectors_from_the_engine_before() -> None:
    story = _scuffed_fourth()
    assert leaders(story)[0] == "load.injector"
    assert leaders(story)[1] == "dirt.carried"
    assert "oil.fuel" in ruled_out(story)
    assert not {"oil.milky", "dirt.in-oil"} & story.signs  # what was left after the strip proves nothing of these
    assert next_of(story)[0].key == "nozzles"


def test_3_two_blue_big_ends_under_fresh_half_bearings() -> None:
    story = read(
        *complains("low pressure"), seen("colour of the rod", "blue", "rod-2"),
        seen("colour of the rod", "blue", "rod-3"),
        seen("drive", "broken or rounded off", "pump"), seen("pump housing", "scored, nail runs clear", "pump"),
        seen("since opened", "few hours"),
        *graded("Inline four", rods="OOOO", mains="O"), IN_USE,
    )  # fmt: skip
    assert leaders(story)[:3] == ["supply.drive", "housing.earlier", "supply.pump"]
    assert words_of(story)["housing.earlier"] is Word.PROVED  # left in: the new half bearings clear no rod
    assert next_of(story)[0].key == "heat tests"  # new half bearings do not clear the rods


def test_4_metal_in_the_filter_and_nothing_that_sheds() -> None:
    story = read(
        *complains("metal found"), seen("float", "as built"), seen("broke before", "yes, on record"),
        seen("filter", "steel or iron"), seen("shell kind", "two-layer soft"), seen("in the screen", "nothing"),
        *graded("Inline four", rods="OOOO", mains="OO-OO"), IN_USE,
    )  # fmt: skip
    assert "thrust.load" in ruled_out(story)
    assert words_of(story)["innocent.old-metal"] is Word.POSSIBLE
    assert {"metal of", "sheds"} <= {one.key for one in next_of(story)}  # match the sliver; see all of it


def test_5_thrust_worn_on_one_side_under_a_loose_bell_housing() -> None:
    story = read(
        *complains("thrust or clutch"), seen("thrust", "rear face only", "cap-main-3"),
        seen("bell housing", "bolts loose or a hole empty"), seen("bell housing", "dowel missing"),
        seen("bands", "bands or scallops in several"),
        *graded("Inline four", rods="LLLL", mains="LLLLE"), IN_USE,
    )  # fmt: skip
    assert set(leaders(story)[:2]) == {"shock.torsion", "thrust.load"}
    assert words_of(story)["crank.bent"] not in (Word.RULED_OUT, Word.PROVED)
    assert next_of(story)[0].key == "straightness"
    said_of_way = [one.text for one in _way(story)]
    assert any("A trap, not the origin" in text for text in said_of_way)


def _way(story: EvidenceStanding) -> tuple[Reason, ...]:
    return readings_of_the_way(oil_way_of(story.job), story.bearings)


def test_6_dull_tips_under_a_thin_pickup_seal() -> None:
    story = read(
        *complains("low pressure"), seen("push rod tips", "some dull"),
        seen("seal at the pickup", "too thin", "pump"),
        seen("pump history", "fitted, nothing changed"),
    )  # fmt: skip
    assert leaders(story)[0] == "supply.air"
    assert words_of(story)["supply.air"] is Word.PROVED


def test_7_one_deposit_line_lower_and_a_foreign_rod() -> None:
    lines = [
        seen("deposit line", "measured", f"piston-{n}", amount=Length(6_300_000 if n == 3 else 5_000_000))
        for n in range(1, 5)
    ]
    story = read(
        *complains("shaking"), *lines, seen("castings", "one differs"), seen("shaking", "at all speeds"), IN_USE
    )
    assert leaders(story)[0] == "mixed.parts"
    assert next_of(story)[0].key == "rod lengths"


def test_8_milky_oil_and_one_crown_washed_clean() -> None:
    crowns = [seen("crown", "washed clean" if n == 2 else "dry carbon", f"piston-{n}") for n in range(1, 5)]
    story = read(
        *complains("milky oil"), *crowns, seen("gasket", "burn track to water"), seen("oil seen", "milky"),
        *graded("Inline four", rods="O", mains="O"), IN_USE,
    )  # fmt: skip
    assert leaders(story)[0] == "gasket.leak"
    assert next_of(story)[0].key == "deck flat"


def test_9_warning_after_a_service_and_nothing_under_the_spring() -> None:
    story = read(
        *complains("after a service"), seen("insert", "insert missing"),
        *graded("Inline four", rods="P", mains="P"), seen("shell kind", "three-layer with overlay"),
    )  # fmt: skip
    assert leaders(story) == ["supply.bypass"]
    assert words_of(story)["supply.bypass"] is Word.PROVED
    assert next_of(story) == []  # all else waits


def test_10_numbers_of_two_pairs_disagree_and_one_is_blue() -> None:
    marks = [
        fact(Marking, part=part, mark=mark, found=True)
        for part, mark in (("rod-1", "2"), ("cap-rod-1", "3"), ("rod-2", "3"), ("cap-rod-2", "2"))
    ]
    story = read(
        *complains("knock"), *marks, seen("colour of the rod", "blue", "rod-1"),
        seen("colour of the rod", "tight on its pin", "rod-1"),
        fact(StepDone, step="cap-rod-1.off", felt=("step at the joint",)),
        *graded("Inline four", rods="WDDD", mains="L"),
    )  # fmt: skip
    assert leaders(story)[0] == "rod.cap-mixed"
    assert words_of(story)["rod.cap-mixed"] is Word.PROVED
    assert next_of(story)[0].key == "every pair"


#: A pump whose end clearance and tips are measured beyond, with all it takes to call it whole.
WORN_PUMP = (
    *at("pump", "end clearance", "0.0090", "0.0095"),
    *at("pump", "tip clearance", "0.0090", "0.0095"),
    *at("pump", "backlash", "0.0080"),
)


def measured(*facts: Any, engine: str) -> EvidenceStanding:
    """A story in which the pump was measured too: the figures flow back as evidence."""
    built = loose(WORN_PUMP, scope=("pump",), of=engine, seen=())
    fields: dict[str, Any] = {}
    for one in facts:
        fields[held_as(type(one)).field] = (*fields.get(held_as(type(one)).field, ()), one)
    return evidence_standing(built.model_copy(update=fields))


def test_11_the_pump_measured_beyond_is_still_an_effect() -> None:
    story = measured(*STARVED, seen("pump housing", "scored, nail runs clear", "pump"), engine="Inline three")
    assert "pump.beyond" in story.signs
    assert leaders(story)[:2] == ["supply.screen", "oil.old"]
    assert words_of(story)["supply.pump"] not in (Word.PROVED, Word.LIKELY)


def test_12_the_pump_measured_beyond_and_nothing_before_it() -> None:
    story = measured(
        *complains("low pressure"),
        seen("screen", "clear", "pump"),
        seen("drive", "sound", "pump"),
        engine="Inline three",
    )
    assert {"supply.screen", "supply.drive"} <= ruled_out(story)
    assert words_of(story)["supply.pump"] is Word.PROVED


def test_13_nothing_else_looked_at() -> None:
    story = read(*complains("knock"), *graded("Inline four", rods="C", mains="L"), seen("level", "right"))
    assert all(word not in (Word.PROVED, Word.LIKELY) for word in words_of(story).values())
    assert next_of(story)[0].key == "screen"
    assert next_of(story)[0].lost  # what goes with it, if it is not taken now


def test_14_dull_tips_and_a_clean_supply() -> None:
    clean = (
        seen("push rod tips", "some dull"), seen("screen", "clear", "pump"),
        seen("seal at the pickup", "as the new one", "pump"),
        seen("pump housing", "smooth", "pump"), seen("drive", "sound", "pump"),
        seen("relief valve", "falls by its own weight", "pump"),
        seen("insert", "right"), seen("level", "right"),
    )  # fmt: skip
    story = read(*complains("low pressure"), *clean)
    assert not leaders(story)
    assert story.weighed.unexplained == ("tips.some",)


def test_a_bare_mark_is_no_disagreement() -> None:
    marks = [
        fact(Marking, part=part, mark=mark, found=True) for part, mark in (("rod-1", BARE), ("cap-rod-1", "1"))
    ]
    assert "numbers.disagree" not in read(*complains("knock"), *marks, seen("level", "right")).signs
