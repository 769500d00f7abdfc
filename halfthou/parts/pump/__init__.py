"""The oil pump: looked at first, measured, judged as a unit."""

from halfthou.parts.pump.kind import PUMP
from halfthou.parts.pump.leak import leak_litres, leak_ratio, opening_pressure, spur_displacement_mm3
from halfthou.parts.pump.seal import series_of, squeeze
from halfthou.parts.pump.trade import Pump
