"""What the tests of the server share."""

import json

from django.test import TestCase

from jindle_core.interchange.range_csv import read_range
from server.accounts.models import Person
from server.archive.pack import pack
from server.catalogue.arrays import forget_catalogues
from server.catalogue.drawer_actions import set_owned
from server.catalogue.models import Colour, Range
from server.catalogue.range_actions import RangeDetails, store_range
from server.tests.answers import hold

PADS = "code,name,L,a,b,discontinued\nSKY-1,early sky,80,-5,-18,no\nSKY-2,late sky,55,-5,-35,no\nTAR-1,tar,20,0,0,no\nSKY-3,gone sky,79,-5,-19,yes\n"
CARDS = "name,L,a,b\nbread,88,3,12\nsoot,18,0,0\nmilk,95,0,3\n"


def make_range(owner, name="Pads", medium="dye ink pad", content=PADS, provenance="read") -> Range:
    return store_range(owner, RangeDetails(name, medium), read_range(content.encode(), None, provenance))


def told_lines(answer) -> list[dict]:
    """The lines of an answer that tells its progress."""
    assert answer.status_code == 200, answer.content[:400]
    return [json.loads(line) for line in b"".join(answer.streaming_content).splitlines()]


def packed(person):
    """A person's archive."""
    with pack(person) as archive:
        return archive.read()


class ApiTestCase(TestCase):
    """Two people, one shared range of pads and one of cardstock; `self.ask` asks as the first."""

    @classmethod
    def setUpTestData(cls):
        cls.pads = make_range(None)
        cls.stock = make_range(None, "Boards", "cardstock", CARDS)
        # They have switched the made-up devices on.
        cls.ann = Person.objects.create_user("Ann", "long-enough-9", stand_ins=True)
        cls.ben = Person.objects.create_user("Ben", "long-enough-9", stand_ins=True)
        cls.ids = {colour.key: colour.pk for colour in Colour.objects.all()}
        set_owned(cls.ann, [cls.ids["SKY-2"], cls.ids["soot"]], True)

    def setUp(self):
        forget_catalogues()
        self.client.force_login(self.ann)

    def ask(self, method, path, data=None, status=200):
        """The answer's JSON; the test fails where the status is another."""
        call = getattr(self.client, method)
        if method == "get":
            answer = call(f"/api/{path}", data)
        else:
            answer = call(f"/api/{path}", json.dumps(data), content_type="application/json")
        content = answer.getvalue()  # to its end, which closes what it was read from
        self.assertEqual(answer.status_code, status, content[:500])
        if answer.streaming or answer.get("Content-Type") != "application/json":
            return None
        told = answer.json() if answer.content else None
        hold(method, "/api/" + path.partition("?")[0], status, told)
        return told

    def new_card(self, name="Kingfisher"):
        size = {"width": "5 1/2", "height": "4 1/4", "unit": "in"}
        pk = self.ask("post", "cards", {"name": name, "size": size}, 201)["id"]
        return self.ask("get", f"cards/{pk}")

    def drawing_of(self, card):
        """What the list draws a card by, while there is no small picture of it."""
        (glance,) = self.ask("get", "cards/glances", {"ids": card["id"]})["cards"]
        return glance["drawing"]

    def change(self, card, status=200, **change):
        return self.ask(
            "post", f"cards/{card['id']}/changes", {"version": card["version"], "change": change}, status
        )

    def mends(self, card, check):
        """What would mend a check of a card."""
        found = {one["id"]: one["mends"] for one in self.ask("get", f"cards/{card['id']}/mends")}
        return found.get(check, [])

    def full_card(self):
        card = self.new_card()
        for key, name, role in (
            ("SKY-2", "pond", "lead"),
            ("SKY-1", "mist", "ground"),
            ("TAR-1", "slate", "dark"),
        ):
            card = self.change(
                card, kind="add_colour", anchor={"colour": self.ids[key]}, name=name, role=role
            )
        return card
