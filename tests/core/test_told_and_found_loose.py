"""What is told at the door, what lies loose in filter, pan and valleys, and which places and looks are named."""

from __future__ import annotations

from typing import Any

from halfthou.causes import SIGNS, Word
from halfthou.door import TOPICS
from halfthou.door.looks_answered import _ANSWERS
from halfthou.evidence import oil_way_of
from halfthou.evidence.at_the_door import _SHOWS
from halfthou.evidence.debris import WHERE
from halfthou.evidence.reading_the_way import stations_shown
from halfthou.jobs import Debris, OilWaySaid, Seen, StepDone
from halfthou.looks import Asks
from halfthou.parts import CATALOGUE
from tests.reading import complains, graded, leaders, next_of, read, seen, words_of
from tests.stripping import fact, said


def test_what_the_door_was_told_counts_as_it_was_told() -> None:
    """Common practice, no source: sealant in the screen comes from somewhere, mixed bolts loosen."""
    told = read(
        *complains("low pressure"), said("earlier hands", "foreign sealant"), said("earlier hands", "mixed bolts"),
        said("renewed", "oil pump"), said("renewed", "half bearings"), said("since built", "many hours"),
        said("hours", "12,400 h", "hour meter"), said("oil on arrival", "thick"), said("oil on arrival", "over"),
    )  # fmt: skip
    assert {"sealant.foreign", "bolts.mixed", "pump.fresh", "shells.renewed", "hours.many", "hours.record",
            "oil.thick", "level.over"} <= told.signs  # fmt: skip
    assert "since opened" in told.still.taken
    assert "pump.fresh" not in read(*complains("knock"), said("renewed", "oil pump")).signs
    disputed = read(said("hours", "12,400 h", "hour meter"), said("hours", "2,000 h", "the driver"))
    assert "hours.record" not in disputed.signs


def test_soft_halves_are_told_apart_for_mains_and_rods() -> None:
    """A cause about soft halves is out where they are not soft: polish is wear. Common practice, no source."""
    shiny = graded("Inline four", rods="P", mains="P")
    both = read(*complains("shiny bearings"), *shiny, seen("shell kind", "two-layer soft"))
    assert words_of(both)["innocent.polish"] is Word.PROVED
    rods_not = seen("rod shell kind", "three-layer with overlay")
    mixed = read(*complains("shiny bearings"), *shiny, seen("shell kind", "two-layer soft"), rods_not)
    assert words_of(mixed)["innocent.polish"] is not Word.PROVED
    mains_not = seen("shell kind", "three-layer with overlay")
    assert words_of(read(*shiny, mains_not, rods_not))["innocent.polish"] is Word.RULED_OUT


def debris(look: str, answer: str, **like: Any) -> Seen:
    return seen(look, answer, debris=Debris(**like))


def test_debris_tells_by_size_and_magnet() -> None:
    """Magnetic fines are iron of cam, followers or rings; flakes of bronze are not. Common practice, no source."""
    fines = read(*complains("metal found"), debris("filter", "steel or iron", grain="as flour", magnetic=True))
    assert "metal.iron" in fines.signs
    assert "metal.iron" not in read(debris("filter", "copper or bronze", grain="flakes", magnetic=False)).signs
    needles = read(*complains("metal found"), debris("in the screen", "needles", magnetic=True))
    assert {"metal.needles", "metal.found"} <= needles.signs
    (said_so,) = read(debris("filter", "bright flakes, not magnetic", magnetic=True)).contradictions
    assert "Hold the magnet to it again" in said_so.text


def test_a_filter_cut_with_a_saw_made_metal_of_its_own() -> None:
    """The filter is cut with no abrasive. Common practice, no source."""
    iron = seen("filter", "steel or iron")
    assert not read(iron).evidence.seen["metal.found"].weak
    assert read(iron, seen("filter cut", "with a saw or disc")).evidence.seen["metal.found"].weak
    assert not read(iron, seen("filter cut", "with a cutter, no swarf")).evidence.seen["metal.found"].weak


