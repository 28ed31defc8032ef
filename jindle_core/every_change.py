"""What are all the changes that can be made to a card's plan?"""

from jindle_core.build_changes import BuildChange
from jindle_core.changes import Change
from jindle_core.colouring_changes import ColouringChange
from jindle_core.ground_changes import SetGround

AnyChange = Change | ColouringChange | SetGround | BuildChange
