"""What a person does at the bench in the browser, for tests that do it often."""

from playwright.sync_api import Locator, Page, expect


def choose_gauge(page: Page) -> Locator:
    """Open the folded line that says how things are set, and lay the hand on its gauge."""
    gauge = page.get_by_label("gauge", exact=True)
    if not gauge.is_visible():
        page.get_by_role("button", name="Change", exact=False).click()
    return gauge


def looks_sound(page: Page) -> None:
    """Say by one key that eye and nail find nothing on the part in hand."""
    button = page.get_by_role("button", name="Looks sound")
    expect(button).to_be_visible()
    page.keyboard.press("Alt+s")
    expect(button).to_have_count(0)
