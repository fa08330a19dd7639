/** Long work under way: how far it is, said past a while, and the way to stop it. */
import { api } from "./api/client";

/** Busy is said past this long, ms, and from then on how far it is is asked for as often. */
const SLOW = 300;
const AGAIN = 400;

export interface WorkUnderWay {
  /** What is being done and how much of it, once that is known. */
  doing: string;
  done: number;
  total: number;
  stop: () => void;
}

/** What the server knows it by. */
export interface Work {
  name: string;
}

/** How far it is: “Laying 120 of 300”. */
export const workWords = ({ doing, done, total }: WorkUnderWay) =>
  doing ? `${doing} ${done.toLocaleString("en")} of ${total.toLocaleString("en")}` : "Working …";

let number = 0;

/** Do something that may take long, telling how it goes until it is done, then null. */
export async function watch<Result>(
  act: (work: Work) => Promise<Result>,
  tell: (work: WorkUnderWay | null) => void,
): Promise<Result> {
  const name = `${Date.now().toString(36)}-${number++}`;
  // Stopped or not, the answer says which.
  const stop = () => void api.stopWork(name).catch(() => undefined);
  let over = false;
  const look = async () => {
    const { doing, done, total } = await api.progress(name).catch(() => ({ doing: "", done: 0, total: 0 }));
    if (over) return;
    tell({ doing, done, total, stop });
    timer = setTimeout(() => void look(), AGAIN);
  };
  let timer = setTimeout(() => {
    tell({ doing: "", done: 0, total: 0, stop });
    void look();
  }, SLOW);
  try {
    return await act({ name });
  } finally {
    over = true;
    clearTimeout(timer);
    tell(null);
  }
}
