import unittest
from dataclasses import replace

import numpy as np
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st

from jindle_core import figures
from jindle_core.blending.effects import INKED, EffectKind, examine_marks, marks, placed
from jindle_core.blending.evenness import evened, examine_centre, examine_edge, examine_steps, unevenness
from jindle_core.blending.inks import inks_of, seen_on
from jindle_core.blending.joins import Meeting, join, judge_join, laid_over
from jindle_core.blending.known import known
from jindle_core.blending.meeting import BLENDED, Joint, Reach, Seam
from jindle_core.blending.orders import is_rainbow, overlaps
from jindle_core.blending.painting import (
    GroundShape,
    Way,
    at_points,
    between,
    from_one_side,
    painting,
    spread,
)
from jindle_core.blending.standing import (
    Wish,
    examine_lettering,
    examine_picture,
    examine_wish,
    picture_stands,
)
from jindle_core.blending.stencils import Layer, Stencil, StencilForm, openings, stencilled
from jindle_core.blending.ways import PadRow, WayKind, ways_out
from jindle_core.card.changes.ground import SetGround
from jindle_core.card.ground import Effect, Ground, InkedCard, PadUse
from jindle_core.card.references import named
from jindle_core.card.stored import card_from_json, card_to_json
from jindle_core.checks.finding import Status
from jindle_core.colorimetry.spaces import reflectance_to_lab
from jindle_core.contrast.rules import PairKind
from jindle_core.errors import BadInput
from jindle_core.line_art.outline import outline, shapes_at
from jindle_core.line_art.svg import read_svg
from jindle_core.media.medium import Medium
from jindle_core.planning.ground import Worked, cautions, laying
from jindle_core.planning.step import Wait
from jindle_core.prediction.behaviour import Hand
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.seen.desk import desk
from jindle_core.tests.test_blending import PADS, ink, pads
from jindle_core.tests.test_plan import some_card

PLAN = some_card()
CARD = reflectance_to_lab(WHITE_CARD)
JOINTS = st.lists(st.builds(Joint, st.sampled_from(Reach), st.sampled_from(Seam)), min_size=1, max_size=6)
POINTS = st.lists(st.tuples(st.floats(0, 1), st.floats(0, 1)), min_size=1, max_size=20)


def painted(shape, joints, across=False, tinted=False):
    if shape is GroundShape.STENCILS:
        return stencilled([Layer(Stencil(), (joint,)) for joint in joints], 1.0, back=False)
    return painting(shape, joints, across, tinted)


