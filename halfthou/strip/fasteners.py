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


#: Proof stress of a bolt of class 10.9, MPa. Source: ISO 898-1, recalled. Young's modulus of steel, GPa.
PROOF_MPA, STEEL_GPA = 830.0, 206.0
#: A bolt that is longer by so much of its stretch at proof load was most likely read while tight.
LIKE_TIGHT = 0.25


def stretch_when_tight(length: Length, stress_mpa: float = PROOF_MPA) -> Length:
    """By how much a steel bolt is longer while it is tight: dL = F L / (A E), with F / A its stress.

    Takes:   the length that is under load, and the stress in it in MPa.
    Source:  docs/trade: Fasteners; worked example N04.
    >>> stretch_when_tight(Length(45_000_000), 45_000 / 56.745017305465).nm
    173233
    """
    return Length(round(length.nm * stress_mpa / (STEEL_GPA * 1000)))


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
    if seen.length is not None and growth.nm >= LIKE_TIGHT * stretch_when_tight(seen.length).nm:
        return f"longer by {text}: was it read while tight? Read it free"
    return f"grown {text}" if called is Called.BEYOND else f"grown {text}: too close to call"
