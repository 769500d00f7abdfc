"""Sets decided together, through the whole assessment. The rules are the trade's; common practice, no source."""

from typing import Any

import pytest

from halfthou.assess import assess
from halfthou.jobs import HardenedCrank, Hardening, HouseRules, Look, Seen, Step
from halfthou.lengths import Length
from halfthou.parts.journals.limits import JournalLimits
from halfthou.report import SetReport
from halfthou.verdicts import Action, MarkCode
from tests.making import (
    GOOD_ENGINE,
    GOOD_ROD,
    MICROMETER,
    PERFECT,
    band,
    figure,
    inches,
    job,
    limits,
    look,
    mm,
    shells,
)

#: Worn to 2.0330 at a and round elsewhere: cleans up between 2.0282 and 2.0330 in.
WORN = ["2.0330", "2.0353", "2.0376", "2.0353"] * 2


def rods(sizes: dict[str, list[str]], *seen: Seen, on: JournalLimits | None = None, **changes: Any) -> SetReport:
    return assess(job({**GOOD_ENGINE, **sizes}, rods=on, gauge=PERFECT, seen=seen, **changes)).of("rods")


def text_of(answer: SetReport) -> str:
    return " ".join(reason.text for reason in answer.reasons)


def test_a_good_set_is_reused_with_standard_shells() -> None:
    answer = rods({})
    assert (answer.action, answer.headline, answer.complete) == (Action.REUSE, "reuse", True)
    assert [(order.words, order.count) for order in answer.to_order] == [("standard", 4)]


def test_one_worn_journal_takes_the_set_to_one_size() -> None:
    """Source: common practice, no source. 2·2.0330 - 2.0378 = 2.0282, less 0.0003 polish: 0.010 under reaches
    2.0270."""
    found = assess(job({**GOOD_ENGINE, "R3": WORN}, gauge=PERFECT))
    answer = found.of("rods")
    assert (answer.action, answer.headline, answer.sets_it) == (Action.REGRIND, "regrind, 0.010 under", "No. 3")
    assert (answer.finished_band, answer.rough_band) == ("2.0270 to 2.0278", "2.0273 to 2.0281")
    assert [(order.words, order.count) for order in answer.to_order] == [("0.010 under", 4)]
    assert found.part("R1").mark.code is MarkCode.WITH_SET
    assert found.part("R3").mark.code is MarkCode.REGRIND
    assert found.part("R1").action is Action.REGRIND
    assert found.of("mains").action is Action.REUSE
    assert answer.cautions and found.part("R3").cautions


def test_spare_and_next_size_are_said() -> None:
    answer = rods({"R3": WORN})
    assert "0.0009 to spare" in text_of(answer)
    assert "Next size down, 0.020 under" in text_of(answer)


def test_a_size_that_only_even_wear_allows_is_named_not_chosen() -> None:
    """Source: docs/trade: Choosing the size. 2.0310: sure end 2.0242 misses 2.0270, possible end 2.0310 makes
    it."""
    answer = rods({"R3": ["2.0310", "2.0340", "2.0376", "2.0340"] * 2})
    assert answer.headline == "regrind, 0.020 under"
    assert any("radial profile" in text and "0.010 under" in text for text in answer.would_change)


def test_a_set_not_all_read_is_decided_so_far_only() -> None:
    """Source: docs/trade: A set not all read."""
    answer = rods({"R3": WORN, "R4": []})
    assert answer.headline == "at least 0.010 under so far"
    assert answer.awaiting == ("R4",)
    assert not answer.complete


def test_a_crank_already_under_starts_from_there() -> None:
    """Source: common practice, no source."""
    ground = {f"R{n}": ["2.0275"] * 8 for n in range(1, 5)}
    kept = rods(ground)
    assert (kept.headline, kept.present_words) == ("reuse at 0.010 under", "0.010 under")
    assert [order.words for order in kept.to_order] == ["0.010 under"]
    worn = rods({**ground, "R2": ["2.0230", "2.0252", "2.0276", "2.0252"] * 2})
    assert worn.headline == "regrind, 0.020 under"


def test_paint_that_lies_is_told_apart() -> None:
    painted = look("rods", Look.CLAIMED_UNDERSIZE, "paint", "0.010")
    assert "Paint says 0.010 under; it measures standard" in text_of(rods({}, painted))


def test_past_the_last_size_is_replaced() -> None:
    answer = rods({"R1": ["2.0100", "2.0240", "2.0376", "2.0240"] * 2}, on=limits(shells=shells("0", "0.010")))
    assert answer.action is Action.REPLACE
    assert "Past the last size" in text_of(answer)


def test_a_size_nobody_sells_does_not_exist() -> None:
    """Source: common practice, no source."""
    sold = (*shells("0"), Step(size=inches("0.010"), can_be_bought=False), *shells("0.020"))
    answer = rods({"R3": WORN}, on=limits(shells=sold))
    assert answer.headline == "regrind, 0.020 under"
    assert "no shells can be bought" in text_of(answer)
    none_left = (*shells("0"), Step(size=inches("0.010"), can_be_bought=False))
    assert rods({"R3": WORN}, on=limits(shells=none_left)).action is Action.REPLACE


def test_without_any_undersize_on_the_sheet_it_is_referred() -> None:
    answer = rods({"R3": WORN}, on=limits(shells=shells("0")))
    assert answer.action is Action.REFER
    assert "find out what can be bought" in text_of(answer)


def test_the_makers_smallest_size_ends_the_ladder() -> None:
    answer = rods({"R3": WORN}, on=limits(smallest_allowed=figure(inches("2.0300"))))
    assert answer.action is Action.REPLACE
    assert "the maker does not allow it" in text_of(answer)


