"""A limits sheet to and from CSV: one figure a row, the unit in its own column."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from halfthou.exchange.decimals import exact_text
from halfthou.exchange.faults import BadFile, Fault
from halfthou.exchange.job_json import document
from halfthou.exchange.table import Table, write_table
from halfthou.jobs import Band, Figure, JournalLimits, LimitsSheet
from halfthou.lengths import Length, Typed, Unit, Unreadable, read_length

COLUMNS = ("part", "name", "value", "most", "unit", "source", "place", "typed")
_BANDS = ("size", "housing_bore", "wall", "clearance")
_FIGURES = (
    "service_least",
    "out_of_round",
    "taper",
    "barrel",
    "width",
    "clearance_service",
    "smallest_allowed",
    "case_depth",
    "least_case",
)
_PLAIN = ("engine", "revision", "state", "unit", "notes", "crank_material")
_LAYOUT = ("name", "arrangement", "bank_deg", "cylinders")


def write_limits_csv(sheet: LimitsSheet) -> str:
    """The sheet as CSV. A band has its least under “value” and its most beside it."""
    data = sheet.model_dump(mode="json")
    rows: list[list[Any]] = [["sheet", name, data[name]] for name in _PLAIN]
    rows += [["layout", name, data["layout"][name]] for name in _LAYOUT]
    rows.append(["layout", "shaft", " ".join(sheet.layout.shaft)])
    for number, pin in enumerate(sheet.layout.pins, start=1):
        rows.append(["pin", number, " ".join(str(c) for c in pin.cylinders), pin.throw_deg])
    for part, limits in (("mains", sheet.mains), ("rods", sheet.rods)):
        rows += _set_rows(part, limits, sheet.unit)
    return write_table(COLUMNS, rows)


def _set_rows(part: str, limits: JournalLimits, unit: Unit) -> Iterator[list[Any]]:
    for name in (*_BANDS, *_FIGURES):
        found: Band | Figure | None = getattr(limits, name)
        if found is None:
            continue
        value = found.least if isinstance(found, Band) else found.value
        text, its_unit = exact_text(value, unit)
        most = ""
        if isinstance(found, Band):
            most, most_unit = exact_text(found.most, its_unit)
            if most_unit is not its_unit:
                text, its_unit = exact_text(value, most_unit)
        yield [part, name, text, most, its_unit.value, found.source.kind.value, found.source.place, found.typed]
    yield [part, "hardening", limits.hardening.value]
    yield [part, "housing_material", limits.housing_material.value]
    if limits.oil_hole_deg is not None:
        yield [part, "oil_hole_deg", f"{limits.oil_hole_deg:g}"]
    for shell in limits.shells:
        text, its_unit = exact_text(shell.undersize, unit)
        bought = "can be bought" if shell.can_be_bought else "cannot be bought"
        yield [part, "shell", text, "", its_unit.value, bought, shell.part_number]


def read_limits_csv(text: str) -> LimitsSheet:
    """Read a sheet from CSV. Refuses: BadFile, listing every fault with its line."""
    table = Table(text)
    if tuple(table.header) != COLUMNS:
        raise BadFile([Fault("line 1", "the header must be: " + ",".join(COLUMNS))])
    data: dict[str, Any] = {"layout": {"pins": []}, "mains": {"shells": []}, "rods": {"shells": []}}
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
    return document(LimitsSheet, data)


def _take(data: dict[str, Any], cells: dict[str, str]) -> None:
    part, name, value = cells["part"], cells["name"], cells["value"]
    if part == "sheet" and name in _PLAIN:
        data[name] = _whole(value) if name == "revision" else value
    elif part == "layout" and name == "shaft":
        data["layout"]["shaft"] = value.split()
    elif part == "layout" and name in _LAYOUT:
        data["layout"][name] = value if name in ("name", "arrangement") else _whole(value)
    elif part == "pin":
        pin = {"cylinders": [_whole(c) for c in value.split()], "throw_deg": float(cells["most"] or "0")}
        data["layout"]["pins"].append(pin)
    elif part in ("mains", "rods"):
        _take_limit(data[part], cells)
    else:
        raise ValueError(f"“{part}, {name}” is no row of a limits sheet")


def _take_limit(limits: dict[str, Any], cells: dict[str, str]) -> None:
    name, unit = cells["name"], cells["unit"]
    if name in ("hardening", "housing_material"):
        limits[name] = cells["value"]
        return
    if name == "oil_hole_deg":
        limits[name] = float(cells["value"])
        return
    if unit not in ("in", "mm"):
        raise ValueError(f"the unit “{unit}” is neither in nor mm")
    value = _length(cells["value"], Unit(unit))
    if name == "shell":
        if cells["source"] not in ("can be bought", "cannot be bought"):
            raise ValueError("a shell row says “can be bought” or “cannot be bought” under source")
        bought = cells["source"] == "can be bought"
        limits["shells"].append({"undersize": value, "part_number": cells["place"], "can_be_bought": bought})
        return
    if name not in (*_BANDS, *_FIGURES):
        raise ValueError(f"“{name}” is no figure of a limits sheet")
    found: dict[str, Any] = {"source": {"kind": cells["source"], "place": cells["place"]}, "typed": cells["typed"]}
    if name in _BANDS:
        found.update(least=value, most=_length(cells["most"], Unit(unit)))
    else:
        found["value"] = value
    limits[name] = found


def _length(cell: str, unit: Unit) -> int:
    found = read_length(cell, unit)
    if not isinstance(found, Typed):
        raise ValueError(f"“{cell}” can be read two ways: write it with a decimal point")
    length: Length = found.length
    return length.nm


def _whole(cell: str) -> int:
    number = float(cell) if cell.replace(".", "", 1).isdigit() else None
    if number is None or number != int(number):
        raise ValueError(f"“{cell}” is no whole number")
    return int(number)
