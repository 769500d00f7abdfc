"""The work of the strip on pan, rods, pistons and barrels."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Description
from halfthou.jobs import PumpAt, RodsOnPin
from halfthou.strip.step import BARRELS, BELOW, BENCH, RODS, TOP, StripStep
from halfthou.words import CLAMPED, HOT_OIL, PUMP_OPEN


def below(engine: Description) -> Iterator[StripStep]:
    """The pan and what lies in it; the pump comes off, and is not opened here."""
    told = engine.described
    if engine.has_pan:
        yield StripStep(
            "pan.off", "pan.off", BELOW, "Pan off", minutes=20, takes=("pan",) if told else (),
            hint="Lift it level: what lies in it is evidence.", cautions=(HOT_OIL,), fit="Pan on, new gasket",
        )  # fmt: skip
    where = "Pan, screen" if engine.has_pan else "Floor plate off; screen"
    yield StripStep("pan.photographed", "pan.photographed", BELOW, f"{where} and pickup photographed as they lie")
    for key, name in (("tray", "Windage tray"), ("baffles", "Baffles")):
        said = engine.built.windage_tray if key == "tray" else engine.built.baffles
        if said:
            yield StripStep(
                f"{key}.off", f"{key}.off", BELOW, f"{name} off", takes=(key,), fit=f"{name} on, bolts locked"
            )
    yield StripStep(
        "pickup.off", "pickup.off", BELOW, "Pickup off, its seal kept with it", minutes=8,
        takes=("pickup",) if told else (), fit="Pickup on, new seal, one and the right one",
    )  # fmt: skip
    if engine.built.pump_at in (PumpAt.PAN, PumpAt.CHAIN) and not engine.case:
        yield from pump_below(engine, BELOW)


def pump_below(engine: Description, section: str) -> Iterator[StripStep]:
    """A pump that lies in the pan, or low in a case."""
    chain = engine.built.pump_at is PumpAt.CHAIN
    if chain:
        yield StripStep(
            "pump-drive.off", "pump-drive.off", section, "Chain of the oil pump slackened, its wheel off",
            minutes=8,
            fit="Chain of the oil pump on, tensioner let go",
        )  # fmt: skip
    yield StripStep(
        "pump.off", "pump.off", section, "Oil pump off, not yet opened", minutes=12, takes=("pump",),
        cautions=(PUMP_OPEN,), fit="Oil pump on, packed or primed",
    )  # fmt: skip


def held_down(engine: Description) -> Iterator[StripStep]:
    """Wet liners read and held before the crank turns without its head; barrels held."""
    if engine.barrels and engine.heads:
        yield StripStep(
            "held.down",
            "barrels.held",
            TOP,
            "Barrels held down with tubes and nuts",
            minutes=5,
            cautions=(CLAMPED,),
        )
    elif engine.wet_liners and engine.heads:
        yield StripStep(
            "stand.read", "liners.stand-read", TOP, "Stand of each liner over the deck read", minutes=15,
            tools="dial on its bridge", while_on=True, hint="Four places each: a low one has lost its seat.",
            reads=("liner stand",),
        )  # fmt: skip
        yield StripStep(
            "held.down", "liners.clamped", TOP, "Wet liners clamped down", minutes=6, cautions=(CLAMPED,)
        )


def pistons(engine: Description) -> Iterator[StripStep]:
    """Pistons and rods by the way they leave."""
    leave = engine.leave
    if leave.barrels:
        for n in engine.cylinders:
            yield from _barrel(engine, n)
        if not engine.case and not engine.rollers:
            yield from _rods(engine, with_piston=False)
        return
    if leave.pins:
        for n in engine.cylinders:
            yield _pin_out(n, engine.bottom_deg(n), RODS, "through its hole")
        return
    if leave.up:
        yield StripStep(
            "ridges.seen", "ridges.seen", RODS, "Ridge and crown height of each bore looked at", minutes=10
        )
        yield StripStep(
            "ridges.reamed", "ridges.reamed", RODS, "Ridge reamed off where it stands up", minutes=5,
            hint="Before a piston is pushed past it: it breaks the lands. None stands up: this is done.",
            tools="ridge reamer",
        )  # fmt: skip
    yield from _rods(engine, with_piston=True)


def _barrel(engine: Description, n: int) -> Iterator[StripStep]:
    of, at = {"cylinder": str(n)}, engine.top_deg(n)
    yield StripStep(
        "barrel.marked", f"barrel-{n}.marked", BARRELS, f"Barrel {n} and piston {n} marked", minutes=2, of=of,
        marks=(f"barrel-{n}", f"piston-{n}"), tools="felt pen", at=at,
    )  # fmt: skip
    yield StripStep(
        "barrel.off", f"barrel-{n}.off", BARRELS, f"Barrel {n} drawn off over its piston", minutes=6, of=of,
        takes=(f"barrel-{n}",), at=at, hint="Catch the piston: a rod that falls nicks its skirt. Rag in the case.",
        cautions=(CLAMPED,), fit=f"Barrel {n} on, rings closed, gaps apart",
    )  # fmt: skip
    yield _pin_out(n, at, BARRELS, "out")
    yield StripStep(
        "piston.off", f"piston-{n}.off", BARRELS, f"Piston {n} off its rod", minutes=2, of=of,
        takes=(f"piston-{n}",),
        at=at, fit=f"Piston {n} on its rod, arrow to the front",
    )  # fmt: skip


def _pin_out(n: int, at: int, section: str, how: str) -> StripStep:
    hint = "Clips first, eyes covered. Pushed, not driven: a hammer bends the rod."
    tools = "pin pusher"
    return StripStep(
        "pin.out", f"pin-{n}.out", section, f"Piston pin {n} {how}", minutes=5, of={"cylinder": str(n)}, at=at,
        hint=hint, tools=tools, fit=f"Piston pin {n} in, both clips seen seated",
    )  # fmt: skip


def _rods(engine: Description, *, with_piston: bool) -> Iterator[StripStep]:
    for n in engine.cylinders:
        at = engine.bottom_deg(n)
        yield from rod_marked(engine, n, RODS, at)
        yield from rod_apart(engine, n, RODS, at)
        yield _rod_out(engine, n, at, with_piston=with_piston)
        if not engine.layout.is_link(n):
            yield _rod_half(n, "upper", RODS, None if engine.leave.down else at)


def rod_marked(engine: Description, n: int, section: str, at: int | None) -> Iterator[StripStep]:
    """Rod, cap and piston marked where they lie."""
    rod, cap, piston = f"rod-{n}", f"cap-rod-{n}", f"piston-{n}"
    link, bench = engine.layout.is_link(n) or engine.rollers, section == BENCH
    own = (rod,) if link else (rod, cap)
    if bench or engine.barrels:
        text = f"Rod {n} and its cap marked" if not link else f"Rod {n} marked"
        marks: tuple[str, ...] = own
    else:
        text = f"Rod {n}, its cap and piston {n} marked" if not link else f"Rod {n} and piston {n} marked"
        marks = (*own, piston)
    yield StripStep(
        "rod.marked", f"{rod}.marked", section, f"{text}, side and front noted", minutes=3, of={"cylinder": str(n)},
        marks=marks, tools="punches or etcher, felt pen", at=at,
    )  # fmt: skip


def rod_apart(engine: Description, n: int, section: str, at: int | None) -> Iterator[StripStep]:
    """The cap off its rod, and the half that lies in it."""
    if engine.layout.is_link(n):
        return
    cap = f"cap-rod-{n}"
    yield StripStep(
        "cap-rod.off", f"{cap}.off", section, f"Cap of rod {n} off", of=_lies_over(engine, n), takes=(cap,),
        joint=True,
        hint="Note the force it needs; a cap that steps against its rod is not that rod's cap.", at=at,
        fit=f"Cap of rod {n} on by its number, new bolts where they are used once",
    )  # fmt: skip
    yield _rod_half(n, "lower", section, at)


def _rod_out(engine: Description, n: int, at: int | None, *, with_piston: bool) -> StripStep:
    rod, takes = f"rod-{n}", (f"rod-{n}", *([f"piston-{n}"] if with_piston else []))
    if not with_piston:
        text, fit = f"Rod {n} out, bolts sheathed", f"Rod {n} on its pin"
    elif engine.leave.down:
        text, fit = f"Piston and rod {n} drawn out downwards", f"Piston and rod {n} in from below"
        at = None
    else:
        text = f"Piston and rod {n} out, bolts sheathed"
        fit = f"Piston and rod {n} in, arrow to the front, gaps apart"
    return StripStep(
        "rod.out", f"{rod}.out", RODS, text, minutes=6, of=_lies_over(engine, n), takes=takes, at=at, fit=fit
    )


def _rod_half(n: int, half: str, section: str, at: int | None) -> StripStep:
    """The lower half lies in the cap, the upper in the rod: it is reached once the rod is out."""
    key = f"half-rod-{n}-{half}"
    return StripStep(
        f"half-rod-{half}.out", f"{key}.out", section,
        f"Half bearing {half} of rod {n} out, its back marked, not wiped",
        minutes=2, of={"cylinder": str(n)}, takes=(key,), marks=(key,), at=at,
        fit=f"Half bearing {half} of rod {n} in, seat and back dry, face oiled",
    )  # fmt: skip


def _lies_over(engine: Description, n: int) -> dict[str, str]:
    """What a rod is of, for the rules: its cylinder; on a shared pin whose cap waits for whose rod."""
    pin = engine.layout.pin_of(n)
    first = engine.layout.pins[int(pin[1:]) - 1].cylinders[0]
    shared = len(engine.layout.pins[int(pin[1:]) - 1].cylinders) > 1
    key = {RodsOnPin.FORK: "fork", RodsOnPin.LINKED: "master"}.get(engine.built.rods_on_pin or RodsOnPin.BESIDE)
    if key is None or not shared:
        return {"cylinder": str(n)}
    return {"cylinder": str(n), f"{key}'s" if first == n else key: pin}


def rods_on_the_bench(engine: Description) -> Iterator[StripStep]:
    """Rods of a crank that came out with them."""
    for n in engine.cylinders:
        yield from rod_marked(engine, n, BENCH, None)
        if engine.rollers:
            continue
        yield from rod_apart(engine, n, BENCH, None)
    for n in engine.cylinders:
        if engine.rollers:
            yield StripStep(
                "rod.out", f"rod-{n}.out", BENCH,
                f"Rod {n} left on the crank: play of its rollers felt and written down",
                minutes=4, of={"cylinder": str(n)}, takes=(f"rod-{n}",),
                hint="A built-up crank is pressed apart and trued by a specialist only.",
            )  # fmt: skip
            continue
        yield StripStep(
            "rod.out", f"rod-{n}.out", BENCH, f"Rod {n} off its pin", minutes=3, of=_lies_over(engine, n),
            takes=(f"rod-{n}",), fit=f"Rod {n} on its pin",
        )  # fmt: skip
        if not engine.layout.is_link(n):
            yield _rod_half(n, "upper", BENCH, None)
