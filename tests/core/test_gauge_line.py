"""Lines from a gauge's data port. Outside checks: Python's decimal numbers; hypothesis for garbage."""

from decimal import Decimal

import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.exchange import LineFault, LineRead, read_line
from halfthou.jobs import Gauge
from halfthou.lengths import Length, Unit, read_length
from tests.making import inches, mm


def gauge(kind: str = "digital micrometer", unit: Unit = Unit.MM) -> Gauge:
    return Gauge(id="g", name="g", kind=kind, unit=unit, resolution=Length(1_000), permissible_error=Length(3_000))


@pytest.mark.parametrize(
    ("raw", "typed", "unit"),
    [
        (b"57.112", "57.112", Unit.MM),
        (b"+057.112", "57.112", Unit.MM),
        (b"  +57.112 mm ", "57.112", Unit.MM),
        (b"+ 57,112mm", "57.112", Unit.MM),
        (b"2.2485 in", "2.2485", Unit.INCH),
        (b'2.2485"', "2.2485", Unit.INCH),
        (b"2.2485 INCH", "2.2485", Unit.INCH),
        (b".9995", "0.9995", Unit.MM),
    ],
)
def test_the_common_plain_forms(raw: bytes, typed: str, unit: Unit) -> None:
    """Sign, digits, decimal point or comma, an optional unit. Common practice, no source."""
    found = read_line(raw, gauge())
    assert isinstance(found, LineRead)
    assert (found.typed, found.unit) == (typed, unit)


@given(st.integers(1, 999_999), st.integers(0, 4))
def test_a_line_means_the_number_it_says(ticks: int, decimals: int) -> None:
    """Library: decimal."""
    value = Decimal(ticks).scaleb(-decimals)
    found = read_line(f"+{value:f} mm".encode(), gauge())
    assert isinstance(found, LineRead)
    meant = read_length(found.typed, found.unit)
    assert getattr(meant, "length", None) == Length(int(value * 1_000_000))


@given(st.binary(max_size=80))
def test_garbage_never_becomes_a_reading(raw: bytes) -> None:
    """Whatever comes: a plain number of ASCII text, or a fault in words."""
    found = read_line(raw, gauge())
    if isinstance(found, LineRead):
        assert found.typed.replace(".", "", 1).isdigit()
        assert Decimal(found.typed) > 0
    else:
        assert found.words


@pytest.mark.parametrize(
    ("raw", "words"),
    [
        (b"", "empty line"),
        (b"ERR 3", "is no size"),
        (b"\xff\x9c\x41", "no text"),
        (b"57.112 57.113", "is no size"),
        (b"-0.002", "zero the gauge"),
        (b"0.000", "zero the gauge"),
        (b"1" * 70, "without an end of line"),
        (b"57.112 cm", "is no size"),
    ],
)
def test_what_is_no_reading_is_said_and_never_zero(raw: bytes, words: str) -> None:
    found = read_line(raw, gauge())
    assert isinstance(found, LineFault)
    assert words in found.words


def test_a_gauge_set_to_the_other_unit_is_noted() -> None:
    found = read_line(b"2.2485 in", gauge())
    assert isinstance(found, LineRead)
    assert "the cabinet says it reads in mm" in found.note


def test_a_comparator_counts_from_its_setting() -> None:
    """A bore gauge set at 65.400 that shows -0.012 stands in 65.388. Arithmetic."""
    found = read_line(b"-0.012", gauge("dial bore gauge"), mm("65.400"))
    assert isinstance(found, LineRead)
    assert getattr(read_length(found.typed, found.unit), "length", None) == mm("65.388")
    inch = read_line(b"-0.0005", gauge("dial bore gauge", Unit.INCH), inches("2.0400"))
    assert isinstance(inch, LineRead)
    assert getattr(read_length(inch.typed, inch.unit), "length", None) == inches("2.0395")


def test_a_comparator_that_was_never_set_says_so() -> None:
    found = read_line(b"-0.012", gauge("dial bore gauge"))
    assert isinstance(found, LineFault)
    assert "setting check first" in found.words
