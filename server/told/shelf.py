"""What was put by or deleted?"""

from datetime import datetime

from server.told.answer import Answer


class Deleted(Answer):
    """What can be brought back."""

    id: int
    name: str
    deleted: datetime
