"""Which look first: the order against every other order, its expected cost against simulation."""

from __future__ import annotations

import itertools
import random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.first_look import USUAL_LOOKS, WeighedLook, expected_cost, order_looks
from halfthou.jobs import CANNOT, FOUND, NOTHING, Arrangement, ComplaintKind, Fact, Seen, StopPoint, StripFar, WayOn
from halfthou.strip import looks_of
from tests.making import job
from tests.stripping import at_the_door, fact, said


@st.composite
def forests(draw: st.DrawFn) -> list[WeighedLook]:
    """Up to seven looks, each waiting for one before it in the list or for none."""
    count = draw(st.integers(1, 7))
    looks: list[WeighedLook] = []
    for n in range(count):
        after = draw(st.sampled_from([None, *(one.key for one in looks)]))
        cost, chance = draw(st.integers(1, 90)), draw(st.integers(0, 95)) / 100
        looks.append(WeighedLook(f"look {n}", float(cost), chance, after))
    return looks


def allowed(order: tuple[WeighedLook, ...]) -> bool:
    place = {look.key: n for n, look in enumerate(order)}
    return all(look.after is None or place[look.after] < place[look.key] for look in order)


@given(forests())
def test_no_order_that_keeps_the_chains_costs_less(looks: list[WeighedLook]) -> None:
    """Outside: brute force over all orders. Source of the rule: Sidney 1975 and Horn 1972, recalled."""
    order = order_looks(looks)
    known = {look.key: look for look in looks}
    assert sorted(order) == sorted(known)
    assert allowed(tuple(known[key] for key in order))
    least = min(
        expected_cost([look.key for look in one], looks) for one in itertools.permutations(looks) if allowed(one)
    )
    assert expected_cost(order, looks) == pytest.approx(least, rel=1e-9)


def test_what_an_order_costs_in_the_mean_is_what_simulated_jobs_cost() -> None:
    """Outside: 40,000 jobs drawn by chance, each looked at in this order until a look ends it."""
    looks = [
        WeighedLook("a", 20, 0.25),
        WeighedLook("b", 40, 0.30),
        WeighedLook("c", 20, 0.40, "b"),
        WeighedLook("d", 90, 0.05),
    ]
    order = order_looks(looks)
    known, chance, total = {look.key: look for look in looks}, random.Random(7), 0.0
    for _ in range(40_000):
        for key in order:
            total += known[key].cost
            if chance.random() < known[key].chance:
                break
    assert total / 40_000 == pytest.approx(expected_cost(order, looks), rel=0.01)


def test_the_example_worked_by_hand() -> None:
    """The three looks of docs/trade: The order of looks, worked out there by hand: 60.5 min, and 62.4 turned
    round."""
    looks = [
        WeighedLook("filter", 20, 0.25),
        WeighedLook("pan", 40, 0.30),
        WeighedLook("rod", 20, 0.40, after="pan"),
    ]
    assert order_looks(looks) == ("filter", "pan", "rod")
    assert expected_cost(("filter", "pan", "rod"), looks) == pytest.approx(60.5)
    assert expected_cost(("pan", "rod", "filter"), looks) == pytest.approx(62.4)


def test_a_look_whose_forerunner_is_done_waits_for_nothing() -> None:
    assert order_looks([WeighedLook("rod", 20, 0.4, after="pan"), WeighedLook("filter", 20, 0.2)]) == (
        "rod",
        "filter",
    )


def of(*kinds: ComplaintKind, turns: str = "free", engine: str = "Inline four") -> list[str]:
    """The order for a complaint of these kinds."""
    facts = [*(said("complaint kind", kind.value) for kind in kinds), said("turns by hand", turns)]
    return [look.key for look in looks_of(at_the_door(*facts, engine=engine)).order]


def test_heads_off_and_turned_by_hand_comes_first_where_it_is_likeliest_to_end_the_job() -> None:
    """Common practice, no source: a seized or milky engine is opened from the top, a knocking one from below."""
    seized, knock = of(ComplaintKind.SEIZED, turns="locked"), of(ComplaintKind.KNOCK)
    assert seized.index("heads") < seized.index("screen")
    assert knock.index("screen") < knock.index("heads")
    milky = of(ComplaintKind.MILKY)
    assert milky.index("heads") < milky.index("screen")


