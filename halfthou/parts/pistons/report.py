"""What is said of pistons as documents: each piece, and all of them together with their map."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.amounts import Quantity, amount_text
from halfthou.engines import Engine
from halfthou.jobs import Decision, Waived
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.fit import SKIRT
from halfthou.parts.pieces import MARK_OF, Note, PieceVerdict, Said, note_words, piece_report
from halfthou.parts.pistons.alike import weights_apart
from halfthou.parts.pistons.kind import PISTON, SET
from halfthou.parts.pistons.looks import CLIPS, FRONT, LOOKS, VALVES
from halfthou.parts.pistons.together import PistonSet
from halfthou.parts.pistons.words import TELLS, still_of_piston
from halfthou.report import PartReport, SetReport, SpotAsked, TableShown, ToOrder
from halfthou.verdicts import MARKS, Action, Called, MarkCode, Open
from halfthou.words import Reason, cautions_of_piece, of_so_many, step_words

_DONE = {FRONT: "yes", CLIPS: "seated", VALVES: "checked"}
_ASKED = {
    FRONT: "Mark to the front",
    CLIPS: "Lock clips seated, gap up or down",
    VALVES: "Valve and deck clearance, after an oversize or an exchange",
}


def piston_report(found: PistonSet, piece: str, engine: Engine, say: Notation) -> PartReport:
    """Everything said of one piston, in the unit of the job."""
    verdict = found.verdicts[piece]
    action = found.action_of(piece)
    skirt = verdict.case.piece[SKIRT].sizes
    more = list(found.notes.get(piece, ()))
    if found.goes(piece) and found.bored_to is not None and not verdict.scrap:
        more.append(Note("bored", (step_words(found.bored_to, say, "over"),)))
    said = Said(
        action=action,
        tells=TELLS,
        looks=tuple(look.key for look in LOOKS),
        under=_under(found, verdict),
        size_words=say.text(next(iter(skirt.values()))) if skirt else "",
        clearance=_clearance(found, verdict, say),
        still=tuple(still_of_piston(verdict)) if verdict.case.placed else (),
        more=tuple(more),
    )
    report = piece_report(verdict, said, engine, say)
    asked = Open.PISTON in verdict.opens and verdict.case.placed and not verdict.scrap
    waits = (Waived.CLEARANCE,) if asked else ()
    return report.model_copy(update={"present_words": _step(found, piece, say), "waits": waits})


def _step(found: PistonSet, piece: str, say: Notation) -> str:
    return step_words(found.steps[piece], say, "over")


def _under(found: PistonSet, verdict: PieceVerdict) -> str:
    if found.decision is not None and verdict.case.placed:
        return f"decided by {found.decision.by}"
    if verdict.judged.by_eye is Action.REPLACE:
        return "rejected by eye"
    if found.goes(verdict.case.piece.part.id):
        return "its bore goes to another size"
    if Open.FORM in verdict.opens:
        return "read its skirt again, at the gauge point"
    left = len(verdict.to_read)
    if verdict.action is Action.MEASURE and left:
        return f"{left} {'reading' if left == 1 else 'readings'} to go"
    return ""


def _clearance(found: PistonSet, verdict: PieceVerdict, say: Notation) -> str:
    pair = next((one for one in found.pair_of.values() if one.piece == verdict.case.piece.part.id), None)
    if pair is not None and pair.hone_to is not None:
        return f"hone its bore to {say.text(pair.hone_to)} for {say.text(pair.clearance)}"
    tight, loose = verdict.finding("piston clearance least"), verdict.finding("piston clearance most")
    if tight is not None and loose is not None:
        return f"{say.text(tight.value)} to {say.text(loose.value)}"
    if Open.PISTON in verdict.opens and not verdict.scrap:
        return "not known: read its skirt and its bore whole"
    return ""


def pistons_headline(found: PistonSet, say: Notation) -> str:
    """The decision on the pistons in a few words."""
    action, out = found.action, len(found.out)
    if action is Action.MEASURE:
        return "Measure" if found.awaiting else "Not settled"
    if found.bored_to is not None and action is Action.REPLACE:
        return f"New set, {step_words(found.bored_to, say, 'over')}"
    if action is Action.REPLACE:
        return "Replace the set" if out == found.places else f"Replace {out} of {found.places}"
    return action.value.capitalize()


def pistons_report(found: PistonSet, say: Notation, accepted: Decision | None) -> SetReport:
    """Everything said of the pistons together, in the unit of the job."""
    decision, action = accepted or found.decision, found.action
    order = [
        SpotAsked(v.case.piece.part.id, feature.key, spot)
        for v in found.verdicts.values()
        for feature in PISTON.features
        for spot in feature.spots
    ]
    return SetReport(
        set=SET,
        kind=PISTON.key,
        station=PISTON.station,
        name=PISTON.sets[SET],
        mark=MARKS[_mark(found)],
        action=action,
        headline=pistons_headline(found, say),
        step=None if found.step is None else say.shown(found.step),
        present=say.shown(found.step or ZERO),
        present_words=step_words(found.step, say, "over") if found.step is not None else "mixed",
        mixed=found.step is None,
        complete=not found.so_far,
        finished=not found.so_far and action not in (Action.MEASURE, Action.REFER),
        decided=decision is not None,
        awaiting=found.awaiting,
        can_be_accepted=not found.so_far and action is not Action.MEASURE,
        reasons=tuple(_reasons(found, say)),
        to_order=tuple(_to_order(found, say)),
        reading_order=tuple(order),
        cautions=cautions_of_piece(action, pump=False),
        tables=(_map(found, say), _assembly(found)),
    )


def _mark(found: PistonSet) -> MarkCode:
    if found.action is Action.MEASURE and not found.awaiting:
        return MarkCode.TOO_CLOSE
    return MARK_OF[found.action]


def _reasons(found: PistonSet, say: Notation) -> Iterator[Reason]:
    bad = [v for v in found.placed.values() if v.judged.by_eye is Action.REPLACE]
    if len(bad) == 1 and found.places > 1:
        yield note_words(Note("one", (bad[0].case.place.removeprefix("piston-"),)), TELLS, say)
    elif bad and len(bad) == found.places > 1:
        yield note_words(Note("all"), TELLS, say)
    if found.paired_failed:
        text = "No choice of pistons keeps every clearance within its limits: another size, or other pistons."
        yield Reason(rule="sets.pairing", text=text)
    if found.paired is not None:
        yield from _paired(found, say)
    yield from _weights(found)


def _paired(found: PistonSet, say: Notation) -> Iterator[Reason]:
    pairs = found.pair_of.values()
    moved = [one for one in pairs if found.verdicts[one.piece].case.place != one.place]
    clearances = [one.clearance for one in pairs]
    span = f"{say.text(min(clearances))} to {say.text(max(clearances))}"
    honed = any(one.hone_to is not None for one in pairs)
    if honed:
        text = f"Each bore is honed to its own piston, for {say.text(clearances[0])}."
    elif moved:
        names = ", ".join(
            f"{found.verdicts[one.piece].case.piece.part.short} in bore {one.place[7:]}" for one in moved
        )
        text = f"Paired over the whole set: {names}. Clearances {span}."
    else:
        text = f"Each piston in its own bore: clearances {span}. No other choice is nearer to what is aimed at."
        if found.house.pistons_keep:
            text = f"Each piston in its own bore: clearances {span}."
    yield Reason(rule="sets.pairing", text=text)


def _weights(found: PistonSet) -> Iterator[Reason]:
    """How far apart the weights are, against their limit.

    Rule:    pistons.weight.
    """
    apart = weights_apart(found.verdicts)
    if apart is None:
        return
    light, heavy = (found.verdicts[name].case.piece.part.short for name in (apart.low, apart.high))
    by = amount_text(Quantity.MASS, apart.counts[apart.high] - apart.counts[apart.low])
    text = f"Weights {by} apart: {light} lightest, {heavy} heaviest."
    if apart.finding is not None:
        text = f"{text} {_STANDS[apart.finding.called].format(amount_text(Quantity.MASS, apart.finding.limit.nm))}"
    yield Reason(rule="pistons.weight", text=text)


_STANDS = {
    Called.WITHIN: "Within the {0} allowed.",
    Called.BEYOND: "Past the {0} allowed.",
    Called.TOO_CLOSE: "Too close to the {0} allowed to call.",
}


def _map(found: PistonSet, say: Notation) -> TableShown:
    """Which piston goes into which bore, and with what clearance."""
    rows = []
    chosen = found.pair_of
    for cylinder in range(1, found.places + 1):
        place = f"piston-{cylinder}"
        pair, here = chosen.get(place), found.placed.get(place)
        verdict = found.verdicts[pair.piece] if pair is not None else here
        bore = found.bores.verdicts.get(f"bore-{cylinder}") if found.bores is not None else None
        sizes = bore.case.survey.sizes if bore is not None else {}
        skirt = verdict.case.piece[SKIRT].sizes if verdict is not None else {}
        bore_words = say.text(min(sizes.values())) if sizes else ""
        if pair is not None and pair.hone_to is not None:
            bore_words = f"hone to {say.text(pair.hone_to)}"
        rows.append(
            (
                str(cylinder),
                bore_words,
                verdict.case.piece.part.short if verdict is not None else "none",
                say.text(next(iter(skirt.values()))) if skirt else "",
                say.text(pair.clearance) if pair is not None else _own_clearance(verdict, say),
                found.action_of(verdict.case.piece.part.id).value if verdict is not None else "fit one",
            )
        )
    return TableShown(
        key="piston-map",
        title="Piston map",
        columns=("bore", "bore, least", "piston", "piston at its gauge point", "clearance", "what becomes of it"),
        rows=tuple(rows),
        note=_aimed(found, say),
    )


def _aimed(found: PistonSet, say: Notation) -> str:
    limits = found.limits
    if limits is None:
        return ""
    return (
        f"Aimed at {say.text(limits.target)}; allowed {say.at_least(limits.band.least)} to "
        f"{say.at_most(limits.worn.value)}."
    )


def _own_clearance(verdict: PieceVerdict | None, say: Notation) -> str:
    tight = verdict.finding("piston clearance least") if verdict is not None else None
    return say.text(tight.value) if tight is not None else ""


def _assembly(found: PistonSet) -> TableShown:
    """What is checked of every piston at assembly, and of how many it is.

    Rule:    pistons.assembly.   Source: docs/trade: At assembly, common practice.
    """
    rows = []
    for look, words in _ASKED.items():
        done = sum(v.case.answer(look) == _DONE[look] for v in found.placed.values())
        rows.append((words, f"{done} of {found.places}"))
    return TableShown(
        key="piston-assembly", title="Pistons, at assembly", columns=("what", "checked"), rows=tuple(rows)
    )


def _to_order(found: PistonSet, say: Notation) -> Iterator[ToOrder]:
    """Pistons for those that do not go back and that no spare replaces; pins where they are changed.

    Rule:    pistons.to-order. Where the bores are bored their own order has the pistons.
    """
    if found.so_far or found.action in (Action.MEASURE, Action.REFER):
        return
    if found.bored_to is None:
        yield from _new_ones(found, say)
    pins = [
        v.case.piece.part.short
        for v in found.placed.values()
        if found.action_of(v.case.piece.part.id) is Action.REPIN
    ]
    if pins:
        yield _order(of_so_many(len(pins), "gudgeon pin", "gudgeon pins"), pins, None, say)


def _new_ones(found: PistonSet, say: Notation) -> Iterator[ToOrder]:
    """New pistons for the bores that are left without one, by the size their bore stands at."""
    taken = {pair.place for pair in found.pair_of.values()}
    left = {Action.REPLACE, Action.MOVE}
    wanted: dict[Length, list[str]] = {}
    for place, verdict in found.placed.items():
        piece, cylinder = verdict.case.piece.part.id, place.removeprefix("piston-")
        if found.action_of(piece) in left and place not in taken:
            bore = found.bores.verdicts.get(f"bore-{cylinder}") if found.bores is not None else None
            read = bore is not None and bore.case.survey.sizes
            size = bore.case.present if bore is not None and read else found.steps[piece]
            wanted.setdefault(size, []).append(f"Piston {cylinder}")
    for size in sorted(wanted, key=lambda one: one.nm):
        yield _order(of_so_many(len(wanted[size]), "piston", "pistons"), wanted[size], size, say)


def _order(what: str, parts: list[str], size: Length | None, say: Notation) -> ToOrder:
    """So many of what, for which parts; of which size, where it is sold by size."""
    step, words = size or ZERO, "" if size is None else step_words(size, say, "over")
    return ToOrder(
        words=words,
        step=say.shown(step),
        part_number="",
        count=len(parts),
        what=what,
        parts=tuple(parts),
        can_be_bought=True,
    )
