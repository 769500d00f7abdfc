"""Fasteners by what they are and how they were found: which are used again, what a stretch bolt's growth says."""

from __future__ import annotations

from halfthou.gauges import difference_doubt, guard_band
from halfthou.jobs import FastenerKind, FastenerSeen, FastenerState, Job, StretchBolts
from halfthou.lengths import Length, Notation
from halfthou.verdicts import Called


def growth_of(seen: FastenerSeen) -> Length | None:
    """How much longer a bolt is than new; None where one of the lengths is not known."""
    if seen.new_length is None or seen.length is None:
        return None
    return seen.length - seen.new_length


def stretch_called(seen: FastenerSeen, job: Job) -> Called | None:
    """Whether a stretch bolt's growth is within what the house allows; None where it was not measured.

    Takes:   the fastener as seen; the job with its gauges and house rules.
    Gives:   too close also where no gauge is named, where the house rules are confirmed by nobody, and where it is
             shorter than new: then a length is wrong.
    Rule:    strip.stretch.   Source: docs/trade: Fasteners: 0.001 in over the logged new length, common practice.
    """
    growth = growth_of(seen)
    if growth is None:
        return None
    gauge = next((one for one in job.gauges if one.id == seen.gauge), None)
    limit = job.house_rules.bolt_growth
    if gauge is None:
        return Called.BEYOND if growth > limit else Called.TOO_CLOSE
    guard = guard_band(difference_doubt(gauge), job.house_rules.guard)
    if growth >= limit + guard and job.house_rules.confirmed:
        return Called.BEYOND
    if growth < -guard or growth > limit - guard or not job.house_rules.confirmed:
        return Called.TOO_CLOSE
    return Called.WITHIN


def renew_because(seen: FastenerSeen, job: Job, say: Notation) -> str:
    """Why a fastener is renewed, in words; nothing where it is used again.

    Rule:    strip.fasteners, strip.stretch.
    """
    if seen.state is FastenerState.HOLE_EMPTY:
        return "hole found empty"
    if seen.state is not FastenerState.RIGHT:
        return seen.state.value
    if seen.kind is FastenerKind.ONE_USE:
        return "one use, and used"
    if seen.kind is FastenerKind.STRETCH:
        return _stretch_words(seen, job, say)
    return ""


def _stretch_words(seen: FastenerSeen, job: Job, say: Notation) -> str:
    if job.house_rules.stretch_bolts is StretchBolts.NEW:
        return "stretch bolt: always new here"
    called, growth = stretch_called(seen, job), growth_of(seen)
    if called is None or growth is None:
        return "stretch bolt not measured against its new length"
    if called is Called.WITHIN:
        return ""
    text = say.with_unit(growth)
    return f"grown {text}" if called is Called.BEYOND else f"grown {text}: too close to call"
