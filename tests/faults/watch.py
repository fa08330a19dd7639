"""What a server's processes use, and how long it takes to answer others."""

from __future__ import annotations

import os
import threading
import time
import urllib.request
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path as FilePath

_PAGE = os.sysconf("SC_PAGE_SIZE")


def family(process: int) -> list[int]:
    """A process and all below it."""
    children: dict[int, list[int]] = {}
    for folder in FilePath("/proc").iterdir():
        if folder.name.isdigit():
            try:
                parent = int((folder / "stat").read_text().rsplit(")", 1)[1].split()[1])
            except (OSError, IndexError):
                continue
            children.setdefault(parent, []).append(int(folder.name))
    found = [process]
    for one in found:
        found += children.get(one, [])
    return found


def private_mb(processes: list[int]) -> float:
    """What some processes hold that is not shared, MB."""
    total = 0
    for one in processes:
        try:
            _, resident, shared, *_ = FilePath(f"/proc/{one}/statm").read_text().split()
        except (OSError, ValueError):
            continue
        total += int(resident) - int(shared)
    return total * _PAGE / 1e6


def seconds_used(process: int) -> float:
    """Seconds of processor time that a process has taken."""
    fields = FilePath(f"/proc/{process}/stat").read_text().rsplit(")", 1)[1].split()
    return (int(fields[11]) + int(fields[12])) / os.sysconf("SC_CLK_TCK")


class Watch:
    """The most memory, and the slowest answer to another request, while something goes on."""

    def __init__(self, address: str, process: int) -> None:
        self._address, self._process = address, process
        self._stop = threading.Event()
        self.before = private_mb(family(process))
        self.most_mb = 0.0
        self.slowest = 0.0
        self.failed: list[str] = []

    @contextmanager
    def watching(self) -> Iterator[Watch]:
        threads = [threading.Thread(target=work) for work in (self._weigh, self._ask)]
        for thread in threads:
            thread.start()
        try:
            yield self
        finally:
            self._stop.set()
            for thread in threads:
                thread.join()

    def _weigh(self) -> None:
        while not self._stop.wait(0.02):
            self.most_mb = max(self.most_mb, private_mb(family(self._process)) - self.before)

    def _ask(self) -> None:
        while not self._stop.wait(0.05):
            began = time.monotonic()
            try:
                urllib.request.urlopen(f"{self._address}/api/sheets", timeout=60).read()
            except OSError as error:
                self.failed.append(str(error))
            self.slowest = max(self.slowest, time.monotonic() - began)
