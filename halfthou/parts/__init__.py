"""The kinds of part: what is measured where, what is seen, what work makes stale, and how each is judged.

A new kind is a module here and a line in the catalogue. See docs/adding-a-kind.md.
"""

from halfthou.parts.bores import Bores, BoreSet, BoringCard, boring_card, boring_card_csv
from halfthou.parts.faults import faults_of_job, faults_of_limits, faults_of_readings, faults_of_seen
from halfthou.parts.journals import BEARING, Journals
from halfthou.parts.pistons import Pistons, PistonSet
from halfthou.parts.pump import Pump
from halfthou.parts.rings import Rings, RingSet, filing_table
from halfthou.parts.trade import Catalogue, Given, SetDecided, Standing, Trade

CATALOGUE = Catalogue(
    Journals(),
    BEARING,
    Bores(),
    Pistons(),
    Rings(),
    Pump(),
)

__all__ = [
    "CATALOGUE",
    "BoreSet",
    "BoringCard",
    "Catalogue",
    "Given",
    "PistonSet",
    "RingSet",
    "SetDecided",
    "Standing",
    "Trade",
    "boring_card",
    "boring_card_csv",
    "faults_of_job",
    "faults_of_limits",
    "faults_of_readings",
    "faults_of_seen",
    "filing_table",
]
