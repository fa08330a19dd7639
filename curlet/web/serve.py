"""Serving on this machine with waitress."""

from __future__ import annotations

import signal
import socket
import sys
from collections.abc import Callable
from pathlib import Path as FilePath

from curlet.core.errors import BadInput
from curlet.demo.load import load_demo
from curlet.memory import tune_memory
from curlet.store.backups import FILE, Keeper
from curlet.store.lock import alone_in
from curlet.store.restore import put_aside
from curlet.studio import helper
from curlet.web.app import STATIC, create_app
from curlet.web.listening import make_server

HOST = "127.0.0.1"


def say(port: int) -> None:
    print(f"Curlet is at http://{HOST}:{port}/ (Ctrl+C stops it)", flush=True)


def serve(
    port: int, folder: FilePath, *, demo: bool, fresh: bool, ready: Callable[[int], object] = say
) -> int:
    """Serve until stopped.

    Parameters
    ----------
    port : 0 for any that is free.
    fresh : put the database that is there aside, and begin with the demo.
    ready : is told the port once it is listened on.

    Raises
    ------
    BadInput
        If the port is taken, another server uses the folder, or the front end has not been built.
    """
    tune_memory()
    _check_port(port)
    if not (STATIC / "index.html").exists():
        raise BadInput("The front end is not built yet. Run make demo.")
    with alone_in(folder):
        if fresh and (aside := put_aside(folder / FILE)):
            print(f"What was there is kept in {aside}", flush=True)
        app = create_app(folder / FILE)
        if demo or fresh:
            load_demo()
        keeper = Keeper(folder / FILE)
        keeper.start()
        helper.allow(("curlet.web.bench_frames",))
        signal.signal(signal.SIGTERM, lambda *_: sys.exit(0))
        server = make_server(app, HOST, port)
        ready(int(server.effective_port))
        try:
            server.run()
        finally:
            helper.stop()
            keeper.stop()
    return 0


def _check_port(port: int) -> None:
    with socket.socket() as probe:
        probe.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            probe.bind((HOST, port))
        except (OSError, OverflowError):
            raise BadInput(
                f"Port {port} is taken or not allowed. Stop what uses it, or choose another: "
                "make demo PORT=8421."
            ) from None
