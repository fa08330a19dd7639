/** A corner of the run, enlarged as it is drawn. */
import { useMemo } from "react";

import type { CornerShown, RunShown } from "@/shared/api/types";
import { fitted, Painted } from "@/shared/draw/Painted";
import { degrees } from "@/shared/ui/words";

import { rowOf } from "../rows";
import { useFrame } from "../sheet";

const SIDE = 116;

export function CornerPicture({ run, corner }: { run: RunShown; corner: CornerShown }) {
  const { factor } = useFrame("sheet").sheet;
  const groups = useMemo(() => (run.group ? [run.group] : []), [run.group]);
  const [left, right] = run.tape!.edges;
  const repeat = rowOf(run)?.result.stitch.garment ?? 0;
  const reach = factor * Math.max(3 * Math.max(-left, right), 1.6 * repeat, 2);
  const { x, y } = corner;
  const at = useMemo(() => fitted([x - reach, y - reach, 2 * reach, 2 * reach], SIDE, SIDE, 400), [x, y, reach]);
  return (
    <figure
      data-testid="corner-picture"
      className="shrink-0 self-center overflow-hidden rounded-[3px] bg-(--cloth)"
      aria-label={`The corner enlarged: turns ${degrees(corner.turn)}`}
    >
      <Painted groups={groups} width={SIDE} height={SIDE} at={at} />
    </figure>
  );
}
