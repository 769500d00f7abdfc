"""House rules that note which of them are asked for: what a job does not ask for cannot change it."""

from __future__ import annotations

from collections.abc import Generator
from enum import StrEnum
from typing import Any

from pydantic import PrivateAttr
from typing_extensions import override

from halfthou.jobs.house_rules import HouseRules


class RulesRead(HouseRules):
    """House rules that keep the names of those that were read of them.

    >>> rules = noted(HouseRules())
    >>> rules.keep_axis, sorted(rules.asked)
    (True, ['keep_axis'])
    """

    _asked: set[str] = PrivateAttr(default_factory=set)

    @property
    def asked(self) -> frozenset[str]:
        """The names of the rules that were read so far."""
        return frozenset(self._asked)

    @override
    def __getattribute__(self, name: str) -> Any:
        if name in HouseRules.model_fields:
            self._asked.add(name)
        return super().__getattribute__(name)

    @override
    def __iter__(self) -> Generator[tuple[str, Any], None, None]:
        """Every rule; who goes through them all has read the schools: what was seen may ask any of those."""
        for name, value in super().__iter__():
            if isinstance(value, StrEnum):
                self._asked.add(name)
            yield name, value


def noted(rules: HouseRules) -> RulesRead:
    """The same rules, noting what is read of them from now on."""
    found = RulesRead(**dict(rules))
    found._asked.clear()
    return found
