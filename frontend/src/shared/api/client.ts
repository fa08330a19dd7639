/** Talking to the server. */
import createClient from "openapi-fetch";

import { readBench, readChanged, readPreview, readSheet } from "./frame";
import type { components, paths } from "./schema";
import type {
  BenchShown,
  BrushListed,
  ChangedFrame,
  FamilyShown,
  DrawingLooked,
  FigureListed,
  FontShown,
  Intent,
  MarkDoc,
  MeasureShown,
  Edit,
  PictureTaken,
  PreviewFrame,
  Problem,
  SetAsideShown,
  SheetFrame,
  MotifKept,
  MotifListed,
  TakenBrush,
  TraceSettings,
  TracingShown,
  Trial,
} from "./types";

const client = createClient<paths>();

/** What the server says went wrong, in words for the person. */
export class Refusal extends Error {
  constructor(
    readonly status: number,
    readonly title: string,
    detail: string,
    /** Of a sheet that cannot be shown: its revision, and what undo takes back. */
    readonly sheet: { revision: number; undo: string | null } | null = null,
  ) {
    super(detail);
  }
}

/** What is taken of a drawing, and as what. */
export type DrawingChosen = Omit<components["schemas"]["UseDrawing"], "revision">;

/** In what respect paths are alike. */
export type By = NonNullable<paths["/api/sheets/{sheet_id}/alike"]["get"]["parameters"]["query"]>["by"];

/** A place as it is typed. */
export type PlaceTyped = NonNullable<paths["/api/sheets/{sheet_id}/place"]["get"]["parameters"]["query"]>;

interface Reply {
  data?: unknown;
  error?: unknown;
  response: Response;
}

async function settled<T>(request: Promise<Reply>): Promise<T> {
  let reply: Reply;
  try {
    reply = await request;
  } catch (error) {
    if (error instanceof DOMException && error.name === "AbortError") throw error;
    throw new Refusal(0, "No answer", "Curlet’s server does not answer. Is it still running?");
  }
  if (!reply.response.ok) {
    const problem = reply.error as Problem | undefined;
    throw new Refusal(
      reply.response.status,
      problem?.title ?? "That did not work",
      problem?.detail ?? "The server gave no reason. Try again.",
      problem?.revision != null ? { revision: problem.revision, undo: problem.undo ?? null } : null,
    );
  }
  return reply.data as T;
}

async function whole(request: Promise<Reply>): Promise<SheetFrame> {
  return readSheet(await settled<ArrayBuffer>(request));
}

async function changed(request: Promise<Reply>): Promise<ChangedFrame> {
  return readChanged(await settled<ArrayBuffer>(request));
}

const ofBrush = (brush_id: string) => ({ path: { brush_id } });
const at = (sheet_id: string) => ({ path: { sheet_id } });
const binary = { parseAs: "arrayBuffer" } as const;

