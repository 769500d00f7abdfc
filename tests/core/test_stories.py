"""Fourteen stories a good shop would tell, through the real path: the leading cause, what is ruled out, what next.

Source of every answer: common practice, no source. The stories are for tests only.
"""

from __future__ import annotations

from typing import Any

import pytest

from halfthou.assess import evidence_standing
from halfthou.causes import Word
from halfthou.evidence import EvidenceStanding, halves_of, oil_way_of, readings_of_the_way
from halfthou.jobs import BARE, Drawn, Marking, OilFigure, OilReport, StepDone, held_as
from halfthou.lengths import Length
from halfthou.looks import GRADES
from halfthou.words import Reason
from tests.loosen import at, loose
from tests.making import layout
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
    found = (
        *complains("metal found"), seen("broke before", "yes, on record"),
        seen("filter", "steel or iron"), seen("shell kind", "two-layer soft"), seen("in the screen", "nothing"),
        *graded("Inline four", rods="OOOO", mains="OO-OO"), IN_USE,
    )  # fmt: skip
    story = read(seen("float", "as built, on record"), *found)
    assert "thrust.load" in ruled_out(story)
    # What somebody only says speaks against it, and rules nothing out.
    assert "thrust.load" not in ruled_out(read(seen("float", "as built"), *found))
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


def halves(engine: str, **letters: str) -> tuple[Any, ...]:
    """Every half bearing graded by its place: rod_upper="CCCC" and so on, a letter a bearing or one for all."""
    answers = {grade.key: grade.answer for grade in GRADES}
    found = []
    for half in halves_of(layout(engine)):
        _, kind, number, which = half.split("-")
        row = letters.get(f"{kind}_{which}", "O")
        found.append(seen("overlay", answers[row[(int(number) - 1) % len(row)]], half))
    return tuple(found)


@pytest.mark.parametrize(("rods", "mains"), [("MMMM", "W"), ("MMML", "W"), ("CLCL", "L"), ("CCCC", "L")])
def test_15_most_rods_gone_is_the_supply_whether_the_pattern_is_whole_or_not(rods: str, mains: str) -> None:
    """Four of four melted with the mains wiped, three of four, two of four copper: the supply in front, the screen
    next."""
    story = read(*complains("low pressure"), *graded("Inline four", rods=rods, mains=mains), IN_USE)
    assert "rods.all" not in story.evidence.not_there
    assert story.weighed.order[0].startswith(("supply.", "oil.old")), story.weighed.order[:4]
    assert next_of(story)[0].key in ("screen", "level")


def test_16_rod_uppers_tired_alone_is_load() -> None:
    story = read(*complains("knock"), *halves("Inline four", rod_upper="F", rod_lower="O", main_upper="O"), IN_USE)
    assert leaders(story)[0] == "load.combustion"


def test_17_rod_lowers_tired_alone_is_speed_and_likely_at_most() -> None:
    story = read(
        *complains("knock"), *halves("Inline four", rod_lower="D"), seen("overrun", "told so"),
        seen("torque found", "stretched"), IN_USE,
    )  # fmt: skip
    assert leaders(story)[0] == "speed.over"
    assert words_of(story)["speed.over"] in (Word.LIKELY, Word.POSSIBLE)


def test_18_one_thrust_face_through_and_all_else_new() -> None:
    """Thrust, then what makes an axial load: clutch, drive, dowels. Where every main is new no bands are asked."""
    story = read(
        *complains("thrust or clutch"), *graded("Inline four", rods="O", mains="O"),
        seen("thrust", "through its layer, one face", "cap-main-3"), IN_USE,
    )  # fmt: skip
    assert leaders(story)[0] == "thrust.load"
    asked = [look.key for look in next_of(story)]
    assert "bands" not in asked
    assert {"clutch", "bell housing"} <= set(asked)


