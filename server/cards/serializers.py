"""What the API of cards takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core import figures
from jindle_core.blending.effects import EffectKind
from jindle_core.blending.painting import Way
from jindle_core.checks.ids import KINDS
from jindle_core.contrast.rules import PairKind, Status
from jindle_core.layers.folding import Fold
from jindle_core.lengths import Size, read_length
from jindle_core.material import End
from jindle_core.media.groups import EVERY_COLUMN
from jindle_core.palettes.role import Role
from jindle_core.training.question import Exercise
from server.cards.groups import Group, HowFar, Order
from server.catalogue.swatches import MatchSerializer, ShadesSerializer, SwatchSerializer

ROLE_CHOICES = [(role.value, role.value) for role in Role]
PAIR_CHOICES = [(kind.value, kind.value) for kind in PairKind]
EXERCISE_CHOICES = [(one.value, one.value) for one in Exercise]
STATUS_CHOICES = [(status.value, status.value) for status in Status]
COLUMN_CHOICES = [(column.key, column.title) for column in EVERY_COLUMN]
HOW_FAR_CHOICES, GROUP_CHOICES, ORDER_CHOICES = (
    [(one.value, one.value) for one in kind] for kind in (HowFar, Group, Order)
)
UNIT_CHOICES = [("in", "in"), ("mm", "mm")]
EFFECT_CHOICES = [(one.value, one.value) for one in EffectKind]
STAGES = ("palette", "colouring", "background", "build", "contrast")
FOLD_CHOICES = [(one.value, one.value) for one in Fold]
SOURCES = ("palette", "supply", "white")
MATERIALS = (*SOURCES, "sheet")
STOCKS = (*MATERIALS, "vellum", "ribbon")  # what something is cut out of


# --- What it takes.


class SizeRequestSerializer(serializers.Serializer):
    """A size as typed: 4 5/16, 4.25, 110 mm."""

    width = serializers.CharField(max_length=40)
    height = serializers.CharField(max_length=40)
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)

    def to_internal_value(self, data: Any) -> Size:
        given = super().to_internal_value(data)
        width, height = (read_length(given[side], given["unit"], side) for side in ("width", "height"))
        if width.unit != height.unit:
            raise serializers.ValidationError("Give width and height in one unit.")
        return Size(width, height)


class NewCardSerializer(serializers.Serializer):
    """A card to be made."""

    name = serializers.CharField(max_length=figures.palettes.NAME_LIMIT)
    size = SizeRequestSerializer()


class EndSerializer(serializers.Serializer):
    """One end of a pair: a palette colour's key, a supply's id, or white paper."""

    source = serializers.ChoiceField(choices=SOURCES)  # type: ignore[assignment]
    id = serializers.IntegerField(default=0)

    def to_internal_value(self, data: Any) -> End:
        given = super().to_internal_value(data)
        return End(given["source"], 0 if given["source"] == "white" else given["id"])


class MaterialSerializer(EndSerializer):
    """What a piece is of; that may be a sheet of patterned paper too, with its pattern."""

    source = serializers.ChoiceField(choices=MATERIALS)


class AnchorRequestSerializer(serializers.Serializer):
    """A colour of a range by its id, or a value as typed (#rrggbb or Lab)."""

    colour = serializers.IntegerField(required=False, allow_null=True)
    value = serializers.CharField(required=False, allow_blank=True, max_length=100)


# --- What it gives.


class SizeSerializer(serializers.Serializer):
    """A size in words, in both units, and as it was given."""

    words = serializers.CharField(help_text="in the unit in which the person likes it")
    exact = serializers.CharField(help_text="in the unit in which it was given")
    width = serializers.CharField()
    height = serializers.CharField()
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)
    orientation = serializers.CharField()


class CellSerializer(serializers.Serializer):
    """One cell of the palette table."""

    column = serializers.CharField()
    state = serializers.ChoiceField(choices=("nearest", "chosen", "locked"))
    hole = serializers.BooleanField(help_text="nothing in this column comes near")
    match = MatchSerializer(allow_null=True)


class PaletteColourSerializer(serializers.Serializer):
    """A palette colour with its row of the table."""

    key = serializers.IntegerField()
    name = serializers.CharField()
    role = serializers.ChoiceField(choices=ROLE_CHOICES)
    lab = serializers.ListField(child=serializers.FloatField())
    shades = ShadesSerializer()
    hue_name = serializers.CharField()
    on_screen = serializers.BooleanField()
    wide = serializers.CharField(allow_null=True, help_text="the shade for screens that show more than sRGB")
    provenance_words = serializers.CharField()
    uncertainty = serializers.FloatField()
    anchor = SwatchSerializer(allow_null=True)
    lost = serializers.BooleanField(help_text="its colour has left the supplies; its last value stands")
    cells = CellSerializer(many=True)


