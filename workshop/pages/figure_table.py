"""The figures of the parts of a set as a table for paper: a column a figure, whatever the kind of part."""

from __future__ import annotations

from collections.abc import Sequence
from typing import NamedTuple

from halfthou.report import FigureShown, PartReport

#: More columns than these stand in a table of their own, under the one that names the parts.
BESIDE = 5


class Head(NamedTuple):
    """What a column is called, and its limit where that is one for all."""

    name: str
    limit: str


class Cell(NamedTuple):
    """One figure of one part: what was found, and how it is called, for its style."""

    text: str
    called: str


class FigureTable(NamedTuple):
    """The heads of the columns, and by part its cells."""

    heads: tuple[Head, ...]
    rows: dict[str, tuple[Cell, ...]]

    @property
    def beside(self) -> bool:
        """Whether its columns stand beside the names and verdicts of the parts."""
        return len(self.heads) <= BESIDE


def figure_table(parts: Sequence[PartReport]) -> FigureTable:
    """Every figure that any of the parts has, in the order they come; a dash where a part has none."""
    found = {part.id: {figure.key: figure for figure in part.figures} for part in parts}
    keys = tuple(dict.fromkeys(key for figures in found.values() for key in figures))
    heads = tuple(_head(key, [figures[key] for figures in found.values() if key in figures]) for key in keys)
    rows = {name: tuple(_cell(figures.get(key)) for key in keys) for name, figures in found.items()}
    return FigureTable(heads, rows)


def sizes_besides(parts: Sequence[PartReport]) -> bool:
    """Whether a part says a size that is none of its figures."""
    return any(part.size_words and part.size_words not in [one.said for one in part.figures] for part in parts)


def _head(key: str, figures: Sequence[FigureShown]) -> Head:
    names, limits = {one.name for one in figures}, {one.limit for one in figures}
    return Head(names.pop() if len(names) == 1 else key, limits.pop() if len(limits) == 1 else "")


def _cell(figure: FigureShown | None) -> Cell:
    return Cell("-", "") if figure is None else Cell(figure.said, figure.called.value.replace(" ", "-"))
