import io
import unittest

import numpy as np
from PIL import Image

from standins.camera import LIGHTS, Scene, SimulatedCamera

PAPER, INK, WHITE = np.full(31, 0.7), np.linspace(0.6, 0.1, 31), np.full(31, 0.88)


def scene(white=WHITE) -> Scene:
    labels = np.zeros((240, 240), dtype=np.uint8)
    labels[120:, :] = 1
    return Scene(labels, np.stack([PAPER, INK]), white)


def taken(light, seed=0, white=WHITE) -> np.ndarray:
    content = SimulatedCamera().photograph(scene(white), light, seed)
    return np.asarray(Image.open(io.BytesIO(content))).astype(float)


class CameraTests(unittest.TestCase):
    def test_a_jpeg_half_as_fine_as_the_scene(self):
        content = SimulatedCamera().photograph(scene(), "daylight")
        image = Image.open(io.BytesIO(content))
        self.assertEqual((image.format, image.size), ("JPEG", (120, 120)))

    def test_the_same_for_the_same_seed_and_noisy_for_another(self):
        np.testing.assert_array_equal(taken("shade", 3), taken("shade", 3))
        self.assertGreater(np.abs(taken("shade", 3) - taken("shade", 4)).mean(), 0.3)

    def test_lamps_tint_and_a_white_card_shows_it(self):
        warm, cool = (taken(light)[8:20, 8:20].mean(axis=(0, 1)) for light in ("bulb", "shade"))
        self.assertGreater(warm[0] - warm[2], 10)
        self.assertGreater(cool[2], cool[0])
        self.assertGreater(min(warm), taken("bulb")[90:110, 60:110].mean())

    def test_mixed_light_changes_across_the_picture(self):
        picture = taken("mixed light", white=None)
        left, right = (
            picture[10:50, columns].mean(axis=(0, 1)) for columns in (slice(5, 25), slice(95, 115))
        )
        self.assertGreater((right[0] / right[2]) / (left[0] / left[2]), 1.03)

    def test_its_white_is_not_cut_off(self):
        for light in LIGHTS:
            self.assertLess(taken(light)[8:20, 8:20].max(), 254)

    def test_no_other_lights(self):
        with self.assertRaises(ValueError):
            taken("moonlight")
