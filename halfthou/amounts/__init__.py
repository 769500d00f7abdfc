"""What is measured beside lengths: weights, forces, angles, pressures, each in its own whole smallest units."""

from halfthou.amounts.quantity import (
    COUNT_PER_UNIT,
    QUANTITIES,
    Amount,
    Force,
    Mass,
    Pressure,
    Quantity,
    amount_of,
    amount_text,
)
from halfthou.amounts.typed import read_amount
from halfthou.amounts.written import AmountNotation, notation_for
