"""How an engine is built, as cells of a table and back."""

from __future__ import annotations

from typing import Any

from halfthou.jobs import Built

_YES, _NO, _BETWEEN = "yes", "no", "; "


def built_text(value: Any) -> str:
    """A choice as it stands in its cell.

    >>> built_text(True), built_text(2), built_text(["compression", "oil"])
    ('yes', '2', 'compression; oil')
    """
    if isinstance(value, bool):
        return _YES if value else _NO
    return _BETWEEN.join(value) if isinstance(value, list) else str(value)


def built_value(name: str, text: str) -> Any:
    """A cell as the choice it is; what it may be, the description says. Refuses: ValueError."""
    if name not in Built.model_fields:
        raise ValueError(f"“built, {name}” is no row of a limits sheet")
    kind = str(Built.model_fields[name].annotation)
    if "bool" in kind:
        if text not in (_YES, _NO):
            raise ValueError(f"“{text}” is neither yes nor no")
        return text == _YES
    if "tuple" in kind:
        return [part for part in text.split(_BETWEEN) if part]
    return int(text) if "int" in kind and text.isdecimal() else text
