"""What holds whatever is read: wear, order, names, units, wholeness. Outside: geometry and symmetry; Hypothesis."""

from __future__ import annotations

import math
import random
from dataclasses import dataclass

from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.assess import assess
from halfthou.jobs import Job, Look, Plan, SlipAnswer
from halfthou.lengths import Length, Unit
from halfthou.report import Assessment
from halfthou.verdicts import Action, Called
from tests.golden.crank_jobs import mends
from tests.making import GOOD_ENGINE, MICROMETER, NOON, PERFECT, inches, job, look, readings

RODS = ("R1", "R2", "R3", "R4")
TENTH = 2_540
#: From kind to hard. What is too close stands between what is kept and what is ground.
HARDNESS = {
    Action.REUSE: 0,
    Action.POLISH: 1,
    Action.FIT_UNDERSIZE: 1,
    Action.MEASURE: 2,
    Action.REGRIND: 3,
    Action.REFER: 4,
    Action.REPLACE: 5,
}


@dataclass(frozen=True)
class Wear:
    """How four rod journals are worn: so many tenths below new, oval and tapered; ground before or not."""

    under: int
    worn: tuple[tuple[int, int, int], ...]

    def sizes(self) -> dict[str, list[str]]:
        found = {}
        for name, (below, oval, taper) in zip(RODS, self.worn, strict=True):
            spots = []
            for plane in (0, 1):
                for angle in (0, 45, 90, 135):
                    wave = oval * (1 - math.cos(math.radians(2 * angle))) / 2
                    tenths = 20375 - self.under - below - round(wave) - taper * plane
                    spots.append(f"{tenths / 10_000:.4f}")
            found[name] = spots
        return found


wears = st.builds(
    Wear,
    st.sampled_from([0, 100, 200]),
    st.tuples(*[st.tuples(st.integers(0, 40), st.integers(0, 40), st.integers(0, 12))] * 4),
)


def kept(one: Job) -> Job:
    """Every question answered: what was read is kept."""
    answers = tuple(
        SlipAnswer(id=f"a{n}", reading=r.id, slip="asked", taken=False, by="bench", at=NOON)
        for n, r in enumerate(one.readings)
    )
    return one.model_copy(update={"slip_answers": answers})


def crank(wear: Wear) -> Job:
    return kept(job({**GOOD_ENGINE, **wear.sizes()}))


def verdicts(found: Assessment) -> list[tuple[object, ...]]:
    """What is decided, without names of facts and without words."""
    sets = [(s.action, s.step and s.step.nm, s.complete, s.ended) for s in (found.of("rods"), found.of("mains"))]
    journals = [(j.id, j.action, j.called, tuple(f.called for f in j.figures)) for j in found.parts]
    return [*sets, *journals, (found.whole,)]


@settings(max_examples=100)
@given(wears, st.sampled_from(RODS), st.integers(1, 60))
def test_more_wear_where_it_is_worn_most_never_gives_a_kinder_answer(wear: Wear, where: str, tenths: int) -> None:
    """Geometry: less metal at the least spot makes size, out-of-round and taper no better."""
    one = crank(wear)
    least = min((r for r in one.readings if r.part == where), key=lambda r: r.size.nm)
    worn = tuple(
        r.model_copy(update={"count": r.count - tenths * TENTH}) if r is least else r for r in one.readings
    )
    before, after = assess(one).of("rods"), assess(one.model_copy(update={"readings": worn})).of("rods")
    assert HARDNESS[after.action] >= HARDNESS[before.action]
    if before.action is after.action is Action.REGRIND:
        assert before.step is not None
        assert after.step is not None
        assert after.step.nm >= before.step.nm


