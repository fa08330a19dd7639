"""Roots and products of many polynomials at once are what numpy finds for each."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.path.polynomials import derived, roots, times

CHANCE = np.random.default_rng(7)
MANY = CHANCE.uniform(-3, 3, (6, 40))
# Of lower degrees, with roots at 0, constants, and nothing at all.
MANY[:2, 5:9] = 0
MANY[4:, 12:15] = 0
MANY[:5, 20] = MANY[:, 21] = 0


@pytest.mark.parametrize("column", range(40))
def test_roots_are_those_of_each_polynomial(column: int) -> None:
    of, at = roots(MANY)
    wanted = np.roots(MANY[:, column]) if MANY[:, column].any() else np.zeros(0)
    np.testing.assert_allclose(np.sort_complex(at[of == column]), np.sort_complex(wanted[wanted != 0]))


def test_products_and_rates() -> None:
    first, second = MANY[:3, :4], MANY[2:, :4]
    for column in range(4):
        product = np.polymul(first[:, column], second[:, column])
        np.testing.assert_allclose(times(first, second)[:, column], product)
        np.testing.assert_allclose(derived(second)[:, column], np.polyder(second[:, column]))
