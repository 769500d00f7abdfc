"""What a reading can be before it is taken, so that last digits are enough and a slip is asked about at once."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace
from typing import NamedTuple

from halfthou.amounts import Quantity, read_amount
from halfthou.engines import FeatureKind
from halfthou.gauges import WEIGHT, ReadText, Slip, slips_of
from halfthou.jobs import COMPARATORS, Gauge, LimitsSheet
from halfthou.lengths import (
    ZERO,
    Asked,
    Choice,
    Length,
    Notation,
    Typed,
    Unit,
    Unreadable,
    Window,
    read_here,
    read_small,
)

#: How far past the sheet's own sizes a reading may lie before it is asked about: 0.010 in past the last step,
#: 0.001 in past new the other way. Source: docs/trade: Slips of reading, from memory.
BELOW, ABOVE = Length(254_000), Length(25_400)
#: A feature of which the sheet says nothing is taken for anything a bench reads: 1 mm to 1 m.
#: A gap, a play or a wear is no more than 0.2 in, a height above or below its datum 0.5 in: a limit typed in tenths
#: where thou are usual is found by it. Source: common practice, no source.
SMALL, HIGH = Length(5_080_000), Length(12_700_000)
ANYTHING = Window(Length(50_000_000), Length(1_000_000), Length(1_000_000_000))


def window_for(
    sheet: LimitsSheet, one: str, feature: FeatureKind, present: Length, read: Iterable[Length]
) -> Window:
    """The window of sizes of one feature of a set.

    Takes:   the limits; the step the set stands at (measured, or claimed while nothing is read); the readings of
             the set so far.
    Gives:   the window: a little past new on the side that wear leaves alone, well past the last step on the other;
             anything where the sheet says nothing. A signed number counts from the unworn end when new, the present
             step allowed for.
    """
    if feature.small:
        widest = feature.most or (HIGH if feature.signed else SMALL)
        return Window(ZERO, -widest if feature.signed else ZERO, widest)
    sizes = sorted(read)
    near = sizes[len(sizes) // 2] if sizes else None
    expected = feature.expected(sheet, one)
    if expected is None:
        return replace(ANYTHING, near=near, most=feature.most or ANYTHING.most)
    low = Length(min(band[0] for band in expected.bands))
    high = Length(max(band[1] for band in expected.bands))
    if feature.plan is None:
        return Window(expected.nominal, low - BELOW, high + BELOW, near)
    least, most = expected.bands[0]
    if feature.hole:
        claimed = Length(most) + present if present > ZERO else None
        return Window(Length(least) + present, low - ABOVE, high + BELOW, near or claimed)
    claimed = Length(least) - present if present > ZERO else None
    return Window(Length(most) - present, low - BELOW, high + ABOVE, near or claimed)


class ReadBy(NamedTuple):
    """With what a spot is read: the gauge, and what it was set to where it is a comparator."""

    gauge: Gauge
    setting: Length | None = None


def high_side(text: str) -> tuple[str, float | None]:
    """A total reading as typed, without its high side; and that in degrees, None where nothing is said of it.

    Takes:   "0.0042 @ 135" or "0.0042 at 135": angles from cylinder 1 at top dead centre, from 0 below 360.
    Refuses: Unreadable.
    Rule:    straightness.high-side.
    >>> high_side("0.0042 @ 135"), high_side("42")
    (('0.0042', 135.0), ('42', None))
    """
    swing, mark, side = text.replace(" at ", " @ ").partition("@")
    if not mark:
        return text, None
    said = side.strip().removesuffix("°").strip().replace(",", ".")
    try:
        angle = float(said)
    except ValueError:
        angle = -1.0
    if not (swing.strip() and 0 <= angle < 360):
        message = "After @ goes the angle of the high side, from 0 to 359 degrees: 0.0042 @ 135."
        raise Unreadable("no-angle", text, message)
    return swing.strip(), angle


def read_spot(text: str, unit: Unit, feature: FeatureKind, window: Window, by: ReadBy) -> Typed | Asked:
    """Read what is typed at a spot of a feature, as what it is: a size, a gap, a weight, a force.

    Takes:   as `read_at`; the feature, and with what it is read.
    Gives:   the amount in whole smallest units of the feature's quantity, or a question.
    Refuses: Unreadable.
    """
    if feature.high_side:
        text, _ = high_side(text)
    if feature.quantity is not Quantity.LENGTH:
        found = read_amount(text, feature.quantity)
        if isinstance(found, Typed) and found.length <= ZERO and not feature.may_be_nothing:
            raise Unreadable("not-a-size", text, "That is more than nothing. Type it again.")
        return found
    if feature.small:
        found = read_small(text, unit, window)
        if isinstance(found, Typed) and found.length == ZERO and not (feature.may_be_nothing or feature.signed):
            raise Unreadable("not-a-size", text, "That is more than nothing. Type it again.")
        return found
    found = read_at(text, unit, window, by.gauge, by.setting)
    if isinstance(found, Asked) and found.outside is not None and feature.mistaken and found.outside < window.least:
        under = Notation.usual(unit).text(window.nominal - found.outside)
        return Asked(f"That is {under} under. {feature.mistaken}", found.choices, found.outside)
    return found


def read_at(text: str, unit: Unit, window: Window, gauge: Gauge, setting: Length | None = None) -> Typed | Asked:
    """Read a size typed at a spot, and where it cannot be one there, ask what it was meant to be.

    Takes:   as `read_here`; the gauge it was read with, and what that was set to. A comparator's signed number
             counts from its setting, never from nominal.
    Gives:   the size, or a question whose answers are the slips that would make it fit, the likeliest first, and
             last the size as it was read.
    Refuses: Unreadable, where a dial's number is typed and the gauge was not set.
    Rule:    gauges.slips, gauges.comparator.   Source: docs/trade: Slips of reading.
    """
    if gauge.kind in COMPARATORS and text.strip()[:1] in _SIGNS:
        text, window = _from_setting(text, window, gauge, setting)
    found = read_here(text, unit, window)
    if not isinstance(found, Asked) or found.outside is None:
        return found
    counted_from = setting if gauge.kind in COMPARATORS else None
    offers = slips_that_fit(ReadText(found.outside, text, unit, gauge, window.nominal, counted_from), window)
    if not offers:
        return found
    say = Notation.usual(unit)
    choices = tuple(Choice(o.meant, unit, f"{say.with_unit(o.meant)}: {o.kind.value}") for o in offers)
    known = {choice.length for choice in choices}
    rest = tuple(choice for choice in found.choices if choice.length not in known)
    question = f"{say.with_unit(found.outside)} cannot be right here. Did you mean {say.text(offers[0].meant)}?"
    return Asked(question, (*choices, *rest), found.outside)


_SIGNS = ("+", "-", "−", "–")


def _from_setting(text: str, window: Window, gauge: Gauge, setting: Length | None) -> tuple[str, Window]:
    """A dial's number with its sign as a larger size has it, and the window it counts in.

    Rule:    gauges.comparator.
    """
    if setting is None:
        message = f"{gauge.name} has no setting today. Set it first, or type the whole size."
        raise Unreadable("no-setting", text, message)
    said = text.strip()
    if not gauge.plus_is_larger:
        said = ("-" if said[0] == "+" else "+") + said[1:]
    return said, replace(window, nominal=setting)


def slips_that_fit(read: ReadText, window: Window) -> tuple[Slip, ...]:
    """The two likeliest slips that put a reading where it can be: near what was read before, if anything was."""
    centre = window.near or window.nominal
    best: dict[int, Slip] = {}
    for slip in slips_of(read):
        known = best.get(slip.meant.nm)
        if window.holds(slip.meant) and (known is None or WEIGHT[slip.kind] > WEIGHT[known.kind]):
            best[slip.meant.nm] = slip
    near = sorted(best.values(), key=lambda slip: (abs(slip.meant - centre).nm // 254_000, -WEIGHT[slip.kind]))
    return tuple(near[:2])
