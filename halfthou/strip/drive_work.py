"""The work on timing drive, camshafts and what the drive turns besides."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Description
from halfthou.jobs import DrivenBy, PumpAt
from halfthou.strip.step import BLOCK, FRONT, HEADS, StripStep
from halfthou.strip.upper_work import each_valve, followers, rocker_off
from halfthou.words import PUMP_OPEN, SPRINGS, TURNING

_CALLED = {
    DrivenBy.CHAIN: "Timing chain", DrivenBy.BELT: "Timing belt", DrivenBy.GEARS: "Timing gears",
    DrivenBy.SHAFT: "Cam's drive shaft",
}  # fmt: skip


def front(engine: Description) -> Iterator[StripStep]:
    """The front cover and the timing drive: from then on crank and cam no longer turn together."""
    told = engine.described
    if engine.driven and engine.overhead:
        yield from _timing_set()
    yield StripStep(
        "damper.off", "damper.off", FRONT, "Damper off; its rubber and mark looked at", minutes=15,
        takes=("damper",) if told else (), fit="Damper on, its bolt as the maker says",
    )  # fmt: skip
    if not engine.driven:
        return
    rear = " at the flywheel end" if engine.driven_from_rear else ""
    name = f"Cover of the timing drive{rear} off" if rear or engine.overhead else "Front cover off"
    yield StripStep(
        "front-cover.off", "front-cover.off", FRONT, name, minutes=15, takes=("front-cover",) if told else (),
        hint="The sensor before the cover: it breaks in it.", fit="Cover of the timing drive on, new seal",
    )  # fmt: skip
    yield StripStep(
        "drive.seen", "drive.seen", FRONT, "Timing marks, play and guides looked at and photographed", minutes=8,
        while_on=True,
        fit="Timing marks checked, turned twice and checked again",
    )  # fmt: skip
    if told:
        yield from _gauged(engine)
        yield from _valve_to_piston(engine)
    yield from _drive_off(engine)


def _timing_set() -> Iterator[StripStep]:
    yield StripStep(
        "timing-plug.out", "timing-plug.out", FRONT, "Plug out of the hole for the timing pin, where there is one",
        minutes=3, goes_back="plug of the timing pin's hole", while_on=True, fit="Plug of the timing pin's hole in",
    )  # fmt: skip
    yield StripStep(
        "timing.set", "timing.set", FRONT, "Turn to the firing dead centre of cylinder 1: all timing marks in line",
        minutes=5, cautions=(TURNING,), turns=True, while_on=True,
        hint="The way it runs, never back: slack falsifies the marks.",
    )  # fmt: skip


def _gauged(engine: Description) -> Iterator[StripStep]:
    """What can be read only while the drive is on."""
    if not engine.case:
        yield StripStep(
            "timing.read", "timing.read", FRONT, "Cam timing read against the crank", minutes=15,
            tools="degree disc, dial", while_on=True,
            hint="Write down degrees and which way: a stretched chain is late.", reads=("cam timing",),
        )  # fmt: skip
    if engine.built.driven_by in (DrivenBy.CHAIN, DrivenBy.BELT):
        yield StripStep(
            "slack.read", "slack.read", FRONT, "Slack and stand of the tensioner read", minutes=5, tools="rule",
            while_on=True,
            hint="How far it stands out says how far the chain has grown.", reads=("chain slack",),
        )  # fmt: skip


def _valve_to_piston(engine: Description) -> Iterator[StripStep]:
    if engine.overhead:
        yield StripStep(
            "clearance.read", "clearance.read", FRONT, "Valve to piston read near dead centre", minutes=10,
            tools="dial", while_on=True, hint="While the drive is on: it says how much a late cam leaves.",
            reads=("valve to piston",),
        )  # fmt: skip


def _drive_off(engine: Description) -> Iterator[StripStep]:
    told, kind = engine.described, engine.built.driven_by or DrivenBy.CHAIN
    if engine.overhead:
        yield StripStep(
            "drive.locked", "drive.locked", FRONT, "Crank and cams locked where they stand", minutes=5,
            tools="the maker's pins and plates", while_on=True,
            hint="The lock holds the timing, not the torque of a bolt.",
            fit="Locks out: turned by hand before the starter",
        )  # fmt: skip
    if told and kind in (DrivenBy.CHAIN, DrivenBy.BELT):
        yield StripStep(
            "tensioner.off", "tensioner.off", FRONT, "Tensioner slackened, pinned and off, guides with it",
            minutes=8,
            takes=("tensioner",), cautions=(SPRINGS,), fit="Tensioner and guides on, pin out",
        )  # fmt: skip
    name = _CALLED[kind] if told else "Timing drive"
    yield StripStep(
        "drive.off", "drive.off", FRONT, f"{name} off", minutes=15, takes=("drive",) if told else (),
        cautions=(SPRINGS,), hint="From here on crank and cam no longer turn together.",
        fit=f"{name} on, every mark in line",
    )  # fmt: skip


def driven_besides(engine: Description) -> Iterator[StripStep]:
    """Idlers, the auxiliary shaft, and a pump that the crank's nose turns."""
    for n in range(1, (engine.built.idlers or 0) + 1):
        yield StripStep(
            "idler.off",
            f"idler-{n}.off",
            FRONT,
            f"Idler {n} off, its front marked",
            takes=(f"idler-{n}",),
            fit=f"Idler {n} on",
        )
    if engine.built.pump_at is PumpAt.NOSE:
        yield StripStep(
            "pump.off", "pump.off", FRONT, "Oil pump off the crank's nose, not yet opened", minutes=12,
            takes=("pump",), cautions=(PUMP_OPEN,), fit="Oil pump on the crank's nose, packed or primed",
        )  # fmt: skip


