"""The kinds of part: what is measured where, what is seen, what work makes stale, and how each is judged.

A new kind is a module here and a line in the catalogue. See docs/adding-a-kind.md.
"""

from halfthou.parts.bores import Bores, BoreSet, BoringCard, boring_card, boring_card_csv
from halfthou.parts.end_float import AS_BUILT, BLUE, FACES, ON_RECORD, EndFloat, is_as_built
from halfthou.parts.end_float import PART as END_FLOAT
from halfthou.parts.faults import faults_of_job, faults_of_limits, faults_of_readings, faults_of_seen
from halfthou.parts.grinding import grinding_card
from halfthou.parts.journals import BEARING, Journals, SetVerdict, ways_on, ways_shown
from halfthou.parts.pistons import Pistons
from halfthou.parts.pump import Pump
from halfthou.parts.rings import Rings
from halfthou.parts.straightness import Straightness
from halfthou.parts.trade import Catalogue, Given, SetDecided, Trade
from halfthou.parts.tunnel import Tunnel

CATALOGUE = Catalogue(
    Straightness(),
    Journals(),
    BEARING,
    EndFloat(),
    Tunnel(),
    Bores(),
    Pistons(),
    Rings(),
    Pump(),
)
