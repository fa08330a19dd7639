/** The sheet as the server has it, and the ways to change it. */
import { useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { createContext, useContext, useMemo } from "react";

import { api, type DrawingChosen, Refusal } from "@/shared/api/client";
import { type Frame, withPreview } from "@/shared/api/frame";
import type { Intent, PathShown, RunShown } from "@/shared/api/types";

import { choosePaths, hand, useHand } from "./state";

type Change = (id: string, revision: number) => Promise<Frame>;

/** Sends changes one after the other, and previews newest first. */
export class Desk {
  private line: Promise<unknown> = Promise.resolve();
  private running: AbortController | null = null;
  private waiting: Intent | null = null;

  constructor(
    readonly id: string,
    private readonly queries: QueryClient,
  ) {}

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
    const told = hand().notice;
    try {
      const frame = await send(this.id, this.revision);
      this.queries.setQueryData(this.key, frame);
      const notes = frame.head.notes ?? [];
      hand().set({ preview: null });
      if (notes.length) hand().set({ notice: { tone: "word", text: notes.join(" ") } });
      // What was said in the meantime is of something else, and stays.
      else if (hand().notice === told) hand().set({ notice: null });
      return null;
    } catch (error) {
      return this.refused(error);
    }
  }

  private async refused(error: unknown): Promise<Refusal> {
    const refusal =
      error instanceof Refusal ? error : new Refusal(0, "That did not work", String(error));
    hand().set({ preview: null, notice: { tone: "fault", text: refusal.message } });
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
        if (this.running === abort) hand().set({ preview: frame });
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
    choosePaths(this.kept().filter(which).map((path) => path.id));
  }

  /** Forget previews that are on their way, and optionally the one that is shown. */
  dropPreviews(clear = false) {
    this.running?.abort();
    this.running = null;
    this.waiting = null;
    if (clear) hand().set({ preview: null });
  }
}

export const DeskContext = createContext<Desk | null>(null);

export function useDesk(): Desk {
  const desk = useContext(DeskContext);
  if (!desk) throw new Error("no desk");
  return desk;
}

export function useNewDesk(id: string): Desk {
  const queries = useQueryClient();
  return useMemo(() => new Desk(id, queries), [id, queries]);
}

export function useSheetQuery(id: string) {
  return useQuery({ queryKey: ["sheet", id], queryFn: () => api.sheet(id) });
}

/** The sheet as shown: as kept, with a drag's preview over it. */
export function useShown(): Frame {
  const { data } = useSheetQuery(useDesk().id);
  const preview = useHand((state) => state.preview);
  const shown = useMemo(() => (data ? withPreview(data, preview) : null), [data, preview]);
  if (!shown) throw new Error("no sheet yet");
  return shown;
}

/** The path that the Ticket and the Tape are about: the last one chosen. */
export function useChosen() {
  const shown = useShown();
  const chosen = useHand((state) => state.chosen);
  const picked = useHand((state) => state.run);
  return useMemo(() => {
    const paths = chosen.flatMap((id) => shown.head.paths.find((path) => path.id === id) ?? []);
    const path = paths.at(-1) ?? null;
    const worn = shown.head.runs.filter((r) => r.path === path?.id);
    const run = worn.find((r) => r.id === picked) ?? worn.at(-1) ?? null;
    // With several paths a change goes to the topmost run of each.
    const tops = paths.flatMap((p) => (p === path ? run : shown.head.runs.findLast((r) => r.path === p.id)) ?? []);
    return { paths, path, run, runs: tops, worn };
  }, [shown, chosen, picked]);
}