class PaintingTests(unittest.TestCase):
    @given(st.sampled_from(GroundShape), JOINTS, st.booleans(), st.booleans(), POINTS)
    def test_every_point_has_some_of_the_pads_and_never_less_than_none(
        self, shape, joints, across, tinted, points
    ):
        fields = painted(shape, joints, across, tinted)
        weights = at_points(fields, *np.array(points).T)
        self.assertEqual(weights.shape, (len(points), len(joints)))
        most = 1.5 if shape is GroundShape.SKY else 1 + 1e-9  # one edge reaches over the next
        self.assertTrue(np.all(weights >= 0) and np.all(weights <= most))
        for field in fields:
            self.assertTrue(np.all(np.diff(field.at) >= -1e-12), field.at)
            self.assertEqual(len(field.at), len(field.weights))

    @given(st.sampled_from(GroundShape), JOINTS)
    def test_every_pad_lies_somewhere_in_full(self, shape, joints):
        if shape is GroundShape.SKY:
            joints = joints[: figures.grounds.SKY_EDGES]
        most = spread(painted(shape, joints), side=160).max(axis=0)
        self.assertTrue(np.all(most > 0.75), most)

    def test_bands_run_from_the_first_to_the_last(self):
        fields = painting(GroundShape.BANDS, [BLENDED] * 3)
        middle = np.full(5, 0.5)
        down = at_points(fields, middle, np.array([0, 1 / 6, 0.5, 5 / 6, 1]))
        np.testing.assert_allclose(down, np.eye(3)[[0, 0, 1, 2, 2]], atol=1e-9)
        across = at_points(
            painting(GroundShape.BANDS, [BLENDED] * 3, across=True), np.array([0, 0.5, 1]), middle[:3]
        )
        np.testing.assert_allclose(across, np.eye(3), atol=1e-9)

    def test_an_ombre_of_one_pad_begins_with_hardly_any(self):
        weights = at_points(painting(GroundShape.OMBRE, [BLENDED]), np.full(3, 0.5), np.array([0, 0.5, 1]))[
            :, 0
        ]
        self.assertEqual((weights[0], weights[2]), (figures.grounds.OMBRE_LEAST, 1))
        self.assertAlmostEqual(weights[1], (1 + figures.grounds.OMBRE_LEAST) / 2)

    def test_a_vignette_is_bare_or_tinted_in_the_middle_and_full_in_the_corners(self):
        x = np.array([0.5, 0.0, 1.0])
        for tinted, least in ((False, 0.0), (True, figures.laying.HAND_WEIGHT["light"])):
            weights = at_points(painting(GroundShape.VIGNETTE, [BLENDED] * 2, tinted=tinted), x, x)
            np.testing.assert_allclose(weights, [[least, 0], [0, 1], [0, 1]], atol=1e-9)

        for count in (1, 3):
            fields = painting(GroundShape.VIGNETTE, [BLENDED] * count)
            full = 0.5 + figures.grounds.VIGNETTE_CENTRE[1] / 2
            np.testing.assert_allclose(
                at_points(fields, np.array([full]), np.array([full])), np.eye(count)[:1]
            )

    def test_stripes_leave_the_card_bare_between_them(self):
        weights = at_points(
            painting(GroundShape.STRIPES, [BLENDED] * 2), np.full(400, 0.5), np.linspace(0, 1, 400)
        )
        bare = (weights.sum(axis=1) == 0).mean()
        self.assertAlmostEqual(bare, figures.grounds.STRIPE_GAP, places=1)
        self.assertTrue(np.all((weights > 0).sum(axis=1) <= 1))

    def test_a_sky_is_densest_along_its_edges_and_only_neighbours_mix(self):
        weights = at_points(
            painting(GroundShape.SKY, [BLENDED] * 4), np.full(800, 0.3), np.linspace(0, 0.999, 800)
        )
        self.assertTrue(np.all((weights > 0).sum(axis=1) <= 2))
        drops = np.diff(weights.sum(axis=1))
        self.assertEqual((drops < -0.3).sum(), 3)  # an edge each time the stencil is moved

    def test_layers_lie_over_all_before_them(self):
        weights = at_points(
            painted(GroundShape.STENCILS, [BLENDED] * 3), np.full(3, 0.4), np.array([0.05, 0.5, 0.99])
        )
        np.testing.assert_allclose(weights, np.tri(3))
        np.testing.assert_allclose(spread(painting(GroundShape.WASH, [BLENDED] * 2), side=3), 1)

    def test_without_pads_the_card_is_bare(self):
        (field,) = painting(GroundShape.SKY, [])
        self.assertEqual((field.weights.shape, field.way), ((2, 0), Way.DOWN))
        self.assertEqual(spread((field,), side=2).shape, (4, 0))
        np.testing.assert_allclose(seen_on(inks_of([]).mixed(field.weights)), [CARD, CARD], atol=0.1)


STENCILS = st.lists(st.builds(Stencil, st.sampled_from(StencilForm)), min_size=1, max_size=5)


class StencilTests(unittest.TestCase):
    @settings(deadline=None, max_examples=60)
    @given(st.data(), STENCILS, st.floats(0.4, 2.5), st.booleans(), POINTS)
    def test_each_place_has_what_came_through_the_stencils_that_are_open_there(
        self, data, stencils, proportion, back, points
    ):
        counts = data.draw(st.lists(st.integers(1, 2), min_size=len(stencils), max_size=len(stencils)))
        layers = [Layer(one, (BLENDED,) * count) for one, count in zip(stencils, counts, strict=True)]
        x, y = np.array(points).T
        weights = at_points(stencilled(layers, proportion, back), x, y)
        first = 0
        for opening, count in zip(openings(tuple(stencils), proportion), counts, strict=True):
            inside = shapely.contains_xy(opening.buffer(-1e-3), x, y)
            outside = ~shapely.intersects_xy(opening.buffer(1e-3), x, y)
            laid = weights[:, first : first + count].sum(axis=1)
            self.assertTrue(np.all(laid[inside] > 0.5), (laid, inside))
            left = figures.grounds.LEFT_ON_BRUSH if back and first else 0.0
            self.assertTrue(np.all(laid[outside] <= left + 1e-9), (laid, outside))
            first += count

    @given(st.sampled_from([one for one in StencilForm if one is not StencilForm.OWN]), st.integers(2, 6))
    def test_each_next_stencil_of_a_form_leaves_less_open(self, form, count):
        areas = [one.area for one in openings((Stencil(form),) * count, 0.8)]
        self.assertEqual(areas, sorted(areas, reverse=True))
        self.assertTrue(all(0.01 < one <= 1 for one in areas), areas)

    def test_ones_own_stencil_lies_whole_on_the_panel_and_its_bridges_stay_shut(self):
        square = ((0.0, 0.0), (1.0, 0.0), (1.0, 1.0), (0.0, 1.0))
        bridge = ((0.4, 0.4), (0.6, 0.4), (0.6, 0.6), (0.4, 0.6))
        (opened,) = openings((Stencil(StencilForm.OWN, (square, bridge), 1.0),), 2.0)
        np.testing.assert_allclose(opened.bounds, (0.25, 0, 0.75, 1), atol=1e-6)
        self.assertEqual(
            shapely.contains_xy(opened, [0.3, 0.5, 0.1], [0.5, 0.5, 0.5]).tolist(), [True, False, False]
        )

    def test_going_back_up_leaves_a_little_of_each_in_the_layer_before(self):
        layers = [Layer(Stencil(), (BLENDED,))] * 3
        down, up = (spread(stencilled(layers, 1.0, back), side=30) for back in (False, True))
        more = up - down
        self.assertTrue(np.allclose(more[:, 0], 0) and np.allclose(more[:, 1], figures.grounds.LEFT_ON_BRUSH))

    def test_a_brush_from_one_side_leaves_twice_the_ink_along_that_edge_and_nothing_beyond(self):
        for fields in (
            painting(GroundShape.WASH, [BLENDED] * 2),
            stencilled([Layer(Stencil(), (BLENDED,))] * 2, 1.0, False),
        ):
            x, y = np.array([0.0, 0.03, 0.5, 1.0]), np.full(4, 0.9)
            once, twice = at_points(fields, x, y), at_points(from_one_side(fields), x, y)
            share = (twice / once)[:, 0]
            self.assertEqual((share[0], share[2], share[3]), (figures.grounds.ONE_SIDE_TWICE, 1, 1))
            self.assertTrue(1 < share[1] < figures.grounds.ONE_SIDE_TWICE)


