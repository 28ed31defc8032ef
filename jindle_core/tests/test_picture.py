import io
import unittest

import numpy as np
from PIL import Image, ImageCms

from jindle_core import figures
from jindle_core.errors import BadInput
from jindle_core.interchange.picture import read_picture
from jindle_core.interchange.small_picture import small_picture

TEAL = (26, 124, 155)


def saved(image, kind="PNG", **how) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **how)
    return out.getvalue()


def plain(mode="RGB", colour=TEAL, size=(64, 48)) -> Image.Image:
    return Image.new(mode, size, colour)


def pixel(image, **how) -> tuple[int, ...]:
    """What one of its pixels comes to, saved and opened again."""
    return tuple(small_picture(saved(image, **how)).pixels[1, 1].tolist())


class GoodPictureTests(unittest.TestCase):
    def assert_teal(self, content, within=3):
        pixels = small_picture(content).pixels
        self.assertLessEqual(np.abs(pixels.reshape(-1, 3).mean(axis=0) - TEAL).max(), within)

    def test_every_kind(self):
        for kind in ("PNG", "JPEG", "WEBP"):
            with self.subTest(kind):
                self.assert_teal(saved(plain(), kind))

    def test_linear_and_size(self):
        picture = read_picture(saved(plain(colour=(255, 188, 0))))
        self.assertEqual((picture.width, picture.height, picture.linear.shape), (64, 48, (48, 64, 3)))
        np.testing.assert_allclose(picture.linear[0, 0], (1.0, 0.503, 0.0), atol=0.002)
        self.assertTrue(picture.clipped.all())

    def test_a_large_one_is_made_small(self):
        picture = read_picture(saved(plain(size=(3000, 1500)), "JPEG"))
        self.assertEqual((picture.width, picture.height), (3000, 1500))
        self.assertLessEqual(max(picture.linear.shape), figures.paper.PICTURE_SIDE)

    def test_turned_as_the_camera_was_held(self):
        image = plain(size=(64, 48))
        image.paste((255, 0, 0), (0, 0, 64, 10))
        exif = Image.Exif()
        exif[0x0112] = 6  # the top of the scene is at the right of the file
        picture = read_picture(saved(image, "JPEG", exif=exif, quality=95))
        self.assertEqual((picture.width, picture.height), (48, 64))
        self.assertGreater(picture.linear[:, -3, 0].mean(), 0.8)

    def test_transparent_parts_show_paper(self):
        self.assertEqual(pixel(plain("RGBA", (0, 0, 0, 0))), (255, 255, 255))
        self.assert_teal(saved(plain("RGBA", (*TEAL, 255))))

    def test_greys_palettes_and_sixteen_bits(self):
        self.assertEqual(pixel(plain("L", 90)), (90, 90, 90))
        self.assert_teal(saved(plain().quantize(8)))
        deep = Image.fromarray(np.full((40, 40), 90 * 257, dtype=np.uint16))
        self.assertEqual(pixel(deep), (90, 90, 90))

    def test_an_embedded_profile_is_honoured(self):
        srgb = ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB")).tobytes()
        self.assert_teal(saved(plain(), icc_profile=srgb), within=1)
        # A profile in which red and blue have changed places.
        turned = srgb.replace(b"rXYZ", b"?").replace(b"bXYZ", b"rXYZ").replace(b"?", b"bXYZ")
        red, _, blue = pixel(plain(), icc_profile=turned)
        self.assertGreater(red, blue + 60)
        with self.assertRaisesRegex(BadInput, "profile that cannot be read"):
            read_picture(saved(plain(), icc_profile=b"no profile at all"))

    def test_the_first_frame_of_a_moving_one(self):
        frames = [plain(), plain(colour=(255, 255, 255))]
        self.assert_teal(saved(frames[0], "WEBP", save_all=True, append_images=frames[1:], lossless=True))


class BadPictureTests(unittest.TestCase):
    def assert_refused(self, content, words):
        with self.assertRaisesRegex(BadInput, words):
            read_picture(content)

    def test_what_is_no_picture(self):
        for content in (b"", b"hello", b"%PDF-1.4", saved(plain(), "GIF"), saved(plain(), "TIFF")):
            self.assert_refused(content, "no PNG, JPEG or WebP")

    def test_cut_off(self):
        noise = Image.fromarray(np.random.default_rng(1).integers(0, 255, (200, 200, 3), dtype=np.uint8))
        for kind in ("PNG", "JPEG"):
            content = saved(noise, kind)
            self.assert_refused(content[: len(content) // 2], "damaged or cut off")

    def test_too_many_pixels_are_refused_by_the_header_alone(self):
        header = saved(plain("1", 0, (12000, 9000)))
        self.assertLess(len(header), 100_000)
        self.assert_refused(header, "108 megapixels")

    def test_too_small(self):
        self.assert_refused(saved(plain(size=(1, 1))), "1 × 1 pixels")

    def test_too_large_a_file(self):
        self.assert_refused(b"x" * (figures.paper.LARGEST_PICTURE + 1), "MB are the most")

    def test_cmyk_without_a_profile(self):
        self.assert_refused(saved(plain("CMYK", (200, 40, 20, 10)), "JPEG"), "CMYK without a profile")
