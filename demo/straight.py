"""Invented cranks that were indicated first: a V8's that is bent and worn, another that came back from its grinder,
a bare one of an inline four; and a block whose tunnel is to be line-honed."""

from __future__ import annotations

import math

from demo.engines import petrol_four, vee_eight
from demo.shop import Shop
from demo.worn import INCH_HAND, Worn
from halfthou.jobs import JournalSet, OperationKind, SourceKind
from halfthou.verdicts import Action
from workshop.limits.models import SheetRevision
from workshop.limits.translate import FigureForm, SetForm, SheetForm, StepForm

SETS = ("straightness", "mains", "rods")


def _straightness(**figures: str) -> SetForm:
    return SetForm(
        set="straightness",
        figures=[
            FigureForm(name=name, least=most, most="", source=SourceKind.INVENTED, place="demo sheet")
            for name, most in figures.items()
        ],
        made={"given as": "total reading of the dial", "made of": "forged steel", "fillets": "ground"},
    )


def _with(sheet: SheetForm, engine: str, more: SetForm) -> SheetForm:
    return sheet.model_copy(update={"engine": engine, "sets": [more, *sheet.sets]})


def furnish_straight(shop: Shop) -> None:
    """The cranks and the block, each with its sheet."""
    _bent(shop)
    _bent_for_good(shop, _bare(shop))
    _tunnel(shop)
    _came_back(shop)


def _bent_limits() -> SheetForm:
    """The limits of the bent one: run-out everywhere, and its end float with the washers sold for it."""
    allowed = _straightness(
        run_out_over_all=".0020", run_out_adjacent=".0010", run_out_nose=".0030", run_out_flange=".0020"
    )
    floats = SetForm(
        set="end float",
        figures=[
            FigureForm(
                name="float_new", least=".0020", most=".0080", source=SourceKind.INVENTED, place="demo sheet"
            ),
            FigureForm(
                name="float_service", least=".0120", most="", source=SourceKind.INVENTED, place="demo sheet"
            ),
        ],
        steps=[
            StepForm(size=size, part_number=f"OV8-W{size[2:]}", can_be_bought=True) for size in (".005", ".010")
        ],
    )
    tunnel = _tunnel_allowed()
    sheet = vee_eight()
    for one in sheet.sets:
        if one.set in ("mains", "rods"):
            one.figures.extend(_besides(one.set))
    for more in (tunnel, allowed, floats):
        sheet = _with(sheet, "Orrin V8-48", more)
    return sheet


def _besides(one: str) -> list[FigureForm]:
    """What the sheet asks of a journal beside its size."""
    rows = [("fillet", ".100", ".125"), ("finish", "", "0.38")]
    if one == "rods":
        rows += _THROW["Orrin"]
    return _figures(rows)


#: Half the stroke and the index of the throws of two makes.
_THROW = {
    "Orrin": [("half_stroke", "1.7490", "1.7510"), ("index", "", "0.3")],
    "Tolby": [("half_stroke", "1.7970", "1.8030"), ("index", "", "0.5")],
}


def _figures(rows: list[tuple[str, str, str]]) -> list[FigureForm]:
    return [
        FigureForm(name=name, least=least, most=most, source=SourceKind.INVENTED, place="demo sheet")
        for name, least, most in rows
    ]


def _bent(shop: Shop) -> None:
    """Bent between its second and third main, and its third pin worn besides: straightened before it is ground."""
    sheet = shop.keep_sheet(_bent_limits())
    job = shop.book(
        74,
        "Dredger Grebe",
        sheet,
        18,
        ("Saltmarsh Drainage Board", "Ran a bearing and was driven on. Crank turns heavy."),
        scope=(*SETS, "end float"),
    )
    shop.see(job, "straightness", "supports", "end mains")
    dial = shop.cabinet["clock-tenths"]
    shop.type_in(job, "end-float", {"1a": "0.0138"}, dial, feature="end float")
    for main, swing, high, oval in (
        ("M2", 0.0090, 100, 0.0004),
        ("M3", 0.0100, 110, 0.0006),
        ("M4", 0.0042, 105, 0.0002),
    ):
        shop.type_in(job, f"run-out-{main}", _round(swing, high, oval), dial, feature="run-out")
    shop.type_in(job, "run-out-nose", _round(0.0021, 285, 0), dial, feature="run-out")
    shop.type_in(job, "run-out-flange", _round(0.0012, 300, 0), dial, feature="run-out")
    shop.read(job, {f"M{n}": Worn(2.7045, 0.0003, 20 * n, 0.0001) for n in range(1, 6)}, INCH_HAND)
    rods = {f"R{n}": Worn(2.2615, 0.0002, 15 * n, 0.0001) for n in (1, 2, 4)}
    shop.read(job, {**rods, "R3": Worn(2.2607, 0.0031, 12, 0.0003)}, INCH_HAND)
    shop.see(job, "R3", "surface", "nail catches", "0.0006")
    shop.type_in(job, "R3", _profile(0.0024, 12), dial, feature="profile")
    shop.sound(job)