class EvennessTests(unittest.TestCase):
    def bands(self, *lightness):
        return np.array([[one, 0.0, 0.0] for one in lightness])

    def test_even_steps_hold_whichever_way_they_run(self):
        for lightness in ((90, 75, 60, 45), (30, 50, 70), (80, 50)):
            self.assertIs(examine_steps(self.bands(*lightness)).status, Status.HOLDS)

    def test_what_is_uneven_is_named(self):
        jump = examine_steps(self.bands(90, 85, 50))
        self.assertEqual((jump.status, jump.figure), (Status.LOOK_AGAIN, "ΔL* 5, 35"))
        self.assertEqual(jump.reason, "hardly shows a step from band 1 to 2")
        self.assertEqual(examine_steps(self.bands(90, 80, 72, 40)).reason, "jumps from band 3 to 4")
        back = examine_steps(self.bands(90, 60, 70, 40))
        self.assertEqual((back.status, back.reason), (Status.FAILS, "gets lighter again from band 2 to 3"))
        self.assertIn("darker again", examine_steps(self.bands(40, 70, 60, 90)).reason)
        self.assertIn("hardly gets darker", examine_steps(self.bands(60, 55, 50)).reason)
        self.assertEqual(unevenness(self.bands(50, 60, 50)), float("inf"))

    def test_another_coat_only_where_it_clearly_evens(self):
        uneven, even, nearly = self.bands(90, 85, 50), self.bands(90, 70, 50), self.bands(90, 84, 50)
        self.assertEqual(evened([uneven, nearly, even]), 2)
        self.assertIsNone(evened([uneven, nearly]))
        self.assertIsNone(evened([even]))

    def test_a_white_centre_glares_sooner_beside_a_warm_edge(self):
        white, warm, cool = (96, 0, 0), (78, 22, 34), (78, -20, -20)
        self.assertIn("warm edge", examine_centre(white, warm).reason)
        self.assertIs(examine_centre(white, cool).status, Status.HOLDS)
        self.assertIn("so strong an edge", examine_centre(white, (40, -20, -40)).reason)
        self.assertIs(examine_centre((88, 8, 14), warm).status, Status.HOLDS)

    def test_ink_gathers_along_an_edge_by_how_much_there_is(self):
        light, heavy = (inks_of([ink(PADS["moss"], hand=hand)])[0] for hand in (Hand.LIGHT, Hand.HEAVY))
        self.assertIs(examine_edge(light).status, Status.HOLDS)
        found = examine_edge(heavy)
        self.assertIs(found.status, Status.LOOK_AGAIN)
        self.assertIn("gathers to a line", found.reason)


