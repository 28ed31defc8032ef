import hashlib
import json
import random
import zlib

from django.db import connection

from server.cards import packed
from server.cards.models import Revision
from server.tests.helpers import ApiTestCase


class PackedTests(ApiTestCase):
    def test_many_changes_of_a_card_weigh_little(self):
        card, seeded = self.full_card(), random.Random(3)
        card = self.change(card, kind="start_layout", layout="three mats")
        for number in range(12):
            sides = {"width": f"{30 + number} mm", "height": "18 mm", "unit": "mm"}
            place = {"right": "2 mm", "below": f"{number} mm", "across": "left", "down": "top"}
            told = {"piece_kind": "strip", "name": f"strip {number}", "on": 4, **sides, **place}
            material = {"source": "palette", "id": 1}
            card = self.change(card, kind="add_piece", material=material, **told)
        for _ in range(20):
            ways = {"right": seeded.choice((-1, 1)), "below": seeded.choice((-1, 1))}
            card = self.change(card, kind="nudge_piece", key=seeded.randint(2, 12), **ways)
        with connection.cursor() as cursor:
            cursor.execute("SELECT MAX(OCTET_LENGTH(stored)) FROM card_revision")
            (largest,) = cursor.fetchone()
        # Of five hundred changes two hundred can be undone, and are kept.
        self.assertLess(201 * largest, 300_000)

    def test_the_usual_card_is_never_changed(self):
        # What is stored refers to it: with another nothing of it could be read.
        digest = hashlib.sha256(packed._USUAL).hexdigest()
        self.assertEqual(digest, "123fb796af5a038c7054c0995ccc38b3acb3d7a493ecb6fc917da271b4980972")

    def test_what_was_stored_before_there_was_a_usual_card_can_be_read(self):
        card = self.new_card()
        state = Revision.objects.get(card=card["id"])
        with connection.cursor() as cursor:
            old = zlib.compress(json.dumps(state.stored).encode())
            cursor.execute("UPDATE card_revision SET stored = %s WHERE id = %s", [old, state.pk])
        self.assertEqual(Revision.objects.get(card=card["id"]).stored, state.stored)
