"""What is said of a crank that was indicated, in the unit of the job."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Engine
from halfthou.jobs import Decision
from halfthou.lengths import Length, Notation
from halfthou.parts.pieces import (
    STILL,
    PieceVerdict,
    Said,
    Still,
    Tell,
    beyond_reasons,
    headline_of,
    piece_report,
    set_told,
    stands_of,
    still_reasons,
)
from halfthou.parts.straightness.kind import KIND, NOSE, SET, main_of
from halfthou.parts.straightness.looks import looks_at
from halfthou.parts.straightness.together import Straight, WhatNow
from halfthou.report import PartReport, SetReport, ShaftPlace, TableShown
from halfthou.verdicts import Action, Called, Open
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
        looks=looks_at(main_of(verdict.case.piece.part.id), nose=verdict.case.piece.part.id == NOSE),
        size_words=say.text(run_out.value) if run_out is not None else "",
    )
    report = piece_report(verdict, said, engine, say)
    nobody = not verdict.to_read and not any(one.counts for one in verdict.case.piece.features.values())
    headline = "Not asked" if nobody and action is Action.MEASURE else _HEADLINES.get(action, report.headline)
    return report.model_copy(update={"headline": headline})


_HEADLINES = {Action.REUSE: "Runs true", Action.STRAIGHTEN: "Bent"}


def straight_headline(found: Straight) -> str:
    """The decision on a crank in a few words."""
    if found.action is Action.MEASURE and found.beyond and found.what_now is WhatNow.SAY:
        return "bent: say how it is made"
    if found.overruled is Action.REUSE:
        return "bend accepted"
    if found.only_seen:
        return "straight; settle what was seen"
    return headline_of(found, {Action.REUSE: "straight", Action.STRAIGHTEN: "straighten first"})


def straight_report(found: Straight, say: Notation, accepted: Decision | None) -> SetReport:
    """Everything said of whether a crank is straight."""
    return SetReport(
        **set_told(found, SET, KIND, say, accepted),
        set=SET,
        headline=straight_headline(found),
        reasons=tuple(_reasons(found, say)),
        cautions=cautions_for(found.action),
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
            called=_called(verdict, "run-out"),
            to_before=_called(verdict, "adjacent"),
        )


def _called(verdict: PieceVerdict, key: str) -> Called:
    figure = verdict.finding(key)
    return Called.NOT_READ if figure is None else figure.called


def _reasons(found: Straight, say: Notation) -> Iterator[Reason]:
    yield from beyond_reasons(found, say)
    if found.beyond:
        rule, text = _NOW[found.what_now]
        barred = ", ".join(found.barred)
        yield Reason(rule=rule, text=text.format(barred[:1].upper() + barred[1:], " and ".join(found.unsaid)))
    if found.overruled is Action.REUSE and found.beyond:
        text = (
            "The bend is accepted: mains clean up smaller by their total reading, rod journals by twice the bend "
            "there."
        )
        yield Reason(rule="straightness.taken-off", text=text)
    if found.not_fresh:
        text = "Nobody indicated it fresh from the press: how far it crept back meanwhile is not known."
        yield Reason(rule="straightness.stand", text=text)
    if found.one_sitting:
        text = (
            "Indicated before and after the press in one sitting. Is the time of the press right? Begin a sitting "
            "anew after work."
        )
        yield Reason(rule="straightness.stand", text=text)
    yield from still_reasons(found, _STILL)
    if found.awaiting:
        yield Reason(rule="straightness.first", text=f"{names_of(found.awaiting, found.called)}: to be indicated.")


#: What keeps a crank from being settled beside what is still to be read.
_STILL = (
    Still(Open.UNSEEN, "straightness.supports", "Say on what the crank lay while it was indicated.", of_all=True),
    Still(Open.SUPPORT, "straightness.supports", "the support swings: read all again on true ones."),
    Still(Open.STAND, "straightness.stand", "to be indicated again once the crank has stood overnight."),
    Still(Open.HIGH_SIDE, "straightness.high-side", "the high side is to be read."),
    Still(Open.FOUR_ANGLES, "straightness.first-harmonic", "read all the way round."),
    Still(Open.SEEN, "straightness.besides", "what was seen is to be settled before it goes back."),
    *STILL,
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
                stands_of(verdict),
            )
        )
    return TableShown(
        key="run-out",
        title="The shaft as it lies",
        columns=("where", "total reading", "high side", "against the one before", "stands"),
        rows=tuple(rows),
        note="About the line of the end mains; angles from cylinder 1 at top dead centre.",
    )
