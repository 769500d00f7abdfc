"""One journal by itself. What each look and figure leads to is the trade's rules; common practice, no source."""

import pytest

from halfthou.assess import assess
from halfthou.jobs import Look, Plan, Seen, SourceKind
from halfthou.parts.journals.limits import JournalLimits
from halfthou.report import PartReport
from halfthou.verdicts import Action, Called, MarkCode
from tests.making import GOOD_ENGINE, GOOD_ROD, PERFECT, figure, inches, job, limits, look, shells


def rod(texts: list[str], *seen: Seen, on: JournalLimits | None = None, plan: Plan | None = None) -> PartReport:
    """The answer for rod journal 1, read with a gauge without doubt."""
    plans = {"rods": plan} if plan else {}
    return assess(job({"R1": texts}, rods=on, gauge=PERFECT, seen=seen, plans=plans)).part("R1")


def test_a_journal_as_new_is_reused() -> None:
    answer = rod(GOOD_ROD)
    assert (answer.action, answer.called, answer.mark.code) == (Action.REUSE, Called.WITHIN, MarkCode.REUSE)


def test_an_unread_journal_is_never_passed() -> None:
    answer = rod([])
    assert (answer.action, answer.called, answer.mark.code) == (Action.MEASURE, Called.NOT_READ, MarkCode.NOT_READ)


def test_a_journal_read_in_part_is_not_passed_but_may_be_rejected() -> None:
    """Source: docs/trade: Authority of a limit: a missing reading never passes; docs/trade: Form of a journal."""
    assert rod(GOOD_ROD[:7]).action is Action.MEASURE
    assert rod(["2.0375", "2.0340"]).action is Action.REGRIND


@pytest.mark.parametrize(
    ("texts", "figure_name"),
    [
        (["2.0369"] * 8, "least size"),
        (["2.0378", "2.0378", "2.0366", "2.0378"] * 2, "out-of-round"),
        (["2.0378"] * 4 + ["2.0371"] * 4, "taper"),
    ],
)
def test_each_figure_beyond_its_limit_asks_for_grinding(texts: list[str], figure_name: str) -> None:
    """Limits: 2.0370 new, out-of-round 0.0010, taper 0.0006."""
    answer = rod(texts)
    found = next(f for f in answer.figures if f.name == figure_name)
    assert found.called is Called.BEYOND
    assert answer.action is Action.REGRIND


def test_barrel_is_judged_by_the_taper_limit_where_none_is_given() -> None:
    """Source: docs/trade: Form of a journal; common practice, no source."""
    texts = ["2.0371"] * 4 + ["2.0378"] * 4 + ["2.0371"] * 4
    answer = rod(texts, plan=Plan(planes=3))
    found = next(f for f in answer.figures if f.name == "barrel")
    assert (found.value.nm, found.called) == (inches("0.0007").nm, Called.BEYOND)
    own = limits(barrel=figure(inches("0.0009")))
    assert rod(texts, on=own, plan=Plan(planes=3)).action is Action.REUSE


def test_the_service_limit_replaces_the_new_minimum() -> None:
    """Source: docs/trade: Limits sheet."""
    served = limits(service_least=figure(inches("2.0362")))
    assert rod(["2.0363"] * 8, on=served).action is Action.REUSE
    assert rod(["2.0361"] * 8, on=served).action is Action.REGRIND


def test_two_angles_may_reject_but_never_accept() -> None:
    """Source: docs/trade: Form of a journal; case D07: two angles at 90 degrees may see nothing of an oval."""
    plan = Plan(angles_deg=(0, 90))
    good = rod(["2.0375"] * 4, plan=plan)
    assert (good.action, good.called) == (Action.MEASURE, Called.TOO_CLOSE)
    assert any("third" in reason.text for reason in good.reasons)
    assert rod(["2.0378", "2.0360"] * 2, plan=plan).action is Action.REGRIND


@pytest.mark.parametrize("texts", [GOOD_ROD, ["2.0300"] * 8])
def test_a_rule_of_thumb_alone_neither_accepts_nor_condemns(texts: list[str]) -> None:
    """Source: docs/trade: Authority of a limit: it gives too close, find the maker's limit."""
    thumb = limits()
    thumb = thumb.model_copy(
        update={
            "size": thumb.size.model_copy(update={"source": replace_kind(thumb)}),
            "out_of_round": figure(inches("0.0010"), SourceKind.RULE_OF_THUMB),
            "taper": figure(inches("0.0006"), SourceKind.RULE_OF_THUMB),
        }
    )
    answer = rod(texts, on=thumb)
    assert answer.action is Action.MEASURE
    assert "rule of thumb" in " ".join(reason.text for reason in answer.reasons)


def replace_kind(of: JournalLimits) -> object:
    return of.size.source.model_copy(update={"kind": SourceKind.RULE_OF_THUMB})


@pytest.mark.parametrize(
    ("what", "answered", "action"),
    [
        (Look.CRACK_TEST, "crack found", Action.REPLACE),
        (Look.FILLET, "sharp, notched or undercut", Action.REFER),
        (Look.HEAT, "blue", Action.REFER),
        (Look.HEAT, "grey", Action.REFER),
        (Look.HEAT, "straw", Action.REUSE),
        (Look.SURFACE, "nail catches", Action.REGRIND),
        (Look.SURFACE, "light marks", Action.POLISH),
        (Look.SURFACE, "nail runs clear", Action.REUSE),
        (Look.SEAT, "turned in its housing", Action.MEASURE),
    ],
)
def test_the_eye_may_reject_a_journal_that_measures_good(what: Look, answered: str, action: Action) -> None:
    """Source: common practice, no source; common practice, no source."""
    assert rod(GOOD_ROD, look("R1", what, answered)).action is action


