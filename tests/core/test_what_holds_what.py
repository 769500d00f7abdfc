"""The strip worked out from what holds what, over described engines: a plain walk, another library's graph, and
exhaustive search. Rules: strip.order, strip.turns, strip.turning, strip.other-way."""

from __future__ import annotations

import itertools
import random

import networkx
import pytest

from halfthou.engines import described, usual_engines, usual_layouts
from halfthou.jobs import Layout
from halfthou.parts import CATALOGUE
from halfthou.strip import Strip, StripStep, breaks, lies_bare, other_way, places_off, strip_list, way_to
from halfthou.strip.turns import fewest_turns
from tests.conftest import examples
from tests.engines_at_random import engines
from tests.stripping import at_the_door

DESCRIBED = [*usual_engines(), *usual_layouts()]
EVERY = pytest.mark.parametrize("engine", DESCRIBED, ids=lambda one: one.name)


def usual(name: str) -> Layout:
    return next(one for one in usual_engines() if one.name == name)


def turns(steps: tuple[StripStep, ...]) -> list[StripStep]:
    return [step for step in steps if step.family == "turn"]


def list_holds(engine: Layout) -> None:
    """`breaks` walks the list; networkx, which knows nothing of it, is asked whether the ties are free of rings and
    whether this is one of their orders."""
    steps = strip_list(engine)
    assert list(breaks(steps, described(engine))) == []
    graph = networkx.DiGraph()
    graph.add_nodes_from(step.id for step in steps)
    graph.add_edges_from((held.step, step.id) for step in steps for held in step.held if held.step in graph)
    assert networkx.is_directed_acyclic_graph(graph)
    place = {step.id: n for n, step in enumerate(steps)}
    assert all(place[before] < place[after] for before, after in graph.edges)
    assert len(place) == len(steps)
    # The other way round it is an order of the ties turned round.
    back = {step.id: n for n, step in enumerate(reversed(steps))}
    assert all(back[before] < back[after] for before, after in graph.reverse().edges)


def crank_turns_no_more_than_asked(engine: Layout) -> None:
    """Never fewer than there are stands, and at each turn something is done."""
    steps = strip_list(engine)
    stands = {step.at for step in steps if step.at is not None}
    assert len(turns(steps)) >= len(stands)
    runs = [step.at for step in steps if step.at is not None]
    assert len(turns(steps)) == sum(n == 0 or at != runs[n - 1] for n, at in enumerate(runs))


def fewest_by_trying_all(at: dict[str, int], after: dict[str, frozenset[str]]) -> int:
    """The fewest turns by walking every order of the tasks: only of few."""
    best = len(at)
    for order in itertools.permutations(at):
        done: set[str] = set()
        for task in order:
            if not after.get(task, frozenset()) <= done:
                break
            done.add(task)
        else:
            best = min(best, sum(n == 0 or at[task] != at[order[n - 1]] for n, task in enumerate(order)))
    return best


@pytest.mark.parametrize("seed", range(40))
def test_the_turns_are_the_fewest_against_exhaustive_search(seed: int) -> None:
    """Up to seven tasks at up to four stands, ties at random: every order of them is tried."""
    chance = random.Random(seed)
    tasks = [str(n) for n in range(chance.randint(2, 7))]
    at = {task: 90 * chance.randint(0, 3) for task in tasks}
    after = {task: frozenset(one for one in tasks[:n] if chance.random() < 0.3) for n, task in enumerate(tasks)}
    found = fewest_turns(at, after)
    assert len(found) == fewest_by_trying_all(at, after)
    assert sorted(task for turn in found for task in turn.tasks) == sorted(tasks)


@pytest.mark.parametrize(
    ("name", "most"),
    [("Inline six", 3), ("V eight, cross plane", 4), ("V eight, flat plane", 4), ("Flat four", 2),
     ("Flat twin", 1), ("V twelve", 6), ("V six, a pin to each rod", 3)],
)  # fmt: skip
def test_rods_that_stand_at_the_bottom_together_come_out_together(name: str, most: int) -> None:
    """Each at the bottom of its own bank. Source: geometry, by hand: an inline six has three pairs of pins; in a
    flat four 1 with 2 and 3 with 4 come to their bottoms at once; on a cross plane at 90 degrees pin 1 left stands
    with pin 2 right, and so on round."""
    assert len(turns(strip_list(next(one for one in usual_layouts() if one.name == name)))) == most


