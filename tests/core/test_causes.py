"""Causes weighed, against enumeration of the same model by plain Python, and against what the method must hold."""

from __future__ import annotations

import math
import random
from itertools import combinations, product

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from halfthou.causes import (
    CAUSES,
    CHANCE,
    SIGNS,
    Against,
    Evidence,
    Network,
    SignSeen,
    Strength,
    Word,
    in_words,
    information,
    known_network,
    network_of,
    weigh,
    weigh_causes,
)
from halfthou.evidence import evidence_board
from halfthou.jobs import ComplaintKind
from halfthou.parts import CATALOGUE
from tests.reading import complains, read, seen
from tests.stripping import said

SEEN = SignSeen()
CLOSE = 1e-9


def enumerate_all(network: Network, seen: set[int], absent: set[int]) -> dict[frozenset[int], float]:
    """Every set of at most three causes with its weight, by the plain definition. Source: the model's own
    definition (noisy-OR with leak; Pearl 1988, recalled), written with loops and no logarithms."""
    found: dict[frozenset[int], float] = {}
    for size in range(4):
        for chosen in combinations(range(network.count), size):
            there = frozenset(chosen)
            weight = 1.0
            for cause in range(network.count):
                stays_away = 1 - network.prior[cause]
                for other in there - {cause}:
                    stays_away *= 1 - network.brings[other, cause]
                weight *= 1 - stays_away if cause in there else stays_away
            for sign in seen | absent:
                quiet = 1 - network.leak[sign]
                for cause in there:
                    quiet *= 1 - network.leaves[cause, sign]
                weight *= quiet if sign in absent else 1 - quiet
            for sign in seen:
                for cause in there:
                    weight *= math.exp(network.falls[cause, sign])
            found[there] = weight
    total = sum(found.values())
    return {there: weight / total for there, weight in found.items()}


def cut_down(seed: int, causes: int = 12, signs: int = 9) -> tuple[Network, set[int], set[int]]:
    """A part of what is known, as its own network, with evidence by chance."""
    chance = random.Random(seed)
    rows = chance.sample(list(CAUSES.values()), causes)
    own = [sign for cause in rows for sign in (*cause.edges, *cause.against)]
    columns = chance.sample(sorted(set(own)), signs)
    network = network_of(rows, columns, frozenset({ComplaintKind.LOW_PRESSURE}))
    order = list(range(signs))
    chance.shuffle(order)
    return network, set(order[:3]), set(order[3:6])


@pytest.mark.parametrize("seed", range(25))
def test_the_weights_are_those_of_plain_enumeration(seed: int) -> None:
    network, seen, absent = cut_down(seed)
    found = weigh(network, dict.fromkeys(seen, False), dict.fromkeys(absent, False))
    plain = enumerate_all(network, seen, absent)
    for row, weight in zip(found.sets, found.weight, strict=True):
        there = frozenset(int(one) for one in row if one < network.count)
        assert weight == pytest.approx(plain[there], abs=CLOSE)
    each = found.of_each()
    for cause in range(network.count):
        assert each[cause] == pytest.approx(sum(w for there, w in plain.items() if cause in there), abs=CLOSE)


@pytest.mark.parametrize("seed", range(8))
def test_the_information_of_a_look_is_that_of_plain_enumeration(seed: int) -> None:
    network, seen, absent = cut_down(seed, causes=8)
    open_yet = sorted(set(range(len(network.leak))) - seen - absent)
    among = (0, 1, 2, 3)
    told = information(
        weigh(network, dict.fromkeys(seen, False), dict.fromkeys(absent, False)),
        np.array(open_yet, dtype=np.intp), among,
    )  # fmt: skip
    plain = enumerate_all(network, seen, absent)
    for nth, sign in enumerate(open_yet):
        joint: dict[tuple[frozenset[int], bool], float] = {}
        for there, weight in plain.items():
            quiet = 1 - network.leak[sign]
            for cause in there:
                quiet *= 1 - network.leaves[cause, sign]
            for shows in (True, False):
                key = there & frozenset(among), shows
                joint[key] = joint.get(key, 0.0) + weight * ((1 - quiet) if shows else quiet)
        assert told[nth] == pytest.approx(_mutual(joint), abs=1e-4)


def _mutual(joint: dict[tuple[frozenset[int], bool], float]) -> float:
    """I(X; Y) = Σ p(x,y) log2 p(x,y) / p(x)p(y). Source: Shannon 1948, recalled."""
    left: dict[frozenset[int], float] = {}
    right: dict[bool, float] = {}
    for (x, y), p in joint.items():
        left[x] = left.get(x, 0.0) + p
        right[y] = right.get(y, 0.0) + p
    return sum(p * math.log2(p / (left[x] * right[y])) for (x, y), p in joint.items() if p > 0)


