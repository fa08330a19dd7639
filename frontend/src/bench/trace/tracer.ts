/** A picture on its way to the Bench: the server traces it aside, and is asked how far it is. */
import { create } from "zustand";

import { api } from "@/shared/api/client";
import type { PictureImported, TraceSettings, TracingShown } from "@/shared/api/types";

import type { Place } from "../bench";

export type Asked = Required<TraceSettings>;
type Traced = NonNullable<TracingShown["traced"]>;

interface TracerState {
  /** The picture, with an address to show it by; null while none is worked on. */
  picture: (PictureImported & { src: string; name: string; place: Place }) | null;
  asked: Asked;
  /** The tracing that goes on, or came last. */
  tracing: string | null;
  shown: TracingShown | null;
  /** The last one that came to an end, with the crop it was traced with: it stays in sight meanwhile. */
  last: { traced: Traced; crop: Asked["crop"] } | null;
  fault: string | null;
  set: (values: Partial<Omit<TracerState, "set">>) => void;
}

const FIRST: Asked = {
  length: "20 mm",
  by: "cut-off",
  crop: [0, 0, 0, 0],
  lighten: "0 %",
  cut_off: "50 %",
  swapped: false,
  colours: "6",
  specks: "0.05",
  corners: "60°",
  within: "0.05 mm",
  background: true,
  scraps: false,
  bands: false,
  most: "120",
};

export const useTracer = create<TracerState>((set) => ({
  picture: null,
  asked: FIRST,
  tracing: null,
  shown: null,
  last: null,
  fault: null,
  set: (values) => set(values),
}));

const tracer = () => useTracer.getState();

const BEGINNING: TracingShown = { share: 0, doing: "Beginning", done: false, traced: null };

/** How often the server is asked, ms. */
const EVERY = 120;

export async function takePicture(file: File, place: Place) {
  const taken = await api.takePicture(file);
  const length = taken.length ? `${Number(taken.length.toFixed(2))} mm` : FIRST.length;
  leave();
  tracer().set({
    picture: { ...taken, src: URL.createObjectURL(file), name: file.name, place },
    asked: { ...FIRST, length },
  });
  void start();
}

/** Put the picture away. */
export function leave() {
  const { picture, tracing } = tracer();
  if (picture) URL.revokeObjectURL(picture.src);
  if (tracing) void api.stopTracing(tracing).catch(() => undefined);
  tracer().set({ picture: null, tracing: null, shown: null, last: null, fault: null });
}

export function ask(values: Partial<Asked>) {
  tracer().set({ asked: { ...tracer().asked, ...values }, shown: BEGINNING });
  void start();
}

/** Trace as it is asked now. What goes on for an older asking is stopped. */
async function start() {
  const { picture, asked, tracing } = tracer();
  if (!picture) return;
  if (tracing) void api.stopTracing(tracing).catch(() => undefined);
  try {
    const { id } = await api.startTracing(picture.id, asked);
    if (tracer().asked !== asked) return void api.stopTracing(id).catch(() => undefined);
    tracer().set({ tracing: id, fault: null });
    await follow(id, asked.crop);
  } catch (error) {
    if (tracer().asked === asked) tracer().set({ fault: (error as Error).message, tracing: null });
  }
}

async function follow(id: string, crop: Asked["crop"]) {
  while (tracer().tracing === id) {
    const shown = await api.tracing(id);
    if (tracer().tracing !== id) return;
    tracer().set({ shown, last: shown.traced ? { traced: shown.traced, crop } : tracer().last });
    if (shown.done) return;
    await new Promise((resolve) => setTimeout(resolve, EVERY));
  }
}

export async function stop() {
  const { tracing } = tracer();
  if (tracing) await api.stopTracing(tracing);
}