@pytest.mark.parametrize("turns", ["locked", "tight at one place"])
def test_an_engine_that_came_locked_is_never_given_a_starter(turns: str) -> None:
    """Common practice, no source."""
    facts = (said("complaint kind", "low pressure"), said("turns by hand", turns))
    found = looks_of(at_the_door(*facts))
    assert not {"starter pressure", "leak-down"} & {look.key for look in found.order}
    assert {"starter pressure", "leak-down"} <= {look.key for look in found.barred}
    assert all(turns in one.why for one in found.barred)


def test_nobody_cranks_what_was_not_turned_by_hand_yet() -> None:
    found = looks_of(at_the_door(said("complaint kind", "low pressure")))
    assert {one.key: one.why for one in found.barred}["starter pressure"] == "Turn it by hand first."
    assert "turn" in {look.key for look in found.order}


@pytest.mark.parametrize(
    ("found", "ends", "cranked"),
    [(NOTHING, False, True), (FOUND, False, False), (FOUND, True, False), (CANNOT, False, False),
     ("free", False, True),
     ("tight all round", False, True), ("locked", False, False)],
)  # fmt: skip
def test_what_the_look_by_hand_found_counts_where_nothing_was_said_at_the_door(
    found: str, ends: bool, cranked: bool
) -> None:
    """Common practice, no source: only what was turned and was free is given a starter."""
    turned = fact(Seen, look="turn", answer=found, ends=ends, note="hangs once a turn")
    order = {look.key for look in looks_of(at_the_door(said("complaint kind", "low pressure"), turned)).order}
    assert ("starter pressure" in order) is cranked


def test_two_banks_take_longer_and_the_order_is_never_dearer_than_a_plain_strip() -> None:
    inline, vee = (
        looks_of(at_the_door(said("complaint kind", "burns oil"), engine=one))
        for one in ("Inline six", "V eight, cross plane")
    )
    assert {look.key: look.minutes for look in vee.order}["heads"] == 170
    assert {look.key: look.minutes for look in inline.order}["heads"] == 90
    assert inline.expected <= inline.plain
    assert vee.expected <= vee.plain


@pytest.mark.parametrize("kind", ComplaintKind)
@pytest.mark.parametrize("arrangement", [Arrangement.INLINE, Arrangement.VEE, Arrangement.FLAT])
def test_for_no_complaint_is_the_order_dearer_than_a_plain_strip(
    kind: ComplaintKind, arrangement: Arrangement
) -> None:
    engine = {Arrangement.INLINE: "Inline six", Arrangement.VEE: "V twelve", Arrangement.FLAT: "Flat four"}
    found = looks_of(at_the_door(said("complaint kind", kind.value), engine=engine[arrangement]))
    assert found.expected <= found.plain


def test_an_answer_takes_its_look_off_and_makes_the_order_anew() -> None:
    """Metal in the filter makes it a matter of metal, whatever the customer said."""
    before = of(ComplaintKind.BURNS_OIL)
    metal = fact(Seen, 5, look="filter", answer=FOUND, note="copper flakes")
    after = looks_of(at_the_door(said("complaint kind", "burns oil"), said("turns by hand", "free"), metal))
    order = [look.key for look in after.order]
    assert "filter" in before
    assert "filter" not in order
    assert ComplaintKind.METAL in after.kinds
    assert order.index("screen") < order.index("heads")
    assert before.index("heads") < before.index("screen")


def test_looked_and_nothing_adds_no_complaint() -> None:
    nothing = fact(Seen, 5, look="filter", answer=NOTHING)
    assert looks_of(at_the_door(said("complaint kind", "knock"), nothing)).kinds == (ComplaintKind.KNOCK,)


