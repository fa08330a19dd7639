"""Keeping freed memory: large arrays come and go many times a second."""

from __future__ import annotations

import ctypes

# glibc's mallopt(3): what is kept at the top of the heap, and what is asked of the system each time.
_M_TRIM_THRESHOLD, _M_MMAP_THRESHOLD = -1, -3
_KEPT = 256 * 1024 * 1024


def keep_freed_memory() -> None:
    """Have the C library keep freed memory for the next array rather than give it back at once.

    Otherwise each new array of a megabyte or more costs as much for its fresh pages as for the sums
    done in it. Where there is no such library nothing happens.
    """
    try:
        mallopt = ctypes.CDLL("libc.so.6").mallopt
    except (OSError, AttributeError):
        return
    mallopt(_M_MMAP_THRESHOLD, _KEPT)
    mallopt(_M_TRIM_THRESHOLD, 2 * _KEPT - 1)
