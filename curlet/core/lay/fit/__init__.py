"""Fits: whole repeats into a leg. A new fit is a file beside these and a line here."""

from curlet.core.lay.fit.ask import Fit, FitAsk, LegFit
from curlet.core.lay.fit.ease import ease
from curlet.core.lay.fit.even_gaps import even_gaps
from curlet.core.lay.fit.leave_over import leave_over
from curlet.core.lay.fit.made_up import made_up

FITS: dict[str, Fit] = {
    "leave-over": Fit("Leave over", leave_over, ("remainder",)),
    "even-gaps": Fit("Even gaps", even_gaps),
    "ease": Fit("Ease", ease, ("keep_gap",)),
    "made-up": Fit("Made up", made_up, ("made_up",)),
}

__all__ = ["FITS", "FitAsk", "LegFit"]
