"""The work of the strip from the stand to the valves."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Description
from halfthou.jobs import CooledBy
from halfthou.strip.step import HEADS, OUTSIDE, STAND, TOP, StripStep
from halfthou.words import ENGINE_LIFTING, FUEL, HOT_OIL, OLD_GASKETS, SPRINGS, TURNING, WASHING


def stand(engine: Description) -> Iterator[StripStep]:
    """The engine drained, washed outside and put on its stand. The oil sample comes before all."""
    yield StripStep(
        "stand.photographed", "stand.photographed", STAND, "Photograph it all round as it came", minutes=10
    )
    yield StripStep(
        "oil.drained", "oil.drained", STAND, "Drain the oil through a strainer; sample first", minutes=15,
        destroys=("starter pressure",), cautions=(HOT_OIL,), tools="strainer, sample bottle",
        fit="Fill the oil, and check it against the dipstick",
    )  # fmt: skip
    yield StripStep(
        "filter.off", "filter.off", STAND, "Filter off, kept upright for cutting open",
        takes=("filter",) if engine.described else (),
        hint="Look whether insert, spring and bypass lie as they should.", fit="New filter on, its insert in",
    )  # fmt: skip
    if engine.water:
        yield StripStep(
            "coolant.drained", "coolant.drained", STAND, "Drain the cooling", minutes=10,
            destroys=("coolant test",),
            hint="The oil sample comes first: one drop of coolant spoils it.", cautions=(HOT_OIL,),
            fit="Fill the cooling, let the air out",
        )  # fmt: skip
    yield StripStep(
        "stand.washed", "stand.washed", STAND, "Wash it outside", minutes=20,
        hint="Leaks, sealants and fresh paint are looked at first: it takes them away.", cautions=(WASHING,),
    )  # fmt: skip
    yield StripStep(
        "stand.on", "stand.on", STAND, "Engine on its stand", minutes=25, cautions=(ENGINE_LIFTING,),
        tools="rated sling, stand, spirit level", fit="Engine off its stand",
    )  # fmt: skip


def outside(engine: Description) -> Iterator[StripStep]:
    """What hangs on the engine, from the outside in."""
    yield StripStep(
        "sensors.off", "sensors.off", OUTSIDE, "Sensors and wiring off, each plug labelled", minutes=15,
        hint="The sensor in a cover comes out before its cover.", fit="Sensors and wiring on",
    )  # fmt: skip
    yield StripStep(
        "bracket.off", "bracket.off", OUTSIDE, "Brackets off", minutes=10,
        hint="A bracket that holds the gearbox's top bolt comes off before the gearbox.", fit="Brackets on",
    )  # fmt: skip
    yield StripStep(
        "gearbox.off", "gearbox.off", OUTSIDE, "Gearbox or coupling off; bell housing bolts and dowels looked at",
        minutes=30, hint="Count bolts and dowels: a hole found empty is written down.",
        cautions=(ENGINE_LIFTING, OLD_GASKETS), fit="Gearbox or coupling on, every bolt and dowel in",
    )  # fmt: skip
    yield StripStep(
        "flywheel.off", "flywheel.off", OUTSIDE, "Clutch and flywheel off, marked to the crank", minutes=15,
        takes=("flywheel",) if engine.described else (), fit="Flywheel on by its mark, new bolts; clutch on",
    )  # fmt: skip
    yield StripStep(
        "fuel.off", "fuel.off", OUTSIDE, "Fuel and injection lines off, capped", minutes=15, cautions=(FUEL,),
        fit="Fuel and injection lines on, seats clean",
    )  # fmt: skip
    yield from _hung_on(engine)


def _hung_on(engine: Description) -> Iterator[StripStep]:
    built, told = engine.built, engine.described
    if built.cooled_by is CooledBy.AIR:
        yield StripStep(
            "cowling.off", "cowling.off", OUTSIDE, "Cowling and fan off", minutes=15, fit="Cowling and fan on"
        )
    yield StripStep("inlet.off", "inlet.off", OUTSIDE, "Inlet manifold off", minutes=12, fit="Inlet manifold on")
    for n in range(1, (built.turbochargers or 0) + 1):
        yield StripStep(
            "turbo.off", f"turbo-{n}.off", OUTSIDE, f"Turbocharger {n} off, its oil ends closed", minutes=12,
            takes=(f"turbo-{n}",), hint="What a bearing shed lies in it: keep it apart.",
            fit=f"Turbocharger {n} on, filled with oil",
        )  # fmt: skip
    turbo = "" if told and built.turbochargers is not None else " and turbo"
    yield StripStep(
        "exhaust.off", "exhaust.off", OUTSIDE, f"Exhaust{turbo} off", minutes=15, fit=f"Exhaust{turbo} on"
    )
    pump = ", water pump" if engine.water else ""
    yield StripStep(
        "accessories.off", "accessories.off", OUTSIDE, f"Starter, generator{pump} off", minutes=20,
        fit=f"Starter, generator{pump} on",
    )  # fmt: skip
    if built.cooler is not False:
        yield StripStep(
            "cooler.off", "cooler.off", OUTSIDE, "Oil cooler and lines off, ends closed", minutes=10,
            takes=("cooler",) if built.cooler else (), fit="Oil cooler on, flushed or new",
        )  # fmt: skip
    if built.injection_pump:
        yield StripStep(
            "injection-pump.off", "injection-pump.off", OUTSIDE, "Injection pump off, its timing marked first",
            minutes=20, takes=("injection-pump",), hint="Mark flange and drive before a bolt is let go.",
            cautions=(FUEL,), fit="Injection pump on, timed by its marks",
        )  # fmt: skip
    if engine.pump_outside:
        yield StripStep(
            "pump.off", "pump.off", OUTSIDE, "Oil pump and its lines off, not yet opened", minutes=15,
            takes=("pump",), fit="Oil pump on, packed or primed; lines to it",
        )  # fmt: skip


def top(engine: Description) -> Iterator[StripStep]:
    """From the covers to the bare deck, without the drive; then it is turned once without compression."""
    if not engine.ports:
        name = "Valve chest cover off" if engine.side_valves else "Valve covers off"
        yield StripStep(
            "covers.off", "covers.off", TOP, name, minutes=10, cautions=(SPRINGS,), fit="Covers on, new gaskets"
        )
    for cylinder in engine.cylinders:
        for kind in engine.plug_kinds:
            called = "Plug or injector" if len(engine.plug_kinds) == 1 else kind.capitalize()
            yield StripStep(
                "plug.out", f"{kind}-{cylinder}.out", TOP, f"{called} {cylinder} out", minutes=3,
                of={"cylinder": str(cylinder)}, takes=(f"{kind}-{cylinder}",), fit=f"{called} {cylinder} in",
            )  # fmt: skip
    if engine.push_rods:
        yield from _push_rods(engine)
    if not engine.overhead:
        yield from heads_off(engine)
    if engine.push_rods and not engine.case:
        yield from followers(engine, TOP)


def _push_rods(engine: Description) -> Iterator[StripStep]:
    for of, called in each_valve(engine):
        yield rocker_off(of, called, TOP)
        key = f"pushrod-{of['cylinder']}-{of['valve']}"
        yield StripStep(
            "pushrod.out", f"{key}.out", TOP, f"Push rod out, {called}", minutes=1, of=of, takes=(key,),
            hint="Twist it free of its follower.", fit=f"Push rod in, {called}, by its own place",
        )  # fmt: skip


def followers(engine: Description, section: str) -> Iterator[StripStep]:
    """Followers, buckets or fingers out, each by its place."""
    for of, called in each_valve(engine):
        key = f"follower-{of['cylinder']}-{of['valve']}"
        yield StripStep(
            "follower.out", f"{key}.out", section, f"{engine.follower} out, {called}", minutes=2, of=of,
            takes=(key,),
            fit=f"{engine.follower} in, {called}, by its own place, oiled",
        )  # fmt: skip


def rocker_off(of: dict[str, str], called: str, section: str) -> StripStep:
    """The rocker of one valve."""
    key = f"rocker-{of['cylinder']}-{of['valve']}"
    return StripStep(
        "rocker.off", f"{key}.off", section, f"Rocker off, {called}", minutes=2, of=of, takes=(key,),
        cautions=(SPRINGS,), fit=f"Rocker on, {called}",
    )  # fmt: skip


def each_valve(engine: Description) -> Iterator[tuple[dict[str, str], str]]:
    """What the work on each valve is of, for the rules, and how the valve is called."""
    for cylinder in engine.cylinders:
        for valve in engine.valves:
            of = {"cylinder": str(cylinder), "valve": valve, "head": engine.head_of(cylinder)}
            yield of, f"cylinder {cylinder} {valve.replace('-', ' ')}"


def heads_off(engine: Description) -> Iterator[StripStep]:
    """Heads, their bolts let go from the outside in, cold."""
    for head in engine.heads:
        bank = head.name.removeprefix("Head, ").removesuffix(" bank")
        name = f"{bank.capitalize()} head" if head.name.startswith("Head, ") else head.name
        of = {"head": head.id}
        yield StripStep(
            "head.bolts", f"{head.id}.bolts", TOP, f"{name}: bolts let go in turns from the ends, cold", minutes=15,
            of=of, destroys=("leak-down", "starter pressure"),
            hint="Outside in, a quarter turn at a time, as the maker says.",
            fit=f"{name}: bolts tightened in stages from the middle, as the maker says",
        )  # fmt: skip
        yield StripStep(
            "head.off", f"{head.id}.off", TOP, f"{name} off, gasket kept", minutes=15, of=of, takes=(head.id,),
            cautions=(ENGINE_LIFTING, OLD_GASKETS), fit=f"{name} on, new gasket",
        )  # fmt: skip


def turned() -> Iterator[StripStep]:
    """Turned once without compression."""
    yield StripStep(
        "turned", "turned", TOP, "Turned by hand without compression, two whole turns", minutes=5,
        cautions=(TURNING,), turns=True, fit="Turned by hand, two whole turns",
    )  # fmt: skip


def valves(engine: Description, section: str = HEADS) -> Iterator[StripStep]:
    """The valves, each with its own spring and collets: on the bench, or out of the block where they stand in
    it."""
    for of, called in each_valve(engine):
        key = f"valve-{of['cylinder']}-{of['valve']}"
        yield StripStep(
            "valve.out", f"{key}.out", section, f"Valve out, {called}, with its spring and collets", minutes=3,
            of=of,
            takes=(key,), cautions=(SPRINGS,), tools="spring compressor",
            fit=f"Valve in, {called}, with its spring and collets",
        )  # fmt: skip
