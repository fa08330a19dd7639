"""From a laid run to the drawing's groups."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from curlet.core.brush import Brush
from curlet.core.brush.courses import Course
from curlet.core.drawing import Group, Item, Laid, Shape
from curlet.core.dress.colour import ColourRole, paint_of
from curlet.core.dress.relief import LIGHT, Light, Relief
from curlet.core.dress.take import TakeRule
from curlet.core.lay.band import LaidBand, band_shapes
from curlet.core.lay.crossings import all_but, half_length, strip
from curlet.core.lay.draw_row import row_items
from curlet.core.lay.draw_span import span_items
from curlet.core.lay.fade import fade_mask
from curlet.core.lay.hold.mapping import TOLERANCE
from curlet.core.lay.lay import LaidCourse, LaidRun
from curlet.core.lay.reach import check_reach
from curlet.core.lay.relief import largest_half_width, lit, pressed, raised_areas, raised_course, shadow
from curlet.core.lay.row import LaidRow
from curlet.core.lay.span import LaidSpan
from curlet.core.motif.motif import half_width_of
from curlet.core.motif.taken import with_thread


def draw_run(
    run: LaidRun, group_id: str, title: str, tolerance: float = TOLERANCE, light: Light = LIGHT
) -> Group:
    """A group with the courses bottom to top; upper passes of crossings once more on top.

    Parameters
    ----------
    tolerance : how far bent artwork may lie from where it should, drawn mm; coarser is quicker.
    light : of the sheet, for a brush with relief.

    >>> from curlet.core.brush import Brush
    >>> from curlet.core.lay import lay
    >>> from curlet.core.measures import Scale
    >>> from curlet.core.path.figures import FIGURES
    >>> group = draw_run(lay(FIGURES["circle"].make({"diameter": 50}), Brush(), Scale()), "hem", "Hem")
    >>> [len(item.placements) for item in group.items]
    [39]
    """
    group = _drawn(run, group_id, title, tolerance, light)
    check_reach(run, group)
    return group


def _drawn(run: LaidRun, group_id: str, title: str, tolerance: float, light: Light) -> Group:
    def dressed(course: LaidCourse, name: str, within: tuple[float, float] | None = None) -> list[Item]:
        items = _raised(run, course, within, tolerance, light)
        whole = Group(f"{name}-{course.index + 1}", "", tuple(items), course.course.opacity / 100)
        shown = _softened(whole, run, course.course, [course])
        return [shown] if shown.opacity < 1 or shown.blur or shown.mask else items

    items = tuple(item for course in run.courses for item in dressed(course, f"{group_id}-course"))
    facts, opacity = {"brush": run.brush.name}, run.brush.opacity / 100
    if not run.passes:
        return _softened(Group(group_id, title, items, opacity, facts=facts), run, run.brush, run.courses)
    reach = max(reach_of(course) for course in run.courses)
    clearance = run.brush.crossings.clearance.drawn(run.scale)
    halves = [half_length(item.crossing, reach, clearance) for item in run.passes]
    strips = [
        strip(run.path, item.over, half, reach + clearance)
        for item, half in zip(run.passes, halves, strict=True)
    ]
    below = Group(f"{group_id}-passes", "", items, clip=all_but(run.path, strips, reach + clearance))
    above = [
        item
        for number, (crossed, half) in enumerate(zip(run.passes, halves, strict=True), 1)
        for course in run.courses
        for item in dressed(course, f"{group_id}-pass-{number}", (crossed.over - half, crossed.over + half))
    ]
    whole = Group(group_id, title, (below, *above), opacity, facts=facts)
    return _softened(whole, run, run.brush, run.courses)


# The edges of a Gaussian: between them lie 96 % of the way from nothing to all (2.05 standard deviations).
_EDGES = 4.1


def _softened(group: Group, run: LaidRun, rule: Brush | Course, courses: Sequence[LaidCourse]) -> Group:
    """A group with the soft edges and the fade of a brush or of a course."""
    blur = rule.soft.drawn(run.scale) / _EDGES
    if not rule.fade.points:
        return replace(group, blur=blur)
    reach = _EDGES * blur + max(_extent(course, run.brush.relief) for course in courses)
    return replace(group, blur=blur, mask=fade_mask(run.path, rule.fade, reach))


# Shaken, turned and cornered artwork lies a little further out than its edges.
_FURTHER = 1.2


def _extent(course: LaidCourse, relief: Relief) -> float:
    """How far anything of a course lies from the path, its shadow too, drawn mm."""
    widest = half_width_of(course.motifs) if isinstance(course, LaidRow) else 0.0
    thrown = largest_half_width(course) * relief.height / 100 * relief.shadow / 100
    return _FURTHER * max(reach_of(course), abs(course.offset) + widest) + thrown


def edges_of(course: LaidCourse) -> tuple[float, float]:
    """Signed distances of a course's two edges from the path, the left one and the right one, drawn mm."""
    if isinstance(course, LaidRow):
        half = half_width_of(course.motifs[: course.course.count])
    else:
        half = course.reach - abs(course.offset)
    return course.offset - half, course.offset + half


def edges(run: LaidRun) -> tuple[float, float]:
    """Signed distances of the artwork's outermost edges from the path, drawn mm."""
    each = [edges_of(course) for course in run.courses]
    return min(low for low, _ in each), max(high for _, high in each)


def reach_of(course: LaidCourse) -> float:
    """How far a course's edges lie from the path, drawn mm."""
    return max(abs(edge) for edge in edges_of(course))


def _raised(
    run: LaidRun,
    course: LaidCourse,
    within: tuple[float, float] | None,
    tolerance: float,
    light: Light,
) -> list[Item]:
    """A course's items in its brush's relief, over their shadow."""
    relief = run.brush.relief
    course = _with_its_colours(course, run.brush.take, run.brush.threads[0])
    if relief.bare:
        return _course_items(run, course, within, tolerance)
    items = _course_items(run, raised_course(course, relief, light), within, tolerance)
    if isinstance(course, LaidBand):
        items = raised_areas(items, relief, light)
    half = largest_half_width(course)
    under = [*pressed(items, half, relief, light), *shadow(items, half, relief, light)]
    return [*under, *lit(items, relief, light)]


def _with_its_colours(course: LaidCourse, rule: TakeRule, thread: str) -> LaidCourse:
    """A course whose artwork's own colours take the thread."""
    if isinstance(course, LaidRow):
        return replace(course, motifs=tuple(with_thread(motif, rule, thread) for motif in course.motifs))
    if isinstance(course, LaidSpan):
        return replace(course, motif=with_thread(course.motif, rule, thread))
    return course


def _course_items(
    run: LaidRun, course: LaidCourse, within: tuple[float, float] | None, tolerance: float
) -> list[Item]:
    threads = run.brush.threads
    if isinstance(course, LaidRow):
        return row_items(course, threads, run.rule.seed, within, tolerance)
    if isinstance(course, LaidBand):
        low, high = within or (None, None)
        shapes = [_painted(shape, course.course.role, threads) for shape in band_shapes(course, low, high)]
        return [Laid(tuple(shapes))] if shapes else []
    return span_items(course, threads, within, tolerance)


def _painted(shape: Shape, role: ColourRole, threads: tuple[str, ...]) -> Shape:
    paint = paint_of(role, threads)
    stroke = shape.stroke and replace(shape.stroke, paint=paint)
    return replace(shape, fill=paint if shape.fill else None, stroke=stroke)
