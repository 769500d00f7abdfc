"""What the gauge says, as evidence: figures within or beyond."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from statistics import median
from typing import NamedTuple

from halfthou.causes import SignSeen
from halfthou.verdicts import Called, FigureKey


class FigureCalled(NamedTuple):
    """One judged figure of a part as it came: the kind of the part, its key, how it is called, and whether all that
    is planned of the part is read. `called` is None for a part of which no figure is known. `past_nm` is how far it
    lies past its limit; below nothing where it is inside. `value_nm` is what was found."""

    part: str
    kind: str
    key: str
    called: Called | None
    whole: bool
    past_nm: int = 0
    value_nm: int = 0


#: By kind of part and figures: the sign where one is beyond, and the sign where all are within.
FIGURE_SIGNS: tuple[tuple[str, frozenset[str], str, str], ...] = (
    (
        "journal",
        frozenset({FigureKey.OUT_OF_ROUND, FigureKey.TAPER, FigureKey.BARREL}),
        "form.beyond",
        "form.within",
    ),
    ("journal", frozenset({FigureKey.HOUSING_LEAST, FigureKey.HOUSING_MOST}), "housing.beyond", "housing.within"),
    ("journal", frozenset({FigureKey.CLEARANCE_MOST}), "clearance.large", "clearance.sound"),
    ("journal", frozenset({FigureKey.CLEARANCE_LEAST}), "clearance.small", "clearance.within"),
    ("run-out", frozenset({"run-out", "adjacent"}), "runout.beyond", "runout.within"),
    ("end float", frozenset({"end float most"}), "float.beyond", "float.within"),
    ("bore", frozenset({FigureKey.OUT_OF_ROUND, FigureKey.TAPER}), "bore.beyond", "bore.within"),
    ("ring", frozenset({"closed gap least"}), "gap.small", "gap.within"),
    ("piston", frozenset({"piston clearance least"}), "piston.tight", "piston.within"),
)
_PUMP_NOT_WEAR = frozenset(
    {"spring length", "spring load", "opening pressure", "pickup to pan", "pickup seal", "new seal"}
)


def figure_signs(figures: Iterable[FigureCalled]) -> Iterator[tuple[str, bool, SignSeen]]:
    """What the gauge says, as signs: one beyond is there; all within speaks against. Too close says nothing.

    Rule:    evidence.figures.
    """
    figures = tuple(figures)
    pump = [one for one in figures if one.kind == "oil pump" and one.key not in _PUMP_NOT_WEAR]
    yield from _told(pump, "pump.beyond", "pump.within", all(one.whole for one in pump))
    for kind, keys, beyond, within in FIGURE_SIGNS:
        of_kind = [one for one in figures if one.kind == kind]
        of_it = [one for one in of_kind if one.key in keys]
        whole = {one.part for one in of_kind} == {one.part for one in of_it if one.whole}
        # A wiped bearing wears to within: an oil clearance within proves nothing of how it was built.
        yield from _told(of_it, beyond, within, whole and beyond != "clearance.large")
    yield from _worn_out(figures)


#: What wears of each kind. Source: common practice, no source.
WEARS = {"journal": FigureKey.SIZE, "bore": FigureKey.SIZE, "ring": "gap at the top", "piston": "collapse"}
#: One part is far worse than its fellows where it lies three times as far past its limit, and 0.001 in more.
#: Source: judgement.
_TIMES, _MORE_NM = 3, 25_400


def _worn_out(figures: Iterable[FigureCalled]) -> Iterator[tuple[str, bool, SignSeen]]:
    """A set of which most parts are worn past their limit, the rest near it, and none far worse than its fellows.

    Rule:    evidence.figures.   Source: common practice, no source.
    """
    figures = tuple(figures)
    for kind, key in WEARS.items():
        of_it = [one for one in figures if one.kind == kind and one.key == key and one.called is not None]
        beyond = [one.past_nm for one in of_it if one.called is Called.BEYOND]
        if len(of_it) < 3 or len(beyond) * 2 <= len(of_it) or not all(one.whole for one in of_it):
            continue
        usual = _TIMES * median(beyond) + _MORE_NM
        if all(abs(one.past_nm) <= usual for one in of_it):
            words = f"{len(beyond)} of {len(of_it)} {kind}s past their limit, none far worse"
            yield "set.worn-out", True, SignSeen((words,))


def _told(
    figures: list[FigureCalled], beyond: str, within: str, whole: bool
) -> Iterator[tuple[str, bool, SignSeen]]:
    over = [one for one in figures if one.called is Called.BEYOND]
    if over:
        parts = dict.fromkeys(one.part for one in over)
        yield beyond, True, SignSeen(tuple(f"{part}, measured" for part in parts))
    elif figures and whole and all(one.called is Called.WITHIN for one in figures):
        yield within, True, SignSeen(("measured",))
        yield beyond, False, SignSeen(("measured",))
