"""What a setting is called where a step that changes it is told."""

from __future__ import annotations

from curlet.core.dress.relief import Relief
from curlet.core.settings import specs_of

_NAMES = {
    "gauge": "gauge",
    "length": "stitch length",
    "gap": "gap",
    "thread": "thread",
    "threads": "thread colour",
    "ends": "thread ends",
    "manner": "corner manner",
    "angle": "corner angle",
    "kind": "the remainder",
    "remainder": "where the remainder goes",
    "keep_gap": "what is eased",
    "short_legs": "short legs",
    "tolerance": "tolerance",
    "offset": "offset",
    "size": "size",
    "weight": "line weight",
    "hold": "hold",
    "order": "order",
    "shades": "sequence of shades",
    "overlap": "overlap",
    "sway": "sway",
    "swell": "swell",
    "layout": "layout",
    "shortened": "shortened stitches",
    "mitre_limit": "mitre limit",
    "stop": "stop before a corner",
    "clearance": "clearance",
    "start_shift": "start shift",
    "backtack": "backtack",
    "condensed": "condensed stitches",
    "oversew": "oversewing",
    "bartack": "bartack",
    "made": "how corners are made",
    "fullness": "fullness",
    "shared": "shared length",
    "half_gaps": "half gaps",
    "width": "width",
    "joins": "joins",
    "keep_ends": "ends kept",
    "amount": "sway",
    "period": "sway",
    "radius": "corner radius",
    "own_line": "what it is measured on",
    "lighter": "shade",
    **{name: spec.label.lower() for name, spec in specs_of(Relief).items()},
    "height": "relief",
    "finish": "finish",
    "relief": "relief",
    "opacity": "opacity",
    "fade": "fade",
    "soft": "soft edge",
    "holes": "needle holes",
    "way": "how artwork takes the thread",
    "take": "how artwork takes the thread",
}


def setting_name(pointer: str) -> str:
    """The name of the setting at a JSON Pointer of a brush file.

    >>> setting_name("/courses/0/length"), setting_name("/threads/2"), setting_name("/courses/0/motif/lay")
    ('stitch length', 'thread colour', 'lay')
    """
    parts = [part for part in pointer.split("/") if part and not part.isdigit()]
    if "facing" in parts:
        return "facing"
    named = (_NAMES[part] for part in reversed(parts[-2:]) if part in _NAMES)
    return next(named, parts[-1].replace("_", " ") if parts else "a setting")
