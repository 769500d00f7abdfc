"""Pairing against scipy, against the sorted pairing, against every permutation; its proof against duality."""

from __future__ import annotations

import random
from itertools import permutations
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.optimize import linear_sum_assignment

from halfthou.assess import assess
from halfthou.jobs import HouseRules
from halfthou.lengths import ZERO, Length
from halfthou.report import Assessment
from halfthou.sets import Candidate, Clearances, PairingPlace, best_pairing, pair_pistons
from halfthou.verdicts import Action, Open
from tests.boring import NEW
from tests.loosen import SOUND, loose, saw, skirts
from tests.making import CASES, inches, mm

FORBIDDEN = 10**15
costs = st.integers(1, 7).flatmap(
    lambda n: st.integers(n, n + 3).flatmap(
        lambda m: st.lists(
            st.lists(st.one_of(st.none(), st.integers(0, 10**9)), min_size=m, max_size=m), min_size=n, max_size=n
        )
    )
)


@given(costs)
def test_the_pairing_costs_no_more_than_scipy_finds(table: list[list[int | None]]) -> None:
    """Library: scipy.optimize.linear_sum_assignment. What must not be together is far too dear for it."""
    dear = np.array([[FORBIDDEN if cost is None else cost for cost in row] for row in table], dtype=np.int64)
    rows, columns = linear_sum_assignment(dear)
    total = int(dear[rows, columns].sum())
    found = best_pairing(table)
    if total >= FORBIDDEN:
        assert found is None
        return
    assert found is not None
    assert found.cost == total == sum(table[row][column] or 0 for row, column in enumerate(found.of))
    assert found.proven(table), "the potentials bound every pair from below and the chosen ones exactly"


def test_a_proof_of_another_table_proves_nothing() -> None:
    found = best_pairing([[3, 1], [1, 3]])
    assert found is not None
    assert found.of == (1, 0)
    assert not found.proven([[0, 1], [1, 3]])