export const api = {
  sheets: (away = false) =>
    settled<components["schemas"]["SheetList"]>(client.GET("/api/sheets", { params: { query: { away } } })),

  beginSheet: (body: components["schemas"]["NewSheet"]) =>
    settled<{ id: string }>(client.POST("/api/sheets", { body })),

  duplicateSheet: (id: string) =>
    settled<{ id: string }>(client.POST("/api/sheets/{sheet_id}/duplicate", { params: at(id) })),

  putAway: (id: string, away: boolean) =>
    settled<unknown>(client.POST("/api/sheets/{sheet_id}/away", { params: at(id), body: { away } })),

  measure: (id: string, body: MarkDoc, signal: AbortSignal) =>
    settled<MeasureShown>(client.POST("/api/sheets/{sheet_id}/measure", { params: at(id), body, signal })),

  weaves: () => settled<components["schemas"]["WeaveList"]>(client.GET("/api/weaves")),

  addGuide: (id: string, revision: number, file: File) => {
    const form = new FormData();
    form.set("revision", String(revision));
    form.set("file", file);
    return changed(
      client.POST("/api/sheets/{sheet_id}/guides", {
        params: at(id),
        body: form as never,
        bodySerializer: (body: unknown) => body as FormData,
        ...binary,
      }),
    );
  },

  sheet: (id: string) => whole(client.GET("/api/sheets/{sheet_id}", { params: at(id), ...binary })),

  command: (id: string, revision: number, intent: Intent) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/commands", {
        params: at(id),
        body: { revision, intent },
        ...binary,
      }),
    ),

  preview: async (id: string, revision: number, intent: Intent, signal: AbortSignal): Promise<PreviewFrame> => {
    const reply = client.POST("/api/sheets/{sheet_id}/preview", {
      params: at(id),
      body: { revision, intent },
      signal,
      ...binary,
    });
    return readPreview(await settled<ArrayBuffer>(reply));
  },

  undo: (id: string, revision: number) =>
    changed(client.POST("/api/sheets/{sheet_id}/undo", { params: at(id), body: { revision }, ...binary })),

  redo: (id: string, revision: number) =>
    changed(client.POST("/api/sheets/{sheet_id}/redo", { params: at(id), body: { revision }, ...binary })),

  readDrawing: (file: File) => {
    const form = new FormData();
    form.set("file", file);
    return settled<{ id: string; title: string }>(
      client.POST("/api/drawings", { body: form as never, bodySerializer: (body: unknown) => body as FormData }),
    );
  },

  drawing: (drawing_id: string, by: components["schemas"]["UseDrawing"]["by"]) =>
    settled<DrawingLooked>(
      client.GET("/api/drawings/{drawing_id}", { params: { path: { drawing_id }, query: { by } } }),
    ),

  stopDrawing: (drawing_id: string) =>
    settled<unknown>(client.DELETE("/api/drawings/{drawing_id}", { params: { path: { drawing_id } } })),

  useDrawing: (sheet_id: string, drawing_id: string, body: components["schemas"]["UseDrawing"]) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/drawings/{drawing_id}", {
        params: { path: { sheet_id, drawing_id } },
        body,
        ...binary,
      }),
    ),

  /** Where a typed place is. */
  place: (id: string, query: PlaceTyped) =>
    settled<{ x: number; y: number }>(client.GET("/api/sheets/{sheet_id}/place", { params: { ...at(id), query } })),

  /** The paths that are like one. */
  alike: (id: string, path: string, by: By, within: string) =>
    settled<{ paths: string[] }>(
      client.GET("/api/sheets/{sheet_id}/alike", { params: { ...at(id), query: { path, by, within } } }),
    ),

  figures: () => settled<{ figures: FigureListed[] }>(client.GET("/api/figures")),

  fonts: () => settled<{ fonts: FontShown[] }>(client.GET("/api/fonts")),

  bringFont: (file: File) => {
    const form = new FormData();
    form.set("file", file);
    return settled<FontShown>(
      client.POST("/api/fonts", { body: form as never, bodySerializer: (body: unknown) => body as FormData }),
    );
  },

  /** Remove from a sheet what cannot be read. */
  removeUnreadable: (sheet_id: string, kind: string, row_id: string) =>
    whole(
      client.DELETE("/api/sheets/{sheet_id}/unreadable/{kind}/{row_id}", {
        params: { path: { sheet_id, kind, row_id } },
        ...binary,
      }),
    ),

  /** The brushes and motifs that cannot be read. */
  unreadable: () => settled<{ rows: SetAsideShown[] }>(client.GET("/api/unreadable")),

  removeFromLibrary: (kind: "brush" | "motif", row_id: string) =>
    settled<unknown>(client.DELETE("/api/unreadable/{kind}/{row_id}", { params: { path: { kind, row_id } } })),

  restoreBrush: (brush_id: string) =>
    settled<BenchShown>(client.POST("/api/unreadable/brush/{brush_id}/restore", { params: { path: { brush_id } } })),

  families: () => settled<{ families: FamilyShown[] }>(client.GET("/api/families")),

  brushes: () => settled<{ brushes: BrushListed[] }>(client.GET("/api/brushes")),

  brush: (id: string) => settled<BenchShown>(client.GET("/api/brushes/{brush_id}", { params: ofBrush(id) })),

  newBrush: (body: { empty?: string; family?: string; motif?: string; copy_of?: string }) =>
    settled<BenchShown>(client.POST("/api/brushes", { body })),

  motifs: () => settled<{ motifs: MotifListed[] }>(client.GET("/api/motifs")),

  keepMotif: (body: components["schemas"]["KeepMotif"]) => settled<MotifKept>(client.POST("/api/motifs", { body })),

  takeInMotif: (file: File) => {
    const form = new FormData();
    form.set("file", file);
    return settled<MotifKept>(
      client.POST("/api/motif-files", { body: form as never, bodySerializer: (body: unknown) => body as FormData }),
    );
  },

  renameMotif: (motif_id: string, name: string) =>
    settled<MotifListed>(
      client.POST("/api/motifs/{motif_id}/name", { params: { path: { motif_id } }, body: { name } }),
    ),

  removeMotif: (motif_id: string) =>
    settled<unknown>(client.DELETE("/api/motifs/{motif_id}", { params: { path: { motif_id } } })),

  useMotif: (id: string, body: components["schemas"]["UseMotif"]) =>
    settled<BenchShown>(client.POST("/api/brushes/{brush_id}/motif", { params: ofBrush(id), body })),

  removeBrush: (id: string) => settled<unknown>(client.DELETE("/api/brushes/{brush_id}", { params: ofBrush(id) })),

  trial: async (body: Trial, signal: AbortSignal) =>
    readBench(await settled<ArrayBuffer>(client.POST("/api/bench/trial", { body, signal, ...binary }))),

  make: (id: string, body: { version: number; edit: Edit; keep_runs: boolean }) =>
    settled<BenchShown>(client.POST("/api/brushes/{brush_id}/edits", { params: ofBrush(id), body })),

  takeArtwork: (id: string, file: File, values: Record<string, string>) => {
    const form = new FormData();
    form.set("file", file);
    for (const [name, value] of Object.entries(values)) form.set(name, value);
    return settled<BenchShown>(
      client.POST("/api/brushes/{brush_id}/artwork", {
        params: ofBrush(id),
        body: form as never,
        bodySerializer: (body: unknown) => body as FormData,
      }),
    );
  },

  takePicture: (file: File) => {
    const form = new FormData();
    form.set("file", file);
    return settled<PictureTaken>(
      client.POST("/api/pictures", { body: form as never, bodySerializer: (body: unknown) => body as FormData }),
    );
  },

  startTracing: (picture: string, asked: TraceSettings) =>
    settled<{ id: string }>(client.POST("/api/tracings", { body: { picture, asked } })),

  tracing: (tracing_id: string) =>
    settled<TracingShown>(client.GET("/api/tracings/{tracing_id}", { params: { path: { tracing_id } } })),

  stopTracing: (tracing_id: string) =>
    settled<unknown>(client.DELETE("/api/tracings/{tracing_id}", { params: { path: { tracing_id } } })),

  useTracing: (id: string, body: components["schemas"]["UseTracing"]) =>
    settled<BenchShown>(client.POST("/api/brushes/{brush_id}/traced", { params: ofBrush(id), body })),

  usePicture: (id: string, body: components["schemas"]["UsePicture"]) =>
    settled<BenchShown>(client.POST("/api/brushes/{brush_id}/picture", { params: ofBrush(id), body })),

  undoEdit: (id: string, version: number) =>
    settled<BenchShown>(client.POST("/api/brushes/{brush_id}/undo", { params: ofBrush(id), body: { version } })),

  redoEdit: (id: string, version: number) =>
    settled<BenchShown>(client.POST("/api/brushes/{brush_id}/redo", { params: ofBrush(id), body: { version } })),

  goBack: (id: string, version: number, number: number) =>
    settled<BenchShown>(
      client.POST("/api/brushes/{brush_id}/go-back", { params: ofBrush(id), body: { version, number } }),
    ),

  takeInBrushes: (files: readonly File[], replace: boolean) => {
    const form = new FormData();
    for (const file of files) form.append("files", file);
    form.set("replace", String(replace));
    return settled<{ taken: TakenBrush[] }>(
      client.POST("/api/brush-files", { body: form as never, bodySerializer: (body: unknown) => body as FormData }),
    );
  },

  sendOutFacts: (id: string, ppi: string) =>
    settled<import("./types").SendOutFacts>(
      client.GET("/api/sheets/{sheet_id}/send-out.json", {
        params: { ...at(id), query: { ppi } },
      }),
    ),
};
