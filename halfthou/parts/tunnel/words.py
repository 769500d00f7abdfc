"""What is said of a tunnel, in the unit of the job."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Engine
from halfthou.jobs import Decision
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.pieces import (
    STILL,
    PieceVerdict,
    Said,
    Tell,
    beyond_reasons,
    headline_of,
    piece_report,
    set_told,
    stands_of,
    still_reasons,
)
from halfthou.parts.tunnel.kind import BORE, HOUSING, SET, SOLD
from halfthou.parts.tunnel.looks import BAR
from halfthou.parts.tunnel.together import Honing, Housings
from halfthou.report import OtherWay, PartReport, SetReport, ShaftPlace, TableShown
from halfthou.verdicts import Action, Called
from halfthou.words import Reason, cautions_for, names_of

TELLS = {
    "no band": Tell("verdicts.no-limit", "The sheet has no band of the housing bore: find the maker's."),
    "bar": Tell("tunnel.bar", "A bar {0} smaller than the greatest bore turns freely: the line is within that."),
    "no bar": Tell(
        "tunnel.bar", "A bar as large as the bores does not turn in them: say by how much it is smaller."
    ),
    "thin bar": Tell(
        "tunnel.bar", "A bar {0} smaller turns freely: that is more than the sheet allows. Read the line."
    ),
    "tall": Tell(
        "tunnel.upright", "Its vertical is the larger: its cap stretched, or is another's. See whose it is."
    ),
}
#: What a line hone moves. Source: docs/trade: What work makes stale, common practice.
MOVED = "chain or gears, oil pump fit, bell-housing dowels and piston stand-out are checked again"


def housing_report(verdict: PieceVerdict, action: Action, engine: Engine, say: Notation) -> PartReport:
    """Everything said of one housing."""
    read = verdict.case.read(BORE)
    said = Said(
        action=action,
        tells=TELLS,
        looks=(BAR,),
        size_words=say.text(max(read.sizes.values(), key=lambda size: size.nm)) if read and read.sizes else "",
    )
    return piece_report(verdict, said, engine, say)


def tunnel_report(found: Housings, say: Notation, accepted: Decision | None) -> SetReport:
    """Everything said of a tunnel."""
    return SetReport(
        **set_told(found, SET, HOUSING, say, accepted),
        set=SET,
        headline=headline_of(found),
        reasons=tuple(_reasons(found, say)),
        ways=tuple(_ways(found, say)) if found.beyond else (),
        cautions=cautions_for(found.action, block=True),
        tables=(_table(found, say),),
        shaft=tuple(_drawn(found, say)),
    )


def _drawn(found: Housings, say: Notation) -> Iterator[ShaftPlace]:
    """Every housing whose place in the line is known, as the tunnel is drawn from the side."""
    if not any(found.heights.values()):
        return
    for nth, (part, verdict) in enumerate(found.verdicts.items()):
        height = found.heights[part]
        if height is not None:
            yield ShaftPlace(
                part=part,
                along=float(nth),
                x_nm=round(height, 1),
                y_nm=0.0,
                swing=say.shown(Length(round(abs(height)))),
                side="",
                called=verdict.called,
                to_before=Called.NOT_READ if (near := verdict.finding("line adjacent")) is None else near.called,
            )


def _reasons(found: Housings, say: Notation) -> Iterator[Reason]:
    yield from beyond_reasons(found, say)
    if found.own is Action.REFER and found.ways:
        text = "More would have to come off the caps than the sheet allows: refer it, or another block."
        yield Reason(rule="tunnel.honed", text=text)
    # What is honed anyway is not called.
    yield from still_reasons(found, () if found.own is Action.LINE_HONE else STILL)
    if found.awaiting:
        yield Reason(rule="surveys.plan.whole", text=f"{names_of(found.awaiting, found.called)} not read yet.")


def _ways(found: Housings, say: Notation) -> Iterator[OtherWay]:
    """Every way on with a tunnel that is beyond."""
    for way in found.ways:
        yield OtherWay(words=_honed(way, say), costs=_costs(way, say), rule="tunnel.honed")
    limits = next(iter(found.verdicts.values())).case.limits
    if limits.made.get("larger shells") == SOLD:
        yield OtherWay(
            words="Bore the tunnel larger, for shells of larger outside.",
            costs="Every housing to the size those shells ask; caps and line as they are.",
            rule="tunnel.honed",
        )


def _honed(way: Honing, say: Notation) -> str:
    cut = f", {say.text(way.cut)} off the caps" if way.cut > ZERO else ", nothing off the caps"
    return f"Line hone to {say.text(way.to)}{cut}."


def _costs(way: Honing, say: Notation) -> str:
    if way.cut == ZERO:
        return "The crank stays where it is."
    text = f"The crank rises by 0 to {say.text(way.rise)}: {MOVED}."
    return f"{text} More than the sheet allows." if way.allowed is False else text


def _table(found: Housings, say: Notation) -> TableShown:
    rows = []
    for part, verdict in found.verdicts.items():
        figures = {one.key: one for one in verdict.findings}
        shown = [figures.get(key) for key in ("size least", "size most", "out-of-round", "taper", "line")]
        shown[2] = shown[2] or figures.get("upright")
        if any(shown):
            rows.append(
                (found.called(part), *(say.text(one.value) if one else "" for one in shown), stands_of(verdict))
            )
    return TableShown(
        key="tunnel",
        title="The tunnel, caps torqued",
        columns=("housing", "least", "most", "out-of-round", "taper", "off the line", "stands"),
        rows=tuple(rows),
        note="The line is that of the end housings.",
    )
