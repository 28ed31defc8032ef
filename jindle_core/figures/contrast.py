"""Contrast: what lies on what. Limits from cards judged at arm's length."""

LETTERING_SMALL = (4.0, 40.0)  # luminance ratio, ΔL*
LETTERING_LARGE = (2.5, 30.0)
PICTURE_DELTA_E = 20.0
PICTURE_DELTA_L = 12.0
QUIET_DELTA_L = 10.0  # upper limits: a ground whose colours differ more competes
QUIET_RATIO = 1.35
QUIET_DELTA_E = 15.0
MAT_DELTA_E = 6.0
SPREAD_LEAST = 0.01  # of a card below which a colour has no weight in its light and dark
SPREAD_LIGHT_L = 70.0  # from here light; dark is what can carry lettering on a light ground
ONCE_LEAST = 2  # places in which a colour returns: once looks like an accident
BESIDE_LEAST = 0.05  # of a piece's edge: what lies along less of it is not judged
WHITE_L, WHITE_C = 88.0, 6.0  # from there up, and so near to grey, card passes for white
MELTS_L = 5.0  # ΔL* below which squinting melts two colours together
PALETTE_SPAN = 45.0  # ΔL* lightest to darkest
FLARE = 0.05  # added to both luminances, as in WCAG: light that the surface returns

# What stands out is judged once more with its L* moved towards what it lies on by so much of its uncertainty:
# of what holds then before any reading, 14 of 100 small letterings and 4 pictures truly do not (bench).
UNSURE = 0.5
EMBOSSED_SIGMA = 4.0  # ΔE00: how far powder hides card that is not white nobody knows before it was tried