def test_no_metal_anywhere_points_elsewhere() -> None:
    """The source lies elsewhere, or it is a false alarm. Common practice, no source."""
    clean = (*graded("Inline four", rods="O", mains="O"), seen("filter", "clean"), seen("in the screen", "nothing"))
    story = read(*complains("metal found"), *clean)
    assert "metal.none" in story.signs
    without = read(*complains("metal found"))
    assert story.weighed.chance["dirt.upstream"] < without.weighed.chance["dirt.upstream"]
    assert "metal.none" not in read(*clean, seen("in the valleys", "chips")).signs


def test_no_place_is_named_that_nobody_said_the_engine_has() -> None:
    """What hangs on the oil's way is asked for, not guessed: metal stays in it all the same."""
    melted = graded("Inline four", rods="M", mains="W")
    listed = {one.key: one for one in read(*melted).contaminated}
    assert not {"cooler", "turbo", "squirters", "tank", "tensioner"} & set(listed)
    assert listed["way"].open
    off = fact(StepDone, step="cooler.off")
    assert "cooler" in {one.key for one in read(*melted, off).contaminated}
    assert "turbo" in {one.key for one in read(*melted, said("carried over", "turbo")).contaminated}
    stated = {one.key for one in read(*melted, fact(OilWaySaid, extras=("squirters",))).contaminated}
    assert "squirters" in stated
    assert "way" not in stated
    assert "cooler" not in stated


def test_a_look_whose_way_is_not_open_is_not_offered() -> None:
    """A pan that is still on hides the screen. Common practice, no source."""
    drained = fact(StepDone, step="oil.drained")
    asked = {look.key for look in next_of(read(*complains("low pressure"), drained))}
    assert asked
    assert not {"screen", "seal at the pickup", "pump measured", "heat tests"} & asked
    open_now = {
        look.key for look in next_of(read(*complains("low pressure"), drained, fact(StepDone, step="pan.off")))
    }
    assert "screen" in open_now


def test_mains_worn_most_in_the_middle_point_at_crank_or_tunnel() -> None:
    """A bent crank, or a tunnel out of line, works hardest on the middle main. Common practice, no source."""
    swells = read(*complains("knock"), *graded("Inline four", rods="O", mains="OLCLO"))
    assert {"bands.middle"} <= swells.signs
    assert {"crank.bent", "tunnel.line"} & set(leaders(swells)[:3])
    assert "bands.middle" not in read(*graded("Inline four", rods="O", mains="CLOLC")).signs


def test_what_is_sound_on_the_oils_way_is_not_drawn_as_bad() -> None:
    """A seal as the new one, a plunger that falls by itself: sound, by whatever name the table gives it."""
    sound = (seen("seal at the pickup", "as the new one", "pump"), seen("screen", "clear", "pump"),
             seen("relief valve", "falls by its own weight", "pump"), seen("insert", "right"))  # fmt: skip
    story = read(*sound, seen("filter", "copper or bronze"))
    shown = {one.key: one.harm for one in stations_shown(oil_way_of(story.job), story.sightings, story.bearings)}
    assert (shown["pickup"], shown["screen"], shown["relief"], shown["bypass"]) == (0, 0, 0, 0)
    assert shown["filter"] == 3
    assert shown["gallery"] is None


def test_what_is_read_of_door_and_debris_is_what_they_ask() -> None:
    """A renamed answer would silently say nothing any more: each stands where it is asked."""
    topics = {topic.key: topic for topic in TOPICS}
    for topic, answers in _SHOWS.items():
        assert set(answers) <= set(topics[topic].answers), topic
        assert {sign for shown in answers.values() for sign in shown} <= set(SIGNS)
    for topic, looks in _ANSWERS.items():
        for look, given in looks:
            assert look in CATALOGUE.looks
            assert set(given) <= set(topics[topic].answers), topic
    asked = {look.key for look in CATALOGUE.looks.values() if look.asking(Asks.DEBRIS)}
    assert set(WHERE) == asked
    assert all(CATALOGUE.looks[look].answer(none) for look, none in WHERE.items())


def test_what_the_door_said_of_pump_and_head_is_not_asked_again() -> None:
    story = read(*complains("low pressure"), said("renewed", "oil pump"), said("service before", "head work"))
    assert {"pump history", "deck work"} <= story.still.taken
