"""Changes of a card drawn at random: of every kind, most of them possible."""

from hypothesis import strategies as st

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.meeting import Reach, Seam
from jindle_core.blending.painting import GroundShape
from jindle_core.blending.standing import Wish
from jindle_core.blending.stencils import Stencil, StencilForm
from jindle_core.card.changes import arranging, build, every, everywhere, ground, palette, pictures
from jindle_core.card.ground import Effect, InkedCard, PadUse
from jindle_core.card.layouts import STARTS
from jindle_core.card.whole import Anchor, Card, Choice
from jindle_core.compatibility.materials import FINISHES, LINE_INKS
from jindle_core.contrast.rules import PairKind
from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import Light
from jindle_core.layers.folding import Fold
from jindle_core.layers.making import Making
from jindle_core.layers.pieces import WHITE_END, Across, Down, InkedOver, Kind, Opening, Raised
from jindle_core.layers.shapes import Shape as CutTo
from jindle_core.layers.shapes import Side
from jindle_core.lengths import Length, read_size
from jindle_core.line_art.drawing import LineDrawing, Shape
from jindle_core.material import End
from jindle_core.media.groups import EVERY_COLUMN, FURTHER_COLUMNS, PICTURE_MEDIA
from jindle_core.palettes.role import Role
from jindle_core.prediction.behaviour import Hand

DRAWING = LineDrawing(
    100.0,
    100.0,
    (Shape("fin", "M0 0 50 0 50 50 0 50Z", 0.5, ("eye",)), Shape("eye", "M50 0 90 0 90 50Z", 0.1, ("fin",))),
    (),
)
HEXAGON = ((0.0, 0.5), (0.25, 0.0), (0.75, 0.0), (1.0, 0.5), (0.75, 1.0), (0.25, 1.0))
SIZES = (read_size("4 1/4", "5 1/2", "in"), read_size("148", "105", "mm"), read_size("1 1/2", "2", "in"))
COLUMN = st.sampled_from([column.key for column in EVERY_COLUMN])
TEXT = st.sampled_from(["get well", "ENORMOUSLY GRATEFUL", "ünïcode 🐦", " "])
LENGTH = st.builds(Length, st.sampled_from([4, 8, 32, 64, 176, 256, 384]), st.just("in"))
OFFSET = st.builds(Length, st.sampled_from([0, 16, -32, 128, -75]), st.sampled_from(["in", "mm"]))
LAB = st.sampled_from([(46.0, -18.0, -26.0), (100.0, 0.0, 0.0), (5.0, 0.0, 0.0), (80.0, 5.0, 60.0)])


def of(enum):
    return st.sampled_from(list(enum))


def some(**fields):
    """A dictionary with any of some fields."""
    return st.fixed_dictionaries({}, optional=fields)


def or_none(strategy):
    return st.none() | strategy


