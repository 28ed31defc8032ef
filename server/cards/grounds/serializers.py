"""What the API of a card's ground takes and gives."""

from typing import Any

from rest_framework import serializers

from jindle_core.blending.effects import EffectKind
from jindle_core.blending.meeting import Reach, Seam
from jindle_core.blending.painting import GroundShape
from jindle_core.blending.standing import Wish
from jindle_core.blending.stencils import Stencil, StencilForm
from jindle_core.card.changes import ground as ground_changes
from jindle_core.card.ground import Effect, InkedCard, PadUse
from jindle_core.prediction.behaviour import Hand
from server.cards.change_serializers import ChangeSerializer, kind_field
from server.cards.serializers import EFFECT_CHOICES
from server.catalogue.models import HAND_CHOICES

SHAPE_CHOICES = [(one.value, one.value) for one in GroundShape]
REACH_CHOICES = [(one.value, one.value) for one in Reach]
STENCIL_CHOICES = [(one.value, one.value) for one in StencilForm]
SEAM_CHOICES = [(one.value, one.value) for one in Seam]
WISH_CHOICES = [(one.value, one.value) for one in Wish]
_LONGEST = 100  # what the core then says no to, in words


# --- What it takes, and gives back in ways out and mends.


class StencilSerializer(serializers.Serializer):
    """A stencil; one's own by its openings, rings in shares of its sheet."""

    form = serializers.ChoiceField(choices=STENCIL_CHOICES, default=StencilForm.HILLS.value)
    openings = serializers.ListField(
        child=serializers.ListField(
            child=serializers.ListField(child=serializers.FloatField(), min_length=2, max_length=2)
        ),
        default=list,
    )
    shape = serializers.FloatField(default=1.0, help_text="the sheet's width by its height")

    def to_internal_value(self, data: Any) -> Stencil:
        given = super().to_internal_value(data)
        openings = tuple(tuple((x, y) for x, y in ring) for ring in given["openings"])
        return Stencil(StencilForm(given["form"]), openings, given["shape"])


class PadUseSerializer(serializers.Serializer):
    """A pad of the ground: its colour, how it is laid, and how it joins the next."""

    colour = serializers.IntegerField()
    hand = serializers.ChoiceField(choices=HAND_CHOICES, default=Hand.MIDDLE.value)
    coats = serializers.IntegerField(default=1)
    reach = serializers.ChoiceField(
        choices=REACH_CHOICES, default=Reach.MIDDLE.value, help_text="how far it is carried into the next"
    )
    seam = serializers.ChoiceField(choices=SEAM_CHOICES, default=Seam.BLEND.value)
    stencil = StencilSerializer(default=Stencil)
    same = serializers.BooleanField(
        default=False, help_text="on a stencilled ground: through the stencil of the pad before"
    )

    def to_internal_value(self, data: Any) -> PadUse:
        given = super().to_internal_value(data)
        how = Hand(given["hand"]), given["coats"], Reach(given["reach"]), Seam(given["seam"])
        return PadUse(given["colour"], *how, given["stencil"], given["same"])


class EffectUseSerializer(serializers.Serializer):
    """Something over the ground, with the pad and the hand where it needs one."""

    effect = serializers.ChoiceField(choices=EFFECT_CHOICES)
    colour = serializers.IntegerField(allow_null=True, default=None)
    hand = serializers.ChoiceField(choices=HAND_CHOICES, default=Hand.MIDDLE.value)

    def to_internal_value(self, data: Any) -> Effect:
        given = super().to_internal_value(data)
        return Effect(EffectKind(given["effect"]), given["colour"], Hand(given["hand"]))


class InkedCardUseSerializer(serializers.Serializer):
    """A card for mats, inked by oneself."""

    colour = serializers.IntegerField()
    hand = serializers.ChoiceField(choices=HAND_CHOICES, default=Hand.MIDDLE.value)
    coats = serializers.IntegerField(default=1)
    whole = serializers.BooleanField(default=False, help_text="or its edges only")
    paper = serializers.IntegerField(allow_null=True, default=None)

    def to_internal_value(self, data: Any) -> InkedCard:
        given = super().to_internal_value(data)
        return InkedCard(given["colour"], Hand(given["hand"]), given["coats"], given["whole"], given["paper"])


class GroundSettingsSerializer(serializers.Serializer):
    """Some of a ground's settings; pads and effects whole."""

    shape = serializers.ChoiceField(choices=SHAPE_CHOICES, required=False)
    across = serializers.BooleanField(required=False, help_text="bands side by side")
    pads = PadUseSerializer(many=True, required=False, max_length=_LONGEST)  # type: ignore[call-arg]
    paper = serializers.IntegerField(required=False, allow_null=True)
    tinted = serializers.BooleanField(required=False, help_text="a vignette's centre covered lightly")
    wish = serializers.ChoiceField(choices=WISH_CHOICES, required=False)
    lettered = serializers.BooleanField(required=False, help_text="lettering without its strip")
    effects = EffectUseSerializer(many=True, required=False, max_length=_LONGEST)  # type: ignore[call-arg]
    mat = InkedCardUseSerializer(required=False, allow_null=True)
    back = serializers.BooleanField(
        required=False, help_text="back up through layered stencils with what is left on the brushes"
    )
    one_side = serializers.BooleanField(required=False, help_text="the brush always comes in from the left")


class SetGroundSerializer(ChangeSerializer, GroundSettingsSerializer):
    """Change what is said of the ground; what is left out stays."""

    makes = ground_changes.SetGround
    kind = kind_field("set_ground")

    def to_internal_value(self, data: Any) -> Any:
        given: Any = dict(super(ChangeSerializer, self).to_internal_value(data))
        given.pop("kind")
        for name, kind in (("shape", GroundShape), ("wish", Wish)):
            if name in given:
                given[name] = kind(given[name])
        for name in ("pads", "effects"):
            if name in given:
                given[name] = tuple(given[name])
        return ground_changes.SetGround(given)


class UsePadSerializer(ChangeSerializer):
    """Another pad at a place of the ground (from 0)."""

    makes = ground_changes.UsePad
    kind = kind_field("use_pad")
    at = serializers.IntegerField(min_value=0)
    colour = serializers.IntegerField()


GROUND_CHANGES: dict[str, type[ChangeSerializer]] = {
    "set_ground": SetGroundSerializer,
    "use_pad": UsePadSerializer,
}


class PadsQuery(serializers.Serializer):
    """Only pads from the drawer, where there are any."""

    owned = serializers.BooleanField(default=True)


# --- What it gives.


class StencilFileSerializer(serializers.Serializer):
    """An SVG of a stencil."""

    file = serializers.FileField(allow_empty_file=True)
