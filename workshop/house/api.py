"""House rules over HTTP."""

from django.http import HttpRequest
from ninja import Router

from halfthou.jobs import HouseRules
from halfthou.lengths import Notation, Unit
from workshop.house import actions
from workshop.house.actions import HouseRulesForm
from workshop.people.api import signed_in

router = Router(tags=["house rules"])


def _out(rules: HouseRules) -> HouseRulesForm:
    text = Notation(Unit.INCH, 5).text(rules.polish_allowance).rstrip("0")
    return HouseRulesForm(
        guard=rules.guard,
        hardened_crank=rules.hardened_crank,
        polish_allowance=f"{text} in",
        shop_c=f"{rules.shop_c:g}",
        spread_k=f"{rules.spread_k:g}",
    )


@router.get("", response=HouseRulesForm)
def get_rules(request: HttpRequest) -> HouseRulesForm:
    """The rules in force."""
    return _out(actions.rules_in_force())


@router.put("", response=HouseRulesForm)
def keep_rules(request: HttpRequest, given: HouseRulesForm) -> HouseRulesForm:
    """Choose them."""
    return _out(actions.keep_rules(signed_in(request), given))
