"""Facts as a bench reports them, of every kind that there is, well formed and not."""

from __future__ import annotations

from typing import Any

from halfthou.jobs import FACT_KINDS
from workshop.jobs.actions.door import way_of

#: A fact of door and strip of every kind, well formed and not.
BEFORE_THE_BENCH: list[tuple[str, dict[str, Any]]] = [
    ("statement", {"topic": "turns by hand", "answer": "locked"}),
    ("statement", {"topic": "hours", "answer": "6,210 h", "source": "meter"}),
    ("statement", {"topic": "inside is", "answer": "Other 6", "verified": True}),
    ("statement", {"topic": "oil sample", "answer": "drawn, at the lab"}),
    ("statement", {"topic": "complaint kind", "answer": "nonsense"}),
    ("look", {"look": "filter", "found": "found", "words": "metal"}),
    ("seen", {"look": "heads", "answer": "found", "ends": True, "note": "cracked"}),
    ("seen", {"look": "screen", "answer": "looked, nothing", "cleaned": True}),
    ("stop point", {"name": "at 100", "spend": "100"}),
    ("stop point", {"name": "before heads", "before": "heads"}),
    ("way on", {"point": "", "on": True, "reason": "customer said so"}),
    ("step", {"step": "wash.pan", "unseen": True, "there": True}),
    ("step", {"step": "cap-rod-1.off", "mark": True, "felt": ["step at the joint"]}),
    ("step", {"step": "gallery-plugs.out", "there": True}),
    ("step", {"step": "rod-9.out"}),
    ("mark", {"part": "rod-2", "mark": "2", "found": True}),
    ("mark", {"part": "cap-rod-2", "mark": "4", "found": True}),
    ("mark", {"part": "cap-main-1", "mark": "M1", "found": True}),
    ("laying", {"part": "rod-2", "pocket": "tray 1"}),
    ("removal", {"what": "dip tube", "place": "block"}),
    ("fastener", {"place": "head", "kind": "stretch bolt", "new_length": "2.25", "length": "2.26"}),
    ("fastener", {"place": "housing", "state": "hole found empty"}),
    ("fragment", {"place": "pan", "what": "chip", "magnetic": False}),
    ("closing", {"of": "", "how": "renewed"}),
    ("closing", {"of": "", "how": "known where it came from", "words": "the pump"}),
    ("hand over", {"to": "driver", "words": "as it is"}),
    ("sighting", {"on": "half-rod-1-upper", "look": "overlay", "answer": "copper through"}),
    ("seen", {"on": "half-rod-1-upper", "look": "overlay", "answer": "as new"}),
    ("seen", {"on": "half-rod-2-lower", "look": "seat", "answer": "turned in its housing"}),
    ("seen", {"on": "half-rod-2-lower", "look": "wear", "answer": "centre", "arc": [40, 120]}),
    ("sighting", {"on": "rod-3", "look": "rod heat", "answer": "blue"}),
    ("sighting", {"on": "engine", "look": "screen", "answer": "blocked", "cleaned": True}),
    ("seen", {"on": "pump", "look": "screen", "answer": "clear"}),
    ("seen", {"on": "piston-2", "look": "deposit line", "answer": "measured", "amount": "0.24 in"}),
    ("seen", {"on": "piston-40", "look": "skirts", "answer": "clean"}),
    (
        "oil report",
        {"sample": "1", "drawn": "hot and running", "figures": [{"key": "fuel", "value": "0,4", "unit": "%"}]},
    ),
    (
        "oil report",
        {"sample": "1", "drawn": "not said", "figures": [{"key": "iron", "value": "many", "unit": "drops"}]},
    ),
    ("oil way", {"from_rear": True, "feeds": {"R1": ["M1", "M2"]}, "extras": ["turbo", "cooler"]}),
    ("mistrust", {"of": "", "reason": "not this engine's"}),
    ("cause", {"stand": "settled on", "cause": "supply.screen", "reason": "seen"}),
    ("cause", {"stand": "left open", "reason": "no proof"}),
    ("remedy", {"cause": "supply.screen", "words": "new pickup"}),
    ("dealt", {"item": "pan", "how": "washed"}),
    ("carried part", {"what": "Oil cooler", "out": False, "other": "a barge", "with_metal": "copper"}),
    ("report", {"words": "first look"}),
]

#: A fact of the bench of every kind.
AT_THE_BENCH: list[tuple[str, dict[str, Any]]] = [
    ("reading", {"part": "M1", "spot": "1a", "typed": "73.651", "unit": "mm"}),
    ("reading", {"part": "R1", "spot": "1a", "typed": "7", "unit": "mm"}),
    ("observation", {"on": "R1", "look": "surface", "answer": "light marks"}),
    ("operation", {"kind": "polish", "on": "rods", "sure": True}),
    ("slip answer", {"reading": "not there", "taken_nm": None}),
    ("extension", {"sets": ["pump"]}),
    ("narrowing", {"sets": ["bores"], "reason": "the block goes to another shop"}),
    ("piece", {"part": "piston-new-1", "kind": "piston", "new": True}),
    ("fitting", {"piece": "piston-new-1", "place": "piston-2"}),
    ("use", {"use": "marine"}),
    ("withdrawal", {"of": "not there"}),
]
EVERY_KIND = [*AT_THE_BENCH, *BEFORE_THE_BENCH]
#: What the one door takes.
TAKEN = frozenset(kind for kind in FACT_KINDS if way_of(kind) is not None)
