"""Causes: what each leaves behind, how they are weighed, and which look comes next."""

from halfthou.causes.cause import Cause, Often
from halfthou.causes.known import CAUSES, LEFT_BY_CAUSES
from halfthou.causes.network import Network, information, weigh
from halfthou.causes.next_look import NextLook, StillOpen, next_looks
from halfthou.causes.sign import CHANCE, Against, SignKind, Strength
from halfthou.causes.signs import SIGNS
from halfthou.causes.weighing import (
    CauseWeighed,
    Evidence,
    SignSeen,
    Weighed,
    Word,
    both_ways,
    in_words,
    known_network,
    network_of,
    proof_of,
    weigh_causes,
)
