"""Which look first: the least expected work until the job ends, where some looks must wait for others.

Every look costs so much and ends the job with so much chance; what is not looked at any more costs nothing. Of two
looks that may stand either way round, the one with the greater chance for its cost goes first: for blocks of looks
as for single ones. A look that would go before the one it waits for is joined to it, and both go as one block.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class WeighedLook:
    """A look as the order sees it: its cost (minutes, harm counted in), its chance to end the job (0 to 1), and the
    look that must come before it."""

    key: str
    cost: float
    chance: float
    after: str | None = None


@dataclass(slots=True)
class _Block:
    """Looks taken one after the other: what they cost in the mean until one ends the job, and with what chance none
    does."""

    keys: list[str]
    cost: float
    goes_on: float

    def then(self, other: _Block) -> _Block:
        """This block and another after it, as one."""
        return _Block(
            [*self.keys, *other.keys], self.cost + self.goes_on * other.cost, self.goes_on * other.goes_on
        )


def _before(one: _Block, other: _Block) -> bool:
    """Whether a block has the greater chance for its cost, without dividing: a cost may be nothing."""
    return (1 - one.goes_on) * other.cost > (1 - other.goes_on) * one.cost


def order_looks(looks: Sequence[WeighedLook]) -> tuple[str, ...]:
    """The looks in the order of least expected cost until one ends the job.

    Takes:   independent looks, each waiting for at most one other; one that waits for a look that is not listed
             waits for nothing.
    Gives:   their keys. Of looks that are worth the same the earlier listed goes first.
    Rule:    looks.order.   Source: Sidney's decomposition, Horn's rule for trees, recalled; docs/trade: The order
             of looks.
    Assumes: that no look tells of another: what one finds changes the chances, and the order is made anew.
    >>> slow, quick = WeighedLook("slow", 100, 0.5), WeighedLook("quick", 10, 0.09)
    >>> looks = [slow, quick, WeighedLook("behind", 1, 0.9, "slow")]
    >>> order_looks(looks)
    ('slow', 'behind', 'quick')
    """
    here = {look.key for look in looks}
    behind: dict[str | None, list[WeighedLook]] = {}
    for look in looks:
        behind.setdefault(look.after if look.after in here else None, []).append(look)

    def chain(look: WeighedLook) -> list[_Block]:
        """A look and all that waits for it, as blocks in falling worth: it is joined with what is worth more."""
        below = _merged(chain(child) for child in behind.get(look.key, ()))
        first = _Block([look.key], look.cost, 1 - look.chance)
        while below and _before(below[0], first):
            first = first.then(below.pop(0))
        return [first, *below]

    return tuple(key for block in _merged(chain(look) for look in behind.get(None, ())) for key in block.keys)


def _merged(chains: Iterable[list[_Block]]) -> list[_Block]:
    """Chains of blocks, each in falling worth, as one."""
    found: list[_Block] = []
    for chain in chains:
        at = 0
        for block in chain:
            while at < len(found) and not _before(block, found[at]):
                at += 1
            found.insert(at, block)
            at += 1
    return found


def expected_cost(order: Iterable[str], looks: Iterable[WeighedLook]) -> float:
    """What an order costs in the mean, until a look ends the job or all are taken; in the unit of the costs.

    >>> expected_cost(["a", "b"], [WeighedLook("a", 10, 0.5), WeighedLook("b", 20, 0.1)])
    20.0
    """
    known = {look.key: look for look in looks}
    total, goes_on = 0.0, 1.0
    for key in order:
        total += goes_on * known[key].cost
        goes_on *= 1 - known[key].chance
    return total