def _bare(shop: Shop) -> SheetRevision:
    """A bare crank, indicated by total readings with their high sides: straight enough, and within.

    Gives:   its sheet.
    """
    allowed = _straightness(run_out_over_all=".0025", run_out_adjacent=".0012")
    four = petrol_four()
    next(one for one in four.sets if one.set == "rods").figures.extend(_figures(_THROW["Tolby"]))
    sheet = shop.keep_sheet(_with(four, "Tolby 4/150, bare crank", allowed))
    job = shop.book(
        75, "Bark mill crank", sheet, 6, ("Hollow Wood Estate", "Crank only, as found in the loft."), scope=SETS
    )
    shop.see(job, "straightness", "supports", "centres")
    dial = shop.cabinet["clock-tenths"]
    for main, typed in (("M1", "1 @ 40"), ("M2", "6 @ 70"), ("M3", "8 @ 85"), ("M4", "5 @ 60"), ("M5", "1 @ 200")):
        swing, _, side = typed.partition(" ")
        text = f"{int(swing) / 10_000:.4f} {side}"
        shop.type_in(job, f"run-out-{main}", {"1a": text}, dial, feature="total reading")
    shop.read(job, {f"M{n}": Worn(2.4140, 0.0002, 15 * n, 0.0001) for n in range(1, 6)}, INCH_HAND)
    shop.read(job, {f"R{n}": Worn(2.0375, 0.0002, 20 * n, 0.0001) for n in range(1, 5)}, INCH_HAND)
    shop.sound(job)
    return sheet


def _bent_for_good(shop: Shop, sheet: SheetRevision) -> None:
    """Bent towards its two middle pins, which nobody presses; its bend is accepted, and a pin is worn: ground where
    the bend left it, it saves a step."""
    card = ("Hollow Wood Estate", "Crank for the slow pump. Not to be pressed.")
    job = shop.book(78, "Hollow Wood pump crank", sheet, 14, card, scope=SETS)
    shop.see(job, "straightness", "supports", "end mains")
    dial = shop.cabinet["clock-tenths"]
    for main, swing, high in (("M2", 0.0009, 170), ("M3", 0.0070, 176), ("M4", 0.0008, 185)):
        shop.type_in(job, f"run-out-{main}", _round(swing, high, 0.0001), dial, feature="run-out")
    shop.read(job, {f"M{n}": Worn(2.4141, 0.0002, 15 * n, 0.0001) for n in range(1, 6)}, INCH_HAND)
    rods = {f"R{n}": Worn(2.0375, 0.0002, 20 * n, 0.0001) for n in (1, 3, 4)}
    shop.read(job, {**rods, "R2": Worn(2.0357, 0.0014, 10, 0.0001)}, INCH_HAND)
    shop.sound(job)
    shop.override(job, "straightness", Action.REUSE, "The estate's engineer allows 0.008 in at 300 a minute.")


def _tunnel(shop: Shop) -> None:
    """A bearing turned in its third housing: that is large, stands tall and lies low in the line."""
    sheet = shop.keep_sheet(_with(petrol_four(), "Tolby 4/146, block", _tunnel_allowed()))
    card = ("Eastquay Lifting", "Block only: a main bearing turned in its housing.")
    job = shop.book(76, "Harbour crane 4, block", sheet, 9, card, scope=("tunnel",))
    _read_tunnel(shop, job)


