"""House rules: where good shops disagree, the school this shop keeps."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document
from halfthou.jobs.temperatures import Celsius
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
    """The shop's choices. `polish_allowance` is what a polish takes off the diameter (handbook D8: 0.0003 in).

    `shop_c` is the temperature of the shop where a sitting says nothing else; `spread_k` is how far part and gauge
    may differ though they have lain side by side (handbook C3: 1 K either way).
    """

    guard: Guard = Guard.ONE_SIDED_95
    hardened_crank: HardenedCrank = HardenedCrank.NEVER
    polish_allowance: Length = Length(7_620)
    shop_c: Celsius = 20.0
    spread_k: Annotated[float, Field(ge=0, le=10)] = 1.0

    @model_validator(mode="after")
    def _plausible(self) -> "HouseRules":
        if not ZERO <= self.polish_allowance <= Length(50_800):
            raise ValueError("the polish allowance must lie between nothing and 0.002 in")
        return self