def test_a_scrap_is_not_made_where_even_wear_could_save_it() -> None:
    answer = rods({"R1": ["2.0285", "2.0330", "2.0376", "2.0330"] * 2}, on=limits(shells=shells("0", "0.010")))
    assert answer.action is Action.REFER
    assert "radial profile" in text_of(answer)


@pytest.mark.parametrize(
    ("hardening", "school", "case", "action"),
    [
        (Hardening.NONE, HardenedCrank.NEVER, None, Action.REGRIND),
        (Hardening.UNKNOWN, HardenedCrank.WITHIN_CASE, None, Action.REFER),
        (Hardening.INDUCTION, HardenedCrank.NEVER, "2.5", Action.REPLACE),
        (Hardening.INDUCTION, HardenedCrank.WITHIN_CASE, "2.5", Action.REFER),
        (Hardening.INDUCTION, HardenedCrank.WITHIN_CASE, None, Action.REFER),
        (Hardening.NITRIDED, HardenedCrank.WITHIN_CASE, "0.40", Action.REGRIND),
        (Hardening.NITROCARBURISED, HardenedCrank.WITHIN_CASE, "0.40", Action.REFER),
    ],
)
def test_a_hardened_crank_is_never_silently_ground(
    hardening: Hardening, school: HardenedCrank, case: str | None, action: Action
) -> None:
    """Source: common practice, no source; case depths from docs/trade: Hardness and fillets, from memory."""
    on = limits(hardening=hardening, case_depth=figure(mm(case)) if case else None)
    answer = rods({"R3": WORN}, on=on, house_rules=HouseRules(hardened_crank=school))
    assert answer.action is action
    if hardening is not Hardening.NONE:
        assert any(reason.rule == "sets.regrind.hardened" for reason in answer.reasons)


@pytest.mark.parametrize(("least", "action"), [("2.3", Action.REGRIND), ("2.4", Action.REPLACE)])
def test_an_induction_hardened_crank_keeps_the_makers_least_case(least: str, action: Action) -> None:
    """2.5 mm of case less half of 0.254 mm leaves 2.373 mm."""
    on = limits(hardening=Hardening.INDUCTION, case_depth=figure(mm("2.5")), least_case=figure(mm(least)))
    answer = rods({"R3": WORN}, on=on, house_rules=HouseRules(hardened_crank=HardenedCrank.WITHIN_CASE))
    assert answer.action is action


@pytest.mark.parametrize(("step", "action"), [("0.25", Action.REGRIND), ("0.30", Action.REFER)])
def test_a_nitrided_crank_is_ground_by_a_quarter_millimetre_at_most(step: str, action: Action) -> None:
    """Source: general heat-treatment literature, from memory: often hardened again after 0.25 mm, or 0.010 in."""
    on = limits(
        hardening=Hardening.NITRIDED,
        case_depth=figure(mm("0.40")),
        shells=(*shells("0"), Step(size=mm(step))),
    )
    answer = rods({"R3": WORN}, on=on, house_rules=HouseRules(hardened_crank=HardenedCrank.WITHIN_CASE))
    assert answer.action is action


def test_a_house_rule_nobody_confirmed_asks_and_does_not_reject() -> None:
    on = limits(hardening=Hardening.INDUCTION, case_depth=figure(mm("2.5")))
    answer = rods({"R3": WORN}, on=on, house_rules=HouseRules(confirmed=False))
    assert answer.action is Action.REFER
    assert "no owner has chosen" in text_of(answer)


def test_a_crack_anywhere_ends_the_set() -> None:
    answer = rods({"R3": WORN}, look("R1", Look.CRACK_TEST, "crack found"))
    assert (answer.action, answer.mark.code) == (Action.REPLACE, MarkCode.REPLACE)


def test_a_referral_comes_before_grinding() -> None:
    answer = rods({"R3": WORN}, look("R3", Look.HEAT, "blue"))
    assert answer.action is Action.REFER
    assert not answer.to_order


def test_clearance_after_the_decision() -> None:
    """Source: docs/trade: Measuring a bearing = H - w - w - J: 2.1640 - 2·0.0624 - 2.0378 and 2.1645 - 2·0.0622 -
    2.0370."""
    on = limits(
        housing_bore=band("2.1640", "2.1645"), wall=band("0.0622", "0.0624"), clearance=band("0.0012", "0.0034")
    )
    found = assess(job({**GOOD_ENGINE, "R3": WORN}, rods=on, gauge=PERFECT))
    assert {found.part(f"R{n}").clearance.words for n in range(1, 5)} == {"0.0014 to 0.0031"}
    kept = assess(job({**GOOD_ENGINE, "R1": ["2.0371", *GOOD_ROD[1:]]}, rods=on, gauge=PERFECT))
    assert kept.part("R1").clearance.words == "0.0017 to 0.0030"
    assert "add housing bore" in found.part("M1").clearance.words


def test_the_stricter_house_rule_doubts_more() -> None:
    """1.645u and 2u are 0.00013 and 0.00016 in here; 2.03715 lies 0.00015 inside."""
    sizes = {**GOOD_ENGINE, "R1": ["2.03715"] * 8}
    lax = assess(job(sizes, gauge=MICROMETER)).part("R1")
    strict = assess(job(sizes, gauge=MICROMETER, house_rules=HouseRules(guard="2u"))).part("R1")
    assert (lax.action, strict.action) == (Action.REUSE, Action.MEASURE)


def test_polish_allowance_is_the_shops() -> None:
    tight = ["2.0275", "2.0327", "2.0378", "2.0327"] * 2
    small = HouseRules(polish_allowance=Length(0))
    big = HouseRules(polish_allowance=inches("0.0010"))
    sure = [rods({"R1": tight}, house_rules=rules).steps[0].outlook for rules in (small, big)]
    assert sure[0] != sure[1]
