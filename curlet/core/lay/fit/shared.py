"""One repeat length for all legs of a seam."""

from __future__ import annotations

from dataclasses import replace

from curlet.core.lay.fit.ask import FitAsk, LegFit


def share_length(
    asks: list[FitAsk], fits: list[LegFit], mate: list[tuple[FitAsk, LegFit]] | None = None
) -> list[LegFit]:
    """The mean stretch, weighted by the length laid, for every leg; gaps take the difference.

    The legs of a mirrored mate count in the mean, so that both halves get the same length. A leg
    whose gap would go below 0 keeps its own.
    """
    every = [*zip(asks, fits, strict=True), *(mate or ())]
    laid = [(fit.stretch, ask.total(fit.repeats)) for ask, fit in every if fit.repeats]
    whole = sum(length for _, length in laid)
    if not whole:
        return fits
    stretch = sum(own * length for own, length in laid) / whole
    return [_with(stretch, ask, fit) for ask, fit in zip(asks, fits, strict=True)]


def _with(stretch: float, ask: FitAsk, fit: LegFit) -> LegFit:
    gaps = fit.repeats - 1 + ask.end_gaps
    if gaps <= 0 or fit.tail or fit.left_over:
        return fit
    gap = (ask.available - stretch * ask.total(fit.repeats)) / gaps
    return replace(fit, stretch=stretch, gap=gap) if gap >= min(0.0, ask.gap) else fit
