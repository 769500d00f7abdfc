"""The API: every app's router, one way of refusing, nothing without signing in."""

import errno
import logging
from collections.abc import Sequence

from django.core.exceptions import SuspiciousOperation
from django.db import DatabaseError, OperationalError
from django.http import HttpRequest, HttpResponse, UnreadablePostError
from django.http.multipartparser import MultiPartParserError
from ninja import NinjaAPI
from ninja.errors import ValidationError

from halfthou.exchange import BadFile, in_plain_words
from workshop.gauges.api import router as gauges
from workshop.house.api import router as house
from workshop.jobs.api import router as jobs
from workshop.jobs.door_api import router as door
from workshop.jobs.evidence_api import router as evidence
from workshop.jobs.place_api import router as places
from workshop.jobs.strip_api import router as strip
from workshop.jobs.would_change_api import router as would_change
from workshop.limits.api import router as limits
from workshop.limits.descriptions_api import router as descriptions
from workshop.live.api import router as live
from workshop.pages.api import router as pages
from workshop.pages.crank_api import router as crank
from workshop.pages.first_run_api import router as first_run
from workshop.pages.shop_api import router as shop
from workshop.people.api import SignedIn
from workshop.people.api import router as people
from workshop.people.refusals import Refusal

log = logging.getLogger(__name__)
api = NinjaAPI(title="Half Thou", version="1", auth=SignedIn(), docs_url=None, openapi_url=None)
api.add_router("", people)
api.add_router("", pages)
api.add_router("", crank)
api.add_router("", shop)
api.add_router("", first_run)
api.add_router("/limits", limits)
api.add_router("/descriptions", descriptions)
api.add_router("/gauges", gauges)
api.add_router("", would_change)
api.add_router("/house-rules", house)
api.add_router("/live", live)
api.add_router("", door)
api.add_router("", evidence)
api.add_router("", strip)
api.add_router("", places)
api.add_router("", jobs)


@api.exception_handler(Refusal)
def refuse(request: HttpRequest, refusal: Refusal) -> HttpResponse:
    """A refusal in the user's words."""
    return api.create_response(request, refusal.body(), status=refusal.status)


@api.exception_handler(BadFile)
def refuse_file(request: HttpRequest, error: BadFile) -> HttpResponse:
    """A bad file is refused whole, every fault listed."""
    faults = [{"where": fault.where, "what": fault.what} for fault in error.faults]
    body = {"code": "bad-file", "message": "The file was refused. Nothing of it was taken.", "faults": faults}
    return api.create_response(request, body, status=422)


_DISK_FULL = ("full", "readonly", "read-only", "disk i/o", "unable to open", "malformed", "not a database")


@api.exception_handler(OperationalError)
@api.exception_handler(DatabaseError)
def say_disk(request: HttpRequest, error: DatabaseError) -> HttpResponse:
    """The database cannot be written or read: in words, for the person and for whoever runs the server."""
    log.error("the database refused: %s", error)
    if "locked" in str(error):
        words = "The server was busy writing for too long. Try again; nothing was lost."
    elif any(part in str(error).lower() for part in _DISK_FULL):
        words = "The server cannot write to its disk. Tell whoever runs it; what you typed is still here."
    else:
        words = "The server's data cannot be used just now. Tell whoever runs it; what you typed is still here."
    body = {"code": "no-disk", "message": words, "faults": []}
    return api.create_response(request, body, status=503)


#: What the system says where a file cannot be written for want of room, or at all.
_NO_ROOM = frozenset({errno.ENOSPC, errno.EDQUOT, errno.EROFS, errno.EIO, errno.EFBIG})


@api.exception_handler(OSError)
def say_no_room(request: HttpRequest, error: OSError) -> HttpResponse:
    """A file cannot be written: the disk is full, or cannot be used. What was sent is sent again later."""
    if error.errno not in _NO_ROOM:
        return say_fault(request, error)
    log.error("a file could not be written: %s", error)
    full = error.errno in (errno.ENOSPC, errno.EDQUOT)
    words = "The server's disk is full" if full else "The server cannot write to its disk"
    message = f"{words}: tell whoever runs it. What you sent waits here and is sent again."
    return api.create_response(request, {"code": "no-disk", "message": message, "faults": []}, status=503)


@api.exception_handler(MultiPartParserError)
@api.exception_handler(SuspiciousOperation)
@api.exception_handler(UnreadablePostError)
@api.exception_handler(LookupError)
def refuse_form(request: HttpRequest, error: Exception) -> HttpResponse:
    """A form with a file that is not built as one, or in letters that nobody knows."""
    if isinstance(error, LookupError) and not str(error).startswith("unknown encoding"):
        return say_fault(request, error)
    words = "What was sent cannot be read: it was cut short or changed on the way. Send it again."
    body = {"code": "not-understood", "message": words, "faults": []}
    return api.create_response(request, body, status=400)


@api.exception_handler(Exception)
def say_fault(request: HttpRequest, error: Exception) -> HttpResponse:
    """A fault of the program: its own words, never an empty page. It stands in the server's log."""
    log.exception("a request failed", exc_info=error)
    body = {"code": "fault", "message": "The program failed on this. Nothing of it was kept.", "faults": []}
    return api.create_response(request, body, status=500)


def _field_of(location: Sequence[int | str]) -> str:
    """The field as the page knows it: the body's own fields are named without the name of the parameter."""
    steps = [str(step) for step in location]
    named = steps[2:] if steps[:1] == ["body"] else steps[1:]
    return ".".join(named) or ".".join(steps)


@api.exception_handler(ValidationError)
def refuse_request(request: HttpRequest, error: ValidationError) -> HttpResponse:
    """A request that does not fit the API's own description."""
    faults = [{"where": _field_of(problem["loc"]), "what": in_plain_words(problem)} for problem in error.errors]
    body = {"code": "not-understood", "message": "Some of what was entered cannot be used.", "faults": faults}
    return api.create_response(request, body, status=422)
