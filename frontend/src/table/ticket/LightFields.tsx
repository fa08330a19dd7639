/** Where the sheet's light comes from: turned by a dial, or by number. */
import { useDrag } from "@use-gesture/react";
import { useRef } from "react";

import type { Intent } from "@/shared/api/types";
import { Heading } from "@/shared/maker/Heading";
import { NumberLine } from "@/shared/ui/NumberLine";
import { stop } from "@/shared/ui/stops";

import { useFrame, useSheetSession } from "../sheet";

/** The dial's radius and that of its grip, px. */
const [DIAL, GRIP] = [30, 6];
/** Degrees that an arrow key turns it by, and with Shift. */
const [STEP, LARGER] = [5, 15];

const from = (azimuth: number): Intent => ({ kind: "set-sheet", light_azimuth: String(Math.round(azimuth)) });
const whole = (azimuth: number) => ((Math.round(azimuth) % 360) + 360) % 360;

export function LightFields() {
  const session = useSheetSession();
  const { azimuth, elevation } = useFrame("sheet").sheet.light;
  return (
    <>
      <Heading>Light</Heading>
      <div className="flex items-center gap-4">
        <LightDial azimuth={azimuth} />
        <div className="flex-1">
          <NumberLine
            words="From"
            label="Light comes from, clockwise from the top"
            value={`${azimuth}°`}
            step={STEP}
            onCommit={(light_azimuth) => session.entered({ kind: "set-sheet", light_azimuth })}
          />
          <NumberLine
            words="Height"
            label="Light above the sheet"
            value={`${elevation}°`}
            step={STEP}
            onCommit={(light_elevation) => session.entered({ kind: "set-sheet", light_elevation })}
          />
        </div>
      </div>
    </>
  );
}

function LightDial({ azimuth }: { azimuth: number }) {
  const session = useSheetSession();
  const dial = useRef<SVGSVGElement>(null);
  const bind = useDrag(
    ({ xy: [x, y], last }) => {
      const { left, top, width, height } = dial.current!.getBoundingClientRect();
      const [across, up] = [x - left - width / 2, top + height / 2 - y];
      // So near to its middle the hand says nothing of a direction.
      if (Math.hypot(across, up) < GRIP) return last ? session.dropPreviews(true) : undefined;
      const turned = from(whole((Math.atan2(across, up) * 180) / Math.PI));
      if (last) void session.command(turned);
      else session.drag(turned);
    },
    { pointer: { buttons: [1], keys: false } },
  );
  const onKeyDown = (event: React.KeyboardEvent) => {
    const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key];
    if (!way) return;
    event.preventDefault();
    void session.command(from(whole(azimuth + way * (event.shiftKey ? LARGER : STEP))));
  };
  const size = 2 * (DIAL + GRIP) + 4;
  return (
    <svg
      {...stop}
      {...bind()}
      ref={dial}
      onKeyDown={onKeyDown}
      role="slider"
      aria-label="Light comes from: turn it by dragging, or by the arrow keys"
      aria-valuemin={0}
      aria-valuemax={359}
      aria-valuenow={whole(azimuth)}
      aria-valuetext={`${whole(azimuth)}° clockwise from the top`}
      tabIndex={0}
      width={size}
      height={size}
      viewBox={`${-size / 2} ${-size / 2} ${size} ${size}`}
      className="shrink-0 cursor-grab touch-none rounded-full active:cursor-grabbing"
    >
      <circle r={DIAL} fill="none" stroke="var(--edge)" />
      <path d={TICKS} stroke="var(--edge)" />
      <g transform={`rotate(${azimuth})`}>
        <path d={RAYS} fill="none" stroke="currentColor" strokeDasharray="3 3" />
        <circle cy={-DIAL} r={GRIP} fill="currentColor" />
      </g>
      <circle r={7} fill="var(--color-base-300)" stroke="currentColor" />
    </svg>
  );
}

/** Marks at every eighth of a turn. */
const TICKS = Array.from({ length: 8 }, (_, i) => {
  const [x, y] = [Math.sin((i * Math.PI) / 4), -Math.cos((i * Math.PI) / 4)];
  return `M${x * (DIAL - 4)} ${y * (DIAL - 4)}L${x * DIAL} ${y * DIAL}`;
}).join("");
/** What falls from the grip on the middle. */
const RAYS = `M0 ${GRIP - DIAL}V-9`;
