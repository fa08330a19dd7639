/** The sheet on its paper: artwork on a canvas, marks above it, rulers at the edges. */
import { useEffect, useRef, useState } from "react";
import { useShallow } from "zustand/react/shallow";

import { draggedBrush } from "../paths/carried";
import { roomFor } from "../HeadStrip";
import { useSheetSession, useFrame } from "../sheet";
import { tableState, useTableState } from "../state";
import { PAPER, fit, panBy, zoomAbout } from "../view";
import { Artwork } from "./Artwork";
import { Draft } from "../tools/draft/Draft";
import { useDraftPointer } from "../tools/draft/draftPointer";
import { useFigurePointer } from "../tools/figure/figurePointer";
import { useLetteringPointer } from "../tools/lettering/letteringPointer";
import { useMeasurePointer } from "../tools/measure/measurePointer";
import { Measuring } from "../tools/measure/MeasureLines";
import { SketchLine } from "../tools/sketch/Sketch";
import { useSketchPointer } from "../tools/sketch/sketchPointer";
import { toolWords } from "../tools/tools";
import { Lit } from "./Lit";
import { Looked } from "./Looked";
import { Marks } from "./Marks";
import { RULER, Rulers } from "./Rulers";
import { ScaleBar } from "./ScaleBar";
import { sheetSpot, spotIn, usePaperPointer } from "./paperPointer";
import { useTwoFingers } from "./twoFingers";

/** Keep the window's size in the pointer, and fit the sheet into it the first time. */
function useWindow(paper: React.RefObject<HTMLDivElement | null>) {
  const frame = useFrame("sheet");
  const { width, height } = frame.sheet;
  const view = useTableState((state) => state.view);
  useEffect(() => {
    const element = paper.current!;
    const measure = () => tableState().set({ window: { width: element.clientWidth, height: element.clientHeight } });
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    measure();
    return () => observer.disconnect();
  }, [paper]);
  useEffect(() => {
    if (!view) tableState().set({ view: fit({ width, height }, roomFor(tableState().window)) });
  }, [view, width, height]);
}

/** The wheel and two fingers on a pad pan, sideways with Shift; with Ctrl, as by a pinch, they zoom about the
 * pointer. Not passive, so that the page stays. */