class StandingTests(unittest.TestCase):
    def colours(self, *labs):
        return np.array(labs, dtype=float)

    def test_a_picture_by_the_share_of_its_outline(self):
        picture = self.colours(*[(40, 20, -40)] * 10)
        ground = self.colours(*[(85, 0, 5)] * 10)
        names = ["wing"] * 6 + ["tail"] * 4
        self.assertEqual(
            examine_picture(picture_stands(picture, ground), picture, ground, names, False).figure,
            "100 % of its outline",
        )
        ground[6:] = (42, 15, -38)
        found = examine_picture(picture_stands(picture, ground), picture, ground, names, False)
        self.assertEqual(
            (found.status, found.reason), (Status.LOOK_AGAIN, "tail sinks into it: L* 40 on L* 42")
        )
        held = examine_picture(picture_stands(picture, ground), picture, ground, names, True)
        self.assertEqual((held.status, held.reason), (Status.HOLDS, "its line holds it apart"))
        ground[:] = (42, 15, -38)
        self.assertIs(
            examine_picture(picture_stands(picture, ground), picture, ground, names, False).status,
            Status.FAILS,
        )

    def test_lettering_is_judged_where_it_is_worst(self):
        ground = self.colours((90, 0, 0), (35, 0, 0))
        found = examine_lettering(PairKind.LETTERING_LARGE, np.array([20.0, 0, 0]), ground)
        self.assertIs(found.status, Status.FAILS)
        self.assertIn("ΔL* 15", found.figure)
        self.assertIs(examine_lettering(PairKind.MAT, np.array([60.0, 0, 0]), ground).status, Status.HOLDS)

    def test_what_stands_out_on_a_guess_is_not_sure(self):
        ground, small = self.colours((30, 0, 0)), PairKind.LETTERING_SMALL
        for lightness, doubt, status in (
            (76.0, 0.0, Status.HOLDS),
            (76.0, 6.0, Status.HOLDS),
            (76.0, 14.0, Status.LOOK_AGAIN),  # half of it nearer to the ground it would not be read
            (60.0, 14.0, Status.FAILS),  # what does not hold is not made better by doubt
            (60.0, 0.0, Status.FAILS),
        ):
            found = examine_lettering(small, np.array([lightness, 0, 0]), ground, doubt)
            self.assertIs(found.status, status, (lightness, doubt))
            self.assertEqual("not sure" in found.reason, status is Status.LOOK_AGAIN)
        sure = examine_lettering(small, np.array([76.0, 0, 0]), ground)
        unsure = examine_lettering(small, np.array([76.0, 0, 0]), ground, 14.0)
        self.assertEqual(unsure.figure, sure.figure)  # what is told is what is predicted

    def test_a_picture_on_a_guess_is_not_sure_unless_its_line_holds_it(self):
        ground, picture = self.colours(*[(30, 0, 0)] * 8), self.colours(*[(44, 30, 10)] * 8)
        stands, names = picture_stands(picture, ground), ("wing",) * 8
        for doubt, outlined, status in (
            (0.0, False, Status.HOLDS),
            (9.0, False, Status.LOOK_AGAIN),
            (9.0, True, Status.HOLDS),
        ):
            found = examine_picture(stands, picture, ground, names, outlined, doubt)
            self.assertIs(found.status, status)

    def test_a_quiet_ground(self):
        even = np.tile(self.colours((86, -2, -6)), (50, 1))
        picture = self.colours((50, 30, 30), (40, -20, -30))
        self.assertEqual(examine_wish(Wish.QUIET, even, picture, CARD).reason, "right: it keeps still")
        loud = np.vstack([even[:25], np.tile(self.colours((60, 20, 30)), (25, 1))])
        self.assertIn("too loud: its own colours", examine_wish(Wish.QUIET, loud, picture, CARD).reason)
        bare = np.tile(CARD, (50, 1))
        self.assertIn("too quiet", examine_wish(Wish.QUIET, bare, picture, CARD).reason)
        strong = np.tile(self.colours((70, 50, 50)), (50, 1))
        self.assertIn("stronger in colour", examine_wish(Wish.QUIET, strong, picture, CARD).reason)
        self.assertIs(examine_wish(Wish.QUIET, strong, picture[:0], CARD).status, Status.HOLDS)
        speck = np.vstack([even, self.colours((20, 0, 0))])  # two in a hundred are none of its colours
        self.assertIs(examine_wish(Wish.QUIET, speck, picture, CARD).status, Status.HOLDS)

    def test_a_dark_ground(self):
        dark = np.tile(self.colours((28, 4, -20)), (30, 1))
        bright, dim = self.colours((80, 0, 60), (70, 30, 30)), self.colours((30, 10, 0), (26, 0, 0))
        self.assertIn("shines on it", examine_wish(Wish.SHINE, dark, bright, CARD).reason)
        self.assertIn("too little", examine_wish(Wish.SHINE, dark, dim, CARD).reason)
        self.assertIn(
            "not dark enough", examine_wish(Wish.SHINE, dark + np.array([30, 0, 0]), bright, CARD).reason
        )
        self.assertIs(examine_wish(Wish.SHINE, dark, bright[:0], CARD).status, Status.HOLDS)

    def test_a_bright_ground_wants_a_picture_with_light_and_dark(self):
        ground = np.tile(self.colours((75, 30, 40)), (30, 1))
        full, flat = (
            self.colours(*[(lightness, 0, 0) for lightness in range(20, 95, 5)]),
            self.colours((60, 0, 0), (66, 0, 0)),
        )
        self.assertIs(examine_wish(Wish.BRIGHT, ground, full, CARD).status, Status.HOLDS)
        self.assertIn("so flat a picture", examine_wish(Wish.BRIGHT, ground, flat, CARD).reason)
        self.assertIn("no picture", examine_wish(Wish.BRIGHT, ground, flat[:0], CARD).reason)
        self.assertIn("too quiet", examine_wish(Wish.BRIGHT, np.tile(CARD, (30, 1)), full, CARD).reason)