def _tunnel_allowed() -> SetForm:
    return SetForm(
        set="tunnel",
        figures=[
            FigureForm(name=name, least=most, most="", source=SourceKind.INVENTED, place="demo sheet")
            for name, most in (
                ("out_of_round", ".0010"), ("taper", ".0005"), ("line_adjacent", ".0010"),
                ("line_over_all", ".0020"), ("most_cut", ".0080"),
            )
        ],
        made={"larger shells": "not sold"},
    )  # fmt: skip


def _read_tunnel(shop: Shop, job: int) -> None:
    bore, dial = shop.cabinet["bore-23"], shop.cabinet["clock-tenths"]
    for main, upright, other in (
        ("M1", "2.6023", "2.6025"), ("M2", "2.6023", "2.6024"), ("M3", "2.6048", "2.6039"),
        ("M4", "2.6024", "2.6025"), ("M5", "2.6022", "2.6024"),
    ):  # fmt: skip
        sizes = {"1a": upright, "1b": other, "1c": other, "2a": upright, "2b": other, "2c": other}
        shop.type_in(job, f"housing-{main}", sizes, bore, feature="housing bore", caps_torqued=True)
    for main, off in (("M2", "0.0002"), ("M3", "-0.0016"), ("M4", "0.0001")):
        shop.type_in(job, f"housing-{main}", {"1a": off}, dial, feature="line by indicator")


def _profile(worn: float, towards_deg: float) -> dict[str, str]:
    """What a dial says of a pin worn to one side, every 30 degrees, front and rear, in tenths."""
    return {
        f"{plane}-{deg}": f"{-worn * depth * max(0.0, math.cos(math.radians(deg - towards_deg))) ** 2:.4f}"
        for plane, depth in ((1, 1.0), (2, 0.8))
        for deg in range(0, 360, 30)
    }


def _round(swing: float, high: float, oval: float) -> dict[str, str]:
    """What a dial says every 45 degrees, to a tenth, set to nothing where it starts."""
    heights = {
        deg: swing / 2 * math.cos(math.radians(deg - high)) + oval / 4 * math.cos(2 * math.radians(deg))
        for deg in range(0, 360, 45)
    }
    return {str(deg): f"{height - heights[0]:.4f}" for deg, height in heights.items()}


def _came_back(shop: Shop) -> None:
    """Straight, worn at one pin, ground to 0.010 under and read again: one pin came back too large."""
    sheet = shop.keep_sheet(_back_limits())
    card = ("Lowmoor Sluice Office", "Low oil pressure hot, one big end noisy.")
    job = shop.book(77, "Sluice 9 standby set", sheet, 12, card, scope=SETS)
    shop.see(job, "straightness", "supports", "end mains")
    dial = shop.cabinet["clock-tenths"]
    swings = (("M2", "4 @ 30"), ("M3", "7 @ 50"), ("M4", "5 @ 40"), ("nose", "9 @ 20"), ("flange", "6 @ 70"))
    for place, typed in swings:
        shop.type_in(job, f"run-out-{place}", {"1a": f"0.000{typed}"}, dial, feature="total reading")
    shop.read(job, {f"M{n}": Worn(2.7046, 0.0002, 20 * n, 0.0001) for n in range(1, 6)}, INCH_HAND)
    rods = {f"R{n}": Worn(2.2616, 0.0002, 15 * n, 0.0001) for n in (1, 2, 3)}
    shop.read(job, {**rods, "R4": Worn(2.2612, 0.0022, 10, 0.0002)}, INCH_HAND)
    shop.sound(job)
    shop.see(job, "crank", "crack test", "passed")
    shop.accept(job, JournalSet.RODS)
    shop.work(job, OperationKind.GRIND, "rods", ".010", note="Ground out of the house")
    ground = {"R1": 2.2517, "R2": 2.2518, "R3": 2.2517, "R4": 2.2526}
    shop.read(job, {name: Worn(size, 0.0001, 30, 0.0) for name, size in ground.items()}, INCH_HAND)


def _back_limits() -> SheetForm:
    sheet = _bent_limits()
    return sheet.model_copy(update={"engine": "Orrin V8-44"})
