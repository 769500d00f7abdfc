"""Jobs of every kind that was once judged wrong, each made from as little as shows it. Invented sizes.

Rods 2.0370 to 2.0378, mains 2.4135 to 2.4143, out-of-round 0.0010, taper 0.0006, shells to 0.030, a micrometer that
reads 0.0001, unless said.
"""

from __future__ import annotations

from collections.abc import Callable
from datetime import timedelta

from halfthou.engines import usual_layouts
from halfthou.jobs import (
    Condition,
    DecisionKind,
    Feature,
    Gauge,
    GaugeKind,
    HardenedCrank,
    Hardening,
    HouseRules,
    Job,
    LimitsSheet,
    Look,
    Plan,
    SettingCheck,
    Sitting,
    SourceKind,
    Waived,
)  # fmt: skip
from halfthou.lengths import Unit
from tests.golden.crank import again, at, decided, engine, ground, rods_at, with_more
from tests.making import (
    GOOD_MAIN,
    GOOD_ROD,
    MICROMETER,
    NOON,
    as_set,
    band,
    figure,
    inches,
    job,
    limits,
    look,
    mm,
    readings,
    shells,
)  # fmt: skip


def one_above_its_band() -> Job:
    return job(rods_at("2.0275", R2=["2.0280", *at("2.0275", 7)]))


def one_above_its_band_ground() -> Job:
    return job(rods_at("2.0275", R2=["2.0280", *at("2.0275", 7)]), operations=(ground("rods"),))


def one_above_its_band_stamped() -> Job:
    stamp = look("rods", Look.CLAIMED_UNDERSIZE, "stamp", "0.010")
    return job(rods_at("2.0275", R2=["2.0280", *at("2.0275", 7)]), seen=(stamp,))


def warm_from_the_hand() -> Job:
    sitting = Sitting(id="s", part_c=30.0, gauge_c=20.0, condition=Condition.IN_HAND, by="bench", at=NOON)
    one = job(rods_at("2.0279"))
    read = tuple(r.model_copy(update={"sitting": "s"}) for r in one.readings)
    return one.model_copy(update={"sittings": (sitting,), "readings": read})


def one_main_ground_singly() -> Job:
    return job(engine(M3=at("2.4040"), M1=[*at("2.4140", 7), "2.4120"]), operations=(ground("M3"),))


def mixed_where_allowed() -> Job:
    rules = HouseRules(spread_k=0, mixed_sizes=True)
    return job(engine(R3=at("2.0275")), operations=(ground("R3"),), house_rules=rules)


def ground_in_millimetres() -> Job:
    """2.0377 less 0.50 mm is 2.0180: in no band of an inch shell."""
    return job(rods_at("2.0180"))


def metric_by_the_stamp() -> Job:
    """Less 0.25 mm it measures as an inch shell's 0.010 may: the stamp tells."""
    stamp = look("rods", Look.CLAIMED_UNDERSIZE, "stamp", "0.010").model_copy(update={"amount": mm("0.25")})
    return job(rods_at("2.0276"), seen=(stamp,))


def eight_with_shared_pins() -> Job:
    v8 = next(
        one for one in usual_layouts() if any(len(pin.cylinders) == 2 for pin in one.pins) and len(one.pins) == 4
    )
    limit = LimitsSheet(
        engine="Bramling V8", unit=Unit.INCH, layout=v8,
        sets={"mains": as_set(limits("2.4135", "2.4143")),
              "rods": as_set(limits(clearance=band("0.0010", "0.0030")))},
    )  # fmt: skip
    sizes = {f"R{n}": at("2.0360") for n in range(1, 5)} | dict.fromkeys(v8.mains, GOOD_MAIN)
    return job(sizes, limits=limit)


def waived_and_it_stays() -> Job:
    sizes = rods_at("2.0360")
    del sizes["R4"]
    waived = decided(DecisionKind.WAIVED, part="R4", about=Waived.READINGS)
    return job(sizes, decisions=(waived,))


def not_all_read() -> Job:
    return job({"R1": GOOD_ROD, "R2": GOOD_ROD, "R3": GOOD_ROD[:4]})


def larger_than_new() -> Job:
    rods = limits(
        housing_bore=band("2.1640", "2.1646"), wall=band("0.0622", "0.0625"), clearance=band("0.0010", "0.0030")
    )
    return job(rods_at("2.0418"), rods=rods)


def cracked() -> Job:
    return job(engine(M2=[*at("2.4140", 7), "2.4100"]), seen=(look("R2", Look.CRACK_TEST, "crack found"),))


