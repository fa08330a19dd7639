"""The application as people start it, in a process of its own."""

from __future__ import annotations

import atexit
import os
import re
import shutil
import subprocess
import sys
import time
import urllib.request
from functools import lru_cache
from multiprocessing import get_context
from multiprocessing.connection import Connection
from pathlib import Path as FilePath
from tempfile import TemporaryDirectory

from curlet.store.backups import FILE
from curlet.store.restore import restore

# Busy machines too.
STARTS_WITHIN, ENDS_WITHIN = 60.0, 60.0
ROOT = FilePath(__file__).parents[1]

# Processes forked off one that has everything read in.
_warm = get_context("forkserver")
_warm.set_forkserver_preload(["curlet.web.serve", "curlet.web.bench_frames"])


@lru_cache(maxsize=2)
def _made_file(plain: bool) -> FilePath:
    """A database of the plain sheets, or of the demo's, made once and copied for each server."""
    folder = TemporaryDirectory(prefix="made")
    atexit.register(folder.cleanup)
    file = FilePath(folder.name) / FILE
    if plain:
        subprocess.run([sys.executable, "-m", "tests.plain.load", str(file)], cwd=ROOT, check=True)
    else:
        server = WarmServer(FilePath(folder.name))
        assert server.address
        server.stop()
    return file


class Server:
    """The application as people start it, on data of its own, on a port that it finds free. It is up once
    `address` is asked for; started again, it is at the same address."""

    python = sys.executable

    def __init__(self, folder: FilePath, *, plain: bool = False) -> None:
        """`plain`: on the plain sheets that tests are about, rather than on the demo's."""
        self.folder, self.port, self.plain = folder, 0, plain
        self.start()

    def start(self) -> None:
        self._prepare()
        words = ["-m", "curlet", "serve", "--port", str(self.port), "--data", str(self.folder), "--demo"]
        self.process = subprocess.Popen([self.python, *words], stdout=subprocess.PIPE, text=True)

    def _prepare(self) -> None:
        file = self.folder / FILE
        if self.plain and not file.exists():
            self.folder.mkdir(exist_ok=True)
            shutil.copy(_made_file(self.plain), file)

    @property
    def address(self) -> str:
        """Where it is, once it answers."""
        until = time.monotonic() + STARTS_WITHIN
        self.port = self.port or self._found_port()
        address = f"http://127.0.0.1:{self.port}"
        while time.monotonic() < until and self.is_running():
            try:
                urllib.request.urlopen(f"{address}/api/sheets", timeout=5).close()
            except OSError:
                time.sleep(0.05)
            else:
                return address
        raise RuntimeError("the server did not start")

    def _found_port(self) -> int:
        """What it says of itself once it listens."""
        assert self.process.stdout is not None
        said = self.process.stdout.readline()
        found = re.search(r"http://127\.0\.0\.1:(\d+)/", said)
        if found is None:
            raise RuntimeError(f"the server did not start: {said}")
        return int(found[1])

    def put_back(self) -> None:
        """Everything as it was at the start, as `curlet restore` does it while people work."""
        restore(_made_file(self.plain), self.folder / FILE)
        shutil.rmtree(self.folder / "backups")

    def is_running(self) -> bool:
        return self.process.poll() is None

    def wait(self) -> None:
        self.process.wait(ENDS_WITHIN)

    def kill(self) -> None:
        """End it as a power cut would."""
        self.process.kill()
        self.wait()

    def stop(self, *, wait: bool = True) -> None:
        self.process.terminate()
        if wait:
            self.wait()


class WarmServer(Server):
    """The same, without reading the program in anew each time: it starts in a tenth of the time."""

    def start(self) -> None:
        self._prepare()
        self._told, tell = _warm.Pipe(duplex=False)
        self.process = _warm.Process(target=_serve, args=(self.port, self.folder, tell))
        self.process.start()
        tell.close()

    def _found_port(self) -> int:
        if not self._told.poll(STARTS_WITHIN):
            raise RuntimeError("the server did not start")
        return int(self._told.recv())

    def is_running(self) -> bool:
        return bool(self.process.is_alive())

    def wait(self) -> None:
        self.process.join(10)


def _serve(port: int, folder: FilePath, tell: Connection) -> None:
    from curlet.web.serve import serve

    os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
    serve(port, folder, demo=True, fresh=False, ready=tell.send)
