"""The shape of the code, held by tests: ceilings, purity of the core, rules that are explained."""

import ast
import doctest
import importlib
import json
import pkgutil
import re
import subprocess
import sys
from collections.abc import Iterator
from pathlib import Path

import pytest

import halfthou
from halfthou.causes import CAUSES, SIGNS
from halfthou.engines import usual_layouts
from halfthou.jobs import FACT_KINDS
from halfthou.rules import RULES
from halfthou.strip import strip_list

ROOT = Path(__file__).parents[2]
CORE = sorted((ROOT / "halfthou").rglob("*.py"))
OURS = [
    p
    for room in ("halfthou", "workshop", "demo")
    for p in (ROOT / room).rglob("*.py")
    if "migrations" not in p.parts
]
WEB = [p for p in (ROOT / "web" / "src").rglob("*.ts*") if p.name != "schema.d.ts"]


@pytest.mark.parametrize("path", [*OURS, *WEB], ids=lambda p: str(p.relative_to(ROOT)))
def test_a_module_has_at_most_400_lines(path: Path) -> None:
    assert len(path.read_text(encoding="utf-8").splitlines()) <= 400


def test_functions_stay_short_and_take_few_parameters() -> None:
    found = []
    for path in OURS:
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef):
                code = (node.end_lineno or 0) - node.body[0].lineno + 1
                doc = node.body[0]
                if isinstance(doc, ast.Expr) and isinstance(doc.value, ast.Constant):
                    code -= (doc.end_lineno or 0) - doc.lineno + 1
                taken = [a.arg for a in (*node.args.args, *node.args.kwonlyargs) if a.arg not in ("self", "cls")]
                if code > 40 or (len(taken) > 5 and not path.is_relative_to(ROOT / "demo")):
                    found.append(
                        f"{path.relative_to(ROOT)}:{node.lineno} {node.name}: {code} lines, {len(taken)} taken"
                    )
    assert found == []


def test_every_public_function_and_class_of_the_core_says_what_it_does() -> None:
    bare = [
        f"{path.name}:{node.lineno} {node.name}"
        for path in CORE
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8")))
        if isinstance(node, ast.FunctionDef | ast.ClassDef)
        and not node.name.startswith("_")
        and not ast.get_docstring(node)
        and not any(isinstance(one, ast.Name) and one.id == "override" for one in node.decorator_list)
    ]
    assert bare == []


def test_the_core_reads_no_clock_no_chance_and_no_files() -> None:
    """Only the command line opens files (house style)."""
    calls = re.compile(
        r"\b(open|input|eval|exec)\(|\.(now|today|utcnow|read_text|write_text)\(|\brandom\b|\btime\."
    )
    found = [
        f"{path.name}: {match[0]}"
        for path in CORE
        if path.name != "cli.py"
        for match in calls.finditer(path.read_text(encoding="utf-8"))
    ]
    assert found == []


def test_the_core_imports_with_django_blocked() -> None:
    block = "import sys; sys.modules.update(django=None, ninja=None); import halfthou.cli, halfthou.assess"
    subprocess.run([sys.executable, "-c", block], check=True, cwd=ROOT)


def test_every_rule_cited_is_listed_explained_and_used() -> None:
    code = "\n".join(path.read_text(encoding="utf-8") for path in CORE if path.name != "rules.py")
    prefixes = {rule.split(".")[0] for rule in RULES}
    quoted = re.findall(r'"([a-z]+\.[a-z]+(?:[.-][a-z]+)*)"', code)
    in_docstrings = re.findall(
        r"[a-z]+\.[a-z]+(?:[.-][a-z]+)*", " ".join(re.findall(r"Rule:\s+([^:\n]+?)[.:]", code))
    )
    steps = {step.id for layout in usual_layouts() for step in strip_list(layout)}
    cited = {one for one in (*quoted, *in_docstrings) if one.split(".")[0] in prefixes} - {*SIGNS, *CAUSES, *steps}
    explained = {
        (page.stem, heading)
        for page in (ROOT / "docs" / "rules").glob("*.md")
        for heading in re.findall(r"^## `([a-z.-]+)`$", page.read_text(encoding="utf-8"), re.M)
    }
    assert explained == {(rule.split(".")[0], rule) for rule in RULES}
    assert cited <= RULES.keys()
    assert [rule for rule in RULES if rule not in code] == []


def test_no_class_name_stands_for_two_things() -> None:
    """Django's own names for a model's inner class and for a command are what it looks for."""
    found: dict[str, list[str]] = {}
    for path in OURS:
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8"))):
            if isinstance(node, ast.ClassDef) and node.name not in ("Meta", "Command"):
                found.setdefault(node.name, []).append(str(path.relative_to(ROOT)))
    assert {name: paths for name, paths in found.items() if len(paths) > 1} == {}


