"""Person × action: who gets what at every address."""

import re
from datetime import date
from pathlib import Path

import yaml
from django.contrib.auth.models import AnonymousUser
from django.db import transaction
from rest_framework.exceptions import PermissionDenied

from jindle_core.line_art.drawing import LineDrawing
from jindle_core.media.medium import Medium
from jindle_core.palettes.moods import MOODS
from jindle_core.stored import plain
from jindle_core.training.question import AskedColour, Exercise, Option, Question
from server.access import cards_of
from server.cards.models import CardWork, StoredCard
from server.catalogue.arrays import forget_catalogues
from server.catalogue.drawer_actions import set_owned
from server.catalogue.reading_actions import Laid, Value, add_readings
from server.colouring.actions import store_drawing
from server.colouring.models import KeptFamily
from server.palettes.models import Combination
from server.palettes.moods import keep_mood
from server.papers.actions import Named, store_paper
from server.papers.models import Paper
from server.recipes.actions import share
from server.records.models import RecordPhoto
from server.sets.actions import make_set
from server.shelf.api import KINDS
from server.tests.helpers import ApiTestCase, make_range
from server.training.models import TrainingSheet
from server.urls import api

SCHEMA = Path(__file__).resolve().parent.parent / "schema.yml"
NOBODY, OWNER, OTHER = "nobody", "owner", "other"
SIZE = {"width": "5", "height": "7", "unit": "in"}

