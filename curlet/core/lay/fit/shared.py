"""One repeat length for all legs of a seam."""

from __future__ import annotations

from dataclasses import replace

from curlet.core.lay.fit.ask import FitAsk, LegFit

_SLACK = 1e-12


def share_length(
    asks: list[FitAsk], fits: list[LegFit], other_half: list[tuple[FitAsk, LegFit]] | None = None
) -> list[LegFit]:
    """The mean stretch, weighted by the length laid, for every leg; gaps take the difference.

    The legs of the other half count in the mean, so that both halves get the same length. Where a gap would
    go below 0 on any leg, the length is the longest at which none does. Repeats that touch or overlap have no
    gap to take a difference: there every leg keeps its own.
    """
    every = [*zip(asks, fits, strict=True), *(other_half or ())]
    laid = [(fit.stretch, ask.total(fit.repeats)) for ask, fit in every if fit.repeats]
    whole = sum(length for _, length in laid)
    if not whole or any(ask.gap <= 0 for ask in asks):
        return fits
    stretch = sum(own * length for own, length in laid) / whole
    most = [ask.available / ask.total(fit.repeats) for ask, fit in every if _takes(ask, fit)]
    stretch = min([stretch, *most])
    return [_with(stretch, ask, fit) for ask, fit in zip(asks, fits, strict=True)]


def _takes(ask: FitAsk, fit: LegFit) -> bool:
    """Whether a leg has gaps that take a difference."""
    return fit.repeats - 1 + ask.end_gaps > 0 and not (fit.tail or fit.left_over)


def _with(stretch: float, ask: FitAsk, fit: LegFit) -> LegFit:
    if not _takes(ask, fit):
        return fit
    gap = (ask.available - stretch * ask.total(fit.repeats)) / (fit.repeats - 1 + ask.end_gaps)
    return replace(fit, stretch=stretch, gap=max(gap, 0.0) if gap > -_SLACK else gap)
