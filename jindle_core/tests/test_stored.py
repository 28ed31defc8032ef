import json
import unittest
from copy import deepcopy
from dataclasses import fields, replace
from pathlib import Path

from hypothesis import given
from hypothesis import strategies as st

from jindle_core.card.build import Build
from jindle_core.card.changes.build import AddPiece, EditPiece, SetBuild
from jindle_core.card.changes.every import changed
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.changes.pictures import SetColouring
from jindle_core.card.ground import Ground
from jindle_core.card.pictures import Picture
from jindle_core.card.references import named, turned
from jindle_core.card.sound import sound
from jindle_core.card.stored import VERSION, card_from_json, card_to_json, upgraded
from jindle_core.card.waivers import subject
from jindle_core.card.whole import Choice, Waiver
from jindle_core.errors import BadInput
from jindle_core.families.shading import Light
from jindle_core.layers.pieces import Across, Kind
from jindle_core.line_art.drawing import LineDrawing, Shape, drawing_from_json, drawing_to_json
from jindle_core.material import End
from jindle_core.media.medium import Medium
from jindle_core.naming import Use
from jindle_core.palettes.role import Role
from jindle_core.tests.test_waivers import full_card
from jindle_core.words import in_words

CARDS = Path(__file__).parent / "data" / "cards"
UNDER_OTHER_IDS = {
    "ground:effect water drops": "ground:effect water-drops",
    "ground:effect splashes of opaque white": "ground:effect white-splashes",
    "conflict:pills": "conflict:1:pills",
}
STORED = json.loads(json.dumps(card_to_json(full_card())))


def places(value, path=()):
    """The path of every value inside another."""
    inner = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    for key, one in inner:
        yield (*path, key)
        yield from places(one, (*path, key))


class StoredTests(unittest.TestCase):
    def test_a_card_comes_back_the_same_with_its_own_kinds(self):
        found = card_from_json(STORED)
        self.assertEqual(found, full_card())
        self.assertIs(found.colours[0].role, Role.LEAD)
        self.assertIs(found.build.pieces[0].kind, Kind.MAT)
        self.assertEqual(card_to_json(found), STORED)

    def test_nothing_is_converted(self):
        for path, wrong in (
            (("size", "width", "ticks"), 1.5),
            (("size", "width", "ticks"), True),
            (("size", "width", "ticks"), 10**7),
            (("size", "width", "unit"), "ell"),
            (("size", "width"), {"ticks": 8}),
            (("size",), None),
            (("next_key",), "4"),
            (("colours", 0, "role"), "hero"),
            (("colours", 0, "role"), None),
            (("colours", 0, "anchor", "lab"), [50, 0]),
            (("colours", 0, "anchor", "lab", 1), float("nan")),
            (("colours", 0, "anchor", "lab", 1), "0"),
            (("colours", 0, "name"), 5),
            (("colours", 0, "anchor", "provenance"), "heard"),
            (("pictures", 0, "finishes"), "gloss"),
            (("pictures", 0, "areas", 0, "family"), {"5": 5}),
            (("pairs", 0, "outlined"), 1),
            (("build", "pieces", 0, "reveal"), 8),
            (("build", "fold"), "nowhere"),
            (("ground", "pads", 0, "coats"), 10**30),
        ):
            with self.subTest(path=path, wrong=wrong):
                stored = deepcopy(STORED)
                held = stored
                for key in path[:-1]:
                    held = held[key]
                held[path[-1]] = wrong
                with self.assertRaisesRegex(BadInput, rf"no card as it was written.*{path[0]}"):
                    card_from_json(stored)

    def test_what_is_no_card_at_all(self):
        for wrong in (None, [], {}, "card", 7, {"name": "x"}, [[]] * 9):
            with self.assertRaises(BadInput):
                card_from_json(wrong)

    @given(
        st.sampled_from(list(places(STORED))),
        st.none() | st.integers() | st.text(max_size=5) | st.lists(st.none(), max_size=2),
    )
    def test_anything_in_any_place_is_read_as_it_is_or_refused(self, path, value):
        stored = deepcopy(STORED)
        held = stored
        for key in path[:-1]:
            held = held[key]
        held[path[-1]] = value
        try:
            found = card_from_json(stored)
        except BadInput:
            return
        self.assertEqual(card_from_json(card_to_json(found)), found)

    def test_a_drawing(self):
        drawing = LineDrawing(10.0, 8.0, (Shape("a", "M0 0Z", 0.5, ("b",)),), ("M0 0L1 1",), ("left out",))
        self.assertEqual(drawing_from_json(json.loads(json.dumps(drawing_to_json(drawing)))), drawing)
        with self.assertRaisesRegex(BadInput, r"no drawing as it was written.*\$\.width"):
            drawing_from_json(drawing_to_json(drawing) | {"width": "10"})