class EndViewSerializer(serializers.Serializer):
    """One end of a pair, in words and colour."""

    source = serializers.ChoiceField(choices=SOURCES)  # type: ignore[assignment]
    id = serializers.IntegerField()
    words = serializers.CharField()
    shades = ShadesSerializer()


class MaterialViewSerializer(EndViewSerializer):
    """What a piece is of."""

    source = serializers.ChoiceField(choices=MATERIALS)


class StockViewSerializer(EndViewSerializer):
    """What a piece is cut out of."""

    source = serializers.ChoiceField(choices=STOCKS)


class PairSerializer(serializers.Serializer):
    """What lies on what."""

    key = serializers.IntegerField()
    kind = serializers.ChoiceField(choices=PAIR_CHOICES)
    upper = EndViewSerializer()
    lower = EndViewSerializer()
    outlined = serializers.BooleanField()
    check = serializers.CharField()


class MendSerializer(serializers.Serializer):
    """A change that would make a check hold: post it as it is."""

    words = serializers.CharField()
    figure = serializers.CharField(help_text="what the check then finds; empty where it has none")
    shades = ShadesSerializer(allow_null=True)
    change = serializers.DictField()


class CheckSerializer(serializers.Serializer):
    """What a rule found, what it is on, and at which stage it is mended."""

    id = serializers.CharField()
    kind = serializers.ChoiceField(choices=KINDS)
    of = serializers.CharField(help_text="which effect, rule or place, where there are several of a kind")
    pieces = serializers.ListField(
        child=serializers.IntegerField(), help_text="the keys of the pieces that it is on; 0: the card itself"
    )
    picture = serializers.IntegerField(help_text="the key of the picture whose materials it is on, or 0")
    stage = serializers.ChoiceField(choices=STAGES)
    title = serializers.CharField()
    status = serializers.ChoiceField(choices=STATUS_CHOICES)
    figure = serializers.CharField()
    limit = serializers.CharField()
    reason = serializers.CharField()
    ways = serializers.ListField(
        child=serializers.CharField(), help_text="ways out that no change of the card makes"
    )
    waived = serializers.CharField(allow_null=True, help_text="the reason for letting it be")
    practise = serializers.ChoiceField(
        choices=EXERCISE_CHOICES, allow_null=True, help_text="the exercise that trains the eye for it"
    )


class StepSerializer(serializers.Serializer):
    """One thing to do: with the pad or tone at a place (none: with none), to which areas."""

    words = serializers.CharField()
    using = serializers.IntegerField(allow_null=True)
    to = serializers.ListField(child=serializers.IntegerField())
    wait = serializers.CharField(help_text="what is waited for before it, in words; blank: nothing")


class MendsSerializer(serializers.Serializer):
    """What would mend a check: each was tried before it is offered."""

    id = serializers.CharField(help_text="of the check")
    mends = MendSerializer(many=True)


class PatternDrawnSerializer(serializers.Serializer):
    """A sheet's picture on a part, in millimetres: its size, where its corner lies, how it is turned."""

    sheet = serializers.IntegerField(help_text="the paper's id")
    width = serializers.FloatField()
    height = serializers.FloatField()
    x = serializers.FloatField()
    y = serializers.FloatField()
    turn = serializers.FloatField(help_text="degrees, clockwise")
    repeated = serializers.BooleanField()


class PartSerializer(serializers.Serializer):
    """A shape on the card, in millimetres."""

    name = serializers.CharField()
    shape = serializers.ChoiceField(choices=("rect", "disc", "dots", "ground", "drawing", "veil", "text"))
    x = serializers.FloatField()
    y = serializers.FloatField()
    width = serializers.FloatField()
    height = serializers.FloatField()
    key = serializers.IntegerField(help_text="of the palette colour it is in, or 0")
    piece = serializers.IntegerField(help_text="the key of the piece that it is, or 0")
    raised = serializers.FloatField(help_text="mm that foam lifts it")
    rim = serializers.FloatField(help_text="mm of white edge around it")
    text = serializers.CharField()
    size = serializers.FloatField(help_text="of type, in mm")
    bold = serializers.BooleanField()
    trimmed = serializers.BooleanField(help_text="it ends at the card's edge")
    picture = serializers.IntegerField(help_text="the key of the picture that a drawing is of, or 0")
    mirrored = serializers.BooleanField(help_text="left and right of the drawing are exchanged")
    path = serializers.CharField(help_text="its outline as SVG writes it; blank: its box")
    stitches = serializers.CharField(help_text="a line sewn along it, likewise; blank: none")
    turns = serializers.ListField(
        child=serializers.ListField(child=serializers.FloatField(), min_length=3, max_length=3),
        help_text="one after the other: degrees clockwise, and about which point",
    )
    pattern = PatternDrawnSerializer(allow_null=True, help_text="of the sheet it is cut out of")
    opacity = serializers.FloatField()
    shades = ShadesSerializer()


