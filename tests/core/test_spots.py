"""Spots: what a kind lists is accepted, of every kind there is; what nobody lists is refused and never left out
silently. This program's own promise, nothing outside; held over the catalogue, so that a later kind falls in."""

from __future__ import annotations

import json

import pytest

from halfthou.engines import FeatureKind
from halfthou.exchange import BadFile, read_job, write_job
from halfthou.jobs import JobFile, Plan, plane_and_angle
from halfthou.parts import CATALOGUE, faults_of_readings
from tests.making import engine_of, job

JOB = job({"R1": ["2.0375"]})
ENGINE = engine_of(JOB)
FEATURES = [
    (part.id, feature)
    for kind in CATALOGUE.all
    for part in list(kind.parts(JOB.limits.layout))[:1]
    for feature in kind.features
]


@pytest.mark.parametrize(("part", "feature"), FEATURES, ids=lambda one: getattr(one, "key", one))
def test_a_spot_is_what_the_kind_lists(part: str, feature: FeatureKind) -> None:
    def faults(spot: str) -> list[str]:
        at = JOB.readings[0].model_copy(update={"part": part, "feature": feature.key, "spot": spot})
        return list(faults_of_readings([at], ENGINE))

    listed = feature.spots_of(Plan(planes=5) if feature.plan is not None else None)
    assert listed
    assert [fault for spot in listed for fault in faults(spot)] == []
    assert len(faults("rim13")) == 1
    assert "rim13" in faults("rim13")[0]


@pytest.mark.parametrize(("part", "feature"), FEATURES, ids=lambda one: getattr(one, "key", one))
def test_every_fixed_spot_stands_in_one_place_of_its_own(part: str, feature: FeatureKind) -> None:
    places = [(lies.row, lies.column) for lies in feature.lies.values()]
    assert len(set(places)) == len(feature.spots)


def test_a_file_with_a_spot_that_nobody_lists_is_told_so() -> None:
    file = json.loads(write_job(JobFile(job=JOB)))
    file["job"]["readings"][0]["spot"] = "rim13"
    with pytest.raises(BadFile, match="at rim13, which is no spot of the journal"):
        read_job(json.dumps(file))


@pytest.mark.parametrize("spot", ["2", "c2", "2cc", "rim4", "", "0a", "1i"])
def test_what_is_no_plane_and_angle_says_none(spot: str) -> None:
    assert plane_and_angle(spot) is None
