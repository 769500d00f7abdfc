"""Whether the crank is straight: indicated round at every main, at nose and flange, judged as one shaft."""

from halfthou.parts.straightness.kind import RUN_OUT, TOTAL, main_of
from halfthou.parts.straightness.looks import TRUE
from halfthou.parts.straightness.together import Straight
from halfthou.parts.straightness.trade import Straightness, straight_of, without_old_words
from halfthou.parts.straightness.verdict import STANDS
from halfthou.parts.straightness.words import straight_headline
