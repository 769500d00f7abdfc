"""One table of looks: what may be seen of an engine can be written down, and every row of it hangs together."""

from __future__ import annotations

import json
from pathlib import Path

import pytest

from halfthou.causes import CAUSES, LEFT_BY_CAUSES, SIGNS
from halfthou.door import TOPICS
from halfthou.engines import usual_layouts
from halfthou.first_look import ANSWERED_BY, ASKED_AS, USUAL_LOOKS
from halfthou.jobs import BARE, FACT_KINDS, FastenerKind, FastenerState
from halfthou.looks import AllLooks, LookKind, LookTwice, plain
from halfthou.parts import CATALOGUE, faults_of_seen
from halfthou.strip import strip_list
from tests.making import layout
from tests.reading import seen
from tests.stripping import fact

ROWS = json.loads((Path(__file__).parents[1] / "cases" / "seen_of_an_engine.json").read_text(encoding="utf-8"))
ENGINE = CATALOGUE.engine(layout("Inline four"))
#: Signs that no single look shows: patterns over several places, the gauge, the oil report, the door.
SHOWN_OTHERWISE = {
    "the map": {"rods.all", "rods.one", "rods.worse", "uppers.sound", "uppers.fatigued", "bearings.even",
                "bearings.polished", "shells.two-layer", "copper.through", "fatigue", "pits.acid", "shell.turned",
                "hole.covered", "marks.wrong", "back.polished", "back.clean", "dirt.bedded", "scratches.sharp",
                "edges.opposite", "mains.edge-alike", "wear.by-form", "bands.scallops", "wiped.crown", "sheds",
                "bearings.gone", "journal.hot", "wear.mild", "copper.flakes", "rods.lowers", "mains.lowers",
                "lowers.sound", "mains.rising", "blue.under-new", "shells.not-soft"},
    "debris": {"metal.none", "metal.iron"},
    "the crank tested whole": {"crack.passed"},
    "skirts, crowns and deposits": {"skirt.one", "skirts.all", "skirts.alike", "crown.washed", "deposit.differs"},
    "the gauge": {"form.beyond", "form.within", "housing.beyond", "housing.within", "clearance.large",
                  "clearance.sound", "clearance.small", "clearance.within", "bore.beyond", "bore.within",
                  "gap.small", "gap.within", "piston.tight", "piston.within", "pump.beyond", "pump.within",
                  "set.worn-out"},
    "an oil report": {"sample.late", "oil.sheared", "soot.high", "metal.rings",
                      "dilution.high", "dilution.alarm", "dilution.nil", "oil.milky", "dirt.in-oil"},
    "the door": {"lamp.after-service", "fuel.smell", "carried.over", "injector.carried", "deck.work",
                 "hours.record", "shells.renewed"},
}  # fmt: skip


@pytest.mark.parametrize("row", ROWS, ids=lambda row: f"{row['part']}: {row['look']}: {row['say']}")
def test_what_a_rebuilder_may_see_can_be_written_down(row: dict[str, str]) -> None:
    """Source: tests/cases/seen_of_an_engine.json, common practice, copied by hand."""
    on, key, answer = row["on"], row["key"], row["answer"]
    if on == "door":
        assert answer in {topic.key: topic for topic in TOPICS}[key].answers
    elif on == "mark":
        assert key in ENGINE.places
        assert answer == "BARE"
        assert fact(FACT_KINDS["mark"].document, part=key, mark=BARE, found=True)
    elif on == "feature":
        assert ENGINE.feature(key, answer).spots
    elif on == "fact":
        known = {"fastener": FastenerState, "fastener kind": FastenerKind}.get(key)
        assert key in FACT_KINDS or answer in {one.value for one in known or ()}
    else:
        asks = {"measured": {"amount": 6_300_000}}.get(answer, {})
        found = seen(key, answer, on).model_copy(update={"amount": object()} if asks else {})
        assert list(faults_of_seen(found, ENGINE)) == []


def test_every_sign_is_shown_by_an_answer_a_pattern_a_figure_or_a_report() -> None:
    shown = {sign for look in CATALOGUE.looks.values() for answer in look.answers for sign in answer.shows}
    otherwise = set().union(*SHOWN_OTHERWISE.values())
    assert set(SIGNS) - shown - otherwise == set()
    assert otherwise <= set(SIGNS)


def test_what_destroys_a_look_is_a_step_of_the_strip() -> None:
    steps = {step.id for one in usual_layouts() for step in strip_list(one)}
    assert {look.lost_by for look in CATALOGUE.looks.values() if look.lost_by} <= steps


def test_every_look_of_the_bench_has_its_row_and_is_taken_on_what_its_kind_is_spoken_of() -> None:
    for kind in CATALOGUE.all:
        for look in kind.looks:
            assert CATALOGUE.looks[look.key] == look
            assert {kind.key, *kind.sets, *kind.wholes} & set(look.on), look.key
        for looks in kind.look_again.values():
            assert {str(one) for one in looks} <= set(CATALOGUE.looks)


def test_the_rows_hang_together() -> None:
    """A sign, an echo, a rank names what there is; an answer is said once; what is bad where one look is asked on
    several pages is bad on all."""
    kinds = {kind.key: kind for kind in CATALOGUE.all}
    for look in CATALOGUE.looks.values():
        assert len(set(look.texts)) == len(look.texts), look.key
        assert set(look.signs) <= set(SIGNS), look.key
        assert not look.worse or set(look.worse) == set(look.texts), look.key
        assert (look.where is None) or (look.name and look.minutes > 0), look.key
        for echo in (echo for answer in look.answers for echo in answer.echoes):
            target = CATALOGUE.looks[echo.look]
            assert echo.kind in kinds
            assert echo.kind in target.on
            assert target.answer(echo.answer) is not None


def test_of_a_look_that_the_bench_asks_no_answer_that_leaves_a_sign_ranks_as_sound() -> None:
    """An answer that a cause leaves behind is worse than the best: two people who differ are not talked down."""
    for look in CATALOGUE.looks.values():
        for answer in look.answers if look.bench and not look.several else ():
            if LEFT_BY_CAUSES & set(answer.shows):
                assert look.harm_of(answer.text) > 0, (look.key, answer.text)


def test_every_look_of_the_order_is_answered_by_looks_there_are() -> None:
    rows = {row.key for row in USUAL_LOOKS.looks}
    assert set(ASKED_AS) <= set(ANSWERED_BY) <= rows
    for key, (look, on) in ASKED_AS.items():
        assert any(by.look == look for by in ANSWERED_BY[key])
        assert ENGINE.look(look, on) is not None
    assert {by.look for answered in ANSWERED_BY.values() for by in answered} <= set(CATALOGUE.looks)


def test_causes_follow_looks_of_the_board() -> None:
    board = {look.key for look in CATALOGUE.looks.on_the_board}
    assert {key for cause in CAUSES.values() for key in cause.follow} <= board


def test_two_looks_under_one_id_are_refused() -> None:
    with pytest.raises(LookTwice, match="tip"):
        AllLooks([LookKind("tip", plain("round")), LookKind("tip", plain("flat"))])