#: Orders of common practice, written down by hand, no source: each pair must stand so in the list.
BY_HAND: dict[str, str] = {
    "V eight, push rods": """
        oil.drained < coolant.drained < head-left.bolts < head-left.off < rod-1.out < drive.off
        covers.off < rocker-1-inlet.off < pushrod-1-inlet.out < head-left.off < follower-1-inlet.out
        pan.off < pan.photographed < pickup.off < pump.off
        rod-1.marked < cap-rod-1.off < rod-1.out < cap-main-1.marked < cap-main-1.off < cap-main-2.off
        cap-main-5.off < cap-main-3.off < crank.out < cam.out
        damper.off < front-cover.off < drive.seen < drive.off < cap-main-1.off
        ridges.seen < ridges.reamed < rod-8.out
        head-right.off < valve-5-inlet.out
        wash.pan < wash.block""",
    "Four, two overhead cams, chain": """
        covers.off < timing.set < drive.seen < drive.locked < tensioner.off < drive.off
        damper.off < front-cover.off < timing.read < drive.off < cam-inlet.caps-eased < cam-inlet.out
        slack.read < tensioner.off
        cam-inlet.caps-marked < cam-inlet.caps-eased
        cam-exhaust.out < follower-1-exhaust.out < head.bolts < head.off < turned < rod-1.out
        drive.off < pump.off < crank.out
        head.off < valve-1-inlet-2.out
        rod-4.out < float.read < cap-main-1.off""",
    "Four, two overhead cams, belt and bedplate": """
        timing.set < drive.locked < tensioner.off < drive.off < head.bolts < head.off < rod-1.out
        pan.off < cap-rod-1.off < rod-1.out < bedplate.off < crank.out
        bedplate.off < half-main-1-lower.out
        drive.off < balance-1.out
        drive.off < pump.off""",
    "Four, side valves": """
        head.bolts < head.off < valve-1-inlet.out < cam.out < follower-1-inlet.out
        covers.off < valve-4-exhaust.out
        head.off < ridges.seen < ridges.reamed < rod-1.out < drive.off < cam.out""",
    "Flat four, split case": """
        covers.off < rocker-1-inlet.off < pushrod-1-inlet.out < head-left.off < barrel-1.off
        barrel-1.marked < barrel-1.off < pin-1.out < piston-1.off < case.bolts < case.apart < crank.out
        crank.out < rod-1.marked < cap-rod-1.off < rod-1.out
        float.read < case.bolts
        case.apart < cam.out < follower-1-inlet.out
        flywheel.off < case.bolts
        crank.out < half-main-1-upper.out""",
    "Diesel six, wet liners, a head each": """
        fuel.off < injection-pump.off < drive.off
        head-3.bolts < head-3.off < liners.stand-read < liners.clamped < turned < rod-1.out
        injector-none
        rod-3.out < liner-3.out
        crank.out < liner-1.out
        crank.out < squirters.out
        rod-6.out < cap-main-1.off < cap-main-7.off""",
    "V twin, fork and blade on rollers": """
        head-left.off < barrel-1.off < pin-1.out < piston-1.off < case.bolts < case.apart < crank.out
        crank.out < rod-1.marked < rod-1.out
        crank.out < rollers-main-1.out
        case.apart < cam.out""",
    "V twelve, four cams, chain": """
        timing.set < drive.locked < drive.off < cam-left-inlet.caps-eased < cam-left-inlet.out < head-left.bolts
        cam-right-exhaust.out < head-right.bolts < head-right.off < turned < rod-12.out
        cap-rod-12.off < rod-12.out < cap-main-1.off < cap-main-7.off < cap-main-2.off
        cam-left-inlet.out < follower-1-inlet-2.out < valve-1-inlet-2.out""",
}


@pytest.mark.parametrize("name", BY_HAND)
def test_no_before_of_an_order_written_by_hand_is_broken(name: str) -> None:
    place = {step.id: n for n, step in enumerate(strip_list(usual(name)))}
    for line in BY_HAND[name].split("\n"):
        chain = [one for one in line.replace("<", " ").split() if one in place or "none" not in one]
        for before, after in itertools.pairwise(chain):
            assert place[before] < place[after], f"{before} before {after}"