class EffectTests(unittest.TestCase):
    def laid(self, kind, medium=Medium.DYE_PAD, over="pewter", name="moss", weight=1.0):
        count = len(placed(kind)[0])
        inks = inks_of([ink(PADS[name], medium)]).mixed(np.full((count, 1), weight))
        leaves = np.full(count, figures.grounds.WATER_LEAVES[medium])
        return marks(kind, inks, leaves, inks_of([ink(PADS[over])])[0] if kind in INKED else None)

    def test_marks_lie_on_the_panel_and_are_the_same_every_time(self):
        for kind in EffectKind:
            x, y, radius = placed(kind)
            self.assertTrue(np.all((x >= 0) & (x <= 1) & (y >= 0) & (y <= 1) & (radius > 0)))
            np.testing.assert_array_equal(x, placed(kind)[0])

    def test_water_lifts_dye_more_than_chalk_and_chalk_more_than_pigment(self):
        lifted = {
            kind: np.median(found.seen[:, 0] - found.under[:, 0])
            for kind in figures.grounds.WATER_LEAVES
            for found in [self.laid(EffectKind.WATER, Medium(kind))]
        }
        self.assertGreater(lifted["dye ink pad"], lifted["chalk ink pad"])
        self.assertGreater(lifted["chalk ink pad"], lifted["pigment ink pad"])
        self.assertGreater(lifted["pigment ink pad"], 0)
        faint = examine_marks(EffectKind.WATER, self.laid(EffectKind.WATER, Medium.PIGMENT_PAD, weight=0.1))
        self.assertIn("hardly lifts", faint.reason)

    def test_white_covers_and_hardly_shows_on_white(self):
        dark = self.laid(EffectKind.WHITE, name="dusk")
        self.assertTrue(np.all(dark.seen[:, 0] > dark.under[:, 0] + 20))
        self.assertTrue(np.all(dark.seen[:, 0] < 97))
        self.assertIn(
            "light a ground", examine_marks(EffectKind.WHITE, self.laid(EffectKind.WHITE, weight=0.0)).reason
        )

    def test_diluted_splashes_are_weaker_than_the_stamp_of_the_same_pad(self):
        splash, stamp = (
            self.laid(kind, over="dusk", name="sun") for kind in (EffectKind.SPLASHES, EffectKind.TEXT)
        )
        self.assertGreater(splash.seen[:, 0].min(), stamp.seen[:, 0].max())

    def test_a_pattern_is_texture_or_it_vanishes_or_shouts(self):
        self.assertIs(
            examine_marks(EffectKind.STENCIL, self.laid(EffectKind.STENCIL, over="moss")).status, Status.HOLDS
        )
        vanishing = self.laid(EffectKind.STENCIL)
        vanishing = replace(vanishing, seen=vanishing.under + np.array([0.5, 0, 0]))
        self.assertIn("vanishes", examine_marks(EffectKind.STENCIL, vanishing).reason)
        loud = examine_marks(EffectKind.STENCIL, self.laid(EffectKind.STENCIL, over="dusk", name="sun"))
        self.assertEqual((loud.status, loud.reason), (Status.LOOK_AGAIN, "a pattern, no longer a texture"))

    def test_shimmer_is_not_predicted_and_a_pattern_needs_its_pad(self):
        found = self.laid(EffectKind.SHIMMER)
        self.assertIsNone(found.seen)
        self.assertIn("not predicted", examine_marks(EffectKind.SHIMMER, found).reason)
        with self.assertRaises(ValueError):
            marks(EffectKind.STENCIL, inks_of([]).mixed(np.zeros((24, 0))), np.ones(24), None)


