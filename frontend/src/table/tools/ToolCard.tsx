/** The card of the tool in hand, over the chosen path's own. */
import { useTableState } from "../state";
import { DraftCard } from "./draft/DraftCard";
import { FigureCard } from "./figure/Figures";
import { LetteringCard } from "./lettering/LetteringCard";
import { MeasureCard } from "./measure/MeasureCard";
import { SketchCard } from "./sketch/Sketch";

export function ToolCard() {
  const tool = useTableState((state) => state.tool);
  if (tool === "choose") return null;
  return (
    <div className="mb-3 rounded-box border border-base-300 bg-base-100 px-3.5 py-2.5">
      {tool === "draft" && <DraftCard />}
      {tool === "sketch" && <SketchCard />}
      {tool === "figure" && <FigureCard />}
      {tool === "lettering" && <LetteringCard />}
      {tool === "measure" && <MeasureCard />}
    </div>
  );
}
