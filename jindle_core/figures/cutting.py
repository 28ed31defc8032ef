"""Cutting: sheets, and what a trimmer holds."""

from types import MappingProxyType

SHEETS_TO_CUT = (("Letter, ", "8 1/2", "11", "in"), ("A4, ", "210", "297", "mm"), ("", "12", "12", "in"))
TRIMMING_LEAST = 12.0  # mm on its narrow side from which a trimming can fill elsewhere
PACKING_WORK = 7000  # pieces laid in all the tries together: about two seconds
SHEET_PIECES = 500  # pieces that are laid out at once
MIDDLE_RIM = 6.0  # mm of a mat that must stay under what covers its middle
# The usual sheet of patterned paper whose own size is not known; and what a die wants of card all round it
# (ticks: 1/8 in, 3 mm), so that it cuts through everywhere.
PATTERNED_SHEET = ("12", "12", "in")
DIE_ROOM = MappingProxyType({"in": 8, "mm": 30})
