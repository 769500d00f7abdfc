"""What people type and say. The texts and meanings: docs/trade: Reading typed text and common practice, no
source."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from halfthou.lengths import Asked, Length, Typed, Unit, Unreadable, Window, read_here, read_length, read_undersize
from tests.making import inches, mm


@pytest.mark.parametrize(
    ("text", "unit", "length"),
    [
        ("2.0993", Unit.INCH, inches("2.0993")),
        ("2.0993 in", Unit.MM, inches("2.0993")),
        ('2.0993"', Unit.MM, inches("2.0993")),
        ("53.32mm", Unit.INCH, mm("53.32")),
        ("53,32", Unit.MM, mm("53.32")),
        (".0015", Unit.INCH, inches("0.0015")),
        ("2 1/4", Unit.INCH, inches("2.25")),
        ("2-1/4", Unit.INCH, inches("2.25")),
        ("2¼ in", Unit.MM, inches("2.25")),
        ("12 µm", Unit.INCH, mm("0.012")),
        ("12 μm", Unit.INCH, mm("0.012")),
        ("12 micron", Unit.INCH, mm("0.012")),
        ("3 thou", Unit.MM, inches("0.003")),
        ("2248.5 thou", Unit.INCH, inches("2.2485")),
        ("7 tenths", Unit.INCH, inches("0.0007")),
        ("two tenths", Unit.INCH, inches("0.0002")),
        ("half a thou", Unit.INCH, inches("0.0005")),
        ("half a thou", Unit.MM, inches("0.0005")),
        ("a thou and a half", Unit.INCH, inches("0.0015")),
        ("half a tenth", Unit.INCH, inches("0.00005")),
        ("three quarters of a thou", Unit.INCH, inches("0.00075")),
        ("two point two four eight five", Unit.INCH, inches("2.2485")),
        ("1,234.5 thou", Unit.INCH, inches("1.2345")),
        ("  2.0416  ", Unit.INCH, inches("2.0416")),
        ("−0.5 thou", Unit.INCH, inches("-0.0005")),
    ],
)
def test_a_length_is_read(text: str, unit: Unit, length: Length) -> None:
    found = read_length(text, unit)
    assert isinstance(found, Typed)
    assert found.length == length


@pytest.mark.parametrize(
    "text", ["", "   ", "abc", "2.0.1", "two thirds", "1/0", "--3", "2.04 furlongs", "NaN", "inf", "1e5", "."]
)
def test_unreadable_text_is_an_error_and_never_nothing(text: str) -> None:
    with pytest.raises(Unreadable) as refused:
        read_length(text, Unit.INCH)
    assert refused.value.message.endswith(".")


@given(st.text(max_size=12))
def test_any_text_is_read_asked_or_refused(text: str) -> None:
    try:
        found = read_length(text, Unit.INCH)
    except Unreadable:
        return
    assert isinstance(found, Typed | Asked)
    if isinstance(found, Typed) and found.length == Length(0):
        assert any(digit in text for digit in "0") or "zero" in text.lower() or found.exact is False


@pytest.mark.parametrize(
    ("text", "unit", "lengths"),
    [
        ("quarter mil", Unit.INCH, {inches("0.00025"), mm("0.25")}),
        ("2 tenths", Unit.MM, {inches("0.0002"), mm("0.2")}),
        ("1,250", Unit.MM, {mm("1.25"), mm("1250")}),
    ],
)
def test_what_is_ambiguous_is_asked(text: str, unit: Unit, lengths: set[Length]) -> None:
    found = read_length(text, unit)
    assert isinstance(found, Asked)
    assert {choice.length for choice in found.choices} == lengths
    assert found.question.endswith("?")


INCH_WINDOW = Window(inches("2.0995"), inches("2.0585"), inches("2.1005"))
METRIC_WINDOW = Window(mm("53.325"), mm("52.050"), mm("53.350"))


@pytest.mark.parametrize(
    ("text", "unit", "window", "length"),
    [
        ("993", Unit.INCH, INCH_WINDOW, inches("2.0993")),
        ("993.5", Unit.INCH, INCH_WINDOW, inches("2.09935")),
        ("0993", Unit.INCH, INCH_WINDOW, inches("2.0993")),
        ("20993", Unit.INCH, INCH_WINDOW, inches("2.0993")),
        ("-3", Unit.INCH, INCH_WINDOW, inches("2.0965")),
        ("−0.5", Unit.INCH, INCH_WINDOW, inches("2.0990")),
        ("+1", Unit.INCH, INCH_WINDOW, inches("2.1005")),
        ("-3", Unit.MM, METRIC_WINDOW, mm("53.295")),
        ("-3 thou", Unit.MM, METRIC_WINDOW, mm("53.325") - inches("0.003")),
        ("570", Unit.MM, METRIC_WINDOW, mm("52.570")),
        ("53,112", Unit.MM, METRIC_WINDOW, mm("53.112")),
    ],
)
def test_a_reading_is_read_where_its_size_is_expected(
    text: str, unit: Unit, window: Window, length: Length
) -> None:
    found = read_here(text, unit, window)
    assert isinstance(found, Typed)
    assert found.length == length


def test_last_digits_that_fit_twice_are_asked() -> None:
    """Source: docs/trade: Typing."""
    found = read_here("320", Unit.MM, METRIC_WINDOW)
    assert isinstance(found, Asked)
    assert {choice.length for choice in found.choices} == {mm("53.320"), mm("52.320")}


def test_readings_of_the_set_settle_which_last_digits_are_meant() -> None:
    window = Window(mm("53.325"), mm("52.050"), mm("53.350"), near=mm("53.31"))
    found = read_here("320", Unit.MM, window)
    assert isinstance(found, Typed)
    assert found.length == mm("53.320")


def test_a_number_that_fits_the_other_unit_only_is_asked() -> None:
    """Source: docs/trade: Reading typed text; case A13."""
    found = read_here("53.32", Unit.INCH, INCH_WINDOW)
    assert isinstance(found, Asked)
    assert found.choices[0].length == mm("53.32")


def test_a_number_that_fits_nothing_must_be_confirmed() -> None:
    found = read_here("2.9930", Unit.INCH, INCH_WINDOW)
    assert isinstance(found, Asked)
    assert found.choices[0].length == inches("2.9930")
    plain = read_here("2.9", Unit.INCH, INCH_WINDOW)
    assert isinstance(plain, Asked)
    assert [choice.length for choice in plain.choices] == [inches("2.9")]
    with pytest.raises(Unreadable):
        read_here("0.000", Unit.INCH, Window(inches("2.0"), inches("1.9"), inches("2.01")))


@given(st.integers(20585, 21005), st.booleans())
def test_last_digits_give_the_size_back_or_ask(tenths: int, known: bool) -> None:
    """Whatever size the journal has, typing its last three digits never lands another size unasked."""
    true = inches(f"{tenths // 10_000}.{tenths % 10_000:04d}")
    near = true if known else None
    window = Window(INCH_WINDOW.nominal, INCH_WINDOW.least, INCH_WINDOW.most, near)
    found = read_here(f"{tenths % 1000:03d}", Unit.INCH, window)
    lengths = {found.length} if isinstance(found, Typed) else {choice.length for choice in found.choices}
    assert true in lengths


LADDER = tuple(inches(step) for step in ("0", "0.010", "0.020", "0.030"))


@pytest.mark.parametrize(
    ("text", "unit", "length"),
    [
        ("STD", Unit.INCH, inches("0")),
        ("000", Unit.INCH, inches("0")),
        ("10", Unit.INCH, inches("0.010")),
        (".010", Unit.INCH, inches("0.010")),
        ("0.010 under", Unit.MM, inches("0.010")),
        ("ten under", Unit.INCH, inches("0.010")),
        ("thirty", Unit.INCH, inches("0.030")),
        ("0.25 mm", Unit.INCH, mm("0.25")),
        ("0.5", Unit.INCH, mm("0.5")),
        ("10", Unit.MM, inches("0.010")),
    ],
)
def test_an_undersize_is_read(text: str, unit: Unit, length: Length) -> None:
    found = read_undersize(text, unit, LADDER)
    assert isinstance(found, Typed)
    assert found.length == length


def test_twenty_five_is_asked() -> None:
    """Source: the trade's own confusion: 25 may be 0.25 mm or 0.025 in."""
    found = read_undersize("25", Unit.INCH)
    assert isinstance(found, Asked)
    assert {choice.length for choice in found.choices} == {inches("0.025"), mm("0.25")}