class WaysTests(unittest.TestCase):
    def row(self, *names, joint=BLENDED):
        return PadRow(pads(*names), (joint,) * len(names), WHITE_CARD)

    def kinds(self, found):
        return [way.kind for way in found]

    def test_a_muddy_join_has_ways_out_and_each_is_better(self):
        row, others = self.row("moss", "plum"), ("lagoon", "dusk", "pewter", "sun", "brick")
        self.assertIs(row.join(0).meeting, Meeting.MUDDY)
        found = ways_out(row, 0, pads(*others))
        self.assertIn(WayKind.GAP, self.kinds(found))
        self.assertIn(WayKind.BRIDGE, self.kinds(found))
        for way in found:
            self.assertTrue(all(one.meeting is not Meeting.MUDDY for one in way.joins.values()), way)
            self.assertEqual(len(way.pads), len(way.joints))
        bridge = next(way for way in found if way.kind is WayKind.BRIDGE)
        self.assertEqual((bridge.pads[0], bridge.pads[2], len(bridge.joins)), (0, 1, 2))
        brought = others[bridge.pads[1] - 2]
        self.assertEqual(bridge.joins[0], join(row.inks[0], pads(brought)[0]))

    def test_another_order_where_it_has_less_mud(self):
        row = self.row("moss", "plum", "lagoon")
        found = [way for way in ways_out(row, 0, pads()) if way.kind is WayKind.ORDER]
        self.assertEqual(len(found), 1)
        self.assertEqual(sorted(found[0].pads), [0, 1, 2])
        self.assertEqual(len(found[0].joins), 2)
        self.assertEqual(
            self.kinds(ways_out(self.row("moss", "lagoon", "plum"), 0, pads())).count(WayKind.ORDER), 0
        )

    def test_another_pad_near_one_that_joins_clean(self):
        near = (62, -30, 44)  # nearer to yellow than moss is
        row = PadRow(pads("moss", "amber"), (BLENDED,) * 2, WHITE_CARD)
        candidates = inks_of([ink(near), ink(PADS["amber"]), ink((52, -2, -30))])
        others = [way for way in ways_out(row, 0, candidates) if way.kind is WayKind.OTHER]
        self.assertTrue(others)
        for way in others:
            self.assertEqual(len([pad for pad in way.pads if pad < 2]), 1)
            self.assertIs(way.joins[0].meeting, Meeting.CLEAN)

    def test_a_clean_join_needs_nothing(self):
        found = ways_out(self.row("sun", "lagoon"), 0, pads())
        self.assertEqual(found, [])

    def test_stripes_never_touch_and_layers_have_no_ways(self):
        muddy = self.row("moss", "plum")
        stripes = replace(muddy, shape=GroundShape.STRIPES)
        self.assertEqual(stripes.join(0).words, "a white gap keeps them apart")
        self.assertEqual(ways_out(stripes, 0, pads()), [])
        layered = replace(muddy, shape=GroundShape.WASH)
        self.assertIs(layered.join(0).meeting, Meeting.MUDDY)
        self.assertEqual(ways_out(layered, 0, pads("lagoon", "dusk")), [])

    def test_along_a_stencil_edge_only_a_little_of_the_next_reaches_the_first(self):
        weights = between(GroundShape.SKY, BLENDED)
        self.assertEqual(len(weights), figures.grounds.STRIP_PLACES)
        np.testing.assert_allclose(weights[[0, -1]], np.eye(2))
        both = weights[(weights > 0).all(axis=1)]
        self.assertLess(both[:, 1].max(), 0.3)
        kinds = self.kinds(
            ways_out(replace(self.row("moss", "plum"), shape=GroundShape.SKY), 0, pads("lagoon"))
        )
        self.assertNotIn(WayKind.GAP, kinds)

    def test_a_greyer_pad_is_no_way_out(self):
        greyer = inks_of([ink((56, -9, 6))])
        self.assertNotIn(WayKind.OTHER, self.kinds(ways_out(self.row("moss", "plum"), 0, greyer)))

    def test_six_pads_take_no_seventh(self):
        row = self.row("moss", "plum", "sun", "lagoon", "rose", "dusk")
        self.assertNotIn(WayKind.BRIDGE, self.kinds(ways_out(row, 0, pads("leaf", "amber"))))

    def test_a_rainbow_from_three_pads_or_not(self):
        three = pads("sun", "lagoon", "rose")
        found = [*seen_on(three), *(one.lab for one in overlaps(three))]
        self.assertTrue(is_rainbow(np.array(found)))
        self.assertFalse(is_rainbow(seen_on(three)))
        self.assertFalse(is_rainbow(seen_on(pads("sun", "amber", "brick"))))
        self.assertFalse(is_rainbow(np.array([[50.0, 0, 0]])))

    def test_one_over_the_whole_of_another(self):
        inks = pads("moss", "plum", "sun", "leaf")
        labs = laid_over(inks[0], inks[1])
        self.assertLess(labs[1, 0], min(labs[0, 0], labs[2, 0]))
        self.assertIs(judge_join(labs).meeting, Meeting.MUDDY)
        self.assertIs(judge_join(laid_over(inks[2], inks[3])).meeting, Meeting.CLEAN)


