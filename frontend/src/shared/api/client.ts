/** Talking to the server. */
import type { Work } from "../work";

import { CHOICES } from "./choices";
import { readBench, readChanged, readPreview, readSheet, readTape } from "./frame";
import { binary, client, exact, form, type Reply, type Schemas, settled, watched } from "./request";
import type { paths } from "./schema";
import type {
  AreaMember,
  ChangedFrame,
  Intent,
  MarkDoc,
  Edit,
  PreviewFrame,
  SheetFrame,
  TapeAsked,
  TapeFrame,
  TraceSettings,
  Trial,
} from "./types";

type OutlineQuery = NonNullable<paths["/api/sheets/{sheet_id}/outline.json"]["get"]["parameters"]["query"]>;
/** What of a sheet is exported, how it looks and how its file is written, as it is entered. */
export type ExportAsked = Omit<
  NonNullable<paths["/api/sheets/{sheet_id}/export.json"]["get"]["parameters"]["query"]>,
  "form"
>;

/** How an outline is made, as it is entered. */
export type OutlineAsked = Required<
  Pick<OutlineQuery, "gaps" | "grow" | "least" | "within" | "round" | "splines" | "size">
>;
/** A format of exported files. */
export type OutputId = (typeof CHOICES.outputs)[number]["id"];

/** What is taken of a drawing, and as what. */
export type DrawingChosen = Omit<Schemas["UseDrawing"], "revision">;

/** In what respect paths are alike. */
export type By = NonNullable<paths["/api/sheets/{sheet_id}/similar"]["get"]["parameters"]["query"]>["by"];

/** A place as it is entered. */
export type PlaceEntered = NonNullable<paths["/api/sheets/{sheet_id}/place"]["get"]["parameters"]["query"]>;

const bench = exact<"BenchShown">;

async function whole(request: Promise<Reply<ArrayBuffer>>): Promise<SheetFrame> {
  return readSheet(await settled(request));
}

async function changed(request: Promise<Reply<ArrayBuffer>>): Promise<ChangedFrame> {
  return readChanged(await settled(request));
}

