"""The event stream of a browser: lines of its gauges, ports plugged and pulled, its jobs changed elsewhere, who
else has them open and where.

One a browser serves all its tabs. It speaks ASGI itself: an open page costs a task, no thread and no connection to
the database.
"""

from __future__ import annotations

import asyncio
from typing import Any
from urllib.parse import parse_qsl

from django.dispatch import receiver

from workshop.config.connections import shares
from workshop.config.senders import sender_of
from workshop.live.hub import Listener, hub
from workshop.people.api import streams_end
from workshop.people.models import Person

HEARTBEAT_S = 10.0
#: In this time a browser must have taken what it was sent.
TAKEN_S = 30.0
#: So many pages one browser's stream may serve, and so much may wait for it.
MOST_PAGES, MOST_WAITING = 60, 500
_HEADERS = [
    (b"content-type", b"text/event-stream"),
    (b"cache-control", b"no-cache, no-store"),
    (b"x-accel-buffering", b"no"),
    (b"x-content-type-options", b"nosniff"),
]


@receiver(streams_end)
def _end_streams(person: int, **_: object) -> None:
    hub.close_person(person)


async def events(scope: Any, receive: Any, send: Any) -> None:
    """Server-sent events for the open pages of one browser, each named `open=BENCH~JOB`."""
    with shares.of(scope) as has_room:
        person = await sender_of(scope) if has_room else None
        if person is None:
            status = 401 if has_room else 503
            await send({"type": "http.response.start", "status": status, "headers": [(b"content-length", b"0")]})
            await send({"type": "http.response.body", "body": b""})
        else:
            await _stream(person, scope, receive, send)


async def _stream(person: Person, scope: Any, receive: Any, send: Any) -> None:
    queue: asyncio.Queue[str | None] = asyncio.Queue(MOST_WAITING)
    listeners = [
        Listener(bench, job, asyncio.get_running_loop(), queue, person=person.pk, name=person.username)
        for bench, job in pages_of(scope["query_string"])
    ]
    gone = asyncio.create_task(_until_gone(receive, queue))
    for one in listeners:
        hub.join(one)
    try:
        async with asyncio.timeout(TAKEN_S):
            await send({"type": "http.response.start", "status": 200, "headers": _HEADERS})
        await _send_all(queue, send)
    except TimeoutError:
        # Nobody reads any more: the stream is left, and uvicorn closes the connection.
        return
    finally:
        gone.cancel()
        for one in listeners:
            hub.leave(one)


def pages_of(query: bytes) -> list[tuple[str, int]]:
    """The pages that a stream serves: each by its bench's name and its job; 0 where that is none.

    >>> pages_of(b"open=a~7&open=b~x")
    [('a', 7), ('b', 0)]
    """
    named = [value for name, value in parse_qsl(query.decode("latin1")) if name == "open"][:MOST_PAGES]
    found = []
    for one in named or ["~"]:
        bench, _, job = one.rpartition("~")
        found.append((bench[:64], int(job) if job.isascii() and job.isdecimal() and len(job) < 18 else 0))
    return found


async def _until_gone(receive: Any, queue: asyncio.Queue[str | None]) -> None:
    while (await receive())["type"] != "http.disconnect":
        pass
    if queue.full():
        queue.get_nowait()
    queue.put_nowait(None)


async def _send_all(queue: asyncio.Queue[str | None], send: Any) -> None:
    text: str | None = "event: hello\ndata: {}\n\n"
    while text is not None:
        async with asyncio.timeout(TAKEN_S):
            await send({"type": "http.response.body", "body": text.encode(), "more_body": True})
        try:
            text = await asyncio.wait_for(queue.get(), HEARTBEAT_S)
        except TimeoutError:
            text = ": still here\n\n"
    await send({"type": "http.response.body", "body": b""})
