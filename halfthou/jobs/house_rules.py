"""House rules: where good shops disagree, the school this shop keeps."""

from enum import StrEnum
from typing import Annotated

from pydantic import Field, model_validator

from halfthou.jobs.document import Document
from halfthou.jobs.temperatures import Celsius
from halfthou.lengths import ZERO, Length


class Guard(StrEnum):
    """How far from a limit a value must lie to be called. Source: docs/trade: Decision rule; ISO 14253-1
    (recalled)."""

    ONE_SIDED_95 = "1.645u"
    TWO_U = "2u"


class HardenedCrank(StrEnum):
    """Whether a case-hardened crank is ground here. Good shops disagree: docs/trade: Hardness and fillets."""

    NEVER = "never ground"
    WITHIN_CASE = "ground within the case"


class GlazedBore(StrEnum):
    """What becomes of a bore that is glazed and still round. Good shops disagree: docs/trade: Bores, schools."""

    LIGHT_HONE = "light hone"
    LEAVE = "leave alone"
    FULL_HONE = "always full hone"


class WornBore(StrEnum):
    """What becomes of worn bores whose pistons are good. Good shops disagree: docs/trade: Bores, schools."""

    OVERSIZE = "first oversize, new pistons"
    THIN_SLEEVE = "thin sleeves, keep the pistons"


class PumpAfterMetal(StrEnum):
    """What becomes of a pump that metal went through. Good shops disagree.

    Source:  docs/trade: The pump that fed a failure."""

    MEASURE = "flush, measure, reuse if within"
    NEW = "new regardless"


class StripFar(StrEnum):
    """How far an engine is stripped. Good shops disagree. Source: docs/trade: How far to strip."""

    EVERYTHING = "everything"
    FIRST_FATAL = "to the first fatal fault"


class UsedShells(StrEnum):
    """What becomes of used half bearings within their limits. Good shops disagree.

    Source:  docs/trade: Used half bearings and blue rods."""

    REFIT = "refit within limits"
    NEW = "always new when open"


class BlueRod(StrEnum):
    """What becomes of a rod that went blue. Good shops disagree.

    Source:  docs/trade: Used half bearings and blue rods."""

    SCRAP = "scrapped"
    TEST = "resized after hardness and crack test"


class StretchBolts(StrEnum):
    """What becomes of stretch bolts. Good shops disagree. Source: docs/trade: Fasteners."""

    NEW = "always new"
    MEASURED = "by measured stretch"


class CrackTest(StrEnum):
    """After which grinds a crank is crack-tested. Good shops disagree. Source: common practice, no source."""

    EVERY = "after every grind"
    HARDENED = "hardened, hot or straightened cranks only"


class BentCrank(StrEnum):
    """What becomes of a bent crank. Good shops disagree. Source: docs/trade: Run-out."""

    STRAIGHTEN = "straightened cold"
    REPLACE = "replaced"


class Chamfers(StrEnum):
    """When the oil holes of a ground crank are chamfered again. Good shops disagree. Source: common practice, no
    source."""

    EVERY = "after every grind"
    SHARP = "where an edge is sharp"


class HouseRules(Document):
    """The shop's choices, as exact lengths; a unit only changes how they are shown.

    `confirmed` says that an owner has chosen them: a default that nobody confirmed asks, it never rejects.
    `polish_allowance` is what a polish takes off the diameter. `least_band` is the narrowest band a grinder is
    asked to hold, half the maker's band where that is smaller. `keep_axis`: journals are ground about the axis they
    have. `mixed_sizes`: journals of one set may stand at different undersizes. `crack_test` says after which
    grinds a crank is crack-tested, `bent_crank` whether a bent one is straightened here, `chamfers` when its
    oil holes are chamfered again. `check_stands_h` is for
    how many hours a setting check of a gauge with a zero stands. `shop_c` is the temperature of the shop where a
    sitting says nothing else; `spread_k` is how far part and gauge may differ though they have lain side by side.
    Of bores: `light_hone` is what a light hone takes off the wall, on diameter, `hone_stock` what is left for the
    final hone;
    `keep_bore_axis` that they are bored where they stand, `torque_plate` that plates are fitted to bore and
    measure. `pistons_keep` says that a piston that is used again goes back into its own bore; `pump_after_metal`
    what becomes of a pump that fed a failure. Of the strip: `strip_far` how far it goes where a fault can end the
    job, `stretch_bolts` what becomes of them, `bolt_growth` how much longer than new one may be, `keep_shells` that
    old half bearings are kept as evidence until the engine is handed over. Of the evidence: `used_shells` what
    becomes of used half bearings, `blue_rod` of a rod that went blue."""

    confirmed: bool = True

    guard: Guard = Guard.ONE_SIDED_95
    hardened_crank: HardenedCrank = HardenedCrank.NEVER
    polish_allowance: Length = Length(7_620)
    least_band: Length = Length(12_700)
    keep_axis: bool = True
    mixed_sizes: bool = False
    light_hone: Length = Length(12_700)
    hone_stock: Length = Length(63_500)
    keep_bore_axis: bool = True
    torque_plate: bool = True
    glazed_bore: GlazedBore = GlazedBore.LIGHT_HONE
    worn_bore: WornBore = WornBore.OVERSIZE
    pistons_keep: bool = True
    pump_after_metal: PumpAfterMetal = PumpAfterMetal.MEASURE
    strip_far: StripFar = StripFar.EVERYTHING
    stretch_bolts: StretchBolts = StretchBolts.NEW
    bolt_growth: Length = Length(25_400)
    keep_shells: bool = True
    used_shells: UsedShells = UsedShells.NEW
    blue_rod: BlueRod = BlueRod.SCRAP
    crack_test: CrackTest = CrackTest.EVERY
    bent_crank: BentCrank = BentCrank.STRAIGHTEN
    chamfers: Chamfers = Chamfers.EVERY
    check_stands_h: Annotated[int, Field(ge=1, le=168)] = 24
    shop_c: Celsius = 20.0
    spread_k: Annotated[float, Field(ge=0, le=10)] = 1.0

    @model_validator(mode="after")
    def _plausible(self) -> "HouseRules":
        if not ZERO <= self.polish_allowance <= Length(50_800):
            raise ValueError("the polish allowance must lie between nothing and 0.002 in")
        if not ZERO <= self.light_hone <= Length(50_800):
            raise ValueError("a light hone takes between nothing and 0.002 in")
        if not ZERO <= self.hone_stock <= Length(254_000):
            raise ValueError("the hone stock must lie between nothing and 0.010 in")
        if not ZERO < self.bolt_growth <= Length(508_000):
            raise ValueError("a bolt may have grown by more than nothing and at most 0.020 in")
        if not ZERO < self.least_band <= Length(101_600):
            raise ValueError("the least workable band must be more than nothing and at most 0.004 in")
        return self
