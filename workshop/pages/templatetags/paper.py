"""Small lookups for the printed sheet."""

from typing import Any

from django import template

from halfthou.answer import FigureShown, JournalAnswer

register = template.Library()


@register.filter
def at(table: dict[str, Any], key: str) -> Any:
    """The entry of a table."""
    return table[key]


@register.filter
def figure(journal: JournalAnswer, name: str) -> str:
    """A judged figure of a journal as text, or a dash."""
    found = _find(journal, name)
    return found.value.text if found else "-"


@register.filter
def state_of(journal: JournalAnswer, name: str) -> str:
    """The finding on a figure, for its style."""
    found = _find(journal, name)
    return found.state.value.replace(" ", "-") if found else ""


def _find(journal: JournalAnswer, name: str) -> FigureShown | None:
    return next((found for found in journal.figures if found.name == name), None)
