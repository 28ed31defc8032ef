import re
import threading
from unittest import mock

from django.core import mail
from django.test import override_settings

from server.access import drawer_of
from server.accounts.actions import invite
from server.accounts.models import Invitation, Person
from server.cards.models import StoredCard
from server.catalogue.models import Range
from server.demo.studio import DEMO_NAME
from server.letters import Letter, send
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
        address = {"email": "ann@quay.example", "password": "long-enough-9"}
        self.assertEqual(self.ask("post", "me/address", address)["email"], "ann@quay.example")
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

    def test_an_address_is_changed_by_who_knows_the_password_and_the_old_one_is_told(self):
        Person.objects.filter(pk=self.ann.pk).update(email="ann@quay.example")
        self.client.force_login(self.ann)
        self.assertEqual(self.ask("patch", "me", {"email": "taken@sea.example"})["email"], "ann@quay.example")
        told = {"email": "taken@sea.example"}
        self.ask("post", "me/address", told, 400)
        self.ask("post", "me/address", told | {"password": "a guess"}, 400)
        self.assertEqual(mail.outbox, [])
        self.ask("post", "me/address", told | {"password": "long-enough-9"})
        self.assertEqual([letter.to for letter in mail.outbox], [["ann@quay.example"]])
        self.assertEqual(Person.objects.get(pk=self.ann.pk).email, "taken@sea.example")

    def test_who_has_a_session_cannot_guess_on_at_the_password(self):
        self.client.force_login(self.ann)
        guess = {"old": "wrong", "new": "x", "password": "wrong", "email": ""}
        tried = [
            self.client.post(f"/api/me/{path}", guess, "application/json").status_code
            for path in ("password", "delete", "address") * 3
        ]
        self.assertEqual((tried[:3], tried[-1]), ([400] * 3, 429))
        self.ask("post", "me/password", {"old": "long-enough-9", "new": "hawser-and-4"}, 429)
        self.assertTrue(Person.objects.get(pk=self.ann.pk).check_password("long-enough-9"))

    def test_a_name_is_no_password(self):
        for password in ("Lockkeeper Anna", "lockkeeper.anna1", "lockkeeperanna"):
            told = self.ask("post", "sign-up", {"name": "Lockkeeper Anna", "password": password}, 400)
            self.assertEqual(told["problems"][0]["field"], "password")

    def test_a_link_is_used_once_also_by_several_at_once(self):
        Person.objects.filter(pk=self.ann.pk).update(email="ann@quay.example")
        self.ask("post", "forgotten", {"name": "Ann"}, 204)
        link = self.link()
        self.ask("post", "new-password", link | {"password": "hawser-and-4"})
        self.client.logout()
        # Whoever read the account before the first was done finds the link good, and comes too late all the same.
        with (
            mock.patch("server.accounts.actions.default_token_generator.check_token", return_value=True),
            mock.patch(
                "server.accounts.actions._check_password",
                side_effect=lambda *_: self.ann.set_password("another-9-here") or self.ann.save(),
            ),
        ):
            self.ask("post", "new-password", link | {"password": "hawser-and-6"}, 400)
        self.ask("post", "new-password", link | {"password": "hawser-and-5"}, 400)

    def test_a_letter_that_cannot_go_out_breaks_nothing_and_can_be_asked_for_again(self):
        Person.objects.filter(pk=self.ann.pk).update(email="ann@quay.example")
        with (
            mock.patch("server.letters.send_mail", side_effect=ConnectionRefusedError),
            self.assertLogs("server.letters"),
        ):
            self.ask("post", "forgotten", {"name": "Ann"}, 204)
        self.ask("post", "forgotten", {"name": "Ann"}, 204)
        self.assertEqual(len(mail.outbox), 1)

    def test_nobody_waits_for_the_mail_server(self):
        takes, taken = threading.Event(), threading.Event()

        def slow(*_):
            takes.wait()
            taken.set()

        with (
            override_settings(LETTERS_AT_ONCE=False),
            mock.patch("server.letters.send_mail", side_effect=slow),
        ):
            send(Letter("Hello", "words", "ann@quay.example"))  # comes back before it is taken
            self.assertFalse(taken.is_set())
            takes.set()
            self.assertTrue(taken.wait(60))

    def test_a_link_leads_to_this_jindle_whatever_who_asked_says(self):
        Person.objects.filter(pk=self.ann.pk).update(email="ann@quay.example")
        with override_settings(ADDRESS="https://cards.quay.example"):
            answer = self.client.post(
                "/api/forgotten", {"name": "Ann"}, "application/json", headers={"Host": "127.0.0.1:666"}
            )
        self.assertEqual(answer.status_code, 204)
        self.assertIn("\nhttps://cards.quay.example/new-password", mail.outbox[-1].body)
        self.assertNotIn("666", mail.outbox[-1].body)

    def test_what_is_meant_for_one_person_reaches_no_other(self):
        self.client.force_login(self.ben)
        for named, status in ((self.ann.pk, 403), (self.ben.pk, 200)):
            answer = self.client.post(
                "/api/drawer",
                {"colours": [self.ids["SKY-1"]], "owned": True},
                "application/json",
                headers={"X-Person": str(named)},
            )
            self.assertEqual(answer.status_code, status)
            self.assertEqual(drawer_of(self.ben).filter(colour=self.ids["SKY-1"]).exists(), status == 200)
        keys = {person.device_key for person in (self.ann, self.ben)}
        self.assertEqual([len(keys), {len(key) for key in keys}], [2, {64}])

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
        self.ask("post", "me/address", {"email": "somebody@quay.example", "password": ""}, 400)
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
