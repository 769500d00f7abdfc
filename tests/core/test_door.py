"""The door: sources that disagree, a mix inside, limits of another engine, and what nobody has asked yet."""

from __future__ import annotations

import pytest

from halfthou.assess import assess, faults_in
from halfthou.door import TOPICS, door_findings, run_of
from halfthou.jobs import NOT_IDENTIFIED, Job, Withdrawal, unidentified_sheet
from tests.making import job
from tests.stripping import at_the_door, fact, said


def rules(one: Job) -> list[str]:
    return [reason.rule for reason in door_findings(one)]


@pytest.mark.parametrize(
    ("text", "run"),
    [
        ("6,210 h", (6210, "h")), ("about 4500 hours", (4500, "h")), ("182 000 km", (182000, "k")),
        ("6210.5 h", (6210, "h")), ("12'400", (12400, "h")), ("not known", None),
    ],
)  # fmt: skip
def test_hours_and_distance_are_read_as_they_are_written(text: str, run: tuple[int, str] | None) -> None:
    """How figures are grouped: common practice of several countries, no source."""
    assert run_of(text) == run


def test_two_sources_that_disagree_are_both_kept_and_said() -> None:
    told = at_the_door(said("hours", "6,210 h", "hour meter"), said("hours", "4,500 h", "the foreman"))
    (reason,) = [one for one in door_findings(told) if one.rule == "door.two-sources"]
    assert "hour meter says 6,210 h" in reason.text
    assert "the foreman says 4,500 h" in reason.text


def test_two_sources_that_agree_say_nothing() -> None:
    told = at_the_door(said("hours", "6,210 h", "hour meter"), said("hours", "6210 hours", "the book"))
    assert "door.two-sources" not in rules(told)


def test_what_the_block_says_and_what_is_inside_may_be_two_engines() -> None:
    """Common practice, no source: castings can mislead, internals may come from another engine."""
    mixed = at_the_door(said("block says", "Bramling 4", "casting"), said("inside is", "Bramling 6", "stamp"))
    assert "door.mix" in rules(mixed)
    assert any("A mix" in notice.text for notice in assess(mixed).notices)
    same = at_the_door(said("block says", "Bramling 4", "casting"), said("inside is", "bramling-4", "stamp"))
    assert "door.mix" not in rules(same)


def test_limits_are_those_of_what_was_verified() -> None:
    """The limits of the test job are for the Bramling 4."""
    assert "door.limits" in rules(at_the_door(said("inside is", "Skerrin 3", "measured", verified=True)))
    assert "door.limits" not in rules(at_the_door(said("inside is", "Skerrin 3", "paint")))
    assert "door.limits" not in rules(at_the_door(said("inside is", "Bramling 4", "measured", verified=True)))


@pytest.mark.parametrize(("turns", "said_so"), [("locked", True), ("tight at one place", True), ("free", False)])
def test_an_engine_that_came_locked_says_so(turns: str, said_so: bool) -> None:
    assert ("door.locked" in rules(at_the_door(said("turns by hand", turns)))) is said_so


def test_what_was_taken_back_was_not_said() -> None:
    first = said("turns by hand", "locked")
    back = fact(Withdrawal, 1, fact=first.id)
    free = said("turns by hand", "free")
    assert "door.locked" not in rules(at_the_door(first, back, free))


def test_an_answer_that_is_none_is_a_fault_of_the_file() -> None:
    faults = faults_in(at_the_door(said("turns by hand", "round and round"), said("star sign", "lion")))
    assert any("round and round" in fault for fault in faults)
    assert any("star sign" in fault for fault in faults)


def test_every_question_can_be_answered() -> None:
    assert all(topic.answers or topic.free for topic in TOPICS)
    assert len({topic.key for topic in TOPICS}) == len(TOPICS)


def test_an_engine_nobody_has_named_waits_for_that_and_is_never_reused() -> None:
    """Common practice, no source: no verdict without limits."""
    unknown = job(limits=unidentified_sheet(), scope=("pump",))
    found = assess(unknown)
    assert found.waits_for == "which engine it is, and its limits"
    assert not found.whole
    assert all(one.mark.code.value != "reuse" for one in found.parts)
    assert unknown.limits.engine == NOT_IDENTIFIED
