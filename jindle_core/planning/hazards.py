"""What is to be taken care of where something can hurt? A product's label, its safety sheet, local rules
and qualified people go before what stands here."""

from types import MappingProxyType

from jindle_core.planning.task import Hazard

CAUTIONS = MappingProxyType(
    {
        Hazard.BLADE: "Cut away from the hand, along a metal ruler or with the trimmer's guard down; cap"
        " the blade.",
        Hazard.ROLLERS: "Keep fingers, hair and cords off the rollers of the machine; magnets in dies are"
        " kept off medical devices.",
        Hazard.ALCOHOL: "Alcohol markers: fresh air, and no flame or heat tool near while they are wet.",
        Hazard.SOLVENT: "Solvent: outdoors or at an open window, away from flame; read the label and the"
        " safety sheet.",
        Hazard.HEAT: "The heat tool burns skin, scorches paper and curls vellum; keep it off anything damp"
        " with alcohol or solvent.",
        Hazard.POWDER: "Powder, chalk dust and mica: do not breathe them, wipe up damp. With asthma,"
        " skin trouble or in pregnancy ask a professional first.",
        Hazard.SMALL: "Small pieces and magnets are a danger of choking for small children: not on a card"
        " for one.",
    }
)
