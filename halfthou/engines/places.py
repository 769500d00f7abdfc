"""The catalogue of what has a place in an engine, worked out from its description and from nothing else."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines.description import Description, described
from halfthou.engines.place import BAGGED, CAP, CROWN, STRUCK, WASHER, WRITTEN, Place
from halfthou.jobs import DrivenBy, Layout, MainsIn

OUTSIDE = "Felt pen on its outside, number and arrow to the front. Never on a sealing face."
END = "Number punches on its end, arrow to the front. Never on a bearing face."


def placed(layout: Layout) -> tuple[Place, ...]:
    """The places of an engine beside what is measured, in its order: heads, valve gear, rods, pistons and their
    half bearings, mains, thrust; of one that was described what covers and drives them too."""
    return tuple(_all(described(layout)))


def _all(engine: Description) -> Iterator[Place]:
    for head in engine.heads:
        yield _plain(head.id, "head", head.name)
    for cylinder in engine.cylinders:
        yield from _of_cylinder(engine, cylinder)
    yield from _of_mains(engine)
    yield from _of_thrust(engine)
    yield _plain("pump", "oil pump", "Oil pump")
    for cam in engine.cams:
        yield _plain(cam.id, "camshaft", cam.name)
    yield _plain("crank", "crank", "Crank")
    if engine.described:
        yield from _of_the_drive(engine)
        yield from _of_the_outside(engine)


def _of_cylinder(engine: Description, cylinder: int) -> Iterator[Place]:
    n = str(cylinder)
    for kind in engine.plug_kinds:
        both = len(engine.plug_kinds) > 1
        name = kind.capitalize() if both else "Plug or injector"
        mark = f"{n}{kind[0].upper()}" if both else n
        called = "plug or injector" if kind == "plug" and not both else kind
        short = f"{kind.capitalize()} {n}"
        yield Place(
            f"{kind}-{n}",
            called,
            "",
            f"{name} of cylinder {n}",
            short,
            mark=mark,
            how=BAGGED,
            cylinder=cylinder,
        )
    for valve in engine.valves:
        yield from _of_valve(engine, cylinder, valve)
    yield from _of_rod(engine, cylinder)
    yield Place(f"piston-{n}", "piston", "", f"Piston {n}", f"Piston {n}", mark=n, how=CROWN, cylinder=cylinder)
    if engine.barrels:
        name = f"Barrel {n}"
        yield Place(f"barrel-{n}", "barrel", "", name, name, mark=n, how=OUTSIDE, cylinder=cylinder)
    if engine.wet_liners:
        name = f"Liner {n}"
        yield Place(f"liner-{n}", "liner", "", name, name, mark=n, how=OUTSIDE, cylinder=cylinder)


def _of_valve(engine: Description, cylinder: int, valve: str) -> Iterator[Place]:
    """What one valve has: between cam and stem as the description says."""
    duty, _, number = valve.partition("-")
    mark = f"{cylinder}{duty[0].upper()}{number}"
    kinds = [("rocker", "rocker", "Rocker")] if engine.push_rods or engine.on_rockers else []
    if engine.push_rods:
        kinds.append(("pushrod", "push rod", "Push rod"))
    if not engine.on_rockers:
        kinds.append(("follower", "follower", engine.follower))
    for key, kind, called in (*kinds, ("valve", "valve", "Valve")):
        short = f"{called} {cylinder} {duty[:2]}{f' {number}' if number else ''}"
        name = f"{called}, {valve.replace('-', ' ')}, cylinder {cylinder}"
        yield Place(f"{key}-{cylinder}-{valve}", kind, "", name, short, mark=mark, how=BAGGED, cylinder=cylinder)


def _of_rod(engine: Description, cylinder: int) -> Iterator[Place]:
    n, journal = str(cylinder), engine.layout.pin_of(cylinder)
    rod, cap, own = f"rod-{n}", f"cap-rod-{n}", not engine.rollers and not engine.layout.is_link(cylinder)
    pair = cap if own else ""
    beside = "" if engine.rollers else journal
    yield Place(
        rod, "rod", "", f"Rod of cylinder {n}", f"Rod {n}", beside, mark=n, how=STRUCK, pair=pair, cylinder=cylinder
    )
    if not own:
        return
    yield Place(
        cap, "rod cap", "", f"Cap of rod {n}", f"Cap {n}", journal, mark=n, how=STRUCK, pair=rod, cylinder=cylinder
    )
    for half in ("upper", "lower"):
        name, short, mark = f"Half bearing of rod {n}, {half}", f"Half {n} {half}", f"{n}{half[0].upper()}"
        yield Place(
            f"half-rod-{n}-{half}",
            "half bearing",
            "",
            name,
            short,
            journal,
            mark=mark,
            how=WRITTEN,
            cylinder=cylinder,
        )


def _of_mains(engine: Description) -> Iterator[Place]:
    held = engine.built.mains_in
    mains = engine.layout.mains
    for main in mains:
        n = main[1:]
        beside = "" if engine.rollers else main
        if engine.capped:
            cap, called = f"Cap of main {n}", f"Main cap {n}"
            yield Place(f"cap-main-{n}", "main cap", "", cap, called, beside, mark=main, how=CAP)
        if engine.tunnel and main not in (mains[0], mains[-1]):
            name = f"Carrier of main {n}"
            yield Place(f"carrier-main-{n}", "main carrier", "", name, name, beside, mark=main, how=OUTSIDE)
        for half in () if engine.rollers else ("upper", "lower"):
            lies = engine.lies(half)
            name, short, mark = (
                f"Half bearing of main {n}, {lies}",
                f"Half {main} {lies}",
                f"{main}{lies[0].upper()}",
            )
            yield Place(f"half-main-{n}-{half}", "half bearing", "", name, short, beside, mark=mark, how=WRITTEN)
        if engine.rollers:
            name = f"Rollers of main {n}"
            yield Place(f"rollers-main-{n}", "roller bearing", "", name, name, mark=main, how=BAGGED)
    beams = {MainsIn.GIRDLE: "girdle", MainsIn.LADDER: "ladder", MainsIn.BEDPLATE: "bedplate"}
    if held in beams:
        yield _plain(beams[held], "main beam", beams[held].capitalize())
    if engine.case:
        yield _plain("case-left", "case half", "Case half, left")
        yield _plain("case-right", "case half", "Case half, right")


def _of_thrust(engine: Description) -> Iterator[Place]:
    """The thrust faces of the crank and what runs against them, once it is said which main takes the thrust."""
    main = engine.layout.thrust_main
    for face in ("front", "rear") if main is not None and not engine.rollers else ():
        name, short = f"Thrust face of the crank, {face}", f"Thrust face {face}"
        yield Place(f"thrust-{face}", "thrust face", "", name, short, beside=main or "")
        for half in engine.washer_halves:
            name, short = f"Thrust washer, {face}, {half}", f"Washer {face} {half}"
            mark = f"{face[0]}{half[0]}".upper()
            yield Place(
                f"washer-{face}-{half}", "thrust washer", "", name, short, main or "", mark=mark, how=WASHER
            )


def _of_the_drive(engine: Description) -> Iterator[Place]:
    built = engine.built
    if engine.driven:
        called = {DrivenBy.CHAIN: "Timing chain", DrivenBy.BELT: "Timing belt", DrivenBy.GEARS: "Timing gears",
                  DrivenBy.SHAFT: "Drive shaft of the cam"}  # fmt: skip
        yield _plain("drive", "timing drive", called[built.driven_by or DrivenBy.CHAIN])
        if built.driven_by in (DrivenBy.CHAIN, DrivenBy.BELT):
            yield _plain("tensioner", "tensioner", "Tensioner and guides")
    for n in range(1, (built.idlers or 0) + 1):
        yield _plain(f"idler-{n}", "idler", f"Idler {n}")
    for n in range(1, engine.balance_shafts + 1):
        name = f"Balance shaft {n}"
        yield Place(f"balance-{n}", "balance shaft", "", name, name, mark=str(n), how=END)
    if built.auxiliary_shaft:
        yield _plain("auxiliary", "auxiliary shaft", "Auxiliary shaft")
    yield _plain("damper", "damper", "Damper or pulley")
    if engine.driven:
        yield _plain("front-cover", "cover", "Cover of the timing drive")


def _of_the_outside(engine: Description) -> Iterator[Place]:
    built = engine.built
    yield _plain("flywheel", "flywheel", "Flywheel and clutch")
    for n in range(1, (built.turbochargers or 0) + 1):
        yield _plain(
            f"turbo-{n}", "turbocharger", f"Turbocharger {n}" if built.turbochargers != 1 else "Turbocharger"
        )
    if built.injection_pump:
        yield _plain("injection-pump", "injection pump", "Injection pump")
    if built.cooler:
        yield _plain("cooler", "oil cooler", "Oil cooler")
    if engine.has_pan:
        yield _plain("pan", "pan", "Pan")
    yield _plain("pickup", "pickup", "Pickup and screen")
    if built.windage_tray:
        yield _plain("tray", "windage tray", "Windage tray")
    if built.baffles:
        yield _plain("baffles", "baffles", "Baffles")
    yield _plain("filter", "oil filter", "Oil filter")
    if built.squirters:
        yield _plain("squirters", "squirters", "Piston squirters")


def _plain(key: str, kind: str, name: str) -> Place:
    return Place(key, kind, "", name, name, how=BAGGED)
