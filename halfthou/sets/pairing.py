"""Which piston goes into which bore: the whole set at once, proven best, what must not be together left out."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from halfthou.lengths import ZERO, Length

#: What a pair costs: a whole number, or None where the two must not be together.
Costs = Sequence[Sequence[int | None]]


@dataclass(frozen=True, slots=True)
class Pairing:
    """The best way to give every place a piece, and its proof.

    `of` is the column of each row. `rows` and `columns` are potentials: no pair costs less than its two together,
    columns left over have none, and the pairs chosen cost exactly theirs. So no other choice costs less.
    """

    of: tuple[int, ...]
    cost: int
    rows: tuple[int, ...]
    columns: tuple[int, ...]

    def proven(self, costs: Costs) -> bool:
        """Whether the potentials prove that no other pairing costs less. Source: duality of linear programmes."""
        held = all(
            cost is None or cost >= self.rows[i] + self.columns[j]
            for i, row in enumerate(costs)
            for j, cost in enumerate(row)
        )
        left_over = set(range(len(self.columns))) - set(self.of)
        exact = sum(self.rows) + sum(self.columns[j] for j in self.of) == self.cost
        return (
            held
            and exact
            and all(self.columns[j] <= 0 for j in range(len(self.columns)))
            and all(self.columns[j] == 0 for j in left_over)
        )

    def worse_by(self, costs: Costs, row: int, column: int) -> int | None:
        """By how much at least the whole gets worse where this pair is wanted; None where it must not be."""
        cost = costs[row][column]
        return None if cost is None else cost - self.rows[row] - self.columns[column]


def best_pairing(costs: Costs) -> Pairing | None:
    """The pairing of least cost that gives every row a column of its own.

    Takes:   at least as many columns (pieces) as rows (places).
    Gives:   None where what must not be together leaves no way.
    Rule:    sets.pairing.   Source: the assignment problem by shortest augmenting paths; checked against
             scipy.optimize.linear_sum_assignment, its proof against duality.
    >>> best_pairing([[4, 1], [2, 0]]).of
    (1, 0)
    """
    count, pieces = len(costs), len(costs[0]) if costs else 0
    if not count or pieces < count:
        return Pairing((), 0, (), ()) if not count else None
    known = [cost for row in costs for cost in row if cost is not None]
    forbidden = (max(known, default=0) - min([*known, 0]) + 1) * (count + 1)
    table = [[forbidden if cost is None else cost for cost in row] for row in costs]
    rows, columns, taken_by = [0] * (count + 1), [0] * (pieces + 1), [0] * (pieces + 1)
    for row in range(1, count + 1):
        _augment(table, row, rows, columns, taken_by)
    of = [0] * count
    for column in range(1, pieces + 1):
        if taken_by[column]:
            of[taken_by[column] - 1] = column - 1
    if any(costs[row][column] is None for row, column in enumerate(of)):
        return None
    total = sum(table[row][column] for row, column in enumerate(of))
    return Pairing(tuple(of), total, tuple(rows[1:]), tuple(columns[1:]))


def _augment(table: list[list[int]], row: int, rows: list[int], columns: list[int], taken_by: list[int]) -> None:
    """Give one more row a column along the shortest alternating path, and keep the potentials true."""
    pieces = len(columns) - 1
    taken_by[0], at = row, 0
    shortest: list[int | None] = [None] * (pieces + 1)
    came_from, done = [0] * (pieces + 1), [False] * (pieces + 1)
    while True:
        done[at] = True
        here, step, next_at = taken_by[at], None, 0
        base = table[here - 1]
        for column in range(1, pieces + 1):
            if done[column]:
                continue
            reduced = base[column - 1] - rows[here] - columns[column]
            known = shortest[column]
            if known is None or reduced < known:
                shortest[column], came_from[column], known = reduced, at, reduced
            if step is None or known < step:
                step, next_at = known, column
        if step is None:
            raise ValueError("every piece is taken: there must be as many pieces as places")
        for column in range(pieces + 1):
            if done[column]:
                rows[taken_by[column]] += step
                columns[column] -= step
            else:
                before = shortest[column]
                shortest[column] = None if before is None else before - step
        at = next_at
        if taken_by[at] == 0:
            break
    while at:
        taken_by[at], at = taken_by[came_from[at]], came_from[at]


@dataclass(frozen=True, slots=True)
class PairingPlace:
    """A bore to be given a piston: its size, whether that is finished, and what it cleans up at where it is not.

    `fits` are the pieces that may lie there at all; `own` the one that came in it, "" where none did.
    """

    name: str
    size: Length
    finished: bool
    fits: frozenset[str]
    own: str = ""


@dataclass(frozen=True, slots=True)
class Candidate:
    """A piston that may be fitted: its size at the gauge point, and its weight in milligrams where it has one."""

    name: str
    size: Length
    mass_mg: int | None = None


@dataclass(frozen=True, slots=True)
class Clearances:
    """What clearance is aimed at, and the least and most that are allowed."""

    target: Length
    least: Length
    most: Length


@dataclass(frozen=True, slots=True)
class Pair:
    """A piston in a bore: the clearance it will have; what the bore is honed to where it is still to finish."""

    place: str
    piece: str
    clearance: Length
    hone_to: Length | None


@dataclass(frozen=True)
class Paired:
    """The set paired: every place with its piece, what that costs, and what leaving each piston at home would."""

    pairs: tuple[Pair, ...]
    worse_by: tuple[tuple[str, str, int], ...]


#: Weights break ties only: a clearance further off by a tenth of a micrometre weighs more than all of them.
_WISH = 10**9


def pair_pistons(
    places: Sequence[PairingPlace], pieces: Sequence[Candidate], wanted: Clearances, stock: Length = ZERO
) -> Paired | None:
    """The piston of every bore: nearest to the clearance aimed at over the whole set, within what is allowed.

    Takes:   bores finished (their sizes stand) or still to hone (each is finished to its piston, never below what
             it cleans up at and its hone stock); pistons with their sizes.
    Gives:   None where no choice keeps every pair within what is allowed. With fewer pistons than bores every
             piston has its bore, and the bores left over have none.
    Rule:    sets.pairing.   Source: docs/trade: Pairing pistons and bores; least sum of squares.
    """
    masses = sorted(one.mass_mg for one in pieces if one.mass_mg is not None)
    usual = masses[len(masses) // 2] if masses else 0
    costs = [[_cost(place, piece, wanted, (stock, usual)) for piece in pieces] for place in places]
    if len(pieces) < len(places):
        return _few(places, pieces, costs, wanted)
    best = best_pairing(costs)
    if best is None:
        return None
    pairs = tuple(_pair(place, pieces[best.of[n]], wanted) for n, place in enumerate(places))
    others = tuple(
        (place.name, piece.name, worse // _WISH)
        for n, place in enumerate(places)
        for k, piece in enumerate(pieces)
        if best.of[n] != k and (worse := best.worse_by(costs, n, k)) is not None
    )
    return Paired(pairs, others)


def _few(
    places: Sequence[PairingPlace], pieces: Sequence[Candidate], costs: Costs, wanted: Clearances
) -> Paired | None:
    best = best_pairing([list(column) for column in zip(*costs, strict=True)])
    if best is None:
        return None
    return Paired(tuple(_pair(places[best.of[n]], piece, wanted) for n, piece in enumerate(pieces)), ())


def _cost(place: PairingPlace, piece: Candidate, wanted: Clearances, beside: tuple[Length, int]) -> int | None:
    stock, usual = beside
    if piece.name not in place.fits:
        return None
    lighter = 0 if piece.mass_mg is None else abs(piece.mass_mg - usual)
    if not place.finished:
        more = piece.size + wanted.target - place.size - stock
        # What comes off the bore beyond its clean-up is what a pair costs: the least metal over the whole set.
        return None if more < ZERO else (more.nm // 100) ** 2 * _WISH + lighter
    clearance = place.size - piece.size
    if not wanted.least <= clearance <= wanted.most:
        return None
    return ((clearance - wanted.target).nm // 100) ** 2 * _WISH + lighter


def _pair(place: PairingPlace, piece: Candidate, wanted: Clearances) -> Pair:
    if place.finished:
        return Pair(place.name, piece.name, place.size - piece.size, None)
    return Pair(place.name, piece.name, wanted.target, piece.size + wanted.target)
