"""The house rules in force, and changing them."""

from pydantic import ValidationError

from halfthou.exchange import Fault, faults_of
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


def keep_rules(owner: Person, guard: Guard, hardened: HardenedCrank, polish: str) -> HouseRules:
    """Choose the shop's schools. Jobs already signed keep what they were judged by."""
    must(owner, Act.KEEP_HOUSE_RULES)
    try:
        allowance = read_length(polish, Unit.INCH)
        if not isinstance(allowance, Typed):
            raise Refusal(
                "two-ways",
                "Write the polish allowance with in or mm.",
                [Fault("polish_allowance", "can be read two ways")],
            )
        rules = HouseRules(guard=guard, hardened_crank=hardened, polish_allowance=allowance.length)
    except Unreadable as error:
        raise Refusal("unreadable", error.message, [Fault("polish_allowance", error.message)]) from None
    except ValidationError as error:
        raise Refusal("bad-rules", "The house rules were not kept.", faults_of(error)) from None
    HouseRulesRecord.objects.create(document=rules.model_dump(mode="json"), by=owner.username)
    return rules