def test_a_stop_point_lights_up_when_so_much_is_spent() -> None:
    """85 an hour, once the house has chosen it: three hours are 255. Before that no sum is named."""
    point = fact(StopPoint, name="at 250", spend=25_000)
    at_three_hours = fact(Seen, 5, look="filter", answer=NOTHING, minutes=180)
    dark = looks_of(at_the_door(point))
    lit = looks_of(at_the_door(point, at_three_hours))
    assert [stop.lit for stop in dark.stops] == [False]
    assert [stop.lit for stop in lit.stops] == [True]
    assert lit.spent_money == ""
    chosen = USUAL_LOOKS.model_copy(update={"confirmed": True})
    priced = at_the_door(point, at_three_hours).model_copy(update={"look_table": chosen})
    assert looks_of(priced).spent_money == "255 EUR"
    assert lit.waits_for == "the customer: at 250"


def test_a_stop_point_before_a_look_lights_up_when_that_look_is_next() -> None:
    kinds = (said("complaint kind", "milky oil"), said("turns by hand", "free"))
    first = looks_of(at_the_door(*kinds)).order[0].key
    point = fact(StopPoint, name="before the first", before=first)
    later = fact(StopPoint, name="before the crank", before="crank")
    assert [stop.lit for stop in looks_of(at_the_door(*kinds, point, later)).stops] == [True, False]


@pytest.mark.parametrize(
    ("far", "word"), [(StripFar.FIRST_FATAL, "work stops here"), (StripFar.EVERYTHING, "the strip goes on")]
)
def test_a_look_that_can_end_the_job_asks_by_the_house_rule(far: StripFar, word: str) -> None:
    """Both schools, common practice: docs/trade: How far to strip."""
    cracked = fact(Seen, look="heads", answer=FOUND, ends=True, note="block split")
    rules = job().house_rules.model_copy(update={"strip_far": far})
    found = looks_of(at_the_door(cracked, house_rules=rules))
    assert word in found.stops[0].words
    stop = fact(WayOn, 5, point=cracked.id, on=False, reason="customer told")
    stopped = looks_of(at_the_door(cracked, stop, house_rules=rules))
    assert stopped.stopped
    assert stopped.waits_for == "the hand-over: it was stopped"


def test_every_look_the_table_starts_with_can_be_ordered() -> None:
    assert len(USUAL_LOOKS.looks) == len({row.key for row in USUAL_LOOKS.looks})
    assert all(row.after is None or row.minutes > 0 for row in USUAL_LOOKS.looks)


def taken(*facts: Fact) -> dict[str, tuple[str, str, bool]]:
    report = looks_of(at_the_door(said("complaint kind", "low pressure"), *facts))
    return {one.key: (one.found.value, one.words, one.elsewhere) for one in report.taken}


def test_what_was_answered_on_another_page_is_not_asked_again() -> None:
    """Rule: looks.once. Source: common practice, no source: a look that was taken was taken."""
    screen = fact(Seen, on="pump", look="screen", answer="part blocked")
    assert taken(screen) == {"screen": ("found", "part blocked", False)}
    assert taken(fact(Seen, on="pump", look="screen", answer="clear")) == {
        "screen": ("looked, nothing", "clear", False)
    }
    half = fact(Seen, on="half-rod-4-lower", look="overlay", answer="copper through")
    assert taken(half) == {"one rod": ("found", "copper through", True)}
    straight = fact(Seen, on="crank", look="straightness", answer="within the maker's run-out")
    assert taken(straight)["crank"] == ("looked, nothing", "within the maker's run-out", True)


def test_every_rod_is_seen_only_once_both_halves_of_all_are() -> None:
    halves = [
        fact(Seen, on=f"half-rod-{n}-{half}", look="overlay", answer="as new")
        for n in range(1, 5)
        for half in ("upper", "lower")
    ]
    assert "all rods" not in taken(*halves[:-1])
    assert taken(*halves)["all rods"][0] == "looked, nothing"


def test_what_was_said_in_general_stands_until_a_nearer_answer_comes() -> None:
    general = fact(Seen, 5, look="filter", answer=NOTHING)
    nearer = fact(Seen, 9, look="filter", answer="steel or iron", note="chips")
    assert taken(general)["filter"] == ("looked, nothing", "", False)
    assert taken(general, nearer)["filter"] == ("found", "steel or iron, chips", False)
    gone_wrong = fact(Seen, 12, look="filter", answer=CANNOT)
    assert taken(general, nearer, gone_wrong)["filter"][0] == "cannot be looked at"
