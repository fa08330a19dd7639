"""Ended at any moment, as by a power cut: what was acknowledged is there afterwards, and sound."""

from __future__ import annotations

import json
import os
import random
import signal
import sqlite3
import threading
import time
from contextlib import closing
from http.client import HTTPException
from pathlib import Path as FilePath

from tests.effort import LONG
from tests.faults.client import Failed, ask, command, sheet
from tests.faults.report import Report
from tests.faults.watch import family
from tests.server import Server

KILLS = 20 if LONG else 2
STREAMS = ("waistcoat", "programme", "satchel")
_COLUMNS = ("kill", "after, s", "acknowledged", "found", "database")


class Stream:
    """One page that works without a pause, and notes what it was told is kept."""

    def __init__(self, server: Server, sheet_id: str) -> None:
        self._server, self._sheet = server, sheet_id
        self.acknowledged: list[str] = []
        self.going = True
        self.thread = threading.Thread(target=self._work)
        self.thread.start()

    def _work(self) -> None:
        number = 0
        while self.going:
            number += 1
            name = f"{self._sheet} {time.monotonic_ns()}"
            nodes = [{"x": number % 90, "y": 5}, {"x": number % 70, "y": 60}]
            try:
                command(self._address, {"kind": "draw-path", "nodes": nodes, "name": name}, self._sheet)
            except (OSError, HTTPException, Failed, ValueError):
                # Ended, perhaps in the middle of its answer: whether this one was kept is not known, so it is
                # not counted.
                time.sleep(0.05)
            else:
                self.acknowledged.append(name)

    @property
    def _address(self) -> str:
        return f"http://127.0.0.1:{self._server.port}"


def sound(file: FilePath) -> str:
    with closing(sqlite3.connect(file)) as database:
        (whole,) = database.execute("PRAGMA integrity_check").fetchone()
        loose = database.execute("PRAGMA foreign_key_check").fetchall()
    return "sound" if whole == "ok" and not loose else f"{whole} {loose[:3]}"


def test_every_acknowledged_step_survives_a_kill(server: Server, report: Report) -> None:
    chance = random.Random(7)
    address = server.address
    streams = [Stream(server, sheet_id) for sheet_id in STREAMS]
    try:
        for kill in range(1, KILLS + 1):
            after = chance.uniform(0.5, 3.0)
            time.sleep(after)
            server.kill()
            told = {stream: list(stream.acknowledged) for stream in streams}
            state = sound(server.folder / "curlet.sqlite")
            server.start()
            assert server.address == address
            names = {path["name"] for sheet_id in STREAMS for path in sheet(address, sheet_id)["paths"]}
            every = [name for names_told in told.values() for name in names_told]
            lost = [name for name in every if name not in names]
            cells = (kill, f"{after:.1f}", len(every), len(every) - len(lost), state)
            report.add("Kills of the server under three streams", _COLUMNS, *cells)
            assert lost == []
            assert state == "sound"
    finally:
        for stream in streams:
            stream.going = False
        for stream in streams:
            stream.thread.join()
    assert all(stream.acknowledged for stream in streams)


def test_the_bench_goes_on_when_its_helper_is_killed(server: Server) -> None:
    address = server.address
    doc = json.loads(ask(address, "/api/brushes/whipped"))["doc"]
    trial = {"doc": doc, "course": 0, "scale": "1:1"}
    whole = ask(address, "/api/bench/trial", trial)
    for _ in range(KILLS):
        below = family(server.process.pid)[1:]
        for process in below:
            os.kill(process, signal.SIGKILL)
        assert ask(address, "/api/bench/trial", trial) == whole
        assert ask(address, "/api/bench/trial", trial) == whole
