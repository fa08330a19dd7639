"""A drawing as PDF operators, in sheet mm with y downward, as everything else has it."""

from __future__ import annotations

import io
from dataclasses import replace

import numpy as np
from pikepdf import Object, Pdf, Stream
from PIL import Image

from curlet.core.drawing import (
    Drawing,
    Group,
    Item,
    Laid,
    Outline,
    Paint,
    Picture,
    Shape,
    Solid,
    Stamps,
    Stroke,
    Tiling,
    Words,
    box_around,
    is_opaque_line,
    moved_paint,
    outline_there,
    placed,
)
from curlet.core.measures import MM_PER_INCH
from curlet.formats.numbers import number, numbers
from curlet.formats.output import Tell, each_group, untold
from curlet.formats.pdf.paints import Paints, colour, transparency
from curlet.formats.pdf.pictures import image_of, image_of_pixels
from curlet.formats.pdf.stream import Box, Operators, outline_operators
from curlet.formats.pdf.text import Letters
from curlet.formats.png_out import write_png

# What is too fine for print, 300 pixels to the inch, is left out.
_PRINT = 300 / MM_PER_INCH
_ENDS = {"flat": 0, "round": 1, "square": 2}
_JOINS = {"mitre": 0, "round": 1, "bevel": 2}
# A Gaussian is nothing any more past three standard deviations, and is smooth at so many pixels to one.
_REACH, _SMOOTH = 3.0, 12.0


