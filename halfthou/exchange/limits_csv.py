"""A limits sheet to and from CSV: one figure a row, the unit in its own column."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import Any

from halfthou.amounts import QUANTITIES, Quantity, read_amount
from halfthou.exchange.built_csv import built_text, built_value
from halfthou.exchange.decimals import exact_amount, exact_text
from halfthou.exchange.faults import BadFile, Fault
from halfthou.exchange.job_json import limits_document
from halfthou.exchange.table import Table, write_table
from halfthou.jobs import AmountBand, Band, LimitsSheet, SetLimits
from halfthou.lengths import Length, Typed, Unit, Unreadable, read_length
from halfthou.parts import CATALOGUE

COLUMNS = ("part", "name", "value", "most", "unit", "source", "place", "typed")
_PLAIN = ("engine", "revision", "state", "unit", "notes", "crank_material")
_SET = re.compile(r"^[a-z][a-z0-9 _.-]{0,39}$")
_BOUGHT, _NOT_BOUGHT, _WITH_RINGS, _NO_RINGS = (
    "can be bought",
    "cannot be bought",
    "can be bought with rings",
    "no rings to it can be bought",
)
_SOLD = {
    _BOUGHT: {"can_be_bought": True},
    _NOT_BOUGHT: {"can_be_bought": False},
    _WITH_RINGS: {"can_be_bought": True, "rings_can_be_bought": True},
    _NO_RINGS: {"can_be_bought": True, "rings_can_be_bought": False},
}
#: What older files call what a set is made of.
_MADE_BEFORE = {"hardening": "hardening", "housing_material": "housing material", "oil_hole_deg": "oil hole"}
_LAYOUT = ("name", "arrangement", "bank_deg", "cylinders", "rotation", "inlet_side", "thrust_main", "thrust_by")
_WORDS = ("name", "arrangement", "rotation", "inlet_side", "thrust_main", "thrust_by")


def write_limits_csv(sheet: LimitsSheet) -> str:
    """The sheet as CSV. A band has its least under “value” and its most beside it."""
    data = sheet.model_dump(mode="json")
    rows: list[list[Any]] = [["sheet", name, data[name]] for name in _PLAIN]
    rows += [["layout", name, data["layout"][name]] for name in _LAYOUT if data["layout"][name] is not None]
    rows += [["layout", "bank", " ".join(str(cylinder) for cylinder in bank)] for bank in sheet.layout.banks]
    rows.append(["layout", "shaft", " ".join(sheet.layout.shaft)])
    rows += [
        ["built", name, built_text(value)]
        for name, value in (data["layout"]["built"] or {}).items()
        if value is not None
    ]
    for number, pin in enumerate(sheet.layout.pins, start=1):
        rows.append(["pin", number, " ".join(str(c) for c in pin.cylinders), pin.throw_deg])
    for one, limits in sheet.sets.items():
        rows += _set_rows(one, limits, sheet.unit)
    return write_table(COLUMNS, rows)


def _set_rows(one: str, limits: SetLimits, unit: Unit) -> Iterator[list[Any]]:
    for name, found in limits.figures.items():
        if isinstance(found, AmountBand):
            ends = [exact_amount(found.quantity, end) for end in (found.least, found.most)]
            kept = QUANTITIES[found.quantity].unit.value
            yield [one, name, *ends, kept, found.source.kind.value, found.source.place, found.typed]
            continue
        value = found.least if isinstance(found, Band) else found.value
        text, its_unit = exact_text(value, unit)
        most = ""
        if isinstance(found, Band):
            most, most_unit = exact_text(found.most, its_unit)
            if most_unit is not its_unit:
                text, its_unit = exact_text(value, most_unit)
        yield [one, name, text, most, its_unit.value, found.source.kind.value, found.source.place, found.typed]
    for key, what in limits.made.items():
        yield [one, f"made {key}", what]
    for step in limits.steps:
        text, its_unit = exact_text(step.size, unit)
        bought = _BOUGHT if step.can_be_bought else _NOT_BOUGHT
        if step.can_be_bought and step.rings_can_be_bought is not None:
            bought = _WITH_RINGS if step.rings_can_be_bought else _NO_RINGS
        yield [one, "step", text, "", its_unit.value, bought, step.part_number, step.rings_number]


def read_limits_csv(text: str) -> LimitsSheet:
    """Read a sheet from CSV. Refuses: BadFile, listing every fault with its line."""
    table = Table(text)
    if tuple(table.header) != COLUMNS:
        raise BadFile([Fault("line 1", "the header must be: " + ",".join(COLUMNS))])
    data: dict[str, Any] = {"layout": {"pins": []}, "sets": {}}
    faults: list[Fault] = []
    for line, row in table.rows():
        cells = {**dict.fromkeys(COLUMNS, ""), **row}
        try:
            _take(data, cells)
        except Unreadable as error:
            faults.append(Fault(f"line {line}", error.message))
        except ValueError as error:
            faults.append(Fault(f"line {line}", str(error)))
    if faults:
        raise BadFile(faults)
    return limits_document(data)


def _take(data: dict[str, Any], cells: dict[str, str]) -> None:
    part, name, value = cells["part"], cells["name"], cells["value"]
    if part == "sheet" and name in _PLAIN:
        data[name] = _whole(value) if name == "revision" else value
    elif part == "layout" and name == "shaft":
        data["layout"]["shaft"] = value.split()
    elif part == "layout" and name == "bank":
        data["layout"].setdefault("banks", []).append([_whole(c) for c in value.split()])
    elif part == "layout" and name in _LAYOUT:
        data["layout"][name] = value if name in _WORDS else _whole(value)
    elif part == "built":
        data["layout"].setdefault("built", {})[name] = built_value(name, value)
    elif part == "pin":
        pin = {"cylinders": [_whole(c) for c in value.split()], "throw_deg": float(cells["most"] or "0")}
        data["layout"]["pins"].append(pin)
    elif _SET.match(part):
        _take_limit(data["sets"].setdefault(part, {"figures": {}, "steps": [], "made": {}}), cells)
    else:
        raise ValueError(f"“{part}, {name}” is no row of a limits sheet")


def _take_limit(limits: dict[str, Any], cells: dict[str, str]) -> None:
    name, unit = cells["name"], cells["unit"]
    made = _MADE_BEFORE.get(name) or (name.removeprefix("made ") if name.startswith("made ") else "")
    if made:
        limits["made"][made] = cells["value"]
        return
    if unit in _AMOUNTS and name not in ("step", "shell"):
        limits["figures"][name] = _amount(cells, _AMOUNTS[unit])
        return
    if unit not in ("in", "mm"):
        raise ValueError(f"the unit “{unit}” is neither in nor mm")
    value = _length(cells["value"], Unit(unit))
    if name in ("step", "shell"):
        if cells["source"] not in _SOLD:
            raise ValueError("a row of a step says under source: " + ", ".join(f"“{words}”" for words in _SOLD))
        limits["steps"].append(
            {"size": value, "part_number": cells["place"], "rings_number": cells["typed"], **_SOLD[cells["source"]]}
        )
        return
    known = _figures_of(cells["part"])
    if known and name not in known:
        raise ValueError(f"“{name}” is no figure of the {cells['part']}: use {', '.join(known)}")
    figure: dict[str, Any] = {
        "typed": cells["typed"],
        "source": {"kind": cells["source"], "place": cells["place"]},
    }
    if cells["most"]:
        limits["figures"][name] = {**figure, "least": value, "most": _length(cells["most"], Unit(unit))}
    else:
        limits["figures"][name] = {**figure, "value": value}


_AMOUNTS = {kept.unit.value: quantity for quantity, kept in QUANTITIES.items()}


def _amount(cells: dict[str, str], quantity: Quantity) -> dict[str, Any]:
    """A limit that is no length, as a row has it: either end may be left open."""
    ends: dict[str, int] = {}
    for name, cell in (("least", cells["value"]), ("most", cells["most"])):
        if cell:
            found = read_amount(cell, quantity)
            if not isinstance(found, Typed):
                raise ValueError(found.in_words)
            ends[name] = found.length.nm
    source = {"kind": cells["source"], "place": cells["place"]}
    return {"quantity": quantity.value, "typed": cells["typed"], "source": source, **ends}


def _figures_of(one: str) -> tuple[str, ...]:
    """The figures a sheet may have of a set; none where no kind of part is known by it."""
    return tuple(figure.key for kind in CATALOGUE.all if one in kind.sets for figure in kind.figures)


def _length(cell: str, unit: Unit) -> int:
    found = read_length(cell, unit)
    if not isinstance(found, Typed):
        raise ValueError(found.in_words)
    length: Length = found.length
    return length.nm


def _whole(cell: str) -> int:
    number = float(cell) if cell.replace(".", "", 1).isdigit() else None
    if number is None or number != int(number):
        raise ValueError(f"“{cell}” is no whole number")
    return int(number)