class KnownTests(unittest.TestCase):
    def test_what_cannot_be_predicted_is_said(self):
        usual = known(np.array(PADS["moss"], float), 0.5, False)
        self.assertEqual((usual.predicted, usual.rough, usual.notes), (True, False, ()))
        self.assertFalse(known(np.array([95.0, 0, 1]), 0.5, False).predicted)
        self.assertIn("white", known(np.array([95.0, 0, 1]), 0.5, False).notes[0])
        self.assertFalse(known(np.array([60.0, 5, 40]), 0.5, True).predicted)
        screen = known(np.array(PADS["moss"], float), figures.colour.UNCERTAINTY["screen"], False)
        self.assertTrue(screen.predicted and screen.rough)
        self.assertIn("± 5", screen.notes[0])
        black = known(np.array([14.0, 1, 0]), 0.5, False)
        self.assertTrue(black.predicted)
        self.assertIn("swallows", black.notes[0])


class WorkingTests(unittest.TestCase):
    def worked(self, *names, medium=Medium.DYE_PAD, seam=Seam.BLEND, **more):
        inks = pads(*names)
        joins = [join(inks[at], inks[at + 1]) for at in range(len(names) - 1)]
        return [
            Worked(np.array(PADS[name], float), medium, more.get("hand", Hand.MIDDLE), more.get("coats", 1), seam,
                   joins[at] if at < len(joins) else None, at)
            for at, name in enumerate(names)
        ]  # fmt: skip

    def test_lightest_first_and_back_through_in_reverse(self):
        steps = laying(GroundShape.BANDS, self.worked("dusk", "sun", "leaf"), [])
        self.assertEqual([step.using for step in steps], [None, 1, 2, 0, 2, 1, None])
        self.assertIn("tape", steps[0].words)
        self.assertIn("carry it a little", steps[1].words)
        self.assertIn("back through", steps[4].words)
        self.assertIs(steps[-1].wait, Wait.DRY)

    def test_a_clean_brush_where_hues_part(self):
        steps = laying(GroundShape.BANDS, self.worked("sun", "leaf", "plum"), [])
        by_pad = {step.using: step.words for step in steps if "lay it" in step.words}
        self.assertNotIn("brush", by_pad[0])
        self.assertIn("a clean brush", by_pad[2])
        same = laying(GroundShape.BANDS, self.worked("sun", "amber"), [])
        self.assertIn("the same brush", next(step.words for step in same if step.using == 1))

    def test_gaps_light_joins_coats_hands_and_chalk_are_told(self):
        gap = laying(GroundShape.BANDS, self.worked("sun", "plum", seam=Seam.GAP), [])
        self.assertIn("the gap stays white", gap[1].words)
        light = laying(GroundShape.OMBRE, self.worked("sun", "plum", seam=Seam.LIGHT, coats=2), [])
        self.assertIn("lighter hand at the join", light[1].words)
        self.assertEqual([step.wait for step in light if "second coat" in step.words], [Wait.DRY, Wait.DRY])
        chalk = laying(GroundShape.WASH, self.worked("sun", medium=Medium.CHALK_PAD, hand=Hand.HEAVY), [])
        self.assertTrue(any("chalk" in step.words for step in chalk))
        self.assertIn("heavy hand", chalk[1].words)
        vignette = laying(GroundShape.VIGNETTE, self.worked("sun"), [])
        self.assertIn("from the edge inwards", vignette[1].words)
        self.assertEqual(len([step for step in vignette if step.using == 0]), 1)

    def test_layers_keep_their_place_and_wait_for_one_another(self):
        steps = laying(GroundShape.STENCILS, self.worked("dusk", "sun", coats=2), [])
        self.assertEqual(
            [(step.using, step.wait) for step in steps[1:5]],
            [(0, None), (0, Wait.DRY), (1, Wait.DRY), (1, Wait.DRY)],
        )
        self.assertIn("the large brush", steps[1].words)
        self.assertIn("the small brush", steps[3].words)
        self.assertEqual((steps[5].using, "back up" in steps[5].words), (1, True))
        down_only = laying(GroundShape.STENCILS, self.worked("dusk", "sun"), [], back=False)
        self.assertFalse(any("back up" in step.words for step in down_only))
        self.assertIn("come in over every edge", steps[0].words)
        one_side = laying(GroundShape.WASH, self.worked("sun"), [], one_side=True)
        self.assertIn("takes ink twice", one_side[0].words)
        stripes = laying(GroundShape.STRIPES, self.worked("dusk", "sun"), [])
        self.assertEqual([(step.using, step.wait) for step in stripes[1:3]], [(1, None), (0, None)])

    def test_effects_come_last_in_their_order(self):
        given = [(EffectKind.SHIMMER, None), (EffectKind.WATER, None), (EffectKind.STENCIL, 0)]
        steps = laying(GroundShape.WASH, self.worked("sun"), given)
        words = [step.words.split()[0] for step in steps[-4:-1]]
        self.assertEqual(words, ["lay", "flick", "flick"])
        self.assertIn("shimmer", steps[-2].words)
        self.assertEqual(laying(GroundShape.WASH, [], []), [])
        self.assertIsNone(laying(GroundShape.WASH, [], [(EffectKind.STENCIL, None)])[0].wait)

    def test_cautions(self):
        self.assertEqual(cautions(set(), set()), [])
        self.assertIn("heat tool", cautions({Medium.DYE_PAD}, set())[0])
        self.assertIn("do not breathe", cautions({Medium.CHALK_PAD}, set())[0])
        self.assertIn("do not breathe", cautions(set(), {EffectKind.SHIMMER})[0])