class StopSerializer(serializers.Serializer):
    """A colour at a part of the way, 0 to 1."""

    at = serializers.FloatField()
    shades = ShadesSerializer()


class PictureShapeSerializer(serializers.Serializer):
    """A closed shape of the drawing, as it would be coloured."""

    path = serializers.CharField(help_text="as SVG writes it")
    key = serializers.IntegerField(help_text="of its area, or 0")
    colour = serializers.IntegerField(help_text="the key of its palette colour, or 0")
    stops = StopSerializer(many=True, help_text="none: the paper")


class PictureSerializer(serializers.Serializer):
    """A picture's line drawing, coloured as predicted; in units of its own."""

    width = serializers.FloatField()
    height = serializers.FloatField()
    paper = ShadesSerializer()
    stamped = serializers.BooleanField(help_text="straight on something, which shows where nothing is laid")
    outlined = serializers.BooleanField(help_text="whether its lines are stamped or drawn")
    away = serializers.ListField(
        child=serializers.FloatField(),
        min_length=2,
        max_length=2,
        allow_null=True,
        help_text="x, y from the light into the shadow; none: light centres and dark edges",
    )
    shapes = PictureShapeSerializer(many=True)
    lines = serializers.ListField(child=serializers.CharField())


class FieldSerializer(serializers.Serializer):
    """A part of the ground, over what came before; all places are shares of the panel.

    ``path`` is where it lies, as the path of an SVG; empty: all over.
    """

    path = serializers.CharField(allow_blank=True)
    way = serializers.ChoiceField(choices=[(one.value, one.value) for one in Way])
    stops = StopSerializer(many=True)


class MarkSerializer(serializers.Serializer):
    """A drop, motif or line on the ground; no shades: not predicted."""

    x = serializers.FloatField()
    y = serializers.FloatField()
    radius = serializers.FloatField(help_text="share of the panel's shorter side")
    shades = ShadesSerializer(allow_null=True)


class LaidEffectSerializer(serializers.Serializer):
    """The marks of one effect."""

    effect = serializers.ChoiceField(choices=EFFECT_CHOICES)
    marks = MarkSerializer(many=True)


class PanelSerializer(serializers.Serializer):
    """The ground as predicted, from the lowest field up, then what comes over it."""

    parts = FieldSerializer(many=True)
    effects = LaidEffectSerializer(many=True)


class DeskPictureSerializer(PictureSerializer):
    """A picture of the card by its key."""

    key = serializers.IntegerField()


class DeskSerializer(serializers.Serializer):
    """The card as it would look."""

    width = serializers.FloatField()
    height = serializers.FloatField()
    parts = PartSerializer(many=True)
    inside = PartSerializer(many=True, help_text="of the half that is written on; none: not built of pieces")
    fold = serializers.ChoiceField(choices=FOLD_CHOICES)
    pictures = DeskPictureSerializer(many=True, help_text="what parts of the shape “drawing” show")
    ground = PanelSerializer(allow_null=True, help_text="what the part “ground” shows")


class ColumnSerializer(serializers.Serializer):
    """A column of the palette table."""

    key = serializers.ChoiceField(choices=COLUMN_CHOICES)
    title = serializers.CharField()


class FurtherColumnSerializer(ColumnSerializer):
    """A column beyond the usual ones, and whether this card shows it."""

    shown = serializers.BooleanField()


class NudgeSerializer(serializers.Serializer):
    """How far (mm) an arrow key moves a piece."""

    coarse = serializers.FloatField()
    fine = serializers.FloatField(help_text="with Shift")


