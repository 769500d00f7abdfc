"""The workshop's server as the bridge sees it: plain HTTP over one kept connection."""

from __future__ import annotations

import http.client
import json
from typing import Any
from urllib.parse import urlsplit


class ServerAway(OSError):
    """The server does not answer, or does not know this bridge."""


class Server:
    """One connection to the server. Not shared between threads."""

    def __init__(self, url: str, key: str) -> None:
        parts = urlsplit(url)
        self._host, self._port = parts.hostname or "127.0.0.1", parts.port or 80
        self._headers = {"X-Bridge-Key": key, "Content-Type": "application/json"}
        self._kept: http.client.HTTPConnection | None = None

    def ports(self) -> list[dict[str, str]]:
        """The gauges to listen to: gauge, name, port."""
        found: list[dict[str, str]] = self._ask("GET", "/api/live/bridge/ports", None)
        return found

    def lines(self, gauge: str, lines: list[tuple[bytes, int]], dropped: int, *, broken: bool = False) -> None:
        """Hand lines over, each with its age in milliseconds; `broken` ones ended with the plug pulled."""
        body = [{"raw": raw.hex(), "age_ms": age, "broken": broken} for raw, age in lines]
        self._ask("POST", "/api/live/bridge/lines", {"gauge": gauge, "lines": body, "dropped": dropped})

    def state(self, gauge: str, port: str, words: str, *, connected: bool) -> None:
        """Tell that a port was plugged in or pulled."""
        body = {"gauge": gauge, "port": port, "connected": connected, "words": words}
        self._ask("POST", "/api/live/bridge/state", body)

    def _ask(self, method: str, path: str, body: object) -> Any:
        try:
            kept = self._kept or http.client.HTTPConnection(self._host, self._port, timeout=5)
            self._kept = kept
            kept.request(method, path, None if body is None else json.dumps(body), self._headers)
            answer = kept.getresponse()
            text = answer.read()
        except (OSError, http.client.HTTPException) as error:
            self.close()
            raise ServerAway(str(error)) from error
        if answer.status != 200:
            raise ServerAway(f"{path} answered {answer.status}")
        return json.loads(text)

    def close(self) -> None:
        """Let the connection go; the next question opens another."""
        if self._kept is not None:
            self._kept.close()
            self._kept = None
