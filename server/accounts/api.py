"""The API of accounts."""

from typing import Any

from django.conf import settings
from drf_spectacular.utils import extend_schema
from rest_framework import serializers, status
from rest_framework.permissions import AllowAny
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.compatibility.properties import PROPERTIES, properties_of
from jindle_core.layers.pieces import WORDS
from jindle_core.media.medium import Medium
from jindle_core.words import PHRASES
from server.accounts import actions
from server.accounts.door import TokenAtTheDoor
from server.accounts.models import PREFERENCES, Person
from server.quotas import room
from server.requests import Request

MEDIUM_CHOICES = [(one.value, one.value) for one in Medium]
PROPERTY_CHOICES = [(one, one) for one in PROPERTIES]
SIGN_UP_CHOICES = [(one, one) for one in ("open", "invitation", "closed")]


class PersonSerializer(serializers.ModelSerializer):
    """A person as shown to themselves."""

    device_key = serializers.SerializerMethodField(
        help_text="with which a device closes what it keeps for them"
    )

    class Meta:
        model = Person
        fields = ("id", "name", "email", "device_key", *PREFERENCES)
        read_only_fields = ("id", "name", "email")

    def get_device_key(self, person: Person) -> str:
        """The person's own, with which a device closes what it keeps for them."""
        return person.device_key


class LimitsSerializer(serializers.Serializer):
    """How much of everything there may be, so that it can be said before it is sent."""

    name = serializers.IntegerField(help_text="characters")
    password = serializers.IntegerField(help_text="characters, at least")
    words = serializers.IntegerField(help_text="characters on a piece")
    tones = serializers.ListField(child=serializers.IntegerField(), help_text="of a family")
    area_layers = serializers.ListField(child=serializers.IntegerField())
    deleted_days = serializers.IntegerField(help_text="for which a deleted card can be brought back")
    reading_layers = serializers.ListField(child=serializers.IntegerField())
    word_kinds = serializers.ListField(
        child=serializers.CharField(), help_text="kinds of piece that say words"
    )


class MediumToldSerializer(serializers.Serializer):
    """A medium, and what of a supply of it can be said."""

    value = serializers.ChoiceField(choices=MEDIUM_CHOICES)
    laid = serializers.BooleanField(help_text="on card, so that layers, hand and paper mean something")
    properties = serializers.ListField(
        child=serializers.ChoiceField(choices=PROPERTY_CHOICES), help_text="that a range of it may have"
    )


class DoorSerializer(serializers.Serializer):
    """What the sign-in page needs to know before anybody is signed in, and what holds for all."""

    demo = serializers.BooleanField()
    sign_up = serializers.ChoiceField(choices=SIGN_UP_CHOICES)
    mail = serializers.BooleanField(help_text="a forgotten password is helped with by mail")
    person = PersonSerializer(allow_null=True)
    limits = LimitsSerializer()
    media = MediumToldSerializer(many=True)
    phrases = serializers.DictField(
        child=serializers.CharField(), help_text="keys whose words are not the key itself, hyphens taken out"
    )


def _media() -> list[dict[str, Any]]:
    return [
        {
            "value": one.value,
            "laid": one.traits.covering is not None,
            "properties": properties_of(one),
        }
        for one in Medium
    ]


def _limits() -> dict[str, Any]:
    least, most = figures.families.FAMILY_SIZES
    return {
        "name": figures.palettes.NAME_LIMIT,
        "password": settings.PASSWORD_LEAST,
        "words": figures.building.WORDS_LIMIT,
        "tones": list(range(least, most + 1)),
        "area_layers": list(range(1, figures.drawings.AREA_LAYERS + 1)),
        "deleted_days": figures.files.DELETED_DAYS,
        "reading_layers": list(range(1, figures.laying.READING_LAYERS + 1)),
        "word_kinds": [kind.value for kind in WORDS],
    }


class CredentialsSerializer(serializers.Serializer):
    """A name and a password."""

    name = serializers.CharField(max_length=80, trim_whitespace=True)
    password = serializers.CharField(max_length=200, trim_whitespace=False)


class SignUpSerializer(CredentialsSerializer):
    """The same, and an invitation where that is asked for."""

    invitation = serializers.CharField(max_length=80, allow_blank=True, default="")


class ForgottenSerializer(serializers.Serializer):
    """Whose password is forgotten."""

    name = serializers.CharField(max_length=80)


class PasswordByLinkSerializer(serializers.Serializer):
    """A new password, by the link that was sent."""

    who = serializers.IntegerField()
    key = serializers.CharField(max_length=120)
    password = serializers.CharField(max_length=200, trim_whitespace=False)


class KeepingSerializer(serializers.Serializer):
    """How much of a kind somebody keeps, and may keep."""

    what = serializers.CharField()
    there = serializers.IntegerField()
    most = serializers.IntegerField()
    nearly_full = serializers.BooleanField()


def _credentials(request: Request) -> dict[str, str]:
    given = CredentialsSerializer(data=request.data)
    given.is_valid(raise_exception=True)
    found: dict[str, str] = given.validated_data
    return found


