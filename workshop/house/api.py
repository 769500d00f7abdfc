"""House rules over HTTP."""

from django.http import HttpRequest
from ninja import Router, Schema

from halfthou.exchange import exact_text
from halfthou.jobs import HouseRules
from halfthou.lengths import Length, Unit
from halfthou.words import SCHOOLS, About, School
from workshop.house import actions, looks
from workshop.house.actions import HouseRulesForm
from workshop.house.looks import LookTableForm, LookTableOut
from workshop.people.api import signed_in

router = Router(tags=["house rules"])


def _text(length: Length) -> str:
    """A length to the last nanometre, in the unit it is a round number of."""
    text, unit = exact_text(length, Unit.INCH)
    return f"{text} {unit.value}"


def _out(rules: HouseRules) -> HouseRulesForm:
    chosen = {name: getattr(rules, name) for name in actions.CHOSEN}
    return HouseRulesForm(
        version=actions.version_in_force(),
        confirmed=rules.confirmed,
        polish_allowance=_text(rules.polish_allowance),
        least_band=_text(rules.least_band),
        light_hone=_text(rules.light_hone),
        hone_stock=_text(rules.hone_stock),
        bolt_growth=_text(rules.bolt_growth),
        shop_c=f"{rules.shop_c:g}",
        spread_k=f"{rules.spread_k:g}",
        **chosen,
    )


@router.get("", response=HouseRulesForm)
def get_rules(request: HttpRequest) -> HouseRulesForm:
    """The rules in force."""
    return _out(actions.rules_in_force())


class WayOut(Schema):
    """One way of a school: its value in the house rules, what it is called, why."""

    value: str | bool
    title: str
    why: str


class SchoolOut(Schema):
    """A house rule that is a choice among schools."""

    rule: str
    about: About
    title: str
    ways: list[WayOut]


@router.get("/schools", response=list[SchoolOut])
def get_schools(request: HttpRequest) -> list[School]:
    """The choices of the house rules, in the order they are asked."""
    return list(SCHOOLS)


@router.put("", response=HouseRulesForm)
def keep_rules(request: HttpRequest, given: HouseRulesForm) -> HouseRulesForm:
    """Choose them."""
    return _out(actions.keep_rules(signed_in(request), given))


@router.get("/looks", response=LookTableOut)
def get_looks(request: HttpRequest) -> LookTableOut:
    """The table of looks in force."""
    return LookTableOut(version=looks.table_version(), table=looks.look_table_in_force())


@router.put("/looks", response=LookTableOut)
def keep_looks(request: HttpRequest, given: LookTableForm) -> LookTableOut:
    """Choose its figures."""
    table = looks.keep_looks(signed_in(request), given)
    return LookTableOut(version=looks.table_version(), table=table)
