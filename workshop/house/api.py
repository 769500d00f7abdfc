"""House rules over HTTP."""

from django.http import HttpRequest
from ninja import Router

from halfthou.exchange import exact_text
from halfthou.jobs import HouseRules
from halfthou.lengths import Length, Unit
from workshop.house import actions
from workshop.house.actions import HouseRulesForm
from workshop.people.api import signed_in

router = Router(tags=["house rules"])


def _text(length: Length) -> str:
    """A length to the last nanometre, in the unit it is a round number of."""
    text, unit = exact_text(length, Unit.INCH)
    return f"{text} {unit.value}"


def _out(rules: HouseRules) -> HouseRulesForm:
    return HouseRulesForm(
        version=actions.version_in_force(),
        confirmed=rules.confirmed,
        guard=rules.guard,
        hardened_crank=rules.hardened_crank,
        polish_allowance=_text(rules.polish_allowance),
        least_band=_text(rules.least_band),
        keep_axis=rules.keep_axis,
        mixed_sizes=rules.mixed_sizes,
        light_hone=_text(rules.light_hone),
        hone_stock=_text(rules.hone_stock),
        keep_bore_axis=rules.keep_bore_axis,
        torque_plate=rules.torque_plate,
        glazed_bore=rules.glazed_bore,
        worn_bore=rules.worn_bore,
        pistons_keep=rules.pistons_keep,
        pump_after_metal=rules.pump_after_metal,
        check_stands_h=rules.check_stands_h,
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
