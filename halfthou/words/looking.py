"""What is still to be looked at."""

from __future__ import annotations

from collections.abc import Iterator


def look_first(unseen: tuple[str, ...]) -> Iterator[str]:
    """The looks without which a part does not go back; nothing where all are taken.

    Rule:    looks.first.
    """
    if unseen:
        yield f"Look first: {', '.join(unseen)}. The eye may reject it at once."