class Door(APIView):
    """Who is signed in, if anybody."""

    permission_classes = [AllowAny]

    @extend_schema(responses=DoorSerializer, operation_id="door")
    def get(self, request: Request) -> Response:
        """Whether the demo studio can be opened, and who is signed in."""
        person = PersonSerializer(request.user).data if request.user.is_authenticated else None
        return Response(
            {
                "demo": settings.DEMO,
                "sign_up": settings.SIGN_UP,
                "mail": settings.HAS_MAIL,
                "person": person,
                "limits": _limits(),
                "media": _media(),
                "phrases": dict(PHRASES),
            }
        )


class SignUp(APIView):
    """Make an account."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(
        request=SignUpSerializer, responses={201: PersonSerializer}, operation_id="sign_up", auth=[]
    )
    def post(self, request: Request) -> Response:
        """Make an account and sign in with it."""
        given = SignUpSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        person = actions.sign_up(request._request, **given.validated_data)
        return Response(PersonSerializer(person).data, status=status.HTTP_201_CREATED)


class SignIn(APIView):
    """Sign in."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(request=CredentialsSerializer, responses=PersonSerializer, operation_id="sign_in", auth=[])
    def post(self, request: Request) -> Response:
        """Sign in with name and password."""
        return Response(PersonSerializer(actions.sign_in(request._request, **_credentials(request))).data)


class Forgotten(APIView):
    """A forgotten password."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(request=ForgottenSerializer, responses={204: None}, operation_id="forgotten", auth=[])
    def post(self, request: Request) -> Response:
        """Send a link to who has that name, if mail can reach them; the answer is the same for all."""
        given = ForgottenSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        if settings.HAS_MAIL:
            address = settings.ADDRESS or request.build_absolute_uri("/").rstrip("/")
            actions.forgotten(given.validated_data["name"], address)
        return Response(status=status.HTTP_204_NO_CONTENT)


class PasswordByLink(APIView):
    """A new password for who forgot theirs."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(
        request=PasswordByLinkSerializer, responses=PersonSerializer, operation_id="new_password", auth=[]
    )
    def post(self, request: Request) -> Response:
        """Take it, and sign in."""
        given = PasswordByLinkSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        person = actions.new_password(request._request, **given.validated_data)
        return Response(PersonSerializer(person).data)


class MyRoom(APIView):
    """The room that is left."""

    @extend_schema(responses=KeepingSerializer(many=True), operation_id="room")
    def get(self, request: Request) -> Response:
        """How much of everything they keep, and may keep."""
        return Response(KeepingSerializer(room(request.user), many=True).data)


class SignOutElsewhere(APIView):
    """Every other session."""

    @extend_schema(request=None, responses={204: None}, operation_id="sign_out_elsewhere")
    def post(self, request: Request) -> Response:
        """End all but this one."""
        actions.sign_out_elsewhere(request._request, request.user)
        return Response(status=status.HTTP_204_NO_CONTENT)


class SignOut(APIView):
    """Sign out."""

    @extend_schema(request=None, responses={204: None}, operation_id="sign_out")
    def post(self, request: Request) -> Response:
        """End the session."""
        actions.sign_out(request._request)
        return Response(status=status.HTTP_204_NO_CONTENT)


class Me(APIView):
    """The person signed in."""

    @extend_schema(responses=PersonSerializer, operation_id="me")
    def get(self, request: Request) -> Response:
        """How they like things shown."""
        return Response(PersonSerializer(request.user).data)

    @extend_schema(request=PersonSerializer, responses=PersonSerializer, operation_id="change_me")
    def patch(self, request: Request) -> Response:
        """Change units, surround, whether only what is owned is offered, whether shadows are laid first."""
        given = PersonSerializer(request.user, data=request.data, partial=True)
        given.is_valid(raise_exception=True)
        given.save()
        return Response(given.data)


class NewPasswordSerializer(serializers.Serializer):
    """The password as it is and as it is to be."""

    old = serializers.CharField(max_length=200, trim_whitespace=False)
    new = serializers.CharField(max_length=200, trim_whitespace=False)


class PasswordSerializer(serializers.Serializer):
    """The password, to be sure."""

    password = serializers.CharField(max_length=200, trim_whitespace=False)


class Password(APIView):
    """The person's password."""

    @extend_schema(request=NewPasswordSerializer, responses={204: None}, operation_id="change_password")
    def post(self, request: Request) -> Response:
        """Change it."""
        given = NewPasswordSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        actions.change_password(request._request, request.user, **given.validated_data)
        return Response(status=status.HTTP_204_NO_CONTENT)


class AddressSerializer(PasswordSerializer):
    """An address for letters, blank for none, and the password, to be sure."""

    email = serializers.EmailField(allow_blank=True)


class Address(APIView):
    """Where the person's letters go."""

    @extend_schema(request=AddressSerializer, responses=PersonSerializer, operation_id="change_address")
    def post(self, request: Request) -> Response:
        """Change it; the old address is told."""
        given = AddressSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        actions.change_address(request._request, request.user, **given.validated_data)
        return Response(PersonSerializer(request.user).data)


class DeleteMe(APIView):
    """The end of an account."""

    @extend_schema(request=PasswordSerializer, responses={204: None}, operation_id="delete_me")
    def post(self, request: Request) -> Response:
        """Delete the account and everything in it, for good."""
        given = PasswordSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        actions.delete_account(request._request, request.user, **given.validated_data)
        return Response(status=status.HTTP_204_NO_CONTENT)
