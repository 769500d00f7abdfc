"""Somebody who uses the real server by plain HTTP, without a browser."""

from __future__ import annotations

import http.client
import json
from collections.abc import Iterator
from typing import Any

from tests.serving import Server


class Visitor:
    """Somebody signed in, by plain HTTP."""

    def __init__(self, server: Server, name: str) -> None:
        self.server = server
        self.cookies: dict[str, str] = {}
        self.ask("GET", "/api/session")
        self.ask("POST", "/api/session", {"name": name, "password": f"{name}-half-thou"})

    def headers(self) -> dict[str, str]:
        return {
            "Cookie": "; ".join(f"{name}={value}" for name, value in self.cookies.items()),
            "X-CSRFToken": self.cookies.get("csrftoken", ""),
            "Content-Type": "application/json",
            "Origin": self.server.url,
        }

    def ask(self, method: str, path: str, body: Any = None, host: str = "") -> Any:
        line = http.client.HTTPConnection("127.0.0.1", self.server.port, timeout=10)
        named = {"Host": host, "Origin": f"http://{host}"} if host else {}
        line.request(method, path, None if body is None else json.dumps(body), {**self.headers(), **named})
        answer = line.getresponse()
        for header in answer.headers.get_all("Set-Cookie") or []:
            name, _, value = header.split(";")[0].partition("=")
            self.cookies[name] = value
        text = answer.read()
        line.close()
        assert answer.status == 200, text
        return json.loads(text)

    def listen(self, bench: str, job: int) -> Iterator[dict[str, Any]]:
        """The events of one bench, as they come."""
        line = http.client.HTTPConnection("127.0.0.1", self.server.port, timeout=15)
        line.request("GET", f"/api/live/events?open={bench}~{job}", headers=self.headers())
        answer = line.getresponse()
        assert answer.status == 200
        event = ""
        while True:
            text = answer.fp.readline().decode()
            if text.startswith("event: "):
                event = text[7:].strip()
            elif text.startswith("data: "):
                yield {"event": event, **json.loads(text[6:])}
