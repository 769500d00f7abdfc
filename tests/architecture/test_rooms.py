"""What a room offers is what its `__init__` brings in: each name once, and somebody takes it."""

from __future__ import annotations

import ast
import importlib
from collections.abc import Iterator
from importlib.util import find_spec
from pathlib import Path

import pytest

ROOT = Path(__file__).resolve().parents[2]
FILES = [
    path
    for room in ("halfthou", "workshop", "gauge_bridge", "demo", "tests", "bench", "scripts")
    for path in (ROOT / room).rglob("*.py")
]
TREES = {path: ast.parse(path.read_text(encoding="utf-8")) for path in FILES}


def taken() -> Iterator[tuple[str, str]]:
    """Every name that a file takes from a room, and every name taken by a dot."""
    for path, tree in TREES.items():
        room = room_of(path) if path.name == "__init__.py" else ""
        for node in ast.walk(tree):
            if isinstance(node, ast.ImportFrom) and node.module != room:
                yield from ((node.module or "", name.name) for name in node.names)
            elif isinstance(node, ast.Attribute):
                yield "", node.attr


def room_of(path: Path) -> str:
    return ".".join(path.parent.relative_to(ROOT).parts)


def test_every_name_that_a_room_offers_is_taken() -> None:
    """Source: common practice, no source: a name that nobody takes is no part of what a room offers."""
    wanted, idle = set(taken()), []
    for path, tree in TREES.items():
        if path.name != "__init__.py":
            continue
        room = room_of(path)
        own = {node.id for node in ast.walk(tree) if isinstance(node, ast.Name)}
        for node in tree.body:
            if isinstance(node, ast.ImportFrom):
                names = [name.asname or name.name for name in node.names]
                idle += [f"{room}: {n}" for n in names if n not in own and not {(room, n), ("", n)} & wanted]
    assert not idle


@pytest.mark.parametrize("room", ["bench", "scripts"])
def test_what_benches_and_scripts_take_is_there(room: str) -> None:
    """No type checker reads them: a name that moved is found here, and not at the next bench."""
    taken_from = (
        (path.name, node.module, one.name)
        for path, tree in TREES.items()
        for node in ast.walk(tree)
        if path.is_relative_to(ROOT / room) and isinstance(node, ast.ImportFrom) and node.module
        for one in node.names
        if node.module.split(".")[0] in ("halfthou", "workshop")
    )
    assert not [where for where in taken_from if not _there(*where[1:])]


def _there(module: str, name: str) -> bool:
    return hasattr(importlib.import_module(module), name) or find_spec(f"{module}.{name}") is not None
