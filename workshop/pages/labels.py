"""Labels for trays and bags: position, mark and job in words, and the same as a QR code. On A4 sheets or on a
roll."""

from __future__ import annotations

import io
from functools import lru_cache
from typing import NamedTuple

import segno
from django.utils.safestring import SafeString, mark_safe
from ninja import Schema
from pydantic import Field

from halfthou.engines import Place
from halfthou.exchange import Fault
from halfthou.jobs import Job
from halfthou.strip import Strip
from workshop.pages.on_paper import on_paper
from workshop.people.refusals import Refusal

A4_MM = (210.0, 297.0)
#: A label smaller than this holds neither its code nor words that can be read at arm's length.
LEAST_MM, MOST_MM = (20.0, 14.0), (200.0, 280.0)
#: One module of a code is printed at least so wide, in millimetres, to be read by a phone. Source: from memory.
LEAST_MODULE_MM = 0.35


class LabelForm(Schema):
    """The label as the printer cuts it, in millimetres; on a sheet so many side by side and below each other, the
    first `skip` of them used already. A roll has one label a page."""

    roll: bool = False
    width: float = Field(default=63.5, ge=1, le=400)
    height: float = Field(default=33.9, ge=1, le=400)
    columns: int = Field(default=3, ge=1, le=12)
    rows: int = Field(default=8, ge=1, le=30)
    skip: int = Field(default=0, ge=0, le=300)
    kinds: str = Field(default="", max_length=400)


def code_text(job: Job, position: Place) -> str:
    """What the code says: the job and the position, in plain text that any reader shows."""
    return f"HALF THOU {job.number} {position.id}"


def positions_for(job: Job, kinds: str) -> list[Place]:
    """The positions of these kinds, in the order of the engine; all where none is named.

    Refuses: Refusal where no position is of any of them.
    """
    wanted = {kind.strip() for kind in kinds.split(",") if kind.strip()}
    found = [place for place in Strip(job).places.values() if not wanted or place.kind in wanted]
    if not found:
        raise Refusal("no-labels", "This engine has none of those parts: there is nothing to label.")
    return found


def labels_html(job: Job, form: LabelForm) -> str:
    """The labels as a page for paper. Refuses: Refusal where they do not fit what the printer cuts."""
    _must_fit(form)
    places = positions_for(job, form.kinds)
    strip = Strip(job)
    cells: list[dict[str, object] | None] = [None] * (0 if form.roll else form.skip % (form.columns * form.rows))
    cells += [
        {
            "name": place.name,
            "mark": strip.marks.bears(place.id) or place.mark,
            "how": "" if "bag" in place.how else "arrow to the front",
            "lies": strip.lies_in.get(place.id, place.short),
            "code": code_of(code_text(job, place)).svg,
        }
        for place in places
    ]
    each = 1 if form.roll else form.columns * form.rows
    pages = [cells[n : n + each] for n in range(0, len(cells), each)]
    page = (form.width, form.height) if form.roll else A4_MM
    side = min(form.height - 4, form.width * 0.42)
    modules = max(code_of(code_text(job, one)).modules for one in places)
    _must_be_readable(side, modules)
    context = {
        "job": job,
        "pages": pages,
        "form": form,
        "page_width": page[0],
        "page_height": page[1],
        "left": 0 if form.roll else round((A4_MM[0] - form.columns * form.width) / 2, 2),
        "top": 0 if form.roll else round((A4_MM[1] - form.rows * form.height) / 2, 2),
        "side": round(side, 2),
        "size": round(min(11.0, max(6.0, form.height / 3.4)), 1),
    }
    return on_paper("pages/labels.html", context)


def _must_fit(form: LabelForm) -> None:
    faults = []
    for name, value, least, most in (
        ("width", form.width, LEAST_MM[0], MOST_MM[0]),
        ("height", form.height, LEAST_MM[1], MOST_MM[1]),
    ):
        if not least <= value <= most:
            faults.append(Fault(name, f"{value:g} mm: a label is {least:g} to {most:g} mm here."))
    if not form.roll and not faults:
        for name, count, one, all_ in (
            ("columns", form.columns, form.width, A4_MM[0]),
            ("rows", form.rows, form.height, A4_MM[1]),
        ):
            if count * one > all_ + 0.05:
                faults.append(Fault(name, f"{count} of {one:g} mm are {count * one:g} mm; the sheet has {all_:g}."))
    if faults:
        raise Refusal("bad-labels", "The labels do not fit. Give the size as the printer cuts it.", faults)


def _must_be_readable(side: float, modules: float) -> None:
    """Refuse labels whose code comes out too fine for a phone. Refuses: Refusal."""
    if side / modules < LEAST_MODULE_MM:
        words = f"The code needs {modules * LEAST_MODULE_MM:.0f} mm and gets {side:.0f}: take a larger label."
        raise Refusal("bad-labels", words, [Fault("height", words)])


class Code(NamedTuple):
    """A QR code with its quiet zone, drawn, and how many modules it is wide."""

    svg: SafeString
    modules: int


@lru_cache(maxsize=2_000)
def code_of(text: str) -> Code:
    """The text as a QR code."""
    made, out = segno.make_qr(text, error="m"), io.BytesIO()
    made.save(out, kind="svg", border=4, omitsize=True, xmldecl=False, svgns=True, nl=False)
    svg = mark_safe(out.getvalue().decode())  # noqa: S308 - drawn here, from text that the code only encodes
    return Code(svg, int(made.symbol_size(border=4)[0]))
