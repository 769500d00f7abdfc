"""What a bench was told, and what it is told next: the ledger alone, by hand."""

from __future__ import annotations

import json
from typing import Any

from tests.telling import Told
from workshop.record.ledger import Ledger, Piece


def pieces(**changed: Any) -> dict[Piece, bytes]:
    """A small bench in pieces: one line, one line of the assessment, two parts and a set."""
    whole: dict[Piece, Any] = {
        ("bench", "card"): {"title": changed.get("title", "Ferry winch")},
        ("assessment", "waits_for"): changed.get("waits_for", "the first reading"),
        ("parts", "R1"): {"id": "R1", "headline": changed.get("R1", "not read")},
        ("parts", "R2"): {"id": "R2", "headline": changed.get("R2", "not read")},
        ("sets", "rods"): {"set": "rods", "headline": changed.get("rods", "not read")},
    }
    if "R3" in changed:
        whole["parts", "R3"] = {"id": "R3", "headline": changed["R3"]}
    return {piece: json.dumps(told).encode() for piece, told in whole.items()}


def since(ledger: Ledger, state: str) -> dict[str, Any]:
    found: dict[str, Any] = json.loads(ledger.since(state))
    return found


def started() -> tuple[Ledger, str]:
    ledger = Ledger()
    ledger.write(1, pieces())
    return ledger, str(json.loads(ledger.whole())["state"])


def test_the_whole_stands_as_its_pieces_do() -> None:
    ledger, state = started()
    whole = json.loads(ledger.whole())
    assert whole["card"] == {"title": "Ferry winch"}
    assert [part["id"] for part in whole["assessment"]["parts"]] == ["R1", "R2"]
    assert whole["assessment"]["waits_for"] == "the first reading"
    assert since(ledger, state)["parts"] == []


def test_what_changed_in_two_steps_is_told_of_both_to_who_knew_the_first_state() -> None:
    ledger, first = started()
    ledger.write(2, pieces(R1="reuse"))
    second = since(ledger, first)["state"]
    ledger.write(3, pieces(R1="reuse", R2="regrind", rods="regrind"))
    late, prompt = since(ledger, first), since(ledger, second)
    assert [part["id"] for part in late["parts"]] == ["R1", "R2"]
    assert [part["id"] for part in prompt["parts"]] == ["R2"]
    assert [one["set"] for one in prompt["sets"]] == ["rods"]
    assert late["state"] == prompt["state"]


def test_what_goes_back_to_what_it_was_is_told_again() -> None:
    """A reading taken back: the part says again what it said, and who heard of the reading must hear of that."""
    ledger, _ = started()
    ledger.write(2, pieces(R1="reuse"))
    heard = json.loads(ledger.whole())["state"]
    ledger.write(3, pieces())
    assert [part["headline"] for part in since(ledger, heard)["parts"]] == ["not read"]


def test_an_older_state_of_the_job_that_comes_late_is_left_out() -> None:
    """Two threads: the one that read the job first may be the last to tell of it."""
    ledger, first = started()
    ledger.write(5, pieces(R1="reuse"))
    ledger.write(4, pieces())
    assert [part["headline"] for part in since(ledger, first)["parts"]] == ["reuse"]


def test_nothing_new_makes_no_new_state() -> None:
    ledger, state = started()
    ledger.write(2, pieces())
    assert since(ledger, state)["state"] == state


def test_other_parts_are_another_beginning_and_told_whole() -> None:
    ledger, state = started()
    ledger.write(2, pieces(R3="not read"))
    changed = since(ledger, state)
    assert changed["whole"]
    told = Told({"assessment": {}, "state": ""})
    told.hear(changed)
    assert told.bench == json.loads(ledger.whole())
    assert [part["id"] for part in told.bench["assessment"]["parts"]] == ["R1", "R2", "R3"]


def test_two_servers_never_take_each_others_states_for_their_own() -> None:
    one, state = started()
    other, _ = started()
    assert since(other, state)["whole"]
    assert not since(one, state)["whole"]