# address, method, what is sent, and the status for nobody, the owner, somebody else.
TABLE = (
    ("door", "get", None, 200, 200, 200),
    ("me", "get", None, 401, 200, 200),
    ("me", "patch", {"units": "mm"}, 401, 200, 200),
    ("sign-out", "post", {}, 401, 204, 204),
    ("find", "get", {"q": "SECRET"}, 401, 200, 200),
    ("drawer", "post", {"colours": ["{colour}"], "owned": True}, 401, 200, 400),
    ("ranges", "get", None, 401, 200, 200),
    ("ranges", "post", {"name": "x", "medium": "gel pen"}, 401, 201, 201),
    ("ranges/preview", "post", {}, 401, 415, 415),
    ("ranges/away", "post", {"ranges": ["{shared}"], "away": True}, 401, 200, 200),
    ("ranges/away", "post", {"ranges": ["{range}"], "away": True}, 401, 400, 400),
    ("examples", "get", None, 401, 200, 200),
    ("examples", "post", {"name": "none"}, 401, 400, 400),
    ("ranges/import", "post", {}, 401, 415, 415),
    ("like", "get", {"colour": "{colour}"}, 401, 200, 400),
    ("shopping/asked", "post", {"colours": ["{colour}"]}, 401, 204, 400),
    ("drawer", "get", None, 401, 200, 200),
    ("drawer", "put", {"colours": ["{colour}"], "entries": []}, 401, 204, 400),
    ("shopping/asked", "get", None, 401, 200, 200),
    ("cards/deleted", "get", None, 401, 200, 200),
    ("cards/{card}/hole", "get", {"key": 1, "column": "pad"}, 401, 200, 404),
    ("cards/{card}/put-by", "post", {"away": True}, 401, 204, 404),
    ("cards/deleted/{card}", "post", {}, 401, 404, 404),
    ("cards/deleted/{card}", "delete", None, 401, 404, 404),
    ("drawer/list", "post", {"text": "x", "range": "{range}"}, 401, 200, 404),
    ("drawer/file", "get", None, 401, 200, 200),
    ("drawer/file", "post", {}, 401, 415, 415),
    ("drawer/chart", "get", None, 401, 200, 200),
    ("shopping", "get", None, 401, 200, 200),
    ("me/sign-out-elsewhere", "post", {}, 401, 204, 204),
    ("me/room", "get", None, 401, 200, 200),
    ("strip", "get", None, 401, 200, 200),
    ("strip", "put", {"colours": ["{colour}"]}, 401, 200, 400),
    ("strip/sheet", "get", None, 401, 400, 400),
    ("sureness", "get", None, 401, 200, 200),
    ("sureness/sheet", "get", None, 401, 200, 200),
    ("shopping/file", "get", None, 401, 200, 200),
    ("colours/{colour}/instead", "get", None, 401, 200, 404),
    ("colours/{colour}/readings", "get", None, 401, 200, 404),
    ("colours/{colour}/readings", "post", {"value": "40, 30, 20"}, 401, 201, 404),
    ("readings/{reading}", "delete", None, 401, 204, 404),
    ("reader", "get", None, 401, 200, 200),
    ("reader/calibrate", "post", {}, 401, 200, 200),
    ("reader/recharge", "post", {}, 401, 200, 200),
    ("reader/read", "post", {"colour": "{colour}"}, 401, 200, 404),
    ("families/convert", "post", {"colours": ["{colour}", "{shared_colour}"], "range": "{shared}"}, 401, 200, 400),
    ("families/convert", "post", {"colours": ["{shared_colour}"], "range": "{range}"}, 401, 400, 404),
    ("ranges/deleted", "get", None, 401, 200, 200),
    ("ranges/deleted/{range}", "post", {}, 401, 404, 404),
    ("ranges/deleted/{range}", "delete", None, 401, 404, 404),
    ("ranges/{range}", "get", None, 401, 200, 404),
    ("ranges/{shared}", "get", None, 401, 200, 200),
    ("ranges/{range}/dots", "get", None, 401, 200, 404),
    ("ranges/{shared}/dots", "get", None, 401, 200, 200),
    ("ranges/{range}/uses", "get", None, 401, 200, 404),
    ("ranges/{shared}/uses", "get", None, 401, 403, 403),
    ("ranges/{range}/changes", "get", None, 401, 200, 404),
    ("ranges/{range}/changes", "post", {"version": 1}, 401, 200, 404),
    ("ranges/{shared}/changes", "post", {"version": 1}, 401, 403, 403),
    ("ranges/{range}/compare", "get", {"other": "{shared}"}, 401, 200, 404),
    ("ranges/{shared}/compare", "get", {"other": "{range}"}, 401, 200, 404),
    ("ranges/{range}/readings", "get", None, 401, 200, 404),
    ("ranges/{range}/readings", "post", {}, 401, 415, 404),
    ("ranges/{range}/chart", "get", None, 401, 200, 404),
    ("ranges/{range}/file/csv", "get", None, 401, 200, 404),
    ("cards/{card}/move", "post", {"ranges": ["{shared}"]}, 401, 200, 404),
    ("cards/{card}/follow", "post", {"key": 1, "value": "#112233"}, 401, 200, 404),
    ("cards/{card}/uses", "get", None, 401, 200, 404),
    ("cards/{card}/instead", "get", {"source": "supply", "id": "{shared_colour}"}, 401, 200, 404),
    ("cards/glances", "get", {"ids": "{card}"}, 401, 200, 200),
    ("cards/{card}/picture", "get", None, 401, 404, 404),
    ("cards/{card}/picture", "post", {}, 401, 415, 415),
    ("places", "post", {"old": "{colour}", "new": "{shared_colour}"}, 401, 200, 400),
    ("stencils", "post", {}, 401, 415, 415),
    ("cards/{card}/copy", "post", {"name": "x"}, 401, 201, 404),
    ("papers", "get", None, 401, 200, 200),
    ("papers", "post", {}, 401, 415, 415),
    ("papers/read", "post", {}, 401, 415, 415),
    ("papers/{paper}", "get", None, 401, 200, 404),
    ("papers/{paper}/picture", "get", None, 401, 200, 404),
    ("papers/{paper}/start", "post", {"name": "x", "size": SIZE, "colours": ["{sheet_colour}"]}, 401, 201, 404),
    ("papers/{paper}", "patch", {"width": "12 in"}, 401, 200, 404),
    ("papers/{shared_paper}", "patch", {"width": "12 in"}, 401, 403, 403),
    ("outlines", "post", {}, 401, 415, 415),
    ("drawings/scan", "post", {}, 401, 415, 415),
    ("drawings/scanned", "post", {}, 401, 415, 415),
    ("papers/{shared_paper}", "delete", None, 401, 403, 403),
    ("papers/{paper}/put-by", "post", {"away": True}, 401, 204, 404),
    ("papers/{shared_paper}/put-by", "post", {"away": True}, 401, 403, 403),
    ("papers/deleted", "get", None, 401, 200, 200),
    ("papers/deleted/{paper}", "post", {}, 401, 404, 404),
    ("drawings/deleted", "get", None, 401, 200, 200),
    ("drawings/{drawing}/put-by", "post", {"away": True}, 401, 204, 404),
    ("drawings/deleted/{drawing}", "delete", None, 401, 404, 404),
    ("papers/{paper}", "delete", None, 401, 204, 404),
    ("palettes/rules", "get", {"colour": "{colour}"}, 401, 200, 400),
    ("palettes/drawer", "get", None, 401, 200, 200),
    ("palettes/combinations", "get", None, 401, 200, 200),
    ("palettes/combinations", "post", {"name": "x", "card": "{card}"}, 401, 201, 404),
    ("palettes/combinations/{combination}", "delete", None, 401, 204, 404),
    ("palettes/combinations/{shared_combination}", "delete", None, 401, 403, 403),
    ("palettes/start", "post", {"name": "x", "size": SIZE, "colours": [{"anchor": {"colour": "{colour}"}, "role": "lead"}]}, 401, 201, 400),
    ("cards/{card}/colouring", "get", None, 401, 200, 404),
    ("cards/{card}/colouring/papers", "get", None, 401, 200, 404),
    ("cards/{card}/colouring/propose", "post", {"version": "{version}"}, 401, 400, 404),
    ("cards/{card}/areas/1/families", "get", None, 401, 400, 404),
    ("cards/{card}/build", "get", None, 401, 200, 404),
    ("cards/{card}/build/layouts", "get", None, 401, 200, 404),
    ("cards/{card}/build/pieces/9/instead", "get", None, 401, 400, 404),
    ("cards/{card}/build/inside", "get", None, 401, 200, 404),
    ("cards/{card}/build/cutting", "get", {"width": "12", "height": "12", "unit": "in"}, 401, 200, 404),
    ("cards/{card}/build/cutting/sheet", "get", {"width": "12", "height": "12", "unit": "in"}, 401, 200, 404),
    ("cards/{card}/plan", "get", None, 401, 200, 404),
    ("cards/{card}/plan", "patch", {"version": 0, "cards": 2}, 401, 200, 404),
    ("cards/{card}/plan/presses", "post", {"version": 0, "press": "done", "key": "base"}, 401, 400, 404),
    ("cards/{card}/plan/anew", "post", {"version": 0}, 401, 200, 404),
    ("cards/{card}/plan/instead", "post", {"version": 2, "of": "x", "was": "{shared_colour}", "taken": "{shared_colour}"}, 401, 409, 404),
    ("pace", "delete", None, 401, 204, 204),
    ("cards/{card}/recipe", "get", None, 401, 200, 404),
    ("cards/{card}/records", "post", {"version": 0, "made": "2026-05-06"}, 401, 201, 404),
    ("records", "get", None, 401, 200, 200),
    ("records/export", "get", {"kind": "csv"}, 401, 200, 200),
    ("records/supplies", "get", None, 401, 200, 200),
    ("records/{record}", "get", None, 401, 200, 404),
    ("records/{record}", "put", {"version": 1, "made": "2026-05-06", "instead": []}, 401, 200, 404),
    ("records/{record}/picture", "get", None, 401, 404, 404),
    ("records/{record}/recipe", "get", None, 401, 200, 404),
    ("records/{record}/photos", "post", {}, 401, 415, 415),
    ("records/{record}/photos/{photo}", "get", None, 401, 200, 404),
    ("records/{record}/photos/{photo}", "delete", None, 401, 200, 404),
    ("records/{record}", "delete", None, 401, 204, 404),
    ("cards/{card}/ground", "get", None, 401, 200, 404),
    ("cards/{card}/ground/rainbows", "get", None, 401, 200, 404),
    ("cards/{card}/ground/make", "get", None, 401, 200, 404),
    ("cards/{card}/ground/joins/{join}/ways", "get", None, 401, 400, 404),
    ("drawings", "get", None, 401, 200, 200),
    ("drawings", "post", {}, 401, 415, 415),
    ("drawings/{shared_drawing}", "delete", None, 401, 403, 403),
    ("drawings/{drawing}", "delete", None, 401, 204, 404),
    ("families/kept", "get", None, 401, 200, 200),
    ("families/kept", "post", {"name": "x", "colours": ["{colour}"]}, 401, 400, 400),
    ("families/kept/sheet", "get", None, 401, 200, 200),
    ("families/kept/{family}", "delete", None, 401, 204, 404),
    ("camera", "get", None, 401, 200, 200),
    ("camera/chart", "post", {"range": "{range}", "light": "shade"}, 401, 200, 404),
    ("swatches/read", "post", {}, 401, 415, 415),
    ("swatches/keep", "post", {"readings": [{"colour": "{colour}", "lab": [40, 30, 20]}]}, 401, 201, 400),
    ("camera/photograph", "post", {"paper": "{paper}", "light": "shade"}, 401, 404, 404),
    ("cards/{card}/papers", "get", None, 401, 200, 404),
    ("me/archive", "get", None, 401, 200, 200),
    ("me/archive", "post", {}, 401, 415, 415),
    ("me/archive/followed", "post", {}, 401, 415, 415),
    ("me/address", "post", {"email": "", "password": "wrong"}, 401, 400, 400),
    ("me/password", "post", {"old": "wrong", "new": "x"}, 401, 400, 400),
    ("me/delete", "post", {"password": "wrong"}, 401, 400, 400),
    ("ranges/{shared}", "delete", None, 401, 403, 403),
    ("ranges/{range}", "delete", None, 401, 204, 404),
    ("cards/{card}/recipe/file", "get", None, 401, 200, 404),
    ("cards/{card}/link", "get", None, 401, 200, 404),
    ("cards/{card}/link", "post", {}, 401, 201, 404),
    ("records/{record}/recipe/file", "get", None, 401, 200, 404),
    ("records/{record}/link", "get", None, 401, 200, 404),
    ("records/{record}/link", "post", {}, 401, 201, 404),
    ("links", "get", None, 401, 200, 200),
    ("links/{link}", "delete", None, 401, 204, 404),
    ("shared/{token}", "get", None, 200, 200, 200),
    ("shared/{token}/sheet", "get", None, 200, 200, 200),
    ("shared/{token}/file", "get", None, 200, 200, 200),
    ("recipes", "post", {}, 401, 415, 415),
    ("which", "post", {}, 401, 415, 415),
    ("cards/{card}/colourways", "get", None, 401, 200, 404),
    ("cards/{card}/colourways", "post", {}, 401, 200, 404),
    ("cards/{card}/colourways/take", "post", {"scheme": "turned-hues", "turn": 90, "name": "x"}, 401, 400, 404),
    ("palettes/moods", "get", None, 401, 200, 200),
    ("palettes/moods", "post", {"title": "x", "hues": [{"middle": 30, "reach": 5}], "lightness": [20, 90], "chroma": [0, 0.1], "keep": True}, 401, 201, 201),
    ("palettes/moods/{mood}", "delete", None, 401, 204, 404),
    ("sets", "get", None, 401, 200, 200),
    ("sets", "post", {"name": "x", "cards": [{"card": "{card}"}]}, 401, 201, 400),
    ("sets/{set}", "get", None, 401, 200, 404),
    ("sets/{set}", "patch", {"version": 1, "name": "y"}, 401, 200, 404),
    ("sets/{set}/carry", "post", {"cards": [{"card": "{card}", "version": 1}]}, 401, 400, 404),
    ("sets/{set}/cutting", "get", {"width": "12", "height": "12", "unit": "in"}, 401, 200, 404),
    ("sets/{set}/cutting/sheet", "get", {"width": "12", "height": "12", "unit": "in"}, 401, 200, 404),
    ("sets/{set}/sheet", "get", None, 401, 200, 404),
    ("sets/{set}/plan", "get", None, 401, 200, 404),
    ("sets/{set}/plan", "patch", {"version": 0, "evening": 60}, 401, 200, 404),
    ("sets/{set}/plan/presses", "post", {"version": 0, "press": "done", "key": "base"}, 401, 400, 404),
    ("sets/{set}/plan/anew", "post", {"version": 0}, 401, 200, 404),
    ("sets/{set}/records", "post", {"version": 0, "made": "2026-05-06"}, 401, 201, 404),
    ("sets/{set}", "delete", None, 401, 204, 404),
    ("training", "get", None, 401, 200, 200),
    ("training", "delete", None, 401, 204, 204),
    ("training/question", "post", {"exercise": "lighter-or-darker", "owned": False}, 401, 200, 200),
    ("training/question", "post", {"owned": False, "card": "{card}"}, 401, 200, 404),
    ("training/answers", "get", None, 401, 200, 200),
    ("training/answers", "post", {"token": "x", "places": [0]}, 401, 400, 400),
    ("training/progress", "get", None, 401, 200, 200),
    ("training/sheets", "get", None, 401, 200, 200),
    ("training/sheets", "post", {"exercise": "missing-tone"}, 401, 400, 400),
    ("training/sheets/{page}", "get", None, 401, 200, 404),
    ("training/sheets/{page}", "delete", None, 401, 204, 404),
    ("training/sheets/{page}/photo", "post", {}, 401, 415, 404),
    ("camera/training/{page}", "post", {"light": "daylight"}, 401, 200, 404),
    ("records/years/2026", "get", None, 401, 200, 404),
    ("recipes/cards", "post", {}, 401, 415, 415),
    ("cards", "get", None, 401, 200, 200),
    ("cards", "post", {"name": "x", "size": SIZE}, 401, 201, 201),
    ("cards/{card}", "get", None, 401, 200, 404),
    ("cards/{card}/adding", "get", {"value": "#112233"}, 401, 200, 404),
    ("cards/{card}/states", "get", None, 401, 200, 404),
    ("cards/{card}/states", "post", {"version": "{version}", "number": 1}, 401, 200, 404),
    ("cards/{card}/file", "get", None, 401, 200, 404),
    ("cards/{card}/mends", "get", None, 401, 200, 404),
    ("cards/{card}/alternatives", "get", {"key": 1, "column": "pad"}, 401, 200, 404),
    ("cards/{card}/changes", "post", {"version": "{version}", "change": {"kind": "set_card", "name": "y"}}, 401, 200, 404),
    ("cards/{card}/undo", "post", {"version": "{version}"}, 401, 200, 404),
    ("cards/{card}/redo", "post", {"version": "{version}"}, 401, 400, 404),
    ("cards/{card}", "delete", None, 401, 204, 404),
)  # fmt: skip


