"""A scale that holds the new size, the limit, every step that can be bought, and the readings."""

from __future__ import annotations

from halfthou.jobs import JournalLimits
from halfthou.lengths import ZERO, Length, Notation, Unit
from halfthou.report.documents import Graduation, Scale, StepShown
from halfthou.sets import SetVerdict, regrind_steps
from halfthou.verdicts import Action
from halfthou.words import step_words

#: Graduations to choose from, in nm: as on steel rules. Every fifth or tenth carries a figure.
_SCALES = {
    Unit.INCH: (2_540, 5_080, 12_700, 25_400, 50_800, 127_000, 254_000, 508_000),
    Unit.MM: (2_000, 5_000, 10_000, 20_000, 50_000, 100_000, 200_000, 500_000),
}
MOST_GRADUATIONS = 50


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
            chosen=decided.action is Action.REGRIND and decided.undersize == rung.step,
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


def graduations(top: int, bottom: int, say: Notation) -> tuple[Graduation, ...]:
    """The lines of a scale between two sizes in nm, as close as can be read; every fifth or tenth has its size."""
    scales = _SCALES[say.unit]
    step = next((s for s in scales if (top - bottom) // s <= MOST_GRADUATIONS), scales[-1])
    first = -(-bottom // step)
    figured = step * (10 if step * 10 * 3 <= top - bottom else 5)
    return tuple(
        Graduation(nm=nm, text=_figure(nm, figured, say))
        for nm in (n * step for n in range(first, top // step + 1))
    )


def _figure(nm: int, figured: int, say: Notation) -> str:
    return say.text(Length(nm)) if nm % figured == 0 else ""
