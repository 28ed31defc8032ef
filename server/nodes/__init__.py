"""Django's way to MariaDB, for one server or for several that hold the same (``base``)."""
