"""Is the database away or full, and had anything been begun when it went?"""

from django.db import InterfaceError, OperationalError

RETRY_AFTER = 2  # seconds: a database that fell is started again within five

# MariaDB's numbers: no socket, no host, no name for it, too many at once, a node that is not ready yet;
# others were in the way again and again, and all of it was taken back.
_NEVER_REACHED = {2002, 2003, 2005, 1040, 1047, 1205, 1213}
# It closes, it went in the middle, the connection was cut or ended; it could not say whether it was kept.
_LOST = {1053, 1180, 1927, 2006, 2013, 2055}

# No room on its disk, or in a table.
_FULL = {1021, 1114}

AWAY, LOST, FULL = "away", "lost_midway", "no_room"
# To ask again helps where it comes back by itself.
STATUSES = {AWAY: 503, LOST: 503, FULL: 507}
SENTENCES = {
    AWAY: "Jindle's database cannot be reached for the moment. Nothing was changed, and nothing is lost; it"
    " is tried again.",
    LOST: "Jindle's database went away in the middle of this. What you sent may or may not have been kept:"
    " look, and send it again if it was not.",
    FULL: "There is no room left where Jindle keeps things. Nothing of this was kept; what was kept before is"
    " there. Tell whoever runs this Jindle.",
}


def away(error: BaseException | None) -> str | None:
    """``AWAY`` where nothing can have been begun, ``LOST`` where it may have been; ``FULL``; or None."""
    if isinstance(error, InterfaceError):
        return LOST
    if not isinstance(error, OperationalError) or not error.args:
        return None
    if error.args[0] in _NEVER_REACHED:
        return AWAY
    if error.args[0] in _FULL:
        return FULL
    return LOST if error.args[0] in _LOST else None
