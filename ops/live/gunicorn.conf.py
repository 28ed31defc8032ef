"""What gunicorn does besides serving: what is loaded is loaded once, and figures of what ended are closed."""

import gc
import os
from typing import Any


def when_ready(server: Any) -> None:
    """Called by gunicorn before the first worker: all is loaded once, and no garbage to be looked for."""
    from django.urls import get_resolver  # noqa: PLC0415 (as above)

    _ = get_resolver().url_patterns  # with them every view is loaded
    gc.collect()
    gc.freeze()


def child_exit(server: Any, worker: Any) -> None:
    """Called by gunicorn when a worker has ended."""
    if "PROMETHEUS_MULTIPROC_DIR" in os.environ:
        from prometheus_client.multiprocess import mark_process_dead  # noqa: PLC0415 (ops needs no package itself)

        mark_process_dead(worker.pid)
