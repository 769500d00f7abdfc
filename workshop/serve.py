"""The server itself: uvicorn, one process, with limits on what a client may send and how long it may take.

python -m workshop.serve --host 127.0.0.1 --port 8000
"""

from __future__ import annotations

import argparse
import os
import sys

import django
import uvicorn

from workshop.config.connections import PromptProtocol, raise_file_limit


def main() -> None:
    """Serve until stopped."""
    os.environ.setdefault("DJANGO_SETTINGS_MODULE", "workshop.config.settings")
    parser = argparse.ArgumentParser(prog="workshop.serve", description="Serve the workshop.")
    parser.add_argument("--host", default="127.0.0.1")
    parser.add_argument("--port", type=int, default=8000)
    asked = parser.parse_args()
    PromptProtocol.most = raise_file_limit()
    django.setup()
    from workshop.record.before_serving import NotReady, ready_to_serve  # noqa: PLC0415 - after Django is set up

    try:
        held = ready_to_serve()
    except NotReady as error:
        sys.exit(str(error))
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
    held.close()


if __name__ == "__main__":
    main()
