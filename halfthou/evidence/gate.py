"""The gate: an engine is not closed up with its cause open unless somebody signs for that, in words.

Rule:    causes.gate.   Source: docs/trade: The gate, common practice.
"""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.causes import CAUSES, LEFT_BY_CAUSES, Weighed, Word, proof_of
from halfthou.evidence.contaminated import Contaminated
from halfthou.jobs import CauseSaid, ComplaintKind, Document, Job, Remedy, RemedyHow, Stand
from halfthou.report import OpenAtGate, OpenKind


class Gate(Document):
    """How the cause stands when the engine is to be closed. `asked` says that this job has a failure to explain;
    `open` that signing wants words for it, for each of `items` by itself. `found` by which proof, `removed` by
    which operation, part or work."""

    asked: bool
    open: bool
    found: tuple[str, ...]
    removed: tuple[str, ...]
    items: tuple[OpenAtGate, ...]
    words: str


NOT_ASKED = Gate(asked=False, open=False, found=(), removed=(), items=(), words="")
Found = tuple[str, str, str]


def gate_of(job: Job, weighed: Weighed, *, begun: bool, dirty: tuple[Contaminated, ...] = ()) -> Gate:
    """Whether the cause is found and removed.

    A job with no failure to explain (no complaint, nothing seen that fails) has no gate. "Found" needs a proof: a
    settling look that came out for it; a person who settles without one answers for it in words at the signature.
    "Removed" needs an operation, a part or work done elsewhere, done; a check only where the check is what clears
    it. What harms nothing needs no removal. Parts that metal went through and that nobody has dealt with, a second
    cause that is likely, and what made the cause, where nobody looked for that, keep it shut as well.

    Takes:   whether the evidence is begun; the parts that metal went through and that are still open.
    """
    if not asked_of(job, weighed, begun=begun):
        return NOT_ASKED
    said = job.standing(job.causes_said)
    causes = _found(weighed, said[-1] if said else None)
    done = {one.cause: one for one in job.standing(job.remedies) if _counts(one, weighed)}
    items = tuple(_items(job, weighed, causes, dirty))
    return Gate(
        asked=True,
        open=bool(items),
        found=tuple(f"{name}: {proof}" for _, name, proof in causes),
        removed=tuple(f"{name}: {done[key].told} ({done[key].by})" for key, name, _ in causes if key in done),
        items=items,
        words=" ".join(_in_short(items)) or "Found and removed.",
    )


def _in_short(items: tuple[OpenAtGate, ...]) -> Iterator[str]:
    """What is open, with the parts that metal went through by their number."""
    dirty = sum(one.kind is OpenKind.METAL for one in items)
    yield from (one.words for one in items if one.kind is not OpenKind.METAL)
    if dirty:
        parts = "part that metal went through is" if dirty == 1 else "parts that metal went through are"
        yield f"{dirty} {parts} still to be washed, checked or renewed."


def _items(
    job: Job, weighed: Weighed, causes: list[Found], dirty: tuple[Contaminated, ...]
) -> Iterator[OpenAtGate]:
    """What keeps the gate shut, each by itself."""
    if causes:
        yield from _of_found(job, weighed, causes)
    else:
        yield OpenAtGate(key="cause", kind=OpenKind.NOT_FOUND, words=_not_found(job))
    for one in dirty:
        words = f"{one.name}: metal went through it, and it is not washed, checked or renewed."
        yield OpenAtGate(key=f"metal.{one.key}", kind=OpenKind.METAL, words=words, part=one.name)


def _of_found(job: Job, weighed: Weighed, causes: list[Found]) -> Iterator[OpenAtGate]:
    """What is open of the causes that are found: not removed yet, another beside them, what made them."""
    found = {key for key, _, _ in causes}
    remedies = job.standing(job.remedies)
    for key, name, _ in causes:
        if key in CAUSES and CAUSES[key].harmless:
            continue
        own = [one for one in remedies if one.cause == key]
        if not any(_counts(one, weighed) for one in own):
            words = _not_removed(name, own)
            yield OpenAtGate(key=f"left.{key}", kind=OpenKind.NOT_REMOVED, words=words)
    for key, word in weighed.words.items():
        if word is Word.LIKELY and key not in found:
            words = f"Likely too: {CAUSES[key].name}."
            yield OpenAtGate(key=f"likely.{key}", kind=OpenKind.LIKELY_TOO, words=words)
    yield from _why(weighed, found)


def _counts(remedy: Remedy, weighed: Weighed) -> bool:
    """Whether a remedy removes its cause: it is done, and a check is one that clears it and came out so."""
    if remedy.how is not RemedyHow.CHECK:
        return remedy.done
    clears = CAUSES[remedy.cause].checked_by if remedy.cause in CAUSES else ()
    return remedy.done and any(sign in weighed.evidence.seen for sign in clears)


def _not_removed(name: str, remedies: list[Remedy]) -> str:
    if not remedies:
        return f"Found and not yet removed: {name}."
    last = remedies[-1]
    if not last.done:
        return f"{name}: not done yet: {last.told}."
    return f"{name}: {last.told} clears nothing until its check is written down as passed."


def _why(weighed: Weighed, found: set[str]) -> Iterator[OpenAtGate]:
    """What made a cause that is found, where something usually does and nobody has looked."""
    for key in found & CAUSES.keys():
        behind = [cause.key for cause in CAUSES.values() if cause.brings.get(key, 0) >= OFTEN_MADE]
        words = {weighed.words[one] for one in behind}
        if set(CAUSES[key].explained_by) & weighed.evidence.seen.keys():
            continue
        if behind and not words & {Word.PROVED, Word.LIKELY} and words & {Word.NOT_LOOKED, Word.POSSIBLE}:
            names = "; ".join(CAUSES[one].name for one in behind if weighed.words[one] in _UNSETTLED)
            said = f"{CAUSES[key].name}: what made it is not known yet. It may be: {names}."
            yield OpenAtGate(key=f"why.{key}", kind=OpenKind.WHY, words=said)


#: A cause that another makes at least this often has a "why" of its own. Source: judgement.
OFTEN_MADE = 0.3
_UNSETTLED = (Word.NOT_LOOKED, Word.POSSIBLE)


def asked_of(job: Job, weighed: Weighed, *, begun: bool) -> bool:
    """Whether a job has a failure to explain: a complaint, a person's word on the cause, or damage on the board."""
    return bool(
        weighed.evidence.complaint - {ComplaintKind.NONE}
        or job.standing(job.causes_said)
        or (begun and LEFT_BY_CAUSES & weighed.evidence.seen.keys())
    )


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


def _not_found(job: Job) -> str:
    """Why no cause counts as found, in words."""
    said = job.standing(job.causes_said)
    if not said:
        return "The cause is not found."
    last = said[-1]
    if last.stand is Stand.OPEN:
        return f"Left open by {last.by}: {last.reason}"
    name = CAUSES[last.cause].name if last.cause in CAUSES else last.cause or last.words
    return f"{last.by} settled on {name}, without a proof: {last.reason}"
