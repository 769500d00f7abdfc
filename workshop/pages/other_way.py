"""The strip list the other way round, on paper."""

from itertools import groupby

from halfthou.jobs import Job
from halfthou.strip import other_way, to_renew
from workshop.pages.on_paper import on_paper


def other_way_html(job: Job) -> str:
    """The list as a page for paper: what goes on, in order, with what is new for it and a box to tick."""
    steps = other_way(job)
    cautions = {caution.work: caution for step in steps for caution in step.cautions}
    numbered = enumerate(steps, start=1)
    sections = [(name, list(rows)) for name, rows in groupby(numbered, key=lambda one: one[1].section)]
    found = {"job": job, "sections": sections, "renew": to_renew(job), "cautions": cautions.values()}
    return on_paper("pages/other_way.html", found)
