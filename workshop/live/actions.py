"""Lines from the gauge bridge: decoded, held against the last one, handed to the bench that has the gauge."""

from ninja import Schema
from pydantic import Field

from halfthou.exchange import LineFault, read_line
from halfthou.gauges import settings_of
from halfthou.jobs import COMPARATORS, Gauge
from halfthou.lengths import Length
from workshop.gauges.actions import cabinet, gauges_by_key, last_checks
from workshop.live.hub import LATE_S, Claim, Line, LineState, hub
from workshop.people.may import Act, must
from workshop.people.models import Person
from workshop.people.refusals import NotThere


class RawLine(Schema):
    """A line as it came from the port: its bytes in hexadecimal, its age by the bridge's own stopwatch, and whether
    the gauge was pulled in the middle of it."""

    raw: str = Field(max_length=4096, pattern=r"^([0-9a-f]{2})*$")
    age_ms: int = Field(ge=0, le=10**12)
    broken: bool = False


class Lines(Schema):
    """Lines of one gauge, and how many more were dropped because they came too fast."""

    gauge: str = Field(max_length=64)
    lines: list[RawLine] = Field(max_length=100)
    dropped: int = Field(default=0, ge=0, le=1_000_000)


class PortState(Schema):
    """A port that was plugged in or pulled, in the bridge's words."""

    gauge: str = Field(max_length=64)
    port: str = Field(max_length=300)
    connected: bool
    words: str = Field(max_length=300)


class ClaimForm(Schema):
    """A gauge that a bench wants; `bench` is the name of its tab."""

    gauge: str = Field(max_length=64)
    bench: str = Field(min_length=1, max_length=64)
    where: str = Field(default="", max_length=200)
    take_over: bool = False


def gauges_with_ports() -> list[Gauge]:
    """The gauges whose data button is to be listened to."""
    return [gauge for gauge in cabinet() if gauge.port]


def take_lines(given: Lines) -> list[Line]:
    """Take in lines of one gauge. Refuses: NotThere."""
    found = gauges_by_key({given.gauge})
    if not found:
        raise NotThere("no-gauge", "There is no such gauge.")
    gauge = found[0]
    taken = [_take(gauge, line) for line in given.lines]
    if given.dropped:
        words = f"{given.dropped} more lines in a second were dropped: the gauge floods. Unplug it and look at it."
        taken.append(hub.hand_over(gauge.id, Line(LineState.FLOOD, "", words), None))
    return taken


def _setting_of(gauge: Gauge) -> Length | None:
    """The size a comparator was last set to."""
    if gauge.kind not in COMPARATORS:
        return None
    last = settings_of(last_checks({gauge.id})).get(gauge.id)
    return last[-1].standard if last else None


_TOO_SOON = {
    LineState.DUPLICATE: "The same line twice at once: taken once.",
    LineState.FLOOD: "Faster than a hand can measure: not entered.",
}


def _take(gauge: Gauge, line: RawLine) -> Line:
    raw = bytes.fromhex(line.raw)
    text = "".join(chr(c) if 32 <= c < 127 else "·" for c in raw[:40])
    if line.broken:
        words = "The gauge was pulled in the middle of this line: not taken."
        return hub.hand_over(gauge.id, Line(LineState.MALFORMED, text, words), None)
    soon = hub.too_soon(gauge.id, raw, line.age_ms / 1000)
    if soon is not None:
        return hub.hand_over(gauge.id, Line(soon, text, _TOO_SOON[soon]), None)
    found = read_line(raw, gauge, _setting_of(gauge))
    if isinstance(found, LineFault):
        return hub.hand_over(gauge.id, Line(LineState.MALFORMED, text, found.words), None)
    if line.age_ms > LATE_S * 1000:
        words = f"It is {line.age_ms / 1000:.0f} s old: not entered. Press the button again."
        return hub.hand_over(gauge.id, Line(LineState.LATE, text, words), None)
    entry = {"typed": found.typed, "unit": found.unit.value}
    return hub.hand_over(gauge.id, Line(LineState.SENT, text, found.note), entry)


def claim_gauge(person: Person, given: ClaimForm) -> str:
    """Take a gauge in hand at a bench. Gives who has it, in words, where another bench does; "" where it is taken.

    That is no refusal: two people at one shop's gauge are part of the day.
    """
    must(person, Act.READ)
    claim = Claim(given.bench, person.username, given.where)
    other = hub.claim(given.gauge, claim, take_over=given.take_over)
    if other is not None:
        where = f" on {other.where}" if other.where else ""
        return f"{other.person} has this gauge in hand{where}. Its button enters readings there."
    return ""
