"""The server itself: uvicorn, one process, with limits on what a client may send and how long it may take.

python -m workshop.serve --host 127.0.0.1 --port 8000
"""

from __future__ import annotations

import argparse
import os

import uvicorn

from workshop.config.connections import PromptProtocol, raise_file_limit


def main() -> None:
    """Serve until stopped."""
    parser = argparse.ArgumentParser(prog="workshop.serve", description="Serve the workshop.")
    parser.add_argument("--host", default="127.0.0.1")
    parser.add_argument("--port", type=int, default=8000)
    asked = parser.parse_args()
    PromptProtocol.most = raise_file_limit()
    proxy = os.environ.get("TRUSTED_PROXY", "")
    uvicorn.run(
        "workshop.config.asgi:application",
        host=asked.host,
        port=asked.port,
        lifespan="off",
        access_log=False,
        http=PromptProtocol,
        timeout_keep_alive=10,
        timeout_graceful_shutdown=3,
        proxy_headers=bool(proxy),
        forwarded_allow_ips=proxy or None,
    )


if __name__ == "__main__":
    main()
