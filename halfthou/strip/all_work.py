"""All work of one engine's strip, group by group, in the order it is looked for first."""

from __future__ import annotations

from collections.abc import Iterator

from halfthou.engines import Description
from halfthou.strip import crank_work as crank
from halfthou.strip import drive_work as drive
from halfthou.strip import lower_work as lower
from halfthou.strip import upper_work as upper
from halfthou.strip.step import BLOCK, HEADS, TOP, StripStep


def all_work(engine: Description) -> Iterator[StripStep]:
    """Every piece of work, each place taken once. Where ties allow, the list keeps this order.

    Rule:    strip.order.
    """
    yield from upper.stand(engine)
    yield from upper.outside(engine)
    yield from upper.top(engine)
    if engine.overhead:
        yield from drive.front(engine)
        if engine.built.cams_cover is not False:
            yield from drive.overhead_cams(engine, TOP)
        yield from upper.heads_off(engine)
    yield from lower.held_down(engine)
    if engine.heads:
        yield from upper.turned()
    if engine.side_valves:
        yield from upper.valves(engine, TOP)
    yield from lower.below(engine)
    yield from lower.pistons(engine)
    if not engine.overhead:
        yield from drive.front(engine)
    yield from drive.driven_besides(engine)
    yield from crank.mains(engine)
    if engine.case or engine.rollers:
        yield from lower.rods_on_the_bench(engine)
    yield from drive.block_cams(engine)
    if engine.side_valves or (engine.push_rods and engine.case):
        yield from upper.followers(engine, BLOCK)
    yield from drive.shafts_out(engine)
    yield from crank.block(engine)
    if engine.overhead and engine.built.cams_cover is False:
        yield from drive.overhead_cams(engine, HEADS)
    if not engine.side_valves:
        yield from upper.valves(engine)
    yield from crank.washing()
