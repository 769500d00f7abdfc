"""Looks that several kinds of part bring: one row each."""

from __future__ import annotations

from halfthou.jobs import Look
from halfthou.looks.effect import Does, Effect
from halfthou.looks.look import GOOD, Answer, LookKind

CRACK_FOUND, PASSED = "crack found", "passed"
_R = Does.REJECTS

#: What may have bent or cracked the crank: nothing of it goes back until it is indicated and crack-tested.
CRANK_SUSPECT = Effect(Does.SUSPECTS, "sets.one-crank", on="crank")

CRACK_TEST_LOOK = LookKind(
    Look.CRACK_TEST.value,
    (
        Answer(PASSED, does=GOOD, ends=True),
        Answer(
            CRACK_FOUND,
            does=(
                Effect(_R, "verdicts.journal.crack", "Crack found. The crank is not used again.", of=("journal",)),
                Effect(
                    Does.REFERS,
                    "bores.crack",
                    "Crack found: refer the block. Nothing is bored before somebody who may says so.",
                    of=("bore",),
                ),
                Effect(_R, "pistons.eye", "Crack found: rejected.", of=("piston",)),
            ),
        ),
    ),
    ("crank", "block", "journal", "bore", "piston"),
    bench=True,
    test=True,
)
