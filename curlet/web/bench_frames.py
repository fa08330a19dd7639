"""From a brush to the frame that the Bench draws: its repeat, its proofs, its pieces in place."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import numpy as np
from numpy.typing import NDArray

from curlet.core.brush import Band, Brush, EndRule, FitRule, Pieces, Row, Span
from curlet.core.lay import LaidRun, lay
from curlet.core.lay.corners import MANNERS
from curlet.core.lay.draw import draw_run, reach_of
from curlet.core.lay.hold import HOLDS
from curlet.core.lay.row_edges import Joint, check_edges, joins
from curlet.core.measures import Scale
from curlet.core.motif.edges import Mismatch
from curlet.core.motif.families import Family
from curlet.core.motif.motif import MotifMaker
from curlet.core.path import Path
from curlet.core.proof import PROOFS, Place, Proof, growth, prove, sample
from curlet.core.tally import RunTally
from curlet.formats.brush_file import BrushDoc
from curlet.formats.screen import Packer, group_json
from curlet.store.edits.artwork_places import AnyPlace
from curlet.studio import helper
from curlet.web.artwork_frames import artwork_json

Json = dict[str, Any]
# What a second process sends back: proofs, and the numbers that they refer to.
Aside = tuple[list[Json], NDArray[np.float32]]

TRUE = Scale()
# How far what is drawn on the board's small tiles may lie from where it should, mm.
COARSE = 0.03
# The proofs that are drawn here, beside the repeat and the sample, and those drawn aside: about as much
# work as one another.
OWN = ("straight", "round", "square", "tight S", "loop")
ASIDE = ("star", "two corners", "letter")
# Repeats to either side of the one that is worked on.
NEIGHBOURS = 2
# Warnings that a proof shows; what is said of one run's places is not the board's business.
_SHOWN = 2


def bench_frame(doc: BrushDoc, course: int, scale: Scale, drawing: AnyPlace | None = None) -> bytes:
    """The selected course's repeat at true size, and the whole brush proved at a scale.

    Parameters
    ----------
    drawing : the place whose artwork is drawn on, if one is.
    """
    brush = doc.to_core()
    brush.check(TRUE)
    grown = growth(brush, scale)
    elsewhere = helper.share(aside, doc.model_dump_json(), scale, grown)
    packer = Packer()
    index = min(course, len(brush.courses) - 1)
    repeat = _repeat(brush, index, packer)
    head = {
        "doc": doc.model_dump(mode="json"),
        "course": index,
        "repeat": repeat,
        "joints": _joints(brush.courses[index]),
        "facts": _facts(brush.courses[index]),
        "sample": _sample(brush, index, scale, grown, packer),
        "artwork": artwork_json(doc, index, drawing) if drawing else None,
    }
    own = _proofs(brush, scale, OWN, grown, packer)
    head["proofs"] = _in_order(own, elsewhere(), packer)
    return packer.pack(head)


def aside(text: str, scale: Scale, grown: float) -> Aside:
    """The proofs that a second process draws, from a brush's document: their JSON and their numbers."""
    packer = Packer()
    brush = BrushDoc.model_validate_json(text).to_core()
    return _proofs(brush, scale, ASIDE, grown, packer), packer.numbers()


def _proofs(brush: Brush, scale: Scale, names: tuple[str, ...], grown: float, packer: Packer) -> list[Json]:
    return [_proof(proof, packer) for proof in prove(brush, scale, names, grown)]


def _in_order(own: list[Json], elsewhere: Aside, packer: Packer) -> list[Json]:
    """Proofs in the board's order, those drawn aside with their numbers taken over."""
    theirs, numbers = elsewhere
    start = None
    for proof in theirs:
        start = packer.take_over(proof["group"], numbers, start)
    by_name = {proof["name"]: proof for proof in (*own, *theirs)}
    return [by_name[name] for name in PROOFS]


def _repeat(brush: Brush, index: int, packer: Packer) -> Json:
    """One repeat with its neighbours, the whole brush beneath it, on a level line."""
    course = brush.courses[index]
    length = course.drawn_pitch(TRUE)
    whole = (2 * NEIGHBOURS + 1) * length
    line = _level(whole)
    run = lay(line, _plain(brush), TRUE)
    reach = max(reach_of(each) for each in run.courses)
    beneath = draw_run(run, "neighbours", "")
    return {
        "length": length,
        "start": NEIGHBOURS * length,
        "width": course.drawn_width(TRUE),
        "offset": course.drawn_offset(TRUE),
        "reach": reach,
        "neighbours": group_json(beneath, packer),
    }


def _plain(brush: Brush) -> Brush:
    """The brush as it repeats on a straight line, whatever its ends and fits do there."""

    def plain(course: Row | Band | Span) -> Row | Band | Span:
        if not isinstance(course, Row):
            return course
        hold = "pinned" if HOLDS[course.hold].chain else course.hold
        return replace(course, fit=FitRule("leave-over"), pieces=Pieces(), ends=EndRule(), hold=hold, sway=())

    return replace(brush, courses=tuple(plain(course) for course in brush.courses))


def _level(length: float) -> Path:
    points = np.array([[0.0, 0.0], [length, 0.0]])
    return Path.make(["a", "b"], points, points, points, closed=False)


