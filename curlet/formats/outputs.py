"""Every format of exported files, by the ending of its name: the command line, the page and the application
all read this list. A new one is a file with an `Output` and a line here."""

from curlet.formats.output import Output
from curlet.formats.png_out import PNG
from curlet.formats.svg_out import SVG

OUTPUTS: dict[str, Output] = {"svg": SVG, "png": PNG}