class CardSerializer(serializers.Serializer):
    """A card with its palette table, its checks and its look."""

    id = serializers.IntegerField()
    version = serializers.IntegerField()
    name = serializers.CharField()
    size = SizeSerializer()
    undo = serializers.CharField(allow_null=True, help_text="what undo would take back")
    redo = serializers.CharField(allow_null=True)
    columns = ColumnSerializer(many=True)
    further = FurtherColumnSerializer(many=True)
    colours = PaletteColourSerializer(many=True)
    pairs = PairSerializer(many=True)
    guessed = serializers.BooleanField(help_text="the pairs are a guess from the roles")
    nudge = NudgeSerializer()
    newest_piece = serializers.IntegerField(help_text="the key of the piece that was added last; 0: none")
    built = serializers.BooleanField(help_text="of pieces: then they say what lies on what")
    checks = CheckSerializer(many=True)
    desk = DeskSerializer()


class StripColourSerializer(serializers.Serializer):
    """A palette colour as shown in a list."""

    key = serializers.IntegerField()
    name = serializers.CharField()
    shades = ShadesSerializer()


class CardSummarySerializer(serializers.Serializer):
    """A card as shown in the list."""

    id = serializers.IntegerField()
    version = serializers.IntegerField()
    name = serializers.CharField()
    size = SizeSerializer(allow_null=True)
    strip = StripColourSerializer(many=True)
    failing = serializers.IntegerField()
    doubtful = serializers.IntegerField()
    checks = serializers.IntegerField()
    current = serializers.BooleanField(help_text="or of an earlier time: then ask for a glance")
    picture = serializers.CharField(allow_null=True, help_text="where it is; none: ask for a glance, draw it")
    how_far = serializers.ChoiceField(choices=HOW_FAR_CHOICES, help_text="how far it is")
    sets = serializers.IntegerField(help_text="that it is in")
    put_by = serializers.BooleanField()


class DrawingToMakeSerializer(serializers.Serializer):
    """What a small picture is wanted of."""

    drawn = serializers.CharField(help_text="send it along with the picture")
    desk = DeskSerializer()


class GlanceSerializer(CardSummarySerializer):
    """The same as it is now."""

    drawing = DrawingToMakeSerializer(allow_null=True)


class SmallPictureSerializer(serializers.Serializer):
    """A small picture of a card."""

    file = serializers.FileField(allow_empty_file=True)
    drawn = serializers.CharField(max_length=64)


class UsualSizeSerializer(serializers.Serializer):
    """A usual card size."""

    words = serializers.CharField()
    width = serializers.CharField()
    height = serializers.CharField()
    unit = serializers.ChoiceField(choices=UNIT_CHOICES)


class ChangedPairSerializer(serializers.Serializer):
    """What lies on what, before and after; after: blank where it no longer does."""

    before = serializers.CharField()
    after = serializers.CharField()


class AddingSerializer(serializers.Serializer):
    """What adding a colour would mean: its role, and which guesses of what lies on what would change."""

    role = serializers.ChoiceField(choices=ROLE_CHOICES)
    changes = ChangedPairSerializer(many=True)


class BrokenCardSerializer(serializers.Serializer):
    """A card that cannot be shown, and why."""

    id = serializers.IntegerField()
    name = serializers.CharField()
    reason = serializers.CharField()


class StateSerializer(serializers.Serializer):
    """A state of a card, by the change that led to it."""

    number = serializers.IntegerField()
    label = serializers.CharField()  # type: ignore[assignment]
    now = serializers.BooleanField()


class StatesSerializer(serializers.Serializer):
    """What can be told of a card without working it out."""

    version = serializers.IntegerField()
    name = serializers.CharField()
    states = StateSerializer(many=True)


class GroupCountsSerializer(serializers.Serializer):
    """How many cards stand in each group."""

    all = serializers.IntegerField()
    idea = serializers.IntegerField()
    making = serializers.IntegerField()
    made = serializers.IntegerField()
    set = serializers.IntegerField()
    put_by = serializers.IntegerField()
    deleted = serializers.IntegerField()


class CardsSerializer(serializers.Serializer):
    """The person's cards and the sizes that are usual."""

    cards = CardSummarySerializer(many=True)
    broken = BrokenCardSerializer(many=True)
    count = serializers.IntegerField(help_text="of all pages")
    more = serializers.BooleanField()
    groups = GroupCountsSerializer()
    sizes = UsualSizeSerializer(many=True)


class GlancesSerializer(serializers.Serializer):
    """Some cards, and those of them that cannot be shown."""

    cards = GlanceSerializer(many=True)
    broken = BrokenCardSerializer(many=True)


class ColumnRangeSerializer(serializers.Serializer):
    """A range of a column, to filter by."""

    id = serializers.IntegerField()
    name = serializers.CharField()


class AlternativesSerializer(serializers.Serializer):
    """The nearest supplies for a palette colour in one column."""

    matches = MatchSerializer(many=True)
    ranges = ColumnRangeSerializer(many=True)
