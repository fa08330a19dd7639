/** The path being drafted, with what the next press would do. */
import { useTableState } from "../../state";
import { toScreen, type View } from "../../view";
import { closesDraft } from "./draftPointer";

export function Draft({ view }: { view: View }) {
  const { draft, pointer, on: lying } = useTableState();
  const on = (x: number, y: number) => {
    const spot = toScreen(view, { x, y });
    return `${spot.x} ${spot.y}`;
  };
  const pieces = draft.slice(1).map((node, i) => {
    const before = draft[i]!;
    const [ox, oy] = before.out ?? [before.x, before.y];
    const [ix, iy] = node.into ?? [node.x, node.y];
    return `C${on(ox, oy)} ${on(ix, iy)} ${on(node.x, node.y)}`;
  });
  const [first] = draft;
  const last = draft.at(-1);
  const closing = pointer && closesDraft(pointer);
  return (
    <g fill="none" stroke="var(--mark)" strokeWidth={1.5} data-testid="draft">
      {first && <path d={`M${on(first.x, first.y)}${pieces.join("")}`} />}
      {last && pointer && (
        <path d={`M${on(last.x, last.y)}L${on(pointer.x, pointer.y)}`} strokeDasharray="3 4" strokeWidth={1} />
      )}
      {draft.map((node, i) => {
        const at = toScreen(view, node);
        return <circle key={i} cx={at.x} cy={at.y} r={i === 0 && closing ? 8 : 4} fill="var(--halo)" />;
      })}
      {pointer && <Cross view={view} x={pointer.x} y={pointer.y} />}
      {pointer && lying && <Lying view={view} x={pointer.x} y={pointer.y} on={lying} />}
    </g>
  );
}

/** What the pointer has landed on, in words beside it. */
export function Lying({ view, x, y, on }: { view: View; x: number; y: number; on: string }) {
  const at = toScreen(view, { x, y });
  return (
    <text
      x={at.x + 12}
      y={at.y - 9}
      className="text-[12px]"
      fill="var(--mark)"
      stroke="var(--halo)"
      strokeWidth={3}
      paintOrder="stroke"
    >
      {on}
    </text>
  );
}

function Cross({ view, x, y }: { view: View; x: number; y: number }) {
  const at = toScreen(view, { x, y });
  return <path d={`M${at.x - 7} ${at.y}h14M${at.x} ${at.y - 7}v14`} strokeWidth={1} />;
}
