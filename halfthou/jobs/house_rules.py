"""House rules: where good shops disagree, the school this shop keeps."""

from enum import StrEnum

from pydantic import model_validator

from halfthou.jobs.document import Document
from halfthou.lengths import ZERO, Length


class Guard(StrEnum):
    """How far from a limit a value must lie to be called. Source: design 8.1; ISO 14253-1 (recalled)."""

    ONE_SIDED_95 = "1.645u"
    TWO_U = "2u"


class HardenedCrank(StrEnum):
    """Whether a case-hardened crank is ground here. Source: the-work, where good shops disagree."""

    NEVER = "never ground"
    WITHIN_CASE = "ground within the case"


class HouseRules(Document):
    """The shop's choices. `polish_allowance` is what a polish takes off the diameter (handbook D8: 0.0003 in)."""

    guard: Guard = Guard.ONE_SIDED_95
    hardened_crank: HardenedCrank = HardenedCrank.NEVER
    polish_allowance: Length = Length(7_620)

    @model_validator(mode="after")
    def _plausible(self) -> "HouseRules":
        if not ZERO <= self.polish_allowance <= Length(50_800):
            raise ValueError("the polish allowance must lie between nothing and 0.002 in")
        return self
