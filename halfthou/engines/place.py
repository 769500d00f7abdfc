"""Places: everything that has a place in an engine, by one id, whoever speaks of it. Gauge, strip, evidence, marks,
trays and pictures know a part by the place it came in."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace


@dataclass(frozen=True, slots=True)
class Place:
    """A place in an engine, and the part that came in it: its name in files, the kind it is of, the set it is
    decided with ("" where it is not measured), and how it is called.

    `beside` is the part it lies with: a bearing and its halves lie with their journal. `rests_on` is the part whose
    work makes its readings stale too: a ring's gap is read in its bore. A `spare` did not come in the engine: where
    it lies, facts tell. What comes off in the strip says `how` it is marked and with which `mark`; `pair` is the
    place whose number must agree with its own. `cylinder` is the one it is of, 0 where it is of none.
    """

    id: str
    kind: str
    set: str
    name: str
    short: str
    beside: str = ""
    rests_on: str = ""
    spare: bool = False
    mark: str = ""
    how: str = ""
    pair: str = ""
    cylinder: int = 0


STRUCK = "Number punches or an etcher, both halves on one side; arrow to the front. Never near a fillet."
CAP = "Punch or etcher on the cap's flat, arrow to the front; the block's rail beside it bears the same."
WRITTEN = "Felt pen on the back, towards the parting edge. Never punched."
CROWN = "Felt pen or paint on the crown, arrow to the front; the valve pocket is no sure sign."
WASHER = "Felt pen on its steel back. Its grooves face the crank. Never punched."
BAGGED = "Not marked: its bag bears the label."


def merged(here: tuple[Place, ...], measured: Mapping[str, Place]) -> dict[str, Place]:
    """One catalogue of what has a place and of what is measured: what is both is one."""
    found = {
        one.id: replace(measured[one.id], mark=one.mark, how=one.how, pair=one.pair) if one.id in measured else one
        for one in here
    }
    return {**found, **{key: one for key, one in measured.items() if key not in found}}


#: Kinds that must bear their mark before they leave their place. Source: common practice, no source.
MARKED_FIRST = frozenset(
    {"rod", "rod cap", "main cap", "half bearing", "piston", "barrel", "liner", "main carrier", "balance shaft"}
)
