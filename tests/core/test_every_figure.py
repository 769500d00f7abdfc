"""Every figure is judged: what is read or has to be judged and has no limit waits for one; far past a limit and at
nothing no part goes back. A kind or a feature that comes later falls into it by itself."""

from __future__ import annotations

from collections.abc import Iterator

import pytest

from halfthou.amounts import Quantity
from halfthou.assess import assess
from halfthou.engines import FeatureKind
from halfthou.jobs import AmountBand, Band, Figure, Job, SetLimits
from halfthou.parts import CATALOGUE
from halfthou.report import PartReport
from halfthou.verdicts import Action, Open
from tests.core.test_every_answer import TRIED, as_new
from tests.loosen import at
from tests.making import MAKER, engine_of, inches

#: What its own kind has a rule for, whatever the sheet says: a gap is aimed at by sheet, factor or use.
OWN_RULE = {("ring", "closed gap")}
#: What is read for another figure, and is no figure by itself. Source: common practice, no source.
KEPT = {
    ("bore", "below ring travel"),
    ("piston", "skirt foot"),
    ("ring", "depth of the gap"),
    ("journal", "profile"),
}
#: What a pump is judged by. Source: common practice, no source.
PUMPS = {
    "spur gears": {"end clearance", "tip clearance", "backlash"},
    "gerotor": {"end clearance", "rotor tip", "rotor to body"},
    "vane": {"end clearance", "vane in its slot"},
}


def test_every_feature_says_what_judges_it_or_what_it_is_kept_for() -> None:
    silent, kept = set(), set()
    for kind in CATALOGUE.all:
        for feature in kind.features:
            if not feature.judged_by and not feature.kept_as:
                silent.add((kind.key, feature.key))
            if feature.kept_as:
                kept.add((kind.key, feature.key))
    assert silent == OWN_RULE
    assert kept == KEPT


def test_what_judges_a_feature_stands_on_the_sheet_of_its_set() -> None:
    for kind in CATALOGUE.all:
        of = CATALOGUE["journal"] if kind.key == "bearing" else kind
        known = {figure.key for figure in of.figures}
        for feature in kind.features:
            assert set(feature.judged_by) <= known, f"{kind.key}: {feature.key}"


@pytest.mark.parametrize("made", PUMPS)
def test_what_has_to_be_judged_of_each_pump(made: str) -> None:
    assert set(CATALOGUE["oil pump"].needed(SetLimits(made={"kind": made}))) == PUMPS[made]


def limits_of(one: Job, kind: str) -> tuple[str, SetLimits]:
    name = engine_of(one).parts[TRIED[kind]].set
    return name, one.limits.sets[name]


def with_limits(one: Job, kind: str, figures: dict[str, Figure | Band | AmountBand]) -> Job:
    name, limits = limits_of(one, kind)
    changed = limits.model_copy(update={"figures": figures})
    return one.model_copy(
        update={"limits": one.limits.model_copy(update={"sets": {**one.limits.sets, name: changed}})}
    )


#: A size that such a thing may have, in inches; a weight in milligrams, a load in millinewtons. Else a gap.
USUAL = {
    "pickup to pan": ".3000",
    "pin": ".9150",
    "pin bore": ".9152",
    "small end": ".9152",
    "weight": "512400",
    "spring load": "45000",
}


def usual(feature: FeatureKind) -> str:
    known = USUAL.get(feature.key)
    if known is None and feature.about is not None:
        return f"{feature.about.nm / 25_400_000:.4f}"
    return known or ".0020"


def read_as(one: Job, kind: str, feature: FeatureKind, text: str) -> Job:
    """The part with one feature read so everywhere, by a gauge without doubt, in place of what was read of it."""
    part = TRIED[kind]
    others = tuple(r for r in one.readings if not (r.part == part and r.feature == feature.key))
    new = at(part, feature.key, *[text] * len(feature.spots), spots=" ".join(feature.spots))
    return one.model_copy(update={"readings": (*others, *new)})


def told(kind: str, one: Job) -> PartReport:
    return assess(one).part(TRIED[kind])


def goes_back(found: PartReport) -> bool:
    return found.action is Action.REUSE and not found.opens


def loose_features() -> Iterator[tuple[str, FeatureKind]]:
    """What is read of each loose piece that a sheet's figure judges, alone."""
    for kind in CATALOGUE.all:
        for feature in kind.features:
            by_hand = feature.quantity in (Quantity.LENGTH, Quantity.MASS, Quantity.FORCE)
            if kind.loose and by_hand and feature.judged_by and feature.judged_by != ("size",):
                yield kind.key, feature


LOOSE = tuple(loose_features())
NAMES = [f"{kind}: {feature.key}" for kind, feature in LOOSE]


