"""What is said of a loose piece as a document: the same for pistons, rings and pumps."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import dataclass

from halfthou.engines import Engine
from halfthou.jobs import HouseRules
from halfthou.lengths import Notation
from halfthou.looks import Does
from halfthou.parts.pieces.case import PieceCase
from halfthou.parts.pieces.verdict import Note, PieceVerdict
from halfthou.report import ClearanceShown, PartReport, SeenHere, SpotAsked, feature_report, told
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import (
    MARKS,
    TO_SEE,
    Action,
    Called,
    MarkCode,
    Open,
    Settling,
    SettlingWay,
    settlings,
    sources_of,
)
from halfthou.words import (
    Caution,
    Reason,
    cautions_for,
    cautions_of_piece,
    figure_reasons,
    limit_wanted,
    look_first,
    said_by_eye,
    set_aside,
)

#: The mark of each action of a piece.
MARK_OF: Mapping[Action, MarkCode] = {
    Action.REUSE: MarkCode.REUSE,
    Action.FILE: MarkCode.FILE,
    Action.MOVE: MarkCode.MOVE,
    Action.STRAIGHTEN: MarkCode.STRAIGHTEN,
    Action.LINE_HONE: MarkCode.LINE_HONE,
    Action.FIT_WASHERS: MarkCode.FIT_WASHERS,
    Action.REPIN: MarkCode.REPIN,
    Action.REGROOVE: MarkCode.REGROOVE,
    Action.LAP: MarkCode.LAP,
    Action.NEW_PARTS: MarkCode.NEW_PARTS,
    Action.REFER: MarkCode.REFER,
    Action.REPLACE: MarkCode.REPLACE,
    Action.MEASURE: MarkCode.NOT_READ,
}


@dataclass(frozen=True)
class Tell:
    """A sentence of a kind: the rule it rests on, and the words, with {0}, {1} where a length or word stands."""

    rule: str
    words: str


@dataclass(frozen=True)
class Said:
    """What a kind says of a piece beyond what is the same for all: how its set uses it, the looks, and the
    sentences its notes stand for."""

    action: Action
    tells: Mapping[str, Tell]
    looks: tuple[str, ...]
    under: str = ""
    size_words: str = ""
    clearance: str = ""
    still: tuple[str, ...] = ()
    more: tuple[Note, ...] = ()


def mark_of(verdict: PieceVerdict, action: Action) -> MarkCode:
    """The mark a piece wears: what becomes of it; *out* for one that lies nowhere and is not scrap."""
    if action is Action.MEASURE and verdict.called is Called.TOO_CLOSE:
        return MarkCode.TOO_CLOSE
    if action is Action.MEASURE and not verdict.to_read and verdict.opens & TO_SEE:
        return MarkCode.LOOK
    return MARK_OF[action]


def note_words(note: Note, tells: Mapping[str, Tell], say: Notation) -> Reason:
    """A note as a sentence, its lengths in the unit of the job."""
    tell = tells[note.key]
    values = [one if isinstance(one, str) else say.text(one) for one in note.with_]
    text = tell.words.format(*values)
    return Reason(rule=tell.rule, text=text[:1].upper() + text[1:])


def lies_words(verdict: PieceVerdict, engine: Engine) -> str:
    """Where a piece lies, where that is not where it came from."""
    part, place = verdict.case.piece.part, verdict.case.place
    if place == part.id:
        return ""
    if not place:
        return "spare" if part.spare else "taken out"
    return f"fitted as {engine.parts[place].short}"


def piece_report(verdict: PieceVerdict, said: Said, engine: Engine, say: Notation) -> PartReport:
    """Everything said of one piece, in the unit of the job."""
    case, part = verdict.case, verdict.case.piece.part
    ways = tuple(_ways(verdict))
    # What is replaced whatever it reads is not asked for.
    gone = said.action is Action.REPLACE
    to_read = () if gone else tuple(SpotAsked(part.id, feature, spot) for feature, spot in verdict.to_read)
    lies = lies_words(verdict, engine)
    base = told(case.survey, verdict.findings, verdict.contradictions, ways, say)
    return PartReport(
        **base,
        id=part.id,
        kind=case.kind.key,
        station=case.kind.station,
        name=part.name,
        short_name=part.short,
        set=part.set,
        mark=MARKS[MarkCode.SPARE if lies == "taken out" else mark_of(verdict, said.action)],
        own_action=verdict.action,
        action=said.action,
        called=verdict.called,
        headline=_headline(verdict, said),
        under_headline=said.under or lies,
        opens=tuple(one for one in Open if one in verdict.opens),
        waived=tuple(sorted(case.waived)),
        features=tuple(feature_report(one, one.feature.name, say) for one in case.piece.features.values()),
        to_read=to_read,
        left=len(to_read) if case.placed else 0,
        size_words=said.size_words,
        clearance=ClearanceShown(least=None, most=None, called=None, words=said.clearance),
        reasons=tuple(_reasons(verdict, said, say)),
        still_to_do=(*look_first(_to_look(verdict)), *limit_wanted(_to_judge(verdict)), *said.still),
        seen=SeenHere.of(case.seen.values()),
        looks=said.looks,
        unseen=_to_look(verdict),
        found=case.eye.found,
        cautions=_cautions(case, said.action),
        place=case.place,
        spare=part.spare,
        out=not case.placed,
        lies=lies,
    )


def _cautions(case: PieceCase, action: Action) -> tuple[Caution, ...]:
    """The cautions of a loose piece; of a place on a shaft or in a block those of that."""
    if case.kind.loose:
        return cautions_of_piece(action, pump=case.kind.station == "pump")
    return cautions_for(action, block="block" in case.kind.wholes)


@dataclass(frozen=True)
class _Read:
    """A feature of a piece, as what would settle a figure asks for it."""

    survey: FeatureSurvey
    house: HouseRules


def _to_look(verdict: PieceVerdict) -> tuple[str, ...]:
    """The looks still wanted; none of a piece that the eye rejects, or that was taken out."""
    case = verdict.case
    return case.unseen if verdict.judged.by_eye is None and (case.placed or case.piece.part.spare) else ()


def _to_judge(verdict: PieceVerdict) -> tuple[str, ...]:
    """What waits for a limit; nothing of a piece that the eye rejects, or that was taken out."""
    case = verdict.case
    wanted = verdict.judged.by_eye is None and (case.placed or case.piece.part.spare)
    return tuple(one.name for one in case.without_limit) if wanted else ()


def _headline(verdict: PieceVerdict, said: Said) -> str:
    action = said.action
    if not verdict.case.placed and not verdict.case.piece.part.spare:
        return "Taken out"
    if action is not Action.MEASURE:
        return action.value.capitalize()
    survey = verdict.case.survey
    if verdict.called is Called.NOT_READ and not survey.taken and not survey.held:
        return "Not read yet"
    for one, words in (
        (Open.HELD, "Answer first"),
        (Open.CONTRADICTED, "Readings contradict"),
        (Open.PLACE, "Find the height"),
        (Open.FORM, "Wrong place?"),
        (Open.UNREAD, "Measure on"),
        (Open.STAND, "Let it stand"),
        (Open.SUPPORT, "Its support swings"),
        (Open.HIGH_SIDE, "Read the high side"),
        (Open.TOO_CLOSE, "Too close to call"),
        (Open.NO_LIMIT, "A limit is wanted"),
        (Open.BORE, "Read its bore"),
        (Open.UNEVEN, "Not like the others"),
        (Open.SUSPECT, "Suspect"),
        (Open.SEEN, "Settle what was seen"),
        (Open.UNSEEN, "Look at it first"),
    ):
        if one in verdict.opens:
            return words
    return "Measure"


def _ways(verdict: PieceVerdict) -> Iterator[Settling]:
    """What would settle what is too close, over every feature a figure was made of."""
    case = verdict.case
    for finding in verdict.findings if verdict.action is Action.MEASURE else ():
        sources = {term.source for term in finding.budget}
        of = [one for one in case.piece.features.values() if sources & sources_of(one)] or [case.survey]
        ways = [way for one in of for way in settlings(_Read(one, case.house), finding)]
        yield from [way for way in ways if way.way is not SettlingWay.NONE] or ways[:1]


def _reasons(verdict: PieceVerdict, said: Said, say: Notation) -> Iterator[Reason]:
    eye = verdict.case.eye
    yield from said_by_eye(eye.that(Does.REFERS))
    yield from said_by_eye(one for one in eye if one.effect.does not in (Does.REFERS, Does.HOLDS))
    for note in (*verdict.notes, *said.more):
        yield note_words(note, said.tells, say)
    yield from said_by_eye(eye.that(Does.HOLDS))
    groups = [(f"{survey.feature.name} ", survey) for survey in verdict.case.piece.features.values()]
    yield from set_aside(groups)
    yield from figure_reasons(verdict.findings, say)
