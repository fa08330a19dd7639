/** Numbers as the screen writes them. */
import type { SetLength } from "@/shared/api/types";

export const fixed = (value: number, decimals = 2) => value.toFixed(decimals).replace("-", "−");

export const signed = (value: number, decimals = 1) => {
  const text = Math.abs(value).toFixed(decimals);
  return Number(text) === 0 ? text : (value < 0 ? "−" : "+") + text;
};

/** An entered number, without trailing noughts past two decimals. */
export const enteredMm = (value: number) => `${Number(value.toFixed(4)).toFixed(Math.max(2, decimals(value)))} mm`;

/** How many decimals a number has, of four at the most. */
export const decimals = (value: number) => Number(value.toFixed(4)).toString().split(".")[1]?.length ?? 0;

/** An set length as it is entered: in its own frame, or as a share. */
export function setText(set: SetLength): string {
  if (set.on === "share") return `${Number((set.percent ?? 0).toFixed(2))} %`;
  return enteredMm(set.on === "garment" ? set.garment : set.paper);
}

export const degrees = (turn: number) => `${Math.abs(turn).toFixed(0)}°`;

export const plural = (count: number, one: string, many = `${one}s`) =>
  `${count.toLocaleString("en")} ${count === 1 ? one : many}`;

export const capital = (word: string) => word.charAt(0).toUpperCase() + word.slice(1);

/** What is asked, and may be answered, where others use what is changed. */
export const followOrKeep = (others: number, what: string) =>
  others === 1
    ? {
        question: `Let it follow, or keep it as it was? Kept, it gets a ${what} of its own.`,
        follow: "Let it follow",
        keep: "Keep it as it was",
      }
    : {
        question: `Let them follow, or keep them as they were? Kept ones get a ${what} of their own.`,
        follow: "Let them follow",
        keep: "Keep them as they were",
      };