def nothing_turns_into_a_valve(engine: Layout) -> None:
    """Common practice, no source: a valve that stands open meets the piston. Walked here by heads and cams
    alone."""
    view, heads_off, drive_off = described(engine), 0, False
    for step in strip_list(engine):
        heads_off += step.family == "head.off"
        drive_off = drive_off or step.family == "drive.off"
        if step.turns and drive_off and not (view.ports or view.side_valves) and view.heads:
            assert heads_off == len(view.heads), step.id


def marked_first_and_looks_have_their_way(engine: Layout) -> None:
    """Common practice, no source: marked before it leaves its place; looked at before it is washed away."""
    steps, marked = strip_list(engine), set[str]()
    ids = frozenset(step.id for step in steps)
    for step in steps:
        marked |= set(step.marks)
        for key in step.takes:
            if places_off(engine)[key].kind in ("rod", "rod cap", "main cap", "half bearing", "piston", "barrel"):
                assert key in marked, key
    for look in CATALOGUE.looks.values():
        assert not look.lost_by or look.lost_by in ids, look.key
        way = way_to(engine, look.opened_by)
        assert not look.opened_by or not way or lies_bare(ids, way)
        if engine.built is None:
            assert way == look.opened_by


def test_a_half_bearing_stays_with_its_cap() -> None:
    """Common practice, no source: the lower half is taken right after its cap."""
    for engine in usual_layouts():
        ids = [step.id for step in strip_list(engine)]
        for cap in (one for one in ids if one.startswith("cap-") and one.endswith(".off")):
            assert ids[ids.index(cap) + 1] == cap.replace("cap-", "half-").replace(".off", "-lower.out")


def test_main_caps_are_let_go_from_the_outside_in() -> None:
    """Common practice, no source."""
    for engine in usual_layouts():
        caps = [step.id for step in strip_list(engine) if step.family == "cap-main.off"]
        last = len(engine.mains)
        wanted = [n for pair in zip(range(1, last + 1), range(last, 0, -1), strict=True) for n in pair][:last]
        assert caps == [f"cap-main-{n}.off" for n in wanted]


def test_a_plug_taken_out_for_access_is_on_the_list_to_go_back() -> None:
    """Common practice, no source."""
    back = {step.goes_back for step in strip_list(usual("Four, two overhead cams, chain"))}
    assert {"plug of the timing pin's hole", "gallery plugs"} <= back


@pytest.mark.parametrize("engine", usual_engines(), ids=lambda one: one.name)
def test_the_other_way_round_puts_on_what_holds_after_what_it_holds(engine: Layout) -> None:
    job = at_the_door(engine="Inline four")
    job = job.model_copy(update={"limits": job.limits.model_copy(update={"layout": engine})})
    back = other_way(job)
    place = {one.text: n for n, one in enumerate(back)}
    assert all(place[before] < place[one.text] for one in back for before in one.after if before in place)
    taken = {key for step in Strip(job).steps if step.fit for key in step.takes}
    fitted = {key for step in Strip(job).steps if step.id in {one.id for one in back} for key in step.takes}
    assert fitted == taken
    ids = [one.id for one in back]
    assert ids.index("crank.out") > ids.index("half-main-1-upper.out") if "half-main-1-upper.out" in ids else True


CHECKS = (
    list_holds,
    crank_turns_no_more_than_asked,
    nothing_turns_into_a_valve,
    marked_first_and_looks_have_their_way,
)


@EVERY
def test_the_list_of_a_usual_engine_holds(engine: Layout) -> None:
    """By every check above: a plain walk, another graph, turns, valves, marks."""
    for check in CHECKS:
        check(engine)


@pytest.mark.parametrize("seed", range(6))
def test_the_list_of_any_engine_holds(seed: int) -> None:
    """Three hundred engines with all choices drawn at random within what can be; five thousand in `make fuzz`."""
    for engine in engines(examples(50, 850), seed=seed + 24):
        for check in CHECKS:
            check(engine)