class AccessTests(ApiTestCase):
    def setUp(self):
        super().setUp()
        self.own = make_range(self.ann, "Ann's own", content="code,L,a,b\nSECRET-1,40,30,20\n")
        card = self.full_card()
        colour = self.own.colours.get()
        laid, value = Laid(date(2026, 1, 1)), Value((40, 30, 20), "read")
        (reading,) = add_readings(self.ann, [(colour, value)], laid)
        sheet = Named((50.0, 0.0, 0.0), 1.0, "all of it")
        paper = store_paper(
            self.ann, "Hers", f"Sheet {Paper.objects.count()}", b"picture", [sheet], "photographed"
        )
        shared = Paper.objects.create(
            range=self.stock, title=f"Shared {Paper.objects.count()}", picture=b"", mime="image/png"
        )
        stored = [{"name": "x", "role": "lead", "lab": [50, 0, 0], "provenance": "typed"}]
        hers, everybodys = (
            Combination.objects.create(owner=owner, name="x", stored=stored) for owner in (self.ann, None)
        )
        blank = LineDrawing(10, 10, (), ())
        drawn, shared_drawn = (store_drawing(owner, "x", blank) for owner in (self.ann, None))
        family = KeptFamily.objects.create(owner=self.ann, name="x", colours=[])
        told = self.ask("post", f"cards/{card['id']}/records", {"version": 0, "made": "2026-05-06"}, 201)
        photo = RecordPhoto.objects.create(record_id=told["id"], picture=b"photo")
        CardWork.objects.all().delete()
        link = share(self.ann, StoredCard.objects.get(pk=card["id"]))
        of = make_set(self.ann, "Hers", {card["id"]: 1})
        mood = keep_mood(self.ann, MOODS[0])
        page = TrainingSheet.objects.create(
            owner=self.ann,
            exercise="lighter-or-darker",
            sheet="a4",
            number=1234,
            questions=[
                plain(
                    Question(
                        Exercise.LIGHTER,
                        tuple(
                            Option(
                                lab[0], 0.5, (AskedColour(None, "x", "y", Medium.GEL_PEN, "read", lab, 0.5),)
                            )
                            for lab in ((90.0, 0.0, 0.0), (60.0, 0.0, 0.0), (30.0, 0.0, 0.0))
                        ),
                    )
                )
            ],
        )
        self.names = {"set": of.pk, "page": page.pk, "mood": mood.pk, "link": link.pk, "token": link.token, "record": told["id"], "photo": photo.pk, "drawing": drawn.pk, "shared_drawing": shared_drawn.pk, "family": family.pk, "combination": hers.pk, "shared_combination": everybodys.pk, "paper": paper.pk, "shared_paper": shared.pk, "sheet_colour": paper.range.colours.last().pk, "reading": reading.pk, "shared_colour": self.ids["SKY-2"], "range": self.own.pk, "shared": self.pads.pk, "card": card["id"],
                      "version": card["version"], "join": 0, "colour": self.own.colours.get().pk}  # fmt: skip

    def _fill(self, value):
        if isinstance(value, dict):
            return {key: self._fill(one) for key, one in value.items()}
        if isinstance(value, list):
            return [self._fill(one) for one in value]
        if isinstance(value, str) and value.startswith("{"):
            return self.names[value[1:-1]]
        return value

    def _sign_in(self, who):
        self.client.logout()
        if who is not NOBODY:
            self.client.force_login(self.ann if who is OWNER else self.ben)

    def test_the_schema_names_what_is_answered(self):
        paths = yaml.safe_load(SCHEMA.read_text())["paths"]
        patterns = [(re.compile(re.sub(r"\{\w+\}", "[^/]+", path[5:])), path) for path in paths]
        for path, method, _, *statuses in TABLE:
            address = path.format(**self.names)
            # A plain address before one with a number in it.
            found = min((p for r, p in patterns if r.fullmatch(address) and method in paths[p]), key=len)
            self.assertLessEqual(set(map(str, statuses)), set(paths[found][method]["responses"]), path)

    def test_what_no_view_is_asked_is_told_in_the_same_way(self):
        told = self.client.post("/api/ranges/away", {f"x{at}": "1" for at in range(300)})
        self.assertEqual((told.status_code, told.json()["code"]), (400, "bad_request"))

    def test_every_address_for_everybody(self):
        for path, method, data, *statuses in TABLE:
            before = transaction.savepoint()
            for who, status in zip(
                (NOBODY, OTHER, OWNER), (statuses[0], statuses[2], statuses[1]), strict=True
            ):
                with self.subTest(path=path, method=method, who=who):
                    self._sign_in(who)
                    told = self.ask(method, path.format(**self.names), self._fill(data), status)
                    if status >= 400:
                        self.assertEqual(set(told), {"code", "message", "problems"})
            # The next finds it all as it was; what was held of it since is of things that never were.
            transaction.savepoint_rollback(before)
            if method != "get":
                forget_catalogues()

    def test_no_address_is_left_out(self):
        opened = {
            "sign-up",
            "sign-in",
            "open-demo",
            "health",
            "metrics",
            "forgotten",
            "new-password",
        }  # tried in test_accounts, test_watched
        whole = dict.fromkeys(
            (
                "range",
                "shared",
                "card",
                "colour",
                "reading",
                "paper",
                "shared_paper",
                "combination",
                "shared_combination",
                "drawing",
                "shared_drawing",
                "family",
                "join",
                "record",
                "photo",
                "link",
                "set",
                "mood",
                "page",
            ),
            "<int:pk>",
        )
        whole["token"] = "<str:token>"
        tried = {
            path.format(**whole).replace("/csv", "/<str:kind>").replace("/2026", "/<int:year>")
            for path, *_ in TABLE
        }
        tried = {path.replace("areas/1/", "areas/<int:key>/") for path in tried}
        tried = {path.replace("pieces/9/", "pieces/<int:key>/") for path in tried}
        tried = {path.replace("photos/<int:pk>", "photos/<int:photo>") for path in tried}
        tried = {path.replace("joins/<int:pk>/", "joins/<int:at>/") for path in tried}
        there = {str(one.pattern) for one in api}
        kinds = {one for one in there if "<shelved:kind>" in one}
        every = {one.replace("<shelved:kind>", kind) for one in kinds for kind in KINDS}
        self.assertEqual((there - kinds) | every, tried | opened)

    def test_nobody_sees_another_persons_supplies(self):
        set_owned(self.ann, [self.names["colour"]], True)
        self._sign_in(OTHER)
        self.assertEqual(self.ask("get", "find", {"q": "SECRET"})["colours"], [])
        self.assertNotIn(self.own.pk, [one["id"] for one in self.ask("get", "ranges")])
        self.assertEqual(sum(one["owned"] for one in self.ask("get", "ranges")), 0)
        card = self.new_card()
        secret = {"colour": self.names["colour"]}
        self.change(card, 400, kind="add_colour", anchor=secret, name="x", role="lead")
        card = self.change(card, kind="add_colour", anchor={"value": "40, 30, 20"}, name="x", role="lead")
        self.change(card, 400, kind="choose", key=1, column="pad", colour=self.names["colour"])
        end = {"source": "supply", "id": self.names["colour"]}
        self.change(card, 400, kind="add_pair", pair_kind="mat", upper=end, lower={"source": "white"})
        self.assertNotIn(b"SECRET", self.client.get(f"/api/cards/{card['id']}").content)

    def test_no_person_never_passes(self):
        with self.assertRaises(PermissionDenied):
            cards_of(AnonymousUser())

    def test_unknown_addresses(self):
        for path in ("nothing", "cards/999999999", "ranges/0", "cards/x"):
            self.assertEqual(self.ask("get", path, status=404)["code"], "not_found")
