"""Three invented engines. Makes, models, sizes and part numbers are made up; limits are marked as invented."""

from __future__ import annotations

from demo.loose import diesel_loose, petrol_loose, vee_loose
from halfthou.engines import usual_layouts
from halfthou.jobs import Hardening, Layout, Material, SourceKind
from halfthou.lengths import Unit
from workshop.limits.translate import FigureForm, SetForm, SheetForm, StepForm

FIGURE = tuple[str, str, str]


def _layout(name: str) -> Layout:
    return next(layout for layout in usual_layouts() if layout.name == name)


def _set(
    one: str,
    figures: list[FIGURE],
    shells: list[tuple[str, str, bool]],
    hardening: Hardening,
    oil_hole_deg: str = "68",
) -> SetForm:
    return SetForm(
        set=one,
        figures=[
            FigureForm(name=name, least=least, most=most, source=SourceKind.INVENTED, place="demo sheet")
            for name, least, most in figures
        ],
        steps=[StepForm(size=u, part_number=p, can_be_bought=b) for u, p, b in shells],
        made={"hardening": hardening.value, "oil hole": oil_hole_deg},
    )


def _bores(
    figures: list[FIGURE],
    pistons: list[tuple[str, str, bool]],
    rings: list[tuple[str, bool | None]],
    hatch_deg: str = "45",
) -> SetForm:
    return SetForm(
        set="bores",
        figures=[
            FigureForm(name=name, least=least, most=most, source=SourceKind.INVENTED, place="demo sheet")
            for name, least, most in figures
        ],
        steps=[
            StepForm(size=u, part_number=p, can_be_bought=b, rings_number=ring, rings_can_be_bought=sold)
            for (u, p, b), (ring, sold) in zip(pistons, rings, strict=True)
        ],
        made={
            "material": "grey cast iron",
            "coating": "none",
            "hatch angle": hatch_deg,
            "finish": "220 stones, then a plateau of 30 strokes with 400",
        },
    )


def _petrol_bores() -> SetForm:
    return _bores(
        [
            ("size", "3.5620", "3.5627"),
            ("wear", ".0060", ""),
            ("out_of_round", ".0025", ""),
            ("taper", ".0040", ""),
            ("clearance", ".0015", ".0023"),
            ("least_wall", ".140", ""),
            ("hone_stock", ".003", ""),
            ("stroke", "3.480", ""),
            ("deck_flatness", "0.002", ""),
            ("depth_top", ".45", ""),
            ("depth_middle", "2.1", ""),
            ("depth_bottom", "3.6", ""),
            ("depth_below", "4.6", ""),
        ],
        [("STD", "TB-142P-00", True), (".020", "TB-142P-20", True), (".040", "TB-142P-40", True)],
        [("TB-142K-00", True), ("TB-142K-20", True), ("TB-142K-40", False)],
    )


def _diesel_bores() -> SetForm:
    return _bores(
        [
            ("size", "91.000", "91.022"),
            ("wear", "0.15", ""),
            ("out_of_round", "0.06", ""),
            ("taper", "0.10", ""),
            ("clearance", "0.085", "0.115"),
            ("largest_allowed", "92.050", ""),
            ("least_wall", "4.0", ""),
            ("sleeve_outside", "96.0", ""),
        ],
        [("STD", "SK 47.3.0", True), ("0.50 mm", "SK 47.3.5", True), ("1.00 mm", "SK 47.3.10", True)],
        [("SK 47.4.0", True), ("SK 47.4.5", True), ("SK 47.4.10", True)],
        "40",
    )


def _vee_bores() -> SetForm:
    return _bores(
        [
            ("size", "3.8750", "3.8757"),
            ("wear", ".0050", ""),
            ("out_of_round", ".0020", ""),
            ("taper", ".0040", ""),
            ("ridge", ".0040", ""),
            ("clearance", ".0018", ".0026"),
            ("least_wall", ".135", ""),
            ("hone_stock", ".003", ""),
            ("stroke", "3.480", ""),
            ("deck_flatness", "0.002", ""),
            ("sleeve_outside", "4.0640", ""),
            ("depth_top", ".50", ""),
            ("depth_middle", "2.4", ""),
            ("depth_bottom", "4.1", ""),
            ("depth_below", "5.1", ""),
        ],
        [(u, f"MK8-P{p}", True) for u, p in (("STD", "S"), (".020", "20"), (".030", "30"), (".040", "40"))],
        [("MK8-K S", True), ("MK8-K20", True), ("MK8-K30", True), ("MK8-K40", False)],
    )


