"""What is to be taken care of where something can hurt? A product's label, its safety sheet, local rules
and qualified people go before what stands here."""

from collections.abc import Collection
from types import MappingProxyType

from jindle_core.planning.task import Hazard

FOR_SMALL_CHILD = (
    "This card is for a small child, who could swallow what is set on: leave it off, or draw it with a"
    " pen instead."
)
CAUTIONS = MappingProxyType(
    {
        Hazard.BLADE: "Cut away from the hand, along a metal ruler or with the trimmer's guard down; cap"
        " the blade.",
        Hazard.ROLLERS: "Keep fingers, hair and cords off the rollers of the machine; magnets in dies are"
        " kept off medical devices.",
        Hazard.ALCOHOL: "Alcohol markers: fresh air, and no flame or heat tool near while they are wet.",
        Hazard.SOLVENT: "Solvent and sprays: outdoors or at an open window, away from flame; read the label"
        " and the safety sheet. With asthma or in pregnancy ask a professional first.",
        Hazard.HEAT: "The heat tool burns skin, scorches paper and curls vellum; keep it off anything damp"
        " with alcohol or solvent.",
        Hazard.POWDER: "Powder, chalk dust and mica: do not breathe them, wipe up damp. With asthma,"
        " skin trouble or in pregnancy ask a professional first.",
        Hazard.SMALL: "Small pieces and magnets are a danger of choking for small children: not on a card"
        " for one.",
    }
)


def cautions(hazards: Collection[Hazard], small_child: bool | None = None) -> list[str]:
    """What to take care of; ``small_child`` says whether the card is for one, None: nobody said."""
    said = dict(CAUTIONS)
    if small_child:
        said[Hazard.SMALL] = FOR_SMALL_CHILD
    elif small_child is False:
        del said[Hazard.SMALL]
    return [words for hazard, words in said.items() if hazard in hazards]
