"""What metal went through: a list to wash, renew or check, and parts that carry it into another engine.

Rule:    evidence.contaminated.   Source: docs/trade: What metal went through, common practice.
"""

from __future__ import annotations

from collections.abc import Iterator
from typing import NamedTuple

from halfthou.door import CARRIED, said_of
from halfthou.evidence.bearing_map import BearingMap
from halfthou.evidence.oil_way import EXTRAS, OilWay, oil_way_of
from halfthou.evidence.sighted import Sightings
from halfthou.jobs import Dealt, DealtHow, Document, Job, PumpAfterMetal
from halfthou.looks import METAL_SIGNS
from halfthou.words import Reason

_RULE = "evidence.contaminated"


class Handled(NamedTuple):
    """What is done with a part that metal went through: the words, what settles it, and why it is on the list."""

    operation: str
    settles: tuple[DealtHow, ...]
    danger: str = ""


_ANY = tuple(DealtHow)
_WASH = (DealtHow.WASHED, DealtHow.RENEWED)
_NEW = (DealtHow.RENEWED,)
#: By station of the oil's way: the operation. Source: docs/trade: What metal went through.
_HANDLED: dict[str, Handled] = {
    "pan": Handled("Wash pan and baffles", _WASH),
    "screen": Handled("Wash, hold to the light; renew where a strand holds metal", _WASH),
    "pickup": Handled("Wash the tube through, new seal", _WASH),
    "relief": Handled("Take apart, wash, plunger free, spring measured", _WASH),
    "cooler": Handled("Renew; or flush both ways and prove it", _ANY, "It cannot be seen into."),
    "filter": Handled("New filter; wash its head", _NEW),
    "bypass": Handled("Take apart and wash, seat checked", (DealtHow.WASHED, DealtHow.RENEWED, DealtHow.CHECKED)),
    "gallery": Handled("Plugs out, brush through, wash, blow dry, look in with a light", _WASH),
    "drillings": Handled("Brush every drilling of the crank, plugs out where it has them", _WASH),
    "squirters": Handled("Take out, wash, blow through; renew where the ball sticks", _ANY),
    "cam": Handled("Wash, oil ways through", _ANY),
    "followers": Handled("Renew, or take each apart and wash", _ANY),
    "rockers": Handled("Shafts and oil ways washed through", _ANY),
    "turbo": Handled("Renew or have it opened: its bearings ran in that oil", _ANY),
    "tensioner": Handled("Renew", _NEW),
    "phasers": Handled("Renew, or take apart and wash", _ANY),
    "balance shafts": Handled("Bearings looked at, oil ways washed", _ANY),
    "tank": Handled("Tank and every line renewed or washed through and proved", _ANY),
}
#: What nobody has said the engine has is not named: it is asked for, once.
_UNSAID = Handled(
    "Say under The oil's way whether it has a cooler, turbo, squirters, tensioner",
    (DealtHow.CHECKED,),
    "Metal stays in what nobody thinks of.",
)


class Contaminated(Document):
    """A part that metal went through: the operation, and what was done. `open` until then. `from_job` names the
    engine it came out of, where it was carried over."""

    key: str
    name: str
    operation: str
    danger: str
    settled_by: tuple[DealtHow, ...]
    done: str
    fact: str
    open: bool
    from_job: str = ""


def metal_in(sightings: Sightings, signs: frozenset[str]) -> tuple[str, ...]:
    """What gave off metal, in words; nothing where nothing is known to have."""
    bearings = BearingMap(sightings)
    found = [bearings.called(bearing) for bearing in bearings.gone]
    return tuple(found) or tuple(words for sign, words in zip(METAL_SIGNS, _METAL, strict=True) if sign in signs)


_METAL = ("bearing metal", "metal in filter or pan", "steel curls")


def contaminated(job: Job, sightings: Sightings, signs: frozenset[str]) -> tuple[Contaminated, ...]:
    """What metal went through in this engine, and what came to it out of another.

    Metal that a bearing sheds falls into the pan and is drawn in again: everything the oil reaches from there is
    on the list.
    """
    done = {one.item: one for one in job.standing(job.dealt)}
    way = oil_way_of(job)
    own = tuple(_own(job, way, done)) if metal_in(sightings, signs) else ()
    return (*own, *_carried(job, done))


