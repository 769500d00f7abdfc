"""The strip: its list by layout, marks, caps that are no pair, places, what stands open, stretch bolts."""

from __future__ import annotations

from typing import Any

import pint
import pytest

from halfthou.assess import assess, faults_in
from halfthou.engines import usual_layouts
from halfthou.jobs import (
    BARE,
    NOT_LOOKED,
    NOTHING,
    Closed,
    Closing,
    FastenerKind,
    FastenerSeen,
    FastenerState,
    Felt,
    Fragment,
    Job,
    Laying,
    Layout,
    Marking,
    Operation,
    OperationKind,
    Removal,
    Seen,
    StepDone,
    StretchBolts,
    Withdrawal,
)
from halfthou.lengths import Notation, Unit
from halfthou.parts import CATALOGUE
from halfthou.story import story
from halfthou.strip import (
    EndKind,
    Strip,
    fault_of_mark,
    laid_bare,
    lies_bare,
    looks_of,
    mark_findings,
    open_ends,
    places_off,
    renew_because,
    same_mark,
    steps_by_id,
    still_open,
    stretch_called,
    stretch_when_tight,
    strip_list,
    strip_report,
)
from halfthou.verdicts import Called
from tests.making import CASES, GOOD_ENGINE, MICROMETER, inches, job, mm
from tests.stripping import at_the_door, fact, said

SAY = Notation.usual(Unit.INCH)
EVERY = pytest.mark.parametrize("layout", usual_layouts(), ids=lambda one: one.name)


@EVERY
def test_every_part_of_every_layout_comes_off_once_and_marked_before(layout: Layout) -> None:
    """Common practice, no source: marked before it leaves its place."""
    taken: list[str] = []
    marked: set[str] = set()
    for step in strip_list(layout):
        marked |= set(step.marks)
        for key in step.takes:
            place = places_off(layout)[key]
            if place.kind in ("rod", "rod cap", "main cap", "half bearing", "piston"):
                assert key in marked, f"{key} leaves without its mark"
        taken += step.takes
    assert sorted(taken) == sorted(places_off(layout))


@EVERY
def test_nothing_comes_before_what_must_come_before_it(layout: Layout) -> None:
    """Common practice, no source: sensor before cover, bracket before gearbox, cap before rod, drive before
    crank."""
    place = {step.id: n for n, step in enumerate(strip_list(layout))}
    for step in strip_list(layout):
        assert all(place[before] < place[step.id] for before in step.before)
    assert place["sensors.off"] < place["front-cover.off"]
    assert place["bracket.off"] < place["gearbox.off"]
    assert place["oil.drained"] < place["coolant.drained"]
    assert place["pan.photographed"] < place["wash.pan"]


@EVERY
def test_the_crank_turns_until_the_last_rod_is_out(layout: Layout) -> None:
    """Common practice, no source: no main cap is loosened and no drive comes off before."""
    place = {step.id: n for n, step in enumerate(strip_list(layout))}
    last_rod = max(place[f"rod-{n}.out"] for n in range(1, layout.cylinders + 1))
    assert last_rod < place["drive.off"] < place["cap-main-1.off"]


def test_the_third_rod_out_is_not_rod_three() -> None:
    """Common practice, no source. An inline six turns so that 1 and 6 come out first, then 2 and 5."""
    out = [
        one.id for one in strip_list(usual_layouts()[5]) if one.id.startswith("rod-") and one.id.endswith(".out")
    ]
    assert out[2] != "rod-3.out"
    done = [fact(StepDone, n, step=step) for n, step in enumerate(out[:3])]
    lies = Strip(at_the_door(*done, engine="Inline six")).lies_in
    third = out[2].removesuffix(".out")
    assert lies[third] == f"Rod {third[4:]}"
    assert "rod-3" not in lies


@pytest.mark.parametrize(
    ("one", "other", "same"), [("3", "3", True), ("M2", "m-02", True), ("3", "8", False), ("10", "1", False)]
)
def test_marks_are_compared_as_a_rebuilder_reads_them(one: str, other: str, same: bool) -> None:
    assert same_mark(one, other) is same


def mark(part: str, text: str, minute: int = 0, *, found: bool = True, by: str = "bench") -> Marking:
    made: Marking = fact(Marking, minute, part=part, mark=text, found=found, by=by)
    return made


