/** The brush on the Bench: what the server keeps of it, and what it looks like while it is tried. */
import { createContext, useContext, useMemo } from "react";
import { create } from "zustand";

import { api } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import type { BenchFrame, BenchShown, BrushDoc, Edit, Trial } from "@/shared/api/types";
import type { Maker, Entered, Value } from "@/shared/maker/maker";

export type Whose = "brush" | "course" | "piece";
export type Place = NonNullable<Trial["drawing"]>;
export type DrawingTool = "choose" | "line" | "curve" | "disc" | "rectangle";

interface BenchState {
  brush: BenchShown | null;
  drawn: BenchFrame | null;
  /** The brush with an edit that is only tried, while one is. */
  tried: BrushDoc | null;
  course: number;
  whose: Whose;
  /** The piece that is set, by its place. */
  place: string;
  scale: string;
  /** A proof shown large, by its name. */
  enlarged: string | null;
  /** An edit that waits until it is said what becomes of the runs that use the brush. */
  asking: ((keepRuns: boolean | null) => void) | null;
  /** The place whose artwork is drawn on, while one is. */
  drawing: Place | null;
  tool: DrawingTool;
  /** Shapes that are chosen, by their place from the bottom. */
  chosen: readonly number[];
  notice: string | null;
  set: (values: Partial<Omit<BenchState, "set">>) => void;
}

export const useBench = create<BenchState>((set) => ({
  brush: null,
  drawn: null,
  tried: null,
  course: 0,
  whose: "course",
  place: "start",
  scale: "1:1",
  enlarged: null,
  asking: null,
  drawing: null,
  tool: "choose",
  chosen: [],
  notice: null,
  set: (values) => set(values),
}));

export const bench = () => useBench.getState();

/** What goes with every change of a brush. */
export interface Change {
  version: number;
  course: number;
  keep_runs: boolean;
}

export class Workbench {
  /** Versions are carried out one after another. */
  private line: Promise<unknown> = Promise.resolve();
  private running: AbortController | null = null;
  private waiting: (Edit | null)[] = [];
  /** A shape has just been drawn: it is the one to be chosen. */
  private drewOne = false;
  /** What was said of the runs that use the brush: they follow, or stay as they were. */
  private keepRuns: boolean | null = null;

  constructor(private readonly moveTo: (brush: string) => void) {}

  async open(id: string) {
    this.keepRuns = null;
    try {
      const brush = await api.brush(id);
      const top = (brush.doc.courses?.length ?? 1) - 1;
      bench().set({
        brush,
        drawn: null,
        tried: null,
        course: top,
        whose: "course",
        place: "start",
        enlarged: null,
        drawing: null,
        chosen: [],
      });
      this.show(null);
    } catch (error) {
      bench().set({ brush: null, notice: (error as Error).message });
    }
  }

  /** Draw the brush as it is kept, or with an edit tried on it. Only the newest waits. */
  show(edit: Edit | null) {
    if (this.running) {
      this.waiting = [edit];
      return;
    }
    const { brush, course, scale, drawing } = bench();
    if (!brush) return;
    const abort = new AbortController();
    this.running = abort;
    api
      .trial({ doc: brush.doc, edit, course, scale, drawing }, abort.signal)
      .then((drawn) => {
        if (this.running !== abort) return;
        bench().set({
          drawn,
          tried: edit ? drawn.doc : null,
          chosen: edit ? bench().chosen : this.stillChosen(drawn),
        });
      })
      .catch((error: unknown) => {
        // What is half entered is said beside its field when it is kept; the last good picture stays.
        if (!edit && error instanceof Refusal) bench().set({ notice: error.message });
      })
      .finally(() => {
        if (this.running !== abort) return;
        this.running = null;
        const next = this.waiting.pop();
        this.waiting = [];
        if (next !== undefined) this.show(next);
      });
  }

  /** Do one thing to the brush. Resolves to null when it is done, or to what is wrong with it. */
  make(edit: Edit): Promise<string | null> {
    return this.change((id, { version, keep_runs }) => api.make(id, { version, edit, keep_runs }));
  }

  /** A drawing as the course's repeat, or as the piece at a place. */
  takeArtwork(file: File, place: Place): Promise<string | null> {
    return this.change((id, { version, course, keep_runs }) =>
      api.takeArtwork(id, file, {
        version: String(version),
        course: String(course),
        keep_runs: String(keep_runs),
        place,
      }),
    );
  }

  /** What was traced, a picture, or a kept motif, as the artwork at a place. */
  put(send: (id: string, values: Change) => Promise<BenchShown>): Promise<string | null> {
    return this.change(send);
  }

