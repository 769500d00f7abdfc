"""The inference: a noisy-OR over signs, exact over all sets of at most three causes.

It knows no trade: causes and signs are rows and columns of numbers. Source: docs/trade: How causes are weighed;
the noisy-OR of J. Pearl, Probabilistic Reasoning in Intelligent Systems, 1988, recalled.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

Floats = NDArray[np.float64]
#: No more causes than this are thought to be at work together.
MOST_TOGETHER = 3


@dataclass(frozen=True, eq=False)
class Network:
    """Causes (rows) and signs (columns).

    `prior` is the chance of each cause, `leak` that of each sign without any. `leaves[c, s]` is the chance that
    cause c leaves sign s; `falls[c, s]` the natural logarithm by which c falls where s is seen, minus infinity
    where that rules it out; `brings[d, c]` the chance that cause d makes cause c. `weak_leaves` and `weak_falls`
    are the same for what counts less, because it was looked at after cleaning.
    """

    prior: Floats
    leak: Floats
    leaves: Floats
    falls: Floats
    brings: Floats
    weak_leaves: Floats
    weak_falls: Floats

    @property
    def count(self) -> int:
        """How many causes there are."""
        return len(self.prior)


@lru_cache(maxsize=8)
def sets_of(count: int) -> NDArray[np.intp]:
    """Every set of none to three of so many causes: one row each, filled up with `count`, which stands for none."""
    rows = [
        (*chosen, *(count,) * (MOST_TOGETHER - size))
        for size in range(MOST_TOGETHER + 1)
        for chosen in combinations(range(count), size)
    ]
    return np.array(rows, dtype=np.intp)


@dataclass(frozen=True, eq=False)
class Posterior:
    """What every set of causes is worth once the evidence is in. `weight` sums to one over the rows of `sets`;
    `by_seen` is the same by what was seen alone, had nothing been looked for in vain; `unruled` that, had nothing
    been ruled out either."""

    network: Network
    sets: NDArray[np.intp]
    weight: Floats
    by_seen: Floats
    unruled: Floats

    def of_each(self, weight: Floats | None = None) -> Floats:
        """The chance of every cause: the weight of the sets that hold it."""
        weight = self.weight if weight is None else weight
        found = np.bincount(self.sets.ravel(), np.repeat(weight, MOST_TOGETHER), self.network.count + 1)
        return np.asarray(found[:-1], dtype=np.float64)

    @property
    def best(self) -> tuple[int, ...]:
        """The one set that weighs most."""
        row = self.sets[int(np.argmax(self.weight))]
        return tuple(int(one) for one in row if one < self.network.count)

    def shows(self, signs: NDArray[np.intp], rows: NDArray[np.intp] | None = None) -> Floats:
        """The chance of each sign under each set (of those rows)."""
        sets = self.sets if rows is None else self.sets[rows]
        quiet = _quiet(self.network.leaves[:, signs], self.network.leak[signs], sets)
        return 1 - quiet

    def unexplained(self, signs: NDArray[np.intp]) -> Floats:
        """The chance of each sign that no cause of the set leaves it, so that only chance shows it."""
        leaves = np.vstack([self.network.leaves[:, signs] > 0, np.zeros(len(signs), dtype=bool)])
        left = leaves[self.sets[:, 0]] | leaves[self.sets[:, 1]] | leaves[self.sets[:, 2]]
        return np.asarray(self.weight @ ~left, dtype=np.float64)


def _quiet(leaves: Floats, leak: Floats, sets: NDArray[np.intp]) -> Floats:
    """P(sign absent | set) = (1 - leak) Π (1 - p), for each set and sign."""
    still = np.vstack([1 - leaves, np.ones(leaves.shape[1])])
    found = still[sets[:, 0]] * still[sets[:, 1]]
    found *= still[sets[:, 2]]
    found *= 1 - leak
    return np.asarray(found, dtype=np.float64)


def weigh(network: Network, seen: Mapping[int, bool], absent: Mapping[int, bool]) -> Posterior:
    """Weigh every set of at most three causes against the evidence.

    Takes:   signs that were seen and signs that were looked for and are not there, by column, each with whether it
             counts less.
    Gives:   the weight of every set, summing to one. The empty set is never ruled out.
    """
    sets = sets_of(network.count)
    logs = _prior(network, sets)
    ruled = np.zeros(network.count + 1, dtype=bool)
    if seen:
        against = _of(network.falls, network.weak_falls, seen)
        ruled[:-1] = np.isneginf(against).any(axis=1)
        logs += _falls(np.where(np.isneginf(against), 0.0, against).sum(axis=1), sets)
        leaves = _of(network.leaves, network.weak_leaves, seen)
        logs += np.log(1 - _quiet(leaves, network.leak[list(seen)], sets)).sum(axis=1)
    out = np.asarray(ruled[sets].any(axis=1), dtype=np.bool_)
    unruled = _shares(logs)
    by_seen = _of_rest(unruled, out)
    if not absent:
        return Posterior(network, sets, by_seen, by_seen, unruled)
    leaves = _of(network.leaves, network.weak_leaves, absent)
    logs += _falls(np.log1p(-leaves).sum(axis=1), sets)
    return Posterior(network, sets, _of_rest(_shares(logs), out), by_seen, unruled)


def _falls(each: Floats, sets: NDArray[np.intp]) -> Floats:
    """What the causes of every set lose together."""
    found = np.append(each, 0.0)
    return np.asarray(found[sets[:, 0]] + found[sets[:, 1]] + found[sets[:, 2]], dtype=np.float64)


def _shares(logs: Floats) -> Floats:
    weight = np.exp(logs - logs.max())
    return np.asarray(weight / weight.sum(), dtype=np.float64)


def _of_rest(weight: Floats, out: NDArray[np.bool_]) -> Floats:
    """The weights once sets are ruled out, summing to one again."""
    left = np.where(out, 0.0, weight)
    return np.asarray(left / left.sum(), dtype=np.float64)


def _of(full: Floats, weak: Floats, signs: Mapping[int, bool]) -> Floats:
    """The columns of those signs, weak ones as they count less."""
    columns = list(signs)
    chosen = np.where(np.array(list(signs.values())), weak[:, columns], full[:, columns])
    return np.asarray(chosen, dtype=np.float64)


def _prior(network: Network, sets: NDArray[np.intp]) -> Floats:
    """The logarithm of each set's chance before anything is looked at, up to what all have in common.

    A cause that another brings is there unless neither chance nor any that is there brings it.
    """
    count = network.count
    own = np.append(np.log1p(-network.prior), 0.0)
    brings = np.zeros((count + 1, count + 1))
    brings[:-1, :-1] = np.log1p(-network.brings)
    # Of every cause in turn: it is absent, whatever is there may bring it.
    logs = brings.sum(axis=1)[sets].sum(axis=1)
    for nth in range(MOST_TOGETHER):
        one = sets[:, nth]
        absent = own[one] + sum(brings[sets[:, other], one] for other in range(MOST_TOGETHER))
        logs += np.where(one < count, _log_of_rest(absent) - absent, 0.0)
    return np.asarray(logs, dtype=np.float64)


def _log_of_rest(absent: Floats) -> Floats:
    """log(1 - e^x) for x at most 0; where x is 0 there is nothing to take."""
    return np.log(np.where(absent < 0, -np.expm1(absent), 1.0))


def information(posterior: Posterior, signs: NDArray[np.intp], among: tuple[int, ...]) -> Floats:
    """How much the answer to each sign is expected to tell which of some causes are at work, in bits.

    Mutual information between the sign and which of `among` are in the set. Source: C. E. Shannon, 1948, recalled.
    """
    rows = np.flatnonzero(posterior.weight > WORTH_A_THOUGHT)
    weight = posterior.weight[rows] / posterior.weight[rows].sum()
    shows = posterior.shows(signs, rows)
    bit = np.zeros(posterior.network.count + 1, dtype=np.int64)
    for nth, one in enumerate(among[:60]):
        bit[one] = 1 << nth
    which = bit[posterior.sets[rows]].sum(axis=1)
    _, group = np.unique(which, return_inverse=True)
    mass = np.bincount(group, weight)
    inside = np.zeros((len(mass), len(signs)))
    np.add.at(inside, group, shows * weight[:, None])
    total = inside.sum(axis=0)
    return _bits(total) - mass @ _bits(inside / mass[:, None])


#: Sets lighter than this are left out where looks are compared.
WORTH_A_THOUGHT = 1e-6


def _bits(chance: Floats) -> Floats:
    """The entropy of yes or no, in bits."""
    inside = np.clip(chance, 1e-12, 1 - 1e-12)
    return np.asarray(-(inside * np.log2(inside) + (1 - inside) * np.log2(1 - inside)), dtype=np.float64)
