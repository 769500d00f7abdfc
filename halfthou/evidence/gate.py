"""The gate: an engine is not closed up with its cause open unless somebody signs for that, in words.

Rule:    causes.gate.   Source: docs/trade: The gate, common practice.
"""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.causes import CAUSES, LEFT_BY_CAUSES, Weighed, Word, proof_of
from halfthou.jobs import CauseSaid, ComplaintKind, Document, Job, Remedy, Stand


class Gate(Document):
    """How the cause stands when the engine is to be closed. `asked` says that this job has a failure to explain;
    `open` that signing wants words for it. `found` by which proof, `removed` by which operation or part."""

    asked: bool
    open: bool
    found: tuple[str, ...]
    removed: tuple[str, ...]
    words: str


NOT_ASKED = Gate(asked=False, open=False, found=(), removed=(), words="")


def gate_of(job: Job, weighed: Weighed, *, begun: bool, dirty: int = 0) -> Gate:
    """Whether the cause is found and removed.

    A job with no failure to explain (no complaint, nothing seen that fails) has no gate. "Found" needs a proof: a
    settling look that came out for it; a person who settles without one answers for it in words at the signature.
    "Removed" needs an operation or a part. What harms nothing needs no removal. Parts that metal went through and
    that nobody has dealt with, and a second cause that is likely, keep it open as well.

    Takes:   whether the evidence is begun; how many parts that metal went through are still open.
    """
    if not asked_of(job, weighed, begun=begun):
        return NOT_ASKED
    said = job.standing(job.causes_said)
    last = said[-1] if said else None
    remedies = {one.cause: one for one in job.standing(job.remedies)}
    causes = _found(weighed, last)
    found = tuple(f"{name}: {proof}" for _, name, proof in causes)
    removed = tuple(f"{name}: {_remedy(remedies[key])}" for key, name, _ in causes if key in remedies)
    harmless = [key for key, _, _ in causes if key in CAUSES and CAUSES[key].harmless]
    left = [name for key, name, _ in causes if key not in remedies and key not in harmless]
    beside = tuple(_beside(weighed, {key for key, _, _ in causes}, dirty))
    words = " ".join((_words(causes, left, last), *beside))
    is_open = not causes or bool(left or beside)
    return Gate(asked=True, open=is_open, found=found, removed=removed, words=words)


def _beside(weighed: Weighed, found: set[str], dirty: int) -> Iterator[str]:
    """What keeps the gate shut beside the cause that is found."""
    likely = [CAUSES[key].name for key, word in weighed.words.items() if word is Word.LIKELY and key not in found]
    if found and likely:
        yield f"Likely too: {', '.join(likely)}."
    if found and dirty:
        parts = "part that metal went through is" if dirty == 1 else "parts that metal went through are"
        yield f"{dirty} {parts} still to be washed, checked or renewed."


def asked_of(job: Job, weighed: Weighed, *, begun: bool) -> bool:
    """Whether a job has a failure to explain: a complaint, a person's word on the cause, or damage on the board."""
    return bool(
        weighed.evidence.complaint - {ComplaintKind.NONE}
        or job.standing(job.causes_said)
        or (begun and LEFT_BY_CAUSES & weighed.evidence.seen.keys())
    )


Found = tuple[str, str, str]


def _found(weighed: Weighed, last: CauseSaid | None) -> list[Found]:
    """The causes that are found: those proved. Where a person leaves it open, or settles on another without a
    proof, none is."""
    found: list[Found] = []
    for key in weighed.order:
        if weighed.words[key] is Word.PROVED:
            signs = proof_of(CAUSES[key], weighed.evidence)
            words = "; ".join(_proof(sign, weighed) for sign in signs)
            found.append((key, CAUSES[key].name, words))
    proved = {key for key, _, _ in found}
    if last is None or (last.stand is Stand.SETTLED and last.cause in proved):
        return found
    return []


def _proof(sign: str, weighed: Weighed) -> str:
    from_ = weighed.evidence.seen[sign].words
    return from_[0] if from_ else sign


def _remedy(one: Remedy) -> str:
    return f"{one.words} ({one.by})"


def _words(causes: list[Found], left: list[str], last: CauseSaid | None) -> str:
    if last is not None and last.stand is Stand.OPEN:
        return f"Left open by {last.by}: {last.reason}"
    if not causes and last is not None:
        name = CAUSES[last.cause].name if last.cause in CAUSES else last.cause or last.words
        return f"{last.by} settled on {name}, without a proof: {last.reason}"
    if not causes:
        return "The cause is not found."
    if left:
        return f"Found and not yet removed: {', '.join(left)}."
    return "Found and removed."
