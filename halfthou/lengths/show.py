"""Writing a length for a person. Rounding happens here and nowhere else."""

from __future__ import annotations

from dataclasses import dataclass, field
from functools import lru_cache

from halfthou.lengths.length import NM_PER_UNIT, Length, Unit

#: Decimals shown when the gauge does not resolve more. Source: docs/trade: Showing sizes, common practice.
USUAL_DECIMALS = {Unit.INCH: 4, Unit.MM: 3}


_STEP_DECIMALS = {Unit.INCH: 3, Unit.MM: 2}


@dataclass(frozen=True, slots=True)
class Shown:
    """A length as it stands on screen, beside its exact nanometres for placing it in a drawing."""

    text: str
    nm: int


@dataclass(frozen=True, slots=True)
class Notation:
    """The unit and the number of decimals in which sizes are shown.

    One notation serves one assessment; it keeps the texts it has written, as most sizes are shown many times.
    """

    unit: Unit
    decimals: int
    _written: dict[int, str] = field(default_factory=dict, init=False, compare=False, repr=False)
    _ratio: tuple[int, int] = field(init=False, compare=False, repr=False)

    def __post_init__(self) -> None:
        object.__setattr__(self, "_ratio", (10**self.decimals, NM_PER_UNIT[self.unit]))

    @classmethod
    def usual(cls, unit: Unit) -> Notation:
        """Inches to 4 decimals, millimetres to 3."""
        return cls(unit, USUAL_DECIMALS[unit])

    def text(self, length: Length) -> str:
        """The length rounded half away from zero, without its unit.

        >>> Notation.usual(Unit.INCH).text(Length(3_810))
        '0.0002'
        """
        known = self._written.get(length.nm)
        if known is None:
            scaled, step = self._scaled(length)
            ticks = (2 * abs(scaled) + step) // (2 * step)
            known = self._written[length.nm] = self._write(-ticks if scaled < 0 else ticks)
        return known

    def at_least(self, limit: Length) -> str:
        """A lower limit, rounded up: converted, it never becomes easier. Source: docs/trade: Showing sizes."""
        scaled, step = self._scaled(limit)
        ticks = -(-scaled // step)
        if self._too_coarse(limit, ticks * step - scaled, scaled):
            return _notation(self.unit, self.decimals + 1).at_least(limit)
        return self._write(ticks)

    def at_most(self, limit: Length) -> str:
        """An upper limit, rounded down; a small one from the other unit gets a digit more, so that it stays itself.

        >>> Notation.usual(Unit.INCH).at_most(Length(5_000))
        '0.00019'
        """
        scaled, step = self._scaled(limit)
        if self._too_coarse(limit, scaled % step, scaled):
            return _notation(self.unit, self.decimals + 1).at_most(limit)
        return self._write(scaled // step)

    def _too_coarse(self, limit: Length, lost: int, scaled: int) -> bool:
        """Whether rounding would take more than a hundredth off a limit, and a digit more is to be had."""
        return limit.nm != 0 and 100 * lost > abs(scaled) and self.decimals <= USUAL_DECIMALS[self.unit]

    def shown(self, length: Length) -> Shown:
        """Text and exact nanometres together."""
        return Shown(self.text(length), length.nm)

    def doubt(self, length: Length) -> str:
        """A doubt, rounded up and with one decimal more: it must not look like a whole graduation."""
        return _notation(self.unit, self.decimals + 1).at_least(length)

    def with_unit(self, length: Length) -> str:
        """The length followed by its unit."""
        return f"{self.text(length)} {self.unit.value}"

    def undersize(self, length: Length) -> str:
        """A step of undersize as the trade writes it: three decimals in inch, two in metric.

        A step that belongs to the other unit keeps its name there: 0.25 mm is not called 0.0098.

        >>> Notation.usual(Unit.INCH).undersize(Length(250_000))
        '0.25 mm'
        """
        own = _notation(self.unit, _STEP_DECIMALS[self.unit])
        other_unit = Unit.MM if self.unit is Unit.INCH else Unit.INCH
        other = _notation(other_unit, _STEP_DECIMALS[other_unit])
        if own._exact(length):
            return own.text(length)
        return other.with_unit(length) if other._exact(length) else self.text(length)

    def _exact(self, length: Length) -> bool:
        scaled, step = self._scaled(length)
        return scaled % step == 0

    def _scaled(self, length: Length) -> tuple[int, int]:
        times, step = self._ratio
        return length.nm * times, step

    def _write(self, ticks: int) -> str:
        digits = str(abs(ticks)).zfill(self.decimals + 1)
        sign = "-" if ticks < 0 else ""
        return f"{sign}{digits[: -self.decimals]}.{digits[-self.decimals :]}"


@lru_cache(maxsize=8)
def _notation(unit: Unit, decimals: int) -> Notation:
    """A finer or coarser one for a text or two: made once."""
    return Notation(unit, decimals)
