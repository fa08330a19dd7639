/** The shades that a colour may be: those of a sheet on the Table; none on the Bench. */
import { createContext, useContext } from "react";

import type { ShadeShown } from "@/shared/api/types";

export interface Shades {
  shades: readonly ShadeShown[];
  /** Open the shade card, at one of its shades. */
  open: (shade: string) => void;
  /** Add a shade of a colour. Resolves to what stands for it, or to null. */
  add: (colour: string) => Promise<string | null>;
}

export const ShadesContext = createContext<Shades | null>(null);

export const useShades = () => useContext(ShadesContext);

/** What stands for a shade, and for the colour that a path has, where a colour is entered. */
export const shadeRef = (id: string) => `shade:${id}`;
export const OF_PATH = "colour-of-path";

/** The shade that a text stands for, if it is one. */
export const shadeIn = (shades: readonly ShadeShown[], text: string) =>
  shades.find((shade) => shadeRef(shade.id) === text) ?? null;
