"""Whatever a sentence asks for, waits; what only advises says so; no reason stands against its verdict. A walk over
every job kept from before, as it was and looked at, and over every answer that does something."""

from __future__ import annotations

import json
import re
from pathlib import Path

import pytest

from halfthou.assess import assess
from halfthou.exchange import read_job
from halfthou.jobs import Job
from halfthou.looks import Does
from halfthou.parts import CATALOGUE
from halfthou.report import Assessment, PartReport
from halfthou.verdicts import Action, Called
from tests.core.test_every_answer import EFFECTS, Tried
from tests.looked_at import looked_at
from tests.making import NOON

KEPT = sorted((Path(__file__).parents[1] / "golden").glob("*/*.json"))
JOBS = [path for path in KEPT if path.parent.name in ("answers", "blocks", "loose")]
#: How a sentence begins that tells somebody to do something.
_ASKS = re.compile(
    r"(?:^|(?<!Advice)[.:;] )(?i:Answer|Ask|Clean|Crack-test|Draw|Find|Fit|Hold|Indicate|Look|Measure|Mend|Polish"
    r"|Press|Read|Refer|Renew|Stone|Take|Test|Watch)\b(?! at \d+ °C)"
)
#: What goes neither back nor to work before somebody has said or read something.
WAITS = (Action.MEASURE, Action.REFER, Action.REPLACE)


def asks(text: str) -> bool:
    """Whether a sentence asks for something, and does not say that it only advises.

    >>> asks("Crown wet. Look at its rings."), asks("Crown wet. Advice: look at its rings."), asks("Taper 0.0004.")
    (True, False, False)
    """
    return bool(_ASKS.search(text))


def told(part: PartReport) -> list[str]:
    return [*(reason.text for reason in part.reasons), *part.still_to_do]


def held_to(found: Assessment) -> None:
    """What asks is open; nothing is whole while anything asks, and nothing ordered for a set that waits."""
    for part in found.parts:
        asking = [text for text in told(part) if asks(text)]
        assert not asking or part.opens or part.action in WAITS, f"{part.id}: {asking}"
    assert not [one.set for one in found.sets if one.to_order and one.action in (Action.MEASURE, Action.REFER)]
    said = [reason.text for one in found.sets for reason in one.reasons] + [one.text for one in found.notices]
    if found.whole:
        assert not [text for text in (*said, *(t for part in found.parts for t in told(part))) if asks(text)]


def well_said(found: Assessment) -> None:
    """No reason against its verdict, no half sentence; whoever is sent to measure is told what, or why."""
    for part in found.parts:
        if part.action is Action.REUSE:
            assert not [one for one in part.figures if one.called is Called.BEYOND], part.id
        if part.action is Action.MEASURE:
            assert _what(part), f"{part.id}: {part.headline}"
    every = [text for part in found.parts for text in told(part)]
    every += [reason.text for one in found.sets for reason in one.reasons] + [one.text for one in found.doubts]
    every += [f"{one.count} {one.what} {one.words}" for each in found.sets for one in each.to_order]
    for text in every:
        assert not re.search(r"as told|, :|None|\{|  | \.|\(\)", text), text


def _what(part: PartReport) -> bool:
    """Whether somebody who is sent to measure is told what to do, or why he has to: by what is left to read or do,
    a sentence that asks, what would settle it, or a headline that says more than "measure"."""
    asked = any(asks(reason.text) for reason in part.reasons)
    told_so = part.headline not in ("Measure", "Not settled")
    return bool(part.to_read or part.still_to_do or part.would_change or asked or told_so)


def kept(path: Path) -> Job:
    return read_job(json.dumps(json.loads(path.read_text(encoding="utf-8"))["file"])).job


@pytest.mark.parametrize("path", JOBS, ids=lambda path: path.stem)
def test_no_kept_job_is_whole_while_a_sentence_asks(path: Path) -> None:
    for job in (kept(path), looked_at(kept(path), at=NOON)):
        found = assess(job)
        held_to(found)
        well_said(found)


@pytest.mark.parametrize("tried", EFFECTS, ids=repr)
def test_what_an_answer_asks_for_waits(tried: Tried) -> None:
    found = assess(tried.job())
    held_to(found)
    well_said(found)


def test_what_keeps_nothing_back_asks_for_nothing() -> None:
    quiet = (Does.ADVISES, Does.HARMLESS, Does.RECORDS, Does.GOOD)
    for row in CATALOGUE.looks.values():
        for answer in row.answers:
            for effect in answer.does:
                assert effect.does not in quiet or not asks(effect.words), f"{row.key}: {answer.text}"
