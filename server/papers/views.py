"""A sheet, and what was read from a picture, as the screens get them."""

import io
from fractions import Fraction

import numpy as np
from colour.models import eotf_sRGB
from PIL import Image

from jindle_core.colorimetry.naming import hue_family
from jindle_core.colorimetry.spaces import lab_to_hex, linear_to_lab
from jindle_core.colorimetry.views import Shades, shades
from jindle_core.lengths import Length
from jindle_core.patterned.colours import SheetColour, where
from jindle_core.patterned.correction import Corrected
from jindle_core.supplies.matched import nearest_in_each
from jindle_core.supplies.whole import Supplies
from server.accounts.models import Person
from server.catalogue.downloads import data_url
from server.catalogue.swatches import match_told, swatch
from server.papers.models import Paper
from server.told.papers import FoundColour
from server.told.papers import Paper as PaperTold

_WHERE_SIDE = 240  # pixels of the little picture that shows where a colour stands


VIEWS = tuple(Shades.__annotations__)


def in_view(picture: bytes, view: str) -> bytes:
    """A picture as a view shows its colours, as a PNG; of so many colours as that has at most."""
    with Image.open(io.BytesIO(picture)) as opened:
        few = opened.convert("RGB").quantize(256, dither=Image.Dither.NONE)
    rgb = np.array(few.getpalette(), np.uint8).reshape(-1, 3)
    seen = shades(linear_to_lab(eotf_sRGB(rgb / 255)))
    few.putpalette(b"".join(bytes.fromhex(one[view][1:]) for one in seen))  # type: ignore[literal-required]
    out = io.BytesIO()
    few.save(out, "PNG")
    return out.getvalue()


def sheet(paper: Paper, supplies: Supplies, person: Person) -> PaperTold:
    """A paper, its largest colour first."""
    places = supplies.sheets.get((paper.range_id, paper.title), [])
    colours = [swatch(supplies, place) for place in places]
    return PaperTold(
        id=paper.pk,
        title=paper.title,
        collection=paper.range.name,
        range_id=paper.range_id,
        simulated=paper.simulated,
        own=paper.owner_id == person.pk,
        put_by=paper.put_by is not None,
        width=None if paper.width_mm is None else _width(paper.width_mm, person.units),
        colours=sorted(colours, key=lambda one: -(one.share or 0)),
    )


def _width(millimetres: float, units: str) -> str:
    return f"{Length.near(Fraction(millimetres).limit_denominator(10_000), units).text()} {units}"


def found_colours(supplies: Supplies, corrected: Corrected, colours: list[SheetColour]) -> list[FoundColour]:
    """What was found."""
    labs = np.array([colour.lab for colour in colours])
    step = max(1, max(corrected.linear.shape[:2]) // _WHERE_SIDE)
    labels = where(corrected.lab[::step, ::step], labs)
    matches = nearest_in_each(supplies, labs, corrected.sigma(labs))
    return [
        FoundColour(
            lab=[round(value, 2) for value in colour.lab],
            hex=shade,
            hue_name=hue_family(colour.lab),
            share=round(colour.share, 4),
            part=colour.part,
            where=_veil(labels != at),
            matches=[match_told(one) for one in near],
        )
        for at, (colour, shade, near) in enumerate(zip(colours, lab_to_hex(labs), matches, strict=True))
    ]


def _veil(hidden: np.ndarray) -> str:
    """A picture (data URL) that is dark where a colour does not stand, and clear where it does."""
    image = Image.fromarray((hidden * 215).astype(np.uint8))
    veil = Image.merge("LA", (Image.new("L", image.size, 24), image))
    out = io.BytesIO()
    veil.save(out, "PNG", optimize=True)
    return data_url(out.getvalue(), "image/png")
