/** The sheet as the server has it, and the ways to change it. */
import { useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { createContext, useContext, useMemo } from "react";
import { createStore, useStore } from "zustand";
import { useShallow } from "zustand/react/shallow";

import { api, type DrawingChosen, Refusal } from "@/shared/api/client";
import { type Frame, type Preview, withPreview } from "@/shared/api/frame";
import type { Intent, PathShown, RunShown, SheetFrame } from "@/shared/api/types";

import { choosePaths, tableState, useTableState } from "./state";

type Change = (id: string, revision: number) => Promise<Frame>;

/** Sends changes one after the other, and previews newest first. */
export class SheetSession {
  private line: Promise<unknown> = Promise.resolve();
  private running: AbortController | null = null;
  private waiting: Intent | null = null;

  /** What the page shows: parts of it are asked for, so that only what changed is rendered again. */
  readonly shown = createStore<{ frame: Frame | null }>(() => ({ frame: null }));
  private merged: { base?: Frame; preview: Preview | null; frame: Frame | null } = { preview: null, frame: null };

  constructor(
    readonly id: string,
    private readonly queries: QueryClient,
  ) {}

  /** The sheet as kept, with a drag's preview over it: put together once for each. */
  frame(): Frame | null {
    const base = this.queries.getQueryData<Frame>(this.key);
    const preview = tableState().preview;
    if (this.merged.base !== base || this.merged.preview !== preview) {
      this.merged = { base, preview, frame: base && preview ? withPreview(base, preview) : (base ?? null) };
    }
    return this.merged.frame;
  }

  /** What is shown now, for what is done rather than drawn. */
  get head(): SheetFrame {
    const frame = this.frame();
    if (!frame) throw new Error("no sheet yet");
    return frame.head;
  }

  /** Follow what the server sends and what is previewed; gives the way to stop. */
  connect = () => {
    const update = () => {
      const frame = this.frame();
      if (frame !== this.shown.getState().frame) this.shown.setState({ frame });
    };
    update();
    const stops = [this.queries.getQueryCache().subscribe(update), useTableState.subscribe(update)];
    return () => stops.forEach((stop) => stop());
  };

  private get key() {
    return ["sheet", this.id];
  }

  private get revision(): number {
    return this.queries.getQueryData<Frame>(this.key)?.head.revision ?? 0;
  }

  /** Do one thing. Resolves to null when it is done, or to what the server said against it. */
  command(intent: Intent): Promise<Refusal | null> {
    this.dropPreviews();
    return this.change((id, revision) => api.command(id, revision, intent));
  }

  undo = () => this.change(api.undo);
  redo = () => this.change(api.redo);

  /** Put what was chosen of a drawing that has been looked at on the sheet. */
  useDrawing(drawing: string, chosen: DrawingChosen): Promise<Refusal | null> {
    return this.change((id, revision) => api.useDrawing(id, drawing, { revision, ...chosen }));
  }

  addGuide(file: File): Promise<Refusal | null> {
    return this.change((id, revision) => api.addGuide(id, revision, file));
  }

  removeUnreadable(kind: string, row: string): Promise<Refusal | null> {
    return this.change((id) => api.removeUnreadable(id, kind, row));
  }

  private change(send: Change): Promise<Refusal | null> {
    const step = this.line.then(() => this.carryOut(send));
    this.line = step;
    return step;
  }

  private async carryOut(send: Change): Promise<Refusal | null> {
    const told = tableState().notice;
    try {
      const frame = await send(this.id, this.revision);
      this.queries.setQueryData(this.key, frame);
      const notes = frame.head.notes ?? [];
      tableState().set({ preview: null });
      if (notes.length) tableState().set({ notice: { tone: "word", text: notes.join(" ") } });
      // What was said in the meantime is of something else, and stays.
      else if (tableState().notice === told) tableState().set({ notice: null });
      return null;
    } catch (error) {
      return this.refused(error);
    }
  }

  private async refused(error: unknown): Promise<Refusal> {
    const refusal = error instanceof Refusal ? error : new Refusal(0, "That did not work", String(error));
    tableState().set({ preview: null, notice: { tone: "fault", text: refusal.message } });
    if (refusal.status === 409) {
      // Catch up with the other page; what was typed stays in its field.
      await this.queries.refetchQueries({ queryKey: this.key });
    }
    return refusal;
  }

  /** Show what a thing would look like. While one is on its way only the newest waits. */
  preview(intent: Intent) {
    if (this.running) {
      this.waiting = intent;
      return;
    }
    const abort = new AbortController();
    this.running = abort;
    api
      .preview(this.id, this.revision, intent, abort.signal)
      .then((frame) => {
        if (this.running === abort) tableState().set({ preview: frame });
      })
      .catch(() => undefined)
      .finally(() => {
        if (this.running !== abort) return;
        this.running = null;
        const next = this.waiting;
        this.waiting = null;
        if (next) this.preview(next);
      });
  }

  /** A run as the server keeps it, whatever a drag shows. */
  keptRun(id: string): RunShown | undefined {
    return this.queries.getQueryData<Frame>(this.key)?.head.runs.find((run) => run.id === id);
  }

  /** The paths as the server keeps them, whatever is shown. */
  kept(): readonly PathShown[] {
    return this.queries.getQueryData<Frame>(this.key)?.head.paths ?? [];
  }

  /** The ids of the single repeats as the server keeps them. */
  keptSingles(): string[] {
    return this.queries.getQueryData<Frame>(this.key)?.head.singles.map((single) => single.id) ?? [];
  }

  /** Choose the first path that answers to something. */
  choose(which: (path: PathShown) => boolean) {
    const found = this.queries.getQueryData<Frame>(this.key)?.head.paths.find(which);
    if (found) choosePaths([found.id]);
  }

  /** Choose every path that answers to something. */
  chooseAll(which: (path: PathShown) => boolean) {
    choosePaths(
      this.kept()
        .filter(which)
        .map((path) => path.id),
    );
  }

  /** Forget previews that are on their way, and optionally the one that is shown. */
  dropPreviews(clear = false) {
    this.running?.abort();
    this.running = null;
    this.waiting = null;
    if (clear) tableState().set({ preview: null });
  }
}

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

export function useSheetQuery(id: string) {
  return useQuery({ queryKey: ["sheet", id], queryFn: () => api.sheet(id) });
}

/** Part of the sheet as it is shown; only when that part changes is what asks for it rendered again. */
export function useShown<T>(select: (frame: Frame) => T): T {
  const session = useSheetSession();
  return useStore(
    session.shown,
    useShallow(({ frame }) => {
      const shown = frame ?? session.frame();
      if (!shown) throw new Error("no sheet yet");
      return select(shown);
    }),
  );
}

/** Some fields of the sheet's head. */
export function useHead<Key extends keyof SheetFrame>(...keys: Key[]): Pick<SheetFrame, Key> {
  return useShown(({ head }) => Object.fromEntries(keys.map((key) => [key, head[key]])) as Pick<SheetFrame, Key>);
}

/** The path that the Ticket and the Tape are about: the last one chosen. */
export function useChosen() {
  const shown = useHead("paths", "runs");
  const chosen = useTableState((state) => state.chosen);
  const picked = useTableState((state) => state.run);
  return useMemo(() => {
    const paths = chosen.flatMap((id) => shown.paths.find((path) => path.id === id) ?? []);
    const path = paths.at(-1) ?? null;
    const worn = shown.runs.filter((r) => r.path === path?.id);
    const run = worn.find((r) => r.id === picked) ?? worn.at(-1) ?? null;
    // With several paths a change goes to the topmost run of each.
    const tops = paths.flatMap((p) => (p === path ? run : shown.runs.findLast((r) => r.path === p.id)) ?? []);
    return { paths, path, run, runs: tops, worn };
  }, [shown, chosen, picked]);
}
