"""What is said of rings as documents: each ring, what is filed from each, and all of them together."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Engine
from halfthou.jobs import Decision
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.pieces import MARK_OF, PieceVerdict, Said, Tell, piece_report
from halfthou.parts.rings.kind import (
    FACE,
    GAP,
    LOOKS,
    NAMES,
    RING,
    SET,
    SIDE_UP,
    SQUARE,
    STAGGER,
    TAGGED,
    TENSION,
    WHOLE,
    YES,
    ring_of,
)
from halfthou.parts.rings.together import RingSet, goes_new
from halfthou.report import PartReport, SetReport, SpotAsked, TableShown, ToOrder
from halfthou.sets import FileToFit, Filing
from halfthou.verdicts import MARKS, Action, MarkCode
from halfthou.words import Reason, cautions_of_piece, of_so_many, step_words

TELLS = {
    "use": Tell(
        "rings.target",
        "What gap to aim at is not known: find the ring maker's, or say what the engine is used for.",
    ),
    "bore": Tell(
        "rings.growth", "Its gap was read at the foot of its travel: how far it opens higher up waits for its bore."
    ),
    "depth": Tell("rings.at-depth", "Read {0} down: where its bore is least, its gap is {1}."),
    "depth, its bore": Tell("rings.at-depth", "Read {0} down: read its bore, and what it is at the foot is known."),
    "depth, the planes": Tell(
        "rings.at-depth",
        "Read {0} down, and the sheet does not tell how deep the planes of the bore lie. Put their depths on the "
        "sheet, or read the gap and its depth at the foot of ring travel.",
    ),
    "depth, outside": Tell(
        "rings.at-depth",
        "Read {0} down, outside the planes of the bore. Read the gap and its depth at the foot of ring travel.",
    ),
    "oil": Tell(
        "rings.target", "Gap of the oil ring not judged: no limit on the sheet. Advice: at least {0} is usual."
    ),
    "typical": Tell("rings.target", "The gap aimed at is only what is usual: find the ring maker's sheet."),
    "closes": Tell(
        "rings.thermal", "Advice: hot, it closes by {0}, more than the {1} aimed at. Ask the ring maker."
    ),
    "all": Tell("rings.thermal", "Advice: hot, it closes by about {0}: all of the {1} aimed at."),
    "leaves": Tell("rings.thermal", "Advice: hot, it closes by about {0} of the {1} aimed at."),
}


def ring_report(ring: tuple[PieceVerdict, Action, FileToFit | None], engine: Engine, say: Notation) -> PartReport:
    """Everything said of one ring, in the unit of the job."""
    verdict, action, filing = ring
    read = verdict.case.read(GAP)
    said = Said(
        action=action,
        tells=TELLS,
        looks=(WHOLE, FACE, TENSION, *(look.key for look in LOOKS[3:7])),
        under=_under(verdict, action, filing, say),
        size_words=say.text(next(iter(read.sizes.values()))) if read is not None and read.sizes else "",
    )
    return piece_report(verdict, said, engine, say)


def _under(verdict: PieceVerdict, action: Action, filing: FileToFit | None, say: Notation) -> str:
    if verdict.judged.by_eye is not None:
        return "rejected by eye"
    if action is Action.REPLACE and verdict.action is not Action.REPLACE:
        return "new rings go with the hone"
    return filing_words(filing, say) if filing is not None and action in (Action.FILE, Action.REUSE) else ""


def filing_words(filing: FileToFit, say: Notation) -> str:
    """What is done about a gap, in words."""
    if filing.says is Filing.FILE:
        return f"file {say.text(filing.off)} off, to {say.text(filing.target)}"
    if filing.says is Filing.TOO_WIDE:
        return f"{say.text(filing.off)} too wide: cannot be mended"
    if filing.says is Filing.CLOSE:
        return "on its target, within the feeler"
    return "wide enough as it is"


def rings_headline(found: RingSet) -> str:
    """The decision on the rings in a few words."""
    action, new = found.action, len(found.new)
    if action is Action.MEASURE:
        return "Measure" if found.awaiting else "Not settled"
    if action is Action.REPLACE:
        return "New rings" if new == found.places else f"Replace {new} of {found.places}"
    return {Action.FILE: "File to fit", Action.REUSE: "Reuse"}.get(action, action.value.capitalize())


def rings_report(found: RingSet, say: Notation, accepted: Decision | None) -> SetReport:
    """Everything said of the rings together, in the unit of the job."""
    decision, action = accepted or found.decision, found.action
    order = tuple(SpotAsked(v.case.piece.part.id, GAP, "1a") for v in found.verdicts.values())
    filed = filing_table(found, say)
    waits = action is Action.MEASURE and not found.awaiting
    return SetReport(
        set=SET,
        kind=RING.key,
        station=RING.station,
        name=RING.sets[SET],
        mark=MARKS[MarkCode.TOO_CLOSE if waits else MARK_OF[action]],
        action=action,
        headline=rings_headline(found),
        step=None if found.step is None else say.shown(found.step),
        present=say.shown(ZERO),
        complete=not found.so_far,
        finished=not found.so_far and action is not Action.MEASURE,
        decided=decision is not None,
        awaiting=found.awaiting,
        can_be_accepted=not found.so_far and action is not Action.MEASURE,
        reasons=tuple(_reasons(found, say)),
        to_order=tuple(_to_order(found, say)),
        reading_order=order,
        cautions=cautions_of_piece(action, pump=False),
        tables=(*((filed,) if filed.rows else ()), _assembly(found)),
        card="Ring filing card" if filed.rows and _has_card(found) else "",
    )


def _reasons(found: RingSet, say: Notation) -> Iterator[Reason]:
    for number, kinds in found.two_kinds:
        text = f"Two kinds of {NAMES[number]} in one engine: {' and '.join(kinds)}. Who fitted which, and why?"
        yield Reason(rule="rings.two-kinds", text=text)
    honed = [name for name in found.new if goes_new(found.bores, ring_of(found.verdicts[name].case.place)[0])]
    if honed and not found.verdicts[honed[0]].case.piece.part.spare:
        yield Reason(rule="rings.with-bore", text="New rings go with bores that are honed or bored.")
    if found.use is None:
        text = "What the engine is used for is not said: no typical gap can be given."
        yield Reason(rule="rings.target", text=text)
    file = [
        one for name, one in found.filing.items() if one.says is Filing.FILE and found.verdicts[name].case.placed
    ]
    if file:
        most = max(one.off.nm for one in file)
        text = f"{len(file)} to file, at most {say.text(max(file, key=lambda o: o.off.nm).off)} off."
        if most:
            yield Reason(rule="rings.file", text=text)


def filing_table(found: RingSet, say: Notation) -> TableShown:
    """What is filed from each ring: for the sheet, and as a card to hang at the bench.

    Rule:    rings.file, rings.order.   Source: docs/trade: Ring gaps.
    """
    rows = []
    for verdict in sorted(found.placed.values(), key=lambda v: ring_of(v.case.place)):
        name = verdict.case.piece.part.id
        filing = found.filing.get(name)
        if filing is None or found.action_of(name) is Action.REPLACE:
            continue
        cylinder, number = ring_of(verdict.case.place)
        off = say.text(filing.off) if filing.says is Filing.FILE else ""
        gap = say.text(filing.gap)
        if any(note.key == "depth" for note in verdict.notes):
            gap = f"{gap} at the foot"
        rows.append((cylinder, NAMES[number], gap, say.text(filing.target), off, filing_words(filing, say)))
    return TableShown(
        key="filing",
        title="Ring gaps",
        columns=("cylinder", "ring", "gap read", "gap aimed at", "file off", "what to do"),
        rows=tuple(rows),
        note="After the final hone, each ring in its own bore at the foot of its travel, square. File one end "
        "only, square, a little at a time; deburr it and tag it. A gap too wide cannot be mended.",
    )


def _has_card(found: RingSet) -> bool:
    """Whether there is anything to file: used rings that are wide enough bring no card to the bench."""
    to_file = any(one.says is Filing.FILE for one in found.filing.values())
    return to_file or any(verdict.case.piece.part.spare for verdict in found.placed.values())


def _assembly(found: RingSet) -> TableShown:
    """What is checked of the rings at assembly.

    Rule:    rings.assembly.   Source: docs/trade: At assembly, common practice.
    """
    rows = []
    for look, words in (
        (SQUARE, "Gap read with the ring square in its own bore"),
        (TAGGED, "Tagged with cylinder and groove"),
        (SIDE_UP, "Marked side up"),
        (STAGGER, "Gaps staggered: top and second opposite, off the thrust faces and the pin"),
    ):
        done = sum(v.case.answer(look) in (YES, "pushed down square") for v in found.placed.values())
        rows.append((words, f"{done} of {found.places}"))
    return TableShown(
        key="ring-assembly", title="Rings, at assembly", columns=("what", "checked"), rows=tuple(rows)
    )


def _to_order(found: RingSet, say: Notation) -> Iterator[ToOrder]:
    """Rings are bought as sets, one for a piston; those that come with pistons for bored bores are ordered there.

    Rule:    rings.to-order: each of the size its bore stands at.
    """
    if found.so_far or found.action is Action.MEASURE:
        return
    bores = found.bores
    cylinders: dict[Length, list[str]] = {}
    for name in found.new:
        cylinder = ring_of(found.verdicts[name].case.place)[0]
        bore = bores.verdicts.get(f"bore-{cylinder}") if bores is not None else None
        honed = bores is not None and bores.action_of(f"bore-{cylinder}") in (Action.HONE, Action.REBORE)
        of_size = cylinders.setdefault(bore.case.present if bore is not None else ZERO, [])
        if not honed and cylinder not in of_size:
            of_size.append(cylinder)
    for size, of_size in sorted(cylinders.items(), key=lambda pair: pair[0].nm):
        if of_size:
            yield ToOrder(
                words=step_words(size, say, "over"),
                step=say.shown(size),
                part_number="",
                count=len(of_size),
                what=of_so_many(len(of_size), "set of rings", "sets of rings"),
                parts=tuple(f"Cylinder {cylinder}" for cylinder in of_size),
                can_be_bought=True,
            )