def petrol_four() -> SheetForm:
    """An inline four in inch, not hardened."""
    rods: list[FIGURE] = [
        ("size", "2.0370", "2.0378"),
        ("service_least", "2.0362", ""),
        ("out_of_round", ".0010", ""),
        ("taper", ".0006", ""),
        ("housing_bore", "2.1640", "2.1645"),
        ("wall", ".0622", ".0624"),
        ("clearance", ".0012", ".0032"),
        ("clearance_service", ".0040", ""),
    ]
    mains: list[FIGURE] = [
        ("size", "2.4135", "2.4143"),
        ("service_least", "2.4127", ""),
        ("out_of_round", ".0010", ""),
        ("taper", ".0006", ""),
        ("housing_bore", "2.6021", "2.6027"),
        ("wall", ".0930", ".0932"),
        ("clearance", ".0012", ".0033"),
        ("clearance_service", ".0042", ""),
    ]
    ladder = [("STD", "00", True), (".010", "10", True), (".020", "20", True), (".030", "30", True)]
    return SheetForm(
        engine="Tolby 4/142, petrol four",
        unit=Unit.INCH,
        notes="Invented for the demo.",
        crank_material=Material.STEEL,
        layout=_layout("Inline four"),
        sets=[
            _set("mains", mains, [(u, f"TB-142M-{p}", b) for u, p, b in ladder], Hardening.NONE, "112"),
            _set(
                "rods",
                rods,
                [(u, f"TB-142R-{p}", b) for u, p, b in [*ladder, (".040", "40", False)]],
                Hardening.NONE,
            ),
            _petrol_bores(),
            *petrol_loose(),
        ],
    )


def diesel_three() -> SheetForm:
    """An inline three in metric, nitrided. Its mains come without housing bore and wall."""
    rods: list[FIGURE] = [
        ("size", "61.372", "61.388"),
        ("service_least", "61.350", ""),
        ("out_of_round", "0.020", ""),
        ("taper", "0.012", ""),
        ("width", "31", ""),
        ("housing_bore", "65.400", "65.412"),
        ("wall", "1.980", "1.986"),
        ("clearance", "0.036", "0.084"),
        ("clearance_service", "0.110", ""),
        ("case_depth", "0.40", ""),
    ]
    mains: list[FIGURE] = [
        ("size", "73.640", "73.659"),
        ("service_least", "73.616", ""),
        ("out_of_round", "0.020", ""),
        ("taper", "0.012", ""),
        ("case_depth", "0.40", ""),
    ]
    ladder = [("STD", "STD", True), ("0.25 mm", "025", True), ("0.50 mm", "050", True)]
    return SheetForm(
        engine="Skerrin D3-47, diesel three",
        unit=Unit.MM,
        notes="Invented for the demo.",
        crank_material=Material.STEEL,
        layout=_layout("Inline three"),
        sets=[
            _set("mains", mains, [(u, f"SK 47.1.{p}", b) for u, p, b in ladder], Hardening.NITRIDED, "112"),
            _set("rods", rods, [(u, f"SK 47.2.{p}", b) for u, p, b in ladder], Hardening.NITRIDED),
            _diesel_bores(),
            *diesel_loose(),
        ],
    )


VEE_STEPS = (("STD", "S"), (".001", "P1"), (".010", "10"), (".020", "20"), (".030", "30"))


def vee_eight() -> SheetForm:
    """A V8 in inch with two rods to a pin."""
    rods: list[FIGURE] = [
        ("size", "2.2610", "2.2618"),
        ("service_least", "2.2600", ""),
        ("out_of_round", ".0008", ""),
        ("taper", ".0006", ""),
        ("housing_bore", "2.4126", "2.4131"),
        ("wall", ".0745", ".0747"),
        ("clearance", ".0012", ".0032"),
        ("clearance_service", ".0042", ""),
        ("smallest_allowed", "2.2305", ""),
    ]
    mains: list[FIGURE] = [
        ("size", "2.7040", "2.7049"),
        ("service_least", "2.7029", ""),
        ("out_of_round", ".0008", ""),
        ("taper", ".0006", ""),
        ("housing_bore", "2.8988", "2.8994"),
        ("wall", ".0960", ".0962"),
        ("clearance", ".0012", ".0035"),
        ("clearance_service", ".0045", ""),
    ]
    ladder = [(size, part, True) for size, part in VEE_STEPS]
    return SheetForm(
        engine="Morrick V8-61",
        unit=Unit.INCH,
        notes="Invented for the demo.",
        crank_material=Material.STEEL,
        layout=_layout("V eight, cross plane"),
        sets=[
            _set("mains", mains, [(u, f"MK8-M{p}", b) for u, p, b in ladder], Hardening.NONE, "112"),
            _set("rods", rods, [(u, f"MK8-R{p}", b) for u, p, b in ladder], Hardening.NONE),
            _vee_bores(),
            *vee_loose(),
        ],
    )


def journals_only(engine: str, layout: Layout) -> SheetForm:
    """Limits of mains and rods for an engine that is described: invented, metric."""
    mains: list[FIGURE] = [
        ("size", "68.420", "68.437"),
        ("service_least", "68.400", ""),
        ("out_of_round", "0.020", ""),
        ("taper", "0.012", ""),
    ]
    rods: list[FIGURE] = [
        ("size", "56.730", "56.746"),
        ("service_least", "56.710", ""),
        ("out_of_round", "0.020", ""),
        ("taper", "0.012", ""),
    ]
    ladder = [("STD", "STD", True), ("0.25 mm", "025", True), ("0.50 mm", "050", True)]
    return SheetForm(
        engine=engine,
        unit=Unit.MM,
        notes="Invented for the demo.",
        crank_material=Material.STEEL,
        layout=layout,
        sets=[
            _set("mains", mains, [(u, f"W 1.{p}", b) for u, p, b in ladder], Hardening.NONE, "112"),
            _set("rods", rods, [(u, f"W 2.{p}", b) for u, p, b in ladder], Hardening.NONE),
        ],
    )
