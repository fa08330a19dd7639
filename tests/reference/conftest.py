"""The browser, as a reference."""

from tests.browser.conftest import browser, downloads

__all__ = ["browser", "downloads"]
