"""What is a colour of a palette for?"""

from enum import StrEnum


class Role(StrEnum):
    """What a palette colour is for."""

    LEAD = "lead"
    SUPPORT = "support"
    ACCENT = "accent"
    LIGHT = "light"
    DARK = "dark"
    NEUTRAL = "neutral"
    GROUND = "ground"
