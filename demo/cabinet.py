"""The invented shop's gauge cabinet, and the setting checks of the last weeks. Marks and makers are made up."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import date, datetime, timedelta

from halfthou.jobs import Gauge
from workshop.gauges.actions import CheckForm, GaugeForm, check_setting, keep_gauge
from workshop.people.models import Person

#: Where the demo's simulated gauges speak (scripts/serve.py starts them there).
METRIC_PORT, INCH_PORT = "socket://127.0.0.1:8711", "socket://127.0.0.1:8712"

#: key, name, kind, unit, reads to, permissible error, range from, to, serial mark, due in days, more
_GAUGES: tuple[tuple[str, str, str, str, str, str, str, str, str, int, dict[str, str]], ...] = (
    ("inch", "2–3 in micrometer, No. 7", "micrometer", "in", ".0001", ".0001", "2", "3", "HT-07", 120, {}),
    ("metric", "50–75 mm digital micrometer", "digital micrometer", "mm", "0.001", "0.003", "50", "75", "HT-21",
     200, {"port": METRIC_PORT}),
    ("fine", "2–3 in digital micrometer, No. 12", "digital micrometer", "in", ".00005", ".00005", "2", "3", "HT-12",
     260, {"port": INCH_PORT}),
    ("old", "2–3 in micrometer, No. 3, the old one", "micrometer", "in", ".0001", ".0001", "2", "3", "HT-03", 40,
     {}),
    ("bore", "50–100 mm dial bore gauge", "dial bore gauge", "mm", "0.001", "0.002", "50", "100", "HT-31", 150,
     {"revolution": "0.2"}),
    ("bore-in", "2–6 in dial bore gauge, No. 2", "dial bore gauge", "in", ".0001", ".0001", "2", "6", "HT-33", 110,
     {"revolution": ".01"}),
    ("ring-v8", "Setting ring 3.8750 in", "setting ring", "in", ".00001", ".00005", "3.8750", "3.8750", "HT-R4",
     210, {}),
    ("bore-100", "50–150 mm dial bore gauge, No. 4", "dial bore gauge", "mm", "0.001", "0.003", "50", "150",
     "HT-34", 95, {"revolution": "0.2"}),
    ("ultra-mm", "Ultrasonic wall gauge", "ultrasonic wall gauge", "mm", "0.05", "0.1", "1", "25", "HT-90", 75, {}),
    ("ring", "Setting ring 65.400 mm", "setting ring", "mm", "0.0001", "0.0015", "65.400", "65.400", "HT-R2", 300,
     {}),
    ("tele", "Telescoping gauges", "telescoping gauge", "in", ".0005", ".0005", "1.25", "3.5", "HT-40", 90, {}),
    ("caliper", "Workshop caliper", "caliper", "in", ".001", ".0010", "0", "6", "HT-50", -21, {}),
    ("depth", "0–3 in depth gauge", "depth gauge", "in", ".001", ".001", "0", "3", "HT-52", 90, {}),
    ("clock", "Dial indicator, half-thou", "indicator", "in", ".0005", ".0005", "0", ".2", "HT-60", 90,
     {"revolution": ".05"}),
    ("bore-23", "2–3 in dial bore gauge, No. 5", "dial bore gauge", "in", ".0001", ".0001", "2", "3", "HT-36B", 100,
     {"revolution": ".01"}),
    ("clock-tenths", "Test indicator, tenths", "indicator", "in", ".0001", ".0001", "0", ".03", "HT-61", 90,
     {"revolution": ".01"}),
    ("feeler", "Feeler gauges", "feeler gauge", "in", ".0005", ".0003", ".001", ".100", "HT-70", 365, {}),
    ("thread", "Plastic thread, .001–.003", "plastic thread", "in", ".0005", ".0005", ".001", ".003", "", 365, {}),
    ("feeler-mm", "Feeler gauges, metric", "feeler gauge", "mm", "0.01", "0.006", "0.03", "2", "HT-71", 365, {}),
    ("mic-34", "3–4 in micrometer, No. 9", "micrometer", "in", ".0001", ".00015", "3", "4", "HT-09", 130, {}),
    ("mic-01", "0–1 in micrometer, No. 1", "micrometer", "in", ".0001", ".00005", "0", "1", "HT-01", 130, {}),
    ("bore-small", ".4–1.2 in two-point bore gauge", "telescoping gauge", "in", ".0001", ".0001", ".4", "1.2",
     "HT-36", 100, {}),
    ("spring", "Valve spring tester", "spring tester", "in", "0.5", "0.5", "", "1500", "HT-84", 220, {}),
    ("press", "Oil pressure gauge, test stand", "pressure gauge", "mm", "0.05", "0.1", "", "10", "HT-85", 60, {}),
    ("angle", "Protractor head", "protractor", "in", "0.5", "0.25", "", "90", "HT-86", 400, {}),
    ("radius", "Radius gauges, fillets", "radius gauge", "in", ".001", ".002", ".03", ".5", "HT-87", 365, {}),
    ("rough", "Roughness tester", "roughness tester", "mm", "0.01", "0.02", "", "10", "HT-88", 200, {}),
    ("rockwell", "Hardness tester, portable", "hardness tester, Rockwell C", "mm", "0.5", "1.5", "", "70", "HT-89",
     220, {}),
    ("scale", "Bench scale, 3 kg", "weighing scale", "in", "0.1", "0.5", "", "3000", "HT-80", 180, {}),
)  # fmt: skip


def furnish_cabinet(owner: Person, today: date) -> dict[str, Gauge]:
    """Enter every gauge of the shop."""
    found = {}
    for key, name, kind, unit, reads, error, least, most, serial, due, more in _GAUGES:
        typed = {
            "name": name, "kind": kind, "unit": unit, "resolution": reads, "permissible_error": error,
            "least": least, "most": most, "serial": serial, "due": str(today + timedelta(days=due)), **more,
        }  # fmt: skip
        found[key] = keep_gauge(owner, None, GaugeForm.model_validate(typed))
    return found


def furnish_checks(gauges: dict[str, Gauge], people: tuple[Person, Person], now: datetime) -> None:
    """The checks of some weeks: a micrometer that creeps and was set anew, one that is out, a set bore gauge."""
    for nth, (who, key, days, body) in enumerate(_checks(gauges)):
        unit = gauges[key].unit
        at = now - timedelta(days=days, hours=2)
        form = CheckForm.model_validate({"id": f"demo.check.{nth}", "unit": unit, "at": at, **body})
        check_setting(people[who], gauges[key].id, form)


def _checks(gauges: dict[str, Gauge]) -> Iterator[tuple[int, str, float, dict[str, str]]]:
    weeks = (
        (35, "2.0000 2.0001 2.0000"),
        (28, "2.0000 2.0001 2.0001"),
        (21, "2.0001 2.0001 2.0001"),
        (14, "2.0001 2.0001 2.0002"),
        (13.9, "2.0000 2.0000 2.0000"),
        (7, "2.0000 2.0001 2.0000"),
    )
    for days, read in weeks:
        yield 0, "inch", days, {"standard": "2.0000", "read": read}
    yield 1, "inch", 1.5, {"standard": "2.0000", "read": "2.0000 2.0000 2.0000"}
    yield 0, "inch", 0, {"standard": "2.0000", "read": "2.0000 2.0000 2.0000"}
    for days, read in ((30, "1.9999 2.0000 1.9999"), (16, "1.9998 1.9999 1.9998"), (2, "1.9997 1.9998 1.9998")):
        yield 0, "old", days, {"standard": "2.0000", "read": read}
    for days in (20, 9, 0):
        yield 0, "metric", days, {"standard": "50.000", "read": "50.000 50.000 50.000"}
    yield 0, "fine", 6, {"standard": "2.0000", "read": "2.0000 2.0000 2.0000 2.0000 2.0000 2.0000"}
    yield 0, "bore", 3, {"standard": "65.400", "against": gauges["ring"].id, "read": "65.400 65.401 65.400"}
    on_the_ring = {"standard": "3.8750", "against": gauges["ring-v8"].id}
    for days in (12, 0):
        yield 0, "bore-100", days, {"standard": "92.000", "read": "92.000 92.001 92.000"}
    for days, read in ((8, "3.8750 3.8751 3.8750"), (0, "3.8750 3.8750 3.8750")):
        yield 0, "bore-in", days, {**on_the_ring, "read": read}
    in_the_micrometer = {"standard": "61.130", "against": gauges["metric"].id, "read": "61.130 61.130 61.130"}
    yield 0, "bore", 0, in_the_micrometer
    in_a_housing = {"standard": "2.6024", "against": gauges["inch"].id, "read": "2.6024 2.6024 2.6024"}
    yield 0, "bore-23", 0, in_a_housing