function useWheel(paper: React.RefObject<HTMLDivElement | null>) {
  useEffect(() => {
    const element = paper.current!;
    const onWheel = (event: WheelEvent) => {
      const { view } = tableState();
      if (!view) return;
      event.preventDefault();
      const at = spotIn(element, event);
      const [x, y] = event.shiftKey && !event.deltaX ? [event.deltaY, 0] : [event.deltaX, event.deltaY];
      if (event.ctrlKey || event.metaKey)
        tableState().set({ view: zoomAbout(view, at, Math.exp(-event.deltaY / 400)) });
      else tableState().set({ view: panBy(view, -x, -y) });
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [paper]);
}

/** A brush dropped on bare paper is placed there once. */
function usePlacing() {
  const session = useSheetSession();
  return {
    onDragOver: (event: React.DragEvent) => draggedBrush(event) && event.preventDefault(),
    onDrop: (event: React.DragEvent) => {
      const brush = draggedBrush(event);
      if (!brush || event.defaultPrevented) return;
      event.preventDefault();
      void session.command({ kind: "place-single", brush, ...sheetSpot(event) });
    },
  };
}

/** What is typed in a field counts before the hand does anything on the sheet. */
function leaveField() {
  const field = document.activeElement;
  if (field instanceof HTMLElement && field.matches("input, textarea, select")) field.blur();
}

/** Whether the space bar is held with the sheet in focus: a drag pans then, whatever the tool. */
function useSpace(): boolean {
  const [held, setHeld] = useState(false);
  useEffect(() => {
    const onDown = (event: KeyboardEvent) => {
      // Pen tools set a node by it.
      const free = tableState().tool !== "draft" && tableState().tool !== "sketch";
      if (event.key !== " " || !free || event.target !== document.getElementById(PAPER)) return;
      event.preventDefault();
      setHeld(true);
    };
    const onUp = (event: KeyboardEvent) => event.key === " " && setHeld(false);
    const onBlur = () => setHeld(false);
    window.addEventListener("keydown", onDown);
    window.addEventListener("keyup", onUp);
    window.addEventListener("blur", onBlur);
    return () => {
      window.removeEventListener("keydown", onDown);
      window.removeEventListener("keyup", onUp);
      window.removeEventListener("blur", onBlur);
    };
  }, []);
  return held;
}

const panning = {
  onPointerDown: (event: React.PointerEvent) => event.currentTarget.setPointerCapture(event.pointerId),
  onPointerMove: (event: React.PointerEvent) => {
    const { view } = tableState();
    if (event.buttons && view) tableState().set({ view: panBy(view, event.movementX, event.movementY) });
  },
};

/** The box that is drawn to choose what lies in it. */
function ChosenBox() {
  const box = useTableState((state) => state.box);
  if (!box) return null;
  const [from, to] = box;
  return (
    <rect
      data-testid="choosing-box"
      x={Math.min(from.x, to.x)}
      y={Math.min(from.y, to.y)}
      width={Math.abs(to.x - from.x)}
      height={Math.abs(to.y - from.y)}
      fill="var(--lane)"
      fillOpacity={0.25}
      stroke="var(--mark)"
      strokeDasharray="2 2"
      pointerEvents="none"
    />
  );
}

export function Paper() {
  const paper = useRef<HTMLDivElement>(null);
  useWindow(paper);
  useWheel(paper);
  const { view, tool, marks, pressing } = useTableState(
    useShallow(({ view, tool, marks, cutting, picking }) => ({ view, tool, marks, pressing: cutting || picking })),
  );
  const words = toolWords(tool);
  const placing = usePlacing();
  const session = useSheetSession();
  const fingers = useTwoFingers(() => {
    tableState().set({ box: null });
    session.dropPreviews(true);
  });
  const space = useSpace();
  const hands = {
    choose: usePaperPointer(),
    draft: useDraftPointer(),
    sketch: useSketchPointer(),
    figure: useFigurePointer(),
    lettering: useLetteringPointer(),
    measure: useMeasurePointer(),
  };
  return (
    <div
      ref={paper}
      // eslint-disable-next-line jsx-a11y/no-noninteractive-tabindex -- it is a drawing surface with keys of its own
      tabIndex={0}
      role="application"
      aria-label={words.sheet}
      id={PAPER}
      data-part
      data-testid="paper"
      className="absolute inset-0 touch-none overflow-hidden bg-(--paper)"
      style={{ cursor: space ? "grab" : pressing ? "crosshair" : words.cursor }}
      {...(space ? panning : hands[tool])}
      {...placing}
      {...fingers}
      onPointerDownCapture={(event) => {
        leaveField();
        fingers.onPointerDownCapture(event);
      }}
    >
      {view && (
        <>
          <Artwork view={view} />
          <svg
            className="absolute inset-0 h-full w-full"
            aria-label="Paths"
            style={{ pointerEvents: tool === "choose" ? undefined : "none" }}
          >
            {marks && <Marks view={view} />}
            <Lit view={view} />
            <Looked view={view} />
            {tool === "draft" && <Draft view={view} />}
            {tool === "sketch" && <SketchLine view={view} />}
            {tool === "measure" && <Measuring view={view} />}
            <ChosenBox />
          </svg>
          {marks && <Rulers view={view} />}
          {marks && <ScaleBar view={view} />}
        </>
      )}
      {marks && (
        <div aria-hidden className="absolute top-0 left-0 bg-base-200" style={{ width: RULER, height: RULER }} />
      )}
    </div>
  );
}
