"""What can be chosen, as types of documents and as lists for the page: each name is that of its registry."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import TYPE_CHECKING, Any, Literal, TypeAlias

from curlet.core.area.ways import USES, WAYS
from curlet.core.brush.rules import (
    CHANNELS,
    CROSSINGS,
    DRIVERS,
    FACINGS,
    LAYOUTS,
    OVERLAPS,
    REMAINDERS,
    CornerRule,
)
from curlet.core.choice import Choice
from curlet.core.dress.relief import FINISHES, STANDS, Relief
from curlet.core.dress.take import TAKES
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.corners.made import MADE
from curlet.core.lay.fit import FITS
from curlet.core.lay.hold import HOLDS
from curlet.core.motif.families import KINDS
from curlet.core.settings import Spec, specs_of
from curlet.formats.card_formats import CARD_FORMATS
from curlet.formats.outline_file import OUTLINES
from curlet.formats.output import CURVES, LINES
from curlet.formats.outputs import OUTPUTS
from curlet.formats.papers import OWN_SIZE, PAPERS
from curlet.formats.schedule_table import KINDS as SCHEDULE_BY
from curlet.formats.several import EACH
from curlet.formats.tintable import COLOURS

if TYPE_CHECKING:
    Kind: TypeAlias = str
    OutputName: TypeAlias = str
    EachName: TypeAlias = str
    ColoursName: TypeAlias = str
    PaperName: TypeAlias = str
    SheetOfPaperName: TypeAlias = str
    ScheduleBy: TypeAlias = str
    LinesName: TypeAlias = str
    CurvesName: TypeAlias = str
    CardName: TypeAlias = str
    Manner: TypeAlias = str
    Made: TypeAlias = str
    HoldName: TypeAlias = str
    FitName: TypeAlias = str
    Remainder: TypeAlias = str
    Layout: TypeAlias = str
    FacingKind: TypeAlias = str
    Overlap: TypeAlias = str
    Crossing: TypeAlias = str
    Finish: TypeAlias = str
    TakeName: TypeAlias = str
    WayName: TypeAlias = str
    UseName: TypeAlias = str
    Channel: TypeAlias = str
    Driver: TypeAlias = str
else:

    def _one_of(names: Iterable[str]) -> Any:
        return Literal[tuple(names)]

    Kind, OutputName, EachName, CardName = map(_one_of, (KINDS, OUTPUTS, EACH, CARD_FORMATS))
    PaperName = _one_of((OWN_SIZE, *PAPERS))
    SheetOfPaperName = _one_of(PAPERS)
    ScheduleBy = _one_of(SCHEDULE_BY)
    LinesName, CurvesName, ColoursName = map(_one_of, (LINES, CURVES, COLOURS))
    Manner, Made, HoldName, FitName = map(_one_of, (MANNERS, MADE, HOLDS, FITS))
    Remainder, Layout, FacingKind, Overlap = map(_one_of, (REMAINDERS, LAYOUTS, FACINGS, OVERLAPS))
    Crossing, Channel, Driver = map(_one_of, (CROSSINGS, CHANNELS, DRIVERS))
    Finish, TakeName, WayName, UseName = map(_one_of, (FINISHES, TAKES, WAYS, USES))

Json = dict[str, Any]


def choices() -> Json:
    """Every list that is chosen from, and every setting of corners and of relief, as the page takes them."""
    plain = {
        "remainders": REMAINDERS, "layouts": LAYOUTS, "facings": FACINGS, "overlaps": OVERLAPS,
        "crossings": CROSSINGS, "drivers": DRIVERS, "finishes": FINISHES, "takes": TAKES, "stands": STANDS,
        "uses": USES, "each": EACH, "lines": LINES, "curves": CURVES,
        "ways": {name: way.label for name, way in WAYS.items()},
        "colours": {name: colours.label for name, colours in COLOURS.items()},
        "papers": {OWN_SIZE: "As large as it is", **{key: paper.name for key, paper in PAPERS.items()}},
    }  # fmt: skip
    return {
        "manners": _listed(MANNERS),
        "made": _listed(MADE),
        "fits": _listed(FITS),
        "holds": _listed(HOLDS),
        **{name: [{"id": key, "label": label} for key, label in of.items()] for name, of in plain.items()},
        "channels": [{"id": key, "label": label, "unit": unit} for key, (label, unit) in CHANNELS.items()],
        "outputs": [
            {
                "id": name,
                "label": output.label,
                "pixels": output.pixels,
                "pages": output.pages,
                "settings": list(output.settings),
            }
            for name, output in OUTPUTS.items()
        ],
        "outlines": [{"id": name, "label": file.label} for name, file in OUTLINES.items()],
        "cards": [{"id": name, "label": form.name} for name, form in CARD_FORMATS.items()],
        "cornerSettings": {name: _setting(spec) for name, spec in specs_of(CornerRule).items()},
        "reliefSettings": {name: _setting(spec) for name, spec in specs_of(Relief).items()},
    }


def _listed(registry: Mapping[str, Choice]) -> list[Json]:
    return [
        {"id": name, "label": entry.label, "settings": list(entry.settings)}
        for name, entry in registry.items()
    ]


def _setting(spec: Spec) -> Json:
    bounds = spec.bounds
    unit = bounds.unit if bounds else ""
    return {"label": spec.label, "form": spec.form, "step": spec.step, "unit": unit}
