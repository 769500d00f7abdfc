"""The picture of a radial profile: the worn form, the circles it cleans up at, the steps that lie round it."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.jobs import Hardening
from halfthou.lengths import Notation
from halfthou.parts.journals.decide import SetVerdict, regrind_steps
from halfthou.parts.journals.hardening import case_left
from halfthou.parts.journals.profiled import SPOTS, Profiled
from halfthou.report import ProfileCircle, ProfilePoint, ProfileShown
from halfthou.surveys import Axis
from halfthou.words import step_words

#: So many steps below the profile are drawn: further ones would shrink its form to nothing.
_STEPS_DRAWN = 2


def profiles_shown(decided: SetVerdict, say: Notation) -> Iterator[ProfileShown]:
    """Every profile of a set that goes all the way round, as it is drawn.

    Rule:    surveys.profile.
    """
    for name, verdict in decided.case.verdicts.items():
        profile = verdict.case.profile
        if profile is None or profile.hole:
            continue
        middle = sum(at.radius for at in profile.points) / len(profile.points)
        read = [spot for spot in SPOTS if spot in profile.dial.counts]
        yield ProfileShown(
            part=name,
            name=decided.called(name),
            words=_words(profile, say),
            points=tuple(
                ProfilePoint(plane=int(spot[0]), deg=at.deg, nm=round(at.radius - middle, 1))
                for spot, at in zip(read, profile.points, strict=True)
            ),
            circles=(*_clean(profile, middle, say), *_steps(decided, profile, middle, say)),
        )


def _words(profile: Profiled, say: Notation) -> str:
    fixed, moved, tilted = (say.text(profile.cleans_up(axis)) for axis in Axis)
    return f"Cleans up at {fixed} about its axis, {moved} with the axis moved, {tilted} moved and tilted."


def _clean(profile: Profiled, middle: float, say: Notation) -> Iterator[ProfileCircle]:
    for axis, words in ((Axis.FIXED, "axis kept"), (Axis.MOVED, "axis moved")):
        found = profile.inside(axis)
        yield ProfileCircle(
            words=f"{say.text(profile.cleans_up(axis))}, {words}",
            clean=True,
            nm=round(found.radius - middle, 1),
            x_nm=round(found.x, 1),
            y_nm=round(found.y, 1),
        )


def _steps(decided: SetVerdict, profile: Profiled, middle: float, say: Notation) -> Iterator[ProfileCircle]:
    """The least size of each step, to the second that lies inside the profile; with the case left there."""
    limits = decided.case.limits
    inside = profile.inside(Axis.FIXED).radius
    drawn = 0
    for rung in regrind_steps(limits, decided.case.present):
        radius = (limits.size.least - rung.step).nm / 2
        if drawn == _STEPS_DRAWN:
            return
        drawn += radius <= inside
        left = ""
        if limits.case_depth is not None and limits.hardening not in (Hardening.NONE, Hardening.UNKNOWN):
            left = say.text(case_left(limits.case_depth.value, rung.step))
        yield ProfileCircle(
            words=step_words(rung.step, say), clean=False, nm=round(radius - middle, 1), case_left=left
        )
