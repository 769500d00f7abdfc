"""Small lookups for the printed sheet."""

from typing import Any

from django import template

register = template.Library()


@register.filter
def at(table: dict[str, Any], key: str) -> Any:
    """The entry of a table."""
    return table[key]
