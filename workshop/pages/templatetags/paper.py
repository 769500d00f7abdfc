"""Small lookups for the printed sheet."""

from typing import Any

from django import template

from halfthou.report import FigureShown, PartReport

register = template.Library()


@register.filter
def at(table: dict[str, Any], key: str) -> Any:
    """The entry of a table."""
    return table[key]


@register.filter
def figure(part: PartReport, key: str) -> str:
    """A judged figure of a part by its key as text, or a dash."""
    found = _find(part, key)
    return found.value.text if found else "-"


@register.filter
def state_of(part: PartReport, key: str) -> str:
    """The finding on a figure, for its style."""
    found = _find(part, key)
    return found.called.value.replace(" ", "-") if found else ""


def _find(part: PartReport, key: str) -> FigureShown | None:
    return next((found for found in part.figures if found.key == key), None)
