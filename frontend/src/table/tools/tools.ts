/** The pointer tools, in their order: what each is called, its key and its cursor. */
import type { Tool } from "../state";

interface ToolWords {
  tool: Tool;
  name: string;
  digit: string;
  /** What the sheet is called while it is in hand. */
  sheet: string;
  cursor: string;
}

export const TOOLS: readonly ToolWords[] = [
  { tool: "choose", name: "Choose", digit: "1", sheet: "Sheet", cursor: "default" },
  {
    tool: "draft",
    name: "Draft",
    digit: "2",
    sheet: "Sheet, drafting: arrows move, Space sets a node, Enter ends",
    cursor: "crosshair",
  },
  {
    tool: "sketch",
    name: "Sketch",
    digit: "3",
    sheet: "Sheet, sketching: Space puts the pen down, arrows draw, Enter ends",
    cursor: "crosshair",
  },
  { tool: "figure", name: "Figure", digit: "4", sheet: "Sheet, drawing a figure", cursor: "crosshair" },
  { tool: "lettering", name: "Lettering", digit: "5", sheet: "Sheet, writing", cursor: "crosshair" },
  { tool: "measure", name: "Measure", digit: "6", sheet: "Sheet, measuring", cursor: "crosshair" },
];

export const toolWords = (tool: Tool) => TOOLS.find((item) => item.tool === tool)!;
