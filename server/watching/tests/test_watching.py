import json
import logging
import os
import subprocess
import sys
from unittest import mock

from django.conf import settings
from django.db import InterfaceError, OperationalError, connection
from django.db.migrations.recorder import MigrationRecorder
from django.test import TestCase, override_settings

from server.accounts.models import Person
from server.watching.lines import Lines

_NO_SOCKET, _WENT, _WAITED = (
    OperationalError(2002, "no"),
    OperationalError(2013, "lost"),
    OperationalError(1205, "x"),
)


class WatchedTestCase(TestCase):
    @classmethod
    def setUpTestData(cls):
        cls.ann = Person.objects.create_user("Ann", "long-enough-9")

    def setUp(self):
        self.client.raise_request_exception = False


class AwayTests(WatchedTestCase):
    def answer(self, error, at="server.accounts.api.person_told"):
        self.client.force_login(self.ann)
        with mock.patch(at, side_effect=error):
            return self.client.get("/api/me")

    def test_a_database_that_is_away_is_told_as_such(self):
        for error, code in (
            (_NO_SOCKET, "away"),
            (_WAITED, "away"),
            (_WENT, "lost_midway"),
            (InterfaceError(0, ""), "lost_midway"),
        ):
            with self.subTest(error):
                answer = self.answer(error)
                self.assertEqual((answer.status_code, answer.json()["code"]), (503, code))
                self.assertEqual(answer["Retry-After"], "2")
        answer = self.answer(OperationalError(1054, "no such column"))
        self.assertEqual((answer.status_code, answer.json()["code"]), (500, "server_error"))

    def test_a_full_disk_is_told_and_not_tried_again(self):
        for number in (1021, 1114):
            answer = self.answer(OperationalError(number, "full"))
            self.assertEqual((answer.status_code, answer.json()["code"]), (507, "no_room"))
            self.assertNotIn("Retry-After", answer)

    def test_also_before_any_view_is_reached(self):
        answer = self.answer(_NO_SOCKET, "axes.middleware.AxesMiddleware.__call__")
        self.assertEqual((answer.status_code, answer.json()["code"]), (503, "away"))


class HealthTests(WatchedTestCase):
    def test_what_is_somebodys_stays_on_no_device(self):
        self.client.force_login(self.ann)
        self.assertEqual(self.client.get("/api/me")["Cache-Control"], "no-store")

    def test_it_says_what_is_up(self):
        answer = self.client.get("/api/health")
        self.assertEqual(answer.json(), {"up": True, "database": True, "migrations": True, "disk": True})
        for what, patched in (
            ("database", mock.patch("server.watching.health.connection.cursor", side_effect=_NO_SOCKET)),
            ("migrations", mock.patch("server.watching.health._migrated", return_value=False)),
            ("disk", mock.patch("shutil.disk_usage", return_value=mock.Mock(free=1000))),
        ):
            with self.subTest(what), patched:
                answer = self.client.get("/api/health")
                told = answer.json()
                self.assertEqual((answer.status_code, told["up"], told[what]), (503, False, False))

    def test_tables_of_a_newer_version_are_none_of_this_one(self):
        self.assertTrue(self.client.get("/api/health").json()["migrations"])
        MigrationRecorder(connection).record_applied("cards", "9999_of_a_later_day")
        self.assertFalse(self.client.get("/api/health").json()["migrations"])


