"""House rules over HTTP."""

from django.http import HttpRequest
from ninja import Router, Schema

from halfthou.jobs import Guard, HardenedCrank, HouseRules
from halfthou.lengths import Notation, Unit
from workshop.house import actions
from workshop.people.api import signed_in

router = Router(tags=["house rules"])


class HouseRulesShape(Schema):
    """The house rules; the polish allowance as text with its unit."""

    guard: Guard
    hardened_crank: HardenedCrank
    polish_allowance: str


def _out(rules: HouseRules) -> HouseRulesShape:
    text = Notation(Unit.INCH, 5).text(rules.polish_allowance).rstrip("0")
    return HouseRulesShape(guard=rules.guard, hardened_crank=rules.hardened_crank, polish_allowance=f"{text} in")


@router.get("", response=HouseRulesShape)
def get_rules(request: HttpRequest) -> HouseRulesShape:
    """The rules in force."""
    return _out(actions.rules_in_force())


@router.put("", response=HouseRulesShape)
def keep_rules(request: HttpRequest, given: HouseRulesShape) -> HouseRulesShape:
    """Choose them."""
    person = signed_in(request)
    return _out(actions.keep_rules(person, given.guard, given.hardened_crank, given.polish_allowance))
