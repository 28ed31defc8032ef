from django.test import override_settings

from server.accounts.actions import DEMO_NAME
from server.accounts.models import Person
from server.tests.helpers import ApiTestCase


class AccountTests(ApiTestCase):
    def setUp(self):
        self.client.logout()

    def test_up_out_in(self):
        given = {"name": "  Cat  of the\tquay ", "password": "tow-rope-17"}
        self.assertEqual(self.ask("post", "sign-up", given, 201)["name"], "Cat of the quay")
        self.assertEqual(self.ask("get", "door")["person"]["units"], "in")
        self.ask("post", "sign-out", {}, 204)
        self.assertIsNone(self.ask("get", "door")["person"])
        self.ask("post", "sign-in", given)
        self.ask("get", "me")

    def test_names_that_read_alike_are_one(self):
        for name in ("ann", "Änn", " ANN "):
            told = self.ask("post", "sign-up", {"name": name, "password": "tow-rope-17"}, 400)
            self.assertEqual(told["problems"][0]["field"], "name")

    def test_weak_passwords_say_why(self):
        for password in ("short", "123456789012", "password123"):
            told = self.ask("post", "sign-up", {"name": "Dee", "password": password}, 400)
            self.assertEqual(told["problems"][0]["field"], "password")
        self.assertFalse(Person.objects.filter(name="Dee").exists())

    def test_wrong_name_and_wrong_password_sound_the_same(self):
        answers = [
            self.ask("post", "sign-in", {"name": name, "password": "wrong-wrong"}, 400)
            for name in ("Ann", "Nobody")
        ]
        self.assertEqual(*answers)

    def test_the_demo_studio_opens_in_demo_mode_only(self):
        studio = Person.objects.create_user(DEMO_NAME)
        self.assertFalse(studio.has_usable_password())
        with override_settings(DEMO=False):
            self.assertFalse(self.ask("get", "door")["demo"])
            self.ask("post", "open-demo", {}, 404)
        with override_settings(DEMO=True):
            self.assertEqual(self.ask("post", "open-demo", {})["name"], DEMO_NAME)

    def test_settings_are_checked(self):
        self.client.force_login(self.ann)
        self.assertEqual(self.ask("patch", "me", {"surround": "mid"})["surround"], "mid")
        self.ask("patch", "me", {"units": "furlongs"}, 400)
        self.assertEqual(self.ask("patch", "me", {"name": "Other"})["name"], "Ann")
