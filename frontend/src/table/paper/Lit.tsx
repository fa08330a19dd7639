/** The repeat under the pointer, here or on the Tape. */
import { useFrame } from "../sheet";
import { useTableState } from "../state";
import { toScreen, type View } from "../view";
import { endsOf } from "./repeats";

export function Lit({ view }: { view: View }) {
  const { runs } = useFrame("runs");
  const lit = useTableState((state) => state.lit);
  const run = lit && runs.find((item) => item.id === lit.run);
  const ends = run && endsOf(run, lit.index);
  if (!ends) return null;
  const [a, b] = ends.map((spot) => toScreen(view, spot));
  const d = `M${a!.x} ${a!.y}L${b!.x} ${b!.y}`;
  return (
    <g data-testid="lit" data-index={lit.index} pointerEvents="none" strokeLinecap="round" fill="none">
      <path d={d} stroke="var(--mark)" strokeWidth={13} opacity={0.22} />
      <path d={d} stroke="var(--mark)" strokeWidth={2} />
    </g>
  );
}
