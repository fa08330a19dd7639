"""Long work: it goes on aside, says how far it is, and can be stopped."""

from __future__ import annotations

import threading
from collections import OrderedDict
from collections.abc import Callable
from concurrent.futures import ThreadPoolExecutor
from dataclasses import dataclass, field
from typing import Any

from curlet.core.motif.tracing import Stopped
from curlet.store.errors import Missing
from curlet.store.state import new_id

MOST_KEPT = 12

Work = Callable[[Callable[[float, str], None]], Any]


@dataclass
class Job:
    """One piece of long work: `share` of it is done; `result` or `error` is there when `done`."""

    share: float = 0.0
    doing: str = "Waiting"
    done: bool = False
    result: Any = None
    error: Exception | None = None
    stop: threading.Event = field(default_factory=threading.Event)

    def tell(self, share: float, doing: str) -> None:
        """Note how far the work is; raises Stopped once it is to stop."""
        if self.stop.is_set():
            raise Stopped
        self.share, self.doing = share, doing


class Jobs:
    """The newest few jobs, by their ids; `gone` is said of one that is not kept any more."""

    def __init__(
        self, gone: str = "This tracing is no longer kept. Change a setting to trace again."
    ) -> None:
        self._gone = gone
        self._jobs: OrderedDict[str, Job] = OrderedDict()
        self._lock = threading.Lock()
        self._workers = ThreadPoolExecutor(max_workers=1, thread_name_prefix="curlet-job")

    def start(self, work: Work) -> str:
        """Begin work; its id."""
        key, job = new_id(), Job()
        with self._lock:
            self._jobs[key] = job
            while len(self._jobs) > MOST_KEPT:
                self._jobs.popitem(last=False)[1].stop.set()
        self._workers.submit(_run, job, work)
        return key

    def look(self, key: str) -> Job:
        """A job; Missing if it is not kept."""
        with self._lock:
            job = self._jobs.get(key)
        if job is None:
            raise Missing(self._gone)
        return job

    def stop(self, key: str) -> None:
        """Stop a job before its next stage; nothing happens if it is done."""
        self.look(key).stop.set()


def _run(job: Job, work: Work) -> None:
    try:
        job.tell(0.0, "Beginning")
        job.result = work(job.tell)
    except Stopped:
        job.doing = "Stopped"
    except Exception as error:
        # Whoever asks for the result is told, as by any other request.
        job.error = error
    finally:
        job.done = True
