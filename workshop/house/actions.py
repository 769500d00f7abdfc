"""The house rules in force, and changing them."""

from typing import Any

from django.db import transaction
from ninja import Schema
from pydantic import Field, ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.gauges import read_celsius
from halfthou.jobs import (
    BentCrank,
    BlueRod,
    Chamfers,
    CrackTest,
    GlazedBore,
    Guard,
    HardenedCrank,
    HouseRules,
    PumpAfterMetal,
    StretchBolts,
    StripFar,
    UsedShells,
    WornBore,
)
from halfthou.lengths import Length, Typed, Unit, Unreadable, read_length
from workshop.house.models import HouseRulesRecord
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Clash, Refusal


def rules_in_force() -> HouseRules:
    """The newest house rules; those the program starts with count as confirmed by nobody."""
    newest = HouseRulesRecord.objects.order_by("-id").first()
    return HouseRules.model_validate(newest.document) if newest else HouseRules(confirmed=False)


def version_in_force() -> int:
    """Which version of the house rules is in force: 0 before an owner has chosen any."""
    newest = HouseRulesRecord.objects.order_by("-id").values_list("id", flat=True).first()
    return newest or 0


class HouseRulesForm(Schema):
    """The house rules as typed: lengths with their unit, temperatures in degrees Celsius or with F.

    `version` is that of the rules it was changed from; `sure` says that odd ones were looked at.
    """

    version: int = 0
    sure: bool = False
    confirmed: bool = False
    guard: Guard
    hardened_crank: HardenedCrank
    polish_allowance: str = Field(max_length=200)
    least_band: str = Field(default="0.0005 in", max_length=200)
    keep_axis: bool = True
    mixed_sizes: bool = False
    light_hone: str = Field(default="0.0005 in", max_length=200)
    hone_stock: str = Field(default="0.0025 in", max_length=200)
    keep_bore_axis: bool = True
    torque_plate: bool = True
    glazed_bore: GlazedBore = GlazedBore.LIGHT_HONE
    worn_bore: WornBore = WornBore.OVERSIZE
    pistons_keep: bool = True
    pump_after_metal: PumpAfterMetal = PumpAfterMetal.MEASURE
    strip_far: StripFar = StripFar.EVERYTHING
    stretch_bolts: StretchBolts = StretchBolts.NEW
    bolt_growth: str = Field(default="0.001 in", max_length=200)
    keep_shells: bool = True
    used_shells: UsedShells = UsedShells.NEW
    blue_rod: BlueRod = BlueRod.SCRAP
    crack_test: CrackTest = CrackTest.EVERY
    bent_crank: BentCrank = BentCrank.STRAIGHTEN
    chamfers: Chamfers = Chamfers.EVERY
    check_stands_h: int = 24
    shop_c: str = Field(default="20", max_length=40)
    spread_k: str = Field(default="1", max_length=40)


#: The rules that are chosen, not typed.
CHOSEN = {
    "guard",
    "hardened_crank",
    "keep_axis",
    "mixed_sizes",
    "keep_bore_axis",
    "torque_plate",
    "glazed_bore",
    "worn_bore",
    "pistons_keep",
    "pump_after_metal",
    "check_stands_h",
    "strip_far",
    "stretch_bolts",
    "keep_shells",
    "used_shells",
    "blue_rod",
    "crack_test",
    "bent_crank",
    "chamfers",
}
#: A shop colder or warmer than this is asked about. Source: common practice, no source.
COLD_C, WARM_C = 5.0, 40.0


@transaction.atomic
def keep_rules(owner: Person, given: HouseRulesForm) -> HouseRules:
    """Choose the shop's schools. Jobs already signed keep what they were judged by."""
    must(owner, Act.KEEP_HOUSE_RULES)
    if given.version != version_in_force():
        newest = HouseRulesRecord.objects.order_by("-id").first()
        who = newest.by if newest else "Somebody"
        message = f"{who} changed the house rules meanwhile. Yours are not kept yet: look at what they are now."
        raise Clash("changed-meanwhile", message)
    rules = rules_from(given)
    if not COLD_C <= rules.shop_c <= WARM_C and not given.sure:
        asked = [Fault("shop_c", f"A shop at {rules.shop_c:g} °C? Keep it only if that is so.")]
        raise Refusal("odd-rules", "The house rules ask about themselves. Look at what is marked.", asked)
    HouseRulesRecord.objects.create(document=rules.model_dump(mode="json"), by=owner.username)
    return rules


def rules_from(given: HouseRulesForm) -> HouseRules:
    """The rules as typed, chosen by an owner. Refuses: Refusal where one cannot be read, or cannot be."""
    faults: list[Fault] = []
    values: dict[str, Any] = {
        "polish_allowance": _length(given.polish_allowance, "polish_allowance", faults),
        "least_band": _length(given.least_band, "least_band", faults),
        "light_hone": _length(given.light_hone, "light_hone", faults),
        "hone_stock": _length(given.hone_stock, "hone_stock", faults),
        "bolt_growth": _length(given.bolt_growth, "bolt_growth", faults),
        "shop_c": _degrees(given.shop_c, "shop_c", faults),
        "spread_k": _degrees(given.spread_k, "spread_k", faults),
    }
    if faults:
        raise Refusal("bad-rules", "The house rules were not kept. Mend what is marked.", faults)
    try:
        return HouseRules(confirmed=True, **given.dict(include=CHOSEN), **values)
    except ValidationError as error:
        raise Refusal(
            "bad-rules", "The house rules were not kept. Mend what is marked.", faults_of(error)
        ) from None


def _length(text: str, field: str, faults: list[Fault]) -> Length | None:
    try:
        found = read_length(text, Unit.INCH)
    except Unreadable as error:
        faults.append(Fault(field, error.message))
        return None
    if not isinstance(found, Typed):
        faults.append(Fault(field, found.in_words))
        return None
    return found.length


def _degrees(text: str, field: str, faults: list[Fault]) -> float | None:
    try:
        return read_celsius(text)
    except Unreadable as error:
        faults.append(Fault(field, error.message))
        return None
