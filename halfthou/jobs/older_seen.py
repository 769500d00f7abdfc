"""What was seen, as older versions wrote it down: three kinds of fact, with names of their own for one and the same
look. Read for ever; written no more."""

from __future__ import annotations

from typing import Any

from halfthou.jobs.fact import OlderKind
from halfthou.jobs.seen import AMOUNT_ONLY, ENGINE, FOUND

Data = dict[str, Any]

#: By the older name of a look, of the board or of the bench: its present one.
RENAMED = {
    "shell": "seat",
    "rod heat": "colour of the rod",
    "run-out": "straightness",
    "skirt": "skirts",
    "pickup seal": "seal at the pickup",
    "pump inside": "inside",
    "pump body": "pump housing",
    "pump gears": "gears or rotors",
    "relief": "relief valve",
}
#: By the present name of a look and an older answer: the present one.
_ANSWERS = {
    ("screen", "clean"): "clear",
    ("seal at the pickup", "fat and tight, tube sound"): "as the new one",
    ("seal at the pickup", "thin"): "too thin",
    ("seal at the pickup", "wrong section"): "wrong kind",
    ("inside", "dry inside"): "dry",
    ("pump housing", "scored"): "scored, nail runs clear",
    ("drive", "whole"): "sound",
    ("drive", "tang broken"): "broken or rounded off",
    ("relief valve", "free and clean"): "falls by its own weight",
    ("relief valve", "chip under it"): "chip in it",
    ("colour of the rod", "none"): "no colour",
    ("straightness", "beyond"): "bent",
    ("skirts", "scuffed on one side"): "scuffed on one skirt",
    ("skirts", "scuffed on both sides"): "scuffed on both skirts",
    ("skirts", "at four points or all round"): "scuffed at four corners",
    ("lands", "whole"): "sound",
    ("bore wall", "hatch seen"): "cross-hatch seen",
    ("bore wall", "rust or water line"): "rust or pitted",
}
#: What the board asked of the engine, and is now asked of one part of it.
_OF_A_PART = {
    **dict.fromkeys(
        ("screen", "seal at the pickup", "inside", "pump housing", "gears or rotors", "pump turns", "drive",
         "relief valve"), "pump",
    ),
    "straightness": "crank",
}  # fmt: skip


def look_of(key: str) -> str:
    """The present name of a look by one that it had."""
    return RENAMED.get(key, key)


def from_observation(one: Data) -> Data:
    """What was seen at the bench, by a version that kept it apart."""
    on, look = one.get("on"), one.get("look")
    if look == "surface" and isinstance(on, str) and on.startswith("bore"):
        look = "bore wall"
    return _renamed({"amount" if name == "depth" else name: value for name, value in one.items()}, look)


def from_sighting(one: Data) -> Data:
    """What was seen on the board, by a version that kept it apart."""
    on, look = one.get("on"), one.get("look")
    if look == "pressure test" and on == ENGINE:
        return {**one, "look": "coolant test"}
    if look == "bore wall" and isinstance(on, str):
        on = on.replace("piston-", "bore-")
        if one.get("answer") == "wet with oil":
            look = "oil on the wall"
    found = _renamed({**one, "on": on}, look)
    return {**found, "on": _OF_A_PART.get(found["look"], on)} if on == ENGINE else found


def from_look_taken(one: Data) -> Data:
    """A look of the house's order, by a version that kept it apart: on the engine, with what came of it."""
    found = one.get("found")
    ends = found == "can end the job"
    kept = {name: value for name, value in one.items() if name not in ("found", "words")}
    more: Data = {"ends": True} if ends else {}
    return {**kept, **more, "on": ENGINE, "answer": FOUND if ends else found, "note": one.get("words", "")}


def _renamed(one: Data, look: Any) -> Data:
    if not isinstance(look, str):
        return one
    look, answer = look_of(look), one.get("answer")
    given = answer if isinstance(answer, str) else ""
    if one.get("amount") is not None and look == "deposit line":
        given = AMOUNT_ONLY
    return {**one, "look": look, "answer": _ANSWERS.get((look, given), answer)}


#: The kinds of fact that what was seen was of before.
OLDER_SEEN = (
    OlderKind("observation", "observations", from_observation),
    OlderKind("look", "looks_taken", from_look_taken),
    OlderKind("sighting", "sightings", from_sighting),
)
