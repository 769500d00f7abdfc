"""The boring card: one page for the machine, bore by bore, and how what came of it stands to it."""

from __future__ import annotations

from halfthou.engines import Engine
from halfthou.jobs import Document
from halfthou.lengths import Length, Notation, Unit
from halfthou.parts.bores.bore_words import over
from halfthou.parts.bores.cylinder import displacement_words, travel_each_turn
from halfthou.parts.bores.oversize import BoreSet
from halfthou.verdicts import Action, Called, FigureKey
from halfthou.words import Caution, cautions_for

#: Order on the card. Source: docs/trade: The order of boring, common practice.
ORDER = (
    "crack test and pressure test",
    "line hone, where it is due",
    "deck surfaced or studs fitted, where they are due",
    "plate on with the gasket and fasteners of the engine, main caps torqued",
    "bore",
    "chamfer",
    "hone",
    "wash",
    "let it cool",
    "measure, with the plate still on",
)
PLATE_OFF = "main caps torqued; no plate, by the house rule"


class BoringLine(Document):
    """One bore on the card: what it is now, what to bore and hone it to, what comes off, and what came of it."""

    bore: str
    greatest: str
    bore_to: str
    hone_to: str
    stock: str
    hit: str
    notes: str


class BoringCard(Document):
    """The boring card. Sizes are in the unit of the job; stock is on diameter."""

    headline: str
    unit: Unit
    oversize: str
    lines: tuple[BoringLine, ...]
    order: tuple[str, ...]
    finish: str
    hatch: str
    displacement: str
    to_its_piston: str
    cautions: tuple[Caution, ...]


def boring_card(decided: BoreSet, engine: Engine, say: Notation) -> BoringCard | None:
    """The card for the machine; None where nothing is bored and nothing was.

    Rule:    bores.card.   Source: docs/trade: The order of boring.
    """
    step = decided.oversize if decided.action is Action.REBORE else _bored_to(decided)
    if step is None or decided.so_far:
        return None
    made, house = decided.limits.limits.made, decided.house
    order = ORDER if house.torque_plate else tuple(PLATE_OFF if "plate on" in one else one for one in ORDER)
    angle, stroke = made.get("hatch angle", ""), decided.limits.figure("stroke")
    bore = decided.limits.size.least + step
    return BoringCard(
        headline=f"Bore and hone, {over(step, say)}",
        unit=say.unit,
        oversize=over(step, say),
        lines=tuple(_line(decided, bore, engine, say) for bore in decided.verdicts),
        order=order if house.torque_plate else tuple(one.replace(", with the plate still on", "") for one in order),
        finish=made.get("finish", "") or "as the ring maker asks",
        hatch=_hatch(decided, angle, step, say) if angle else "",
        displacement="" if stroke is None else displacement_words(bore, stroke.value, len(decided.verdicts), say),
        to_its_piston="Each bore is finished to its own piston plus the clearance, when the pistons are in hand.",
        cautions=cautions_for(Action.REBORE, block=True),
    )


def _hatch(decided: BoreSet, angle: str, step: Length, say: Notation) -> str:
    travel = travel_each_turn(decided.limits.size.least + step, float(angle))
    return (
        f"{angle}° included between the lines, {float(angle) / 2:g}° from square to the bore: "
        f"{say.text(travel)} along for each turn"
    )


def _bored_to(decided: BoreSet) -> Length | None:
    found = [v.case.bored.step for v in decided.verdicts.values() if v.case.bored is not None]
    return found[0] if found else None


def _line(decided: BoreSet, bore: str, engine: Engine, say: Notation) -> BoringLine:
    verdict = decided.verdicts[bore]
    case, form = verdict.case, verdict.case.survey.form
    bored = case.bored.step if case.bored is not None else None
    step = decided.oversize if decided.action_of(bore) is Action.REBORE else bored
    name, greatest = engine.parts[bore].name, say.text(form.size_found) if form else ""
    if step is None:
        return BoringLine(
            bore=name, greatest=greatest, bore_to="", hone_to="", stock="", hit="", notes="stays as it is"
        )
    size, stock = decided.limits.size, decided.limits.hone_stock(decided.house)
    least, most = size.least + step, size.most + step
    off = "" if form is None or bored is not None else say.text(most - form.least.value)
    return BoringLine(
        bore=name,
        greatest=greatest,
        bore_to=f"{say.at_least(least - stock)} to {say.at_most(most - stock)}",
        hone_to=f"{say.at_least(least)} to {say.at_most(most)}",
        stock=off,
        hit=_hit(decided, bore, say),
        notes="",
    )


def _hit(decided: BoreSet, bore: str, say: Notation) -> str:
    """Whether the bore came out as on the card, and by how much it missed."""
    verdict = decided.verdicts[bore]
    found = [f for f in verdict.findings if f.key in (FigureKey.FINISHED_LEAST, FigureKey.FINISHED_MOST)]
    if not found or not verdict.case.survey.whole:
        return ""
    worst = min(found, key=lambda finding: finding.to_spare.nm)
    if worst.called is Called.BEYOND:
        return f"missed by {say.text(-worst.to_spare)}"
    return "hit" if worst.called is Called.WITHIN else "too close to call"


def boring_card_csv(card: BoringCard) -> list[list[str]]:
    """The card as rows of a table, its header first; the unit stands in the header."""
    unit = card.unit.value
    head = [
        "bore",
        f"greatest [{unit}]",
        f"bore to [{unit}]",
        f"hone to [{unit}]",
        f"stock [{unit}]",
        "came out",
        "notes",
    ]
    return [
        head,
        *([one.bore, one.greatest, one.bore_to, one.hone_to, one.stock, one.hit, one.notes] for one in card.lines),
    ]
