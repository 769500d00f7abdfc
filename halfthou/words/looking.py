"""What is still to be looked at, and which limit is still to be found."""

from __future__ import annotations

from collections.abc import Iterator


def look_first(unseen: tuple[str, ...]) -> Iterator[str]:
    """The looks without which a part does not go back; nothing where all are taken.

    Rule:    looks.first.
    """
    if unseen:
        yield f"Look first: {', '.join(unseen)}. The eye may reject it at once."


def limit_wanted(names: tuple[str, ...]) -> Iterator[str]:
    """What is read or has to be judged, and has no limit; nothing where there is none.

    Rule:    verdicts.no-limit.
    """
    if names:
        yield f"No limit on the sheet for {', '.join(names)}: find it, or take the reading back."


def not_judged(names: tuple[str, ...]) -> str:
    """What could be read and is not judged, said once; "" where there is nothing.

    Rule:    verdicts.no-limit.
    """
    return f"Not judged, no limit on the sheet: {', '.join(names)}." if names else ""
