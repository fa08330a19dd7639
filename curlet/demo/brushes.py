"""The demo's brushes; measures from common practice, the chain's from memory of DIN 766."""

from __future__ import annotations

from curlet.core.motif.families import KINDS
from curlet.demo.artwork import artwork, disc, filled, stroked
from curlet.formats.brush_courses import (
    BandDoc,
    FacingDoc,
    FitDoc,
    LetterDoc,
    PiecesDoc,
    RowDoc,
    SpanDoc,
    SwellPointDoc,
)
from curlet.formats.brush_file import BrushDoc, CornerDoc, CrossingDoc
from curlet.formats.brush_motifs import ArtworkDoc, MeasureDoc, PieceDoc, RoleDoc
from curlet.formats.pointer import Json
from curlet.store.edits.recipes import brush_of, motif_of, natural_length, piece_of

YELLOW, CREAM, RUST, SKY = "#e9c46a", "#f3ead7", "#c8553d", "#a8d4de"
FLAX, STEEL, PLUM, MOSS = "#dcc594", "#aab4bd", "#7c4a63", "#5f7f52"
GAUGE = 6.35


def mm(value: float) -> MeasureDoc:
    return MeasureDoc(mm=value)


def _row(
    length: float, gap: float, thread: float, ends: str = "round", offset: float = 0.0, **fit: object
) -> RowDoc:
    return RowDoc(
        motif=motif_of("running", thread=thread, ends=ends),
        length=mm(length),
        gap=mm(gap),
        offset=mm(offset),
        fit=FitDoc(**fit),  # type: ignore[arg-type]
    )


def _stitch(name: str, colour: str, *rows: RowDoc) -> BrushDoc:
    return BrushDoc(name=name, courses=rows, threads=(colour,))


def _needles(name: str, offsets: tuple[float, ...]) -> BrushDoc:
    rows = tuple(_row(3.0, 1.0, 0.4, offset=offset, kind="shorten-last") for offset in offsets)
    return _stitch(name, YELLOW, *rows)


def laid_rope(twist: str = "Z", diameter: float = 8.0, lay: float = 24.0) -> BrushDoc:
    """Three strands that lie over and under where the rope crosses itself."""
    rope = brush_of(
        "laid", f"Laid cord, 3 strand, {twist}", threads=(FLAX,), twist=twist, diameter=diameter, lay=lay
    )
    crossings = CrossingDoc(manner="over-under", clearance=mm(0.6))
    return rope.model_copy(update={"crossings": crossings})


def border(side: float = 12.0) -> BrushDoc:
    """A running diamond between two lines, with a square corner piece of its own."""
    h = side / 2
    lines = f"M0 {-h}L{side} {-h}", f"M0 {h}L{side} {h}"
    diamond = f"M0 0L{h} {-0.7 * h}L{side} 0L{h} {0.7 * h}Z"
    motif = artwork(
        side,
        side,
        *(stroked(d, 0.9, 1, ends="flat") for d in lines),
        filled(diamond, 2),
        filled(disc(h, 0, 1.1), 1),
    )
    # Drawn for a square turn to the right: the corner stands at (side, 0), the way goes on downward.
    outer = f"M0 {-h}L{side + h} {-h}L{side + h} {side}"
    inner = f"M0 {h}L{side - h} {h}L{side - h} {side}"
    rose = disc(side, 0, 0.62 * h)
    corner = artwork(
        side, side, stroked(outer, 0.9, ends="flat"), stroked(inner, 0.9, ends="flat"), filled(rose, 2),
        filled(disc(side, 0, 1.4), 1),
    )  # fmt: skip
    piece = PieceDoc(motif=corner, length=mm(side))
    row = RowDoc(
        motif=motif,
        length=mm(side),
        gap=mm(0),
        hold="bend",
        pieces=PiecesDoc(corner_outside=piece, corner_inside=piece),
    )
    return BrushDoc(
        name="Diamond border",
        kind="border",
        courses=(row,),
        corners=CornerDoc(manner="piece"),
        threads=(PLUM, YELLOW),
    )


def stem() -> BrushDoc:
    """Root, alternate leaves, and a tip: for open letters."""
    leaf = "M2 0C4 -5 8 -5.5 11 -4.5C9.5 -1.5 6 0.5 2 0Z"
    middle = artwork(12, 11, stroked("M0 0L12 0", 0.9, 1, ends="flat"), filled(leaf, 2))
    root = artwork(8, 11, filled("M0 0C2 -2 5 -1 8 -0.45L8 0.45C5 1 2 2 0 0Z", 1))
    tip = artwork(10, 11, filled("M0 -0.45C3 -4 7 -3 10 0C7 3 3 4 0 0.45Z", 2), stroked("M0 0L7 0", 0.7, 1))
    pieces = PiecesDoc(start=PieceDoc(motif=root, length=mm(8)), end=PieceDoc(motif=tip, length=mm(10)))
    row = RowDoc(
        motif=middle,
        length=mm(12),
        gap=mm(0),
        fit=FitDoc(short_legs=True),
        hold="bend",
        pieces=pieces,
        facing=FacingDoc(mirror_alternate=True),
    )
    return BrushDoc(
        name="Stem and leaves",
        kind="border",
        courses=(row,),
        corners=CornerDoc(manner="mitre"),
        threads=(MOSS, "#8fb27a"),
    )


