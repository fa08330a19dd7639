/** Rings about the places that a warning is about; the one that is looked at is the heavier. */
import { useTableState } from "../state";
import { toScreen, type View } from "../view";

const RADIUS = 13;

export function Looked({ view }: { view: View }) {
  const looked = useTableState((state) => state.looked);
  if (!looked) return null;
  return (
    <g data-testid="looked" pointerEvents="none" fill="none" stroke="var(--color-error)">
      {looked.spots.map((spot, index) => {
        const { x, y } = toScreen(view, spot);
        const here = index === looked.at;
        return <circle key={index} cx={x} cy={y} r={here ? RADIUS + 3 : RADIUS} strokeWidth={here ? 2.6 : 1.2} />;
      })}
    </g>
  );
}
