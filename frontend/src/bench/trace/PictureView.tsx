/** The picture with what was traced over it, and the frame that crops it. */
import { useDrag } from "@use-gesture/react";
import { useMemo, useState } from "react";

import { laid } from "@/shared/draw/painter";

import { arrowStep, Diamond, gripStyle } from "../Grip";
import { Painted } from "@/shared/draw/Painted";
import { useSize } from "../useSize";
import { ask, useTracer } from "./tracer";

export type Seen = "both" | "picture" | "traced";

const MARGIN = 14;

type Sides = [number, number, number, number];
const SIDES = ["left", "top", "right", "foot"] as const;

export function PictureView({ seen }: { seen: Seen }) {
  const [box, { width, height }] = useSize<HTMLDivElement>();
  const picture = useTracer((state) => state.picture)!;
  const last = useTracer((state) => state.last);
  const kept = useTracer((state) => state.asked.crop) as Sides;
  const [held, setHeld] = useState<Sides | null>(null);
  const crop = held ?? kept;
  const zoom = Math.max(Math.min((width - 2 * MARGIN) / picture.columns, (height - 2 * MARGIN) / picture.rows), 0);
  const frame = { width: zoom * picture.columns, height: zoom * picture.rows };
  const left = (width - frame.width) / 2;
  const top = (height - frame.height) / 2;
  const groups = useMemo(() => (last ? [laid(last.traced.shapes)] : []), [last]);
  const at = useMemo(() => {
    if (!last) return { zoom: 1, x: left, y: top };
    // What was traced lies where the crop was when it was traced.
    const [cutLeft, cutTop, cutRight] = last.crop as Sides;
    const zoomed = (frame.width * (1 - cutLeft - cutRight)) / last.traced.length;
    return { zoom: zoomed, x: left + frame.width * cutLeft, y: top + frame.height * cutTop };
  }, [last, frame.width, frame.height, left, top]);
  const inner = {
    x: left + frame.width * crop[0],
    y: top + frame.height * crop[1],
    width: frame.width * (1 - crop[0] - crop[2]),
    height: frame.height * (1 - crop[1] - crop[3]),
  };
  return (
    <div ref={box} className="relative mt-2 min-h-0 flex-1 overflow-hidden rounded-box border border-base-300 bg-white">
      {width > 0 && (
        <>
          {seen !== "traced" && (
            <img
              src={picture.src}
              alt="What is traced, as it was imported"
              className="absolute max-w-none"
              style={{ left, top, width: frame.width, height: frame.height, opacity: seen === "both" ? 0.35 : 1 }}
            />
          )}
          {seen !== "picture" && (
            <div className="absolute inset-0">
              <Painted groups={groups} width={width} height={height} at={at} />
            </div>
          )}
          <svg className="absolute inset-0 h-full w-full" role="group" aria-label="Crop">
            <path
              d={`M${left} ${top}h${frame.width}v${frame.height}h${-frame.width}ZM${inner.x} ${inner.y}v${inner.height}h${inner.width}v${-inner.height}Z`}
              fill="#f3eee2"
              fillOpacity={0.72}
            />
            <rect {...inner} fill="none" stroke="#1f2a44" strokeWidth={1.4} />
            {SIDES.map((name, side) => (
              <SideGrip key={name} side={side} name={name} inner={inner} frame={frame} crop={kept} onHold={setHeld} />
            ))}
          </svg>
        </>
      )}
    </div>
  );
}

interface GripProps {
  side: number;
  name: string;
  inner: { x: number; y: number; width: number; height: number };
  frame: { width: number; height: number };
  crop: Sides;
  onHold: (crop: Sides | null) => void;
}

function SideGrip({ side, name, inner, frame, crop, onHold }: GripProps) {
  const along = side % 2 === 0;
  const sign = side < 2 ? 1 : -1;
  const moved = (share: number): Sides => {
    const next = [...crop] as Sides;
    const most = 0.95 - crop[(side + 2) % 4]!;
    next[side] = Math.min(Math.max(crop[side]! + share, 0), most);
    return next;
  };
  const bind = useDrag(
    ({ movement: [mx, my], last, tap }) => {
      if (tap) return;
      const next = moved((sign * (along ? mx : my)) / (along ? frame.width : frame.height));
      onHold(last ? null : next);
      if (last) ask({ crop: next });
    },
    { filterTaps: true, pointer: { keys: false } },
  );
  const x = along ? inner.x + (side === 0 ? 0 : inner.width) : inner.x + inner.width / 2;
  const y = along ? inner.y + inner.height / 2 : inner.y + (side === 1 ? 0 : inner.height);
  return (
    <g
      {...bind()}
      role="slider"
      tabIndex={0}
      aria-label={`Cut from the ${name}`}
      aria-valuemin={0}
      aria-valuemax={95}
      aria-valuenow={Math.round(100 * crop[side]!)}
      aria-valuetext={`${Math.round(100 * crop[side]!)} %`}
      data-testid={`crop-${name}`}
      style={gripStyle(along)}
      onKeyDown={(event) => {
        const by = arrowStep(event);
        if (by) ask({ crop: moved(0.01 * sign * by) });
      }}
    >
      <Diamond x={x} y={y} stroke="#fffdf6" />
    </g>
  );
}