class DeclaredTests(unittest.TestCase):
    def test_settings_of_changes_are_what_they_can_be(self):
        card = full_card()
        for change in (
            SetColouring({"light": "nowhere"}),
            SetColouring({"finishes": "gloss"}),
            SetColouring({"dark_first": 1}),
            SetColouring({"sheen": True}),
            SetColouring({"areas": ()}),
            SetColouring({"next_key": 1}),
            SetGround({"shape": "spiral"}),
            SetGround({"pads": (7,)}),
            SetGround({"paper": "white"}),
            SetBuild({"fold": "twice"}),
            SetBuild({"pieces": ()}),
            SetBuild({"post_limit": float("nan")}),
            EditPiece(1, {"key": 9}),
            EditPiece(1, {"raised": "to the sky"}),
            EditPiece(1, {"place": {"across": "nowhere"}}),
            EditPiece(1, {"place": {"right": 5}}),
            AddPiece(Kind.MAT, "mat", {"reveal": "1/4"}),
        ):
            with self.subTest(change=change), self.assertRaisesRegex(BadInput, "There is no|nothing that"):
                changed(card, change)

    def test_a_member_may_be_said_by_its_value(self):
        card = changed(full_card(), SetColouring({"light": "top"}))
        self.assertIs(card.pictures[0].light, Light.TOP)
        card = changed(card, EditPiece(1, {"place": {"across": "left"}}))
        self.assertIs(card.build.piece(1).place.across, Across.LEFT)


class FormTests(unittest.TestCase):
    """Cards as they were written long ago stand in ``data/cards``, each begun with the number of its form."""

    def old(self, name):
        return json.loads((CARDS / f"{name}.json").read_text())

    def test_every_card_of_an_earlier_form_comes_back_with_all_it_held(self):
        files = sorted(CARDS.glob("*.json"))
        self.assertEqual({int(one.name.split("-")[0]) for one in files}, set(range(1, VERSION)))
        for file in files:
            with self.subTest(file.name):
                stored = json.loads(file.read_text())
                card = card_from_json(stored)
                self.assertEqual((card.name, len(card.colours)), (stored["name"], len(stored["colours"])))
                self.assertEqual(card.waivers[0], Waiver("pair:2", "on purpose"))
                self.assertEqual([one for one in card.waivers if subject(card, one.check) is None], [])
                now = json.loads(json.dumps(card_to_json(sound(card))))
                self.assertEqual((now["version"], card_from_json(now)), (VERSION, card))
                self.assertEqual(upgraded(now), now)
                # Nothing that it held was lost or turned into something else, but words into their keys.
                after = dict(held(now))
                for old, value in held(stored) - held(now):
                    path = old
                    if old[0] == "colouring":
                        path = ("next_area",) if old[1] == "next_key" else ("pictures", 0, *old[1:])
                    if path[0] == "waivers":
                        self.assertEqual(after[path], UNDER_OTHER_IDS[value])
                    elif path != ("version",):
                        self.assertIn(value, (after[path], in_words(str(after[path]))), path)

    def test_what_was_not_there_yet_is_as_nothing_said(self):
        palette = card_from_json(self.old("1-palette"))
        self.assertEqual(
            (palette.pictures, palette.ground, palette.build), ((Picture(1),), Ground(), Build())
        )
        built = card_from_json(self.old("1-built"))
        self.assertIsNone(built.area(1).glaze)
        self.assertEqual((built.build.inside, built.build.next_key, built.next_pair), ((), 2, 3))

    def test_a_form_that_is_not_known_is_said(self):
        for version in (VERSION + 1, 0, "2", True, None, 10**30):
            with self.assertRaisesRegex(BadInput, "written in form"):
                card_from_json(STORED | {"version": version})


def held(stored):
    """Every value that stands in something stored, with its path."""
    found = set()
    for path in places(stored):
        value = stored
        for key in path:
            value = value[key]
        if not isinstance(value, dict | list):
            found.add((path, value))
    return found


