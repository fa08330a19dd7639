"""A live half: what it mirrors and about which line, as it is kept."""

from __future__ import annotations

from typing import Annotated

import numpy as np
from numpy.typing import NDArray
from pydantic import BaseModel, ConfigDict, Field

from curlet.core.drawing import Affine
from curlet.formats.path_doc import Coordinate

Floats = NDArray[np.float64]

# A mirroring is one without sizing or sliding to this share, and mm.
_EXACT, _STILL = 1e-6, 1e-4


class HalfDoc(BaseModel):
    """The path that this one is the mirror image of, by its id, and the line between them: a point of it,
    sheet mm, and its direction in degrees."""

    model_config = ConfigDict(extra="forbid", frozen=True)
    of: Annotated[str, Field(min_length=1, max_length=60)]
    x: Coordinate
    y: Coordinate
    angle: Annotated[float, Field(allow_inf_nan=False)] = 90.0

    @property
    def about(self) -> tuple[Floats, Floats]:
        """A point of the line, and the (2, 2) matrix by which each point's arm from it, as a row, is
        multiplied."""
        double = np.radians(2 * self.angle)
        c, s = np.cos(double), np.sin(double)
        return np.array([self.x, self.y]), np.array([[c, s], [s, -c]])

    def through(self, matrix: Affine | None) -> HalfDoc | None:
        """The same half about the line that a mirroring mirrors about; None where it is no mirroring."""
        if matrix is None:
            return None
        a, b, c, d, e, f = matrix
        if abs(a * d - b * c + 1) > _EXACT or abs(a * a + b * b - 1) > _EXACT:
            return None
        angle = np.arctan2(b, a) / 2
        if abs(e * np.cos(angle) + f * np.sin(angle)) > _STILL:
            return None
        values = {"x": e / 2, "y": f / 2, "angle": float(np.degrees(angle))}
        return self.model_copy(update=values)
