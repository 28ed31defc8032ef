"""A headless Chromium that looks nowhere but at this machine."""

from contextlib import contextmanager
from typing import Any

from playwright.sync_api import Browser, BrowserContext, Page, sync_playwright

SIZE = {"width": 1280, "height": 800}
_FLAGS = [
    "--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
    "--disable-component-update", "--disable-sync", "--no-proxy-server",
    "--host-resolver-rules=MAP * ~NOTFOUND, EXCLUDE localhost, EXCLUDE 127.0.0.1",
]  # fmt: skip


@contextmanager
def chromium():
    """Debian's Chromium, for as long as the block lasts."""
    with sync_playwright() as playwright:
        browser = playwright.chromium.launch(executable_path="/usr/bin/chromium", args=_FLAGS)
        try:
            yield browser
        finally:
            browser.close()


def new_context(browser: Browser, **told: Any) -> BrowserContext:
    """A new visitor, for whom nothing moves that need not move."""
    usual = {"viewport": SIZE, "reduced_motion": "reduce", "service_workers": "block"}
    return browser.new_context(**(usual | told))


def new_page(browser: Browser) -> Page:
    """A page of a new visitor, that waits 15 s for anything."""
    page = new_context(browser).new_page()
    page.set_default_timeout(15_000)
    return page
