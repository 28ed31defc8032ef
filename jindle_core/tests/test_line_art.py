import json
import unittest

from jindle_core.errors import BadInput
from jindle_core.line_art.drawing import drawing_from_json, drawing_to_json
from jindle_core.line_art.svg import read_svg


def svg(inside, head='viewBox="0 0 100 100"'):
    return f'<svg xmlns="http://www.w3.org/2000/svg" {head}>{inside}</svg>'.encode()


BOX = '<rect id="box" width="100" height="100"/>'


class SvgTests(unittest.TestCase):
    def read(self, inside, **more):
        return read_svg(svg(inside, **more))

    def test_closed_shapes_become_areas_with_the_share_that_shows(self):
        found = self.read(BOX + '<circle id="sun" cx="30" cy="30" r="20"/><path d="M0 90 L50 95"/>')
        self.assertEqual([shape.id for shape in found.shapes], ["box", "sun"])
        self.assertAlmostEqual(found.shapes[1].share, 0.1257, places=2)
        self.assertAlmostEqual(sum(shape.share for shape in found.shapes), 1, places=3)
        self.assertEqual(len(found.lines), 1)
        self.assertEqual((found.width, found.height), (1000, 1000))

    def test_what_touches_what(self):
        found = self.read(
            '<rect id="a" width="40" height="40"/><rect id="b" x="40" width="40" height="40"/><rect id="c" y="80" width="9" height="9"/>'
        )
        self.assertEqual([shape.touches for shape in found.shapes], [("b",), ("a",), ()])

    def test_holes_and_rings_that_end_where_they_begin(self):
        found = self.read(
            '<path id="ring" d="M0 0 H100 V100 H0 Z M25 25 H75 V75 H25 Z"/><path id="tri" d="M30 30 L70 30 L50 70 L30 30"/>'
        )
        self.assertAlmostEqual(found.shapes[0].share, 0.75, places=2)
        self.assertEqual(found.shapes[1].id, "tri")

    def test_nested_transforms_are_followed(self):
        plain = self.read(
            '<rect id="a" width="80" height="80"/><rect id="b" x="20" y="20" width="40" height="40"/>'
        )
        turned = self.read(
            '<g transform="translate(10 5) scale(2)"><rect id="a" width="40" height="40"/><g transform="rotate(90 20 20)"><rect id="b" x="10" y="10" width="20" height="20"/></g></g>'
        )
        for one, other in zip(plain.shapes, turned.shapes, strict=True):
            self.assertAlmostEqual(one.share, other.share, places=3)

    def test_the_same_id_twice_and_no_id_at_all(self):
        found = self.read(
            '<rect id="a" width="40" height="40"/><rect id="a" x="50" width="40" height="40"/><rect y="50" width="40" height="40"/>'
        )
        self.assertEqual([shape.id for shape in found.shapes], ["a", "a 2", "shape 3"])

    def test_scripts_links_and_texts_are_left_out(self):
        found = self.read(
            f'<script>alert(1)</script><a href="https://example.org">{BOX}</a>{BOX}<image href="x.png"/><text>hello</text><style>rect {{ fill: url(http://x) }}</style>'
        )
        told = json.dumps(drawing_to_json(found))
        for word in ("alert", "example", "png", "hello", "http"):
            self.assertNotIn(word, told)
        self.assertTrue(any("script" in note for note in found.notes))

    def test_out_and_back(self):
        found = self.read(BOX + '<circle id="sun" cx="30" cy="30" r="20"/>')
        self.assertEqual(drawing_from_json(json.loads(json.dumps(drawing_to_json(found)))), found)

    def test_bad_drawings_say_what_is_wrong(self):
        cases = (
            (b"", "no well-formed SVG"),
            (b"\x89PNG", "no well-formed SVG"),
            (b"<html></html>", "first element is not <svg>"),
            (svg("<text>only words</text>"), "no closed shape"),
            (svg('<path d="M0 0 L50 50 L90 0"/>'), "no closed shape"),
            (svg('<path d="M0 0 wrong"/>'), "no closed shape|cannot be read"),
            (svg('<rect width="1e300" height="4"/>'), "out of all measure"),
            (svg('<path d="M0 0 L99999999999 0 L0 99999999999 Z"/>'), "out of all measure"),
            (svg(BOX, head='viewBox="0 0 nan 1"'), "out of all measure"),
            (svg("<rect width='5' height='5'/>" * 10_000), "10000 shapes"),
            (svg("<g>" * 60 + BOX + "</g>" * 60), "nested deeper"),
            (svg('<rect width="100" height="100" x="0"/>'.replace("100", "0")), "no closed shape|too small"),
            (b'<!DOCTYPE svg [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;">]><svg>&b;</svg>', "entities"),
            (b'<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]><svg>&a;</svg>', "entities"),
            (b"<svg>" + b" " * (5 * 2**20) + b"</svg>", "larger than"),
        )
        for content, words in cases:
            with self.subTest(words=words, content=content[:60]), self.assertRaisesRegex(BadInput, words):
                read_svg(content)

    def test_too_many_areas_keep_the_uppermost(self):
        rows = "".join(
            f'<rect id="r{n}" x="{n % 12 * 9}" y="{n // 12 * 7}" width="8" height="6"/>' for n in range(150)
        )
        found = self.read(rows)
        self.assertEqual((len(found.shapes), found.shapes[-1].id), (120, "r149"))
        self.assertTrue(any("uppermost" in note for note in found.notes))
