"""Files that are made to do harm: every kind that once did, and their relatives.

Each is a name, what takes it, and its bytes; they are made when they are asked for, as some are large.
"""

from __future__ import annotations

import io
import json
import struct
import zipfile
import zlib
from collections.abc import Callable, Iterator
from dataclasses import dataclass

from fontTools.fontBuilder import FontBuilder
from fontTools.pens.ttGlyphPen import TTGlyphPen
from fontTools.ttLib import TTFont
from fontTools.ttLib.tables._g_l_y_f import Glyph, GlyphComponent

from curlet.formats.fonts import FOLDER

HEAD = '<svg xmlns="http://www.w3.org/2000/svg" width="90mm" height="90mm" viewBox="0 0 90 90">'
LINE = '<path d="M0 0h9"/>'


@dataclass(frozen=True)
class Hostile:
    """A hostile file; `kind` is drawing, pieces, font, picture, brush or sheet."""

    name: str
    kind: str
    make: Callable[[], bytes]

    def __str__(self) -> str:
        return self.name


def scattered(count: int, step: int) -> str:
    """So many corners all over the sheet."""
    return " ".join(f"{k * step % 97} {k * (step + 6) % 89}" for k in range(count))


def _drawings() -> dict[str, Callable[[], str]]:
    deep = 'href="#g{}"'
    return {
        "a number of 1,000 digits": lambda: f'<polyline points="{"9" * 1000}"/>',
        "two numbers of 4,000 digits": lambda: f'<polyline points="{"9" * 4000} {"8" * 4000}"/>',
        "an arc of 4 million digits": lambda: f'<path d="M0 0A{"9" * 4_000_000}"/>',
        "rotate( without end": lambda: f'<path d="M0 0h9" transform="{"rotate(" * 200_000}"/>',
        "600,000 rotations": lambda: f'<path d="M0 0h9" transform="{"rotate(1)" * 600_000}"/>',
        "a gradient's long transform": lambda: (
            f'<linearGradient id="a" gradientTransform="{"rotate(" * 200_000}"><stop/></linearGradient>'
            '<path d="M0 0h9v9z" fill="url(#a)"/>'
        ),
        "a clip of 3,000 corners": lambda: (
            f'<clipPath id="c"><path d="M{scattered(3000, 7)}"/></clipPath>'
            f'<path clip-path="url(#c)" d="M{scattered(2000, 5)}"/>'
        ),
        "4 million Z": lambda: f'<path d="M0 0{"Z" * 4_000_000}"/>',
        "5 million M": lambda: f'<path d="{"M" * 5_000_000}"/>',
        "5 million commas": lambda: f'<path d="M0 0{"," * 5_000_000}9"/>',
        "500 uses of a large symbol": lambda: (
            f'<symbol id="s"><path d="M{scattered(15_000, 7)}"/></symbol>' + '<use href="#s"/>' * 500
        ),
        "copies that double": lambda: (
            "".join(f'<g id="g{k}">{f"<use {deep.format(k + 1)}/>" * 2}</g>' for k in range(40))
            + '<g id="g40"><path d="M0 0h9"/></g>'
        ),
        "a copy of itself": lambda: '<g id="a"><use href="#b"/></g><g id="b"><use href="#a"/></g>' + LINE,
        "5,000 chained uses": lambda: (
            "".join(f'<g id="g{k}"><use {deep.format(k + 1)}/></g>' for k in range(5000)) + LINE
        ),
        "900 symbols in reverse order": lambda: (
            "".join(f'<symbol id="s{k}"><use href="#s{k + 1}"/></symbol>' for k in range(900, 0, -1))
            + '<use href="#s1"/>'
            + LINE
        ),
        "1,900 rules for 10,000 elements": lambda: (
            "<style>" + "".join(f'* [x="{k}"]{{fill:red}} ' for k in range(1900)) + "</style>" + LINE * 10_000
        ),
        "a selector nested 5,000 deep": lambda: (
            f"<style>{':not(' * 5000} a{')' * 5000}{{fill:red}}</style>{LINE}"
        ),
        "a selector that leaps twelve times": lambda: (
            f"<style>{'g ' * 12}q{{fill:red}}</style>" + "<g>" * 100 + f"<q/>{LINE}" + "</g>" * 100
        ),
        "a million unclosed groups": lambda: "<g>" * 1_000_000,
        "half a million attributes": lambda: (
            f'<path d="M0 0h9" {" ".join(f"""a{k}="1" """ for k in range(500_000))}/>'
        ),
        "a style of 5 million letters": lambda: f'<path d="M0 0h9" style="{"a" * 5_000_000}"/>',
        "url( of 3 million spaces": lambda: f'<path d="M0 0h9" fill="url({" " * 3_000_000}"/>',
        "rgb( two million times": lambda: f'<path d="M0 0h9" fill="{"rgb(" * 2_000_000}"/>',
        "lengths in em, ex and vw": lambda: '<circle r="5em"/><circle r="5ex" cx="3vw" cy="2vmin"/>',
        "an infinite weight": lambda: '<path d="M0 0h9" stroke="red" stroke-width="1e308"/>',
        "infinite dashes": lambda: '<path d="M0 0h9" stroke="red" stroke-dasharray="1e308 1"/>',
        "negative dashes": lambda: '<path d="M0 0h9" stroke="red" stroke-dasharray="-1 2"/>',
        "denormal dashes": lambda: '<path d="M0 0h9" stroke="red" stroke-dasharray="1e-320"/>',
        "a transform past all bounds": lambda: '<path d="M0 0h9" transform="scale(1e300)scale(1e300)"/>',
    }


