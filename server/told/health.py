"""What of Jindle is up?"""

from typing import Annotated

from server.told.answer import Answer


class Health(Answer):
    """What is up."""

    up: Annotated[bool, "all of it"]
    database: Annotated[bool, "it answers"]
    migrations: Annotated[bool, "its tables are as this version of the program wants them"]
    disk: Annotated[bool, "there is room left"]
