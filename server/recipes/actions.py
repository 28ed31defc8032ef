"""What is done with recipes: taken out, shared by a link, brought in."""

import secrets
from dataclasses import replace

from jindle_core.card.changes.palette import checked_name
from jindle_core.card.references import turned
from jindle_core.naming import Use
from jindle_core.travelling.arriving import Arriving
from jindle_core.travelling.foreign import Foreign
from jindle_core.travelling.recipe_file import (
    PictureTold,
    RecipeFile,
    read_recipe,
    told_from_json,
    write_recipe,
)
from jindle_core.travelling.told import Travelling
from server.access import shared_recipes_of
from server.accounts.models import Person
from server.cards.actions import keep_card
from server.cards.glances import picture_of
from server.cards.held import checked_card
from server.cards.models import StoredCard
from server.cards.travel import shelf_for, told_of
from server.cards.views import card_told
from server.catalogue.arrays import catalogue_for
from server.colouring.actions import store_drawing
from server.guarded import guarded
from server.quotas import check_room
from server.recipes.models import SharedRecipe
from server.records.models import Record
from server.writes import write

_SECONDS = 20  # of computing, to read the largest file that is read
_MEGABYTES = 900


def recipe_of_card(card: StoredCard) -> RecipeFile:
    """A card's recipe as it is now, with the picture that the list shows of it."""
    checked = checked_card(card, catalogue_for(card.owner), card.owner)
    picture = picture_of(card)
    shown = (PictureTold("as it is predicted", picture[1], picture[0]),) if picture else ()
    return RecipeFile(told_of(checked, card.owner), shown)


def recipe_of_record(record: Record) -> RecipeFile:
    """What was made as it was then, with its photos."""
    shown = [PictureTold("as it was made", "image/jpeg", bytes(one.picture)) for one in record.photos.all()]
    if record.picture is not None:
        shown.append(PictureTold("as it was predicted", "image/webp", bytes(record.picture)))
    return RecipeFile(told_from_json(record.stored), tuple(shown))


def text_of(recipe: RecipeFile) -> str:
    """The file's text."""
    return write_recipe(recipe.told, recipe.pictures)


def read(content: bytes) -> RecipeFile:
    """What a foreign file holds, read in a process of its own; BadInput where it is no recipe."""
    return guarded(read_recipe, content, _SECONDS, _MEGABYTES)


@write
def share(owner: Person, of: StoredCard | Record) -> SharedRecipe:
    """A link to a recipe as it is now; one that there was before ends."""
    which = {"card": of} if isinstance(of, StoredCard) else {"record": of}
    shared_recipes_of(owner).filter(**which).delete()
    check_room(owner, "links")
    recipe = recipe_of_card(of) if isinstance(of, StoredCard) else recipe_of_record(of)
    return SharedRecipe.objects.create(
        owner=owner,
        token=secrets.token_urlsafe(),
        name=recipe.told.card.name,
        file=text_of(recipe),
        **which,
    )


@write
def end_link(link: SharedRecipe) -> None:
    """Nobody finds anything there any more."""
    link.delete()


def recipe_behind(link: SharedRecipe) -> RecipeFile:
    """What a link leads to."""
    return read_recipe(link.file.encode())


def arriving(person: Person, told: Travelling, owned: bool | None) -> Arriving:
    """A card that somebody else told of, in the person's drawer or in all that they see; None: in the drawer,
    if there is anything in it."""
    supplies = catalogue_for(person)
    owned = bool(supplies.usable.any()) if owned is None else owned
    return Arriving(Foreign(told, supplies, shelf_for(told, supplies, person)), owned)


@write
def start_from(person: Person, found: Arriving, name: str) -> StoredCard:
    """A card of one's own, with the drawings that one did not have; BadInput where it cannot be shown."""
    kept = {
        pk: pk if pk > 0 else store_drawing(person, one.name, one.drawing).pk
        for pk, one in zip(found.foreign.drawings, found.foreign.told.drawings, strict=True)
    }
    mine = turned(found.after.card, lambda use, pk: kept[pk] if use is Use.DRAWING else pk)
    card = keep_card(person, replace(mine, name=checked_name(name)))
    card_told(card, checked_card(card, catalogue_for(person), person), person, {})
    return card