def crack_then_ground() -> Job:
    return job(rods_at("2.0275"), seen=(look("R2", Look.CRACK_TEST, "crack found", ),), operations=(
        ground("rods").model_copy(update={"at": NOON + timedelta(hours=1)}),
    ))  # fmt: skip


def past_the_last_size() -> Job:
    return job(rods_at("2.0050"))


def worn_at_the_last_size() -> Job:
    return job(rods_at("2.0075", R1=[*at("2.0075", 6), "2.0055", "2.0055"]))


def no_undersize_on_the_sheet() -> Job:
    return job(rods_at("2.0360"), rods=limits(shells=shells("0")))


def blue_but_passed() -> Job:
    return job(engine(), seen=(look("R2", Look.HEAT, "blue"), look("R2", Look.CRACK_TEST, "passed")))


def turned_in_its_housing() -> Job:
    return job(engine(), seen=(look("R2", Look.SEAT, "turned in its housing"),))


def nail_catches() -> Job:
    return job(engine(), seen=(look("R2", Look.SURFACE, "nail catches"),))


def light_marks_near_the_limit() -> Job:
    return job(rods_at("2.0371", R2=at("2.0370")), seen=(look("R2", Look.SURFACE, "light marks"),))


def question_held() -> Job:
    return job(engine(R2=["2.0375", "2.0375", "2.0125", *at("2.0375", 5)]))


def outside_the_plan() -> Job:
    return with_more(job(engine()), again("R2", "3a", "2.0305"))


def spot_contradicts_itself() -> Job:
    return with_more(job(engine()), again("R2", "1a", "2.0355", repeats="R2.1a"))


def clearance_beyond_the_sheet() -> Job:
    rods = limits(housing_bore=band("2.1630", "2.1660"), clearance=band("0.0010", "0.0025"))
    bore_gauge = MICROMETER.model_copy(
        update={"id": "bore", "name": "bore gauge", "kind": GaugeKind.DIAL_BORE_GAUGE}
    )
    checks = tuple(
        SettingCheck(
            id=name, gauge="bore", standard=inches("2.0400"), read=(inches("2.0400"),) * 3, unit=Unit.INCH,
            by="bench", at=NOON + timedelta(minutes=at),
        )
        for name, at in (("before", 20), ("after", 40))
    )  # fmt: skip
    one = job(engine(), rods=rods, gauges=(MICROMETER, bore_gauge), checks=checks)
    bores = tuple(
        again(
            "bearing-rod-1",
            spot,
            "2.0425",
            id=f"b{spot}",
            feature=Feature.BEARING_BORE,
            caps_torqued=True,
            gauge="bore",
        )
        for spot in ("1a", "1b", "1c", "2a", "2b", "2c")
    )
    return with_more(one, *bores)


def clearance_by_the_sheet() -> Job:
    """Housing 2.3750, walls 0.0620, journal 2.2480."""
    rods = limits(
        "2.2478", "2.2486", housing_bore=band("2.3750", "2.3750"), wall=band("0.0620", "0.0620"),
        clearance=band("0.0020", "0.0040"),
    )  # fmt: skip
    return job(rods_at("2.2480"), rods=rods)


def tight_band() -> Job:
    return job(rods_at("2.0360", R1=at("2.0282")))


def fresh_from_the_wash() -> Job:
    sitting = Sitting(id="s", part_c=None, gauge_c=None, condition=Condition.WASHED, by="bench", at=NOON)
    one = job(engine(R1=["2.0361", *at("2.0366", 7)]), house_rules=HouseRules())
    read = tuple(r.model_copy(update={"sitting": "s"}) for r in one.readings)
    return one.model_copy(update={"sittings": (sitting,), "readings": read})


def check_grown_old() -> Job:
    read = tuple(inches(text) for text in ("2.0001", "2.0001", "2.0001"))
    check = SettingCheck(
        id="c", gauge=MICROMETER.id, standard=inches("2.0000"), read=read, unit=Unit.INCH, by="bench",
        at=NOON - timedelta(days=3),
    )  # fmt: skip
    return job(engine(), checks=(check,))


def gauge_that_is_out() -> Job:
    read = tuple(inches(text) for text in ("2.0006", "2.0006", "2.0006"))
    check = SettingCheck(
        id="c", gauge=MICROMETER.id, standard=inches("2.0000"), read=read, unit=Unit.INCH, by="bench",
        at=NOON - timedelta(hours=1),
    )  # fmt: skip
    return job(engine(), checks=(check,))