def test_a_rod_and_a_cap_whose_numbers_disagree_are_said_at_once_and_never_reused() -> None:
    """Common practice, no source: two wrong caps make four wrong rods."""
    good = job(GOOD_ENGINE)
    assert {part.mark.code.value for part in assess(good).parts if part.set == "rods"} == {"reuse"}
    wrong = good.model_copy(update={"markings": (mark("rod-2", "2"), mark("cap-rod-2", "4"))})
    (reason,) = mark_findings(wrong)
    assert reason.rule == "strip.caps"
    assert "they are no pair" in reason.text
    found = assess(wrong)
    assert found.part("R2").mark.code.value != "reuse"
    assert "verdicts.journal.caps" in {one.rule for one in found.part("R2").reasons}
    assert not found.whole


@pytest.mark.parametrize(
    ("marks", "says"),
    [
        ([mark("rod-2", "2"), mark("cap-rod-2", "02")], []),
        ([mark("rod-2", "2"), mark("cap-rod-2", BARE)], []),
        ([mark("rod-2", "5"), mark("cap-rod-2", "5")], ["a pair, in another place"]),
        ([mark("cap-main-3", "M3")], []),
        ([mark("cap-main-3", "3")], []),
        ([mark("cap-main-3", "4")], ["it is another's"]),
    ],
)
def test_what_marks_say(marks: list[Marking], says: list[str]) -> None:
    """Common practice, no source: docs/trade: Caps and rods."""
    found = [reason.text for reason in mark_findings(at_the_door(*marks))]
    assert len(found) == len(says)
    assert all(part in text for part, text in zip(says, found, strict=True))


def test_a_step_at_the_joint_says_the_same_as_numbers_that_disagree() -> None:
    """Common practice, no source: a cap that steps against its rod is not that rod's cap."""
    felt = fact(StepDone, step="cap-rod-4.off", felt=(Felt.STEPPED,))
    stepped = job(GOOD_ENGINE, steps_done=(felt,))
    assert assess(stepped).part("R4").mark.code.value != "reuse"
    taken_back = stepped.model_copy(update={"withdrawals": (fact(Withdrawal, 5, fact=felt.id),)})
    assert assess(taken_back).part("R4").mark.code.value == "reuse"


def test_a_mark_that_was_given_is_one_parts_own() -> None:
    known = at_the_door(mark("cap-rod-3", "3", found=False))
    assert "was marked 3 by bench already" in fault_of_mark(known, mark("cap-rod-3", "5", found=False))
    assert "was given to Cap of rod 3" in fault_of_mark(known, mark("cap-rod-4", "3", found=False))
    assert fault_of_mark(known, mark("rod-3", "3", found=False)) == ""
    assert fault_of_mark(known, mark("cap-rod-4", "3", found=True)) == ""
    assert fault_of_mark(known, mark("cap-rod-4", BARE, found=False)) != ""


def test_a_step_asks_for_marks_and_for_what_it_destroys() -> None:
    """Common practice, no source: look and photograph before you clean."""
    kinds = (said("complaint kind", "low pressure"), said("turns by hand", "free"))
    strip = Strip(at_the_door(*kinds))
    steps = steps_by_id(strip.job.limits.layout)
    assert [place.id for place in strip.unmarked(steps["cap-rod-1.off"])] == ["cap-rod-1"]
    assert strip.unseen(steps["wash.pan"]) == (
        "Pan off: screen and pickup, before cleaning",
        "Oil drained, seen and smelt",
        "Pickup seal beside a new one",
        "What lay in screen and pan",
    )
    looked = fact(Seen, look="screen", answer=NOTHING)
    again = Strip(at_the_door(*kinds, looked, mark("cap-rod-1", "1", found=False)))
    assert "Pan off: screen and pickup, before cleaning" not in again.unseen(steps["wash.pan"])
    assert Strip(at_the_door()).unseen(steps["oil.drained"]) == ("Oil sample: say at the Door whether it is drawn",)
    assert again.unmarked(steps["cap-rod-1.off"]) == ()


def test_a_look_after_the_wash_is_kept_and_counts_less() -> None:
    """Common practice, no source: a grade by eye after cleaning counts one step less."""
    washed = fact(StepDone, 10, step="wash.pan", unseen=True)
    before, after = (fact(Seen, minute, look="screen", answer=NOTHING) for minute in (5, 20))
    assert [one.weak for one in looks_of(at_the_door(washed, before)).taken] == [False]
    assert [one.weak for one in looks_of(at_the_door(washed, after)).taken] == [True]
    final = fact(Operation, 10, kind=OperationKind.FINAL_WASH, on="crank")
    assert [one.weak for one in looks_of(at_the_door(final, after)).taken] == [True]