const ofBrush = (brush_id: string) => ({ path: { brush_id } });
const at = (sheet_id: string) => ({ path: { sheet_id } });
export const api = {
  sheets: (archived = false) => settled(client.GET("/api/sheets", { params: { query: { archived } } })),

  beginSheet: (body: Schemas["NewSheet"]) => settled(client.POST("/api/sheets", { body })),

  duplicateSheet: (id: string) => settled(client.POST("/api/sheets/{sheet_id}/duplicate", { params: at(id) })),

  archiveSheet: (id: string, archived: boolean) =>
    settled(client.POST("/api/sheets/{sheet_id}/archive", { params: at(id), body: { archived } })),

  measure: (id: string, body: MarkDoc, signal: AbortSignal) =>
    exact<"MeasureShown">(client.POST("/api/sheets/{sheet_id}/measure", { params: at(id), body, signal })),

  weaves: () => settled(client.GET("/api/weaves")),

  addGuide: (id: string, revision: number, file: File) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/guides", {
        params: at(id),
        ...form({ revision: String(revision), file }),
        ...binary,
      }),
    ),

  fillWithPicture: (id: string, revision: number, paths: readonly string[], file: File) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/picture-fills", {
        params: at(id),
        ...form({ revision: String(revision), paths, file }),
        ...binary,
      }),
    ),

  importShades: (id: string, revision: number, file: File) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/shades", {
        params: at(id),
        ...form({ revision: String(revision), file }),
        ...binary,
      }),
    ),

  shadesOfGuide: (sheet_id: string, revision: number, guide_id: string) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/guides/{guide_id}/shades", {
        params: { path: { sheet_id, guide_id } },
        body: { revision },
        ...binary,
      }),
    ),

  colourAt: (id: string, x: number, y: number) =>
    settled(client.GET("/api/sheets/{sheet_id}/colour", { params: { ...at(id), query: { x, y } } })),

  /** The repeat at a place on a run's Tape, garment mm. */
  repeatAt: (sheet_id: string, run_id: string, at: number) =>
    exact<"OneRepeatShown">(
      client.GET("/api/sheets/{sheet_id}/runs/{run_id}/repeat", {
        params: { path: { sheet_id, run_id }, query: { at } },
      }),
    ),

  look: (sheet_id: string, run_id: string) =>
    exact<"TakenLook">(
      client.GET("/api/sheets/{sheet_id}/runs/{run_id}/look", { params: { path: { sheet_id, run_id } } }),
    ),

  progress: (name: string) => settled(client.GET("/api/under-way/{name}", { params: { path: { name } } })),

  stopWork: (name: string) => settled(client.POST("/api/under-way/{name}/stop", { params: { path: { name } } })),

  sheet: (id: string, work: Work, signal: AbortSignal) =>
    whole(client.GET("/api/sheets/{sheet_id}", { params: at(id), signal, ...watched(work), ...binary })),

  command: (id: string, revision: number, intent: Intent, work: Work) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/commands", {
        params: at(id),
        body: { revision, intent },
        ...watched(work),
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
    return readPreview(await settled(reply));
  },

  tape: async (id: string, body: TapeAsked, signal: AbortSignal): Promise<TapeFrame> =>
    readTape(await settled(client.POST("/api/sheets/{sheet_id}/tape", { params: at(id), body, signal, ...binary }))),

  undo: (id: string, revision: number, work: Work) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/undo", { params: at(id), body: { revision }, ...watched(work), ...binary }),
    ),

  redo: (id: string, revision: number, work: Work) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/redo", { params: at(id), body: { revision }, ...watched(work), ...binary }),
    ),

  readDrawing: (file: File, page = 1) => settled(client.POST("/api/drawings", form({ file, page: String(page) }))),

  drawing: (drawing_id: string, by: Schemas["UseDrawing"]["by"]) =>
    settled(client.GET("/api/drawings/{drawing_id}", { params: { path: { drawing_id }, query: { by } } })),

  stopDrawing: (drawing_id: string) =>
    settled(client.DELETE("/api/drawings/{drawing_id}", { params: { path: { drawing_id } } })),

  useDrawing: (sheet_id: string, drawing_id: string, body: Schemas["UseDrawing"], work: Work) =>
    changed(
      client.POST("/api/sheets/{sheet_id}/drawings/{drawing_id}", {
        params: { path: { sheet_id, drawing_id } },
        body,
        ...watched(work),
        ...binary,
      }),
    ),

  /** Where an entered place is. */
  place: (id: string, query: PlaceEntered) =>
    settled(client.GET("/api/sheets/{sheet_id}/place", { params: { ...at(id), query } })),

  /** The paths that are like one. */
  similar: (id: string, path: string, by: By, within: string) =>
    settled(client.GET("/api/sheets/{sheet_id}/similar", { params: { ...at(id), query: { path, by, within } } })),

  /** Paths as they are, to be pasted later. */
  clip: (id: string, paths: string[]) =>
    settled(client.POST("/api/sheets/{sheet_id}/clip", { params: at(id), body: { paths } })),

  figures: () => settled(client.GET("/api/figures")),

  fonts: () => settled(client.GET("/api/fonts")),

  bringFont: (file: File) => settled(client.POST("/api/fonts", form({ file }))),

  /** Remove from a sheet what cannot be read. */
  removeUnreadable: (sheet_id: string, kind: string, row_id: string) =>
    whole(
      client.DELETE("/api/sheets/{sheet_id}/unreadable/{kind}/{row_id}", {
        params: { path: { sheet_id, kind, row_id } },
        ...binary,
      }),
    ),

  /** The brushes and motifs that cannot be read. */
  unreadable: () => settled(client.GET("/api/unreadable")),

  removeFromLibrary: (kind: "brush" | "motif", row_id: string) =>
    settled(client.DELETE("/api/unreadable/{kind}/{row_id}", { params: { path: { kind, row_id } } })),

  restoreBrush: (brush_id: string) =>
    bench(client.POST("/api/unreadable/brush/{brush_id}/restore", { params: { path: { brush_id } } })),

  families: () => exact<"FamilyList">(client.GET("/api/families")),

  brushes: () => settled(client.GET("/api/brushes")),

  brush: (id: string) => bench(client.GET("/api/brushes/{brush_id}", { params: ofBrush(id) })),

  newBrush: (body: { empty?: string; family?: string; motif?: string; copy_of?: string }) =>
    bench(client.POST("/api/brushes", { body })),

  motifs: () => settled(client.GET("/api/motifs")),

  keepMotif: (body: Schemas["KeepMotif"]) => settled(client.POST("/api/motifs", { body })),

  importMotif: (file: File) => settled(client.POST("/api/motif-files", form({ file }))),

  renameMotif: (motif_id: string, name: string) =>
    settled(client.POST("/api/motifs/{motif_id}/name", { params: { path: { motif_id } }, body: { name } })),

  removeMotif: (motif_id: string) =>
    settled(client.DELETE("/api/motifs/{motif_id}", { params: { path: { motif_id } } })),

  useMotif: (id: string, body: Schemas["UseMotif"]) =>
    bench(client.POST("/api/brushes/{brush_id}/motif", { params: ofBrush(id), body })),

  putBackBrush: (id: string) => settled(client.POST("/api/brushes/{brush_id}/restore", { params: ofBrush(id) })),

  putBackMotif: (motif_id: string) =>
    settled(client.POST("/api/motifs/{motif_id}/restore", { params: { path: { motif_id } } })),

  removeBrush: (id: string) => settled(client.DELETE("/api/brushes/{brush_id}", { params: ofBrush(id) })),

  trial: async (body: Trial, signal: AbortSignal) =>
    readBench(await settled(client.POST("/api/bench/trial", { body, signal, ...binary }))),

  make: (id: string, body: { version: number; edit: Edit; keep_runs: boolean }) =>
    bench(client.POST("/api/brushes/{brush_id}/edits", { params: ofBrush(id), body })),

  takeArtwork: (id: string, file: File, values: Record<string, string>) =>
    bench(client.POST("/api/brushes/{brush_id}/artwork", { params: ofBrush(id), ...form({ file, ...values }) })),

  takePicture: (file: File) => settled(client.POST("/api/pictures", form({ file }))),

  startTracing: (picture: string, asked: TraceSettings) =>
    settled(client.POST("/api/tracings", { body: { picture, asked } })),

  tracing: (tracing_id: string) =>
    exact<"TracingShown">(client.GET("/api/tracings/{tracing_id}", { params: { path: { tracing_id } } })),

  stopTracing: (tracing_id: string) =>
    settled(client.DELETE("/api/tracings/{tracing_id}", { params: { path: { tracing_id } } })),

  useTracing: (id: string, body: Schemas["UseTracing"]) =>
    bench(client.POST("/api/brushes/{brush_id}/traced", { params: ofBrush(id), body })),

  usePicture: (id: string, body: Schemas["UsePicture"]) =>
    bench(client.POST("/api/brushes/{brush_id}/picture", { params: ofBrush(id), body })),

  undoEdit: (id: string, version: number) =>
    bench(client.POST("/api/brushes/{brush_id}/undo", { params: ofBrush(id), body: { version } })),

  redoEdit: (id: string, version: number) =>
    bench(client.POST("/api/brushes/{brush_id}/redo", { params: ofBrush(id), body: { version } })),

  goBack: (id: string, version: number, number: number) =>
    bench(client.POST("/api/brushes/{brush_id}/go-back", { params: ofBrush(id), body: { version, number } })),

  importBrushes: (files: readonly File[], replace: boolean) =>
    settled(client.POST("/api/brush-files", form({ files, replace: String(replace) }))),

  ways: (id: string, members: AreaMember[]) =>
    exact<"WaysShown">(client.POST("/api/sheets/{sheet_id}/areas/ways", { params: at(id), body: { members } })),

  outline: (id: string, query: OutlineQuery, work: Work, signal: AbortSignal) =>
    settled(
      client.GET("/api/sheets/{sheet_id}/outline.json", { params: { ...at(id), query }, ...watched(work), signal }),
    ),

  /** An outline's numbers as they are read; throws what the server says against them. */
  outlineNumbers: (id: string, query: OutlineQuery) =>
    settled(client.GET("/api/sheets/{sheet_id}/outline-numbers", { params: { ...at(id), query } })),

  exportFacts: (id: string, form: OutputId, asked: ExportAsked) =>
    settled(
      client.GET("/api/sheets/{sheet_id}/export.json", {
        params: { ...at(id), query: { form, ...asked } },
      }),
    ),
};
