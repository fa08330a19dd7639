/** Single repeats of a run: what each is known by, and what is said of it. */
import type { OneRepeatShown, RunShown } from "@/shared/api/types";

/** Which repeat: its course, the node where its leg starts, and its number in the leg, from 0. */
export type Which = Pick<OneRepeatShown, "course" | "node" | "number">;

export const repeatKey = ({ course, node, number }: Which) => `${course}/${number}/${node}`;

export function repeatOf(key: string): Which {
  const [course, number, ...node] = key.split("/");
  return { course: Number(course), number: Number(number), node: node.join("/") };
}

/** What is said of a repeat; what is said of none where nothing is. */
export function saidOf(run: RunShown, which: Which): Omit<OneRepeatShown, "at"> & { set: boolean } {
  const said = run.repeats?.find((item) => repeatKey(item) === repeatKey(which));
  if (said) return { ...said, set: true };
  const entered = { along: "0 mm", across: "0 mm", turn: "0°", size: "100 %" };
  const own = { motif: null, brought: null, brought_name: null };
  return { ...which, ...own, left_out: false, entered, set: false };
}