@pytest.mark.parametrize(("kind", "feature"), LOOSE, ids=NAMES)
def test_what_is_read_and_has_no_limit_waits_for_one(kind: str, feature: FeatureKind) -> None:
    one = as_new(kind)
    assert goes_back(told(kind, one)), "without this it would prove nothing"
    _, limits = limits_of(one, kind)
    bare = with_limits(one, kind, {k: v for k, v in limits.figures.items() if k not in feature.judged_by})
    found = told(kind, read_as(bare, kind, feature, usual(feature)))
    if feature.kept_as:
        assert Open.NO_LIMIT not in found.opens
        return
    assert not goes_back(found)
    assert Open.NO_LIMIT in found.opens
    assert any(feature.name in text for text in found.still_to_do if text.startswith("No limit on the sheet"))


@pytest.mark.parametrize("kind", ["oil pump"])
def test_what_has_to_be_judged_and_has_no_limit_waits_for_one(kind: str) -> None:
    one = as_new(kind)
    _, limits = limits_of(one, kind)
    for feature in CATALOGUE[kind].features:
        if feature.key in CATALOGUE[kind].needed(limits):
            bare = with_limits(one, kind, {k: v for k, v in limits.figures.items() if k not in feature.judged_by})
            found = told(kind, bare)
            assert not goes_back(found), feature.key
            assert Open.NO_LIMIT in found.opens


@pytest.mark.parametrize("kind", TRIED)
def test_what_could_be_read_and_is_not_judged_is_said_once(kind: str) -> None:
    one = as_new(kind)
    name, limits = limits_of(one, kind)
    found = assess(one).of(name).not_judged
    wanted = [feature.name for feature in CATALOGUE[kind].not_judged(limits)]
    assert bool(found) is bool(wanted)
    assert all(feature in found for feature in wanted)


def test_how_much_a_bore_may_wear_is_asked_for() -> None:
    """Common practice, no source: without a wear limit the greatest size when new is no limit of a worn bore."""
    one = as_new("bore")
    _, limits = limits_of(one, "bore")
    scope = {"scope": ("bores",)}
    bare = with_limits(one, "bore", {k: v for k, v in limits.figures.items() if k not in ("wear", "service_most")})
    found = told("bore", bare.model_copy(update=scope))
    assert Open.NO_LIMIT in found.opens
    assert any("wear" in text for text in found.still_to_do)
    assert Open.NO_LIMIT not in told("bore", bare).opens, "the worn clearance of its pistons says it"
    assert Open.NO_LIMIT not in told("bore", one.model_copy(update=scope)).opens


#: What a pump of another kind has; this one has spur gears.
OTHERS = set().union(*PUMPS.values()) - PUMPS["spur gears"]
#: Judged as read, each by a single limit of its own: a gap, a play, a wear.
ALONE = [
    (kind, one)
    for kind, one in LOOSE
    if len(one.judged_by) == 1 and one.may_be_nothing and one.quantity is Quantity.LENGTH and one.key not in OTHERS
]


@pytest.mark.parametrize(("kind", "feature"), ALONE, ids=[f"{k}: {f.key}" for k, f in ALONE])
def test_far_past_its_limit_no_part_goes_back(kind: str, feature: FeatureKind) -> None:
    one = as_new(kind)
    _, limits = limits_of(one, kind)
    figures = {**limits.figures, feature.judged_by[0]: Figure(value=inches("0.0040"), source=MAKER)}
    figures.pop("end_new", None)
    given = with_limits(one, kind, figures)

    def read(text: str) -> PartReport:
        """With all read so that the figure judges: one groove is no good without the other."""
        read_so = given
        for other in CATALOGUE[kind].features:
            if other.judged_by == feature.judged_by and other.may_be_nothing:
                read_so = read_as(read_so, kind, other, text)
        return told(kind, read_so)

    assert goes_back(read(".0020"))
    assert read(".0120").own_action not in (Action.REUSE, Action.MEASURE)
    if "cover" in feature.key:
        return
    nothing = read("0")
    assert not goes_back(nothing), "it has to move"
    assert any(reason.rule == "pieces.more-than-nothing" for reason in nothing.reasons)


@pytest.mark.parametrize("feature", sorted(OTHERS))
def test_what_another_kind_of_pump_has_is_asked_about(feature: str) -> None:
    """Of a pump with spur gears: either the reading or the sheet is of another pump."""
    kind = CATALOGUE["oil pump"].by_key[feature]
    found = told("oil pump", read_as(as_new("oil pump"), "oil pump", kind, ".0020"))
    assert not goes_back(found)
    assert Open.NO_LIMIT in found.opens