def test_an_undersize_is_not_typed_with_a_minus() -> None:
    with pytest.raises(Unreadable):
        read_undersize("-0.010", Unit.INCH, LADDER)


@pytest.mark.parametrize(
    ("text", "nm"), [("79,970", 79_970_000), ("100,012 mm", 100_012_000), ("8,450", 8_450_000)]
)
def test_a_comma_before_three_digits_is_a_decimal_one_where_no_part_is_so_long(text: str, nm: int) -> None:
    """Three decimals are what metric sheets have; no part is 80 m long. Common practice, no source."""
    found = read_length(text, Unit.MM)
    assert isinstance(found, Typed)
    assert found.length.nm == nm


@pytest.mark.parametrize(
    ("text", "unit"), [("1,250", Unit.MM), ("1,250 µm", Unit.INCH), ("3 mil", Unit.INCH), ("5 tenths", Unit.MM)]
)
def test_what_is_asked_names_spellings_that_work(text: str, unit: Unit) -> None:
    """A refusal that cannot be answered is none. Common practice, no source."""
    found = read_length(text, unit)
    assert isinstance(found, Asked)
    for choice in found.choices:
        assert choice.spelled in found.in_words
        again = read_length(choice.spelled, unit)
        assert isinstance(again, Typed)
        assert again.length == choice.length
