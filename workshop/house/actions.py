"""The house rules in force, and changing them."""

from ninja import Schema
from pydantic import ValidationError

from halfthou.exchange import Fault, faults_of
from halfthou.gauges import read_celsius
from halfthou.jobs import Guard, HardenedCrank, HouseRules
from halfthou.lengths import Typed, Unit, Unreadable, read_length
from workshop.house.models import HouseRulesRecord
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import Refusal


def rules_in_force() -> HouseRules:
    """The newest house rules, or those the program starts with."""
    newest = HouseRulesRecord.objects.order_by("-id").first()
    return HouseRules.model_validate(newest.document) if newest else HouseRules()


class HouseRulesForm(Schema):
    """The house rules as typed: the polish allowance with its unit, temperatures in degrees Celsius or with F."""

    guard: Guard
    hardened_crank: HardenedCrank
    polish_allowance: str
    shop_c: str = "20"
    spread_k: str = "1"


def keep_rules(owner: Person, given: HouseRulesForm) -> HouseRules:
    """Choose the shop's schools. Jobs already signed keep what they were judged by."""
    must(owner, Act.KEEP_HOUSE_RULES)
    try:
        allowance = read_length(given.polish_allowance, Unit.INCH)
        if not isinstance(allowance, Typed):
            raise Refusal(
                "two-ways",
                "Write the polish allowance with in or mm.",
                [Fault("polish_allowance", "can be read two ways")],
            )
        rules = HouseRules(
            guard=given.guard,
            hardened_crank=given.hardened_crank,
            polish_allowance=allowance.length,
            shop_c=_degrees(given.shop_c, "shop_c"),
            spread_k=_degrees(given.spread_k, "spread_k"),
        )
    except Unreadable as error:
        raise Refusal("unreadable", error.message, [Fault("polish_allowance", error.message)]) from None
    except ValidationError as error:
        raise Refusal("bad-rules", "The house rules were not kept.", faults_of(error)) from None
    HouseRulesRecord.objects.create(document=rules.model_dump(mode="json"), by=owner.username)
    return rules


def _degrees(text: str, field: str) -> float:
    try:
        return read_celsius(text)
    except Unreadable as error:
        raise Refusal(error.code, error.message, [Fault(field, error.message)]) from None
