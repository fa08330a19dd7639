/** Which way motifs point, and how they sit on a curve. */
import { FACINGS, HOLDS } from "@/shared/ui/trade";

import { Heading } from "./Heading";
import { useRow } from "./maker";
import { NumberRow, Options, Tick } from "./fields";
import { Own } from "./Own";

/** A single thread between two holes points along the path and is pinned: nothing to set. */
const PLAIN = "running";

export function FacingAndHold() {
  const place = useRow();
  if (!place || place.row.motif?.family === PLAIN) return null;
  const facing = place.row.facing!;
  const at = (name: string) => place.at(`facing/${name}`);
  return (
    <>
      <Heading>
        Facing
        <Own pointer={place.at("facing")} label="Facing" />
      </Heading>
      <Options label="Facing" pointer={at("kind")} options={FACINGS} value={facing.kind!} />
      {facing.kind === "turned" && (
        <NumberRow label="Turned by" pointer={at("angle")} value={`${facing.angle}°`} step={5} />
      )}
      <Tick label="Mirror end to end" pointer={at("end_to_end")} value={facing.end_to_end!} />
      <Tick label="Mirror side to side" pointer={at("side_to_side")} value={facing.side_to_side!} />
      <Tick label="Mirror every other one" pointer={at("mirror_alternate")} value={facing.mirror_alternate!} />
      <Heading>
        On a curve
        <Own pointer={place.at("hold")} label="On a curve" />
      </Heading>
      <Options label="On a curve" pointer={place.at("hold")} options={HOLDS} value={place.row.hold!} />
    </>
  );
}
