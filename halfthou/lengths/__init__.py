"""Exact sizes, in inch and metric: holding them, reading typed text, showing them."""

from halfthou.lengths.length import ZERO, AmountUnit, Length, Unit, middle
from halfthou.lengths.show import USUAL_DECIMALS, Notation, Shown
from halfthou.lengths.typed import LONGEST, Asked, Choice, Typed, Unreadable, plain, read_length, read_number
from halfthou.lengths.typed_here import UNIT_WORDS, Window, read_here
from halfthou.lengths.typed_small import read_small
from halfthou.lengths.typed_undersize import MOST_UNDERSIZE, read_undersize
