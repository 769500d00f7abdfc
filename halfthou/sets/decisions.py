"""What people decided, as it stands: of each set, part and matter the last."""

from __future__ import annotations

from halfthou.jobs import Decision, DecisionKind, Job, Waived


def standing_decisions(job: Job) -> dict[tuple[str, str, Waived | None], Decision]:
    """The decisions that stand: the last of each set, part and matter that was made here and not taken back."""
    last: dict[tuple[str, str, Waived | None], Decision] = {}
    for decision in sorted(job.decisions, key=lambda d: (d.at, d.id)):
        if not decision.made_elsewhere:
            last[decision.set, decision.part or "", decision.about] = decision
    return {key: one for key, one in last.items() if one.kind is not DecisionKind.TAKEN_BACK}


def waived_of(job: Job) -> dict[str, frozenset[Waived]]:
    """What is waived of each part."""
    found: dict[str, frozenset[Waived]] = {}
    for (_, part, about), decision in standing_decisions(job).items():
        if decision.kind is DecisionKind.WAIVED and part:
            found[part] = found.get(part, frozenset()) | {about or Waived.READINGS}
    return found
