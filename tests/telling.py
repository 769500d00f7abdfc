"""A bench put together from what it is told, by the tests' own hand."""

from __future__ import annotations

from typing import Any


class Told:
    """The bench as one client knows it: what changed is laid over what it knew."""

    def __init__(self, bench: dict[str, Any]) -> None:
        self.bench = bench

    @property
    def state(self) -> str:
        """The state it was told last."""
        return str(self.bench["state"])

    def hear(self, changed: dict[str, Any]) -> None:
        """Lay what changed over what is known."""
        found = self.bench["assessment"]
        parts, sets = ({} if changed["whole"] else {p[key]: p for p in found[of]} for of, key in _BY)
        parts |= {part["id"]: part for part in changed["parts"]}
        sets |= {one["set"]: one for one in changed["sets"]}
        assessment = {**found, **changed["assessment"], "parts": [*parts.values()], "sets": [*sets.values()]}
        self.bench = {**self.bench, **changed["bench"], "assessment": assessment, "state": changed["state"]}


_BY = (("parts", "id"), ("sets", "set"))
