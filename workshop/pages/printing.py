"""Pages for paper: the decision sheet and the blank measuring card, as HTML and as PDF."""

from concurrent.futures import ThreadPoolExecutor
from functools import cache
from itertools import groupby
from pathlib import Path
from typing import Any

from django.conf import settings

from halfthou.assess import judge
from halfthou.engines import PartKind
from halfthou.jobs import Plan, SetName
from halfthou.lengths import UNIT_WORDS, Length, Notation
from halfthou.parts import CATALOGUE, BoreSet, BoringCard, boring_card
from halfthou.report import Assessment, PartReport, SetReport, TableShown, read_signed
from halfthou.surveys import plan_of, window_for
from halfthou.verdicts import Action
from halfthou.words import cautions_for
from workshop.jobs.actions import Opened
from workshop.pages.figure_table import figure_table, sizes_besides
from workshop.pages.marks import mark_drawing
from workshop.pages.on_paper import on_paper
from workshop.people.refusals import NotThere
from workshop.record.opened import standing_decisions, standing_signature

_FACES = (
    ("Barlow Semi Condensed", 400, "barlow-semi-condensed", "barlow-semi-condensed-latin-400-normal.woff2"),
    ("Barlow Semi Condensed", 600, "barlow-semi-condensed", "barlow-semi-condensed-latin-600-normal.woff2"),
    ("B612", 400, "b612", "b612-latin-400-normal.woff2"),
    ("B612", 700, "b612", "b612-latin-700-normal.woff2"),
)


def sheet_html(opened: Opened) -> str:
    """The decision sheet: the page as it was signed where a signature stands, else as it stands now, so marked.

    Sheets signed before pages were kept are set anew from what was stored with them.
    """
    record = opened.record
    signature = standing_signature(record)
    if signature is not None and "page" in signature.sheet:
        return str(signature.sheet["page"])
    if signature is not None:
        found = read_signed(signature.sheet)
        decisions: list[Any] = list(signature.sheet["decisions"])
    else:
        found = opened.assessment
        decisions = list(standing_decisions(record).values())
    sets = [_set_of(found, one) for one in found.sets]
    return on_paper(
        "pages/sheet.html",
        {
            "job": record,
            "engine": opened.job.limits.engine,
            "limits": opened.job.limits,
            "found": found,
            "unit": UNIT_WORDS[found.unit],
            "sets": sets,
            "marks": {part.id: mark_drawing(part.mark.code) for part in found.parts},
            "decisions": decisions,
            "signature": signature,
        },
    )


def _set_of(found: Assessment, one: SetReport) -> dict[str, Any]:
    """A set as the sheet draws it: its parts with all of their figures."""
    parts = [part for part in found.parts if part.set == one.set and not part.out]
    return {
        "said": one,
        "parts": parts,
        "figures": figure_table(parts),
        "sizes": sizes_besides(parts),
        "told_by": "Oil clearance" if parts and _by_clearance(parts[0]) else "Says",
        "says": {part.id: _says(part) for part in parts},
        "spare": any(part.clean_up is not None and part.clean_up.to_spare for part in parts),
        "mark": mark_drawing(one.mark.code),
    }


def _by_clearance(part: PartReport) -> bool:
    """Whether a part is told by the clearance of its bearing, as a journal is."""
    return part.station == "crank" and bool(part.clearance.words)


def _says(part: PartReport) -> str:
    """What is said of a part beside its figures."""
    if _by_clearance(part):
        return part.clearance.words
    words = (part.under_headline or part.headline, part.clearance.words if part.place else "", part.lies)
    return "; ".join(dict.fromkeys(one for one in words if one))


def filing_of(opened: Opened) -> TableShown:
    """What is filed from each ring. Refuses: NotThere where no gap is read yet."""
    found = next((one for one in opened.assessment.sets if one.set == SetName.RINGS), None)
    table = next((table for table in found.tables if table.key == "filing"), None) if found is not None else None
    if table is None or not table.rows:
        raise NotThere("no-card", "There is no ring filing card: no gap of a ring to be fitted is read yet.")
    return table


def filing_html(opened: Opened) -> str:
    """The ring filing card: one page for the bench."""
    use = opened.job.use
    context = {
        "job": opened.record,
        "engine": opened.job.limits.engine,
        "table": filing_of(opened),
        "unit": UNIT_WORDS[opened.job.shown_in],
        "use": use.value if use is not None else "",
        "cautions": cautions_for(Action.FILE),
    }
    return on_paper("pages/filing.html", context)


