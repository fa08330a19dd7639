"""Zip files: from outside, read within bounds; made here, the same whenever they are made."""

from __future__ import annotations

import io
import zipfile
import zlib
from types import TracebackType

from curlet.core.errors import BadInput, TooMuch

_FAULTS = (zipfile.BadZipFile, NotImplementedError, RuntimeError, OSError, EOFError, ValueError, zlib.error)


def is_zip(data: bytes) -> bool:
    """Whether bytes begin as a zip file's do."""
    return data[:4] == b"PK\x03\x04"


def entry(name: str, *, packed: bool = True) -> zipfile.ZipInfo:
    """An entry without a time, to be written."""
    made = zipfile.ZipInfo(name, (2000, 1, 1, 0, 0, 0))
    made.external_attr = 0o644 << 16
    made.compress_type = zipfile.ZIP_DEFLATED if packed else zipfile.ZIP_STORED
    return made


class Zip:
    """A zip from outside, opened to be read. Nothing of it is ever written anywhere.

    Attributes
    ----------
    names : of its files, folders with a slash.
    size : what they come to unpacked, in bytes, as they state it; no more of any of them is read.

    Raises
    ------
    BadInput
        If it is damaged.
    TooMuch
        If it holds more files than `most`, or more than `size` bytes unpacked.
    """

    def __init__(self, name: str, data: bytes, most: int, size: int) -> None:
        self._damaged = f"“{name}” is a damaged zip file. Nothing was imported."
        try:
            self._pack = zipfile.ZipFile(io.BytesIO(data))
        except _FAULTS:
            raise BadInput(self._damaged) from None
        files = [item for item in self._pack.infolist() if not item.is_dir()]
        self._files = {item.filename: item for item in files}
        self.names = tuple(self._files)
        self.size = sum(item.file_size for item in files)
        if len(files) > most or self.size > size:
            self._pack.close()
            raise TooMuch(f"“{name}” holds more than {most:,} files or {size // 1024**2} MB. Split it.")

    def read(self, name: str) -> bytes:
        """A file's bytes; BadInput if they are damaged, or more than it states."""
        item = self._files[name]
        try:
            with self._pack.open(item) as file:
                data = file.read(item.file_size + 1)
        except _FAULTS:
            raise BadInput(self._damaged) from None
        if len(data) != item.file_size:
            raise BadInput(self._damaged)
        return data

    def __enter__(self) -> Zip:
        return self

    def __exit__(
        self, kind: type[BaseException] | None, error: BaseException | None, at: TracebackType | None
    ) -> None:
        self._pack.close()
