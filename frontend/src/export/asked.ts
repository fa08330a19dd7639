/** What is asked of Export, and the addresses of its files. */
import { CHOICES } from "@/shared/api/choices";
import type { ExportAsked, OutputId } from "@/shared/api/client";
import { plural } from "@/shared/ui/words";
import { useChosen, useFrame } from "@/table/sheet";

export type OutlineId = (typeof CHOICES.outlines)[number]["id"];
export type TileId = "tile.png" | "textures.zip";
export type As = OutputId | `outline.${OutlineId}` | TileId;
export type What = "sheet" | "runs" | "chosen" | "group" | "area" | "run";

/** What of the sheet is meant, as the addresses of files say it. */
export type Meant = Pick<ExportAsked, "what" | "run" | "paths" | "group" | "area">;
/** Whether that is all of it. */
export const isWhole = (meant: Meant) => !meant.run && !meant.paths && !meant.group && !meant.area;
/** How files are made of it. */
export type Made = Required<Omit<ExportAsked, keyof Meant | "colourway">> & { colourway: string };

export const USUALLY: Made = {
  each: "sheet",
  colourway: "",
  background: "",
  ppi: "300",
  quality: "90 %",
  paper: "own",
  overlap: "10 mm",
  lines: "middle",
  curves: "polylines",
  size: "sheet",
  trimmed: false,
  margin: "0 mm",
  colours: "drawn",
  callouts: false,
  also: "",
};

export const AS: (readonly [As, string])[] = [
  ...CHOICES.outputs.map(({ id, label }) => [id, label] as const),
  ...CHOICES.outlines.map(({ id, label }) => [`outline.${id}`, `Outline, ${label}`] as const),
];
/** What is made of a run's brush alone. */
export const TILES: (readonly [TileId, string])[] = [
  ["tile.png", "Seamless tile"],
  ["textures.zip", "Textures for 3-D cloth"],
];
export const isTile = (as: As): as is TileId => as === "tile.png" || as === "textures.zip";
export const isOutline = (as: As): as is `outline.${OutlineId}` => as.startsWith("outline.");
const output = (as: As) => CHOICES.outputs.find(({ id }) => id === as);
/** What a format is called where there is little room: its label's first word. */
export const shortly = (as: As) => output(as)!.label.split(/[ ,]/)[0];
export const hasPixels = (as: As) => output(as)?.pixels ?? false;
export const hasPages = (as: As) => output(as)?.pages ?? false;
/** Whether a format is written by a setting. */
export const goesBy = (as: As, setting: string) =>
  (output(as)?.settings as readonly string[] | undefined)?.includes(setting) ?? false;

/** The ways of saying what is meant, as what is chosen allows, and what each of them comes to. */
export function useMeant(): { options: [What, string][]; meant: (what: What) => Meant } {
  const { path, paths, run } = useChosen();
  const { groups, areas } = useFrame("groups", "areas");
  const group = groups.find(({ id }) => id === path?.group);
  const area = areas.find(({ id }) => id === path?.area);
  const options: [What, string][] = [
    ["sheet", "Sheet with its lines"],
    ["runs", "Every run, no lines"],
    ...(paths.length ? [["chosen", plural(paths.length, "chosen path")] as [What, string]] : []),
    ...(group ? [["group", `Seam group ${group.name}`] as [What, string]] : []),
    ...(area ? [["area", `Area ${path!.name}`] as [What, string]] : []),
    ...(run ? [["run", `Only ${path!.name}`] as [What, string]] : []),
  ];
  const meant = (what: What): Meant => ({
    what: what === "runs" || what === "run" ? "runs" : "sheet",
    ...(what === "run" && run && { run: run.id }),
    ...(what === "chosen" && { paths: paths.map(({ id }) => id).join(",") }),
    ...(what === "group" && group && { group: group.id }),
    ...(what === "area" && area && { area: area.id }),
  });
  return { options, meant };
}

/** The address of a file of a sheet. */
export function addressOf(sheet: string, file: string, asked: Record<string, unknown>): string {
  const given = Object.entries(asked).filter(([, value]) => value !== "" && value !== undefined);
  return `/api/sheets/${sheet}/${file}?${new URLSearchParams(given.map(([key, value]) => [key, String(value)]))}`;
}