def _raw_drawings() -> dict[str, Callable[[], bytes]]:
    entities = "".join(f'<!ENTITY e{k} "{f"&e{k - 1};" * 10}">' for k in range(1, 12))
    return {
        "entities that multiply": lambda: (
            f'<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY e0 "x">{entities}]>{HEAD}&e11;</svg>'.encode()
        ),
        "an entity from the disk": lambda: (
            f'<!DOCTYPE svg [<!ENTITY e SYSTEM "file:///etc/passwd">]>{HEAD}&e;</svg>'.encode()
        ),
        "UTF-16 without an end": lambda: HEAD.encode("utf-16") * 3,
        "10 MB of nothing": lambda: b" " * 10_000_000,
        "zeros": lambda: bytes(1_000_000),
    }


def _font(change: Callable[[TTFont], None]) -> bytes:
    font = TTFont(FOLDER / "graduate.woff2", recalcBBoxes=False)
    font.flavor = None
    change(font)
    out = io.BytesIO()
    font.save(out)
    return out.getvalue()


def _contains_itself(font: TTFont) -> None:
    glyph, name = Glyph(), font.getBestCmap()[ord("H")]
    part = GlyphComponent()
    part.glyphName, part.x, part.y, part.flags = name, 0, 0, 0x4
    glyph.numberOfContours, glyph.components = -1, [part, part]
    glyph.xMin = glyph.yMin = glyph.xMax = glyph.yMax = 0
    font["glyf"][name] = glyph


def _many_contours() -> bytes:
    pen = TTGlyphPen(None)
    for k in range(20_000):
        x, y = k * 37 % 900, k * 53 % 900
        pen.moveTo((x, y))
        for dx, dy in ((60, 0), (60, 60)):
            pen.lineTo((x + dx, y + dy))
        pen.closePath()
    builder = FontBuilder(1000, isTTF=True)
    builder.setupGlyphOrder([".notdef", "H"])
    builder.setupCharacterMap({ord("H"): "H"})
    builder.setupGlyf({".notdef": TTGlyphPen(None).glyph(), "H": pen.glyph()})
    builder.setupHorizontalMetrics({".notdef": (500, 0), "H": (900, 0)})
    builder.setupHorizontalHeader(ascent=800, descent=-200)
    builder.setupNameTable({"familyName": "Many", "styleName": "Regular"})
    builder.setupOS2()
    builder.setupPost()
    out = io.BytesIO()
    builder.save(out)
    return out.getvalue()


