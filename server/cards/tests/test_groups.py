"""Many cards: how far each is, which are looked for, put by, deleted and brought back."""

from datetime import timedelta

from django.utils import timezone

from jindle_core import figures
from server.cards.models import Glance, StoredCard
from server.catalogue.range_actions import delete_range
from server.quotas import LIMITS
from server.tests.helpers import ApiTestCase, make_range


class GroupTests(ApiTestCase):
    def cards(self, **asked):
        return [one["name"] for one in self.ask("get", "cards", asked)["cards"]]

    def test_a_card_is_an_idea_until_it_is_worked_on_and_made_once_it_is_recorded(self):
        card = self.change(self.full_card(), kind="start_layout", layout="framed")
        self.new_card("Otter")

        def how_far():
            told = self.ask("get", "cards", {"order": "name"})
            return [one["how_far"] for one in told["cards"]], told["groups"]

        self.assertEqual(how_far()[0], ["idea", "idea"])
        plan = self.ask("get", f"cards/{card['id']}/plan")
        step = plan["tasks"][0]["key"]
        pressed = {"version": plan["version"], "press": "begin", "key": step}
        self.ask("post", f"cards/{card['id']}/plan/presses", pressed)
        self.assertEqual(sorted(how_far()[0]), ["idea", "making"])
        version = self.ask("get", f"cards/{card['id']}/plan")["version"]
        self.ask("post", f"cards/{card['id']}/records", {"version": version, "made": "2026-04-20"}, 201)
        stages, groups = how_far()
        self.assertEqual(sorted(stages), ["idea", "made"])
        counted = {"all": 2, "idea": 1, "making": 0, "made": 1, "set": 0, "put_by": 0, "deleted": 0}
        self.assertEqual(groups, counted)
        self.assertEqual(self.cards(group="idea"), ["Otter"])

    def test_cards_of_a_set_stand_in_their_group_and_are_being_made_with_it(self):
        first = self.change(self.full_card(), kind="start_layout", layout="framed")
        other = self.new_card("Otter")
        members = [{"card": first["id"], "count": 1}, {"card": other["id"], "count": 1}]
        made = self.ask("post", "sets", {"name": "Two", "cards": members}, 201)
        self.ask("post", "sets", {"name": "One", "cards": members[:1]}, 201)
        told = self.ask("get", "cards", {"group": "set"})
        self.assertEqual(sorted(one["sets"] for one in told["cards"]), [1, 2])
        self.assertEqual(told["groups"]["set"], 2)
        plan = self.ask("get", f"sets/{made['id']}/plan")
        pressed = {"version": plan["version"], "press": "begin", "key": plan["tasks"][0]["key"]}
        self.ask("post", f"sets/{made['id']}/plan/presses", pressed)
        self.assertEqual(self.ask("get", "cards")["groups"]["making"], 2)

    def test_they_are_looked_for_by_parts_of_their_name_and_sorted(self):
        for name in ("otter at dawn", "Heron", "Otter at dusk", "Été 50%"):
            self.new_card(name)
        self.assertEqual(self.cards(words="otter", order="name"), ["otter at dawn", "Otter at dusk"])
        self.assertEqual(self.cards(words="dusk OTTER"), ["Otter at dusk"])
        self.assertEqual(self.cards(words="50%"), ["Été 50%"])
        self.assertEqual(self.cards(words="_"), [])
        self.ask("get", "cards", {"order": "loud"}, status=400)

    def test_what_is_to_mend_comes_first(self):
        for name, failing, doubtful in (("Otter", 0, 2), ("Heron", 10, 0), ("Finch", 9, 1)):
            card = self.new_card(name)
            self.ask("get", "cards/glances", {"ids": [card["id"]]})
            glance = Glance.objects.get(card=card["id"])
            glance.told |= {"failing": failing, "doubtful": doubtful}
            glance.save()
        self.assertEqual(self.cards(order="mend"), ["Heron", "Finch", "Otter"])

    def test_put_by_it_is_out_of_the_way_and_the_same(self):
        card = self.new_card("Otter")
        self.ask("post", f"cards/{card['id']}/put-by", {"away": True}, 204)
        self.assertEqual((self.cards(), self.cards(group="put-by")), ([], ["Otter"]))
        self.assertEqual(self.ask("get", f"cards/{card['id']}")["version"], card["version"])
        self.ask("post", f"cards/{card['id']}/put-by", {"away": False}, 204)
        self.assertEqual(self.cards(), ["Otter"])

    def test_a_deleted_card_comes_back_with_all_its_states(self):
        card = self.new_card("Otter")
        self.ask("delete", f"cards/{card['id']}", status=204)
        self.ask("get", f"cards/{card['id']}", status=404)
        self.assertEqual(self.cards(), [])
        (one,) = self.ask("get", "cards/deleted")
        self.assertEqual(one["name"], "Otter")
        self.ask("post", f"cards/deleted/{card['id']}", status=204)
        back = self.ask("get", f"cards/{card['id']}")
        self.assertEqual(
            (back["name"], back["version"], back["undo"]), ("Otter", card["version"], card["undo"])
        )
        self.ask("post", f"cards/deleted/{card['id']}", status=404)

    def test_it_is_nobody_elses_to_bring_back_or_put_by(self):
        card = self.new_card("Otter")
        self.client.force_login(self.ben)
        self.ask("post", f"cards/{card['id']}/put-by", {"away": True}, 404)
        StoredCard.objects.update(deleted=timezone.now())
        self.assertEqual(self.ask("get", "cards/deleted"), [])
        self.ask("post", f"cards/deleted/{card['id']}", status=404)
        self.ask("delete", f"cards/deleted/{card['id']}", status=404)
        self.assertEqual(StoredCard.objects.count(), 1)

    def test_what_was_deleted_long_ago_goes_for_good_with_the_next_one(self):
        old, new = self.new_card("Otter"), self.new_card("Heron")
        long_ago = timezone.now() - timedelta(days=figures.files.DELETED_DAYS, minutes=1)
        StoredCard.objects.filter(pk=old["id"]).update(deleted=long_ago)
        self.ask("delete", f"cards/{new['id']}", status=204)
        self.assertEqual([one["name"] for one in self.ask("get", "cards/deleted")], ["Heron"])
        self.ask("delete", f"cards/deleted/{new['id']}", status=204)
        self.assertEqual(StoredCard.objects.count(), 0)

    def test_the_demo_studio_takes_back_only_what_it_has_room_for(self):
        card = self.new_card("Otter")
        self.ask("delete", f"cards/{card['id']}", status=204)
        self.ann.set_unusable_password()
        self.ann.save()
        self.client.force_login(self.ann)
        stored = StoredCard.objects.get().stored
        StoredCard.objects.bulk_create(
            StoredCard(owner=self.ann, stored=stored) for _ in range(LIMITS["cards"])
        )
        self.assertIn("at most", self.ask("post", f"cards/deleted/{card['id']}", status=400)["message"])

    def test_a_range_that_only_a_deleted_card_names_is_kept_for_it(self):
        own = make_range(self.ann, "Mine", content="code,L,a,b\nOWN-1,40,30,20\n")
        card, pk = self.new_card(), own.colours.get().pk
        card = self.change(card, kind="add_colour", anchor={"colour": pk}, name="", role="lead")
        self.ask("delete", f"cards/{card['id']}", status=204)
        delete_range(own)
        self.ask("post", f"cards/deleted/{card['id']}", status=204)
        self.assertEqual(self.ask("get", f"cards/{card['id']}")["colours"][0]["lab"], [40, 30, 20])
