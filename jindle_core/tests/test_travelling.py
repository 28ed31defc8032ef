"""A card goes to somebody else and is theirs: what both have is kept, the rest finds something like it."""

import base64
import io
import json
import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image

from jindle_core.card.references import named
from jindle_core.card.sound import sound
from jindle_core.card.whole import Waiver
from jindle_core.errors import BadInput
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.supplies.whole import Supplies
from jindle_core.tests.drawn_changes import DRAWING
from jindle_core.tests.made import BOARDS, MARKERS, PADS, SHEET, a_sheet, some_supplies
from jindle_core.tests.test_tasks import full_card
from jindle_core.travelling.arriving import Arriving
from jindle_core.travelling.foreign import Foreign, Shelf
from jindle_core.travelling.recipe_file import PictureTold, read_recipe, write_recipe
from jindle_core.travelling.told import Belongings, DrawingTold, travelling

SUPPLIES = some_supplies()
NOTHING = Supplies((), {})
KNOWN = Belongings({1: DrawingTold("pond", DRAWING)}, {1: (4, a_sheet(300.0))})
TOLD = travelling(full_card(), SUPPLIES, KNOWN)
NO_SHELF = Shelf()


def some_of(supplies, ids, shift=0.0, name=""):
    """Only some of some supplies, all owned; as another range would have them, that is lighter by L*."""
    rows = tuple(
        row._replace(lightness=min(row.lightness + shift, 100.0)) for row in supplies.rows if row.id in ids
    )
    facts = {pk: replace(one, name=name or one.name) for pk, one in supplies.ranges.items()}
    drawer = dict.fromkeys((row.id for row in rows), SUPPLIES.drawer[1])
    return Supplies(rows, facts, drawer=drawer, shares={pk: 0.5 for pk in SHEET if pk in ids})


def arriving(supplies, owned=False, told=TOLD, shelf=NO_SHELF):
    return Arriving(Foreign(told, supplies, shelf), owned)


def file_of(**changes):
    """The bytes of a recipe that is not as it should be: by the path of what is changed, such as card__name."""
    stored = json.loads(write_recipe(TOLD))
    for path, value in changes.items():
        *way, last = (int(one) if one.isdigit() else one for one in path.split("__"))
        at = stored
        for one in way:
            at = at[one]
        at[last] = value
    return json.dumps(stored).encode()


class FileTests(unittest.TestCase):
    def test_it_comes_back_as_it_went(self):
        picture = io.BytesIO()
        Image.new("RGB", (60, 40), "#7799aa").save(picture, "PNG")
        shown = PictureTold("as it is predicted", "image/png", picture.getvalue())
        found = read_recipe(write_recipe(TOLD, [shown]).encode())
        self.assertEqual((found.told, found.pictures), (TOLD, (shown,)))

    def test_supplies_are_told_by_code_and_colour(self):
        said = {one.code: one for one in TOLD.supplies}
        row = SUPPLIES.rows[SUPPLIES.places[MARKERS[0]]]
        told = said[row.code]
        self.assertEqual((told.lab, told.provenance), ((row.lightness, row.a, row.b), "read"))
        self.assertEqual(TOLD.ranges[told.range - 1].name, "Ferns")
        self.assertEqual(len(TOLD.supplies), len(named(full_card()).every))

    def test_what_was_let_be_and_what_is_gone_stay_at_home(self):
        card = replace(full_card(), waivers=(Waiver("spread", "on purpose"),))
        told = travelling(card, SUPPLIES, KNOWN)
        self.assertEqual(told.card.waivers, ())
        fewer = some_of(SUPPLIES, {*MARKERS, *BOARDS})
        bare = travelling(card, fewer, Belongings())
        self.assertEqual((bare.card.ground.pads, bare.drawings), ((), ()))
        self.assertIsNone(bare.card.pictures[0].drawing)
        self.assertEqual(len(bare.card.build.every), len(card.build.every))

    def test_what_is_no_recipe_says_why(self):
        area = json.loads(write_recipe(TOLD))["card"]["pictures"][0]["areas"][0]
        many = [area | {"key": key} for key in range(1, 10_001)]
        words = {"words": "front", "kind": "image/png"}
        for content, told in (
            (b"PK\x03\x04", "not"),
            (b"{" * 100_000, "well-formed"),
            (b"[]", "no Jindle recipe"),
            (b" " * (101 * 2**20), "MB"),
            (b'{"format": "jindle recipe", "version": 1, "name": "\\ud800"}', "well-formed"),
            (file_of(format="jindle range"), "no Jindle recipe"),
            (file_of(version=2), "version 2; this Jindle reads versions up to 1"),
            (file_of(version=True), "version True"),
            (file_of(name=" "), "no name"),
            (file_of(name=None), "no name"),
            (file_of(card__version=99), "forms up to"),
            (file_of(card=None), "card"),
            (file_of(card__pictures__0__areas=many), "areas"),
            (file_of(card__colours__0__anchor__colour=99), "number 99"),
            (file_of(card__pictures__0__drawing=7), "drawing number 7"),
            (file_of(ranges__0__medium="porridge"), "expected Medium"),
            (file_of(ranges__0__medium="cardstock"), "cardstock"),
            (file_of(ranges__0__properties={"radius": 3}), "radius"),
            (file_of(ranges__0__name="x" * 5000), "no name"),
            (file_of(supplies__0__range=9), "range 9"),
            (file_of(supplies__0__lab=[50, 4000, 0]), "no colour"),
            (file_of(supplies__0__lab=[float("nan"), 0, 0]), "expected float"),
            (file_of(supplies__0__reflectance=[0.5] * 30), "31 figures"),
            (file_of(supplies=[json.loads(write_recipe(TOLD))["supplies"][0]] * 2001), "2,001 supplies"),
            (file_of(pictures=[words] * 8), "at most 7"),
            (file_of(pictures=[words]), "not as it is described"),
            (file_of(pictures=[words | {"base64": "?"}]), "not as it is described"),
            (file_of(pictures=[words | {"base64": "AAAA", "kind": "image/svg+xml"}]), "no kind"),
            (file_of(pictures=[words | {"base64": base64.b64encode(b"<svg/>").decode()}]), "Picture 1"),
        ):
            with self.subTest(told), self.assertRaisesRegex(BadInput, told):
                read_recipe(content)

    def test_what_looks_like_markup_is_a_name_like_any_other(self):
        name = "<script>alert(1)</script>"
        self.assertEqual(read_recipe(file_of(card__name=name)).told.card.name, name)


