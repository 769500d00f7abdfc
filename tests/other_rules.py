"""House rules turned the other way, for tests."""

from __future__ import annotations

from enum import Enum
from typing import Any

from halfthou.lengths import Length
from tests.making import inches


def another_way(value: Any) -> Any:
    """Another value than the one a rule stands at."""
    if isinstance(value, bool):
        return not value
    if isinstance(value, Enum):
        return next(one for one in type(value) if one is not value)
    if isinstance(value, Length):
        return value + inches("0.0004")
    return value + 1
