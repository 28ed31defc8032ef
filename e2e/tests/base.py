"""What the browser tests share: the demo data, a page, and words for what a person does."""

import io
import os
import threading
from typing import Any

from django.conf import settings
from django.contrib.staticfiles.testing import StaticLiveServerTestCase
from django.core.management import call_command
from django.core.signals import request_finished, request_started
from django.db import connection
from django.test import Client
from playwright.sync_api import BrowserContext, Page, expect

from e2e.browser import chromium, new_context
from jindle_core.card.changes.build import RemovePiece, SetBuild
from jindle_core.layers.pieces import WHITE_END
from jindle_core.media.groups import COLUMNS
from server.cards.actions import change_card
from server.cards.glances import glances
from server.cards.models import StoredCard
from server.catalogue.arrays import catalogue_for, forget_catalogues

# Playwright's synchronous side runs a loop in this thread, which Django takes for asynchronous code.
os.environ["DJANGO_ALLOW_ASYNC_UNSAFE"] = "true"
# The one patience of every expectation and every press: a busy machine is no fault.
PATIENCE = 45_000  # ms
expect.set_options(timeout=PATIENCE)
COLUMN_TITLES = [column.title for column in COLUMNS]
BESIDE = "beside_"
SETTLES = 5  # seconds
AXE = (settings.ROOT / "web" / "node_modules" / "axe-core" / "axe.min.js").read_text()


class InFlight:
    """Counts the requests that the live server is answering."""

    def __init__(self) -> None:
        self._count, self._changed = 0, threading.Condition()
        request_started.connect(self._begun, weak=False)
        request_finished.connect(self._ended, weak=False)

    def _begun(self, **told: object) -> None:
        with self._changed:
            self._count += 1

    def _ended(self, **told: object) -> None:
        with self._changed:
            self._count -= 1
            self._changed.notify_all()

    def settle(self) -> None:
        """Wait until all are answered; one that was cut off may never say so."""
        with self._changed:
            self._changed.wait_for(lambda: self._count <= 0, SETTLES)
            self._count = 0


IN_FLIGHT = InFlight()
_held_with_it: dict = {}  # what the server holds of the demo's supplies, as they are loaded


_columns: dict[str, str] = {}  # of the tables that the demo fills


def load_demo() -> None:
    """The demo data: worked out once in a process, then copied from beside the tables that every test empties."""
    with connection.cursor() as cursor:
        if not _columns:
            forget_catalogues()
            call_command("load_demo", stdout=io.StringIO())
            cards = StoredCard.objects.all()
            glances(cards[0].owner, [one.pk for one in cards])  # how each stands in the list is kept with it
            for one in connection.introspection.django_table_names(only_existing=True):
                _keep(cursor, one)
            _held_with_it.update(forget_catalogues())
        else:
            with connection.constraint_checks_disabled():
                for one, columns in _columns.items():
                    # The rows that are not there yet.
                    cursor.execute(
                        f"INSERT IGNORE INTO {one} ({columns}) SELECT {columns} FROM {BESIDE}{one}"
                    )
    forget_catalogues(_held_with_it)


def _keep(cursor, table: str) -> None:
    """A table's rows beside it, if it has any; what the database works out itself it works out again."""
    cursor.execute(
        "SELECT column_name FROM information_schema.columns WHERE table_schema = DATABASE()"
        " AND table_name = %s AND is_generated = 'NEVER'",
        [table],
    )
    columns = ", ".join(f"`{name}`" for (name,) in cursor.fetchall())
    cursor.execute(f"CREATE TABLE {BESIDE}{table} LIKE {table}")
    if cursor.execute(f"INSERT INTO {BESIDE}{table} ({columns}) SELECT {columns} FROM {table}"):
        _columns[table] = columns


