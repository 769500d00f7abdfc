"""The scale of a set of journals: from above new to below the size it goes to, with every step sold."""

from __future__ import annotations

from halfthou.lengths import ZERO, Length, Notation
from halfthou.parts.journals.decide import SetVerdict, regrind_steps
from halfthou.parts.journals.limits import JournalLimits
from halfthou.report import Scale, StepShown, graduations
from halfthou.verdicts import Action
from halfthou.words import step_words


def steps_shown(decided: SetVerdict, say: Notation) -> tuple[StepShown, ...]:
    """Every undersize below the present size, and how the set stands to it."""
    limits = decided.case.limits
    numbers = {shell.size: shell.part_number for shell in limits.shells}
    return tuple(
        StepShown(
            step=say.shown(rung.step),
            words=step_words(rung.step, say),
            least=say.shown(limits.size.least - rung.step),
            most=say.shown(limits.size.most - rung.step),
            can_be_bought=rung.sold,
            allowed=rung.allowed,
            part_number=numbers[rung.step],
            chosen=decided.action is Action.REGRIND and rung.step in (decided.undersize, *decided.others.values()),
            outlook=_outlook(decided, rung.step, say),
        )
        for rung in regrind_steps(limits, decided.case.present)
    )


def _outlook(decided: SetVerdict, undersize: Length, say: Notation) -> str:
    if decided.choice is None:
        return ""
    outlook = decided.choice.at(undersize)
    if outlook is None:
        return ""
    if not outlook.rung.sold:
        return "no shells"
    if not outlook.rung.allowed:
        return "below the maker's smallest"
    if outlook.misses and outlook.to_spare == ZERO:
        return "leaves nothing"
    if outlook.misses:
        return f"misses by {say.text(-outlook.to_spare)}"
    if outlook.tight:
        return f"tight, {say.text(outlook.to_spare)} left"
    return f"{say.text(outlook.to_spare)} to spare"


def scale_of(decided: SetVerdict, steps: tuple[StepShown, ...], say: Notation) -> Scale:
    """The scale for a set: from just above new to just below the size it goes to, or its least reading."""
    limits = decided.case.limits
    present = decided.case.present
    top, bottom = _ends(decided, steps)
    limit = next(iter(decided.case.verdicts.values())).case.size_limit
    return Scale(
        top_nm=top,
        bottom_nm=bottom,
        graduations=graduations(top, bottom, say),
        new_least=say.shown(limits.size.least - present),
        new_most=say.shown(limits.size.most - present),
        limit=say.shown(limit.value),
        limit_words="service limit" if limits.service_least else "least when new",
        steps=steps,
    )


def _ends(decided: SetVerdict, steps: tuple[StepShown, ...]) -> tuple[int, int]:
    limits: JournalLimits = decided.case.limits
    present = decided.case.present
    top = limits.size.most - present
    low = limits.size.least - present
    chosen = [n for n, step in enumerate(steps) if step.chosen]
    shown = steps[: chosen[0] + 2] if chosen else steps[:1]
    lows = [low.nm, *(step.least.nm for step in shown)]
    highs = [top.nm]
    for verdict in decided.case.verdicts.values():
        form = verdict.case.survey.form
        if form is None:
            continue
        lows.append(form.size_found.nm)
        highs.append(form.greatest.value.nm)
        if verdict.clean_up is not None and verdict.needs_machining:
            lows.append(verdict.clean_up.sure.nm)
    if limits.service_least:
        lows.append((limits.service_least.value - present).nm)
    margin = max((max(highs) - min(lows)) // 25, 10_000)
    return max(highs) + margin, min(lows) - margin
