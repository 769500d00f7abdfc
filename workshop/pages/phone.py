"""The camera page of a phone: a plain page with one file field, known by its code alone."""

from __future__ import annotations

from uuid import uuid4

from django.http import HttpRequest, HttpResponse
from django.shortcuts import render
from django.utils import timezone
from django.views.decorators.csrf import csrf_exempt
from django.views.decorators.http import require_http_methods

from halfthou.lengths import Unit
from workshop.people.phone import codes
from workshop.people.refusals import NotThere, Refusal
from workshop.record.opened import job_record, sound_job
from workshop.record.pictures import MOST_BYTES
from workshop.strip.pictures import TakingPicture, add_picture, names_of


# The code in the address is what a forged request would not know.
@csrf_exempt
@require_http_methods(["GET", "POST"])
def camera_page(request: HttpRequest, code: str) -> HttpResponse:
    """Take pictures of one thing of a job, in the name of whoever made the code. It tells no customer."""
    said, wrong = "", ""
    try:
        camera, person = codes.of(code)
        record = job_record(camera.job)
        name = names_of(sound_job(record, Unit(person.shown_unit))).get(camera.on, camera.on)
    except NotThere as error:
        return _page(request, {"gone": error.message}, 404)
    if request.method == "POST":
        files = request.FILES.getlist("file")[:20]
        try:
            for file in files:
                if file.size is not None and file.size > MOST_BYTES:
                    wrong = f"The picture has {file.size / 1e6:,.0f} MB; at most {MOST_BYTES // 1_000_000}."
                    break
                given = TakingPicture(id=str(uuid4()), on=camera.on, at=timezone.now())
                add_picture(person, camera.job, given, file.read())
            else:
                said = f"{len(files)} {'picture' if len(files) == 1 else 'pictures'} taken." if files else ""
                wrong = "" if files else "Choose or take a picture first."
        except Refusal as error:
            wrong = error.message
    until = timezone.localtime(camera.until)
    shown = {"number": record.number, "name": name, "by": person.username, "until": until}
    return _page(request, {**shown, "said": said, "wrong": wrong}, 400 if wrong else 200)


def _page(request: HttpRequest, shown: dict[str, object], status: int) -> HttpResponse:
    nonce = str(request.csp_nonce)  # type: ignore[attr-defined]
    response = render(request, "pages/phone.html", {**shown, "nonce": nonce}, status=status)
    response["Cache-Control"] = "no-store"
    response["Referrer-Policy"] = "no-referrer"
    return response
