"""Limits of the three invented engines for what comes loose out of them: pistons, rings, oil pump. All invented."""

from __future__ import annotations

from halfthou.jobs import SourceKind
from halfthou.parts.pump.kind import RADIAL
from workshop.limits.translate import FigureForm, SetForm

FIGURE = tuple[str, str, str]


def _sets(figures: tuple[list[FIGURE], ...], made: tuple[dict[str, str], ...]) -> list[SetForm]:
    """The limits of pistons, rings and pump, with what they are made of."""
    return [
        SetForm(
            set=one,
            figures=[
                FigureForm(name=name, least=least, most=most, source=SourceKind.INVENTED, place="demo sheet")
                for name, least, most in of_set
            ],
            made=about,
        )
        for one, of_set, about in zip(("pistons", "rings", "pump"), figures, made, strict=True)
    ]


def petrol_loose() -> list[SetForm]:
    """The petrol four: cast pistons, spur gears, one-piece oil rings."""
    return _sets(
        (
            [
                ("size", "3.5604", "3.5610"),
                ("gauge_height", "0.65", ""),
                ("clearance", ".0014", ".0026"),
                ("clearance_worn", ".0045", ""),
                ("target_clearance", ".0020", ""),
                ("collapse", ".0015", ""),
                ("pin", ".9146", ".9149"),
                ("pin_clearance", ".0009", ""),
                ("groove_clearance", ".0050", ""),
                ("crown_spread", ".008", ""),
                ("weight_spread", "", "4"),
            ],
            [
                ("top_gap", ".014", ".020"),
                ("second_gap", ".016", ".022"),
                ("oil_gap", ".012", ""),
                ("worn_gap", ".035", ""),
            ],
            [
                ("end_clearance", ".0050", ""),
                ("end_new", ".0012", ".0026"),
                ("tip_clearance", ".0060", ""),
                ("backlash", ".016", ""),
                ("cover_wear", ".0020", ""),
                ("shaft_clearance", ".0040", ""),
                ("spring_length", "1.72", "1.78"),
                ("spring_load", "41", "49"),
            ],
        ),
        (
            {"alloy": "cast", "datum": "bottom of the skirt", "coating": "plain", "pin fit": "lock clips"},
            {"oil ring": "one-piece", "top ring": "barrel faced, chromium", "second ring": "taper faced iron"},
            {"kind": "spur gears", "drive": "shaft", "gears sold": "no", "pump number": "TB-142-OP"},
        ),
    )


#: The oil pump of the diesel three.
ROTORS = {
    "kind": "gerotor",
    "rotor limit": RADIAL,
    "drive": "crank",
    "viscosity": "20",
    "pump number": "SK 47.8.OP",
}


def diesel_loose() -> list[SetForm]:
    """The diesel three: hypereutectic pistons, a gerotor on the crank."""
    return _sets(
        (
            [
                ("size", "90.905", "90.925"),
                ("gauge_height", "14", ""),
                ("clearance", "0.085", "0.125"),
                ("clearance_worn", "0.25", ""),
                ("target_clearance", "0.100", ""),
                ("collapse", "0.040", ""),
                ("pin", "29.994", "30.000"),
                ("pin_clearance", "0.030", ""),
                ("groove_clearance", "0.18", ""),
                ("weight_spread", "", "6"),
            ],
            [
                ("top_gap", "0.30", "0.50"),
                ("second_gap", "0.40", "0.60"),
                ("oil_gap", "0.25", ""),
                ("worn_gap", "1.2", ""),
            ],
            [
                ("end_clearance", "0.13", ""),
                ("end_new", "0.03", "0.07"),
                ("rotor_tip", "0.20", ""),
                ("rotor_body", "0.14", ""),
                ("cover_wear", "0.05", ""),
                ("plunger_clearance", "0.09", ""),
                ("spring_length", "46", "48"),
                ("opening_pressure", "3.6", "4.4"),
                ("leak_breadth", "30", ""),
                ("leak_length", "8", ""),
            ],
        ),
        (
            {"alloy": "hypereutectic", "datum": "bottom of the skirt", "coating": "coated, size over it"},
            {"oil ring": "one-piece, with expander"},
            ROTORS,
        ),
    )


def vee_loose() -> list[SetForm]:
    """The V8: forged pistons, banks that differ, spur gears driven by a shaft."""
    return _sets(
        (
            [
                ("size", "3.8720", "3.8726"),
                ("gauge_height", "0.75", ""),
                ("clearance", ".0025", ".0037"),
                ("clearance_worn", ".0060", ""),
                ("target_clearance", ".0031", ""),
                ("collapse", ".0020", ""),
                ("pin", ".9312", ".9315"),
                ("pin_clearance", ".0009", ""),
                ("groove_clearance", ".0055", ""),
                ("crown_spread", ".010", ""),
                ("weight_spread", "", "4"),
            ],
            [
                ("top_gap", ".017", ".023"),
                ("second_gap", ".019", ".025"),
                ("oil_gap", ".015", ""),
                ("worn_gap", ".040", ""),
            ],
            [
                ("end_clearance", ".0055", ""),
                ("end_new", ".0015", ".0030"),
                ("tip_clearance", ".0065", ""),
                ("backlash", ".018", ""),
                ("cover_wear", ".0020", ""),
                ("shaft_clearance", ".0040", ""),
                ("spring_length", "1.94", "2.00"),
                ("spring_load", "52", "62"),
                ("drive_play", "0", "3"),
                ("pickup_depth", ".25", ".38"),
            ],
        ),
        (
            {"alloy": "forged 4032", "datum": "centre of the pin", "handed": "differ", "pin fit": "lock clips"},
            {"oil ring": "three-piece, with rails", "top ring": "molybdenum", "second ring": "plain iron"},
            {"kind": "spur gears", "drive": "shaft", "gears sold": "no", "pump number": "MK8-OP"},
        ),
    )