class BrowserTestCase(StaticLiveServerTestCase):
    """A live server with the demo data and a page that must never report an error."""

    @classmethod
    def setUpClass(cls):
        super().setUpClass()
        opened = chromium()
        cls.browser = opened.__enter__()
        cls.addClassCleanup(opened.__exit__, None, None, None)
        cls.context = new_context(cls.browser)

    def setUp(self):
        load_demo()
        self.errors: list[str] = []
        self.requests: list[str] = []
        self.page = self.page_of(self.context)
        self.addCleanup(self.leave)

    def leave(self) -> None:
        """The browser keeps the application's own files for the next test, and nothing that this one stored."""
        for page in self.context.pages[1:]:
            page.close()
        last = self.context.pages[0]
        last.goto("about:blank")
        everything = {"origin": self.live_server_url, "storageTypes": "all"}
        self.context.new_cdp_session(last).send("Storage.clearDataForOrigin", everything)
        last.close()
        self.context.clear_cookies()
        # The next test has rows of the same ids: nothing that this one asked for may come later.
        IN_FLIGHT.settle()
        self.assertEqual(self.errors, [])

    def page_of(self, context: BrowserContext) -> Page:
        page = context.new_page()
        page.set_default_timeout(PATIENCE)
        page.on("pageerror", lambda error: self.errors.append(str(error)))
        page.on("request", lambda request: self.requests.append(request.url))
        return page

    def visitor(self, **told: Any) -> Page:
        """A page of somebody else, or of another device."""
        context = new_context(self.browser, **told)
        self.addCleanup(context.close)
        return self.page_of(context)

    def go(self, path: str) -> None:
        self.page.goto(self.live_server_url + path)

    def come_in(self, path: str) -> None:
        """As who came in by the demo's door."""
        client = Client()
        client.force_login(StoredCard.objects.all()[0].owner)
        session = client.cookies[settings.SESSION_COOKIE_NAME]
        told = {"name": session.key, "value": session.value, "url": self.live_server_url}
        self.page.context.add_cookies([told])
        self.go(path)

    def open_demo(self) -> None:
        """Where who came in by the demo's door is led."""
        self.come_in("/cards")
        self.heading("Cards")

    def open_stage_of(self, name: str, stage: str) -> None:
        """A stage of one of the studio's cards."""
        card = next(one for one in StoredCard.objects.all() if one.stored["name"].startswith(name))
        self.come_in(f"/cards/{card.pk}/{stage}")

    def open_palette_of(self, name: str) -> None:
        """The palette of one of the studio's cards."""
        self.open_stage_of(name, "palette")
        expect(self.grid).to_be_visible()

    def take_apart(self, name: str) -> None:
        """The studio's card as it was before anything was built."""
        card = next(one for one in StoredCard.objects.all() if one.stored["name"].startswith(name))
        supplies = catalogue_for(card.owner)
        for piece in card.value.build.every:
            change_card(card, card.version, RemovePiece(piece.key), supplies)
            card.refresh_from_db()
        change_card(card, card.version, SetBuild({"base": WHITE_END}), supplies)

    def open_card(self, name: str) -> None:
        self.page.get_by_role("link", name=name).click()
        expect(self.grid).to_be_visible()

    @property
    def grid(self):
        return self.page.get_by_role("grid")

    def row(self, place: int):
        return self.grid.get_by_role("row").nth(place)

    def cell(self, place: int, column: str):
        """A cell of the table by its row and its column's title."""
        return self.row(place).get_by_role("gridcell").nth(COLUMN_TITLES.index(column))

    def heading(self, name: str) -> None:
        expect(self.page.get_by_role("heading", name=name, exact=True)).to_be_visible()

    def button(self, name: str, exact: bool = False):
        return self.page.get_by_role("button", name=name, exact=exact)

    def dialog(self):
        return self.page.get_by_role("dialog")

    def choose(self, label: str, option: str) -> None:
        """Choose from a list by its label."""
        self.page.get_by_role("button", name=label).click()
        self.page.get_by_role("option", name=option, exact=True).click()

    def add_colour(self, typed: str, name: str, role: str) -> None:
        """Find a colour as a person would, and take the first that is offered."""
        self.button("Add a colour").first.click()
        self.choose("Role:", role)
        self.page.get_by_label("Your name for it").fill(name)
        self.page.get_by_role("combobox", name="Find a colour").fill(typed)
        strip = self.page.locator("[data-colour]")
        there = strip.count()
        self.page.get_by_role("option").first.click()
        asked = self.button("Add it and change that")
        expect(asked.or_(strip.nth(there))).to_be_visible()
        if asked.is_visible():
            asked.click()
        expect(self.dialog()).to_have_count(0)

    def check_axe_in_every_surround(self) -> None:
        """No finding in light, mid or dark, of which the stylesheet reads its greys (surrounds.test.ts)."""
        for surround, rules in (("mid", ["color-contrast"]), ("dark", ["color-contrast"]), ("light", None)):
            self.page.evaluate(f"document.documentElement.dataset.surround = '{surround}'")
            self.check_axe(rules=rules)

    def check_axe(self, page: Page | None = None, rules: list[str] | None = None) -> None:
        """No finding of axe on a page as it stands: the test's own, or another visitor's; by all rules or some."""
        page = page or self.page
        if not page.evaluate("'axe' in window"):
            page.evaluate(AXE)
        only = {"runOnly": rules} if rules else {}
        found = page.evaluate("told => axe.run(document, told)", {"resultTypes": ["violations"], **only})
        told = [(one["id"], [node["html"][:160] for node in one["nodes"][:3]]) for one in found["violations"]]
        self.assertEqual(told, [], page.url)
