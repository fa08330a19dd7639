"""A server process that others are forked off: it has everything read in, so each starts within a few ms.

`python -m curlet.studio.forking FD` is that process. It takes one end of a socket for each process that is
wanted, and ends when whoever started it does.
"""

from __future__ import annotations

import atexit
import ctypes
import os
import pickle
import signal
import socket
import subprocess
import sys
import threading
from contextlib import suppress
from importlib import import_module
from multiprocessing.connection import Connection

# What is read in before anything is forked.
_PRELOADED = ("curlet.studio.imports", "curlet.studio.exports", "fontTools.subset")


class ForkServer:
    """The server process, started when it is first wanted, and again should it have ended."""

    def __init__(self) -> None:
        self._control: socket.socket | None = None
        self._process: subprocess.Popen[bytes] | None = None
        self._lock = threading.Lock()

    def start(self) -> None:
        with self._lock:
            self._started()

    def forked(self) -> Connection:
        """A connection to a new process, which takes a pickled (function, arguments) and calls it with the
        connection first. When it has ended, the last thing that comes is ("ended", the signal
        that ended it, or 0)."""
        ours, theirs = socket.socketpair()
        with theirs, self._lock:
            try:
                socket.send_fds(self._started(), [b"\0"], [theirs.fileno()])
            except OSError:
                self.stop()
                socket.send_fds(self._started(), [b"\0"], [theirs.fileno()])
        return Connection(ours.detach())

    def _started(self) -> socket.socket:
        if self._control is None:
            self._control, theirs = socket.socketpair()
            # One thread of sums each: a process that has others cannot be forked safely.
            environment = {**os.environ, "OPENBLAS_NUM_THREADS": "1", "OMP_NUM_THREADS": "1"}
            command = [sys.executable, "-m", "curlet.studio.forking", str(theirs.fileno())]
            # In a group of its own it is not stopped by Ctrl+C: it ends when its socket is closed.
            self._process = subprocess.Popen(
                command,
                pass_fds=[theirs.fileno()],
                env=environment,
                stdin=subprocess.DEVNULL,
                process_group=0,
            )
            theirs.close()
            atexit.register(self.stop)
        return self._control

    def stop(self) -> None:
        """Have the server process end; the next that is wanted starts it again."""
        atexit.unregister(self.stop)
        control, process, self._control, self._process = self._control, self._process, None, None
        if control is not None:
            control.close()
        if process is not None:
            process.wait()


def _serve(control: socket.socket) -> None:
    # Processes that have ended are let go of at once.
    signal.signal(signal.SIGCHLD, signal.SIG_IGN)
    signal.signal(signal.SIGINT, signal.SIG_IGN)
    for module in _PRELOADED:
        import_module(module)
    while True:
        message, files, _, _ = socket.recv_fds(control, 1, 1)
        if not message:
            return
        if os.fork() == 0:
            control.close()
            _work(Connection(files[0]))
        os.close(files[0])


def _work(connection: Connection) -> None:
    """The forked process, which never returns: one more does the work, and this one tells how that ended."""
    try:
        signal.signal(signal.SIGCHLD, signal.SIG_DFL)
        _end_with_parent()
        worker = os.fork()
        if worker == 0:
            _do(connection)
        _, status = os.waitpid(worker, 0)
        # Whoever asked may have gone.
        with suppress(OSError):
            connection.send(("ended", os.WTERMSIG(status) if os.WIFSIGNALED(status) else 0))
    finally:
        os._exit(0)


def _do(connection: Connection) -> None:
    status = 1
    try:
        _end_with_parent()
        work, given = pickle.loads(connection.recv_bytes())
        work(connection, *given)
        status = 0
    finally:
        os._exit(status)


def _end_with_parent() -> None:
    """Have this process end with the one that it was forked off (Linux, prctl(2): PR_SET_PDEATHSIG)."""
    try:
        ctypes.CDLL(None).prctl(1, signal.SIGKILL)
    except (OSError, AttributeError):
        return


if __name__ == "__main__":
    _serve(socket.socket(fileno=int(sys.argv[1])))