class ArrivingTests(unittest.TestCase):
    def test_who_has_the_same_has_the_same_card(self):
        shelf = Shelf({1: DRAWING})
        one = arriving(SUPPLIES, shelf=shelf)
        self.assertEqual(one.following.followers, ())
        self.assertEqual(replace(one.after.card, waivers=()), replace(full_card(), waivers=()))
        self.assertEqual((one.gives_way, one.otherwise), ([], []))

    def test_pads_that_are_far_and_a_ground_that_goes_are_told(self):
        pads = len(full_card().ground.pads)
        self.assertTrue(pads)
        nothing = [one.title for one in arriving(NOTHING, owned=True).otherwise]
        self.assertEqual(nothing.count("The ground"), 1)
        other = arriving(some_of(SUPPLIES, set(SUPPLIES.places), shift=-30.0))
        told = [one for one in other.otherwise if one.title.startswith("Pad ")]
        self.assertEqual(len(told), pads, other.otherwise)
        for one in told:
            self.assertRegex(one.words, "is far from it: .*darker")

    def test_the_same_code_with_another_colour_is_another_supply(self):
        far = some_of(SUPPLIES, set(SUPPLIES.places) - set(SHEET), shift=-30.0)
        self.assertTrue(all(pk < 0 for pk in Foreign(TOLD, far).ids[:3]))

    def test_what_one_has_put_away_is_had_no_more_and_all_else_is(self):
        had = Foreign(TOLD, SUPPLIES).ids
        self.assertTrue(all(pk > 0 for pk in had))
        away = {key: replace(one, away=key == 3) for key, one in SUPPLIES.ranges.items()}
        without = Foreign(TOLD, replace(SUPPLIES, ranges=away)).ids
        self.assertEqual([pk < 0 for pk in without], [pk in MARKERS for pk in had])
        kept = [(pk, mine) for pk, mine in zip(had, without, strict=True) if mine > 0]
        self.assertTrue(kept)
        self.assertTrue(all(pk == mine for pk, mine in kept))

    def test_who_has_nothing_has_values(self):
        one = arriving(NOTHING, owned=True)
        self.assertEqual(named(one.after.card).every, frozenset())
        before, after = one.before.palette, one.after.palette
        self.assertEqual(before.lab.round(3).tolist(), after.lab.round(3).tolist())
        self.assertEqual(len(one.after.card.build.every), len(full_card().build.every))
        ends = {piece.material.source for piece in one.after.card.build.every}
        self.assertLessEqual(ends, {"palette", "white"})
        self.assertTrue(all(follower.change is None for follower in one.following.followers))

    def test_families_keep_their_steps_in_another_range(self):
        other = some_of(SUPPLIES, {*MARKERS, *PADS, *BOARDS}, shift=4.0, name="Sedges")
        one = arriving(other)
        self.assertGreater(len(one.following.followers), 3)
        self.assertEqual(len(one.after.card.areas), len(full_card().areas))
        for here, there in zip(one.before.coloured, one.after.coloured, strict=True):
            for area in here.areas:
                was, now = here.tones[area.key].lab, there.tones[area.key].lab
                self.assertEqual(len(was), len(now))
                self.assertTrue((now[:-1, 0] > now[1:, 0]).all())
        self.assertTrue(named(one.after.card).every <= set(other.places))

    def test_without_markers_areas_are_coloured_in_what_there_is(self):
        pencils = some_of(SUPPLIES, MARKERS, shift=2.0, name="Chalks")
        facts = pencils.ranges | {3: replace(pencils.ranges[3], medium=Medium.WAX_PENCIL)}
        one = arriving(replace(pencils, ranges=facts), owned=True)
        media = {area.medium for area in one.after.card.areas if area.family}
        self.assertEqual(media, {Medium.WAX_PENCIL})
        notes = {follower.note for follower in one.following.followers if follower.id.startswith("area")}
        self.assertIn("in wax pencil instead of alcohol marker", notes)

    def test_a_small_drawer_gives_fewer_tones_and_says_so(self):
        one = arriving(some_of(SUPPLIES, MARKERS[1:3], shift=2.0, name="Sedges"), owned=True)
        (first, *_) = one.following.followers
        self.assertIn("2 tones instead of 3", first.note)

    def test_a_sheet_is_the_same_sheet_or_a_colour_of_it(self):
        card = full_card()
        keys = [one.key for one in card.build.every if one.name == "panel"]
        piece = replace(card.build.piece(keys[0]), material=End("sheet", 1))
        told = travelling(replace(card, build=card.build.with_piece(piece)), SUPPLIES, KNOWN)
        with_it = arriving(SUPPLIES, told=told, shelf=Shelf(titles={("Meadows", "Bank"): 5}))
        self.assertEqual(with_it.after.card.build.piece(keys[0]).material, End("sheet", 5))
        without = arriving(SUPPLIES, told=told)
        main = SHEET[int(a_sheet(300.0).shares.argmax())]
        self.assertEqual(without.after.card.build.piece(keys[0]).material, End("supply", main))
        # Who does not have it sees it all the same, in its colours and at its scale.
        shown = without.foreign.shown
        self.assertEqual(shown.card.build.piece(keys[0]).material, End("sheet", -1))
        self.assertEqual(shown.sheets[-1].width, 300.0)
        self.assertEqual(shown.sheets[-1].colours, SHEET)
        np.testing.assert_allclose(shown.sheets[-1].shares, a_sheet(300.0).shares, atol=0.05)
        self.assertEqual(with_it.foreign.sheets, {})

    def test_of_a_sheet_of_more_colours_than_signs_only_the_main_one_is_told(self):
        card = full_card()
        piece = replace(
            next(one for one in card.build.every if one.name == "panel"), material=End("sheet", 1)
        )
        many = replace(a_sheet(300.0), colours=SHEET * 20)
        known = replace(KNOWN, sheets={1: (4, many)})
        told = travelling(replace(card, build=card.build.with_piece(piece)), SUPPLIES, known)
        self.assertIsNone(told.sheets[0].pattern)
        self.assertEqual(read_recipe(write_recipe(told).encode()).told, told)

    def test_a_pattern_that_cannot_be_is_refused(self):
        card = full_card()
        piece = replace(
            next(one for one in card.build.every if one.name == "panel"), material=End("sheet", 1)
        )
        told = travelling(replace(card, build=card.build.with_piece(piece)), SUPPLIES, KNOWN)
        whole = json.loads(write_recipe(told))
        read_recipe(json.dumps(whole).encode())
        for wrong in (
            *({"rows": rows} for rows in ([], [""], ["01", "0"], ["0z"], ["0" * 121])),
            *({"width": width} for width in (0, -1, 1e9)),
            *({"supplies": supplies} for supplies in ([], [0, 1], [1, 999])),
        ):
            pattern = whole["sheets"][0]["pattern"] | wrong
            sheets = [whole["sheets"][0] | {"pattern": pattern}]
            with self.subTest(wrong), self.assertRaisesRegex(BadInput, "Sheet 1: its pattern"):
                read_recipe(json.dumps(whole | {"sheets": sheets}).encode())

    @settings(max_examples=40)
    @given(st.sets(st.sampled_from(sorted(SUPPLIES.places))), st.booleans(), st.sampled_from(["", "Sedges"]))
    def test_whatever_one_has_the_card_arrives_and_names_nothing_else(self, ids, owned, name):
        supplies = some_of(SUPPLIES, ids, shift=3.0 if name else 0.0, name=name)
        one = arriving(supplies, owned)
        card = one.after.card
        self.assertLessEqual(named(card).every, set(supplies.places))
        self.assertEqual(sound(card), card)
        self.assertEqual(len(card.build.every), len(full_card().build.every))
        self.assertGreater(len(one.checked.judged), 0)
