import io
import json
import math
import time
from unittest import mock

from django.core.files.uploadedfile import SimpleUploadedFile
from django.test import Client, TestCase, override_settings
from PIL import Image

from jindle_core.errors import BadInput
from jindle_core.line_art.svg import read_svg
from server.guarded import guarded
from server.settings import MIDDLEWARE
from server.tests.helpers import ApiTestCase, told_lines

SVG = '<svg xmlns="http://www.w3.org/2000/svg"><path d="{}"/></svg>'


def squares(count: int) -> bytes:
    """A drawing with one path of so many squares."""
    side = math.isqrt(count) + 1
    return SVG.format(
        "".join(f"M{10 * (n % side)} {10 * (n // side)}h8v8h-8z" for n in range(count))
    ).encode()


def spin(content: bytes) -> bytes:
    """Work that never ends by itself."""
    while True:
        time.monotonic()


def swell(content: bytes) -> int:
    """Work that wants more memory than it gets."""
    return len(bytearray(900 * 2**20))


class GuardedTests(TestCase):
    def test_what_it_gives_and_what_it_raises_come_back(self):
        self.assertEqual(len(guarded(read_svg, squares(4)).shapes), 1)
        with self.assertRaisesRegex(BadInput, "no well-formed SVG"):
            guarded(read_svg, b"<svg")

    def test_endless_and_swelling_work_is_stopped(self):
        for work in (spin, swell):
            with (
                self.subTest(work.__name__),
                self.assertRaisesRegex(BadInput, "too long, or too much memory"),
            ):
                guarded(work, b"", seconds=2)

    def test_nothing_of_it_is_waited_for_for_ever(self):
        with mock.patch("server.guarded._PATIENCE", 0.01), self.assertRaisesRegex(BadInput, "too long"):
            guarded(read_svg, squares(4))


class HostileTests(ApiTestCase):
    def upload(self, content):
        file = SimpleUploadedFile("x.svg", content, "image/svg+xml")
        return self.client.post("/api/drawings", {"name": "x", "file": file})

    def test_drawings_that_were_made_to_stop_a_worker(self):
        self.assertEqual(self.upload(squares(1000)).status_code, 201)
        arcs = "".join(f"M{n % 7} {n % 5}a9 9 0 1 0 {n % 11} {n % 3 + 1}z" for n in range(1500))
        for content, words in (
            (squares(4100), "4,100 rings"),
            (SVG.format("M0 5h90h-90z").encode(), "is flat"),
            (SVG.format(arcs).encode(), ""),
            (SVG.format("M0 0" + "l9 1" * 130_000 + "z").encode(), ""),
        ):
            answer = self.upload(content)
            self.assertIn(answer.status_code, (201, 400), answer.content[:200])
            if words:
                self.assertIn(words, answer.json()["message"])

    def test_pictures_are_opened_with_limits(self):
        content = io.BytesIO()
        Image.new("RGB", (6000, 6000)).save(content, "PNG")
        file = SimpleUploadedFile("x.png", content.getvalue(), "image/png")
        with mock.patch("server.pictures._MEGABYTES", 120):
            (*_, last) = told_lines(self.client.post("/api/papers/read", {"file": file, "white": "none"}))
        self.assertIn("too long, or too much memory", last["error"]["message"])

    def test_json_that_no_text_can_hold(self):
        card = self.full_card()
        path = f"/api/cards/{card['id']}/changes"
        half = '{"version": 4, "change": {"kind": "set_card", "name": "half \\ud83d"}}'
        deep = '{"version": 4, "change": ' + "[" * 90_000 + "]" * 90_000 + "}"
        for body in (half, deep, '{"version": 4, "change": NaN}', b"\xed\xa0\x80"):
            answer = self.client.post(path, body, content_type="application/json")
            self.assertEqual((answer.status_code, answer.json()["code"]), (400, "parse_error"), body[:60])
        whole = '{"version": 4, "change": {"kind": "set_card", "name": "whole \\ud83d\\ude00"}}'
        answer = self.client.post(path, whole, content_type="application/json")
        self.assertEqual(answer.json()["name"], "whole \U0001f600")

    def test_odd_digits_are_no_number(self):
        for other in ("²", "٣²", "9" * 60, "", "-1"):
            self.ask("get", f"ranges/{self.pads.pk}/compare", {"other": other}, 404)

    def test_the_door_asks_for_its_token(self):
        stranger = Client(enforce_csrf_checks=True)
        own = {"name": "Eve", "password": "long-enough-9"}
        for path, body in (("sign-up", own), ("sign-in", own), ("open-demo", {})):
            answer = stranger.post(f"/api/{path}", json.dumps(body), content_type="application/json")
            self.assertEqual((answer.status_code, answer.json()["code"]), (403, "permission_denied"), path)
        stranger.get("/sign-in")
        token = {"X-CSRFToken": stranger.cookies["csrftoken"].value}
        made = stranger.post("/api/sign-up", json.dumps(own), content_type="application/json", headers=token)
        self.assertEqual(made.status_code, 201)

    def test_a_password_of_spaces_is_none(self):
        self.client.logout()
        told = self.ask("post", "sign-up", {"name": "Eve", "password": " " * 12}, 400)
        self.assertIn("A password of spaces is none", told["message"])

    def test_the_clients_page_carries_the_content_policy_by_either_address(self):
        # The test server leaves WhiteNoise out; here it stands where it does in service.
        served = list(MIDDLEWARE)
        served.insert(
            served.index("csp.middleware.CSPMiddleware") + 1, "whitenoise.middleware.WhiteNoiseMiddleware"
        )
        with override_settings(MIDDLEWARE=served, WHITENOISE_USE_FINDERS=True, WHITENOISE_AUTOREFRESH=True):
            for path in ("/cards", "/static/app/index.html"):
                answer = Client().get(path)
                self.assertEqual(answer.status_code, 200)
                self.assertIn("default-src 'self'", answer["Content-Security-Policy"])
                self.assertIn(b"<script", b"".join(answer) if answer.streaming else answer.content)