class Writer:
    """Writes drawings into one file; what they share is written once.

    Parameters
    ----------
    ppi : of what can only be pixels.
    letters : what text is written in; it is finished by whoever made it.
    """

    def __init__(self, pdf: Pdf, ppi: float, letters: Letters) -> None:
        self._pdf, self._ppi, self._letters = pdf, ppi, letters
        self._paints = Paints(pdf)
        self._pictures: dict[bytes, Stream] = {}
        self._box: Box = (0.0, 0.0, 0.0, 0.0)

    def drawing(self, drawing: Drawing, tell: Tell = untold) -> Stream:
        """A drawing as a form XObject, cut to its edges."""
        left, top = drawing.corner or (0.0, 0.0)
        self._box = left, top, left + drawing.width, top + drawing.height
        out = Operators(self._pdf)
        for group in each_group(drawing, tell):
            self._item(out, group)
        for text in drawing.texts:
            self._letters.say(out, text)
        return out.form(self._box)

    def _item(self, out: Operators, item: Item) -> None:
        if isinstance(item, Group):
            self._group(out, item)
        elif isinstance(item, Laid):
            for shape in item.shapes:
                if shape.is_seen(_PRINT):
                    self._shape(out, shape)
        elif isinstance(item, Stamps):
            self._stamps(out, item)
        else:
            self._picture(out, item)

    def _group(self, out: Operators, group: Group) -> None:
        if not group.items:
            return
        if group.words is not None:
            self._words(out, group, group.words)
            return
        out.keep()
        if group.clip:
            out.outline(group.clip)
            out.add("W n")
        if group.opacity < 1 or group.mask or group.blur:
            self._together(out, group)
        else:
            for item in group.items:
                self._item(out, item)
        out.restore()

    def _words(self, out: Operators, group: Group, words: Words) -> None:
        """Text as text, in the colour of its letters."""
        (letters,) = group.items
        assert isinstance(letters, Laid)
        fill = letters.shapes[0].fill
        assert isinstance(fill, Solid)
        self._letters.write(out, words.text, words.x, words.y, words.size, colour(fill))

    def _together(self, out: Operators, group: Group) -> None:
        """What is painted aside and laid on as one."""
        if group.mask:
            greys = Operators(self._pdf)
            for shape in group.mask:
                self._shape(greys, shape)
            light = greys.form(_around(Laid(group.mask)), Group=transparency())
            state = self._paints.masked(light, group.opacity)
        else:
            state = self._paints.opacity(group.opacity, group.opacity)
        out.add(f"{out.named('ExtGState', state)} gs")
        inner = Operators(self._pdf)
        if group.blur:
            self._blurred(inner, group)
        else:
            for item in group.items:
                self._item(inner, item)
        # An image that has opacity of its own would lose the mask in some renderers, but for the form.
        form = inner.form(_around(*group.items, room=_REACH * group.blur), Group=transparency())
        out.add(f"{out.named('XObject', form)} Do")

    def _blurred(self, out: Operators, group: Group) -> None:
        """What is blurred, as pixels: PDF has no way to say it."""
        left, top, right, foot = _around(*group.items, room=_REACH * group.blur)
        left, right = max(left, self._box[0]), min(right, self._box[2])
        top, foot = max(top, self._box[1]), min(foot, self._box[3])
        if left >= right or top >= foot:
            return
        soft = Group("", "", group.items, blur=group.blur)
        drawing = Drawing(right - left, foot - top, (soft,), corner=(left, top))
        ppi = min(self._ppi, max(_SMOOTH / group.blur * MM_PER_INCH, 36.0))
        with Image.open(io.BytesIO(write_png(drawing, ppi))) as picture:
            image = image_of_pixels(self._pdf, picture.convert("RGBA"))
        self._laid(out, image, np.array([right - left, 0, 0, foot - top, left, top]))

    def _picture(self, out: Operators, picture: Picture) -> None:
        if picture.png not in self._pictures:
            self._pictures[picture.png] = image_of(self._pdf, picture.png)
        for at in picture.placements:
            self._laid(out, self._pictures[picture.png], at)

    def _laid(self, out: Operators, image: Stream, at: np.ndarray) -> None:
        """An image over the unit square under an affine; its rows begin at PDF's top, which is at 1."""
        out.keep()
        out.move(tuple(at.tolist()))
        out.move((1.0, 0.0, 0.0, -1.0, 0.0, 1.0))
        out.add(f"{out.named('XObject', image)} Do")
        out.restore()

    def _stamps(self, out: Operators, stamps: Stamps) -> None:
        shapes = [shape for shape in stamps.shapes if shape.is_seen(_PRINT)]
        if not len(stamps.placements):
            return
        moved = [placed(shape.outline.points, stamps.placements) + shape.move for shape in shapes]
        if (len(shapes) == 1 or stamps.apart) and all(map(is_opaque_line, shapes)):
            for shape, places in zip(shapes, moved, strict=True):
                every = "\n".join(
                    outline_operators(Outline(shape.outline.commands, points)) for points in places
                )
                assert shape.stroke is not None
                self._stroke(out, shape.stroke, every)
            return
        for index, placement in enumerate(stamps.placements.tolist()):
            for shape, places in zip(shapes, moved, strict=True):
                there = replace(
                    shape, outline=Outline(shape.outline.commands, places[index]), move=(0.0, 0.0)
                )
                self._shape(out, moved_paint(there, tuple(placement)))

    def _shape(self, out: Operators, shape: Shape) -> None:
        if not len(shape.outline.points):
            return
        path = outline_operators(outline_there(shape))
        if shape.fill:
            fills = [shape.fill]
            if isinstance(shape.fill, Tiling) and shape.fill.opaque:
                # Some renderers let light through between tiles: there the cloth's own colour shows.
                fills.insert(0, Solid(shape.fill.mean))
            for fill in fills:
                self._painted(out, fill, path, "f*" if shape.even_odd else "f")
        if shape.stroke:
            self._stroke(out, shape.stroke, path)

    def _stroke(self, out: Operators, stroke: Stroke, path: str) -> None:
        out.set("weight", f"{number(stroke.weight)} w")
        out.set("ends", f"{_ENDS[stroke.ends]} J")
        out.set("joins", f"{_JOINS[stroke.joins]} j")
        out.set("limit", f"{number(max(stroke.mitre_limit, 1.0))} M")
        out.set("dashes", f"[{numbers(stroke.dashes)}] 0 d")
        self._painted(out, stroke.paint, path, "S")

    def _painted(self, out: Operators, paint: Paint, path: str, operator: str) -> None:
        """A path filled or stroked with a paint."""
        role = "stroke" if operator == "S" else "fill"
        if isinstance(paint, Solid):
            state = self._paints.opacity(paint.opacity, paint.opacity)
            out.set("opacity", f"{out.named('ExtGState', state)} gs")
            out.set(role, f"{colour(paint)} {'RG' if role == 'stroke' else 'rg'}")
            out.add(f"{path}\n{operator}")
            return
        out.keep()
        solid = self._paints.opacity(1.0, 1.0)
        out.set("opacity", f"{out.named('ExtGState', solid)} gs")
        if isinstance(paint, Tiling):
            pattern: Object = self._paints.tiling(paint, self._shape)
        else:
            pattern = self._paints.gradient(paint)
            through = self._paints.opacities(paint, self._box)
            if through is not None:
                out.add(f"{out.named('ExtGState', through)} gs")
        spaced = ("/Pattern CS", "SCN") if role == "stroke" else ("/Pattern cs", "scn")
        out.add(f"{spaced[0]} {out.named('Pattern', pattern)} {spaced[1]}\n{path}\n{operator}")
        out.restore()


def _around(*items: Item, room: float = 0.0) -> Box:
    try:
        low, high = box_around(items)
    except ValueError:
        return (0.0, 0.0, 0.0, 0.0)
    (left, top), (right, foot) = (low - room).tolist(), (high + room).tolist()
    return left, top, right, foot
