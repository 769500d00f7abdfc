"""Weights, forces, angles and pressures against their limits: the same rule as for lengths, in their own units."""

from __future__ import annotations

import math
from dataclasses import dataclass

from halfthou.amounts import Amount, Quantity
from halfthou.gauges import GUARD_FACTOR, standard_doubt
from halfthou.jobs import AmountBand, Guard, SourceKind
from halfthou.lengths import Length
from halfthou.surveys import FeatureSurvey
from halfthou.verdicts.finding import Called, call, conformance


@dataclass(frozen=True, slots=True)
class AmountFinding:
    """A judged amount that is no length. `to_spare`, `guard` and `doubt` are in the smallest units of its
    quantity."""

    key: str
    rule: str
    name: str
    called: Called
    quantity: Quantity
    value: Amount
    limit: int
    limit_is_least: bool
    to_spare: int
    guard: int
    doubt: float
    part: str
    feature: str
    spots: tuple[str, ...]
    by_rule_of_thumb: bool = False

    @property
    def probability(self) -> float:
        """The probability that it truly conforms, for showing."""
        return conformance(Length(self.to_spare), self.doubt)


def count_of(amount: Amount) -> int:
    """The whole smallest units of an amount."""
    return amount.nm if isinstance(amount, Length) else amount.count


def judge_amount(
    survey: FeatureSurvey, what: tuple[str, str, str], band: AmountBand, guard: Guard
) -> tuple[AmountFinding, ...]:
    """What was read of a feature that is no length, against each end of its band; the worst spot for each.

    Takes:   the key, rule and name of the figure.
    Gives:   nothing where it is not read, or where the band is of another quantity.
    Rule:    verdicts.guard-band, verdicts.rule-of-thumb, as for lengths.
    """
    read = survey.amounts
    if not read or band.quantity is not survey.feature.quantity:
        return ()
    found = []
    for limit, is_least in ((band.least, True), (band.most, False)):
        if limit is None:
            continue
        pick = min if is_least else max
        spot = pick(read, key=lambda one: count_of(read[one]))
        found.append(_against(survey, what, (limit, is_least, band.source.kind), (spot, guard)))
    return tuple(found)


def _against(
    survey: FeatureSurvey,
    what: tuple[str, str, str],
    limit: tuple[int, bool, SourceKind],
    where: tuple[str, Guard],
) -> AmountFinding:
    (key, rule, name), (bound, is_least, source), (spot, guard) = what, limit, where
    value, doubt = survey.amounts[spot], standard_doubt(survey.budget(spot))
    spare = count_of(value) - bound if is_least else bound - count_of(value)
    band = math.ceil(GUARD_FACTOR[guard] * doubt)
    thumb = source is SourceKind.RULE_OF_THUMB
    return AmountFinding(
        key=f"{key} {'least' if is_least else 'most'}",
        rule=rule,
        name=f"{name}, {'least' if is_least else 'most'}",
        called=Called.TOO_CLOSE if thumb else call(Length(spare), Length(band)),
        quantity=survey.feature.quantity,
        value=value,
        limit=bound,
        limit_is_least=is_least,
        to_spare=spare,
        guard=band,
        doubt=doubt,
        part=survey.part.id,
        feature=survey.feature.key,
        spots=(spot,),
        by_rule_of_thumb=thumb,
    )
