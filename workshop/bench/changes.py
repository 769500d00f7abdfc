"""A bench in pieces, so that it need be told only what changed."""

from __future__ import annotations

from typing import Any

from pydantic import BaseModel, TypeAdapter, create_model

from halfthou.memo import Memo
from halfthou.report import Assessment, PartReport, SetReport
from workshop.bench.shapes import BenchOut
from workshop.record.ledger import Piece


def _lines_of(model: type[BaseModel], without: set[str]) -> dict[str, Any]:
    """The types of a document's fields that are told line by line."""
    return {name: field.annotation for name, field in model.model_fields.items() if name not in without}


def _any_of(name: str, lines: dict[str, Any]) -> type[BaseModel]:
    """A document with any of these lines, and none that must be there."""
    optional: dict[str, Any] = {line: (kind | None, None) for line, kind in lines.items()}
    made: type[BaseModel] = create_model(name, **optional)
    return made


_BENCH, _ASSESSMENT = _lines_of(BenchOut, {"assessment", "state"}), _lines_of(Assessment, {"parts", "sets"})
_READY = {kind: TypeAdapter(kind) for kind in (*_BENCH.values(), *_ASSESSMENT.values())}
BenchLines, AssessmentLines = _any_of("BenchLines", _BENCH), _any_of("AssessmentLines", _ASSESSMENT)


class ChangedOut(BaseModel):
    """What changed of a bench since it was told last: of its lines and the assessment's only those that are other
    now, and the parts and sets that are. `whole` says that this is all of it, to begin with afresh; `state` is to
    be sent along with the next question."""

    state: str
    whole: bool
    bench: BenchLines  # type: ignore[valid-type]
    assessment: AssessmentLines  # type: ignore[valid-type]
    parts: list[PartReport]
    sets: list[SetReport]


def pieces_of(bench: BenchOut, memo: Memo) -> dict[Piece, bytes]:
    """A bench in pieces, each as JSON; what is as it was is not written anew."""
    found = bench.assessment
    return {
        **{("bench", name): _READY[kind].dump_json(getattr(bench, name)) for name, kind in _BENCH.items()},
        **{
            ("assessment", name): _READY[kind].dump_json(getattr(found, name)) for name, kind in _ASSESSMENT.items()
        },
        **{("parts", part.id): memo.of(("json", part.id), _json, part) for part in found.parts},
        **{("sets", one.set): memo.of(("json", one.set), _json, one) for one in found.sets},
    }


def _json(report: BaseModel) -> bytes:
    return report.model_dump_json().encode()
