"""Memory as this work needs it: large arrays and thousands of small rows come and go many times a second."""

from __future__ import annotations

import ctypes
import gc

# glibc's mallopt(3): what is kept at the top of the heap, and what is asked of the system each time.
_M_TRIM_THRESHOLD, _M_MMAP_THRESHOLD, _M_ARENA_MAX = -1, -3, -8
_KEPT = 256 * 1024 * 1024
# New objects between two looks for cycles. A sheet of 5,000 paths makes a million and leaves none in cycles.
_SELDOM = 500_000


def tune_memory() -> None:
    """Have freed memory kept for the next array, and look for unused cycles of objects less often.

    Otherwise each new array of a megabyte or more costs as much for its fresh pages as for the sums
    done in it, and a large sheet a third of its time for the search. Where there is no such C library
    only the second is done.
    """
    gc.set_threshold(_SELDOM, 20, 20)
    try:
        mallopt = ctypes.CDLL("libc.so.6").mallopt
    except (OSError, AttributeError):
        return
    # Otherwise each of the server's threads keeps freed memory of its own.
    mallopt(_M_ARENA_MAX, 2)
    mallopt(_M_MMAP_THRESHOLD, _KEPT)
    mallopt(_M_TRIM_THRESHOLD, 2 * _KEPT - 1)
