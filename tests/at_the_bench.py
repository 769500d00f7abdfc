"""What a person does at the bench in the browser, for tests that do it often."""

from playwright.sync_api import Locator, Page


def choose_gauge(page: Page) -> Locator:
    """Open the folded line that says how things are set, and lay the hand on its gauge."""
    gauge = page.get_by_label("gauge", exact=True)
    if not gauge.is_visible():
        page.get_by_role("button", name="Change", exact=False).click()
    return gauge
