/** The schedule of a sheet, and where its files are fetched. */
import { client, exact, type Schemas } from "./request";

export type ScheduleShown = Schemas["ScheduleShown"];
export type ScheduleTable = Schemas["TableShown"];

/** The files that a schedule is kept as. */
export type ScheduleFile = "schedule.csv" | "schedule.pdf" | "work-page.pdf";

/** The allowances, as they are entered. */
export interface Allowed {
  waste: string;
  ends: string;
}

export const schedule = {
  of: (sheet_id: string, query: Allowed) =>
    exact<"ScheduleShown">(
      client.GET("/api/sheets/{sheet_id}/schedule.json", { params: { path: { sheet_id }, query } }),
    ),

  address: (sheet_id: string, file: ScheduleFile, query: Record<string, string>) =>
    `/api/sheets/${sheet_id}/${file}?${new URLSearchParams(query)}`,
};
