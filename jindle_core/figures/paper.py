"""Paper: pictures of sheets and swatches, and the roles that their colours play."""

from types import MappingProxyType

# Pictures of paper. The limits were tried on drawn papers under made-up lamps.
LARGEST_PICTURE = 40 * 1024 * 1024
PICTURE_PIXELS = 80_000_000
PICTURE_LEAST = 32  # pixels on a side
PICTURE_SIDE = 800  # what is worked on: a dot of half a millimetre on a 6 in sheet still has 2 pixels
REFERENCE_LEAST = 6  # pixels on a side of the marked card
REFERENCE_CLIPPED = 0.2  # share of it that may be at the end of the scale
REFERENCE_DARK = 0.005  # linear; a card darker than this is none
WHITE_LIGHT = 0.78  # of the strongest that any patch has in a channel: a card may lie in some shade
WHITE_ROUGH = 0.035  # relative deviation within 7 × 7 pixels
WHITE_SHARE = 0.006  # of the picture, at least
WHITE_FILLED = 0.8  # of its bounding box
SHADING_SAMPLE = 4000
SHADING_LIMIT = 1.2  # log: a light more than three times uneven is no photograph to read
CLUSTERS = 16
# Clusters nearer than this (CIELAB) are one colour in unlike light; so many rounds, or until no place's
# logarithm moves by more.
SHADING_JOINED, SHADING_ROUNDS, SHADING_STILL = 4.0, 8, 0.005
COLOUR_SAMPLE = 5000
SHARE_SAMPLE = 9000
PLAIN_LEAST = 400
EDGE_SPREAD = 9.0  # CIELAB within 3 × 3 pixels
SWALLOWED = 14.0  # CIELAB from a cluster's centre
MERGED = 4.0  # ΔE00; 6 loses tonal papers
SMALL_SHARE = 0.01
SMALLEST_SHARE = 0.003
STANDS_OUT = 12.0  # ΔE00 of a small colour from every other
ACCENT_SHARE = 0.05
PLAINLY = 0.6  # of its share that a colour between two others must have where nothing is mixed

# A printed swatch sheet, in mm: marks and boxes large enough for a telephone held over the whole page.
SHEET_MARGIN = 10.0  # what no home printer leaves out
SHEET_MARK = 6.0
SHEET_FIELD = (24.0, 14.0)
SHEET_TOP = 36.0
SHEET_COLUMNS = 6
SHEET_GAP = 3.0
SHEET_BOX = 15.0
SHEET_PITCH = 28.0  # a box with two lines of text and air
SHEET_HINT = 4.5  # side of the corner that is printed in the colour
SHEET_RIM = 1.5
# A strip of known swatches, in mm: it fits across both sheets, and is small beside a sheet of 12 in.
STRIP = (190.0, 37.0)
STRIP_EDGE = 3.0  # of white around its marks, so that dark paper does not grow together with them
STRIP_SWATCHES = 8  # six undo a lamp; two may have dried out
STRIP_UNLIKE = 6.0  # ΔE00 from the others below which a swatch says nothing that they do not
STRIP_TOP, STRIP_BOX = 5.0, 18.0  # of a box, of its height; its label stands below
STRIP_RIM = 2.5
STRIP_AWAY = 1.5  # sides of a mark that one may be from where the others say
STRIP_SIDE = (
    0.75,
    1.35,
)  # of a mark as it should be for the strip's length: seen from the side, printed coarsely
STRIP_WHITE = 0.6  # of the picture's lightest in every channel: its white field may lie in some shade
STRIP_ROUGH = 0.12  # relative deviation within that field
# Finding it: shares of the picture's longer side, of the paper's light, of a mark's own area.
MARK_SIDE = (0.008, 0.06)
MARK_DARK = 0.22
MARK_SQUARE = 0.72  # shorter by longer side: turned by up to 10°, or seen from the side
MARK_FILLED = 0.62  # of its bounding box, for the same reason
MARK_ALIKE = 2.5  # largest by smallest area: seen from the side the far ones are smaller
MARK_HOLE = 0.06
PATCH_SPREAD = 3.0  # ΔE00: a swatch laid by hand has up to 2
PATCH_BARE = 2.0  # ΔE00 from the card: nothing laid there, or a colour too pale to be told from none
PATCH_STRANGE = 12.0  # ΔE00 of the usual swatch from what the range says: this is another page
SHEET_PARTS = 256  # along the longer side of a sheet as it is judged: 1.2 mm of twelve inches
SHEET_ROUNDED = 0.05  # mm that a sheet may be short of a piece: less than a knife takes
GREY_TONE = (0.5, 2.0)  # exponents beyond these say that the grey card is no grey card
GREY_CARD_LAB = (50.0, 0.0, 0.0)  # a photographer's grey card reflects 18 %: L* 49.5

