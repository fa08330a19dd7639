"""The application as people start it, in a process of its own."""

from __future__ import annotations

import socket
import subprocess
import sys
import time
import urllib.request
from pathlib import Path as FilePath

STARTS_WITHIN = 60.0


class Server:
    """The application as people start it, on data of its own. It is up once `address` is asked for."""

    def __init__(self, folder: FilePath) -> None:
        self.folder = folder
        with socket.socket() as probe:
            probe.bind(("127.0.0.1", 0))
            self.port = int(probe.getsockname()[1])
        self.start()

    def start(self) -> None:
        words = ["-m", "curlet", "serve", "--port", str(self.port), "--data", str(self.folder), "--demo"]
        self.process = subprocess.Popen([sys.executable, *words], stdout=subprocess.DEVNULL)

    @property
    def address(self) -> str:
        """Where it is, once it answers."""
        address = f"http://127.0.0.1:{self.port}"
        until = time.monotonic() + STARTS_WITHIN
        while time.monotonic() < until and self.process.poll() is None:
            try:
                urllib.request.urlopen(f"{address}/api/sheets", timeout=5).close()
            except OSError:
                time.sleep(0.05)
            else:
                return address
        raise RuntimeError("the server did not start")

    def kill(self) -> None:
        """End it as a power cut would."""
        self.process.kill()
        self.process.wait(10)

    def stop(self, *, wait: bool = True) -> None:
        self.process.terminate()
        if wait:
            self.process.wait(10)
