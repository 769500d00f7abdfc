"""What of an engine is not known and matters: asked when it does, taken as usual until then."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines.description import Description
from halfthou.jobs import Document, RodsOnPin, ThrustBy


class AskedOfEngine(Document):
    """Something nobody has said of an engine: the field of the description, the question, and what it is taken for
    until somebody answers."""

    field: str
    question: str
    taken_for: str


def asked_of(engine: Description) -> tuple[AskedOfEngine, ...]:
    """What is not known of an engine and changes its places or its strip.

    Rule:    engine.not-known.
    """
    if not engine.described:
        usual = "an engine with push rods and main caps, as it stood before"
        return (AskedOfEngine(field="built", question="How is this engine built?", taken_for=usual),)
    return tuple(_asked(engine))


_ALWAYS = {
    "valve_gear": "Where are the valves, and what opens them?",
    "mains_in": "What holds the crank?",
    "heads": "How are the heads parted?",
    "cylinders_in": "Are the bores in the block or in barrels?",
    "crank": "Is the crank in one piece, or built up on rollers?",
    "pump_at": "Where is the oil pump?",
}


def _asked(engine: Description) -> Iterator[AskedOfEngine]:
    said, built = engine.said, engine.built
    for field, question in _ALWAYS.items():
        if getattr(said, field) is None:
            yield AskedOfEngine(field=field, question=question, taken_for=_word(getattr(built, field)))
    if not engine.ports:
        for field, question in (
            ("inlets", "How many inlet valves has a cylinder?"),
            ("exhausts", "How many exhaust valves has a cylinder?"),
            ("driven_by", "What drives the cams?"),
        ):
            if getattr(said, field) is None:
                yield AskedOfEngine(field=field, question=question, taken_for=_word(getattr(built, field)))
    if engine.overhead:
        if said.cams_each is None:
            yield AskedOfEngine(field="cams_each", question="One cam over a head, or two?", taken_for="one")
        if said.cams_cover is None:
            yield AskedOfEngine(
                field="cams_cover",
                question="Do the cams lie over the head's bolts?",
                taken_for="yes: cams come first",
            )
        if said.clears is None:
            yield AskedOfEngine(
                field="clears",
                question="Do the valves clear the pistons with the drive off, by the maker's word?",
                taken_for="no: nothing turns until the head is off",
            )
    if not engine.barrels and said.liners is None:
        yield AskedOfEngine(field="liners", question="Liners: none, dry or wet?", taken_for="none that come out")
    if said.rods_on_pin is None and any(len(pin.cylinders) > 1 for pin in engine.layout.pins):
        word = RodsOnPin.BESIDE.value
        yield AskedOfEngine(field="rods_on_pin", question="How do two rods lie on one pin?", taken_for=word)
    if engine.layout.thrust_by is ThrustBy.WASHERS and said.washers is None:
        yield AskedOfEngine(field="washers", question="Two thrust washers, or four?", taken_for="four")


def _word(value: object) -> str:
    return str(getattr(value, "value", value))


def not_judged(engine: Description) -> tuple[str, ...]:
    """What of an engine is described, stripped and laid out, and not judged yet: each with who judges it.

    Rule:    engine.not-judged.
    """
    found = []
    if engine.rollers:
        found.append(
            "Roller bearings and the crank built up on them are not judged yet: refer them to a specialist with a "
            "press and a fixture."
        )
    if engine.built.two_stroke or engine.ports:
        found.append(
            "Ports, their edges and the rings that run over them are not judged yet: refer them to the maker's "
            "limits and a shop that knows two-strokes."
        )
    if engine.tunnel and not engine.rollers:
        found.append("Carriers of a tunnel are not judged yet: refer their fit to the maker's limits.")
    return tuple(found)
