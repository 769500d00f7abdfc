"""What a grinder keeps to besides the sizes: thrust faces, fillets, throws, oil holes, finish, turning."""

from __future__ import annotations

from collections.abc import Iterator, Mapping

from halfthou.amounts import amount_text
from halfthou.jobs import Chamfers, JournalSet, SetLimits
from halfthou.lengths import Notation
from halfthou.parts.journals import SetVerdict
from halfthou.parts.trade import Given

#: The finish asked of a journal where the sheet says nothing. Source: docs/trade: Finish, from memory:
#: bearing-maker guides, 15 µin, better 10.
USUAL_FINISH = "Ra 0.25 µm (10 µin), 0.38 µm (15 µin) at most, by the usual guides: the sheet says nothing"


def kept(given: Given, sets: Mapping[JournalSet, SetVerdict], say: Notation) -> Iterator[tuple[str, str]]:
    """Each with what is asked, in the order a grinder needs it.

    Rule:    crank.card.
    """
    layout, limits = given.engine.layout, given.job.limits.sets
    thrust = layout.thrust_main
    if thrust is not None and JournalSet.MAINS in sets:
        name = given.engine.short(thrust)
        yield "Thrust faces", f"at {name}: clean them up only as far as needed; end float is read again"
    for one in sets:
        yield f"Fillets, {_called(one)}", _fillets(limits[one], say)
    if JournalSet.RODS in sets:
        yield "Stroke and index", _throws(limits[JournalSet.RODS], given, say, follow=sets[JournalSet.RODS].follows)
    every = given.job.house_rules.chamfers is Chamfers.EVERY
    yield (
        "Oil holes",
        ", ".join(
            (
                "chamfer all again after grinding" if every else "chamfer where an edge is sharp",
                *(f"{_called(one)} at {degrees}°" for one in sets if (degrees := limits[one].made.get("oil hole"))),
            )
        ),
    )
    yield "Finish", "; ".join(dict.fromkeys(_finish(limits[one]) for one in sets))
    way = layout.rotation
    yield (
        "Which way",
        f"turns {way.value} seen from the front: grind against it, polish with it, so that the burr lies down",
    )


def _called(one: JournalSet) -> str:
    return "mains" if one is JournalSet.MAINS else "rod journals"


def _fillets(limits: SetLimits, say: Notation) -> str:
    band = limits.band("fillet")
    if band is not None:
        return (
            f"{say.at_least(band.least)} to {say.at_most(band.most)}, no undercut line; gauge them before and after"
        )
    return "not on the sheet: gauge them before and after, and grind them as they are"


def _throws(limits: SetLimits, given: Given, say: Notation, *, follow: bool) -> str:
    band, index = limits.band("half_stroke"), limits.amount("index")
    parts = []
    if band is not None:
        parts.append(f"half the stroke {say.at_least(band.least)} to {say.at_most(band.most)}")
    if index is not None and index.most is not None:
        parts.append(f"index within {amount_text(index.quantity, index.most)} of its place")
    if follow:
        return "; ".join((*parts, "set each throw up where the bend left it, not by the mains; read both again"))
    where = "keep the axis of every throw" if given.job.house_rules.keep_axis else "move an axis only where said"
    return "; ".join((*parts, where))


def _finish(limits: SetLimits) -> str:
    asked = limits.amount("finish")
    if asked is None or asked.most is None:
        return USUAL_FINISH
    return f"Ra {amount_text(asked.quantity, asked.most)} at most"
