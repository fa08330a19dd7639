"""A path made of cubics end to end."""

from __future__ import annotations

from collections.abc import Sequence
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from curlet.core.errors import NoLength
from curlet.core.path.path import SAME_POINT, Path

Floats = NDArray[np.float64]


def path_of_cubics(cubics: Sequence[Floats] | Floats, closed: bool) -> Path:
    """(k, 4, 2) cubics end to end as a path; those that are straight get no handles."""
    chain = np.array(cubics, dtype=np.float64).reshape(-1, 4, 2)
    # What comes from elsewhere may miss where the next begins by a rounding.
    chain[:-1, 3] = chain[1:, 0]
    if closed:
        chain[-1:, 3] = chain[:1, 0]
    lines = [index for index, cubic in enumerate(chain) if _is_line(cubic)]
    chain[lines, 1], chain[lines, 2] = chain[lines, 0], chain[lines, 3]
    return chain_to_path(chain, closed)


def chain_to_path(chain: Floats, closed: bool) -> Path:
    """(k, 4, 2) cubics end to end as a path with nodes n1, n2, …; handles on a node are none."""
    if not len(chain):
        raise NoLength("This path has no length. Draw it between at least two points.")
    if closed and np.abs(chain[-1, 3] - chain[0, 0]).max() <= SAME_POINT:
        points, out = chain[:, 0], chain[:, 1]
        into = np.concatenate([chain[-1:, 2], chain[:-1, 2]])
    else:
        points = np.concatenate([chain[:, 0], chain[-1:, 3]])
        out = np.concatenate([chain[:, 1], chain[-1:, 3]])
        into = np.concatenate([chain[:1, 0], chain[:, 2]])
    return Path.make(_node_ids(len(points)), points, into, out, closed)


@lru_cache(maxsize=256)
def _node_ids(count: int) -> tuple[str, ...]:
    return tuple(f"n{i}" for i in range(1, count + 1))


def _is_line(cubic: Floats) -> bool:
    chord = cubic[3] - cubic[0]
    size = np.hypot(*chord)
    arms = cubic[1:3] - cubic[0]
    off = np.abs(arms[:, 0] * chord[1] - arms[:, 1] * chord[0]).max()
    # A cubic whose handles lie beyond its ends runs out and back on its line.
    between = (arms @ chord >= 0).all() and (arms @ chord <= size**2).all()
    return bool(between and off <= 1e-7 * max(size, 1e-9))
