"""The measuring plan: in how many planes and at which angles each journal is read."""

import re
from enum import StrEnum
from functools import cached_property
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document

ANGLE_LETTERS = "abcdefgh"
#: Closer angles read the same spot; wider gaps leave an ellipse undetermined. Source: geometry.
CLOSEST_DEG, WIDEST_DEG = 15, 90


_OF_A_PLAN = re.compile(r"([1-9])([a-h])")


def plane_and_angle(spot: str) -> tuple[int, str] | None:
    """The plane and the letter of the angle that the name of a spot of a plan says; None where it says none.

    >>> plane_and_angle("2c"), plane_and_angle("rim 4")
    ((2, 'c'), None)
    """
    found = _OF_A_PLAN.fullmatch(spot)
    return (int(found[1]), found[2]) if found is not None else None


def along(plane: int, planes: int) -> int:
    """Where so many planes put one of them, in twelfths from the front plane (0) to the rear (12): always whole."""
    return 12 * (plane - 1) // (planes - 1)


class ReadingOrder(StrEnum):
    """In which order the spots come, to suit the hand."""

    ROUND_ONE_JOURNAL = "one journal round"
    ALONG_THE_SHAFT = "all journals at one angle"


class Plan(Document):
    """Planes are numbered from the front; angles are degrees from the throw (mains: from cylinder 1 top dead
    centre), lettered a, b, c and so on. Source: docs/trade: Where to measure, common practice."""

    planes: Annotated[int, Field(ge=2, le=5)] = 2
    angles_deg: Annotated[tuple[int, ...], Field(min_length=2, max_length=8)] = (0, 45, 90, 135)
    order: ReadingOrder = ReadingOrder.ROUND_ONE_JOURNAL

    @model_validator(mode="after")
    def _spread(self) -> "Plan":
        if any(not 0 <= angle < 180 for angle in self.angles_deg):
            raise ValueError("angles lie from 0 up to 180 degrees: beyond that the gauge reads the same again")
        if len(set(self.angles_deg)) != len(self.angles_deg):
            raise ValueError("one angle is listed twice")
        turned = sorted(self.angles_deg)
        gaps = [after - before for before, after in zip(turned, [*turned[1:], turned[0] + 180], strict=True)]
        if min(gaps) < CLOSEST_DEG or max(gaps) > WIDEST_DEG:
            raise ValueError("spread the angles: at least 15 degrees apart, and no gap wider than 90")
        return self

    @cached_property
    def spots(self) -> tuple[str, ...]:
        """The spots in the order they are read: 1a, 1b … 2a, 2b …"""
        letters = ANGLE_LETTERS[: len(self.angles_deg)]
        return tuple(f"{plane}{letter}" for plane in range(1, self.planes + 1) for letter in letters)

    def along_of(self, spot: str) -> int:
        """Where along the journal a spot lies, in twelfths from the front plane to the rear. Refuses: KeyError
        where it is no spot of a plan."""
        return along(_said(spot)[0], self.planes)

    def angle_of(self, spot: str) -> int:
        """The angle of a spot in degrees. Refuses: KeyError where it is no spot of a plan."""
        return self.angles_deg[ANGLE_LETTERS.index(_said(spot)[1])]


def _said(spot: str) -> tuple[int, str]:
    found = plane_and_angle(spot)
    if found is None:
        raise KeyError(f"{spot} is no spot of a plan")
    return found