def _own(job: Job, way: OilWay, done: dict[str, Dealt]) -> Iterator[Contaminated]:
    reached = {"pan", *way.below["pan"]}
    for key, station in way.stations.items():
        if key == "pump" and key in reached:
            new = job.house_rules.pump_after_metal is PumpAfterMetal.NEW
            words = "New pump, by the house rule" if new else "Flush, measure; a new one unless all is within"
            handled = Handled(words, _NEW if new else (DealtHow.RENEWED, DealtHow.CHECKED))
            yield _item(key, station.name, handled, done)
        elif key in _HANDLED and key in reached:
            yield _item(key, station.name, _HANDLED[key], done)
    yield _item("drillings", "Drillings of the crank", _HANDLED["drillings"], done)
    if way.said is None:
        yield _item("way", "What else hangs on the oil's way", _UNSAID, done)


def _item(key: str, name: str, handled: Handled, done: dict[str, Dealt], from_job: str = "") -> Contaminated:
    one = done.get(key)
    settled = one is not None and one.how in handled.settles
    said = "" if one is None else f"{one.how.value}{f': {one.words}' if one.words else ''} ({one.by})"
    return Contaminated(
        key=key,
        name=name,
        operation=handled.operation,
        danger=handled.danger,
        settled_by=handled.settles,
        done=said,
        fact="" if one is None else one.id,
        open=not settled,
        from_job=from_job,
    )


def _carried(job: Job, done: dict[str, Dealt]) -> Iterator[Contaminated]:
    """Parts that came out of another engine: suspects by rule, with metal or without."""
    for told in said_of(job, CARRIED):
        if told.answer not in _NOTHING_CARRIED:
            handled = Handled("Carried over from an engine before: look at it and prove it clean", _ANY)
            name = told.answer[0].upper() + told.answer[1:]
            yield _item(f"said.{told.id}"[:200], name, handled, done, told.source or "an engine before")
    for part in job.standing(job.carried_parts):
        if part.out:
            continue
        words = "Renew it, or wash it through and prove it" if part.with_metal else "Look at it and prove it clean"
        settles = _WASH if part.with_metal else _ANY
        danger = f"{part.with_metal} went through it in job {part.other}." if part.with_metal else ""
        yield _item(f"carried.{part.id}"[:200], part.what, Handled(words, settles, danger), done, part.other)


#: Answers at the door that carry nothing over.
_NOTHING_CARRIED = frozenset({"none", "not known"})


def contamination_notices(job: Job, listed: tuple[Contaminated, ...]) -> Iterator[Reason]:
    """What has to be said to bench and rack: parts from another engine with metal in them, and parts that left."""
    for one in listed:
        if one.from_job and one.open and one.danger:
            text = f"{one.name} came out of job {one.from_job}: {one.danger} {one.operation} before it is fitted."
            yield Reason(rule=_RULE, text=text)
    for part in job.standing(job.carried_parts):
        if part.out and part.with_metal:
            text = (
                f"{part.what} left for job {part.other}: {part.with_metal} went through it, and that job says so."
            )
            yield Reason(rule=_RULE, text=text)


def flag_of(job: Job, sightings: Sightings, signs: frozenset[str], item: str) -> str:
    """What went through a part that leaves for another engine: the flag it takes along; "" where nothing did, or
    where it was dealt with here."""
    metal = metal_in(sightings, signs)
    listed = {one.key: one for one in contaminated(job, sightings, signs)}
    keys = {EXTRAS.get(key, one.name).casefold(): key for key, one in listed.items()}
    keys |= {one.name.casefold(): key for key, one in listed.items()}
    one = listed.get(keys.get(item.casefold(), item))
    if one is not None and not one.open:
        return ""
    carried = [one.danger for one in listed.values() if one.from_job and one.name.casefold() == item.casefold()]
    return f"metal of {', '.join(metal[:3])}" if metal else (carried[0] if carried else "")
