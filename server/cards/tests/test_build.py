import re
import zlib

from django.core.files.uploadedfile import SimpleUploadedFile

from server.catalogue.range_actions import delete_range
from server.tests.helpers import ApiTestCase, make_range


def inflated(pdf: bytes) -> bytes:
    """What stands in the compressed streams of a PDF."""
    found = b""
    for stream in re.findall(rb"stream\r?\n(.*?)\r?\nendstream", pdf, re.S):
        try:
            found += zlib.decompress(stream)
        except zlib.error:  # a font's, in another coding
            continue
    return found + pdf


class BuildTests(ApiTestCase):
    def add(self, card, name, status=200, piece_kind="panel", unit="in", **told):
        return self.change(
            card, status, kind="add_piece", piece_kind=piece_kind, name=name, unit=unit, **told
        )

    def built(self):
        """A slate mat on the card, a mist panel on it, a picture in pond on that."""
        card = self.add(
            self.full_card(), "mat", piece_kind="mat", reveal="1/8", material={"source": "palette", "id": 3}
        )
        card = self.add(card, "panel", on=1, reveal="3 mm", material={"source": "palette", "id": 2})
        return self.add(card, "heron", piece_kind="image", on=2, width="1 1/2", height="2", raised="foam-tape",
                        across="left-third", right="-1/4", material={"source": "palette", "id": 1})  # fmt: skip

    def told(self, card):
        return self.ask("get", f"cards/{card['id']}/build")

    def piece(self, card, key):
        return next(one for one in self.told(card)["pieces"] if one["key"] == key)

    def test_a_bare_card(self):
        card = self.full_card()
        told = self.told(card)
        self.assertEqual(
            (told["pieces"], told["flat"], told["score"]), ([], "11 × 4 1/4 in", "5 1/2 in from the left")
        )
        self.assertEqual(
            (told["envelope"], told["thickness"]["figure"]), ("4 3/8 × 5 3/4 in", "0.7 mm at its highest")
        )
        layouts = self.ask("get", f"cards/{card['id']}/build/layouts")
        self.assertGreaterEqual(len(layouts), 6)
        self.assertTrue(all(len(one["desk"]["parts"]) > 1 for one in layouts))

    def test_sizes_follow_and_are_told_in_both_units(self):
        card = self.built()
        told = {one["name"]: one for one in self.told(card)["pieces"]}
        self.assertEqual(told["mat"]["size"], "5 1/4 × 4 in")
        self.assertEqual(told["panel"]["size"], "5 × 3 3/4 in")  # 3 mm all round, cut on the 64th
        self.assertEqual((told["panel"]["reveal"], told["panel"]["reveal_unit"]), ("3", "mm"))
        self.assertEqual(told["heron"]["bottom"], 1.9)
        self.assertEqual((told["heron"]["right"], told["heron"]["below"]), ("−1/4 in", ""))
        back = self.change(
            card, kind="edit_piece", key=3, unit="in", right=told["heron"]["right"], below="2 mm"
        )
        self.assertEqual([self.piece(back, 3)[side] for side in ("right", "below")], ["−1/4 in", "2 mm"])
        card = self.ask("post", f"cards/{card['id']}/undo", {"version": back["version"]})
        self.ask("patch", "me", {"units": "mm"})
        self.assertEqual(self.piece(card, 1)["size_shown"], "133 × 102 mm")
        self.assertEqual(self.piece(card, 1)["size"], "5 1/4 × 4 in")
        card = self.change(card, kind="edit_piece", key=1, unit="in", reveal="1/4")
        self.assertEqual(self.piece(card, 1)["size"], "5 × 3 3/4 in")
        card = self.ask("post", f"cards/{card['id']}/undo", {"version": card["version"]})
        self.assertEqual(self.piece(card, 1)["size"], "5 1/4 × 4 in")

    def test_what_is_measured_adds_up_in_either_unit(self):
        card = self.built()
        self.assertEqual(
            self.piece(card, 1)["lies"], "across 1/8 + 5 1/4 + 1/8 = 5 1/2, down 1/8 + 4 + 1/8 = 4 1/4 in"
        )
        self.ask("patch", "me", {"units": "mm"})
        told = self.told(card)
        self.assertEqual((told["flat"], told["score"]), ("279 × 108 mm", "140 mm from the left"))
        for one in told["pieces"]:
            for part in one["lies"].removesuffix(" mm").split(", "):
                parts, whole = part.split(" ", 1)[1].split(" = ")
                self.assertEqual(sum(map(int, parts.split(" + "))), int(whole), one["name"])
        self.assertTrue(told["pieces"][0]["lies"].endswith("= 108 mm"))
        card = self.change(card, kind="nudge_piece", key=3, right=100, below=0)
        self.assertEqual(self.piece(card, 3)["lies"], "")

    def test_each_piece_is_judged_against_what_it_lies_beside(self):
        card = self.built()
        heron = self.piece(card, 3)
        self.assertEqual((heron["beside"], heron["stands"]["status"]), ("panel", "holds"))
        card = self.change(card, kind="edit_piece", key=3, unit="in", material={"source": "palette", "id": 2})
        self.assertEqual(self.piece(card, 3)["stands"]["reason"], "mist sinks into it: L* 80 on L* 80")
        card = self.change(card, kind="edit_piece", key=1, unit="in", material={"source": "white"})
        self.assertEqual(self.piece(card, 1)["stands"]["reason"], "cannot be told from what it lies beside")
        over = self.add(card, "cover", reveal="1/16")
        self.assertIsNone(self.piece(over, 1)["stands"])

    def test_what_hangs_over_is_told_and_fits_turned(self):
        card = self.add(self.built(), "border", piece_kind="strip", width="5", height="5 1/4", on=1)
        fit = self.piece(card, 4)
        self.assertEqual((fit["fit"]["status"], fit["fits_turned"]), ("fails", False))
        card = self.add(card, "tall", piece_kind="strip", width="1", height="5")
        self.assertIn("fits turned by a quarter", self.piece(card, 5)["fit"]["reason"])

    def test_fold_post_and_envelope(self):
        card = self.change(self.built(), kind="set_build", fold="at-the-top", post_limit=1.5)
        told = self.told(card)
        self.assertEqual((told["flat"], told["score"]), ("5 1/2 × 8 1/2 in", "4 1/4 in from the top"))
        self.assertEqual(told["thickness"]["reason"], "thicker than your post takes")

    def test_a_layout_takes_the_palettes_roles(self):
        card = self.change(self.full_card(), kind="start_layout", layout="framed")
        told = {one["name"]: one for one in self.told(card)["pieces"]}
        self.assertEqual(told["mat 1"]["material"]["words"], "slate")
        self.assertEqual(told["panel"]["material"]["words"], "mist")
        self.assertTrue(all(one["fit"]["status"] == "holds" for one in told.values()))

    def test_moved_removed_and_a_colour_that_goes(self):
        card = self.change(self.built(), kind="remove_piece", key=1)
        self.assertEqual([(one["key"], one["on"]) for one in self.told(card)["pieces"]], [(2, 0), (3, 2)])
        card = self.change(card, kind="move_piece", key=3, to=0)
        self.assertEqual([one["key"] for one in self.told(card)["pieces"]], [3, 2])
        card = self.change(card, kind="remove_colour", key=2)
        self.assertEqual(self.piece(card, 2)["material"]["words"], "white card")

    def test_bad_input_gets_a_sentence_and_changes_nothing(self):
        card = self.built()
        for told, words in (
            ({"reveal": "-1/8"}, "is not a length"),
            ({"reveal": "0"}, "no measure of a piece"),
            ({"reveal": "four and a quarter"}, "such as 4 5/16"),
            ({"reveal": "3"}, "leaves nothing of x"),
            ({"width": "3 m", "height": "1"}, "is not a length"),
            ({"width": "3000 mm", "height": "1"}, "no measure of a piece"),
            ({"width": "3"}, "width and height together"),
            ({}, "neither a reveal nor a size"),
            ({"reveal": "1/8", "on": 77}, "not there"),
            ({"reveal": "1/8", "right": "far"}, "not a length"),
            ({"reveal": "1/8", "material": {"source": "supply", "id": 10**9}}, ""),
        ):
            with self.subTest(told=told):
                answer = self.add(card, "x", 400, **told)
                self.assertIn(words, answer["message"] + str(answer.get("problems")))
        self.change(card, 400, kind="edit_piece", key=1, unit="in", on=3)
        self.change(card, 400, kind="start_layout", layout="pyramid")
        self.assertEqual(len(self.told(card)["pieces"]), 3)

    def test_a_supply_that_is_gone_stands_in_as_it_was_and_says_so(self):
        own = make_range(self.ann, "Mine", "cardstock", "name,L,a,b\nrust,45,30,30\n")
        card = self.add(self.full_card(), "mat", piece_kind="mat", reveal="1/8",
                        material={"source": "supply", "id": own.colours.get().pk})  # fmt: skip
        self.assertEqual(self.piece(card, 1)["material"]["words"], "Mine rust")
        self.assertIn("rust", [one["swatch"]["label"] for one in self.ask("get", "shopping")])
        before = self.piece(card, 1)["material"]
        delete_range(own)
        after = self.piece(card, 1)["material"]
        self.assertEqual(after["words"], "Mine rust, no longer in your supplies")
        self.assertEqual(after["shades"], before["shades"])
        self.assertNotIn("rust", [one["swatch"]["label"] for one in self.ask("get", "shopping")])
        for address in (f"ranges/{own.pk}", f"ranges/{own.pk}/uses", f"ranges/{own.pk}/chart"):
            self.ask("get", address, status=404)
        self.assertEqual(self.ask("get", "find", {"q": "rust"})["colours"], [])
        offered = self.ask("get", f"cards/{card['id']}/alternatives", {"key": 1, "column": "cardstock"})
        self.assertNotIn("rust", [one["swatch"]["label"] for one in offered["matches"]])
        # The card goes on being worked on, and the colour goes with the piece.
        card = self.change(card, kind="edit_piece", key=1, unit="in", reveal="1/4")
        self.assertEqual(self.piece(card, 1)["material"]["words"], after["words"])

    def test_it_goes_with_the_archive(self):
        own = make_range(self.ann, "Mine", "cardstock", "name,L,a,b\nrust,45,30,30\n")
        end = {"source": "supply", "id": own.colours.get().pk}
        self.change(
            self.add(self.built(), "edge", piece_kind="mat", reveal="1/16", material=end),
            kind="set_build",
            base=end,
        )
        pad = make_range(self.ann, "Inks", content="code,L,a,b\nFEN-1,50,-30,30\n").colours.get().pk
        (listed,) = self.ask("get", "cards")["cards"]
        self.add(
            listed,
            "note",
            piece_kind="strip",
            width="2",
            height="1",
            inside=True,
            inked={"colour": pad, "coats": 2},
        )
        packed = SimpleUploadedFile("mine.zip", self.client.get("/api/me/archive").getvalue())
        self.client.force_login(self.ben)
        self.assertEqual(self.client.post("/api/me/archive", {"file": packed}).status_code, 200)
        (card,) = self.ask("get", "cards")["cards"]
        told = self.told(card)
        self.assertEqual(
            (told["base"]["words"], told["pieces"][-1]["material"]["words"]), ("Mine rust", "Mine rust")
        )
        self.assertNotEqual(told["base"]["id"], end["id"])
        (note,) = told["inside"]
        self.assertEqual(note["material"]["words"], "white card, inked with Inks FEN-1")
        self.assertEqual((note["inked"]["coats"], note["inked"]["colour"] != pad), (2, True))
        self.assertEqual([one["size"] for one in told["pieces"]][:2], ["5 1/4 × 4 in", "5 × 3 3/4 in"])

    def cutting(self, card, status=200, **asked):
        return self.ask(
            "get",
            f"cards/{card['id']}/build/cutting",
            {"width": "8 1/2", "height": "11", "unit": "in"} | asked,
            status,
        )

    def test_what_is_cut_from_which_sheet(self):
        card = self.built()
        told = self.cutting(card)
        self.assertEqual(len(told["sheets"]), 4)  # white, slate, mist, pond: a stock each
        base = told["sheets"][0]
        self.assertEqual([cut["name"] for cut in base["cuts"]], ["base"])
        self.assertAlmostEqual(base["width"], 215.9)
        self.assertAlmostEqual(base["cuts"][0]["width"] * base["cuts"][0]["height"], 279.4 * 107.95, delta=1)
        self.assertTrue(base["left"])
        set_of_four = self.cutting(card, count=4)
        self.assertEqual(
            len([one for one in set_of_four["sheets"] if one["material"]["words"] == "white card"]), 2
        )
        self.assertGreaterEqual(len(set_of_four["sheets"]), set_of_four["bound"])
        self.assertEqual(sum(len(one["cuts"]) for one in set_of_four["sheets"]), 16)
        score, turned = base["cuts"][0]["score"], self.cutting(card, grain="along the short side")
        self.assertEqual((score["y1"], score["y2"]), (139.7, 139.7))
        self.assertIn("folded", turned["pieces"][0]["direction"])
        self.cutting(card, 400, grain="crosswise")

    def test_the_list_the_hidden_middles_and_the_pages_to_print(self):
        card = self.built()
        told = self.cutting(card, count=3)
        self.assertEqual([(one["name"], one["size"], one["count"]) for one in told["pieces"]][:2],
                         [("base", "11 × 4 1/4 in", 3), ("mat", "5 1/4 × 4 in", 3)])  # fmt: skip
        (middle,) = told["middles"]
        self.assertEqual(middle["name"], "mat")
        path = f"/api/cards/{card['id']}/build/cutting/sheet"
        printed = self.client.get(path, {"width": "8 1/2", "height": "11", "unit": "in", "count": 3})
        self.assertEqual((printed.status_code, printed["Content-Type"]), (200, "application/pdf"))
        pages = re.findall(rb"/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]", inflated(printed.content))
        self.assertEqual(len(pages), 1 + len(told["sheets"]))
        self.assertEqual({(round(float(wide)), round(float(high))) for wide, high in pages}, {(612, 792)})
        small = self.client.get(path, {"width": "3", "height": "3", "unit": "in"})
        self.assertEqual((small.status_code, small["Content-Type"]), (200, "application/pdf"))
        odd = self.client.get(path, {"width": "14", "height": "9", "unit": "in", "from_middles": "true"})
        wide = re.findall(rb"/MediaBox \[0 0 ([\d.]+) ([\d.]+)\]", inflated(odd.content))
        # No home printer's page holds these: drawn smaller, in their shape, which is said.
        sizes = {(float(one), float(other)) for one, other in wide}
        self.assertTrue(
            all(max(one) < 297 / 25.4 * 72 and abs(one[0] / one[1] - 14 / 9) < 0.01 for one in sizes), sizes
        )

    def test_no_sheet_is_big_enough(self):
        card = self.built()
        small = self.cutting(card, width="6", height="5")
        self.assertEqual([one["name"] for one in small["too_large"]], ["base"])
        cut = {one["name"] for sheet in small["sheets"] for one in sheet["cuts"]}
        self.assertTrue(cut)
        self.assertNotIn("base", cut)
        none = self.cutting(card, width="1", height="1")
        self.assertLess(len(none["sheets"]), len(small["sheets"]))
        self.assertIn("no size of a sheet", str(self.cutting(card, 400, width="0")))
        self.cutting(card, 400, count=0)
        self.cutting(card, 400, count=501)
        many = self.change(card, kind="start_layout", layout="three mats")
        mat = min(one["key"] for one in self.told(many)["pieces"])
        self.change(many, kind="edit_piece", key=mat, unit="in", material={"source": "white"})
        self.assertIn("pieces are asked for", self.cutting(many, 400, count=500)["message"])

    def test_a_card_is_folded_as_the_usual_sheets_allow(self):
        for width, height, fold, flat in (
            ("7", "5", "at-the-top", "7 × 10 in"),
            ("5", "7", "at-the-side", "10 × 7 in"),
            ("5 1/2", "4 1/4", "at-the-side", "11 × 4 1/4 in"),
        ):
            size = {"width": width, "height": height, "unit": "in"}
            card = self.change(self.full_card(), kind="set_card", size=size)
            card = self.change(card, kind="start_layout", layout="framed")
            told = self.told(card)
            self.assertEqual((told["fold"], told["flat"]), (fold, flat))
            self.assertNotIn("sheet", [one["kind"] for one in card["checks"]])

    def test_a_base_that_no_usual_sheet_holds_is_a_check_with_its_way_out(self):
        size = {"width": "7", "height": "5", "unit": "in"}
        card = self.change(self.full_card(), kind="set_card", size=size)
        card = self.change(card, kind="start_layout", layout="framed")
        card = self.change(card, kind="set_build", fold="at-the-side")
        (found,) = [one for one in card["checks"] if one["id"] == "sheet"]
        self.assertEqual((found["status"], found["stage"]), ("look-again", "build"))
        self.assertIn("14 × 5 in", found["figure"])
        (mend,) = self.mends(card, "sheet")
        card = self.change(card, **mend["change"])
        self.assertFalse([one for one in card["checks"] if one["id"] == "sheet"])
        huge = self.change(card, kind="set_card", size={"width": "12", "height": "12", "unit": "in"})
        self.assertTrue([one for one in huge["checks"] if one["id"] == "sheet"])
        self.assertEqual(self.mends(huge, "sheet"), [])

    def test_a_ground_on_the_panel_is_judged_as_it_lies_and_cut_from_its_paper(self):
        card = self.change(
            self.built(),
            kind="set_ground",
            pads=[{"colour": self.ids["TAR-1"]}, {"colour": self.ids["SKY-1"]}],
        )
        self.assertEqual(self.piece(card, 3)["beside"], "panel")
        card = self.change(card, kind="edit_piece", key=3, unit="in", material={"source": "palette", "id": 3})
        sinks = self.piece(card, 3)
        self.assertEqual(sinks["stands"]["status"], "fails")  # slate on tar, and on mist
        self.assertRegex(sinks["stands"]["figure"], r"^[1-4]\d % of its outline")
        told = {"on": 2, "width": "1", "height": "1", "material": {"source": "palette", "id": 3}}
        card = self.add(card, "flag", piece_kind="strip", **told, down="top")
        flag = self.piece(card, 4)
        self.assertEqual(flag["stands"]["status"], "fails")
        self.assertRegex(flag["beside"], "panel, at its (bottom|left|right)")
        white = next(one for one in self.cutting(card)["sheets"] if one["material"]["words"] == "white card")
        self.assertEqual({cut["name"] for cut in white["cuts"]}, {"base", "panel"})
        # What the ground is on is told alike in Build, in Cutting and by the ground itself.
        self.assertEqual(self.piece(card, 2)["material"]["words"], "white card")
        for paper, words in ((self.ids["bread"], "Boards bread"), (None, "white card")):
            card = self.change(card, kind="set_ground", paper=paper)
            self.assertEqual(self.piece(card, 2)["material"]["words"], words)
            (sheet,) = (
                one for one in self.cutting(card)["sheets"] if "panel" in {c["name"] for c in one["cuts"]}
            )
            self.assertEqual(sheet["material"]["words"], words)
        part = next(part for part in card["desk"]["parts"] if part["shape"] == "ground")
        self.assertAlmostEqual(part["width"], 127)

    def test_the_desk_is_drawn_from_the_pieces(self):
        card = self.built()
        parts = [(part["name"], part["shape"], part["raised"]) for part in card["desk"]["parts"]]
        self.assertEqual(
            parts, [("base", "rect", 0), ("mat", "rect", 0), ("panel", "rect", 0), ("picture", "disc", 1.2)]
        )
        card = self.add(card, "strip", piece_kind="strip", on=2, width="3", height="1/2")
        card = self.add(card, "words", piece_kind="lettering", on=4, reveal="1/16", text="hello")
        strip, words = card["desk"]["parts"][-2:]
        self.assertEqual((strip["name"], words["shape"], words["text"]), ("strip", "text", "hello"))
        self.assertLess(words["size"], 0.5 * 25.4)
        card = self.change(card, kind="edit_piece", key=5, unit="in", text="")
        self.assertEqual(card["desk"]["parts"][-1]["text"], "")  # never the card's name

    def test_the_panel_with_the_ground_is_judged_by_the_ground(self):
        card = self.built()
        self.assertEqual(self.piece(card, 2)["stands"]["status"], "holds")  # mist on slate
        card = self.change(card, kind="set_ground", pads=[{"colour": self.ids["TAR-1"]}], shape="plain-wash")
        panel = self.piece(card, 2)
        self.assertEqual((panel["stands"]["status"], panel["beside"]), ("fails", "mat"))  # tar on slate

    def test_each_mat_is_of_its_own_and_words_lie_on_lettering(self):
        card = self.change(self.full_card(), kind="start_layout", layout="three mats")
        before = [part["shades"] for part in card["desk"]["parts"] if part["name"] == "mat"]
        card = self.change(card, kind="set_ground", mat={"colour": self.ids["SKY-2"]})
        self.assertEqual([part["shades"] for part in card["desk"]["parts"] if part["name"] == "mat"], before)
        card = self.change(card, kind="set_ground", pads=[{"colour": self.ids["TAR-1"]}])
        self.assertTrue(self.ask("get", f"cards/{card['id']}/ground")["built"])
        # Its words lie on lettering, and are judged there, once somebody typed them: not on the ground as well.
        self.assertNotIn("stands:7", [one["id"] for one in card["checks"]])
        card = self.change(card, kind="edit_piece", key=7, unit="in", text="get well")
        self.assertNotIn("ground:lettering", [one["id"] for one in card["checks"]])
        lettering = next(one for one in card["checks"] if one["id"] == "stands:7")
        self.assertEqual(lettering["status"], "holds")
        self.assertIn("strip", lettering["title"])
        card = self.change(
            card,
            kind="edit_piece",
            key=7,
            unit="in",
            on=4,
            reveal="1",
            material={"source": "palette", "id": 3},
        )
        lettering = next(one for one in card["checks"] if one["id"] == "stands:7")
        self.assertIn("on panel", lettering["title"])
        self.assertEqual(lettering["status"], "fails")  # slate on tar

    def test_usual_sheets_and_the_base_are_told(self):
        told = self.told(self.full_card())
        self.assertEqual(
            told["sheets"][0],
            {"words": "Letter, 8 1/2 × 11 in", "width": "8 1/2", "height": "11", "unit": "in"},
        )
        self.assertGreater(told["base_thickness"], 0)

    def test_shapes_frames_and_words_are_told_as_they_are_said(self):
        card = self.new_card()
        told = {"piece_kind": "panel", "name": "window", "unit": "in", "width": "2", "height": "2"}
        card = self.change(
            card, kind="add_piece", **told, shape="circle", opening={"rim": "1/4"}, turn=370, stitched=True
        )
        words = {"piece_kind": "lettering", "name": "words", "unit": "in", "width": "2", "height": "1/2"}
        card = self.change(card, kind="add_piece", **words, on=1, made="white-embossed")
        window, lettering = self.ask("get", f"cards/{card['id']}/build")["pieces"]
        self.assertEqual(
            [window[name] for name in ("shape", "rim", "opening_shape", "turn", "stitched", "made")],
            ["circle", "1/4 in", None, 10.0, True, None],
        )
        self.assertEqual((lettering["is_made"], lettering["made"]), (True, "white-embossed"))
        part = card["desk"]["parts"][1]
        self.assertEqual((part["path"].count("M"), part["turns"][0][0]), (2, 10.0))
        self.assertTrue(part["stitches"].startswith("M"))
        for wrong in ({"opening": {"rim": "1 1/8"}}, {"shape": "blob"}, {"turn": "nan"}, {"sides": ["up"]}):
            with self.subTest(wrong):
                self.change(card, 400, kind="edit_piece", key=1, unit="in", **wrong)

    def test_of_nobody_else(self):
        card = self.built()
        self.client.force_login(self.ben)
        self.ask("get", f"cards/{card['id']}/build", status=404)
        self.cutting(card, 404)


