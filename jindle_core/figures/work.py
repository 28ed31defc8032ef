"""Work at the table: how long steps take and what is waited for after them, in minutes.

Minutes are ours, from doing and watching: they are corrected by a person's own. Waits are the usual
ones for a thin layer in a dry room; a product's label goes before them.
"""

from types import MappingProxyType

# Hands, in minutes.
SCORE_BASE, BASE_FIRST = 3.0, 1.0  # cut, score and fold a base; of it setting up trimmer and scoring board
CUT_SHEET, CUT_PIECE = 1.0, 0.7  # find and set up a stock, and each straight piece out of it
DIE_SHEET, DIE_PIECE = 2.0, 1.0  # the same with a die machine
STAMP_FIRST, STAMP_EACH = 2.0, 1.0  # mount and ink a stamp, and each print of it
HEAT_SET, EMBOSS = 1.5, 3.0  # heat-set a print; powder, tap off and melt
COLOUR_TONE = MappingProxyType({"tiny": 0.4, "small": 1.0, "large": 2.0})  # a tone of an area by its extent
COLOUR_FIRST = 0.5  # find the markers of a family
GLAZE = 0.5  # a colour over a tone once it is dry
CUT_OUT, WHITE_EDGE = 2.5, 1.0  # a picture along its outline; its cut edge touched up
PAD_FIRST = 0.5  # of laying a pad: opening it, a brush for it, trying it on scrap
GROUND_STEP, GROUND_TAPE = 2.0, 1.5  # a pad of a ground laid or gone back through; taping down, lifting
INK_PIECE = 1.5  # a piece inked by oneself
LAY_DRY = 2.0  # everything laid out to see where words go
WRITE, WORDS_FIRST, STAMP_WORDS = 3.0, 1.0, 1.0  # by pen; mount and ink their stamp, and each print
GLUE_FLAT, GLUE_RAISED, TRIM = 1.0, 1.5, 1.0  # a piece each
FINISH_EACH, GLITTER = 0.5, 2.0
ENVELOPE = 2.0

# A person's own pace: so many steps of a kind at least, of the latest, and only those that took between so
# many times the usual; a step that took longer was left, one that took less was ticked off afterwards.
PACE_LEAST, PACE_LATEST = 3, 20
PACE_BELIEVED = (0.2, 5.0)
MOST_CARDS, MOST_INSTEAD = 200, 100  # that are made at once; things used otherwise than planned
AWAY, NEW_EVENING = 60.0, 240.0  # without a press: the plan begins anew; so does what an evening has

# Taking up a tool: clearing the table for it, and laying it out; scissors and a pen lie at hand.
SET_UP = MappingProxyType(
    {
        "trimmer": 0.5,
        "die machine": 2.0,
        "stamps and block": 1.5,
        "heat tool": 0.5,
        "colouring": 1.5,
        "scissors": 0.5,
        "blending brushes": 2.0,
        "gel pen": 0.5,
        "glue and foam": 1.0,
        "finishing pieces": 1.0,
        "bare hands": 0.0,
    }
)

# Waits, in minutes.
LINE_DRIES = MappingProxyType({"quick": 5.0, "slow": 30.0})  # a stamped line before it is coloured
COLOUR_DRIES = MappingProxyType({"wet": 5.0, "dry": 0.0})  # markers and inks; pencils at once
# A coat of a pad until the next may lie on it; chalk powders off sooner than pigment sets.
PAD_DRIES = MappingProxyType({"dye ink pad": 5.0, "pigment ink pad": 20.0, "chalk ink pad": 10.0})
PANEL_FLATTENS = 15.0  # under a weight
POWDER_COOLS = 2.0
PEN_DRIES = 10.0
GLUE_HOLDS = 5.0  # until what is glued may be worked on
DROPS_SET, GLITTER_DRIES = 60.0, 30.0  # lying flat
OVERNIGHT = 10 * 60.0  # from one evening to the next
EVENING = (5, 12 * 60)  # how many minutes an evening at the table can have
EVENINGS = 40  # that work is spread over at most; what is left then is put into the last

# The search: a card of 60 steps is proven in far less; the same amount of work on any machine.
SEARCH, SEARCH_TOOLS = 0.5, 0.2  # of the solver's deterministic seconds; then for fewer changes of tools
NEAR_ENOUGH = 0.005  # of the whole, with nights in between: which evening it ends in is settled then
GRID = 2  # parts of a minute that the solver counts in
