"""The one table of looks: every look there is by its lasting id, and which of them tell of a sign."""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping
from functools import cached_property

from typing_extensions import override

from halfthou.looks.look import LookKind, Where


class LookTwice(ValueError):
    """Two looks have one id: what was answered to one would be answered to the other."""

    def __init__(self, key: str) -> None:
        super().__init__(f"two looks have the id “{key}”")


class AllLooks(Mapping[str, LookKind]):
    """Looks by their ids, as the board lists them: by station, and in each as they were brought.

    A look that several kinds of part bring is one and the same row. Refuses: LookTwice.
    """

    def __init__(self, rows: Iterable[LookKind]) -> None:
        found: dict[str, LookKind] = {}
        for row in rows:
            if found.setdefault(row.key, row) != row:
                raise LookTwice(row.key)
        stations = list(Where)
        at = {key: len(stations) if row.where is None else stations.index(row.where) for key, row in found.items()}
        self._rows = {key: found[key] for key in sorted(found, key=lambda key: at[key])}

    @override
    def __getitem__(self, key: str) -> LookKind:
        return self._rows[key]

    @override
    def __iter__(self) -> Iterator[str]:
        return iter(self._rows)

    @override
    def __len__(self) -> int:
        return len(self._rows)

    @cached_property
    def on_the_board(self) -> tuple[LookKind, ...]:
        """Those that the board lists."""
        return tuple(row for row in self._rows.values() if row.where is not None)

    def at(self, sign: str) -> tuple[LookKind, ...]:
        """The looks of the board that can show or clear a sign, the quickest first."""
        return self._by_sign.get(sign, ())

    @cached_property
    def _by_sign(self) -> dict[str, tuple[LookKind, ...]]:
        found: dict[str, list[LookKind]] = {}
        for look in self.on_the_board:
            for sign in look.signs:
                found.setdefault(sign, []).append(look)
        return {sign: tuple(sorted(looks, key=lambda one: one.minutes)) for sign, looks in found.items()}
