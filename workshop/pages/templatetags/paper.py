"""Small lookups for the printed sheet."""

from typing import Any

from django import template

from halfthou.report import PartReport

register = template.Library()


@register.filter
def at(table: dict[str, Any], key: str) -> Any:
    """The entry of a table."""
    return table[key]


@register.filter
def says(part: PartReport) -> str:
    """What is said of a part beside its figures: a journal by its bearing's clearance, any other by its verdict."""
    if part.station == "crank" and part.clearance.words:
        return part.clearance.words
    words = (part.under_headline or part.headline, part.clearance.words if part.place else "", part.lies)
    return "; ".join(dict.fromkeys(one for one in words if one))
