"""Training: what may be asked, how hard it gets, when it comes back."""

from types import MappingProxyType

# Combined sigmas between two things that are asked apart: of 40 such pairs one at most is the other way.
SURE = 1.96
# How many of the questions are to come out right: fewer discourage, more teach and measure little.
TARGET = 0.75
LAPSE = 0.02  # of the answers that miss whatever was asked: slips (Watson and Pelli 1983: 1 to 5 %)
# What else may be of whoever answers, with how likely it is before anything was answered: how many slips, and
# how often finer (in halvings; below 0: coarser) the eye gets over so many questions. Most slip seldom. An
# order tells enough to show who learns; a choice of few tells so little that what is presumed decides: there
# nearly as many tire as learn.
SLIPS = MappingProxyType({0.02: 0.5, 0.05: 0.3, 0.1: 0.2})
FINER_IN_ORDERS = MappingProxyType({-0.5: 0.15, 0.0: 0.35, 0.5: 0.2, 1.0: 0.2, 1.5: 0.1})
FINER_IN_CHOICES = MappingProxyType(
    {-1.5: 0.05, -1.0: 0.15, -0.5: 0.15, 0.0: 0.25, 0.5: 0.15, 1.0: 0.15, 1.5: 0.1}
)
FINER_OVER = 40  # questions
# What an eye is taken to part before it has answered anything, one sigma in ΔL* or ΔE00, and how far
# others lie from that (natural logarithm): the first answers count for far more.
USUAL_SPREAD = MappingProxyType(
    {
        "lighter-or-darker": 4.0,
        "nearest-of-four": 3.0,
        "will-it-join": 4.0,
        "missing-tone": 4.0,
        "will-it-read": 5.0,
    }
)
SPREAD_SIGMA = 1.2
SPREAD_GRID = (0.25, 60.0, 61)  # ΔL* or ΔE00, least and most, and steps: 10 % each
ALONE = 2  # choices of one order that count in full; more count by the root of that share
BAND = 0.9  # of the threshold's interval
WINDOW = 60  # answers that a threshold stands on, the latest: eyes learn
BEYOND = 0.8  # of the finest threshold that was asked for, below which an eye is finer than can be asked
LEAST_ANSWERS = 8  # before that a threshold is not told

ORDER = (3, 7)  # colours to be ordered
READ_ORDER = (3, 5)  # words on grounds
CHOICES, STRIPS = 4, 3
DARKS_L = 25.0  # L* below which colours run together on a screen that shows near blacks alike
# Colours among which a question is looked for, and where each is held against each: of more some are drawn.
AMONG, AMONG_APART = 600, 200
TRIES, FAMILY_TRIES = 8, 30  # beginnings that are tried for a question as hard as wanted
HARDER = (1.0, 0.6, 0.3, 0.05)  # of the margin wanted, in turn where there are none that wide
FOUND = 3  # questions among which the one as hard as wanted is chosen, where none is near it
ENOUGH = 0.12  # natural logarithm by which it may be easier or harder than wanted
PAIRS, JOINS = 120, 20  # words on grounds, and pads beside pads, among which questions are looked for
LOOKED_AT = 12  # wrong answers, from the hardest on, of which three that are unlike each other are taken
RUNG = 1.4  # of the gap wanted that the next colour of an order may be away
RIGHT_AMONG = 0.2  # of the medium's colours nearest to what is asked for: the right answer is one of them
PLAUSIBLE_HUE = 90.0  # degrees past which nobody would take it for the nearest: no choice at all
LATELY, ANEW = 8, 6  # latest questions whose crux is not asked again, and how often another is looked for
EYES_SHARE = 0.5  # of a margin that other eyes must be left with, or they are asked for lightness alone
# ΔC* of two tones that are plainly of one family, or the share of the stronger one's C*: narrower than what a
# family may do, so that the two say what the third is.
ALIKE_CHROMA = (8.0, 0.4)
LETTERING_L = 12.0  # ΔL* below which nobody would write one on the other, so that nobody is asked
# Where a wrong strip goes: cleaner (L*, and C* of the ends' mean hue, a step) or muddier (L* a step of its
# way to grey, and beyond).
CLEANER, MUDDIER = (4.0, 14.0), (7.0, 12.0)
# Both wrong strips on one side, the farther twice as far, are as hard as one on each side at this share of
# the margin (``threshold.right_share`` at three of four).
ONE_SIDED = 0.75
DEEPER = 10.0  # L* a step where it is lighter or darker instead

# What was missed comes back after so many days, each time later; a miss begins anew (Leitner 1972: boxes,
# each twice as far as the one before).
BOX_DAYS = (1, 2, 4, 8, 16, 32)
AGAIN_SHARE = 0.4  # of the questions that are of what was missed, as long as something is due

SESSION = 10  # questions: about five minutes

KEPT = 20_000  # answers, the latest: ten a day for five years
# Progress: answers that are looked at, weeks that are told, answers that regions are judged by.
PROGRESS, WEEKS, REGION_ANSWERS = 4000, 12, 800
# A region is weak where its answers fall short of what its own person does elsewhere by so many
# standard deviations (of a hundred that are no weaker one is called so), from so many answers on.
WEAK, WEAK_ANSWERS = 2.33, 8
DARK_L, PALE_L = 38.0, 72.0  # L* up to which a colour is of the dark ones, from which of the pale ones
GREY_C = 8.0  # C* below which it is of the greys

# A sheet to be laid by hand: a row of boxes a question, the first field its words.
SHEET_ROWS = 8
SHEET_ORDER = 5  # colours of an order on it at most: its row's boxes
# ΔE00 between any two codes of a question on it, so that a photograph tells which was laid: it knows a
# colour to about 3, and a hand lays it by 1 or 2 otherwise.
SHEET_APART = 8.0
SHEET_FAR = 14.0  # ΔE00 from every code that could have been laid: then it is none of them
SHEET_MARK_L = 60.0  # L* below which a box of those that are only marked counts as marked
SHEET_CELLS = (8, 2)  # that a page's number is printed in: 13 of them tell it, 3 whether it was read well
SHEET_NUMBERS = (1000, 8000)  # of pages: four digits, within what 13 cells tell