class OutlineTests(unittest.TestCase):
    def test_points_lie_on_the_outer_edge_and_name_what_is_on_top(self):
        drawing = read_svg(
            b'<svg xmlns="http://www.w3.org/2000/svg"><rect id="wall" width="100" height="60"/>'
            b'<rect id="door" x="40" y="30" width="20" height="30"/><circle id="sun" cx="150" cy="20" r="15"/></svg>'
        )
        points, names = outline(drawing)
        self.assertEqual(
            (len(points), len(names)), (figures.grounds.OUTLINE_POINTS, figures.grounds.OUTLINE_POINTS)
        )
        self.assertEqual(set(names), {"wall", "door", "sun"})
        scale = drawing.width / 165
        for (x, y), name in zip(points / scale, names, strict=True):
            if name == "door":
                self.assertTrue(39 < x < 61 and abs(y - 60) < 1, (x, y))
            elif name == "sun":
                self.assertAlmostEqual(np.hypot(x - 150, y - 20), 15, delta=0.6)
            else:
                self.assertTrue(min(x, 100 - x, y, 60 - y) < 0.5, (x, y))
        self.assertIs(outline(drawing), outline(drawing))
        places = np.array([[50, 45], [10, 10], [150, 20], [120, 50]]) * scale
        self.assertEqual(shapes_at(drawing, places), ["door", "wall", "sun", None])


class PlanTests(unittest.TestCase):
    GROUND = Ground(
        GroundShape.VIGNETTE, True, (PadUse(3, Hand.HEAVY, 2, Reach.FAR, Seam.GAP), PadUse(4)), 9, True, Wish.SHINE,
        True, (Effect(EffectKind.STENCIL, 5, Hand.LIGHT), Effect(EffectKind.WATER)), InkedCard(6, Hand.LIGHT, 3, True, 7),
    )  # fmt: skip

    def test_stored_and_read_again(self):
        card = SetGround({name: getattr(self.GROUND, name) for name in self.GROUND.__slots__}).apply(PLAN)
        self.assertEqual(card.ground, self.GROUND)
        self.assertEqual(card_from_json(card_to_json(card)), card)
        self.assertEqual((named(card).pads, named(card).papers), ((3, 4, 5, 6), (9, 7)))
        self.assertFalse(Ground().laid)

    def test_what_nobody_could_lay_is_refused_in_words(self):
        for said, words in (
            ({"pads": (PadUse(1),) * 40}, "up to 6 pads; these are 40"),
            ({"pads": (PadUse(1, coats=4),)}, "1 to 3 coats"),
            (
                {"shape": GroundShape.STENCILS, "pads": (PadUse(1),) * 7},
                "6 stencils are the most; these are 7",
            ),
            (
                {"pads": (PadUse(1, stencil=Stencil(StencilForm.OWN, (((0.0, 2.0),) * 3,))),)},
                "lie on its sheet",
            ),
            (
                {"pads": (PadUse(1, stencil=Stencil(StencilForm.OWN, (((0.0, 0.5),) * 3,) * 61)),)},
                "these have 61",
            ),
            ({"mat": InkedCard(1, coats=0)}, "1 to 3 coats"),
            ({"effects": (Effect(EffectKind.WATER),) * 2}, "comes once"),
            ({"effects": (Effect(EffectKind.TEXT),)}, "with which pad"),
        ):
            with self.subTest(words), self.assertRaises(BadInput) as caught:
                SetGround(said).apply(PLAN)
            self.assertIn(words, str(caught.exception))
        same = SetGround({"pads": (PadUse(1),) * 3}).apply(PLAN)
        self.assertEqual(len(same.ground.pads), 3)

    def test_the_desk_shows_the_ground_the_mat_and_no_strip(self):
        self.assertNotIn("ground", [part.shape for part in desk(PLAN, ())])
        parts = desk(replace(PLAN, ground=self.GROUND), ())
        self.assertEqual(
            [(part.name, part.shape) for part in parts],
            [("base", "rect"), ("mat", "rect"), ("panel", "ground")],
        )
