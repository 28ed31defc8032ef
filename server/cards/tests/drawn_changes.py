"""Changes of a card as the API takes them, drawn at random: of every kind, most of them possible."""

from hypothesis import strategies as st

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.meeting import Reach, Seam
from jindle_core.blending.painting import GroundShape
from jindle_core.blending.standing import Wish
from jindle_core.blending.stencils import StencilForm
from jindle_core.card.changes.arranging import Along, How
from jindle_core.card.layouts import STARTS
from jindle_core.card.whole import Card
from jindle_core.compatibility.materials import FINISHES, LINE_INKS
from jindle_core.contrast.rules import PairKind
from jindle_core.families.recipes import Extent, Thing
from jindle_core.families.shading import Light
from jindle_core.layers.folding import Fold
from jindle_core.layers.making import Making
from jindle_core.layers.pieces import Across, Down, Kind, Raised
from jindle_core.layers.shapes import Shape, Side
from jindle_core.media.groups import EVERY_COLUMN, FURTHER_COLUMNS, PICTURE_MEDIA
from jindle_core.palettes.role import Role
from jindle_core.prediction.behaviour import Hand


def values(enum):
    return st.sampled_from([one.value for one in enum])


def some(**fields):
    """A dictionary with any of some fields."""
    return st.fixed_dictionaries({}, optional=fields)


COLUMN = st.sampled_from([column.key for column in EVERY_COLUMN])
LENGTH = st.sampled_from(["1/16", "1/8", "1/2", "1", "2 3/4", "4", "6", "3 mm"])
OFFSET = st.sampled_from(["0", "1/4", "-1/2", "2", "-30 mm"])
TEXT = st.sampled_from(["", "get well", "ENORMOUSLY GRATEFUL", "ünïcode 🐦"])
VALUE = st.sampled_from(["#1a7c9b", "#ffffff", "#101010", "52, -10, 20", "80, 5, 60"])


