"""The event stream of one bench: lines of its gauge, ports plugged and pulled, its job changed elsewhere, who
else has it open and where."""

import asyncio
from collections.abc import AsyncIterator

from django.dispatch import receiver
from django.http import HttpRequest, HttpResponse, HttpResponseBase, StreamingHttpResponse

from workshop.live.hub import Listener, hub
from workshop.people.api import account_closed

HEARTBEAT_S = 10.0


@receiver(account_closed)
def _end_streams(person: int, **_: object) -> None:
    hub.close_person(person)


async def events(request: HttpRequest) -> HttpResponseBase:
    """Server-sent events for one open page."""
    person = await request.auser()
    if not person.is_authenticated:
        return HttpResponse(status=401)
    job = request.GET.get("job", "0")
    listener = Listener(
        bench=request.GET.get("bench", "")[:64],
        job=int(job) if job.isascii() and job.isdecimal() and len(job) < 18 else 0,
        person=person.pk,
        name=person.username,
        loop=asyncio.get_running_loop(),
        queue=asyncio.Queue(),
    )
    response = StreamingHttpResponse(_stream(listener), content_type="text/event-stream")
    response["Cache-Control"] = "no-cache"
    response["X-Accel-Buffering"] = "no"
    return response


async def _stream(listener: Listener) -> AsyncIterator[bytes]:
    hub.join(listener)
    try:
        yield b"event: hello\ndata: {}\n\n"
        while True:
            try:
                text = await asyncio.wait_for(listener.queue.get(), HEARTBEAT_S)
                if text is None:
                    return
                yield text.encode()
            except TimeoutError:
                yield b": still here\n\n"
    finally:
        hub.leave(listener)