def test_what_a_step_makes_impossible_is_not_on_the_list_any_more() -> None:
    """Common practice, no source: nobody reads oil pressure with the oil drained."""
    facts = (said("complaint kind", "low pressure"), said("turns by hand", "free"))
    assert "starter pressure" in {look.key for look in looks_of(at_the_door(*facts)).order}
    drained = fact(StepDone, step="oil.drained")
    found = looks_of(at_the_door(*facts, drained))
    assert "starter pressure" not in {look.key for look in found.order}
    assert any(one.key == "starter pressure" and "Too late" in one.why for one in found.barred)


def test_what_stands_open_bars_the_engine_but_for_a_fragment() -> None:
    plugs = fact(StepDone, step="gallery-plugs.out")
    tube = fact(Removal, 1, what="dip tube", place="block")
    hole = fact(FastenerSeen, 2, place="bell housing", state=FastenerState.HOLE_EMPTY)
    chip = fact(Fragment, 3, place="pan", what="grey chip")
    whole = at_the_door(plugs, tube, hole, chip)
    ends = open_ends(whole, SAY)
    assert [end.kind for end in ends] == [EndKind.TAKEN_OUT, EndKind.TAKEN_OUT, EndKind.HOLE, EndKind.FRAGMENT]
    assert len(still_open(ends, barring=True)) == 3
    closings = [fact(Closing, 9, of=one.id, how=Closed.BACK) for one in (plugs, tube, hole)]
    left = still_open(open_ends(at_the_door(plugs, tube, hole, chip, *closings), SAY))
    assert [end.what for end in left] == ["grey chip"]
    assert "1 still open" in " ".join(one.text for one in assess(at_the_door(chip)).notices)


def test_a_closing_of_the_wrong_kind_closes_nothing() -> None:
    chip = fact(Fragment, place="pan", what="grey chip")
    closed = at_the_door(chip, fact(Closing, 1, of=chip.id, how=Closed.BACK))
    assert len(still_open(open_ends(closed, SAY))) == 1


def bolt(new: str, now: str, **more: Any) -> FastenerSeen:
    made: FastenerSeen = fact(
        FastenerSeen, place="rod 1", kind=FastenerKind.STRETCH, new_length=inches(new), length=inches(now),
        **{"gauge": MICROMETER.id, **more},
    )  # fmt: skip
    return made


def measuring(*facts: FastenerSeen, rule: StretchBolts = StretchBolts.MEASURED) -> Job:
    rules = job().house_rules.model_copy(update={"stretch_bolts": rule})
    return at_the_door(*facts, house_rules=rules)


@pytest.mark.parametrize(
    ("new", "now", "called"),
    [
        ("2.2500", "2.2502", Called.WITHIN),
        ("2.2500", "2.2510", Called.TOO_CLOSE),
        ("2.2500", "2.2520", Called.BEYOND),
        ("2.2500", "2.2490", Called.TOO_CLOSE),
    ],
)
def test_a_stretch_bolt_by_its_growth_over_its_new_length(new: str, now: str, called: Called) -> None:
    """0.001 in (0.025 mm) over the new free length: common practice, docs/trade: Fasteners."""
    seen = bolt(new, now)
    assert stretch_called(seen, measuring(seen)) is called
    assert bool(renew_because(seen, measuring(seen), SAY)) is (called is not Called.WITHIN)


def test_a_stretch_bolt_is_never_reused_where_anything_is_missing() -> None:
    within = bolt("2.2500", "2.2502")
    assert renew_because(within, measuring(within), SAY) == ""
    assert "always new" in renew_because(within, measuring(within, rule=StretchBolts.NEW), SAY)
    nameless = bolt("2.2500", "2.2502", gauge=None)
    assert renew_because(nameless, measuring(nameless), SAY)
    unread = fact(FastenerSeen, place="rod 1", kind=FastenerKind.STRETCH)
    assert "not measured" in renew_because(unread, measuring(unread), SAY)
    unconfirmed = measuring(within).model_copy(
        update={"house_rules": measuring(within).house_rules.model_copy(update={"confirmed": False})}
    )
    assert renew_because(within, unconfirmed, SAY)


