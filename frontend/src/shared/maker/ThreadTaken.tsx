/** How artwork with colours of its own takes the thread. */
import type { components } from "@/shared/api/schema";
import { TAKES } from "@/shared/ui/trade";

import { NumberRow, Options } from "./fields";
import { useMaker } from "./maker";
import { Own } from "./Own";

type Take = Required<components["schemas"]["TakeDoc"]>;

export const TAKE = "/take";

export function ThreadTaken() {
  const { doc, coloured } = useMaker();
  if (!coloured) return null;
  const { way, turn } = doc.take as Take;
  return (
    <div className="mt-2">
      <p className="text-[12px]">
        Artwork takes the thread
        <Own pointer={`${TAKE}/way`} label="Artwork takes the thread" />
      </p>
      <Options label="Artwork takes the thread" pointer={`${TAKE}/way`} options={TAKES} value={way} />
      {way === "turned" && <NumberRow label="Turned by" pointer={`${TAKE}/turn`} value={`${turn}°`} step={15} />}
    </div>
  );
}
