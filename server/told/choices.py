"""How are choices called whose words are not their keys?"""

from jindle_core.blending.joins import Meeting
from jindle_core.checks.finding import Status
from jindle_core.matching.verdicts import Verdict
from jindle_core.media.groups import EVERY_COLUMN
from jindle_core.media.medium import Form
from jindle_core.provenance import PROVENANCES

# By these the schema names an enum where several fields are of it.
FORMS, VERDICTS, STATUSES, MEETINGS = tuple(Form), tuple(Verdict), tuple(Status), tuple(Meeting)
SOURCES = ("palette", "supply", "white")
MATERIALS = (*SOURCES, "sheet")
STOCKS = (*MATERIALS, "vellum", "ribbon")  # what something is cut out of
STAGES = ("palette", "colouring", "background", "build", "contrast")
HOW_FAR = ("idea", "making", "made")
VIEWS = ("colour", "greys", "lamp")
_SOURCES = {"label": "from the label", "screen": "from a screen value"}
PROVENANCE_WORDS = {one: _SOURCES.get(one, one) for one in PROVENANCES}
COLUMN_WORDS = {column.key: column.title for column in EVERY_COLUMN}
