"""Writing any figure for a person: a length in the unit of the job, all else in the unit it is kept in."""

from __future__ import annotations

from dataclasses import dataclass

from halfthou.amounts.quantity import Quantity, amount_text
from halfthou.lengths import Length, Notation, Shown


@dataclass(frozen=True, slots=True)
class AmountNotation:
    """How a quantity beside length is written. It speaks as a `Notation` does: a count is carried as a length
    carries its own."""

    quantity: Quantity

    def text(self, amount: Length) -> str:
        """The amount with its unit.

        >>> AmountNotation(Quantity.MASS).text(Length(412_500))
        '412.5 g'
        """
        return amount_text(self.quantity, amount.nm)

    def shown(self, amount: Length) -> Shown:
        """Text and exact count together."""
        return Shown(self.text(amount), amount.nm)

    def at_least(self, limit: Length) -> str:
        """A lower limit."""
        return self.text(limit)

    def at_most(self, limit: Length) -> str:
        """An upper limit."""
        return self.text(limit)

    def doubt(self, amount: Length) -> str:
        """A doubt, with one decimal more."""
        return amount_text(self.quantity, amount.nm, finer=1)


def notation_for(quantity: Quantity, say: Notation) -> Notation | AmountNotation:
    """How the figures of a quantity are written in a job whose lengths are written so."""
    return say if quantity is Quantity.LENGTH else AmountNotation(quantity)
