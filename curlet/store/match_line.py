"""A drawn line matched: its dashes as a row of stitches, or a plain one as a band."""

from __future__ import annotations

from curlet.core.errors import BadInput
from curlet.formats.brush_courses import BandDoc, LetterDoc, RowDoc
from curlet.formats.brush_file import BrushDoc, CornerDoc
from curlet.formats.brush_motifs import MeasureDoc, RunningDoc
from curlet.formats.path_doc import FactsDoc

_MIN = 0.01
_SAME = 0.02


def matched(name: str, facts: FactsDoc) -> BrushDoc:
    """A brush that looks as the line was drawn: stitch length, gap, thread, ends and colour, on paper.

    A dash runs from hole to hole, as SVG measures it: its round ends stand beyond, as thread's do.

    Raises
    ------
    BadInput
        If the path was not drawn as a line, or its dashes have gaps of several lengths.
    """
    if not facts.stroke or facts.weight <= 0:
        raise BadInput(
            "This path was not drawn as a line, so there is nothing to match. Choose one that was."
        )
    threads = (facts.stroke,)
    if not facts.dashes:
        band = BandDoc(course="band", width=_printed(facts.weight), ends=facts.ends, joins=facts.joins)
        return BrushDoc(
            name=name, kind="trim", courses=(band,), corners=CornerDoc(manner="carry"), threads=threads
        )
    dashes = facts.dashes * (1 + len(facts.dashes) % 2)
    lengths, gaps = dashes[::2], dashes[1::2]
    if max(gaps) - min(gaps) > _SAME * max(max(gaps), _MIN):
        raise BadInput("This line's dashes have gaps of several lengths, and a row has one. Set it by hand.")
    # Square ends stand half the weight beyond a dash; thread's flat ones do not.
    beyond = facts.weight if facts.ends == "square" else 0.0
    gap = max(sum(gaps) / len(gaps) - beyond, 0.0)
    ends = "round" if facts.ends == "round" else "flat"
    motif = RunningDoc(family="running", thread=_printed(facts.weight), ends=ends)  # type: ignore[call-arg]
    first, *more = [_printed(length + beyond) for length in lengths]
    row = RowDoc(
        motif=motif,
        length=first,
        gap=_printed(gap, 0.0),
        more=tuple(LetterDoc(motif=motif, length=length) for length in more[:11]),
        order=" ".join("ABCDEFGHIJKL"[: len(lengths)]),
    )
    return BrushDoc(name=name, kind="stitch", courses=(row,), threads=threads)


def _printed(mm: float, least: float = _MIN) -> MeasureDoc:
    return MeasureDoc(mm=round(max(mm, least), 4), on="paper")
