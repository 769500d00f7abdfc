"""What a journal is beside its size: fillets, finish, hardness, throw, against the trade."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import timedelta
from fractions import Fraction

import pytest

from halfthou.amounts import Quantity, amount_of, read_amount
from halfthou.assess import assess
from halfthou.jobs import (
    AmountBand,
    Band,
    Gauge,
    GaugeKind,
    HouseRules,
    Job,
    Look,
    Operation,
    OperationKind,
    Reading,
)
from halfthou.lengths import AmountUnit, Asked, Typed, Unit, Unreadable
from halfthou.parts.journals.beside_size import FEATURES, LIMIT_OF
from halfthou.verdicts import Action, Open
from tests.making import MAKER, NOON, PERFECT, band, inches, job, look

HOUSE = HouseRules(spread_k=0)
SOUND = {**{f"M{n}": ["2.4140"] * 8 for n in range(1, 6)}, **{f"R{n}": ["2.0376"] * 8 for n in range(1, 5)}}
HRC = {"resolution": 1, "permissible_error": 0, "most": 70_000}
TESTERS = {
    "radius": PERFECT.model_copy(update={"id": "radius", "kind": GaugeKind.RADIUS_GAUGE}),
    "depth": PERFECT.model_copy(update={"id": "depth", "kind": GaugeKind.DEPTH_GAUGE}),
    **{
        name: Gauge(
            id=name, name=name, kind=kind, unit=Unit.MM, resolution=PERFECT.resolution,
            permissible_error=PERFECT.permissible_error, scale={**HRC, "most": 10**9},
        )
        for name, kind in (
            ("rockwell", GaugeKind.ROCKWELL_TESTER), ("brinell", GaugeKind.BRINELL_TESTER),
            ("rough", GaugeKind.ROUGHNESS_TESTER), ("head", GaugeKind.PROTRACTOR),
        )
    },
}  # fmt: skip
GAUGE_OF = {
    "fillet radius": "radius", "half the stroke": "depth", "index": "head", "finish": "rough",
    "hardness rockwell": "rockwell", "hardness brinell": "brinell",
}  # fmt: skip
FILLET = band("0.090", "0.110")
STROKE = band("1.7390", "1.7410")
INDEX = AmountBand(quantity=Quantity.ANGLE, most=300_000, source=MAKER)
HARD = AmountBand(quantity=Quantity.ROCKWELL_C, least=50_000, source=MAKER)
FINISH = AmountBand(quantity=Quantity.FINISH, most=381_000, source=MAKER)


def read(part: str, feature: str, spot: str, count: int, hours: float = 0) -> Reading:
    """One reading beside the size, in whole smallest units."""
    return Reading(
        id=f"{part}.{feature}.{spot}.{hours}".replace(" ", "-"), part=part, feature=feature, spot=spot, count=count,
        typed="as given", unit=Unit.INCH, gauge=GAUGE_OF[feature], by="bench", at=NOON + timedelta(hours=hours),
    )  # fmt: skip


def judged(*readings: Reading, of: Mapping[str, Band | AmountBand], **more: object) -> Job:
    """A sound crank with the sheet's figures for its rod journals, and what was read beside their size."""
    one = job(SOUND, gauge=PERFECT, house_rules=HOUSE)
    sets = dict(one.limits.sets)
    sets["rods"] = sets["rods"].model_copy(update={"figures": {**sets["rods"].figures, **of}})
    return one.model_copy(
        update={
            "limits": one.limits.model_copy(update={"sets": sets}),
            "readings": (*one.readings, *readings),
            "gauges": (*one.gauges, *TESTERS.values()),
            **more,
        }
    )


def fillets(front: str, rear: str) -> tuple[Reading, ...]:
    return tuple(
        read("R2", "fillet radius", spot, inches(text).nm) for spot, text in (("front", front), ("rear", rear))
    )


def test_every_feature_beside_the_size_has_a_figure_of_the_sheet() -> None:
    assert {feature.key for feature in FEATURES} == set(LIMIT_OF)
    assert all(feature.judged_by == (LIMIT_OF[feature.key],) for feature in FEATURES)


@pytest.mark.parametrize(
    ("front", "rear", "action"),
    [
        ("0.100", "0.100", Action.REUSE),
        # Sharp starts a crack, large carries the half bearing on its edge: both are referred, whichever side.
        ("0.080", "0.100", Action.REFER),
        ("0.100", "0.080", Action.REFER),
        ("0.120", "0.100", Action.REFER),
    ],
)
def test_a_fillet_outside_its_band_is_referred(front: str, rear: str, action: Action) -> None:
    """From memory (bearing-maker guides): a band, least by the crank, most by the shell's relief."""
    found = assess(judged(*fillets(front, rear), of={"fillet": FILLET}))
    assert found.part("R2").action is action
    assert (Open.REFERRED in found.part("R2").opens) == (action is Action.REFER)
    assert found.part("R1").action is Action.REUSE


