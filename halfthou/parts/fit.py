"""A piston in its bore: the clearance, and whether the bore or the piston is to blame where it is too much."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field, replace

from halfthou.jobs import Band, Figure, Guard, HouseRules, OperationKind, SetLimits, SetName, Source, SourceKind
from halfthou.lengths import ZERO, Length
from halfthou.parts.pieces.places import places_of
from halfthou.parts.trade import Given
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts import FigureKind, Finding, Limit, greatest, judge, least, summed

PISTONS, BORES, RINGS = SetName.PISTONS.value, SetName.BORES.value, SetName.RINGS.value
SKIRT = "skirt"
CAST, HYPER, F4032, F2618 = "cast", "hypereutectic", "forged 4032", "forged 2618"
#: A skirt further below new than this was not read at its gauge point: the ring land is 0.015 to 0.040 in smaller.
#: Source: docs/trade: Measuring a piston, from memory.
NOT_THE_SKIRT = Length(304_800)
#: Clearance per inch of bore by alloy, in ten-millionths: the least and the most.
#: Source: docs/trade: Piston clearance, common practice; the piston maker's sheet wins.
PER_INCH: dict[str, tuple[int, int]] = {
    CAST: (5_000, 7_500),
    HYPER: (4_000, 6_000),
    F4032: (6_000, 9_000),
    F2618: (9_000, 12_000),
}
LEAST = FigureKind("piston clearance least", "pistons.clearance", "piston clearance, least", difference=False)
MOST = FigureKind("piston clearance most", "pistons.clearance", "piston clearance, most", difference=False)
WITH_NEW = FigureKind("clearance of a new piston", "pistons.bore-or-piston", "clearance of a new piston", False)


@dataclass(frozen=True, slots=True)
class ClearanceLimits:
    """What clearance is allowed: the least, the most when new, the most in a worn bore, and what is aimed at."""

    band: Band
    worn: Figure
    target: Length


def typical_clearance(bore: Length, alloy: str) -> Band | None:
    """The clearance usual for an alloy in a bore: a rule of thumb, which alone accepts nothing.

    Source:  docs/trade: Piston clearance, common practice.
    By hand: a cast piston in 4 in: 0.0020 to 0.0030 in.
    >>> band = typical_clearance(Length(101_600_000), CAST)
    >>> (band.least.nm, band.most.nm) if band else None
    (50800, 76200)
    """
    found = PER_INCH.get(alloy)
    if found is None:
        return None
    low, high = (Length(bore.nm * per // 10**7) for per in found)
    thumb = Source(kind=SourceKind.RULE_OF_THUMB, place="typical for the alloy")
    return Band(least=low, most=high, source=thumb)


def clearance_limits(pistons: SetLimits, bores: SetLimits | None) -> ClearanceLimits | None:
    """The clearance of the piston maker, else of the bores' sheet, else what is typical; None where none is known.

    Rule:    pistons.clearance.
    """
    size = bores.band("size") if bores is not None else None
    typical = typical_clearance(size.least, pistons.made.get("alloy", "")) if size is not None else None
    band = pistons.band("clearance") or (bores.band("clearance") if bores is not None else None) or typical
    if band is None:
        return None
    worn = pistons.figure("clearance_worn") or Figure(value=band.most, source=band.source)
    aimed = pistons.figure("target_clearance")
    target = aimed.value if aimed is not None else Length((band.least.nm + band.most.nm) // 2)
    return ClearanceLimits(band, worn, target)


@dataclass(frozen=True)
class Fit:
    """A piston and the bore it lies in, as they were read, with what clearance is allowed.

    `new` is the size of a new piston of the bore's step; `bore` None where the bore is not read whole or is to be
    machined first: then nothing is said of the clearance.
    """

    skirt: FeatureSurvey | None
    bore: FeatureSurvey | None
    limits: ClearanceLimits | None
    new: Band | None = None
    _known: dict[Guard, tuple[Finding, ...]] = field(default_factory=dict, init=False, compare=False, repr=False)

    def findings(self, house: HouseRules) -> tuple[Finding, ...]:
        """The clearance: least against least, most against what a worn bore may have. Worked out once for both."""
        if house.guard not in self._known:
            self._known[house.guard] = tuple(self._findings(house))
        return self._known[house.guard]

    def _findings(self, house: HouseRules) -> Iterator[Finding]:
        if self.skirt is None or self.bore is None or self.limits is None:
            return
        skirt, band, worn = greatest(self.skirt, -1), self.limits.band, self.limits.worn
        tight = summed(LEAST, (least(self.bore), skirt), house.guard)
        loose = summed(MOST, (greatest(self.bore), skirt), house.guard)
        if tight is not None:
            yield judge(tight, Limit(band.least, True, band.source.kind))
        if loose is not None:
            yield judge(loose, Limit(worn.value, False, worn.source.kind))

    @property
    def least(self) -> Length | None:
        """The least clearance as measured; below nothing where the piston reads larger than its bore."""
        if self.skirt is None or self.bore is None or not self.skirt.sizes or not self.bore.sizes:
            return None
        return min(self.bore.sizes.values()) - max(self.skirt.sizes.values())

    def with_new(self, house: HouseRules, step: Length) -> Finding | None:
        """The clearance that the largest new piston would have in the widest place of the bore: where that is too
        much, the bore is to blame and a new piston does not mend it.

        Takes:   the oversize the bore stands at.

        Rule:    pistons.bore-or-piston.
        """
        if self.bore is None or self.limits is None or self.new is None:
            return None
        found = summed(WITH_NEW, (greatest(self.bore),), house.guard, ZERO - self.new.most - step)
        worn = self.limits.worn
        return None if found is None else judge(found, Limit(worn.value, False, worn.source.kind))


def _finished(given: Given, bore: str) -> bool:
    """Whether a bore was bored or sleeved on record: then it is held to what is allowed when new.

    Rule:    pistons.clearance.
    """
    sized = (OperationKind.BORE, OperationKind.SLEEVE)
    return any(one.kind in sized and bore in given.engine.touched(one.on) for one in given.job.standing_operations)


def fit_in(given: Given, place: str) -> Fit | None:
    """How the piston that lies in a place fits the bore there, as far as both are read at the right place.

    Takes:   the place, by the piston that came in it.
    Gives:   None where the pistons are not in scope; a fit without a skirt where no piston lies there, the height
             of its gauge point is not known, or it reads like a land.
    """
    job = given.job
    if PISTONS not in job.sets:
        return None
    limits, bores = job.limits.sets[PISTONS], job.limits.sets.get(BORES)
    here = next((piece for piece, at in places_of(given, PISTONS).items() if at == place), None)
    bore = given.surveys.get(place.replace("piston-", "bore-"))
    skirt = given.surveys[here].features.get(SKIRT) if here is not None else None
    size = limits.band("size")
    usable = (
        skirt is not None
        and skirt.whole
        and size is not None
        and limits.figure("gauge_height") is not None
        and next(iter(skirt.sizes.values())) > size.least - NOT_THE_SKIRT
    )
    read = bore.features.get("diameter") if bore is not None else None
    allowed = given.memo.of("clearance of pistons", clearance_limits, limits, bores)
    if allowed is not None and bore is not None and _finished(given, bore.part.id):
        allowed = replace(allowed, worn=Figure(value=allowed.band.most, source=allowed.band.source))
    whole = read if read is not None and read.whole else None
    return given.memo.of(("fit", place), Fit, skirt if usable else None, whole, allowed, size)
