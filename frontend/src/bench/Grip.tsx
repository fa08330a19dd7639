/** A diamond that is dragged along one axis, with room enough around it for a finger. */
interface Props {
  x: number;
  y: number;
  /** Half of its side, px. */
  half?: number;
  fill?: string;
  stroke?: string;
}

export function Diamond({ x, y, half = 5, fill = "#1f2a44", stroke = "var(--halo)" }: Props) {
  return (
    <>
      <rect x={x - 12} y={y - 12} width={24} height={24} fill="transparent" />
      <rect
        x={x - half}
        y={y - half}
        width={2 * half}
        height={2 * half}
        transform={`rotate(45 ${x} ${y})`}
        fill={fill}
        stroke={stroke}
        strokeWidth={1.5}
      />
    </>
  );
}

/** How a grip that moves along or across looks under the pointer. */
export const gripStyle = (along: boolean) => ({ cursor: along ? "ew-resize" : "ns-resize", touchAction: "none" });

const ARROWS: Record<string, number> = { ArrowRight: 1, ArrowLeft: -1, ArrowDown: 1, ArrowUp: -1 };

/** What an arrow key says, 1 or −1, once it is kept from scrolling the page; 0 for every other key. */
export function arrowStep(event: React.KeyboardEvent): number {
  const by = ARROWS[event.key] ?? 0;
  if (by) event.preventDefault();
  return by;
}
