/** The sheet as the server has it, and the ways to change it. */
import { useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { createContext, useContext, useMemo } from "react";
import { createStore, useStore } from "zustand";
import { useShallow } from "zustand/react/shallow";

import { api, type DrawingChosen } from "@/shared/api/client";
import { Refusal } from "@/shared/api/request";
import { announce } from "@/shared/announce";
import { mark } from "@/shared/mark";
import { Newest } from "@/shared/newest";
import type { Notice } from "@/shared/ui/Said";
import { watch, type Work } from "@/shared/work";
import { withChanges, withPreview } from "@/shared/api/frame";
import type {
  ChangedFrame,
  Intent,
  PathShown,
  PreviewFrame,
  RunShown,
  SheetFrame,
  TapeFrame,
} from "@/shared/api/types";

import { choosePaths, tableState, useTableState } from "./state";

/** Steps that take something away: said where they can be undone. */
const REMOVES = /^(delete|remove)-/;

interface Done {
  notes: readonly string[];
  /** What is said of it besides. */
  say?: () => unknown;
}

type Step = (id: string, revision: number, work: Work) => Promise<ChangedFrame>;

/** Sends changes one after the other, and previews newest first. */
export class SheetSession {
  private line: Promise<unknown> = Promise.resolve();
  private readonly previews = new Newest();
  /** What was said of a drag that could not be shown. */
  private ofDrag: Notice | null = null;

  /** What the paper shows: parts of it are asked for, so that only what changed is rendered again. */
  readonly shown = createShown();
  /** What the panels show: the same, but of a drag's previews only once the paper shows them. */
  readonly panels = createShown();
  private merged: { base?: SheetFrame; preview: PreviewFrame | null; frame: SheetFrame | null } = {
    preview: null,
    frame: null,
  };

  constructor(
    readonly id: string,
    private readonly queries: QueryClient,
  ) {}

  /** The sheet as the server keeps it, whatever is shown. */
  private get base(): SheetFrame | undefined {
    return this.queries.getQueryData<SheetFrame>(this.key);
  }

  /** The sheet as kept, with a drag's preview over it: put together once for each. */
  frameShown(): SheetFrame | null {
    const base = this.base;
    const preview = tableState().preview;
    if (this.merged.base !== base || this.merged.preview !== preview) {
      this.merged = { base, preview, frame: base && preview ? withPreview(base, preview) : (base ?? null) };
    }
    return this.merged.frame;
  }

  /** What is shown now, for what is done rather than drawn. */
  get frame(): SheetFrame {
    const frame = this.frameShown();
    if (!frame) throw new Error("no sheet yet");
    return frame;
  }

  /** Follow what the server sends and what is previewed; gives the way to stop. */
  connect = () => {
    let behind = 0;
    const follow = () => {
      behind = 0;
      setShown(this.panels, this.frameShown());
    };
    const update = () => {
      const frame = this.frameShown();
      if (!setShown(this.shown, frame)) return;
      if (!tableState().preview) {
        cancelAnimationFrame(behind);
        follow();
      } else behind ||= requestAnimationFrame(() => setTimeout(follow));
    };
    update();
    const stops = [this.queries.getQueryCache().subscribe(update), useTableState.subscribe(update)];
    return () => stops.forEach((stop) => stop());
  };

  private get key() {
    return ["sheet", this.id];
  }

  private get revision(): number {
    return this.base?.revision ?? 0;
  }

  /** Do one thing, or what is made of the sheet as it is kept once its turn comes: a change to a part of something
   * must not take back another one that is still under way. Resolves to null when it is done, or to what the server
   * said against it. */
  command(intent: Intent | ((kept: SheetFrame) => Intent), inField = false): Promise<Refusal | null> {
    this.dropPreviews();
    let done: Intent;
    return this.change(
      (id, revision, work) => {
        done = typeof intent === "function" ? intent(this.base ?? this.frame) : intent;
        return api.command(id, revision, done, work);
      },
      (_, after) => this.told(after.undo ?? "", REMOVES.test(done.kind)),
      inField,
    );
  }

  /** Do what was entered in a field. What is said against it is given to the field, which says it: nobody else. */
  async entered(intent: Intent | ((kept: SheetFrame) => Intent)): Promise<string | null> {
    return (await this.command(intent, true))?.message ?? null;
  }

  undo = () => this.change(api.undo, (before) => this.told(before.undo && `Undone: ${before.undo}`, "shown"));
  redo = () => this.change(api.redo, (before) => this.told(before.redo && `Redone: ${before.redo}`, "shown"));

  /** Say what was done: spoken, and shown where it is something to be undone from there. */
  private told(text: string | null | undefined, how: boolean | "shown"): void {
    if (!text) return;
    announce(text);
    if (!how) return;
    const action = how === true ? { label: "Undo", act: () => void this.undo() } : undefined;
    tableState().set({ notice: { tone: "word", text, action } });
  }

  /** Put what was chosen of a drawing that has been looked at on the sheet. */
  useDrawing(drawing: string, chosen: DrawingChosen): Promise<Refusal | null> {
    return this.change((id, revision, work) => api.useDrawing(id, drawing, { revision, ...chosen }, work));
  }

  addGuide(file: File): Promise<Refusal | null> {
    return this.change((id, revision) => api.addGuide(id, revision, file));
  }

  /** Fill closed paths with a picture. */
  fillWithPicture(paths: readonly string[], file: File): Promise<Refusal | null> {
    return this.change((id, revision) => api.fillWithPicture(id, revision, paths, file));
  }

  /** Put the shades of a file, or the colours of a picture, on the shade card. */
  importShades(file: File): Promise<Refusal | null> {
    return this.change((id, revision) => api.importShades(id, revision, file));
  }

  shadesOfGuide(guide: string): Promise<Refusal | null> {
    return this.change((id, revision) => api.shadesOfGuide(id, revision, guide));
  }

  removeUnreadable(kind: string, row: string): Promise<Refusal | null> {
    return this.inTurn(async () => {
      this.queries.setQueryData(this.key, await api.removeUnreadable(this.id, kind, row));
      return { notes: [] };
    });
  }

  /** `say` is given what was and what is now. */
  private change(
    step: Step,
    say?: (before: SheetFrame, after: SheetFrame) => void,
    inField = false,
  ): Promise<Refusal | null> {
    return this.inTurn(async (work) => {
      const changed = await step(this.id, this.revision, work);
      const base = this.base;
      // A sheet that could not be shown before the step is asked for whole.
      if (base?.revision === changed.base) this.queries.setQueryData(this.key, withChanges(base, changed));
      else await this.queries.refetchQueries({ queryKey: this.key });
      const after = this.base;
      return { notes: changed.notes, say: () => base && after && say?.(base, after) };
    }, inField);
  }

  private inTurn(carryOut: (work: Work) => Promise<Done>, inField = false): Promise<Refusal | null> {
    const step = this.line.then(() => this.done(carryOut, inField));
    this.line = step;
    return step;
  }

  /** Do something, and say what is to be said of it. */
  private async done(carryOut: (work: Work) => Promise<Done>, inField: boolean): Promise<Refusal | null> {
    const before = tableState().notice;
    try {
      const { notes, say } = await watch(carryOut, (work) => tableState().set({ work }));
      tableState().set({ preview: null });
      if (notes.length) tableState().set({ notice: { tone: "word", text: notes.join(" ") } });
      // What was said in the meantime is of something else, and stays.
      else if (tableState().notice === before) tableState().set({ notice: null });
      if (!notes.length) say?.();
      return null;
    } catch (error) {
      return this.refused(error, inField);
    }
  }

  private async refused(error: unknown, inField: boolean): Promise<Refusal> {
    const refusal = error instanceof Refusal ? error : new Refusal(0, "That did not work", String(error));
    tableState().set({ preview: null });
    // A field says what is wrong with what was entered in it, once.
    const ofField = inField && !refusal.unreached && !refusal.stopped && !refusal.stale;
    const tone = refusal.stopped ? "word" : "fault";
    if (!ofField) tableState().set({ notice: { tone, text: refusal.message } });
    if (refusal.stale) {
      // Catch up with the other page; what was entered stays in its field.
      await this.queries.refetchQueries({ queryKey: this.key });
    }
    return refusal;
  }

  /** Show what a drag would come to; where that cannot be shown it is said, until it can be again. */
  drag(intent: Intent) {
    this.preview(intent, (refusal) => {
      const { notice } = tableState();
      if (refusal && notice?.text !== refusal.message)
        tableState().set({ notice: (this.ofDrag = { tone: "word", text: refusal.message, stays: true }) });
      else if (!refusal && notice && notice === this.ofDrag) tableState().set({ notice: null });
    });
  }

  /** Show what a thing would look like. While one is on its way only the newest waits. `told` is given what is said
   * against it, or null. */
  preview(intent: Intent, told?: (refusal: Refusal | null) => void) {
    this.previews.ask(async (signal) => {
      const frame = await api.preview(this.id, this.revision, intent, signal).catch((error: unknown) => {
        if (error instanceof Refusal) told?.(error);
        throw error;
      });
      told?.(null);
      // Marked for speed/.
      mark("curlet-arrived");
      if (!signal.aborted) tableState().set({ preview: frame, tried: intent });
    });
  }

  /** A part of a run's Tape, as the run is shown: with what is being tried, if anything is. */
  tapeOf(run: string, low: number, high: number, signal: AbortSignal): Promise<TapeFrame> {
    const { preview, tried } = tableState();
    return api.tape(this.id, { revision: this.revision, run, low, high, intent: preview ? tried : null }, signal);
  }

  /** A run as the server keeps it, whatever a drag shows. */
  keptRun(id: string): RunShown | undefined {
    return this.base?.runs.find((run) => run.id === id);
  }

  /** The paths as the server keeps them, whatever is shown. */
  kept(): readonly PathShown[] {
    return this.base?.paths ?? [];
  }

  /** The ids of the single repeats as the server keeps them. */
  keptSingles(): string[] {
    return this.base?.singles.map((single) => single.id) ?? [];
  }

  /** Choose the first path that something is true of. */
  choose(which: (path: PathShown) => boolean) {
    const found = this.base?.paths.find(which);
    if (found) choosePaths([found.id]);
  }

  /** Choose every path that something is true of. */
  chooseAll(which: (path: PathShown) => boolean) {
    choosePaths(
      this.kept()
        .filter(which)
        .map((path) => path.id),
    );
  }

  /** Forget previews that are on their way, and optionally the one that is shown. */
  dropPreviews(clear = false) {
    this.previews.drop();
    if (clear) tableState().set({ preview: null });
  }
}

const createShown = () => createStore<{ frame: SheetFrame | null }>(() => ({ frame: null }));
type Shown = ReturnType<typeof createShown>;

/** Whether it was anything else before. */
function setShown(shown: Shown, frame: SheetFrame | null): boolean {
  if (shown.getState().frame === frame) return false;
  shown.setState({ frame });
  return true;
}

/** Whether what is asked for is shown on a panel beside the paper. */
export const PanelContext = createContext(false);

export const SheetSessionContext = createContext<SheetSession | null>(null);

export function useSheetSession(): SheetSession {
  const session = useContext(SheetSessionContext);
  if (!session) throw new Error("no session");
  return session;
}

export function useNewSheetSession(id: string): SheetSession {
  const queries = useQueryClient();
  return useMemo(() => new SheetSession(id, queries), [id, queries]);
}

/** The sheet, telling how far it is where it takes long; given up once nobody waits for it. */
function opened(id: string, signal: AbortSignal): Promise<SheetFrame> {
  return watch(
    (work) => api.sheet(id, work, signal),
    (work) => tableState().set({ work }),
  );
}

export function useSheetQuery(id: string) {
  return useQuery({ queryKey: ["sheet", id], queryFn: ({ signal }) => opened(id, signal) });
}

/** Part of the sheet as it is shown; only when that part changes is what asks for it rendered again. */
export function useShown<T>(select: (frame: SheetFrame) => T): T {
  const session = useSheetSession();
  const onPanel = useContext(PanelContext);
  return useStore(
    onPanel ? session.panels : session.shown,
    useShallow(({ frame }) => select(frame ?? session.frame)),
  );
}

/** Some parts of the sheet's frame. */
export function useFrame<Key extends keyof SheetFrame>(...keys: Key[]): Pick<SheetFrame, Key> {
  return useShown((frame) => Object.fromEntries(keys.map((key) => [key, frame[key]])) as Pick<SheetFrame, Key>);
}

/** The path that the Ticket and the Tape are about: the last one chosen. */
export function useChosen() {
  const shown = useFrame("paths", "runs");
  const chosen = useTableState((state) => state.chosen);
  const picked = useTableState((state) => state.run);
  return useMemo(() => {
    const paths = chosen.flatMap((id) => shown.paths.find((path) => path.id === id) ?? []);
    const path = paths.at(-1) ?? null;
    const runsOf = shown.runs.filter((r) => r.path === path?.id);
    const run = runsOf.find((r) => r.id === picked) ?? runsOf.at(-1) ?? null;
    // With several paths a change goes to the topmost run of each.
    const tops = paths.flatMap((p) => (p === path ? run : shown.runs.findLast((r) => r.path === p.id)) ?? []);
    return { paths, path, run, runs: tops, runsOf };
  }, [shown, chosen, picked]);
}
