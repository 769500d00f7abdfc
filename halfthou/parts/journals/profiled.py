"""A journal of which a radial profile was taken: what it cleans up at about its axis, one moved, one tilted."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property

from halfthou.engines import Drawing, FeatureKind
from halfthou.gauges import expanded, standard_doubt
from halfthou.jobs import Purpose
from halfthou.lengths import Length
from halfthou.surveys import At, Axis, FeatureSurvey, Inscribed, PartSurvey, has_hole, largest_inside

PROFILE = "profile"
#: Every 30 degrees, front and rear. Source: judgement: worn forms have two or three dips in a turn.
DEGREES, PLANES = tuple(range(0, 360, 30)), ("1", "2")
#: Spots are named by plane and angle: 1-30 is the front at 30 degrees.
SPOTS = {f"{plane}-{deg}": deg for plane in PLANES for deg in DEGREES}
#: No surface dips deeper than this from one angle to the next: the decimal point slipped. 0.1 in. Source: common
#: practice, no source.
DEEPEST = Length(2_540_000)

FEATURE = FeatureKind(
    PROFILE,
    PROFILE,
    Purpose.RUN_OUT,
    spots=tuple(SPOTS),
    angles_deg=SPOTS,
    planned=False,
    drawing=Drawing.ROUND,
    hold="about the axis it is ground about, on top, clear of the oil hole",
    small=True,
    may_be_nothing=True,
    signed=True,
    most=DEEPEST,
    kept_as="the size it cleans up at",
)


@dataclass(frozen=True)
class Profiled:
    """A profile with the diameters that say how large the journal is: a dial tells form, a micrometer size.

    Lengths are radii and offsets in nm.
    """

    dial: FeatureSurvey
    diameters: FeatureSurvey

    @cached_property
    def hole(self) -> bool:
        """Whether a plane of it has a hole, so that nothing follows."""
        read = self.dial.counts
        return any(
            has_hole([deg for spot, deg in SPOTS.items() if spot in read and spot.startswith(f"{plane}-")])
            for plane in PLANES
        )

    @cached_property
    def points(self) -> tuple[At, ...]:
        """Every place read, its radius set so that the mean diameter by the dial is that by the micrometer."""
        read = self.dial.counts
        middle = sum(size.nm for size in self.diameters.sizes.values()) / len(self.diameters.sizes) / 2
        mean = sum(read.values()) / len(read)
        return tuple(
            At(float(deg), -0.5 if spot[0] == PLANES[0] else 0.5, middle + read[spot] - mean)
            for spot, deg in SPOTS.items()
            if spot in read
        )

    def inside(self, axis: Axis) -> Inscribed:
        """The largest true cylinder in it, about such an axis."""
        return self._inside[axis]

    @cached_property
    def _inside(self) -> dict[Axis, Inscribed]:
        return {axis: largest_inside(self.points, axis) for axis in Axis}

    def cleans_up(self, axis: Axis) -> Length:
        """The diameter it cleans up at about such an axis, to the nanometre below.

        Rule:    surveys.profile.
        """
        return Length(int(2 * self.inside(axis).radius))

    @property
    def doubt(self) -> Length:
        """The expanded uncertainty of what it cleans up at: of the size, and twice that of the dial."""
        spot = next(iter(self.diameters.sizes))
        size = standard_doubt(self.diameters.budget(spot))
        dial = max(standard_doubt(self.dial.budget(one)) for one in self.dial.counts)
        return expanded((size**2 + (2 * dial) ** 2) ** 0.5)


def profiled(part: PartSurvey, diameters: FeatureSurvey) -> Profiled | None:
    """The profile of a journal; None where none was taken, or no diameter says how large it is."""
    dial = part.features.get(PROFILE)
    if dial is None or not dial.counts or not diameters.sizes or dial.held:
        return None
    return Profiled(dial, diameters)
