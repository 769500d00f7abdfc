"""Nothing goes back unseen: each look without which a part is not used again, left out alone on an engine that is
otherwise as new. A kind that comes later falls into it by itself."""

from __future__ import annotations

from datetime import timedelta

import pytest

from halfthou.assess import assess
from halfthou.exchange import read_job, write_job
from halfthou.jobs import Job, JobFile, Look, Seen
from halfthou.looks import Answer, Does, Effect, LookKind
from halfthou.parts import CATALOGUE, faults_of_seen
from halfthou.report import PartReport
from halfthou.story import story
from halfthou.verdicts import Action, MarkCode, Open
from tests.core.test_every_answer import TRIED, Tried, as_new, looks_at
from tests.making import GOOD_ENGINE, NOON, PERFECT, engine_of, job, limits, look, shells

#: The looks without which nobody fits a part again. Source: common practice, no source.
WANTED = {
    "run-out": {"supports"},
    "housing": set(),
    "end float": {"thrust faces"},
    "journal": {"surface", "heat colour"},
    "bore": {"bore wall"},
    "piston": {"skirts", "lands", "crown"},
    "ring": {"whole or broken", "face"},
    "oil pump": {"pump housing", "gears or rotors", "drive", "relief valve", "metal", "which pump"},
}
#: More than eye and nail: pressed, moved, struck or indicated. Source: common practice, no source.
TESTS = {
    "crack test",
    "hardness",
    "straightness",
    "pressure test",
    "deck",
    "bore to tunnel",
    "pin in a snap set at its least size",
    "relief valve",
    "pump turns",
    "magnetism",
    "line by bar",
}
LATER = NOON + timedelta(hours=9)
LEFT_OUT = [(kind, key) for kind in TRIED for key in CATALOGUE[kind].first_looks]


def without(kind: str, key: str) -> Job:
    """The engine as new, where nobody took one look at the part that is tried."""
    new, part = as_new(kind), TRIED[kind]
    there = {part, engine_of(new).parts[part].set, *CATALOGUE[kind].wholes}
    kept = tuple(one for one in new.seen if not (one.look == key and one.on in there))
    return new.model_copy(update={"seen": kept})


def told(kind: str, one: Job) -> PartReport:
    return assess(one).part(TRIED[kind])


def test_each_kind_names_what_has_to_be_looked_at() -> None:
    assert {kind: set(CATALOGUE[kind].first_looks) for kind in TRIED} == WANTED
    assert {row.key for row in CATALOGUE.looks.values() if row.test} == TESTS


@pytest.mark.parametrize(("kind", "key"), LEFT_OUT)
def test_a_part_at_which_nobody_looked_does_not_go_back(kind: str, key: str) -> None:
    one = without(kind, key)
    found = told(kind, one)
    assert found.action is Action.MEASURE
    assert Open.UNSEEN in found.opens
    assert found.mark.code is MarkCode.LOOK
    assert any(key in text for text in found.still_to_do if text.startswith("Look first: "))
    assert not assess(one).whole


@pytest.mark.parametrize(("kind", "key"), LEFT_OUT)
def test_an_answer_that_says_nothing_of_the_part_is_none(kind: str, key: str) -> None:
    """Of an older file, or a newer program's."""
    unlisted = Seen(id="odd", on=TRIED[kind], look=key, answer="as it was", by="bench", at=NOON)
    one = without(kind, key)
    found = told(kind, one.model_copy(update={"seen": (*one.seen, unlisted)}))
    assert found.action is Action.MEASURE
    assert Open.UNSEEN in found.opens


def test_what_would_take_a_polish_shell_waits_too() -> None:
    """Common practice, no source: a thicker shell hides what the eye would have found as well as a standard one."""
    ladder = limits(shells=shells("0", "0.001", "0.002", "0.010"))
    small = {**GOOD_ENGINE, "R2": ["2.0368"] * 8}
    cold = tuple(look(on, Look.SURFACE, "nail runs clear") for on in GOOD_ENGINE)
    waits = assess(job(small, rods=ladder, gauge=PERFECT, seen=cold, looked=False)).part("R2")
    goes = assess(job(small, rods=ladder, gauge=PERFECT, seen=cold)).part("R2")
    assert (waits.own_action, goes.own_action) == (Action.MEASURE, Action.FIT_UNDERSIZE)


def test_what_is_ground_has_its_size_and_is_not_whole_unseen() -> None:
    """Common practice, no source: under the wheel a blue journal loses its colour and stays soft."""
    worn = {**GOOD_ENGINE, "R2": ["2.0320"] * 8}
    found = assess(job(worn, looked=False))
    assert found.of("rods").action is Action.REGRIND
    assert Open.UNSEEN in found.part("R2").opens
    assert not found.whole


@pytest.mark.parametrize(("kind", "key"), LEFT_OUT)
def test_one_key_answers_eye_and_nail_of_one_part_and_never_a_test(kind: str, key: str) -> None:
    one, row, part = without(kind, key), CATALOGUE.looks[key], TRIED[kind]
    offered = CATALOGUE[kind].by_one_key(told(kind, one).unseen)
    # A test is none, nor is what is only said, as how a crank lay.
    if key in TESTS or not row.sound:
        assert offered == ()
        return
    assert offered == (key,)
    by_key = Seen(
        id="key",
        on=part,
        look=key,
        answer=row.sound_by_eye,
        by="bench",
        at=NOON + timedelta(hours=9),
        by_one_key=True,
    )
    sound = one.model_copy(update={"seen": (*one.seen, by_key)})
    assert told(kind, sound).action is Action.REUSE
    assert told(kind, sound).unseen == ()
    lines = [line.words for line in story(sound, engine_of(sound))]
    assert any(text.endswith("all by one key") for text in lines)
    assert read_job(write_job(JobFile(job=sound))).job.seen[-1].by_one_key


def test_one_key_says_nothing_else() -> None:
    """Neither of a set, nor of a test, nor that something is wrong."""
    engine = engine_of(as_new("piston"))

    def refused(on: str, key: str, answer: str) -> bool:
        seen = Seen(id="key", on=on, look=key, answer=answer, by="bench", at=NOON, by_one_key=True)
        return bool(tuple(faults_of_seen(seen, engine)))

    assert not refused("piston-2", "skirts", "clean")
    assert refused("pistons", "skirts", "clean")
    assert refused("piston-2", "skirts", "light marks")
    assert refused("piston-2", "crack test", "passed")
    assert refused("pump", "relief valve", "falls by its own weight")
    assert refused("piston-2", "pin", "free")


ROWS = [(kind, row) for kind in TRIED for row in looks_at(kind) if row.judges]


@pytest.mark.parametrize(("kind", "row"), ROWS, ids=lambda one: one if isinstance(one, str) else one.key)
def test_an_answer_on_no_list_keeps_its_part_back_and_is_shown(kind: str, row: LookKind) -> None:
    """Rule: looks.unlisted. Of every look that judges a part, also those without which it goes back."""
    one = Tried(kind, row, Answer("as it was"), Effect(Does.RECORDS)).job()
    found = told(kind, one)
    assert (found.action is not Action.REUSE) or found.opens
    assert any("as it was" in text for text in (*(r.text for r in found.reasons), *found.found)), found.reasons
    assert not assess(one).whole
