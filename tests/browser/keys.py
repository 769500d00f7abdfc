"""A hand that uses keys alone: it presses, types, and goes by Tab to what is named; every key is counted."""

from __future__ import annotations

import re
from dataclasses import dataclass, field

from playwright.sync_api import Page

#: What a reader would say of what has the focus.
NAME = """() => { const one = document.activeElement; if (!one || one === document.body) return "";
  const labels = [...(one.labels ?? [])].map((label) => label.innerText).join(" ");
  const by = one.getAttribute("aria-labelledby");
  const named = by ? document.getElementById(by)?.innerText ?? "" : "";
  return (one.getAttribute("aria-label") || named || labels || one.innerText || one.placeholder || "").trim(); }"""


@dataclass
class Hand:
    """Keys on one page. `chapters` are how many keys each part of the way took."""

    page: Page
    keys: int = 0
    chapters: dict[str, int] = field(default_factory=dict)

    def press(self, *names: str) -> None:
        """Press keys one after the other."""
        for name in names:
            self.page.keyboard.press(name)
            self.keys += 1

    def type(self, text: str) -> None:
        """Type text, a key a character."""
        self.page.keyboard.type(text)
        self.keys += len(text)

    def name(self) -> str:
        """What has the focus, as a reader would say it."""
        return str(self.page.evaluate(NAME))

    def to(self, name: str, most: int = 150, *, back: bool = False) -> None:
        """Go by Tab to what is so named."""
        seen = []
        for _ in range(most):
            now = self.name()
            if re.search(name, now, re.IGNORECASE):
                return
            seen.append(now[:30])
            self.press("Shift+Tab" if back else "Tab")
            self.page.wait_for_timeout(5)
        raise AssertionError(f"no way by Tab to {name!r}: {seen}")

    def fill(self, name: str, text: str, *, back: bool = False) -> None:
        """Go to a field and type over what is in it."""
        self.to(name, back=back)
        self.press("Control+a")
        self.type(text)

    def choose(self, name: str, starts: str) -> None:
        """Go to a list and choose by the first letters."""
        self.to(name)
        self.type(starts)

    def ends(self, chapter: str) -> None:
        """A part of the way is done: keep how many keys it took."""
        self.chapters[chapter] = self.keys - sum(self.chapters.values())
