"""Causes: what each leaves behind, how they are weighed, and which look comes next."""

from halfthou.causes.cause import Cause, Often
from halfthou.causes.known import CAUSES, LEFT_BY_CAUSES
from halfthou.causes.network import Network, Posterior, information, sets_of, weigh
from halfthou.causes.next_look import NextLook, StillOpen, next_looks
from halfthou.causes.sign import CHANCE, FALLS, Against, Sign, SignKind, Strength
from halfthou.causes.signs import EXCLUSIVE, SIGNS
from halfthou.causes.weighing import (
    CauseWeighed,
    Evidence,
    SignSeen,
    Weighed,
    Word,
    in_words,
    known_network,
    network_of,
    proof_of,
    weigh_causes,
)

__all__ = [
    "CAUSES",
    "CHANCE",
    "EXCLUSIVE",
    "FALLS",
    "LEFT_BY_CAUSES",
    "SIGNS",
    "Against",
    "Cause",
    "CauseWeighed",
    "Evidence",
    "Network",
    "NextLook",
    "Often",
    "Posterior",
    "Sign",
    "SignKind",
    "SignSeen",
    "StillOpen",
    "Strength",
    "Weighed",
    "Word",
    "in_words",
    "information",
    "known_network",
    "network_of",
    "next_looks",
    "proof_of",
    "sets_of",
    "weigh",
    "weigh_causes",
]
