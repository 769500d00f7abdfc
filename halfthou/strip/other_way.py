"""The list the other way round: what must be on before what, by the same rules, with what belongs to each step."""

from __future__ import annotations

from halfthou.jobs import Document, FastenerKind, FastenerState, Job
from halfthou.strip.standing import Strip
from halfthou.strip.step import StripStep
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
    """The engine put together, step by step: the strip list read from its end, without what only takes apart.

    Rule:    strip.other-way.
    """
    strip = Strip(job)
    back = [step for step in reversed(strip.steps) if step.fit and not _missing(strip, step)]
    here = {step.id for step in back}
    comes_after: dict[str, list[str]] = {step.id: [] for step in back}
    for step in strip.steps:
        for one in step.held:
            if one.step in here and step.id in here and one.stands_before:
                comes_after[one.step].append(step.id)
    texts = {step.id: step.fit for step in back}
    return tuple(
        FittingStep(
            id=step.id,
            section=step.section,
            text=step.fit,
            after=tuple(texts[key] for key in comes_after[step.id]),
            once=_ONCE.get(step.family, ""),
            marks=tuple(
                f"{strip.places[key].short}: {strip.marks.bears(key)}"
                for key in step.takes
                if strip.marks.bears(key)
            ),
            cautions=step.cautions,
        )
        for step in back
    )


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
