"""Waivers cover what is missing, never what was read or seen. Source: common practice, no source.

Rule: sets.waived.
"""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta

import pytest

from halfthou.assess import assess
from halfthou.jobs import Decision, DecisionKind, Job, Reading, Waived
from halfthou.lengths import Length
from halfthou.looks import Does
from halfthou.report import Assessment, PartReport
from halfthou.verdicts import Action, Called, Open
from tests.core.test_every_answer import EFFECTS, KEEPS_BACK, TRIED, Tried, as_new
from tests.making import NOON, engine_of, inches

#: What a part is moved by so that its figure is far beyond, by the kind: worn the way such a part wears.
WORN = {
    "run-out": 500_000,
    "housing": 30_000,
    "end float": 300_000,
    "journal": -40_000,
    "bore": 500_000,
    "piston": -100_000,
    "ring": 3_000_000,
    "oil pump": 1_000_000,
}


def waived(one: Job, kind: str, part: str) -> Job:
    """Everything that can be waived of a part, waived."""
    name = engine_of(one).parts[part].set
    words = tuple(
        Decision(
            id=f"waived.{part}.{about.name}", kind=DecisionKind.WAIVED, set=name, part=part, about=about,
            reason="nobody can get at it", by="owner", at=NOON,
        )
        for about in Waived
    )  # fmt: skip
    return one.model_copy(update={"decisions": words})


def read_otherwise(one: Job, part: str, moved: int, *, at: int = 0) -> Job:
    """One reading of a part, its first where no other is named, moved so far."""
    own = [reading for reading in one.readings if reading.part == part]
    changed = own[at].model_copy(update={"count": max(own[at].count + moved, 0)})
    others: tuple[Reading, ...] = tuple(r for r in one.readings if r.id != changed.id)
    return one.model_copy(update={"readings": (*others, changed)})


def told(kind: str, one: Job) -> tuple[Assessment, PartReport]:
    found = assess(one)
    return found, found.part(TRIED[kind])


@pytest.mark.parametrize("kind", TRIED)
def test_what_was_read_beyond_is_not_waived(kind: str) -> None:
    part = TRIED[kind]
    worn = read_otherwise(as_new(kind), part, WORN[kind])
    (_, before), (whole, after) = told(kind, worn), told(kind, waived(worn, kind, part))
    assert not (before.action is Action.REUSE and not before.opens), "without this it would prove nothing"
    assert not (after.action is Action.REUSE and not after.opens)
    assert after.own_action is before.own_action
    assert not whole.whole or after.own_action is not Action.REUSE


@pytest.mark.parametrize("kind", TRIED)
def test_what_is_too_close_is_not_waived(kind: str) -> None:
    """The same reading, at its limit within what the gauge can tell."""
    part, one = TRIED[kind], as_new(kind)
    assert any(figure.called is Called.WITHIN for figure in told(kind, one)[1].figures)
    coarse = tuple(
        gauge.model_copy(update={"permissible_error": Length(400_000), "repeatability": None})
        if gauge.quantity.value == "nm"
        else gauge
        for gauge in one.gauges
    )
    close = one.model_copy(update={"gauges": coarse})
    (_, before), (_, after) = told(kind, close), told(kind, waived(close, kind, part))
    assert before.opens and after.opens
    assert set(after.opens) <= set(before.opens)
    assert not (after.action is Action.REUSE and not after.opens)


def faults() -> Iterator[Tried]:
    for tried in EFFECTS:
        if tried.effect.does in KEEPS_BACK and tried.effect.does not in (Does.REMEDY, Does.ASKS):
            yield tried


@pytest.mark.parametrize("tried", tuple(faults()), ids=repr)
def test_what_was_seen_is_not_waived(tried: Tried) -> None:
    one, part = tried.job(), TRIED[tried.kind]
    found = assess(waived(one, tried.kind, part))
    after = found.part(part)
    assert not (after.action is Action.REUSE and not after.opens)
    assert not found.whole or after.own_action is not Action.REUSE


def test_a_clearance_that_was_read_is_judged_waived_or_not() -> None:
    """Its piston reads so that the clearance stands at its limit, with a micrometer read to a thou."""
    one = as_new("piston")
    worn = one.limits.sets["pistons"].figure("clearance_worn")
    assert worn is not None
    bore = max(r.count for r in one.readings if r.part == "bore-2" and r.feature == "diameter")
    skirt = next(r for r in one.readings if r.part == "piston-2" and r.feature == "skirt")
    at_limit = skirt.model_copy(update={"count": bore - worn.value.nm, "gauge": "thou-mic"})
    close = one.model_copy(update={"readings": (*(r for r in one.readings if r.id != skirt.id), at_limit)})
    before, after = assess(close).part("bore-2"), assess(waived(close, "bore", "bore-2")).part("bore-2")
    assert Open.PISTON in before.opens
    assert Open.PISTON in after.opens
    assert not after.waits


@pytest.mark.parametrize("kind", TRIED)
def test_a_word_does_not_cover_what_was_read_after_it(kind: str) -> None:
    """Rule: sets.word-covers: decided to use it again, then read beyond its limit."""
    part = TRIED[kind]
    worn = read_otherwise(as_new(kind), part, WORN[kind])
    name = engine_of(worn).parts[part].set

    def decided(hours: int) -> Assessment:
        """Decided so many hours after the part was read."""
        last = max(reading.at for reading in worn.readings)
        word = Decision(
            id="d", kind=DecisionKind.OVERRIDDEN, set=name, action=Action.REUSE.value, by="owner",
            reason="the customer asks for it", at=last + timedelta(hours=hours),
        )  # fmt: skip
        return assess(worn.model_copy(update={"decisions": (word,)}))

    before, after = decided(-1), decided(1)
    assert not before.of(name).decided
    assert any(one.rule == "sets.word-covers" and "beyond" in one.text for one in before.notices)
    assert after.of(name).decided
    assert not any(one.rule == "sets.word-covers" for one in after.notices)


@pytest.mark.parametrize("hours", [-1, 1])
def test_a_word_does_not_cover_readings_that_contradict_each_other_since(hours: int) -> None:
    """Rule: sets.word-covers: decided, then one spot is read a second time and differs by far more than scatter."""
    new = as_new("journal")
    one = next(reading for reading in new.readings if reading.part == TRIED["journal"])
    word = Decision(
        id="d", kind=DecisionKind.OVERRIDDEN, set="rods", action=Action.REUSE.value, by="owner",
        reason="the customer asks for it", at=one.at + timedelta(hours=1),
    )  # fmt: skip
    second = one.model_copy(
        update={"id": "second", "at": word.at - timedelta(hours=hours), "count": one.count + inches("0.0003").nm}
    )
    found = assess(new.model_copy(update={"readings": (*new.readings, second), "decisions": (word,)}))
    opened = any(one.rule == "sets.word-covers" and "contradict" in one.text for one in found.notices)
    assert (opened, found.of("rods").decided) == ((True, False) if hours < 0 else (False, True))
