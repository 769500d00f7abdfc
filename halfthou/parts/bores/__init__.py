"""Cylinder bores: measured, judged, and sized together."""

from halfthou.parts.bores.card import BoringCard, boring_card, boring_card_csv
from halfthou.parts.bores.kind import PLAN
from halfthou.parts.bores.limits import depths_of_planes
from halfthou.parts.bores.oversize import BoreSet
from halfthou.parts.bores.trade import Bores
