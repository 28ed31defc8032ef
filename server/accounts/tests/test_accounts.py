import re

from django.core import mail
from django.test import override_settings

from server.accounts.actions import invite
from server.accounts.models import Invitation, Person
from server.cards.models import StoredCard
from server.catalogue.models import Range
from server.demo.studio import DEMO_NAME
from server.tests.helpers import ApiTestCase, make_range


class AccountTests(ApiTestCase):
    def setUp(self):
        self.client.logout()

    def test_up_out_in(self):
        given = {"name": "  Cat  of the\tquay ", "password": "tow-ropes-17"}
        self.assertEqual(self.ask("post", "sign-up", given, 201)["name"], "Cat of the quay")
        self.assertEqual(self.ask("get", "door")["person"]["units"], "in")
        self.ask("post", "sign-out", {}, 204)
        self.assertIsNone(self.ask("get", "door")["person"])
        self.ask("post", "sign-in", given)
        self.ask("get", "me")

    def test_by_invitation_once_each_or_not_at_all(self):
        code, given = invite(), {"name": "Cat", "password": "tow-ropes-17"}
        with override_settings(SIGN_UP="invitation"):
            self.assertEqual(self.ask("get", "door")["sign_up"], "invitation")
            for wrong in ("", "guessed", code[:-1]):
                told = self.ask("post", "sign-up", given | {"invitation": wrong}, 400)
                self.assertEqual(told["problems"][0]["field"], "invitation")
            # A name that is taken uses nothing up.
            self.ask("post", "sign-up", given | {"name": "Ann", "invitation": code}, 400)
            self.ask("post", "sign-up", given | {"invitation": f" {code} "}, 201)
            self.client.logout()
            self.ask("post", "sign-up", given | {"name": "Dee", "invitation": code}, 400)
        self.assertNotIn(code, str(Invitation.objects.values()))
        with override_settings(SIGN_UP="closed"):
            self.ask("post", "sign-up", given | {"name": "Dee"}, 400)

    def link(self):
        address = re.search(r"/new-password\?who=(\d+)&key=(\S+)", mail.outbox[-1].body)
        return {"who": int(address[1]), "key": address[2]}

    def test_a_forgotten_password_is_helped_with_by_mail(self):
        self.client.force_login(self.ann)
        self.ask("patch", "me", {"email": "ann@quay.example"})
        self.assertEqual(self.ask("get", "me")["email"], "ann@quay.example")
        self.client.logout()
        for name in ("Ann", "Ben", "Nobody"):  # the same answer, and one letter
            self.ask("post", "forgotten", {"name": name}, 204)
        self.ask("post", "forgotten", {"name": "Ann"}, 204)  # and none more for a while
        self.assertEqual([letter.to for letter in mail.outbox], [["ann@quay.example"]])
        link = self.link()
        self.ask("post", "new-password", link | {"password": "short"}, 400)
        self.ask("post", "new-password", link | {"key": "x-y", "password": "hawser-and-4"}, 400)
        self.ask("post", "new-password", link | {"who": self.ben.pk, "password": "hawser-and-4"}, 400)
        self.assertEqual(self.ask("post", "new-password", link | {"password": "hawser-and-4"})["name"], "Ann")
        self.ask("get", "me")
        told = self.ask("post", "new-password", link | {"password": "hawser-and-5"}, 400)
        self.assertIn("used already", told["message"])
        self.client.logout()
        self.ask("post", "sign-in", {"name": "Ann", "password": "hawser-and-4"})
        self.assertIn("The password of Ann was changed", mail.outbox[-1].body)

    def test_without_mail_nothing_is_sent(self):
        Person.objects.filter(pk=self.ann.pk).update(email="ann@quay.example")
        with override_settings(HAS_MAIL=False):
            self.assertFalse(self.ask("get", "door")["mail"])
            self.ask("post", "forgotten", {"name": "Ann"}, 204)
        self.assertEqual(mail.outbox, [])

    def test_signed_out_everywhere_else(self):
        other = self.client_class()
        for client in (self.client, other):
            client.force_login(self.ann)
        self.ask("post", "me/sign-out-elsewhere", {}, 204)
        self.ask("get", "me")
        self.assertEqual(other.get("/api/me").status_code, 401)
        self.ann.refresh_from_db()
        other.force_login(self.ann)
        self.assertEqual(other.get("/api/me").status_code, 200)
        self.ask("get", "me")

    def test_the_studio_of_everybody_takes_no_address(self):
        studio = Person.objects.create_user(DEMO_NAME)
        self.client.force_login(studio)
        self.ask("patch", "me", {"email": "somebody@quay.example"}, 400)
        self.ask("post", "me/sign-out-elsewhere", {}, 400)
        Person.objects.filter(pk=studio.pk).update(email="x@quay.example")
        self.ask("post", "forgotten", {"name": DEMO_NAME}, 204)
        self.assertEqual(mail.outbox, [])

    def test_names_that_read_alike_are_one(self):
        for name in ("ann", "Änn", " ANN "):
            told = self.ask("post", "sign-up", {"name": name, "password": "tow-ropes-17"}, 400)
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

    def test_too_many_wrong_passwords_shut_the_door_for_that_name_only(self):
        given = {"name": "Ann", "password": "wrong-wrong"}
        statuses = [self.client.post("/api/sign-in", given, "application/json").status_code for _ in range(7)]
        self.assertEqual(statuses, [400] * 5 + [429] * 2)
        told = self.ask("post", "sign-in", {"name": "Ann", "password": "long-enough-9"}, 429)
        self.assertEqual(told["code"], "too_many_tries")
        self.ask("post", "sign-in", {"name": "Ben", "password": "long-enough-9"})

    def test_change_the_password(self):
        self.client.force_login(self.ann)
        self.ask("post", "me/password", {"old": "wrong", "new": "tow-ropes-17"}, 400)
        self.ask("post", "me/password", {"old": "long-enough-9", "new": "short"}, 400)
        self.ask("post", "me/password", {"old": "long-enough-9", "new": "tow-ropes-17"}, 204)
        self.ask("get", "me")
        self.ask("post", "sign-out", {}, 204)
        self.ask("post", "sign-in", {"name": "Ann", "password": "long-enough-9"}, 400)
        self.ask("post", "sign-in", {"name": "Ann", "password": "tow-ropes-17"})

    def test_delete_everything_of_mine_and_nothing_of_anybody_elses(self):
        make_range(self.ann, "Ann's")
        kept = make_range(self.ben, "Ben's")
        self.client.force_login(self.ann)
        self.new_card()
        self.ask("post", "me/delete", {"password": "wrong"}, 400)
        self.ask("post", "me/delete", {"password": "long-enough-9"}, 204)
        self.ask("get", "me", status=401)
        self.assertFalse(Person.objects.filter(name="Ann").exists())
        self.assertEqual(StoredCard.objects.count(), 0)
        self.assertEqual(list(Range.objects.filter(owner__isnull=False)), [kept])

    def test_the_demo_studio_cannot_be_deleted_or_locked_away(self):
        self.client.force_login(Person.objects.create_user(DEMO_NAME))
        for path, data in (("delete", {"password": "x"}), ("password", {"old": "x", "new": "tow-ropes-17"})):
            self.assertIn("everybody's", self.ask("post", f"me/{path}", data, 400)["message"])
