/** Sheets as files, and back-ups of everything. */
import { client, form, settled } from "./request";

const at = (sheet_id: string) => ({ path: { sheet_id } });

export const files = {
  /** Where a sheet's file is fetched. */
  sheetAddress: (id: string, history: boolean) => `/api/sheets/${id}/sheet-file?history=${history}`,

  /** Where the files of all sheets are fetched. */
  packAddress: (archived: boolean) => `/api/sheet-files?history=true&archived=${archived}`,

  backUpAddress: "/api/back-up",

  importSheets: (chosen: readonly File[]) => settled(client.POST("/api/sheet-files", form({ files: chosen }))),

  replaceSheet: (id: string, revision: number, file: File) =>
    settled(
      client.POST("/api/sheets/{sheet_id}/sheet-file", {
        params: at(id),
        ...form({ revision: String(revision), file }),
      }),
    ),

  backUps: () => settled(client.GET("/api/back-ups")),

  restoreKept: (name: string) => settled(client.POST("/api/back-ups/restore", { body: { name } })),

  restoreFile: (file: File) => settled(client.POST("/api/back-up-files", form({ file }))),
};
