"""The list the other way round: what must be on before what, by the same rules, with what belongs to each step."""

from __future__ import annotations

from collections.abc import Sequence

from halfthou.jobs import Document, FastenerKind, FastenerState, Job
from halfthou.strip.order import TURNS, emitted
from halfthou.strip.standing import Strip
from halfthou.strip.step import StripStep
from halfthou.strip.tie import Binds, Tie
from halfthou.words import Caution

#: What is used once only, by the work that fits it. Source: common practice, the maker's manual comes first.
_ONCE = {
    "filter.off": "filter", "head.off": "head gasket", "covers.off": "gasket of the covers",
    "pan.off": "gasket of the pan",
    "front-cover.off": "seal of the cover", "flywheel.off": "flywheel bolts", "rear-seal.off": "rear seal",
    "head.bolts": "head bolts, where they stretch", "cap-rod.off": "rod bolts, where they stretch",
    "pin.out": "clips of the pin", "core-plugs.out": "core plugs", "pickup.off": "seal of the pickup",
    "liner.out": "seals of the liner", "barrel.off": "seal of the barrel", "damper.off": "bolt of the damper",
}  # fmt: skip


class FittingStep(Document):
    """A step of putting together: what is done, after which others, what is new for it, which marks must agree."""

    id: str
    section: str
    text: str
    after: tuple[str, ...]
    once: str
    marks: tuple[str, ...]
    cautions: tuple[Caution, ...]


def other_way(job: Job) -> tuple[FittingStep, ...]:
    """The engine put together, step by step: what held comes on after what it held, groups together, ties by
    position, the crank turned for each rod again.

    Rule:    strip.other-way.
    """
    strip = Strip(job)
    fitted = [step for step in strip.steps if step.fit and not _missing(strip, step)]
    texts = {step.id: step.fit for step in fitted}
    back: dict[str, dict[str, Tie]] = {step.id: {} for step in fitted}
    after: dict[str, list[str]] = {step.id: [] for step in fitted}
    for step in fitted:
        for one in step.held:
            if one.step in back and one.rule != TURNS:
                back[one.step][step.id] = _BACK
                if one.stands_before:
                    after[one.step].append(step.id)
    _turned_for(fitted, back)
    return tuple(
        FittingStep(
            id=step.id,
            section=step.section,
            text=step.fit,
            after=tuple(texts[key] for key in after[step.id]),
            once=_ONCE.get(step.family, ""),
            marks=tuple(
                f"{strip.places[key].short}: {bears}" for key in step.takes if (bears := strip.marks.bears(key))
            ),
            cautions=step.cautions,
        )
        for step in emitted(_runs_back(fitted), back)
    )


#: What came off later goes on sooner.
_BACK = Tie("strip.other-way", Binds.ORDER, "", "", "it came off later")


def _runs_back(steps: Sequence[StripStep]) -> list[StripStep]:
    """The steps run by run from the end, each run in its own order: a run is of one section and one stand of the
    crank."""
    runs: list[list[StripStep]] = []
    for nth, step in enumerate(steps):
        if nth == 0 or step.family == "turn" or step.section != steps[nth - 1].section:
            runs.append([])
        runs[-1].append(step)
    return [step for run in reversed(runs) for step in run]


def _turned_for(steps: Sequence[StripStep], back: dict[str, dict[str, Tie]]) -> None:
    """The crank is turned before what is done at its stand, and after what was done at the stand before."""
    turn, later = "", list[str]()
    stands: list[tuple[str, list[str]]] = []
    for step in steps:
        if step.family == "turn":
            turn, later = step.id, []
            stands.append((turn, later))
        elif step.at is not None and turn:
            later.append(step.id)
    for nth, (turn, own) in enumerate(stands):
        for name in own:
            back[name][turn] = _BACK
        if nth + 1 < len(stands):
            back[turn].update(dict.fromkeys(stands[nth + 1][1], _BACK))


def _missing(strip: Strip, step: StripStep) -> bool:
    done = strip.done.get(step.id)
    return done is not None and not done.there


def to_renew(job: Job) -> tuple[str, ...]:
    """The fasteners that were written down as to be renewed, for the list's foot."""
    return tuple(
        f"{one.count} × {one.place}"
        for one in job.standing(job.fasteners)
        if one.kind is not FastenerKind.REUSABLE or one.state is not FastenerState.RIGHT
    )
