/** A row for each leg, because averages hide legs; a leg's count can be set by hand. */
import type { LegShown } from "@/shared/api/types";
import { NumberField } from "@/shared/ui/NumberField";
import { useLength } from "@/shared/ui/unit";
import { signed } from "@/shared/ui/words";

import { useSheetSession } from "../sheet";
import { Decision } from "@/shared/maker/Decision";
import { useRun, useShownRow } from "./settings";

const MAX = 60;
// So many are named in the folded row.
const MAX_NAMED = 2;

export function Legs() {
  const { legs } = useShownRow() ?? { legs: [] };
  const { unit, bare } = useLength();
  if (!legs.length) return null;
  const lengths = legs.slice(0, MAX_NAMED).map((leg) => bare(leg.own_length.garment, 1));
  const most = legs.reduce((worst, leg) => (Math.abs(leg.ease) > Math.abs(worst.ease) ? leg : worst));
  const count = legs.reduce((sum, leg) => sum + leg.repeats, 0);
  return (
    <Decision
      id="legs"
      label="Legs"
      set={
        <span className="measure">
          {lengths.join(" + ")}
          {legs.length > MAX_NAMED && " …"}
        </span>
      }
      result={`${count.toLocaleString("en")}, ${signed(most.ease)} %`}
    >
      <table className="w-full" data-testid="legs">
        <thead>
          <tr className="muted text-[12px]">
            <th scope="col" className="text-left font-normal">
              {unit}
            </th>
            <th scope="col" className="text-right font-normal">
              count
            </th>
            <th scope="col" className="text-right font-normal">
              length + gap
            </th>
            <th scope="col" className="text-right font-normal">
              ease
            </th>
          </tr>
        </thead>
        <tbody className="measure">
          {legs.slice(0, MAX).map((leg, index) => (
            <LegRow key={`${leg.node}-${index}`} leg={leg} index={index} />
          ))}
        </tbody>
      </table>
      {legs.length > MAX && <p className="muted text-[12px]">And {legs.length - MAX} more legs.</p>}
    </Decision>
  );
}

function LegRow({ leg, index }: { leg: LegShown; index: number }) {
  const { bare, text } = useLength();
  return (
    <tr className={`border-t border-dotted border-base-300 ${leg.off ? "text-error" : ""}`}>
      <td className="py-[2px]" title={`Of the line that is sewn; the path's own leg is ${text(leg.length.garment)}`}>
        {bare(leg.own_length.garment, 1)}
      </td>
      <td className="py-[2px] text-right">
        <Count leg={leg} index={index} />
      </td>
      <td className="text-right">{leg.repeats ? `${bare(leg.stitch.garment)} + ${bare(leg.gap.garment)}` : "none"}</td>
      <td
        className="pl-1.5 text-right whitespace-nowrap"
        title={leg.off ? "Past the tolerance" : leg.shortened ? `The last few ${text(leg.shortened)}` : undefined}
      >
        {signed(leg.ease)} %{leg.off && " !"}
      </td>
    </tr>
  );
}

/** A leg's count: entered to set it by hand, emptied to let it follow. */
function Count({ leg, index }: { leg: LegShown; index: number }) {
  const session = useSheetSession();
  const run = useRun();
  const set = (entered: string) => ({ kind: "set-count" as const, run: run.id, node: leg.node, entered });
  return (
    <span className="inline-flex items-center gap-1">
      {leg.set && (
        <button
          className="inline-grid size-6 cursor-pointer place-items-center rounded-full hover:bg-base-200"
          aria-label={`Count of leg ${index + 1} is set by hand: let it follow`}
          title="Set by hand. Press to let it follow."
          onClick={() => void session.command(set(""))}
        >
          <span aria-hidden className="size-2 rounded-full bg-base-content" />
        </button>
      )}
      <NumberField
        label={`Count of leg ${index + 1}`}
        value={String(leg.repeats)}
        step={1}
        narrow
        onPreview={(entered) => /^\d+$/.test(entered) && session.preview(set(entered))}
        onCommit={async (entered) => await session.entered(set(entered))}
        onCancel={() => session.dropPreviews(true)}
      />
    </span>
  );
}
