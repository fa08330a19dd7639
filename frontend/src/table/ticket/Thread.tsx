/** The threads: their colours, and a stitch's ends. */
import { useCallback } from "react";

import { ColourField } from "@/shared/ui/ColourField";
import { THREAD_ENDS } from "@/shared/ui/trade";

import { Options } from "@/shared/maker/fields";
import { Own } from "@/shared/maker/Own";
import { Heading } from "@/shared/maker/Heading";
import { useRow } from "@/shared/maker/maker";

import { useRun, useSettings } from "./settings";

export function Thread() {
  const { settings: brush } = useRun();
  const place = useRow();
  const motif = place?.row.motif;
  const threads = brush.threads!;
  return (
    <>
      <Heading>{threads.length > 1 ? "Threads" : "Thread"}</Heading>
      {threads.map((colour, index) => (
        <ThreadColour key={index} index={index} colour={colour} many={threads.length > 1} />
      ))}
      {place && motif?.family === "running" && (
        <div className="mt-1.5 flex items-center gap-2">
          <span>
            Ends
            <Own pointer={place.at("motif/ends")} label="Thread ends" />
          </span>
          <Options label="Thread ends" pointer={place.at("motif/ends")} options={THREAD_ENDS} value={motif.ends!} />
        </div>
      )}
    </>
  );
}

function ThreadColour({ index, colour, many }: { index: number; colour: string; many: boolean }) {
  const settings = useSettings();
  const pointer = `/threads/${index}`;
  const keep = useCallback((entered: string) => settings.keep(pointer, entered), [settings, pointer]);
  const label = many ? `Thread ${index + 1} colour` : "Thread colour";
  return (
    <div className="mt-1 flex items-center">
      <ColourField
        label={label}
        value={colour}
        onPreview={(entered) => settings.tryOut(pointer, entered)}
        onCommit={keep}
      />
      <Own pointer={pointer} label={label} />
    </div>
  );
}
