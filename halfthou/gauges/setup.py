"""One way of reading: this gauge, checked so, in this hand, this warm. What every reading of it shares."""

from __future__ import annotations

import math
from dataclasses import dataclass

from halfthou.amounts import Quantity
from halfthou.gauges.budget import RECTANGLE, Budget, BudgetTerm, TermKind
from halfthou.gauges.repeatability import Repeatability
from halfthou.gauges.setting import Setting, Settings, in_force
from halfthou.gauges.temperature import COEFFICIENTS, REFERENCE_C, Warmth, at_reference, growth_of
from halfthou.jobs import COMPARATORS, Gauge
from halfthou.lengths import ZERO, Length


@dataclass(frozen=True, slots=True)
class Cabinet:
    """The gauges by id, and their checks worked out."""

    gauges: dict[str, Gauge]
    settings: Settings


@dataclass(frozen=True, slots=True)
class Setup:
    """How a reading was taken.

    `part` and `scale` are material and temperature of part and gauge; `spread_k` how far they may differ all the
    same; `rise_k` how much warmer than taken the part may be; `sitting` names what is common to one sitting.
    """

    gauge: Gauge
    setting: Setting | None
    repeat: Repeatability
    part: Warmth
    scale: Warmth
    spread_k: float
    rise_k: int
    sitting: str

    def corrected(self, read: Length) -> Length:
        """What was read, its zero error taken off, at 20 degrees. What is no length stands as it was read."""
        if self.gauge.quantity is not Quantity.LENGTH:
            return read
        size = read if self.setting is None else read - self.setting.zero
        return size if self.part.growth == self.scale.growth else at_reference(size, self.part, self.scale)

    def may_be_less(self, size: Length) -> Length:
        """How much smaller the part may be once it has cooled; nothing where its temperature is known."""
        return growth_of(size, self.part.material, self.rise_k) if self.rise_k else ZERO


@dataclass(frozen=True, slots=True)
class SpotRead:
    """What tells one reading's own doubt from another's: the reading, and the part and spot it was taken at."""

    reading: str
    part: str
    spot: str


def own_terms(setup: Setup, place: SpotRead) -> Budget:
    """What no other spot shares: one step of the scale and the repeatability of the hand.

    Rule:    gauges.budget.   Source: GUM 4.2, F.2.2.1, recalled; docs/trade: A micrometer's budget.
    """
    step = setup.gauge.step / (2 * RECTANGLE)
    return (
        BudgetTerm(TermKind.RESOLUTION, f"step {setup.gauge.id} {place.part} {place.spot}", step),
        BudgetTerm(setup.repeat.kind, f"reading {place.reading}", setup.repeat.nm),
    )


def shared_terms(setup: Setup, size: Length, part: str, cabinet: Cabinet) -> Budget:
    """What every reading of one part in one sitting shares: the scale, and warmth that nobody measured.

    Rule:    gauges.budget.   Source: GUM 4.3, recalled; docs/trade: A micrometer's budget; docs/trade: What
             cancels.
    """
    terms = scale_terms(setup.gauge, setup.setting, size, cabinet)
    if setup.gauge.quantity is not Quantity.LENGTH:
        return tuple(terms)
    expansion = COEFFICIENTS[setup.part.material]
    if setup.spread_k:
        warmth = size.nm * expansion.ppb * setup.spread_k / 1e9 / RECTANGLE
        terms.append(BudgetTerm(TermKind.WARMTH, f"warmth {setup.sitting} {part}", warmth))
    away = max(abs(setup.part.celsius - REFERENCE_C), abs(setup.scale.celsius - REFERENCE_C))
    if away:
        coefficient = size.nm * expansion.spread_ppb * away / 1e9 / RECTANGLE
        terms.append(BudgetTerm(TermKind.COEFFICIENT, f"expansion {setup.part.material.value}", coefficient))
    return tuple(terms)


def scale_terms(gauge: Gauge, setting: Setting | None, size: Length, cabinet: Cabinet) -> list[BudgetTerm]:
    """What the scale of a gauge adds, and what it inherits from the standard or master it was set by.

    A comparator inherits its master whole and adds its own stroke. Any other gauge checked near the size is as good
    as that check; checked elsewhere or not at all, its permissible error counts.
    """
    comparator = gauge.kind in COMPARATORS
    own = gauge.may_err / RECTANGLE
    if setting is None or not (comparator or setting.near(size)):
        return [BudgetTerm(TermKind.SCALE, f"scale {gauge.id}", own)]
    check = setting.check
    terms = _standard_terms(setting, cabinet)
    count = len(check.read)
    # Half a graduation is as much as can be said of a hand from a few readings of a setting.
    scatter = gauge.resolution.nm / 2 if gauge.repeatability is None else gauge.repeatability.nm
    spread = math.hypot(scatter / math.sqrt(count), gauge.resolution.nm / (2 * RECTANGLE))
    terms.append(BudgetTerm(TermKind.SETTING, f"setting {check.id}", spread))
    if setting.drift is not None and setting.drift != ZERO and not comparator:
        terms.append(BudgetTerm(TermKind.DRIFT, f"drift {check.id}", abs(setting.drift.nm) / RECTANGLE))
    if comparator:
        terms.append(BudgetTerm(TermKind.DIAL, f"dial {gauge.id}", own))
    return terms


def _standard_terms(setting: Setting, cabinet: Cabinet) -> list[BudgetTerm]:
    check = setting.check
    master = cabinet.gauges.get(check.against) if check.against else None
    if master is None:
        return [BudgetTerm(TermKind.STANDARD, f"standard {check.id}", check.standard_error.nm / RECTANGLE)]
    its_own = in_force(cabinet.settings.get(master.id, ()), check.at, setting.standard)
    return scale_terms(master, its_own, setting.standard, cabinet)


def after_check(setup: Setup) -> float:
    """The scale's standard uncertainty in nm if the gauge were checked now on a good standard near the size.

    Source: as `scale_terms`; a standard good to ±1 µm, read three times.
    """
    gauge = setup.gauge
    scatter = setup.repeat.nm / RECTANGLE
    step = gauge.resolution.nm / (2 * RECTANGLE)
    dial = gauge.permissible_error.nm / RECTANGLE if gauge.kind in COMPARATORS else 0.0
    return math.sqrt((1_000 / RECTANGLE) ** 2 + scatter**2 + step**2 + dial**2)
