"""Whole requests in, whole answers out: a client that sends or reads slowly holds no worker.

uvicorn speaks HTTP; Django's requests run in a2wsgi's threads. Between them stands this: a request is gathered
(`gathering.py`) before a thread is asked; its answer is taken from the thread whole and then sent, within a time.
The event stream never ends and is not gathered; a gauge bridge's lines are gathered as all else is.
"""

from __future__ import annotations

import asyncio
import json
from typing import Any

from workshop.config.connections import address_of, shares
from workshop.config.gathering import Body, Room, TooMuch, gathered

#: In this time an answer must have been read.
ANSWER_S = 30.0
#: What is too large is heard out for so long and so far: who sends it hears the refusal only then.
LINGER_S, LINGER = 20.0, 1_000_000_000


class Whole:
    """An ASGI application whose requests and answers pass whole."""

    def __init__(self, app: Any, room: Room | None = None) -> None:
        self._app = app
        self.room = room or Room()

    async def __call__(self, scope: Any, receive: Any, send: Any) -> None:
        """Gather the request, run it, send the answer."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        with shares.of(scope) as has_room:
            try:
                if not has_room:
                    raise TooMuch(
                        503, "busy", "Too much is asked from this address at once. Try again in a minute."
                    )
                body = await gathered(scope, receive, self.room)
                if body is not None:
                    await self._answer(scope, body, send)
            except TooMuch as refused:
                await _refuse(receive, send, refused)

    async def _answer(self, scope: Any, body: Body, send: Any) -> None:
        answer: list[Any] = []
        pieces = body.pieces()

        async def whole_body() -> Any:
            for piece, more in pieces:
                return {"type": "http.request", "body": piece, "more_body": more}
            return {"type": "http.disconnect"}

        async def keep(message: Any) -> None:
            answer.append(message)

        try:
            await self._app(scope, whole_body, keep)
        finally:
            body.close()
        address = address_of(scope)
        size = sum(len(message.get("body", b"")) for message in answer)
        self.room.take(address, size)
        try:
            async with asyncio.timeout(ANSWER_S):
                for message in answer:
                    await send(message)
        except TimeoutError:
            # Nobody reads: uvicorn closes the connection when the answer is left unfinished.
            return
        finally:
            self.room.give_back(address, size)


async def _refuse(receive: Any, send: Any, refused: TooMuch) -> None:
    body = json.dumps({"code": refused.code, "message": refused.words, "faults": []}).encode()
    headers = [
        (b"content-type", b"application/json"),
        (b"content-length", str(len(body)).encode()),
        (b"connection", b"close"),
    ]
    await send({"type": "http.response.start", "status": refused.status, "headers": headers})
    await send({"type": "http.response.body", "body": body, "more_body": True})
    await _hear_out(receive)
    await send({"type": "http.response.body", "body": b""})


async def _hear_out(receive: Any) -> None:
    """Let what is still coming pass by unkept: a connection closed under a sender takes the answer with it."""
    heard = 0
    try:
        async with asyncio.timeout(LINGER_S):
            while heard < LINGER:
                message = await receive()
                heard += len(message.get("body", b""))
                if message["type"] == "http.disconnect" or not message.get("more_body"):
                    return
    except TimeoutError:
        return