def changes(card: Card, pads, boards, markers):
    """By kind, what draws any change of a card, mostly of what it has; ids of supplies by what they are."""
    supplies = [*pads, *boards, *markers]
    colours = [one.key for one in card.colours]
    pieces = [one.key for one in card.build.every]
    areas = [one.key for one in card.areas]
    pairs = [one.key for one in card.pairs or ()] or [card.next_pair]
    shown = [one.key for one in card.pictures]
    # Twice as likely what there is as what there is not.
    colour, piece, area, pair, picture = (
        st.sampled_from([*found, *found, 99]) for found in (colours, pieces, areas, pairs, shown)
    )
    end = (
        st.just(WHITE_END)
        | colour.map(lambda key: End("palette", key))
        | st.builds(End, st.just("supply"), st.sampled_from(supplies))
    )
    anchor = st.builds(Anchor, or_none(st.sampled_from(supplies)), LAB, st.sampled_from(["typed", "read"]))
    pad, board = st.sampled_from(pads), or_none(st.sampled_from(boards))
    pad_use = st.builds(
        PadUse,
        pad,
        of(Hand),
        st.integers(1, 3),
        of(Reach),
        of(Seam),
        st.builds(Stencil, of(StencilForm)),
        st.booleans(),
    )
    place = some(across=of(Across), down=of(Down), right=OFFSET, below=OFFSET)
    said = {
        "on": st.sampled_from([0, *pieces]), "place": place, "material": end | st.builds(End, st.just("sheet"), st.sampled_from([1, 99])), "raised": of(Raised),
        "trimmed": st.booleans(), "tucked": st.booleans(), "white_edge": st.booleans(), "bold": st.booleans(),
        "inked": or_none(st.builds(InkedOver, pad, of(Hand), st.integers(1, 3))), "text": TEXT,
        "picture": or_none(picture), "mirrored": st.booleans(),
        "shape": or_none(of(CutTo)), "sides": st.lists(of(Side), unique=True).map(tuple), "stitched": st.booleans(),
        "opening": or_none(st.builds(Opening, LENGTH, or_none(of(CutTo)))), "turn": st.sampled_from([0.0, 15.0, -90.0, 400.0]),
        "made": or_none(of(Making)), "stamped": st.booleans(), "own": st.sampled_from([(), HEXAGON, HEXAGON[:2]]),
        "pattern": some(right=OFFSET, turn=st.sampled_from([0.0, 90.0, 33.0]), repeated=st.booleans()),
    }  # fmt: skip
    sized = st.fixed_dictionaries({"reveal": LENGTH}) | st.fixed_dictionaries(
        {"size": st.sampled_from(SIZES)}
    )
    checks = st.sampled_from(
        [f"{what}:{one}" for what in ("fit", "stands", "finish") for one in pieces]
        + [
            f"{what}:{one}"
            for what, keys in (("once", colours), ("pair", pairs), ("family", areas))
            for one in keys
        ]
        + ["span", "spread", "writing", "thickness", "envelope", "ground:wish", "ground:join 0"]
    )
    family = st.builds(
        pictures.AreaFamily, area, st.lists(st.sampled_from(markers), unique=True, max_size=5).map(tuple)
    )
    choice = st.builds(Choice, colour, COLUMN, st.sampled_from(supplies))
    to = st.integers(-2, 30)
    of_card = st.one_of(st.just(WHITE_END), *(st.sampled_from(boards).map(lambda pk: End("supply", pk)),) * 2)
    one_for_another = st.one_of(
        *(
            st.tuples(*(st.sampled_from(ids).map(lambda pk: End("supply", pk)),) * 2)
            for ids in (pads, boards, markers)
        ),
        st.tuples(colour.map(lambda key: End("palette", key)), of_card),
    )
    instead = st.builds(
        lambda ends, anchor, areas: everywhere.UseInstead(*ends, anchor, areas),
        one_for_another,
        or_none(anchor),
        st.just(()) | st.lists(area, max_size=2).map(tuple),
    )
    return {
        "show_columns": lambda: st.builds(palette.ShowColumns, st.lists(st.sampled_from([one.key for one in FURTHER_COLUMNS]), max_size=3).map(tuple)),
        "set_card": lambda: st.builds(palette.SetCard, or_none(TEXT), or_none(st.sampled_from(SIZES))),
        "add_colour": lambda: st.builds(palette.AddColour, anchor, TEXT, or_none(of(Role)), st.booleans()),
        "edit_colour": lambda: st.builds(palette.EditColour, colour, or_none(TEXT), or_none(of(Role))),
        "reanchor": lambda: st.builds(palette.Reanchor, colour, anchor),
        "move_colour": lambda: st.builds(palette.MoveColour, colour, to),
        "remove_colour": lambda: st.builds(palette.RemoveColour, colour),
        "choose": lambda: st.builds(palette.Choose, colour, COLUMN, st.sampled_from(supplies), st.booleans()),
        "choose_many": lambda: st.builds(palette.ChooseMany, st.lists(choice, max_size=3).map(tuple)),
        "clear_choice": lambda: st.builds(palette.ClearChoice, colour, COLUMN),
        "add_pair": lambda: st.builds(palette.AddPair, of(PairKind), end, end),
        "edit_pair": lambda: st.builds(palette.EditPair, pair, or_none(of(PairKind)), or_none(end), or_none(end), or_none(st.booleans())),
        "remove_pair": lambda: st.builds(palette.RemovePair, pair),
        "guess_pairs": lambda: st.builds(palette.GuessPairs),
        "waive": lambda: st.builds(palette.Waive, checks, st.just("on purpose")),
        "unwaive": lambda: st.builds(palette.Unwaive, checks),
        "add_picture": lambda: st.builds(pictures.AddPicture, TEXT, st.just(1), st.just(pictures.areas_of(DRAWING)), st.just(1.0), or_none(picture)),
        "name_picture": lambda: st.builds(pictures.NamePicture, picture, TEXT),
        "remove_picture": lambda: st.builds(pictures.RemovePicture, picture),
        "set_drawing": lambda: st.builds(pictures.SetDrawing, st.none(), picture=or_none(picture))
        | st.builds(pictures.SetDrawing, st.just(1), st.just(pictures.areas_of(DRAWING)), st.just(1.0), or_none(picture)),
        "set_colouring": lambda: st.builds(
            pictures.SetColouring,
            some(
                paper=board, surface=st.sampled_from(["", "kraft"]), light=of(Light), dark_first=st.booleans(),
                line=st.sampled_from(["", *LINE_INKS]), finishes=st.lists(st.sampled_from(list(FINISHES)), max_size=3).map(tuple),
            ),
            or_none(picture),
        ),
        "add_area": lambda: st.builds(pictures.AddArea, TEXT, of(Extent), or_none(picture)),
        "edit_areas": lambda: st.builds(
            pictures.EditAreas, st.lists(area, min_size=1, max_size=3, unique=True).map(tuple), or_none(TEXT), or_none(st.sampled_from([0, *colours])), or_none(of(Thing)), or_none(of(Extent)),
            or_none(st.booleans()), or_none(of(PICTURE_MEDIA)), or_none(st.integers(0, 4)), or_none(st.sampled_from([0, *markers])),
        ),
        "follow_area": lambda: st.builds(pictures.FollowArea, st.lists(area, min_size=1, max_size=3).map(tuple), or_none(area)),
        "remove_area": lambda: st.builds(pictures.RemoveArea, area),
        "set_families": lambda: st.builds(pictures.SetFamilies, st.lists(family, max_size=2).map(tuple)),
        "set_ground": lambda: st.builds(
            ground.SetGround,
            some(
                shape=of(GroundShape), across=st.booleans(), pads=st.lists(pad_use, max_size=4).map(tuple), paper=board,
                tinted=st.booleans(), wish=of(Wish), lettered=st.booleans(), back=st.booleans(), one_side=st.booleans(),
                effects=st.lists(st.builds(Effect, of(EffectKind), or_none(pad), of(Hand)), max_size=2).map(tuple),
                mat=or_none(st.builds(InkedCard, pad, of(Hand), st.integers(1, 3), st.booleans(), board)),
            ),
        ),
        "use_pad": lambda: st.builds(ground.UsePad, st.integers(-1, 3), pad),
        "set_build": lambda: st.builds(
            build.SetBuild,
            some(
                fold=of(Fold), base=end, ground_on=st.sampled_from([None, 0, *pieces]),
                envelope=or_none(st.just(read_size("6", "5", "in"))), post_limit=st.sampled_from([None, 2.0, 5.0]),
            ),
        ),
        "start_layout": lambda: st.builds(build.StartLayout, st.sampled_from([one.key for one in STARTS] + ["spiral"])),
        "add_piece": lambda: st.builds(
            build.AddPiece, of(Kind), TEXT, st.tuples(some(**said), sized).map(lambda both: both[0] | both[1]), st.booleans()
        ),
        "edit_piece": lambda: st.builds(
            build.EditPiece, piece, st.tuples(some(name=TEXT, **said), st.just({}) | sized).map(lambda both: both[0] | both[1])
        ),
        "nudge_piece": lambda: st.builds(build.NudgePiece, piece, st.floats(-40, 40), st.floats(-40, 40)),
        "remove_piece": lambda: st.builds(build.RemovePiece, piece),
        "put_on_strip": lambda: st.builds(build.PutOnStrip, piece, end),
        "move_piece": lambda: st.builds(build.MovePiece, piece, to),
        "mat_under": lambda: st.builds(arranging.MatUnder, piece, end),
        "copy_pieces": lambda: st.builds(arranging.CopyPieces, st.lists(piece, min_size=1, max_size=3).map(tuple), st.booleans()),
        "scatter": lambda: st.builds(arranging.Scatter, st.sampled_from([1, 3, 7, 500]), of(arranging.Along), end, st.integers(0, 9)),
        "lay_along": lambda: st.builds(arranging.LayAlong, st.lists(piece, max_size=3).map(tuple), of(arranging.Along), st.integers(0, 9)),
        "arrange": lambda: st.builds(arranging.Arrange, st.lists(piece, max_size=4).map(tuple), of(arranging.How)),
        "glaze_instead": lambda: st.builds(everywhere.GlazeInstead, *(st.sampled_from(markers),) * 3, *(st.integers(1, 2),) * 2, st.just(()) | st.lists(area, max_size=2).map(tuple)),
        "use_instead": lambda: instead,
        "several": lambda: st.builds(every.Several, of(every.Purpose), st.lists(instead | st.builds(build.MovePiece, piece, to), max_size=3).map(tuple)),
    }  # fmt: skip
