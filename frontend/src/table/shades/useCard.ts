/** The sheet's shades, for everything on the Table that a colour is given to. */
import { useMemo } from "react";

import { type Shades, shadeRef } from "@/shared/maker/shades";

import { useShown, useSheetSession } from "../sheet";
import { tableState } from "../state";

export function useCard(): Shades {
  const session = useSheetSession();
  const shades = useShown((frame) => frame.shades);
  return useMemo(
    () => ({
      shades,
      open: (shade) => tableState().set({ card: { shade } }),
      add: async (colour) => {
        const known = new Set(session.frame.shades.map((shade) => shade.id));
        if (await session.command({ kind: "add-shade", colour })) return null;
        const made = session.frame.shades.find((shade) => !known.has(shade.id));
        return made ? shadeRef(made.id) : null;
      },
    }),
    [session, shades],
  );
}
