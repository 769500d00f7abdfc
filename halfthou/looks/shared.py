"""Looks that several kinds of part bring: one row each."""

from __future__ import annotations

from halfthou.jobs import Look
from halfthou.looks.look import Answer, LookKind

CRACK_FOUND, PASSED = "crack found", "passed"

CRACK_TEST_LOOK = LookKind(
    Look.CRACK_TEST.value,
    (Answer(PASSED, ends=True), Answer(CRACK_FOUND)),
    ("crank", "block", "journal", "bore", "piston"),
    bench=True,
)
