"""All evidence looks by their lasting ids, and which of them tell of a sign."""

from __future__ import annotations

from halfthou.causes.engine_looks import BEARING_LOOKS, DRIVE_LOOKS, TOP_LOOKS
from halfthou.causes.look import EvidenceLook
from halfthou.causes.supply_looks import FILTER_LOOKS, OIL_LOOKS, SUPPLY_LOOKS

EVIDENCE_LOOKS: dict[str, EvidenceLook] = {
    look.key: look for look in (*OIL_LOOKS, *SUPPLY_LOOKS, *FILTER_LOOKS, *BEARING_LOOKS, *DRIVE_LOOKS, *TOP_LOOKS)
}


def looks_at(sign: str) -> tuple[str, ...]:
    """The looks that can show or clear a sign, the quickest first."""
    return _AT.get(sign, ())


def _by_sign() -> dict[str, tuple[str, ...]]:
    found: dict[str, list[EvidenceLook]] = {}
    for look in EVIDENCE_LOOKS.values():
        for sign in look.signs:
            found.setdefault(sign, []).append(look)
    return {
        sign: tuple(one.key for one in sorted(looks, key=lambda one: one.minutes)) for sign, looks in found.items()
    }


_AT = _by_sign()