def test_a_fillet_that_has_no_limit_asks_for_one() -> None:
    found = assess(judged(*fillets("0.100", "0.100"), of={})).part("R2")
    assert found.action is Action.MEASURE
    assert Open.NO_LIMIT in found.opens


def test_a_throw_out_of_its_place_is_referred() -> None:
    """Common practice, no source: a seized crank is twisted; half the stroke and index show it."""
    limits: dict[str, Band | AmountBand] = {"half_stroke": STROKE, "index": INDEX}
    for half, off, action in (
        ("1.7400", 100_000, Action.REUSE),
        ("1.7400", -100_000, Action.REUSE),
        ("1.7400", 400_000, Action.REFER),
        ("1.7400", -400_000, Action.REFER),
        ("1.7420", 0, Action.REFER),
    ):
        readings = (read("R2", "half the stroke", "1a", inches(half).nm), read("R2", "index", "1a", off))
        assert assess(judged(*readings, of=limits)).part("R2").action is action, (half, off)


def test_a_hot_journal_asks_for_every_throw() -> None:
    """Common practice, no source. A crank that stayed cool is not asked."""
    limits: dict[str, Band | AmountBand] = {"half_stroke": STROKE, "index": INDEX}
    cool = assess(judged(of=limits))
    assert not cool.part("R1").to_read
    hot = assess(judged(of=limits, seen=(look("R3", Look.HEAT, "blue"),)))
    for name in ("R1", "R2", "R3", "R4"):
        assert {asked.feature for asked in hot.part(name).to_read} == {"half the stroke", "index"}
        assert hot.part(name).action is not Action.REUSE
    assert not hot.part("M1").to_read
    assert hot.of("rods").awaiting


def test_hardness_is_judged_in_its_own_scale_alone() -> None:
    soft = read("R2", "hardness rockwell", "1a", 48_000)
    assert assess(judged(soft, of={"hardness_rockwell": HARD})).part("R2").action is Action.REFER
    right = read("R2", "hardness rockwell", "1a", 54_000)
    assert assess(judged(right, of={"hardness_rockwell": HARD})).part("R2").action is Action.REUSE
    # A reading by Brinell says nothing to a limit by Rockwell: it wants a limit of its own scale.
    brinell = read("R2", "hardness brinell", "1a", 500_000)
    other = assess(judged(brinell, of={"hardness_rockwell": HARD})).part("R2")
    assert Open.NO_LIMIT in other.opens


def test_a_rough_journal_is_polished() -> None:
    rough = assess(judged(read("R2", "finish", "1a", 500_000), of={"finish": FINISH})).part("R2")
    assert rough.action is Action.POLISH
    smooth = assess(judged(read("R2", "finish", "1a", 250_000), of={"finish": FINISH})).part("R2")
    assert smooth.action is Action.REUSE


def test_work_makes_what_it_touches_stale() -> None:
    """Common practice, no source: a grind makes both stale, straightening the throw and not the fillet."""
    readings = (*fillets("0.100", "0.100"), read("R2", "half the stroke", "1a", inches("1.7420").nm))
    limits = {"fillet": FILLET, "half_stroke": STROKE}

    def after(kind: OperationKind, on: str) -> set[str]:
        done = Operation(id="w", kind=kind, on=on, by="machinist", at=NOON + timedelta(hours=1))
        found = assess(judged(*readings, of=limits, operations=(done,))).part("R2")
        return {figure.key.rsplit(" ", 1)[0] for figure in found.figures} & {"fillet radius", "half the stroke"}

    assert after(OperationKind.POLISH, "rods") == {"fillet radius", "half the stroke"}
    assert after(OperationKind.STRAIGHTEN, "crank") == {"fillet radius"}
    assert after(OperationKind.GRIND, "rods") == set()


def test_a_microinch_is_kept_exactly() -> None:
    """1 µin is 25.4 nm, no whole nanometre: 25,400 pm. Source: the inch is 25.4 mm exactly."""
    found = read_amount("15 µin", Quantity.FINISH)
    assert isinstance(found, Asked)
    assert found.choices[0].length.nm == int(15 * Fraction("25.4") * 1000)
    plain = read_amount("0.381", Quantity.FINISH)
    assert isinstance(plain, Typed)
    assert (plain.length.nm, plain.unit) == (381_000, AmountUnit.MICROMETRE)
    assert amount_of(Quantity.FINISH, 5) != amount_of(Quantity.ROCKWELL_C, 5)


def test_one_scale_of_hardness_is_never_taken_for_another() -> None:
    with pytest.raises(Unreadable) as refused:
        read_amount("240 HB", Quantity.ROCKWELL_C)
    assert refused.value.message == "“hb” is no unit of hardness by Rockwell C: it is read in HRC here."