def test_the_example_that_is_worked_by_hand() -> None:
    """docs/trade: How causes are weighed: computed by hand there; the strengths of this cut are set here."""
    network = Network(
        prior=np.array([0.1, 0.1]), leak=np.array([0.0004, 0.03]), leaves=np.array([[0.9, 0.6], [0.0, 0.6]]),
        falls=np.zeros((2, 2)), brings=np.zeros((2, 2)), weak_leaves=np.zeros((2, 2)), weak_falls=np.zeros((2, 2)),
    )  # fmt: skip
    both = {0: False, 1: False}
    assert [round(one, 2) for one in weigh(network, both, {}).of_each()] == [1.0, 0.13]
    # Had nobody known that a blocked pickup scores a pump, the pump would be condemned.
    blind = Network(network.prior, network.leak, np.array([[0.9, 0.0], [0.0, 0.6]]), *[network.falls] * 4)
    assert round(float(weigh(blind, both, {}).of_each()[1]), 2) == 0.69


SOME_SIGNS = st.lists(st.sampled_from(sorted(SIGNS)), unique=True, max_size=10)
COMPLAINTS = st.frozensets(st.sampled_from(ComplaintKind), max_size=2)


def evidence(seen: list[str], absent: list[str], complaint: frozenset[ComplaintKind]) -> Evidence:
    return Evidence(dict.fromkeys(seen, SEEN), {one: SEEN for one in absent if one not in seen}, complaint)


def own_support(key: str, found: Evidence) -> float:
    """How much more the evidence is to be expected with a cause alone than with none: its own evidence."""
    network, row = known_network(found.complaint), list(CAUSES).index(key)
    total = 0.0
    for column, sign in enumerate(SIGNS):
        quiet, alone = 1 - network.leak[column], (1 - network.leak[column]) * (1 - network.leaves[row, column])
        if sign in found.not_there:
            total += math.log(alone / quiet)
        elif sign in found.seen:
            total += math.log((1 - alone) / (1 - quiet))
    return total


@settings(max_examples=60, deadline=None)
@given(SOME_SIGNS, st.sampled_from(sorted(SIGNS)), COMPLAINTS)
def test_looked_and_nothing_never_raises_a_causes_own_evidence(
    seen: list[str], looked: str, complaint: frozenset[ComplaintKind]
) -> None:
    before = evidence([one for one in seen if one != looked], [], complaint)
    after = evidence([one for one in seen if one != looked], [looked], complaint)
    for key in CAUSES:
        assert own_support(key, after) <= own_support(key, before) + CLOSE
    rows = {row.key: row for row in in_words(weigh_causes(after))}
    chance, was = weigh_causes(after).chance, weigh_causes(before).chance
    for key in CAUSES:
        if chance[key] - was[key] > 0.06:
            assert rows[key].because, key  # where another's fall raised it, the reason says so


@settings(max_examples=40, deadline=None)
@given(SOME_SIGNS, SOME_SIGNS, COMPLAINTS, st.randoms(use_true_random=False))
def test_told_twice_or_in_another_order_nothing_changes(
    seen: list[str], absent: list[str], complaint: frozenset[ComplaintKind], chance: random.Random
) -> None:
    first = weigh_causes(evidence(seen, absent, complaint))
    chance.shuffle(seen)
    chance.shuffle(absent)
    again = weigh_causes(evidence([*seen, *seen], [*absent, *absent], complaint))
    assert again.words == first.words
    for key in CAUSES:
        assert again.chance[key] == pytest.approx(first.chance[key], abs=CLOSE)


@settings(max_examples=60, deadline=None)
@given(SOME_SIGNS, SOME_SIGNS, COMPLAINTS, st.data())
def test_what_is_ruled_out_stays_so_whatever_else_is_seen(
    seen: list[str], absent: list[str], complaint: frozenset[ComplaintKind], data: st.DataObject
) -> None:
    key = data.draw(st.sampled_from([k for k, c in CAUSES.items() if Against.RULES_OUT in c.against.values()]))
    veto = next(sign for sign, how in CAUSES[key].against.items() if how is Against.RULES_OUT)
    one = evidence([*seen, veto], absent, complaint)
    found = weigh_causes(one)
    if veto in one.disputed:
        # A proof beside it: both stay, and neither settles anything.
        assert found.words[key] is not Word.PROVED
        return
    assert found.words[key] is Word.RULED_OUT
    assert found.chance[key] == 0.0
    # Mistrusted, the look is left out: it rules out nothing.
    others = [sign for sign, how in CAUSES[key].against.items() if how is Against.RULES_OUT]
    trusted = weigh_causes(evidence([one for one in seen if one not in others], absent, complaint))
    assert trusted.words[key] is not Word.RULED_OUT


