"""What gunicorn does besides serving: the figures of a process that ended are closed."""

import os
from typing import Any


def child_exit(server: Any, worker: Any) -> None:
    """Called by gunicorn when a worker has ended."""
    if "PROMETHEUS_MULTIPROC_DIR" in os.environ:
        from prometheus_client.multiprocess import mark_process_dead  # noqa: PLC0415 (ops needs no package itself)

        mark_process_dead(worker.pid)
