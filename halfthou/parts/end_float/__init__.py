"""The end float of the crank: how far it can be pushed to and fro against its thrust faces."""

from halfthou.parts.end_float.kind import PART
from halfthou.parts.end_float.looks import AS_BUILT, BLUE, FACES, ON_RECORD
from halfthou.parts.end_float.trade import EndFloat
from halfthou.parts.end_float.verdict import is_as_built
