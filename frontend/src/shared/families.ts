/** The motif families, which do not change while the page is open. */
import { useQuery } from "@tanstack/react-query";

import { api } from "@/shared/api/client";
import type { FamilyShown } from "@/shared/api/types";

const NONE: FamilyShown[] = [];

export function useFamilies(): FamilyShown[] {
  return useQuery({ queryKey: ["families"], queryFn: api.families }).data?.families ?? NONE;
}

export const KINDS = [
  ["stitch", "Stitch"],
  ["rope", "Rope"],
  ["chain", "Chain"],
  ["trim", "Trim"],
  ["border", "Border"],
] as const;
