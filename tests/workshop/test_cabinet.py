"""The gauge cabinet: what is entered, checks, drift, hands, and what jobs take along. Common practice."""

from collections.abc import Callable
from datetime import timedelta
from typing import Any

import pytest
from django.test import Client
from django.utils import timezone

from halfthou.jobs import Gauge, Purpose
from workshop.gauges.actions import CheckForm, GaugeForm, check_setting, keep_gauge, last_checks
from workshop.gauges.models import SettingCheckRecord
from workshop.jobs import actions
from workshop.people.models import Person
from workshop.people.refusals import NotThere, Refusal
from workshop.record.models import JobRecord

MIC = {
    "name": "m", "kind": "micrometer", "unit": "in", "resolution": ".0001", "permissible_error": ".0001",
    "least": "2", "most": "3", "serial": "HT-1", "due": "2031-01-01",
}  # fmt: skip


def check(name: str, read: str, *, days: float = 0, **more: Any) -> CheckForm:
    at = timezone.now() - timedelta(days=days)
    values: dict[str, Any] = {"id": name, "standard": "2.0000", "read": read, "unit": "in", "at": at, **more}
    return CheckForm.model_validate(values)


@pytest.mark.parametrize(
    ("field", "text", "words"),
    [
        ("resolution", "2", "between nothing and 1 mm"),
        ("most", "1", "ends before it begins"),
        ("most", "2.00002", "larger than the whole range"),
        ("permissible_error", "small", "no unit"),
        ("due", "next week", "valid date"),
        ("name", "", "at least 1 character"),
    ],
)
def test_an_entry_that_cannot_be_says_what_and_where(machinist: Person, field: str, text: str, words: str) -> None:
    with pytest.raises(Refusal) as refused:
        keep_gauge(machinist, None, GaugeForm.model_validate({**MIC, field: text}))
    assert any(words in fault.what for fault in refused.value.faults)


def test_a_scale_weighs_in_grams(machinist: Person, client_of: Callable[[Person], Client]) -> None:
    typed = {"name": "s", "kind": "weighing scale", "unit": "in", "resolution": "0.1", "permissible_error": "0.5 g"}
    made = keep_gauge(machinist, None, GaugeForm.model_validate({**typed, "most": "3000"}))
    assert made.weighs is not None
    assert (made.weighs.resolution_mg, made.weighs.most_mg, made.purposes) == (100, 3_000_000, (Purpose.WEIGHT,))
    shown = client_of(machinist).get(f"/api/gauges/{made.id}").json()["gauge"]
    assert (shown["resolution"], shown["permissible_error"], shown["most"]) == ("0.1", "0.5", "3000")
    with pytest.raises(Refusal, match="not kept"):
        keep_gauge(machinist, None, GaugeForm.model_validate({**typed, "most": "heavy"}))


def test_a_check_keeps_the_zero_error_and_shows_the_drift(
    gauge: Gauge, bench: Person, client_of: Callable[[Person], Client]
) -> None:
    check_setting(bench, gauge.id, check("a", "2.0000 2.0001", days=8))
    client = client_of(bench)
    body = check("b", "2.0001, 2.0001; 2.0001".replace(",", " ")).model_dump(mode="json")
    found = client.post(f"/api/gauges/{gauge.id}/checks", body, content_type="application/json").json()
    assert [one["zero"] for one in found["checks"]] == ["0.00005", "0.00010"]
    assert found["checks"][1]["drift"] == "0.00005"
    assert found["gauge"]["standing"] == "fit"
    client.post(f"/api/gauges/{gauge.id}/checks", body, content_type="application/json")
    assert SettingCheckRecord.objects.count() == 2


def test_a_gauge_that_is_out_is_marked(gauge: Gauge, bench: Person, client_of: Callable[[Person], Client]) -> None:
    check_setting(bench, gauge.id, check("a", "2.0003"))
    shown = client_of(bench).get("/api/gauges").json()[0]
    assert shown["standing"] == "out"
    assert "Set it anew" in shown["standing_words"]


def test_a_hand_is_known_from_five_repeats_on(gauge: Gauge, bench: Person, client_of: Any) -> None:
    check_setting(bench, gauge.id, check("a", "2.0000 2.0001 2.0000"))
    client = client_of(bench)
    assert client.get(f"/api/gauges/{gauge.id}").json()["hands"][0]["enough"] is False
    check_setting(bench, gauge.id, check("b", "2.0000 2.0001 2.0000"))
    assert client.get(f"/api/gauges/{gauge.id}").json()["hands"][0]["enough"] is True


@pytest.mark.parametrize(
    ("change", "where"),
    [
        ({"read": ""}, "read"),
        ({"read": "2.0000 twice"}, "read"),
        ({"standard": "-2"}, "document"),
        ({"read": "2.5"}, "document"),
        ({"against": "nothing"}, "against"),
        ({"gauge_c": "warm"}, "gauge_c"),
        ({"gauge_c": "200"}, "gauge_c"),
    ],
)
def test_a_check_that_cannot_be_is_refused(gauge: Gauge, bench: Person, change: dict[str, Any], where: str) -> None:
    change = dict(change)
    read = change.pop("read", "2.0000")
    with pytest.raises(Refusal) as refused:
        check_setting(bench, gauge.id, check("a", read, **change))
    assert where in refused.value.faults[0].where
    assert SettingCheckRecord.objects.count() == 0


def test_a_gauge_that_is_not_there_has_no_check(bench: Person) -> None:
    with pytest.raises(NotThere):
        check_setting(bench, "nothing", check("a", "2.0000"))


def test_a_job_takes_the_checks_it_was_judged_with_along(
    gauge: Gauge, bench: Person, job: JobRecord, land: Callable[..., Any]
) -> None:
    """A bore gauge's master travels too, and a check made later that day is not forgotten."""
    for n in range(30):
        check_setting(bench, gauge.id, check(f"old{n}", "2.0000", days=60 - n))
    land("R1", "1a", "371")
    check_setting(bench, gauge.id, check("after", "2.0001"))
    kept = [one.id for one in actions.open_job(job.pk, bench).job.checks]
    assert kept == [*(f"old{n}" for n in range(18, 30)), "after"]
    assert [one.id for one in last_checks({gauge.id})] == ["after"]


def test_a_check_may_bear_the_name_of_a_reading(
    bench: Person, job: JobRecord, gauge: Gauge, land: Callable[..., Any]
) -> None:
    """Common practice, no source: two benches that name their facts by themselves must not stop a job."""
    land("R1", "1a", "2.0375", id="same")
    check_setting(bench, gauge.id, check("same", "2.0000 2.0001"))
    assert len(actions.open_job(job.pk, bench).job.readings) == 1