def shafts_out(engine: Description) -> Iterator[StripStep]:
    """The auxiliary shaft and the balance shafts, marked and out."""
    if engine.built.auxiliary_shaft:
        yield StripStep(
            "auxiliary.out", "auxiliary.out", BLOCK, "Auxiliary shaft out", minutes=10, takes=("auxiliary",),
            fit="Auxiliary shaft in, timed",
        )  # fmt: skip
    for n in range(1, engine.balance_shafts + 1):
        yield StripStep(
            "balance.out", f"balance-{n}.out", BLOCK, f"Balance shaft {n} out, marked to its gear and side",
            minutes=10,
            of={"shaft": str(n)}, takes=(f"balance-{n}",), marks=(f"balance-{n}",),
            fit=f"Balance shaft {n} in, timed by its mark",
        )  # fmt: skip


def block_cams(engine: Description) -> Iterator[StripStep]:
    """Cams of the block or case, drawn once the drive is off."""
    for cam in engine.cams if not engine.overhead else ():
        how = "lifted out of the case half" if engine.case else "out, turned as it is drawn"
        yield StripStep(
            "cam.out", f"{cam.id}.out", BLOCK, f"{cam.name} {how}", minutes=15, of={"cam": cam.id}, takes=(cam.id,),
            fit=f"{cam.name} in, oiled, by its mark",
        )  # fmt: skip


def overhead_cams(engine: Description, section: str = HEADS) -> Iterator[StripStep]:
    """Overhead cams out: caps numbered, let go a little at a time so that no lobe stays loaded; then what they
    work on."""
    for cam in engine.cams if engine.overhead else ():
        of = {"cam": cam.id}
        yield StripStep(
            "cam-caps.marked", f"{cam.id}.caps-marked", section, f"{cam.name}: caps numbered, arrows to the front",
            minutes=4, of=of,
        )  # fmt: skip
        yield StripStep(
            "cam-caps.eased", f"{cam.id}.caps-eased", section,
            f"{cam.name}: caps let go a turn at a time, from the outside in", minutes=10, of=of,
            cautions=(SPRINGS,),
            hint="No lobe may stay loaded: a cam held at one end breaks.",
            fit=f"{cam.name}: caps drawn down a turn at a time, from the middle",
        )  # fmt: skip
        yield StripStep(
            "cam.out", f"{cam.id}.out", section, f"{cam.name} out, its caps with it", minutes=5, of=of,
            takes=(cam.id,),
            fit=f"{cam.name} in, oiled, at its mark",
        )  # fmt: skip
    if engine.on_rockers:
        yield from (rocker_off(of, called, section) for of, called in each_valve(engine))
    elif engine.overhead:
        yield from followers(engine, section)
