"""Writing a drawing as SVG in mm."""

from __future__ import annotations

import base64
import re
from dataclasses import replace
from xml.sax.saxutils import escape as _escape
from xml.sax.saxutils import quoteattr as _quoteattr

import numpy as np

from curlet.core.drawing import (
    IDENTITY,
    Drawing,
    Group,
    Item,
    Laid,
    LinearGradient,
    Outline,
    Paint,
    Picture,
    RadialGradient,
    Shape,
    Solid,
    Stamps,
    Stroke,
    Tiling,
    box_around,
    is_opaque_line,
    moved_paint,
    outline_there,
    placed,
)
from curlet.core.measures import MM_PER_INCH
from curlet.formats.numbers import number, numbers, outline_data, path_data
from curlet.formats.output import FileSettings, Output, Tell, alone, each_group, untold

# What is too fine for print, 300 pixels to the inch, is left out.
_PRINT = 300 / MM_PER_INCH
_ENDS = {"round": "round", "flat": "butt", "square": "square"}
_JOINS = {"round": "round", "mitre": "miter", "bevel": "bevel"}


# What XML 1.0 has no way to write (2.2, Char).
_NOT_IN_XML = re.compile("[^\t\n\r\u0020-\ud7ff\ue000-\ufffd\U00010000-\U0010ffff]")


def escape(text: str) -> str:
    return _escape(_NOT_IN_XML.sub("", text))


def quoteattr(text: str) -> str:
    return _quoteattr(_NOT_IN_XML.sub("", text))


def write_svg(drawing: Drawing, tell: Tell = untold, larger: float = 1.0) -> bytes:
    """An SVG of the sheet's true size, or so many times larger; one user unit is 1 mm of the sheet."""
    return _Writer().drawing(drawing, tell, larger).encode()


