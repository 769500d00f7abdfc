"""What is said of a tunnel, in the unit of the job."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Engine
from halfthou.jobs import Decision
from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.pieces import MARK_OF, PieceVerdict, Said, Tell, piece_report
from halfthou.parts.tunnel.kind import BORE, HOUSING, SET, SOLD
from halfthou.parts.tunnel.together import Honing, Housings
from halfthou.report import OtherWay, PartReport, SetReport, ShaftPlace, SpotAsked, TableShown
from halfthou.verdicts import MARKS, Action, Called, Finding, MarkCode, Open
from halfthou.words import Reason, cautions_for, names_of

TELLS = {"no band": Tell("verdicts.no-limit", "The sheet has no band of the housing bore: find the maker's.")}
#: What a line hone moves. Source: docs/trade: What work makes stale, common practice.
MOVED = "chain or gears, oil pump fit, bell-housing dowels and piston stand-out are checked again"


def housing_report(verdict: PieceVerdict, action: Action, engine: Engine, say: Notation) -> PartReport:
    """Everything said of one housing."""
    read = verdict.case.read(BORE)
    said = Said(
        action=action,
        tells=TELLS,
        looks=(),
        size_words=say.text(max(read.sizes.values(), key=lambda size: size.nm)) if read and read.sizes else "",
    )
    return piece_report(verdict, said, engine, say)


def tunnel_headline(found: Housings) -> str:
    """The decision on a tunnel in a few words."""
    if found.action is Action.MEASURE:
        return "measure" if found.awaiting else "not settled"
    return found.action.value


def tunnel_report(found: Housings, say: Notation, accepted: Decision | None) -> SetReport:
    """Everything said of a tunnel."""
    decision, action = accepted or found.decision, found.action
    done = not found.so_far and action is not Action.MEASURE
    waits = action is Action.MEASURE and not found.awaiting
    return SetReport(
        set=SET,
        kind=HOUSING.key,
        station=HOUSING.station,
        name=HOUSING.sets[SET],
        mark=MARKS[MarkCode.TOO_CLOSE if waits else MARK_OF[action]],
        action=action,
        headline=tunnel_headline(found),
        step=say.shown(ZERO),
        present=say.shown(ZERO),
        complete=not found.so_far,
        finished=done and action is not Action.REFER,
        decided=decision is not None,
        awaiting=found.awaiting,
        can_be_accepted=done and action is not Action.REFER,
        reasons=tuple(_reasons(found, say)),
        ways=tuple(_ways(found, say)) if found.beyond else (),
        reading_order=tuple(
            SpotAsked(part, BORE, spot)
            for part, one in found.verdicts.items()
            for spot in one.case.survey.feature.spots
        ),
        cautions=cautions_for(action, block=True),
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
            )


def _called(found: Housings, part: str) -> str:
    return found.verdicts[part].case.piece.part.short


def _reasons(found: Housings, say: Notation) -> Iterator[Reason]:
    by_housing: dict[str, list[Finding]] = {}
    for part, one in found.beyond:
        by_housing.setdefault(part, []).append(one)
    for part, beyond in by_housing.items():
        said = "; ".join(_said(one, say) for one in beyond)
        yield Reason(rule=beyond[0].rule, text=f"{_called(found, part)}: {said}.")
    if found.own is Action.REFER and found.ways:
        text = "More would have to come off the caps than the sheet allows: refer it, or another block."
        yield Reason(rule="tunnel.honed", text=text)
    for what, rule, tail in _STILL if found.own is not Action.LINE_HONE else ():
        open_at = [part for part, one in found.verdicts.items() if what in one.opens]
        if open_at:
            yield Reason(rule=rule, text=f"{names_of(open_at, lambda part: _called(found, part))}: {tail}")
    if found.awaiting:
        names = names_of(found.awaiting, lambda part: _called(found, part))
        yield Reason(rule="surveys.plan.whole", text=f"{names} not read yet.")


_STILL = (
    (Open.HELD, "surveys.slips", "a question about a reading waits for its answer."),
    (Open.CONTRADICTED, "verdicts.contradiction", "readings contradict each other."),
    (Open.NO_LIMIT, "verdicts.no-limit", "a limit is wanted."),
    (Open.TOO_CLOSE, "verdicts.guard-band", "too close to call with this gauge."),
)


def _said(one: Finding, say: Notation) -> str:
    end = "least" if one.limit_is_least else "most"
    return f"{one.name.removesuffix(f', {end}')} {say.text(one.value)}, {end} {say.text(one.limit)}"


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
            calls = {one.called for one in verdict.findings}
            stands = next((c.value for c in (Called.BEYOND, Called.TOO_CLOSE, Called.WITHIN) if c in calls), "")
            rows.append((_called(found, part), *(say.text(one.value) if one else "" for one in shown), stands))
    return TableShown(
        key="tunnel",
        title="The tunnel, caps torqued",
        columns=("housing", "least", "most", "out-of-round", "taper", "off the line", "stands"),
        rows=tuple(rows),
        note="The line is that of the end housings.",
    )
