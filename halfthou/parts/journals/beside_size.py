"""What a journal is beside its size: fillets, finish, hardness, and where its throw stands."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from typing import Any

from halfthou.amounts import Quantity
from halfthou.engines import Drawing, FeatureKind, SheetFigure
from halfthou.jobs import HouseRules, JournalSet, Purpose, SetLimits
from halfthou.lengths import Length
from halfthou.parts.journals.profiled import PROFILE
from halfthou.surveys import FeatureSurvey, PartSurvey
from halfthou.verdicts import Called, FigureKind, Finding, Limit, Term, greatest, judge, least, summed

FILLET, FINISH = "fillet radius", "finish"
HALF_STROKE, INDEX = "half the stroke", "index"
ROCKWELL, BRINELL, VICKERS = "hardness rockwell", "hardness brinell", "hardness vickers"
HARDNESS = (ROCKWELL, BRINELL, VICKERS)
#: What is read of a throw: of the rod journals alone.
THROW = (HALF_STROKE, INDEX)
#: No fillet is larger than this, and no half stroke: the decimal point slipped. 1 in and 20 in. Source: common
#: practice, no source.
LARGEST_FILLET, LONGEST_THROW = Length(25_400_000), Length(508_000_000)

#: The figures of the sheet by which each is judged, in its order.
LIMIT_OF: Mapping[str, str] = {
    FILLET: "fillet",
    FINISH: "finish",
    ROCKWELL: "hardness_rockwell",
    BRINELL: "hardness_brinell",
    VICKERS: "hardness_vickers",
    HALF_STROKE: "half_stroke",
    INDEX: "index",
}
_RODS = JournalSet.RODS.value
FIGURES = (
    SheetFigure("fillet", "Fillet radius", is_band=True),
    SheetFigure("finish", "Finish, Ra", is_band=True, quantity=Quantity.FINISH),
    SheetFigure("hardness_rockwell", "Hardness, Rockwell C", is_band=True, quantity=Quantity.ROCKWELL_C),
    SheetFigure("hardness_brinell", "Hardness, Brinell", is_band=True, quantity=Quantity.BRINELL),
    SheetFigure("hardness_vickers", "Hardness, Vickers", is_band=True, quantity=Quantity.VICKERS),
    SheetFigure("half_stroke", "Half the stroke", is_band=True, of_set=_RODS),
    SheetFigure("index", "Index, off its place at most", is_band=True, quantity=Quantity.ANGLE, of_set=_RODS),
)
#: The rule by which each is judged.
_RULE = {
    FILLET: "verdicts.journal.fillet-band",
    FINISH: "verdicts.journal.finish",
    **dict.fromkeys(HARDNESS, "verdicts.journal.hardness"),
    **dict.fromkeys(THROW, "verdicts.journal.throw"),
}


#: What is read once; twice, to either side; and at both fillets.
_ONCE, _TWICE, _FILLETS = {"1a": 0}, {"1a": 0, "1b": 180}, {"front": 0, "rear": 0}


def _feature(
    key: str, purpose: Purpose, spots: Mapping[str, int], hold: str, *, name: str = "", **more: Any
) -> FeatureKind:
    named = spots is _FILLETS
    return FeatureKind(
        key,
        name or key,
        purpose,
        spots=tuple(spots),
        angles_deg={} if named else {spot[1:]: deg for spot, deg in spots.items()},
        planned=False,
        drawing=Drawing.PLAIN,
        hold=hold,
        plane_names=() if named else (key,),
        judged_by=(LIMIT_OF[key],),
        **more,
    )


_HARD = "square on, clear of oil hole and fillet; one scale is never converted into another"
FEATURES = (
    _feature(
        FILLET,
        Purpose.FILLET,
        _FILLETS,
        "radius gauge against light, no gap and no rocking",
        small=True,
        most=LARGEST_FILLET,
    ),
    _feature(
        FINISH,
        Purpose.FINISH,
        _TWICE,
        "along the journal, across the lines of the polish",
        quantity=Quantity.FINISH,
    ),
    *(
        _feature(key, Purpose.HARDNESS, _TWICE, _HARD, name=f"hardness by {scale}", quantity=quantity)
        for key, scale, quantity in (
            (ROCKWELL, "Rockwell C", Quantity.ROCKWELL_C),
            (BRINELL, "Brinell", Quantity.BRINELL),
            (VICKERS, "Vickers", Quantity.VICKERS),
        )
    ),
    _feature(
        HALF_STROKE,
        Purpose.DEPTH,
        _ONCE,
        "axis of the mains to axis of the throw, on the plate",
        most=LONGEST_THROW,
        of_sets=(_RODS,),
    ),
    _feature(
        INDEX,
        Purpose.ANGLE,
        _ONCE,
        "from the first throw, by the dividing head; ahead is more than nothing",
        name="index, off its place",
        quantity=Quantity.ANGLE,
        may_be_nothing=True,
        signed=True,
        of_sets=(_RODS,),
    ),
)
KEYS = tuple(LIMIT_OF)


def has_limit(limits: SetLimits, feature: str) -> bool:
    """Whether the sheet asks for what is read beside the size; the size itself always."""
    return feature not in LIMIT_OF or LIMIT_OF[feature] in limits.figures


def read_beside(part: PartSurvey) -> Iterator[FeatureSurvey]:
    """What was read of a journal beside its size, its profile among it."""
    for key in (*KEYS, PROFILE):
        survey = part.features.get(key)
        if survey is not None and survey.taken:
            yield survey


def beside_findings(part: PartSurvey, limits: SetLimits, house: HouseRules) -> Iterator[Finding]:
    """What was read beside the size against the sheet; nothing of what was not read or has no limit.

    Rule:    verdicts.journal.fillet-band, .finish, .hardness, .throw.
    """
    for survey in read_beside(part):
        if survey.counts and survey.feature.key in LIMIT_OF:
            for kind, term, limit in _against(survey, limits):
                figure = summed(kind, (term,), house.guard)
                if figure is not None:
                    yield judge(figure, limit)


def _against(survey: FeatureSurvey, limits: SetLimits) -> Iterator[tuple[FigureKind, Term | None, Limit]]:
    feature = survey.feature
    key = LIMIT_OF[feature.key]
    low: int | None
    high: int | None
    band, amount = limits.band(key), limits.amount(key)
    if band is not None:
        low, high, source = band.least.nm, band.most.nm, band.source.kind
    elif amount is not None and amount.quantity is feature.quantity:
        low, high, source = amount.least, amount.most, amount.source.kind
        if feature.key == INDEX and high is not None:
            low = -high
    else:
        return
    for end, count, term in (("least", low, least(survey)), ("most", high, greatest(survey))):
        if count is not None:
            kind = FigureKind(
                f"{feature.key} {end}", _RULE[feature.key], f"{feature.name}, {end}", difference=False
            )
            yield kind, term, Limit(Length(count), end == "least", source)


def too_rough(findings: tuple[Finding, ...]) -> bool:
    """Whether the finish alone is beyond, at its rough end: a polish mends that."""
    return any(one.key == f"{FINISH} most" and one.called is Called.BEYOND for one in findings)


def refers_beside(findings: tuple[Finding, ...]) -> tuple[str, ...]:
    """The rules by which a journal waits for somebody else's word because of what was read beside its size.

    Rule:    a fillet below its band is where a crack starts, above it the half bearing rides on it; a throw out of
             its place was twisted; soft or too hard is another crank than the sheet's.
    """
    found = (one.rule for one in findings if one.called is Called.BEYOND and one.rule != _RULE[FINISH])
    return tuple(dict.fromkeys(found))