def caliper() -> Job:
    gauge = Gauge(
        id="cal", name="caliper", kind="caliper", unit=Unit.INCH, resolution=inches("0.0005"),
        permissible_error=inches("0.001"), least=inches("0"), most=inches("6"),
    )  # fmt: skip
    return job(gauge=gauge, gauges=(MICROMETER, gauge), readings=readings(engine(), gauge))


def out_of_range() -> Job:
    small = MICROMETER.model_copy(
        update={"id": "small", "name": "0-1 in micrometer", "least": inches("0"), "most": inches("1")}
    )
    return job(gauges=(MICROMETER, small), readings=readings(engine(), small))


def unequal_angles() -> Job:
    plan = Plan(angles_deg=(0, 15, 90))
    return job({"R1": ["2.0375", "2.0374", "2.0376"] * 2}, plans={"rods": plan})


def two_angles() -> Job:
    plan = Plan(angles_deg=(0, 90))
    return job({f"R{n}": at("2.0375", 4) for n in range(1, 5)}, plans={"rods": plan})


def rule_of_thumb_alone() -> Job:
    thumb = limits(
        size=limits().size.model_copy(update={"kind": SourceKind.RULE_OF_THUMB}),
        smallest_allowed=figure(inches("2.0300"), SourceKind.RULE_OF_THUMB),
    )
    return job(rods_at("2.0355"), rods=thumb)


def nitrided_at_an_undersize() -> Job:
    return job(rods_at("2.0275"), rods=limits(hardening=Hardening.NITRIDED))


def nitrided_and_worn() -> Job:
    rods = limits(hardening=Hardening.NITRIDED, case_depth=figure(mm("0.40")), least_case=figure(mm("0.20")))
    return job(rods_at("2.0360"), rods=rods)


def induction_and_worn() -> Job:
    rods = limits(hardening=Hardening.INDUCTION, case_depth=figure(mm("2.5")), least_case=figure(mm("1.5")))
    return job(rods_at("2.0360"), rods=rods, house_rules=within_the_case())


def case_ground_through() -> Job:
    rods = limits(hardening=Hardening.INDUCTION, case_depth=figure(mm("0.50")), least_case=figure(mm("0.45")))
    return job(rods_at("2.0360"), rods=rods, house_rules=within_the_case())


def within_the_case() -> HouseRules:
    return HouseRules(spread_k=0, hardened_crank=HardenedCrank.WITHIN_CASE)


def decided_otherwise() -> Job:
    rods = limits(shells=shells("0", "0.010", "0.015", "0.020"))
    other = decided(DecisionKind.OVERRIDDEN, action="regrind", step=inches("0.015"), words="regrind, 0.015 under")
    return job(rods_at("2.0360"), rods=rods, decisions=(other,))


def decided_elsewhere() -> Job:
    other = decided(
        DecisionKind.OVERRIDDEN, action="reuse", words="reuse", made_elsewhere=True, by="owner (elsewhere)"
    )
    return job(rods_at("2.0360"), decisions=(other,))


def mends() -> dict[str, Callable[[], Job]]:
    """Every kind, by its name in words."""
    made: list[Callable[[], Job]] = [
        one_above_its_band,
        one_above_its_band_ground,
        one_above_its_band_stamped,
        warm_from_the_hand,
        one_main_ground_singly,
        mixed_where_allowed,
        ground_in_millimetres,
        metric_by_the_stamp,
        eight_with_shared_pins,
        waived_and_it_stays,
        not_all_read,
        larger_than_new,
        cracked,
        crack_then_ground,
        past_the_last_size,
        worn_at_the_last_size,
        no_undersize_on_the_sheet,
        blue_but_passed,
        turned_in_its_housing,
        nail_catches,
        light_marks_near_the_limit,
        question_held,
        outside_the_plan,
        spot_contradicts_itself,
        clearance_beyond_the_sheet,
        clearance_by_the_sheet,
        tight_band,
        fresh_from_the_wash,
        check_grown_old,
        gauge_that_is_out,
        caliper,
        out_of_range,
        unequal_angles,
        two_angles,
        rule_of_thumb_alone,
        nitrided_at_an_undersize,
        nitrided_and_worn,
        induction_and_worn,
        case_ground_through,
        decided_otherwise,
        decided_elsewhere,
    ]
    return {one.__name__.replace("_", "-"): one for one in made}
