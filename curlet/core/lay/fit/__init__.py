"""Fits: whole repeats into a leg. A new fit is a file beside these and a line here."""

from curlet.core.lay.fit.ask import Fit, FitAsk, LegFit
from curlet.core.lay.fit.ease import ease
from curlet.core.lay.fit.even_gaps import even_gaps
from curlet.core.lay.fit.leave_over import leave_over
from curlet.core.lay.fit.shorten_last import shorten_last

FITS: dict[str, Fit] = {
    "leave-over": Fit("Leave over", leave_over, ("remainder",)),
    "even-gaps": Fit("Even gaps", even_gaps),
    "ease": Fit("Ease", ease, ("keep_gap",)),
    "shorten-last": Fit("Shorten last", shorten_last, ("shortened",)),
}

__all__ = ["FITS", "FitAsk", "LegFit"]
