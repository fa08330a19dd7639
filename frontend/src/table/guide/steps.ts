/** The guide's steps: what each asks for, and when it is done. */
import type { RunShown } from "@/shared/api/types";

/** What the guide watches. */
export interface Watched {
  chosen: readonly string[];
  /** The run that the Ticket is about. */
  run: RunShown | null;
  corner: string | null;
  exporting: boolean;
}

interface Step {
  title: string;
  text: string;
  /** Whether it is done, by how things were when it came up. */
  done: (now: Watched, before: Watched) => boolean;
}

export const STEPS: readonly Step[] = [
  {
    title: "Choose a path",
    text: "Press a line on the sheet, or a name under Paths. Its lengths come up on the Ticket, on the right.",
    done: (now) => now.chosen.length > 0,
  },
  {
    title: "Lay a brush along it",
    text: "Press one under Brushes. It fits itself to the path, turns its corners and stays linked to it.",
    done: (now, before) => now.run !== null && (now.run.id !== before.run?.id || now.run.brush !== before.run.brush),
  },
  {
    title: "Set the stitch",
    text: "Press the first measure on the Ticket, type a length such as 4 mm, 1/8 in or 8 spi, and press Enter.",
    done: (now, before) => now.run !== null && now.run.own.length > (before.run?.own.length ?? 0),
  },
  {
    title: "Look at a corner",
    text: "Press the small mark at a corner, or a fold on the Tape. That corner can turn in a way of its own.",
    done: (now) => now.corner !== null,
  },
  {
    title: "Export it",
    text: "Press Export at the top right: an SVG for drawing programs, or a picture of any resolution.",
    done: (now) => now.exporting,
  },
];
