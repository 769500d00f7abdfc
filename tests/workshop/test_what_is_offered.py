"""What a form offers is served: a choice or a kind that is added appears by itself."""

from __future__ import annotations

from collections.abc import Callable

from django.test import Client

from halfthou.jobs import GaugeKind, HouseRules, Purpose
from halfthou.words import SCHOOLS
from workshop.people.models import Person


def test_every_choice_of_the_house_rules_has_its_schools_in_words() -> None:
    """A rule that is a choice among values has a way for each of them; a length or a number has none."""
    schools = {school.rule: school for school in SCHOOLS}
    assert len(schools) == len(SCHOOLS)
    for name, field in HouseRules.model_fields.items():
        kind = field.annotation
        values = {True, False} if kind is bool else set(getattr(kind, "__members__", {}).values())
        if name == "confirmed" or not values:
            assert name not in schools
            continue
        assert {way.value for way in schools[name].ways} == values, name
        assert all(way.title and way.why.endswith(".") for way in schools[name].ways), name


def test_the_schools_are_served_with_the_values_that_the_rules_have(
    owner: Person, client_of: Callable[[Person], Client]
) -> None:
    client = client_of(owner)
    rules, schools = client.get("/api/house-rules").json(), client.get("/api/house-rules/schools").json()
    assert len(schools) == len(SCHOOLS)
    for school in schools:
        assert rules[school["rule"]] in [way["value"] for way in school["ways"]], school["rule"]


def test_every_kind_of_gauge_is_offered_with_what_it_reads(
    bench: Person, client_of: Callable[[Person], Client]
) -> None:
    asked = client_of(bench).get("/api/gauges/asked").json()
    kinds = {one["kind"]: one for one in asked["kinds"]}
    assert set(kinds) == {kind.value for kind in GaugeKind}
    assert kinds["weighing scale"]["reads_in"] == "g"
    assert kinds["micrometer"]["reads_in"] == ""
    assert set(asked["purposes"]) == {one.value for one in Purpose}
