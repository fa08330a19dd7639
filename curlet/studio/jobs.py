"""Long work: it goes on aside, says how far it is, and can be stopped."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Any

from curlet.core.motif.tracing import Stopped
from curlet.store.errors import Missing
from curlet.store.state import new_id

MAX_KEPT = 6


@dataclass
class Progress:
    """How far a piece of work is, and whether it is to stop."""

    share: float = 0.0
    doing: str = "Waiting"
    stop: threading.Event = field(default_factory=threading.Event)

    def tell(self, share: float, doing: str) -> None:
        self.share, self.doing = share, doing


Work = Callable[[Progress], Any]


@dataclass
class Job(Progress):
    """One piece of long work; `result` or `error` is there when `done`."""

    done: bool = False
    result: Any = None
    error: Exception | None = None


class Jobs:
    """The newest few jobs, by their ids; `gone` is said of one that is not kept any more."""

    def __init__(self, gone: str) -> None:
        self._gone = gone
        self._jobs: OrderedDict[str, Job] = OrderedDict()
        self._lock = threading.Lock()

    def start(self, work: Work) -> str:
        """Begin work at once, beside any other; its id."""
        key, job = new_id(), Job()
        with self._lock:
            self._jobs[key] = job
            while len(self._jobs) > MAX_KEPT:
                self._jobs.popitem(last=False)[1].stop.set()
        threading.Thread(target=_run, args=(job, work), name="curlet-job", daemon=True).start()
        return key

    def look(self, key: str) -> Job:
        """A job; Missing if it is not kept."""
        with self._lock:
            job = self._jobs.get(key)
        if job is None:
            raise Missing(self._gone)
        return job

    def stop(self, key: str) -> None:
        """Stop a job; nothing happens if it is done."""
        self.look(key).stop.set()


def _run(job: Job, work: Work) -> None:
    try:
        job.tell(0.0, "Beginning")
        job.result = work(job)
    except Stopped:
        job.doing = "Stopped"
    except Exception as error:
        # Whoever asks for the result is told, as by any other request. What led to it would keep its memory.
        error.__context__ = error.__cause__ = None
        job.error = error.with_traceback(None)
    finally:
        job.done = True
