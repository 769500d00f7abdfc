"""Whole requests in, whole answers out: a client that sends or reads slowly holds no worker.

uvicorn speaks HTTP; Django's requests run in a2wsgi's threads. Between them stands this: a request is gathered,
within a size and a time, before a thread is asked; its answer is taken from the thread whole and then sent, within
a time. The event stream never ends and is not gathered; a gauge bridge's lines are gathered as all else is.
"""

from __future__ import annotations

import asyncio
import json
from typing import Any

from uvicorn.protocols.http.httptools_impl import HttpToolsProtocol

#: What a body may be, at the most: a whole job with 20,000 readings is under 15 MB.
MOST_BODY = 20_000_000
#: What one bridge parcel may be, at the most.
MOST_LINES = 2_000_000
BRIDGE = "/api/live/bridge/"
#: A whole job with its pictures is larger than anything else, and takes longer to come.
MOST_PACKED, PACKED, PACKED_S = 310_000_000, "/api/jobs/import.zip", 180.0
#: In these times a body must have come, an answer must have been read, a new connection must have asked something.
BODY_S, ANSWER_S, SILENT_S = 20.0, 30.0, 20.0


class TooMuch(Exception):
    """The body is larger than it may be, or did not come in time."""

    def __init__(self, status: int, code: str, words: str) -> None:
        super().__init__(words)
        self.status, self.code, self.words = status, code, words


class Whole:
    """An ASGI application whose requests and answers pass whole."""

    def __init__(self, app: Any) -> None:
        self._app = app

    async def __call__(self, scope: Any, receive: Any, send: Any) -> None:
        """Gather the request, run it, send the answer."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        try:
            body = await _gathered(scope, receive)
        except TooMuch as refused:
            await _refuse(send, refused)
            return
        if body is None:
            return
        answer: list[Any] = []
        given = iter([{"type": "http.request", "body": body, "more_body": False}])

        async def whole_body() -> Any:
            return next(given, {"type": "http.disconnect"})

        async def keep(message: Any) -> None:
            answer.append(message)

        await self._app(scope, whole_body, keep)
        try:
            async with asyncio.timeout(ANSWER_S):
                for message in answer:
                    await send(message)
        except TimeoutError:
            # Nobody reads: uvicorn closes the connection when the answer is left unfinished.
            return


async def _gathered(scope: Any, receive: Any) -> bytes | None:
    """The whole body; None where the client went away. Refuses: TooMuch."""
    most = MOST_LINES if scope["path"].startswith(BRIDGE) else MOST_BODY
    seconds = BODY_S
    if scope["path"] == PACKED:
        most, seconds = MOST_PACKED, PACKED_S
    told = dict(scope["headers"]).get(b"content-length", b"0")
    if told.isdigit() and len(told) < 20 and int(told) > most:
        raise TooMuch(413, "too-large", f"That is more than {most // 1_000_000} MB: it was not taken in.")
    parts: list[bytes] = []
    length = 0
    try:
        async with asyncio.timeout(seconds):
            while True:
                message = await receive()
                if message["type"] == "http.disconnect":
                    return None
                parts.append(message.get("body", b""))
                length += len(parts[-1])
                if length > most:
                    words = f"That is more than {most // 1_000_000} MB: it was not taken in."
                    raise TooMuch(413, "too-large", words)
                if not message.get("more_body"):
                    return b"".join(parts)
    except TimeoutError:
        raise TooMuch(408, "too-slow", "The request did not come whole in time. Send it again.") from None


async def _refuse(send: Any, refused: TooMuch) -> None:
    body = json.dumps({"code": refused.code, "message": refused.words, "faults": []}).encode()
    headers = [
        (b"content-type", b"application/json"),
        (b"content-length", str(len(body)).encode()),
        (b"connection", b"close"),
    ]
    await send({"type": "http.response.start", "status": refused.status, "headers": headers})
    await send({"type": "http.response.body", "body": body})


class PromptProtocol(HttpToolsProtocol):
    """HTTP as uvicorn speaks it, but a connection that asks nothing whole in time is closed."""

    def connection_made(self, transport: Any) -> None:
        """Start the clock with the connection."""
        super().connection_made(transport)
        self._silent = self.loop.call_later(SILENT_S, self._close_silent)

    def on_headers_complete(self) -> None:
        """A request's head has come whole: the clock stops."""
        self._silent.cancel()
        super().on_headers_complete()

    def connection_lost(self, exc: Exception | None) -> None:
        """The clock goes with the connection."""
        self._silent.cancel()
        super().connection_lost(exc)

    def _close_silent(self) -> None:
        if not self.transport.is_closing():
            self.transport.close()