@pytest.mark.parametrize(
    ("kind", "state", "renewed"),
    [
        (FastenerKind.REUSABLE, FastenerState.RIGHT, False),
        (FastenerKind.ONE_USE, FastenerState.RIGHT, True),
        (FastenerKind.REUSABLE, FastenerState.BROKEN, True),
        (FastenerKind.REUSABLE, FastenerState.WRONG_LENGTH, True),
        (FastenerKind.REUSABLE, FastenerState.DAMAGED, True),
    ],
)
def test_which_fasteners_are_renewed(kind: FastenerKind, state: FastenerState, renewed: bool) -> None:
    """Common practice, no source."""
    seen = fact(FastenerSeen, place="head", kind=kind, state=state)
    assert bool(renew_because(seen, measuring(seen), SAY)) is renewed


def test_how_much_longer_a_tight_bolt_is() -> None:
    """N04 of tests/cases; and the same by pint from force, section and modulus."""
    units: Any = pint.UnitRegistry()
    force, section = 45 * units.kilonewton, (8.5 * units.mm) ** 2 * 3.141592653589793 / 4
    stress = (force / section).to(units.megapascal).magnitude
    found = stretch_when_tight(mm("45"), stress)
    assert found.nm / 1e6 == pytest.approx(CASES["N04"]["expected"], abs=CASES["N04"]["tol"])
    by_pint = (force * 45 * units.mm / (section * 206 * units.gigapascal)).to(units.mm).magnitude
    assert found.nm / 1e6 == pytest.approx(by_pint, abs=1e-6)


def test_a_bolt_read_while_tight_is_asked_about() -> None:
    """At proof load 2.25 in of steel are longer by about 0.009 in: 830 MPa over 206 GPa."""
    tight = bolt("2.2500", "2.2580")
    assert "while tight" in renew_because(tight, measuring(tight), SAY)


def test_facts_of_another_layout_are_faults() -> None:
    six = at_the_door(
        fact(StepDone, step="rod-6.out"), mark("cap-rod-6", "6"), fact(Laying, part="rod-6", pocket="tray"),
        fact(Closing, of="nothing", how=Closed.BACK), bolt("2", "2", gauge="no-such"),
    )  # fmt: skip
    faults = " ".join(faults_in(six))
    for words in ("cap-rod-6", "never stood open", "no-such", "laying"):
        assert words in faults


def test_a_step_that_the_list_does_not_have_stays_done_and_is_said() -> None:
    """An older list's, or another description's: nothing is lost by it."""
    older = at_the_door(fact(StepDone, step="turn-45"), fact(StepDone, 1, step="oil.drained"))
    assert not list(faults_in(older))
    assert strip_report(older, SAY).stray == ("turn-45, bench",)
    assert "turn-45" in str(story(older, CATALOGUE.engine_of(older)))


def test_a_whole_strip_ends_with_nothing_left() -> None:
    for layout in usual_layouts():
        steps = [fact(StepDone, n, step=step.id) for n, step in enumerate(strip_list(layout))]
        report = strip_report(at_the_door(*steps, engine=layout.name), SAY)
        assert report.next == ""
        assert report.done == len(report.steps)
        assert all(one.lies for one in report.positions)


def test_what_was_seen_lies_bare_with_all_that_held_it() -> None:
    """Rule: looks.way-open. An upper half of a main that was seen says that the crank is out, so that flywheel,
    caps and timing drive are off; nothing says that a head is. Common practice, no source."""
    looks = CATALOGUE.looks
    bare = laid_bare(at_the_door(fact(Seen, look="overlay", answer="as new", on="half-main-2-upper")), looks)
    assert {"crank.out", "flywheel.off", "gearbox.off", "cap-main-1.off", "drive.off", "pan.off"} <= bare
    assert not lies_bare(bare, "head*.off")
    assert lies_bare(laid_bare(at_the_door(said("missing", "heads off")), looks), "head*.off")
    boxed = laid_bare(at_the_door(said("missing", "in boxes")), looks)
    assert all(lies_bare(boxed, way) for way in ("crank.out", "head*.off", "pan.off", "rod-*.out"))
    unseen = fact(Seen, look="overlay", answer=NOT_LOOKED, on="half-rod-1-lower")
    assert not laid_bare(at_the_door(unseen), looks)


def test_every_way_to_a_look_is_a_step_of_the_list() -> None:
    """Else a look would never be offered, or asked for."""
    for engine in usual_layouts():
        steps = steps_by_id(engine)
        for look in CATALOGUE.looks.values():
            assert not look.opened_by or lies_bare(frozenset(steps), look.opened_by), look.key
            assert not look.lost_by or look.lost_by in steps, look.key
