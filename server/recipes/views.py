"""Recipes that travel, as they are told."""

from io import BytesIO

from PIL import Image

from jindle_core.checked.whole import CheckedCard
from jindle_core.colorimetry.views import Shades
from jindle_core.patterned.sheet import Sheet
from jindle_core.supplies.used import shopping
from jindle_core.supplies.whole import Supplies
from jindle_core.travelling.arriving import Arriving
from jindle_core.travelling.recipe_file import RecipeFile
from server.cards.json.desk import desk_told
from server.cards.json.uses import follower_told
from server.catalogue.downloads import data_url
from server.recipes.models import SharedRecipe
from server.told.everywhere import GivesWay
from server.told.recipes import Brought, BroughtPattern, BroughtPicture, Link


def link_told(link: SharedRecipe) -> Link:
    """A link."""
    return Link(id=link.pk, name=link.name, address=f"/shared/{link.token}", created=link.created)


def _pattern(sheet: Sheet, supplies: Supplies) -> dict[str, str]:
    """By view the picture of a sheet that one does not have, a dot for each of its parts."""
    shades = [supplies.shades[supplies.places[pk]] for pk in sheet.colours]
    found = {}
    for view in Shades.__annotations__:
        picture, out = Image.fromarray(sheet.labels), BytesIO()
        picture.putpalette(b"".join(bytes.fromhex(one[view][1:]) for one in shades))  # type: ignore[literal-required]
        picture.save(out, "PNG")
        found[view] = data_url(out.getvalue(), "image/png")
    return found


def brought_told(recipe: RecipeFile, found: Arriving, units: str) -> Brought:
    """What a recipe brings."""
    foreign, after = found.foreign, found.checked
    supplies = foreign.mine
    lacking = shopping([after.seen.card], supplies, after.seen.sheets)
    return Brought(
        name=recipe.told.card.name,
        size=recipe.told.card.size.text(units),
        before=desk_told((CheckedCard(foreign.shown) if foreign.sheets else found.was).desk),
        after=desk_told(after.desk),
        pictures=[
            BroughtPicture(words=one.words, address=data_url(one.content, one.kind))
            for one in recipe.pictures
        ],
        patterns=[
            BroughtPattern(sheet=pk, pictures=_pattern(sheet, foreign.supplies))
            for pk, sheet in foreign.sheets.items()
        ],
        followers=[follower_told(one) for one in found.following.followers],
        same=sum(foreign.ids[number - 1] > 0 for number in foreign.named),
        supplies=len(foreign.named),
        held=len(found.held),
        owned=found.owned,
        otherwise=[GivesWay(**one._asdict()) for one in found.otherwise],
        gives_way=[GivesWay(title=one.title, words=one.finding.reason) for one in found.gives_way],
        lacking=[f"{supplies.rows[one.place].label} ({one.why})" for one in lacking],
        drawings=[one.name for pk, one in zip(foreign.drawings, recipe.told.drawings, strict=True) if pk < 0],
    )