def _joints(course: Row | Band | Span) -> Json:
    if not isinstance(course, Row):
        return {"joins": False, "step": 0.0, "found": []}
    joints = check_edges(course, TRUE)
    found = [_joint(joint) for joint in joints if any(map(_is_seen, joint.mismatches))]
    return {"joins": joins(course), "step": max((j.step for j in joints), default=0.0), "found": found}


# A smaller step is written as none, mm.
_LEAST = 5e-4


def _is_seen(mismatch: Mismatch) -> bool:
    return mismatch.what == "open" or mismatch.size >= _LEAST


def _joint(joint: Joint) -> Json:
    return {
        "before": joint.before,
        "after": joint.after,
        "step": joint.step,
        "mismatches": [
            {"what": m.what, "y": m.y, "other": m.other, "size": m.size, "fault": m.fault}
            for m in joint.mismatches
            if _is_seen(m)
        ],
    }


def _facts(course: Row | Band | Span) -> list[Json]:
    """What follows from the measures, in words: the maker does not set it."""
    found = []
    motif: MotifMaker | None = None if isinstance(course, Band) else course.motif
    helix = getattr(motif, "helix_angle", None)
    if helix is not None:
        found.append({"label": "Helix angle", "text": f"{helix:.1f}°"})
    if isinstance(course, Row):
        found.append({"label": "Pitch", "text": f"{course.drawn_pitch(TRUE):.3g} mm"})
        found.append({"label": "To the inch", "text": f"{25.4 / course.drawn_pitch(TRUE):.2f}"})
    if isinstance(motif, Family):
        low, high = motif.about.usual
        found.append({"label": "Usually long", "text": f"{low:g} to {high:g} mm"})
        found.append({"label": motif.about.trade.capitalize(), "text": motif.about.source})
    return found


def _proof(proof: Proof, packer: Packer) -> Json:
    wrong = [*(w for w in proof.tally.warnings if w.code not in _NOT_WRONG), *proof.faults]
    return {
        "name": proof.name,
        "box": proof.box,
        "grown": proof.grown,
        "group": group_json(draw_run(proof.run, f"proof-{proof.name}", "", COARSE), packer),
        "says": _says(proof),
        "short": _short(proof) if wrong else "",
        "wrong": [w.message for w in wrong[:_SHOWN]],
    }


# The board's legs are as long as they are, so that repeats eased far are no fault of the brush; a chain
# that ends short of an open path is as it should be; a corner too sharp for its piece is mitred.
_NOT_WRONG = {
    "off-tolerance",
    "links-off",
    "links-left-over",
    "lost-place",
    "tidied",
    "unusual",
    "corner-no-room",
}

_IN_SHORT = {
    "leg-too-short": "legs too short",
    "leg-vanishes": "a leg vanishes",
    "open-step": "does not close",
    "solid-line": "a solid line",
    "too-fine": "too fine to print",
    "broken-corner": "loose parts",
    "pile-up": "piled up",
}


def _short(proof: Proof) -> str:
    """What is wrong, in as few words as a tile has room for."""
    if proof.tally.pinches:
        tight = min(proof.tally.pinches, key=lambda pinch: pinch.radius)
        return f"needs R {tight.needs:.1f}"
    codes = {warning.code for warning in (*proof.tally.warnings, *proof.faults)}
    return next((text for code, text in _IN_SHORT.items() if code in codes), "see why")


def _says(proof: Proof) -> str:
    """What a proof came to, in a few words."""
    run, facts = proof.run, proof.tally.facts
    parts = [f"{facts.repeats}"] if run.main is not None else []
    if facts.main is not None and abs(facts.main.departure) >= _FELT:
        parts.append(f"{facts.main.departure:+.1f} %".replace("-", "−"))
    else:
        parts.append(_closing(run, facts))
    return " · ".join(part for part in parts if part)


def _closing(run: LaidRun, facts: RunTally) -> str:
    if run.passes:
        return "over and under"
    broken = run.main is not None and not run.main.legs[0].unbroken and len(run.main.legs) > 1
    if not (run.corners and broken):
        return "closes" if run.path.closed else ""
    manners = {corner.manner for corner in facts.corners}
    return MANNERS[manners.pop()].done if len(manners) == 1 else ""


# A departure from here on, in %, is told instead of how it turns or closes.
_FELT = 3.0


def _sample(brush: Brush, index: int, scale: Scale, grown: float, packer: Packer) -> Json:
    runs, places = sample(brush, index, scale, grown)
    reach = max(reach_of(course) for run in runs for course in run.courses)
    points = np.concatenate([run.path.arc.points(np.linspace(0, run.path.length, 200)) for run in runs])
    margin = 1.25 * reach + 1
    low, high = points.min(axis=0) - margin, points.max(axis=0) + margin
    return {
        "box": (float(low[0]), float(low[1]), float(high[0] - low[0]), float(high[1] - low[1])),
        "groups": [
            group_json(draw_run(run, f"sample-{i}", "", COARSE), packer) for i, run in enumerate(runs)
        ],
        "places": [_place(place) for place in places],
    }


def _place(place: Place) -> Json:
    return {
        "name": place.name,
        "x": place.x,
        "y": place.y,
        "rx": place.rx,
        "ry": place.ry,
        "length": place.length,
    }
