/** A row for each leg, because averages hide legs. */
import { fixed, signed } from "@/shared/ui/words";

import { Heading } from "./Ticket";
import { useRun } from "./settings";

const MOST = 60;

export function Legs() {
  const { legs = [] } = useRun();
  if (!legs.length) return null;
  return (
    <>
      <Heading>Legs</Heading>
      <table className="w-full" data-testid="legs">
        <thead>
          <tr className="muted text-[12px]">
            <th scope="col" className="text-left font-normal">
              mm
            </th>
            <th scope="col" className="text-right font-normal">
              count
            </th>
            <th scope="col" className="text-right font-normal">
              stitch + gap
            </th>
            <th scope="col" className="text-right font-normal">
              ease
            </th>
          </tr>
        </thead>
        <tbody className="measure">
          {legs.slice(0, MOST).map((leg, index) => (
            <tr key={index} className={`border-t border-dotted border-base-300 ${leg.off ? "text-error" : ""}`}>
              <td className="py-[3px]">{fixed(leg.length.worn, 1)}</td>
              <td className="text-right">{leg.repeats}</td>
              <td className="text-right">
                {leg.repeats ? `${fixed(leg.stitch.worn)} + ${fixed(leg.gap.worn)}` : "none"}
              </td>
              <td className="text-right" title={leg.off ? "Past the tolerance" : undefined}>
                {signed(leg.ease)} %{leg.off && " !"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {legs.length > MOST && <p className="muted text-[12px]">And {legs.length - MOST} more legs.</p>}
    </>
  );
}