@given(st.lists(st.tuples(st.integers(0, 400), st.integers(0, 400)), min_size=1, max_size=8))
def test_where_nothing_is_forbidden_sorted_bores_go_with_sorted_pistons(pairs: list[tuple[int, int]]) -> None:
    """Source: the rearrangement inequality: for a convex cost of the difference, sorted with sorted is best."""
    bores = [Length(101_600_000 + bore * 127) for bore, _ in pairs]
    pistons = [Length(101_500_000 + piston * 127) for _, piston in pairs]
    names = frozenset(f"p{n}" for n in range(len(pairs)))
    places = [PairingPlace(f"b{n}", bore, True, names) for n, bore in enumerate(bores)]
    pieces = [Candidate(f"p{n}", piston) for n, piston in enumerate(pistons)]
    target = Length(75_000)
    found = pair_pistons(places, pieces, Clearances(target, Length(-(10**9)), Length(10**9)))
    assert found is not None

    def off(clearance: int) -> int:
        return ((clearance - target.nm) // 100) ** 2

    best = sum(
        off(bore - piston)
        for bore, piston in zip(sorted(b.nm for b in bores), sorted(p.nm for p in pistons), strict=True)
    )
    # The theorem is of the cost itself; rounding down to 0.1 µm may move each pair by one step.
    mine = sum(off(pair.clearance.nm) for pair in found.pairs)
    assert mine <= best


@pytest.mark.parametrize("seed", range(20))
def test_bores_still_to_hone_lose_the_least_metal_of_every_order(seed: int) -> None:
    """Checked by brute force over every order: a bore is honed to its piston and the clearance, never below what it
    cleans up at."""
    chance = random.Random(seed)
    sizes = [Length(101_900_000 + chance.randrange(0, 30_000)) for _ in range(4)]
    pistons = [Length(101_860_000 + chance.randrange(0, 60_000)) for _ in range(5)]
    wanted = Clearances(Length(60_000), ZERO, Length(200_000))
    names = frozenset(f"p{n}" for n in range(5))
    found = pair_pistons(
        [PairingPlace(f"b{n}", size, False, names) for n, size in enumerate(sizes)],
        [Candidate(f"p{n}", size) for n, size in enumerate(pistons)],
        wanted,
    )
    best = None
    for order in permutations(range(5), 4):
        more = [pistons[k].nm + 60_000 - sizes[n].nm for n, k in enumerate(order)]
        if min(more) >= 0:
            cost = sum((one // 100) ** 2 for one in more)
            best = cost if best is None else min(best, cost)
    if best is None:
        assert found is None
        return
    assert found is not None
    for pair in found.pairs:
        size = sizes[int(pair.place[1])]
        assert pair.hone_to is not None
        assert pair.hone_to >= size, "never below what it cleans up at"
    mine = sum(((p.hone_to.nm - sizes[int(p.place[1])].nm) // 100) ** 2 for p in found.pairs if p.hone_to)
    assert mine == best


def test_the_worked_example_of_assigning_pistons() -> None:
    """Worked examples I02, I03 and I04: the least sum of squares, sorted with sorted, the worst of them."""
    given = CASES["I02"]["inputs"]
    bores, pistons = ([mm(str(one)) for one in given[name]] for name in ("bores", "pistons"))
    target = mm(str(given["target"]))
    names = frozenset(f"p{n}" for n in range(len(pistons)))
    found = pair_pistons(
        [PairingPlace(f"b{n}", bore, True, names) for n, bore in enumerate(bores)],
        [Candidate(f"p{n}", piston) for n, piston in enumerate(pistons)],
        Clearances(target, ZERO, mm("1")),
    )
    assert found is not None
    assert [int(pair.piece[1]) for pair in found.pairs] == CASES["I02"]["expected"] == CASES["I03"]["expected"]
    worst = max(abs(pair.clearance - target).nm for pair in found.pairs)
    assert worst / 1e6 == pytest.approx(CASES["I04"]["expected"], abs=CASES["I04"]["tol"])


def test_a_lighter_spare_breaks_a_tie_and_no_more() -> None:
    names = frozenset({"heavy", "usual", "usual too"})
    places = [PairingPlace("b1", inches("4.0005"), True, names), PairingPlace("b2", inches("4.0005"), True, names)]
    size = inches("3.9983")
    pieces = [
        Candidate("heavy", size, 520_000),
        Candidate("usual", size, 512_000),
        Candidate("usual too", size, 512_100),
    ]
    found = pair_pistons(places, pieces, Clearances(inches("0.0022"), ZERO, inches("0.0060")))
    assert found is not None
    assert {pair.piece for pair in found.pairs} == {"usual", "usual too"}
    tighter = [
        Candidate("heavy", size, 520_000),
        *(Candidate(p.name, inches("3.9981"), p.mass_mg) for p in pieces[1:]),
    ]
    found = pair_pistons(places, tighter, Clearances(inches("0.0022"), ZERO, inches("0.0060")))
    assert found is not None
    assert "heavy" in {pair.piece for pair in found.pairs}, "a better clearance weighs more than any weight"


UNEVEN = {1: ["4.0000"] * 6, 2: ["4.0007"] * 6, 3: ["4.0005"] * 6, 4: NEW}
NEAR = {1: "4.0000", 2: "4.0006", 3: "4.0004", 4: "4.0002"}


def tight_in_bore_1(*others: str, **more: Any) -> Assessment:
    """Piston 1 has 0.0013 in bore 1, where 0.0016 is the least."""
    free = HouseRules(spread_k=0, pistons_keep=False)
    values: dict[str, Any] = {"bores": UNEVEN, "below": NEAR, "seen": SOUND, "house_rules": free, **more}
    return assess(loose(skirts("3.9987", *others), scope=("bores", "pistons"), **values))


def test_a_piston_tight_only_where_it_lies_is_paired_before_it_is_condemned() -> None:
    """Rule: sets.pairing. By hand: 3.9987 has 0.0020 in bore 2 of 4.0007, 3.9977 has 0.0023 in bore 1."""
    found = tight_in_bore_1("3.9977", "3.9980", "3.9979")
    assert {found.part(f"piston-{n}").action for n in (1, 2)} == {Action.MOVE}
    assert found.of("pistons").to_order == ()
    assert any("Better in bore 2: 0.0020 there." in one.text for one in found.part("piston-1").reasons)


def test_a_tight_piston_waits_until_every_bore_is_read() -> None:
    bores = {n: texts for n, texts in UNEVEN.items() if n != 2}
    found = tight_in_bore_1("3.9977", "3.9980", "3.9979", bores=bores)
    assert found.part("piston-1").action is Action.MEASURE
    assert found.of("pistons").to_order == ()


def test_a_tight_piston_that_fits_no_bore_is_replaced() -> None:
    """0.0013 is the least it has anywhere."""
    same = {n: ["4.0000"] * 6 for n in range(1, 5)}
    found = tight_in_bore_1("3.9978", "3.9978", "3.9978", bores=same, below=dict.fromkeys(same, "4.0000"))
    assert found.part("piston-1").action is Action.REPLACE
    assert [one.parts for one in found.of("pistons").to_order] == [("Piston 1",)]


def test_a_tight_piston_takes_the_bore_of_one_that_is_scrap() -> None:
    """By hand: piston 2 is scuffed; 3.9987 has 0.0020 in its bore, and the new piston goes into bore 1."""
    scuffed = (*SOUND, saw("piston-2", "skirts", "scuffed on one skirt"))
    found = tight_in_bore_1("3.9977", "3.9983", "3.9981", seen=scuffed)
    assert (found.part("piston-1").action, found.part("piston-2").action) == (Action.MOVE, Action.REPLACE)
    assert [(one.count, one.parts) for one in found.of("pistons").to_order] == [(1, ("Piston 1",))]


def test_fewer_pistons_than_bores_are_paired_as_scipy_pairs_them() -> None:
    """Library: scipy.optimize.linear_sum_assignment, which takes a table of any two sides."""
    places = [PairingPlace(f"p{n}", inches(f"4.000{n}"), True, frozenset({"a", "b"})) for n in (1, 4, 7, 9)]
    pieces = [Candidate("a", inches("3.9985")), Candidate("b", inches("3.9980"))]
    found = pair_pistons(places, pieces, Clearances(inches("0.0022"), inches("0.0010"), inches("0.0040")))
    assert found is not None
    off = [[((one.size - piece.size) - inches("0.0022")).nm ** 2 for one in places] for piece in pieces]
    rows, columns = linear_sum_assignment(np.array(off, dtype=float))
    assert {(pair.piece, pair.place) for pair in found.pairs} == {
        (pieces[row].name, places[column].name) for row, column in zip(rows, columns, strict=True)
    }


@pytest.mark.parametrize(
    ("stamped", "bore", "asked"), [(None, "4.0003", True), ("0.010", "4.0003", False), (None, "4.0103", False)]
)
def test_a_size_a_step_up_is_believed_only_with_the_bore_or_the_stamp(
    stamped: str | None, bore: str, asked: bool
) -> None:
    """Rule: pistons.present. A skirt 0.0014 larger than new was read hot or misread; it is no piston of 0.010 over
    that has lost 0.0086, unless its bore or its stamp says so."""
    stamp = () if stamped is None else (saw("piston-1", "size stamped", "crown stamp", amount=inches(stamped)),)
    bores = {n: [bore] * 6 for n in range(1, 5)}
    job = loose(
        skirts("3.9995", "3.9978", "3.9978", "3.9978"), scope=("bores", "pistons"), seen=(*SOUND, *stamp),
        bores=bores, below=bore,
    )  # fmt: skip
    found = assess(job).part("piston-1")
    assert any("neither its bore nor a stamp says" in one.text for one in found.reasons) is asked
    assert (Open.FORM in found.opens and found.action is Action.MEASURE) or not asked
