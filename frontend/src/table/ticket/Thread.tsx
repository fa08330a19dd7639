/** The thread: its ends and its colour. */
import { useCallback } from "react";

import { Choice } from "@/shared/ui/Choice";
import { ColourField } from "@/shared/ui/ColourField";
import { THREAD_ENDS } from "@/shared/ui/trade";

import { Own } from "./Own";
import { Heading } from "./Ticket";
import { useRun, useSettings } from "./settings";

const ENDS = "/courses/0/motif/ends";
const COLOUR = "/threads/0";

export function Thread() {
  const { settings: brush } = useRun();
  const settings = useSettings();
  const keepColour = useCallback((colour: string) => settings.keep(COLOUR, colour), [settings]);
  return (
    <>
      <Heading>
        Thread
        <Own pointer={COLOUR} label="Thread colour" />
      </Heading>
      <ColourField
        label="Thread colour"
        value={brush.threads![0]!}
        onPreview={(colour) => settings.tryOut(COLOUR, colour)}
        onCommit={keepColour}
      />
      <div className="mt-1.5 flex items-center gap-2">
        <span>
          Ends
          <Own pointer={ENDS} label="Thread ends" />
        </span>
        <Choice
          label="Thread ends"
          options={THREAD_ENDS}
          value={brush.courses![0]!.motif!.ends!}
          onChange={(ends) => void settings.keep(ENDS, ends)}
        />
      </div>
    </>
  );
}