class _Writer:
    """Collects definitions while the body is written."""

    def __init__(self) -> None:
        self.definitions: list[str] = []
        self.gradients: dict[LinearGradient | RadialGradient, str] = {}
        self.tilings: dict[Tiling, str] = {}
        self.pictures: dict[bytes, str] = {}

    def drawing(self, drawing: Drawing, tell: Tell, larger: float) -> str:
        body = "".join(self.item(group) for group in each_group(drawing, tell))
        size = f"{number(drawing.width * larger)}mm", f"{number(drawing.height * larger)}mm"
        box = numbers((*(drawing.corner or (0, 0)), drawing.width, drawing.height))
        title = f"<title>{escape(drawing.title)}</title>\n" if drawing.title else ""
        defs = f"<defs>{''.join(self.definitions)}</defs>\n" if self.definitions else ""
        return (
            '<?xml version="1.0" encoding="UTF-8"?>\n'
            f'<svg xmlns="http://www.w3.org/2000/svg" width="{size[0]}" height="{size[1]}" '
            f'viewBox="{box}">\n{title}{defs}{body}</svg>\n'
        )

    def item(self, item: Item) -> str:
        if isinstance(item, Group):
            return self.group(item)
        if isinstance(item, Laid):
            return "".join(self.shape(shape) for shape in item.shapes if shape.is_seen(_PRINT))
        if isinstance(item, Stamps):
            return self.stamps(item)
        return self.picture(item)

    def group(self, group: Group) -> str:
        attributes = f" id={quoteattr(group.id)}"
        attributes += "".join(f" data-{k}={quoteattr(v)}" for k, v in group.facts.items())
        if group.opacity < 1:
            attributes += f' opacity="{number(group.opacity)}"'
        if group.clip:
            attributes += f' clip-path="url(#{self.define_clip(group.clip)})"'
        if group.blur and group.items:
            attributes += f' filter="url(#{self.define_blur(group)})"'
        body = "".join(self.item(item) for item in group.items)
        title = f"<title>{escape(group.title)}</title>" if group.title else ""
        whole = f"<g{attributes}>{title}\n{body}</g>\n"
        return whole if not group.mask else f'<g mask="url(#{self.define_mask(group.mask)})">\n{whole}</g>\n'

    def define_mask(self, greys: tuple[Shape, ...]) -> str:
        shapes = "".join(self.shape(shape) for shape in greys)
        name = f"fade-{len(self.definitions) + 1}"
        points = np.concatenate([shape.outline.points for shape in greys])
        (left, top), (right, foot) = points.min(axis=0), points.max(axis=0)
        box = f'x="{number(left)}" y="{number(top)}" width="{number(right - left)}" '
        self.definitions.append(
            f'<mask id="{name}" maskUnits="userSpaceOnUse" {box}height="{number(foot - top)}">{shapes}</mask>'
        )
        return name

    def define_blur(self, group: Group) -> str:
        name = f"soft-{len(self.definitions) + 1}"
        low, high = box_around(group.items)
        # A Gaussian is nothing any more past three standard deviations.
        (left, top), (wide, tall) = low - 3 * group.blur, high - low + 6 * group.blur
        box = f'x="{number(left)}" y="{number(top)}" width="{number(wide)}" height="{number(tall)}"'
        # In sRGB, as every other program blurs; by default SVG's filters are linear.
        self.definitions.append(
            f'<filter id="{name}" filterUnits="userSpaceOnUse" {box} color-interpolation-filters="sRGB">'
            f'<feGaussianBlur stdDeviation="{number(group.blur)}"/></filter>'
        )
        return name

    def define_clip(self, outline: Outline) -> str:
        name = f"clip-{len(self.definitions) + 1}"
        self.definitions.append(f'<clipPath id="{name}"><path d="{outline_data(outline)}"/></clipPath>')
        return name

    def shape(self, shape: Shape, data: str = "") -> str:
        data = data or outline_data(outline_there(shape))
        fill = self.fill(shape)
        stroke = self.stroke(shape.stroke) if shape.stroke else ""
        ground = ""
        if isinstance(shape.fill, Tiling) and shape.fill.opaque:
            # Some renderers let light through between a pattern's tiles: there the cloth's own colour shows.
            ground = f'<path d="{data}"{self.fill(replace(shape, fill=Solid(shape.fill.mean)))}/>\n'
        return f'{ground}<path d="{data}"{fill}{stroke}/>\n'

    def fill(self, shape: Shape) -> str:
        if not shape.fill:
            return ' fill="none"'
        rule = ' fill-rule="evenodd"' if shape.even_odd else ""
        return self.paint("fill", shape.fill) + rule

    def stroke(self, stroke: Stroke) -> str:
        text = self.paint("stroke", stroke.paint)
        text += f' stroke-width="{number(stroke.weight)}"'
        text += f' stroke-linecap="{_ENDS[stroke.ends]}" stroke-linejoin="{_JOINS[stroke.joins]}"'
        if stroke.joins == "mitre":
            text += f' stroke-miterlimit="{number(stroke.mitre_limit)}"'
        if stroke.dashes:
            text += f' stroke-dasharray="{numbers(stroke.dashes)}"'
        return text

    def paint(self, role: str, paint: Paint) -> str:
        if isinstance(paint, Solid):
            opacity = f' {role}-opacity="{number(paint.opacity)}"' if paint.opacity < 1 else ""
            return f' {role}="{paint.colour}"{opacity}'
        if isinstance(paint, Tiling):
            # Who reads no patterns has the colour it looks like.
            return f' {role}="url(#{self.define_tiling(paint)}) {paint.mean}"'
        return f' {role}="url(#{self.define_gradient(paint)})"'

    def define_tiling(self, paint: Tiling) -> str:
        """A pattern's id; areas of one cloth share it."""
        if paint not in self.tilings:
            shapes = "".join(self.shape(shape) for shape in paint.shapes)
            name = self.tilings[paint] = f"cloth-{len(self.definitions) + 1}"
            size = f'width="{number(paint.width)}" height="{number(paint.height)}"'
            moved = " ".join(f"{value:.7g}" for value in paint.matrix)
            box = f"0 0 {paint.width / paint.unit:.7g} {paint.height / paint.unit:.7g}"
            self.definitions.append(
                f'<pattern id="{name}" patternUnits="userSpaceOnUse" {size} viewBox="{box}" '
                f'patternTransform="matrix({moved})">{shapes}</pattern>'
            )
        return self.tilings[paint]

    def define_gradient(self, paint: LinearGradient | RadialGradient) -> str:
        """A gradient's id; those that differ only in where they lie share their colours."""
        plain = replace(paint, matrix=IDENTITY)
        base = self.gradients.get(plain)
        if base is None:
            base = self.gradients[plain] = f"paint-{len(self.definitions) + 1}"
            self.definitions.append(_gradient(base, plain))
        if paint.matrix == IDENTITY:
            return base
        name = f"paint-{len(self.definitions) + 1}"
        tag = "linearGradient" if isinstance(paint, LinearGradient) else "radialGradient"
        # Finer than lengths: it multiplies them.
        moved = " ".join(f"{value:.7g}" for value in paint.matrix)
        self.definitions.append(f'<{tag} id="{name}" href="#{base}" gradientTransform="matrix({moved})"/>')
        return name

    def picture(self, picture: Picture) -> str:
        """One image, used at every placement; pictures alike are one."""
        name = self.pictures.get(picture.png)
        if name is None:
            name = self.pictures[picture.png] = f"picture-{len(self.definitions) + 1}"
            data = base64.b64encode(picture.png).decode()
            self.definitions.append(
                f'<image id="{name}" width="1" height="1" preserveAspectRatio="none" '
                f'href="data:image/png;base64,{data}"/>'
            )
        return "".join(
            f'<use href="#{name}" transform="matrix({numbers(at)})"/>\n' for at in picture.placements
        )

    def stamps(self, stamps: Stamps) -> str:
        """One compound path where that paints the same, or a path for each repeat."""
        if not len(stamps.placements):
            return ""
        shapes = [shape for shape in stamps.shapes if shape.is_seen(_PRINT)]
        moved = [placed(shape.outline.points, stamps.placements) + shape.move for shape in shapes]
        if (len(shapes) == 1 or stamps.apart) and all(map(is_opaque_line, shapes)):
            every = (
                "".join(path_data(shape.outline.commands, points) for points in places)
                for shape, places in zip(shapes, moved, strict=True)
            )
            return "".join(self.shape(shape, each) for shape, each in zip(shapes, every, strict=True))
        out = []
        for index, placement in enumerate(stamps.placements.tolist()):
            for shape, points in zip(shapes, moved, strict=True):
                data = path_data(shape.outline.commands, points[index])
                out.append(self.shape(moved_paint(shape, tuple(placement)), data))
        return "".join(out)


def _gradient(name: str, paint: LinearGradient | RadialGradient) -> str:
    stops = "".join(
        f'<stop offset="{number(stop.offset)}" stop-color="{stop.colour}"'
        f' stop-opacity="{number(stop.opacity)}"/>'
        for stop in paint.stops
    )
    common = f'id="{name}" gradientUnits="userSpaceOnUse"'
    if isinstance(paint, LinearGradient):
        (x1, y1), (x2, y2) = paint.start, paint.end
        place = f'x1="{number(x1)}" y1="{number(y1)}" x2="{number(x2)}" y2="{number(y2)}"'
        return f"<linearGradient {common} {place}>{stops}</linearGradient>"
    x, y = paint.centre
    place = f'cx="{number(x)}" cy="{number(y)}" r="{number(paint.radius)}"'
    return f"<radialGradient {common} {place}>{stops}</radialGradient>"


def _export(drawing: Drawing, settings: FileSettings, tell: Tell) -> bytes:
    return write_svg(drawing, tell, settings.larger)


SVG = Output("SVG in mm", "image/svg+xml", alone(_export), settings=("larger",))
