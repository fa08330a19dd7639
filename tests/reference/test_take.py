"""Artwork's own colours that take the thread: against OKLCH worked out with numpy from B. Ottosson's
published matrices ("A perceptual color space for image processing", 2020) and CSS Color 4's sRGB transfer."""

from __future__ import annotations

import numpy as np
import pytest

from curlet.core.brush import Brush, Row
from curlet.core.drawing import Laid, Outline, Shape, Solid
from curlet.core.dress.colour import ColourRole, RoleGradient, RoleShape, RoleStop
from curlet.core.dress.take import TAKES, TakeRule, taken
from curlet.core.errors import BadInput
from curlet.core.lay import lay
from curlet.core.lay.draw import draw_run
from curlet.core.measures import Measure, Scale
from curlet.core.motif.families.artwork import ArtShape, Artwork
from curlet.core.motif.families.pen import NEEDLE_HOLE
from curlet.core.motif.motif import Motif
from curlet.core.motif.taken import own_colours, with_thread
from tests.shapes import line

M1 = np.array(
    [
        [0.4122214708, 0.5363325363, 0.0514459929],
        [0.2119034982, 0.6806995451, 0.1073969566],
        [0.0883024619, 0.2817188376, 0.6299787005],
    ]
)
M2 = np.array(
    [
        [0.2104542553, 0.7936177850, -0.0040720468],
        [1.9779984951, -2.4285922050, 0.4505937099],
        [0.0259040371, 0.7827717662, -0.8086757660],
    ]
)
OWN = ["#1d1d1f", "#5b6770", "#a8b0a0", "#e8e4da"]
THREAD = "#c8553d"


def oklch(colour: str) -> tuple[float, float, float]:
    """Lightness, chroma and hue in degrees."""
    rgb = np.array([int(colour[i : i + 2], 16) / 255 for i in (1, 3, 5)])
    linear = np.where(rgb <= 0.04045, rgb / 12.92, ((rgb + 0.055) / 1.055) ** 2.4)
    light, a, b = M2 @ np.cbrt(M1 @ linear)
    return float(light), float(np.hypot(a, b)), float(np.degrees(np.arctan2(b, a)) % 360)


def test_as_it_is_nothing_changes() -> None:
    assert taken(OWN, TakeRule(), THREAD) == {colour: colour for colour in OWN}


def test_its_lightness_is_kept_and_the_hue_is_the_threads() -> None:
    for own, new in taken(OWN, TakeRule("lightness"), THREAD).items():
        (light, _, _), (was, _, _) = oklch(new), oklch(own)
        # CSS Color 4's gamut mapping allows a difference that is just noticeable, 0.02.
        assert light == pytest.approx(was, abs=0.02)
        assert oklch(new)[2] == pytest.approx(oklch(THREAD)[2], abs=6)
    # Within gamut the chroma is the thread's own.
    (new,) = taken(["#8a8a8a"], TakeRule("lightness"), "#9a6a5a").values()
    assert oklch(new)[1] == pytest.approx(oklch("#9a6a5a")[1], abs=0.004)


def test_the_darkest_stays_dark_the_lightest_light_and_the_middle_is_the_thread() -> None:
    made = taken(OWN, TakeRule("light-dark"), THREAD)
    lights = [oklch(colour)[0] for colour in OWN]
    for own in (OWN[0], OWN[-1]):
        light, chroma, _ = oklch(made[own])
        assert light == pytest.approx(oklch(own)[0], abs=0.01)
        assert chroma < 0.01
    # Lighter stays lighter, step by step, and chroma falls towards both ends.
    steps = [oklch(made[colour]) for colour in OWN]
    assert [step[0] for step in steps] == sorted(step[0] for step in steps)
    assert max(step[1] for step in steps[1:3]) > 5 * max(steps[0][1], steps[-1][1])
    middle = (lights[0] + lights[-1]) / 2
    grey = min(
        (f"#{value:02x}{value:02x}{value:02x}" for value in range(256)),
        key=lambda colour: abs(oklch(colour)[0] - middle),
    )
    there = taken([*OWN, grey], TakeRule("light-dark"), THREAD)[grey]
    assert oklch(there) == pytest.approx(oklch(THREAD), abs=0.02, rel=0.02)


def test_one_colour_alone_becomes_the_thread() -> None:
    assert taken(["#33aa55"], TakeRule("light-dark"), THREAD) == {"#33aa55": THREAD}


@pytest.mark.parametrize("turn", [30.0, 180.0, -90.0])
def test_hues_are_turned_and_nothing_else(turn: float) -> None:
    for own, new in taken(["#8a6a5a", "#5a6a8a"], TakeRule("turned", turn), THREAD).items():
        (light, chroma, hue), (was, had, from_hue) = oklch(new), oklch(own)
        assert (light, chroma) == pytest.approx((was, had), abs=0.008)
        assert (hue - from_hue - turn + 180) % 360 - 180 == pytest.approx(0, abs=4)


def test_an_unknown_way_is_refused() -> None:
    with pytest.raises(BadInput, match="Keep its lightness"):
        TakeRule("glow").check()
    with pytest.raises(BadInput, match="Turned by"):
        TakeRule("turned", 400).check()


def motif() -> Motif:
    box = Shape(Outline("MLLLZ", np.array([[0, -1], [1, -1], [1, 1], [0, 1.0]])), Solid("#000000"))
    stops = RoleStop(0, ColourRole(own="#8a6a5a")), RoleStop(1, ColourRole(2))
    return Motif(
        (
            RoleShape(box, ColourRole(own="#5a6a8a")),
            RoleShape(box, ColourRole(1)),
            RoleShape(box, NEEDLE_HOLE),
            RoleShape(box, ColourRole(), gradient=RoleGradient("linear", (0, 0), (1, 0), stops)),
        ),
        2.0,
    )


def test_threads_and_holes_stay_and_gradients_follow() -> None:
    assert own_colours(motif()) == {"#5a6a8a", "#8a6a5a"}
    made = with_thread(motif(), TakeRule("turned", 90), THREAD)
    turned = taken(["#5a6a8a", "#8a6a5a"], TakeRule("turned", 90), THREAD)
    assert [item.role for item in made.shapes[:3]] == [
        ColourRole(own=turned["#5a6a8a"]), ColourRole(1), NEEDLE_HOLE,
    ]  # fmt: skip
    gradient = made.shapes[3].gradient
    assert gradient is not None
    assert [stop.role for stop in gradient.stops] == [ColourRole(own=turned["#8a6a5a"]), ColourRole(2)]


@pytest.mark.parametrize("way", TAKES)
def test_a_run_is_laid_in_the_colours_that_it_took(way: str) -> None:
    art = Artwork((ArtShape("M0 -1L4 -1L4 1L0 1Z", fill=ColourRole(own="#5a6a8a")),), 4.0, 2.0)
    row = Row(art, Measure(4.0), Measure(1.0))
    rule = TakeRule(way, 90.0 if way == "turned" else 0.0)
    brush = Brush("Tiles", (row,), threads=(THREAD,), take=rule)
    assert brush.coloured
    group = draw_run(lay(line(60), brush, Scale()), "run", "")
    fills = {
        shape.fill
        for item in group.items
        for shape in (item.shapes if isinstance(item, Laid) else getattr(item, "shapes", ()))
    }
    assert fills == {Solid(taken(["#5a6a8a"], rule, THREAD)["#5a6a8a"])}
    assert not Brush().coloured