def _woff_bomb() -> bytes:
    """A WOFF whose one table unpacks to 800 MB, though it says that it is small."""
    packer = zlib.compressobj(9)
    table = b"".join(packer.compress(bytes(1 << 20)) for _ in range(800)) + packer.flush()
    sizes = (64 + len(table), 1, 0, 1000, 1, 0, 0, 0, 0, 0, 0)
    head = struct.pack(">4sLLHHLHHLLLLL", b"wOFF", 0x00010000, *sizes)
    return head + struct.pack(">4sLLLL", b"glyf", 64, len(table), 800 << 20, 0) + table


def _fonts() -> dict[str, Callable[[], bytes]]:
    whole = (FOLDER / "graduate.woff2").read_bytes()

    def without(tag: str) -> Callable[[], bytes]:
        return lambda: _font(lambda font: font.__delitem__(tag))

    return {
        "a font without characters": without("cmap"),
        "a font without metrics": without("hmtx"),
        "a font without a name": without("name"),
        "a glyph that contains itself": lambda: _font(_contains_itself),
        "a letter of 20,000 outlines": _many_contours,
        "a WOFF that unpacks to 800 MB": _woff_bomb,
        "a WOFF2 cut short": lambda: whole[: len(whole) // 2],
        "a WOFF2 with bytes changed": lambda: whole[:300] + bytes(100) + whole[400:],
        "a collection of fonts": lambda: b"ttcf\0\1\0\0" + bytes(200),
    }


def _png(width: int, height: int, data: bytes) -> bytes:
    def chunk(kind: bytes, body: bytes) -> bytes:
        return struct.pack(">I", len(body)) + kind + body + struct.pack(">I", zlib.crc32(kind + body))

    head = struct.pack(">IIBBBBB", width, height, 8, 6, 0, 0, 0)
    return b"\x89PNG\r\n\x1a\n" + chunk(b"IHDR", head) + chunk(b"IDAT", data) + chunk(b"IEND", b"")


def _pictures() -> dict[str, Callable[[], bytes]]:
    return {
        "a picture of 4,000 million pixels": lambda: _png(65_000, 65_000, zlib.compress(bytes(1 << 16))),
        "a picture that unpacks to 1 GB": lambda: _png(7_000, 8_000, zlib.compress(bytes(1 << 30), 9)),
        "a picture cut short": lambda: _png(500, 500, b"x"),
        "a text of 60 MB in a picture": lambda: (
            _png(5, 5, zlib.compress(bytes(5 * 21)))[:-12]
            + struct.pack(">I", 70_000)
            + b"zTXt"
            + (b"t\0\0" + zlib.compress(b"a" * 60_000_000, 9))[:70_000].ljust(70_000, b"\0")
        ),
    }


def zipped(entries: Iterator[tuple[str, bytes]]) -> bytes:
    out = io.BytesIO()
    with zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as pack:
        for name, data in entries:
            pack.writestr(name, data)
    return out.getvalue()


def _brushes() -> dict[str, Callable[[], bytes]]:
    brush = {"format": "curlet-brush", "version": 1}
    return {
        "JSON nested 100,000 deep": lambda: b"[" * 100_000,
        "a brush nested 5,000 deep": lambda: (
            b'{"format":"curlet-brush","version":1,"courses":' + b"[" * 5000 + b"]" * 5000 + b"}"
        ),
        "a zip that unpacks to 1 GB": lambda: zipped((f"{k}.json", bytes(10 << 20)) for k in range(100)),
        "a zip of 10,000 files": lambda: zipped((f"{k}.json", b"{}") for k in range(10_000)),
        "a count past 2^63": lambda: json.dumps(
            {**brush, "courses": [{"course": "row", "order": "A", "fit": {"count": 2**70}}]}
        ).encode(),
        "a name of 8 million letters": lambda: json.dumps({**brush, "name": "n" * 8_000_000}).encode(),
    }


def _dxf(entities: str, blocks: str = "") -> bytes:
    """A DXF of some entities, its groups between commas."""
    blocks = f"0,SECTION,2,BLOCKS,{blocks}0,ENDSEC," if blocks else ""
    return f"{blocks}0,SECTION,2,ENTITIES,{entities}0,ENDSEC,0,EOF,".replace(",", "\n").encode()


def _block(name: str, entities: str) -> str:
    return f"0,BLOCK,8,0,2,{name},70,0,10,0,20,0,{entities}0,ENDBLK,8,0,"


def _insert(name: str, more: str = "") -> str:
    return f"0,INSERT,8,0,2,{name},10,0,20,0,{more}"


def _pieces() -> dict[str, Callable[[], bytes]]:
    line = "0,LINE,8,1,10,0,20,0,11,9,21,9,"
    return {
        "blocks that double": lambda: _dxf(
            _insert("B0"),
            "".join(_block(f"B{k}", 2 * _insert(f"B{k + 1}")) for k in range(40)) + _block("B40", line),
        ),
        "a block within itself": lambda: _dxf(_insert("B"), _block("B", line + _insert("B"))),
        "a block inserted 1,000 million times": lambda: _dxf(
            _insert("B", "70,32000,71,32000,44,1,45,1,"), _block("B", line)
        ),
        "a million lines": lambda: _dxf(line * 1_000_000),
        "a polyline of a million corners": lambda: _dxf(
            "0,LWPOLYLINE,8,1,90,1000000,70,1,"
            + "".join(f"10,{k % 97},20,{k % 89}," for k in range(1_000_000))
        ),
        "a spline of degree 2,000": lambda: _dxf(
            "0,SPLINE,8,1,70,8,71,2000,72,4001,73,2000,"
            + "".join(f"40,{k}," for k in range(4001))
            + "".join(f"10,{k},20,{k % 7},30,0," for k in range(2000))
        ),
        "a circle as large as a galaxy": lambda: _dxf("0,CIRCLE,8,1,10,0,20,0,40,1e300,"),
        "places that are none": lambda: _dxf("0,LINE,8,1,10,nan,20,inf,11,1e999,21,-1e999,"),
        "a text of 20 million spaces": lambda: _dxf(f"0,TEXT,8,1,10,0,20,0,40,1,1,{' ' * 20_000_000},{line}"),
    }


def _pdf(content: bytes, forms: str = "", **page: str) -> bytes:
    """A PDF of one page, its objects without a table of where they lie: forms are numbered from 4 on."""
    own = "".join(f"/{key} {value}" for key, value in page.items())
    return b"".join(
        (
            b"%PDF-1.7\n1 0 obj<</Type/Catalog/Pages 2 0 R>>endobj\n",
            b"2 0 obj<</Type/Pages/Kids[3 0 R]/Count 1>>endobj\n",
            f"3 0 obj<</Type/Page/Parent 2 0 R/MediaBox[0 0 200 200]{own}/Contents 9999 0 R".encode(),
            b"/Resources<</XObject<</F 4 0 R>>>>>>endobj\n",
            forms.encode(),
            f"9999 0 obj<</Length {len(content)}>>stream\n".encode() + content + b"\nendstream endobj\n",
            b"trailer<</Root 1 0 R/Size 10000>>\n%%EOF\n",
        )
    )


def _form(number: int, content: str, within: int) -> str:
    head = "/Type/XObject/Subtype/Form/BBox[0 0 200 200]"
    return (
        f"{number} 0 obj<<{head}/Resources<</XObject<</F {within} 0 R>>>>/Length {len(content)}>>"
        f"stream\n{content}\nendstream endobj\n"
    )


def _pages() -> dict[str, Callable[[], bytes]]:
    line = "0 0 m 50 50 l S "
    return {
        "forms that double": lambda: _pdf(
            b"/F Do",
            "".join(_form(4 + k, line + "/F Do " * 2, 5 + k) for k in range(22)) + _form(26, line, 4),
        ),
        "a form within itself": lambda: _pdf(b"/F Do", _form(4, line + "/F Do", 4)),
        "a million lines in a PDF": lambda: _pdf(line.encode() * 1_000_000),
        "a path of 2 million corners": lambda: _pdf(b"0 0 m " + b"9 9 l 0 5 l " * 1_000_000 + b"S"),
        "a page that unpacks to 128 MB": lambda: _pdf(zlib.compress(line.encode() * 8_000_000)).replace(
            b"9999 0 obj<<", b"9999 0 obj<</Filter/FlateDecode"
        ),
        "places past all numbers": lambda: _pdf(b"1e39 -1e39 m 9e99 0 l S 0 0 m 1e30 1e30 l S"),
        "a page of no size": lambda: _pdf(line.encode(), CropBox="[9 9 9 9]"),
        "a page turned by a third": lambda: _pdf(line.encode(), Rotate="33"),
        "a unit that is none": lambda: _pdf(line.encode(), UserUnit="-1"),
        "q a million deep": lambda: _pdf(b"q " * 1_000_000 + line.encode()),
        "a PDF cut short": lambda: _pdf(line.encode() * 1000)[:4_000],
    }


def _sheets() -> dict[str, Callable[[], bytes]]:
    head = {"curlet": "sheet", "version": 1, "fonts": {}}
    sheet = {"id": "s", "name": "S", "width": 100, "height": 100, "scale": "1:1"}

    def of(rows: object, **files: bytes) -> bytes:
        text = json.dumps({**head, "rows": rows}).encode()
        return zipped(iter((("sheet.json", text), *files.items())))

    return {
        "a sheet that unpacks to 600 MB": lambda: zipped(
            (name, bytes(60 << 20)) for name in ("sheet.json", *(f"pictures/{k}.png" for k in range(9)))
        ),
        "sheets within sheets": lambda: zipped(
            iter((("a.curlet-sheet.zip", zipped(iter((("a.curlet-sheet.zip", of({})),)))),))
        ),
        "a sheet nested 100,000 deep": lambda: zipped(iter((("sheet.json", b"[" * 100_000),))),
        "a sheet of a million paths": lambda: of(
            {"sheet": [sheet], "path": [{"id": str(k)} for k in range(1_000_000)]}
        ),
        "a sheet whose numbers have no end": lambda: of({"sheet": [{**sheet, "width": 10**400}]}),
        "a sheet that lies outside of its folder": lambda: zipped(
            iter((("../../sheet.json", b"{}"), ("/etc/passwd", b""), ("sheet.json", b"{}")))
        ),
        "a sheet with a picture of 4,000 million pixels": lambda: of(
            {"sheet": [sheet]}, **{"pictures/x.png": _png(65_000, 65_000, zlib.compress(b""))}
        ),
        "a sheet in itself": lambda: of(
            {
                "sheet": [sheet],
                "area": [
                    {
                        "id": "a",
                        "sheet": "s",
                        "doc": {"members": [{"kind": "area", "id": "a"}]},
                    }
                ],
            }
        ),
    }


def _wrapped(body: Callable[[], str]) -> Callable[[], bytes]:
    return lambda: f"{HEAD}{body()}</svg>".encode()


HOSTILE: tuple[Hostile, ...] = (
    *(Hostile(name, "drawing", _wrapped(body)) for name, body in _drawings().items()),
    *(Hostile(name, "drawing", make) for name, make in _raw_drawings().items()),
    *(Hostile(name, "font", make) for name, make in _fonts().items()),
    *(Hostile(name, "picture", make) for name, make in _pictures().items()),
    *(Hostile(name, "brush", make) for name, make in _brushes().items()),
    *(Hostile(name, "pieces", make) for name, make in _pieces().items()),
    *(Hostile(name, "pieces", make) for name, make in _pages().items()),
    *(Hostile(name, "sheet", make) for name, make in _sheets().items()),
)