@settings(max_examples=40, deadline=None)
@given(SOME_SIGNS, SOME_SIGNS, COMPLAINTS)
def test_the_words_keep_their_promises(
    seen: list[str], absent: list[str], complaint: frozenset[ComplaintKind]
) -> None:
    found = weigh_causes(evidence(seen, absent, complaint))
    rows = {row.key: row for row in in_words(found)}
    for key, word in found.words.items():
        chance, row = found.chance[key], rows[key]
        if word is Word.PROVED:
            assert chance >= 0.90 and row.proof
        if word is Word.LIKELY:
            assert chance >= 0.65
        if word in (Word.PROVED, Word.LIKELY, Word.POSSIBLE):
            assert chance >= 0.10 and row.speaks_for
        if word is Word.NOT_LOOKED:
            assert not row.speaks_for and not row.against
    assert not set(found.unexplained) - set(found.evidence.seen)


def test_a_look_after_cleaning_counts_one_step_less_and_rules_nothing_out() -> None:
    """What counts: nearly proves falls to speaks for, and a ruling-out to speaking against."""
    weak = weigh_causes(Evidence({"screen.blocked": SignSeen(weak=True)}, {}, frozenset()))
    full = weigh_causes(Evidence({"screen.blocked": SEEN}, {}, frozenset()))
    assert weak.chance["supply.screen"] < full.chance["supply.screen"]
    assert weak.words["supply.screen"] is not Word.PROVED
    cleared = weigh_causes(Evidence({"screen.clear": SignSeen(weak=True)}, {}, frozenset()))
    assert cleared.words["supply.screen"] is not Word.RULED_OUT
    network, row = known_network(frozenset()), list(CAUSES).index("supply.screen")
    column = list(SIGNS).index("screen.blocked")
    assert network.weak_leaves[row, column] == CHANCE[Strength.SPEAKS]


def test_the_tables_hang_together() -> None:
    """Every sign has a cause or speaks against one; every look's signs are known; every cause can be settled."""
    left = {sign for cause in CAUSES.values() for sign in (*cause.edges, *cause.against)}
    assert left <= set(SIGNS)
    assert {sign for look in CATALOGUE.looks.values() for sign in look.signs} <= set(SIGNS)
    assert {one for cause in CAUSES.values() for one in cause.brings} <= set(CAUSES)
    assert {one for cause in CAUSES.values() for one in cause.follow} <= set(CATALOGUE.looks)
    for cause in CAUSES.values():
        assert cause.settled
        assert cause.harmless or cause.remedy
        assert any(CATALOGUE.looks.at(sign) or sign in DERIVED for sign in cause.leaves), cause.key
    assert not {sign for sign in SIGNS if sign not in left}


#: Signs that no single look shows: they come from the map, the door and the bench.
DERIVED = {"rods.worse"}


def test_an_engine_of_two_failures_is_told_as_two() -> None:
    """Two settling looks that share nothing: both stand, whatever was complained of. Source: common practice."""
    found = weigh_causes(evidence(["screen.blocked", "burn.track"], [], frozenset()))
    assert [found.words[key] for key in ("supply.screen", "gasket.leak")] == [Word.PROVED, Word.PROVED]


@pytest.mark.parametrize("known", ["blocked pickups", "screen blocked", "supply.screen", "its drive"])
def test_reputation_has_no_weight(known: str) -> None:
    """What a family is known for is told beside the causes, and moves none of them."""
    told = (*complains("low pressure"), seen("oil hours", "past its time"))
    plain, reputed = read(*told), read(*told, said("known for", known, "the trade"))
    assert reputed.weighed.chance == plain.weighed.chance
    assert evidence_board(reputed, ()).reminders == (known,)


def test_each_complaint_has_its_usual_suspects() -> None:
    """The highest class counts where a complaint falls under several kinds. Source: judgement, docs/trade."""
    screen = CAUSES["supply.screen"]
    assert screen.chance(frozenset({ComplaintKind.KNOCK, ComplaintKind.MILKY})) == 0.10
    assert CAUSES["gasket.leak"].chance(frozenset({ComplaintKind.MILKY})) == 0.10
    assert CAUSES["gasket.leak"].chance(frozenset({ComplaintKind.KNOCK})) == 0.01
    for one, other in product(ComplaintKind, repeat=2):
        both = screen.chance(frozenset({one, other}))
        assert both >= screen.chance(frozenset({one})) or one is ComplaintKind.NONE
