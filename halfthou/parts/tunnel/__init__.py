"""The tunnel the crank runs in: its housings with their caps torqued and no shells, and the line they stand in."""

from halfthou.parts.tunnel.housed import in_housing
from halfthou.parts.tunnel.kind import housing_of
from halfthou.parts.tunnel.trade import Tunnel