class LineTests(WatchedTestCase):
    def line(self, path, **headers):
        with self.assertLogs("jindle.request", "INFO") as told:
            answer = self.client.get(path, headers=headers)
        (record,) = told.records
        return answer, json.loads(Lines().format(record))

    def test_one_line_a_request_with_its_number_and_nothing_personal(self):
        self.client.force_login(self.ann)
        answer, line = self.line("/api/cards/777?name=Ann")
        self.assertEqual((line["status"], line["method"], line["route"]), (404, "GET", "/api/cards/<int:pk>"))
        self.assertEqual(line["request"], answer["X-Request-Id"])
        self.assertNotIn("Ann", json.dumps(line))
        self.assertNotIn("777", line["route"])

    def test_only_a_proxy_gives_numbers(self):
        given = {"X-Request-Id": "from-outside-1"}
        self.assertNotEqual(self.line("/api/me", **given)[1]["request"], "from-outside-1")
        with override_settings(BEHIND_PROXY=True):
            self.assertEqual(self.line("/api/me", **given)[1]["request"], "from-outside-1")
            self.assertNotIn("\n", self.line("/api/me", **{"X-Request-Id": "two lines or so"})[1]["request"])

    def test_what_is_slow_is_told(self):
        with override_settings(SLOW=0.0):
            line = self.line("/api/me")[1]
        self.assertEqual((line["slow"], line["level"]), (True, "WARNING"))

    def test_what_broke_is_told_with_where(self):
        try:
            raise ValueError("two\nlines")
        except ValueError:
            record = logging.LogRecord("x", logging.ERROR, "", 1, "it broke", None, sys.exc_info())
        told = Lines().format(record)
        self.assertEqual(len(told.splitlines()), 1)
        self.assertIn("test_watching.py", json.loads(told)["trace"])


class FigureTests(WatchedTestCase):
    def test_they_are_for_who_knows_the_token(self):
        self.assertEqual(self.client.get("/api/metrics").status_code, 404)
        with override_settings(METRICS_TOKEN="very-secret"):
            self.assertEqual(self.client.get("/api/metrics").status_code, 404)
            wrong = self.client.get("/api/metrics", headers={"Authorization": "Bearer no"})
            self.assertEqual(wrong.status_code, 404)
            self.client.get("/api/me")
            told = self.client.get("/api/metrics", headers={"Authorization": "Bearer very-secret"})
        self.assertIn(
            'jindle_requests_total{method="GET",route="/api/me",status="401"}', told.content.decode()
        )


class ProxiedTests(WatchedTestCase):
    def tries(self, address):
        body = {"name": "Ann", "password": "wrong"}
        how = {"headers": {"X-Forwarded-For": f"9.9.9.9, {address}"}}
        return [
            self.client.post("/api/sign-in", body, "application/json", **how).status_code for _ in range(7)
        ][-1]

    @override_settings(BEHIND_PROXY=True)
    def test_six_wrong_passwords_of_one_do_not_lock_out_another(self):
        self.assertEqual(self.tries("10.1.1.1"), 429)
        right = {"name": "Ann", "password": "long-enough-9"}
        for address, status in (("10.1.1.1", 429), ("10.1.1.2", 200)):
            how = {"headers": {"X-Forwarded-For": address}}
            self.assertEqual(
                self.client.post("/api/sign-in", right, "application/json", **how).status_code, status
            )

    def test_without_a_proxy_nobody_names_themselves(self):
        self.assertEqual(self.tries("10.1.1.1"), 429)
        right = {"name": "Ann", "password": "long-enough-9"}
        how = {"headers": {"X-Forwarded-For": "10.1.1.2"}}
        self.assertEqual(self.client.post("/api/sign-in", right, "application/json", **how).status_code, 429)


class LiveTests(TestCase):
    def test_the_checks_for_going_live_find_nothing(self):
        env = os.environ | {"JINDLE_MODE": "live", "JINDLE_HTTPS": "yes", "JINDLE_PROXY": "yes"}
        env.pop("DJANGO_ALLOW_ASYNC_UNSAFE", None)  # the browser's tests set it for themselves
        command = [sys.executable, "manage.py", "check", "--deploy", "--fail-level", "WARNING"]
        done = subprocess.run(command, cwd=settings.ROOT, env=env, capture_output=True, text=True)
        self.assertEqual(done.returncode, 0, done.stderr)
        names = "from server import settings as s; print(s.SESSION_COOKIE_NAME, s.CSRF_COOKIE_NAME)"
        told = subprocess.run(
            [sys.executable, "-c", names], cwd=settings.ROOT, env=env, capture_output=True, text=True
        )
        self.assertEqual(told.stdout.split(), ["__Host-sessionid", "__Host-csrftoken"])