@pytest.mark.parametrize(
    "name", [m.name for m in pkgutil.walk_packages(halfthou.__path__, "halfthou.") if not m.ispkg]
)
def test_the_examples_in_docstrings_are_true(name: str) -> None:
    assert doctest.testmod(importlib.import_module(name)).failed == 0


def test_rooms_are_entered_through_their_doors() -> None:
    """Outside its own room, a module of the core is imported from the room, not from the module."""
    found = []
    for path in OURS:
        room = path.relative_to(ROOT).parts[1] if path.is_relative_to(ROOT / "halfthou") else ""
        for line in path.read_text(encoding="utf-8").splitlines():
            deep = re.match(r"from halfthou\.(\w+)\.\w+ import", line)
            if deep and deep[1] != room:
                found.append(f"{path.relative_to(ROOT)}: {line}")
    assert found == []


PAPERS = sorted((ROOT / "docs" / "trade").glob("*.md"))
WRITTEN = [
    path
    for room in ("halfthou", "workshop", "gauge_bridge", "demo", "bench", "tests", "docs", "scripts", "web/src")
    for path in (ROOT / room).rglob("*")
    if path.suffix in {".py", ".md", ".ts", ".tsx", ".json"} and "golden" not in path.parts
]


def test_every_citation_resolves_to_a_heading() -> None:
    """`docs/trade: Clean-up` is a heading of docs/trade; papers that lie outside this repository are not cited."""
    headings = {
        line[3:].strip() for paper in PAPERS for line in paper.read_text("utf-8").splitlines() if line[:3] == "## "
    }
    lost, cited = [], set()
    for path in WRITTEN:
        if path == Path(__file__):
            continue
        text = re.sub(r"\s*\n\s*(?:#:? |\* +)?", " ", path.read_text(encoding="utf-8"))
        for found in re.finditer(r"docs/trade: ", text):
            rest = text[found.end() :]
            heading = next((one for one in sorted(headings, key=len, reverse=True) if rest.startswith(one)), None)
            cited.add(heading)
            if heading is None:
                lost.append(f"{path.relative_to(ROOT)}: {rest[:40]}")
        outside = re.findall(r"[Hh]andbook [A-P]?\d|design \d+(?:\.\d+)?\b", text)
        lost += [f"{path.relative_to(ROOT)}: {one}" for one in outside]
    assert lost == []
    assert len(cited) > 20


def test_every_case_is_cited_by_a_test() -> None:
    """A check value that no test reads is not checked."""
    cases = json.loads((ROOT / "tests" / "cases" / "cases.json").read_text(encoding="utf-8"))
    text = " ".join(path.read_text(encoding="utf-8") for path in (ROOT / "tests").rglob("test_*.py"))
    cited = set(re.findall(r"\b[A-EGH-KMN]\d\d\b", text))
    for first, last in re.findall(r"\b([A-EGH-KN]\d\d) to ([A-EGH-KN]\d\d)\b", text):
        cited |= {f"{first[0]}{n:02d}" for n in range(int(first[1:]), int(last[1:]) + 1)}
    assert {case["id"] for case in cases} - cited == set()
    assert len(cases) == len({case["id"] for case in cases}) > 70


def test_the_kinds_of_fact_are_listed_in_one_place() -> None:
    """The job's own fields are the list: nothing else names several kinds, their fields or documents together."""
    names = {
        word
        for held in FACT_KINDS.values()
        for word in (held.kind.name, held.field, held.document.__name__)
        if word not in ("use", "look", "mark", "step", "cause")
    }
    found = [
        f"{path.relative_to(ROOT)}:{node.lineno}"
        for path in OURS
        if path.name not in ("fact_kinds.py", "__init__.py")
        for node in ast.walk(ast.parse(path.read_text(encoding="utf-8")))
        if isinstance(node, ast.Tuple | ast.List | ast.Set | ast.Dict)
        and len(names.intersection(_words(node))) > MOST_TOGETHER
    ]
    assert found == []


#: So many kinds may be named together where one rule is about just these.
MOST_TOGETHER = 6


def _words(node: ast.Tuple | ast.List | ast.Set | ast.Dict) -> Iterator[str]:
    for one in node.keys if isinstance(node, ast.Dict) else node.elts:
        match one:
            case ast.Constant(value=str(word)) | ast.Attribute(attr=word) | ast.Name(id=word):
                yield word
