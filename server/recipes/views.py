"""Recipes that travel, as they are told."""

from typing import Any

from jindle_core.supplies.used import shopping
from jindle_core.travelling.arriving import Arriving
from jindle_core.travelling.recipe_file import RecipeFile
from server.cards.json.desk import desk_told
from server.cards.json.uses import follower_told
from server.catalogue.downloads import data_url
from server.recipes.models import SharedRecipe


def link_told(link: SharedRecipe) -> dict[str, Any]:
    """As ``LinkSerializer`` describes it."""
    return {"id": link.pk, "name": link.name, "address": f"/shared/{link.token}", "created": link.created}


def brought_told(recipe: RecipeFile, found: Arriving, units: str) -> dict[str, Any]:
    """As ``BroughtSerializer`` describes it."""
    foreign, after = found.foreign, found.checked
    supplies = foreign.mine
    lacking = shopping([after.seen.card], supplies, after.seen.sheets)
    return {
        "name": recipe.told.card.name,
        "size": recipe.told.card.size.text(units),
        "before": desk_told(found.was.desk),
        "after": desk_told(after.desk),
        "pictures": [
            {"words": one.words, "address": data_url(one.content, one.kind)} for one in recipe.pictures
        ],
        "followers": [follower_told(one) for one in found.following.followers],
        "same": sum(pk > 0 for pk in foreign.ids),
        "supplies": len(foreign.ids),
        "held": len(found.held),
        "owned": found.owned,
        "otherwise": [one._asdict() for one in found.otherwise],
        "gives_way": [{"title": one.title, "words": one.finding.reason} for one in found.gives_way],
        "lacking": [f"{supplies.rows[one.place].label} ({one.why})" for one in lacking],
        "drawings": [
            one.name for pk, one in zip(foreign.drawings, recipe.told.drawings, strict=True) if pk < 0
        ],
    }
