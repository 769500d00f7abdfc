"""The punch marks as SVG for paper. The app draws the same shapes from web/src/shared/marks."""

import json
from functools import lru_cache

from django.conf import settings
from django.utils.safestring import SafeString, mark_safe

from halfthou.verdicts import MARKS, MarkCode


@lru_cache(maxsize=1)
def _shapes() -> dict[str, str]:
    """The shapes: path data on a 24 by 24 field, kept in one file that app and paper share."""
    place = settings.BASE_DIR / "web" / "src" / "shared" / "marks" / "shapes.json"
    shapes: dict[str, str] = json.loads(place.read_text(encoding="utf-8"))
    return shapes


def mark_drawing(code: MarkCode) -> SafeString:
    """One mark as inline SVG with its word as title."""
    word = MARKS[code].word
    paths = _shapes()[code.value]
    svg = f'<svg viewBox="0 0 24 24" width="15" height="15" role="img"><title>{word}</title>{paths}</svg>'
    return mark_safe(svg)  # noqa: S308 - shapes.json is ours
