"""What has to be looked at and tested once a crank was ground, straightened or hardened."""

from __future__ import annotations

from collections.abc import Container, Mapping

from halfthou.jobs import CrackTest, Hardening, HouseRules, Look, OperationKind, Seen
from halfthou.parts.journals.kind import JOURNAL
from halfthou.parts.journals.limits import JournalLimits
from halfthou.parts.journals.looks import HOT

_HARD = (Hardening.INDUCTION, Hardening.NITRIDED, Hardening.NITROCARBURISED)


def still_unseen(
    seen: Mapping[str, Seen], done: Container[OperationKind], limits: JournalLimits, house: HouseRules
) -> tuple[str, ...]:
    """The looks and tests without which a journal does not go back and that nobody has taken since the work.

    Takes:   what counts of each look; the work that was done on the journal.
    Rule:    looks.after-work: after a grind surface, fillet, edges of the oil holes and, as the house keeps it, a
             crack test; hardness where the sheet names a hardening or the journal was hot; after straightening
             crack test and run-out.   Source: common practice, no source.
    """
    heat = seen.get(Look.HEAT)
    tender = limits.hardening in _HARD or (heat is not None and heat.answer in HOT)
    left_out = set()
    if not tender and OperationKind.HEAT_TREAT not in done:
        left_out.add(Look.HARDNESS)
    if house.crack_test is CrackTest.HARDENED and not tender and OperationKind.STRAIGHTEN not in done:
        left_out.add(Look.CRACK_TEST)
    return tuple(look for look in JOURNAL.unseen(seen, done) if look not in left_out)
