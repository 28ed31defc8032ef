"""Laying: transparent colour, films and wax on paper; readings and what is fitted to them."""

from types import MappingProxyType

# Transparent colour on paper (markers, dye pads, pencils).
SURFACE_REFLECTION = 0.006  # what the surface returns before any dye is met
TRANSMITTANCE_RANGE = (0.003, 1.03)
TRANSPARENT_SHARE = 0.35  # w of R = M^w · K^(1-w); w = 1 is off by 11 on kraft
LEAST_ABSORPTION = 1e-4  # total K/S is kept above this, or layers give NaN
LIGHTENING_LIMIT = 0.2  # a layer takes away at most this share of the paper's K/S
# How much of what a layer brings the next one brings (b). A film's layers lie whole on one another.
LAYER_DECAY = MappingProxyType({"transparent": 0.75, "film": 0.9, "wax": 0.65})
# ΔL* by which a full dab dries lighter; chalk most, since it turns from wet film to powder.
DRY_DOWN = MappingProxyType({"dye ink pad": 3.0, "pigment ink pad": 3.0, "chalk ink pad": 5.0})
HAND_WEIGHT = MappingProxyType({"light": 0.35, "middle": 1.0, "heavy": 1.5})  # of one full layer
GLAZE_WEIGHT = 0.87  # of what is laid over a dry colour; between 0.85 and 0.90 in all five worlds
FILM_SCATTER = MappingProxyType({"semi-opaque": 0.2, "opaque": 0.6})  # S at 550 nm of one layer
# A pencil: S at 550 nm of what one layer lays where it covers, the share that it leaves bare, and at most how
# much of the darkest band of a colour its gaps may be.
PENCIL_SCATTER, PENCIL_GAP, PENCIL_GAP_MOST = 0.15, 0.2, 0.8
PENCIL_GRAIN = 1.3  # how far light spreads under its grains: 1 is a film with gaps, 2 and more coarse grains
PAPER_WHITE_LAB = (95.5, 0.3, -1.2)  # a usual smooth white card, slightly blue
# Kinds of stock by a typical colour, and the share of a colour's strength that shows on them.
STOCKS = MappingProxyType(
    {
        "white": (PAPER_WHITE_LAB, 1.0),
        "pale tint": ((91.0, -3.0, -6.0), 0.98),
        "cream": ((91.0, 2.0, 13.0), 0.93),
        "grey": ((62.0, 0.0, 0.0), 0.87),
        "kraft": ((60.0, 9.0, 23.0), 0.65),
    }
)
# One sigma (ΔE00) that the formulas leave open once a range's parameters are known: a layer after the first
# adds so much, another card so much times how unlike white it is, to a power. Found on the made-up worlds of
# ``bench/worlds.py``, in which no colour of a range is laid quite as the next, shown on those of
# ``bench/unseen.py``.
LEFT_OPEN = MappingProxyType(
    {"transparent": (0.85, 1.02, 0.5), "film": (0.6, 1.3, 0.5), "wax": (1.2, 1.6, 1.0)}
)
HAND_OPEN = 1.0  # ΔE00 that a light or heavy hand leaves open beside how much it brings
UNLIKE_WHITE = 30.0  # ΔE00 from white card that counts as 1: about kraft
SCALE_PRIOR = 3  # readings that held as stated count beside a range's own
SCALE_LEAST = 0.75  # few readings that happen to hold earn no narrower band than so many times the usual
# One sigma (ΔE00) that one colour over another leaves open beside the doubt of both; the best of many
# predictions flatters itself by 1.5 to 2.
GLAZE_SIGMA = 2.5

# Fitting a range's behaviour to readings.
READING_LAYERS = 6  # of a swatch that is read; nobody lays more on one
FIT_MOST = 120  # more add nothing that the habits of a range could show
FIT_NOISE = (
    1.0  # of a reading in each of L*, a*, b*, beside what the formula leaves open and the colour's doubt
)
FIT_AXES = 2.0  # of one reading that count as read apart from one another: its three are off together
FIT_FAR = 2.5  # times that: as hard as this a reading pulls at most
FIT_FOLDS = 6  # into so many parts readings are told apart from those they are judged by
# How far (one sigma) a range, or whoever lays it, may lie off the usual: drawn to it so far. Scatter, grain
# and hands are in logarithms.
_HANDS = {"light": 0.3, "heavy": 0.3}
FIT_PRIOR = MappingProxyType(
    {
        "transparent": {"decay": 0.08, "share": 0.15, "thirst": 0.3, "glaze": 0.04, **_HANDS},
        "film": {"scatter": 1.15, **_HANDS},
        "wax": {"decay": 0.06, "scatter": 0.5, "gap": 0.1, "grain": 0.3, **_HANDS},
    }
)
FIT_LIMITS = MappingProxyType(
    {
        "decay": (0.3, 0.98),
        "share": (0.0, 1.0),
        "thirst": (0.0, 3.0),
        "glaze": (0.5, 1.1),
        "scatter": (0.01, 5.0),
        "gap": (0.0, 0.6),
        "grain": (1.0, 3.0),
        "light": (0.05, 0.9),
        "heavy": (1.05, 4.0),
    }
)
# How far what was read of a colour reaches to other ways of laying it: e^(-1/2) of it at so many times the
# amount (in logarithms), and on card so unlike (``UNLIKE_WHITE``). Dye in paper says little of other paper.
NEAR_AMOUNT = 2.0
NEAR_CARD = MappingProxyType({"transparent": 0.8, "film": 2.0, "wax": 2.0})
NEAR_NOISE = 0.003  # a reading's own doubt, beside what it says: two alike ones may not quite agree
NEAR_MOST = 1.5  # in logarithms: no reading makes another way of laying more than 4.5 times lighter or darker

# What to read next: so many at a time, out of so many colours of a range from light to dark.
LESSONS, LESSONS_OF = 6, 7

# What to use instead.
GLAZE_GAIN = 2.0  # ΔE00 by which a glaze must beat the nearest single colour to be offered
GLAZE_OWNED = 200  # more owned colours than this make a table too large to hold
WHITE_CARD_L = 91.0  # a card this light and with less chroma than below counts as white
WHITE_CARD_C = 5.0

# Readings.
READING_OUTLIER = 3.0  # ΔE00 from the median, or three of its uncertainties: read it again
