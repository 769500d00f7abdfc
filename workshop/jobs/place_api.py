"""The card of a place over HTTP."""

from django.http import HttpRequest
from ninja import Router

from halfthou.assess import judge, put_in_words
from halfthou.place_card import PlaceCard, UnknownPlace, place_card
from workshop.jobs import actions
from workshop.people.api import signed_in
from workshop.people.refusals import NotThere
from workshop.record.kept import kept

router = Router(tags=["places"])


@router.get("/jobs/{int:job_id}/places/{place}", response=PlaceCard)
def get_place(request: HttpRequest, job_id: int, place: str) -> PlaceCard:
    """All that is known of one place of an engine."""
    _, job = actions.looked_at(job_id, signed_in(request))
    judged = judge(job, kept(job_id, job.shown_in).memo)
    try:
        return place_card(judged, put_in_words(judged), place)
    except UnknownPlace:
        raise NotThere("no-place", f"This engine has no {place}.") from None