class ReferencesTests(unittest.TestCase):
    def test_one_walk_names_and_turns_all_that_a_card_names(self):
        card = card_from_json(json.loads((CARDS / "1-built.json").read_text()))
        found = named(card)
        self.assertEqual((found.palette, found.cells, found.tones), ((7,), (5,), (5, 6)))
        self.assertEqual((sorted(found.pads), sorted(found.pieces), found.papers), ([11, 12], [9, 9], (8, 8)))
        up = turned(card, lambda use, pk: pk + 100)
        for use in ("palette", "cells", "tones", "pads", "pieces", "papers"):
            self.assertEqual(getattr(named(up), use), tuple(pk + 100 for pk in getattr(found, use)))
        self.assertEqual((up.pictures[0].drawing, up.pictures[0].line_range), (103, 102))
        back = turned(up, lambda use, pk: pk - 100)
        self.assertEqual(back, card)

    def test_what_is_gone_leaves_a_card_that_can_be_seen(self):
        for stored in (STORED, *(json.loads(one.read_text()) for one in CARDS.glob("*.json"))):
            card = card_from_json(turned(upgraded(stored), lambda use, pk: None))
            self.assertEqual(named(card).every, frozenset())
            self.assertEqual(
                (card.pictures[0].drawing, card.pictures[0].line_range, card.ground.pads), (None, None, ())
            )
            self.assertEqual(sound(card), card)

    @given(st.sampled_from(list(Use)))
    def test_each_use_is_turned_by_itself(self, gone):
        card = full_card()
        left = turned(card_to_json(card), lambda use, pk: None if use is gone else pk)
        for one in fields(named(card)):
            now, before = getattr(named(card_from_json(left)), one.name), getattr(named(card), one.name)
            self.assertEqual(now, () if one.name == gone else before)


class SoundTests(unittest.TestCase):
    def test_what_no_sequence_of_changes_leads_to(self):
        card = full_card()
        self.assertEqual(sound(card), card)
        area, piece, colour = card.areas[0], card.build.pieces[0], card.colours[0]
        for wrong, words in (
            (replace(card, colours=(*card.colours, colour)), "have the key 1"),
            (replace(card, colours=card.colours[1:]), "not there"),
            (replace(card, choices=(Choice(1, "crayon", 5),)), "not there"),
            (replace(card, choices=(Choice(1, "pad", 5), Choice(1, "pad", 6))), "not there"),
            (replace(card, name=" "), "has a name"),
            (with_area(card, colour=77), "not in the palette"),
            (with_area(card, family=(5, 5)), "family"),
            (with_area(card, layers=0), "1 to"),
            (with_area(card, medium=Medium.CARDSTOCK), "family"),
            (with_area(card, name="x" * 501), "has a name"),
            (card.with_picture(replace(card.pictures[0], areas=(area,) * 2)), "have the key"),
            (replace(card, pairs=(replace(card.pairs[0], upper=End("palette", 77)),)), "not in the palette"),
            (replace(card, pairs=(replace(card.pairs[0], upper=End("paint", 1)),)), "of what something is"),
            (with_piece(card, key=0), "key 0"),
            (with_piece(card, on=9), "not there"),
            (with_piece(card, on=3), "circle"),
            (with_piece(card, material=End("palette", 77)), "no colour with key 77"),
            (with_piece(card, reveal=None), "neither"),
            (with_piece(card, kind=Kind.LETTERING), "stamped"),
            (replace(card, build=replace(card.build, pieces=tuple(replace(piece, key=n) for n in range(1, 90)))), "pieces"),
            (replace(card, ground=replace(card.ground, pads=card.ground.pads * 9)), "up to"),
            (replace(card, colours=(replace(colour, anchor=replace(colour.anchor, provenance="guess")), *card.colours[1:])), "comes from"),
        ):  # fmt: skip
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                sound(wrong)
        lost = replace(card, waivers=(Waiver("fit:99", "why"), Waiver("span", "why")))
        self.assertEqual([one.check for one in sound(lost).waivers], ["span"])


def with_area(card, **told):
    first = card.areas[0]
    return card.with_areas(lambda area: replace(first, **told) if area is first else area)


def with_piece(card, **told):
    first, *others = card.build.pieces
    return replace(card, build=replace(card.build, pieces=(replace(first, **told), *others)))
