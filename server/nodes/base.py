"""Which of several servers that hold the same is asked? The first that answers and is ready.

With one address it is Django's own way to MariaDB. With several, ``OPTIONS["nodes"]`` gives them in the order
in which they are tried; one that did not answer is left alone for a while. Each may be a node of a Galera
cluster, where a node that was cut off from the others still takes connections but answers no question.
"""

import time
from typing import Any

import MySQLdb
from django.db import DatabaseError
from django.db.backends.mysql import base

_LEFT_ALONE = 5.0  # seconds
_NOT_READY = 1047  # MariaDB's number for a node that is not part of its cluster
Node = tuple[str, int]
_failed: dict[Node, float] = {}


class DatabaseWrapper(base.DatabaseWrapper):
    """A connection to one of the nodes."""

    def get_new_connection(self, conn_params: dict[str, Any]) -> Any:
        """To the first that is ready; the error of the last where none is."""
        given = dict(conn_params)
        nodes: list[Node] = given.pop("nodes", [])
        if not nodes:
            return super().get_new_connection(given)
        now = time.monotonic()
        # Those that failed just now come last, in case all did.
        error: Exception = MySQLdb.OperationalError(_NOT_READY, "none was tried")
        for host, port in sorted(nodes, key=lambda one: _failed.get(one, 0) > now):
            try:
                made = super().get_new_connection(given | {"host": host, "port": port})
                if _ready(made):
                    _failed.pop((host, port), None)
                    return made
                made.close()
                error = MySQLdb.OperationalError(_NOT_READY, f"{host}:{port} is not ready")
            except MySQLdb.Error as failed:
                error = failed
            _failed[host, port] = now + _LEFT_ALONE
        raise error

    def is_usable(self) -> bool:
        """Whether the node answers and is part of its cluster still."""
        if not self.settings_dict["OPTIONS"].get("nodes"):
            return super().is_usable()
        try:
            return _ready(self.connection)
        except (MySQLdb.Error, DatabaseError):
            return False


def _ready(connection: Any) -> bool:
    """Whether it answers questions; a server that is no node of a cluster does."""
    cursor = connection.cursor()
    try:
        cursor.execute("SHOW GLOBAL STATUS WHERE Variable_name IN ('wsrep_ready', 'wsrep_cluster_size')")
        told = dict(cursor.fetchall())
    finally:
        cursor.close()
    return told.get("wsrep_ready", "ON") == "ON" or told.get("wsrep_cluster_size") == "0"