# What is left of a light once white card is white: linear sRGB as by daylight. Found as what fits 40
# made-up cameras under measured lamps best (``python -m bench.lamps``); and how unsure colours are by each, a
# grey and more for each unit of C*, as σ in ΔE00: about nine of ten papers and dyes lie within 1.6 of it,
# each lamp left out in turn, on other cameras. A lamp that nobody named may be any; without white card
# its cast stays too: our estimate.
LAMPS = MappingProxyType(
    {
        "daylight": ((1.0, 0.0, 0.0), (0.0, 1.0, 0.0), (0.0, 0.0, 1.0)),
        "shade": ((1.094, -0.091, -0.003), (0.035, 0.975, -0.009), (-0.048, 0.075, 0.974)),
        "bulb": ((1.009, 0.111, -0.118), (-0.114, 1.009, 0.103), (0.048, -0.102, 1.053)),
        "warm LED": ((1.065, 0.018, -0.082), (-0.137, 1.027, 0.107), (0.037, -0.072, 1.034)),
        "cool LED": ((1.163, -0.15, -0.012), (-0.071, 1.012, 0.058), (-0.008, 0.025, 0.984)),
        "fluorescent": ((1.111, -0.033, -0.077), (-0.141, 1.03, 0.108), (0.036, -0.054, 1.017)),
    }
)
LAMP_DOUBT = MappingProxyType(
    {
        "daylight": (1.6, 0.05),
        "shade": (1.6, 0.06),
        "bulb": (2.8, 0.09),
        "warm LED": (2.8, 0.09),
        "cool LED": (2.4, 0.07),
        "fluorescent": (2.8, 0.10),
    }
)
UNSAID_DOUBT = (3.8, 0.12)
BARE_DOUBT = (6.0, 0.15)
# Known swatches in the picture: fewer cannot say how a lamp mixes channels; how strongly they are drawn to
# the usual matrix of the light; ΔE00 from what the others say, and times the σ of such a colour, at which one
# is something else; a spread of a* or b* below which they are alike; what counts as dark (linear); how many
# swatches the usual doubt is worth.
KNOWN_LEAST, KNOWN_RIDGE, KNOWN_ALIKE, KNOWN_DARK, KNOWN_PRIOR = 3, 0.3, 15.0, 0.02, 3
KNOWN_STRANGE = (12.0, 3.0)
KNOWN_LEFT = 2.0  # ΔE00 that a matrix leaves of a swatch that is surely known: one less sure counts for less
# A camera's tone curve, as an exponent that known swatches ask for: from how many on, which are tried, and
# one σ of its logarithm.
TONE_LEAST, TONE_TRIED, TONE_SIGMA = 5, (0.7, 1.3, 25), 0.1
# Blue against red on the white card, in logarithms: more is no daylight.
CAST = 0.15
KNOWN_MOST = 60  # in one picture: two rows of a printed strip
CUT_OFF = 0.01  # of a picture at the end of the scale: more is told

# Palettes out of paper.
DARK_ROLE_L = 40.0  # a colour this dark can carry lettering on a light ground
LIGHT_ROLE_L = 85.0
NEUTRAL_ROLE_C = 8.0
PALE_ROLE_C = 30.0  # C* up to which a very dark or very light colour is dark or light before it is a hue
GROUND_ROLE_L, ACCENT_ROLE_C = 70.0, 40.0  # what lies quietly under a picture; what calls out
WARM_HUE = 55.0  # degrees; warm and cool greys part along this line through the neutral axis
MIDDLE_GREY_L, DARK_GREY_L = 65.0, 35.0  # what shades white things, and what gives them weight
WRONG_GREY = 15.0  # ΔL* that a grey of the other temperature must be better by
AGREES = 7.0  # ΔE00 within which a sheet's colour is taken for a palette's: near, and a little
SHEET_WIDTH = (5.0, 1000.0)  # mm that a picture of paper shows: a swatch, and two sheets side by side
