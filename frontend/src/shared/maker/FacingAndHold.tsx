/** Which way motifs point, and how they sit on a curve. */
import { FACINGS, HOLDS, wordOf } from "@/shared/ui/trade";

import { Decision } from "./Decision";
import { NumberRow, Options, Tick } from "./fields";
import { useRow } from "./maker";

/** A single thread between two holes points along the path and is pinned: nothing to set. */
const PLAIN = "running";

export function Facing() {
  const place = useRow();
  if (!place || place.row.motif?.family === PLAIN) return null;
  const facing = place.row.facing!;
  const at = (name: string) => place.at(`facing/${name}`);
  const set = [
    facing.kind === "turned" ? `turned ${facing.angle}°` : wordOf(FACINGS, facing.kind),
    (facing.end_to_end || facing.side_to_side || facing.mirror_alternate) && "mirrored",
  ];
  return (
    <Decision id="facing" label="Facing" set={set.filter(Boolean).join(", ")} pointers={[place.at("facing")]}>
      <Options label="Facing" pointer={at("kind")} options={FACINGS} value={facing.kind!} />
      {facing.kind === "turned" && (
        <NumberRow label="Turned by" pointer={at("angle")} value={`${facing.angle}°`} step={5} />
      )}
      <Tick label="Mirror end to end" pointer={at("end_to_end")} value={facing.end_to_end!} />
      <Tick label="Mirror side to side" pointer={at("side_to_side")} value={facing.side_to_side!} />
      <Tick label="Mirror every other one" pointer={at("mirror_alternate")} value={facing.mirror_alternate!} />
    </Decision>
  );
}

export function OnCurves() {
  const place = useRow();
  if (!place || place.row.motif?.family === PLAIN) return null;
  const pointer = place.at("hold");
  return (
    <Decision id="hold" label="On curves" set={wordOf(HOLDS, place.row.hold)} pointers={[pointer]}>
      <Options label="On curves" pointer={pointer} options={HOLDS} value={place.row.hold!} />
    </Decision>
  );
}
