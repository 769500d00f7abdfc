"""Of which engines a row of the table binds."""

from __future__ import annotations

from halfthou.engines import Description
from halfthou.jobs import Heads, PumpAt


def overhead(engine: Description) -> bool:
    """Cams over the heads."""
    return engine.overhead


def cam_in_block(engine: Description) -> bool:
    """A cam in block or case."""
    return not engine.overhead and not engine.ports


def cam_in_case(engine: Description) -> bool:
    """A cam in the joint of a split case."""
    return cam_in_block(engine) and engine.case


def cams_cover(engine: Description) -> bool:
    """Cams that lie over the heads' bolts; nobody said, they do: then they come first, which bends nothing."""
    return engine.overhead and engine.built.cams_cover is not False


def driven_at_flywheel(engine: Description) -> bool:
    """The timing drive at the flywheel end."""
    return engine.driven_from_rear


def heads_cast_on(engine: Description) -> bool:
    """Valves over the pistons in heads that do not come off."""
    return engine.built.heads is Heads.NONE and not engine.side_valves


def valves_in_head(engine: Description) -> bool:
    """Valves that come out of a head on the bench."""
    return not engine.side_valves


def side_valves(engine: Description) -> bool:
    """Valves in the block."""
    return engine.side_valves


def push_rods(engine: Description) -> bool:
    """Push rods."""
    return engine.push_rods


def push_rods_in_block(engine: Description) -> bool:
    """Push rods over followers that come out upwards."""
    return engine.push_rods and not engine.case


def push_rods_in_case(engine: Description) -> bool:
    """Push rods over followers that drop into a split case."""
    return engine.push_rods and engine.case


def pump_on_nose(engine: Description) -> bool:
    """The pump on the crank's nose."""
    return engine.built.pump_at is PumpAt.NOSE


def pump_low(engine: Description) -> bool:
    """The pump in the pan or low in the case."""
    return engine.built.pump_at in (PumpAt.PAN, PumpAt.CHAIN)


def pump_in_pan(engine: Description) -> bool:
    """The pump in the pan."""
    return engine.has_pan and pump_low(engine)


def pump_inside(engine: Description) -> bool:
    """The pump not outside."""
    return not engine.pump_outside


def in_case(engine: Description) -> bool:
    """A split case."""
    return engine.case


def cast_in_case(engine: Description) -> bool:
    """Cylinders cast in the halves of a split case."""
    return engine.case and not engine.barrels


def case_or_tunnel(engine: Description) -> bool:
    """No caps below the crank."""
    return engine.case or engine.tunnel


def rods_on_bench(engine: Description) -> bool:
    """The crank comes out with its rods."""
    return engine.case or engine.rollers


def rods_in_place(engine: Description) -> bool:
    """The rods come off the crank in its place."""
    return not rods_on_bench(engine)


def rods_first(engine: Description) -> bool:
    """The rods are out before the crank."""
    return rods_in_place(engine) and not engine.leave.down


def cam_in_block_rods_first(engine: Description) -> bool:
    """A cam in the block, and rods out before the crank: the drive stays on while the crank has to turn."""
    return cam_in_block(engine) and rods_first(engine)


def capped_cam_in_block(engine: Description) -> bool:
    """Main caps, and a cam in the block."""
    return engine.capped and cam_in_block(engine)


def barrels(engine: Description) -> bool:
    """Barrels."""
    return engine.barrels


def bench_and_barrels(engine: Description) -> bool:
    """Barrels over a crank that comes out with its rods."""
    return rods_on_bench(engine) and engine.barrels


def upwards(engine: Description) -> bool:
    """Pistons pushed up through their bores."""
    return engine.leave.up


def downwards(engine: Description) -> bool:
    """Pistons drawn downwards, past a crank that is out."""
    return engine.leave.down and rods_in_place(engine)


def not_downwards(engine: Description) -> bool:
    """Pistons that leave before the crank."""
    return not engine.leave.down


def off_their_pins(engine: Description) -> bool:
    """Pistons that stay in their bores, their pins pushed out."""
    return engine.leave.pins


def pins_no_case(engine: Description) -> bool:
    """The same, where there is no case to part."""
    return engine.leave.pins and not engine.case


def links(engine: Description) -> bool:
    """Rods that hang on others, and go with them before the crank."""
    linked = any(engine.layout.is_link(n) for n in engine.cylinders)
    return linked and rods_first(engine)
