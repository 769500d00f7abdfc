"""The grinder's card: its sizes and its order against the trade, and how what came back stands to it."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest

from halfthou.assess import assess, judge
from halfthou.jobs import Chamfers, HouseRules, Job, Look, Operation, OperationKind, Reading, Seen, Sitting
from halfthou.lengths import Unit
from halfthou.parts import grinding_card
from halfthou.report import CardLine, GrindingCard
from halfthou.verdicts import Called
from tests.making import NOON, PERFECT, band, inches, limits, look, readings, relimited
from tests.straight import at, crank, turned
from tests.tunnelled import HOLE

HOUSE = HouseRules(spread_k=0)
SOUND = {**{f"M{n}": ["2.4140"] * 8 for n in range(1, 6)}, **{f"R{n}": ["2.0376"] * 8 for n in range(1, 5)}}
STRAIGHT = tuple(turned(f"M{n}", "0", 0) for n in (2, 3, 4))
BENT = (turned("M2", "0.009", 10), turned("M3", "0.010", 15), turned("M4", "0.004", 20))


def card(one: Job, *, agreed: bool = True) -> GrindingCard | None:
    """The card of a job, every set accepted or none."""
    judged = judge(one)
    return grinding_card(judged.given, judged.decided, tuple(judged.decided) if agreed else ())


def line(one: Job, journal: str) -> CardLine:
    """A journal on the card of a job that has one."""
    found = card(one)
    assert found is not None
    return next(each for each in found.lines if journal in each.journal)


def worn(**more: Any) -> Job:
    """Rod journal 2 worn past its limit on a straight crank: the rods go to 0.010."""
    return crank(
        *STRAIGHT, sizes={**SOUND, "R2": ["2.0345"] * 8}, house_rules=more.pop("house_rules", HOUSE), **more
    )


def later(kind: OperationKind, on: str, hours: float, undersize: str | None = None) -> Operation:
    """Work on the crank so many hours after noon."""
    return Operation(
        id=f"{kind.value}.{on}.{hours}".replace(" ", "-"), kind=kind, on=on, by="machinist",
        step=None if undersize is None else inches(undersize), at=NOON + timedelta(hours=hours),
    )  # fmt: skip


def worked(*work: Operation) -> Job:
    """That crank with work done after all was looked at."""
    return worn().model_copy(update={"operations": work})


def came(one: Job, sizes: dict[str, list[str]], hours: float) -> Job:
    """The job with journals read again so many hours after noon."""
    again = tuple(
        reading.model_copy(update={"id": f"{reading.id}.{hours}", "at": NOON + timedelta(hours=hours)})
        for reading in readings(sizes, gauge=PERFECT)
    )
    return one.model_copy(update={"readings": (*one.readings, *again)})


def test_nothing_to_machine_is_no_card() -> None:
    assert card(crank(*STRAIGHT, sizes=SOUND, house_rules=HOUSE)) is None


def test_a_crank_that_goes_has_no_card() -> None:
    cracked = worn(seen=(look("crank", Look.CRACK_TEST, "crack found"),))
    assert assess(cracked).of("rods").ended
    assert card(cracked) is None


def test_the_sizes_on_the_card_are_the_new_band_less_the_undersize_and_the_polish() -> None:
    """By hand: 2.0370 to 2.0378 less 0.010; the polish takes 0.0003 off, so it is ground that much larger."""
    second = line(worn(), "No. 2")
    assert second.work == "grind, 0.010 under"
    assert second.finish_to == "2.02700 to 2.02780"
    assert second.grind_to == "2.02730 to 2.02810"
    # It reads 2.0345 all round: 0.0064 off to the top of the band, 0.0072 to its bottom.
    assert second.stock == "0.00640 to 0.00720"
    assert line(worn(), "M2").work == "leave as it is"


def test_a_bent_crank_is_straightened_first_and_its_card_has_three_crack_tests() -> None:
    """Trade case, common practice, no source: out by 0.009 and 0.010 at two mains."""
    found = card(crank(*BENT, sizes={**SOUND, "R2": ["2.0300"] * 8}, house_rules=HOUSE))
    assert found is not None
    words = [step.words for step in found.order]
    assert sum(one.startswith("crack test") for one in words) == 3
    straighten, grind = words.index("straighten cold, by somebody trained"), words.index("grind")
    assert words[0].startswith("crack test")
    assert straighten < grind
    # Indicated, stood overnight and indicated again between the press and the wheel; tested after each.
    assert "fresh from the press" in words[straighten + 1]
    assert "stood overnight" in words[straighten + 2]
    assert words[straighten + 3].startswith("crack test")
    assert words[grind + 1].startswith("crack test")
    assert not found.settled
    assert found.first[0].startswith("Straighten first")
    assert {one.work for one in found.cautions} >= {"Straightening cold", "Grinding", "Crack test"}


def test_a_straight_crank_has_two_crack_tests_and_ends_with_the_wash_and_the_sizes() -> None:
    found = card(worn())
    assert found is not None
    words = [step.words for step in found.order]
    assert sum(one.startswith("crack test") for one in words) == 2
    order = ("grind", "chamfer", "polish", "balance", "plugs out", "measure")
    at = [next(n for n, one in enumerate(words) if one.startswith(start)) for start in order]
    assert at == sorted(at)
    assert words[-1] == "measure at 20 °C"
    assert found.settled


def test_what_a_house_keeps_of_its_chamfers_stands_on_the_card() -> None:
    sharp = card(worn(house_rules=HOUSE.model_copy(update={"chamfers": Chamfers.SHARP})))
    assert sharp is not None
    assert [one.words for one in sharp.order if "oil hole" in one.words] == [
        "look at every oil hole; chamfer where an edge is sharp"
    ]


def test_a_step_is_done_by_what_followed_the_step_before_it() -> None:
    one = worked(later(OperationKind.GRIND, "rods", 5, "0.010"))
    tested = one.model_copy(update={"seen": (*one.seen, look("crank", Look.CRACK_TEST, "passed"))})
    found = card(tested)
    assert found is not None
    done = [step.words for step in found.order if step.done]
    # The crank was tested before it was ground and not since.
    assert done == ["crack test, demagnetise", "grind"]
    # Nothing can have been done after work that is not done.
    polished = worked(later(OperationKind.POLISH, "rods", 5))
    early = card(came(polished, {f"R{n}": ["2.0345"] * 8 for n in range(1, 5)}, 6))
    assert early is not None
    assert not [step for step in early.order if step.words == "polish" and step.done]


@pytest.mark.parametrize(
    ("size", "polished", "hit"),
    [
        # As ground it is held against 2.0273 to 2.0281, polished against 2.0270 to 2.0278.
        ("2.0277", False, "hit"),
        ("2.0271", False, "missed, 0.00020 small"),
        ("2.0285", False, "missed, 0.00040 large"),
        ("2.0274", True, "hit"),
        ("2.0266", True, "missed, 0.00040 small"),
        ("2.0280", True, "missed, 0.00020 large"),
    ],
)
def test_what_came_back_is_held_against_its_card(size: str, polished: bool, hit: str) -> None:
    work = [later(OperationKind.GRIND, "rods", 5, "0.010")]
    if polished:
        work.append(later(OperationKind.POLISH, "rods", 6))
    one = came(worked(*work), {f"R{n}": [size] * 8 for n in range(1, 5)}, 7)
    found = line(one, "No. 2")
    assert found.hit == hit
    assert found.work == ("grind, 0.020 under" if size < "2.0267" else "ground, 0.010 under")
    assert (found.called is Called.WITHIN) == (hit == "hit")
    assert bool(found.now) == (hit != "hit")


def test_what_was_read_before_the_grind_says_nothing_of_what_came_back() -> None:
    one = worked(later(OperationKind.GRIND, "rods", 5, "0.010"))
    assert line(one, "No. 2").hit == ""


def test_a_ground_crank_is_asked_for_its_tests_its_edges_and_its_run_out() -> None:
    """Common practice, no source: grinding can crack, sharpens oil holes, and lets a shaft move."""
    work = (later(OperationKind.GRIND, "rods", 5, "0.010"), later(OperationKind.GRIND, "mains", 5, "0.010"))
    one = worked(*work)
    back = card(came(one, {f"R{n}": ["2.0277"] * 8 for n in range(1, 5)}, 7))
    assert back is not None
    asked = " ".join(back.asked)
    assert "Crack test" in asked
    assert "Edges of the oil holes" in asked
    assert "Run-out at every main" in asked


def test_the_size_its_own_housing_and_shells_ask_for() -> None:
    """Geometry: J = H - w_upper - w_lower - C; 2.1852 - 0.07775 * 2 - 0.0020 is 2.0277."""
    rods = limits(
        housing_bore=band("2.1850", "2.1855"), wall=band("0.0725", "0.0730"), clearance=band("0.0015", "0.0025")
    )
    shells_in = later(OperationKind.NEW_SHELLS, "rods", 1)
    one = relimited(worked(shells_in), rods=rods)

    def beside(feature: str, spot: str, size: str) -> Reading:
        return Reading(
            id=f"h.{feature}.{spot}".replace(" ", "-"), part="bearing-rod-2", feature=feature, spot=spot,
            count=inches(size).nm, typed=size, unit=Unit.INCH, by="bench",
            gauge=HOLE.id if feature == "housing bore" else PERFECT.id, at=NOON + timedelta(hours=2),
            caps_torqued=True,
        )  # fmt: skip

    walls = [beside("wall", spot, "0.07775") for spot in ("1a", "1b")]
    bores = [beside("housing bore", f"{plane}{angle}", "2.1852") for plane in "12" for angle in "abc"]
    read = one.model_copy(update={"readings": (*one.readings, *walls, *bores), "gauges": (*one.gauges, HOLE)})
    assert line(read, "No. 2").aim == "2.02770"
    assert line(read, "No. 1").aim == ""


def test_the_card_as_a_table_says_its_unit_in_the_header() -> None:
    found = card(worn())
    assert found is not None
    head, rows = found.rows
    assert head[2] == "present [in]"
    assert len(rows) == 9
    assert all(len(row) == len(head) for row in rows)


def test_what_is_kept_stands_on_the_card_as_the_sheet_has_it() -> None:
    one = worn()
    sets = dict(one.limits.sets)
    more = {"fillet": band("0.090", "0.110"), "half_stroke": band("1.7390", "1.7410")}
    sets["rods"] = sets["rods"].model_copy(update={"figures": {**sets["rods"].figures, **more}})
    found = card(one.model_copy(update={"limits": one.limits.model_copy(update={"sets": sets})}))
    assert found is not None
    keep = {each.what: each.words for each in found.keep}
    assert keep["Fillets, rod journals"].startswith("0.09000 to 0.11000, no undercut line")
    assert keep["Stroke and index"] == "half the stroke 1.73900 to 1.74100; keep the axis of every throw"
    assert "grind against it, polish with it" in keep["Which way"]


def test_no_size_stands_on_the_card_while_it_may_go_further() -> None:
    """A set that is not all read is at least so far under: nobody grinds to that."""
    half = {**SOUND, "R2": ["2.0345"] * 8, "R4": ["2.0376"] * 3}
    for read in (STRAIGHT, BENT):
        found = card(crank(*read, sizes=half, house_rules=HOUSE))
        assert found is not None
        assert not found.settled
        assert any("not all read" in words for words in found.first)
        assert not [one for one in found.lines if one.grind_to or one.finish_to or one.stock]


def test_a_card_that_nobody_has_accepted_says_so() -> None:
    """Accepted decisions start the work."""
    found = card(worn(), agreed=False)
    assert found is not None
    assert not found.settled
    assert found.first == (
        "Rod journals: not accepted yet. Accept on the sheet, or pick a way, before the work starts.",
    )
    bent = card(crank(*BENT, sizes={**SOUND, "R2": ["2.0300"] * 8}, house_rules=HOUSE), agreed=False)
    assert bent is not None
    assert bent.first[-1].startswith("Straightness and Rod journals: not accepted yet")


def seen_at(on: str, what: Look, answer: str, hours: float) -> Seen:
    """Something seen of the crank so many hours after noon."""
    at = NOON + timedelta(hours=hours)
    return Seen(id=f"{on}.{what}.{hours}".replace(" ", "-"), on=on, look=what, answer=answer, by="bench", at=at)


def done(one: Job) -> set[str]:
    """The steps that the record says were done."""
    found = card(one)
    assert found is not None
    return {step.words for step in found.order if step.done}


def test_a_step_is_not_done_by_one_journal_of_several() -> None:
    """A net over the steps that are of several things: each ends only with the last of them."""
    ground = worked(later(OperationKind.GRIND, "rods", 5, "0.010"))
    chamfer = "chamfer every oil hole again and round its edge"
    edges = [seen_at(f"R{n}", Look.EDGE, "rounded", 6) for n in range(1, 5)]
    tests = [seen_at(name, Look.CRACK_TEST, "passed", 6) for name in SOUND]
    swings = [turned(f"M{n}", "0", 0) for n in (2, 3, 4)]
    polish = later(OperationKind.POLISH, "rods", 7)

    def with_seen(*seen: Seen) -> Job:
        return ground.model_copy(update={"seen": (*ground.seen, *seen)})

    assert chamfer not in done(with_seen(*edges[:3]))
    assert chamfer not in done(with_seen(*edges[:3], seen_at("R4", Look.EDGE, "sharp", 6)))
    assert chamfer in done(with_seen(*edges))

    def after_grind(one: Job) -> bool:
        found = card(one)
        assert found is not None
        words = [step.words for step in found.order]
        return found.order[words.index("grind") + 1].done

    assert not after_grind(with_seen(*tests[:-1]))
    assert after_grind(with_seen(*tests))
    polished = ground.model_copy(update={"operations": (*ground.operations, polish)})
    again = [at(swing, NOON + timedelta(hours=8), "again") for swing in swings]
    for some, whole in ((again[:2], False), (again, True)):
        readings = (*polished.readings, *(reading for each in some for reading in each))
        assert ("indicate at every main" in done(polished.model_copy(update={"readings": readings}))) == whole


def test_grinding_one_set_of_two_leaves_the_grinding_undone() -> None:
    both = crank(*STRAIGHT, sizes={**SOUND, "R2": ["2.0345"] * 8, "M2": ["2.4110"] * 8}, house_rules=HOUSE)
    rods = later(OperationKind.GRIND, "rods", 5, "0.010")
    assert "grind" not in done(both.model_copy(update={"operations": (rods,)}))
    mains = later(OperationKind.GRIND, "mains", 6, "0.010")
    assert "grind" in done(both.model_copy(update={"operations": (rods, mains)}))
    # A journal that came back too small has to go further: the grinding is not done.
    small = came(
        worked(rods, later(OperationKind.POLISH, "rods", 6)), {f"R{n}": ["2.0255"] * 8 for n in range(1, 5)}, 7
    )
    assert "grind" not in done(small)


def pressed(*hours: float) -> Job:
    """A bent crank, pressed an hour after noon and found true by indicator so many hours after noon."""
    one = crank(*BENT, sizes=SOUND, house_rules=HOUSE)
    again = tuple(
        reading.model_copy(update={"id": f"{reading.id}.{hour}", "at": NOON + timedelta(hours=hour)})
        for hour in hours
        for of in STRAIGHT
        for reading in of
    )
    work = later(OperationKind.STRAIGHTEN, "crank", 1)
    return one.model_copy(update={"operations": (work,), "readings": (*one.readings, *again)})


def test_a_pressed_crank_is_indicated_twice_and_each_time_ticks_its_own_step() -> None:
    """Common practice, no source: fresh from the press, and again once it stood overnight."""
    fresh, stood = "indicate at every main, fresh from the press", "stood overnight, indicate at every main again"
    assert {fresh, stood} & done(pressed(2)) == {fresh}
    assert {fresh, stood} & done(pressed(2, 20)) == {fresh, stood}
    assert {fresh, stood} & done(pressed(20)) == {stood}
    said = [reason.text for reason in assess(pressed(20)).of("straightness").reasons]
    assert any(text.startswith("Nobody indicated it fresh from the press") for text in said)
    for hours in ((2,), (2, 20)):
        said = [reason.text for reason in assess(pressed(*hours)).of("straightness").reasons]
        assert not [text for text in said if text.startswith("Nobody indicated it fresh")]


def test_one_sitting_before_and_after_the_press_is_asked_about() -> None:
    sitting = Sitting(id="s1", at=NOON, by="bench")
    for before, after, asked in (("s1", "s1", True), ("s1", None, False), (None, "s1", False)):
        one = pressed(2, 20)
        mixed = tuple(
            reading.model_copy(update={"sitting": before if reading.at == NOON else after})
            for reading in one.readings
        )
        one = one.model_copy(update={"readings": mixed, "sittings": (sitting,)})
        said = [reason.text for reason in assess(one).of("straightness").reasons]
        assert any("in one sitting" in text for text in said) == asked
