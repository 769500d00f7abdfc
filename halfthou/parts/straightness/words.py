"""What is said of a crank that was indicated, in the unit of the job."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Engine
from halfthou.jobs import Decision
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.pieces import MARK_OF, PieceVerdict, Said, Tell, piece_report
from halfthou.parts.straightness.kind import KIND, RUN_OUT, SET
from halfthou.parts.straightness.looks import SUPPORTS
from halfthou.parts.straightness.together import Straight, WhatNow
from halfthou.report import PartReport, SetReport, ShaftPlace, SpotAsked, TableShown
from halfthou.verdicts import MARKS, Action, Called, Finding, MarkCode, Open
from halfthou.words import Reason, cautions_for, names_of

TELLS = {
    "as read": Tell(
        "straightness.first-harmonic",
        "The dial swings {0}; the bend alone is {1}, high at {2}. The journal itself is {3} out of round there.",
    ),
    "oval hidden": Tell(
        "straightness.first-harmonic",
        "The dial swings {0}. The angles read do not tell a bend from an oval journal: read every 45°.",
    ),
    "too few": Tell(
        "straightness.first-harmonic",
        "Too few angles: read it all the way round, no gap wider than 120°, or give the total reading.",
    ),
    "no side": Tell(
        "straightness.high-side",
        "How far it swings is known, not which way: against its neighbour it is within by the sum and beyond by "
        "the difference only.",
    ),
    "side by eye": Tell("straightness.high-side", "Highest at {0}, as it was seen: up to 15° off."),
    "high side": Tell(
        "straightness.high-side",
        "Between {0} and {1}, by where the high sides lie. Read the high side of both.",
    ),
    "given as": Tell(
        "straightness.given-as",
        "{0} against {1}: say on the sheet whether its limit is the dial's total reading or the bend, half of it.",
    ),
    "no limit": Tell("verdicts.no-limit", "It was indicated, and the sheet has no limit here: find the maker's."),
    "support": Tell(
        "straightness.supports",
        "It carries the shaft and swings {0} in its own block: dress it or take other supports, then read all "
        "again.",
    ),
    "carries": Tell("straightness.supports", "The shaft rested here: it lies on the line."),
    "stand": Tell("straightness.stand", "Pressed straight, a crank creeps back: indicate it again from {0} on."),
}


def place_report(verdict: PieceVerdict, action: Action, engine: Engine, say: Notation) -> PartReport:
    """Everything said of one place where a crank is indicated."""
    run_out = next((one for one in verdict.findings if one.key == "run-out"), None)
    said = Said(
        action=action,
        tells=TELLS,
        looks=(SUPPORTS,),
        size_words=say.text(run_out.value) if run_out is not None else "",
    )
    report = piece_report(verdict, said, engine, say)
    nobody = not verdict.to_read and not any(one.counts for one in verdict.case.piece.features.values())
    headline = "Not asked" if nobody and action is Action.MEASURE else _HEADLINES.get(action, report.headline)
    return report.model_copy(update={"headline": headline})


_HEADLINES = {Action.REUSE: "Runs true", Action.STRAIGHTEN: "Bent"}


def straight_headline(found: Straight) -> str:
    """The decision on a crank in a few words."""
    action = found.action
    if action is Action.MEASURE:
        if found.bent and found.what_now is WhatNow.SAY:
            return "bent: say how it is made"
        return "measure" if found.awaiting else "not settled"
    if found.overruled is Action.REUSE:
        return "bend accepted"
    return {Action.REUSE: "straight", Action.STRAIGHTEN: "straighten first"}.get(action, action.value)


def straight_report(found: Straight, say: Notation, accepted: Decision | None) -> SetReport:
    """Everything said of whether a crank is straight."""
    decision, action = accepted or found.decision, found.action
    order = tuple(SpotAsked(part, RUN_OUT, spot) for part, one in found.verdicts.items() for spot in _spots(one))
    waits = action is Action.MEASURE and not found.awaiting
    done = not found.so_far and action is not Action.MEASURE
    return SetReport(
        set=SET,
        kind=KIND.key,
        station=KIND.station,
        name=KIND.sets[SET],
        mark=MARKS[MarkCode.TOO_CLOSE if waits else MARK_OF[action]],
        action=action,
        headline=straight_headline(found),
        step=say.shown(ZERO),
        present=say.shown(ZERO),
        complete=not found.so_far,
        finished=done and action is not Action.REFER,
        decided=decision is not None,
        awaiting=found.awaiting,
        can_be_accepted=done and action is not Action.REFER,
        reasons=tuple(_reasons(found, say)),
        reading_order=order,
        cautions=cautions_for(action),
        tables=(_table(found, say),),
        shaft=tuple(_drawn(found, say)),
    )


def _drawn(found: Straight, say: Notation) -> Iterator[ShaftPlace]:
    """Every place of which something is known, as the shaft is drawn."""
    shaft = found.shaft
    for part, verdict in found.verdicts.items() if found.line_known else ():
        if part not in shaft.middles and not found.on_line(verdict):
            continue
        of = shaft.about_the_line(part)
        offset = shaft.offset(of)
        yield ShaftPlace(
            part=part,
            along=shaft.along[part],
            x_nm=None if offset is None else round(offset.x, 1),
            y_nm=None if offset is None else round(offset.y, 1),
            swing=say.shown(Length(round(shaft.bounds(of)[1] if of else 0.0))),
            side="" if offset is None or part in shaft.ends else offset.side,
            called=verdict.called,
        )


def _spots(verdict: PieceVerdict) -> tuple[str, ...]:
    return verdict.case.survey.feature.spots


def _reasons(found: Straight, say: Notation) -> Iterator[Reason]:
    bent = found.bent
    by_place: dict[str, list[Finding]] = {}
    for part, one in bent:
        by_place.setdefault(part, []).append(one)
    for part, all_of_it in by_place.items():
        said = "; ".join(f"{one.name} {say.text(one.value)}, most {say.text(one.limit)}" for one in all_of_it)
        yield Reason(rule=all_of_it[0].rule, text=f"{found.verdicts[part].case.piece.part.short}: {said}.")
    if bent:
        rule, text = _NOW[found.what_now]
        yield Reason(rule=rule, text=text.format(_made_words(found), _missing_words(found)))
    if found.overruled is Action.REUSE and bent:
        text = (
            "The bend is accepted: mains clean up smaller by their total reading, rod journals by twice the bend "
            "there."
        )
        yield Reason(rule="straightness.taken-off", text=text)
    for what, rule, tail in _STILL:
        open_at = [part for part, one in found.verdicts.items() if what in one.opens]
        if open_at and what is Open.UNSEEN:
            yield Reason(rule=rule, text=tail)
        elif open_at:
            names = names_of(open_at, lambda part: found.verdicts[part].case.piece.part.short)
            yield Reason(rule=rule, text=f"{names}: {tail}")
    if found.awaiting:
        names = names_of(found.awaiting, lambda part: found.verdicts[part].case.piece.part.short)
        yield Reason(rule="straightness.first", text=f"{names}: to be indicated.")


#: What keeps a crank from being settled beside what is still to be read.
_STILL = (
    (Open.UNSEEN, "straightness.supports", "Say on what the crank lay while it was indicated."),
    (Open.SUPPORT, "straightness.supports", "the support swings: read all again on true ones."),
    (Open.STAND, "straightness.stand", "to be indicated again once the crank has stood overnight."),
    (Open.HIGH_SIDE, "straightness.high-side", "the high side is to be read."),
    (Open.FOUR_ANGLES, "straightness.first-harmonic", "read all the way round."),
    (Open.HELD, "surveys.slips", "a question about a reading waits for its answer."),
    (Open.CONTRADICTED, "verdicts.contradiction", "readings contradict each other."),
    (Open.NO_LIMIT, "straightness.given-as", "the limit is wanted, or how it is given."),
    (Open.TOO_CLOSE, "verdicts.guard-band", "too close to call with this gauge."),
)
_NOW = {
    WhatNow.STRAIGHTEN: (
        "straightness.bent",
        "Straightened cold before any grinding, by somebody trained; every main indicated after it, again when it "
        "has stood overnight, and crack-tested. A shaft under the press can snap.",
    ),
    WhatNow.REPLACE: ("straightness.bent", "The house does not straighten cranks: another crank."),
    WhatNow.REFER: (
        "straightness.not-pressed",
        "{0}: not pressed here. Refer it to a specialist, or take another crank.",
    ),
    WhatNow.SAY: ("straightness.not-pressed", "Whether it may be pressed is not known: say on the sheet {1}."),
}


def _made_words(found: Straight) -> str:
    words = ", ".join(found.barred)
    return words[:1].upper() + words[1:]


def _missing_words(found: Straight) -> str:
    return " and ".join(found.unsaid)


def _table(found: Straight, say: Notation) -> TableShown:
    rows = []
    for verdict in found.verdicts.values():
        figures = {one.key: one for one in verdict.findings}
        own, against = figures.get("run-out"), figures.get("adjacent")
        middle = found.middle(verdict.case.piece.part.id)
        side = middle.offset.side if middle is not None and middle.offset is not None else ""
        side = "" if found.on_line(verdict) else side
        if own is None and against is None and middle is None:
            continue
        rows.append(
            (
                verdict.case.piece.part.short,
                say.text(own.value) if own is not None else "on the line" if found.on_line(verdict) else "",
                side,
                say.text(against.value) if against is not None else "",
                _worst(verdict),
            )
        )
    return TableShown(
        key="run-out",
        title="The shaft as it lies",
        columns=("where", "total reading", "high side", "against the one before", "stands"),
        rows=tuple(rows),
        note="About the line of the end mains; angles from cylinder 1 at top dead centre.",
    )


def _worst(verdict: PieceVerdict) -> str:
    found = {one.called for one in verdict.findings}
    return next((one.value for one in (Called.BEYOND, Called.TOO_CLOSE, Called.WITHIN) if one in found), "")
