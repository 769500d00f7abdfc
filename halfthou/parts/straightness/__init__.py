"""Whether the crank is straight: indicated round at every main, at nose and flange, judged as one shaft."""

from halfthou.parts.straightness.kind import RUN_OUT, SET, TOTAL
from halfthou.parts.straightness.together import Straight
from halfthou.parts.straightness.trade import Straightness, straight_of
from halfthou.parts.straightness.words import straight_headline
