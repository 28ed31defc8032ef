"""The API of the swatch reader."""

from collections.abc import Iterator
from dataclasses import asdict, replace

import numpy as np
from django.http import StreamingHttpResponse
from drf_spectacular.utils import extend_schema
from rest_framework import serializers
from rest_framework.response import Response
from rest_framework.views import APIView

from jindle_core import figures
from jindle_core.colorimetry.recovery import lab_to_reflectance
from jindle_core.colorimetry.spaces import as_lab, reflectance_to_lab
from jindle_core.errors import BadInput, Problem
from jindle_core.prediction.stocks import WHITE_CARD
from jindle_core.supplies.whole import Supplies
from server.access import colours_seen_by, one
from server.accounts.models import Person
from server.accounts.stand_ins import check_stand_ins
from server.catalogue.api.readings import LaidSerializer, laid_as_said, told
from server.catalogue.arrays import catalogue_for
from server.catalogue.models import Colour
from server.catalogue.reading_actions import Laid, Value, add_readings, keep_reader_state, reader_state
from server.catalogue.readings import from_bytes
from server.requests import Request
from server.streams import MEDIA_TYPE, progress
from server.told.readings import Reader as ReaderTold
from server.told.readings import ReadLine
from server.told.schema import component
from standins.device import Measured, ReaderFault, Swatch, SwatchReader
from standins.reader import SimulatedReader


def reader() -> SwatchReader:
    """The swatch reader that is connected: the simulated one, until a real one has a driver."""
    return SimulatedReader()


class ReadRequestSerializer(LaidSerializer):
    """What to read; ``touching`` is for the simulated reader only."""

    colour = serializers.IntegerField()
    touching = serializers.BooleanField(default=True)


class Reader(APIView):
    """The swatch reader."""

    @extend_schema(responses=component(ReaderTold), operation_id="reader")
    def get(self, request: Request) -> Response:
        """Which reader is connected and how it is."""
        check_stand_ins(request.user)
        return Response(_reader(request.user))


class _Tend(APIView):
    def _do(self, request: Request, what: str) -> Response:
        check_stand_ins(request.user)
        try:
            state = getattr(reader(), what)(reader_state(request.user))
        except ReaderFault as fault:
            raise BadInput(Problem(str(fault), field=fault.code)) from None
        keep_reader_state(request.user, state)
        return Response(_reader(request.user))


class ReaderCalibrate(_Tend):
    """Calibrating the reader."""

    @extend_schema(request=None, responses=component(ReaderTold), operation_id="calibrate_reader")
    def post(self, request: Request) -> Response:
        """Read the white tile."""
        return self._do(request, "calibrate")


class ReaderRecharge(_Tend):
    """Charging the reader."""

    @extend_schema(request=None, responses=component(ReaderTold), operation_id="recharge_reader")
    def post(self, request: Request) -> Response:
        """Put it on its charger."""
        return self._do(request, "recharge")


class ReaderRead(APIView):
    """Reading a swatch."""

    @extend_schema(
        request=ReadRequestSerializer,
        responses={(200, MEDIA_TYPE): component(ReadLine)},
        operation_id="read_swatch",
    )
    def post(self, request: Request) -> StreamingHttpResponse:
        """Read a swatch of a colour and keep the reading; tells its progress."""
        check_stand_ins(request.user)
        given = ReadRequestSerializer(data=request.data)
        given.is_valid(raise_exception=True)
        values = given.validated_data
        colour = one(colours_seen_by(request.user), pk=values["colour"])
        laid = laid_as_said(request.user, values, [colour.pk])
        return progress(_reading(request.user, colour, laid, values["touching"]))


def _reading(person: Person, colour: Colour, laid: Laid, touching: bool) -> Iterator[ReadLine]:
    device = reader()
    under = lying_there(catalogue_for(person), colour, laid, touching)
    try:
        for step in device.read(under, reader_state(person)):
            if isinstance(step, Measured):
                keep_reader_state(person, step.state)
                value = Value(
                    as_lab(reflectance_to_lab(np.array(step.reflectance))),
                    "read",
                    device.name,
                    step.reflectance,
                    device.simulated,
                )
                (made,) = add_readings(person, [(colour, value)], laid)
                yield ReadLine(reading=told(made, catalogue_for(person), set()))
            else:
                yield ReadLine(**asdict(step))
    except ReaderFault as fault:
        raise BadInput(Problem(str(fault), field=fault.code)) from None


def lying_there(supplies: Supplies, colour: Colour, laid: Laid, touching: bool = True) -> Swatch:
    """The swatch as a simulated device has to be told of it: by what the range says, not by readings."""
    known = from_bytes(colour.spectrum)
    if known is None:
        label = supplies.label_lab[supplies.places[colour.pk]]
        known = lab_to_reflectance(label)
    paper = (
        WHITE_CARD
        if laid.paper is None
        else supplies.reflectance(np.array([supplies.places[laid.paper.pk]]))[0]
    )
    below = None
    if laid.below is not None:
        first = replace(laid, layers=1, hand="middle", below=None)
        below = lying_there(supplies, laid.below, first)
    return Swatch(
        identity=f"{supplies.ranges[colour.range_id].name}/{colour.key}",
        medium=supplies.ranges[colour.range_id].medium.value,
        known=tuple(map(float, known)),
        white=tuple(map(float, WHITE_CARD)),
        doubt=figures.colour.UNCERTAINTY[colour.provenance],
        paper=tuple(map(float, paper)),
        layers=laid.layers,
        hand=laid.hand,
        touching=touching,
        below=below,
    )


def _reader(person: Person) -> ReaderTold:
    device, state = reader(), reader_state(person)
    return ReaderTold(
        name=device.name,
        simulated=device.simulated,
        calibrated=state.calibrated,
        battery=state.battery,
    )
