"""A page for paper, under the head of the shop."""

from __future__ import annotations

from typing import Any

from django.template.loader import render_to_string

from halfthou.report import Letterhead
from workshop.house.shop import shop_in_force


def on_paper(page: str, context: dict[str, Any], shop: Letterhead | None = None) -> str:
    """A page by its template, under the shop's head: as it stands now, unless it is given as it stood."""
    return render_to_string(page, {**context, "shop": shop_in_force() if shop is None else shop})