def test_19_a_sound_engine_needs_no_word() -> None:
    """No complaint and good answers: no gate, no cause, nothing unexplained."""
    story = read(
        *graded("Inline four", rods="P", mains="O"), seen("screen", "clear", "pump"), seen("level", "right"),
        seen("gasket", "good"), seen("timing drive", "whole and in time"), seen("filter", "clean"), IN_USE,
    )  # fmt: skip
    assert not story.gate.asked
    assert not [key for key, word in words_of(story).items() if word in (Word.PROVED, Word.LIKELY)]


def test_20_a_blasted_engine_is_dirt_at_the_build() -> None:
    """Dirt bedded in everywhere a few hours after a build, grit behind a plug."""
    story = read(
        *complains("metal found"), *graded("Inline four", rods="E", mains="E"), seen("since opened", "few hours"),
        seen("behind plugs", "chips or blasting grit"), IN_USE,
    )  # fmt: skip
    assert leaders(story)[0] == "dirt.assembly"
    assert words_of(story)["dirt.assembly"] is Word.PROVED


def test_21_level_over_is_no_foam_and_a_worn_groove_no_blued_face() -> None:
    """Signs only where somebody saw them."""
    story = read(
        *complains("knock"), seen("level", "over"), seen("thrust", "oil groove gone", "cap-main-3"),
        *graded("Inline four", rods="E", mains="O"), IN_USE,
    )  # fmt: skip
    assert not {"foaming", "thrust.both-blued", "scratches.sharp"} & story.signs
    assert {"level.right", "groove.gone"} <= story.signs


def test_22_damage_rising_from_main_to_main_is_seen() -> None:
    story = read(*complains("knock"), *graded("Inline four", rods="O", mains="OLDCM"), IN_USE)
    assert "mains.rising" in story.signs
    level = read(*complains("knock"), *graded("Inline four", rods="O", mains="OLDLO"), IN_USE)
    assert "mains.rising" not in level.signs


_SKIRT = {True: "scuffed on one skirt", False: "clean"}


def test_23_two_skirts_of_four_support_and_all_of_them_point_elsewhere() -> None:
    def scuffed(*cylinders: int) -> EvidenceStanding:
        """Those skirts scuffed on one side, the others clean."""
        return read(
            *complains("knock"), IN_USE,
            *(seen("skirts", _SKIRT[n in cylinders], f"piston-{n}") for n in (1, 2, 3, 4)),
        )  # fmt: skip

    assert scuffed(2, 3).evidence.seen["skirt.one"].weak
    assert not scuffed(2).evidence.seen["skirt.one"].weak
    assert "skirts.all" in scuffed(1, 2, 3, 4).signs
    assert "skirt.one" not in scuffed(1, 2, 3, 4).signs


def test_24_milky_oil_and_a_sample_drawn_after_the_strip() -> None:
    """Water and sodium fell in with the strip: the sample lies, until a second one says the same."""
    late = fact(OilReport, sample="S-1", drawn=Drawn.LEFT_OVER, figures=(
        OilFigure(key="sodium", value=180, unit="ppm", usual=20), OilFigure(key="water", value=0.6, unit="%"),
    ))  # fmt: skip
    story = read(*complains("milky oil"), late, IN_USE)
    assert "oil.milky" not in story.signs
    assert leaders(story)[0] == "sample.spoilt"
    clean = read(*complains("milky oil"), late, seen("sample again", "clean"), IN_USE)
    assert words_of(clean)["sample.spoilt"] is Word.PROVED
    same = read(*complains("milky oil"), late, seen("sample again", "says the same"), IN_USE)
    assert words_of(same)["sample.spoilt"] is Word.RULED_OUT


def test_25_a_blasted_engine_is_dirt_at_the_build() -> None:
    """Sharp scratches in all bearings, grit behind a plug, few hours since the build."""
    story = read(
        *complains("metal found"), *graded("Inline four", rods="D", mains="D"), said("since built", "few hours"),
        seen("behind plugs", "chips or blasting grit"), IN_USE,
    )  # fmt: skip
    assert leaders(story)[0] == "dirt.assembly"
    assert words_of(story)["dirt.assembly"] is Word.PROVED
