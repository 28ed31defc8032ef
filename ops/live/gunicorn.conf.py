"""What gunicorn does besides serving: what is loaded is loaded once, and figures of what ended are closed."""

import ctypes
import gc
import os
import signal
from typing import Any

_PR_SET_PDEATHSIG = 1  # of <sys/prctl.h>


def when_ready(server: Any) -> None:
    """Called by gunicorn before the first worker: all is loaded once, and no garbage to be looked for."""
    from django.urls import get_resolver  # noqa: PLC0415 (ops needs no package itself)

    _ = get_resolver().url_patterns  # with them every view is loaded
    gc.collect()
    gc.freeze()


def post_fork(server: Any, worker: Any) -> None:
    """Called by gunicorn in a new worker: it ends with the process that began it, however that ended."""
    ctypes.CDLL(None).prctl(_PR_SET_PDEATHSIG, signal.SIGKILL)


def child_exit(server: Any, worker: Any) -> None:
    """Called by gunicorn when a worker has ended."""
    if "PROMETHEUS_MULTIPROC_DIR" in os.environ:
        from prometheus_client.multiprocess import mark_process_dead  # noqa: PLC0415 (as above)

        mark_process_dead(worker.pid)
