"""Fits: whole repeats into a leg. A new fit is a file beside these and a line here."""

from curlet.core.lay.fit.ask import FitAsk, LegFit, Rule
from curlet.core.lay.fit.ease import ease
from curlet.core.lay.fit.even_gaps import even_gaps
from curlet.core.lay.fit.leave_over import leave_over
from curlet.core.lay.fit.made_up import made_up

FITS: dict[str, Rule] = {
    "leave-over": leave_over,
    "even-gaps": even_gaps,
    "ease": ease,
    "made-up": made_up,
}

__all__ = ["FITS", "FitAsk", "LegFit"]