@settings(max_examples=100)
@given(
    st.lists(st.tuples(st.floats(0, 0.10), st.floats(0, 0.10), st.floats(0, math.pi)), min_size=4, max_size=4),
)
def test_a_crank_ground_to_the_size_chosen_cleans_up_and_a_step_less_is_not_sure(
    worn: list[tuple[float, float, float]],
) -> None:
    """Direct geometry: radial profiles of one-sided wear and ovality on the axis the crank was ground on.

    Read exactly at four angles; what lies between them the fit covers, so a fifth of a micrometre is left for it.
    """
    new = 51.7525
    profiles = [
        [
            new / 2 - one * max(0.0, math.cos(math.radians(t) - at)) ** 2 - oval * math.cos(math.radians(t)) ** 2
            for t in range(360)
        ]
        for one, oval, at in worn
    ]
    exact = [
        r.model_copy(
            update={"size": Length(round((p[a] + p[a + 180]) * 1e6)), "unit": Unit.MM, "gauge": PERFECT.id}
        )
        for name, p in zip(RODS, profiles, strict=True)
        for r, a in zip(
            readings({name: ["2.0375"] * 8}, plan=Plan()), (0, 45, 90, 135, 0, 45, 90, 135), strict=True
        )
    ]
    found = assess(kept(job(readings=tuple(exact), plans={"rods": Plan()}))).of("rods")
    if found.action is not Action.REGRIND or found.step is None:
        assert found.action in (Action.REUSE, Action.POLISH, Action.REPLACE, Action.MEASURE, Action.REFER)
        return
    least = inches("2.0370").nm - found.step.nm
    read_least = [min(p[a] + p[a + 180] for a in (0, 45, 90, 135)) for p in profiles]
    between = [
        read - min(p[a] + p[a + 180] for a in range(180)) for read, p in zip(read_least, profiles, strict=True)
    ]
    for profile, missed in zip(profiles, between, strict=True):
        assert 2e6 * min(profile) + 2e6 * missed >= least - 1
    # What a polish takes off and the least band a grinder works to are the house's: 0.0003 and 0.0005 in.
    house = Length(inches("0.0003").nm + inches("0.0005").nm).nm / 1e6
    for step in (step for step in (10, 20, 30) if step * 25_400 < found.step.nm):
        limit = (inches("2.0370").nm - step * 25_400) / 1e6
        assert min(2 * read - new for read in read_least) < limit + house


@settings(max_examples=20)
@given(wears, st.randoms(use_true_random=False))
def test_the_order_and_the_names_of_readings_change_nothing(wear: Wear, chance: random.Random) -> None:
    one = crank(wear)
    new = {r.id: f"n{chance.randrange(10**9)}.{n}" for n, r in enumerate(one.readings)}
    shuffled = [r.model_copy(update={"id": new[r.id]}) for r in one.readings]
    chance.shuffle(shuffled)
    answers = tuple(a.model_copy(update={"reading": new[a.reading]}) for a in one.slip_answers)
    other = one.model_copy(update={"readings": tuple(shuffled), "slip_answers": answers})
    assert verdicts(assess(one)) == verdicts(assess(other))


@settings(max_examples=20)
@given(wears, st.permutations(range(4)))
def test_which_journal_is_worn_changes_nothing_for_the_set(wear: Wear, order: list[int]) -> None:
    turned = Wear(wear.under, tuple(wear.worn[n] for n in order))
    one, other = assess(crank(wear)).of("rods"), assess(crank(turned)).of("rods")
    assert (one.action, one.step, one.finished_band, one.complete) == (
        other.action, other.step, other.finished_band, other.complete,
    )  # fmt: skip


@settings(max_examples=20)
@given(wears)
def test_the_unit_it_is_spoken_of_in_changes_no_verdict(wear: Wear) -> None:
    one = crank(wear)
    assert verdicts(assess(one)) == verdicts(assess(one.model_copy(update={"shown_in": Unit.MM})))


def open_points(one: Job, found: Assessment) -> list[str]:
    """What the document itself shows to be open, without asking the answer whether it is whole."""
    points = []
    waived = {(d.set, d.part) for d in one.decisions}
    for journal in found.parts:
        if (journal.set, journal.id) in waived:
            continue
        if journal.to_read and not found.of("rods").ended and not found.of("mains").ended:
            points.append(f"{journal.id} unread")
        if any(spot.doubt is not None and spot.doubt.holds for spot in journal.spots):
            points.append(f"{journal.id} held")
        if journal.contradictions:
            points.append(f"{journal.id} contradicted")
    for seen in one.seen:
        if seen.look == Look.SURFACE and seen.answer == "nail catches" and seen.amount is None:
            points.append("depth unknown")
    for name in (found.of("rods"), found.of("mains")):
        if name.action in (Action.MEASURE, Action.REFER):
            points.append(f"{name.name} waits")
    return points


@settings(max_examples=100)
@given(wears, st.sampled_from([*RODS, None]), st.booleans())
def test_what_is_called_whole_has_nothing_open(wear: Wear, unread: str | None, nail: bool) -> None:
    """Source: docs/trade: Whole."""
    seen = (look("R2", Look.SURFACE, "nail catches"),) if nail else ()
    sizes = {name: texts for name, texts in {**GOOD_ENGINE, **wear.sizes()}.items() if name != unread}
    one = job(sizes, seen=seen, gauges=(MICROMETER, PERFECT))
    found = assess(one)
    if found.whole:
        assert open_points(one, found) == []


def test_every_kind_that_is_whole_has_nothing_open() -> None:
    """Source: docs/trade: Whole."""
    whole = 0
    for name, make in mends().items():
        one = make()
        found = assess(one)
        if found.whole:
            assert open_points(one, found) == [], name
            whole += 1
        # What is ground all the same may ask about a reading: grinding deals with it.
        kept = [j for j in found.parts if j.action is not Action.REGRIND]
        assert not (found.whole and any(j.called is Called.TOO_CLOSE for j in kept)), name
    assert whole > 10