class OutlineTests(ApiTestCase):
    def read(self, svg, status=200):
        told = {"file": SimpleUploadedFile("leaf.svg", svg), "width": "3", "unit": "in"}
        answer = self.client.post("/api/outlines", told)
        self.assertEqual(answer.status_code, status, answer.content)
        return answer.json()

    def leaf(self, size="", points="0,20 40,0 80,20 40,40"):
        head = f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 80 40" {size}>'
        return f'{head}<polygon points="{points}"/></svg>'.encode()

    def test_an_outline_of_ones_own_is_measured_and_cut_to(self):
        found = self.read(self.leaf())
        self.assertEqual((found["width"], found["height"], found["measured"]), ("3", "1 1/2", False))
        found = self.read(self.leaf('width="40mm" height="20mm"'))
        self.assertEqual((found["measured"], found["width"]), (True, "1 37/64"))
        told = {"piece_kind": "panel", "name": "leaf", "unit": "in", "width": "3", "height": "1 1/2"}
        card = self.change(self.new_card(), kind="add_piece", own=found["ring"], **told)
        (piece,) = self.ask("get", f"cards/{card['id']}/build")["pieces"]
        self.assertEqual((piece["own"], piece["shape"]), (True, None))
        (part,) = (one for one in card["desk"]["parts"] if one["piece"])
        self.assertEqual(part["path"].count(" "), 7)  # four corners

    def test_what_is_none_is_told(self):
        self.assertIn("crosses", self.read(self.leaf(points="0,0 80,40 80,0 0,40"), 400)["message"])
        self.assertIn("well-formed", self.read(b"\x00" * 100, 400)["message"])
        self.assertIn("too long", self.read(self.leaf(points="0,0 " * 900_000), 400)["message"])