def card_html(opened: Opened) -> str:
    """A blank measuring card: every part and spot in the order they are typed."""
    job = opened.job
    engine, say = CATALOGUE.engine_of(job), Notation.usual(job.shown_in)
    sets = []
    for one in job.sets:
        kind = CATALOGUE.kind_of_set(one, engine.layout)
        first = kind.features[0]
        plan = plan_of(job, one, first) if first.plan is not None else None
        new = next((figure for figure in kind.figures if figure.is_band and figure.needed), None)
        size = job.limits.sets[one].band(new.key) if new is not None else None
        rows = _rows(kind, plan) if plan is not None else _fixed_rows(kind)
        window = window_for(job.limits, one, first, Length(opened.assessment.of(one).present.nm), ())
        sets.append(
            {
                "name": CATALOGUE.set_name(one),
                "part": kind.name,
                "least": say.text(size.least) if size is not None else "-",
                "most": say.text(size.most) if size is not None else "-",
                "nominal": say.text(window.nominal),
                "angles": [
                    {"letter": letter, "deg": deg, "name": first.angle_names.get(deg, "")}
                    for letter, deg in zip("abcdefgh", plan.angles_deg if plan is not None else (), strict=False)
                ],
                "rows": rows,
                "width": range(len(rows[0]["cells"]) + rows[0]["blank"]),
                "parts": [engine.parts[name].name for name in engine.of_set(one)],
                "hold": first.hold,
                "looks": ", ".join([look.key for look in kind.looks if look.bench and kind.key in look.on][:3]),
                "beside": [feature.name for feature in kind.features if not feature.planned],
            }
        )
    context = {"job": opened.record, "engine": job.limits.engine, "unit": UNIT_WORDS[job.shown_in], "sets": sets}
    return on_paper("pages/card.html", context)


def _rows(kind: PartKind, plan: Plan) -> list[dict[str, Any]]:
    """The rows to write in for one part: plane by plane, named where it has a name, then what else is planned."""
    first, planes = kind.features[0], range(plan.planes)
    names = first.plane_names if len(first.plane_names) == plan.planes else tuple(str(n + 1) for n in planes)
    rows = [{"name": name, "cells": [""] * len(plan.angles_deg), "blank": 0} for name in names]
    more, width = [feature for feature in kind.features[1:] if feature.planned], len(plan.angles_deg)
    rows += [
        {"name": (*one.plane_names, one.name)[0], "cells": [""] * len(one.spots), "blank": width - len(one.spots)}
        for one in more
    ]
    return rows


def _fixed_rows(kind: PartKind) -> list[dict[str, Any]]:
    """The rows of a kind without a plan: a feature a row, each with so many places to write in.

    Spots that go by names of their own stand row by row as they lie, each under its name.
    """
    rows: list[tuple[str, list[str]]] = []
    for feature in kind.features:
        if not feature.named:
            rows.append((feature.name, [""] * len(feature.spots)))
            continue
        for row, spots in groupby(feature.lies.items(), key=lambda known: known[1].row):
            rows.append((feature.name if row == 1 else "", [spot for spot, _ in spots]))
    widest = max(len(cells) for _, cells in rows)
    return [{"name": name, "cells": cells, "blank": widest - len(cells)} for name, cells in rows]


def boring_card_of(opened: Opened) -> BoringCard:
    """The boring card of a job. Refuses: NotThere where nothing is bored yet."""
    judged = judge(opened.job)
    decided = judged.decided.get("bores")
    card = boring_card(decided, judged.engine, judged.given.say) if isinstance(decided, BoreSet) else None
    if card is None:
        raise NotThere(
            "no-card", "There is no boring card: the bores are not decided to be bored, or not all read."
        )
    return card


def boring_html(opened: Opened) -> str:
    """The boring card: one page for the machine."""
    context = {
        "job": opened.record,
        "engine": opened.job.limits.engine,
        "card": boring_card_of(opened),
        "unit": UNIT_WORDS[opened.job.shown_in],
    }
    return on_paper("pages/boring.html", context)


#: Pages are set one after the other, by one thread, with faces that are loaded once: each thread, and each loading
#: of them, would keep memory that is never given back.
_setting = ThreadPoolExecutor(max_workers=1, thread_name_prefix="paper")


def pdf_of(html: str) -> bytes:
    """The page as PDF, set in the app's own faces from this machine's files; nothing is fetched."""
    return _setting.submit(_set, html).result()


@cache
def _faces() -> tuple[Any, Any]:
    """The app's own faces, and the style that names them."""
    import weasyprint  # noqa: PLC0415
    from weasyprint.text.fonts import FontConfiguration  # noqa: PLC0415

    faces = "".join(
        f"@font-face{{font-family:'{family}';font-weight:{weight};src:url('{_face(folder, name)}')}}"
        for family, weight, folder, name in _FACES
    )
    fonts = FontConfiguration()
    return fonts, weasyprint.CSS(string=faces, font_config=fonts)


def _set(html: str) -> bytes:
    # Loaded where a page is set: it takes a second, which every command of the shop would wait for.
    import weasyprint  # noqa: PLC0415
    from weasyprint.urls import URLFetcher  # noqa: PLC0415

    fonts, style = _faces()
    # A page is made from what it holds: pictures lie in it as data, and nothing else is opened, near or far.
    own = URLFetcher(allowed_protocols=["data"])
    page = weasyprint.HTML(string=html, base_url=str(settings.FONT_DIR), url_fetcher=own)
    found: bytes = page.write_pdf(stylesheets=[style], font_config=fonts)
    return found


def _face(folder: str, name: str) -> str:
    place: Path = settings.FONT_DIR / folder / "files" / name
    return place.as_uri()