class Drawn:
    """Strategies over some supplies: their ids by what they are."""

    def __init__(self, pads, cards, markers, drawings):
        self.pads, self.cards, self.markers, self.drawings = pads, cards, markers, drawings
        self.supplies = [*pads, *cards, *markers]

    def changes(self, plan: Card):
        """By kind, any change of a card, mostly of what it has."""
        keys = {
            "colour": [one.key for one in plan.colours],
            "pair": [one.key for one in plan.pairs or ()] or [plan.next_pair],
            "picture": [one.key for one in plan.pictures],
            "area": [one.key for one in plan.areas],
            "piece": [one.key for one in plan.build.every],
        }
        key = {what: st.sampled_from([*found, *found, 99]) for what, found in keys.items()}
        picture, areas = st.none() | key["picture"], st.lists(key["area"], min_size=1, max_size=3)
        end = st.one_of(
            st.just({"source": "white"}),
            key["colour"].map(lambda one: {"source": "palette", "id": one}),
            st.sampled_from(self.supplies).map(lambda one: {"source": "supply", "id": one}),
        )
        anchor = st.one_of(
            st.sampled_from(self.supplies).map(lambda one: {"colour": one}),
            VALUE.map(lambda one: {"value": one}),
        )
        pad = st.sampled_from(self.pads)
        supply = {"pads": pad, "cards": st.sampled_from(self.cards), "markers": st.sampled_from(self.markers)}
        ends = {name: ids.map(lambda one: {"source": "supply", "id": one}) for name, ids in supply.items()}
        instead = st.one_of(
            *(
                st.fixed_dictionaries({"old": one, "new": one, "areas": st.just([]) | areas})
                for one in ends.values()
            )
        )
        named = instead.map(lambda told: told | {"kind": "use_instead"})
        card = st.one_of(st.none(), st.sampled_from(self.cards))
        inked = {"colour": pad, "hand": values(Hand), "coats": st.integers(1, 3)}
        stencil = st.fixed_dictionaries({"form": values(StencilForm)})
        laid = {"reach": values(Reach), "seam": values(Seam), "stencil": stencil, "same": st.booleans()}
        used = st.fixed_dictionaries(inked | laid)
        effect = st.fixed_dictionaries({"effect": values(EffectKind), "colour": pad, "hand": values(Hand)})
        piece = {
            "on": st.sampled_from([0, *keys["piece"]]),
            "across": values(Across),
            "down": values(Down),
            "right": OFFSET,
            "below": OFFSET,
            "material": end,
            "raised": values(Raised),
            "trimmed": st.booleans(),
            "tucked": st.booleans(),
            "inked": st.one_of(st.none(), st.fixed_dictionaries(inked)),
            "white_edge": st.booleans(),
            "picture": picture,
            "mirrored": st.booleans(),
            "shape": st.none() | values(Shape),
            "sides": st.lists(values(Side), max_size=4),
            "stitched": st.booleans(),
            "opening": st.none()
            | st.fixed_dictionaries({"rim": LENGTH}, optional={"shape": st.none() | values(Shape)}),
            "turn": st.floats(-400, 400),
            "made": st.none() | values(Making),
            "text": TEXT,
            "bold": st.booleans(),
        }
        sized = st.one_of(
            st.fixed_dictionaries({"reveal": LENGTH}),
            st.fixed_dictionaries({"width": LENGTH, "height": LENGTH}),
        )
        checks = st.sampled_from(
            [f"{what}:{one}" for what in ("fit", "stands", "finish") for one in keys["piece"]]
            + [f"once:{one}" for one in keys["colour"]]
            + [f"pair:{one}" for one in keys["pair"]]
            + [f"family:{one}" for one in keys["area"]]
            + ["span", "spread", "writing", "thickness", "envelope", "ground:wish", "ground:join 0"]
        )
        to = st.integers(-2, 30)
        return {
            "set_card": some(
                name=TEXT,
                size=st.sampled_from(
                    [
                        {"width": "4 1/4", "height": "5 1/2", "unit": "in"},
                        {"width": "148", "height": "105", "unit": "mm"},
                        {"width": "1 1/2", "height": "2", "unit": "in"},
                    ]
                ),
            ),
            "add_colour": st.fixed_dictionaries({"anchor": anchor, "role": values(Role)}),
            "edit_colour": st.fixed_dictionaries(
                {"key": key["colour"]}, optional={"name": TEXT, "role": values(Role)}
            ),
            "reanchor": st.fixed_dictionaries({"key": key["colour"], "anchor": anchor}),
            "move_colour": st.fixed_dictionaries({"key": key["colour"], "to": to}),
            "remove_colour": st.fixed_dictionaries({"key": key["colour"]}),
            "choose": st.fixed_dictionaries(
                {"key": key["colour"], "column": COLUMN, "colour": st.sampled_from(self.supplies)},
                optional={"locked": st.booleans()},
            ),
            "choose_many": st.fixed_dictionaries(
                {
                    "choices": st.lists(
                        st.fixed_dictionaries(
                            {
                                "key": key["colour"],
                                "column": COLUMN,
                                "colour": st.sampled_from(self.supplies),
                            }
                        ),
                        max_size=3,
                    )
                }
            ),
            "show_columns": st.fixed_dictionaries(
                {"columns": st.lists(st.sampled_from([one.key for one in FURTHER_COLUMNS]), max_size=3)}
            ),
            "clear_choice": st.fixed_dictionaries({"key": key["colour"], "column": COLUMN}),
            "add_pair": st.fixed_dictionaries({"pair_kind": values(PairKind), "upper": end, "lower": end}),
            "edit_pair": st.fixed_dictionaries(
                {"key": key["pair"]},
                optional={"pair_kind": values(PairKind), "upper": end, "outlined": st.booleans()},
            ),
            "remove_pair": st.fixed_dictionaries({"key": key["pair"]}),
            "guess_pairs": st.just({}),
            "waive": st.fixed_dictionaries({"check": checks, "reason": st.just("on purpose")}),
            "unwaive": st.fixed_dictionaries({"check": checks}),
            "add_picture": st.fixed_dictionaries(
                {"name": TEXT},
                optional={"drawing": st.sampled_from([None, *self.drawings]), "like": picture},
            ),
            "name_picture": st.fixed_dictionaries({"picture": key["picture"], "name": TEXT}),
            "remove_picture": st.fixed_dictionaries({"picture": key["picture"]}),
            "set_drawing": st.fixed_dictionaries(
                {"drawing": st.sampled_from([None, *self.drawings])}, optional={"picture": picture}
            ),
            "set_colouring": some(
                picture=picture,
                paper=card,
                surface=st.sampled_from(["", "kraft"]),
                light=values(Light),
                dark_first=st.booleans(),
                line=st.sampled_from(["", *LINE_INKS]),
                finishes=st.lists(st.sampled_from(list(FINISHES)), max_size=3),
            ),
            "add_area": st.fixed_dictionaries({"name": TEXT}, optional={"extent": values(Extent), "picture": picture}),
            "edit_areas": st.fixed_dictionaries(
                {"keys": areas},
                optional={
                    "name": TEXT,
                    "colour": st.sampled_from([0, *keys["colour"]]),
                    "thing": values(Thing),
                    "extent": values(Extent),
                    "focal": st.booleans(),
                    "coloured_with": values(PICTURE_MEDIA),
                    "layers": st.integers(0, 4),
                    "glaze": st.sampled_from([0, *self.markers]),
                },
            ),
            "follow_area": st.fixed_dictionaries({"keys": areas, "like": st.none() | key["area"]}),
            "remove_area": st.fixed_dictionaries({"key": key["area"]}),
            "set_families": st.fixed_dictionaries(
                {
                    "families": st.lists(
                        st.fixed_dictionaries(
                            {
                                "key": key["area"],
                                "colours": st.lists(st.sampled_from(self.markers), unique=True, max_size=5),
                            }
                        ),
                        max_size=2,
                    )
                }
            ),
            "set_ground": some(
                shape=values(GroundShape),
                across=st.booleans(),
                pads=st.lists(used, max_size=4),
                paper=card,
                tinted=st.booleans(),
                wish=values(Wish),
                lettered=st.booleans(),
                back=st.booleans(),
                one_side=st.booleans(),
                effects=st.lists(effect, max_size=2, unique_by=lambda one: one["effect"]),
                mat=st.one_of(st.none(), st.fixed_dictionaries(inked)),
            ),
            "mat_under": st.fixed_dictionaries({"key": key["piece"], "material": end}),
            "copy_pieces": st.fixed_dictionaries(
                {"keys": st.lists(key["piece"], min_size=1, max_size=3), "mirrored": st.booleans()}
            ),
            "arrange": st.fixed_dictionaries(
                {"keys": st.lists(key["piece"], min_size=1, max_size=3), "how": values(How)}
            ),
            "scatter": st.fixed_dictionaries(
                {"count": st.sampled_from([1, 3, 500]), "along": values(Along), "material": end}
            ),
            "lay_along": st.fixed_dictionaries(
                {"keys": st.lists(key["piece"], min_size=1, max_size=3), "along": values(Along)}
            ),
            "use_pad": st.fixed_dictionaries({"at": st.integers(0, 3), "colour": pad}),
            "glaze_instead": st.fixed_dictionaries(
                {name: st.sampled_from(self.markers) for name in ("tone", "under", "colour")}
                | {"areas": st.just([]) | areas}
            ),
            "use_instead": instead,
            "several": st.fixed_dictionaries(
                {"purpose": st.sampled_from(["move", "follow"]), "changes": st.lists(named, min_size=1, max_size=2)}
            ),
            "set_build": some(
                fold=values(Fold),
                base=end,
                ground_on=st.sampled_from([None, 0, *keys["piece"]]),
                envelope=st.sampled_from([None, {"width": "6", "height": "5", "unit": "in"}]),
                post_limit=st.sampled_from([None, 2.0, 5.0]),
            ),
            "start_layout": st.fixed_dictionaries({"layout": st.sampled_from([one.key for one in STARTS])}),
            "add_piece": st.tuples(
                st.fixed_dictionaries(
                    {"piece_kind": values(Kind), "name": st.just("new"), "unit": st.sampled_from(["in", "mm"])},
                    optional=piece | {"inside": st.booleans()},
                ),
                sized,
            ).map(lambda both: both[0] | both[1]),
            "edit_piece": st.tuples(
                st.fixed_dictionaries(
                    {"key": key["piece"], "unit": st.just("in")}, optional=piece | {"piece_kind": values(Kind)}
                ),
                st.one_of(st.just({}), sized),
            ).map(lambda both: both[0] | both[1]),
            "nudge_piece": st.fixed_dictionaries(
                {"key": key["piece"], "right": st.floats(-40, 40), "below": st.floats(-40, 40)}
            ),
            "remove_piece": st.fixed_dictionaries({"key": key["piece"]}),
            "put_on_strip": st.fixed_dictionaries({"key": key["piece"], "material": end}),
            "move_piece": st.fixed_dictionaries({"key": key["piece"], "to": to}),
        }  # fmt: skip
