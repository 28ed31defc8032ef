"""Outlines that are photographed or scanned become areas; what stays open is told and mended by hand."""

import io
import unittest

import numpy as np
import shapely
from hypothesis import given, settings
from hypothesis import strategies as st
from PIL import Image
from skimage.morphology import skeletonize

from jindle_core.errors import BadInput
from jindle_core.line_art.scanned.areas import MendStroke, MendWay, as_drawing, scanned
from jindle_core.line_art.scanned.threads import threads
from standins.stamp import on_paper, stamped

SIDE = 640


def box(left, top, right, bottom):
    return np.array([(left, top), (right, top), (right, bottom), (left, bottom)], float)


def round_at(x, y, radius):
    turns = np.linspace(0, 2 * np.pi, 40, endpoint=False)
    return np.stack([x + radius * np.cos(turns), y + radius * np.sin(turns)], axis=1)


# A house, its door and window, and a sun beside it.
HOUSE = [
    [box(100, 400, 620, 950)],
    [box(180, 620, 320, 950)],
    [round_at(480, 600, 80)],
    [round_at(800, 200, 130)],
]
AREAS = (
    shapely.Polygon(HOUSE[0][0]).difference(
        shapely.union_all([shapely.Polygon(HOUSE[n][0]) for n in (1, 2)])
    ),
    *(shapely.Polygon(HOUSE[n][0]) for n in (3, 1, 2)),
)  # the largest first


def picture(condition="clean", seed=1, rings=HOUSE):
    return np.asarray(Image.open(io.BytesIO(stamped(rings, condition, seed, side=SIDE))))


def with_gaps(*places, radius=14):
    found = picture().copy()
    y, x = np.indices(found.shape[:2])
    for place in places:
        left, top = on_paper(np.array(place, float), SIDE)
        found[(x - left) ** 2 + (y - top) ** 2 < radius**2] = (244, 220, 175)
    return found


def there(found):
    """Which of the areas are found: those of which some polygon has at least 80 %, and little else."""
    wanted = [shapely.transform(one, lambda points: on_paper(points, SIDE) / SIDE) for one in AREAS]
    return [
        max(one.intersection(area).area / one.union(area).area for area in found.areas) >= 0.8
        for one in wanted
    ]


class ScannedTests(unittest.TestCase):
    @settings(max_examples=6, deadline=None)
    @given(st.sampled_from(["clean", "usual"]), st.integers(1, 40))
    def test_every_area_of_a_usual_print_is_found(self, condition, seed):
        self.assertEqual(there(scanned(picture(condition, seed))), [True] * 4)

    def test_they_become_a_drawing_with_names_and_what_touches(self):
        drawing = as_drawing(scanned(picture()), ["wall", "", "door "])
        self.assertEqual([one.id for one in drawing.shapes], ["wall", "area 2", "door", "area 4"])
        self.assertEqual(set(drawing.shapes[0].touches), {"door", "area 4"})
        self.assertEqual(drawing.shapes[1].touches, ())
        self.assertAlmostEqual(max(drawing.width, drawing.height), 1000)
        self.assertEqual((drawing.lines, drawing.notes), ((), ()))

    def test_a_wide_gap_is_told_and_a_short_line_closes_it(self):
        open_sun = with_gaps((670, 200), radius=26)
        found = scanned(open_sun)
        self.assertEqual(there(found), [True, False, True, True])
        end, onto = found.loose[0] * SIDE
        for place in (end, onto):  # the two sides of the gap
            off = np.linalg.norm(place - on_paper(np.array([670.0, 200.0]), SIDE))
            self.assertAlmostEqual(off, 26, delta=9)
        mended = scanned(open_sun, [MendStroke(MendWay.LINE, found.loose[0])])
        self.assertEqual(there(mended), [True] * 4)
        self.assertEqual(len(mended.loose), 0)

    def test_a_line_need_not_be_drawn_exactly(self):
        stroke = on_paper(np.array([(672.0, 140.0), (665.0, 262.0)]), SIDE) / SIDE
        mended = scanned(with_gaps((670, 200), radius=26), [MendStroke(MendWay.LINE, stroke)])
        self.assertEqual(there(mended), [True] * 4)

    def test_one_stroke_makes_pieces_one(self):
        stroke = on_paper(np.array([(250.0, 800.0), (400.0, 800.0)]), SIDE) / SIDE
        found = scanned(picture(), [MendStroke(MendWay.JOIN, stroke)])
        self.assertEqual(len(found.areas), 3)
        apart = on_paper(np.array([(250.0, 800.0), (800.0, 200.0)]), SIDE) / SIDE
        with self.assertRaisesRegex(BadInput, "these do not"):
            scanned(picture(), [MendStroke(MendWay.JOIN, apart)])

    def test_what_shows_no_outline_is_said(self):
        random = np.random.default_rng(0)
        line = [np.array([(100, 500), (900, 500), (900, 502), (100, 502)], float)]
        for pixels, words in (
            (random.integers(0, 256, (500, 500, 3)), "more ink than paper|texture"),
            (np.repeat(random.integers(0, 256, (500, 500, 1)), 3, axis=2), "more ink than paper|texture"),
            (
                np.where(random.random((500, 500, 1)) < 0.02, 0, 250).repeat(3, axis=2),
                "texture|hardly any ink",
            ),
            (np.full((500, 500, 3), 240), "hardly any ink"),
            (np.zeros((500, 500, 3)), "hardly any ink"),
            (picture(rings=[line]), "no area that they close"),
        ):
            with self.subTest(words), self.assertRaisesRegex(BadInput, words):
                scanned(pixels.astype(np.uint8))


class ThreadTests(unittest.TestCase):
    def test_a_skeleton_is_taken_apart_where_lines_meet(self):
        mask = np.zeros((40, 40), bool)
        mask[20, 5:35] = True
        mask[5:20, 20] = True
        found = threads(skeletonize(mask))
        self.assertEqual(len(found), 3)
        self.assertEqual(sorted(sum(end >= 0 for end in one.ends) for one in found), [1, 1, 1])
        self.assertAlmostEqual(sum(one.length for one in found), 29 + 15, delta=3)

    def test_a_ring_is_a_loop(self):
        mask = np.zeros((40, 40), bool)
        mask[10, 10:30] = mask[29, 10:30] = True
        mask[10:30, 10] = mask[10:30, 29] = True
        (one,) = threads(skeletonize(mask))
        self.assertTrue(one.loop)
        np.testing.assert_array_equal(one.points[0], one.points[-1])