def ribbon() -> BrushDoc:
    """Seven bands side by side, a seventh of the width each; each goes on under the one above it."""
    colours = ("#7c4a63", "#c8553d", "#e9a15b", "#f0d98c", "#9dbf8f", "#5f93a8", "#44557f")
    bands = tuple(
        BandDoc(
            course="band", width=mm(2 + lap), offset=mm(2 * (i - 3) + lap / 2), role=RoleDoc(thread=i + 1)
        )
        for i, lap in enumerate((*[0.8] * 6, 0.0))
    )
    return BrushDoc(
        name="Ribbon of seven", kind="trim", courses=bands, corners=CornerDoc(manner="mitre"), threads=colours
    )


def _discs() -> BrushDoc:
    """Discs 98 % of their width apart, each whole on its path, and one on every corner."""
    row = {"hold": "rigid", "fit": FitDoc(kind="even-gaps")}
    scallops = brush_of("scallop", "Scallops of discs", row=row, form="discs", line=0.3)
    return scallops.model_copy(update={"corners": CornerDoc(manner="piece", made="turned")})


def taper() -> BrushDoc:
    """One leaf stretched along the whole path, its ends kept, swelling in the middle."""
    blade = "M0 0C12 -3 28 -3 40 0C28 3 12 3 0 0Z"
    span = SpanDoc(
        course="span",
        motif=artwork(40, 6, filled(blade, 1), stroked("M4 0L36 0", 0.4, 1, -25)),
        length=mm(40),
        keep_ends=mm(12),
        swell=(
            SwellPointDoc(at=0, width=60),
            SwellPointDoc(at=0.5, width=160),
            SwellPointDoc(at=1, width=60),
        ),
    )
    return BrushDoc(name="Long blade", kind="border", courses=(span,), threads=(MOSS,))


def button() -> BrushDoc:
    """A metal button: a rim, a dished face, four holes and its crossed thread."""
    holes = (filled(disc(6 + x, y, 0.6), 2) for x in (-1.2, 1.2) for y in (-1.2, 1.2))
    crossed = "M4.8 -1.2L7.2 1.2M7.2 -1.2L4.8 1.2"
    motif = artwork(
        12,
        12,
        filled(disc(6, 0, 5.6), 1, -8),
        filled(disc(6, 0, 4.3), 1, 4).model_copy(update=_SUNK),
        *holes,
        stroked(crossed, 0.5, 1, -26),
    )
    return _one("Button, 12 mm", motif, (YELLOW, "#2b3440"))


def stud() -> BrushDoc:
    """A domed stud."""
    return _one("Stud, 8 mm", artwork(8, 8, filled(disc(4, 0, 3.8), 1)), (STEEL,))


_SUNK = {"stands": "sunk"}


def _one(name: str, motif: ArtworkDoc, threads: tuple[str, ...]) -> BrushDoc:
    """A trim of whole pieces side by side."""
    row = RowDoc(motif=motif, length=mm(motif.length), gap=mm(2), hold="rigid")
    return BrushDoc(
        name=name, kind="trim", courses=(row,), corners=CornerDoc(manner="carry"), threads=threads
    )


def _band(name: str, width: float, joins: str, colour: str) -> BrushDoc:
    band = BandDoc(course="band", width=mm(width), joins=joins)  # type: ignore[arg-type]
    return BrushDoc(
        name=name, kind="trim", courses=(band,), corners=CornerDoc(manner="carry"), threads=(colour,)
    )


_DOCS: dict[str, BrushDoc] = {
    "topstitch": _stitch("Topstitch, 3 + 1 mm", YELLOW, _row(3.0, 1.0, 0.4)),
    "show-stitch": _stitch("Show stitch, 6 + 2.8 mm", YELLOW, _row(6.0, 2.8, 0.8)),
    "eight": _stitch("Running, 8 to the inch", CREAM, _row(2.175, 1.0, 0.45)),
    "twelve": _stitch("Edge stitch, 12 to the inch", RUST, _row(1.517, 0.6, 0.4)),
    "basting": _stitch("Basting, 12 + 8 mm", SKY, _row(12.0, 8.0, 0.6, ends="flat", kind="leave-over")),
    "twin": _needles("Twin needle, 6.4 mm gauge", (-GAUGE / 2, GAUGE / 2)),
    "triple": _needles("Triple needle, 6.4 mm gauge", (-GAUGE, 0.0, GAUGE)),
    "rope": laid_rope(),
    "scallop": brush_of("scallop", "Scalloped edge with eyelets"),
    "scallop-discs": _discs(),
    "border": border(),
    "stem": stem(),
    "ribbon": ribbon(),
    "blade": taper(),
    "button": button(),
    "stud": stud(),
    "wire": _band("Wire, 2.5 mm", 2.5, "round", STEEL),
    "strip": _band("Plain band, 8 mm", 8, "mitre", CREAM),
}


