"""The API of accounts."""

from django.conf import settings
from drf_spectacular.utils import extend_schema
from rest_framework import serializers, status
from rest_framework.permissions import AllowAny
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.compatibility.properties import properties_of
from jindle_core.layers.pieces import WORDS
from jindle_core.media.medium import Medium
from jindle_core.words import PHRASES
from server.accounts import actions
from server.accounts.door import TokenAtTheDoor
from server.accounts.models import PREFERENCES, Person
from server.quotas import room
from server.requests import Request
from server.told.accounts import Door as DoorTold
from server.told.accounts import Keeping, Limits, MediumTold
from server.told.accounts import Person as PersonTold
from server.told.schema import component

MEDIUM_CHOICES = [(one.value, one.value) for one in Medium]


class PersonSerializer(serializers.ModelSerializer):
    """How a person likes things shown."""

    class Meta:
        model = Person
        fields = PREFERENCES


def person_told(person: Person) -> PersonTold:
    """A person as shown to themselves."""
    told = {name: getattr(person, name) for name in ("id", "name", "email", "device_key", *PREFERENCES)}
    return PersonTold(**told)


def _media() -> list[MediumTold]:
    return [
        MediumTold(
            value=one,
            laid=one.traits.covering is not None,
            properties=properties_of(one),
        )
        for one in Medium
    ]


def _limits() -> Limits:
    least, most = figures.families.FAMILY_SIZES
    return Limits(
        name=figures.palettes.NAME_LIMIT,
        password=settings.PASSWORD_LEAST,
        words=figures.building.WORDS_LIMIT,
        tones=list(range(least, most + 1)),
        area_layers=list(range(1, figures.drawings.AREA_LAYERS + 1)),
        deleted_days=figures.files.DELETED_DAYS,
        reading_layers=list(range(1, figures.laying.READING_LAYERS + 1)),
        word_kinds=[kind.value for kind in WORDS],
    )


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


def _credentials(request: Request) -> dict[str, str]:
    given = CredentialsSerializer(data=request.data)
    given.is_valid(raise_exception=True)
    found: dict[str, str] = given.validated_data
    return found


class Door(APIView):
    """Who is signed in, if anybody."""

    permission_classes = [AllowAny]

    @extend_schema(responses=component(DoorTold), operation_id="door")
    def get(self, request: Request) -> Response:
        """Whether the demo studio can be opened, and who is signed in."""
        person = person_told(request.user) if request.user.is_authenticated else None
        return Response(
            DoorTold(
                demo=settings.DEMO,
                sign_up=settings.SIGN_UP,
                mail=settings.HAS_MAIL,
                person=person,
                limits=_limits(),
                media=_media(),
                phrases=dict(PHRASES),
            )
        )


class SignUp(APIView):
    """Make an account."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(
        request=SignUpSerializer, responses={201: component(PersonTold)}, operation_id="sign_up", auth=[]
    )
    def post(self, request: Request) -> Response:
        """Make an account and sign in with it."""
        given = SignUpSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        person = actions.sign_up(request._request, **given.validated_data)
        return Response(person_told(person), status=status.HTTP_201_CREATED)


class SignIn(APIView):
    """Sign in."""

    authentication_classes = [TokenAtTheDoor]
    permission_classes = [AllowAny]

    @extend_schema(
        request=CredentialsSerializer, responses=component(PersonTold), operation_id="sign_in", auth=[]
    )
    def post(self, request: Request) -> Response:
        """Sign in with name and password."""
        return Response(person_told(actions.sign_in(request._request, **_credentials(request))))


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
        request=PasswordByLinkSerializer,
        responses=component(PersonTold),
        operation_id="new_password",
        auth=[],
    )
    def post(self, request: Request) -> Response:
        """Take it, and sign in."""
        given = PasswordByLinkSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        person = actions.new_password(request._request, **given.validated_data)
        return Response(person_told(person))


class MyRoom(APIView):
    """The room that is left."""

    @extend_schema(responses=component(Keeping, many=True), operation_id="room")
    def get(self, request: Request) -> Response:
        """How much of everything they keep, and may keep."""
        return Response([Keeping(nearly_full=one.nearly_full, **one._asdict()) for one in room(request.user)])


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

    @extend_schema(responses=component(PersonTold), operation_id="me")
    def get(self, request: Request) -> Response:
        """How they like things shown."""
        return Response(person_told(request.user))

    @extend_schema(request=PersonSerializer, responses=component(PersonTold), operation_id="change_me")
    def patch(self, request: Request) -> Response:
        """Change units, surround, whether only what is owned is offered, whether shadows are laid first."""
        given = PersonSerializer(request.user, data=request.data, partial=True)
        given.is_valid(raise_exception=True)
        given.save()
        return Response(person_told(request.user))


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

    @extend_schema(request=AddressSerializer, responses=component(PersonTold), operation_id="change_address")
    def post(self, request: Request) -> Response:
        """Change it; the old address is told."""
        given = AddressSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        actions.change_address(request._request, request.user, **given.validated_data)
        return Response(person_told(request.user))


class DeleteMe(APIView):
    """The end of an account."""

    @extend_schema(request=PasswordSerializer, responses={204: None}, operation_id="delete_me")
    def post(self, request: Request) -> Response:
        """Delete the account and everything in it, for good."""
        given = PasswordSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        actions.delete_account(request._request, request.user, **given.validated_data)
        return Response(status=status.HTTP_204_NO_CONTENT)