  /** One change of the brush, after those asked for before it. */
  private change(send: (id: string, values: Change) => Promise<BenchShown>): Promise<string | null> {
    const step = this.line.then(async () => {
      if (!bench().brush || !(await this.runsSettled())) return null;
      const { brush, course } = bench();
      if (!brush) return null;
      return this.take(send(brush.id, { version: brush.version, course, keep_runs: this.keepRuns === true }), brush);
    });
    this.line = step;
    return step;
  }

  /** Draw one more shape, and choose it. */
  async drawOne(edit: Edit): Promise<string | null> {
    this.drewOne = true;
    const wrong = await this.make(edit);
    if (wrong) this.drewOne = false;
    return wrong;
  }

  /** The chosen shapes where they are now: found by their outlines, or still at their places. */
  private stillChosen(after: BenchFrame): readonly number[] {
    const was = bench().drawn?.artwork?.shapes ?? [];
    const now = after.artwork?.shapes ?? [];
    if (this.drewOne) {
      this.drewOne = false;
      return now.length ? [now.length - 1] : [];
    }
    const outlines = now.map((shape) => shape.shown.outline);
    const found = bench().chosen.map((index) => {
      const at = outlines.indexOf(was[index]?.shown.outline ?? "");
      return at < 0 && was.length === now.length ? index : at;
    });
    return found.filter((index) => index >= 0 && index < now.length);
  }

  /** Begin to draw on the artwork at a place, or leave off. */
  draw(place: Place | null) {
    bench().set({ drawing: place, chosen: [], tool: "choose" });
    this.show(null);
  }

  /** Whether it is said what becomes of the runs that use the brush; asks once. */
  private async runsSettled(): Promise<boolean> {
    const brush = bench().brush!;
    if (brush.used_by > 0 && !brush.builtin && this.keepRuns === null) {
      const said = await new Promise<boolean | null>((resolve) => bench().set({ asking: resolve }));
      bench().set({ asking: null });
      if (said === null) {
        this.show(null);
        return false;
      }
      this.keepRuns = said;
    }
    return true;
  }

  /** What the server answers to a change: the brush as it is now, or a copy of a built-in. */
  private async take(request: Promise<BenchShown>, before: BenchShown): Promise<string | null> {
    try {
      const brush = await request;
      const top = (brush.doc.courses?.length ?? 1) - 1;
      const notice = brush.notes?.length ? brush.notes.join(" ") : null;
      bench().set({ brush, tried: null, course: Math.min(bench().course, top), notice });
      if (brush.id !== before.id) {
        bench().set({ notice: `Built-in brushes stay as they are: this is your own copy, “${brush.doc.name}”.` });
        this.moveTo(brush.id);
      }
      this.show(null);
      return null;
    } catch (error) {
      const refusal = error as Refusal;
      if (refusal.stale) await this.open(before.id);
      bench().set({ notice: refusal.message });
      return refusal.message;
    }
  }

  undo = () => this.step(api.undoEdit);
  redo = () => this.step(api.redoEdit);
  goBack = (number: number) => this.step((id, version) => api.goBack(id, version, number));

  private step(send: (id: string, version: number) => Promise<BenchShown>) {
    const { brush } = bench();
    return brush ? this.take(send(brush.id, brush.version), brush) : Promise.resolve(null);
  }
}

export const WorkbenchContext = createContext<Workbench | null>(null);

export function useWorkbench(): Workbench {
  const found = useContext(WorkbenchContext);
  if (!found) throw new Error("no workbench");
  return found;
}

/** The brush as the one who sets settings. */
export function useBenchMaker(): Maker {
  const workbench = useWorkbench();
  const doc = useBench((state) => state.tried ?? state.brush!.doc);
  const coloured = useBench((state) => state.brush!.coloured);
  const course = useBench((state) => state.course);
  return useMemo(() => {
    const entered = (pointer: string, text: Entered): Edit => ({ kind: "set", settings: [{ pointer, entered: text }] });
    const whole = (pointer: string, value: Value): Edit => ({
      kind: "set",
      settings: [{ pointer, entered: "", value }],
    });
    return {
      doc,
      coloured,
      course,
      asOne: false,
      own: [],
      tryOut: (pointer, text) => workbench.show(entered(pointer, text)),
      keep: (pointer, text) => workbench.make(entered(pointer, text)),
      tryValue: (pointer, value) => workbench.show(whole(pointer, value)),
      keepValue: (pointer, value) => workbench.make(whole(pointer, value)),
      forget: () => workbench.show(null),
      follow: () => undefined,
    };
  }, [workbench, doc, coloured, course]);
}