def _long_and_short() -> BrushDoc:
    short = motif_of("cable", wire=2, pitch=7, face="by turns")
    row = {"more": (LetterDoc(motif=short, length=natural_length(short)),), "order": "A B B B"}
    return brush_of("cable", "Long and short chain", row=row, wire=2, pitch=14, face="by turns")


def _belcher() -> BrushDoc:
    pieces = PiecesDoc(
        start=piece_of("end-ring", within=False), end=piece_of("clasp", within=False, length=14)
    )
    return brush_of("belcher", "Belcher chain with clasp", row={"pieces": pieces}, face="by turns")


def _whipped() -> BrushDoc:
    """A C-mark rope with whippings in a second colour."""
    ends = {side: piece_of("wrapped-end", side=side, diameter=6, length=9) for side in ("start", "end")}
    threads = (FLAX, RUST)
    return brush_of("c-mark", "Drawn rope, whipped ends", threads=threads, row={"pieces": PiecesDoc(**ends)})


def _rickrack() -> BrushDoc:
    """Its waves pass through the corner itself: past 120° its point is cut flat."""
    made = brush_of("rickrack", "Rickrack, medium")
    row = made.courses[0].model_copy(update={"pieces": PiecesDoc()})
    return made.model_copy(update={"courses": (row,), "corners": CornerDoc(manner="mitre", mitre_limit=2)})


def _vine() -> BrushDoc:
    ends = {
        "start": piece_of("leaf-stem", place="root"),
        "end": piece_of("leaf-stem", place="tip"),
    }
    return brush_of("leaf-stem", "Leaf and stem, root to tip", row={"pieces": PiecesDoc(**ends)})


_OF_FAMILIES: dict[str, BrushDoc] = {
    "saddle": brush_of("saddle", "Saddle stitch, 3.5 mm"),
    "backstitch": brush_of("backstitch", "Backstitch, 3 mm"),
    "zigzag": brush_of("zigzag", "Zigzag 304, 4 mm"),
    "three-step": brush_of("zigzag", "Three-step zigzag, 6 mm", threads=(SKY,), width=6, steps=3, holes=True),
    "chainstitch": brush_of("chainstitch", "Chain stitch 101"),
    "cover": brush_of("cover", "Flat cover 602, 4.8 mm gauge", stitch_class="602"),
    "safety": brush_of("overedge", "Safety stitch 516", safety=True),
    "blanket": brush_of("blanket", "Blanket stitch, 5 mm"),
    "cross": brush_of("cross", "Cross stitch, 2.6 mm"),
    "herringbone": brush_of("herringbone", "Herringbone, 6 mm"),
    "feather": brush_of("feather", "Feather stitch, 7 mm"),
    "satin": brush_of("satin", "Satin column, 5 mm"),
    "scrap": brush_of("scrap", "Loose thread"),
    "cord": brush_of("cord", "Twisted cord, two colours"),
    "flat-braid": brush_of("flat-braid", "Flat braid, 10 mm"),
    "round-braid": brush_of("round-braid", "Round braid, 6 mm"),
    "whipped": _whipped(),
    "chain": brush_of("cable", "Cable chain, 4 × 16", threads=(STEEL,), face="by turns"),
    "long-short": _long_and_short(),
    "curb": brush_of("curb", "Curb chain, 2 mm wire"),
    "ball": brush_of("ball", "Ball chain, 3.2 mm"),
    "belcher": _belcher(),
    "rickrack": _rickrack(),
    "lace": brush_of("lace", "Lace edge, 14 mm"),
    "fringe": brush_of("fringe", "Cut fringe, 22 mm"),
    "tassels": brush_of("tassel-fringe", "Tassel fringe, 30 mm"),
    "pompom": brush_of("pompom", "Pompom trim, 10 mm"),
    "piping": brush_of("piping", "Piping, 4 mm cord"),
    "ruffle": brush_of("ruffle", "Ruffle, 18 mm"),
    "pearls": brush_of("bead", "Pearls, 5 mm"),
    "sequins": brush_of("sequin", "Sequin string, 6 mm"),
    "dots": brush_of("dots", "Graded-dot edge"),
    "key": brush_of("key", "Key border, 12 mm"),
    "wave": brush_of("wave", "Running wave, 12 mm"),
    "guilloche": brush_of("guilloche", "Guilloche, 12 mm"),
    "vine": _vine(),
    "checker": brush_of("checker", "Checker, 3 rows"),
    "dog-tooth": brush_of("dog-tooth", "Dog-tooth, 8 mm"),
}

_BY_KIND = sorted({**_DOCS, **_OF_FAMILIES}.items(), key=lambda item: KINDS.index(item[1].kind))

BRUSHES: dict[str, Json] = {key: doc.model_dump(mode="json") for key, doc in _BY_KIND}
