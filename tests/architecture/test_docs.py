"""What the docs say of files, folders, commands and forms is so. Outside: the tree itself."""

from __future__ import annotations

import os
import re
from pathlib import Path

import pytest

from halfthou.jobs.job_file import VERSION
from tests.serving import ROOT

DOCS = sorted([*ROOT.glob("*.md"), *(ROOT / "docs").glob("*.md"), *(ROOT / "docs" / "decisions").glob("*.md")])
ENDS = (".py", ".ts", ".tsx", ".cjs", ".md", ".json", ".css", ".importlinter")
MADE = {".git", ".venv", ".make", "node_modules", "dist", "data", "__pycache__"}


def _tree() -> list[str]:
    found = []
    for folder, below, names in os.walk(ROOT):
        below[:] = [one for one in below if one not in MADE]
        found += [(Path(folder) / name).relative_to(ROOT).as_posix() for name in names]
    return found


TREE = _tree()
FOLDERS = {str(folder) for name in TREE for folder in Path(name).parents}


def _stands(said: str, known: set[str]) -> bool:
    """Whether a path stands, whole or by its end: rooms are spoken of without the house."""
    return any(name == said or name.endswith("/" + said) for name in known)


@pytest.mark.parametrize("doc", DOCS, ids=lambda doc: doc.relative_to(ROOT).as_posix())
def test_every_path_that_is_named_is_there(doc: Path) -> None:
    text = doc.read_text(encoding="utf-8")
    named = set(re.findall(r"`([\w./-]+)`", text))
    files = {one for one in named if one.endswith(ENDS) and one != "job.json"}
    folders = {
        one.rstrip("/") for one in named if one.startswith(("halfthou/", "workshop/", "web/src", "tests/", "docs/"))
    }
    missing = [one for one in sorted(files) if not _stands(one, set(TREE))]
    missing += [one for one in sorted(folders - files) if not _stands(one, FOLDERS | set(TREE))]
    links = re.findall(r"\]\((?!https?:|#)([^)#]+)", text)
    missing += [link for link in links if not (doc.parent / link).resolve().exists()]
    assert missing == []


@pytest.mark.parametrize("doc", DOCS, ids=lambda doc: doc.relative_to(ROOT).as_posix())
def test_every_command_that_is_named_is_there(doc: Path) -> None:
    makefile = (ROOT / "Makefile").read_text(encoding="utf-8")
    targets = set(re.findall(r"^([a-z-]+):", makefile, re.MULTILINE))
    asked = re.findall(r"`make ([a-z-]+)", doc.read_text(encoding="utf-8"))
    assert [one for one in asked if one not in targets] == []


def test_the_readme_says_which_form_a_job_file_has() -> None:
    said = re.search(
        r"JSON, version (\d+) \(1 to (\d+) are read\)", (ROOT / "README.md").read_text(encoding="utf-8")
    )
    assert said is not None
    assert (int(said[1]), int(said[2])) == (VERSION, VERSION - 1)