@pytest.mark.parametrize("answered", ["sound", "passed", "none", "nail runs clear"])
def test_the_eye_never_accepts(answered: str) -> None:
    """Source: common practice, no source: only a gauge may accept."""
    what = {"sound": Look.FILLET, "passed": Look.CRACK_TEST, "none": Look.HEAT}.get(answered, Look.SURFACE)
    assert rod(["2.0340"] * 8, look("R1", what, answered)).action is Action.REGRIND
    assert rod([], look("R1", what, answered)).action is Action.MEASURE


def test_a_blue_journal_waits_for_hardness_and_straightness_too() -> None:
    """Common practice, no source: a crank that got hot may be soft or bent without a crack."""
    hot = [look("R1", Look.HEAT, "blue"), look("crank", Look.CRACK_TEST, "passed")]
    answer = rod(GOOD_ROD, *hot)
    assert answer.action is Action.REFER
    assert any("hardness" in reason.text and "straightness" in reason.text for reason in answer.reasons)
    hot.append(look("R1", Look.HARDNESS, "as the maker asks"))
    assert rod(GOOD_ROD, *hot).action is Action.REFER
    assert rod(GOOD_ROD, *hot, look("crank", Look.STRAIGHTNESS, "bent")).action is Action.REFER
    assert (
        rod(GOOD_ROD, *hot, look("crank", Look.STRAIGHTNESS, "within the maker's run-out")).action is Action.REUSE
    )


def test_a_turned_shell_leaves_the_clearance_unknown() -> None:
    """Source: common practice, no source."""
    answer = rod(GOOD_ROD, look("R1", Look.SEAT, "turned in its housing"))
    assert "measure the housing" in answer.clearance.words
    assert any("housing bore" in text for text in answer.still_to_do)


def test_a_polish_needs_room_to_the_limit() -> None:
    """0.0003 in is taken off by a polish (house rule): 2.0372 leaves less than that above 2.0370."""
    marks = look("R1", Look.SURFACE, "light marks")
    assert rod(["2.0374"] * 8, marks).action is Action.POLISH
    assert rod(["2.0372"] * 8, marks).action is Action.MEASURE


def test_a_little_small_but_round_takes_a_polish_shell() -> None:
    """Source: docs/trade: Choosing the size: short by less than 0.002 in and polish shells exist."""
    ladder = limits(shells=shells("0", "0.001", "0.002", "0.010"))
    small = rod(["2.0368"] * 8, on=ladder)
    assert small.action is Action.FIT_UNDERSIZE
    assert "0.0010" in small.headline
    assert rod(["2.0368"] * 8).action is Action.REGRIND
    assert rod(["2.0348"] * 8, on=ladder).action is Action.REGRIND
    oval = ["2.0368", "2.0362", "2.0356", "2.0362"] * 2
    assert rod(oval, on=ladder).action is Action.REGRIND


def test_the_gauges_doubt_makes_a_third_answer() -> None:
    """At the limit a micrometer cannot tell, a gauge without doubt can."""
    from_mic = assess(job({"R1": ["2.0371"] * 8})).part("R1")
    assert (from_mic.action, from_mic.called) == (Action.MEASURE, Called.TOO_CLOSE)
    assert rod(["2.0371"] * 8).action is Action.REUSE
    assert any("Check 2-3 in micrometer on a 2 in standard" in text for text in from_mic.would_change)


def test_reasons_name_the_readings_behind_them() -> None:
    answer = rod(["2.0375", "2.0375", "2.0342", "2.0375", "2.0375", "2.0375", "2.0340", "2.0375"])
    size = next(reason for reason in answer.reasons if reason.rule == "surveys.size.least")
    assert size.spots == ("2c",)


@pytest.mark.parametrize(
    ("answer", "said"),
    [
        ("nail catches", "A nail catches: score 0.0016 deep at 1b. Machining."),
        ("pitted", "Pitted: pits 0.0016 deep at 1b. Machining."),
        ("metal smeared on", "Metal smeared on 0.0016 proud at 1b."),
    ],
)
def test_a_score_pits_and_smeared_metal_are_said_as_what_they_are_and_where(answer: str, said: str) -> None:
    """Common practice, no source: what is smeared on comes off first; only then has the journal a size."""
    marked = job(GOOD_ENGINE, seen=(look("R2", Look.SURFACE, answer, "0.0016", spot="1b"),))
    report = assess(marked).part("R2")
    assert said in [reason.text for reason in report.reasons]
    if answer == "metal smeared on":
        assert report.action is Action.MEASURE
    else:
        assert report.action is Action.REGRIND


@pytest.mark.parametrize("answer", ["burr round a dent", "metal smeared on", "light marks"])
def test_nothing_is_said_of_a_nail_that_nobody_felt_catch(answer: str) -> None:
    report = assess(job(GOOD_ENGINE, seen=(look("R2", Look.SURFACE, answer),))).part("R2")
    assert not [reason for reason in report.reasons if "catches" in reason.text]


@pytest.mark.parametrize(("answer", "called"), [("pitted", "the pits"), ("nail catches", "the score")])
def test_how_deep_it_is_marked_is_asked_for_by_its_name(answer: str, called: str) -> None:
    found = assess(job(GOOD_ENGINE, seen=(look("R2", Look.SURFACE, answer),)))
    assert any(called in text for text in found.part("R2").still_to_do)
    assert any(f"the depth of {called} is not known" in reason.text for reason in found.of("rods").reasons)
